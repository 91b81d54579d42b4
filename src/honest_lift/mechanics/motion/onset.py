"""From what speed on a train floats or bounces: where what it does, summed over the speeds, has come to more than scatter.

    integral over speed of what exceeds a threshold = 25 mm rpm

A gap that must "persist" jumps by hundreds of rpm with the grid; the integral does not. Source: common practice, no source.
"""

from __future__ import annotations

import numpy as np

from honest_lift.numbers.doubt import Array

ENOUGH_MM_RPM = 25.0
BOUNCE_MM = 0.10  # a bounce below it is the seat's own give


def onset_rpm(rpm: Array, excess_mm: Array) -> Array:
    """Give the speed (...) at which the integral of `excess_mm` (..., s) over rising speeds (s,) or (..., s) reaches what counts.

    Infinite where it never does within them. Between two speeds the excess runs straight.

    >>> float(onset_rpm(np.array([6000.0, 7000.0, 8000.0]), np.array([0.0, 0.0, 0.5])).round(1))
    7316.2
    """
    speeds, excess = np.broadcast_arrays(np.asarray(rpm, dtype=np.float64), np.maximum(excess_mm, 0.0))
    wide = np.diff(speeds, axis=-1)
    pieces = 0.5 * (excess[..., 1:] + excess[..., :-1]) * wide
    before = np.concatenate([np.zeros((*pieces.shape[:-1], 1)), np.cumsum(pieces, axis=-1)], axis=-1)
    reached = before >= ENOUGH_MM_RPM
    last = np.maximum(reached.argmax(axis=-1) - 1, 0)[..., None]
    a, b, step, own, start = (
        np.take_along_axis(one, last, axis=-1)[..., 0]
        for one in (excess[..., :-1], excess[..., 1:], wide, before[..., :-1], speeds[..., :-1])
    )
    wanted = ENOUGH_MM_RPM - own
    slope = (b - a) / step
    root = np.sqrt(np.maximum(a * a + 2.0 * slope * wanted, 0.0))
    # of a t + slope t^2 / 2 = wanted, in the form that divides by no slope
    on = 2.0 * wanted / np.maximum(a + root, 1e-12)
    return np.asarray(np.where(reached.any(axis=-1), start + np.minimum(on, step), np.inf))
