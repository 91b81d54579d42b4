"""How valves move over the crank: their lobes' lift, as timed, carried by one ratio or by the gear's own geometry.

Whether a hydraulic lifter's bleed-down counts is decided here (`linkage_of`). Everything that is checked, and every drawing of a
clearance, has the lifter hard: the valve then lifts most and stands open longest. Only what the cam does by itself, its curves and
events, is shown less the bleed-down.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np
from numpy.typing import NDArray

from honest_lift.estimates.alike import Parts, first_of_each, plain
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.rocker.parts import Kind, kind_of
from honest_lift.estimates.train.assembled import OF_LOBE, Lifted
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.remember import by_identity_of_many
from honest_lift.mechanics.cam.lobe import Lobe
from honest_lift.mechanics.clearance.piston_valve import LobeTables
from honest_lift.mechanics.train.linkage import SIDES, SWINGS, GearLinkage, Linkage, RatioLinkage
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


def side_of_cam(book: Book) -> float:
    """Give which way the cam turns over a finger, of SIDES; 0 where nobody stated it, or nothing swings."""
    return SIDES.get(book.engine.cam_turns, 0.0) if book.engine.gear == "finger follower" else 0.0


def linkage_of(kind: Kind | None, parts: Parts, *, by_gear: bool, side: float = 0.0, bleed_mm: float = 0.0) -> Linkage:
    """Give what carries a lobe's lift to the valve, of parts by name in one shape. `bleed_mm`: where bleed-down counts."""
    if not by_gear:
        return RatioLinkage(parts["rocker_ratio"], parts["lash"], bleed_mm)
    assert kind is not None
    return GearLinkage(kind.make(0.0, parts), bleed_mm, side)


class Motion:
    """Valves (n,) that are carried alike: lift at crank degrees from arrays of their parts by name."""

    def __init__(self, book: Book, valves: Sequence[Lifted]) -> None:
        lobes = {one.lobe_key: one.lobe for one in valves if one.lobe is not None}
        rows = np.array([list(lobes).index(one.lobe_key) for one in valves])
        self._lobes = tables_of(list(lobes.values())).take(rows)
        self._peaks = np.array([one.lift_mm for one in lobes.values()])[rows]
        self._kind, self._by_gear = kind_of(book.engine), valves[0].by_gear
        self._side = side_of_cam(book) if self._by_gear else 0.0
        self._top = "valve_lift" if valves[0].at_valve else "lobe_lift"
        self._gears, gear_of = first_of_each([tuple(map(plain, one.gear.values())) for one in valves])
        self._gear_of = np.array(gear_of, dtype=np.int64)
        self._alike = [(row, *map(plain, one.inputs)) for row, one in zip(rows.tolist(), valves, strict=True)]

    def top(self, parts: Parts) -> Array:
        """Give the greatest lift of what is carried: of the lobe, or of the valve a lobe was walked at."""
        return parts[self._top]

    def linkage(self, parts: Parts) -> Linkage:
        """Give what makes the valve's lift of the lobe's, lifters hard, for parts (..., n). The very same gear is set once."""
        own = {name: one for name, one in parts.items() if name not in OF_LOBE}
        if not self._by_gear or len(self._gears) == len(self._gear_of):
            return linkage_of(self._kind, own, by_gear=self._by_gear, side=self._side)
        first = {name: one[..., self._gears] for name, one in own.items()}
        return linkage_of(self._kind, first, by_gear=True, side=self._side).take(self._gear_of)

    def lift(self, turn_deg: Array, parts: Parts, linkage: Linkage | None = None) -> Array:
        """Give valve lift (k, ..., n) in mm at crank degrees (k, 1.., n) from parts (..., n) by name; others are left alone.

        Valves with the very same lobe and gear that are turned through the same degrees are turned once.
        """
        linkage = linkage or self.linkage(parts)
        each = turn_deg.shape[-1] > 1
        turned = [turn_deg[..., case].tobytes() if each else b"" for case in range(len(self._alike))]
        cases, of = first_of_each(list(zip(self._alike, turned, strict=True)))
        every = np.array(cases, dtype=np.int64)
        if len(cases) == len(of):
            return self._lift(turn_deg, every, parts, linkage)
        wanted = (*OF_LOBE, self._top)
        own = {name: parts[name][..., every] for name in wanted}
        at = turn_deg[..., every] if each else turn_deg
        return self._lift(at, every, own, linkage.take(every))[..., of]

    def _lift(self, turn_deg: Array, cases: NDArray[np.int64], parts: Parts, linkage: Linkage) -> Array:
        centre, shape, top = (parts[name] for name in (*OF_LOBE, self._top))
        lobes = self._lobes.take(cases)
        lobe = once_a_copy(lambda middle: lobes.at((turn_deg - middle) / 2.0), centre)

        def raised(lobe: Array) -> Array:
            drawn = lobe * (top / self._peaks[cases]) + shape * np.minimum(lobe / _SHAPED_MM, 1.0)
            return np.asarray(np.where(lobe > 0, drawn, 0.0))

        for _ in range(SWINGS if linkage.swings else 0):  # the roller meets the lobe where its own swing has taken it
            met = (turn_deg - centre) / 2.0 - linkage.swing_deg(raised(lobe))
            lobe = np.where(np.isfinite(met), lobes.at(np.nan_to_num(met, nan=1e6)), np.nan)
        return np.asarray(np.maximum(linkage.lift(raised(lobe)), 0.0))


def figures(parts: Mapping[str, Input]) -> dict[str, Array]:
    """Give the values of parts alone, by name, each a figure."""
    return {name: np.array(one.value) for name, one in parts.items()}
