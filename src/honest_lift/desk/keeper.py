"""Keeps an engine's work safe on the disk, and its file in one hand: journal, facts beside it, lock."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.facts.edits import now
from honest_lift.facts.engine import Book
from honest_lift.facts.file import FileError, write_book
from honest_lift.facts.journal import AnyEntry

if TYPE_CHECKING:
    from honest_lift.facts.journal_file import JournalWriter
    from honest_lift.facts.locks import Lock
    from honest_lift.facts.recovery import Leftover


class Keeper:
    """One engine at a time. `confirmed` and `failed` are called on the journal's own thread."""

    def __init__(self, confirmed: Callable[[tuple[AnyEntry, ...]], None], failed: Callable[[str], None]) -> None:
        self.held_by = ""  # who else has the file open
        self.leaves_behind = False  # somebody chose not to save; it comes to pass when the engine leaves the desk
        self._confirmed, self._failed = confirmed, failed
        self._lock: Lock | None = None
        self._journal: JournalWriter | None = None

    def keep(self, book: Book, path: Path | None, entries: tuple[AnyEntry, ...], *, changed: bool, saved: Book) -> None:
        """Hand what was done to the disk: the facts where they changed or stand nowhere else, then the entries."""
        fresh, self.leaves_behind = self._journal is None, False
        if not entries and not changed:
            return
        writer = self._writer(book)
        if changed or fresh:
            self._put_facts(writer, book, path, changed=path is None or book.engine is not saved.engine)
        writer.append(entries)

    def adopt(self, book: Book, path: Path | None, leftover: Leftover) -> None:
        """Write what an earlier run left as this one's own, and only then drop where it lay."""
        from honest_lift.facts.recovery import forget

        writer = self._writer(book)
        self._put_facts(writer, book, path, changed=leftover.snapshot is not None and leftover.snapshot.changed)
        writer.append(leftover.entries)
        writer.then(lambda: forget(leftover))

    def _put_facts(self, writer: JournalWriter, book: Book, path: Path | None, *, changed: bool) -> None:
        from honest_lift.facts.journal_file import Snapshot

        writer.keep(Snapshot(book.engine, str(path or ""), now(), changed, book.set_aside))

    def _writer(self, book: Book) -> JournalWriter:
        if self._journal is None:
            from honest_lift.facts.journal_file import JournalWriter

            self._journal = JournalWriter(book.engine.id, self._confirmed, self._failed)
        return self._journal

    def hold(self, path: Path | None) -> None:
        """Take the lock of a file, or remember who has it."""
        from honest_lift.facts.locks import Holder, lock_beside

        held = lock_beside(path) if path else None
        self.held_by = held.words if isinstance(held, Holder) else ""
        self._lock = None if isinstance(held, Holder) else held

    def save(self, book: Book, path: Path, before: Path | None) -> None:
        """Write a book to a file and drop its journal. Raises FileError, where another program has the file too."""
        other = before is None or path.resolve() != before.resolve()
        if self.held_by and not other:
            raise FileError(f"{path}: {self.held_by} has it open. Save under another name.")
        lock = self._lock_for(path) if other else self._lock
        try:
            write_book(book, path)
        except FileError:
            if other and lock:
                lock.release()
            raise
        if other and self._lock:
            self._lock.release()
        self._lock, self.held_by = lock, ""
        if self._journal:
            self._journal.close(forget=True)
            self._journal = None

    def _lock_for(self, path: Path) -> Lock | None:
        from honest_lift.facts.locks import Holder, lock_beside

        lock = lock_beside(path)
        if isinstance(lock, Holder):
            raise FileError(f"{path}: {lock.words} has it open. Save under another name.")
        return lock

    def close(self, book: Book, path: Path | None) -> None:
        """Finish writing and let go of the file; what nobody wants to save is left behind.

        Then facts go, and readings stay on the disk: put away where the engine has no file to be offered with.
        """
        if self._journal:
            self._journal.close()
            self._journal = None
        if self.leaves_behind:
            from honest_lift.facts.recovery import left_of, put_away, without_facts

            (without_facts if path else put_away)(left_of(book))
            self.leaves_behind = False
        if self._lock:
            self._lock.release()
            self._lock = None
