"""README's first minutes with a real mouse and keyboard: an X server, a window manager, and nothing of the program called."""

import queue
import shutil
import subprocess
import sys
import threading
import time

import pytest

from real_hands import RealHands
from screens import Screen, environment

pytestmark = pytest.mark.skipif(
    not (shutil.which("Xvfb") and shutil.which("openbox")), reason="no X server or window manager on this machine"
)
LONGEST_S = 60  # that anything is waited for: it is an event that is waited for, never a time
AS_A_HAND_S = 0.09

# Tells in lines what a person would see: where things are on the screen, what was said, where one stands.
DRIVER = """
import sys, time
from PyQt6.QtCore import QEvent, QObject, QTimer
from PyQt6.QtWidgets import QApplication, QWidget
import honest_lift.desk.window as desk
from honest_lift.cli import main

def told(*words):
    print(*words, flush=True)

class Clicks(QObject):  # a window manager hands a click on when it likes, and keys may come before it
    def eventFilter(self, watched, event):
        if event.type() == QEvent.Type.MouseButtonRelease and isinstance(watched, QWidget):
            QTimer.singleShot(0, lambda: told("clicked"))
        return False

started = desk.Window.show
def show(self):
    self.clicks = Clicks(self)
    QApplication.instance().installEventFilter(self.clicks)
    started(self)
    session = self.session
    def place():
        for name, centre in self.strip._valves.items():
            at = self.strip.mapToGlobal(centre.toPoint())
            told("valve", name, at.x(), at.y())
        for name, one in (("route", self.route), ("rungs", self.ladder.rungs), ("sheet", self.stack)):
            at = one.mapToGlobal(one.rect().center())
            told("there", name, at.x(), at.y())
        told("ready")
    def opened():
        told("open") if self.isActiveWindow() else QTimer.singleShot(1, opened)
    opened()
    def look():
        if self.isActiveWindow() and session.examination is not None:
            place()
        else:
            QTimer.singleShot(50, look)
    look()
    session.confirmed.connect(lambda words: told("confirmed", words))
    session.told.connect(lambda words: told("told", words))
    session.warned.connect(lambda words: told("warned", words))
    session.moved.connect(lambda: told("at", session.step, session.position))
    session.changed.connect(lambda: told("verdict", session.position, *(
        session.examination.finding("installed_height", one).verdict.word for one in ("5i", "8e"))))
    self.bar.questioned.connect(lambda: told("asked", self.bar.understood.text()))
    session.moved.connect(lambda: session.check and told("finding", session.check))
    held = []
    def hold(text):
        told("entry", text)
        if "--hold" in sys.argv and text == "1.8" and not held:
            held.append(text)
            told("held")
            time.sleep(0.6)
    self.bar.entry.textChanged.connect(hold)
desk.Window.show = show
sys.exit(main(["--demo"]))
"""


class Told:
    """What the program said, line by line, as it says it."""

    def __init__(self, program):
        self.lines, self.seen, self.program = queue.Queue(), [], program
        self.listening = threading.Thread(target=self._listen)
        self.listening.start()

    def _listen(self):
        with self.program.stdout as said:
            for line in said:
                self.lines.put(line.rstrip("\n"))

    def end(self):
        self.program.kill()
        self.program.wait(timeout=10)
        self.listening.join()

    def until(self, beginning):
        """Wait for a line; give what stands behind its beginning."""
        until = time.monotonic() + LONGEST_S
        while True:
            try:
                line = self.lines.get(timeout=max(until - time.monotonic(), 0.01))
            except queue.Empty:
                pytest.fail(f"“{beginning}” never came, but {self.seen}")
            self.seen.append(line)
            if line.startswith(beginning):
                return line.removeprefix(beginning).strip()

    def places(self):
        """Wait until the window has the focus; give where the valves and parts of it are on the screen."""
        self.until("ready")
        lines = [line.split() for line in self.seen if line.startswith(("valve ", "there "))]
        return {name: (int(x), int(y)) for _, name, x, y in lines}


@pytest.fixture
def started(tmp_path):
    """Start the program with the demonstration on a screen of its own, under a window manager."""
    screen = Screen()
    around = environment(screen, tmp_path)
    manager = subprocess.Popen(["openbox"], env=around, stderr=subprocess.DEVNULL)
    hands = RealHands(screen.name)
    while not hands.has_manager():
        time.sleep(0.05)
    programs = []

    def start(*options):
        program = subprocess.Popen(
            [sys.executable, "-c", DRIVER, *options], env={**around, "QT_QPA_PLATFORM": "xcb"}, text=True,
            stdout=subprocess.PIPE, stderr=subprocess.DEVNULL,
        )  # fmt: skip
        programs.append(Told(program))
        return hands, programs[-1]

    yield start
    for one in programs:
        one.end()
    manager.kill()
    manager.wait(timeout=10)
    hands.display.close()
    screen.end()


def test_the_three_minutes_of_the_readme(started):
    hands, told = started()
    where = told.places()
    hands.click(*where["5i"])
    assert told.until("at ") == "heights 5i"
    hands.key("F3")
    assert told.until("finding ")
    hands.key("F3")
    hands.click(*where["8e"])
    told.until("clicked")
    hands.type("1.803\n", AS_A_HAND_S)
    assert told.until("confirmed ") == "1.803 at 8 exhaust confirmed."
    while not told.until("verdict ").endswith("fails passes"):
        pass
    hands.key("z", "Control_L")
    assert told.until("at ") == "heights 8e", "one is where it was done"
    assert told.until("told Taken back: ") == "installed height of 8 exhaust: 1.803."
    hands.type("1.803\n", AS_A_HAND_S)
    assert told.until("confirmed ") == "1.803 at 8 exhaust confirmed."
    assert "told Confirmed." not in told.seen


def test_a_gauge_that_is_a_keyboard_lands_each_figure_once_whatever_was_clicked(started):
    hands, told = started()
    where = told.places()
    hands.click(*where["8e"])
    told.until("at heights 8e")
    hands.click(*where["route"])  # opens another step
    told.until("at rocker")
    hands.key("4", "Control_L")
    told.until("at heights")
    hands.click(*where["8e"])
    told.until("clicked")
    hands.type("1.8031\n")
    assert told.until("confirmed ") == "1.8031 at 8 exhaust confirmed."
    for clicked in ("rungs", "8e"):
        hands.click(*where[clicked])
        told.until("clicked")
        hands.type("1.8031\n")
        assert told.until("confirmed ").startswith("1.8031 at "), clicked
    hands.type("1.8091\n1.8011\n1.8013\n")
    assert [told.until("confirmed ").split()[0] for _ in range(3)] == ["1.8091", "1.8011", "1.8013"]


def test_a_hand_in_a_busy_window_is_no_gauge_and_loses_no_digit(started):
    hands, told = started("--hold")
    where = told.places()
    hands.click(*where["8e"])
    told.until("clicked")
    hands.type("1.8", AS_A_HAND_S)
    told.until("held")
    hands.type("125", AS_A_HAND_S)  # all of it while the window is held up: it hears of it at once
    hands.type("\n")
    assert told.until("confirmed ") == "1.8125 at 8 exhaust confirmed."
    assert not [line for line in told.seen if line.startswith("asked")]
