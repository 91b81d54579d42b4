"""A row of piston-to-valve readings as it is pasted: a line each, a crank angle and how far the valve could be pushed down."""

from __future__ import annotations

import re

from honest_lift.facts.catalog import CATALOG
from honest_lift.numbers.entry import EntryError, Field, parse

_APART = re.compile(r"\t|;|\s{2,}|(?<=\d)\s+(?=[-+.\d])")


def read_rows(text: str, unit: str) -> tuple[tuple[float, float, str], ...]:
    """Give (crank degrees from TDC of the overlap, room in mm, as typed) for each line. Raises EntryError, naming the line.

    >>> read_rows("-2\\t3.1 mm\\n0; 3.4 mm", "mm")
    ((-2.0, 3.1, '3.1 mm'), (0.0, 3.4, '3.4 mm'))
    """
    rows: dict[float, tuple[float, float, str]] = {}
    for number, line in enumerate(text.splitlines(), start=1):
        if not line.strip():
            continue
        row = _line(line.strip(), number, unit)
        if row[0] in rows:
            raise EntryError(f"Line {number}: {row[0]:g} degrees stand there twice; which of the two readings counts?")
        rows[row[0]] = row
    if not rows:
        raise EntryError("Nothing was copied that could be pasted: a line for each angle, as “-2; 3.1” or “4 .125”.")
    return tuple(rows[angle] for angle in sorted(rows))


def _line(line: str, number: int, unit: str) -> tuple[float, float, str]:
    cells = [one.strip() for one in _APART.split(line, maxsplit=1)]
    if len(cells) != 2:
        raise EntryError(f"Line {number}, “{line}”: an angle and a reading are wanted, as in “-2; 3.1”.")
    try:
        angle = parse(cells[0], Field.within("angle", "deg", CATALOG["crank_at"].physical))
        room = parse(cells[1], Field.within("length", unit, CATALOG["piston_valve_room"].physical))
    except EntryError as error:
        raise EntryError(f"Line {number}: {error}") from error
    if angle is None or room is None:
        raise EntryError(f"Line {number}, “{line}”: an angle and a reading are wanted, as in “-2; 3.1”.")
    return angle, room, cells[1]
