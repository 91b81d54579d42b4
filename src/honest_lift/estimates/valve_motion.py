"""How valves move over the crank: their lobes' lift, as timed, carried by one ratio or by the rocker's own geometry."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import fields, replace
from typing import Any

import numpy as np

from honest_lift.estimates.rocker_parts import kind_of
from honest_lift.estimates.rockers import plain
from honest_lift.estimates.turned_valve import Lifted
from honest_lift.facts.engine import Book
from honest_lift.mechanics.cam.lobe import Lobe
from honest_lift.mechanics.clearance.piston_valve import LobeTables
from honest_lift.mechanics.gear.on_the_tip import OnTheTip
from honest_lift.numbers.doubt import Array, once_a_copy

_SAMPLES = 241
_SHAPED_MM = 0.5  # a lobe drawn from its card ends where it ends: the doubt of its shape grows to this lift


def tables_of(lobes: Sequence[Lobe]) -> LobeTables:
    """Lay lobes out as tables of one length."""
    starts, steps, lifts, slopes = [], [], [], []
    for lobe in lobes:
        cam = np.linspace(lobe.start_deg, lobe.end_deg, _SAMPLES)
        starts.append(cam[0])
        steps.append(cam[1] - cam[0])
        lifts.append(np.maximum(lobe.lift(cam), 0.0))
        slopes.append(lobe.velocity(cam))
    return LobeTables(np.array(starts), np.array(steps), np.array(lifts), np.array(slopes))


class Motion:
    """Valves (n,) that are carried alike: lift at crank degrees from arrays of their parts, in the order of `Lifted.inputs`."""

    def __init__(self, book: Book, valves: Sequence[Lifted]) -> None:
        lobes = {one.lobe_key: one.lobe for one in valves if one.lobe is not None}
        rows = np.array([list(lobes).index(one.lobe_key) for one in valves])
        self._lobes = tables_of(list(lobes.values())).take(rows)
        self._peaks = np.array([one.lift_mm for one in lobes.values()])[rows]
        self._kind, self._by_gear = kind_of(book.engine), valves[0].by_gear
        alike: dict[tuple[object, ...], int] = {}
        self._gear_of = np.array([alike.setdefault(tuple(map(plain, one.inputs[2:])), len(alike)) for one in valves])
        self._firsts = np.array([int(np.argmax(self._gear_of == gear)) for gear in range(len(alike))])

    def carried(self, *parts: Array) -> Callable[[Array], Array]:
        """Give what makes the valve's lift of the lobe's, for parts (..., n): put together once, turned many times."""
        rest = parts[2:]
        if self._by_gear:
            return self._set(np.broadcast_arrays(*rest)).lift
        return lambda raised: np.asarray(np.maximum(raised * rest[1] - rest[2], 0.0))

    def _set(self, parts: Sequence[Array]) -> OnTheTip:
        """Set the gear of every valve, from parts (..., n): the very same gear once."""
        assert self._kind is not None
        if len(self._firsts) == len(self._gear_of):
            return self._kind.make(0.0, *parts)
        gear: Any = self._kind.make(0.0, *(one[..., self._firsts] for one in parts))
        every: OnTheTip = replace(
            gear, **{one.name: getattr(gear, one.name)[..., self._gear_of] for one in fields(gear)}
        )
        return every

    def lift(self, turn_deg: Array, *parts: Array, carried: Callable[[Array], Array] | None = None) -> Array:
        """Give valve lift (k, ..., n) in mm at crank degrees (k, 1.., n) from parts (..., n)."""
        centre, shape = parts[:2]
        lobe = once_a_copy(lambda middle: self._lobes.at((turn_deg - middle) / 2.0), centre)
        top = parts[-2] if self._by_gear else parts[2]
        raised = np.where(lobe > 0, lobe * (top / self._peaks) + shape * np.minimum(lobe / _SHAPED_MM, 1.0), 0.0)
        return (carried or self.carried(*parts))(raised)
