"""Cut the power after every call to the disk, and look whether anything confirmed is lost or a file can't be read.

    python tools/power_cut.py 5

Sessions of work (readings, undo, facts, saves, copies, an end and the recovery after it, at random) are recorded call by call.
Then the disk is built again as it may stand after a cut at each call: with all that was done, with only what was flushed, with
flushed contents under all the names, and with some of the rest at random, torn in the middle of a write. A disk may keep any of
what was not flushed, in the order it was done for each file and for each folder; what was flushed stays. Ends with status 1 at
the first loss.
"""

from __future__ import annotations

import os
import random
import shutil
import sys
import tempfile
import threading
from pathlib import Path
from typing import Any

from PyQt6.QtCore import QCoreApplication, Qt

Call = tuple[Any, ...]
WAYS = ("all", "flushed", "names", "random", "random")


class Recorder:
    """The system's calls, done and noted: files by a number of their own, since names change."""

    def __init__(self) -> None:
        self.calls: list[Call] = []
        self._numbers: dict[int, int] = {}  # by handle
        self._last: dict[tuple[int, int], int] = {}  # by inode
        self._folders: dict[int, str] = {}
        self._count = 0
        self._lock = threading.RLock()

    def __getattr__(self, name: str) -> Any:
        return getattr(os, name)

    def note(self, *call: Any) -> None:
        """Note something that is no call to the disk."""
        with self._lock:
            self.calls.append(call)

    def open(self, path: Any, flags: int, *more: Any) -> int:
        with self._lock:
            made = bool(flags & os.O_CREAT) and not os.path.lexists(path)
            handle = os.open(path, flags, *more)
            told = os.fstat(handle)
            if os.path.isdir(path):
                self._folders[handle] = os.fspath(path)
                return handle
            self._folders.pop(handle, None)
            if made:
                self._count += 1
                self._last[told.st_dev, told.st_ino] = self._count
                self.calls.append(("make", os.fspath(path), self._count))
            self._numbers[handle] = self._last[told.st_dev, told.st_ino]
            return handle

    def write(self, handle: int, data: Any) -> int:
        with self._lock:
            count = os.write(handle, data)
            self.calls.append(("write", self._numbers[handle], bytes(data[:count])))
            return count

    def ftruncate(self, handle: int, size: int) -> None:
        with self._lock:
            os.ftruncate(handle, size)
            self.calls.append(("cut", self._numbers[handle], size))

    def fsync(self, handle: int) -> None:
        with self._lock:
            os.fsync(handle)
            folder = self._folders.get(handle)
            self.calls.append(("flush", folder if folder else self._numbers[handle]))

    def _named(self, call: str, *paths: Any) -> None:
        with self._lock:
            getattr(os, {"rename": "replace", "remove": "unlink"}.get(call, call))(*paths)
            self.calls.append((call, *map(os.fspath, paths)))

    def replace(self, path: Any, to: Any) -> None:
        self._named("rename", path, to)

    def link(self, path: Any, to: Any) -> None:
        self._named("link", path, to)

    def unlink(self, path: Any) -> None:
        self._named("remove", path)

    def mkdir(self, path: Any, mode: int = 0o777) -> None:
        with self._lock:
            os.mkdir(path, mode)
            self.calls.append(("mkdir", os.fspath(path)))


def whose(call: Call) -> Any:
    """Give the file (a number) or the folder (a path) that a call is work on; None for what is noted only."""
    match call:
        case ("write" | "cut", number, _):
            return number
        case ("make", path, _) | ("remove" | "mkdir", path) | ("rename" | "link", _, path):
            return os.path.dirname(path)
    return None


def after_a_cut(calls: list[Call], base: str, way: str, hand: random.Random) -> dict[str, bytes | None]:
    """Give the files by path, and folders as None, as they may stand when power goes after the last of some calls.

    `base`: the folder that was there before; what lies in a folder that did not outlive the cut is gone with it.
    """
    work: dict[Any, list[int]] = {}
    sure: dict[Any, int] = {}
    for i, call in enumerate(calls):
        if call[0] == "flush":
            sure[call[1]] = len(work.get(call[1], ()))
        elif (own := whose(call)) is not None:
            work.setdefault(own, []).append(i)
    kept: set[int] = set()
    torn: int | None = None
    for own, done in work.items():
        least = sure.get(own, 0)
        most = {"all": len(done), "flushed": least, "names": len(done) if isinstance(own, str) else least}.get(way)
        most = hand.randint(least, len(done)) if most is None else most
        kept.update(done[:most])
        if way == "random" and least < most and calls[done[most - 1]][0] == "write":
            torn = done[most - 1]
    names: dict[str, int | None] = {}
    held: dict[int, bytes] = {}
    for i, call in enumerate(calls):
        if i not in kept:
            continue
        match call:
            case ("make", path, number):
                names[path] = number
                held.setdefault(number, b"")
            case ("write", number, data):
                held[number] = held.get(number, b"") + (data[: hand.randrange(len(data) + 1)] if i == torn else data)
            case ("cut", number, size):
                held[number] = held.get(number, b"")[:size]
            case ("rename", path, to) if path in names:
                names[to] = names.pop(path)
            case ("link", path, to) if path in names:
                names[to] = names[path]
            case ("remove", path):
                names.pop(path, None)
            case ("mkdir", path):
                names[path] = None
    there = {path for path, number in names.items() if number is None} | {base}
    return {path: None if number is None else held[number] for path, number in names.items()
            if os.path.dirname(path) in there}  # fmt: skip


def session_of_work(folder: Path, recorder: Recorder, hand: random.Random, acts: int) -> None:
    """Work on an engine as a crew would, every call noted."""
    from honest_lift.desk.session import Session
    from honest_lift.facts.edits import Confirm, Describe, LayOut, reading_of
    from honest_lift.facts.fresh import empty_book
    from honest_lift.facts.layout import read_layout
    from honest_lift.facts.place import at_position
    from honest_lift.facts.recovery import left_of

    def opened() -> Session:
        session = Session()
        direct = Qt.ConnectionType.DirectConnection
        session._flushed.connect(lambda entries: recorder.note("confirmed", *(one.id for one in entries)), direct)
        return session

    def settle(session: Session) -> None:
        journal = session.keeper._journal
        while journal and journal.is_behind:
            pass

    def saved(path: Path) -> None:
        session.save(path)
        recorder.note("saved", str(path))

    session = opened()
    session.take(empty_book(), None)
    session.do(LayOut(read_layout("head: 1e 1i 2i 2e")))
    copies = 0
    for _ in range(acts):
        dice = hand.random()
        if dice < 0.5:
            place = at_position(hand.choice(["1e", "1i", "2i", "2e"]))
            reading = reading_of(
                session.book, "installed_height", place, 45.0 + hand.random(), text="x", unit="mm", way="caliper"
            )
            session.do(Confirm((reading,)))
        elif dice < 0.6:
            session.undo()
        elif dice < 0.7:
            session.do(Describe({"note": str(hand.random())}, "note"))
        elif dice < 0.8:
            saved(session.path or folder / "engine.liftbook")
        elif dice < 0.86 and session.path:
            copies += 1
            saved(folder / f"copy{copies}.liftbook")
        elif dice < 0.94:
            path, engine = session.path, session.book.engine
            session.close()
            session = opened()
            if path:
                session.open(path)
            else:
                session.take(empty_book(), None)
                session.history.book = type(session.book)(engine)
            left = left_of(session.book, session.path)
            if not left.is_empty and hand.random() < 0.8:
                session.recover(left)
        if hand.random() < 0.5:
            settle(session)
    session.close()


def lost_after(calls: list[Call], folder: Path) -> str:
    """Say what is lost on the disk that is there, of what some calls had confirmed and saved; "" for nothing."""
    from honest_lift.facts.file import FileError, read_book
    from honest_lift.facts.recovery import leftovers

    confirmed = {one for call in calls if call[0] == "confirmed" for one in call[1:]}
    found: set[str] = set()
    for path in folder.glob("*.liftbook"):
        try:
            found |= {one.id for one in read_book(path).journal}
        except FileError as error:
            return f"a file that can't be read: {error}"
    for call in calls:
        if call[0] == "saved" and not Path(call[1]).exists():
            return f"a saved file is gone: {call[1]}"
    found |= {one.id for left in leftovers() for one in left.entries}
    return f"{len(confirmed - found)} of {len(confirmed)} confirmed entries" if confirmed - found else ""


def main(sessions: int, seed: int, acts: int = 40) -> int:
    """Work, cut and look; print how often."""
    from honest_lift.facts import disk

    hand, cuts = random.Random(seed), 0
    application = QCoreApplication([])
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name).resolve() / "bench"
        os.environ["XDG_STATE_HOME"] = str(folder / "state")
        for _ in range(sessions):
            shutil.rmtree(folder, ignore_errors=True)
            folder.mkdir()
            recorder = Recorder()
            disk.os = recorder  # type: ignore[assignment]
            session_of_work(folder, recorder, hand, acts)
            disk.os = os
            for size in range(1, len(recorder.calls) + 1):
                for way in WAYS:
                    shutil.rmtree(folder)
                    folder.mkdir()
                    for path, data in after_a_cut(recorder.calls[:size], str(folder), way, hand).items():
                        Path(path if data is None else os.path.dirname(path)).mkdir(parents=True, exist_ok=True)
                        if data is not None:
                            Path(path).write_bytes(data)
                    cuts += 1
                    if lost := lost_after(recorder.calls[:size], folder):
                        print(f"LOST {lost}; seed {seed}, after call {size}, {way}: {recorder.calls[size - 1][:2]}")
                        return 1
            application.processEvents()
    print(f"seed {seed}: {sessions} sessions, power cut {cuts} times, 0 lost")
    return 0


if __name__ == "__main__":
    sessions = int(sys.argv[1]) if len(sys.argv) > 1 else 3
    sys.exit(main(sessions, int(sys.argv[2]) if len(sys.argv) > 2 else random.randrange(10**6)))
