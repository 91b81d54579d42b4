"""What was worked out of a book for one quantity, carried over to the next book as long as nothing touches that quantity."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar

from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import whole_for
from honest_lift.facts.memory.remember import by_identity, last_few, remembered_in
from honest_lift.facts.memory.touched import touched

V = TypeVar("V")
ByQuantities = dict[tuple[str, ...], dict[Any, Any]]
_BOOKS = 3  # the engine, and what was tried on it just before


def recalled(book: Book, quantities: tuple[str, ...], key: object, work: Callable[[], V]) -> V:
    """Give what was worked out under a key for some quantities of a book, or of any it is narrowed to; worked out once.

    `work` may rest on nothing but what stands for these quantities.
    """
    known = _memory(whole_for(book, quantities)).setdefault(quantities, {})
    return remembered_in(known, key, work)


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
