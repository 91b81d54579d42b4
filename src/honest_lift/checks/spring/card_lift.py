"""The most lift a spring's card allows, against the valve's own."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import derive
from honest_lift.facts.engine import Book
from honest_lift.mechanics.spring.margins import lift_left

CARD_LIFT = Check(
    "card_lift", "Card's max lift", "heights", "length", "Max lift the spring's card allows, less the valve's lift.",
)  # fmt: skip


def check_card_lift(book: Book, valves: Valves) -> list[Finding]:
    """Hold the lift at the valve against the most its spring's card allows, where the card states one."""
    stated = [one.most_lift_mm if one else None for one in valves.cards]
    allowed = np.array([np.nan if one is None else one for one in stated])
    room = derive(lambda lift: lift_left(allowed, lift), valves.lift)
    terms = {"card_max_lift": allowed, "valve_lift": valves.lift.figure.value}
    found = findings(CARD_LIFT, valves.places, valves.names, room, valves.limits(book, "card_lift"), terms=terms)
    return [one for one, most in zip(found, stated, strict=True) if most is not None]
