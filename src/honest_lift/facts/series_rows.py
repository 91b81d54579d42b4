"""A series of readings as it is pasted: a line each, where it was taken (a crank angle, a lift) and what was read there."""

from __future__ import annotations

import re

from honest_lift.facts.catalog import CATALOG
from honest_lift.numbers.entry import EntryError, Field, parse

_APART = re.compile(r"\t|;|\s{2,}|(?<=\d)\s+(?=[-+.\d])")


def read_series(text: str, quantity: str, at_unit: str, unit: str) -> tuple[tuple[float, float, str], ...]:
    """Give (coordinate, value, as typed) for each line, both inside, by rising coordinate. Raises EntryError, naming the line.

    >>> read_series("-2\\t3.1 mm\\n0; 3.4 mm", "piston_valve_room", "deg", "mm")
    ((-2.0, 3.1, '3.1 mm'), (0.0, 3.4, '3.4 mm'))
    """
    rows: dict[float, tuple[float, float, str]] = {}
    for number, line in enumerate(text.splitlines(), start=1):
        if not line.strip():
            continue
        row = _line(line.strip(), number, quantity, at_unit, unit)
        if row[0] in rows:
            raise EntryError(f"Line {number}: “{line.strip()}” is there twice; which of the two readings counts?")
        rows[row[0]] = row
    if not rows:
        raise EntryError(
            f"Nothing was copied that could be pasted: a line for each {_what(quantity)}, as “-2; 3.1” or “4 .125”."
        )
    return tuple(rows[at] for at in sorted(rows))


def _what(quantity: str) -> str:
    return CATALOG[CATALOG[quantity].at].title


def _line(line: str, number: int, quantity: str, at_unit: str, unit: str) -> tuple[float, float, str]:
    wanted = f"Line {number}, “{line}”: {_what(quantity)} and a reading are wanted, as in “-2; 3.1”."
    cells = [one.strip() for one in _APART.split(line, maxsplit=1)]
    if len(cells) != 2:
        raise EntryError(wanted)
    own, at = CATALOG[quantity], CATALOG[CATALOG[quantity].at]
    try:
        there = parse(cells[0], Field.within(at.dimension, at_unit, at.physical))
        value = parse(cells[1], Field.within(own.dimension, unit, own.physical))
    except EntryError as error:
        raise EntryError(f"Line {number}: {error}") from error
    if there is None or value is None:
        raise EntryError(wanted)
    return there, value, cells[1]
