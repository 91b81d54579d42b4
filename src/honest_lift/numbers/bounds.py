"""Readings that say only what goes and what does not: `>.080`, `< 1.2`, `.040 goes, .045 does not`.

A gauge pin, a feeler or a wire tells on which side of it a size lies, and nothing nearer. Such a reading proves exactly that.
Source of the grammar: common practice.
"""

from __future__ import annotations

import re

from msgspec import Struct

from honest_lift.numbers.entry import EntryError, Field, parse

_SIDED = re.compile(r"\s*(>=|=>|≥|>|<=|=<|≤|<)\s*(.*)", re.DOTALL)
_NOT = r"(?:does not|doesn['’]t|doesnt|not|no[- ]?go)"
_GOES = re.compile(rf"(.+?)\s*goes\b[\s,;]*(?:and|but)?\s*(.+?)\s*{_NOT}\s*\.?\s*", re.IGNORECASE)
_HOW = "write >.080 for more, <1.2 for less, or .040 goes, .045 does not"


class Bounds(Struct, frozen=True):
    """What is known: more than `low`, less than `high`, in the inside unit; None where that side is open."""

    low: float | None = None
    high: float | None = None


def is_bound(text: str) -> bool:
    """Tell whether typed text says only on which side of something a size lies."""
    return _SIDED.match(text) is not None or "goes" in text.lower()


def parse_bounds(text: str, field: Field) -> Bounds:
    """Read what goes and what does not. Raises EntryError with a sentence.

    >>> parse_bounds(">2", Field("length", "mm")), parse_bounds("2 goes, 2.5 does not", Field("length", "mm"))
    (Bounds(low=2.0, high=None), Bounds(low=2.0, high=2.5))
    """
    if sided := _SIDED.match(text):
        sign, rest = sided.groups()
        if is_bound(rest):
            raise EntryError(f"“{text.strip()}”: one bound at a time; {_HOW}.")
        value = _figure(rest, field, text)
        return Bounds(low=value) if ">" in sign or sign == "≥" else Bounds(high=value)
    both = _GOES.fullmatch(text.strip())
    if both is None:
        raise EntryError(f"“{text.strip()}” says what goes, and not what does not: {_HOW}.")
    one, other = (_figure(part, field, text) for part in both.groups())
    if one == other:
        raise EntryError(f"“{text.strip()}”: the same size can't go and not go.")
    # of a shaft in a ring the larger goes, of a pin in a bore the smaller
    return Bounds(min(one, other), max(one, other))


def _figure(part: str, field: Field, text: str) -> float:
    value = parse(part, field)
    if value is None:
        raise EntryError(f"“{text.strip()}” lacks its figure: {_HOW}.")
    return value
