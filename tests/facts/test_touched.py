"""What differs between two engines, as far as what stands for a quantity goes: told too much it costs time, too little it lies."""

from functools import partial

import pytest
from msgspec.structs import replace

from engines import GAUGE, Bench
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.edits import Describe, Fit, MoveReading, NoteReading, Put, StrikeOut, fitment
from honest_lift.facts.fitments import CONSULTED
from honest_lift.facts.journal import StruckOut
from honest_lift.facts.memory import remember
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.memory.narrowed import narrowed, whole_for
from honest_lift.facts.memory.touched import touched
from honest_lift.facts.place import at_position
from honest_lift.facts.wheel_table import WheelTable


@pytest.fixture
def bench():
    return Bench().complete()


def spared(differs, *names):
    return [differs.spares(name) for name in names]


def test_a_reading_touches_its_own_quantity_and_no_other(bench):
    before = bench.book
    differs = touched(before, bench.height("1i", 45.3).book)
    assert spared(differs, "installed_height", "lash", "spring_load") == [False, True, True]
    assert touched(bench.book, before).quantities == {"installed_height"}, "both ways alike"


def test_a_reading_struck_out_moved_or_noted_touches_its_quantity(bench):
    own = bench.entries[0]
    for edit in (StrikeOut(own.id, "knocked"), MoveReading(own.id, at_position("1i")), NoteReading(own.id, "burr")):
        before = bench.book
        after = bench.do(edit).book
        assert touched(before, after).quantities == {own.quantity}
        bench.history.undo()
        assert touched(after, bench.book).quantities == {own.quantity}, "and so does taking it back"


def test_a_wheel_table_may_touch_anything(bench):
    place = at_position("1i")
    table = WheelTable("t", "", "", place, "valve", (0.0, 1.0, 2.0, 3.0, 4.0), (0.0, 1.0, 2.0, 1.0, 0.0))
    after = replace(bench.book, journal=(*bench.entries, table))
    assert touched(bench.book, after) is None
    assert touched(after, replace(after, journal=(*after.journal, StruckOut("s", "", "", "t")))) is None


def test_a_book_narrowed_stays_the_same_until_something_is_entered_about_it(bench):
    def cut():
        return narrowed(bench.book, frozenset({"installed_height"}), frozenset()).journal

    before = cut()
    own = next(one for one in bench.entries if one.quantity == "installed_height")
    other = next(one for one in bench.entries if one.quantity != "installed_height")
    bench.do(StrikeOut(other.id, "knocked"))
    assert cut() is before
    bench.do(StrikeOut(own.id, "knocked"))
    assert cut() == (*before, bench.entries[-1])
    table = WheelTable("t", "", "", at_position("1i"), "valve", (0.0,) * 5, (0.0,) * 5)
    bench.history.book = replace(bench.book, journal=(*bench.entries, table))
    assert cut()[-1] is table, "a lobe speaks to many"


def test_what_is_spoken_of_before_it_comes_is_not_left_out(bench):
    book = replace(bench.book, journal=(StruckOut("s", "", "", bench.entries[0].id),))
    asked = frozenset({"installed_height"})
    other = [one for one in bench.entries if one.quantity == "installed_height"][1]
    narrowed(replace(book, journal=(other,)), asked, frozenset())
    book = replace(book, journal=(other, *book.journal))
    assert narrowed(book, asked, frozenset()).journal == book.journal[:1]
    whole = replace(book, journal=(*book.journal, bench.entries[0]))
    assert narrowed(whole, asked, frozenset()).journal == whole.journal, "also where it was gone on from another"
    book = replace(book, journal=(StruckOut("s", "", "", bench.entries[0].id),))
    assert narrowed(book, asked, frozenset()).journal == ()
    whole = replace(book, journal=(*book.journal, bench.entries[0]))
    assert narrowed(whole, asked, frozenset()).journal == whole.journal


def test_what_was_stated_otherwise_touches_its_quantity_wherever_it_stands(bench):
    before = bench.book
    differs = touched(before, bench.state("rocker_ratio", 1.7).book)
    assert differs.quantities == {"rocker_ratio"}
    assert spared(differs, "rocker_ratio", "lobe_lift") == [False, True]


def test_what_was_fitted_touches_all_that_rests_on_its_slot(bench):
    before = bench.book
    differs = touched(before, bench.do(Fit((fitment(bench.engine, "seat", "1i"),), "cut")).book)
    assert differs.slots == {"seat"}
    for name in CATALOG:
        assert differs.spares(name) == ("seat" not in slots_of((name,)))


def test_a_known_change_lets_readings_follow_what_tells_by_how_much(bench):
    """Once something was changed by a known amount, what it moved is told anew when the lean or the ratio it moves by changes."""
    bench.do(Fit((fitment(bench.engine, "seat", "1i", change="seat_sunk", amount=0.2),), "sunk"))
    before = bench.book
    differs = touched(before, bench.state("valve_lean", 12.0).book)
    assert differs.moved == {"seat"}
    assert "valve_lean" in CONSULTED
    assert spared(differs, "installed_height", "spring_load") == [False, True]


@pytest.mark.parametrize(
    "edit",
    [
        lambda bench: Put("tools", replace(GAUGE, accuracy=0.5)),
        lambda bench: Describe({"lifter": "hydraulic roller"}, "lifters"),
    ],
    ids=["another tool", "other lifters"],
)
def test_where_anything_may_differ_nothing_is_said(bench, edit):
    before = bench.book
    assert touched(before, bench.do(edit(bench)).book) is None


def test_what_is_only_for_people_touches_nothing(bench):
    before = bench.book
    differs = touched(before, bench.do(Describe({"name": "another", "note": "words"}, "name")).book)
    assert all(map(differs.spares, CATALOG))


def test_what_was_worked_out_is_carried_to_the_next_book_and_to_all_it_is_narrowed_to(bench):
    remember.forget_all()
    worked = []

    def work(name):
        worked.append(name)
        return len(worked)

    def ask(book, *names):
        return recalled(book, names, "here", partial(work, names[0]))

    first = [ask(bench.book, name) for name in ("lash", "installed_height")]
    bench.height("1i", 45.3)
    assert [ask(bench.book, name) for name in ("lash", "installed_height")] == [first[0], 3]
    cut = narrowed(bench.book, frozenset({"lash"}), slots_of(("lash",)))
    assert ask(cut, "lash") == first[0]
    assert whole_for(cut, ("lash",)) is bench.book
    assert whole_for(cut, ("lash", "installed_height")) is cut, "narrowed without heights it can't speak for them"
    assert ask(bench.book, "lash", "installed_height") == 4
    bench.height("1e", 45.2)
    assert ask(bench.book, "lash", "installed_height") == 5, "of two together, either is enough"
    assert worked == ["lash", "installed_height", "installed_height", "lash", "lash"]


def test_narrowed_without_a_slot_it_rests_on_a_quantity_is_asked_for_apart(bench):
    cut = narrowed(bench.book, frozenset({"installed_height"}), frozenset())
    assert slots_of(("installed_height",))
    assert whole_for(cut, ("installed_height",)) is cut
