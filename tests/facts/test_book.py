"""The book: nothing in it is altered unseen, every edit is an entry, and old files keep their past."""

from __future__ import annotations

import json
from functools import cache

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench
from honest_lift.cli import main
from honest_lift.facts import migrations
from honest_lift.facts.book.chain import is_of, links_over
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.book.keeping import SET_ASIDE, begun_again, kept
from honest_lift.facts.book.proof import NO_BOOK, proof_of
from honest_lift.facts.edits import Describe, Drop, Put, Unstate
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import ENGINE
from honest_lift.facts.recovery import Leftover


@cache
def whole():
    """A book with readings, facts stated, changed and taken away, limits put and dropped, and steps taken back."""
    made = Bench().complete().state("rocker_ratio", 1.6).state("rocker_ratio", 1.7)
    made.state("stroke", 88).do(Unstate("stroke", ENGINE)).do(Describe({"name": "river", "hand": "Ash"}, "name"))
    made.do(Put("limits", replace(made.engine.limits[0], lowest=610.0))).do(Drop("limits", made.engine.limits[1].id))
    made.history.undo()
    made.history.undo()
    made.history.redo()
    return made.height("1e", 45.2).book


def document(book=None):
    return json.loads(encode_book(book or whole()))


def leaves(value, way=()):
    """Give the way to every figure, word and mark of a document."""
    pairs = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    if isinstance(value, dict | list):
        for key, one in pairs:
            yield from leaves(one, (*way, key))
    else:
        yield way


def altered(raw, way):
    *path, last = way
    at = raw
    for key in path:
        at = at[key]
    old = at[last]
    at[last] = (not old) if isinstance(old, bool) else old + 1 if isinstance(old, int | float) else f"{old or ''}x"
    return raw


WAYS = [one for one in leaves(document()) if one[0] in ("journal", "engine")]


def test_an_untouched_book_holds_and_tells_its_fingerprint():
    book = whole()
    proof = proof_of(document())
    assert (proof.broken, proof.entries, proof.before) == ((), len(book.journal), 0)
    assert (
        proof.fingerprint == book.chains[-1].fingerprint == f"{len(book.journal)}-{links_over(book.journal)[-1][:16]}"
    )
    assert decode_book(encode_book(book), "x") == book


@settings(max_examples=150)
@given(st.sampled_from(WAYS))
def test_any_altered_value_of_an_entry_or_fact_is_found_and_named(way):
    proof = proof_of(altered(document(), way))
    if way[0] == "journal":
        assert proof.broken[0].startswith(f"entry {way[1] + 1} does not hold")
    else:
        assert any(f"{way[1]} " in one or one.startswith(way[1]) for one in proof.broken), (way, proof.broken)


@settings(max_examples=40)
@given(st.data())
def test_entries_taken_out_put_in_or_exchanged_are_found(data):
    raw = document()
    journal = raw["journal"]
    i, j = (data.draw(st.integers(0, len(journal) - 1)) for _ in range(2))
    how = data.draw(st.sampled_from(["out", "in", "exchanged", "cut"]))
    first = min(i, j)
    if how == "out":
        del journal[i]
        first = i
    elif how == "in":
        journal.insert(i, {**journal[j], "id": "new"})
        first = i
    elif how == "cut":
        del journal[i:]
        first = i
    else:
        journal[i], journal[j] = journal[j], journal[i]
    broken = proof_of(raw).broken
    assert (i == j and how == "exchanged") == (not broken)
    if broken:
        assert broken[0].startswith(f"entry {first + 1} ")


def test_a_fact_put_in_or_taken_out_by_hand_is_named():
    raw = document()
    gone = raw["engine"]["limits"].pop(3)
    raw["engine"]["facts"].append({**raw["engine"]["facts"][0], "quantity": "stroke"})
    told = " ".join(proof_of(raw).broken)
    assert f"limits {gone['id']} is gone, and no entry took it out" in told
    assert "facts stroke@" in told
    assert "no entry put it there" in told
    raw = document()
    raw["engine"]["limits"].reverse()
    assert proof_of(raw).broken == ("the order of limits is not what the book says",)


def test_a_chain_written_anew_is_found_by_a_printed_fingerprint():
    book, printed = whole(), whole().chains[-1].fingerprint
    later = Bench()
    later.history.book = book
    later.height("1i", 45.3).state("rocker_ratio", 1.65)
    assert is_of(printed, later.book.chains), "what came later does not undo it"
    forged = altered(document(later.book), ("journal", 3, "by"))
    forged["chains"] = [{"links": links_over(forged["journal"]), "ended": "", "broken": ""}]
    assert proof_of(forged).holds, "nobody can tell from the file alone"
    assert not is_of(printed, decode_book(msgspec.json.encode(forged), "forged").chains)
    for none in ("hello", printed[:-1], "²-0123456789abcdef"):
        with pytest.raises(ValueError, match="no fingerprint"):
            is_of(none, book.chains)


def test_the_command_names_what_does_not_hold(tmp_path, capsys):
    file = tmp_path / "river.liftbook"
    file.write_bytes(encode_book(whole()))
    printed = whole().chains[-1].fingerprint
    assert main(["verify", str(file), "--fingerprint", printed]) == 0
    assert f"fingerprint {printed}: it is of this book." in capsys.readouterr().out
    file.write_text(json.dumps(altered(document(), ("engine", "limits", 2, "lowest"))), encoding="utf-8")
    assert main(["verify", str(file)]) == 1
    assert (
        f"does not hold: limits {document()['engine']['limits'][2]['id']} is not what the book says."
        in capsys.readouterr().out
    )
    assert main(["verify", str(file), "--fingerprint", "12-0123456789abcdef"]) == 1
    assert "this book never had it" in capsys.readouterr().out
    assert main(["verify", str(file), "--fingerprint", "hello"]) == 2
    assert main(["verify", str(tmp_path / "none")]) == 2
    file.write_text('{"journal": []}', encoding="utf-8")
    assert main(["verify", str(file)]) == 2, "no engine file at all"


def test_every_edit_is_an_entry_and_says_to_what():
    made = Bench()
    made.state("rocker_ratio", 1.6).state("rocker_ratio", 1.7)
    told = [one for one in made.book.journal if isinstance(one, Edited)]
    last = told[-1]
    assert (last.sentence, len(last.changes)) == ("rocker ratio of engine: 1.7", 1)
    assert json.loads(last.changes[0].after)["value"] == 1.7
    made.history.undo()
    back = made.book.journal[-1]
    assert back.sentence == "undone: rocker ratio of engine: 1.7"
    assert json.loads(back.changes[0].after)["value"] == 1.6
    made.history.undo()
    assert [one.after for one in made.book.journal[-1].changes if one.key.startswith("rocker_ratio")] == [""]
    assert isinstance(made.book.journal[0], Begun)
    assert proof_of(document(made.book)).holds


def test_an_old_file_opens_and_its_past_is_before_the_book():
    book = replace(
        whole(), journal=tuple(one for one in whole().journal if not isinstance(one, Begun | Edited)), chains=()
    )
    raw = document(book)
    del raw["chains"]
    raw["version"] = 13
    opened = decode_book(msgspec.json.encode(raw), "old")
    assert proof_of(document(opened)).broken == (NO_BOOK,)
    made = Bench()
    made.history.book = opened
    made.state("rocker_ratio", 1.8)
    proof = proof_of(document(made.book))
    assert (proof.broken, proof.before) == ((), len(book.journal))


@pytest.mark.parametrize("touched", [False, True])
def test_a_book_that_is_lifted_to_a_newer_form_keeps_what_was_printed_of_it(touched):
    raw, printed = document(), whole().chains[-1].fingerprint
    if touched:
        altered(raw, ("journal", 5, "by"))
    raw["version"] = migrations.CURRENT
    lifted = begun_again(decode_book(msgspec.json.encode(raw), "x"), "lifted", "; ".join(proof_of(raw).broken))
    assert is_of(printed, lifted.chains)
    proof = proof_of(document(lifted))
    assert proof.holds is not touched
    assert proof.before == len(whole().journal)
    assert ("entry 6 does not hold" in " ".join(proof.broken)) is touched


def test_a_value_that_makes_no_sense_is_set_aside_and_the_book_begins_again():
    raw = document()
    at = next(i for i, one in enumerate(raw["journal"]) if one["entry"] == "reading")
    raw["journal"][at]["value"] = -1e9
    opened = decode_book(msgspec.json.encode(raw), "odd")
    assert [one.ended for one in opened.chains] == [SET_ASIDE, ""]
    (was,) = proof_of(document(opened)).broken
    assert f"entry {at + 1} does not hold" in was, "setting aside makes no altered book whole"
    assert opened == decode_book(msgspec.json.encode(raw), "odd"), "the same each time"
    odd = replace(whole().journal[at], id="odd", value=-1e9)
    honest = kept(whole(), whole().engine, (odd,), "typed", ("i", "2026-01-01"))
    again = decode_book(encode_book(honest), "honest")
    assert ([one.ended for one in again.chains], len(again.set_aside)) == ([SET_ASIDE, ""], 1)
    assert proof_of(document(again)).holds
    raw = document(again)
    raw["set_aside"].clear()
    assert proof_of(raw).broken == ("set_aside is not what the book says",), "it bars what stands in for it"


def test_what_a_run_left_is_an_entry_of_the_book():
    odd = replace(next(one for one in whole().journal if isinstance(one, Reading)), id="odd", value=-1e9)
    taken = Leftover(whole().engine.id, entries=(odd,)).taken_into(whole())
    assert [one.given for one in taken.set_aside] == ["45.0 (-1000000000.0 inside)"]
    assert proof_of(document(taken)).holds
    made = Bench().height("1e", 45.0)
    entries = tuple(one for one in made.height("1i", 45.1).entries)
    before = Bench()
    before.history.book = replace(made.book, journal=(), chains=())
    taken = Leftover(made.engine.id, entries=entries).taken_into(before.book)
    assert proof_of(document(taken)).holds
