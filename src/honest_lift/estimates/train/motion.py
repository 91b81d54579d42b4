"""How valves move over the crank: their lobes' lift, as timed, carried by one ratio or by the rocker's own geometry."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import fields, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from honest_lift.estimates.rocker.every_gear import plain
from honest_lift.estimates.rocker.parts import kind_of
from honest_lift.estimates.train.assembled import Lifted
from honest_lift.facts.engine import Book
from honest_lift.facts.remember import by_identity_of_many
from honest_lift.mechanics.cam.lobe import Lobe
from honest_lift.mechanics.clearance.piston_valve import LobeTables
from honest_lift.mechanics.rocker.finger import FingerGear
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.mechanics.train.linkage import SIDES, SWINGS
from honest_lift.numbers.doubt import Array, once_a_copy

_SAMPLES = 241
_SHAPED_MM = 0.5  # a lobe drawn from its card ends where it ends: the doubt of its shape grows to this lift


def tables_of(lobes: Sequence[Lobe]) -> LobeTables:
    """Lay lobes out as tables of one length."""
    starts, steps, lifts, slopes = zip(*map(_table_of, lobes), strict=True)
    return LobeTables(np.array(starts), np.array(steps), np.array(lifts), np.array(slopes))


@by_identity_of_many
def _table_of(lobe: Lobe) -> tuple[float, float, Array, Array]:
    cam = np.linspace(lobe.start_deg, lobe.end_deg, _SAMPLES)
    return float(cam[0]), float(cam[1] - cam[0]), np.maximum(lobe.lift(cam), 0.0), lobe.velocity(cam)


class Carried:
    """What makes valve lift of lobe lift: a gear, or a ratio with its lash. Put together once, turned many times."""

    def __init__(self, gear: OnTheTip | None, ratio: Array, lash: Array) -> None:
        self._gear, self._ratio, self._lash = gear, ratio, lash

    def __call__(self, raised: Array) -> Array:
        """Give valve lift in mm of lobe lift (..., n)."""
        if self._gear is not None:
            return self._gear.lift(raised)
        return np.asarray(np.maximum(raised * self._ratio - self._lash, 0.0))

    def swing_deg(self, raised: Array) -> Array:
        """Give by how much a finger's roller has gone round the cam (..., n), cam degrees; 0 for what does not swing."""
        return self._gear.swing_deg(raised) if isinstance(self._gear, FingerGear) else np.zeros(np.shape(raised))

    def of(self, cases: NDArray[np.int64]) -> Carried:
        """Give it for some of the valves."""
        gear = None if self._gear is None else _picked(self._gear, cases)
        return Carried(gear, self._ratio[..., cases], self._lash[..., cases])


def _picked(gear: OnTheTip, cases: NDArray[np.int64]) -> OnTheTip:
    """Give a gear for some of its cases, in the order given."""
    fields_of: Any = gear
    picked: OnTheTip = replace(
        fields_of, **{one.name: getattr(gear, one.name)[..., cases] for one in fields(fields_of)}
    )
    return picked


class Motion:
    """Valves (n,) that are carried alike: lift at crank degrees from arrays of their parts, in the order of `Lifted.inputs`."""

    def __init__(self, book: Book, valves: Sequence[Lifted]) -> None:
        lobes = {one.lobe_key: one.lobe for one in valves if one.lobe is not None}
        rows = np.array([list(lobes).index(one.lobe_key) for one in valves])
        self._lobes = tables_of(list(lobes.values())).take(rows)
        self._peaks = np.array([one.lift_mm for one in lobes.values()])[rows]
        self._kind, self._by_gear = kind_of(book.engine), valves[0].by_gear
        self._side = (
            SIDES.get(book.engine.cam_turns, 0.0) if self._by_gear and book.engine.gear == "finger follower" else 0.0
        )
        parts = [tuple(map(plain, one.inputs)) for one in valves]
        self._gears, self._gear_of = _first_of_each([own[2:] for own in parts])
        self._alike = [(row, *own) for row, own in zip(rows.tolist(), parts, strict=True)]

    def carried(self, *parts: Array) -> Carried:
        """Give what makes the valve's lift of the lobe's, for parts (..., n)."""
        rest = np.broadcast_arrays(*parts[2:])
        if not self._by_gear:
            return Carried(None, rest[1], rest[2])
        assert self._kind is not None
        if len(self._gears) == len(self._gear_of):
            return Carried(self._kind.make(0.0, *rest), rest[1], rest[2])
        gear = self._kind.make(0.0, *(one[..., self._gears] for one in rest))  # the very same gear is set once
        return Carried(_picked(gear, self._gear_of), rest[1], rest[2])

    def lift(self, turn_deg: Array, *parts: Array, carried: Carried | None = None) -> Array:
        """Give valve lift (k, ..., n) in mm at crank degrees (k, 1.., n) from parts (..., n).

        Valves with the very same lobe and gear that are turned through the same degrees are turned once.
        """
        carried, parts = carried or self.carried(*parts), tuple(np.broadcast_arrays(*parts))
        each = turn_deg.shape[-1] > 1
        turned = [turn_deg[..., case].tobytes() if each else b"" for case in range(len(self._alike))]
        cases, of = _first_of_each(list(zip(self._alike, turned, strict=True)))
        if len(cases) == len(of):
            return self._lift(turn_deg, cases, parts, carried)
        own = tuple(one[..., cases] for one in parts)
        return self._lift(turn_deg[..., cases] if each else turn_deg, cases, own, carried.of(cases))[..., of]

    def _lift(self, turn_deg: Array, cases: NDArray[np.int64], parts: tuple[Array, ...], carried: Carried) -> Array:
        centre, shape = parts[:2]
        lobes = self._lobes.take(cases)
        lobe = once_a_copy(lambda middle: lobes.at((turn_deg - middle) / 2.0), centre)
        top = parts[-2] if self._by_gear else parts[2]

        def raised(lobe: Array) -> Array:
            drawn = lobe * (top / self._peaks[cases]) + shape * np.minimum(lobe / _SHAPED_MM, 1.0)
            return np.asarray(np.where(lobe > 0, drawn, 0.0))

        for _ in range(SWINGS if self._side else 0):  # the roller meets the lobe where its own swing has taken it
            met = (turn_deg - centre) / 2.0 - self._side * carried.swing_deg(raised(lobe))
            lobe = np.where(np.isfinite(met), lobes.at(np.nan_to_num(met, nan=1e6)), np.nan)
        return carried(raised(lobe))


def _first_of_each(keys: Sequence[object]) -> tuple[NDArray[np.int64], NDArray[np.int64]]:
    """Give where each of the keys stands first, and for every one which of those it is."""
    alike: dict[object, int] = {}
    of = np.array([alike.setdefault(one, len(alike)) for one in keys], dtype=np.int64)
    return np.array([int(np.argmax(of == which)) for which in range(len(alike))], dtype=np.int64), of
