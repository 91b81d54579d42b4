"""Finish of the two faces a metal gasket seals between, at every cylinder; the rougher one speaks."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_cylinders import on_cylinders
from honest_lift.checks.on_valves import is_given
from honest_lift.estimates.estimate import derive, estimate_of
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.engine import Book

DECK_FINISH = Check(
    "deck_finish", "Finish under the gasket", "squeeze", "roughness",
    "Mean roughness (Ra) of head face and block deck, the rougher of the two.",
)  # fmt: skip


def check_deck_finish(book: Book) -> list[Finding]:
    """Hold the rougher of the two faces at every cylinder against its most, once either has been read or stated."""
    if not any(is_given(book, name) for name in ("head_finish", "deck_finish")):
        return []
    cylinders = [str(one) for one in book.engine.layout.cylinders]
    head, deck = (
        estimate_of([of_cylinder(book, name, one) for one in cylinders]) for name in ("head_finish", "deck_finish")
    )
    rougher = derive(np.maximum, head, deck)
    terms = {"head_face": head.figure.value, "deck_face": deck.figure.value}
    return on_cylinders(book, DECK_FINISH, cylinders, rougher, terms)
