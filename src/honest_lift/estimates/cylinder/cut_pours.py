"""What a millimetre off a head took from a chamber, by pours before and after a cut of a known amount."""

from __future__ import annotations

from math import nan

from honest_lift.facts.engine import Book
from honest_lift.facts.fitments import Slot, since
from honest_lift.facts.ledger import Standing, by_place
from honest_lift.facts.place import at_cylinder

HEAD_CUT = "head_cut"
_KEY: Slot = "head face"


def cc_per_mm_by_pours(book: Book, cylinder: str) -> float:
    """Give it by the last two pours with a cut of a known amount, and nothing else, between them."""
    read = [one for one in by_place(book.journal).get(("chamber_volume", at_cylinder(cylinder)), ())
            if not one.fate or one.fate.startswith("replaced")]  # fmt: skip
    for before, after in zip(reversed(read[:-1]), reversed(read[1:]), strict=False):
        cut = _cut_between(book, cylinder, before, after)
        if cut:
            return (before.reading.value - after.reading.value) / cut
    return nan


def _cut_between(book: Book, cylinder: str, before: Standing, after: Standing) -> float:
    """Give what was cut off the head between two pours, mm; 0 where anything else was changed, or the amount is not known."""
    then, now = before.depends_on, after.depends_on
    changed = {key for key in {*then, *now} if then.get(key, "") != now.get(key, "")}
    if changed != {_KEY}:
        return 0.0
    head = book.engine.layout.head_of_cylinder(cylinder)
    between = since(book.engine.fitments, _KEY, head, then.get(_KEY, ""))
    ids = [one.id for one in between]
    last = now.get(_KEY, "")
    between = between[: ids.index(last) + 1] if last in ids else ()
    if not between or any(one.change != HEAD_CUT or one.amount is None for one in between):
        return 0.0
    return sum(one.amount or 0.0 for one in between)
