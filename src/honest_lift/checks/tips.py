"""Stem tips: each against its neighbours on the head, and against what is specified."""

from __future__ import annotations

from collections import defaultdict
from math import isfinite

import numpy as np
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, is_given, on_valves, where_stated
from honest_lift.checks.spread_out import among
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words
from honest_lift.numbers.verdict import Verdict

TIP_LEVEL = Check(
    "tip_level", "Tip to neighbours", "head", "length",
    "How far the stem's tip stands above the middle one of its head, of those with the same specification.",
)  # fmt: skip
TIP_HEIGHT = Check(
    "tip_height", "Tip height", "head", "length", "Height of the stem's tip over the bare seat of its spring.",
)  # fmt: skip
_ANOTHER_VALVE_MM = 0.030 * 25.4  # off by that it is another valve. Common practice, no source


def check_tips(book: Book) -> list[Finding]:
    """Hold every tip against its neighbours, and where a height is specified against that."""
    tips = everywhere(book, "stem_tip_height")
    if not is_given(book, "tip_height_target"):
        return _level(book, tips, np.full(len(tips.inputs), np.nan))
    target = everywhere(book, "tip_height_target")
    level = _level(book, tips, target.figure.value)
    off = derive(np.subtract, tips, target)
    terms = {"tip height": (tips.figure.value, "length"), "specified": (target.figure.value, "length")}
    height = on_valves(book, TIP_HEIGHT, off, terms, [_off_words(one) for one in off.figure.value.tolist()])
    return level + where_stated(height, "tip_height_target")


def above_neighbours(book: Book) -> Estimate:
    """Give how far each tip stands above the middle one of its head, (n,) in mm, of those with the same specification."""
    tips = everywhere(book, "stem_tip_height")
    given = is_given(book, "tip_height_target")
    target = everywhere(book, "tip_height_target").figure.value if given else np.full(len(tips.inputs), np.nan)
    return among(tips, _groups(book, target), _above_middle)


def _above_middle(rows: Array) -> Array:
    return np.asarray(rows - np.median(rows, axis=-1, keepdims=True))


def _level(book: Book, tips: Estimate, target_mm: Array) -> list[Finding]:
    groups = _groups(book, target_mm)
    above = among(tips, groups, _above_middle)
    middle = np.full(len(target_mm), np.nan)
    for rows in groups:
        known = tips.figure.value[rows]
        middle[rows] = np.median(known[np.isfinite(known)]) if np.isfinite(known).any() else np.nan
    terms = {"tip height": (tips.figure.value, "length"), "middle tip of its head": (middle, "length")}
    found = on_valves(book, TIP_LEVEL, above, terms)
    words = [_stands_words(book, one) for one in found]
    return on_valves(book, TIP_LEVEL, above, terms, words)


def _groups(book: Book, target_mm: Array) -> list[NDArray[np.int64]]:
    """Give the rows of valves whose tips belong level: one head, one specification."""
    rows: dict[tuple[str, float], list[int]] = defaultdict(list)
    for row, one in enumerate(book.engine.layout.positions):
        wanted = float(target_mm[row])
        rows[book.engine.layout.head_of(one.id), wanted if isfinite(wanted) else 0.0].append(row)
    return [np.array(own) for own in rows.values()]


def _stands_words(book: Book, one: Finding) -> str:
    """Judge a tip that stands out in words."""
    if not isfinite(one.figure) or one.provisional is not Verdict.FAILS:
        return ""
    position = book.engine.position(one.position)
    cylinder = f"valve {position.cylinder} {position.role}" if position else one.position
    amount = in_words(abs(one.figure), "length", book.engine.unit("length"))
    if one.figure > 0:
        return (
            f"{cylinder} stands {amount} above its neighbours: a sunk seat or another valve; measure margin and length"
        )
    return f"{cylinder} stands {amount} below its neighbours: a tip cut, a thick margin or another valve; measure margin and length"


def _off_words(off_mm: float) -> str:
    return "so far off it is another valve, or a seat cut deep" if abs(off_mm) >= _ANOTHER_VALVE_MM else ""
