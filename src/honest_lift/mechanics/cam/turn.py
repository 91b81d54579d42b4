"""The valves around the turn: lift against crank degrees, what stands open at TDC, overlap, and events at a check lift.

Crank angle zero is TDC of the overlap, later is positive; cam degrees are crank degrees over 2. Valve lift is lobe lift
times ratio less lash, never below nothing. Source: the definitions; Heywood, Internal Combustion Engine Fundamentals.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.mechanics.cam.card_lobe import Flank
from honest_lift.numbers.doubt import Array

_STEP_DEG = 0.5


@dataclass(frozen=True, slots=True)
class ValveTurn:
    """One valve through the turn. `centre_deg`: crank degrees of the lobe's middle."""

    flank: Flank
    centre_deg: float
    ratio: float
    lash_mm: float

    def lift(self, crank_deg: Array) -> Array:
        """Give the valve lift in mm at crank degrees (...)."""
        lobe = self.flank.lift(np.abs(np.asarray(crank_deg) - self.centre_deg) / 2.0)
        return np.maximum(lobe * self.ratio - self.lash_mm, 0.0)

    @property
    def peak_mm(self) -> float:
        """Give the greatest valve lift."""
        return float(self.lift(np.array(self.centre_deg)))

    def events(self, valve_lift_mm: float) -> tuple[float, float] | None:
        """Give the crank degrees at which the valve rises and falls through a lift; None where it never reaches it."""
        from scipy.optimize import brentq

        wanted = (valve_lift_mm + self.lash_mm) / self.ratio
        if not 0.0 < wanted < self.flank.lift_mm:
            return None
        half = 2.0 * brentq(
            lambda at: float(self.flank.lift(np.array(at))) - wanted, 0.0, self.flank.end_deg - 1e-9, xtol=1e-10
        )
        return self.centre_deg - half, self.centre_deg + half


def overlap_deg(intake: ValveTurn, exhaust: ValveTurn, valve_lift_mm: float) -> float:
    """Give for how many crank degrees both valves stand above a lift; 0 where they never do."""
    opens, closes = intake.events(valve_lift_mm), exhaust.events(valve_lift_mm)
    return max(0.0, closes[1] - opens[0]) if opens and closes else 0.0


def overlap_area(intake: ValveTurn, exhaust: ValveTurn) -> float:
    """Give the area under the lower of both lifts, in mm times crank degrees."""
    crank = np.arange(-180.0, 180.0 + _STEP_DEG / 2, _STEP_DEG)
    lower = np.minimum(intake.lift(crank), exhaust.lift(crank))
    return float(np.trapezoid(lower, crank))
