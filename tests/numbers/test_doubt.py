"""Doubt. Sources: JCGM 100:2008 5.1-5.2; the `uncertainties` package; Monte Carlo (JCGM 101)."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from honest_lift.numbers.doubt import SCAN, Figure, Ground, Range, Source, choose, combine, exact


def figure(value, u, key, *, shared=False, cases=1) -> Figure:
    values = np.full(cases, float(value))
    move = np.full((1, cases), float(u))
    ground = np.zeros(cases, dtype=np.int64)
    nothing = np.empty((0, cases), dtype=bool)
    return Figure(values, (Source(key, key, shared),), values + move, values - move, (), values[None], nothing, ground)


def assumed(value, low, high, key, **hard) -> Figure:
    values = np.array([float(value)])
    grid = np.linspace(low, high, SCAN)[:, None]
    empty = np.empty((0, 1))
    rests, ground = np.ones((1, 1), dtype=bool), np.array([int(Ground.ASSUMED)])
    return Figure(values, (), empty, empty, (Range(key, key, **hard),), grid, rests, ground)


positive = st.floats(min_value=0.5, max_value=100)
small = st.floats(min_value=1e-4, max_value=1e-2)


@given(positive, positive, positive, small, small, small)
def test_open_height_against_the_uncertainties_package(height, lobe, ratio, uh, ul, ur):
    ours = combine(
        lambda h, lift, r: h - lift * r, figure(height, uh, "h"), figure(lobe, ul, "l"), figure(ratio, ur, "r")
    )
    theirs = ufloat(height, uh) - ufloat(lobe, ul) * ufloat(ratio, ur)
    assert ours.value[0] == pytest.approx(theirs.n)
    assert ours.u[0] == pytest.approx(theirs.s, rel=1e-6)


def test_a_product_and_a_root_against_monte_carlo():
    a, b = figure(8.97, 0.05, "a"), figure(1.6, 0.02, "b")
    ours = combine(lambda x, y: np.sqrt(x * y) + x / y, a, b)
    rng = np.random.default_rng(1)
    x, y = rng.normal(8.97, 0.05, 400_000), rng.normal(1.6, 0.02, 400_000)
    assert ours.u[0] == pytest.approx(np.std(np.sqrt(x * y) + x / y), rel=0.02)
    # the worse side of a curved source is taken: 1 percent over; 400,000 draws alone scatter 0.1 percent


@given(positive, positive, small)
def test_a_shared_offset_cancels_in_a_difference_and_adds_in_a_sum(one, other, u):
    first, second = figure(one, u, "tool", shared=True), figure(other, u, "tool", shared=True)
    assert combine(lambda a, b: a - b, first, second).u[0] == pytest.approx(0.0, abs=1e-12)
    assert combine(lambda a, b: a + b, first, second).u[0] == pytest.approx(2 * u)


def test_what_lies_downstream_displaces_the_copies():
    height, lift = figure(45.0, 0.02, "tool", shared=True), figure(13.0, 0.05, "lift")
    opened = combine(lambda h, v: h - v, height, lift)
    travel = combine(lambda h, o: h - o, height, opened)  # the height is in both: only the lift is left
    assert travel.u[0] == pytest.approx(0.05)


def test_a_kink_never_hides_a_source():
    """At a turning point the two sides are equal and a plain slope would be zero."""
    turned = combine(lambda x: (x - 3.0) ** 2, figure(3.0, 0.1, "x"))
    assert turned.u[0] == pytest.approx(0.01)


def test_single_readings_are_split_before_a_look_across_cases():
    loads = figure(600.0, 3.0, "scatter", cases=4)
    together = combine(lambda v: v.max(axis=-1, keepdims=True) - v.min(axis=-1, keepdims=True) + 0 * v, loads)
    apart = combine(lambda v: v - v.mean(axis=-1, keepdims=True), loads.apart())
    assert together.u[0] == 0.0, "moved together, a spread has no uncertainty at all"
    assert apart.u[0] == pytest.approx(3.0 * np.sqrt((3 / 4) ** 2 + 3 * (1 / 4) ** 2))


def test_a_shared_source_stays_whole_when_split():
    loads = figure(600.0, 3.0, "tester", shared=True, cases=4)
    assert loads.apart().sources == loads.sources


def test_assumed_ranges_are_scanned_as_a_grid():
    result = combine(lambda a, b: a * 10 + b, assumed(1, 0, 2, "a"), assumed(5, 4, 6, "b"))
    assert sorted(result.grid[:, 0]) == sorted(10.0 * a + b for a in (0, 1, 2) for b in (4, 5, 6))
    swapped = combine(lambda b, a: a * 10 + b, assumed(5, 4, 6, "b"), assumed(1, 0, 2, "a"))
    assert sorted(swapped.grid[:, 0]) == sorted(result.grid[:, 0])
    again = combine(lambda x, a: x - 10 * a, result, assumed(1, 0, 2, "a"))
    assert sorted(again.grid[:, 0]) == sorted([4.0, 5.0, 6.0] * 3), "the same assumption moves both together"


def test_choosing_takes_each_case_with_its_own_ground():
    one, other = exact(np.array([1.0, 2.0])), exact(np.array([10.0, 20.0]), Ground.MISSING)
    chosen = choose(np.array([True, False]), one, other)
    assert chosen.value.tolist() == [1.0, 20.0]
    assert chosen.ground.tolist() == [0, int(Ground.MISSING)]


def test_choosing_leaves_an_assumption_with_its_own_case():
    soft = assumed(1.0, 0.0, 2.0, "soft")
    two = combine(lambda a, b: np.concatenate([a, b], axis=-1)[..., :1], soft, soft)
    assert choose(np.array([False]), two, exact(np.array([5.0]))).assumed.tolist() == [[False]]
    assert choose(np.array([True]), two, exact(np.array([5.0]))).assumed.tolist() == [[True]]


def test_no_cases_at_all():
    nothing = exact(np.empty(0))
    assert combine(lambda a, b: a + b, nothing, nothing).u.shape == (0,)
