"""The fewest stops of a crank at which every valve stands on its base circle: piercing arcs of a circle with points.

Every valve has an arc of the cycle over which it is shut and its lifter on the base circle. Of all sets of stops one has a stop at
the end of some arc; from each arc's end on, a stop at the end of the arc that ends first is never worse than another (greedy), so
that the least over all of them is exact. Then the stops are moved as far into the arcs as so few of them allow. Source: piercing of
circular arcs, as in textbooks of algorithms; held to an exhaustive search by test.
"""

from __future__ import annotations

import numpy as np

from honest_lift.numbers.doubt import Array

CYCLE = 720.0
_HALVINGS = 40
_EDGE = 1e-9


def least_stops(start_deg: Array, length_deg: Array) -> list[float]:
    """Give the fewest stops, degrees from 0 to 720 in order, such that each arc (n,) from its start over its length holds one.

    No arc is empty; one of a whole cycle and more holds every stop.

    >>> least_stops(np.array([0.0, 300.0, 100.0]), np.array([120.0, 100.0, 250.0]))
    [120.0, 400.0]
    """
    count = len(start_deg)
    if not count:
        return []
    best: list[float] = []
    for first in (start_deg + np.minimum(length_deg, CYCLE)).tolist():
        found = _from(first % CYCLE, start_deg, length_deg)
        if not best or len(found) < len(best):
            best = found
    return sorted(best)


def _from(first: float, start_deg: Array, length_deg: Array) -> list[float]:
    """Give the stops that follow from a first one, going once round from it."""
    after = (start_deg - first) % CYCLE
    ends = after + length_deg
    open_yet = (ends < CYCLE - _EDGE) & (after > _EDGE)  # those that do not hold the first
    stops, last = [first], -1.0
    for case in np.argsort(ends):
        if open_yet[case] and after[case] > last + _EDGE:
            last = float(ends[case])
            stops.append((first + last) % CYCLE)
    return stops


def farthest_in(start_deg: Array, length_deg: Array) -> tuple[list[float], float]:
    """Give as few stops, as far inside every arc as that many of them allow, and by how many degrees that is at least."""
    few = len(least_stops(start_deg, length_deg))
    low, high = 0.0, float(np.minimum(length_deg, CYCLE).min(initial=CYCLE)) / 2.0
    for _ in range(_HALVINGS):
        middle = (low + high) / 2.0
        enough = len(least_stops(start_deg + middle, length_deg - 2.0 * middle)) <= few
        low, high = (middle, high) if enough else (low, middle)
    return least_stops(start_deg + low, length_deg - 2.0 * low), low


def room_deg(stop_deg: float, start_deg: Array, length_deg: Array) -> Array:
    """Give how far a stop lies inside each arc (n,), degrees to its nearer end; below nothing outside."""
    after = (stop_deg - start_deg) % CYCLE
    inside = np.minimum(after, length_deg - after)
    outside = -np.minimum(after - length_deg, CYCLE - after)
    return np.where(length_deg >= CYCLE, np.inf, np.where(after <= length_deg, inside, outside))
