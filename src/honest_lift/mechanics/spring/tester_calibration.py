"""What a spring tester shows against reference springs of known loads: offset, gain and the error of its height stop.

A tester whose readings are R where the certified load is P shows

    R - P = a + b P - rate x dh

with a its offset, b its gain and dh how far its stop lets a spring stand above the height it names. On one
reference spring a and dh look alike; two of different rate tell them apart.

Source: generalised least squares (JCGM 100:2008 annex H.3 fits a calibration line so); a parameter more is kept
only where chi-square falls by more than 3.84, its 95 percent quantile at one degree of freedom.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from math import erfc, exp, gamma, sqrt

import numpy as np

from honest_lift.numbers.doubt import Array

OFFSET, GAIN, STOP = "offset", "gain", "stop"
_ONE_MORE = 3.84  # chi-square, one degree of freedom, 95 percent
_TWO_MORE = 5.99  # the same at two
_LOADS_FOR_GAIN = 3
_SPAN_FOR_GAIN = 1.3  # largest over smallest load
_SPAN_FOR_STOP = 1.3  # stiffest over softest reference spring


@dataclass(frozen=True, slots=True)
class Fit:
    """What was fitted. `names`: the parameters kept, in the order of `values` (k,).

    `weights` (k, n): how each reading moves each parameter, so that any displacement of the readings, or of the
    certified loads, is a displacement of the parameters. `wide_names` and `wide_weights`: the same of every parameter that
    the readings could tell, kept or not: one that was not worth a value is zero, and no surer for that. `residuals` (n,)
    in N; `standardised` (n,) over their own doubt, 0 where nothing is left over to tell.
    """

    names: tuple[str, ...]
    values: Array
    weights: Array
    residuals: Array
    standardised: Array
    chi_square: float
    freedom: int
    tried: tuple[tuple[tuple[str, ...], float], ...]
    wide_names: tuple[str, ...] = ()
    wide_weights: Array = field(default_factory=lambda: np.empty((0, 0)))

    def value(self, name: str) -> float:
        """Give a parameter; 0 where it was not kept."""
        return float(self.values[self.names.index(name)]) if name in self.names else 0.0

    @property
    def likelihood(self) -> float:
        """Give the probability of a chi-square this large or larger; NaN with no degree of freedom left."""
        return chi_square_above(self.chi_square, self.freedom)


def fit_tester(certified_n: Array, read_n: Array, rates_n_mm: Array, covariance: Array) -> Fit:
    """Fit offset, gain and stop error of a tester to readings (n,) of reference springs, and keep what is justified.

    certified_n (n,) certified loads; rates_n_mm (n,) rate of the reference spring there; covariance (n, n) of the
    readings less the certified loads, in N^2. ValueError for no reading.

    >>> p = np.array([445.0, 890.0, 1335.0, 1780.0])
    >>> fit = fit_tester(p, p + [9.5, 8.6, 9.2, 8.9], np.full(4, 50.0), 1.5**2 * np.eye(4))
    >>> fit.names, round(fit.value("offset"), 2)
    (('offset',), 9.05)
    """
    if len(certified_n) == 0:
        raise ValueError("a tester is fitted to at least one reading of a reference spring")
    columns = {OFFSET: np.ones_like(certified_n), GAIN: certified_n, STOP: -rates_n_mm}
    tried = {
        names: _fitted(names, columns, read_n - certified_n, covariance) for names in _models(certified_n, rates_n_mm)
    }
    best: tuple[str, ...] = ()
    while True:
        more = [names for names in tried if set(names) > set(best) and len(names) - len(best) <= 2]
        better = [
            names
            for names in more
            if tried[best].chi_square - tried[names].chi_square
            > (_ONE_MORE if len(names) == len(best) + 1 else _TWO_MORE)
        ]
        if not better:
            break
        fewest = min(len(names) for names in better)
        best = min((names for names in better if len(names) == fewest), key=lambda names: tried[names].chi_square)
    chosen = tried[best]
    told = tuple((names, one.chi_square) for names, one in tried.items())
    wide = tried[max((names for names in tried if (STOP in names) == (STOP in best)), key=len)]
    return Fit(best, chosen.values, chosen.weights, chosen.residuals, chosen.standardised, chosen.chi_square,
               chosen.freedom, told, wide.names, wide.weights)  # fmt: skip


def _models(certified_n: Array, rates_n_mm: Array) -> list[tuple[str, ...]]:
    """Give the sets of parameters the readings can tell apart, the smallest first."""
    loads = np.unique(certified_n)
    gain = len(loads) >= _LOADS_FOR_GAIN and loads[-1] >= _SPAN_FOR_GAIN * loads[0]
    stop = len(certified_n) > 2 and bool(rates_n_mm.max() >= _SPAN_FOR_STOP * rates_n_mm.min())
    models: list[tuple[str, ...]] = [(), (OFFSET,)]
    models += [(OFFSET, GAIN)] if gain else []
    models += [(OFFSET, STOP)] if stop else []
    models += [(OFFSET, GAIN, STOP)] if gain and stop and len(certified_n) > 3 else []
    return models


def _fitted(names: Sequence[str], columns: dict[str, Array], apart: Array, covariance: Array) -> Fit:
    count = len(apart)
    inverse = np.linalg.pinv(covariance)
    design = np.array([columns[name] for name in names]).reshape(len(names), count).T
    weights = np.linalg.pinv(design.T @ inverse @ design) @ design.T @ inverse if names else np.empty((0, count))
    values = weights @ apart
    residuals = apart - design @ values
    left = np.eye(count) - design @ weights
    own = np.sqrt(np.clip(np.diag(left @ covariance @ left.T), 0.0, None))
    told = own > 1e-6 * np.sqrt(np.diag(covariance))
    standardised = np.divide(residuals, own, out=np.zeros(count), where=told)
    return Fit(tuple(names), values, weights, residuals, standardised, float(residuals @ inverse @ residuals),
               count - len(names), ())  # fmt: skip


def corrected_load(read_n: float, offset_n: float, gain: float) -> float:
    """Give the load behind a reading: (R - a)/(1 + b)."""
    return (read_n - offset_n) / (1.0 + gain)


def chi_square_above(value: float, freedom: int) -> float:
    """Give the probability that chi-square with some degrees of freedom exceeds a value; NaN with none.

    Source: Abramowitz and Stegun 26.4.4 and 26.4.5 (finite sums for odd and even degrees of freedom). Written out
    because SciPy's statistics take longer to import than a window may.

    >>> round(chi_square_above(3.841459, 1), 4)
    0.05
    """
    if freedom < 1:
        return float("nan")
    half: float = max(value, 0.0) / 2.0
    if freedom % 2 == 0:
        return exp(-half) * sum(half**r / gamma(r + 1.0) for r in range(freedom // 2))
    tail = sum(half ** (r + 0.5) / gamma(r + 1.5) for r in range((freedom - 1) // 2))
    return float(erfc(sqrt(half)) + exp(-half) * tail)
