"""Readings on the disk: what was confirmed can be recovered, torn lines are counted, a full disk is said."""

import subprocess
import sys

import pytest

from engines import Bench
from honest_lift.facts.edits import Describe
from honest_lift.facts.engine import Book
from honest_lift.facts.journal_file import JournalWriter, Snapshot, journal_folder, journals_of
from honest_lift.facts.locks import Holder, Lock, lock_beside
from honest_lift.facts.recovery import forget, left_of, never_saved, put_away


def journal_path(engine):
    """Give the one journal of an engine."""
    (path,) = journals_of(engine)
    return path


def written(bench, entries):
    confirmed, failed = [], []
    writer = JournalWriter(bench.engine.id, confirmed.append, failed.append)
    for entry in entries:
        writer.append((entry,))
    writer.close()
    return writer, confirmed, failed


def test_confirmed_entries_are_on_the_disk():
    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    _, confirmed, failed = written(bench, bench.book.journal)
    assert confirmed == [(one,) for one in bench.book.journal]
    assert failed == []
    left = left_of(empty)
    assert (left.entries, left.torn) == (bench.book.journal, 0)
    assert left.taken_into(empty) == bench.book
    assert left_of(bench.book).is_empty, "what the book holds is not offered again"


def test_a_torn_line_loses_only_itself():
    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    written(bench, bench.book.journal[:1])
    path = journal_path(bench.engine.id)
    path.write_bytes(path.read_bytes() + b'{"entry":"reading","id":"half')
    written(bench, bench.book.journal[1:])
    left = left_of(empty)
    assert left.entries == bench.book.journal
    assert left.torn == 1
    assert left.words.startswith("2 readings, last on ")
    assert left.words.endswith("1 more line can't be read")


def test_a_disk_that_takes_nothing_is_said(tmp_path, monkeypatch):
    bench = Bench().height("1e", 45.0)
    blocked = tmp_path / "file"
    blocked.write_text("no folder")
    monkeypatch.setenv("XDG_STATE_HOME", str(blocked))
    _, confirmed, failed = written(bench, bench.book.journal)
    assert confirmed == []
    assert "Save now." in failed[0]


def test_what_was_saved_is_forgotten_and_what_an_earlier_run_left_is_not():
    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    written(bench, bench.book.journal[:1])
    later = JournalWriter(bench.engine.id, lambda _: None, pytest.fail)
    later.append(bench.book.journal[1:])
    later.close(forget=True)
    assert left_of(empty).entries == bench.book.journal[:1]
    forget(left_of(empty))
    assert left_of(empty).is_empty


def test_a_program_at_work_is_let_be():
    bench = Bench().height("1e", 45.0)
    done = []
    writer = JournalWriter(bench.engine.id, done.append, pytest.fail)
    writer.append(bench.book.journal)
    other = JournalWriter(bench.engine.id, done.append, pytest.fail)
    other.append(bench.book.journal)
    while len(done) < 2:
        pass
    assert len(journals_of(bench.engine.id)) == 2, "each writes to its own"
    assert left_of(Book(bench.engine)).is_empty
    writer.close()
    other.close()
    assert left_of(Book(bench.engine)).entries == bench.book.journal


def test_an_engine_never_saved_comes_back_with_its_facts():
    bench = Bench().height("1e", 45.0).do(Describe({"name": "river boat"}, "name"))
    writer = JournalWriter(bench.engine.id, lambda _: None, pytest.fail)
    writer.keep(Snapshot(bench.engine, when="2026-11-23T10:00:00Z"))
    writer.append(bench.book.journal)
    writer.close()
    (left,) = never_saved()
    assert left.taken_into(Book(left.snapshot.engine)) == bench.book
    assert left.words.startswith("1 reading and facts that were changed")
    put_away(left)
    assert never_saved() == []
    assert len(list((journal_folder() / "put away").iterdir())) == 2, "not even that is deleted"


def test_a_damaged_snapshot_costs_no_reading():
    bench = Bench().height("1e", 45.0)
    writer = JournalWriter(bench.engine.id, lambda _: None, pytest.fail)
    writer.keep(Snapshot(bench.engine))
    writer.append(bench.book.journal)
    writer.close()
    (journal_path(bench.engine.id).with_suffix(".engine.json")).write_text("{")
    assert left_of(Book(bench.engine)).entries == bench.book.journal


def test_an_id_never_leads_out_of_the_folder():
    writer = JournalWriter("../../etc/passwd", lambda _: None, pytest.fail)
    writer.append(Bench().height("1e", 45.0).book.journal)
    writer.close()
    assert [path.name for path in journal_folder().iterdir()] == ["etcpasswd.jsonl"]


def test_a_second_program_is_told_who_has_the_file(tmp_path):
    path = tmp_path / "engine.liftbook"
    first = lock_beside(path)
    assert isinstance(first, Lock)
    second = lock_beside(path)
    assert isinstance(second, Holder)
    assert f"process {second.pid}" in second.words
    first.release()
    third = lock_beside(path)
    assert isinstance(third, Lock)
    third.release()
    assert list(tmp_path.iterdir()) == []


def test_a_lock_goes_with_a_process_that_was_killed(tmp_path):
    path = tmp_path / "engine.liftbook"
    script = (
        "import sys, time; from pathlib import Path; from honest_lift.facts.locks import lock_beside\n"
        "held = lock_beside(Path(sys.argv[1])); print('held', flush=True); time.sleep(60)"
    )
    other = subprocess.Popen([sys.executable, "-c", script, str(path)], stdout=subprocess.PIPE, text=True)
    assert other.stdout.readline() == "held\n"
    assert isinstance(lock_beside(path), Holder)
    other.kill()
    other.wait()
    other.stdout.close()
    mine = lock_beside(path)
    assert isinstance(mine, Lock)
    mine.release()


def test_a_folder_that_takes_no_lock_is_no_obstacle(tmp_path):
    assert lock_beside(tmp_path / "no" / "engine.liftbook") is None


def test_half_a_line_on_a_full_disk_costs_no_later_reading(monkeypatch):
    import honest_lift.facts.journal_file as module

    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    whole = module._put_lines
    full = [True]

    def half(file, data):
        if full.pop() if full else False:
            file.write(data[: len(data) // 2])
            raise OSError(28, "No space left on device")
        whole(file, data)

    monkeypatch.setattr(module, "_put_lines", half)
    _, confirmed, failed = written(bench, bench.book.journal)
    assert "No space left on device" in failed[0]
    assert confirmed == [bench.book.journal[1:]]
    left = left_of(empty)
    assert (left.entries, left.torn) == (bench.book.journal[1:], 1)


def test_an_engine_whose_file_is_gone_is_offered_too(tmp_path):
    bench = Bench().height("1e", 45.0)
    writer = JournalWriter(bench.engine.id, lambda _: None, pytest.fail)
    writer.keep(Snapshot(bench.engine, str(tmp_path / "gone.liftbook"), changed=False))
    writer.append(bench.book.journal)
    writer.close()
    assert [one.entries for one in never_saved()] == [bench.book.journal]
    (tmp_path / "gone.liftbook").write_text("")
    assert never_saved() == []
