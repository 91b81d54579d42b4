"""Let each call to the disk fail in turn, under a real window, and look that it is said, nothing is lost and nothing ends.

    python tools/disk_faults.py            every call, every reason
    python tools/disk_faults.py 60 7       sixty of them, by the seed 7

A scripted piece of work (open, type, undo, change a fact, save, save as, recover, put away, close) is done once to count the calls,
and then again and again with one call failing, once or from there on for a while. Ends with status 1 where an exception comes
out, a reading is lost, or a failure that a person must know of is met without a word.
"""

from __future__ import annotations

import errno
import os
import random
import shutil
import sys
import tempfile
import time
from collections import Counter
from collections.abc import Callable
from pathlib import Path
from typing import Any

from PyQt6 import sip
from PyQt6.QtCore import Qt

CALLS = (
    "open",
    "read",
    "write",
    "fsync",
    "ftruncate",
    "stat",
    "fstat",
    "listdir",
    "mkdir",
    "replace",
    "link",
    "unlink",
    "fchmod",
)
REASONS = (errno.ENOSPC, errno.EIO, errno.EACCES, errno.EROFS, errno.ENOENT)


class Faulty:
    """The system's calls, of which the one with a number fails, and those after it for a while."""

    def __init__(self, number: int = -1, reason: int = errno.EIO, times: int = 1) -> None:
        self.count, self.failed = 0, ""
        self._number, self._reason, self._times = number, reason, times

    def __getattr__(self, name: str) -> Any:
        real = getattr(os, name)
        if name not in CALLS:
            return real

        def called(*given: Any, **more: Any) -> Any:
            number, self.count = self.count, self.count + 1
            if self._number <= number < self._number + self._times:
                self.failed += f" {name}"
                raise OSError(
                    self._reason, os.strerror(self._reason), *[one for one in given[:1] if not isinstance(one, int)]
                )
            return real(*given, **more)

        return called


class Bench:
    """A folder, a window, and all that is said in it."""

    def __init__(self, folder: Path) -> None:
        from honest_lift.desk import questions

        self.folder, self.said, self.slipped = folder, list[str](), list[str]()
        self.path = folder / "engine.liftbook"
        self.copy = folder / "copy.liftbook"
        self.windows: list[Any] = []
        self.typed: set[str] = set()
        self.confirmed: set[str] = set()
        self.questions: Any = questions
        questions.tell = lambda parent, title, words: self.said.append(words)  # type: ignore[assignment]
        questions.recover = lambda parent, question: "take"  # type: ignore[assignment]
        questions.changed_meanwhile = lambda parent, what: self.said.append(what) or "stay"  # type: ignore[assignment,func-returns-value]
        questions.csv_to_save = lambda parent, suggestion: folder / "column.csv"  # type: ignore[assignment]
        questions.save_first = lambda parent, unwritten=0: "drop"  # type: ignore[assignment]
        questions.file_to_save = lambda parent, suggestion: self.copy  # type: ignore[assignment]
        questions.same_or_another_engine = lambda parent: "same"  # type: ignore[assignment]
        sys.excepthook = lambda kind, error, where: self.slipped.append(f"{kind.__name__}: {error}")

    def window(self) -> Any:
        """Open a window, everything it says collected."""
        from honest_lift.desk.session import Session
        from honest_lift.desk.window import Window

        session = Session()
        session.warned.connect(self.said.append)
        direct = Qt.ConnectionType.DirectConnection
        session._flushed.connect(lambda entries: self.confirmed.update(one.id for one in entries), direct)
        session.unsafe.connect(lambda words: words and self.said.append(words))
        self.windows.append(Window(session))
        return self.windows[-1]


def work(bench: Bench, turn: Callable[[], None]) -> Any:
    """Do the whole piece of work; give the window that was open last."""
    from honest_lift.facts.edits import Describe

    def type_in(text: str) -> None:
        window.bar.entry.setText(text)
        window.bar.confirm()
        bench.typed |= {one.id for one in window.session.book.journal}
        turn()

    window = bench.window()
    window.files.open_path(bench.path)
    window.show()
    turn()
    type_in("1.801")
    type_in("1.802")
    window.session.undo()
    window.session.do(Describe({"note": "a"}, "note"))
    turn()
    window.files.save_engine()
    type_in("1.803")
    window.files.save_engine_as()
    window.session.open_step("readings")
    window.sheets["readings"].save_csv()
    window.session.open_step("heights")
    type_in("1.804")
    window.end_in_order()
    window.hide()
    window = bench.window()
    window.files.open_path(window.session.path or bench.copy)
    window.show()
    turn()
    type_in("1.805")
    window.files.recover_never_saved()
    turn()
    return window


def one_trial(folder: Path, faulty: Faulty, source: bytes) -> tuple[Bench, list[str]]:
    """Work on a faulty disk, then on a sound one; say what is wrong with what came of it."""
    from PyQt6.QtWidgets import QApplication

    from honest_lift.facts import disk
    from honest_lift.facts.file import read_book
    from honest_lift.facts.memory.remember import forget_all
    from honest_lift.facts.recovery import leftovers

    shutil.rmtree(folder, ignore_errors=True)
    folder.mkdir()
    bench = Bench(folder)
    bench.path.write_bytes(source)
    wrong: list[str] = []

    def turn() -> None:
        QApplication.processEvents()

    disk.os = faulty  # type: ignore[assignment]
    try:
        window = work(bench, turn)
    finally:
        disk.os = os
    until = time.monotonic() + 12
    while window.session.keeper.is_behind and time.monotonic() < until:
        turn()
        time.sleep(0.01)
    window.end_in_order()
    found = {one.id for path in folder.glob("*.liftbook") for one in read_book(path).journal}
    found |= {one.id for left in leftovers() for one in left.entries}
    if lost := bench.confirmed - found:
        wrong.append(f"{len(lost)} confirmed entries lost")
    if (lost := bench.typed - found) and not any("on the disk" in one for one in bench.said):
        wrong.append(f"{len(lost)} entries lost without a word")
    wrong += bench.slipped
    for one in bench.windows:  # thousands of them would fill the memory
        sip.delete(one)
    forget_all()
    return bench, wrong


def main(most: int, seed: int) -> int:
    """Let calls fail, all or some; print how often, and what was wrong."""
    hand = random.Random(seed)
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name).resolve() / "bench"
        os.environ.update(dict.fromkeys(("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME"), str(folder / "state")))
        os.environ["QT_QPA_PLATFORM"] = "offscreen"
        from honest_lift.demo.engine import demo_book
        from honest_lift.desk.application import application
        from honest_lift.desk.theme import load_fonts
        from honest_lift.estimates.motion.problems import sweep_with
        from honest_lift.facts.file import encode_book
        from honest_lift.mechanics.motion.sweep import Fineness

        sweep_with(Fineness(segments=2, speeds=7, share=0.95, settle_s=0.0))  # it is the disk that is looked at
        held = application()
        load_fonts()
        held.setQuitOnLastWindowClosed(False)
        source = encode_book(demo_book())
        sound = Faulty()
        bench, wrong = one_trial(folder, sound, source)
        if wrong or bench.said:
            print(f"on a sound disk: {wrong} {bench.said}")
            return 1
        trials = [(number, reason, times) for number in range(sound.count) for reason in REASONS for times in (1, 25)]
        if most:
            trials = hand.sample(trials, min(most, len(trials)))
        told: Counter[str] = Counter()
        for number, reason, times in trials:
            faulty = Faulty(number, reason, times)
            bench, wrong = one_trial(folder, faulty, source)
            told["with a sentence" if bench.said else "mended in silence" if faulty.failed else "not met"] += 1
            if wrong:
                print(
                    f"call {number} ({faulty.failed.strip()}), {errno.errorcode[reason]} x{times}: {'; '.join(wrong)}"
                )
                print("said:", *bench.said, sep="\n  ")
                return 1
    counts = ", ".join(f"{count} {what}" for what, count in told.items())
    print(f"seed {seed}: {len(trials)} failures of {sound.count} calls ({counts}), nothing lost, nothing slipped")
    return 0


if __name__ == "__main__":
    most = int(sys.argv[1]) if len(sys.argv) > 1 else 0
    sys.exit(main(most, int(sys.argv[2]) if len(sys.argv) > 2 else random.randrange(10**6)))
