"""Shims for buckets over a whole head: old + measured - wanted, from the shims already there and in the drawer, fewest bought.

Swapping shims between valves is free, buying is not: the assignment with the fewest purchases, then the fewest shims moved, then
the least distance from the lash that is wanted. Solved exactly by SciPy's linear_sum_assignment.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, nan

import numpy as np
from msgspec import Struct

from honest_lift.checks.on_valves import limits_at
from honest_lift.checks.rocker.seen import wanted_lash_mm
from honest_lift.estimates.estimate import figure_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.edits import Fit, fitment
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.doubt import COVERAGE, Ground

_BOUGHT, _MOVED = 1e6, 1e3  # over micrometres of distance, which stay below a thousand
_NEVER = 1e12
_EDGE_MM = 1e-6


class BucketShim(Struct, frozen=True):
    """One valve of the plan. `new_mm`: the shim to take (NaN where there is none), `source`: where from; `lash_mm`: what it leaves.

    `exact_mm`: the shim that would leave just the lash wanted. `missing`: what has to be measured or stated first.
    """

    position: str
    old_mm: float = nan
    measured_mm: float = nan
    wanted_mm: float = nan
    exact_mm: float = nan
    new_mm: float = nan
    source: str = ""
    lash_mm: float = nan
    missing: str = ""


class BucketPlan(Struct, frozen=True):
    """Shims in head order, sizes to buy, and what stands in the way."""

    shims: tuple[BucketShim, ...]
    bought_mm: tuple[float, ...] = ()
    moved: int = 0
    problems: tuple[str, ...] = ()

    def edit(self, engine: Engine) -> Fit:
        """Give the edit that fits the shims that change. What was read with the old ones goes stale by it."""
        changes = [one for one in self.shims if isfinite(one.new_mm) and one.source != "stays"]
        fitted = tuple(
            fitment(engine, "lash shim", one.position, thicknesses_mm=(one.new_mm,), note=one.source) for one in changes
        )
        return Fit(fitted, f"bucket shims at {len(fitted)} valves")


class _Window(Struct, frozen=True):
    """What a valve may have, mm of shim; `exact` leaves just the lash wanted."""

    at: BucketShim
    low: float
    high: float


def plan_bucket_shims(book: Book) -> BucketPlan:
    """Plan the shims of every valve whose lash and shim are known. Others are told with what they lack."""
    rows = [_valve(book, one.id) for one in book.engine.layout.positions]
    limits = limits_at(book, "lash_set")
    windows, problems = [], []
    for row, limit in zip(rows, limits, strict=True):
        if row.missing:
            continue
        if limit is None or limit.lowest is None or limit.highest is None:
            problems.append(f"{position_title(row.position)}: state by how much lash may be off the card (Limits)")
            continue
        guard = min(_doubt(book, row.position), (limit.highest - limit.lowest) / 2.0)
        if guard >= (limit.highest - limit.lowest) / 2.0:
            guard = 0.0
            problems.append(
                f"{position_title(row.position)}: the feelers' uncertainty is as wide as the window, so nothing proves it"
            )
        windows.append(_Window(row, row.exact_mm - limit.highest + guard, row.exact_mm - limit.lowest - guard))
    chosen, bought, moved = _assign(book.engine, windows)
    problems += [f"{position_title(one.at.position)}: no shim in the drawer or sold leaves its lash" for one in windows
                 if not isfinite(chosen[one.at.position].new_mm)]  # fmt: skip
    return BucketPlan(tuple(chosen.get(one.position, one) for one in rows), tuple(bought), moved, tuple(problems))


def _valve(book: Book, position: str) -> BucketShim:
    fitted, lash = book.engine.fitted("lash shim", position), at_valve(book, "lash", position)
    old = fitted.height_mm if fitted and fitted.height_mm is not None else nan
    wanted = wanted_lash_mm(book, position, lash.way)
    lacking = [] if isfinite(old) else ["the shim that is in"]
    read = lash.kind == "measured" and lash.is_own
    if not read:
        lacking.append("its lash, read by feelers")
    elif lash.ground:
        lacking.append(
            "its lash read again: something was changed"
            if lash.ground & Ground.STALE
            else f"its lash read again: {lash.note}"
        )
    if not isfinite(wanted):
        lacking.append("the lash that is wanted (Cam card)")
    measured = lash.value if read else nan
    exact = old + measured - wanted
    return BucketShim(position, old, measured, wanted, exact, missing=" and ".join(lacking))


def _doubt(book: Book, position: str) -> float:
    return COVERAGE * float(figure_of([at_valve(book, "lash", position)]).u[0])


def _assign(engine: Engine, windows: Sequence[_Window]) -> tuple[dict[str, BucketShim], list[float], int]:
    """Give each valve its shim, the sizes bought and how many move."""
    from scipy.optimize import linear_sum_assignment

    if not windows:
        return {}, [], 0
    pool = [(one.at.old_mm, f"from {position_title(one.at.position)}") for one in windows]
    for size in engine.bucket_stock:
        pool += [(size.thickness_mm, "from the drawer")] * min(
            size.count if size.count is not None else len(windows), len(windows)
        )
    sizes = np.array([size for size, _ in pool])
    cost = np.full((len(windows), len(pool) + len(windows)), _NEVER)
    for row, one in enumerate(windows):
        inside = (sizes >= one.low - _EDGE_MM) & (sizes <= one.high + _EDGE_MM)
        cost[row, : len(pool)] = np.where(inside, _MOVED + 1000.0 * np.abs(sizes - one.at.exact_mm), _NEVER)
        if inside[row]:
            cost[row, row] -= _MOVED  # its own shim stays
        if (bought := _to_buy(engine, one)) is not None:
            cost[row, len(pool) :] = _BOUGHT + _MOVED + 1000.0 * abs(bought - one.at.exact_mm)
        cost[row, len(pool) + row] = min(cost[row, len(pool) + row], _NEVER / 10)  # none at all, which is said
    rows, columns = linear_sum_assignment(cost)
    chosen, buys = {}, []
    for row, column in zip(rows.tolist(), columns.tolist(), strict=True):
        one = windows[row]
        if column < len(pool) and cost[row, column] < _NEVER / 10:
            new, source = pool[column][0], "stays" if column == row else pool[column][1]
        elif (bought := _to_buy(engine, one)) is not None:
            new, source = bought, "to buy"
            buys.append(bought)
        else:
            new, source = nan, ""
        chosen[one.at.position] = BucketShim(
            one.at.position, one.at.old_mm, one.at.measured_mm, one.at.wanted_mm, one.at.exact_mm, new, source,
            one.at.old_mm + one.at.measured_mm - new,
        )  # fmt: skip
    moved = sum(one.source not in ("stays", "") for one in chosen.values())
    return chosen, sorted(buys), moved


def _to_buy(engine: Engine, one: _Window) -> float | None:
    """Give the size that can be bought nearest to the exact one and inside its window; None for none."""
    fitting = [size for size in engine.bucket_sold if one.low - _EDGE_MM <= size <= one.high + _EDGE_MM]
    return min(fitting, key=lambda size: abs(size - one.at.exact_mm), default=None)
