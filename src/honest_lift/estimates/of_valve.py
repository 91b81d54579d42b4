"""What stands for a quantity at one valve, where it may have been stated or measured for all of them.

What was stated, or measured for all, speaks of the parts that were there; where another part was fitted at a valve
since, only a reading of its own speaks of it.
"""

from __future__ import annotations

from collections.abc import Sequence

from msgspec.structs import replace

from honest_lift.estimates.as_fitted import as_fitted
from honest_lift.estimates.estimate import Estimate, Input, estimate_of
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import Slot, holders
from honest_lift.facts.ledger import by_place
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.place import Place, at_position
from honest_lift.facts.wheel_table import READ_AS


def at_valve(book: Book, quantity: str, position: str, member: str = "") -> Input:
    """Give what stands for a quantity at a valve, or at one depth of its guide."""
    place = at_position(position, member)
    return recalled(
        book, (quantity,), ("as fitted", place), lambda: as_fitted(book, resolve(book, quantity, place), place)
    )


def at_valves(book: Book, quantity: str, positions: Sequence[str], member: str = "") -> Estimate:
    """Give the estimate (n,) of a quantity at some valves."""
    return estimate_of([at_valve(book, quantity, name, member) for name in positions])


def at_each_valve(book: Book, quantity: str) -> tuple[Input, ...]:
    """Give what `at_valve` gives at every valve in head order. Remembered."""
    return recalled(book, (quantity,), "each valve", lambda: tuple(_at_each(book, quantity)))


def _at_each(book: Book, quantity: str) -> list[Input]:
    """Resolve once a role where nothing nearer speaks of it."""
    engine = book.engine
    if quantity in READ_AS.values():  # a wheel table speaks of its own valve
        return [at_valve(book, quantity, one.id) for one in engine.layout.positions]
    nearer = {place for name, place in by_place(book.journal) if name == quantity}
    nearer |= {one.place for one in engine.facts if one.quantity == quantity}
    nearer |= {one.at for one in book.set_aside if one.at is not None}
    singly = CATALOG[quantity].one_a_head or any(place.kind in ("head", "cylinder") for place in nearer)
    slots = slots_of((quantity,))
    fitted = {(one.slot, one.position) for one in engine.fitments if one.slot in slots}
    of_role: dict[str, Input] = {}
    found = []
    for one in engine.layout.positions:
        place = at_position(one.id)
        if singly or place in nearer or _is_touched(engine, slots, fitted, place):
            found.append(at_valve(book, quantity, one.id))
            continue
        if one.role not in of_role:
            of_role[one.role] = at_valve(book, quantity, one.id)
        told = of_role[one.role]
        found.append(replace(told, asked=place, where=place.title if told.kind == "missing" else told.where))
    return found


def _is_touched(engine: Engine, slots: frozenset[Slot], fitted: set[tuple[Slot, str]], place: Place) -> bool:
    """Tell whether anything was fitted in a slot that a place rests on."""
    return bool(fitted) and any(
        (slot, holder) in fitted for slot in slots for holder in holders(engine.layout, slot, place).values()
    )
