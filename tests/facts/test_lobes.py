"""Wheel tables in the journal, judged, replaced, struck out and set aside; and the card as it is written."""

import msgspec
import pytest

from engines import Bench, demo, seen
from honest_lift.checks.examine import examine
from honest_lift.facts import card_text
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Confirm, Describe, Drop, EditError
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.ledger import tables
from honest_lift.facts.lobe_edits import JudgeRows, StrikeTable, TakeTables, table_of
from honest_lift.facts.place import at_position, at_role
from honest_lift.facts.wheel_table import tdc_on_wheel
from honest_lift.numbers.entry import EntryError

ROWS = [(float(a), max(0.0, 8.0 - (a - 100) ** 2 / 500)) for a in range(-20, 221, 10)]


def taken(bench, place=None, rows=None, **more):
    table = table_of(bench.book, place or at_position("1i"), "lifter", rows or ROWS, unit="mm", **more)
    bench.do(TakeTables((table,)))
    return table


def standing(bench):
    return [one.table.id for one in tables(bench.book.journal)]


def test_a_table_knows_what_of_the_mock_up_was_in():
    bench = Bench().do(Describe({"mock_up": ("checking springs", "solid lifter")}, "mock-up"))
    assert taken(bench, note="second try").note == "mock-up: checking springs, solid lifter; second try"


def test_a_later_table_replaces_the_one_at_its_place_and_undo_brings_it_back():
    bench = Bench()
    first, other = taken(bench), taken(bench, at_role("intake"))
    second = taken(bench)
    assert standing(bench) == [other.id, second.id]
    bench.history.undo()
    assert standing(bench) == [first.id, other.id]
    bench.history.redo()
    assert standing(bench) == [other.id, second.id]
    bench.do(StrikeTable(second.id, "wheel slipped"))
    assert standing(bench) == [first.id, other.id], "struck out, it no longer replaces"
    with pytest.raises(EditError, match="no longer in this engine"):
        bench.do(StrikeTable(second.id))


def test_rows_are_judged_by_entries_of_their_own_and_nothing_is_lost():
    bench = Bench()
    table = taken(bench)
    bench.do(JudgeRows(table.id, (3,), (5,)))
    found = tables(bench.book.journal)[0]
    assert (found.left_out, found.kept) == ({3}, {5})
    assert found.table.lift_mm == tuple(lift for _, lift in ROWS)
    bench.history.undo()
    assert tables(bench.book.journal)[0].left_out == frozenset()
    again = decode_book(encode_book(bench.book), "again")
    assert tables(again.journal) == tables(bench.book.journal)


def test_a_tool_that_a_table_was_read_with_stays_in_the_drawer():
    bench = Bench()
    taken(bench, tool="solid")
    with pytest.raises(EditError, match="readings were taken with it"):
        bench.do(Drop("tools", "solid"))


@pytest.mark.parametrize(
    ("field", "value", "why"),
    [
        ("lift_mm", [1.0] * 24, "25 angles and 24 lifts"), ("lift_mm", [1e9] + [0.0] * 24, "makes no sense"),
        ("crank_deg", [1e5] + [0.0] * 24, "makes no sense"), ("stops_deg", [0.0, 1e4], "makes no sense"),
        ("place", {"kind": "spring", "name": "1"}, "of a valve"),
        ("place", {"kind": "position", "name": "x9"}, "no valve position"),
    ],
)  # fmt: skip
def test_a_senseless_table_is_set_aside_whole_and_named(field, value, why):
    bench = Bench()
    taken(bench)
    raw = msgspec.json.decode(encode_book(bench.book))
    next(one for one in raw["journal"] if one["entry"] == "wheel_table")[field] = value
    book = decode_book(msgspec.json.encode(raw), "odd")
    assert tables(book.journal) == ()
    assert [why in one.why for one in book.set_aside] == [True]


@pytest.mark.parametrize(("field", "value"), [("lift_mm", 1e6), ("crank_deg", -1e6)])
def test_a_senseless_duration_goes_whole_and_the_card_is_read_by_the_others(field, value):
    raw = msgspec.json.decode(encode_book(demo()))
    lobe = raw["engine"]["lobes"][0]
    before, lobe["durations"][0][field] = len(lobe["durations"]), value
    book = decode_book(msgspec.json.encode(raw), "odd")
    assert len(book.engine.lobes[0].durations) == before - 1
    assert [one.field for one in book.set_aside] == [field]
    assert examine(book).findings


def test_a_table_read_at_one_valve_speaks_of_no_role():
    raw = msgspec.json.decode(encode_book(demo()))
    table = next(one for one in raw["journal"] if one["entry"] == "wheel_table")
    table |= {"read_at": "valve", "place": {"kind": "role", "name": "intake"}}
    assert "speaks of no other" in decode_book(msgspec.json.encode(raw), "odd").set_aside[0].why


def test_tdc_lies_halfway_between_the_stops():
    assert tdc_on_wheel((-28.0, 31.0)) == tdc_on_wheel((31.0, -28.0)) == tdc_on_wheel((332.0, 391.0)) == 1.5


@pytest.mark.parametrize(
    ("role", "text", "events", "written"),
    [
        ("intake", "12 BTDC, 48 ABDC at .050", (-12, 228), "12 BTDC, 48 ABDC at 0.050"),
        ("intake", "4 ATDC / 30 ABDC at 1 mm", (4, 210), "4 ATDC, 30 ABDC at 0.039"),
        ("exhaust", "60 BBDC, 20 ATDC at .050", (-240, 20), "60 BBDC, 20 ATDC at 0.050"),
        ("exhaust", "30 BBDC, 5 BTDC at .050", (-210, -5), "30 BBDC, 5 BTDC at 0.050"),
    ],
)
def test_events_are_read_and_written_as_cards_print_them(role, text, events, written):
    lobe = card_text.read_events(CamLobe(role), text, "in")
    assert (lobe.opens_deg, lobe.closes_deg) == events
    assert card_text.events_text(lobe, "in") == written
    assert card_text.read_events(lobe, "", "in") == CamLobe(role)


def test_the_other_ways_of_quoting_a_lobe_read_back_as_written():
    lobe = card_text.read_gross(CamLobe("intake"), ".530 at 1.5", "in")
    assert lobe.gross_lobe_mm == pytest.approx(0.530 * 25.4 / 1.5)
    assert card_text.gross_text(lobe, "in") == "0.530 at 1.5"
    at_valve = card_text.read_tdc_lift(lobe, ".120 valve", "in")
    assert (at_valve.tdc_lift_mm, at_valve.tdc_read_at) == (pytest.approx(3.048), "valve")
    assert card_text.tdc_lift_text(at_valve, "in") == "0.120 valve"
    assert card_text.tdc_lift_text(card_text.read_tdc_lift(lobe, "2.1", "mm"), "mm") == "2.10"


@pytest.mark.parametrize(
    "text", ["12 BTDC", "12, 48", "48 ABDC, 12 BTDC at .050", "x, y at .050", "12 BTDC, 48 ABDC at"]
)
def test_events_that_say_too_little_or_run_backwards_are_refused(text):
    with pytest.raises(EntryError):
        card_text.read_events(CamLobe("intake"), text, "in")


@pytest.mark.parametrize(("odd", "word"), [(0, "passes"), (-1, "unproven")])
def test_what_was_seen_later_stands_in_for_what_was_set_aside_and_nothing_earlier_does(odd, word):
    """The later look replaced the earlier one: when it is gone, the earlier says nothing of now."""
    bench = Bench().complete()
    bench.do(Confirm((seen(bench.book, "leak_test", at_position("1e"), "dry"),)))
    raw = msgspec.json.decode(encode_book(bench.book))
    readings = [one for one in raw["journal"] if one.get("quantity") == "leak_test" and one["place"]["name"] == "1e"]
    assert len(readings) > 1
    readings[0]["when"] = "2026-01-05T10:00:00Z"
    readings[odd]["value"] = 1e9
    book = decode_book(msgspec.json.encode(raw), "odd")
    assert len(book.set_aside) == 1
    assert examine(book).finding("leak_test", "1e").verdict.word == word
