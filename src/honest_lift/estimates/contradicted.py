"""What was told twice and can't both be right, though each may be: a part that was cut and read as before, lash hot and cold."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import sqrt

from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing, by_place
from honest_lift.facts.place import Place
from honest_lift.facts.staleness import done_since
from honest_lift.numbers.doubt import COVERAGE
from honest_lift.numbers.units import in_words

# What warming up may add to lash or take off it, with a feeler's own step, by the head's material: some 0.002 in on iron, up
# to 0.012 in where block and head are aluminium. From memory
_GROWS_MM = {"iron": 0.06, "aluminium": 0.31}
_WARM, _COLD = "feeler_hot", "feeler"

Moved = Callable[[Book, Standing, Place, float], float | None]


def read_as_before(book: Book, told: Input, latest: Standing, moved: Moved) -> str:
    """Say that a reading is what was read before a change of a known amount, which should have moved it; "" where it is not.

    One typed again from an old sheet looks like this. Read twice since, it counts: then the amount of the change is what is wrong.
    `moved` tells what a reading comes to by all that was done since.
    """
    if told.count > 1:
        return ""
    before = _before(book, latest)
    if before is None or not done_since(book.engine, before):
        return ""
    expected = moved(book, before, told.asked or latest.place, before.reading.value)
    apart = COVERAGE * sqrt(2.0) * told.own_u
    if expected is None or abs(told.value - before.reading.value) > apart or abs(told.value - expected) <= apart:
        return ""
    row = CATALOG[told.quantity]
    wanted = in_words(expected, row.dimension, book.engine.unit(row.dimension))
    return (
        f"the same was measured before a change of a known amount ({before.reading.text}); after it, {wanted} is expected: "
        "measure once more as a repeat, or correct the change"
    )


def _before(book: Book, latest: Standing) -> Standing | None:
    """Give the last reading of the same way before one, that nobody struck out."""
    found = by_place(book.journal).get((latest.reading.quantity, latest.place), ())
    before = [
        one for one in found
        if one.reading.way == latest.reading.way and one.reading.when <= latest.reading.when
        and one.depends_on != latest.depends_on and (not one.fate or one.reading.id in latest.reading.supersedes)
    ]  # fmt: skip
    return before[-1] if before else None


def hot_beside_cold(book: Book, quantity: str, fresh: Sequence[Standing]) -> str:
    """Say that lash read hot and lash read cold differ by more than warming up tells; "" where they agree, or one is not read."""
    if quantity != "lash":
        return ""
    read = {one.reading.way: one for one in fresh}
    if not read.keys() >= {_WARM, _COLD}:
        return ""
    warm, cold = read[_WARM].reading.value, read[_COLD].reading.value
    if abs(warm - cold) <= _GROWS_MM.get(book.engine.head_material, max(_GROWS_MM.values())):
        return ""
    unit = book.engine.unit("length")
    hot, cool = (in_words(one, "length", unit) for one in (warm, cold))
    return f"{hot} hot and {cool} cold differ by more than warming up explains: measure both again, and strike out the wrong one"
