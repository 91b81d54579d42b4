"""A stated figure typed anew: it was always so, or it is another part's, and then what was read of the old part speaks no more.

Nothing tells the two apart but the person who types. Where nobody says, it is taken as another part's: that can make a reading
stale needlessly, and never lets one pass that speaks of a part that is gone.
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import Literal

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import Slot, holders_within
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.place import ENGINE, Place, at_role
from honest_lift.facts.staleness import is_stale

Meant = Literal["another part", "corrected"]


def stood_before(engine: Engine, fact: Fact) -> Fact | None:
    """Give the specified figure that stood for the place of a fact: its own, else the nearest that is stated for more."""
    stated = {one.key: one for one in engine.facts}
    found = (stated.get((fact.quantity, place)) for place in _around(engine, fact.place))
    before = next((one for one in found if one is not None), None)
    return before if before is not None and before.kind == "specified" else None


def _around(engine: Engine, place: Place) -> tuple[Place, ...]:
    if place.kind == "position":
        return (place, at_role(place.role), Place("head", engine.layout.head_of(place.name)), ENGINE)
    return (place, ENGINE)


def other_parts(engine: Engine, facts: Iterable[Fact]) -> dict[tuple[Slot, str], Fact]:
    """Give the slots, and where, in which another part sits if figures that are stated anew are another part's."""
    found: dict[tuple[Slot, str], Fact] = {}
    for fact in facts:
        before = stood_before(engine, fact)
        if before is None or fact.kind != "specified" or before.value == fact.value:
            continue
        for slot in CATALOG[fact.quantity].speaks_of:
            found |= {(slot, holder): fact for holder in holders_within(engine.layout, slot, fact.place)}
    return found


def gone_stale(before: Book, after: Engine) -> tuple[Standing, ...]:
    """Give the readings that count and rest on something that is another in the changed engine."""
    counting = (one for one in standing(before.journal) if not one.fate)
    return tuple(one for one in counting if is_stale(after, one) and not is_stale(before.engine, one))
