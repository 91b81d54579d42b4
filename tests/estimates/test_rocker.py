"""The rocker of a valve from its facts: what is missing is named, doubt is that of displaced facts, a seen mark is read right."""

import numpy as np
import pytest

from engines import Bench
from gears import GEAR, bench, figures
from honest_lift.estimates.rocker.gear import FIGURES, best_of, lengths_of_width, rocker_of
from honest_lift.estimates.rocker.parts import how_to
from honest_lift.facts.edits import Describe, Fit, fitment
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.words.rocker.gear import (
    rocker_words,
    rules_words,
    seen_mark,
    seen_words,
    side_of_gear,
    tip_of_gear,
)
from honest_lift.words.rocker.moved import moved_row, together
from honest_lift.words.rocker.pushrod_finder import finder_rows


@pytest.mark.parametrize("name", [*(one for one in GEAR if one != "stud_lean"), "lash"])
def test_what_is_not_stated_is_named_and_nothing_is_drawn(name):
    made = bench(without=name) if name != "lash" else bench()
    if name == "lash":
        made.history.book = made.history.book.__class__(
            type(made.engine)(
                made.engine.id,
                layout=made.engine.layout,
                facts=tuple(f for f in made.engine.facts if f.quantity != "lash"),
            )
        )
    found = rocker_of(made.book, "intake")
    assert found.gear is None
    assert found.missing.startswith("not stated yet: ")
    assert side_of_gear(made.book, found, 0.5) is None
    assert tip_of_gear(made.book, found, 0.5, "1i") is None
    assert finder_rows(made.book, "intake", "1i") == rules_words(made.book, "intake", "1i") == ()
    assert rocker_words(made.book, found)[1].lower() == how_to(name).lower(), "and how it is measured"


def test_figures_and_their_doubt():
    """Against a brute force: every fact displaced by its standard doubt, one after the other, the larger side counting."""
    found = rocker_of(bench().book, "intake")
    assert not found.unproven
    assert found.lift_mm == pytest.approx(13.63, abs=0.01)
    nominal, squares = figures(found), np.zeros(len(FIGURES))
    for name, u in {**dict.fromkeys(GEAR, 0.1 / np.sqrt(3)), "lobe_lift": 0.01 / np.sqrt(3)}.items():
        sides = []
        for sign in (1, -1):
            made = bench()
            place = at_role("intake") if name == "lobe_lift" else ENGINE
            made.state(name, {**GEAR, "lobe_lift": 8.966}[name] + float(sign * u), place)
            sides.append(np.abs(figures(rocker_of(made.book, "intake", with_doubt=False)) - nominal))
        squares += np.max(sides, axis=0) ** 2
    assert [found.u[key] for key in FIGURES] == pytest.approx(np.sqrt(squares).tolist(), rel=0.02, abs=1e-4)


def test_what_rests_on_an_assumption_says_so():
    made = bench().state("pushrod_arm", 24.757, kind="assumed", low=24.0, high=25.5)
    found = rocker_of(made.book, "intake")
    assert found.unproven
    assert "It proves nothing" in " ".join(rocker_words(made.book, found))
    untolerated = bench(tolerance=None)
    assert "without a tolerance" in rocker_of(untolerated.book, "intake").unproven
    assert "taken as parallel" in rocker_of(bench(without="stud_lean").book, "intake").unproven
    assert rocker_of(bench().book, "intake", own=196.0).unproven == "what is tried is not stated"
    changed = bench().do(Fit((fitment(bench().engine, "rocker", "1i"),), "another rocker"))
    assert rocker_of(changed.book, "intake", "2i").unproven == ""
    assert "stale" in rocker_of(changed.book, "intake", "1i").unproven


def test_schools_agree_on_this_gear_and_each_tells_its_price():
    found = best_of(bench().book, "intake")
    assert found["square"].own == pytest.approx(found["narrow"].own, abs=0.01)
    assert found["square"].mark.off_square_deg == pytest.approx(0.0, abs=1e-5)
    assert found["centred"].mark.middle == pytest.approx(0.0, abs=1e-3)
    rows = finder_rows(bench().book, "intake", "")
    assert [one.title for one in rows] == ["as stated", "square at half lift", "narrowest mark", "witness mark centred"]


def test_on_a_shaft_the_stand_is_sought_and_the_pushrod_changes_nothing_but_lash():
    made = (
        bench(without="pushrod_length")
        .do(Describe({"rocker_mount": "shaft"}, "shaft"))
        .state("pivot_up", 0.0, tolerance=0.1)
    )
    found = rocker_of(made.book, "intake")
    assert (found.on_shaft, found.own) == (True, 0.0)
    square = best_of(made.book, "intake")["square"]
    assert square.mark.off_square_deg == pytest.approx(0.0, abs=1e-5)
    with_rod = made.state("pushrod_length", 180.0, tolerance=0.1)
    assert rocker_of(with_rod.book, "intake").mark == found.mark
    assert rules_words(made.book, "intake", "")[0].startswith("Stand by the rules: ")


def test_a_mark_that_was_seen_says_by_how_much_either_way():
    made = bench()
    square = best_of(made.book, "intake")["narrow"].own
    for by in (-1.5, 1.5):
        wide = float(rocker_of(made.book, "intake", own=square + by, with_doubt=False).mark.width)
        least, short, long = lengths_of_width(made.book, "intake", "", wide)
        assert (short if by < 0 else long) == pytest.approx(1.5, abs=0.05)
        assert least < wide
    assert lengths_of_width(made.book, "intake", "", 0.1)[1:] == (None, None)
    assert seen_mark(made.book, "1i") is None
    made.read("mark_centre", at_position("1i"), -0.4, "seen", "solid").read(
        "mark_width", at_position("1i"), 0.8, "seen", "solid"
    )
    words = " ".join(seen_words(made.book, "intake", "1i"))
    assert "too short or" in words
    assert "the trade's rule calls that too short" in words


def test_gear_that_can_not_be_or_is_no_pushrod_gear_is_named():
    assert "no place of the rocker" in rocker_of(bench(pushrod_length=320.0).book, "intake").missing
    bucket = bench().do(Describe({"gear": "bucket"}, "bucket"))
    assert "has a bucket" in rocker_of(bucket.book, "intake").missing
    hydraulic = bench().do(Describe({"lifter": "hydraulic roller"}, "hydraulic")).state("lash", 2.0)
    assert rocker_of(hydraulic.book, "intake").lash_mm == 0.0


def test_a_change_is_told_for_what_the_gear_is():
    """A hydraulic lifter takes a cut up in its preload; the nut's turns are of stud gear with a pitch that is stated."""
    solid = bench().state("valve_lean", 15.0, tolerance=0.5).state("rocker_ratio", 1.52, tolerance=0.01)
    gear = rocker_of(solid.book, "intake")

    def words(made, change, amount=0.5, of=None):
        return moved_row(made.book, of or gear, change, amount).whole

    told = {change: words(solid, change) for change in ("head", "block", "gasket", "valve", "cap", "base")}
    assert [" shorter" in told[one] for one in told] == [True, True, False, False, False, False]
    assert "preload" not in told["head"]
    assert words(solid, "valve") == words(solid, "cap")
    assert "moves nothing" in words(solid, "stand")
    assert "pushrod as it is" in words(solid, "ratio", 1.52)
    assert "longer" in words(solid, "ratio", 1.6)
    hydraulic = solid.do(Describe({"lifter": "hydraulic roller"}, "hydraulic"))
    assert "more, about" in words(hydraulic, "head")
    assert "less, about" in words(hydraulic, "gasket")
    assert "state the pitch" in words(solid, "nut", 0.75)
    pitched = hydraulic.state("nut_pitch", 25.4 / 24)
    assert "0.75 turns lower the nut by 0.79 mm" in words(pitched, "nut", 0.75)
    assert "of its travel is left" in words(pitched.state("plunger_travel", 3.0), "nut", 0.75)
    assert "is solid before that" in words(pitched.state("plunger_travel", 1.0), "nut", 0.75)
    none = rocker_of(Bench().book, "intake")
    assert words(solid, "ratio", 1.6, of=none) == "State the gear's dimensions first."
    assert "pushrod 0.45 to 0.50 mm shorter" in words(solid, "head", of=none), "a cut is told in bounds"
    shaft = pitched.do(Describe({"rocker_mount": "shaft"}, "shaft")).state("pivot_up", 0.0)
    on_shaft = rocker_of(shaft.book, "intake")
    assert "adjuster sets the preload" in words(shaft, "nut", 0.75, of=on_shaft)
    assert "the stand 0.50 mm shimmed" in words(shaft, "valve", of=on_shaft)
    assert "longer" in words(shaft, "stand", of=on_shaft)


def test_changes_add_up():
    """0.040 in off the head and 0.010 in off the block leave the pushrod 0.050 in long on a stem square to the deck."""
    made = bench().state("valve_lean", 0.0, tolerance=0.5)
    gear = rocker_of(made.book, "intake")
    both = together(made.book, gear, {"head": 1.016, "block": 0.254, "nut": 1.0})
    assert both == moved_row(made.book, gear, "head", 1.27)
    assert "not known" in together(bench().book, gear, {"cap": 1.0, "head": 1.0}).pushrod
