"""What was confirmed and never saved: found again at the next start, whatever ended the last one."""

from __future__ import annotations

from pathlib import Path

import msgspec
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.engine import Book
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.journal_file import (
    Snapshot,
    forget_journal,
    is_in_use,
    journal_folder,
    journals_of,
    snapshot_path,
)
from honest_lift.facts.sense import sensible
from honest_lift.facts.wheel_table import WheelTable

_ENTRY = msgspec.json.Decoder(AnyEntry)
_SNAPSHOT = msgspec.json.Decoder(Snapshot)


class Leftover(Struct, frozen=True):
    """What was left of an engine: its entries, its facts where they were kept, and how many lines can't be read."""

    journals: tuple[Path, ...]
    entries: tuple[AnyEntry, ...]
    torn: int = 0
    snapshot: Snapshot | None = None

    @property
    def is_empty(self) -> bool:
        """Tell whether there is nothing to take in."""
        return not self.entries and not (self.snapshot and self.snapshot.changed)

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
        if self.snapshot and self.snapshot.changed:
            parts.append("facts that were changed")
        last = max([one.when for one in self.entries] + ([self.snapshot.when] if self.snapshot else []), default="")
        lines = "line" if self.torn == 1 else "lines"
        torn = f"; {self.torn} more {lines} can't be read" if self.torn else ""
        return f"{' and '.join(parts)}, last on {last[:16].replace('T', ' ')}{torn}"

    def taken_into(self, book: Book) -> Book:
        """Give a book with what was left of it taken in."""
        engine = self.snapshot.engine if self.snapshot and self.snapshot.changed else book.engine
        return sensible(replace(book, engine=engine, journal=book.journal + self.entries))


def left_of(book: Book) -> Leftover:
    """Give what was confirmed for an engine and is not in its book. Journals of programs at work are let be."""
    paths = [one for one in journals_of(book.engine.id) if not is_in_use(one)]
    return _read(paths, {entry.id for entry in book.journal})


def never_saved() -> list[Leftover]:
    """Give what was left of engines that have no file of their own, or none any more, the latest first."""
    found = []
    for path in sorted(journal_folder().glob("*.jsonl")):
        one = _read([path], set()) if not is_in_use(path) else Leftover((), ())
        if one.snapshot and not one.is_empty and not (one.snapshot.path and Path(one.snapshot.path).exists()):
            found.append(one)
    return sorted(found, key=lambda one: one.snapshot.when if one.snapshot else "", reverse=True)


def forget(leftover: Leftover) -> None:
    """Drop what was left, once it is safe elsewhere."""
    for path in leftover.journals:
        forget_journal(path)


def put_away(leftover: Leftover) -> None:
    """Move what nobody wants into a folder of its own; not even that is deleted."""
    for path in leftover.journals:
        away = path.parent / "put away"
        away.mkdir(exist_ok=True)
        for one in (path, snapshot_path(path)):
            if one.exists():
                one.replace(away / f"{one.stat().st_mtime_ns}-{one.name}")


def without_facts(leftover: Leftover) -> None:
    """Drop the facts that were kept beside the entries: somebody chose not to save them."""
    for path in leftover.journals:
        snapshot_path(path).unlink(missing_ok=True)


def _read(paths: list[Path], known: set[str]) -> Leftover:
    found: dict[str, AnyEntry] = {}
    torn, snapshots = 0, []
    for path in paths:
        try:
            lines = path.read_bytes().splitlines()
        except OSError:
            continue
        for line in filter(None, lines):
            try:
                entry = _ENTRY.decode(line)
            except msgspec.DecodeError:
                torn += 1
                continue
            if entry.id not in known:
                found.setdefault(entry.id, entry)
        snapshots += [one] if (one := _snapshot(path)) else []
    latest = max(snapshots, key=lambda one: (one.changed, one.when), default=None)
    return Leftover(tuple(paths), tuple(sorted(found.values(), key=lambda one: one.when)), torn, latest)


def _snapshot(journal: Path) -> Snapshot | None:
    try:
        return _SNAPSHOT.decode(snapshot_path(journal).read_bytes())
    except (OSError, msgspec.DecodeError):
        return None
