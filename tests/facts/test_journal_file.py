"""Readings on the disk: what was confirmed is found again, in its order, whatever became of disk, folder and clock."""

import errno
import os
import subprocess
import sys
import time

import msgspec
import pytest
from msgspec.structs import replace

from engines import Bench, without_facts
from honest_lift.facts import disk
from honest_lift.facts.edits import Describe, StrikeOut
from honest_lift.facts.engine import Book
from honest_lift.facts.history import History
from honest_lift.facts.journal_file import Kept, facts_beside, journal_folder, journals_there, named, path_of
from honest_lift.facts.journal_writer import JournalWriter
from honest_lift.facts.ledger import standing
from honest_lift.facts.locks import Holder, Lock, lock_beside
from honest_lift.facts.migrations import CURRENT
from honest_lift.facts.recovery import fold_in, left_elsewhere, left_of, leftovers, put_all_away


class Run:
    """A run of the program, as far as the journal knows it."""

    def __init__(self, book, path=None):
        self.book, self.path = book, path
        self.confirmed, self.said = [], []
        self.writer = JournalWriter(book.engine.id, self.confirmed.extend, self.said.append)

    def keep(self, entries=(), *, changed=True):
        self.writer.keep(Kept(self.book.engine, named(self.path), "2026-11-30T10:00:00Z", changed), tuple(entries))
        return self

    def settle(self):
        """Wait until all is on the disk."""
        until = time.monotonic() + 5
        while self.writer.is_behind or self.writer.unwritten:
            assert time.monotonic() < until, self.said
            time.sleep(0.01)
        return self

    def die(self, end="keep"):
        self.writer.close(end)
        return self


def two_heights():
    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    return empty, bench.book


def test_confirmed_entries_are_on_the_disk_and_come_back():
    empty, full = two_heights()
    run = Run(full).keep(without_facts(full.journal)).die()
    assert (tuple(run.confirmed), run.said) == (without_facts(full.journal), [])
    left = left_of(empty)
    assert (left.entries, left.torn) == (without_facts(full.journal), 0)
    assert left.taken_into(empty) == full
    assert left_of(full).entries == (), "what the book holds is not offered again"
    assert left.taken_into(replace(empty, journal=full.journal[:3])).journal[:4] == full.journal, "nothing is doubled"
    last = max(left.kept.when, *(one.when for one in without_facts(full.journal)))
    assert left.words == f"2 readings and facts that were changed, last on {last[:16].replace('T', ' ')}"


def test_a_torn_line_loses_only_itself():
    empty, full = two_heights()
    Run(full).keep(without_facts(full.journal)).die()
    (path,) = journals_there()
    path.write_bytes(path.read_bytes() + b'{"entry":"reading","id":"half')
    left = left_of(empty)
    assert (left.entries, left.torn) == (without_facts(full.journal), 1)
    assert left.words.endswith("1 more line can't be read")


def test_a_disk_that_takes_nothing_is_said_and_tried_again(tmp_path, monkeypatch):
    empty, full = two_heights()
    blocked = tmp_path / "state"
    blocked.write_text("no folder")
    monkeypatch.setenv("XDG_STATE_HOME", str(blocked))
    run = Run(full).keep(without_facts(full.journal))
    while not run.said:
        time.sleep(0.01)
    assert run.confirmed == []
    assert "2 readings are not on the disk" in run.said[0]
    assert run.writer.unwritten == 2
    blocked.unlink()  # somebody made room
    run.settle()
    assert (tuple(run.confirmed), run.said[-1]) == (without_facts(full.journal), "")
    run.die()
    assert left_of(empty).entries == without_facts(full.journal)


class Odd:
    """The system's calls, one of which fails as often as asked."""

    def __init__(self, call, times, number=errno.ENOSPC, half=False):
        self.call, self.times, self.number, self.half = call, times, number, half

    def __getattr__(self, name):
        real = getattr(os, name)
        if name != self.call or not self.times:
            return real

        def failing(*given, **more):
            self.times -= 1
            if self.half:
                os.write(given[0], given[1][: len(given[1]) // 2])
            raise OSError(self.number, os.strerror(self.number))

        return failing


@pytest.mark.parametrize("call", ["open", "write", "fsync", "mkdir", "stat", "listdir"])
@pytest.mark.parametrize("number", [errno.ENOSPC, errno.EIO, errno.EACCES, errno.EROFS])
def test_whatever_call_fails_the_readings_wait_and_reach_the_disk(monkeypatch, call, number):
    empty, full = two_heights()
    monkeypatch.setattr(disk, "os", Odd(call, 2, number))
    run = Run(full).keep(without_facts(full.journal)[:1])
    run.keep(without_facts(full.journal)[1:]).settle().die()
    assert tuple(run.confirmed) == without_facts(full.journal)
    left = left_of(empty)
    assert (left.entries, left.torn, len(left.journals)) == (without_facts(full.journal), 0, 1)


def test_half_a_line_on_a_full_disk_is_cut_off_again(monkeypatch):
    empty, full = two_heights()
    run = Run(full).keep(without_facts(full.journal)[:1]).settle()
    monkeypatch.setattr(disk, "os", Odd("write", 1, half=True))
    run.keep(without_facts(full.journal)[1:]).settle()
    assert "No space left on device" in run.said[0]
    run.die()
    left = left_of(empty)
    assert (left.entries, left.torn, len(left.journals)) == (without_facts(full.journal), 0, 1)
    assert [path.name for path in left.journals] == [f"{full.engine.id}.jsonl"], "mended, not begun anew"


def test_a_folder_that_was_cleaned_gets_everything_again():
    empty, full = two_heights()
    run = Run(full).keep(without_facts(full.journal)[:1]).settle()
    for path in journals_there():
        path.unlink()
    journal_folder().rmdir()
    run.writer.keep(None, without_facts(full.journal)[1:])
    run.settle().die()
    (left,) = leftovers()
    assert left.taken_into(empty) == full
    assert tuple(run.confirmed) == without_facts(full.journal), "each is confirmed once"


def test_a_folder_that_was_cleaned_is_written_again_without_a_new_reading(monkeypatch):
    import honest_lift.facts.journal_writer as module

    monkeypatch.setattr(module, "_LOOKED_AFTER_S", 0.02)
    empty, full = two_heights()
    run = Run(full).keep(without_facts(full.journal)).settle()
    for path in journals_there():
        path.unlink()
    until = time.monotonic() + 5
    while not journals_there() and time.monotonic() < until:
        time.sleep(0.02)
    run.die()
    assert left_of(empty).taken_into(empty) == full


@pytest.mark.parametrize("fault", [ValueError("odd"), SystemExit(3)])
def test_a_writer_that_falls_over_says_so_and_goes_on(monkeypatch, fault):
    empty, full = two_heights()
    faults = [fault]
    whole = JournalWriter._bring_to_disk

    def falls(self):
        if faults:
            raise faults.pop()
        whole(self)

    monkeypatch.setattr(JournalWriter, "_bring_to_disk", falls)
    run = Run(full).keep(without_facts(full.journal)[:1])
    while not run.said:
        time.sleep(0.01)
    assert "not kept safe" in run.said[0]
    assert run.writer.unwritten == 1
    run.writer.keep(None, without_facts(full.journal)[1:])
    run.settle().die()
    assert tuple(run.confirmed) == without_facts(full.journal)
    assert left_of(empty).taken_into(empty) == full


def test_what_was_saved_is_forgotten_and_what_an_earlier_run_left_is_not():
    empty, full = two_heights()
    Run(full).keep(without_facts(full.journal)[:1]).die()
    Run(full).keep(without_facts(full.journal)[1:]).settle().die("forget")
    assert left_of(empty).entries == without_facts(full.journal)[:1]


def test_what_a_run_takes_over_is_dropped_only_once_it_is_its_own(monkeypatch):
    empty, full = two_heights()
    Run(full).keep(without_facts(full.journal)[:1]).die()
    left = left_of(empty)
    monkeypatch.setattr(disk, "os", Odd("fsync", 3))
    run = Run(full).keep(left.entries)
    run.writer.supersede(left.journals)
    while not run.said:
        time.sleep(0.01)
    assert left_of(empty).entries == without_facts(full.journal)[:1], "it is where it was"
    run.settle().die()
    after = left_of(empty)
    assert after.entries == without_facts(full.journal)[:1]
    assert set(after.journals).isdisjoint(left.journals)


def test_a_program_at_work_is_let_be():
    empty, full = two_heights()
    one, other = (
        Run(full).keep(without_facts(full.journal)).settle(),
        Run(full).keep(without_facts(full.journal)).settle(),
    )
    assert len(journals_there()) == 2, "each writes to its own"
    assert leftovers() == []
    one.die()
    other.die()
    assert left_of(empty).entries == without_facts(full.journal)


def test_a_clock_set_back_changes_no_order():
    bench = Bench().height("1e", 45.0)
    history = History(bench.book)
    done = [*bench.entries, *history.do(StrikeOut(bench.entries[0].id)), *history.undo()]
    told = [replace(one, when=f"2026-11-30T10:00:{59 - 9 * i:02d}Z") for i, one in enumerate(done)]
    Run(bench.book).keep(told[:2]).die()
    Run(bench.book).keep(told[2:]).die()
    recovered = left_of(Book(bench.engine)).taken_into(Book(bench.engine))
    assert without_facts(recovered.journal) == tuple(told)
    assert [one.fate for one in standing(recovered.journal)] == [""], "the strike-out was taken back"


def test_a_copy_gets_nothing_of_what_was_typed_into_another_file(tmp_path):
    empty, full = two_heights()
    first, second = tmp_path / "first.liftbook", tmp_path / "second.liftbook"
    for path in (first, second):
        path.write_text("")
    Run(full, second).keep(without_facts(full.journal), changed=False).die()
    assert left_of(empty, first).is_empty
    (other,) = left_elsewhere(empty, first)
    assert (other.path, other.entries) == (second, without_facts(full.journal))
    assert left_of(empty, second).entries == without_facts(full.journal)
    second.unlink()
    assert left_of(empty, first).entries == without_facts(full.journal), "a file that is gone has nobody else to go to"


@pytest.mark.parametrize(
    "name", ["river.liftbook", "äö ü.liftbook", os.fsdecode(b"caf\xe9\xff.liftbook"), "100%25.liftbook"]
)
def test_any_file_name_comes_back(tmp_path, name):
    path = tmp_path / name
    assert path_of(named(path)) == path
    _, full = two_heights()
    run = Run(full, path).keep(without_facts(full.journal)).die()
    assert (len(run.confirmed), leftovers()[0].path) == (2, path)


def test_facts_of_a_run_that_crashed_outlive_a_later_run_that_changed_nothing():
    bench = Bench().do(Describe({"name": "river boat"}, "name"))
    Run(bench.book).keep(bench.entries).die()
    bench.height("1e", 45.0)
    Run(replace(bench.book, engine=Bench().engine)).keep(bench.entries, changed=False).die()
    assert left_of(Book(bench.engine)).kept.engine.name == "river boat"


def test_journals_that_a_saved_file_holds_whole_are_folded_in_and_no_others(tmp_path):
    _, full = two_heights()
    path = tmp_path / "river.liftbook"
    path.write_text("")
    Run(full, path).keep(without_facts(full.journal)[:1], changed=False).die()
    Run(full, path).keep(without_facts(full.journal)[1:], changed=False).die()
    there = journals_there()
    fold_in(replace(full, journal=full.journal[3:]), path)
    assert journals_there() == there, "an entry the file lacks"
    fold_in(full, path)
    assert journals_there() == []
    Run(full, path).keep(without_facts(full.journal)).die()
    fold_in(full, path)
    assert len(journals_there()) == 1, "facts that were changed"


def test_what_nobody_wants_is_put_away_and_not_deleted():
    _, full = two_heights()
    Run(full).keep(without_facts(full.journal)).die()
    (left,) = leftovers()
    put_all_away(left)
    assert leftovers() == []
    assert len(list((journal_folder() / "put away").iterdir())) == 1
    Run(full).keep(without_facts(full.journal)).die("away")
    assert leftovers() == []
    assert len(list((journal_folder() / "put away").iterdir())) == 2


def test_journals_of_an_earlier_version_are_read():
    empty, full = two_heights()
    raw = msgspec.to_builtins(full.engine)
    del raw["copied_from"]
    folder = journal_folder()
    folder.mkdir(parents=True)
    path = folder / f"{full.engine.id}.jsonl"
    path.write_bytes(b"".join(msgspec.json.encode(one) + b"\n" for one in without_facts(full.journal)))
    beside = {"engine": raw, "path": "/somewhere/gone.liftbook", "when": "2026-11-23T10:00:00Z", "changed": True}
    facts_beside(path).write_bytes(msgspec.json.encode(beside))
    left = left_of(empty)
    assert left.entries == without_facts(full.journal)
    assert left.kept.engine == full.engine
    assert str(left.path) == "/somewhere/gone.liftbook"


def test_journals_of_a_newer_version_are_told_and_left():
    _, full = two_heights()
    Run(full).keep(without_facts(full.journal)).die()
    (path,) = journals_there()
    path.write_text(path.read_text().replace(f'"version":{CURRENT}', '"version":99'))
    assert leftovers()[0].newer == 99


def test_a_file_that_only_grows_is_begun_anew(monkeypatch):
    import honest_lift.facts.journal_writer as module

    monkeypatch.setattr(module, "_LARGEST_BYTES", 1000)
    empty, full = two_heights()
    run = Run(full)
    for _ in range(40):
        run.keep().settle()
    run.keep(without_facts(full.journal)).settle().die()
    (path,) = journals_there()
    assert path.stat().st_size < 12 * len(msgspec.json.encode(full.engine))
    assert left_of(empty).taken_into(empty) == full


def test_an_id_never_leads_out_of_the_folder():
    bench = Bench().height("1e", 45.0)
    writer = JournalWriter("../../etc/passwd", lambda _: None, lambda _: None)
    writer.keep(Kept(bench.engine), bench.entries)
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


def test_a_lock_on_a_full_disk_holds_all_the_same(tmp_path, monkeypatch):
    path = tmp_path / "engine.liftbook"
    monkeypatch.setattr(disk, "os", Odd("write", 9))
    first = lock_beside(path)
    assert isinstance(first, Lock)
    second = lock_beside(path)
    assert (isinstance(second, Holder), second.words) == (True, "another program")
    first.release()


def test_a_lock_in_a_folder_that_turned_read_only_is_let_go(tmp_path, monkeypatch):
    first = lock_beside(tmp_path / "engine.liftbook")
    monkeypatch.setattr(disk, "os", Odd("unlink", 9, errno.EROFS))
    first.release()
    assert isinstance(lock_beside(tmp_path / "engine.liftbook"), Lock)


def test_a_long_name_is_locked_too(tmp_path):
    path = tmp_path / ("x" * 246 + ".liftbook")
    first = lock_beside(path)
    assert isinstance(first, Lock)
    assert isinstance(lock_beside(path), Holder)
    first.release()
