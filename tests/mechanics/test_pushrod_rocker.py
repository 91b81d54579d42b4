"""Rocker and pushrod held to the closed-loop equations solved by SciPy, to a worked gear, and to what the mark must say."""

import re
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.optimize import fsolve

from honest_lift.mechanics.rocker.checking_pushrod import centred, narrowest
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud, why_not, works
from honest_lift.mechanics.rocker.room import retainer_to_rocker, slot_to_stud
from honest_lift.mechanics.rocker.what_moved import (
    Change,
    along_cylinder,
    along_lifter,
    left_as_it_is,
    plunger_travel,
    pushrod_for,
)
from honest_lift.mechanics.rocker.witness_mark import best_length, mark_of, travel_mm

LOBE = 8.966
WORKED = PushrodGear(*(np.array(one) for one in (
    37.6920252, -1.31416, 38.0, 24.7567017, 165.0, 5.5, -113.8265242, -187.3888135, 67.0, 195.0026949, 0.0,
)))  # fmt: skip


def closed_loop(gear, lobe, near_deg):
    """Solve, without trigonometric inverses, for the cup: an arm from the pivot and a pushrod from the lifter."""
    axis, gamma = np.radians(float(gear.lifter_axis_deg)), np.radians(float(gear.arm_angle_deg))
    lifter = np.array([float(gear.lifter_x) + lobe * np.cos(axis), float(gear.lifter_y) + lobe * np.sin(axis)])
    pivot = np.array([-float(gear.pivot_out), float(gear.pivot_up)])

    def loop(cup):
        return [np.hypot(*(cup - pivot)) - float(gear.pushrod_arm), np.hypot(*(cup - lifter)) - float(gear.pushrod)]

    start = pivot + float(gear.pushrod_arm) * np.array(
        [np.cos(np.radians(near_deg) + gamma), np.sin(np.radians(near_deg) + gamma)]
    )
    cup = fsolve(loop, start, xtol=1e-14)
    turned = np.arctan2(*(cup - pivot)[::-1]) - gamma
    at = pivot + float(gear.valve_arm) * np.array([np.cos(turned), np.sin(turned)])
    return max(0.0, -(at[1] - float(gear.tip_radius))), at[0], max(np.abs(loop(cup)))


def test_the_worked_gear():
    """Common practice check values: lift at half and full, ratio over the lift, width."""
    lobes = np.array([0.0, 4.483, 8.966])
    assert WORKED.lift(lobes) == pytest.approx([0.0, 6.8183, 13.6323], abs=1e-4)
    assert WORKED.ratio(lobes) == pytest.approx([1.5226, 1.5200, 1.5201], abs=1e-4)
    assert mark_of(WORKED, LOBE).width == pytest.approx(0.6167, abs=1e-4)


@given(
    st.floats(32, 44), st.floats(30, 45), st.floats(20, 32), st.floats(150, 180), st.floats(3, 9), st.floats(-130, -95),
    st.floats(-240, -120), st.floats(60, 100), st.floats(-8, 8), st.floats(0.5, 9),
)  # fmt: skip
def test_lift_and_contact_against_the_closed_loop(out, arm, cup_arm, gamma, radius, across, below, axis, height, lobe):
    """Random gears, the pushrod such that the roller just touches the closed tip: to 1e-9 mm."""
    gear = PushrodGear(
        *(np.array(float(one)) for one in (out, height, arm, cup_arm, gamma, radius, across, below, axis, 1.0, 0.0))
    )
    gear = set_on_shaft(gear, np.array(0.0))
    assume(np.isfinite(gear.pushrod) and not why_not(gear, lobe))
    lift, contact, off = closed_loop(gear, lobe, float(gear.angle_deg(np.array(lobe))))
    assume(off < 1e-10)
    assert float(gear.lift(np.array(lobe))) == pytest.approx(lift, abs=1e-9)
    assert float(gear.contact(np.array(lobe))) == pytest.approx(contact + out - out, abs=1e-9)
    h = 1e-4
    slope = (gear.gap(np.array(lobe - h)) - gear.gap(np.array(lobe + h))) / (2 * h)
    assert float(gear.ratio(np.array(lobe))) == pytest.approx(float(slope), rel=1e-5)


@given(st.floats(-4, 4), st.floats(0, 0.6))
def test_the_nut_finds_the_pivot_and_a_longer_pushrod_raises_it(longer, lash):
    gear = set_on_stud(replace(WORKED, pushrod=WORKED.pushrod + longer), np.array(lash))
    assert float(gear.gap(np.array(0.0))) == pytest.approx(lash, abs=1e-9)
    more = set_on_stud(replace(gear, pushrod=gear.pushrod + 0.1), np.array(lash))
    assert float(more.pivot_up) > float(gear.pivot_up)
    assert float(gear.lift(np.array(LOBE))) == pytest.approx(float(-gear.gap(np.array(LOBE))))


def test_arrays_are_worked_out_as_one_by_one():
    lengths = WORKED.pushrod + np.array([-2.0, 0.0, 3.0, 90.0])
    many = set_on_stud(replace(WORKED, pushrod=lengths), np.array(0.1))
    for i, length in enumerate(lengths[:3]):
        alone = set_on_stud(replace(WORKED, pushrod=np.array(length)), np.array(0.1))
        assert float(many.pivot_up[i]) == pytest.approx(float(alone.pivot_up), abs=1e-12)
    assert np.isnan(many.pivot_up[3]), "no place on the stud gives the lash with such a pushrod"


def make(gear=WORKED, lash=0.0):
    def at(length):
        length = np.asarray(length, dtype=float)
        found = set_on_stud(replace(gear, pushrod=length), np.array(lash))
        return mark_of(found, np.where(works(found, np.full(length.shape, LOBE)), LOBE, np.nan))

    return at


def test_square_at_half_lift_leaves_the_narrowest_mark():
    """Closed and open angles equal, width = arm x (1 - cos(half the swing)): the textbook construction."""
    square = best_length(make(), 195.0, 6.0, "square")
    assert best_length(make(), 195.0, 6.0, "narrow") == pytest.approx(square, abs=0.01)
    mark = make()(square)
    assert mark.closed_deg == pytest.approx(-mark.open_deg, abs=1e-6)
    half = np.radians((mark.closed_deg - mark.open_deg) / 2)
    assert mark.width == pytest.approx(38.0 * (1 - np.cos(half)), abs=1e-6)
    assert travel_mm(mark) == pytest.approx(0.0, abs=1e-6)


@given(st.floats(0.3, 5.0))
def test_the_direction_of_travel_tells_too_short_from_too_long_and_the_middle_does_not(by):
    """The middle shifts inboard both ways about the right length (0.09 mm for 1.5 mm), the contact ends to either side."""
    square = best_length(make(), 195.0, 6.0, "square")
    right, short, long = (make()(square + one) for one in (0.0, -by, by))
    assert travel_mm(short) > 0 > travel_mm(long)
    assert min(short.width, long.width) > right.width
    if by < 3:
        assert max(short.middle, long.middle) < right.middle


def test_the_middle_shifts_by_what_common_practice_works_out():
    square = best_length(make(), 195.0, 6.0, "square")
    for by in (-1.5, 1.5):
        assert make()(square + by).middle - make()(square).middle == pytest.approx(-0.09, abs=0.005)


def test_where_no_length_centres_the_mark_the_nearest_is_given():
    near = best_length(make(replace(WORKED, pivot_out=np.array(38.2))), 195.0, 6.0, "centred")
    assert near == pytest.approx(195.0, abs=0.5)
    through = replace(WORKED, pivot_out=np.array(37.4))
    centred = best_length(make(through), 195.0, 6.0, "centred")
    assert make(through)(centred).middle == pytest.approx(0.0, abs=1e-8)
    assert best_length(lambda own: make()(own * np.nan), 195.0, 6.0, "square") is None


def test_lash_starts_the_valve_late_and_takes_its_lift():
    """Valve starts at lobe lift = lash / ratio closed; the peak is less by the lash to 0.001 mm."""
    tight, loose = (set_on_shaft(WORKED, np.array(lash)) for lash in (0.0, 0.4))
    lobes = np.linspace(0, 1, 100001)
    starts = float(lobes[np.argmax(loose.lift(lobes) > 0)])
    assert starts == pytest.approx(0.4 / float(loose.ratio(np.array(0.0))), abs=1e-3)
    drop = tight.lift(np.array(LOBE)) - loose.lift(np.array(LOBE))
    assert float(drop) == pytest.approx(0.4, abs=0.01)
    assert float(mark_of(loose, LOBE).closed_deg) == pytest.approx(float(loose.angle_deg(np.array(starts))), abs=0.01)


@pytest.mark.parametrize(
    ("change", "why"),
    [({"pushrod": 900.0}, "do not reach"), ({"pushrod_arm": 2.0}, "do not reach"),
     ({"pushrod": np.nan}, "no place of the rocker"), ({"arm_angle_deg": 20.0}, "over centre|do not reach")],
)  # fmt: skip
def test_a_gear_that_can_not_be_is_named(change, why):
    gear = replace(WORKED, **{name: np.array(value) for name, value in change.items()})
    assert re.search(why, why_not(gear, LOBE))


def wanted_for(**change):
    """Give the pushrod that puts the worked gear's geometry back; it has no lash."""
    return pushrod_for(WORKED, Change(**change), float(WORKED.gap(np.array(0.0))), on_shaft=False)


def test_cuts_leave_the_pushrod_long_by_what_the_trade_says():
    """0.040 in off the head and 0.010 off the block: 0.050 long square to the deck, 0.0482 leaning 15.3 degrees."""
    cup = WORKED.cup(np.array(0.0))
    lean = np.degrees(
        np.arctan2(float(cup[0] - WORKED.lifter_x), float(cup[1] - WORKED.lifter_y))
    )  # of the pushrod to the stem
    for off, wanted in ((0.0, 0.050), (15.3, 0.0482), (-15.3, 0.0482)):
        cut = along_cylinder(0.050 * 25.4, lean + off)
        assert (float(WORKED.pushrod) - wanted_for(lifter=cut)) / 25.4 == pytest.approx(wanted, abs=1e-4)


@given(st.floats(0.05, 1.5), st.floats(-5, 25))
def test_what_was_cut_comes_off_along_the_pushrod(cut, lean):
    """Exact, and within t^2 sin^2(phi) / (2 Lp) of t cos(phi), phi from pushrod to cylinder."""
    new = wanted_for(lifter=along_cylinder(cut, lean))
    cup = WORKED.cup(np.array(0.0))
    rod = np.array([float(cup[0] - WORKED.lifter_x), float(cup[1] - WORKED.lifter_y)])
    up = np.array(along_cylinder(1.0, lean))
    share = float(rod @ up) / float(WORKED.pushrod)
    assert float(WORKED.pushrod) - new == pytest.approx(
        cut * share, abs=1.02 * cut**2 * (1 - share**2) / (2 * 195) + 1e-6
    )
    assert wanted_for(lifter=along_cylinder(-cut, lean)) > float(WORKED.pushrod), "a thicker gasket wants a longer one"
    assert wanted_for(tip_up=cut) > float(WORKED.pushrod), "so does a longer valve"


@given(st.floats(0.1, 1.2))
def test_the_same_geometry_is_the_same_mark(change):
    """After a smaller base circle, the pushrod that is said brings the pivot back where it was."""
    down = along_lifter(WORKED, -change)
    new = wanted_for(lifter=down)
    moved = replace(
        WORKED, lifter_x=WORKED.lifter_x + down[0], lifter_y=WORKED.lifter_y + down[1], pushrod=np.array(new)
    )
    assert float(set_on_stud(moved, np.array(0.0)).pivot_up) == pytest.approx(float(WORKED.pivot_up), abs=1e-5)


@given(st.floats(0.1, 1.5))
def test_the_plunger_sees_the_nut_through_both_arms(nut):
    """The cup falls by about nut x (1 + 1/ratio) (common practice); the pushrod keeps its length below it."""
    down = plunger_travel(WORKED, nut)
    about = nut * (1 + 1 / float(WORKED.ratio(np.array(0.0))))
    assert down == pytest.approx(about, rel=0.2)
    axis = along_lifter(WORKED, -down)
    lowered = WORKED.moved(np.array(-nut))
    sine = float((lowered.tip_radius - lowered.pivot_up) / lowered.valve_arm)
    at = np.arcsin(sine) + np.radians(165.0)
    cup = (float(24.7567017 * np.cos(at) - lowered.pivot_out), float(24.7567017 * np.sin(at) + lowered.pivot_up))
    rod = np.hypot(cup[0] - float(WORKED.lifter_x) - axis[0], cup[1] - float(WORKED.lifter_y) - axis[1])
    assert rod == pytest.approx(float(WORKED.pushrod), abs=1e-9)
    assert plunger_travel(WORKED, 0.0) == pytest.approx(0.0, abs=1e-6)


@given(st.floats(-1.0, 1.0), st.floats(0.94, 1.06), st.floats(-0.8, 0.8))
def test_changes_add_up_and_what_is_left_keeps_pushrod_and_lash(tip, ratio, base):
    """On a stud the nut sets the lash anew: the pushrod is the same one, and the gap is what it was."""
    one, other = Change(tip_up=tip, ratio=ratio), Change(lifter=along_lifter(WORKED, base))
    left = left_as_it_is(WORKED, one + other, 0.3, on_shaft=False)
    assert float(left.pushrod) == float(WORKED.pushrod)
    assert float(left.gap(np.array(0.0))) == pytest.approx(0.3, abs=1e-8)
    back = replace(left, pushrod=np.array(pushrod_for(WORKED, one + other, 0.3, on_shaft=False)))
    assert float(set_on_stud(back, np.array(0.3)).pivot_up) == pytest.approx(float(WORKED.pivot_up), abs=1e-5)
    shaft = left_as_it_is(WORKED, one + other + Change(stand_up=0.2), 0.3, on_shaft=True)
    assert float(shaft.pivot_up) == pytest.approx(float(WORKED.pivot_up) - tip + 0.2)
    assert float(shaft.gap(np.array(0.0))) == pytest.approx(0.3, abs=1e-8)


@pytest.mark.parametrize("lean", [0.0, 4.0])
@pytest.mark.parametrize("lash", [0.0, 0.4])
def test_the_place_on_the_stud_is_the_nearest_that_gives_the_lash(lean, lash):
    """Against a fine walk up and down the stud."""
    gear = replace(WORKED, stud_lean_deg=np.array(lean), pivot_up=np.array(2.0), pushrod=np.array(195.8))
    found = set_on_stud(gear, np.array(lash))
    ups = np.linspace(-12.0, 12.0, 24001)
    gaps = np.array(gear.moved(ups).gap(np.zeros(24001))) - lash
    crossings = ups[np.flatnonzero((gaps[:-1] <= 0) & (gaps[1:] > 0))]
    nearest = crossings[np.argmin(np.abs(crossings))]
    assert (float(found.pivot_up) - 2.0) / np.cos(np.radians(lean)) == pytest.approx(nearest, abs=2e-3)


def seen_marks(lengths):
    return [mark_of(set_on_stud(replace(WORKED, pushrod=np.array(one)), np.array(0.0)), LOBE) for one in lengths]


@given(st.floats(-0.7, 0.7))
def test_marks_of_a_checking_pushrod_point_to_the_narrowest(off):
    """Marks worked out at five lengths about the square one, 195.0027 mm of the worked gear."""
    lengths = 195.0027 + off + np.array([-2.2, -1.2, -0.1, 1.1, 2.3])
    widths = np.array([float(one.width) for one in seen_marks(lengths)])
    found = narrowest(lengths, widths)
    assert found.length == pytest.approx(195.0027, abs=0.12)
    assert found.low <= 195.0027 <= found.high


def test_a_checking_pushrod_says_what_is_still_to_be_read():
    lengths = np.array([190.0, 191.0, 192.0])
    assert "go further" in narrowest(lengths, np.array([1.4, 1.1, 0.9]))
    assert "three lengths are needed, and 2 are read" in narrowest(lengths[:2], np.array([1.4, 1.1]))
    assert "inboard" in centred(lengths, np.array([-0.4, -0.3, -0.5]))
    found = centred(lengths, np.array([-0.4, 0.2, 0.5]))
    assert (found.length, found.low, found.high) == (pytest.approx(190.6667, abs=1e-3), 190.0, 191.0)


def test_stud_in_its_slot_and_retainer_under_the_rocker_against_points_in_space():
    """Against corners turned one by one: the stud's sides at the slot's edge, the retainer's edge to the arm's line."""
    slot = float(slot_to_stud(WORKED, np.array(LOBE), *map(np.array, (14.0, 9.0, 4.0, 2.0))))
    least = np.inf
    for lobe in np.linspace(0, LOBE, 17):
        turn = np.radians(float(WORKED.angle_deg(np.array(lobe))) - 2.0)
        rows = [(side * 4.5 / np.cos(turn) + 4.0 * np.tan(turn)) for side in (-1, 1)]
        least = min(least, 7.0 - max(abs(one) for one in rows))
    assert slot == pytest.approx(least, abs=1e-9)
    room = float(retainer_to_rocker(WORKED, np.array(LOBE), *map(np.array, (3.0, 4.0, 30.0))))
    worst = np.inf
    for lobe in np.linspace(0, LOBE, 17):
        lobe = np.array(lobe)
        pivot = np.array([-float(WORKED.pivot_out), float(WORKED.pivot_up)])
        roller = np.array([float(WORKED.contact(lobe)), float(WORKED.gap(lobe) + WORKED.tip_radius)])
        along = (roller - pivot) / np.linalg.norm(roller - pivot)
        edge = np.array([-15.0, -float(WORKED.lift(lobe)) - 4.0]) - pivot
        worst = min(worst, -(along[0] * edge[1] - along[1] * edge[0]) - 3.0)
    assert room == pytest.approx(worst, abs=1e-9)
