"""A finger follower against its closed-loop equations, its lash, pads and wipe against points in space."""

import re
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq, fsolve

from honest_lift.mechanics.rocker.finger import (
    FingerGear,
    pad_for_centred_wipe,
    pad_for_lash,
    set_on_pivot,
    why_not_finger,
    wipe_of,
)
from honest_lift.mechanics.rocker.tip_end import works
from honest_lift.mechanics.rocker.witness_mark import mark_of

LOBE = 5.5
FINGER = FingerGear(*map(np.array, (34.0, 3.3, 34.0, 8.0, 19.0, 12.0, 9.0, -16.0, 35.8, 17.0)))
NONE = np.array(0.0)


def closed_loop(gear, lobe, near_deg):
    """Solve cam-to-roller for the arm's angle: the independent solution (scipy.optimize.fsolve)."""

    def off(alpha):
        at = alpha + np.radians(float(gear.finger_angle_deg))
        x = float(gear.finger_arm) * np.cos(at) - float(gear.pivot_out)
        y = float(gear.finger_arm) * np.sin(at) + float(gear.pivot_up)
        reach = float(gear.base_radius) + float(gear.follower_radius) + lobe
        return (x - float(gear.cam_x)) ** 2 + (y - float(gear.cam_y)) ** 2 - reach**2

    alpha = fsolve(off, np.radians(near_deg), xtol=1e-12)[0]
    tip = float(gear.pivot_up) + float(gear.valve_arm) * np.sin(alpha) - float(gear.tip_radius)
    return max(-tip, 0.0), float(gear.valve_arm) * np.cos(alpha) - float(gear.pivot_out)


@settings(max_examples=60, deadline=None)
@given(
    st.floats(30, 40), st.floats(30, 42), st.floats(6, 12), st.floats(15, 24), st.floats(4, 20), st.floats(7, 12),
    st.floats(12, 20), st.floats(14, 20), st.floats(0.0, 0.5), st.floats(0.2, 1.0),
)  # fmt: skip
def test_lift_and_contact_against_the_closed_loop(out, arm, pad, finger, angle, roller, across, base, lash, share):
    gear = FingerGear(*map(np.array, (out, 3.0, arm, pad, finger, angle, roller, -across, roller + base + 9.0, base)))
    gear = set_on_pivot(gear, np.array(lash))
    assume(np.isfinite(gear.pivot_up) and bool(works(gear, np.array(LOBE))))
    assert float(gear.gap(NONE)) == pytest.approx(lash, abs=1e-9)
    lobe = share * LOBE
    lift, contact = closed_loop(gear, lobe, float(gear.angle_deg(np.array(lobe))))
    assert float(gear.lift(np.array(lobe))) == pytest.approx(lift, abs=1e-9)
    assert float(gear.contact(np.array(lobe))) == pytest.approx(contact, abs=1e-9)
    step = 1e-5
    slope = -(float(gear.gap(np.array(lobe + step))) - float(gear.gap(np.array(lobe - step)))) / (2 * step)
    assert float(gear.ratio(np.array(lobe))) == pytest.approx(slope, rel=1e-6)


def test_a_pad_takes_the_lash_it_is_thick_and_a_pivot_gives_it_back():
    """Lash pad on the valve +t: lash at the tip -t."""
    gear = set_on_pivot(FINGER, np.array(0.25))
    assert float(gear.raised(0.1).gap(NONE)) == pytest.approx(0.15, abs=1e-9)
    assert float(pad_for_lash(gear, np.array(0.15))) == pytest.approx(0.1, abs=1e-9)
    again = set_on_pivot(gear.raised(0.6), np.array(0.25))
    assert float(again.gap(NONE)) == pytest.approx(0.25, abs=1e-9)
    many = set_on_pivot(replace(FINGER, cam_y=np.array([35.8, 36.4, 90.0])), np.full(3, 0.25))
    assert float(many.pivot_up[0]) == pytest.approx(float(gear.pivot_up), abs=1e-12)
    assert np.isnan(many.pivot_up[2])


def test_square_at_half_lift_leaves_the_narrowest_mark_on_the_tip_by_the_pad_that_makes_it_so():
    def marks(pad):
        gear = set_on_pivot(FINGER.raised(pad), np.array(0.2))
        return mark_of(gear, LOBE)

    square = brentq(lambda pad: float(marks(pad).off_square_deg), -3.0, 3.0)
    widths = [float(marks(square + by).width) for by in (-0.8, -0.3, 0.0, 0.3, 0.8)]
    assert min(widths) == widths[2]


def flank(peak=LOBE):
    cam = np.radians(np.linspace(-60, 60, 121))
    return peak * np.cos(cam * 1.5) ** 2, -1.5 * peak * np.sin(3.0 * cam)


SLIDER = replace(FINGER, follower_radius=np.array(30.0), finger_arm=np.array(23.1), finger_angle_deg=np.array(-46.9))


def test_the_wipe_is_where_lobe_and_pad_touch():
    """Against the touching point in space: off the line of centres by the pressure angle, turned into the finger's own frame."""
    gear = set_on_pivot(SLIDER, np.array(0.2))
    lifts, slopes = flank()
    wipe = wipe_of(gear, np.array(129.0), lifts, slopes)
    along = []
    for lobe, slope in zip(lifts, slopes, strict=True):
        x, y = (float(one) for one in gear.roller(np.array(lobe)))
        finger = np.radians(float(gear.angle_deg(np.array(lobe)) + gear.finger_angle_deg))
        reach = 17.0 + 30.0 + lobe
        for side in (-1, 1):
            face = np.arctan2(35.8 - y, -16.0 - x) + side * np.arctan2(abs(slope), reach)
            touch = np.array([x + 30.0 * np.cos(face), y + 30.0 * np.sin(face)])
            own = np.arctan2(touch[1] - y, touch[0] - x) - finger
            along.append(-30.0 * (own - np.radians(129.0)))
    assert (float(wipe.inner), float(wipe.outer)) == (pytest.approx(min(along)), pytest.approx(max(along)))
    shifted = wipe_of(gear, np.array(131.0), lifts, slopes)
    assert float(shifted.middle - wipe.middle) == pytest.approx(30.0 * np.radians(2.0))
    assert float(wipe_of(gear, np.array(129.0), lifts, 0.0 * slopes).width) < float(wipe.width)


@given(st.floats(-1.5, 1.5))
def test_the_pad_that_is_said_centres_the_wipe(pad):
    """Make the pad's middle where a known pad would have it; the search has to find that pad."""
    lifts, slopes = flank()
    right = set_on_pivot(SLIDER.raised(pad), np.array(0.2))
    middle = 129.0 - np.degrees(float(wipe_of(right, np.array(129.0), lifts, slopes).middle) / 30.0)
    found = pad_for_centred_wipe(set_on_pivot(SLIDER, np.array(0.2)), middle, 0.2, lifts, slopes)
    assert found == pytest.approx(pad, abs=0.01)


@pytest.mark.parametrize(
    ("change", "why"),
    [({"finger_arm": 300.0}, "no height of the pivot"), ({"pivot_up": -60.0}, "make no triangle"),
     ({"finger_angle_deg": -120.0}, "over centre|no triangle|no height")],
)  # fmt: skip
def test_a_finger_that_can_not_be_is_named(change, why):
    gear = replace(FINGER, **{name: np.array(value) for name, value in change.items()})
    gear = gear if "pivot_up" in change else set_on_pivot(gear, np.array(0.2))
    assert re.search(why, why_not_finger(gear, LOBE))
    assert why_not_finger(set_on_pivot(FINGER, np.array(0.2)), LOBE) == ""


@pytest.mark.parametrize("side", [1.0, -1.0])
def test_the_roller_meets_the_lobe_where_its_own_swing_has_taken_it(side):
    """Independent: a turning profile and a roller on its arm, the touching distance found by SciPy over the whole profile."""
    half = 62.0

    def lobe(cam):  # a smooth lobe, cam degrees from its nose
        return LOBE * np.cos(np.pi * np.clip(np.abs(cam) / half, 0, 1) / 2) ** 2

    gear = set_on_pivot(FINGER, np.array(0.1))
    base, roller = float(gear.base_radius), float(gear.follower_radius)
    closed_x, closed_y = (float(one) for one in gear.roller(NONE))
    line = np.degrees(np.arctan2(closed_y - float(gear.cam_y), closed_x - float(gear.cam_x)))

    def reached(cam):
        """The lobe lift at which the roller's centre stands on the turning pitch curve, by its own direction from the cam."""

        def off(lift):
            x, y = (float(one) for one in gear.roller(np.array(lift)))
            toward = np.degrees(np.arctan2(y - float(gear.cam_y), x - float(gear.cam_x)))
            away = np.hypot(x - float(gear.cam_x), y - float(gear.cam_y))
            return away - (base + roller + float(lobe(cam - side * (toward - line))))

        return brentq(off, 0.0, LOBE)

    for cam in (-35.0, -20.0, 20.0, 35.0):
        lift = float(lobe(cam))
        for _ in range(5):
            lift = float(lobe(cam - side * float(gear.swing_deg(np.array(lift)))))
        assert lift == pytest.approx(reached(cam), abs=1e-4)
        assert abs(lift - float(lobe(cam))) > 0.005, "on a flank it is no trifle"
