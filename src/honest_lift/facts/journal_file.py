"""Readings on the disk before anyone says "confirmed": a line an entry in the state folder, flushed by a thread.

The engine file is written at save; this file carries what was confirmed since, also for an engine that was
never saved.
"""

from __future__ import annotations

import os
import queue
import threading
from collections.abc import Callable
from pathlib import Path

import msgspec

from honest_lift.facts.engine import Book
from honest_lift.facts.journal import AnyEntry

_DECODER = msgspec.json.Decoder(AnyEntry)


def journal_path(engine: str) -> Path:
    """Give the journal file of an engine by its id."""
    from platformdirs import user_state_path  # not needed before the first reading is confirmed

    safe = "".join(letter for letter in engine if letter.isalnum() or letter in "-_")[:64]
    return user_state_path("honest-lift") / "journals" / f"{safe}.jsonl"


def unsaved_entries(book: Book) -> tuple[tuple[AnyEntry, ...], int]:
    """Give the entries on the disk that the book does not hold, and how many lines could not be read."""
    try:
        lines = journal_path(book.engine.id).read_bytes().splitlines()
    except OSError:
        return (), 0
    known = {entry.id for entry in book.journal}
    found: list[AnyEntry] = []
    torn = 0
    for line in lines:
        try:
            entry = _DECODER.decode(line)
        except msgspec.DecodeError:
            torn += 1
            continue
        if entry.id not in known:
            known.add(entry.id)
            found.append(entry)
    return tuple(found), torn


class JournalWriter:
    """Appends entries of one engine to its journal file on a thread of its own.

    `confirmed` is called, on that thread, with each batch that has reached the disk; `failed` with a sentence
    when it could not.
    """

    def __init__(
        self, engine: str, confirmed: Callable[[tuple[AnyEntry, ...]], None], failed: Callable[[str], None]
    ) -> None:
        self._path = journal_path(engine)
        self._confirmed, self._failed = confirmed, failed
        self._waiting: queue.SimpleQueue[tuple[AnyEntry, ...] | None] = queue.SimpleQueue()
        self._thread = threading.Thread(target=self._write, name="journal", daemon=True)
        self._thread.start()

    def append(self, entries: tuple[AnyEntry, ...]) -> None:
        """Hand entries over; returns at once."""
        if entries:
            self._waiting.put(entries)

    def close(self) -> None:
        """Write what waits and end the thread."""
        self._waiting.put(None)
        self._thread.join()

    def forget(self) -> None:
        """Drop the file, once everything in it has been saved in the engine file. Call after `close`."""
        self._path.unlink(missing_ok=True)

    def _write(self) -> None:
        while (entries := self._waiting.get()) is not None:
            try:
                self._path.parent.mkdir(parents=True, exist_ok=True)
                with self._path.open("ab") as file:
                    torn = file.tell() and not _ends_in_newline(self._path)
                    file.write((b"\n" if torn else b"") + b"".join(msgspec.json.encode(e) + b"\n" for e in entries))
                    file.flush()
                    os.fsync(file.fileno())
            except OSError as error:
                self._failed(
                    f"Readings can't be kept safe in {self._path.parent}: {error.strerror or error}. Save now."
                )
            else:
                self._confirmed(entries)


def _ends_in_newline(path: Path) -> bool:
    with path.open("rb") as file:
        file.seek(-1, os.SEEK_END)
        return file.read(1) == b"\n"
