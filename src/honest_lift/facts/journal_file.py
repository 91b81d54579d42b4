"""Readings on the disk before anyone says "confirmed": a line an entry in the state folder, flushed by a thread.

The engine file is written at save. Until then this room of the disk carries what was confirmed since, and beside
it the facts as they stood last, also for an engine that was never saved. Two programs at work on engines of one
id write to files of their own.
"""

from __future__ import annotations

import os
import queue
import threading
from collections.abc import Callable, Iterator
from fcntl import LOCK_EX, LOCK_NB, flock
from io import RawIOBase
from itertools import count
from pathlib import Path

import msgspec
from msgspec import Struct

from honest_lift.facts.engine import Engine, SetAside
from honest_lift.facts.flushing import flush_folder
from honest_lift.facts.journal import AnyEntry


class Snapshot(Struct, frozen=True):
    """The facts as they stood last. `path`: the engine's file, "" for one never saved; `changed`: since it was."""

    engine: Engine
    path: str = ""
    when: str = ""
    changed: bool = True
    set_aside: tuple[SetAside, ...] = ()


def journal_folder() -> Path:
    """Give the folder the journals lie in."""
    from platformdirs import user_state_path  # not needed before the first reading is confirmed

    return user_state_path("honest-lift") / "journals"


def journal_paths(engine: str) -> Iterator[Path]:
    """Give the journal files an engine may have, by its id: one for each program at work on it."""
    folder, safe = journal_folder(), _safe(engine)
    return (folder / (f"{safe}.jsonl" if number == 1 else f"{safe}.{number}.jsonl") for number in count(1))


def journals_of(engine: str) -> list[Path]:
    """Give the journal files of an engine that are there."""
    folder, safe = journal_folder(), _safe(engine)
    return [*folder.glob(f"{safe}.jsonl"), *sorted(folder.glob(f"{safe}.[0-9]*.jsonl"))]


def _safe(engine: str) -> str:
    return "".join(letter for letter in engine if letter.isalnum() or letter in "-_")[:64]


def snapshot_path(journal: Path) -> Path:
    """Give where the facts beside a journal lie."""
    return journal.with_suffix(".engine.json")


class JournalWriter:
    """Appends entries of one engine to a journal file of its own, on a thread.

    `confirmed` is called, on that thread, with each batch that has reached the disk; `failed` with a sentence
    when it could not.
    """

    def __init__(
        self, engine: str, confirmed: Callable[[tuple[AnyEntry, ...]], None], failed: Callable[[str], None]
    ) -> None:
        self._engine = engine
        self._file: RawIOBase | None = None
        self._path: Path | None = None
        self._confirmed, self._failed = confirmed, failed
        self._waiting: queue.SimpleQueue[tuple[AnyEntry, ...] | Snapshot | Callable[[], None] | None] = (
            queue.SimpleQueue()
        )
        self._thread = threading.Thread(target=self._write, name="journal", daemon=True)
        self._thread.start()

    def append(self, entries: tuple[AnyEntry, ...]) -> None:
        """Hand entries over; returns at once."""
        if entries:
            self._waiting.put(entries)

    def keep(self, snapshot: Snapshot) -> None:
        """Hand the facts over as they stand; returns at once."""
        self._waiting.put(snapshot)

    def then(self, do: Callable[[], None]) -> None:
        """Have something done on the thread once all handed over so far is on the disk; not after a failure."""
        self._waiting.put(do)

    def close(self, *, forget: bool = False) -> None:
        """Write what waits and end. `forget`: then drop it all, since the engine file holds it."""
        self._waiting.put(None)
        self._thread.join()
        if forget and self._path:
            forget_journal(self._path)
        self._let_go()

    def _let_go(self) -> None:
        if self._file:
            self._file.close()
        self._file = None

    def _write(self) -> None:
        failed = False
        while (waiting := self._waiting.get()) is not None:
            try:
                file = self._held()
                if isinstance(waiting, Snapshot):
                    _put_whole(snapshot_path(self._path or Path()), msgspec.json.encode(waiting))
                elif isinstance(waiting, tuple):
                    _put_lines(file, b"".join(msgspec.json.encode(one) + b"\n" for one in waiting))
                    self._confirmed(waiting)
                elif not failed:
                    waiting()
            except OSError as error:
                failed = True
                self._let_go()  # half a line may stand there: the next goes to a file of its own
                self._failed(f"Readings can't be kept safe in {journal_folder()}: {error.strerror or error}. Save now.")

    def _held(self) -> RawIOBase:
        """Give a journal file of this program's own, made and locked when it is first written to.

        It is made again if somebody took it away. Journals that are there already belong to others, or to a run
        whose readings nobody has taken in yet.
        """
        if self._file and self._path and self._path.exists():
            return self._file
        journal_folder().mkdir(parents=True, exist_ok=True)
        for path in journal_paths(self._engine):
            try:
                file = path.open("xb", buffering=0)
            except FileExistsError:
                continue
            flock(file, LOCK_EX)
            flush_folder(path.parent)
            self._file, self._path = file, path
            return file
        raise OSError("no journal file is free")


def forget_journal(journal: Path) -> None:
    """Drop a journal and the facts beside it."""
    snapshot_path(journal).unlink(missing_ok=True)
    journal.unlink(missing_ok=True)


def is_in_use(journal: Path) -> bool:
    """Tell whether a program at work holds a journal file."""
    try:
        with journal.open("rb") as file:
            flock(file, LOCK_EX | LOCK_NB)
    except BlockingIOError:
        return True
    except OSError:
        return False
    return False


def _put_lines(file: RawIOBase, data: bytes) -> None:
    """Write lines whole and flush them to the disk."""
    left = memoryview(data)
    while left:
        left = left[file.write(left) or 0 :]
    os.fsync(file.fileno())


def _put_whole(path: Path, data: bytes) -> None:
    """Write a file whole: beside it first, flushed, then in its place in one step."""
    spare = path.with_name(path.name + ".part")
    with spare.open("wb") as file:
        file.write(data)
        file.flush()
        os.fsync(file.fileno())
    spare.replace(path)
    flush_folder(path.parent)
