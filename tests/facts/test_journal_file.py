"""Readings on the disk: what was confirmed can be recovered, torn lines are counted, a full disk is said."""

from engines import Bench
from honest_lift.facts.journal_file import JournalWriter, journal_path, unsaved_entries


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
    assert unsaved_entries(empty) == (bench.book.journal, 0)
    assert unsaved_entries(bench.book) == ((), 0), "what the book holds is not offered again"


def test_a_torn_line_loses_only_itself():
    bench = Bench()
    empty = bench.book
    bench.height("1e", 45.0).height("1i", 45.1)
    written(bench, bench.book.journal[:1])
    path = journal_path(bench.engine.id)
    path.write_bytes(path.read_bytes() + b'{"entry":"reading","id":"half')
    written(bench, bench.book.journal[1:])
    entries, torn = unsaved_entries(empty)
    assert entries == bench.book.journal
    assert torn == 1


def test_a_disk_that_takes_nothing_is_said(tmp_path, monkeypatch):
    bench = Bench().height("1e", 45.0)
    blocked = tmp_path / "file"
    blocked.write_text("no folder")
    monkeypatch.setenv("XDG_STATE_HOME", str(blocked))
    _, confirmed, failed = written(bench, bench.book.journal)
    assert confirmed == []
    assert "Save now." in failed[0]


def test_what_was_saved_is_forgotten():
    bench = Bench().height("1e", 45.0)
    writer, _, _ = written(bench, bench.book.journal)
    assert journal_path(bench.engine.id).exists()
    writer.forget()
    assert not journal_path(bench.engine.id).exists()


def test_an_id_never_leads_out_of_the_folder():
    folder = journal_path("x").parent
    assert journal_path("../../etc/passwd").parent == folder
    assert journal_path("").parent == folder
