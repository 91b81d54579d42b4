"""Where files are written: never over what the program keeps, and over a stranger's only when somebody agrees."""

import subprocess
import sys
from pathlib import Path

import pytest
from PyQt6.QtWidgets import QFileDialog

from engines import demo
from honest_lift import api
from honest_lift.cli import main
from honest_lift.desk import questions
from honest_lift.facts.file import FileError, backup_of, write_book
from honest_lift.facts.journal_file import journal_folder
from honest_lift.facts.locks import lock_beside
from honest_lift.facts.written_out import TargetError, ThereError, look_at_target, write_out
from honest_lift.shelf.store import Shelf

KEPT = ("engine", "renamed", "backup", "lock", "journal", "shelf")


@pytest.fixture
def kept(tmp_path):
    """One file of each kind that the program keeps, the engine under another name too."""
    engine = tmp_path / "river.liftbook"
    write_book(demo(), engine)
    write_book(demo(), engine)
    renamed = tmp_path / "river.pdf"
    renamed.write_bytes(engine.read_bytes())
    lock = lock_beside(engine)
    journal = journal_folder() / "abc.jsonl"
    journal.parent.mkdir(parents=True)
    journal.write_text('{"entry":"facts"}\n')
    Shelf(tmp_path / "parts.txt").close()
    yield {
        "engine": engine, "renamed": renamed, "backup": backup_of(engine), "lock": tmp_path / ".river.liftbook.lock",
        "journal": journal, "shelf": tmp_path / "parts.txt",
    }  # fmt: skip
    lock.release()


@pytest.mark.parametrize("kind", KEPT)
@pytest.mark.parametrize("force", [[], ["--force"]])
def test_no_paper_is_written_over_what_the_program_keeps(kept, kind, force, capsys):
    before = kept[kind].read_bytes()
    for option in ("--html", "--pdf", "--txt"):
        options = [option, str(kept[kind]), *force, *(["--paper", "order"] if option == "--txt" else [])]
        assert main(["report", str(kept["engine"]), *options]) == 2
        assert "never written over: choose another name" in capsys.readouterr().err
        assert kept[kind].read_bytes() == before


@pytest.mark.parametrize("name", ["new.liftbook", "new.liftbook.bak", ".new.liftbook.lock"])
def test_a_name_the_program_keeps_for_itself_is_no_target(tmp_path, name):
    with pytest.raises(TargetError, match="this name is kept for"):
        look_at_target(tmp_path / name, agreed=True)


def test_a_strangers_file_is_written_over_only_by_force_and_a_paper_of_ones_own_without(tmp_path, capsys):
    paper = tmp_path / "sheet.html"
    paper.write_text("somebody's own")
    assert main(["report", "demo", "--html", str(paper)]) == 2
    assert "Add --force to write over it." in capsys.readouterr().err
    assert paper.read_text() == "somebody's own"
    assert main(["report", "demo", "--html", str(paper), "--force"]) == 0
    assert main(["report", "demo", "--html", str(paper)]) == 0, "it is the program's own by now"
    paper.write_text(paper.read_text() + "<!-- a note -->")
    assert main(["report", "demo", "--html", str(paper)]) == 2, "and changed since"


def test_an_export_writes_all_of_its_tables_or_none(tmp_path, capsys):
    assert main(["export", "demo", "--to", str(tmp_path / "probe")]) == 0
    names = sorted(one.name for one in (tmp_path / "probe").iterdir())
    last = tmp_path / "tables" / names[-1]
    last.parent.mkdir()
    last.write_text("somebody's own")
    assert main(["export", "demo", "--to", str(last.parent)]) == 2
    assert [one.name for one in last.parent.iterdir()] == [last.name]
    assert main(["export", "demo", "--to", str(last.parent), "--force"]) == 0


def test_a_link_or_a_device_is_no_way_round(kept, tmp_path):
    link = tmp_path / "link.pdf"
    link.symlink_to(kept["engine"])
    with pytest.raises(TargetError, match="this is an engine"):
        look_at_target(link, agreed=True)
    for one in (tmp_path, Path("/dev/null")):
        with pytest.raises(TargetError, match="a folder or a device"):
            write_out(one, b"", agreed=True)


@pytest.mark.parametrize("kind", ["backup", "lock", "journal", "shelf"])
def test_no_engine_is_saved_over_anything_else_the_program_keeps(kept, kind, open_window):
    before = kept[kind].read_bytes()
    with pytest.raises(FileError, match="no engine is saved over"):
        open_window().session.save(kept[kind])
    with pytest.raises(FileError, match="no engine is saved over"):
        api.open_engine(kept["engine"]).save(kept[kind])
    assert kept[kind].read_bytes() == before


def test_from_python_a_strangers_file_is_no_place_for_an_engine(tmp_path):
    notes = tmp_path / "notes.txt"
    notes.write_text("somebody's own")
    with pytest.raises(FileError, match="it is no engine"):
        api.demo().save(notes)
    assert notes.read_text() == "somebody's own"


def test_a_dialog_asks_by_the_name_the_file_has_in_the_end(tmp_path, monkeypatch, open_window):
    window, asked = open_window(), []
    (tmp_path / "heights.csv").write_text("somebody's own")
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *a, **k: (str(tmp_path / "heights"), "CSV (*.csv)"))
    monkeypatch.setattr(questions, "ask", lambda parent, title, question, yes: asked.append(question) or False)
    assert questions.csv_to_save(window, tmp_path) is None
    assert "heights.csv: there is a file already" in asked[0]
    monkeypatch.setattr(questions, "ask", lambda *a: True)
    assert questions.csv_to_save(window, tmp_path) == tmp_path / "heights.csv"


def test_a_reader_that_leaves_early_does_not_turn_a_failing_engine_into_a_sound_one(tmp_path):
    """`check bad.liftbook | head -1`: the status is the engine's, though only a line was read."""
    command = [sys.executable, "-m", "honest_lift.cli", "check", "demo"]
    whole = subprocess.run(command, capture_output=True, timeout=120)
    assert whole.returncode == 1
    for more in ([], ["--json"]):
        program = subprocess.Popen([*command, *more], stdout=subprocess.PIPE, stderr=subprocess.PIPE)
        program.stdout.readline()
        program.stdout.close()
        assert program.wait(timeout=120) == 1
        with program.stderr as said:
            assert said.read() == b""


def test_a_file_that_was_not_written_by_the_program_is_told_apart_by_what_it_holds(tmp_path):
    path = tmp_path / "table.csv"
    write_out(path, b"1,2\n")
    write_out(path, b"3,4\n")
    path.write_bytes(b"1,2\n")
    with pytest.raises(ThereError):
        write_out(path, b"5,6\n")
