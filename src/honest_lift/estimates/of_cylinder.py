"""What stands for a quantity at each cylinder, where it may have been stated or measured for a head or for all of them."""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.estimates.as_fitted import as_fitted
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import by_place
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.place import at_cylinder


def of_cylinder(book: Book, quantity: str, cylinder: int | str) -> Input:
    """Give what stands for a quantity at a cylinder."""
    place = at_cylinder(cylinder)
    return recalled(
        book, (quantity,), ("as fitted", place), lambda: as_fitted(book, resolve(book, quantity, place), place)
    )


def of_each_cylinder(book: Book, quantity: str) -> tuple[Input, ...]:
    """Give it for every cylinder in head order. Remembered."""
    return recalled(book, (quantity,), "each cylinder", lambda: tuple(_of_each(book, quantity)))


def _of_each(book: Book, quantity: str) -> list[Input]:
    """Resolve once where nothing nearer than the engine speaks of it."""
    cylinders = [str(one) for one in book.engine.layout.cylinders]
    if not cylinders or _tells_apart(book, quantity):
        return [of_cylinder(book, quantity, one) for one in cylinders]
    told = of_cylinder(book, quantity, cylinders[0])
    missing = told.kind == "missing"
    places = [at_cylinder(one) for one in cylinders]
    return [replace(told, asked=place, where=place.title if missing else told.where) for place in places]


def _tells_apart(book: Book, quantity: str) -> bool:
    """Tell whether anything was read, stated, set aside or fitted that may speak of one cylinder and not of all."""
    slots, nearer = slots_of((quantity,)), ("cylinder", "head")
    return (
        CATALOG[quantity].one_a_head
        or any(name == quantity and place.kind in nearer for name, place in by_place(book.journal))
        or any(one.quantity == quantity and one.place.kind in nearer for one in book.engine.facts)
        or any(one.quantity == quantity for one in book.set_aside)
        or any(one.slot in slots for one in book.engine.fitments)
    )
