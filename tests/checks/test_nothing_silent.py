"""No check and no quantity vanishes for want of a name in a list: lists are held to the catalog, and to what is read."""

import sys

import pytest
from msgspec.structs import replace

from engines import Bench, seen
from honest_lift.checks import by_family
from honest_lift.checks.examine import examine
from honest_lift.checks.finding import Check
from honest_lift.checks.on_valves import everywhere, on_valves
from honest_lift.checks.unbegun import belongs, every_check
from honest_lift.demo.demonstrations import demonstration
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe
from honest_lift.facts.engine import Book
from honest_lift.facts.job import EVERY, EVERYTHING, PRESETS, Job
from honest_lift.facts.memory.remember import forget_all
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.numbers.verdict import Verdict
from sound import leaning, pushrods
from trains import simulated_by_nobody

# What asks for no reading by itself, and why.
WHERE_A_PART_OR_A_FIGURE_ASKS = {
    "card_lift", "free_card", "manual_load", "open_stress",  # a spring's card states it
    "set_shortest", "set_weakest",  # a used set
    "tip_height",  # a target
    "deck_finish",  # a metal gasket
    "cutter_touch",  # a cut that is being made
    "dynamic_ratio", "pocket_wall", "seating_velocity", "take_up", "surge_order", "nose_load", "nose_pressure",  # a limit, a pocket
    "uneven_tip", "half_lift_seen", "wipe_centre", "wipe_room",  # what is seen in its place, or a sliding pad
    "rocker_seen", "seal_seen",  # looks that prove no distance
}  # fmt: skip
GEARS = [
    ("pushrod", "solid roller"),
    ("pushrod", "hydraulic flat"),
    ("finger follower", "solid flat"),
    ("bucket", "solid flat"),
]


def test_every_check_is_asked_by_everything():
    assert set(every_check()) <= EVERY


@pytest.mark.parametrize(("gear", "lifter"), GEARS)
def test_what_is_asked_and_not_begun_is_unproven_and_not_silent(gear, lifter):
    book = Bench(lifter=lifter).book
    book = replace(book, engine=replace(book.engine, gear=gear, job=Job(EVERYTHING)))
    found = {one.check.name for one in examine(book).findings}
    silent = {name for name in every_check() if belongs(book.engine, name) and name not in found}
    assert silent <= WHERE_A_PART_OR_A_FIGURE_ASKS


SQUARE = Check("squareness", "Squareness", "heights", "length", "How far an end stands off square.")


def _squareness(book: Book):
    return on_valves(book, SQUARE, everywhere(book, "installed_height"), {})


def test_a_check_that_no_list_names_is_shown_under_everything(monkeypatch):
    monkeypatch.setattr(by_family, "_FAMILIES", (*by_family._FAMILIES, _squareness))
    bench = Bench()
    for name in bench.names:
        bench.height(name, 45.0)
    book = replace(bench.book, engine=replace(bench.engine, job=Job(EVERYTHING)))
    assert len([one for one in examine(book).findings if one.check is SQUARE]) == len(bench.names)
    for job in (Job("spring change"), Job(EVERYTHING, less=("squareness",))):
        left = replace(book, engine=replace(book.engine, job=job))
        assert not [one for one in examine(left).findings if one.check is SQUARE]


@pytest.mark.parametrize("name", ["eight", "four", "seasons", "pushrods", "leaning"])
def test_a_check_reads_nothing_that_its_list_does_not_name(name, monkeypatch):
    """The same with every list taken away: a quantity or a slot missing from one would show as another finding."""
    own = {"pushrods": pushrods, "leaning": leaning}
    book = own[name]().book if name in own else demonstration(name)
    with simulated_by_nobody():
        forget_all()
        listed = [
            (one.check.name, one.place, one.figure, one.expanded, one.verdict, one.remark)
            for one in examine(book).findings
        ]
        for module in [
            one for key, one in sys.modules.items() if key.startswith("honest_lift") and hasattr(one, "narrowed")
        ]:
            monkeypatch.setattr(module, "narrowed", lambda whole, *a, **k: whole)
        forget_all()
        whole = [
            (one.check.name, one.place, one.figure, one.expanded, one.verdict, one.remark)
            for one in examine(book).findings
        ]
        forget_all()
    assert [str(one) for one in listed] == [str(one) for one in whole]


SEEN_AT = {"position": at_position("1e"), "spring": of_spring("1"), "engine": ENGINE}
NOT_RIGHT = [
    (row.name, one.key) for row in CATALOG.values() for one in row.choices
    if row.ways and row.places[0] in SEEN_AT and one.verdict in (Verdict.FAILS, Verdict.CLOSE)
] + [("half_lift_seen", "below"), ("half_lift_seen", "above"), ("spring_condition", "suspect")]  # fmt: skip


@pytest.mark.parametrize("preset", [*PRESETS])
def test_what_a_person_saw_and_is_not_right_counts_under_every_job(preset):
    sound = Bench().complete().do(Describe({"job": Job(preset)}, "job"))
    silent = []
    for quantity, word in NOT_RIGHT:
        place = SEEN_AT[CATALOG[quantity].places[0]]
        book = sound.book
        seen_there = replace(book, journal=(*book.journal, seen(book, quantity, place, word)))
        if not [one for one in examine(seen_there).findings if one.word == word and one.verdict is not Verdict.PASSES]:
            silent.append(f"{quantity} {word}")
    assert not silent


@pytest.mark.parametrize(
    ("gear", "mount", "never"),
    [("finger follower", "stud", ("pushrod", "lifter", "stud lean")), ("pushrod", "shaft", ("finger", "pushrod length")),
     ("pushrod", "stud", ("finger", "pivot_up"))],
)  # fmt: skip
def test_no_gear_is_asked_for_dimensions_of_another(gear, mount, never):
    made = Bench().do(Describe({"gear": gear, "rocker_mount": mount, "job": Job("everything")}, "gear"))
    asked = {one.quantity for found in examine(made.book).findings if found.check.name in ("half_lift", "true_ratio")
             for one in found.inputs}  # fmt: skip
    assert asked
    assert not [one for one in asked for word in never if word.replace(" ", "_") in one]
