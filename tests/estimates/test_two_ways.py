"""One figure told two ways: the surer of two that agree stands, two that differ by more than both doubts prove nothing."""

from math import hypot, nan

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from honest_lift.estimates.estimate import Input, estimate_of
from honest_lift.estimates.two_ways import two_ways
from honest_lift.numbers.doubt import Ground

DOUBTS = st.floats(0.002, 0.1)


def way(quantity: str, value: float, u: float, ground: Ground = Ground.NONE):
    kind = "missing" if ground & Ground.MISSING else "measured"
    return estimate_of([Input(quantity, "", kind, nan if kind == "missing" else value, u, ground=ground)])


@given(st.floats(0.5, 2.0), st.floats(0.5, 2.0), DOUBTS, DOUBTS)
def test_two_sound_ways(read, worked, u_read, u_worked):
    """By hand: they differ where |r - w| > 2 (u_r² + u_w²)^½, coverage factor 2 (JCGM 100, 6.2)."""
    limit = 2.0 * hypot(u_read, u_worked)
    assume(abs(abs(read - worked) - limit) > 1e-6 and abs(u_read - u_worked) > 1e-6)
    both = two_ways(way("guide_clearance", read, u_read), way("guide_bore", worked, u_worked))
    differ = abs(read - worked) > limit
    held = both.held.figure
    assert bool(both.apart[0]) is differ
    assert bool(held.ground[0] & Ground.UNSOUND) is differ
    surer = worked if u_worked < u_read and not differ else read
    assert held.value[0] == surer
    assert differ or held.u[0] <= min(u_read, u_worked) + 1e-9, "a way that agrees makes nothing worse"


@given(DOUBTS, DOUBTS, st.sampled_from([Ground.STALE, Ground.ASSUMED, Ground.NO_TOOL, Ground.MISSING]))
def test_one_that_proves_nothing_leaves_the_other_as_it_is(u_read, u_worked, ground):
    sound = two_ways(way("guide_clearance", 1.0, u_read, ground), way("guide_bore", 1.5, u_worked))
    assert (sound.held.figure.value[0], bool(sound.apart[0])) == (1.5, False)
    assert sound.held.figure.ground[0] == 0
    read = two_ways(way("guide_clearance", 1.0, u_read), way("guide_bore", 1.5, u_worked, ground))
    assert (read.held.figure.value[0], bool(read.apart[0])) == (1.0, False)
    assert read.held.figure.ground[0] == 0


@pytest.mark.parametrize(
    ("low", "high", "apart"), [(0.9, 1.2, False), (1.1, 1.4, True), (0.2, 0.9, True), (1.01, 1.4, False)]
)
def test_a_gauge_that_says_the_other_way_can_not_be(low, high, apart):
    """By hand: 1.00 within 0.028 of each end, twice the root of the sum of two squares of 0.01."""
    gauged = Input("guide_clearance", "", "measured", low, 0.01, ground=Ground.ASSUMED, low=low, high=high,
                   low_is_physical=True, high_is_physical=True)  # fmt: skip
    both = two_ways(estimate_of([gauged]), way("guide_bore", 1.0, 0.01))
    assert (bool(both.apart[0]), bool(both.held.figure.ground[0] & Ground.UNSOUND)) == (apart, apart)
    assert apart or both.held.figure.value[0] == 1.0


def test_a_reading_that_contradicts_itself_bars_the_other_way():
    both = two_ways(way("guide_clearance", 1.0, 0.01, Ground.UNSOUND), way("guide_bore", 1.0, 0.01))
    assert both.held.figure.ground[0] & Ground.UNSOUND
