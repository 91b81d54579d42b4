"""Shear stress of a spring's wire at full lift, where somebody states a most for it: geometry, so with a doubt of its own."""

from __future__ import annotations

from math import isfinite, sqrt

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.spring.geometry import predicted_of
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.mechanics.spring.margins import GEOMETRY_PERCENT
from honest_lift.numbers.doubt import Array, Ground

OPEN_STRESS = Check(
    "open_stress", "Wire stress", "heights", "stress",
    "Shear stress of the most loaded member at full lift, from its card's wire, coils and free length.",
)  # fmt: skip


def check_open_stress(book: Book, valves: Valves) -> list[Finding]:
    """Hold the stress at full lift against the most that is stated; where none is, or no geometry, there is no finding."""
    limits = valves.limits(book, OPEN_STRESS.name)
    if not any(limits):
        return []
    stressed = derive(
        lambda height, true, off: _most(valves.cards, height, off) * true,
        valves.opened,
        _geometry(valves),
        _steps(valves),
    )
    terms = {"open_height": valves.opened.figure.value}
    found = findings(OPEN_STRESS, valves.places, valves.names, stressed, limits, terms=terms)
    return [one for one, card in zip(found, valves.cards, strict=True) if one.limit and has_stress(card)]


def has_stress(card: SpringCard | None) -> bool:
    """Tell whether a card states enough to give the stress of every member."""
    members = predicted_of(card)
    return bool(members) and all(isfinite(one.free_mm) for one in members)


def _steps(valves: Valves) -> Estimate:
    """Give what the inner members' steps may be off by (n,) in mm, about nothing; a step without a tolerance bars a pass."""
    return estimate_of([_step(valves.springs[case], card) for case, card in enumerate(valves.cards)])


def _step(spring: str, card: SpringCard | None) -> Input:
    inner = card.members[1:] if card else ()
    u = max((one.step_tolerance_mm or 0.0 for one in inner), default=0.0) / sqrt(3.0)
    known = all(one.step_mm is not None and (one.step_tolerance_mm is not None or not one.step_mm) for one in inner)
    ground = Ground.SPECIFIED if known else Ground.SPECIFIED | Ground.UNTOLERATED
    return Input("wire_geometry", f"card of spring {spring}", "specified", 0.0, ground=ground if inner else Ground.NONE,
                 note="" if known else "the step of an inner member is stated without a tolerance",
                 each=((f"card:step:{card.id if card else ''}", "steps of the inner members", u),) if u else ())  # fmt: skip


def _most(cards: tuple[SpringCard | None, ...], height_mm: Array, off_mm: Array) -> Array:
    """Give the largest stress (..., n) in MPa of each case's members at outer heights (..., n), inner steps off by so much."""
    result = np.full(height_mm.shape, np.nan)
    of_card = {one.id: one for one in cards if one is not None and has_stress(one)}
    for card in of_card.values():
        own = np.array([one is not None and one.id == card.id for one in cards])
        first, *inner = predicted_of(card)
        each = [first.stress(height_mm[..., own])]
        each += [one.stress(height_mm[..., own] - off_mm[..., own]) for one in inner]
        result[..., own] = np.max(each, axis=0)
    return result


def _geometry(valves: Valves) -> Estimate:
    """Give a factor of one with the doubt that a card's geometry carries."""
    u = GEOMETRY_PERCENT / 100.0 / sqrt(3.0)
    return estimate_of([
        Input("wire_geometry", f"card of spring {spring}", "specified", 1.0, ground=Ground.SPECIFIED, asked=None,
              each=((f"card:geometry:{card.id if card else ''}", "wire, coils and diameters of its card", u),))
        for spring, card in zip(valves.springs, valves.cards, strict=True)
    ])  # fmt: skip
