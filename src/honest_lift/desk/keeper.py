"""Keeps an engine's work safe on the disk, and its file in one hand: journal, facts with it, lock, and what the file held."""

from __future__ import annotations

import contextlib
import os
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.facts.edits import now
from honest_lift.facts.engine import Book
from honest_lift.facts.file import FileError, write_book
from honest_lift.facts.journal import AnyEntry

if TYPE_CHECKING:
    from honest_lift.facts.journal_file import Kept
    from honest_lift.facts.journal_writer import JournalWriter
    from honest_lift.facts.locks import Lock
    from honest_lift.facts.recovery import Leftover


class Keeper:
    """One engine at a time. `confirmed` and `failed` are called on the journal's own thread (see `JournalWriter`)."""

    def __init__(self, confirmed: Callable[[tuple[AnyEntry, ...]], None], failed: Callable[[str], None]) -> None:
        self.held_by = ""  # who else has the file open
        self.leaves_behind = False  # somebody chose not to save; it comes to pass when the engine leaves the desk
        self._confirmed, self._failed = confirmed, failed
        self._lock: Lock | None = None
        self._journal: JournalWriter | None = None
        self.mark = ""  # of what the file held when it was read or written last

    def keep(self, book: Book, path: Path | None, entries: tuple[AnyEntry, ...], *, changed: bool, saved: Book) -> None:
        """Hand what was done to the disk: the facts where they changed or stand in no journal yet, then the entries."""
        fresh, self.leaves_behind = self._journal is None, False
        if not entries and not changed:
            return
        kept = self._facts(book, path, saved, changed=path is None or book.engine is not saved.engine)
        self._writer(book).keep(kept if changed or fresh else None, entries)

    def adopt(self, book: Book, path: Path | None, leftover: Leftover, saved: Book) -> None:
        """Write what earlier runs left as this one's own, and only then drop where it lay."""
        writer = self._writer(book)
        is_changed = path is None or bool(leftover.kept and leftover.kept.changed)
        writer.keep(self._facts(book, path, saved, changed=is_changed), leftover.entries)
        writer.supersede(leftover.journals)

    def _facts(self, book: Book, path: Path | None, saved: Book, *, changed: bool) -> Kept:
        from honest_lift.facts.journal_file import Kept, base_of, named

        return Kept(book.engine, named(path), now(), changed, book.set_aside, base=base_of(saved.engine))

    @property
    def unwritten(self) -> int:
        """Count the readings and other entries that are not on the disk."""
        return self._journal.unwritten if self._journal else 0

    @property
    def is_behind(self) -> bool:
        """Tell whether something that was done is not on the disk."""
        return bool(self._journal and self._journal.is_behind)

    def _writer(self, book: Book) -> JournalWriter:
        if self._journal is None:
            from honest_lift.facts.journal_writer import JournalWriter

            self._journal = JournalWriter(book.engine.id, self._confirmed, self._failed)
        return self._journal

    def hold(self, path: Path | None, mark: str = "") -> None:
        """Take the lock of a file, or remember who has it. `mark`: of what was read from it."""
        from honest_lift.facts.locks import Holder, lock_beside

        held = lock_beside(path) if path else None
        self.held_by = held.words if isinstance(held, Holder) else ""
        self._lock = None if isinstance(held, Holder) else held
        self.mark = mark

    def save(self, book: Book, path: Path, before: Path | None, *, over_changes: bool = False) -> None:
        """Write a book to a file and drop its journal.

        Raises FileError, where another program has the file too; ChangedError where another wrote it since it was read,
        unless `over_changes`.
        """
        from honest_lift.facts.written_out import TargetError, look_at_engine_target

        try:
            look_at_engine_target(path, agreed=True)
        except TargetError as error:
            raise FileError(str(error)) from None
        other = before is None or not is_one_file(path, before)
        if self.held_by and not other:
            raise FileError(f"{path}: {self.held_by} has it open. Save under another name.")
        lock = self._lock_for(path) if other else self._lock
        try:
            self.mark = write_book(book, path, "" if other or over_changes else self.mark)
        except FileError:
            if other and lock:
                lock.release()
            raise
        if other and self._lock:
            self._lock.release()
        self._lock, self.held_by = lock, ""
        if self._journal:
            self._journal.close("forget")
            self._journal = None
            self._failed("")
        from honest_lift.facts.recovery import fold_in

        with contextlib.suppress(OSError):  # what stays is known by its entries
            fold_in(book, path)

    def _lock_for(self, path: Path) -> Lock | None:
        from honest_lift.facts.locks import Holder, lock_beside

        lock = lock_beside(path)
        if isinstance(lock, Holder):
            raise FileError(f"{path}: {lock.words} has it open. Save under another name.")
        return lock

    def close(self, book: Book, path: Path | None, saved: Book) -> None:
        """Finish writing and let go of the file; what nobody wants to save is left behind.

        Then facts go, and readings stay on the disk: put away where the engine has no file to be offered with. What earlier
        runs left is not touched.
        """
        if self._journal:
            if self.leaves_behind and path:
                self._journal.keep(self._facts(saved, path, saved, changed=False))
            self._journal.close("away" if self.leaves_behind and path is None else "keep")
            self._journal = None
            self._failed("")
        self.leaves_behind = False
        if self._lock:
            self._lock.release()
            self._lock = None


def is_one_file(path: Path, other: Path) -> bool:
    """Tell whether two paths lead to one file, links followed."""
    return os.path.realpath(path) == os.path.realpath(other)
