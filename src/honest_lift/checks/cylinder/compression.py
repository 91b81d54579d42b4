"""Compression of every cylinder: static, against what is asked for; its spread; and effective, by the real cam."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.cylinder.chambers import GIVEN, held_up
from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_cylinders import Terms, on_cylinders
from honest_lift.checks.on_valves import is_given
from honest_lift.checks.spread_out import among
from honest_lift.estimates.cylinder.clearance_volume import TERMS, LeftOver, left_over
from honest_lift.estimates.cylinder.dynamic_ratio import Effective, dynamic_ratio
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

COMPRESSION = Check(
    "compression", "Compression ratio", "squeeze", "ratio", "Swept and clearance volume over the clearance volume at TDC.",
)  # fmt: skip
COMPRESSION_SPREAD = Check(
    "compression_spread", "Ratio spread", "squeeze", "ratio",
    "How much higher a cylinder's compression is than the lowest of the engine.",
)  # fmt: skip
EFFECTIVE = Check(
    "dynamic_ratio", "Dynamic compression ratio", "squeeze", "ratio",
    "Compression from where the intake closes, by the real cam, at the check lift that is named.",
)  # fmt: skip


def check_compression(book: Book) -> list[Finding]:
    """Hold every cylinder's ratio against what is asked for and against the lowest, once anybody has poured a chamber."""
    if not any(is_given(book, name) for name in GIVEN):
        return []
    whole = left_over(book)
    cylinders, remarks = whole.chambers.cylinders, whole.chambers.why_not
    found = on_cylinders(book, COMPRESSION, cylinders, whole.ratio, _terms(whole), remarks)
    if len(cylinders) > 1:
        lowest = among(whole.ratio, [np.arange(len(cylinders))], _over_lowest)
        terms: Terms = {"ratio": whole.ratio.figure.value}
        found += on_cylinders(book, COMPRESSION_SPREAD, cylinders, lowest, terms, held_up(whole.chambers))
    if any(one.check == EFFECTIVE.name for one in book.engine.limits):
        effective = dynamic_ratio(book, whole)
        by_cam = _terms(whole) | {"intake_closes_after_tdc": effective.closes_deg}
        found += on_cylinders(
            book, EFFECTIVE, cylinders, effective.ratio, by_cam, [_named(book, effective)] * len(cylinders)
        )
    return found


def _terms(whole: LeftOver) -> Terms:
    told: Terms = {
        name.replace(" ", "_"): row for name, row in zip(TERMS, whole.terms, strict=True) if np.any(row != 0.0)
    }
    return told | {
        "clearance_volume": whole.left.figure.value, "swept": whole.swept.figure.value,
    }  # fmt: skip


def _over_lowest(rows: Array) -> Array:
    return np.asarray(rows - rows.min(axis=-1, keepdims=True))


def _named(book: Book, effective: Effective) -> str:
    return f"from {in_words(effective.lift_mm, 'length', book.engine.unit('length'))} of intake lift on"
