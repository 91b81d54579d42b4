"""The seat load of every spring over the engine's life, as a lever tester has it: whether one goes away from its neighbours.

A spring takes its history along to another valve; another spring at a valve begins its own. Readings of a day are one session, and
several of a valve in it are repeats. What is told is a flag for a person, and no verdict: a lever tester proves no load.
"""

from __future__ import annotations

from datetime import date
from enum import Enum
from math import exp, isfinite

import numpy as np
from msgspec import Struct

from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.ledger import Standing, standing
from honest_lift.mechanics.spring.trend import ASK, BASE_DAYS, LEAST_BESIDE, LOST, REPLACE, SETTLE, Trend, trend_of
from honest_lift.numbers.doubt import Array

QUANTITY = "seat_load_engine"
_CONFIRMED, _BESIDE = 3, 3  # readings of a valve in one session, and neighbours read as often, that settle it


_LOW_BESIDE = (
    0.90  # of its neighbours' median: before a spring has a baseline, they are one. Common practice, no source
)


class Flag(Enum):
    """What a spring's trend asks for."""

    NONE = "not read yet"
    SETTLING = "settling: the first running takes some, and that is no loss"
    BASE = "its baseline is still being read"
    STEADY = "steady"
    ASK = "measure again, three times, with three neighbours"
    LOST = "it is losing load: look at it on the bench"
    REPLACE = "replace it"


class OfSpring(Struct, frozen=True):
    """One spring's history: `days` it was read on with its mean load, N, and how it went, d as a share less 0, NaN for none.

    `kept`: of its baseline, as a share, neighbours and day taken off; `position` where it sits now, "" on the bench.
    """

    spring: str
    position: str
    days: tuple[str, ...]
    loads_n: tuple[float, ...]
    moved: tuple[float, ...]
    flag: Flag
    kept: float


class SeatTrend(Struct, frozen=True):
    """Every spring's history, in head order, those on the bench last; `days`: all sessions, `median`: what all moved by on each."""

    springs: tuple[OfSpring, ...]
    days: tuple[str, ...]
    median: tuple[float, ...]

    def at(self, position: str) -> OfSpring | None:
        """Give the history of the spring that sits at a valve now."""
        return next((one for one in self.springs if one.position == position), None)

    def share_of(self, day: str) -> float:
        """Give where a day lies between the first, 0, and the last, 1."""
        first, last, at = (date.fromisoformat(one).toordinal() for one in (self.days[0], self.days[-1], day))
        return (at - first) / max(last - first, 1)

    @property
    def keeps_the_tool_in(self) -> bool:
        """Tell whether springs are told on the last day, and too few of them to tell the day's tool from one."""
        told = [one for one in self.springs if one.days[-1] == self.days[-1] and isfinite(one.moved[-1])]
        return 0 < len(told) < LEAST_BESIDE

    @property
    def flagged(self) -> tuple[OfSpring, ...]:
        """Give the springs that ask for something, the worst first."""
        order = [Flag.REPLACE, Flag.LOST, Flag.ASK]
        return tuple(
            sorted(
                (one for one in self.springs if one.flag in order), key=lambda one: (order.index(one.flag), one.kept)
            )
        )


def seat_trend(book: Book) -> SeatTrend:
    """Give the trend of every spring that was ever read on the engine."""
    read = _counting(book)
    days = tuple(dict.fromkeys(sorted(one.reading.when[:10] for one in read)))
    fitted = {one.id: one for one in book.engine.fitments}
    by_spring: dict[str, dict[str, list[float]]] = {}
    for one in read:
        by_spring.setdefault(_spring_of(one, fitted), {}).setdefault(one.reading.when[:10], []).append(
            one.reading.value
        )
    names = sorted(by_spring, key=lambda name: _place(book.engine, name))
    loads, counts = (np.full((len(days), len(names)), fill) for fill in (np.nan, 0.0))
    for column, name in enumerate(names):
        for day, values in by_spring[name].items():
            row = days.index(day)
            loads[row, column], counts[row, column] = float(np.mean(values)), len(values)
    trend = trend_of(loads, counts) if days and names else None
    springs = tuple(
        _of_spring(book.engine, name, days, loads, counts, trend, column)
        for column, name in enumerate(names) if trend is not None
    )  # fmt: skip
    return SeatTrend(springs, days, tuple(trend.median.tolist()) if trend is not None else ())


def _counting(book: Book) -> list[Standing]:
    """Give the readings of the history: none struck out, and none that another of the same day has put right."""
    told = [one for one in standing(book.journal) if one.reading.quantity == QUANTITY]
    day = {one.reading.id: one.reading.when[:10] for one in told}
    right = {old for one in told for old in one.reading.supersedes if day.get(old) == one.reading.when[:10]}
    return [one for one in told if one.reading.id not in right and (not one.fate or one.fate.startswith("replaced"))]


def _spring_of(one: Standing, fitted: dict[str, Fitment]) -> str:
    """Give the spring a reading was taken of; of one that nobody named, the valve it stood at."""
    fitment = fitted.get(one.depends_on.get("spring", ""))
    return fitment.part if fitment and fitment.part else f"at {one.place.name}"


def _place(engine: Engine, spring: str) -> tuple[int, str]:
    order = [one.id for one in engine.layout.positions]
    at = engine.position_of(spring) or spring.removeprefix("at ")
    return (order.index(at) if at in order else len(order), spring)


def _of_spring(
    engine: Engine, name: str, days: tuple[str, ...], loads: Array, counts: Array, trend: Trend, column: int
) -> OfSpring:
    rows = np.flatnonzero(np.isfinite(loads[:, column]))
    moved = trend.d[rows, column]
    last = float(moved[-1]) if len(moved) else float("nan")
    flag = _flag(len(rows), last, int(rows[-1]), column, loads, counts, trend)
    at = engine.position_of(name) or (name.removeprefix("at ") if name.startswith("at ") else "")
    return OfSpring(
        name, at if engine.position(at) else "", tuple(days[row] for row in rows), tuple(loads[rows, column].tolist()),
        tuple(moved.tolist()), flag, exp(last) if isfinite(last) else float("nan"),
    )  # fmt: skip


def _flag(read: int, last: float, row: int, column: int, loads: Array, counts: Array, trend: Trend) -> Flag:
    if read <= SETTLE + BASE_DAYS or not isfinite(last):
        if _is_low_beside(loads[row], column):
            return Flag.LOST if counts[row, column] >= _CONFIRMED else Flag.ASK
        return Flag.SETTLING if read <= SETTLE else Flag.BASE
    beside = [
        k for k in range(loads.shape[1]) if k != column and counts[row, k] >= _CONFIRMED and isfinite(trend.base[k])
    ]
    others = int(np.isfinite(np.delete(trend.base, column)).sum())  # few on a single or a twin: all there are serve
    if counts[row, column] >= _CONFIRMED and len(beside) >= min(_BESIDE, others):
        own = trend.ln[row, column] - trend.base[column]
        mean = own - (float(np.mean([trend.ln[row, k] - trend.base[k] for k in beside])) if beside else 0.0)
        return Flag.REPLACE if mean < REPLACE else Flag.LOST if mean < LOST else Flag.STEADY
    return Flag.ASK if last < ASK else Flag.STEADY


def _is_low_beside(day: Array, column: int) -> bool:
    """Tell whether a spring bears much less than those that were read with it on one day, three or more of them."""
    beside = np.delete(day, column)
    beside = beside[np.isfinite(beside)]
    return len(beside) >= _BESIDE and bool(day[column] < _LOW_BESIDE * np.median(beside))
