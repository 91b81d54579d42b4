"""Valves with numbers: what was read of a valve goes with it, what was read of valve and seat waits for it at the seat."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.edits import EditError, Fit, fitment
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.place import at_position
from honest_lift.facts.valve_edits import NumberValves, PutValves, exchange_valves, of_the_valve_alone
from honest_lift.facts.which_valve import place_of_valve, tried_at, valve_at
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.head.valve_candidates import candidates

TIPS = {"1e": 50.0, "1i": 50.1, "2i": 50.2, "2e": 50.3}


def numbered() -> Bench:
    made = Bench()
    for i, (name, tip) in enumerate(TIPS.items()):
        made.read("valve_margin", at_position(name), 1.5 + i / 10, "caliper", "solid")
        made.read("stem_tip_height", at_position(name), tip, "caliper", "solid")
    return made.do(NumberValves({"1e": "1", "1i": "2", "2i": "3", "2e": "4"}))


def told(made: Bench, quantity: str, position: str):
    return at_valve(made.book, quantity, position)


def test_a_number_changes_nothing():
    for quantity in ("valve_margin", "stem_tip_height"):
        assert not any(told(numbered(), quantity, name).ground & Ground.STALE for name in TIPS)
    book = demo()
    before = [(f.check.name, f.place, f.figure, f.verdict) for f in examine(book).findings]
    engine, entries = NumberValves({one.id: one.id for one in book.engine.layout.positions}).apply(book)
    after = [(f.check.name, f.place, f.figure, f.verdict) for f in examine(replace(book, engine=engine)).findings]
    assert entries == ()
    assert repr(after) == repr(before)


def test_exchanged_valves_take_their_own_along_and_leave_what_was_read_with_the_seat():
    made = numbered()
    made.do(exchange_valves(made.engine, "1i", "2i"))
    assert (valve_at(made.engine.fitments, "1i"), valve_at(made.engine.fitments, "2i")) == ("3", "2")
    assert [told(made, "valve_margin", name).value for name in ("1i", "2i")] == pytest.approx([1.7, 1.6])
    assert not any(told(made, "valve_margin", name).ground & Ground.STALE for name in TIPS)
    assert [bool(told(made, "stem_tip_height", name).ground & Ground.STALE) for name in TIPS] == [
        False,
        True,
        True,
        False,
    ]
    made.do(exchange_valves(made.engine, "1i", "2i"))
    assert [told(made, "stem_tip_height", name).value for name in ("1i", "2i")] == pytest.approx([50.1, 50.2])
    assert not any(told(made, "stem_tip_height", name).ground & Ground.STALE for name in TIPS), (
        "each is back in its seat"
    )
    assert [told(made, "valve_margin", name).value for name in ("1i", "2i")] == pytest.approx([1.6, 1.7])


def test_an_exchange_is_one_step_and_undone_as_one():
    made = numbered()
    before = made.book.engine
    made.do(exchange_valves(made.engine, "1i", "2i"))
    made.history.undo()
    assert made.book.engine == before
    assert told(made, "valve_margin", "1i").value == pytest.approx(1.6)
    made.history.redo()
    assert told(made, "valve_margin", "1i").value == pytest.approx(1.7)
    again = decode_book(encode_book(made.book), "again")
    assert at_valve(again, "valve_margin", "1i").value == pytest.approx(1.7)


def test_a_valve_that_was_worked_on_is_another_valve_to_what_was_read():
    for work in (lambda made: fitment(made.engine, "valve", "1i", note="faced"),
                 lambda made: fitment(made.engine, "valve", "1i", part="", note="another valve")):  # fmt: skip
        made = numbered()
        made.do(Fit((work(made),), "worked on"))
        assert told(made, "valve_margin", "1i").ground & Ground.STALE
        if not valve_at(made.engine.fitments, "1i"):
            made.do(NumberValves({"1i": "2"}))
        made.do(exchange_valves(made.engine, "1i", "2i")).do(exchange_valves(made.engine, "1i", "2i"))
        for quantity in ("valve_margin", "stem_tip_height"):
            assert told(made, quantity, "1i").ground & Ground.STALE, "going round the engine makes nothing fresh"


def test_candidates_are_tried_in_one_seat_and_each_keeps_what_was_read_of_it():
    made = numbered()
    for number, tip, margin in (("A", 50.6, 1.9), ("B", 50.21, 1.2)):
        made.do(PutValves({"2i": number}))
        assert told(made, "stem_tip_height", "2i").ground & Ground.STALE
        made.read("stem_tip_height", at_position("2i"), tip, "caliper", "solid")
        made.read("valve_margin", at_position("2i"), margin, "caliper", "solid")
    assert tried_at(made.engine.fitments, "2i") == ("3", "A", "B")
    found = {one.number: one for one in candidates(made.book, "2i")}
    assert {n: (one.tip_mm, one.margin_mm) for n, one in found.items()} == {
        "3": (50.2, pytest.approx(1.7)), "A": (50.6, 1.9), "B": (50.21, 1.2),
    }  # fmt: skip
    assert found["A"].off_neighbours_mm == pytest.approx((50.6 - 50.1) / 2)
    assert found["A"].verdicts["tip_level"] is Verdict.FAILS
    assert found["B"].verdicts["tip_level"] is Verdict.PASSES
    assert [one.number for one in candidates(made.book, "2i")] == ["3", "B", "A"], "the nearest tip first"
    assert {n: one.sits_at for n, one in found.items()} == {"3": "", "A": "", "B": "2i"}
    made.do(PutValves({"2i": "A"}))
    assert (told(made, "stem_tip_height", "2i").value, told(made, "valve_margin", "2i").value) == (50.6, 1.9)
    assert not told(made, "stem_tip_height", "2i").ground & Ground.STALE
    made.do(Fit((fitment(made.engine, "seat", "2i"),), "seat cut"))
    cut = {one.number: one for one in candidates(made.book, "2i")}
    assert cut["B"].verdicts["tip_level"] is Verdict.UNPROVEN, "the seat is another now"
    assert cut["B"].margin_mm == 1.2
    made.do(PutValves({"1i": "B"}))
    assert told(made, "valve_margin", "1i").value == 1.2, "a spare takes what was read of it to another seat"
    assert told(made, "stem_tip_height", "1i").ground & Ground.STALE


def test_what_can_not_be_is_refused_with_what_would_be_right():
    made = numbered()
    for edit, words in ((NumberValves({"1i": "4"}), "at two places"), (NumberValves({"1i": " "}), "as in 7 or A2"),
                        (NumberValves({"1i": "9", "2i": "9"}), "at two places"),
                        (PutValves({"1i": "1"}), "is an exhaust valve"),
                        (PutValves({"1i": "x" * 30}), "as in 7 or A2")):  # fmt: skip
        with pytest.raises(EditError, match=words):
            made.do(edit)
    with pytest.raises(EditError, match="number the valves first"):
        exchange_valves(Bench().engine, "1i", "2i")


def test_only_what_rests_on_the_valve_alone_goes_along():
    assert all(of_the_valve_alone(name, way) for name, way in (
        ("valve_margin", "caliper"), ("head_diameter", "caliper"), ("stem_diameter", "micrometer"), ("valve_mass", "scale"),
    ))  # fmt: skip
    assert not any(of_the_valve_alone(name, way) for name, way in (
        ("stem_tip_height", "caliper"), ("guide_clearance", "bore_gauge"), ("seat_contact", "blue"), ("heads_over", "caliper"),
    ))  # fmt: skip


MOVES = st.lists(st.tuples(st.sampled_from(["1i", "2i"]), st.sampled_from(["2", "3", "A"])), max_size=6)


@settings(max_examples=60, deadline=None)
@given(MOVES)
def test_wherever_valves_go_each_has_its_own_margin_and_sits_in_one_place(moves):
    made, own = numbered(), {"2": 1.6, "3": 1.7}
    for at, number in moves:
        made.do(PutValves({at: number}))
        if number == "A" and "A" not in own:
            made.read("valve_margin", at_position(at), 1.9, "caliper", "solid")
            own["A"] = 1.9
    for name in ("1i", "2i"):
        number, one = valve_at(made.engine.fitments, name), told(made, "valve_margin", name)
        if number:
            assert (one.value, place_of_valve(made.engine.fitments, number)) == (pytest.approx(own[number]), name)
            assert not one.ground & Ground.STALE
        else:
            assert one.ground & (Ground.STALE | Ground.MISSING)
