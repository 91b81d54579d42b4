"""Clearances over the valve's travel: the retainer against the seal or guide."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import derive
from honest_lift.facts.engine import Book
from honest_lift.mechanics.train.valve_lift import clearance_at_lift

RETAINER_SEAL = Check(
    "retainer_seal", "Retainer to seal", "heights", "length",
    "What is left between the retainer's underside and the seal, or the guide, at full lift: the gap closed less lift.",
)  # fmt: skip
CARD_LIFT = Check(
    "card_lift", "Card's most lift", "heights", "length", "What the spring's card allows as most lift, less the valve's lift.",
)  # fmt: skip
_CURE = "shorten the guide, or take locks or a retainer with an offset; shims do not move it"


def check_retainer_seal(book: Book, valves: Valves) -> list[Finding]:
    """Hold what is left between retainer and seal at full lift against its least. Shims do not move it."""
    left = derive(clearance_at_lift, valves.seal_gap, valves.lift)
    terms = {
        "gap closed": (valves.seal_gap.figure.value, "length"),
        "valve lift": (valves.lift.figure.value, "length"),
    }
    limits = valves.limits(book, "retainer_seal")
    least = [limit.lowest if limit and limit.lowest is not None else float("nan") for limit in limits]
    remarks = [_CURE if value < bound else "" for value, bound in zip(left.figure.value.tolist(), least, strict=True)]
    return findings(RETAINER_SEAL, valves.places, valves.names, left, limits, terms=terms, remarks=remarks)


def check_card_lift(book: Book, valves: Valves) -> list[Finding]:
    """Hold the lift at the valve against the most its spring's card allows, where the card states one."""
    stated = [one.most_lift_mm if one else None for one in valves.cards]
    allowed = np.array([np.nan if one is None else one for one in stated])
    room = derive(lambda lift: allowed - lift, valves.lift)
    terms = {"card's most lift": (allowed, "length"), "valve lift": (valves.lift.figure.value, "length")}
    found = findings(CARD_LIFT, valves.places, valves.names, room, valves.limits(book, "card_lift"), terms=terms)
    return [one for one, most in zip(found, stated, strict=True) if most is not None]
