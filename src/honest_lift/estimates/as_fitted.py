"""What was stated, or measured for all, speaks of the parts that were there.

Where another part was fitted at a place since, only a reading of its own, or a figure stated afterwards, speaks of it. A change by
a known amount moves what was told, and makes it predicted.
"""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.estimates.estimate import Input
from honest_lift.estimates.predicted import predicted, telling
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.changes import is_untouched
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import SCOPES, Fitment, Slot, holders, since
from honest_lift.facts.place import Place
from honest_lift.facts.which_valve import EXCHANGED, NUMBERED
from honest_lift.numbers.doubt import Ground

READ = ("measured", "observed")


def as_fitted(book: Book, found: Input, place: Place) -> Input:
    """Mark what was told for all stale where another part was fitted at a place since, or give what it becomes there."""
    if found.ground & Ground.MISSING or (found.kind in READ and found.where == place.title):
        return found
    stated_for = () if found.kind in READ else CATALOG[found.quantity].stated_for
    slots = sorted(stated_for or slots_of((found.quantity,)))
    done = [one for slot in slots for one in _done(book.engine, slot, place, found)]
    if not done:
        return found
    order = {one.id: i for i, one in enumerate(book.engine.fitments)}
    done.sort(key=lambda one: order[one.id])
    value = predicted(telling(book, resolve), found.quantity, place, found.value, done)
    if value is not None and not found.ground & Ground.STALE:
        off = value - found.value
        note = f"predicted: the {done[-1].slot} was changed by a known amount since it was stated"
        return replace(found, value=value, low=found.low + off, high=found.high + off, note=note,
                       ground=found.ground | Ground.PREDICTED)  # fmt: skip
    where = {"position": "at this valve"}.get(place.kind, f"at {place.title}")
    note = f"another {done[-1].slot} was fitted here: measure it {where}"
    return replace(found, ground=found.ground | Ground.STALE, note=note)


def _done(engine: Engine, slot: Slot, place: Place, found: Input) -> list[Fitment]:
    """Give what was done in a slot that a place rests on, after what was told for all."""
    # what was read for all of the only one goes stale by itself, as any reading does; what was stated has to be told here
    whole = SCOPES.get(slot) == "engine" and found.kind in READ
    there = (one for holder in holders(engine.layout, slot, place).values()
             for one in since(engine.fitments, slot, holder, ""))  # fmt: skip
    return [
        one for one in there
        if not (whole and one.amount is None) and not _told_after(found, one.when)
        and not is_untouched(found.quantity, one.change) and one.change not in (NUMBERED, EXCHANGED)
    ]  # fmt: skip


def _told_after(found: Input, fitted: str) -> bool:
    if not found.when or not fitted:
        return False
    return fitted < found.when if found.kind in READ else fitted <= found.when
