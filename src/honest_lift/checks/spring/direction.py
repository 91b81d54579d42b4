"""Which way up a progressive spring stands: its closely wound coils belong against the head."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.on_valves import is_given, looked_at, with_remark
from honest_lift.estimates.observed import choice_of
from honest_lift.facts.engine import Book
from honest_lift.facts.paint import paint_words
from honest_lift.mechanics.spring.form import Form
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

SPRING_DIRECTION = Check(
    "spring_direction", "Spring the right way up", "springs", OBSERVED, "Which way up a progressive spring is.",
)  # fmt: skip


def check_direction(book: Book, progressive: frozenset[str]) -> list[Finding]:
    """Give what was seen at every valve that has a progressive spring, and wherever else somebody looked: what was seen counts."""
    if not book.engine.layout.positions or not (progressive or is_given(book, "spring_direction")):
        return []
    seen = looked_at(book, SPRING_DIRECTION, "spring_direction")
    return [
        with_remark(one, paint_words(book.engine, one.position)) for one in seen
        if book.engine.spring_at(one.position) in progressive or (book.engine.spring_at(one.position) and _counts(one))
    ]  # fmt: skip


def _counts(one: Finding) -> bool:
    """Tell whether a look at a spring that need not have a direction counts: what is stale only where it stood upside down."""
    seen = choice_of(one.inputs[0])
    return seen is not None and (not one.ground & Ground.STALE or seen.verdict is Verdict.FAILS)


def progressive_springs(book: Book, springs: tuple[str, ...], forms: list[Form]) -> frozenset[str]:
    """Tell which springs are progressive: their cards say so, or their curves where no card says anything."""
    said = {name: getattr(book.engine.card_of(name), "form", "") for name in springs}
    by_curve = {name for name, form in zip(springs, forms, strict=True) if form.told in ("rising", "progressive")}
    return frozenset(name for name in springs if said[name] == "progressive" or (not said[name] and name in by_curve))
