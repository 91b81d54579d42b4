"""What differs between two books, as far as it may change what stands for a quantity somewhere.

An edit, or a step of a trial's slider, touches few quantities; what stands for all others is what it was.
"""

from __future__ import annotations

from operator import is_
from typing import TypeVar

from msgspec import Struct

from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import CONSULTED, Slot, changed_slots
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.journal_index import TABLES, index_of
from honest_lift.facts.wheel_table import READ_AS

T = TypeVar("T")
_COMPARED = ("facts", "fitments")  # one by one; every other field of an engine is the same in both, or all is touched
_NOT_RESOLVED_FROM = ("id", "job", "firing", "mock_up", "bolts", "own_route", "name", "note", "cam_card", "limits", "trials",
                      "people", "hand", "pushrod_stock", "bucket_stock", "bucket_sold", "shim_stock")  # fmt: skip
_ALL_ELSE = tuple(one for one in Engine.__struct_fields__ if one not in (*_COMPARED, *_NOT_RESOLVED_FROM))
_ASKED = CONSULTED | {
    "chamber_volume"
}  # what tells by how much a known change moves others; pours tell what a cut takes
_ASKED_OF = slots_of(_ASKED)
_ON_WHEEL = frozenset(READ_AS.values())
_CAM: frozenset[Slot] = frozenset({"cam"})


class Touched(Struct, frozen=True):
    """Quantities read or stated otherwise, slots in which something else was done, and those where it was by a known amount."""

    quantities: frozenset[str]
    slots: frozenset[Slot]
    moved: frozenset[Slot]

    def spares(self, quantity: str) -> bool:
        """Tell whether what stands for a quantity is sure to be the same at every place."""
        rests_on = slots_of((quantity,)) | (_CAM if quantity in _ON_WHEEL else frozenset())
        if quantity in self.quantities or rests_on & self.slots:
            return False
        return not rests_on & self.moved or not (self.quantities & _ASKED or self.slots & _ASKED_OF)


def touched(before: Book, now: Book) -> Touched | None:
    """Tell what differs; None where it may be anything: other tools or another layout, wheel tables."""
    old, new = before.engine, now.engine
    if before.set_aside != now.set_aside or any(_differ(old, new, name) for name in _ALL_ELSE):
        return None
    read = _read_otherwise(before.journal, now.journal)
    if read is None:
        return None
    slots = frozenset(one.slot for each in _after_the_same(old.fitments, new.fitments) for one in each)
    moved = changed_slots(old.fitments) | changed_slots(new.fitments)
    return Touched(read | _stated_otherwise(old.facts, new.facts), slots, moved)


def _differ(old: Engine, new: Engine, name: str) -> bool:
    one, other = getattr(old, name), getattr(new, name)
    return one is not other and one != other


def _read_otherwise(before: tuple[AnyEntry, ...], now: tuple[AnyEntry, ...]) -> frozenset[str] | None:
    """Give the quantities of what only one journal has; None where some of it is about wheel tables."""
    found: set[str] = set()
    for journal, entries in zip((before, now), _after_the_same(before, now), strict=True):
        if entries:
            found = found.union(*map(index_of(journal).about, entries))
    return None if TABLES in found else frozenset(found)


def _stated_otherwise(before: tuple[Fact, ...], now: tuple[Fact, ...]) -> frozenset[str]:
    if before is now:
        return frozenset()
    old, new = ({id(one): one.quantity for one in facts} for facts in (before, now))
    return frozenset((old | new)[one] for one in old.keys() ^ new.keys())


def _after_the_same(one: tuple[T, ...], other: tuple[T, ...]) -> tuple[tuple[T, ...], tuple[T, ...]]:
    """Give what follows in two tuples after the records that are the very same in both."""
    if one is other:
        return (), ()
    same = next((i for i, alike in enumerate(map(is_, one, other)) if not alike), min(len(one), len(other)))
    return one[same:], other[same:]
