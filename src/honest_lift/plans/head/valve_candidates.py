"""Valves that were tried in one seat, side by side: tip, margin and head, as each was read there."""

from __future__ import annotations

from math import isfinite, nan

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.head.tips import check_tips
from honest_lift.checks.head.valve_heads import check_valve_heads
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.edits import EditError
from honest_lift.facts.engine import Book
from honest_lift.facts.valve_edits import PutValves
from honest_lift.facts.which_valve import place_of_valve, tried_at, valve_at
from honest_lift.numbers.verdict import Verdict

READ = ("stem_tip_height", "valve_margin", "head_diameter")
_CHECKS = ("tip_level", "tip_height", "valve_margin")


class Candidate(Struct, frozen=True):
    """A valve in a seat: its number, where it sits now, mm as read (NaN where nobody has), and what the checks then say.

    `off_neighbours_mm`: its tip over the middle one of its head; `verdicts`: by check, of those that speak of it.
    """

    number: str
    sits_at: str
    tip_mm: float
    off_neighbours_mm: float
    margin_mm: float
    head_mm: float
    verdicts: dict[str, Verdict]

    @property
    def verdict(self) -> Verdict:
        """Give the worst of them; unproven for none."""
        return max(self.verdicts.values(), default=Verdict.UNPROVEN)


def candidates(book: Book, position: str) -> tuple[Candidate, ...]:
    """Give every valve that was ever in a seat as it would stand with each of them back in it, the nearest tip first.

    What was read of valve and seat together counts as long as neither was worked on since.
    """
    found = [one for number in tried_at(book.engine.fitments, position) if (one := _candidate(book, position, number))]
    return tuple(sorted(found, key=lambda one: (np.isnan(one.off_neighbours_mm), abs(one.off_neighbours_mm))))


def _candidate(book: Book, position: str, number: str) -> Candidate | None:
    try:
        there = (
            book if valve_at(book.engine.fitments, position) == number else _with(book, PutValves({position: number}))
        )
    except EditError:
        return None
    tip, margin, head = (_read(there, name, position) for name in READ)
    found = (*check_tips(there), *check_valve_heads(there))
    told = {one.check.name: one for one in found if one.position == position and one.check.name in _CHECKS}
    level = told.get("tip_level")
    return Candidate(
        number, place_of_valve(book.engine.fitments, number), tip, level.figure if level else nan, margin, head,
        {check: one.verdict for check, one in told.items()},
    )  # fmt: skip


def _read(book: Book, quantity: str, position: str) -> float:
    told = at_valve(book, quantity, position)
    return told.value if isfinite(told.value) and told.kind == "measured" else nan


def _with(book: Book, edit: PutValves) -> Book:
    engine, entries = edit.apply(book)
    return replace(book, engine=engine, journal=book.journal + entries)
