"""What a checking pushrod tells by itself: marks read at a few of its lengths, and the length they point to.

Away from square at half lift a mark grows on both sides alike, so that its width stands over the length like a V:
valve arm x (1 - cos(half the swing + what it stands off square)). Source: plane geometry.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.numbers.doubt import Array

_FEWEST, _RASTER, _ROUNDS = 3, 81, 5


@dataclass(frozen=True, slots=True)
class Pointed:
    """The length that readings point to, and the lengths on both sides between which it must lie, mm."""

    length: float
    low: float
    high: float


def narrowest(lengths: Array, widths: Array) -> Pointed | str:
    """Give the length of the narrowest mark from readings (n,), or why they do not tell it.

    A V with sides alike is laid through them by least squares; its foot has to lie between the narrowest one's neighbours.
    """
    order = np.argsort(lengths)
    lengths, widths = lengths[order], widths[order]
    if len(np.unique(lengths)) < _FEWEST:
        return f"three lengths are needed, and {len(np.unique(lengths))} are read"
    at = int(np.argmin(widths))
    if at == 0 or at == len(widths) - 1:
        return f"the narrowest mark is at the {'shortest' if at == 0 else 'longest'} length read: go further"
    low, high = float(lengths[at - 1]), float(lengths[at + 1])
    return Pointed(_foot(lengths, widths, low, high), low, high)


def _foot(lengths: Array, widths: Array, low: float, high: float) -> float:
    a, b = low, high
    for _ in range(_ROUNDS):
        feet = np.linspace(a, b, _RASTER)
        away = np.abs(lengths[None, :] - feet[:, None])
        slope_part = away - away.mean(axis=1, keepdims=True)
        rise = (slope_part * widths).sum(axis=1) / np.maximum((slope_part**2).sum(axis=1), 1e-12)
        left = widths - widths.mean() - rise[:, None] * slope_part
        off = np.where(rise > 0, (left**2).sum(axis=1), np.inf)
        best = int(np.argmin(off))
        a, b = float(feet[max(best - 1, 0)]), float(feet[min(best + 1, _RASTER - 1)])
    return (a + b) / 2.0


def centred(lengths: Array, middles: Array) -> Pointed | str:
    """Give the length at which the mark passes the stem's middle, between two neighbours; or why they do not tell it."""
    order = np.argsort(lengths)
    lengths, middles = lengths[order], middles[order]
    sides = np.flatnonzero(middles[:-1] * middles[1:] <= 0)
    if not len(sides):
        where = "outboard" if len(middles) and middles[0] > 0 else "inboard"
        return f"every mark lies {where}: no length read centres it, and the pivot's distance may not allow it"
    i = int(sides[0])
    apart = middles[i + 1] - middles[i]
    share = -middles[i] / apart if apart else 0.5
    length = float(lengths[i] + share * (lengths[i + 1] - lengths[i]))
    return Pointed(length, float(lengths[i]), float(lengths[i + 1]))
