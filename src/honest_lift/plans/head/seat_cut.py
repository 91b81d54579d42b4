"""Which spring seats to cut, by how much, so that those of each head stand in one plane at or below specification.

That plane is the one that takes the least metal.

Seats that stand low can be raised by shims in stock instead of cutting every other one down to them; the thinnest shim
then sets the depth. A seat within the limit of the plane is left alone. The first cut is measured again before the rest.
Source: common practice; the search over planes is exact (the metal only changes its slope where a seat, with a stack
under its spring, meets the plane or an edge of its limit) and is held to brute force by a test.
"""

from __future__ import annotations

from collections.abc import Callable
from itertools import combinations_with_replacement
from math import isfinite
from typing import Literal

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.on_valves import everywhere, limits_at, names_of
from honest_lift.checks.spring.seats import by_head
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.edits import Edit, Fit, fitment
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import Place, position_title
from honest_lift.numbers.doubt import COVERAGE, Array, Ground
from honest_lift.numbers.units import in_words

Means = Literal["cut", "cut and shim", "shim"]
MOST_SHIMS = 3
CUT_NOTE = "spring seat cut"
_TINY = 1e-9


class Seat(Struct, frozen=True):
    """What is done to one seat. Heights over specification in mm; `stack_mm`: the shims under its spring."""

    position: str
    height_mm: float
    cut_mm: float
    stack_mm: tuple[float, ...]

    @property
    def stands_mm(self) -> float:
        """Give where the spring then stands."""
        return self.height_mm - self.cut_mm + sum(self.stack_mm)


class CutPlan(Struct, frozen=True):
    """One way to bring the seats of each head into one plane. `problems`: why it can't be done, or what must be bought."""

    means: Means
    planes: tuple[tuple[str, float], ...] = ()  # (head, over specification in mm)
    seats: tuple[Seat, ...] = ()
    problems: tuple[str, ...] = ()

    @property
    def metal_mm(self) -> float:
        """Give how much is cut over all seats."""
        return sum(one.cut_mm for one in self.seats)

    @property
    def to_cut(self) -> tuple[Seat, ...]:
        """Give the seats to cut, the deepest cut first."""
        return tuple(sorted((one for one in self.seats if one.cut_mm), key=lambda one: -one.cut_mm))


def cut_plans(book: Book) -> tuple[CutPlan, ...]:
    """Give the three ways: cutting alone, cutting and shimming with the least metal, shimming alone."""
    names = names_of(book)
    height = everywhere(book, "spring_seat_height")
    ground = [Ground(int(one)) for one in height.figure.ground]
    unread = [name for name, flag in zip(names, ground, strict=True) if flag & ~Ground.SPECIFIED]
    if unread or not names:
        words = "measured, since it was changed, at " if names else "no heads are laid out"
        told = ", ".join(map(position_title, unread))
        problem = f"every spring seat is to be {words}{told}" if names else words
        return tuple(CutPlan(means, problems=(problem,)) for means in ("cut", "cut and shim", "shim"))
    limit = limits_at(book, "spring_seat_level")[0]
    spare = limit.highest if limit and limit.highest is not None else 0.0
    left = max(spare - COVERAGE * float(height.figure.u.max()), 0.0)
    stacks = _stacks(book.engine)
    values, heads = height.figure.value, by_head(book)

    def of_heads(plan: Callable[[list[str], Array, float | None], CutPlan]) -> CutPlan:
        own = [[names[row] for row in rows] for rows in heads]
        return _joined(
            [plan(one, values[rows], wanted_plane(book, one[0])) for one, rows in zip(own, heads, strict=True)]
        )

    least = of_heads(lambda own, mm, at: _planned(book.engine, own, mm, stacks, left, "cut and shim", at))
    return (
        of_heads(lambda own, mm, at: _planned(book.engine, own, mm, [()], left, "cut", at)),
        _with_shortage(book.engine, least),
        _with_shortage(book.engine, of_heads(lambda own, mm, at: _shimmed(book.engine, own, mm, stacks, left, at))),
    )


def wanted_plane(book: Book, position: str) -> float | None:
    """Give the plane somebody asked for at the head of a valve, mm over specification; None where the least metal decides."""
    found = resolve(book, "seat_plane", Place("head", book.engine.layout.head_of(position))).value
    return found if isfinite(found) else None


def _joined(plans: list[CutPlan]) -> CutPlan:
    """Put the plans of all heads together; where one head has none, there is none."""
    if lacking := [one for one in plans if one.problems and not one.seats]:
        return CutPlan(
            plans[0].means, problems=tuple(dict.fromkeys(words for one in lacking for words in one.problems))
        )
    return CutPlan(
        plans[0].means,
        tuple(plane for one in plans for plane in one.planes),
        tuple(seat for one in plans for seat in one.seats),
        tuple(words for one in plans for words in one.problems),
    )


def _stacks(engine: Engine) -> list[tuple[float, ...]]:
    """Give every stack of at most three shims that go under an outer spring, of those alike in height the fewest."""
    sizes = sorted({one.thickness_mm for one in engine.shim_stock if one.is_for("outer") and one.count != 0})
    found: dict[int, tuple[float, ...]] = {}
    for count in range(MOST_SHIMS + 1):
        for stack in combinations_with_replacement(sizes, count):
            found.setdefault(round(1000 * sum(stack)), stack)
    return list(found.values())


def _planned(
    engine: Engine, names: list[str], heights: Array, stacks: list[tuple[float, ...]], left: float, means: Means,
    wanted: float | None = None,
) -> CutPlan:  # fmt: skip
    """Find the plane of one head at or below specification that takes the least metal, of those alike the fewest shims.

    `wanted`: the plane somebody asked for, which then is the only one.
    """
    raised = heights[:, None] + np.array([sum(stack) for stack in stacks])
    planes = np.unique(np.concatenate([[0.0], (raised[..., None] + np.array([-left, 0.0, left])).ravel()]))
    planes = planes[(planes <= _TINY) & (planes >= min(heights.min(), 0.0) - left - _TINY)]
    planes = planes if wanted is None else np.array([wanted])
    counts = np.array([len(stack) for stack in stacks])
    best: tuple[float, int, float] | None = None
    chosen = np.zeros(len(names), dtype=np.int64)
    for plane in planes[::-1]:
        cuts = _cuts(raised, float(plane), left)
        ranked = cuts + 1e-6 * counts
        pick = ranked.argmin(axis=1)
        metal = float(cuts[np.arange(len(names)), pick].sum())
        if not np.isfinite(metal):
            continue
        figure = (round(metal, 6), int(counts[pick].sum()), -float(plane))
        if best is None or figure < best:
            best, chosen = figure, pick
    if best is None:
        return CutPlan(means, problems=(_out_of_reach(names, raised, left, wanted),))
    plane = -best[2]
    cuts = _cuts(raised, plane, left)
    seats = tuple(
        Seat(name, float(heights[row]), round(float(cuts[row, pick]), 6), stacks[pick])
        for row, (name, pick) in enumerate(zip(names, chosen, strict=True))
    )
    return CutPlan(means, ((engine.layout.head_of(names[0]), plane),), seats)


def _out_of_reach(names: list[str], raised: Array, left: float, wanted: float | None) -> str:
    if wanted is None:
        return "no plane at or below specification can be reached"
    reach = raised.max(axis=1) >= wanted - left - _TINY
    low = [position_title(name) for name, own in zip(names, reach.tolist(), strict=True) if not own]
    how = "cut alone can't raise" if raised.shape[1] == 1 else "no shims in stock raise"
    return f"{how} to the plane asked for: {', '.join(low)}"


def _cuts(raised: Array, plane: float, left: float) -> Array:
    """Give the metal each seat (n, stacks) loses to stand in the plane; infinite where it stands too low."""
    over = raised - plane
    return np.where(over < -left - _TINY, np.inf, np.where(over <= left + _TINY, 0.0, over))


def _shimmed(engine: Engine, names: list[str], heights: Array, stacks: list[tuple[float, ...]], left: float,
             wanted: float | None = None) -> CutPlan:  # fmt: skip
    """Raise every seat of a head to its highest by shims alone; say which can't be, and that it may stand over specification."""
    plane = float(heights.max()) if wanted is None else wanted
    unit = engine.unit("length")
    seats, problems = [], []
    for name, height in zip(names, heights.tolist(), strict=True):
        stack = min(
            stacks, key=lambda one: (abs(height + sum(one) - plane) > left, len(one), abs(height + sum(one) - plane))
        )
        if abs(height + sum(stack) - plane) > left + _TINY:
            stack = min(stacks, key=lambda one: abs(height + sum(one) - plane))
            off = in_words(abs(height + sum(stack) - plane), "length", unit, 4 if unit == "in" else 3)
            problems.append(f"{position_title(name)} can't be brought nearer than {off} by the shims in stock")
        seats.append(Seat(name, height, 0.0, stack))
    if plane > left:
        problems.append(f"the highest is {in_words(plane, 'length', unit)} over specification, and so would all")
    return CutPlan("shim", ((engine.layout.head_of(names[0]), plane),), tuple(seats), tuple(problems))


def _with_shortage(engine: Engine, plan: CutPlan) -> CutPlan:
    """Say which sizes are short."""
    unit, wanted = engine.unit("length"), [one for seat in plan.seats for one in seat.stack_mm]
    short = []
    for size in dict.fromkeys(wanted):
        counted = [one.count for one in engine.shim_stock if one.thickness_mm == size and one.is_for("outer")]
        if None in counted:
            continue
        lacking = wanted.count(size) - sum(one for one in counted if one is not None)
        if lacking > 0:
            short.append(f"{lacking} more shims of {in_words(size, 'length', unit)} are to be bought")
    return replace(plan, problems=plan.problems + tuple(short))


def next_cut(book: Book, plan: CutPlan) -> tuple[str, Edit | None]:
    """Say what is done next and give the edit that records it: the first cut alone, and the rest once that is proven."""
    if plan.problems or not plan.to_cut:
        return ("", None) if plan.problems else ("no seat is to be cut", None)
    proven = any(one.slot == "pocket" and one.note.startswith(CUT_NOTE) for one in book.engine.fitments)
    first = plan.to_cut[0]
    unit = book.engine.unit("length")
    if not proven:
        amount = in_words(first.cut_mm, "length", unit, 4 if unit == "in" else 2)
        return f"{position_title(first.position)} was cut by {amount}", _recorded(
            book.engine, (first,), f"first spring seat cut: {position_title(first.position)}"
        )
    return f"the other {len(plan.to_cut)} were cut", _recorded(
        book.engine, plan.to_cut, f"{len(plan.to_cut)} spring seats cut"
    )


def _recorded(engine: Engine, seats: tuple[Seat, ...], words: str) -> Edit:
    made = tuple(fitment(engine, "pocket", one.position, note=f"{CUT_NOTE} by {one.cut_mm:.2f} mm") for one in seats)
    return Fit(made, words)
