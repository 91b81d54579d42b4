"""Marks on the tips: held to their limits once one is read, and unproven where nobody looked or something was changed."""

import pytest

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Fit, fitment
from honest_lift.facts.place import at_position
from honest_lift.plans.cures import cures_for


def marked(middle=0.1, width=0.7, **more):
    made = Bench().complete()
    for name in made.names:
        made.read("mark_middle", at_position(name), middle, "seen", "solid")
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
    assert (words(made, "mark_middle"), words(made, "mark_width")) == verdicts


def test_without_a_mark_the_check_is_none_and_with_one_every_other_valve_is_unproven():
    made = Bench().complete()
    assert words(made, "mark_middle") == "none"
    made.read("mark_middle", at_position("1e"), 0.1, "seen", "solid")
    assert (words(made, "mark_middle"), words(made, "mark_middle", "1i")) == ("passes", "unproven")
    assert words(made, "mark_width") == "none"


def test_another_rocker_or_cam_makes_a_mark_stale():
    for slot, where in (("rocker", "1e"), ("cam", "engine"), ("valve", "1e")):
        made = marked()
        made.do(Fit((fitment(made.engine, slot, where),), "another"))
        assert words(made, "mark_middle") == "unproven"


def test_a_failing_mark_names_its_cure():
    made = marked(0.9)
    finding = examine(made.book).finding("mark_middle", "1e")
    assert any("another pushrod" in one for one in cures_for(made.book, finding))
