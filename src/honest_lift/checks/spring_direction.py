"""Which way up a progressive spring stands: its closely wound coils belong against the head."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.on_valves import looked_at
from honest_lift.estimates.loads import spring_curves
from honest_lift.estimates.spring_form import form_of
from honest_lift.facts.engine import Book

SPRING_DIRECTION = Check(
    "spring_direction", "Spring the right way up", "springs", OBSERVED, "Which way up a progressive spring stands.",
)  # fmt: skip


def check_direction(book: Book) -> list[Finding]:
    """Give what was seen at every valve that has a progressive spring, by its card or by its curve."""
    rising = _progressive(book)
    seen = looked_at(book, SPRING_DIRECTION, "spring_direction")
    return [one for one in seen if book.engine.spring_at(one.position) in rising]


def _progressive(book: Book) -> set[str]:
    names = [one.id for one in book.engine.springs]
    by_card = {name for name in names if (card := book.engine.card_of(name)) and card.form == "progressive"}
    unknown = [name for name in names if name not in by_card and not getattr(book.engine.card_of(name), "form", "")]
    if not unknown:
        return by_card
    curves = spring_curves(book, unknown)
    return by_card | {
        name for row, name in enumerate(unknown) if form_of(curves, row).told in ("rising", "progressive")
    }
