"""Commands that bring files over, match, install and complete; requests to end; and what a machine lacks, named."""

import json
import os
import shutil
import signal
import subprocess
import sys
import time
from pathlib import Path

import pandas
import pytest

from engines import Bench, demo
from honest_lift import system_pieces
from honest_lift.api import open_engine
from honest_lift.checks.examine import examine
from honest_lift.cli import main
from honest_lift.commands.every import COMMANDS
from honest_lift.commands.line import parsers
from honest_lift.commands.man_page import man_page
from honest_lift.demo.demonstrations import demonstration
from honest_lift.facts import file
from honest_lift.facts.file import encode_book, read_book, write_book
from honest_lift.facts.locks import lock_beside
from honest_lift.facts.migrations import CURRENT
from honest_lift.plans.match.match import Match
from honest_lift.plans.match.parts import on_shelf

ROOT = Path(__file__).parents[2]


def older(path, book=None):
    """Write a file as the version before a chain lay over the journal."""
    raw = json.loads(encode_book(book or Bench().height("1e", 45.0).book))
    raw["version"], raw["chains"] = 13, []
    del raw["chains"]
    path.write_text(json.dumps(raw, indent=1) + "\n")
    return path


def test_migrate_brings_files_over_and_keeps_what_stood_there(tmp_path, capsys):
    one = older(tmp_path / "one.liftbook")
    before = one.read_bytes()
    assert main(["migrate", str(one)]) == 0
    assert f"version 13 to {CURRENT}; what stood there is one.liftbook.bak" in capsys.readouterr().out
    assert (tmp_path / "one.liftbook.bak").read_bytes() == before
    assert json.loads(one.read_bytes())["version"] == CURRENT
    assert [type(entry).__name__ for entry in read_book(one).journal] == ["Begun", "Edited", "Reading"]
    after = one.read_bytes()
    assert main(["migrate", str(one)]) == 0
    assert "already" in capsys.readouterr().out
    assert one.read_bytes() == after


def test_migrate_says_what_it_can_not_and_does_the_others(tmp_path, capsys):
    good, bad = older(tmp_path / "good.liftbook"), tmp_path / "bad.liftbook"
    bad.write_text("{}")
    assert main(["migrate", str(bad), str(good), "--to", str(tmp_path / "new")]) == 2
    said = capsys.readouterr()
    assert "bad.liftbook: this is no engine file" in said.err
    assert json.loads((tmp_path / "new" / "good.liftbook").read_bytes())["version"] == CURRENT
    assert json.loads(good.read_bytes())["version"] == 13, "the old one is as it was"
    assert main(["migrate", str(good), "--to", str(tmp_path / "new")]) == 2
    assert "nothing was written over it" in capsys.readouterr().err
    lock = lock_beside(good)
    held = good.read_bytes()
    assert main(["migrate", str(good)]) == 2, "somebody has it open"
    assert "close it there first" in capsys.readouterr().err
    assert good.read_bytes() == held
    lock.release()


def test_migrate_writes_over_nothing_that_changed_meanwhile(tmp_path, capsys, monkeypatch):
    one = older(tmp_path / "one.liftbook")
    real = file.read_marked

    def read(path):
        found = real(path)
        path.write_text("another program was here")
        return found

    monkeypatch.setattr(file, "read_marked", read)
    assert main(["migrate", str(one)]) == 2
    assert "another program has written this file" in capsys.readouterr().err
    assert one.read_text() == "another program was here"


def test_match_lists_what_the_search_finds(capsys, tmp_path):
    from honest_lift.demo.shelf import lay_out
    from honest_lift.shelf.store import Shelf

    assert main(["match", "demo", "--invented", "--most", "3"]) in (0, 1)
    said = capsys.readouterr().out.splitlines()
    shelf = Shelf(None)
    lay_out(shelf)
    *_, answer = Match(demo(), on_shelf(shelf)).search()
    listed = [line for line in said if "weakest" in line]
    assert len(listed) == min(3, answer.count)
    for line, one in zip(listed, answer.listed, strict=False):
        assert all(key[1] in line for key in one.parts)
        assert f"weakest {one.weakest:.2f}" in line
    if answer.count:
        assert main(["match", "demo", "--invented", "--list", "1"]) == 0
        assert answer.listed[0].spring[1] in capsys.readouterr().out
    assert main(["match", "demo", "--invented", "--list", "100000"]) == 2
    assert main(["match", "demo", "--shelf", str(tmp_path / "none")]) == 2
    assert not (tmp_path / "none").exists(), "asking makes no shelf"
    with pytest.raises(SystemExit):
        main(["match", "demo", "--most", "0"])


def test_tables_and_json_go_to_pandas_and_back(tmp_path):
    """Independent: pandas reads the files with its own reader, point and comma."""
    book = demonstration("four")
    seen = examine(book)
    for options, how in (([], {}), (["--comma"], {"sep": ";", "decimal": ","})):
        assert main(["export", "demo:four", "--to", str(tmp_path), *options]) == 0
        frame = pandas.read_csv(tmp_path / "findings.csv", keep_default_na=True, **how)
        assert frame["verdict"].tolist() == [one.verdict.word for one in seen.findings]
        known = frame["figure"].notna()
        assert frame["figure"][known].tolist() == [one.figure for one in seen.findings if one.figure == one.figure]
    told = json.loads((tmp_path / "findings.json").read_text())["findings"]
    assert pandas.DataFrame(told)["check"].tolist() == frame["check"].tolist()
    write_book(book, tmp_path / "four.liftbook")
    engine = open_engine(tmp_path / "four.liftbook")
    assert len(pandas.DataFrame(engine.findings())) == len(seen.findings)


def test_export_writes_every_drawing_twice(tmp_path, capsys):
    assert main(["export", "demo:four", "--to", str(tmp_path), "--drawings"]) == 0
    svgs = {one.stem for one in tmp_path.glob("*.svg")}
    assert {"heads", "spring", "heights", "lift"} <= svgs
    assert svgs == {one.stem for one in tmp_path.glob("*.png")}
    for name in svgs:
        assert (tmp_path / f"{name}.png").read_bytes()[:4] == b"\x89PNG"


def test_completion_is_run_by_bash_and_names_everything():
    script = subprocess.run(
        [sys.executable, "-m", "honest_lift", "completion", "bash"],
        capture_output=True,
        text=True,
        timeout=60,
        check=True,
    ).stdout

    def completed(*words):
        line = " ".join(f"'{one}'" for one in words)
        ask = f"{script}\nCOMP_WORDS=({line}); COMP_CWORD={len(words) - 1}; _honest_lift; printf '%s\\n' \"${{COMPREPLY[@]}}\""
        return set(
            subprocess.run(
                ["bash", "-c", ask], capture_output=True, text=True, timeout=60, cwd="/", check=True
            ).stdout.split()
        )

    assert {one.name for one in COMMANDS} <= completed("honest-lift", "")
    assert completed("honest-lift", "mig") == {"migrate"}
    assert {"--pdf", "--paper", "--customer"} <= completed("honest-lift", "report", "--")
    assert completed("honest-lift", "report", "--paper", "g") == {"grid"}
    assert completed("honest-lift", "completion", "z") == {"zsh"}


@pytest.mark.parametrize("shell", ["bash", "zsh", "fish"])
def test_every_option_is_completed_in_every_shell(shell, capsys):
    assert main(["completion", shell]) == 0
    script = capsys.readouterr().out
    for name, parser in parsers()[1].items():
        assert name in script
        for action in parser._actions:
            for option in action.option_strings[-1:]:
                assert (f"-l {option[2:]}" if shell == "fish" else option) in script, option


def test_the_manual_page_has_every_command_and_roff_takes_it(tmp_path):
    page = man_page()
    plain = page.replace("\\-", "-")
    for name, parser in parsers()[1].items():
        assert f".SS {name}" in plain
        assert all(action.option_strings[-1] in plain for action in parser._actions if action.option_strings)
    if shutil.which("man"):
        (tmp_path / "honest-lift.1").write_text(page)
        done = subprocess.run(
            ["man", "--warnings", "-l", str(tmp_path / "honest-lift.1")], capture_output=True, text=True, timeout=60,
            env={**os.environ, "MANPAGER": "cat", "MANWIDTH": "100", "LC_ALL": "C.UTF-8"},
        )  # fmt: skip
        assert "EXAMPLES" in done.stdout
        assert "warning" not in done.stderr


def test_it_goes_into_the_desktop_and_out_again(tmp_path, monkeypatch, capsys):
    for name in ("XDG_DATA_HOME", "XDG_CONFIG_HOME"):
        monkeypatch.setenv(name, str(tmp_path / name))
    with pytest.raises(SystemExit):
        main(["install"])
    assert main(["install", "--user"]) == 0
    data = tmp_path / "XDG_DATA_HOME"
    placed = [Path(line) for line in capsys.readouterr().out.splitlines() if line.startswith(str(tmp_path))]
    assert len(placed) > 10
    assert all(one.is_file() for one in placed)
    entry = (data / "applications/honest-lift.desktop").read_text()
    assert "MimeType=application/x-honest-lift-liftbook;" in entry
    assert f"Exec={sys.executable} -m honest_lift %f" in entry or "honest-lift %f" in entry
    for one in ("mime/packages/honest-lift.xml", "icons/hicolor/scalable/apps/honest-lift.svg",
                "icons/hicolor/48x48/mimetypes/application-x-honest-lift-liftbook.png", "man/man1/honest-lift.1",
                "bash-completion/completions/honest-lift", "metainfo/honest-lift.metainfo.xml"):  # fmt: skip
        assert (data / one).stat().st_size > 100, one
    if shutil.which("appstreamcli"):
        told = subprocess.run(
            ["appstreamcli", "validate", "--no-net", str(data / "metainfo/honest-lift.metainfo.xml")], timeout=60
        )
        assert told.returncode == 0
    capsys.readouterr()
    assert main(["install", "--user", "--remove"]) == 0
    left = [one for one in placed if one.exists()]  # the desktop's own tools leave their caches, which are theirs
    assert left == [], "all that was put in is out"


def test_a_file_it_may_not_write_is_said(tmp_path, monkeypatch, capsys):
    (tmp_path / "file").touch()
    monkeypatch.setenv("XDG_DATA_HOME", str(tmp_path / "file" / "data"))
    assert main(["install", "--user"]) == 2
    assert "honest-lift: " in capsys.readouterr().err


@pytest.mark.parametrize("number", [signal.SIGINT, signal.SIGTERM])
def test_a_request_to_end_ends_it_in_order(number, tmp_path):
    """The largest work of the command line, interrupted wherever it is: nothing half written, and the shell's own status."""
    target = tmp_path / "sheet.pdf"
    for wait in (0.3, 1.2, 2.5):
        run = subprocess.Popen(
            [sys.executable, "-m", "honest_lift", "report", "demo", "--pdf", str(target)],
            stderr=subprocess.PIPE, text=True, env={**os.environ, "QT_QPA_PLATFORM": "offscreen"},
        )  # fmt: skip
        time.sleep(wait)
        run.send_signal(number)
        said = run.communicate(timeout=60)[1]
        if run.returncode == 0:
            assert target.read_bytes().rstrip().endswith(b"%%EOF")
            target.unlink()
            continue
        assert not target.exists()
        assert list(tmp_path.iterdir()) == []
        if "honest-lift" in said:  # Python itself ends it where it was still loading the program
            assert said.startswith("honest-lift: stopped")
            assert run.returncode == 128 + number


def test_missing_pieces_of_the_system_are_named_by_their_packages(tmp_path, monkeypatch, capsys):
    names = ("libEGL.so.1", "libxcb-cursor.so.0", "libQt6Core.so.6")
    told = "".join(f"\t{one} => not found\n" for one in names) + "\tlibm.so.6 => /lib/libm.so.6\n"
    monkeypatch.setattr(subprocess, "run", lambda *a, **k: subprocess.CompletedProcess(a, 1, stdout=told))
    (tmp_path / "lib.so").touch()
    lacking = system_pieces.missing_of([tmp_path / "lib.so", tmp_path / "none.so"])
    assert lacking == ("libEGL.so.1", "libxcb-cursor.so.0")
    words = system_pieces.words(lacking)
    assert "\n" not in words
    assert words.endswith("sudo apt-get install -y libegl1 libxcb-cursor0")
    monkeypatch.setattr(system_pieces, "missing", lambda **_: ("libcups.so.2",))
    stamp = tmp_path / "cache" / "looked"
    assert "libcups2" in system_pieces.look_once(stamp)
    assert system_pieces.look_once(stamp) == "", "once"


def test_a_qt_that_can_not_be_loaded_is_a_line_and_no_traceback(tmp_path):
    """As for whoever installed the wheel on a bare machine."""
    (tmp_path / "PyQt6").mkdir()
    (tmp_path / "PyQt6" / "__init__.py").write_text("")
    (tmp_path / "PyQt6" / "QtSvg.py").write_text("raise ImportError('libEGL.so.1: cannot open shared object file')")
    for line in (
        ["--demo"], ["gauges", "1"], ["shots", "there"], ["report", "demo:four", "--pdf", "a.pdf"],
        ["export", "demo:four", "--to", "there", "--drawings"],
    ):  # fmt: skip
        done = subprocess.run(
            [sys.executable, "-m", "honest_lift", *line], capture_output=True, text=True, timeout=60, cwd=tmp_path,
            env={**os.environ, "PYTHONPATH": str(tmp_path), "QT_QPA_PLATFORM": "offscreen"},
        )  # fmt: skip
        assert done.returncode == 2, line
        assert done.stderr.count("\n") == 1
        assert "libEGL.so.1" in done.stderr
