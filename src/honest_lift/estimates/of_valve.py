"""What stands for a quantity at one valve, where it may have been stated or measured for all of them.

What was stated, or measured for all, speaks of the parts that were there; where another part was fitted at a valve
since, only a reading of its own speaks of it.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from honest_lift.estimates.estimate import Estimate, Input, estimate_of
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import SCOPES, Slot
from honest_lift.facts.journal import by_place
from honest_lift.facts.place import at_position
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.numbers.doubt import Ground

_READ = ("measured", "observed")


def at_valve(book: Book, quantity: str, position: str, member: str = "") -> Input:
    """Give what stands for a quantity at a valve, or at one depth of its guide."""
    place = at_position(position, member)
    found = resolve(book, quantity, place)
    row = CATALOG[quantity]
    slots = {slot for way in row.ways for slot in way.depends}
    changed = [slot for slot in sorted(slots) if _changed_at(book.engine, slot, position, found)]
    if not changed or found.ground & Ground.MISSING or (found.kind in _READ and found.where == place.title):
        return found
    note = f"another {changed[0]} was fitted here: measure it at this valve"
    return replace(found, ground=found.ground | Ground.STALE, note=note)


def _changed_at(engine: Engine, slot: Slot, position: str, found: Input) -> bool:
    """Tell whether another part was fitted in a slot of a valve, or of its head; of what was read for all, whether since."""
    holder = engine.layout.head_of(position) if SCOPES.get(slot) == "head" else position
    fitted = engine.fitted(slot, holder)
    return fitted is not None and not (found.kind in _READ and fitted.when and fitted.when < found.when)


def at_valves(book: Book, quantity: str, positions: Sequence[str], member: str = "") -> Estimate:
    """Give the estimate (n,) of a quantity at some valves."""
    return estimate_of([at_valve(book, quantity, name, member) for name in positions])


def at_each_valve(book: Book, quantity: str) -> list[Input]:
    """Give what `at_valve` gives at every valve in head order, resolving once a role where nothing nearer speaks of it."""
    engine = book.engine
    if quantity in READ_AS.values():  # a wheel table speaks of its own valve
        return [at_valve(book, quantity, one.id) for one in engine.layout.positions]
    slots = {slot for way in CATALOG[quantity].ways for slot in way.depends}
    nearer = {place for name, place in by_place(book.journal) if name == quantity}
    nearer |= {one.place for one in engine.facts if one.quantity == quantity}
    nearer |= {one.at for one in book.set_aside if one.at is not None}
    heads = any(place.kind == "head" for place in nearer)
    changed = {one.position for one in engine.fitments if one.slot in slots}
    heads |= any(SCOPES.get(one.slot) == "head" for one in engine.fitments if one.slot in slots)
    of_role: dict[str, Input] = {}
    found = []
    for one in engine.layout.positions:
        place = at_position(one.id)
        if heads or place in nearer or one.id in changed:
            found.append(at_valve(book, quantity, one.id))
            continue
        if one.role not in of_role:
            of_role[one.role] = at_valve(book, quantity, one.id)
        told = of_role[one.role]
        found.append(replace(told, asked=place, where=place.title if told.kind == "missing" else told.where))
    return found
