"""Bounds without the gear's dimensions, held to the exact linkage over gears at random."""

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_stud
from honest_lift.mechanics.rocker.what_moved import Change, along_cylinder, along_lifter, plunger_travel, pushrod_for
from honest_lift.mechanics.rocker.without_dimensions import plunger_down, pushrod_change


@st.composite
def gears(draw):
    """A gear as engines have them, its stem leaning from the cylinder; pushrod and lifter within 25 degrees of the cylinder."""
    arm, ratio, roller = draw(st.floats(30, 48)), draw(st.floats(1.3, 1.9)), draw(st.floats(4, 9))
    lean, closed, bent = draw(st.floats(0, 28)), draw(st.floats(-18, -2)), draw(st.floats(155, 182))
    pushrod, bore = draw(st.floats(-8, 9)) + lean, draw(st.floats(-10, 10))
    alpha, cup = np.radians(closed), np.radians(closed + bent)
    out, up, length = arm * np.cos(alpha), roller - arm * np.sin(alpha), draw(st.floats(150, 260))
    across = -out + arm / ratio * np.cos(cup) - length * np.sin(np.radians(pushrod))
    below = up + arm / ratio * np.sin(cup) - length * np.cos(np.radians(pushrod))
    values = (out, up, arm, arm / ratio, bent, roller, across, below, 90.0 - lean - bore, length, 0.0)
    names = ("pivot_out", "pivot_up", "valve_arm", "pushrod_arm", "arm_angle_deg", "tip_radius", "lifter_x", "lifter_y",
             "lifter_axis_deg", "pushrod", "stud_lean_deg")  # fmt: skip
    gear = set_on_stud(
        PushrodGear(**{name: np.array(value) for name, value in zip(names, values, strict=True)}), np.array(0.0)
    )
    assume(np.isfinite(float(gear.pivot_up)))
    return gear, lean, ratio


AMOUNTS = st.floats(-2.0, 2.0)


@given(gears(), AMOUNTS, AMOUNTS, AMOUNTS)
def test_the_exact_pushrod_lies_inside_its_bounds(made, cut, tip, base):
    gear, lean, _ = made
    lifter = tuple(a + b for a, b in zip(along_cylinder(cut, lean), along_lifter(gear, -base), strict=True))
    exact = pushrod_for(gear, Change(lifter=lifter, tip_up=tip), 0.0, on_shaft=False) - float(gear.pushrod)
    low, high = pushrod_change(cut_mm=cut, tip_up_mm=tip, base_smaller_mm=base)
    assert low - 0.03 <= exact <= high + 0.03, (
        "a way is seen by its cosine to a hundredth of what the pushrod leans besides"
    )


@given(gears(), st.floats(0.1, 1.8))
def test_the_exact_travel_of_a_plunger_lies_inside_its_bounds(made, nut):
    gear, lean, ratio = made
    exact = float(plunger_travel(gear, nut))
    assume(np.isfinite(exact) and lean < 20)
    low, high = plunger_down(nut, ratio)
    assert low <= exact <= high


def test_a_turn_of_the_nut_is_its_pitch_and_that_over_the_ratio():
    """Pitch x (1 + 1 / ratio) a turn: common practice, no source."""
    low, high = plunger_down(1.0583, 1.6)
    assert low < 1.0583 * (1 + 1 / 1.6) < high
    assert high / low == pytest.approx(1.05 / 0.8)


def test_cuts_add_up_along_the_pushrod():
    """Head cut 0.5, block 0.3, gasket 0.2 thicker: 0.6 of it, seen by a pushrod that leans up to 25 degrees."""
    assert pushrod_change(cut_mm=0.5 + 0.3 - 0.2) == (pytest.approx(-0.6), pytest.approx(-0.54))
    assert pushrod_change(tip_up_mm=1.0) == (pytest.approx(0.8), pytest.approx(1.0))
    assert pushrod_change(base_smaller_mm=1.0) == (pytest.approx(0.9), pytest.approx(1.0))
