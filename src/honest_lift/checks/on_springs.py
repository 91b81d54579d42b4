"""What the checks of springs share: a finding for each spring, at the valve it is fitted at."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.estimates.estimate import Estimate
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import limit_for
from honest_lift.facts.place import of_spring
from honest_lift.numbers.doubt import Array


def role_of(book: Book, spring: str) -> str:
    """Give the role of the valve a spring is fitted at; "" on the bench."""
    position = book.engine.position(book.engine.position_of(spring))
    return position.role if position else ""


def card_figures(book: Book, springs: Sequence[str], field: str) -> Array:
    """Give one figure of each spring's card (n,), NaN where a card is missing or does not state it."""
    cards = [book.engine.card_of(name) for name in springs]
    values = [getattr(card, field) if card else None for card in cards]
    return np.array([np.nan if value is None else value for value in values], dtype=np.float64)


def findings_on_springs(
    book: Book,
    check: Check,
    springs: Sequence[str],
    estimate: Estimate,
    stated: NDArray[np.bool_],
    terms: dict[str, Array],
) -> list[Finding]:
    """Judge an estimate (n,) of springs; where nothing is `stated` (n,) to hold it against there is no limit."""
    limits = [
        limit_for(book.engine.limits, check.name, role_of(book, name), book.engine.lifter) if known else None
        for name, known in zip(springs, stated, strict=True)
    ]
    places = [of_spring(name) for name in springs]
    positions = [book.engine.position_of(name) for name in springs]
    return findings(check, places, positions, estimate, limits, terms=terms)
