"""What was told twice and can't both be right proves nothing: lever and curve, a cut and the old height, lash hot and cold."""

import pytest

from engines import Bench
from honest_lift.checks.examine import examine, gathered_of
from honest_lift.checks.wording import reason
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.edits import Describe, Fit, Put, fitment
from honest_lift.facts.place import at_position
from honest_lift.facts.tools import Tool
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.spring.windows import windows_of

LEVER = Tool(
    "lever",
    "spring_tester",
    "lever tester",
    "load",
    accuracy_percent=3.0,
    repeatability_percent=2.0,
    height_accuracy_mm=0.0,
)
FEELER = Tool("feeler", "feeler", "feeler", "length", resolution=0.0, accuracy=0.01, repeatability=0.01)


def bench(**more) -> Bench:
    made = Bench(**more).complete()
    return made.do(Put("tools", LEVER)).do(Put("tools", FEELER))


@pytest.mark.parametrize(("share", "proves"), [(0.7, False), (1.3, False), (0.96, True), (1.0, True)])
def test_a_lever_that_contradicts_the_curve_leaves_neither_load_proven(share, proves):
    made = bench()
    before = {check: examine(made.book).finding(check, "1e") for check in ("seat_load", "open_load")}
    assert {one.verdict for one in before.values()} == {Verdict.PASSES}
    made.read("seat_load_engine", at_position("1e"), share * before["seat_load"].figure, "lever", "lever")
    found = examine(made.book)
    for check, then in before.items():
        now = found.finding(check, "1e")
        assert now.verdict is (Verdict.PASSES if proves else Verdict.UNPROVEN)
        assert now.figure == pytest.approx(then.figure), "a lever never stands in for a curve"
        assert ("the lever tester reads" in reason(now, made.engine)) is not proves
        assert found.finding(check, "1i").verdict is Verdict.PASSES


def test_a_height_typed_as_before_a_cut_is_not_believed_until_it_was_read_again():
    made = bench().height("1e", 45.0)
    made.do(Fit((fitment(made.engine, "seat", "1e", change="seat_sunk", amount=0.5),), "seat cut"))
    made.height("1e", 45.0)
    found = examine(made.book).finding("installed_height", "1e")
    assert found.verdict is Verdict.UNPROVEN
    assert "before a change of a known amount" in reason(found, made.engine)
    made.height("1e", 45.0, repeat=True)
    assert "before a change" not in reason(examine(made.book).finding("installed_height", "1e"), made.engine)


@pytest.mark.parametrize(("cut", "height"), [(0.5, 45.5), (0.5, 45.2), (0.02, 45.0)])
def test_a_height_that_moved_by_the_cut_or_by_some_of_it_or_could_not_tell_stands(cut, height):
    made = bench().height("1e", 45.0)
    made.do(Fit((fitment(made.engine, "seat", "1e", change="seat_sunk", amount=cut),), "seat cut"))
    made.height("1e", height)
    assert "before a change" not in reason(examine(made.book).finding("installed_height", "1e"), made.engine)


@pytest.mark.parametrize(
    ("material", "apart", "proves"),
    [("iron", 0.10, False), ("iron", 0.05, True), ("aluminium", 0.10, True), ("aluminium", 0.4, False)],
)
def test_lash_hot_and_cold_are_held_against_each_other(material, apart, proves):
    made = bench().do(Describe({"head_material": material}, "material")).state("lash", 0.40)
    for way, lash in (("feeler", 0.40), ("feeler_hot", 0.40 + apart)):
        made.read("lash", at_position("1e"), lash, way, "feeler")
    lash = resolve(made.book, "lash", at_position("1e"))
    assert (lash.ground == Ground.NONE) is proves
    assert ("more than warming up explains" in lash.note) is not proves


def test_a_height_taken_as_repeats_after_the_cut_counts_from_the_second_on():
    made = bench().height("1e", 45.0)
    made.do(Fit((fitment(made.engine, "seat", "1e", change="seat_sunk", amount=0.5),), "seat cut"))
    doubted = []
    for _ in range(2):
        made.height("1e", 45.0, repeat=True)
        doubted.append("before a change" in reason(examine(made.book).finding("installed_height", "1e"), made.engine))
    assert doubted == [True, False]


def test_nothing_is_planned_by_a_curve_that_the_lever_contradicts():
    made = bench()
    spring = [one.id for one in made.engine.springs].index(made.engine.spring_at("1e"))
    (before,) = windows_of(made.book, gathered_of(made.book), [(0, spring)])
    made.read("seat_load_engine", at_position("1e"), 500.0, "lever", "lever")
    (after,) = windows_of(made.book, gathered_of(made.book), [(0, spring)])
    assert (before.missing, bool(after.missing)) == ("", True)
