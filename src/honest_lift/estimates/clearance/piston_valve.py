"""Piston to valve at every valve: the least clearance through the turn with its doubt, and what it rests on.

The curve is worked out over the whole turn once, and displaced, source by source and over every assumed range, around its
least and next-least local minimum (house design: a minimum over a turn). A lobe by its card, or a middle nobody found with the
wheel, is assumed with a range: what rests on it never passes.
"""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial
from math import nan

import numpy as np
from msgspec import Struct

from honest_lift.estimates.alike import Parts, derive_of, laid_out, values_of, worked_alike
from honest_lift.estimates.clearance.over_piston import (
    ANGLES,
    CRANK,
    TO_PISTON,
    WALL,
    OverPistons,
    Through,
    over_pistons,
)
from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.engine import Book
from honest_lift.mechanics.clearance.piston_valve import along_stem, local_minima, piston_drop, refined_least
from honest_lift.mechanics.train.linkage import Linkage
from honest_lift.numbers.doubt import Array, Ground, once_a_copy

SPAN_DEG, STEP_DEG = 120.0, 0.5
TURN = np.arange(-SPAN_DEG, SPAN_DEG + STEP_DEG / 2, STEP_DEG)
_WINDOW = np.arange(-8.0, 8.01, STEP_DEG)
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
    return turned(book, over_pistons(book))


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
    return worked_alike("pocket_radius", over_pistons(book, _WALL), lambda valves, rows, of_row: _beside(book, valves))


class _Turning:
    """Valves that are carried alike, ready to be turned: clearances at crank degrees from arrays of their parts by name."""

    def __init__(self, book: Book, valves: Sequence[Through]) -> None:
        self.motion = Motion(book, [one.lifted for one in valves])
        self._of_lift = tuple(valves[0].lifted.parts)

    def linkage(self, parts: Parts) -> Linkage:
        """Give what makes the valve's lift of the lobe's."""
        return self.motion.linkage(self._lifting(parts))

    def _lifting(self, parts: Parts) -> Parts:
        return {name: parts[name] for name in self._of_lift}

    def moving(self, turn_deg: Array, parts: Parts, linkage: Linkage | None = None) -> tuple[Array, Array, Array]:
        """Give piston drop, valve lift and clearance (k, ..., n) at crank degrees (k, 1.., n) from parts (..., n)."""
        g = along_stem(*(parts[name] for name in ANGLES))
        added = sum((parts[name] for name in TO_PISTON[1:]), parts[TO_PISTON[0]]) * g
        room = np.where(np.isfinite(parts["valve_drop"]), parts["valve_drop"], added)
        lift = self.motion.lift(turn_deg, self._lifting(parts), linkage)
        down = once_a_copy(partial(piston_drop, turn_deg), *np.broadcast_arrays(*(parts[name] for name in CRANK)))
        return down, lift, np.asarray(room + g * down - lift)

    def clearance(self, turn_deg: Array, parts: Parts, linkage: Linkage | None = None, lift_by: float = 1.0) -> Array:
        """Give clearances alone. `lift_by`: a ratio tried over the one."""
        _, lift, room = self.moving(turn_deg, parts, linkage)
        return room if lift_by == 1.0 else np.asarray(room - (lift_by - 1.0) * lift)


def _turned(book: Book, valves: Sequence[Through]) -> tuple[Estimate, Array, Array]:
    """Work out valves that are carried alike: least clearance, the angle it stands at, and the curves."""
    turning, estimates = _Turning(book, valves), laid_out([one.parts for one in valves], _MOST_RANGES)
    curves = turning.clearance(TURN[:, None], {name: one.figure.value for name, one in estimates.items()}).T
    minima = local_minima(np.nan_to_num(curves, nan=np.inf), _NEAR_MM)

    alone = bool((minima[:, 0] == minima[:, 1]).all())

    def least(parts: Parts) -> Array:
        linkage = turning.linkage(parts)
        around = (TURN[minima[:, which]] + _WINDOW[:, None, None] for which in ((0,) if alone else (0, 1)))
        found = [refined_least(turning.clearance(one, parts, linkage)) for one in around]
        return found[0] if alone else np.minimum(*found)

    with np.errstate(invalid="ignore"):
        whole = derive_of(least, estimates)
    figure = whole.figure.on_ground(~np.isfinite(whole.figure.value), Ground.MISSING)
    return Estimate(figure, whole.inputs), TURN[minima[:, 0]], curves


def _beside(book: Book, valves: Sequence[Through]) -> Estimate:
    """Work out the room beside valves that are carried alike: e0 + x sin(beta) + L sin(alpha - beta) moves the edge sideways."""
    turning, estimates = _Turning(book, valves), laid_out([one.parts for one in valves], _MOST_RANGES)

    def least(parts: Parts) -> Array:
        radius, head, off, depth = (parts[f"{WALL}{name}"] for name in _WALL)
        down, lift, room = turning.moving(_INSIDE[:, None, None], parts)
        alpha, beta = (np.radians(parts[name]) for name in ANGLES)
        beside = radius - head / 2.0 - np.abs(off + down * np.sin(beta) + lift * np.sin(alpha - beta))
        within = np.where(room <= depth + _RIM_MM, beside, np.inf).min(axis=0)
        return np.where(np.isfinite(within), within, np.nan)  # it never is inside

    whole = derive_of(least, estimates)
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
        self._parts = values_of(valve.parts)
        self._proven = not any(one.ground & ~Ground.SPECIFIED for one in valve.inputs)

    @property
    def is_proven(self) -> bool:
        """Tell whether nothing it is turned from is assumed, stale or without a tolerance."""
        return self._proven

    def curve(self, tried: Tried) -> Array:
        """Give its clearance over TURN."""
        centre, lash = self._parts["lobe_centreline"] - tried.advance_deg, self._parts["lash"] + tried.lash_mm
        parts = {**self._parts, "lobe_centreline": centre, "lash": lash}
        return self._turning.clearance(TURN[:, None], parts, lift_by=tried.ratio)[:, 0] + tried.room_mm

    def moving(self, crank_deg: Array) -> tuple[Array, Array]:
        """Give its lift and its room over the piston, mm, at crank degrees (k,)."""
        _, lift, room = self._turning.moving(crank_deg[:, None], self._parts)
        return lift[:, 0], room[:, 0]

    def least(self, tried: Tried | None = None) -> float:
        """Give its least clearance."""
        return float(refined_least(self.curve(tried or Tried())))

    def along_stem(self) -> float:
        """Give mm along the stem a mm along the cylinder."""
        return float(along_stem(*(self._parts[name] for name in ANGLES))[0])


def one_valve(book: Book, position: str) -> OneValve | tuple[Input, ...]:
    """Give a valve that can be turned, or what of it is missing."""
    order = [one.id for one in book.engine.layout.positions]
    valve = OverPistons(book).through(order.index(position), position)
    return valve.missing if valve.missing else OneValve(book, valve)
