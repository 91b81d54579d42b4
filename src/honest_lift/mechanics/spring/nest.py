"""A nest: up to three members on their steps, as one spring in terms of the outer's height.

A member's own height is the outer's less its step (retainer step + cup step). An assembled measurement is a
nest of one. Source: common practice.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.mechanics.spring.load_curve import are_contradictory, free_at, is_extrapolated, load_at, shape_room
from honest_lift.numbers.doubt import Array


def nest_load(
    height_mm: Array, heights_mm: Array, loads_n: Array, steps_mm: Array, present: NDArray[np.bool_]
) -> Array:
    """Give loads (..., n) in N of nests at outer heights (..., n).

    Points are (..., n, m, p) over m members, steps (..., n, m), `present` (n, m). A present member with fewer
    than two points gives NaN.
    """
    total = np.zeros(np.broadcast_shapes(height_mm.shape, heights_mm.shape[:-2]))
    for member in range(heights_mm.shape[-2]):
        own = height_mm - steps_mm[..., member]
        load = load_at(own, heights_mm[..., member, :], loads_n[..., member, :])
        total = total + np.where(present[:, member], load, 0.0)
    return total


def nest_rooms(
    height_mm: Array, heights_mm: Array, loads_n: Array, steps_mm: Array, present: NDArray[np.bool_]
) -> Array:
    """Give, for each member, by how much (m, n) in N its load may differ for the shape of its curve; 0 where it is not there."""
    each = [shape_room(height_mm - steps_mm[:, m], heights_mm[:, m], loads_n[:, m]) for m in range(heights_mm.shape[1])]
    return np.where(present.T, np.stack(each), 0.0)


def nest_bind(binds_mm: Array, steps_mm: Array, present: NDArray[np.bool_]) -> Array:
    """Give the outer height (..., n) at which the first member binds: the largest of bind + step (..., n, m)."""
    return np.asarray(np.where(present, binds_mm + steps_mm, -np.inf).max(axis=-1))


def nest_free(heights_mm: Array, loads_n: Array, steps_mm: Array, present: NDArray[np.bool_]) -> Array:
    """Give the outer height (n,) in mm above which no member bears a load, by each member's last chord carried on; NaN for none."""
    each = [np.where(present[:, m], free_at(heights_mm[:, m], loads_n[:, m]) + steps_mm[:, m], -np.inf)
            for m in range(heights_mm.shape[1])]  # fmt: skip
    return np.asarray(np.max(each, axis=0))


def nest_is_extrapolated(
    height_mm: Array, heights_mm: Array, steps_mm: Array, present: NDArray[np.bool_]
) -> NDArray[np.bool_]:
    """Tell, (n,), where any present member is outside its measured heights (n, m, p)."""
    outside = [
        present[:, m] & is_extrapolated(height_mm - steps_mm[:, m], heights_mm[:, m, :])
        for m in range(heights_mm.shape[1])
    ]
    return np.asarray(np.logical_or.reduce(outside))


def nest_range(heights_mm: Array, steps_mm: Array, present: NDArray[np.bool_]) -> tuple[Array, Array]:
    """Give the lowest and the highest outer height (n,) in mm at which every present member was read; NaN for none."""
    lowest, highest = np.full(len(heights_mm), -np.inf), np.full(len(heights_mm), np.inf)
    for m in range(heights_mm.shape[1]):
        has = np.isfinite(heights_mm[:, m]).any(axis=-1)
        low = np.where(has, np.fmin.reduce(heights_mm[:, m], axis=-1), np.nan) + steps_mm[:, m]
        high = np.where(has, np.fmax.reduce(heights_mm[:, m], axis=-1), np.nan) + steps_mm[:, m]
        lowest = np.where(present[:, m], np.maximum(lowest, low), lowest)
        highest = np.where(present[:, m], np.minimum(highest, high), highest)
    known = present.any(axis=-1) & np.isfinite(lowest) & np.isfinite(highest)
    return np.where(known, lowest, np.nan), np.where(known, highest, np.nan)


def nest_is_contradictory(heights_mm: Array, loads_n: Array, present: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Tell, (n,), where any present member's points are no spring."""
    wrong = [
        present[:, m] & are_contradictory(heights_mm[:, m, :], loads_n[:, m, :]) for m in range(heights_mm.shape[1])
    ]
    return np.asarray(np.logical_or.reduce(wrong))
