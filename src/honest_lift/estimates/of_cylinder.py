"""What stands for a quantity at each cylinder, where it may have been stated or measured for a head or for all of them."""

from __future__ import annotations

from honest_lift.estimates.as_fitted import as_fitted
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_cylinder


def of_cylinder(book: Book, quantity: str, cylinder: int | str) -> Input:
    """Give what stands for a quantity at a cylinder."""
    place = at_cylinder(cylinder)
    return as_fitted(book, resolve(book, quantity, place), place)
