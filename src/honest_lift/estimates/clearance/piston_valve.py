"""Piston to valve at every valve: the least clearance through the turn with its doubt, and what it rests on.

The curve is worked out over the whole turn once, and displaced, source by source and over every assumed range, around its
least and next-least local minimum (house design: a minimum over a turn). A lobe by its card, or a middle nobody found with the
wheel, is assumed with a range: what rests on it never passes.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import partial
from math import nan
from typing import Protocol, TypeVar

import numpy as np
from msgspec import Struct

from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.rocker.every_gear import few_ranges, plain
from honest_lift.estimates.train.assembled import ANGLES, Parts, Through, through
from honest_lift.estimates.train.lift import either
from honest_lift.estimates.train.motion import Carried, Motion
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.mechanics.clearance.piston_valve import (
    along_stem,
    local_minima,
    piston_drop,
    refined_least,
)
from honest_lift.numbers.doubt import Array, Ground, once_a_copy

SPAN_DEG, STEP_DEG = 120.0, 0.5
TURN = np.arange(-SPAN_DEG, SPAN_DEG + STEP_DEG / 2, STEP_DEG)
_WINDOW = np.arange(-8.0, 8.01, STEP_DEG)
_ROOM = 10  # parts before those of what lifts the valve
_NEAR_MM = 1.0
_WALL = ("pocket_radius", "head_diameter", "pocket_offset", "pocket_depth")
_INSIDE = np.arange(-30.0, 30.1, 0.5)  # a valve is in its pocket only about TDC
_RIM_MM = 0.2
_MOST_RANGES = 4  # shape, timing, pocket and one more: 81 corners of each are scanned


class ThroughTurn(Struct, frozen=True):
    """The least clearance of every valve (n,), the crank angle it stands at (n,), and its curve over TURN (n, k); NaN for none."""

    least: Estimate
    at_deg: np.ndarray
    curves: np.ndarray


def piston_to_valve(book: Book) -> ThroughTurn:
    """Give the clearance of every valve in head order."""
    return turned(book, put_together(book))


def put_together(book: Book, others: tuple[str, ...] = ()) -> list[Through]:
    """Put every valve together from its parts, in head order; `others`: what else is wanted of each."""
    known = Parts(book, others)
    return [through(book, known, case, one.id) for case, one in enumerate(book.engine.layout.positions)]


def turned(book: Book, valves: Sequence[Through]) -> ThroughTurn:
    """Turn all valves of an engine. Those with the very same parts and lobe are worked out once."""
    count = len(valves)
    at, curves = np.full(count, nan), np.full((count, len(TURN)), nan)

    def work(some: Sequence[Through], rows: Sequence[int], of_row: Sequence[int]) -> Estimate:
        found, found_at, found_curves = _turned(book, some)
        at[list(rows)], curves[list(rows)] = found_at[list(of_row)], found_curves[list(of_row)]
        return found

    return ThroughTurn(worked_alike("valve_drop", valves, work), at, curves)


def pocket_wall(book: Book) -> Estimate:
    """Give the least room from the valve's edge to the wall of its pocket while it is inside, (n,) in mm."""
    return worked_alike("pocket_radius", put_together(book, _WALL), lambda valves, rows, of_row: _beside(book, valves))


class Worked(Protocol):
    """One valve, or pair of them, put together from its parts: what can be worked out at once with others like it."""

    @property
    def position(self) -> str:
        """Give the valve it is told of."""
        ...

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give its parts."""
        ...

    @property
    def others(self) -> tuple[Input, ...]:
        """Give what else is wanted of it."""
        ...

    @property
    def missing(self) -> tuple[Input, ...]:
        """Give what it lacks."""
        ...

    @property
    def alike(self) -> tuple[object, ...]:
        """Give what those that are worked out together have in common."""
        ...

    @property
    def lobes(self) -> object:
        """Give what tells its lobes from others."""
        ...


T = TypeVar("T", bound=Worked)


def worked_alike(
    wanted: str,
    valves: Sequence[T],
    work: Callable[[Sequence[T], Sequence[int], Sequence[int]], Estimate],
    figures: int = 1,
) -> Estimate:
    """Work out all that lack nothing, those with the very same parts and lobes once; of the others `wanted` is missing.

    `work` takes those that are carried alike, each once; their rows among all; and for each row which of them it is. It gives so
    many `figures` of each: an estimate (n,), or (n, figures) where there are more.
    """
    least = estimate_of(
        [Input(wanted, "", "missing", ground=Ground.MISSING, asked=at_position(one.position)) for one in valves]
    )
    if figures > 1:
        least = derive(lambda one: np.stack([one] * figures, axis=-1), least)
    least = Estimate(least.figure, tuple((*one.inputs, *one.others, *one.missing) for one in valves))
    for way in dict.fromkeys(one.alike for one in valves if not one.missing):
        rows = [i for i, one in enumerate(valves) if not one.missing and one.alike == way]
        alike: dict[tuple[object, ...], int] = {}
        of_row = [
            alike.setdefault((valves[i].lobes, *map(plain, (*valves[i].inputs, *valves[i].others))), len(alike))
            for i in rows
        ]
        found = work([valves[rows[of_row.index(case)]] for case in range(len(alike))], rows, of_row)
        figure = found.figure.take(np.array(of_row, dtype=np.int64))
        told = Estimate(figure, tuple((*valves[i].inputs, *valves[i].others) for i in rows))
        least = _placed(least, rows, told, len(valves))
    return least


def _placed(whole: Estimate, rows: Sequence[int], found: Estimate, count: int) -> Estimate:
    """Put the answers of some valves where they belong."""
    order = np.zeros(count, dtype=np.int64)
    order[list(rows)] = np.arange(len(rows))
    spread = found.take(order.tolist())
    first = np.zeros(count, dtype=bool)
    first[list(rows)] = True
    return either(first, spread, whole)


class _Turning:
    """Valves that are carried alike, ready to be turned: clearances at crank degrees from arrays of their parts."""

    def __init__(self, book: Book, valves: Sequence[Through]) -> None:
        self.motion = Motion(book, [one.lifted for one in valves])
        self.names = [one.quantity for one in valves[0].inputs]

    def carried(self, *parts: Array) -> Carried:
        """Give what makes the valve's lift of the lobe's."""
        return self.motion.carried(*parts[_ROOM:])

    def moving(self, turn_deg: Array, *parts: Array, carried: Carried | None = None) -> tuple[Array, Array, Array]:
        """Give piston drop, valve lift and clearance (k, ..., n) at crank degrees (k, 1.., n) from parts (..., n)."""
        drop, recess, gasket, deck, pocket, stroke, rod, offset, lean, floor = parts[:_ROOM]
        g = along_stem(lean, floor)
        room = np.where(np.isfinite(drop), drop, (recess + gasket + deck + pocket) * g)
        lift = self.motion.lift(turn_deg, *parts[_ROOM:], carried=carried)
        down = once_a_copy(partial(piston_drop, turn_deg), *np.broadcast_arrays(stroke, rod, offset))
        return down, lift, np.asarray(room + g * down - lift)

    def clearance(self, turn_deg: Array, *parts: Array, carried: Carried | None = None, lift_by: float = 1.0) -> Array:
        """Give clearances alone. `lift_by`: a ratio tried over the one."""
        _, lift, room = self.moving(turn_deg, *parts, carried=carried)
        return room if lift_by == 1.0 else np.asarray(room - (lift_by - 1.0) * lift)


def _turned(book: Book, valves: Sequence[Through]) -> tuple[Estimate, Array, Array]:
    """Work out valves that are carried alike: least clearance, the angle it stands at, and the curves."""
    turning, inputs = _Turning(book, valves), [few_ranges(one.inputs, _MOST_RANGES) for one in valves]
    estimates = [estimate_of([own[part] for own in inputs]) for part in range(len(inputs[0]))]
    curves = turning.clearance(TURN[:, None], *(one.figure.value for one in estimates)).T
    minima = local_minima(np.nan_to_num(curves, nan=np.inf), _NEAR_MM)

    alone = bool((minima[:, 0] == minima[:, 1]).all())

    def least(*parts: Array) -> Array:
        parts = tuple(np.broadcast_arrays(*parts))
        carried = turning.carried(*parts)
        around = (TURN[minima[:, which]] + _WINDOW[:, None, None] for which in ((0,) if alone else (0, 1)))
        found = [refined_least(turning.clearance(one, *parts, carried=carried)) for one in around]
        return found[0] if alone else np.minimum(*found)

    with np.errstate(invalid="ignore"):
        whole = derive(least, *estimates)
    figure = whole.figure.on_ground(~np.isfinite(whole.figure.value), Ground.MISSING)
    return Estimate(figure, whole.inputs), TURN[minima[:, 0]], curves


def _beside(book: Book, valves: Sequence[Through]) -> Estimate:
    """Work out the room beside valves that are carried alike: e0 + x sin(beta) + L sin(alpha - beta) moves the edge sideways."""
    turning, inputs = _Turning(book, valves), [few_ranges((*one.inputs, *one.others), _MOST_RANGES) for one in valves]
    count = len(valves[0].inputs)
    lean, floor = (turning.names.index(name) for name in ANGLES)

    def least(*parts: Array) -> Array:
        parts = tuple(np.broadcast_arrays(*parts))
        radius, head, off, depth = parts[count:]
        down, lift, room = turning.moving(_INSIDE[:, None, None], *parts[:count])
        alpha, beta = np.radians(parts[lean]), np.radians(parts[floor])
        beside = radius - head / 2.0 - np.abs(off + down * np.sin(beta) + lift * np.sin(alpha - beta))
        within = np.where(room <= depth + _RIM_MM, beside, np.inf).min(axis=0)
        return np.where(np.isfinite(within), within, np.nan)  # it never is inside

    estimates = [estimate_of([own[part] for own in inputs]) for part in range(len(inputs[0]))]
    whole = derive(least, *estimates)
    return Estimate(whole.figure.on_ground(~np.isfinite(whole.figure.value), Ground.MISSING), whole.inputs)


class Tried(Struct, frozen=True):
    """What is changed at one valve to see what it moves: degrees of advance, mm at TDC, of lash, a ratio over the one."""

    advance_deg: float = 0.0
    room_mm: float = 0.0
    lash_mm: float = 0.0
    ratio: float = 1.0


class OneValve:
    """One valve turned again and again with something changed, without doubts. `valve` has nothing missing."""

    def __init__(self, book: Book, valve: Through) -> None:
        self._turning = _Turning(book, [valve])
        self._parts = np.array([[one.value] for one in valve.inputs])
        self._proven = not any(one.ground & ~Ground.SPECIFIED for one in valve.inputs)

    @property
    def is_proven(self) -> bool:
        """Tell whether nothing it is turned from is assumed, stale or without a tolerance."""
        return self._proven

    def curve(self, tried: Tried) -> Array:
        """Give its clearance over TURN."""
        parts, names = self._parts.copy(), self._turning.names
        parts[names.index("lobe_centreline")] -= tried.advance_deg
        parts[-1] += tried.lash_mm
        return self._turning.clearance(TURN[:, None], *parts, lift_by=tried.ratio)[:, 0] + tried.room_mm

    def moving(self, crank_deg: Array) -> tuple[Array, Array]:
        """Give its lift and its room over the piston, mm, at crank degrees (k,)."""
        _, lift, room = self._turning.moving(crank_deg[:, None], *self._parts)
        return lift[:, 0], room[:, 0]

    def least(self, tried: Tried | None = None) -> float:
        """Give its least clearance."""
        return float(refined_least(self.curve(tried or Tried())))

    def along_stem(self) -> float:
        """Give mm along the stem a mm along the cylinder."""
        names = self._turning.names
        lean, floor = (self._parts[names.index(name)] for name in ANGLES)
        return float(along_stem(lean, floor)[0])


def one_valve(book: Book, position: str) -> OneValve | tuple[Input, ...]:
    """Give a valve that can be turned, or what of it is missing."""
    positions = [one.id for one in book.engine.layout.positions]
    valve = through(book, Parts(book), positions.index(position), position)
    return valve.missing if valve.missing else OneValve(book, valve)
