"""Sizes in stock as a line: `7.600; 7.650`, `7.600 to 7.900 by .025`, and where they are counted `2.45 x 3; 2.50 x 1`."""

from __future__ import annotations

import re

from honest_lift.numbers.entry import EntryError, Field, parse

_MOST = 400
_ROW = re.compile(r"(.+?)\s+to\s+(.+?)\s+by\s+(.+)", re.IGNORECASE)
_COUNTED = re.compile(r"(.+?)\s*[x×]\s*([0-9]{1,3})", re.IGNORECASE)
Range = tuple[float, float]


def read_sizes(text: str, unit: str, inside: Range) -> tuple[float, ...]:
    """Give the sizes in mm, smallest first, each once; none for a blank. `inside`: what is possible. Raises EntryError."""
    found: set[float] = set()
    for part in _parts(text):
        row = _ROW.fullmatch(part)
        sizes = _row(row, unit, inside) if row else (_size(part, unit, inside),)
        found |= {round(one, 6) for one in sizes}
    return tuple(sorted(found))


def read_counted(text: str, unit: str, inside: Range) -> tuple[tuple[float, int], ...]:
    """Give sizes in mm with how many there are, one where no count is typed; the same size twice adds up. Raises EntryError."""
    found: dict[float, int] = {}
    for part in _parts(text):
        counted = _COUNTED.fullmatch(part)
        size = round(_size(counted[1] if counted else part, unit, inside), 6)
        found[size] = found.get(size, 0) + (int(counted[2]) if counted else 1)
    return tuple(sorted(found.items()))


def _parts(text: str) -> list[str]:
    return [part.strip() for part in text.split(";") if part.strip()]


def _size(text: str, unit: str, inside: Range) -> float:
    value = parse(text, Field.within("length", unit, inside))
    if value is None:
        raise EntryError(
            f"“{text}” is no size: write sizes with semicolons between them, or a row as 2.00 to 3.00 by .05."
        )
    return value


def _row(row: re.Match[str], unit: str, inside: Range) -> tuple[float, ...]:
    low, high = _size(row[1], unit, inside), _size(row[2], unit, inside)
    step = parse(row[3], Field.within("length", unit, (0.002, 50.0)))
    if step is None or low > high:
        raise EntryError(f"“{row[0]}”: the first size has to be the smaller one, and the step more than nothing.")
    count = int((high - low) / step + 1e-9) + 1
    if count > _MOST:
        raise EntryError(f"“{row[0]}” would be {count} sizes; up to {_MOST} can be held: take a wider step.")
    return tuple(low + i * step for i in range(count))
