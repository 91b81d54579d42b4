"""The marks of all valves side by side, as their geometry leaves them and as they were read."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.on_valves import limits_at
from honest_lift.drawings.rocker.marks import ValveMark
from honest_lift.estimates.rocker.every_gear import of_every_valve
from honest_lift.estimates.rocker.parts import kind_of
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.mechanics.rocker.witness_mark import mark_of
from honest_lift.numbers.doubt import COVERAGE, Array
from honest_lift.words.rocker.gear import seen_mark


def valve_marks(book: Book, current: str, off_mm: float = 0.0) -> list[ValveMark]:
    """Give the marks in head order. `off_mm`: tried on the part that is moved to put the geometry right; none for buckets."""
    if kind_of(book.engine) is None:
        return []
    ends = of_every_valve(book, _ends, off_mm=off_mm).figure
    doubt = COVERAGE * np.nan_to_num(ends.u).max(axis=1)
    names = [one.id for one in book.engine.layout.positions]
    return [
        ValveMark(
            name, float(ends.value[i, 0]), float(ends.value[i, 1]), float(doubt[i]), _seen(book, name), name == current
        )
        for i, name in enumerate(names)
    ]


def _ends(gear: OnTheTip, lobe: Array, lash: Array) -> Array:
    mark = mark_of(gear, lobe)
    return np.stack([mark.inner, mark.outer], axis=-1)


def _seen(book: Book, position: str) -> tuple[float, float] | None:
    seen = seen_mark(book, position)
    return None if seen is None else (seen[0] - seen[1] / 2, seen[0] + seen[1] / 2)


def middle_limit_mm(book: Book) -> float:
    """Give how far off the middle a mark may lie, of the first valve; NaN for no limit."""
    limit = next(iter(limits_at(book, "mark_centre")), None)
    return limit.highest if limit and limit.highest is not None else float("nan")
