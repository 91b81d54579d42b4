"""Only a calibration that stood when a reading was taken makes it one of a tool in date. Common practice, no source."""

import pytest
from msgspec.structs import replace

from engines import GAUGE, Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.estimates.resolve import resolve
from honest_lift.facts import edits
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.history import History
from honest_lift.facts.place import at_position
from honest_lift.facts.wheel_table import WheelTable
from honest_lift.numbers.verdict import Verdict

DUE = replace(GAUGE, calibrated="2026-01-10", due_days=90)


@pytest.fixture
def on(monkeypatch):
    """Turn the calendar to a day."""
    return lambda day: monkeypatch.setattr(edits, "now", lambda: f"{day}T09:00:00Z")


def verdicts(bench) -> set[Verdict]:
    seen = examine(bench.book)
    return {seen.finding("installed_height", name).verdict for name in bench.names}


def read(on, day, tool=DUE) -> Bench:
    on("2026-01-01")
    bench = Bench().state("target_height", 45.0).do(Put("tools", tool))
    on(day)
    for name in bench.names:
        bench.height(name, 45.0)
    return bench


def test_a_calibration_made_afterwards_heals_no_reading_that_was_overdue(on):
    bench = read(on, "2026-06-01")
    assert verdicts(bench) == {Verdict.UNPROVEN}
    bench.do(Put("tools", replace(bench.engine.tool("gauge"), calibrated="2026-06-02")))
    assert verdicts(bench) == {Verdict.UNPROVEN}
    on("2026-06-03")
    for name in bench.names:
        bench.height(name, 45.0)
    assert verdicts(bench) == {Verdict.PASSES}


def test_a_reading_taken_in_date_stays_so_when_the_tool_is_calibrated_again(on):
    bench = read(on, "2026-02-01")
    assert verdicts(bench) == {Verdict.PASSES}
    for day in ("2026-06-02", "2026-09-01"):
        bench.do(Put("tools", replace(bench.engine.tool("gauge"), calibrated=day)))
        assert verdicts(bench) == {Verdict.PASSES}
    assert bench.engine.tool("gauge").proven == ("2026-01-10", "2026-06-02")


def test_a_reading_before_the_first_calibration_that_is_stated_proves_nothing(on):
    bench = read(on, "2026-01-05")
    assert verdicts(bench) == {Verdict.UNPROVEN}
    note = examine(bench.book).finding("installed_height", "1i").inputs[0].note
    assert "it was calibrated on 2026-01-10, after this reading" in note


def test_a_tool_that_is_never_due_needs_no_calibration_at_all(on):
    assert verdicts(read(on, "2026-01-05", replace(DUE, due_days=None))) == {Verdict.PASSES}


def test_a_finer_card_counts_from_now_on_unless_it_always_was_so():
    made = Bench()
    made.height("1e", 45.0)
    before = resolve(made.book, "installed_height", at_position("1e"))
    finer = replace(GAUGE, accuracy=0.001, repeatability=0.001)
    made.do(Put("tools", finer))
    assert resolve(made.book, "installed_height", at_position("1e")).u == before.u
    made.history.undo()
    made.do(Put("tools", finer, "corrected"))
    assert resolve(made.book, "installed_height", at_position("1e")).u < before.u


def test_a_coarser_card_counts_for_what_was_read_before_too():
    made = Bench()
    made.height("1e", 45.0)
    before = resolve(made.book, "installed_height", at_position("1e"))
    made.do(Put("tools", replace(GAUGE, accuracy=0.2)))
    assert resolve(made.book, "installed_height", at_position("1e")).u > 5.0 * before.u


def test_a_reading_keeps_the_tool_it_was_taken_with_when_the_default_becomes_another():
    made = Bench()
    made.height("1e", 45.0)
    before = resolve(made.book, "installed_height", at_position("1e"))
    made.do(Put("tools", replace(GAUGE, id="finest", name="finest", accuracy=0.0001, repeatability=0.0001)))
    defaults = {**made.engine.default_tools, "installed_height/height_micrometer": "finest"}
    made.do(Describe({"default_tools": defaults}, "another default"))
    after = resolve(made.book, "installed_height", at_position("1e"))
    assert (after.tool, after.u) == (before.tool, before.u)
    made.height("1i", 45.0)
    assert resolve(made.book, "installed_height", at_position("1i")).u < before.u / 5.0


def test_a_finer_dial_or_wheel_judges_no_earlier_table():
    book = demo()
    tables = [one for one in book.journal if isinstance(one, WheelTable)]
    for name in {tables[0].tool, tables[0].wheel}:
        tool = book.engine.tool(name)
        history = History(book)
        history.do(Put("tools", replace(tool, repeatability=(tool.repeatability or 0.0) / 100.0)))
        finer = history.book.engine
        assert finer.tool_as_read(name, tables[0].when).repeatability == tool.repeatability
        assert finer.tool_as_read(name, "2999-01-01T00:00:00Z").repeatability < tool.repeatability
        assert figures(history.book) == figures(book)


def figures(book) -> list:
    """What is made of the wheel's tables."""
    return [
        (one.check.name, one.position, f"{one.figure:.6f}", f"{one.expanded:.6f}") for one in examine(book).findings
    ]
