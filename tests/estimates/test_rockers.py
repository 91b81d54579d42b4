"""The gear of every valve at once: the same as valve by valve, each with its own facts; a pushrod quoted in other ways."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from gears import GEAR, bench, figures
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.rocker.every_gear import rockers_of
from honest_lift.estimates.rocker.gear import FIGURES, rocker_of
from honest_lift.estimates.rocker.parts import told_everywhere, told_of
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.facts.edits import Describe, Fit, fitment
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.mechanics.rocker.pushrod_length import beyond_middles, turned_out
from honest_lift.numbers.doubt import Ground


def test_every_valve_is_the_same_together_as_alone():
    made = bench().state("lobe_lift", 8.5, at_role("exhaust"), tolerance=0.01)
    made.state("pushrod_length", 195.6, at_position("2i"), tolerance=0.1).state(
        "pivot_out", 37.9, at_position("1e"), tolerance=0.1
    )
    rockers = rockers_of(made.book)
    for case, one in enumerate(made.engine.layout.positions):
        alone = rocker_of(made.book, one.role, one.id)
        assert rockers.figures.figure.value[case, :6] == pytest.approx(figures(alone), abs=1e-9)
        assert rockers.figures.figure.u[case, :6] == pytest.approx([alone.u[key] for key in FIGURES], abs=1e-9)
        assert bool(rockers.proven[case]) is (not alone.unproven)
        assert told_everywhere(made.book)[case] == told_of(made.book, one.role, one.id)


@pytest.mark.parametrize("name", ["stem_tip_height", "lash", "mark_width", "lobe_lift", "plunger_travel", "pivot_out"])
def test_each_valve_is_resolved_as_it_would_be_alone(name):
    made = bench(without="pivot_out").do(Fit((fitment(bench().engine, "rocker", "2i"),), "another rocker"))
    made.state("plunger_travel", 3.0, at_position("1i"), tolerance=0.1)
    made.read("stem_tip_height", at_position("1e"), 50.0, "depth_gauge")
    assert repr(at_each_valve(made.book, name)) == repr(tuple(at_valve(made.book, name, one) for one in made.names))


@settings(max_examples=25, deadline=None)
@given(
    st.sampled_from([one for one in GEAR if one != "stud_lean"]),
    st.sampled_from(["assumed", "untold", "gone", "stale"]),
)
def test_whatever_is_taken_away_from_the_geometry_its_lift_feeds_no_check(name, how):
    made = bench().state("rocker_ratio", 1.6, tolerance=0.016).state("lobe_lift", 8.966, tolerance=0.01)
    assert lift_at_valve(made.book).figure.value == pytest.approx(13.63, abs=0.01)
    if how == "assumed":
        made.state(name, GEAR[name], kind="assumed", low=GEAR[name] - 0.1, high=GEAR[name] + 0.1)
    elif how == "stale":
        made.do(Fit((fitment(made.engine, "rocker", "1e"),), "another rocker"))
    else:
        made = bench(without=name if how == "gone" else "").state("rocker_ratio", 1.6, tolerance=0.016)
        made.state("lobe_lift", 8.966, tolerance=0.01)
        if how == "untold":
            made.state(name, GEAR[name])
    assert lift_at_valve(made.book).figure.value[0] == pytest.approx(8.966 * 1.6)


@pytest.mark.parametrize(
    ("slot", "where", "stale"),
    [("valve", "1e", (1, 0)), ("head face", "head", (1, 1)), ("gasket", "head", (1, 1)), ("spring", "1e", (0, 0))],
)
def test_a_cut_or_another_valve_makes_the_geometry_stale_where_it_was_done(slot, where, stale):
    made = bench().state("lobe_lift", 8.966, tolerance=0.01)
    made.do(Fit((fitment(made.engine, slot, where),), "changed"))
    assert [not one for one in rockers_of(made.book).proven[:2]] == [bool(one) for one in stale]


def test_what_was_read_for_all_after_a_change_speaks_of_what_was_fitted():
    made = bench(without="lifter_below").state("lobe_lift", 8.966, tolerance=0.01)
    old = replace(fitment(made.engine, "valve", "1e"), when="2020-01-01T00:00:00Z")
    made.do(Fit((old,), "another valve, long ago")).read("lifter_below", ENGINE, 187.39, "caliper", "solid")
    assert rockers_of(made.book).proven.all()
    made.do(Fit((replace(old, id="later", when="2099-01-01T00:00:00Z"),), "another valve, since"))
    assert rockers_of(made.book).proven.tolist() == [False, True, True, True]
    made.do(Fit((replace(old, id="when", when=""),), "another valve, nobody knows when"))
    assert rockers_of(made.book).proven.tolist() == [False, True, True, True]


def test_nobody_stated_the_lean_of_the_stud_and_a_measured_lift_goes_before_everything():
    made = (
        bench(without="stud_lean").state("rocker_ratio", 1.6, tolerance=0.016).state("lobe_lift", 8.966, tolerance=0.01)
    )
    rockers = rockers_of(made.book)
    assert not rockers.proven.any()
    assert rockers.figures.figure.ground[0] & int(Ground.ASSUMED)
    whole = (
        bench()
        .state("lobe_lift", 8.966, tolerance=0.01)
        .read("valve_lift", at_position("1e"), 13.1, "indicator", "solid")
    )
    assert lift_at_valve(whole.book).figure.value[:2] == pytest.approx([13.1, 13.63], abs=0.01)


def test_a_gear_whose_links_may_not_reach_within_its_doubts_has_no_proof_and_one_that_can_not_be_no_figure():
    loose = bench(tolerance=40.0)
    assert not rockers_of(loose.book).proven.any()
    never = rockers_of(bench(pushrod_length=320.0).book)
    assert not np.isfinite(never.figures.figure.value).any()
    assert never.figures.figure.ground[0] & int(Ground.MISSING)
    assert rockers_of(bench().do(Describe({"gear": "bucket"}, "bucket")).book) is None
    assert rockers_of(empty_book()) is None


@pytest.mark.parametrize(("quoted", "ends"), [("pushrod_overall", 7.9375), ("pushrod_gauge", 7.0964)])
def test_a_pushrod_told_overall_or_by_gauge_is_the_same_pushrod(quoted, ends):
    """Ends of a 5/16 in ball, 0.140 in rings: 7.9375, and sqrt(7.9375^2 - 3.556^2), worked by hand."""
    made = bench(without="pushrod_length").state(quoted, 195.0 + ends, tolerance=0.1)
    assert "pushrod length" in rocker_of(made.book, "intake").missing
    made.state("pushrod_ball", 7.9375, tolerance=0.02)
    if quoted == "pushrod_gauge":
        assert "pushrod length" in rocker_of(made.book, "intake").missing
        made.state("gauge_hole", 3.556, tolerance=0.02)
    told, plain = rocker_of(made.book, "intake"), rocker_of(bench().book, "intake")
    assert told.lift_mm == pytest.approx(plain.lift_mm, abs=1e-4)
    assert told.u["lift"] > plain.u["lift"], "the ball's uncertainty comes on top"
    rod = told.parts["pushrod_length"]
    squares = sum(u**2 for _, _, u in rod.each)
    slope = 7.9375 / beyond_middles(7.9375, 3.556 if quoted == "pushrod_gauge" else 0.0)
    hole = 3.556 / beyond_middles(7.9375, 3.556) if quoted == "pushrod_gauge" else 0.0
    assert squares * 3 == pytest.approx(0.1**2 + (slope * 0.02) ** 2 + (hole * 0.02) ** 2)
    direct = made.state("pushrod_length", 194.0, tolerance=0.1)
    assert direct.state("pushrod_length", 194.0, ENGINE, tolerance=0.1)
    assert rocker_of(direct.book, "intake").own == 194.0, "told between its centres, that goes first"


def test_a_checking_pushrod_grows_with_its_turns():
    assert turned_out(190.5, 4.5, 25.4 / 20) == pytest.approx(196.215)
