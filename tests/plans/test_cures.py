"""What a machinist would have to do, worked by hand: a rate of 54 N/mm at the seat, heights and gaps in mm."""

import pytest
from msgspec.structs import replace

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Describe
from honest_lift.facts.engine import METRIC_UNITS
from honest_lift.facts.place import at_position
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.cures import TRIED, cures_for
from honest_lift.plans.tried import helps

METRIC = Describe({"units": dict(METRIC_UNITS)}, "millimetres")


def cures(bench: Bench, check: str, position: str = "1e") -> tuple[str, ...]:
    return cures_for(bench.book, examine(bench.book).finding(check, position))


def test_a_pocket_too_short_is_cut_by_what_the_window_lacks():
    bench = Bench().complete().do(METRIC).height("1e", 44.30)
    cut = next(one for one in cures(bench, "installed_height") if one.startswith("cut the pocket"))
    # the height may stand 0.508 under its target of 45; the guard adds twice the gauge's doubt of 0.016
    assert cut.startswith(
        "cut the pocket by 0.23 mm: installed height 44.30 to 44.53 mm, coil-bind clearance 2.80 to 3.03 mm"
    )
    assert "retainer to seal" not in cut, "a pocket moves no retainer"
    groove = next(one for one in cures(bench, "installed_height") if "groove" in one)
    assert "retainer to seal 3.00 to 3.23 mm" in groove


def test_offset_locks_move_height_and_seal_gap_alike():
    bench = Bench().complete().do(METRIC).height("1e", 43.70)
    lifted = next(one for one in cures(bench, "installed_height") if "lift the retainer by 1.27 mm" in one)
    assert "installed height 43.70 to 44.97 mm" in lifted
    assert "retainer to seal 3.00 to 4.27 mm" in lifted


def test_a_guide_in_the_retainers_way_is_shortened_by_what_is_missing_with_its_doubt():
    bench = Bench().complete().do(METRIC)
    bench.read("seal_gap", at_position("1e"), 9.9, "caliper", "solid")  # 0.9 left of 9.0 lift, 1.524 wanted
    finding = examine(bench.book).finding("retainer_seal", "1e")
    lacking = 1.524 - 0.9 + finding.expanded
    first = cures(bench, "retainer_seal")[0]
    said = float(first.removeprefix("shorten the guide by ").split()[0])
    assert lacking <= said <= lacking + 0.0101
    assert "less lift at the valve" in cures(bench, "retainer_seal")[-1]


def test_no_cure_is_told_that_fails_something_which_did_not():
    bench = Bench().complete().do(METRIC).height("1e", 44.30)
    assert not any("lift the retainer" in one for one in cures(bench, "installed_height")), (
        "1.27 more would stand too tall"
    )


@pytest.mark.parametrize(
    ("quantity", "value", "way", "check", "told"),
    [
        ("stem_tip_height", 50.6, "caliper", "tip_level", "tip 0.60 mm lower"),
        ("stem_tip_height", 49.5, "caliper", "tip_level", "lash cap of 0.50 mm"),
        ("lock_out", 1.2, "depth_gauge", "lock_out", "protrude 0.69 mm deeper"),  # 0.020 in is 0.508
        ("valve_margin", 0.6, "caliper", "valve_margin", "0.42 mm short"),  # 0.040 in is 1.016
        ("spring_seat_height", 0.4, "indicator", "spring_seat_level", "cut plan"),
        ("retainer_rocker", 0.5, "feeler", "retainer_rocker", "by 0.52 mm"),
    ],
)
def test_what_stands_by_itself_has_a_cure_with_its_amount(quantity, value, way, check, told):
    bench = Bench("head: 1e 1i 2i 2e 3e 3i").complete().do(METRIC)
    bench.read(quantity, at_position("1e"), value, way, "micrometer")
    assert told in cures(bench, check)[0]


def test_what_passes_and_what_is_not_measured_have_none():
    bench = Bench().complete()
    passing = examine(bench.book).finding("coil_bind_clearance", "1e")
    assert cures_for(bench.book, passing) == ()
    assert cures_for(bench.book, replace(passing, position="")) == (), "a spring on the bench has no valve to mend"


def test_a_condemned_set_names_the_one_that_lies_ready_and_a_bad_spring_its_spares():
    from engines import demo

    found = examine(demo())
    whole = cures_for(demo(), found.finding("set_weakest", "1e"))[0]
    assert "new set in its box lies ready" in whole
    assert "no pass here; the others have seen the same heat" in whole
    assert (
        cures_for(demo(), found.finding("card_seat_load", "4i"))[0]
        == "another spring at 4 intake: spares of its card are N1, N2, N3, N4, …"
    )
    assert cures_for(demo(), found.finding("leak_test", "4e")) == ("it leaks; repair the seat, then test again",)


def test_every_check_that_can_fail_has_a_cure():
    from honest_lift.checks.catalog import CHECKS
    from honest_lift.plans.plain_cures import _WRITTEN

    assert set(_WRITTEN) | set(TRIED) == set(CHECKS)


def test_what_makes_something_else_fail_is_no_help():
    found = examine(demo())
    wanted, other = (found.finding(check, "1i") for check in ("coil_bind_clearance", "retainer_seal"))

    def judged(one, verdict):
        return replace(one, provisional=verdict)

    now = {"coil_bind_clearance": judged(wanted, Verdict.FAILS), "retainer_seal": judged(other, Verdict.PASSES)}
    mended = {**now, "coil_bind_clearance": judged(wanted, Verdict.PASSES)}
    assert helps(wanted, now, mended)
    assert not helps(wanted, now, {**mended, "coil_bind_clearance": judged(wanted, Verdict.CLOSE)})
    assert not helps(wanted, now, {**mended, "retainer_seal": judged(other, Verdict.FAILS)})
    bad = {**now, "retainer_seal": judged(other, Verdict.FAILS)}
    assert helps(wanted, bad, {**mended, "retainer_seal": judged(other, Verdict.FAILS)}), "it failed before"
