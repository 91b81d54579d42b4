"""Columns of readings as spreadsheets hold them: pasted in head order or with a column of places, and written out again.

Nothing is guessed: what can't be placed is given back with the reason, and everything else is placed.
"""

from __future__ import annotations

import csv
import io
from collections.abc import Callable, Sequence

from msgspec import Struct

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place
from honest_lift.facts.quantity import Quantity
from honest_lift.facts.staleness import staleness
from honest_lift.numbers.formula_cell import defused
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import from_inside

Told = Callable[[str], bool]
_MOST_LETTERS, _MOST_LINES = 200_000, 2_000
_HEADS = {"reading", "readings", "value", "values"}


class PastedCell(Struct, frozen=True):
    """One cell of a pasted column: where it belongs, what it says, and why it can't stand ("" where it can)."""

    place: Place | None
    text: str
    wrong: str = ""


class ColumnError(MendableError):
    """What was pasted is no column; the sentence says what would be."""


def read_column(
    text: str, places: Sequence[Place], start: int, title: str = "", row: Quantity | None = None
) -> list[PastedCell]:
    """Place the cells of a pasted column.

    With a column of places each goes to its own. Without, they go down from `start`, or from the first place where
    there are as many as places. `title` is what the column is called in a header line; of an
    observation, `row` says which words there are. Raises ColumnError.
    """
    told = _teller(row)
    if len(text) > _MOST_LETTERS or text.count("\n") > _MOST_LINES:
        raise ColumnError(
            f"{len(text):,} letters in {text.count(chr(10)) + 1:,} lines were copied; a column of readings has at most "
            f"{_MOST_LINES:,} lines. Copy the column alone."
        )
    rows = [line for line in _rows(text, places) if any(cell for cell in line)]
    if not rows:
        raise ColumnError("Nothing was copied that could be pasted: copy a column of figures first.")
    by_name = {_plain(word): place for place in places for word in (place.name, place.title)}
    named = _place_column(rows, by_name)
    if named is None:
        return _in_order(rows, places, start, title, told)
    return _by_place(rows, by_name, named, title, told)


def _rows(text: str, places: Sequence[Place]) -> list[list[str]]:
    lines = text.replace("\r\n", "\n").replace("\r", "\n").split("\n")
    for mark in ("\t", ";"):
        if any(mark in line for line in lines):
            return [[cell.strip() for cell in row] for row in csv.reader(lines, delimiter=mark)]
    names = {_plain(word) for place in places for word in (place.name, place.title)}
    full = [line for line in lines if line.strip()]
    first = sum(_plain(line.split(",")[0]) in names for line in full)
    if "," in text and first * 2 > len(full):  # a decimal comma follows no place
        return [[cell.strip() for cell in row] for row in csv.reader(lines)]
    return [[line.strip()] for line in lines]


def _plain(word: str) -> str:
    return "".join(word.lower().split())


def _place_column(rows: list[list[str]], by_name: dict[str, Place]) -> int | None:
    """Give the column in which at least half of the rows name a place; None for none."""
    if max(map(len, rows)) < 2:
        return None
    hits = [sum(i < len(row) and _plain(row[i]) in by_name for row in rows) for i in range(max(map(len, rows)))]
    best = max(range(len(hits)), key=lambda i: hits[i])
    return best if hits[best] * 2 >= len(rows) else None


def _teller(row: Quantity | None) -> Told:
    """Give what tells a reading from other words: a figure, or one of an observation's words."""
    if row is None or not row.choices:
        return _is_figure
    keys = tuple(one.key for one in row.choices)
    return lambda cell: _is_figure(cell) or cell.lower().startswith(keys)


def _value_column(rows: list[list[str]], other: int | None, title: str, told: Told) -> tuple[int, bool]:
    """Give the column of the figures, and whether the first row is a header."""
    wide = max(map(len, rows))
    head = [_plain(cell) for cell in rows[0]]
    header = not any(told(cell) for i, cell in enumerate(rows[0]) if i != other)
    if header:
        for i, cell in enumerate(head):
            if i != other and (cell in _HEADS or (title and cell.startswith(_plain(title)))):
                return i, True
    body = rows[1:] if header else rows
    free = [i for i in range(wide) if i != other]
    figures = [sum(i < len(row) and told(row[i]) for row in body) for i in free]
    if not free or not max(figures, default=0):
        raise ColumnError(
            "There is no column of figures in what was copied: copy the places and the figures, or figures alone."
        )
    if figures.count(max(figures)) > 1 and len(free) > 1 and other is None:
        raise ColumnError(
            "Several columns of figures were copied and none names the valves: copy one column, or the valves with it."
        )
    return free[figures.index(max(figures))], header


def _is_figure(cell: str) -> bool:
    return any(letter.isdigit() for letter in cell[:3])


def _in_order(rows: list[list[str]], places: Sequence[Place], start: int, title: str, told: Told) -> list[PastedCell]:
    column, header = _value_column(rows, None, title, told)
    texts = [row[column] if column < len(row) else "" for row in (rows[1:] if header else rows)]
    at = 0 if len(texts) == len(places) else max(start, 0)
    placed = []
    for i, text in enumerate(texts):
        place = places[at + i] if at + i < len(places) else None
        placed.append(PastedCell(place, text, "" if place else "there is no place left for it below the current one"))
    return placed


def _by_place(rows: list[list[str]], by_name: dict[str, Place], named: int, title: str, told: Told) -> list[PastedCell]:
    column, header = _value_column(rows, named, title, told)
    placed: list[PastedCell] = []
    seen: set[Place] = set()
    for row in rows[1:] if header else rows:
        name, text = (row[i] if i < len(row) else "" for i in (named, column))
        place = by_name.get(_plain(name))
        wrong = "" if place else f"“{name}” is no place of this engine"
        if place in seen:
            wrong = f"{name} is there twice in what was pasted"
        if place:
            seen.add(place)
        placed.append(PastedCell(place, text, wrong))
    return placed


def column_csv(book: Book, quantity: str, places: Sequence[Place], at: dict[str, float], unit: str) -> str:
    """Write the readings of a quantity as CSV, every one that ever stood there, the header naming the unit."""
    row = CATALOG[quantity]
    held = io.StringIO()
    out = csv.writer(held, lineterminator="\n")
    out.writerow(
        [
            "place",
            "reading",
            f"{row.title} ({unit})" if unit else row.title,
            "way",
            "tool",
            "when",
            "by",
            "note",
            "stands",
        ]
    )
    for place in places:
        found = readings_at(book, quantity, place, at)
        for one in found:
            way, tool = row.way(one.reading.way), book.engine.tool(one.reading.tool)
            stands = one.fate or staleness(book.engine, one) or "counts"
            out.writerow(map(defused, [
                place.name, one.reading.text, f"{from_inside(one.reading.value, row.dimension, unit):.10g}",
                way.title if way else "", tool.name if tool else "", one.reading.when, one.reading.by, one.note, stands,
            ]))  # fmt: skip
        if not found:
            out.writerow([defused(place.name), "", "", "", "", "", "", "", "not measured"])
    return held.getvalue()
