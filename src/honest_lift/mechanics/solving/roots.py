"""Where functions pass nothing within brackets, many at once.

Chandrupatla's method: an inverse parabola through the last three points where it is to be trusted, halving elsewhere; never outside
the bracket. Source: Chandrupatla, Advances in Engineering Software 28 (1997) 145; held to SciPy's `brentq` by a test.
"""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from honest_lift.numbers.doubt import Array

_MOST_STEPS = 80


def roots_between(function: Callable[[Array], Array], low: Array, high: Array, tolerance: float = 1e-12) -> Array:
    """Give where a function passes nothing between `low` and `high` (...); NaN where both ends lie on one side of it.

    `function` takes and gives arrays of their shape, each place by itself. To `tolerance` and rounding.
    """
    a, b = (np.array(one, dtype=np.float64) for one in np.broadcast_arrays(high, low))
    of_a, of_b = function(a), function(b)
    passes = (np.sign(of_a) * np.sign(of_b) <= 0) & np.isfinite(of_a) & np.isfinite(of_b)
    c, of_c, share = b.copy(), of_b.copy(), np.full(a.shape, 0.5)
    with np.errstate(divide="ignore", invalid="ignore"):
        for _ in range(_MOST_STEPS):
            at = a + share * (b - a)
            of_at = function(at)
            same = np.sign(of_at) == np.sign(of_a)
            c, of_c = np.where(same, a, b), np.where(same, of_a, of_b)
            b, of_b = np.where(same, b, a), np.where(same, of_b, of_a)
            a, of_a = at, of_at
            nearer = np.abs(of_a) < np.abs(of_b)
            best, of_best = np.where(nearer, a, b), np.where(nearer, of_a, of_b)
            within = 0.5 * (tolerance + 4.4e-16 * np.abs(best)) / np.abs(b - a)
            if np.all((within > 0.5) | (of_best == 0.0) | ~passes):
                break
            share = np.clip(_inverse_parabola(a, b, c, of_a, of_b, of_c), within, 1.0 - within)
            share = np.where(np.isfinite(share), share, 0.5)
    return np.asarray(np.where(passes, best, np.nan))


def _inverse_parabola(a: Array, b: Array, c: Array, of_a: Array, of_b: Array, of_c: Array) -> Array:
    """Give the share of the way from a to b; half of it where the parabola would turn back."""
    across, up = (a - b) / (c - b), (of_a - of_b) / (of_c - of_b)
    trusted = (up**2 < across) & ((1.0 - up) ** 2 < 1.0 - across)
    one = of_a / (of_b - of_a) * of_c / (of_b - of_c)
    other = (c - a) / (b - a) * of_a / (of_c - of_a) * of_b / (of_c - of_b)
    return np.where(trusted, one + other, 0.5)
