"""How the lobe's lift reaches the valve: by one ratio, or by the rocker's own geometry, whose ratio changes over the lift.

Source: the definitions; the chain rule for velocity and acceleration.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

import numpy as np

from honest_lift.mechanics.rocker.finger import FingerGear
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.numbers.doubt import Array

SIDES = {
    "toward the valve": 1.0,
    "toward the pivot": -1.0,
}  # which way the cam turns over a finger, as its swing counts
SWINGS = 5  # turns of the fixed point of a roller's swing: each leaves a tenth of what it found
_STEP_MM = 1e-3
_TABLE = 513


class Carried(Protocol):
    """What carries a lobe's lift to the valve; every argument mm of lobe lift (...)."""

    def lift(self, lobe_mm: Array) -> Array:
        """Give the valve's lift in mm; below nothing while the lash is not taken up."""
        ...

    def ratio(self, lobe_mm: Array) -> Array:
        """Give the ratio there: mm of valve a mm of lobe."""
        ...

    def bend(self, lobe_mm: Array) -> Array:
        """Give how the ratio changes there, a mm of lobe lift."""
        ...

    def lobe_for(self, lift_mm: float) -> float:
        """Give the lobe lift that lifts the valve so far; NaN where none does."""
        ...

    @property
    def swings(self) -> bool:
        """Tell whether what follows the lobe goes round the cam, and which way is known."""
        ...

    def swing_deg(self, lobe_mm: Array) -> Array:
        """Give by how many cam degrees it then meets the lobe later; 0 for what does not swing."""
        ...


@dataclass(frozen=True)
class ByRatio:
    """One ratio for the whole lift, less the lash at the valve."""

    constant: float
    lash_mm: float

    def lift(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return lobe_mm * self.constant - self.lash_mm

    def ratio(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return np.full(np.shape(lobe_mm), self.constant)

    def bend(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return np.zeros(np.shape(lobe_mm))

    def lobe_for(self, lift_mm: float) -> float:
        """See `Carried`."""
        return (lift_mm + self.lash_mm) / self.constant

    @property
    def swings(self) -> bool:
        """See `Carried`."""
        return False

    def swing_deg(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return np.zeros(np.shape(lobe_mm))


@dataclass(frozen=True)
class ByGear:
    """A rocker's geometry, set with its lash. `top_mm`: the lobe's lift; `bleed_mm`: what a hydraulic lifter sinks.

    `side`: which way the cam turns over a finger, of SIDES; 0 where that is not stated.
    """

    gear: OnTheTip
    top_mm: float
    bleed_mm: float = 0.0
    side: float = 0.0

    def lift(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return np.asarray(-self.gear.gap(np.asarray(lobe_mm) - self.bleed_mm))

    def ratio(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        return self.gear.ratio(np.asarray(lobe_mm) - self.bleed_mm)

    def bend(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        lobe = np.asarray(lobe_mm)
        return (self.ratio(lobe + _STEP_MM) - self.ratio(lobe - _STEP_MM)) / (2.0 * _STEP_MM)

    @cached_property
    def _table(self) -> tuple[Array, Array]:
        lobe = np.linspace(0.0, self.top_mm, _TABLE)
        return lobe, self.lift(lobe)

    def lobe_for(self, lift_mm: float) -> float:
        """See `Carried`. A table, then two of Newton's steps."""
        lobe, lift = self._table
        if not lift[0] <= lift_mm <= lift[-1]:
            return float("nan")
        at = np.array(np.interp(lift_mm, lift, lobe))
        for _ in range(2):
            at = at - (self.lift(at) - lift_mm) / self.ratio(at)
        return float(at)

    @property
    def swings(self) -> bool:
        """See `Carried`."""
        return self.side != 0.0 and isinstance(self.gear, FingerGear)

    def swing_deg(self, lobe_mm: Array) -> Array:
        """See `Carried`."""
        if not self.swings:
            return np.zeros(np.shape(lobe_mm))
        assert isinstance(self.gear, FingerGear)
        return self.side * self.gear.swing_deg(np.asarray(lobe_mm))
