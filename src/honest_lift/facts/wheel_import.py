"""A degree-wheel table from text: typed, pasted or a CSV, its columns in any order, decimal point or comma.

What was understood is said, line by line where a line can't be used, so that somebody can look before it is taken.
One column of angles may go with several of lifts, one a lobe. Nothing is guessed between two readings of a file.
"""

from __future__ import annotations

import csv
import re
from collections.abc import Callable, Sequence
from functools import partial
from itertools import pairwise

from msgspec import Struct

from honest_lift.facts.crank_angle import SCIENTIFIC, read_angle
from honest_lift.facts.place import position_title
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import to_inside

_FIGURE = re.compile(r"[+\-\u2212]?(?:\d+(?:[.,]\d*)?|[.,]\d+)")
_NOT_LIFTS = ("velocity", "acceleration", "speed", "jerk", "piston")
_ANGLE_WORDS = ("deg", "crank", "angle", "wheel", "°")
_LIFT_WORDS = ("lift", "lifter", "valve", "indicator", "reading", "lobe", "follower")
_UNITS = {"mm": "mm", "in": "in", "inch": "in", "inches": "in", "thou": "thou", '"': "in", "mil": "thou"}
_MOST_ROWS = 20000
_MOST_LETTERS = 3_000_000
MOST_BYTES = 4 * _MOST_LETTERS
_LIKELY_MM = (2.0, 25.0)  # of a lobe, or a valve
LIFT_UNITS = ("mm", "in", "thou")


class TableError(MendableError):
    """Text that is no table of a lobe; the sentence says what would be."""


class Column(Struct, frozen=True):
    """One lobe's column: its title, the valve it names ("" for none), and (line, angle, lift) as written."""

    title: str
    position: str
    rows: tuple[tuple[int, float, float], ...]


class Understood(Struct, frozen=True):
    """What a text was understood as. `unit` and `cam_degrees` as a header says; "" and None where none does."""

    columns: tuple[Column, ...]
    unit: str
    cam_degrees: bool | None
    remarks: tuple[str, ...]
    wrong: tuple[tuple[int, str, str], ...]  # line, text, why it can't be used


def read_table(text: str, positions: Sequence[str] = (), role: str = "intake") -> Understood:
    """Understand a text. `positions`: valve ids a column may be headed by. Raises TableError."""
    if len(text) > _MOST_LETTERS or text.count("\n") > 2 * _MOST_ROWS:
        raise TableError(
            f"{text.count(chr(10)) + 1:,} lines: a lobe is read in at most {_MOST_ROWS:,}. Is this the right file?"
        )
    lines = [(number, line.strip()) for number, line in enumerate(text.splitlines(), 1) if line.strip()]
    if not lines:
        raise TableError("There is nothing in it: a line a reading is wanted, the crank angle and the lift.")
    if len(lines) > _MOST_ROWS:
        raise TableError(f"{len(lines)} lines: a lobe is read in at most {_MOST_ROWS}. Is this the right file?")
    split, how = _splitter([line for _, line in lines])
    cells = [(number, split(line)) for number, line in lines]
    head, body = _headed(cells)
    wide = max(len(row) for _, row in body)
    titles = _titles(head, wide)
    angle = _angle_column(titles, [row for _, row in body])
    if _has(titles[angle], ("btdc", "before", "bbdc")):
        raise TableError(f"“{titles[angle]}”: angles counted backward; write them later positive, from overlap TDC.")
    lifts = _lift_columns(titles, [row for _, row in body], angle)
    wrong: list[tuple[int, str, str]] = []
    columns = [_column(one, titles[one], body, angle, positions, role, wrong) for one in lifts]
    passed = [titles[i] or f"column {i + 1}" for i in range(wide) if i != angle and i not in lifts]
    remarks = [how, f"angles in {_called(titles, angle)}, lifts in {', '.join(_called(titles, one) for one in lifts)}"]
    remarks += [f"not used: {', '.join(passed)}"] if passed else []
    remarks += [
        f"line {number} taken as a title: {' | '.join(row)}" for number, row in cells if (number, row) not in body
    ][:4]
    return Understood(
        tuple(columns),
        _unit_of(titles, lifts),
        _cam_degrees(titles[angle]),
        tuple(remarks),
        tuple(dict.fromkeys(wrong)),
    )


def in_mm(column: Column, unit: str, *, cam_degrees: bool) -> list[tuple[float, float]]:
    """Give (crank degrees, lift in mm) rows. Raises TableError where the lift can be no lobe's in that unit."""
    scale, turn = to_inside(1.0, "length", unit), 2.0 if cam_degrees else 1.0
    rows = [(angle * turn, lift * scale) for _, angle, lift in column.rows]
    risen = max(lift for _, lift in rows) - min(lift for _, lift in rows)
    low, high = _LIKELY_MM
    if not low <= risen <= high:
        fits = [one for one in LIFT_UNITS if low <= risen / scale * to_inside(1.0, "length", one) <= high]
        other = f" It would be in {' or '.join(fits)}." if fits else ""
        raise TableError(f"It rises by {risen / scale:g} {unit}, which no lobe does: {low:g} to {high:g} mm is.{other}")
    return rows


def _splitter(lines: list[str]) -> tuple[Callable[[str], list[str]], str]:
    """Tell how lines fall into cells. A comma between cells and as a decimal mark at once is refused."""
    for mark, name in (("\t", "tabs"), (";", "semicolons")):
        if sum(mark in line for line in lines) * 2 > len(lines):
            return partial(_split_by, mark), f"cells set apart by {name}"
    figures = [line for line in lines if any(letter.isdigit() for letter in line)]
    spaced = [re.split(r"\s+", line) for line in figures]
    whole = [
        all(_FIGURE.fullmatch(cell) or SCIENTIFIC.fullmatch(cell) for cell in row) and len(row) > 1 for row in spaced
    ]
    if sum(whole) * 2 > len(figures):
        return lambda line: re.split(r"\s+", line), "cells set apart by spaces"
    if any("," in line for line in figures):
        most = max(line.count(",") for line in figures)
        if most >= 2 and not any("." in line for line in figures):
            raise TableError(
                "Commas stand between the cells and may also be decimal commas here, so it can be read two ways: "
                "set the cells apart by semicolons, tabs or spaces."
            )
        return partial(_split_by, ","), "cells set apart by commas"
    return lambda line: re.split(r"\s{2,}|\s(?=[+\-\d.,])", line), "cells set apart by spaces"


def _split_by(mark: str, line: str) -> list[str]:
    row = next(csv.reader([line], delimiter=mark, skipinitialspace=True), [])
    return [cell.strip() for cell in row]


def _headed(cells: list[tuple[int, list[str]]]) -> tuple[list[str], list[tuple[int, list[str]]]]:
    """Part titles from figures: the last line before the first full row of figures heads the columns."""
    first = next((i for i, (_, row) in enumerate(cells) if sum(_is_figure(cell) for cell in row) >= 2), None)
    if first is None:
        raise TableError("No line of it has two figures: a crank angle and a lift are wanted, as in “97  .318”.")
    head = cells[first - 1][1] if first else []
    return head, cells[first:]


def _titles(head: list[str], wide: int) -> list[str]:
    """Give a title a column. Heads that are more or fewer than the columns would stand over the wrong ones: that is refused."""
    told = list(head)
    while told and not told[-1]:
        told.pop()
    if len(told) <= 1 < wide:  # a line of words over the table heads no column
        return [""] * wide
    if len(told) != wide:
        raise TableError(
            f"Its heads are {len(told)} ({' | '.join(told)}) and its columns {wide}, so that a lift could land at the wrong valve: "
            "set the cells apart by semicolons or tabs, and give every column a head or none."
        )
    return told


def _is_figure(cell: str) -> bool:
    try:
        read_angle(cell, "intake")
    except EntryError:
        return False
    return True


def _figures(rows: list[list[str]], column: int) -> list[float]:
    return [read_angle(row[column], "intake") for row in rows if column < len(row) and _is_figure(row[column])]


def _angle_column(titles: list[str], rows: list[list[str]]) -> int:
    """Give the column of angles: by its title, else the one that goes one way all along."""
    named = [i for i, one in enumerate(titles) if _has(one, _ANGLE_WORDS) and not _has(one, ("lift",))]
    if len(named) == 1:
        return named[0]
    told = [i for i in (named or range(len(titles))) if _goes_one_way(_figures(rows, i))]
    if len(told) == 1:
        return told[0]
    raise TableError(
        "Which column holds the crank angles is not clear; head the columns, as in “crank deg; lift mm”, or leave only two."
    )


def _goes_one_way(figures: list[float]) -> bool:
    steps = [b - a for a, b in pairwise(figures)]
    rising = sum(step > 0 for step in steps)
    return bool(steps) and max(rising, sum(step < 0 for step in steps)) >= 0.9 * len(steps)


def _lift_columns(titles: list[str], rows: list[list[str]], angle: int) -> list[int]:
    """Give the columns of lifts: those titled so, else every other one that rises and falls again."""
    others = [i for i in range(len(titles)) if i != angle and not _has(titles[i], _NOT_LIFTS)]
    named = [i for i in others if _has(titles[i], _LIFT_WORDS)]
    told = named or [i for i in others if _rises_and_falls(_figures(rows, i))]
    if not told:
        raise TableError(
            "No column rises and falls as a lobe does: the angle and the lift at it are wanted on each line."
        )
    return told


def _rises_and_falls(figures: list[float]) -> bool:
    if len(figures) < 5:
        return False
    top = figures.index(max(figures))
    return 0 < top < len(figures) - 1 and max(figures) > max(figures[0], figures[-1])


def _column(
    at: int, title: str, body: list[tuple[int, list[str]]], angle: int, positions: Sequence[str], role: str,
    wrong: list[tuple[int, str, str]],
) -> Column:  # fmt: skip
    rows = []
    name = _position(title, positions)
    for number, row in body:
        try:
            if angle >= len(row) or at >= len(row) or not row[angle] or not row[at]:
                raise EntryError("the angle or the lift is missing")
            rows.append((number, read_angle(row[angle], _role(name) or role), _lift(row[at])))
        except EntryError as error:
            wrong.append((number, "  ".join(row), str(error)))
    if len(rows) < 5:
        raise TableError(f"{title or 'The table'} has {len(rows)} rows that can be used: a lobe needs five or more.")
    return Column(title, name, tuple(rows))


def _lift(cell: str) -> float:
    if SCIENTIFIC.fullmatch(cell):
        return float(cell)
    if not _FIGURE.fullmatch(cell):
        raise EntryError(f"“{cell}” is no figure: write a lift as .352 or 8,94")
    return float(cell.replace(",", ".").replace("\u2212", "-"))


def _position(title: str, positions: Sequence[str]) -> str:
    plain = "".join(title.lower().split())
    return next((one for one in positions if plain in (one, "".join(position_title(one).split()))), "")


def _role(position: str) -> str:
    return "" if not position else "intake" if "i" in position else "exhaust"


def _has(title: str, words: Sequence[str]) -> bool:
    return any(word in title.lower() for word in words)


def _called(titles: list[str], column: int) -> str:
    return f"“{titles[column]}”" if titles[column] else f"column {column + 1}"


def _unit_of(titles: list[str], lifts: list[int]) -> str:
    """Give the unit the lifts are headed with; "" for none, or for two."""
    words = {_UNITS[word] for i in lifts for word in re.split(r"[^a-z\"]+", titles[i].lower()) if word in _UNITS}
    return words.pop() if len(words) == 1 else ""


def _cam_degrees(title: str) -> bool | None:
    if "cam" in title.lower():
        return True
    return False if "crank" in title.lower() else None
