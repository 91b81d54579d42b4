"""The journal and the history: no path of edits, undo and redo loses a reading."""

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench
from honest_lift.facts.edits import EditError, MoveReading, NoteReading, StrikeOut, fit_springs, readings_at
from honest_lift.facts.engine import Book
from honest_lift.facts.history import History
from honest_lift.facts.journal import Moved, Noted, Reading, StruckOut, Withdrawn
from honest_lift.facts.journal_index import index_of
from honest_lift.facts.ledger import ledger_of, replayed, standing
from honest_lift.facts.memory import remember
from honest_lift.facts.place import at_position, of_spring

HERE, THERE = at_position("1e"), at_position("1i")


def fates(bench, place=HERE):
    return [(one.reading.value, one.fate) for one in readings_at(bench.book, "installed_height", place)]


def test_a_later_reading_replaces_and_a_repeat_joins():
    bench = Bench().height("1e", 45.0).height("1e", 45.2)
    assert fates(bench) == [(45.0, "replaced by a later reading"), (45.2, "")]
    bench.height("1e", 45.3, repeat=True)
    assert [fate for _, fate in fates(bench)] == ["replaced by a later reading", "", ""]


def test_striking_out_the_replacement_brings_the_first_back():
    bench = Bench().height("1e", 45.0).height("1e", 45.2)
    bench.do(StrikeOut(bench.entries[-1].id, "misread"))
    assert fates(bench) == [(45.0, ""), (45.2, "misread")]


def test_a_reading_typed_at_the_wrong_valve_is_moved():
    bench = Bench().height("1e", 45.0).height("1i", 44.0).height("1e", 46.0)
    bench.do(MoveReading(bench.entries[-1].id, THERE))
    assert fates(bench) == [(45.0, "")], "what it had replaced stands again"
    assert fates(bench, THERE) == [(44.0, "replaced by a later reading"), (46.0, "")]
    bench.history.undo()
    assert fates(bench) == [(45.0, "replaced by a later reading"), (46.0, "")]
    assert fates(bench, THERE) == [(44.0, "")]


def test_a_moved_reading_depends_on_what_is_fitted_where_it_belongs():
    bench = Bench().shims("1i", 0.4).height("1e", 45.0)
    bench.do(MoveReading(bench.entries[-1].id, THERE))
    moved = readings_at(bench.book, "installed_height", THERE)[0]
    fitted = bench.engine.fitted("shims", "1i")
    assert fitted is not None
    assert moved.depends_on["shims"] == fitted.id


def test_a_note_stands_until_it_is_taken_back():
    bench = Bench().height("1e", 45.0)
    bench.do(NoteReading(bench.entries[0].id, "burr on the pad"))
    assert readings_at(bench.book, "installed_height", HERE)[0].note == "burr on the pad"
    bench.history.undo()
    assert readings_at(bench.book, "installed_height", HERE)[0].note == ""


def test_moving_to_a_place_where_it_is_not_measured_is_refused():
    bench = Bench().height("1e", 45.0)
    before = bench.book
    with pytest.raises(EditError, match="installed height is not measured at spring 1"):
        bench.do(MoveReading(bench.entries[0].id, of_spring("1")))
    assert bench.book is before


STEPS = st.lists(
    st.one_of(
        st.tuples(st.just("read"), st.sampled_from(["1e", "1i", "2i"]), st.floats(30, 60), st.booleans()),
        st.tuples(st.just("move"), st.integers(0, 30), st.sampled_from(["1e", "2e"])),
        st.tuples(st.just("strike"), st.integers(0, 30)),
        st.tuples(st.just("note"), st.integers(0, 30)),
        st.tuples(st.just("swap")),
        st.tuples(st.just("shims"), st.floats(0, 2)),
        st.tuples(st.just("undo")),
        st.tuples(st.just("redo")),
    ),
    max_size=40,
)


def act(bench, step, taken):
    what = step[0]
    if what == "read":
        bench.height(step[1], step[2], repeat=step[3])
        taken.append(bench.entries[-1])
    elif what in ("move", "strike", "note") and taken:
        reading = taken[step[1] % len(taken)].id
        edits = {"move": lambda: MoveReading(reading, at_position(step[2])), "strike": lambda: StrikeOut(reading, "why"),
                 "note": lambda: NoteReading(reading, "note")}  # fmt: skip
        bench.do(edits[what]())
    elif what == "swap":
        here, there = bench.engine.spring_at("1e"), bench.engine.spring_at("1i")
        bench.do(fit_springs(bench.engine, {"1e": there, "1i": here}, "swapped"))
    elif what == "shims":
        bench.shims("1e", step[1])
    elif what == "undo":
        bench.history.undo()
    elif what == "redo":
        bench.history.redo()


@settings(max_examples=80)
@given(STEPS)
def test_no_sequence_of_edits_undo_and_redo_loses_a_reading(steps):
    bench, taken = Bench(), []
    for step in steps:
        before = bench.book.journal
        act(bench, step, taken)
        assert bench.book.journal[: len(before)] == before, "the journal only ever grows"
    kept = [one for one in bench.book.journal if isinstance(one, Reading)]
    assert kept == taken
    assert {one.reading.id for one in standing(bench.book.journal)} == {one.id for one in taken}
    springs = [one for name in bench.names if (one := bench.engine.spring_at(name))]
    assert len(set(springs)) == len(springs), "no spring sits in two places"


@settings(max_examples=40)
@given(STEPS)
def test_undoing_everything_and_redoing_it_comes_back_to_the_same(steps):
    bench, taken = Bench(), []
    for step in steps:
        act(bench, step, taken)
    looks = [look(bench.history)]
    while bench.history.undo_sentence and len(looks) < 60:
        bench.history.undo()
        looks.append(look(bench.history))
    for expected in reversed(looks[:-1]):
        bench.history.redo()
        assert look(bench.history) == expected


def look(history):
    """Give what a person sees of a history: the facts, and what each reading has come to."""
    states = {
        one.reading.id: (one.place, one.note, bool(one.fate), one.depends_on) for one in standing(history.book.journal)
    }
    gone = {key: state for key, state in states.items() if not state[2]}
    return history.book.engine, gone


def test_an_edit_that_is_refused_changes_nothing():
    bench = Bench()
    history = History(Book(replace(bench.engine, springs=())))
    before = history.book
    with pytest.raises(EditError, match="not in this engine's journal"):
        history.do(StrikeOut("nothing"))
    assert history.book is before
    assert history.undo_sentence == ""


def plainly(journal):
    """Give what each reading has come to, as the rules are told: entry by entry over the whole journal, remembering nothing."""
    withdrawn, force = set(), []
    for entry in reversed(journal):
        if entry.id in withdrawn:
            continue
        if isinstance(entry, Withdrawn):
            withdrawn.add(entry.target)
        else:
            force.insert(0, entry)
    read = {one.id: one for one in force if isinstance(one, Reading)}
    struck = {one.reading: one.why or "struck out" for one in force if isinstance(one, StruckOut)}
    moved = {one.reading: one for one in force if isinstance(one, Moved)}
    notes = {one.reading: one.note for one in force if isinstance(one, Noted)}
    at = {key: moved.get(key, one).place for key, one in read.items()}
    gone = {
        target for key, one in read.items() if key not in struck
        for target in moved.get(key, one).supersedes if at.get(target) == at[key]
    }  # fmt: skip
    return [
        (one, at[key], moved.get(key, one).depends_on, notes.get(key, one.note),
         struck.get(key) or ("replaced by a later reading" if key in gone else ""))
        for key, one in read.items()
    ]  # fmt: skip


IDS = st.sampled_from([f"r{i}" for i in range(6)] + [f"o{i}" for i in range(12)])
PLACES = st.sampled_from([HERE, THERE])
ENTRIES = st.lists(
    st.one_of(
        st.builds(lambda place, targets: ("read", place, targets), PLACES, st.lists(IDS, max_size=2, unique=True)),
        st.builds(lambda own: ("strike", own), IDS),
        st.builds(lambda own, place, targets: ("move", own, place, targets), IDS, PLACES, st.lists(IDS, max_size=2)),
        st.builds(lambda own: ("note", own), IDS),
        st.builds(lambda own: ("withdraw", own), IDS),
    ),
    max_size=18,
)


def entries_of(acts):
    reads, others, made = 0, 0, []
    for kind, *what in acts:
        if kind == "read":
            made.append(
                Reading(
                    f"r{reads}", "", "", "installed_height", what[0], "", "in", 45.0, "w", supersedes=tuple(what[1])
                )
            )
            reads += 1
            continue
        name, own, others = f"o{others}", what[0], others + 1
        if kind == "move":
            made.append(Moved(name, "", "", own, what[1], {}, tuple(what[2])))
        else:
            more = {"strike": (StruckOut, ("why",)), "note": (Noted, (name,)), "withdraw": (Withdrawn, ())}
            entry, told = more[kind]
            made.append(entry(name, "", "", own, *told))
    return tuple(made)


@settings(max_examples=400)
@example([("read", HERE, []), ("withdraw", "r0"), ("withdraw", "o0")])
@given(ENTRIES)
def test_a_journal_replayed_entry_by_entry_comes_to_what_the_rules_say(told):
    remember.forget_all()
    journal = entries_of(told)
    for size in range(1, len(journal) + 1):
        part = journal[:size]
        expected = plainly(part)
        ledger = ledger_of(part)
        for one in (ledger, replayed(part)):
            assert [(s.reading, s.place, s.depends_on, s.note, s.fate) for s in one.standings] == expected
            for key, read in one.by_place.items():
                assert read == tuple(s for s in one.standings if (s.reading.quantity, s.place) == key)
            assert sum(map(len, one.by_place.values())) == len(expected)
        assert index_of(part).of(frozenset({"installed_height"})) == tuple(
            one for one in part if index_of(part).about(one)
        )
