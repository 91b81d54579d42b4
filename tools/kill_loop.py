"""Kill the real program at random moments, again and again, and look for every reading it had called confirmed.

    python tools/kill_loop.py 200

Each round opens the engine file in a real window, takes in what the last round left, types readings key by key and
now and then saves, and is killed with SIGKILL somewhere on the way. Ends with status 1 if a single confirmed reading
is neither in the file nor offered for recovery.
"""

from __future__ import annotations

import os
import random
import signal
import subprocess
import sys
import tempfile
import time
from pathlib import Path

TYPIST = """
import random, sys
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtTest import QTest
import honest_lift.desk.window as desk
from honest_lift.cli import main
from honest_lift.desk import questions

questions.recover = lambda parent, question: "take"

def type_on():
    QTest.keyClicks(window.bar.entry, f"1.{random.randint(790, 810)}")
    QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
    if random.random() < 0.05:
        window.session.save(window.session.path)
    QTimer.singleShot(random.randint(0, 30), type_on)

def drive():
    global window
    window = next(w for w in desk.application().topLevelWidgets() if isinstance(w, desk.Window))
    if window.session.examination is None:
        QTimer.singleShot(20, drive)
        return
    window.session._flushed.connect(lambda entries: print(*(e.id for e in entries), flush=True))
    type_on()

started = desk.Window.show
def show(self):
    started(self)
    QTimer.singleShot(0, drive)
desk.Window.show = show
sys.exit(main([sys.argv[1], "--platform", "offscreen"]))
"""


def one_round(path: Path, environment: dict[str, str]) -> list[str]:
    """Run the program until it is killed; give the ids of the readings it called confirmed."""
    program = subprocess.Popen(
        [sys.executable, "-c", TYPIST, str(path)],
        stdout=subprocess.PIPE,
        stderr=subprocess.DEVNULL,
        env=environment,
        text=True,
    )
    assert program.stdout is not None
    patience = random.randint(1, 25)
    confirmed: list[str] = []
    for line in program.stdout:
        confirmed += line.split()
        patience -= 1
        if patience == 0:
            time.sleep(random.uniform(0.0, 0.06))  # anywhere between two key presses, two flushes, half a save
            program.send_signal(signal.SIGKILL)
    if program.wait() != -signal.SIGKILL:
        raise RuntimeError("the program ended by itself")
    return confirmed


def main(rounds: int) -> int:
    """Kill the program as often as asked; print what was lost."""
    with tempfile.TemporaryDirectory() as folder:
        kept = dict.fromkeys(("XDG_STATE_HOME", "XDG_CONFIG_HOME"), folder)
        os.environ.update(kept)
        from honest_lift.demo.engine import demo_book
        from honest_lift.facts.file import read_book, write_book
        from honest_lift.facts.recovery import left_of

        path = Path(folder) / "engine.liftbook"
        write_book(demo_book(), path)
        confirmed: set[str] = set()
        for _ in range(rounds):
            confirmed |= set(one_round(path, {**os.environ, **kept}))
            book = read_book(path)
            found = {entry.id for entry in (*book.journal, *left_of(book, path).entries)}
            if lost := confirmed - found:
                print(f"LOST {len(lost)} of {len(confirmed)} confirmed readings")
                return 1
        print(f"{rounds} kills, {len(confirmed)} readings confirmed, 0 lost")
    return 0


if __name__ == "__main__":
    sys.exit(main(int(sys.argv[1]) if len(sys.argv) > 1 else 200))
