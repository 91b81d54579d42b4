"""Marks read with an adjustable checking pushrod at a valve, length by length, as they now stand."""

from __future__ import annotations

from math import isfinite, nan

from msgspec import Struct

from honest_lift.estimates.resolve import counting_readings, resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.staleness import is_stale
from honest_lift.mechanics.rocker.pushrod_length import turned_out

AT = "checking_length"


class Checked(Struct, frozen=True):
    """Marks at one length of the checking pushrod, mm between its balls' middles; NaN for what was not read."""

    length_mm: float
    turns: str = ""
    width_mm: float = nan
    middle_mm: float = nan
    readings: tuple[str, ...] = ()
    stale: bool = False


def checked(book: Book, position: str) -> tuple[Checked, ...]:
    """Give what was read at a valve, shortest first; the latest reading of each length counts."""
    found: dict[float, dict[str, Standing]] = {}
    for name in ("checking_width", "checking_centre"):
        for one in counting_readings(book, name, at_position(position)):
            if AT in one.reading.at:
                found.setdefault(round(one.reading.at[AT], 6), {})[name] = one
    return tuple(_row(book, length, found[length]) for length in sorted(found))


def _row(book: Book, length_mm: float, read: dict[str, Standing]) -> Checked:
    width, middle = (
        read[name].reading.value if name in read else nan for name in ("checking_width", "checking_centre")
    )
    any_of = next(iter(read.values()))
    return Checked(
        length_mm, any_of.reading.also.get("turns", ""), width, middle, tuple(one.reading.id for one in read.values()),
        any(is_stale(book.engine, one) for one in read.values()),
    )  # fmt: skip


def checking_length_mm(book: Book, turns: float) -> float | str:
    """Give the length of the checking pushrod turned out so far, or what of it is not stated."""
    shortest, pitch = (resolve(book, name, ENGINE).value for name in ("checking_shortest", "checking_pitch"))
    lacking = [
        words
        for words, one in (("its length screwed in", shortest), ("what it grows a turn", pitch))
        if not isfinite(one)
    ]
    return f"state of the checking pushrod {' and '.join(lacking)}" if lacking else turned_out(shortest, turns, pitch)
