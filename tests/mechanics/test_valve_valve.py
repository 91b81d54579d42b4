"""Valve to valve: two heads in three dimensions against a brute-force search over both surfaces."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st
from scipy.spatial import cKDTree

from honest_lift.mechanics.clearance.valve_valve import Head, Pair, Placed, apart_along, direction_between


def array(value: float) -> np.ndarray:
    return np.array([value])


def surface(one: Placed, around: np.ndarray, along: np.ndarray) -> np.ndarray:
    """Points (k, 3) on a head: angles about its axis, and shares 0 to 3 along rim, margin and cone."""
    corners = np.array([(r[0], h[0]) for r, h in one.head.outline()[1:-1]])
    r = np.interp(along, np.arange(len(corners)), corners[:, 0])
    h = np.interp(along, np.arange(len(corners)), corners[:, 1])
    axis, middle = one.axis[:, 0], one.middle[:, 0]
    side = np.cross(axis, [0.3, 0.9, 0.1])
    side /= np.linalg.norm(side)
    other = np.cross(axis, side)
    turn, rr = np.meshgrid(around, np.arange(len(r)), indexing="ij")
    turn, which = turn.ravel(), rr.ravel()
    return (
        middle + h[which, None] * axis + r[which, None] * (np.cos(turn)[:, None] * side + np.sin(turn)[:, None] * other)
    )


def brute_force(one: Placed, other: Placed) -> float:
    """Search both surfaces, each time closer about the nearest pair found."""
    spans = [[0.0, 2 * np.pi, 0.0, 3.0] for _ in range(2)]
    least = np.inf
    for _ in range(18):
        grids = [(np.linspace(a, b, 90), np.linspace(c, d, 31)) for a, b, c, d in spans]
        points = [surface(body, *grid) for body, grid in zip((one, other), grids, strict=True)]
        far, nearest = cKDTree(points[1]).query(points[0])
        first = int(np.argmin(far))
        least = min(least, float(far[first]))
        for which, index in enumerate((first, int(nearest[first]))):
            around, along = grids[which]
            at, to = around[index // 31], along[index % 31]
            wide, high = (
                8 * (around[1] - around[0]),
                9 * (along[1] - along[0]),
            )  # a bevel's two corners are nearly as near
            spans[which] = [at - wide, at + wide, max(to - high, 0.0), min(to + high, 3.0)]
    return least


heads = st.builds(
    lambda r, m, face, bevel: Head(array(r), array(m), array(face), array(bevel * m), array(4.0)),
    st.floats(14, 30), st.floats(0.8, 2.5), st.floats(28, 50), st.floats(0, 0.6),
)  # fmt: skip
leans = st.tuples(st.floats(-5, 35).map(array), st.floats(-5, 35).map(array))
cants = st.tuples(st.floats(-14, 14).map(array), st.floats(-14, 14).map(array))


FLAT = Head(array(14.0), array(2.0), array(46.0), array(0.0), array(4.0))
BEVELLED = Head(array(14.0), array(1.0), array(28.0), array(0.5), array(4.0))
UPRIGHT = (array(0.0), array(0.0))


@example(FLAT, BEVELLED, UPRIGHT, UPRIGHT, 4.5, 0.0, 8.0, 1.0)
@settings(deadline=None, max_examples=12)
@given(heads, heads, leans, cants, st.floats(4, 12), st.floats(-3, 3), st.floats(0, 8), st.floats(0, 8))
def test_the_distance_of_two_heads_is_what_a_search_over_both_surfaces_finds(i, e, toward, across, gap, step, li, le):
    over = 2 * (i.radius + e.radius) + gap
    one, other = Pair(i, e, toward, across, over, array(step)).placed(array(li), array(le))
    way = direction_between(one, other)
    if not np.isfinite(way).all():
        return  # they meet
    told = float(apart_along(one, other, way)[0])
    assert told == pytest.approx(brute_force(one, other), abs=1e-3)
    bent = way + array(0.05)
    bent /= np.sqrt((bent * bent).sum(axis=0))
    assert apart_along(one, other, bent)[0] <= told + 1e-9, "any other direction tells less, never more"


@given(st.floats(0, 9), st.floats(0, 9), st.floats(0.5, 3))
def test_upright_valves_never_come_nearer_than_closed(li, le, gap):
    head = Head(array(20.0), array(1.5), array(45.0), array(0.0), array(4.0))
    upright = (array(0.0), array(0.0))
    pair = Pair(head, head, upright, upright, array(80.0 + gap), array(0.0))
    one, other = pair.placed(array(li), array(le))
    assert apart_along(one, other, direction_between(one, other))[0] >= gap - 1e-4


def test_coplanar_heads_are_nearest_between_their_rims():
    """Source: plane trigonometry. Both stems lean 20 degrees and open alike: the lower edges of the rims are nearest."""
    head = Head(array(20.0), array(1.5), array(45.0), array(0.0), array(4.0))
    lean = (array(20.0), array(20.0))
    pair = Pair(head, head, lean, (array(0.0), array(0.0)), array(84.0), array(0.0))
    one, other = pair.placed(array(5.0), array(5.0))
    between_middles = 84.0 - 2 * 20.0 * np.cos(np.radians(20.0)) - 2 * 5.0 * np.sin(np.radians(20.0))
    low, high = (
        between_middles - 2 * (20.0 * np.cos(np.radians(20.0)) + by * np.sin(np.radians(20.0))) for by in (0.0, -1.5)
    )
    assert low < high, "the face's edge is the nearer"
    assert apart_along(one, other, direction_between(one, other))[0] == pytest.approx(low, abs=1e-4)
    meeting = pair.placed(array(16.0), array(16.0))
    assert not np.isfinite(direction_between(*meeting)).any()
