"""What form a spring has, told from its measured points: linear, progressive (its rate steps up), tapered (it glides up).

A straight line, a line with one kink and a parabola are fitted to the points, each weighted by its doubt; the simplest
that the points do not contradict counts. A kink is a coil closing; a tapered spring closes its turns little by little.
Source: weighted least squares and the chi-squared test, general statistics; what the forms are, common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from honest_lift.numbers.doubt import Array

Told = Literal["too few points", "linear", "rising", "progressive", "tapered", "falling"]
_RISE = 0.08  # a rate that changes by less over the points is a line to everybody. Common practice, no source
_CRITICAL = (
    6.63,
    9.21,
    11.34,
    13.28,
    15.09,
    16.81,
    18.48,
    20.09,
    21.67,
    23.21,
)  # chi-squared, 1 percent, 1 to 10 degrees


@dataclass(frozen=True, slots=True)
class Form:
    """What was told, and the rate in N/mm between each pair of neighbouring points (p - 1,), lowest height first."""

    told: Told
    rates_n_mm: Array

    @property
    def is_rising(self) -> bool:
        """Tell whether its rate goes up as it is compressed."""
        return self.told in ("rising", "progressive", "tapered")

    @property
    def bend(self) -> float:
        """Give the rate at the bottom of the travel over that at the top; NaN for fewer than three points."""
        return float(self.rates_n_mm[0] / self.rates_n_mm[-1]) if len(self.rates_n_mm) > 1 else float("nan")

    @property
    def is_certain(self) -> bool:
        """Tell whether points are enough to call a line a line: a rate never falls, so that four on a line leave no kink room."""
        return len(self.rates_n_mm) >= 3


def recognise(heights_mm: Array, loads_n: Array, u_n: Array) -> Form:
    """Tell the form from points (p,) with heights rising and the standard doubt of each load alone.

    >>> h = np.array([30.0, 35.0, 40.0, 45.0])
    >>> recognise(h, 30.0 * (55.0 - h), np.full(4, 3.0)).told
    'linear'
    """
    rates = -np.diff(loads_n) / np.diff(heights_mm)
    if len(heights_mm) < 3:
        return Form("too few points", rates)
    low, high = float(rates[-1]), float(rates[0])  # at the top, and at the bottom of the travel
    if _fits(_misfit(heights_mm, loads_n, u_n, 1), len(heights_mm) - 2) or abs(high / low - 1.0) < _RISE:
        return Form("linear", rates)
    if high < low:
        return Form("falling", rates)
    return Form(_rising(heights_mm, loads_n, u_n), rates)


def _rising(heights_mm: Array, loads_n: Array, u_n: Array) -> Told:
    """Tell a kink from a glide where five points or more can; both fit four."""
    free = len(heights_mm)
    if free < 5:
        return "rising"
    smooth = _fits(_misfit(heights_mm, loads_n, u_n, 2), free - 3)
    kinked = _fits(_least_kinked(heights_mm, loads_n, u_n), free - 4)
    if smooth == kinked:
        return "rising"
    return "tapered" if smooth else "progressive"


def _fits(misfit: float, degrees: int) -> bool:
    return degrees > 0 and misfit <= _CRITICAL[min(degrees, len(_CRITICAL)) - 1]


def _misfit(heights_mm: Array, loads_n: Array, u_n: Array, degree: int) -> float:
    """Give chi-squared of the best polynomial of a degree."""
    along = heights_mm - heights_mm.mean()
    return _chi_squared(np.stack([along**power for power in range(degree + 1)], axis=-1), loads_n, u_n)


def _least_kinked(heights_mm: Array, loads_n: Array, u_n: Array) -> float:
    """Give chi-squared of the best pair of straight lines that meet, the kink tried between the inner points."""
    tried = np.linspace(heights_mm[1], heights_mm[-2], 41)
    columns = [np.ones_like(heights_mm), heights_mm - heights_mm.mean()]
    return min(
        _chi_squared(np.stack([*columns, np.maximum(kink - heights_mm, 0.0)], axis=-1), loads_n, u_n) for kink in tried
    )


def _chi_squared(design: Array, loads_n: Array, u_n: Array) -> float:
    weight = 1.0 / u_n
    best, *_ = np.linalg.lstsq(design * weight[:, None], loads_n * weight, rcond=None)
    return float(np.sum(((design @ best - loads_n) * weight) ** 2))
