"""Shelves in an SQLite file in the user's data folder: tens of thousands of parts, found at once.

A table a kind, a row a part; figures inside, told once a shelf by their number. Every value goes in by a placeholder.
"""

from __future__ import annotations

import sqlite3
import weakref
from collections.abc import Iterable, Sequence
from pathlib import Path
from typing import Any

import numpy as np

from honest_lift.numbers.doubt import Array
from honest_lift.shelf.kinds import FLAG, PARTS, TEXT, Part, PartKind

VERSION = 2  # 1 had no word on peening
_WAIT_S = 0.3  # for another program that is writing: then it is said, and can be asked again
_TYPES = {TEXT: "TEXT", FLAG: "INTEGER"}


class ShelfError(Exception):
    """The shelf can't be read or written: the sentence says why."""


def usual_path() -> Path:
    """Give where the user's shelves lie."""
    from platformdirs import user_data_path  # not needed before the shelf is opened

    return user_data_path("honest-lift", appauthor=False) / "shelf.sqlite"


class Shelf:
    """The shelves of a file. Raises ShelfError where the file is no shelf, or its disk refuses."""

    def __init__(self, path: Path | None) -> None:
        """Open, or make, the file; None keeps everything in memory."""
        try:
            if path is not None:
                path.parent.mkdir(parents=True, exist_ok=True)
            self._db = sqlite3.connect(str(path) if path else ":memory:", timeout=_WAIT_S, isolation_level=None)
            self._closes = weakref.finalize(self, self._db.close)  # a shelf that is dropped leaves no connection behind
            self._db.execute("PRAGMA foreign_keys = ON")
            self._make()
        except (sqlite3.Error, OSError) as error:
            raise ShelfError(f"the parts shelf can't be opened: {error}") from error
        self.changes = 0

    def _make(self) -> None:
        (version,) = self._db.execute("PRAGMA user_version").fetchone()
        if version > VERSION:
            raise ShelfError("the parts shelf was written by a later version of this program: it is left as it is.")
        self._db.execute(
            "CREATE TABLE IF NOT EXISTS shelf (id INTEGER PRIMARY KEY, name TEXT UNIQUE NOT NULL, invented INTEGER NOT NULL)"
        )
        for kind in PARTS.values():
            columns = ", ".join(f"{one.key} {_TYPES.get(one.dimension, 'REAL')}" for one in kind.columns)
            self._db.execute(
                f"CREATE TABLE IF NOT EXISTS {kind.key} (shelf INTEGER NOT NULL REFERENCES shelf(id) ON DELETE CASCADE, "
                f"number TEXT NOT NULL, name TEXT NOT NULL, {columns}, PRIMARY KEY (shelf, number)) WITHOUT ROWID"
            )
            there = {name for _, name, *_ in self._db.execute(f"PRAGMA table_info({kind.key})")}
            for one in kind.columns:
                if one.key not in there:
                    self._db.execute(f"ALTER TABLE {kind.key} ADD COLUMN {one.key} {_TYPES.get(one.dimension, 'REAL')}")
        self._db.execute(f"PRAGMA user_version = {VERSION}")

    def close(self) -> None:
        """Close the file."""
        self._closes()

    # --- shelves ---

    def names(self) -> list[tuple[str, bool]]:
        """Give every shelf by name, and whether its parts are invented."""
        return [(name, bool(invented)) for name, invented in self._all("SELECT name, invented FROM shelf ORDER BY id")]

    def add(self, name: str, *, invented: bool = False) -> None:
        """Add a shelf; one of the name stays as it is."""
        self._run("INSERT OR IGNORE INTO shelf (name, invented) VALUES (?, ?)", (name, int(invented)))

    def drop(self, name: str) -> None:
        """Take a shelf away with all that lies on it."""
        self._run("DELETE FROM shelf WHERE name = ?", (name,))

    def _id(self, name: str) -> int:
        found = self._all("SELECT id FROM shelf WHERE name = ?", (name,))
        if not found:
            raise ShelfError(f"there is no shelf “{name}”.")
        return int(found[0][0])

    # --- parts ---

    def put(self, shelf: str, parts: Iterable[Part]) -> int:
        """Lay parts on a shelf, in place of those with their kind and number, all or none; give how many."""
        rows: dict[str, list[tuple[Any, ...]]] = {}
        own = self._id(shelf)
        for part in parts:
            kind = PARTS[part.kind]
            row = (own, part.number, part.name, *(part.values.get(one.key) for one in kind.columns))
            rows.setdefault(part.kind, []).append(row)
        try:
            self._db.execute("BEGIN IMMEDIATE")
            try:
                for key, many in rows.items():
                    columns = ", ".join(("shelf", "number", "name", *(one.key for one in PARTS[key].columns)))
                    marks = ", ".join("?" * len(many[0]))
                    self._db.executemany(f"INSERT OR REPLACE INTO {key} ({columns}) VALUES ({marks})", many)
                self._db.execute("COMMIT")
            except BaseException:
                self._db.execute("ROLLBACK")
                raise
        except sqlite3.Error as error:
            raise ShelfError(f"nothing was laid on the shelf: {error}") from error
        self.changes += 1
        return sum(map(len, rows.values()))

    def take_off(self, shelf: str, kind: PartKind, number: str) -> None:
        """Take one part off a shelf."""
        self._run(f"DELETE FROM {kind.key} WHERE shelf = ? AND number = ?", (self._id(shelf), number))

    def count(self, kind: PartKind, shelf: str = "") -> int:
        """Count the parts of a kind, of one shelf or of all."""
        where, what = self._where(shelf)
        return int(self._all(f"SELECT count(*) FROM {kind.key}{where}", what)[0][0])

    def part(self, kind: PartKind, shelf: str, number: str) -> Part | None:
        """Give one part by its shelf and number."""
        keys = ", ".join(("number", "name", *(one.key for one in kind.columns)))
        rows = self._all(f"SELECT {keys} FROM {kind.key} WHERE shelf = ? AND number = ?", (self._id(shelf), number))
        return _part(kind, rows[0]) if rows else None

    def numbers(self, kind: PartKind, shelf: str) -> set[str]:
        """Give the numbers of a kind that stand on a shelf."""
        where, what = self._where(shelf)
        return {row[0] for row in self._all(f"SELECT number FROM {kind.key}{where}", what)}

    def parts(self, kind: PartKind, shelf: str = "", words: str = "", most: int = -1, first: int = 0) -> list[Part]:
        """Give parts of a kind by number, of one shelf or of all, whose number or name holds some words."""
        where, what = self._where(shelf)
        if words:
            like = f"%{_plain(words)}%"
            where += " AND" if where else " WHERE"
            where += " (number LIKE ? ESCAPE '!' OR name LIKE ? ESCAPE '!')"
            what += (like, like)
        keys = ("number", "name", *(one.key for one in kind.columns))
        rows = self._all(
            f"SELECT {', '.join(keys)} FROM {kind.key}{where} ORDER BY number LIMIT ? OFFSET ?", (*what, most, first)
        )
        return [_part(kind, row) for row in rows]

    def arrays(self, kind: PartKind, shelves: Sequence[str] = ()) -> tuple[list[tuple[str, str]], dict[str, Array]]:
        """Give shelf and number of the parts of a kind, and each figure's column (n,) inside, NaN where blank.

        `shelves`: of those only.
        """
        figures = [one for one in kind.columns if one.is_figure]
        marks = ", ".join("?" * len(shelves))
        where = f" WHERE shelf IN (SELECT id FROM shelf WHERE name IN ({marks}))" if shelves else ""
        keys = ", ".join(("shelf", "number", *(one.key for one in figures)))
        rows = self._all(f"SELECT {keys} FROM {kind.key}{where} ORDER BY number, shelf", tuple(shelves))
        columns: list[tuple[Any, ...]] = list(zip(*rows, strict=True)) if rows else [()] * (len(figures) + 2)
        names = dict(self._all("SELECT id, name FROM shelf"))
        told = [(names[own], number) for own, number in zip(columns[0], columns[1], strict=True)]
        return told, {
            one.key: np.array(column, dtype=np.float64) for one, column in zip(figures, columns[2:], strict=True)
        }

    def _where(self, shelf: str) -> tuple[str, tuple[Any, ...]]:
        return (" WHERE shelf = ?", (self._id(shelf),)) if shelf else ("", ())

    def _all(self, words: str, what: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
        try:
            return self._db.execute(words, what).fetchall()
        except sqlite3.Error as error:
            raise ShelfError(f"the parts shelf can't be read: {error}") from error

    def _run(self, words: str, what: tuple[Any, ...]) -> None:
        try:
            self._db.execute(words, what)
        except sqlite3.Error as error:
            raise ShelfError(f"the parts shelf can't be written: {error}") from error
        self.changes += 1


def _plain(words: str) -> str:
    """Give words in which nothing stands for anything but itself."""
    return words.replace("!", "!!").replace("%", "!%").replace("_", "!_")


def _part(kind: PartKind, row: tuple[Any, ...]) -> Part:
    values = {
        one.key: bool(value) if one.dimension == FLAG else value
        for one, value in zip(kind.columns, row[2:], strict=True) if value is not None
    }  # fmt: skip
    return Part(kind.key, row[0], row[1], values)
