"""What was stated, or measured for all, speaks of the parts that were there.

Where another part was fitted at a place since, only a reading of its own, or a figure stated afterwards, speaks of it.
"""

from __future__ import annotations

from dataclasses import replace

from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import SCOPES, Slot, holders
from honest_lift.facts.place import Place
from honest_lift.numbers.doubt import Ground

READ = ("measured", "observed")


def as_fitted(book: Book, found: Input, place: Place) -> Input:
    """Mark what stands for a quantity at a place stale where another part was fitted there since it was told for all."""
    if found.ground & Ground.MISSING or (found.kind in READ and found.where == place.title):
        return found
    changed = [slot for slot in sorted(slots_of((found.quantity,))) if _changed_at(book.engine, slot, place, found)]
    if not changed:
        return found
    where = {"position": "at this valve"}.get(place.kind, f"at {place.title}")
    note = f"another {changed[0]} was fitted here: measure it {where}"
    return replace(found, ground=found.ground | Ground.STALE, note=note)


def _changed_at(engine: Engine, slot: Slot, place: Place, found: Input) -> bool:
    """Tell whether another part was fitted in a slot that a place rests on, after what was told for all."""
    if SCOPES.get(slot) == "engine":  # what is told for all of the only one speaks of the one there is
        return False
    there = (engine.fitted(slot, holder) for holder in holders(engine.layout, slot, place).values())
    return any(one is not None and not _told_after(found, one.when) for one in there)


def _told_after(found: Input, fitted: str) -> bool:
    if not found.when or not fitted:
        return False
    return fitted < found.when if found.kind in READ else fitted <= found.when
