"""Least squares in which every unknown is bound to one side of nothing.

Active sets: unknowns on the wrong side are held at nothing, and the one that would better the sum most is let go again, until none
would. Source: Lawson and Hanson, Solving Least Squares Problems (1974), algorithm NNLS; held to SciPy's `lsq_linear` by a test.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

_PASSES = 4  # times the unknowns: more are never needed but for rounding
_AS_NOTHING = 1e-14


def sided_least_squares(rows: Array, wanted: Array, sides: Array) -> Array:
    """Give x (n,) that makes |rows x - wanted| least with sides x >= 0; rows (m, n), wanted (m,), sides (n,) of 1 and -1."""
    reduced, told = _reduced(rows * sides, wanted)
    x = np.zeros(len(sides))
    free = np.ones(len(sides), dtype=bool)
    while (
        free.any()
    ):  # a first guess: what comes out on the wrong side is held, until all that is left is on the right one
        found = _solved(reduced, told, free)
        if not (found < 0.0).any():
            x[free] = found
            break
        free[np.flatnonzero(free)[found < 0.0]] = False
    for _ in range(_PASSES * len(sides)):
        pull = reduced.T @ (told - reduced @ x)
        pull[free] = -np.inf
        most = int(np.argmax(pull))
        if not pull[most] > _AS_NOTHING * (1.0 + np.abs(told).max()):
            break
        free[most] = True
        _settle(reduced, told, x, free)
    return np.asarray(x * sides)


def _settle(rows: Array, told: Array, x: Array, free: NDArray[np.bool_]) -> None:
    """Bring the free unknowns to their least squares, holding on the way what would come to the wrong side."""
    while True:
        at = np.flatnonzero(free)
        found = _solved(rows, told, free)
        wrong = found < 0.0
        if not wrong.any():
            x[at] = found
            return
        shares = np.where(wrong, x[at] / np.maximum(x[at] - found, 1e-300), np.inf)
        first = int(np.argmin(shares))
        x[at] += min(float(shares[first]), 1.0) * (found - x[at])
        x[at[first]] = 0.0
        free[at[first]] = False


def _solved(rows: Array, told: Array, free: NDArray[np.bool_]) -> Array:
    return np.asarray(np.linalg.lstsq(rows[:, free], told, rcond=None)[0])


def _reduced(rows: Array, wanted: Array) -> tuple[Array, Array]:
    """Give a square system with the same least squares: many rows over few unknowns are turned into as few."""
    if len(rows) <= rows.shape[1]:
        return rows, wanted
    turned, upper = np.linalg.qr(rows)
    return upper, np.asarray(turned.T @ wanted)
