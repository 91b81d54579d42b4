"""Lengths a shop can buy pushrods in, typed as a list or as `7.600 to 7.900 by .025`."""

from __future__ import annotations

import re

from honest_lift.numbers.entry import EntryError, Field, parse

_LENGTHS = (30.0, 500.0)
_MOST = 400
_ROW = re.compile(r"(.+?)\s+to\s+(.+?)\s+by\s+(.+)", re.IGNORECASE)
_LIKE = "write a list as 7.600; 7.650; 7.700, or a row as 7.600 to 7.900 by .025"


def read_stock(text: str, unit: str) -> tuple[float, ...]:
    """Give the lengths in mm, shortest first, each once; none for a blank. Raises EntryError."""
    if not text.strip():
        return ()
    row = _ROW.fullmatch(text.strip())
    found = _row(row, unit) if row else tuple(_length(part, unit) for part in _parts(text))
    return tuple(sorted({round(one, 6) for one in found}))


def _parts(text: str) -> list[str]:
    return [part.strip() for part in text.split(";") if part.strip()]


def _length(text: str, unit: str) -> float:
    value = parse(text, Field.within("length", unit, _LENGTHS))
    if value is None:
        raise EntryError(f"“{text}” is no length: {_LIKE}.")
    return value


def _row(row: re.Match[str], unit: str) -> tuple[float, ...]:
    low, high = _length(row[1], unit), _length(row[2], unit)
    step = parse(row[3], Field.within("length", unit, (0.01, 50.0)))
    if step is None or low > high:
        raise EntryError(
            f"“{row[0]}”: the first length has to be the shorter one, and the step more than nothing: {_LIKE}."
        )
    count = int((high - low) / step + 1e-9) + 1
    if count > _MOST:
        raise EntryError(f"“{row[0]}” would be {count} lengths; up to {_MOST} can be held: take a wider step.")
    return tuple(low + i * step for i in range(count))
