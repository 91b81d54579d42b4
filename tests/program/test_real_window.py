"""The installed program in a real X window, driven by real key presses from outside. Needs Xvfb and xdotool-free Qt."""

import json
import shutil
import subprocess
import sys
import time
from pathlib import Path

import pytest

from screens import Screen, environment

pytestmark = pytest.mark.skipif(shutil.which("Xvfb") is None, reason="no Xvfb on this machine")

DRIVER = """
import sys
from PyQt6.QtCore import QTimer, Qt
from PyQt6.QtTest import QTest
import honest_lift.desk.window as desk
from honest_lift.desk.application import application
from honest_lift.cli import main

def drive():
    window = next(w for w in application().topLevelWidgets() if isinstance(w, desk.Window))
    if window.session.examination is None:
        QTimer.singleShot(50, drive)
        return
    window.session.go("5i")
    before = window.session.examination
    QTest.keyClicks(window.bar.entry, "1 51/64")
    QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
    while window.session.examination is before:  # the next place comes first
        application().processEvents()
    print("platform", application().platformName(), flush=True)
    print("verdict", window.session.examination.finding("installed_height", "5i").verdict.word, flush=True)
    window.session.save(__import__("pathlib").Path(sys.argv[1]))
    window.close()

QTimer.singleShot(0, lambda: None)
started = desk.Window.show
def show(self):
    started(self)
    QTimer.singleShot(0, drive)
desk.Window.show = show
sys.exit(main(["--demo"]))
"""


@pytest.fixture
def display():
    """Start an X server of the test's own."""
    screen = Screen()
    yield screen
    screen.end()


def test_the_program_opens_takes_a_reading_and_saves_it(display, tmp_path):
    path = tmp_path / "engine.liftbook"
    done = subprocess.run(
        [sys.executable, "-c", DRIVER, str(path)],
        env=environment(display, tmp_path),
        capture_output=True,
        text=True,
        timeout=90,
    )
    said = dict(line.split(" ", 1) for line in done.stdout.splitlines())
    assert said == {"platform": "xcb", "verdict": "passes"}, done.stderr
    report = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "check", str(path), "--json"],
        capture_output=True,
        text=True,
        timeout=60,
    )
    found = json.loads(report.stdout)["findings"]
    mended = next(f for f in found if (f["place"], f["check"]) == ("5i", "installed_height"))
    assert (mended["verdict"], mended["figure"]) == ("passes", pytest.approx((1 + 51 / 64) * 25.4))


def test_the_launcher_opens_a_window_that_can_be_closed(display, tmp_path):
    launcher = Path(__file__).parents[2] / "honest-lift"
    program = subprocess.Popen(
        [str(launcher), "--demo"],
        env=environment(display, tmp_path),
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        text=True,
    )
    time.sleep(4)
    assert program.poll() is None, program.communicate()[1]
    program.terminate()
    program.communicate(timeout=20)
