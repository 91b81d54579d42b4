"""Readings on the disk before anyone says "confirmed": what a run has done since it saved, kept in a journal file of its own.

The writer is handed what must stand on the disk and brings the disk to it, on a thread. Where the disk refuses, it says so and
tries again by itself; where the file was taken away, it is written anew, whole. Nothing handed over is ever dropped.
"""

from __future__ import annotations

import contextlib
import threading
from collections.abc import Callable
from pathlib import Path
from typing import Literal

from honest_lift.facts import disk
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.journal_file import (
    Kept,
    forget_journal,
    journal_folder,
    journal_path,
    line_of,
    next_number,
    put_away,
)

_LOOKED_AFTER_S = 3.0  # how often a file nobody writes to is looked for
_SOONEST_S, _LATEST_S = 0.25, 10.0  # how long after a failure it is tried again: longer each time
_LARGEST_BYTES = 16_000_000  # facts are written whole at each change: beyond this the file is begun anew

End = Literal["keep", "forget", "away"]


class JournalWriter:
    """Keeps the facts and entries of one engine on the disk, in a file that is this run's own.

    `confirmed` is called, on the thread, with entries once they are on the disk; `failed` with a sentence for as long as
    something is not, and with "" once all is.
    """

    def __init__(
        self, engine: str, confirmed: Callable[[tuple[AnyEntry, ...]], None], failed: Callable[[str], None]
    ) -> None:
        self._engine, self._confirmed, self._failed = engine, confirmed, failed
        self._change = threading.Condition()
        self._facts: bytes | None = None
        self._entries: list[AnyEntry] = []
        self._lines: list[bytes] = []
        self._superseded: tuple[Path, ...] = ()  # journals whose entries are among these
        self._facts_are_written = True
        self._written = self._told = 0
        self._path: Path | None = None
        self._handle: int | None = None
        self._size, self._largest = 0, _LARGEST_BYTES
        self._is_wrong, self._ends, self._is_saved = "", False, False
        self._thread = self._started()

    # --- handing over ---

    def keep(self, kept: Kept | None, entries: tuple[AnyEntry, ...] = ()) -> None:
        """Hand over the facts as they stand, where they changed, and entries; returns at once."""
        facts, lines = line_of(kept) if kept else None, [line_of(one) for one in entries]
        with self._change:
            if facts is not None:
                self._facts, self._facts_are_written = facts, False
            self._entries += entries
            self._lines += lines
            self._change.notify()
        self._keep_alive()

    def supersede(self, journals: tuple[Path, ...]) -> None:
        """Drop journals of earlier runs, once all that was handed over, theirs among it, is on the disk."""
        with self._change:
            self._superseded += journals
            self._change.notify()
        self._keep_alive()

    @property
    def unwritten(self) -> int:
        """Count the entries that are not on the disk."""
        return len(self._entries) - self._told

    @property
    def is_behind(self) -> bool:
        """Tell whether something handed over is not on the disk."""
        return not self._facts_are_written or self._written < len(self._lines)

    def close(self, end: End = "keep") -> None:
        """Try once more to write what is not written, and end. `forget`: the engine file holds it all. `away`: nobody wants it."""
        with self._change:
            self._ends, self._is_saved = True, end == "forget"
            self._change.notify()
        self._thread.join()
        path, self._path = self._path, None
        if path and self._handle is not None and disk.is_the_same(path, self._handle):
            if end == "forget":
                forget_journal(path)
                for one in self._superseded:
                    forget_journal(one)
            elif end == "away":
                with contextlib.suppress(OSError):  # it stays where it is, and is offered again
                    put_away(path)
        if self._handle is not None:
            disk.close(self._handle)
        self._handle = None

    # --- the thread ---

    def _started(self) -> threading.Thread:
        thread = threading.Thread(target=self._run, name="journal", daemon=True)
        thread.start()
        return thread

    def _keep_alive(self) -> None:
        """Start the thread again if it has ended, whatever ended it."""
        if not self._thread.is_alive() and not self._ends:
            self._thread = self._started()

    def _run(self) -> None:
        """Look after the file until the run ends, whatever happens: a writer that ended would take readings and keep none."""
        while True:
            try:
                return self._look_after()
            except BaseException as error:
                self._say(_fault(error))
                with self._change:
                    self._change.wait(_SOONEST_S)

    def _look_after(self) -> None:
        patience = 0.0
        while True:
            with self._change:
                if not self._ends and (patience or not self._is_asked()):
                    self._change.wait(patience or (_LOOKED_AFTER_S if self._lines or self._facts else None))
                ends = self._ends
                if ends and self._is_saved:
                    return
            try:
                self._bring_to_disk()
                patience = 0.0
            except Exception as error:  # whatever it is, the readings wait and are tried again
                patience = min(max(patience * 2, _SOONEST_S), _LATEST_S)
                self._say(self._words_for(error) if isinstance(error, OSError) else _fault(error))
            if ends:
                return

    def _is_asked(self) -> bool:
        return self.is_behind or bool(self._superseded and (self._facts or self._lines))

    def _bring_to_disk(self) -> None:
        """Write what is not written, in a file that stands; look that it does; then say so. Raises OSError."""
        with self._change:
            facts, lines, superseded = self._facts, list(self._lines), self._superseded
            is_behind = self.is_behind
        if facts is None and not lines:
            return
        if not self._is_ready():
            self._begin(facts, lines)
        elif is_behind:
            self._append(facts if not self._facts_are_written else None, lines[self._written :])
            if not self._stands():  # it was taken away, or written to, while it was written
                self._begin(facts, lines)
        self._is_written(facts, len(lines), superseded)

    def _append(self, facts: bytes | None, lines: list[bytes]) -> None:
        new = b"".join(([facts] if facts else []) + lines)
        assert self._handle is not None
        disk.append(self._handle, new)
        self._size += len(new)

    def _is_written(self, facts: bytes | None, lines: int, superseded: tuple[Path, ...]) -> None:
        with self._change:
            self._facts_are_written = self._facts is facts
            self._written = lines
            told, self._told = self._told, lines
            self._superseded = self._superseded[len(superseded) :]
        for path in superseded:
            forget_journal(path)
        if self._is_wrong and not self.is_behind:
            self._say("")
        if lines > told:
            with contextlib.suppress(RuntimeError):  # the window that listened is gone
                self._confirmed(tuple(self._entries[told:lines]))

    def _stands(self) -> bool:
        """Tell whether the file of this run is there and is as it was left."""
        if self._handle is None or self._path is None:
            return False
        return disk.is_the_same(self._path, self._handle) and disk.size_of(self._handle) == self._size

    def _is_ready(self) -> bool:
        """Tell whether the file can be appended to, once what a failed write left at its end is cut off."""
        if self._handle is None or self._path is None or self._size > self._largest:
            return False
        try:
            if not disk.is_the_same(self._path, self._handle) or disk.size_of(self._handle) < self._size:
                return False
            if disk.size_of(self._handle) > self._size:
                disk.cut_to(self._handle, self._size)
        except OSError:
            return False
        return True

    def _begin(self, facts: bytes | None, lines: list[bytes]) -> None:
        """Begin a file that holds everything, and only then drop the one before. Raises OSError."""
        before, held = self._path, self._handle
        disk.make_folder(journal_folder())
        path = journal_path(self._engine, next_number(self._engine))
        handle = disk.make_file(path)
        data = b"".join(([facts] if facts else []) + lines)
        try:
            with contextlib.suppress(OSError):  # a file system that knows no locks keeps readings all the same
                disk.hold(handle)
            disk.append(handle, data)
            disk.flush_folder(path.parent)
        except BaseException:
            disk.remove(path)
            disk.close(handle)
            raise
        self._path, self._handle, self._size = path, handle, len(data)
        self._largest = max(_LARGEST_BYTES, 4 * len(data))
        if held is not None:
            if before and disk.is_the_same(before, held):
                forget_journal(before)
            disk.close(held)

    # --- words ---

    def _say(self, words: str) -> None:
        self._is_wrong = words
        with contextlib.suppress(RuntimeError):  # the window that listened is gone
            self._failed(words)

    def _words_for(self, error: OSError) -> str:
        left = self.unwritten
        what = f"{left} reading{'' if left == 1 else 's'}" if left else "The last changes"
        are = "is" if left == 1 else "are"
        return (
            f"{what} {are} not on the disk: {journal_folder()}: {disk.why(error)}. It is tried again by itself; "
            "make room, or save the engine elsewhere."
        )


def _fault(error: BaseException) -> str:
    import logging  # not needed while all is well

    logging.getLogger(__name__).error("the journal's writer slipped", exc_info=error)
    return f"Readings are not kept safe on the disk ({type(error).__name__}: {error}): save the engine now."
