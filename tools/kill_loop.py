"""Kill the real program at random moments, again and again, and look for everything it had called confirmed.

    python tools/kill_loop.py 1000

Each round starts the program in a real window, with the engine's file or plainly, takes in what is offered, types readings key
by key, takes some back, changes facts, saves, and saves as copies, while the disk it keeps them on is full now and then; and is
killed with SIGKILL somewhere on the way, also while it recovers. Ends with status 1 if a single confirmed entry is neither in a
file nor offered for recovery.
"""

from __future__ import annotations

import os
import random
import signal
import subprocess
import sys
import tempfile
import threading
from pathlib import Path

TYPIST = """
import errno, os, random, sys
from pathlib import Path
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtTest import QTest
import honest_lift.desk.window as desk
from honest_lift.desk.application import application
from honest_lift.cli import main
from honest_lift.desk import questions
from honest_lift.facts import disk
from honest_lift.facts.edits import Describe

folder = Path(sys.argv[1])

class Full:
    # the system's calls on a disk that is full for a while
    full = False
    def __getattr__(self, name):
        real = getattr(os, name)
        if not self.full or name not in ("write", "mkdir", "link"):
            return real
        def refused(*given, **more):
            if name == "write" and random.random() < 0.5:
                os.write(given[0], bytes(given[1])[: len(given[1]) // 2])
            raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))
        return refused

disk.os = Full()

def fill():
    disk.os.full = not disk.os.full and random.random() < 0.3
    QTimer.singleShot(random.randint(50, 600), fill)

def taken(parent, question):
    print("offered", flush=True)
    return "take"

questions.recover = taken
questions.tell = lambda parent, title, words: None
questions.changed_meanwhile = lambda parent, what: "over"
questions.save_first = lambda parent, unwritten=0: "save"
questions.same_or_another_engine = lambda parent: "same"
questions.file_to_save = lambda parent, suggestion: folder / "new.liftbook"

def act():
    session, dice = window.session, random.random()
    if dice < 0.08:
        session.undo()
    elif dice < 0.14:
        session.do(Describe({"note": str(random.random())}, "note"))
    elif dice < 0.19:
        window.files.save_engine()
    elif dice < 0.22:
        free = next((one for i in range(12) if not (one := folder / f"copy{i}.liftbook").exists()), None)
        questions.file_to_save = lambda parent, suggestion: free  # over another engine would be that one's end
        window.files.save_engine_as()
    else:
        QTest.keyClicks(window.bar.entry, f"1.{random.randint(790, 810)}")
        QTest.keyClick(window.bar.entry, Qt.Key.Key_Return)
    QTimer.singleShot(random.randint(0, 40), act)

def drive():
    global window
    window = next(w for w in application().topLevelWidgets() if isinstance(w, desk.Window))
    if window.session.examination is None:
        QTimer.singleShot(20, drive)
        return
    fill()
    act()

made = desk.Window.__init__
def init(self, session, settings=None):
    made(self, session, settings)
    session._flushed.connect(lambda entries: print("confirmed", *(e.id for e in entries), flush=True))
desk.Window.__init__ = init
started = desk.Window.show
def show(self):
    started(self)
    print("shown", flush=True)
    QTimer.singleShot(0, drive)
desk.Window.show = show
sys.exit(main([*sys.argv[2:], "--platform", "offscreen"]))
"""


def one_round(folder: Path, path: Path | None, environment: dict[str, str]) -> tuple[list[str], int]:
    """Run the program until it is killed; give the ids of what it called confirmed, and how often it offered something."""
    program = subprocess.Popen(
        [sys.executable, "-c", TYPIST, str(folder), *([str(path)] if path else [])],
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        env=environment,
        text=True,
    )
    assert program.stdout is not None
    assert program.stderr is not None
    said: list[str] = []
    listening = threading.Thread(target=lambda: said.append(program.stderr.read()), daemon=True)
    listening.start()
    confirmed: list[str] = []
    offered = 0
    killing: threading.Timer | None = None
    for line in program.stdout:
        word, *ids = line.split()
        if word == "shown":  # from the first moment of recovery on
            killing = threading.Timer(random.choice([0.3, 2.0, 3.0, 4.0]) * random.random(), program.kill)
            killing.start()
        confirmed += ids
        offered += word == "offered"
    if program.wait() != -signal.SIGKILL:
        listening.join(5)
        raise RuntimeError(f"the program ended by itself: {''.join(said)[-2000:]}")
    return confirmed, offered


def found_in(folder: Path) -> set[str]:
    """Give the ids of all that the files hold, and of what a start would offer."""
    from honest_lift.facts.file import read_book
    from honest_lift.facts.recovery import leftovers

    files = {entry.id for path in folder.glob("*.liftbook") for entry in read_book(path).journal}
    return files | {entry.id for left in leftovers() for entry in left.entries}


def main(rounds: int, seed: int) -> int:
    """Kill the program as often as asked; print what was lost."""
    random.seed(seed)
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        kept = dict.fromkeys(("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME"), name)
        os.environ.update(kept)
        from honest_lift.demo.engine import demo_book
        from honest_lift.facts.file import write_book

        write_book(demo_book(), folder / "engine.liftbook")
        confirmed: set[str] = set()
        offers = 0
        for number in range(1, rounds + 1):
            path = random.choice([None, folder / "engine.liftbook", *sorted(folder.glob("*.liftbook"))])
            told, offered = one_round(folder, path, {**os.environ, **kept})
            confirmed |= set(told)
            offers += offered
            if lost := confirmed - found_in(folder):
                print(
                    f"LOST {len(lost)} of {len(confirmed)} confirmed entries in round {number}, seed {seed}: {sorted(lost)}"
                )
                return 1
        print(f"seed {seed}: {rounds} kills, {offers} times offered, {len(confirmed)} entries confirmed, 0 lost")
    return 0


if __name__ == "__main__":
    rounds = int(sys.argv[1]) if len(sys.argv) > 1 else 200
    sys.exit(main(rounds, int(sys.argv[2]) if len(sys.argv) > 2 else random.randrange(10**6)))
