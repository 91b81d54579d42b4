"""What was confirmed and never saved: found again at the next start, whatever ended the last one.

What is left belongs to the file it was typed into. A file that was copied has the engine's id as well, and gets nothing of it.
"""

from __future__ import annotations

import os
from itertools import groupby
from pathlib import Path

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts import disk
from honest_lift.facts.book.keeping import kept, made_sensible
from honest_lift.facts.edits import new_id, now
from honest_lift.facts.engine import Book
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.journal_file import (
    Kept,
    Told,
    base_of,
    forget_journal,
    journals_there,
    put_away,
    read_journal,
    safe_name,
)
from honest_lift.facts.wheel_table import WheelTable


class Leftover(Struct, frozen=True):
    """What runs left of an engine: their journals, entries in their order, the latest facts, how many lines can't be read.

    `engine`: the id as its files are named by; `newer`: the format version of a newer program that wrote some of it.
    """

    engine: str
    journals: tuple[Path, ...] = ()
    entries: tuple[AnyEntry, ...] = ()
    torn: int = 0
    kept: Kept | None = None
    newer: int = 0

    @property
    def is_empty(self) -> bool:
        """Tell whether there is nothing to take in."""
        return not self.entries and not self.newer and not (self.kept and self.kept.changed)

    @property
    def path(self) -> Path | None:
        """Give the file it was typed into; None for an engine never saved."""
        return self.kept.path if self.kept else None

    @property
    def has_file(self) -> bool:
        """Tell whether that file is there; one that can't be asked about is not called gone."""
        try:
            return self.path is not None and disk.is_there(self.path)
        except OSError:
            return True

    @property
    def name(self) -> str:
        """Give the engine's name; "" for none."""
        return self.kept.engine.name if self.kept else ""

    @property
    def when(self) -> str:
        """Give when the last of it was done, by the clock of then."""
        return max([one.when for one in self.entries] + ([self.kept.when] if self.kept else []), default="")

    @property
    def words(self) -> str:
        """Say what it is: `12 readings, and facts that were changed, last on 2026-11-23 14:02`."""
        readings = sum(isinstance(one, Reading | WheelTable) for one in self.entries)
        parts = []
        for number, one, many in (
            (readings, "reading", "readings"),
            (len(self.entries) - readings, "other entry", "other entries"),
        ):
            parts += [f"{number} {one if number == 1 else many}"] if number else []
        if self.kept and self.kept.changed:
            parts.append("facts that were changed")
        parts = parts or ["what this program can't read"]
        lines = "line" if self.torn == 1 else "lines"
        torn = f"; {self.torn} more {lines} can't be read" if self.torn else ""
        return f"{' and '.join(parts)}, last on {self.when[:16].replace('T', ' ')}{torn}"

    def is_older_than(self, book: Book) -> bool:
        """Tell whether its facts were changed from others than the book has now."""
        return bool(self.kept and self.kept.changed and self.kept.base and self.kept.base != base_of(book.engine))

    def taken_into(self, book: Book) -> Book:
        """Give a book with what was left of it taken in; what it holds already is not doubled."""
        engine = self.kept.engine if self.kept and self.kept.changed else book.engine
        known = {one.id for one in book.journal}
        new = tuple(one for one in self.entries if one.id not in known)
        said = f"taken in: {self.words}"
        return made_sensible(kept(book, engine, new, said, (new_id(), now())))

    def without(self, known: set[str]) -> Leftover:
        """Give what of it is not known already."""
        return replace(self, entries=tuple(one for one in self.entries if one.id not in known))


def left_of(book: Book, path: Path | None = None) -> Leftover:
    """Give what was confirmed for the engine of a file and is not in its book.

    What was typed into a file that is there no more belongs to the one its engine is opened from now. Raises OSError.
    """
    safe = safe_name(book.engine.id)
    own = [one for one in leftovers(safe) if _belongs(one.path, path)]
    whole = Leftover(safe)
    for one in own:
        whole = _together(whole, one)
    return whole.without({entry.id for entry in book.journal})


def left_elsewhere(book: Book, path: Path | None) -> list[Leftover]:
    """Give what was left of the same engine in other files of it. Raises OSError."""
    return [one for one in leftovers(safe_name(book.engine.id)) if not _belongs(one.path, path) and not one.is_empty]


def leftovers(engine: str | None = None) -> list[Leftover]:
    """Give what runs left, of one engine or of all, the latest first; journals of programs at work are let be.

    What is left of one engine and file comes together. Raises OSError.
    """
    found = [_alone(path) for path in journals_there(engine) if not disk.is_held(path)]
    found.sort(key=_whose)
    together = []
    for _, several in groupby(found, _whose):
        whole, *more = several
        for one in more:
            whole = _together(whole, one)
        together.append(whole)
    return sorted((one for one in together if not one.is_empty), key=lambda one: one.when, reverse=True)


def fold_in(book: Book, path: Path) -> None:
    """Drop journals of earlier runs that a saved book holds whole; what it lacks any of, or other facts, stays and is offered."""
    known = {entry.id for entry in book.journal}
    for one in leftovers(safe_name(book.engine.id)):
        holds_all = known.issuperset(entry.id for entry in one.entries)
        if (
            holds_all
            and not one.torn
            and not one.newer
            and not (one.kept and one.kept.changed)
            and _belongs(one.path, path)
        ):
            for journal in one.journals:
                forget_journal(journal)


def put_all_away(leftover: Leftover) -> None:
    """Move what nobody wants into a folder of its own; not even that is deleted. Raises OSError."""
    for path in leftover.journals:
        put_away(path)


def _belongs(typed_into: Path | None, path: Path | None) -> bool:
    """Tell whether what was typed into one file belongs to another: the same, or one that is gone or never was."""
    if typed_into is None or not disk.is_there(typed_into):
        return True
    return path is not None and os.path.realpath(typed_into) == os.path.realpath(path)


def _whose(one: Leftover) -> tuple[str, str]:
    return one.engine, os.path.realpath(one.path) if one.path else ""


def _alone(path: Path) -> Leftover:
    try:
        told = read_journal(path)
    except OSError:
        told = Told(torn=1)
    return Leftover(path.name.split(".")[0], (path,), told.entries, told.torn, told.kept, told.newer)


def _together(before: Leftover, after: Leftover) -> Leftover:
    """Give what two runs left, the later one's after the earlier's; facts that were changed stand over unchanged ones."""
    known = {one.id for one in before.entries}
    entries = before.entries + tuple(one for one in after.entries if one.id not in known)
    kept = _standing(before.kept, after.kept)
    return Leftover(
        before.engine, before.journals + after.journals, entries, before.torn + after.torn, kept,
        max(before.newer, after.newer),
    )  # fmt: skip


def _standing(before: Kept | None, after: Kept | None) -> Kept | None:
    """Give the facts that stand of two: the later ones, unless only the earlier were changed."""
    if after is None or (before is not None and before.changed and not after.changed):
        return before
    return after
