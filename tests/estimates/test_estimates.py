"""From facts to estimates: which fact stands, and what each way of measuring adds. Trade values: common practice, no source."""

import numpy as np
import pytest
from msgspec.structs import replace

from engines import GAUGE, Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.spring.heights import corrected, installed_height, shim_stack
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.facts.edits import Describe, Fit, Put, SetTolerance, Unstate, fitment
from honest_lift.facts.engine import SetAside
from honest_lift.facts.history import History
from honest_lift.facts.journal import Reading
from honest_lift.facts.limits import Tolerance
from honest_lift.facts.parts import Member
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, at_role
from honest_lift.numbers.doubt import Ground, exact
from honest_lift.numbers.verdict import Verdict

IN = 25.4


def height(bench, position="1e"):
    names = [one.id for one in bench.engine.layout.positions]
    figure = installed_height(bench.book, names).figure
    case = names.index(position)
    return figure.value[case], figure.u[case], Ground(int(figure.ground[case]))


def test_the_nearest_fact_stands_and_the_finding_can_say_which():
    bench = Bench().state("lash", 0.4).state("lash", 0.5, at_role("exhaust")).state("lash", 0.6, at_position("1e"))
    bench.state("lash", 0.7, Place("head", "head"))
    found = {name: resolve(bench.book, "lash", at_position(name)) for name in ("1e", "2e", "1i")}
    assert [one.value for one in found.values()] == [0.6, 0.5, 0.7]
    assert [one.where for one in found.values()] == ["1 exhaust", "exhaust", "head head"]


def test_something_assumed_never_replaces_something_stated_further_off():
    bench = Bench().state("lash", 0.4).state("lash", 0.9, at_position("1e"), kind="assumed", low=0.0, high=1.0)
    assert resolve(bench.book, "lash", at_position("1e")).value == 0.4


def test_a_reading_stands_before_what_was_stated_there():
    bench = Bench().state("lobe_lift", 8.0, at_position("1e"))
    bench.read("lobe_lift", at_position("1e"), 8.2, "indicator", "gauge")
    found = resolve(bench.book, "lobe_lift", at_position("1e"))
    assert (found.value, found.kind, found.tool) == (8.2, "measured", "gauge")


def test_nothing_stated_is_missing_and_never_zero():
    found = resolve(Bench().book, "lash", at_position("1e"))
    assert found.kind == "missing"
    assert np.isnan(found.value)
    assert found.ground == Ground.MISSING


def test_a_stated_figure_without_a_tolerance_is_marked():
    bench = Bench().state("rocker_ratio", 1.6)
    assert resolve(bench.book, "rocker_ratio", at_position("1e")).each[0][2] == pytest.approx(0.016 / 3**0.5)
    bench.do(SetTolerance(Tolerance("rocker_ratio")))
    assert Ground.UNTOLERATED in resolve(bench.book, "rocker_ratio", ENGINE).ground


def test_repeats_give_their_mean_and_a_narrower_scatter():
    bench = Bench().height("1e", 45.00).height("1e", 45.02, repeat=True)
    value, u, ground = height(bench)
    assert value == pytest.approx(45.01)
    single = (0.015**2 + (0.01 / 12**0.5) ** 2) ** 0.5
    assert u == pytest.approx(((0.01 / 3**0.5) ** 2 + single**2 / 2) ** 0.5)
    assert ground == Ground.NONE
    bench.height("1e", 45.40, repeat=True)
    spread = 0.225388553391693  # of 45.00, 45.02, 45.40
    assert height(bench)[1] == pytest.approx(((0.01 / 3**0.5) ** 2 + spread**2 / 3) ** 0.5), (
        "their own scatter, where larger"
    )
    for _ in range(97):
        bench.height("1e", 45.0, repeat=True)
    assert resolve(bench.book, "installed_height", at_position("1e")).own_u >= 0.01 / 12**0.5, (
        "a step does not average out"
    )


def test_repeats_by_another_way_are_not_averaged_in():
    bench = Bench().height("1e", 45.0).height("1e", 46.0, "rule", repeat=True)
    assert height(bench)[0] == 46.0


def test_a_reading_of_an_older_file_that_names_no_tool_takes_the_drawers_default_and_says_so():
    bench = Bench().height("1e", 45.0)
    nameless = tuple(replace(one, tool="") if isinstance(one, Reading) else one for one in bench.book.journal)
    bench.history = History(replace(bench.book, journal=nameless))
    assert (
        resolve(bench.book, "installed_height", at_position("1e")).note
        == "no tool named: taken as gauge, the drawer's default"
    )
    bench.do(Describe({"default_tools": {}}, "no defaults"))
    assert height(bench)[2] == Ground.NO_TOOL


def test_a_tool_that_is_not_in_the_drawer_is_no_default():
    bench = Bench().height("1e", 45.0, tool="lent")
    assert height(bench)[2] == Ground.NO_TOOL
    assert "“lent”, is not in the drawer" in resolve(bench.book, "installed_height", at_position("1e")).note


def test_a_tool_without_a_stated_accuracy_bars_a_pass():
    bench = Bench().height("1e", 45.0, tool="gauge")
    bench.do(Put("tools", replace(bench.engine.tools[0], accuracy=None), "corrected"))
    assert height(bench)[2] == Ground.NO_TOOL


def test_height_micrometer_on_the_bare_pad_with_a_locator_to_come():
    bench = Bench().shims("1e").state("locator_thickness", 0.060 * IN, tolerance=0.01)
    bench.height("1e", 1.850 * IN, "height_micrometer_bare", tool="gauge")
    assert height(bench)[0] == pytest.approx((1.850 - 0.060) * IN)


def test_shims_that_come_later_are_taken_off():
    bench = (
        Bench()
        .state("locator_thickness", 0.0, tolerance=0.0)
        .height("1e", 46.0, "height_micrometer_bare", tool="gauge")
    )
    assert Ground.MISSING in height(bench)[2], "nobody said how many shims: blank is missing, never zero"
    bench.shims("1e", 0.381, 0.381)
    value, u, ground = height(bench)
    assert value == pytest.approx(46.0 - 0.762)
    assert ground == Ground.SPECIFIED | Ground.PREDICTED, "laid in after it was read: one reading confirms it"
    bench.height("1e", 46.0, "height_micrometer_bare", tool="gauge")
    assert height(bench)[2] == Ground.SPECIFIED
    assert u > 0.0161
    assert shim_stack(bench.book, "1i").kind == "missing"


def test_tip_height_less_tip_to_step():
    bench = (
        Bench().shims("1e").state("locator_thickness", 0.0, tolerance=0.0).state("tip_to_step", 3.05, tolerance=0.02)
    )
    bench.height("1e", 41.20, "tip_height", tool="gauge")
    assert height(bench)[0] == pytest.approx(38.15)
    value, parts = corrected(bench.book, "tip_height", "1e", 37.41)
    assert value == pytest.approx(34.36)
    assert [part.quantity for part in parts] == ["tip_to_step", "locator_thickness", "shims"]


def test_a_caliper_over_the_retainer():
    bench = Bench().state("retainer_thickness", 3.30, tolerance=0.02).height("1e", 49.05, "caliper", tool="solid")
    assert height(bench)[0] == pytest.approx(45.75)


def test_other_valves_are_not_touched_by_one_valves_corrections():
    bench = Bench().height("1i", 45.0).height("1e", 46.0, "height_micrometer_bare")
    value, u, ground = height(bench, "1i")
    assert (value, ground) == (45.0, Ground.NONE)
    assert u == pytest.approx((0.01**2 / 3 + 0.015**2 + 0.01**2 / 12) ** 0.5)


def test_a_change_makes_what_rested_on_it_stale_until_undone():
    bench = Bench().height("1e", 45.0).shims("1e", 0.5)
    assert height(bench)[2] == Ground.STALE
    note = resolve(bench.book, "installed_height", at_position("1e")).note
    assert note.startswith("shims changed on 20")
    bench.history.undo()
    assert height(bench)[2] == Ground.NONE


def test_a_fresh_reading_stands_before_a_stale_one():
    bench = Bench().height("1e", 45.0).shims("1e", 0.5).height("1e", 44.5, repeat=True)
    value, _, ground = height(bench)
    assert (value, ground) == (44.5, Ground.NONE)


def test_another_locator_makes_what_was_taken_off_for_the_old_one_stale():
    bench = Bench().shims("1e").shims("1i").state("locator_thickness", 1.5, tolerance=0.02)
    for name in ("1e", "1i"):
        bench.height(name, 46.5, "height_micrometer_bare", tool="gauge")
    assert height(bench)[2] == Ground.SPECIFIED
    bench.do(Fit((fitment(bench.engine, "locator", "1e", note="deeper cup"),), "locator"))
    assert Ground.STALE in height(bench)[2]
    assert Ground.STALE not in height(bench, "1i")[2]
    bench.read("locator_thickness", at_position("1e"), 1.2, "caliper", "solid")
    value, _, ground = height(bench)
    assert (value, ground) == (pytest.approx(45.3), Ground.NONE)
    bench.do(Fit((fitment(bench.engine, "locator", "1e", note="another again"),), "locator"))
    assert Ground.STALE in height(bench)[2], "measured at the valve, and changed since"


@pytest.mark.parametrize(
    ("slot", "quantity", "way"),
    [
        ("retainer", "retainer_thickness", "caliper"),
        ("valve", "tip_to_step", "tip_height"),
        ("locks", "tip_to_step", "tip_height"),
    ],
)
def test_a_fresh_height_does_not_take_off_the_old_part(slot, quantity, way):
    bench = Bench().shims("1e").state("locator_thickness", 0.0, tolerance=0.0).state(quantity, 3.3, tolerance=0.02)
    bench.do(Fit((fitment(bench.engine, slot, "1e", note="another"),), slot))
    bench.height("1e", 48.3, way, tool="gauge")
    assert Ground.STALE in height(bench)[2]
    bench.read(quantity, at_position("1e"), 3.0, "caliper", "solid")
    assert (height(bench)[0], Ground.STALE in height(bench)[2]) == (pytest.approx(45.3), False)


def test_what_stands_in_for_a_value_set_aside_proves_nothing():
    bench = Bench().state("lobe_lift", 8.0).state("rocker_ratio", 1.5).state("lash", 0.4)

    def ground(quantity):
        aside = SetAside("1 exhaust", quantity, "-5", "it makes no sense", quantity, at_position("1e"))
        return lift_at_valve(replace(bench.book, set_aside=(aside,))).figure.ground[:2].tolist()

    for quantity in ("lash", "lobe_lift", "valve_lift"):
        assert [bool(one & Ground.SET_ASIDE) for one in ground(quantity)] == [True, False], quantity


def test_lift_is_worked_from_the_lobe_until_it_is_measured():
    bench = (
        Bench().state("lobe_lift", 8.9662, tolerance=0.0).state("rocker_ratio", 1.6).state("lash", 0.45, tolerance=0.0)
    )
    lift = lift_at_valve(bench.book).figure
    assert lift.value == pytest.approx([8.9662 * 1.6 - 0.45] * 4)
    assert lift.u[0] == pytest.approx(0.0828, abs=0.0001), "a nominal ratio of 1 percent, on its own"
    bench.read("valve_lift", at_position("1i"), 13.8, "indicator", "gauge")
    measured = lift_at_valve(bench.book).figure
    assert measured.value[1] == 13.8
    assert measured.u[1] < 0.02
    assert measured.ground[1] == Ground.NONE


def test_a_hydraulic_lifter_has_no_lash_and_a_bucket_no_ratio():
    bench = Bench(lifter="hydraulic roller").state("lobe_lift", 8.0).state("rocker_ratio", 1.5)
    assert lift_at_valve(bench.book).figure.value[0] == pytest.approx(12.0)
    bench = Bench().state("lobe_lift", 9.0).state("lash", 0.2)
    bench.do(Describe({"gear": "bucket"}, "bucket"))
    assert lift_at_valve(bench.book).figure.value[0] == pytest.approx(8.8)


def test_a_lift_below_zero_is_unsound():
    bench = Bench().state("lobe_lift", 1.0).state("rocker_ratio", 0.8).state("lash", 2.0)
    assert Ground.UNSOUND in Ground(int(lift_at_valve(bench.book).figure.ground[0]))


def test_one_point_is_no_load_curve():
    bench = Bench().spring("1", [(45.0, 722.0)])
    curves = spring_curves(bench.book, ("1", "2", ""))
    notes = [one[0].note for one in curves.inputs]
    assert notes == [
        "spring 1: its load is measured at one height only; two are needed",
        "spring 2: no load is measured",
        "no spring is fitted here",
    ]


def nested(step_tolerance=0.05) -> Bench:
    bench = Bench()
    members = (Member("outer"), Member("inner", 2.6, step_tolerance))
    return bench.do(Put("cards", replace(bench.engine.cards[0], members=members)))


def curve_of(bench, at_mm):
    curves = spring_curves(bench.book, ("1",))
    return curves, curves.load(Estimate(exact(np.array([at_mm])), ((),))).figure


OUTER = [(h, 29.696769 * (58 - h)) for h in (50.0, 45.0, 34.0)]
INNER = [(h, 23.78843 * (54 - h)) for h in (50.0, 42.0, 31.0)]


def test_a_nest_is_put_together_from_its_members():
    """Independent check value: outer installed 48, lift 13.5, step 2.6: 501.548 and 1223.598 N; bind 32.64."""
    bench = nested().spring("1", OUTER, 32.64, "outer").spring("1", INNER, 27.36, "inner")
    for at_mm, newtons in ((48.0, 501.548), (34.5, 1223.598)):
        assert curve_of(bench, at_mm)[1].value[0] == pytest.approx(newtons, abs=0.001)
    curves, figure = curve_of(bench, 48.0)
    assert curves.bind.figure.value[0] == pytest.approx(32.64)
    assert not figure.ground[0]


def test_the_assembled_nest_stands_before_its_members():
    bench = nested().spring("1", OUTER, 32.64, "outer").spring("1", INNER, 27.36, "inner")
    bench.spring("1", [(50.0, 400.0), (34.0, 1200.0)], 33.0)
    curves, figure = curve_of(bench, 42.0)
    assert figure.value[0] == pytest.approx(800.0)
    assert curves.bind.figure.value[0] == 33.0


def test_a_step_without_a_tolerance_bars_a_pass():
    bench = nested(None).spring("1", OUTER, 32.64, "outer").spring("1", INNER, 27.36, "inner")
    assert curve_of(bench, 48.0)[1].ground[0] == Ground.UNTOLERATED


def test_a_nest_with_one_member_unmeasured_has_no_load():
    bench = nested().spring("1", OUTER, 32.64, "outer")
    curves, figure = curve_of(bench, 48.0)
    assert Ground.MISSING in Ground(int(figure.ground[0]))
    assert Ground.MISSING in Ground(int(curves.bind.figure.ground[0]))


def test_below_bind_there_is_no_load_and_outside_the_points_it_is_flagged():
    bench = Bench().spring("1")
    assert np.isnan(curve_of(bench, 32.0)[1].value[0])
    figure = curve_of(bench, 33.0)[1]
    assert figure.value[0] == pytest.approx(1488.0)
    assert figure.ground[0] == Ground.EXTRAPOLATED


def test_loads_that_fall_as_the_spring_is_pressed_are_no_spring():
    bench = Bench().spring("1", [(48.0, 560.0), (45.0, 540.0), (34.0, 1412.0)])
    assert curve_of(bench, 40.0)[1].ground[0] == Ground.UNSOUND


def test_a_testers_offset_is_shared_by_all_its_springs_and_its_stop_by_height():
    bench = Bench().spring("1")
    bench.do(Put("tools", replace(bench.engine.tool("tester"), height_accuracy_mm=0.1, repeatability_percent=None,
                                  resolution=0.0), "corrected"))  # fmt: skip
    figure = curve_of(bench, 42.0)[1]
    rate = (1066 - 722) / 6
    assert figure.u[0] == pytest.approx(np.hypot(890 * 0.01, rate * 0.1) / 3**0.5, rel=0.02)
    assert all(source.shared for source in figure.sources)


def test_an_assumed_lift_replaces_nothing_that_is_known():
    bench = Bench().complete()
    known = lift_at_valve(bench.book).figure.value[0]
    bench.state("valve_lift", 9.5, at_position("1e"), kind="assumed", low=9.0, high=10.0)
    assert lift_at_valve(bench.book).figure.value[0] == known
    bench.do(Unstate("lobe_lift", ENGINE))
    lift = lift_at_valve(bench.book).figure
    assert lift.value[0] == 9.5
    assert lift.ground[0] & int(Ground.ASSUMED)


def test_a_tool_that_must_be_proven_and_never_was_proves_nothing():
    bench = Bench().height("1e", 45.0).do(Put("tools", replace(GAUGE, due_days=365), "corrected"))
    assert resolve(bench.book, "installed_height", at_position("1e")).ground & Ground.STALE


def test_two_ways_that_disagree_prove_nothing_of_their_valve():
    """Caliper and micrometer 0.080 in apart: a dished retainer? Common practice, no source."""
    bench = Bench().complete().state("retainer_thickness", 3.3, tolerance=0.02)
    bench.height("1e", 45.0 + 3.3 + 0.080 * 25.4, "caliper", tool="solid").height("1e", 45.0)
    told = installed_height(bench.book, ["1e"]).inputs[0][0]
    assert told.value == 45.0, "the latest way counts"
    assert told.note == (
        "micrometer, in place and caliper over retainer disagree by 0.080 in: measure again, and strike out the one that is "
        "wrong; a dished retainer, or a part not stated?"
    )
    examination = examine(bench.book)
    for check in ("installed_height", "coil_bind_clearance", "seat_load", "open_load"):
        one = examination.finding(check, "1e")
        assert (one.verdict, one.provisional) == (Verdict.UNPROVEN, Verdict.PASSES)
        assert "disagree by 0.080 in" in reason(one, bench.engine)
        assert examination.finding(check, "1i").verdict is Verdict.PASSES
    bench.height("1e", 45.0 + 3.3 + 0.02, "caliper", tool="solid")
    assert examine(bench.book).finding("coil_bind_clearance", "1e").verdict is Verdict.PASSES, "the same way replaces"


@pytest.mark.parametrize(("quantity", "ways", "place"), [
    ("bore", ("bore_gauge", "caliper"), at_cylinder(1)),
    ("stem_tip_height", ("stem_height_gauge", "caliper"), at_position("1e")),
])  # fmt: skip
def test_any_quantity_read_two_ways_is_held_against_itself(quantity, ways, place):
    bench = Bench().read(quantity, place, 50.0, ways[0], "micrometer").read(quantity, place, 50.03, ways[1], "solid")
    assert not resolve(bench.book, quantity, place).ground & Ground.UNSOUND, "within both their uncertainties"
    bench.read(quantity, place, 50.1, ways[1], "solid")
    one = resolve(bench.book, quantity, place)
    assert (one.value, one.ground) == (50.1, Ground.UNSOUND)
    assert "disagree by 0.004 in" in one.note
    bench.read(quantity, place, 50.1, ways[0], "solid")
    assert not resolve(bench.book, quantity, place).ground & Ground.UNSOUND


def test_lash_cold_and_hot_are_two_things():
    bench = Bench().read("lash", at_position("1e"), 0.5, "feeler").read("lash", at_position("1e"), 0.45, "feeler_hot")
    assert not resolve(bench.book, "lash", at_position("1e")).ground & Ground.UNSOUND


def test_one_spring_tells_that_its_set_is_straight_only_by_loads_that_prove_something():
    bench = Bench("head: 1e 1i").spring("1", ((48.0, 560.0), (36.0, 1260.0)))
    bench.spring("2", [(h, 560.0 + 58.0 * (48.0 - h)) for h in (48.0, 45.0, 42.0, 39.0, 36.0)])

    def shape(book):
        load = spring_curves(book, ("1", "2")).take([0]).load(Estimate(exact(np.array([42.0])), ((),))).figure
        return any(one.key.startswith("shape:") for one in load.sources)

    assert not shape(bench.book)
    spoiled = tuple(
        replace(one, tool="gone") if getattr(one, "quantity", "") == "spring_load" and one.place.name == "2" else one
        for one in bench.book.journal
    )
    assert shape(replace(bench.book, journal=spoiled))
