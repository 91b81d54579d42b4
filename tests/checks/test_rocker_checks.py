"""The rocker's checks: marks, half-lift angle, true ratio, preload and lash, and what comes near the gear."""

import numpy as np
import pytest

from engines import Bench
from gears import GEAR, dimensioned
from honest_lift.checks.examine import examine
from honest_lift.estimates.rocker.gear import rocker_of
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Describe, Fit, Put, fitment
from honest_lift.facts.place import at_position, at_role
from honest_lift.facts.tools import Tool
from honest_lift.plans.cures import cures_for
from honest_lift.plans.next_reading import CLOSE, next_steps
from honest_lift.words.rocker.moved import moved_row, together

FEELER = Tool("feeler", "feeler", "feeler", "length", resolution=0.01, accuracy=0.005, repeatability=0.003)


def marked(middle=0.1, width=0.7, **more):
    made = Bench().complete()
    for name in made.names:
        made.read("mark_centre", at_position(name), middle, "seen", "solid")
        made.read("mark_width", at_position(name), width, "seen", "solid")
    return made


def words(made, check, position="1e"):
    found = examine(made.book).finding(check, position)
    return found.verdict.word if found else "none"


@pytest.mark.parametrize(
    ("middle", "width", "verdicts"),
    [(0.1, 0.7, ("passes", "passes")), (0.8, 0.7, ("fails", "passes")), (-0.8, 2.0, ("fails", "fails")),
     (0.505, 1.52, ("close", "close"))],
)  # fmt: skip
def test_a_mark_is_held_both_ways_about_the_middle_and_by_its_width(middle, width, verdicts):
    made = marked(middle, width)
    assert (words(made, "mark_centre"), words(made, "mark_width")) == verdicts


def test_without_a_mark_the_check_is_none_and_with_one_every_other_valve_is_unproven():
    made = Bench().complete()
    assert words(made, "mark_centre") == "none"
    made.read("mark_centre", at_position("1e"), 0.1, "seen", "solid")
    assert (words(made, "mark_centre"), words(made, "mark_centre", "1i")) == ("passes", "unproven")
    assert words(made, "mark_width") == "none"


def test_another_rocker_or_cam_makes_a_mark_stale():
    for slot, where in (("rocker", "1e"), ("cam", "engine"), ("valve", "1e")):
        made = marked()
        made.do(Fit((fitment(made.engine, slot, where),), "another"))
        assert words(made, "mark_centre") == "unproven"


def test_a_failing_mark_names_its_cure():
    made = marked(0.9)
    finding = examine(made.book).finding("mark_centre", "1e")
    assert any("another pushrod" in one for one in cures_for(made.book, finding))


def geared(tolerance=0.05, **changed):
    made = Bench().complete().state("lobe_lift", 8.966).state("lash", 0.0, tolerance=0.0)
    return dimensioned(made, tolerance=tolerance, **changed)


def test_square_gear_passes_by_its_dimensions_and_a_mark_that_was_read_goes_before_them():
    """The handbook's independent gear stands square at half lift with a mark of 0.617 mm."""
    made = geared()
    assert [words(made, name) for name in ("half_lift", "mark_centre", "mark_width", "true_ratio")] == [
        "passes"
    ] * 3 + ["fails"]
    width = examine(made.book).finding("mark_width", "1e")
    assert width.figure == pytest.approx(0.617, abs=0.002)
    assert "a blued tip, turned over, proves it" in width.remark
    made.read("mark_width", at_position("1e"), 2.0, "seen", "solid")
    assert (words(made, "mark_width"), words(made, "mark_width", "1i")) == ("fails", "passes")
    made.do(Fit((fitment(made.engine, "cam", "engine"),), "another cam"))
    assert words(made, "mark_width") == "unproven", "a stale mark is not stood in for"


def test_a_rod_too_short_fails_with_its_cure_and_each_way_of_proving_nothing_proves_nothing():
    short = geared(pushrod_length=193.5)
    found = examine(short.book).finding("half_lift", "1e")
    assert (found.verdict.word, found.figure > 0) == ("fails", True)
    assert "a longer pushrod" in cures_for(short.book, found)[0]
    for name, more in (("valve_arm", {"kind": "assumed", "low": 37.9, "high": 38.1}), ("arm_angle", {})):
        made = geared().state(name, GEAR[name], **more)
        assert {words(made, check) for check in ("half_lift", "mark_centre", "mark_width")} == {"unproven"}
    gone = geared(pushrod_length=320.0)
    assert words(gone, "half_lift") == "unproven"


def test_true_ratio_is_held_against_the_stated_one_and_feeds_the_spring_checks():
    made = geared().state("rocker_ratio", 1.6, tolerance=0.016)
    lift = 13.6323  # the handbook's independent figure for the gear
    found = examine(made.book).finding("true_ratio", "1e")
    assert (found.verdict.word, found.figure) == ("fails", pytest.approx(100 * (lift / 8.966 / 1.6 - 1), abs=0.05))
    margin = examine(made.book).finding("coil_bind_clearance", "1e")
    assert {term.title: term.value for term in margin.terms}["valve lift"] == pytest.approx(lift, abs=0.01)
    assert not any(one.quantity == "rocker_ratio" for one in margin.inputs)
    untold = made.state("pivot_out", GEAR["pivot_out"])
    again = examine(untold.book).finding("coil_bind_clearance", "1e")
    assert {term.title: term.value for term in again.terms}["valve lift"] == pytest.approx(8.966 * 1.6), (
        "a dimension without a tolerance replaces nothing"
    )


def test_an_uneven_tip_turns_the_rocker_and_is_told_by_how_much():
    """Against the gear put together anew under a raised tip."""
    made = geared()
    for name in made.names:
        made.state("tip_height_target", 50.0)  # for both roles
        made.read("stem_tip_height", at_position(name), 50.8 if name == "1i" else 50.0, "caliper", "solid")
    found = examine(made.book).finding("uneven_tip", "1i")
    raised = geared(lifter_below=GEAR["lifter_below"] + 0.8)
    before, after = (examine(one.book).finding("half_lift", "1e").figure for one in (made, raised))
    assert found.figure == pytest.approx(after - before, rel=0.03)
    assert found.verdict.word == "fails"
    assert "0.800 mm above" in cures_for(made.book, found)[0] or "above them" in cures_for(made.book, found)[0]


def hydraulic(turns, travel=None, **stated):
    made = geared(**stated)
    made.do(Describe({"lifter": "hydraulic roller"}, "hydraulic")).state("nut_pitch", 25.4 / 24, tolerance=0.0)
    made.do(Put("tools", Tool("count", "turn_count", "count", "turns", resolution=0.125, accuracy=0.0)))
    if travel is not None:
        made.state("plunger_travel", travel, tolerance=0.05)
    return made.read("nut_turns", at_position("1e"), turns, "turned", "count")


def test_preload_comes_of_turns_through_the_linkage_and_stays_inside_the_plungers_travel():
    """Half to three quarters of a turn of 24 threads an inch is 0.034 to 0.062 in at the plunger: common practice, no source."""
    half, more = (examine(hydraulic(n).book).finding("preload", "1e").figure / 25.4 for n in (0.5, 0.75))
    assert (half, more) == (pytest.approx(0.034, abs=0.003), pytest.approx(0.052, abs=0.003))
    made = hydraulic(0.625, travel=3.0)
    assert (words(made, "preload"), words(made, "preload", "1i")) == ("passes", "unproven")
    assert (words(made, "plunger_left"), words(hydraulic(0.625, travel=0.8), "plunger_left")) == ("passes", "fails")
    made.read("lifter_preload", at_position("1e"), 1.2, "plunger", "solid")
    assert examine(made.book).finding("preload", "1e").figure == pytest.approx(1.2), (
        "what was read at the plunger goes first"
    )
    assert words(geared(), "preload") == "none"


def test_lash_is_held_against_the_card_cold_or_hot_and_a_stated_lash_is_not_read():
    made = Bench().complete()
    assert words(made, "lash_set") == "none"
    made.do(Put("lobes", CamLobe("intake", lash_cold_mm=0.45, lash_hot_mm=0.5)))
    made.do(Put("tools", FEELER))
    made.read("lash", at_position("1i"), 0.46, "feeler", "feeler").read(
        "lash", at_position("2i"), 0.6, "feeler_hot", "feeler"
    )
    found = {name: examine(made.book).finding("lash_set", name) for name in made.names}
    assert found["1i"].figure == pytest.approx(0.01)
    assert found["2i"].figure == pytest.approx(0.1)
    assert (found["1i"].verdict.word, found["2i"].verdict.word) == ("passes", "fails")
    assert "looser" not in cures_for(made.book, found["2i"])[0]
    assert found["1e"].verdict.word == "unproven"
    made.read("lash", at_role("exhaust"), 0.46, "feeler", "feeler")
    assert words(made, "lash_set", "2e") == "unproven", "read for all, set at none"
    made.read("lash", at_position("1e"), 0.46, "feeler_hot", "feeler")
    last = examine(made.book).finding("lash_set", "1e")
    assert (last.verdict.word, last.figure != last.figure) == ("unproven", True), (
        "nobody stated what the exhaust's hot lash is"
    )


@pytest.mark.parametrize(
    ("name", "way", "good", "bad"),
    [("pushrod_to_head", "feeler", 1.5, 0.5), ("slot_stud", "feeler", 2.5, 0.5), ("roller_sideways", "caliper", 0.1, -1.0),
     ("shaft_side_play", "feeler", 0.3, 0.9)],
)  # fmt: skip
def test_what_is_read_beside_the_rocker(name, way, good, bad):
    made = Bench().complete()
    assert words(made, name) == "none"
    made.read(name, at_position("1e"), good, way, "solid").read(name, at_position("1i"), bad, way, "solid")
    assert [words(made, name, one) for one in ("1e", "1i", "2i")] == ["passes", "fails", "unproven"]
    assert cures_for(made.book, examine(made.book).finding(name, "1i"))


def test_the_stud_in_its_slot_and_the_retainer_under_the_rocker_are_worked_from_dimensions():
    made = geared(slot_length=16.0, stud_diameter=9.5, slot_depth=3.0, slot_angle=0.0)
    room = examine(made.book).finding("slot_stud", "1e")
    turn = np.radians(10.33)  # half the swing of the handbook's gear, square at half lift
    assert room.figure == pytest.approx(8.0 - 4.75 / np.cos(turn) - 3.0 * np.tan(turn), abs=0.02)
    assert room.verdict.word == "passes"
    made.read("slot_stud", at_position("1e"), 0.4, "feeler", "solid")
    assert words(made, "slot_stud") == "fails"
    under = geared(under_rocker=2.0, retainer_below=4.0, retainer_across=34.0)
    rooms = {name: examine(under.book).finding("retainer_rocker", name) for name in ("1e", "2e")}
    assert rooms["1e"].inputs[0].way, "read where it was read"
    assert Bench().complete().state("slot_length", 16.0).do(Describe({"rocker_mount": "shaft"}, "shaft"))
    assert (
        words(Bench().state("slot_length", 16.0).do(Describe({"rocker_mount": "shaft"}, "shaft")), "slot_stud")
        == "none"
    )


def test_a_plate_that_binds_fails():
    made = Bench().complete()
    made.look("guide_plate", at_position("1e"), "free").look("guide_plate", at_position("1i"), "tight")
    assert [words(made, "guide_plate", one) for one in ("1e", "1i", "2i")] == ["passes", "fails", "unproven"]


def test_a_close_angle_asks_for_a_dimension_and_not_for_the_lift():
    made = geared(pushrod_length=194.0, tolerance=0.4)
    assert words(made, "half_lift") == "close"
    needed = {one.quantity for one in next_steps(made.book, examine(made.book)) if one.tier == CLOSE}
    assert needed & set(GEAR)


def unmeasured(turns: float) -> Bench:
    """An engine with a hydraulic roller, its ratio and its nut's pitch stated, and none of the gear's dimensions."""
    made = Bench().state("rocker_ratio", 1.6, tolerance=0.01).do(Describe({"lifter": "hydraulic roller"}, "hydraulic"))
    made.do(Put("tools", Tool("count", "turn_count", "count", "turns", resolution=0.02, accuracy=0.0)))
    made.state("nut_pitch", 25.4 / 24, tolerance=0.0)
    return made.read("nut_turns", at_position("1e"), turns, "turned", "count")


def test_turns_tell_preload_in_bounds_where_nobody_measured_the_gear():
    """Three quarters of a turn of 24 threads an inch: pitch x (1 + 1 / ratio) a turn, common practice, no source."""
    made = unmeasured(0.75)
    one = examine(made.book).finding("preload", "1e")
    assert one.figure / 25.4 == pytest.approx(0.75 / 24 * (1 + 1 / 1.6), rel=1e-6)
    assert one.verdict.word == "unproven", "an assumed range proves nothing"
    assert one.least / 25.4 == pytest.approx(0.060 - 0.05078125 * 1.05, abs=1e-6), (
        "its most stands nearest to the limit"
    )
    assert words(unmeasured(4.0), "preload") == "fails", "too deep at every end of the range"
    assert words(made, "preload", "1i") == "unproven"


def test_what_moved_is_told_in_bounds_before_the_gear_is_measured():
    made = unmeasured(0.75)
    rocker = rocker_of(made.book, "intake", "1i", with_doubt=False)
    mm = made.do(Describe({"units": {**made.engine.units, "length": "mm"}}, "metric")).book
    assert moved_row(mm, rocker, "head", 1.0).pushrod == "0.90 to 1.00 mm shorter"
    assert moved_row(mm, rocker, "gasket", 1.0).pushrod == "0.90 to 1.00 mm longer"
    assert moved_row(mm, rocker, "valve", 1.0).pushrod == "0.80 to 1.00 mm longer"
    assert moved_row(mm, rocker, "nut", 1.0).pushrod == "plunger 1.38 to 1.81 mm down"
    both = together(mm, rocker, {"head": 0.5, "block": 0.3, "gasket": 0.2, "nut": 1.0})
    assert both.pushrod == "0.54 to 0.60 mm shorter"
    assert "preload is 0.54 to 0.60 mm more" in both.whole
    assert "cuts counted along the pushrod" in both.whole
    assert "between" in together(mm, rocker, {"head": 1.0, "valve": 1.1}).pushrod
    assert moved_row(mm, rocker, "ratio", 1.7).whole == "State the gear's dimensions first."
    without = Bench().do(Describe({"lifter": "hydraulic roller"}, "hydraulic"))
    assert "pitch of the nut" in moved_row(without.book, rocker, "nut", 1.0).whole
