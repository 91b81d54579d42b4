"""What was worked out of a book for one quantity, carried over to the next book as long as nothing touches that quantity."""

from __future__ import annotations

from typing import Any

from honest_lift.facts.engine import Book
from honest_lift.facts.narrowed import whole_for
from honest_lift.facts.remember import by_identity, last_few
from honest_lift.facts.touched import touched

ByQuantities = dict[tuple[str, ...], dict[Any, Any]]
_BOOKS = 3  # the engine, and what was tried on it just before


def remembered_of(book: Book, *quantities: str) -> dict[Any, Any]:
    """Give the memory of a quantity, or of some together, to be read and added to by those who ask what stands for them.

    It is one for a book and all that it is narrowed to: what is put there may rest on nothing but what stands for these quantities.
    """
    return _memory(whole_for(book, quantities)).setdefault(quantities, {})


@by_identity
def _memory(book: Book) -> ByQuantities:
    carried: ByQuantities = {}
    for known, told in _told:
        differs = touched(known, book)
        if differs is not None:
            carried = {names: own for names, own in told.items() if all(map(differs.spares, names))}
            break
    _told.insert(0, (book, carried))
    del _told[_BOOKS:]
    return carried


_told: list[tuple[Book, ByQuantities]] = last_few()
