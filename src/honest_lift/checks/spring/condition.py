"""Condition of used springs, as they were looked at. New ones need no look to be used."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED, findings_observed
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import of_spring
from honest_lift.numbers.doubt import Ground

SPRING_CONDITION = Check(
    "spring_condition", "Condition", "springs", OBSERVED, "Whether a used spring is fit to be used again.",
)  # fmt: skip


def check_conditions(book: Book, springs: tuple[str, ...]) -> list[Finding]:
    """Give what was seen of every used spring, and of any other that was looked at."""
    seen = {name: resolve(book, "spring_condition", of_spring(name)) for name in springs}
    wanted = [
        name for name, one in seen.items()
        if not one.ground & Ground.MISSING or ((owner := book.engine.set_of(name)) and owner.condition == "used")
    ]  # fmt: skip
    positions = [book.engine.position_of(name) for name in wanted]
    return findings_observed(SPRING_CONDITION, [of_spring(n) for n in wanted], positions, [seen[n] for n in wanted])
