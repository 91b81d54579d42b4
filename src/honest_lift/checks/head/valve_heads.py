"""Valves by themselves: the margin of their edge, and a head that was faced smaller than its like."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, on_valves
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

VALVE_MARGIN = Check(
    "valve_margin", "Valve margin", "head", "length",
    "Thickness of the valve's edge: what is left of it between seat face and front.",
)  # fmt: skip
_SMALLER_MM = 0.25  # a head that much under the middle one of its like was faced. From memory


def check_valve_heads(book: Book) -> list[Finding]:
    """Hold the margin of every valve against its least; point out a head smaller than those of its role."""
    margin, across = everywhere(book, "valve_margin"), everywhere(book, "head_diameter").figure.value
    return on_valves(book, VALVE_MARGIN, margin, {}, _faced_smaller(book, across))


def _faced_smaller(book: Book, across_mm: Array) -> list[str]:
    words = [""] * len(across_mm)
    unit = book.engine.unit("length")
    roles = np.array([one.role for one in book.engine.layout.positions])
    for role in dict.fromkeys(roles):
        rows = np.flatnonzero((roles == role) & np.isfinite(across_mm))
        if len(rows) < 3:
            continue
        middle = float(np.median(across_mm[rows]))
        for row in rows[across_mm[rows] < middle - _SMALLER_MM]:
            less = in_words(middle - float(across_mm[row]), "length", unit)
            words[row] = (
                f"its head is {less} smaller in diameter than the other {role}s: faced down, it sinks into the port"
            )
    return words
