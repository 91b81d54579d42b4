"""The valves around the turn: lift against crank degrees, what stands open at TDC, overlap, and events at a check lift.

Crank angle zero is TDC of the overlap, later is positive; cam degrees are crank degrees over 2. Valve lift is what is carried
of the lobe's, by a ratio or the rocker's geometry, lash taken up, never below nothing. A finger's roller goes round the cam as it
swings, by s of the lobe's lift L: at c cam degrees it meets the lobe at m = c - s(L(m)), so that dL/dc = L'/(1 + s' L').
Source: the definitions; Heywood, Internal Combustion Engine Fundamentals.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.mechanics.cam.lobe import Lobe
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.mechanics.train.chain_rule import valve_acceleration, valve_velocity
from honest_lift.mechanics.train.linkage import SWINGS, Linkage
from honest_lift.numbers.doubt import Array

_STEP_DEG = 0.5
_STEP_MM, _BEND_DEG = 1e-3, 0.01  # over which a swing and a speed are differenced
_RASTER_CAM_DEG = 0.5
_CLOSE_DEG = 1e-10


@dataclass(frozen=True, slots=True)
class ValveTurn:
    """One valve through the turn. `centre_deg`: crank degrees of the lobe's middle; `linkage`: how its lift reaches the valve."""

    lobe: Lobe
    centre_deg: float
    linkage: Linkage

    def lift(self, crank_deg: Array) -> Array:
        """Give the valve lift in mm at crank degrees (...)."""
        return np.maximum(self.linkage.lift(self.lobe.lift(self._met(self._cam(crank_deg)))), 0.0)

    def velocity(self, crank_deg: Array) -> Array:
        """Give the valve's speed in mm per crank degree at crank degrees (...); 0 while it is shut."""
        met = self._met(self._cam(crank_deg))
        lobe = self.lobe.lift(met)
        return np.where(self.linkage.lift(lobe) > 0, valve_velocity(self.linkage, lobe, self._speed(met)), 0.0)

    def acceleration(self, crank_deg: Array) -> Array:
        """Give the valve's acceleration in mm per crank degree squared; 0 while it is shut."""
        cam = self._cam(crank_deg)
        met = self._met(cam)
        lobe = self.lobe.lift(met)
        whole = valve_acceleration(self.linkage, lobe, self._speed(met), self._bend(cam, met))
        return np.where(self.linkage.lift(lobe) > 0, whole, 0.0)

    def _cam(self, crank_deg: Array) -> Array:
        return (np.asarray(crank_deg, dtype=np.float64) - self.centre_deg) / 2.0

    def _met(self, cam_deg: Array) -> Array:
        """Give the cam degrees at which the lobe is met (...): where its own swing has taken what follows it."""
        met = cam_deg
        for _ in range(SWINGS if self.linkage.swings else 0):
            met = cam_deg - self.linkage.swing_deg(self.lobe.lift(met))
        return met

    def _speed(self, met_deg: Array) -> Array:
        """Give how fast the lobe lifts what follows it, mm a cam degree, where it is met (...)."""
        slope = self.lobe.velocity(met_deg)
        if not self.linkage.swings:
            return slope
        lobe = self.lobe.lift(met_deg)
        after, before = (self.linkage.swing_deg(lobe + by) for by in (_STEP_MM, -_STEP_MM))
        return np.asarray(slope / (1.0 + slope * (after - before) / (2.0 * _STEP_MM)))

    def _bend(self, cam_deg: Array, met_deg: Array) -> Array:
        """Give the acceleration of what follows the lobe, mm a cam degree squared (...)."""
        if not self.linkage.swings:
            return self.lobe.acceleration(met_deg)
        after, before = (self._speed(self._met(cam_deg + by)) for by in (_BEND_DEG, -_BEND_DEG))
        return np.asarray((after - before) / (2.0 * _BEND_DEG))

    @property
    def peak_mm(self) -> float:
        """Give the greatest valve lift."""
        return max(float(self.linkage.lift(np.array(self.lobe.lift_mm))), 0.0)

    def events(self, valve_lift_mm: float) -> tuple[float, float] | None:
        """Give the crank degrees at which the valve rises and falls through a lift; None where it never reaches it."""
        wanted = self.linkage.lobe_for(valve_lift_mm, self.lobe.lift_mm)
        raster = np.linspace(self.lobe.start_deg, self.lobe.end_deg, _points(self.lobe))
        lifts = self.lobe.lift(raster)
        above = np.flatnonzero(lifts > wanted)
        if not wanted > 0 or not len(above) or above[0] == 0 or above[-1] == len(lifts) - 1:
            return None
        ends = np.array([above[0] - 1, above[-1]])
        passes = roots_between(lambda at: self.lobe.lift(at) - wanted, raster[ends], raster[ends + 1], _CLOSE_DEG)
        rise, fall = (float(one) for one in passes)
        swung = float(self.linkage.swing_deg(np.array(wanted)))
        return self.centre_deg + 2.0 * (rise + swung), self.centre_deg + 2.0 * (fall + swung)


def _points(lobe: Lobe) -> int:
    return int((lobe.end_deg - lobe.start_deg) / _RASTER_CAM_DEG) | 1


def overlap_deg(intake: ValveTurn, exhaust: ValveTurn, valve_lift_mm: float) -> float:
    """Give for how many crank degrees both valves stand above a lift; 0 where they never do."""
    opens, closes = intake.events(valve_lift_mm), exhaust.events(valve_lift_mm)
    return max(0.0, closes[1] - opens[0]) if opens and closes else 0.0


def overlap_area(intake: ValveTurn, exhaust: ValveTurn) -> float:
    """Give the area under the lower of both lifts, in mm times crank degrees."""
    crank = np.arange(-180.0, 180.0 + _STEP_DEG / 2, _STEP_DEG)
    lower = np.minimum(intake.lift(crank), exhaust.lift(crank))
    return float(np.trapezoid(lower, crank))
