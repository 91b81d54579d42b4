"""The way to a compression ratio: which cut, gasket, dish or crown gives it, alone or with squish put right first, and its price.

Each answer is a trial: its changes are made on a copy of the engine, and every check says what it thinks of it. Amounts are for the
mean of the chambers that may count; the spread between cylinders stays. Source: the definition of the ratio.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, nan, pi

import numpy as np
from msgspec import Struct

from honest_lift.checks.clearance.squish import SQUISH
from honest_lift.checks.examine import Examination
from honest_lift.estimates.clearance.squish import squish
from honest_lift.estimates.cylinder.clearance_volume import LeftOver, left_over
from honest_lift.estimates.cylinder.per_cut import per_cut
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.changes import KINDS, Change
from honest_lift.facts.edits import EditError, new_id
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import limit_for
from honest_lift.mechanics.cylinder.volumes import clearance_for
from honest_lift.plans.trial import Ripple, ripple

LEAST_GASKET_MM = 0.25  # thinner none is made. From memory
_SAME_MM = 0.05
_SHORT = {
    "head_cut": "head cut",
    "gasket": "gasket",
    "block_cut": "block cut",
    "dish": "dish",
    "crown_cut": "crown cut",
}


class Answer(Struct, frozen=True):
    """One way to the ratio: its changes and what they ripple to, or why it is none. `title`: how it is named."""

    title: str
    changes: tuple[Change, ...] = ()
    found: Ripple | None = None
    why_not: str = ""


class _Engine(Struct, frozen=True):
    """What one way works on: mm2 that take a cc off per mm, cc to lose (to gain is minus), the gasket and the squish in mm."""

    areas: dict[str, float]
    to_lose_cc: float
    gasket_mm: float
    squish_mm: float
    squish_wanted_mm: float


def ways_to(book: Book, now: Examination, ratio: float) -> tuple[Answer, ...] | str:
    """Give every way to a ratio with what it costs, or what is missing to tell one."""
    whole = left_over(book)
    engine = _measured(book, whole, ratio)
    if isinstance(engine, str):
        return engine
    alone = [_alone(kind, engine) for kind in ("head_cut", "gasket", "block_cut", "dish", "crown_cut")]
    first = [_squish_first(kind, rest, engine) for kind in ("gasket", "block_cut") for rest in ("head_cut", "dish")]
    return tuple(_tried(book, now, one) for one in (*alone, *(one for one in first if one is not None)))


def _measured(book: Book, whole: LeftOver, ratio: float) -> _Engine | str:
    """Give what the ways work on, or what is missing."""
    left, swept = whole.left.figure.value, whole.swept.figure.value
    counting = np.isfinite(left) & np.isfinite(swept) & np.array([not why for why in whole.chambers.why_not])
    if not counting.any():
        return "pour a chamber that may count, and state bore, stroke, gasket, deck and piston first"
    mean_left, mean_swept = float(left[counting].mean()), float(swept[counting].mean())
    cylinders = [one for one, ok in zip(whole.chambers.cylinders, counting, strict=True) if ok]
    bore, opening, gasket = (
        _mean([of_cylinder(book, name, one).value for one in cylinders])
        for name in ("bore", "gasket_bore", "gasket_thickness")
    )
    areas = {
        "head_cut": 1000.0 * _mean([per_cut(book, one).best for one in cylinders]), "gasket": pi / 4.0 * opening**2,
        "block_cut": pi / 4.0 * bore**2, "crown_cut": pi / 4.0 * bore**2,
    }  # fmt: skip
    limit = limit_for(book.engine.limits, SQUISH.name, "", book.engine.lifter)
    ends = [one for one in (limit.lowest, limit.highest) if one is not None] if limit else []
    wanted = sum(ends) / len(ends) if len(ends) == 2 else nan
    present = _mean(squish(book).held.figure.value.tolist())
    return _Engine(areas, mean_left - clearance_for(mean_swept, ratio), gasket, present, wanted)


def _mean(values: Sequence[float]) -> float:
    known = [one for one in values if isfinite(one)]
    return sum(known) / len(known) if known else nan


def _change(kind: str, amount: float) -> Change:
    return Change(new_id(), kind, "", round(amount, 4))


def _amount(kind: str, engine: _Engine, to_lose_cc: float) -> float:
    """Give how much of a change takes so many cc off; NaN where what it works on is not known."""
    if kind == "dish":
        return -to_lose_cc
    sign = -1.0 if kind in ("gasket", "crown_cut") else 1.0
    return sign * 1000.0 * to_lose_cc / engine.areas[kind]


def _alone(kind: str, engine: _Engine) -> Answer:
    title, amount = _SHORT[kind], _amount(kind, engine, engine.to_lose_cc)
    if why := _why_not(kind, amount, engine.gasket_mm):
        return Answer(title, why_not=why)
    return Answer(title, (_change(kind, amount),))


def _why_not(kind: str, amount: float, gasket_mm: float) -> str:
    """Say why a change by an amount is no answer; "" where it is one."""
    if not isfinite(amount):
        return {"head_cut": "the chamber's opening is not stated", "gasket": "the gasket's bore is not stated"}.get(
            kind, "the bore is not stated"
        )
    if kind in ("head_cut", "block_cut", "crown_cut") and amount < 0:
        return "it would have to be put on, not cut off"
    if kind == "gasket" and isfinite(gasket_mm) and gasket_mm + amount < LEAST_GASKET_MM:
        return "no gasket would be left of it"
    low, high = KINDS[kind].inside
    return "" if low <= amount <= high else "it is more than any part has"


def _squish_first(kind: str, rest: str, engine: _Engine) -> Answer | None:
    """Bring the squish to the middle of its window first, then make up the rest another way; none where it stands there."""
    off = engine.squish_wanted_mm - engine.squish_mm
    if not isfinite(off) or abs(off) < _SAME_MM:
        return None
    amount = off if kind == "gasket" else -off
    title = f"{_SHORT[kind]} + {_SHORT[rest]}"
    if why := _why_not(kind, amount, engine.gasket_mm):
        return Answer(title, why_not=why)
    gained = amount * engine.areas[kind] / 1000.0 * (-1.0 if kind == "gasket" else 1.0)
    left = _amount(rest, engine, engine.to_lose_cc - gained)
    if why := _why_not(rest, left, engine.gasket_mm):
        return Answer(title, why_not=why)
    return Answer(title, (_change(kind, amount), _change(rest, left)))


def _tried(book: Book, now: Examination, one: Answer) -> Answer:
    if not one.changes:
        return one
    try:
        return Answer(one.title, one.changes, ripple(book, now, one.changes))
    except EditError as error:
        return Answer(one.title, why_not=str(error))
