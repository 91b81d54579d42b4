"""What is remembered between examinations is what would be found from nothing."""

import re
from contextlib import suppress

import pytest
from hypothesis import Phase, given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import GAUGE, Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Describe, EditError, Fit, MoveReading, Put, StrikeOut, fit_springs, fitment
from honest_lift.facts.engine import Book
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import by_place, replayed, standing
from honest_lift.facts.limits import Limit
from honest_lift.facts.memory import remember
from honest_lift.facts.place import at_position, of_spring
from honest_lift.plans.trial import tried_on
from trials import DEMO, changes

VALVE, AMOUNT = st.sampled_from(["1e", "1i", "2e", "2i"]), st.floats(0.0, 0.4).map(lambda x: round(x, 3))
EDITS = ["height", "repeat", "lash", "lift", "load", "bind", "ratio", "tool", "seat", "shims", "strike", "move", "swap",
         "limit", "undo", "redo"]  # fmt: skip


def told(book: Book) -> list:
    """Give all findings as plain values; the figures they are taken from may lie in another batch."""
    found = examine(book).findings
    kept = [name for name in found[0].__struct_fields__ if name not in ("source", "case")]
    return [re.sub(r"-?\d+\.\d+(e[+-]\d+)?", _nine_digits, repr([*(getattr(one, k) for k in kept), one.shares()]))
            for one in found]  # fmt: skip


def _nine_digits(number: re.Match[str]) -> str:
    """Round a figure: a batch of another size may differ in the last bit."""
    value = float(number[0])
    return f"{value:.9g}" if abs(value) > 1e-9 else "0"


def apply(bench: Bench, kind: str, valve: str, x: float) -> None:
    place, engine, history = at_position(valve), bench.engine, bench.history
    last = next(one for one in reversed(bench.book.journal) if isinstance(one, Reading))
    spring = engine.spring_at(valve) or "1"
    {
        "height": lambda: bench.height(valve, 45.0 + x),
        "repeat": lambda: bench.height(valve, 45.0 + x, repeat=True),
        "lash": lambda: bench.read("lash", place, 0.3 + x, "feeler", "gauge"),
        "lift": lambda: bench.read("valve_lift", place, 9.0 + x, "indicator", "gauge"),
        "load": lambda: bench.read(
            "spring_load", of_spring(spring), 722.0 + 20 * x, "tester", "tester", at={"test_height": 45.0}
        ),
        "bind": lambda: bench.read("bind_height", of_spring(spring), 32.0 + x, "tester"),
        "ratio": lambda: bench.state("rocker_ratio", 1.5 + x),
        "tool": lambda: bench.do(Put("tools", replace(GAUGE, accuracy=0.01 + x))),
        "seat": lambda: bench.do(Fit((fitment(engine, "seat", valve),), "cut")),
        "shims": lambda: bench.shims(valve, 0.4 + x),
        "strike": lambda: bench.do(StrikeOut(last.id)),
        "move": lambda: bench.do(MoveReading(last.id, place)) if last.place.kind == "position" else None,
        "swap": lambda: bench.do(fit_springs(engine, {"1e": engine.spring_at("2i"), "2i": engine.spring_at("1e")}, "swap")),
        "limit": lambda: bench.do(Put("limits", Limit("seat", "seat_load", 600.0 + 100 * x, 900.0, origin="cam card"))),
        "undo": history.undo,
        "redo": history.redo,
    }[kind]()  # fmt: skip


@settings(max_examples=16)
@given(st.lists(st.tuples(st.sampled_from(EDITS), VALVE, AMOUNT), min_size=1, max_size=12))
def test_edit_by_edit_is_the_same_as_from_nothing(edits):
    bench = Bench().complete()
    for kind, valve, x in edits:
        apply(bench, kind, valve, x)
        step_by_step = told(bench.book)
        assert standing(bench.book.journal) == replayed(bench.book.journal).standings
        assert by_place(bench.book.journal) == replayed(bench.book.journal).by_place
    remember.forget_all()
    assert told(bench.book) == step_by_step


@settings(
    max_examples=6, phases=(Phase.explicit, Phase.reuse, Phase.generate)
)  # a second each: shrinking would take minutes
@given(st.lists(st.lists(changes(), min_size=1, max_size=2), min_size=1, max_size=5))
def test_trial_after_trial_finds_what_would_be_found_from_nothing(trials):
    book, one_by_one = DEMO, told(DEMO)
    for tried in trials:
        with suppress(EditError):
            book = tried_on(DEMO, tried)
            one_by_one = told(book)
    remember.forget_all()
    assert told(book) == one_by_one


def test_no_sequence_of_edits_undo_and_redo_loses_a_reading():
    """Beside the random ones above: every reading ever made is in the journal, whatever became of it."""
    bench = Bench()
    made = set()
    for i in range(30):
        bench.height("1e", 45.0 + i / 100)
        made.add(bench.book.journal[-1].id)
        for _ in range(i % 3):
            bench.history.undo()
        bench.history.redo()
    assert made <= {one.reading.id for one in standing(bench.book.journal)}


@pytest.mark.parametrize("dimension", ["stress", "length", "load"])
def test_words_follow_the_units_they_are_told_in(dimension):
    bench = Bench().complete()
    for valve in bench.names:
        for quantity, value in (("seat_width", 1.2), ("head_diameter", 40.0)):
            bench.read(quantity, at_position(valve), value, "caliper", "solid")
    before = told(bench.book)
    unit = {"stress": "MPa", "length": "mm", "load": "N"}[dimension]
    bench.do(Describe({"units": {**bench.engine.units, dimension: unit}}, "units"))
    after = told(bench.book)
    remember.forget_all()
    assert told(bench.book) == after
    assert dimension != "stress" or before != after
