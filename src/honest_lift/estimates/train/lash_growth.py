"""Lash that grows between two readings: a follower, a lobe or a seat wears, or an adjuster walks.

Told of what was read at each valve day by day, the last of a day. What was set anew in between is not known from readings alone: a
lash that is read wider by more than the growth that is watched is named with both days, and a person says whether it was set.
"""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.book.written import written
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import standing

WATCHED_MM = 0.004 * 25.4  # of a solid follower between two readings. Common practice and from memory


class Growth(Struct, frozen=True):
    """What a valve's lash has grown by, mm, from one day to another."""

    position: str
    grown_mm: float
    before: str
    now: str


def lash_growth(book: Book) -> tuple[Growth, ...]:
    """Give the valves whose lash grew by more than is watched between their last two days of readings, the most first."""
    if book.engine.lifter.startswith("hydraulic"):
        return ()
    days: dict[str, dict[str, float]] = {}
    for one in standing(book.journal):
        if (
            one.reading.quantity == "lash"
            and (not one.fate or one.fate.startswith("replaced"))
            and one.place.kind == "position"
        ):
            days.setdefault(one.place.name, {})[one.reading.when[:10]] = one.reading.value
    found = []
    for position, read in days.items():
        *_, before, now = ("", "", *sorted(read))
        if before and read[now] - read[before] > WATCHED_MM:
            found.append(Growth(position, read[now] - read[before], before, now))
    return tuple(sorted(found, key=lambda one: -one.grown_mm))


class Life(Struct, frozen=True):
    """What a set of springs has run: hours and passes of the log since its first was fitted; "" for a day nobody wrote down."""

    name: str
    since: str
    hours: float
    runs: int


def set_lives(book: Book) -> tuple[Life, ...]:
    """Give the life of each set that is fitted now."""
    engine, log, first = book.engine, written(book.journal).log, dict[str, str]()
    for fitment in engine.fitments:
        owner = engine.set_of(fitment.part) if fitment.slot == "spring" and fitment.part else None
        if owner is not None and engine.position_of(fitment.part):
            first.setdefault(owner.id, fitment.when[:10])
    lives = []
    for one in engine.sets:
        if one.id in first:
            since = [each for each in log if each.day >= first[one.id]]
            lives.append(
                Life(
                    one.name,
                    first[one.id],
                    sum(each.hours or 0.0 for each in since),
                    sum(each.runs or 0 for each in since),
                )
            )
    return tuple(lives)
