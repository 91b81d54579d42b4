"""However the program ends, or slips, what was confirmed is kept, no lock stays behind, and a word is said."""

import os
import shutil
import signal
import subprocess
import sys
import time

import pytest

from engines import demo
from honest_lift.facts.file import read_book, write_book
from honest_lift.facts.recovery import left_of
from screens import Screen, environment

TYPIST = """
import sys
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtTest import QTest
import honest_lift.desk.window as desk
from honest_lift.desk.application import application
from honest_lift.cli import main
from honest_lift.desk import questions

def told(parent, title, words):
    print("told", words.replace(chr(10), " "), flush=True)
questions.tell = told

def drive():
    window = next(w for w in application().topLevelWidgets() if isinstance(w, desk.Window))
    if window.session.examination is None:
        QTimer.singleShot(20, drive)
        return
    window.session._flushed.connect(lambda entries: print("confirmed", *(e.id for e in entries), flush=True))
    {slip}
    QTest.keyClicks(window.bar.entry, "1.801")
    QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)

started = desk.Window.show
def show(self):
    started(self)
    QTimer.singleShot(0, drive)
desk.Window.show = show
sys.exit(main(sys.argv[1:]))
"""
SLIPS = {
    "a slot": "window.session.moved.connect(lambda: 1 / 0); window.session.moved.emit()",
    "a thread": "import threading; one = threading.Thread(target=lambda: 1 / 0); one.start(); one.join()",
    "a painting": "window.strip.paintEvent = lambda event: 1 / 0; window.strip.update()",
}


@pytest.fixture
def engine(tmp_path):
    path = tmp_path / "river.liftbook"
    write_book(demo(), path)
    return path


def started(path, environ, slip="pass"):
    return subprocess.Popen(
        [sys.executable, "-c", TYPIST.replace("{slip}", slip), str(path)],
        stdout=subprocess.PIPE, stderr=subprocess.PIPE, env=environ, text=True,
    )  # fmt: skip


def confirmed(program, told=None):
    """Wait for the reading to be confirmed; give its id. `told`: collects what is said before."""
    for line in program.stdout:
        if line.startswith("confirmed"):
            return line.split()[1]
        if told is not None:
            told.append(line)
    raise AssertionError(program.communicate())


def offscreen():
    return {**os.environ, "QT_QPA_PLATFORM": "offscreen"}


@pytest.mark.parametrize("number", [signal.SIGINT, signal.SIGTERM, signal.SIGHUP])
def test_a_signal_ends_the_program_in_order(engine, number):
    program = started(engine, offscreen())
    reading = confirmed(program)
    program.send_signal(number)
    out, err = program.communicate(timeout=20)
    assert (program.returncode, "Traceback" in err) == (128 + number, False)
    assert "told" not in out
    assert not engine.with_name(f".{engine.name}.lock").exists()
    left = left_of(read_book(engine), engine)
    assert ([one.id for one in left.entries], left.torn) == ([reading], 0)


@pytest.mark.skipif(shutil.which("Xvfb") is None, reason="no Xvfb on this machine")
def test_a_display_that_dies_leaves_nothing_behind(engine, tmp_path, monkeypatch):
    screen = Screen()
    environ = environment(screen, tmp_path)
    monkeypatch.setenv("XDG_STATE_HOME", environ["XDG_STATE_HOME"])
    program = started(engine, environ)
    reading = confirmed(program)
    screen.end(at_once=True)
    _, err = program.communicate(timeout=20)
    assert program.returncode == 1
    assert "the window can't go on" in err
    assert "Traceback" not in err
    assert not engine.with_name(f".{engine.name}.lock").exists()
    assert [one.id for one in left_of(read_book(engine), engine).entries] == [reading]


@pytest.mark.parametrize("slip", SLIPS)
def test_a_slip_is_said_and_written_down_and_the_window_goes_on(engine, slip, tmp_path):
    program, told = started(engine, offscreen(), SLIPS[slip]), []
    reading = confirmed(program, told)
    time.sleep(0.5)
    assert program.poll() is None
    program.send_signal(signal.SIGTERM)
    told += program.stdout.read().splitlines()  # what was read ahead stands in its buffer, out of reach of communicate
    program.wait(timeout=20)
    program.stdout.close()
    program.stderr.close()
    log = next((tmp_path / "xdg_state_home").rglob("honest-lift.log"))
    assert "ZeroDivisionError" in log.read_text(encoding="utf-8")
    assert [one.id for one in left_of(read_book(engine), engine).entries] == [reading]
    (said,) = [line for line in told if line.startswith("told")]
    assert "nothing that was confirmed is lost" in said
    assert str(log) in said
