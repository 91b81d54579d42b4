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
    "How far the stem's tip lies above the median of its head and role, or of both roles with one specification.",
)  # fmt: skip
TIP_HEIGHT = Check(
    "tip_height", "Tip height", "head", "length", "Height of the stem's tip over the bare seat of its spring.",
)  # fmt: skip
_ANOTHER_VALVE_MM = 0.030 * 25.4  # off by that it is another valve. Common practice, no source


def check_tips(book: Book) -> list[Finding]:
    """Hold every tip against its neighbours, and where a height is specified against that."""
    tips = everywhere(book, "stem_tip_height")
    level = _level(book, tips)
    if not is_given(book, "tip_height_target"):
        return level
    target = everywhere(book, "tip_height_target")
    off = derive(np.subtract, tips, target)
    terms = {"tip_height": tips.figure.value, "specified": target.figure.value}
    height = on_valves(book, TIP_HEIGHT, off, terms, [_off_words(one) for one in off.figure.value.tolist()])
    return level + where_stated(height, "tip_height_target")


def have_neighbours(book: Book) -> NDArray[np.bool_]:
    """Tell which valves (n,) have another that belongs level with them."""
    have = np.zeros(len(book.engine.layout.positions), dtype=bool)
    for rows, _ in _groups(book):
        have[rows] = len(rows) > 1
    return have


def above_neighbours(book: Book) -> Estimate:
    """Give how far each tip stands above the middle one of its head, (n,) in mm, of those with the same specification."""
    tips = everywhere(book, "stem_tip_height")
    return among(tips, [rows for rows, _ in _groups(book)], _above_middle)


def _above_middle(rows: Array) -> Array:
    return np.asarray(rows - np.median(rows, axis=-1, keepdims=True))


def _level(book: Book, tips: Estimate) -> list[Finding]:
    groups = _groups(book)
    above = among(tips, [rows for rows, _ in groups], _above_middle)
    middle = np.full(len(tips.inputs), np.nan)
    against: dict[int, str] = {}
    for rows, belongs in groups:
        against |= dict.fromkeys(rows.tolist(), belongs if len(rows) > 1 else "")
        known = tips.figure.value[rows]
        middle[rows] = np.median(known[np.isfinite(known)]) if np.isfinite(known).any() else np.nan
    terms = {"tip_height": tips.figure.value, "median_tip_of_its_head": middle}
    found = on_valves(book, TIP_LEVEL, above, terms)
    words = [_stands_words(book, one) or against[row] for row, one in enumerate(found)]
    told = on_valves(book, TIP_LEVEL, above, terms, words)
    return [one for row, one in enumerate(told) if against[row]]  # alone on its head it has no neighbours


def _groups(book: Book) -> list[tuple[NDArray[np.int64], str]]:
    """Give the rows of valves whose tips belong level, and what they are held against.

    Those of one head and role; of both roles where one specification was stated for both, since stems of intake and exhaust may
    stand at different heights by design.
    """
    given = is_given(book, "tip_height_target")
    target = [one[0] for one in everywhere(book, "tip_height_target").inputs] if given else []
    rows: dict[tuple[str, str, float], list[int]] = defaultdict(list)
    for row, one in enumerate(book.engine.layout.positions):
        stated = given and isfinite(target[row].value)
        for_both = stated and target[row].where not in (one.role, target[row].at)
        belongs = (
            "against both roles: one specification is stated for them" if for_both else f"against the other {one.role}s"
        )
        rows[book.engine.layout.head_of(one.id), belongs, target[row].value if stated else 0.0].append(row)
    return [(np.array(own), belongs) for (_, belongs, _), own in rows.items()]


def _stands_words(book: Book, one: Finding) -> str:
    """Judge a tip that stands out in words."""
    if not isfinite(one.figure) or one.provisional is not Verdict.FAILS:
        return ""
    position = book.engine.position(one.position)
    cylinder = f"valve {position.cylinder} {position.role}" if position else one.position
    amount = in_words(abs(one.figure), "length", book.engine.unit("length"))
    if one.figure > 0:
        return f"{cylinder} is {amount} above its neighbours: a sunk seat or another valve; measure margin and length"
    return f"{cylinder} is {amount} below its neighbours: a tip cut, a thick margin or another valve; measure margin and length"


def _off_words(off_mm: float) -> str:
    return "so far off it is another valve, or a seat cut deep" if abs(off_mm) >= _ANOTHER_VALVE_MM else ""
