"""A finger follower from its facts: lift into every check, wipe and pads told, towers and base circles moved."""

import numpy as np
import pytest

from fingers import FINGER, fingered, sliding
from honest_lift.checks.examine import examine
from honest_lift.estimates.alike import values_of
from honest_lift.estimates.clearance.piston_valve import piston_to_valve
from honest_lift.estimates.rocker.every_gear import rockers_of
from honest_lift.estimates.rocker.finger_wipe import wipe_at
from honest_lift.estimates.rocker.gear import best_of, rocker_of
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.estimates.train.motion import Motion
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Describe, Fit, Put, fitment
from honest_lift.facts.place import at_position
from honest_lift.mechanics.rocker.witness_mark import travel_mm
from honest_lift.mechanics.train.linkage import SIDES, GearLinkage
from honest_lift.words.rocker.finger import OVERHEAD_BELIEF, finger_moved, finger_side, wipe_words
from honest_lift.words.rocker.gear import mark_words, rocker_words, rules_words, wrong_words


def test_its_true_lift_feeds_the_checks_and_the_turn():
    made = fingered()
    found = rocker_of(made.book, "intake", "1i")
    assert not found.unproven
    assert lift_at_valve(made.book).figure.value == pytest.approx(found.lift_mm)
    assert isinstance(turn_of(made.book, "intake", "1i").valve.linkage, GearLinkage)
    assert {one.check.name for one in examine(made.book).by_position["1i"] if one.verdict.word == "passes"} >= {
        "mark_centre", "mark_width", "half_lift",
    }  # fmt: skip
    assert not any("pushrod" in one for one in rocker_words(made.book, found))


@pytest.mark.parametrize("name", FINGER)
def test_what_is_not_stated_is_named_and_feeds_nothing(name):
    made = fingered(without=name).state("rocker_ratio", 1.7, tolerance=0.017)
    found = rocker_of(made.book, "intake", "1i")
    assert found.lacking == (name,)
    assert lift_at_valve(made.book).figure.value == pytest.approx(5.5 * 1.7 - 0.2)
    assert not rockers_of(made.book).proven.any()


def test_a_base_circle_off_the_card_draws_the_finger_and_proves_nothing():
    made = fingered(without="base_circle").do(Put("lobes", CamLobe("intake", base_circle_mm=34.0)))
    found = rocker_of(made.book, "intake", "1i")
    assert found.gear is not None
    assert "without a tolerance" in found.unproven


def test_another_tower_or_pad_makes_what_was_read_over_it_stale():
    made = fingered()
    made.read("cam_above", at_position("1i"), 35.8, "caliper", "solid").read(
        "wipe_room", at_position("1i"), 2.0, "seen", "solid"
    )
    assert rocker_of(made.book, "intake", "1i").unproven == ""
    made.do(Fit((fitment(made.engine, "cam tower", "head"),), "towers shimmed"))
    assert rocker_of(made.book, "intake", "1i").unproven
    assert examine(made.book).finding("wipe_room", "1i").verdict.word == "unproven"
    assert rocker_of(made.book, "intake", "2i").unproven, "what is stated for all speaks of the towers as they were"
    assert not rockers_of(made.book).proven.any()


def test_the_wipe_is_told_with_the_pad_that_centres_it_or_what_is_lacking():
    made = sliding()
    found = rocker_of(made.book, "intake", "1i")
    words = wipe_words(made.book, found, "1i")
    assert words[0].startswith("The lobe wipes ")
    assert words[-1] == OVERHEAD_BELIEF
    before = abs(float(wipe_at(made.book, "intake", "1i", found.gear).middle))
    assert before > 0.05
    amount = float(words[1].split(" mm ")[0].split()[-1]) * (1 if "thicker" in words[1] else -1)
    tried = rocker_of(made.book, "intake", "1i", amount)
    assert abs(float(wipe_at(made.book, "intake", "1i", tried.gear).middle)) < 0.05
    roller = fingered()
    assert "a roller wipes nothing" in wipe_words(roller.book, rocker_of(roller.book, "intake", "1i"), "1i")[0]
    fixed = sliding(mount="shaft")
    assert "on a fixed pivot" in wipe_words(fixed.book, rocker_of(fixed.book, "intake", "1i"), "1i")[1]


def test_schools_ask_for_a_pad_on_a_set_pivot_and_for_a_height_of_a_fixed_one():
    made = fingered(cam_above=36.8)
    assert rules_words(made.book, "intake", "1i")[0].startswith("Pad on the tip by the rules: square at half lift ")
    square = best_of(made.book, "intake", "1i")["square"]
    assert float(square.mark.off_square_deg) == pytest.approx(0.0, abs=1e-4)
    fixed = fingered(mount="shaft")
    assert rules_words(fixed.book, "intake", "1i")[0].startswith("Pivot by the rules: ")


def test_towers_base_circle_and_pad_are_told_in_lash_and_in_what_gives_it_back():
    """On a fixed pivot a pad 0.3 mm thicker takes 0.3 mm of lash, and the pad that puts it back is as much thinner."""
    fixed = fingered(mount="shaft")
    gear = rocker_of(fixed.book, "intake", "1i")
    pad = finger_moved(fixed.book, gear, {"pad": 0.15})
    assert (pad.pushrod, pad.mark) == ("pad 0.15 mm thinner", "lash 0.15 mm less")
    assert "would not shut" in finger_moved(fixed.book, gear, {"pad": 0.3}).whole
    base = finger_moved(fixed.book, gear, {"base": 0.2})
    assert "more" in base.mark
    assert "thicker" in base.pushrod
    ratio = float(gear.gear.ratio(0.0 * gear.gear.pivot_out))
    assert float(base.mark.split()[1]) == pytest.approx(0.2 * ratio, abs=0.02), (
        "a smaller circle by the finger's own ratio"
    )
    both = finger_moved(fixed.book, gear, {"base": 0.2, "tower": -0.2})
    assert float(both.mark.split()[1] if both.mark != "lash the same" else 0) < 0.05, (
        "what the tower comes down a circle gives"
    )
    screwed = fingered()
    told = finger_moved(screwed.book, rocker_of(screwed.book, "intake", "1i"), {"tower": 0.5})
    assert told.pushrod.startswith("pivot ")
    assert "higher" in told.pushrod
    assert (
        finger_moved(screwed.book, rocker_of(fingered(without="cam_above").book, "intake"), {"pad": 1.0}).pushrod
        == "not known"
    )
    assert finger_side(screwed.book, rocker_of(screwed.book, "intake", "1i"), 1.0).lift == pytest.approx(9.85, abs=0.05)


@pytest.mark.parametrize("mount", ["stud", "shaft"])
def test_a_mark_on_the_tip_is_told_in_the_fingers_own_part_and_the_way_the_contact_goes_is_right(mount):
    """Try more and less of the part: the one that is said to end outboard does."""
    made = fingered(mount=mount)
    less, more, outboard = wrong_words(made.book)
    square = best_of(made.book, "intake", "1i")["narrow"].own
    for by, named in ((-0.8, less), (0.8, more)):
        travel = float(travel_mm(rocker_of(made.book, "intake", "1i", square + by, with_doubt=False).mark))
        assert (travel > 0) is (named == outboard)
    told = " ".join(mark_words(made.book, "intake", "1i", 0.5, 0.9))
    assert f"too {less}" in told
    assert "trade" not in told
    assert "pushrod" not in told


def test_which_way_the_cam_turns_moves_the_clearance_and_unknown_it_is_less_sure():
    made = (
        fingered(tolerance=0.02)
        .state("stroke", 88.0)
        .state("rod_length", 145.0)
        .state("valve_lean", 0.0, tolerance=0.0)
    )
    for name in made.names:
        made.state("valve_drop", 3.0, at_position(name), tolerance=0.02)
    told = {}
    for turns in ("", "toward the valve", "toward the pivot"):
        made.do(Describe({"cam_turns": turns}, "turns"))
        figure = piston_to_valve(made.book).least.figure
        told[turns] = [(float(figure.value[case]), float(figure.expanded[case])) for case in (0, 1)]
    for case in (0, 1):
        (value, wide), (one, u), (other, _) = (told[turns][case] for turns in told)
        assert (one - value) * (other - value) < 0.0, "one way it is nearer, the other way farther"
        assert min(abs(one - value), abs(other - value)) > 0.02
        assert wide > u
        extra = (wide**2 - u**2) ** 0.5
        assert max(abs(one - value), abs(other - value)) <= extra


@pytest.mark.parametrize("turns", ["toward the valve", "toward the pivot"])
def test_the_turn_that_is_drawn_swings_as_the_one_that_is_judged(turns):
    made = fingered(tolerance=0.02)
    still = turn_of(made.book, "intake", "1i")
    assert "which way the cam turns over the finger is not stated" in "; ".join(still.doubts)
    made.do(Describe({"cam_turns": turns}, "turns"))
    drawn, lifted = turn_of(made.book, "intake", "1i"), EveryTrain(made.book).lifted(1, "1i")
    assert not any("finger" in one for one in drawn.doubts)
    crank = 108.0 + np.array([-100.0, -70.0, -35.0, 20.0, 60.0, 95.0])
    judged = Motion(made.book, [lifted]).lift(crank[:, None], values_of(lifted.parts)).ravel()
    assert drawn.valve.lift(crank) == pytest.approx(judged, abs=2e-3)
    assert np.abs(drawn.valve.lift(crank) - still.valve.lift(crank)).max() > 0.02


@pytest.mark.parametrize("side", [1.0, -1.0])
def test_a_lobe_met_on_the_way_round_has_the_speed_bend_and_events_of_its_own_lift(side):
    """Against central differences of the lift itself."""
    made = fingered(tolerance=0.02).do(
        Describe({"cam_turns": next(one for one, of in SIDES.items() if of == side)}, "turns")
    )
    valve = turn_of(made.book, "intake", "1i").valve
    crank, step, wide = 108.0 + np.array([-70.0, -35.0, 3.0, 50.0, 80.0]), 1e-3, 0.05
    assert valve.velocity(crank) == pytest.approx(
        (valve.lift(crank + step) - valve.lift(crank - step)) / (2 * step), abs=2e-5
    )
    bent = (valve.lift(crank + wide) - 2 * valve.lift(crank) + valve.lift(crank - wide)) / wide**2
    assert valve.acceleration(crank) == pytest.approx(bent, abs=3e-5)
    assert valve.lift(np.array(valve.events(1.27))) == pytest.approx(1.27, abs=1e-3)
