"""Squish at every cylinder, cold, against its window; aluminium rods want more."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_cylinders import on_cylinders
from honest_lift.checks.on_valves import is_given
from honest_lift.estimates.clearance.squish import squish
from honest_lift.estimates.estimate import Estimate
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.units import in_words

SQUISH = Check(
    "squish", "Squish (quench)", "squeeze", "length", "Least distance between the piston's flat and the head's at TDC, cold.",
)  # fmt: skip
GIVEN = ("deck_clearance", "squish")
ALUMINIUM_MM = 0.015 * 25.4  # more for aluminium rods, which grow and stretch. From memory
_RODS = "state what the rods are made of: aluminium ones need {} more, and steel ones alone prove nothing of them"


def check_squish(book: Book) -> list[Finding]:
    """Hold every cylinder's squish against its window, once anybody has measured towards it."""
    if not any(is_given(book, name) for name in GIVEN):
        return []
    found, rods = squish(book), book.engine.rod_material
    cylinders = [str(one) for one in book.engine.layout.cylinders]
    terms = {"deck_and_gasket": found.worked.figure.value}
    held, remarks = found.held, list(found.remarks)
    if not rods:
        everywhere = np.ones(len(cylinders), dtype=bool)
        held = Estimate(held.figure.on_ground(everywhere, Ground.ASSUMED | Ground.UNRANGED), held.inputs)
        told = _RODS.format(in_words(ALUMINIUM_MM, "length", book.engine.unit("length")))
        remarks = ["; ".join(part for part in (one, told) if part) for one in remarks]
    more = ALUMINIUM_MM if rods == "aluminium" else 0.0
    return on_cylinders(book, SQUISH, cylinders, held, terms, remarks, about_mm=more)
