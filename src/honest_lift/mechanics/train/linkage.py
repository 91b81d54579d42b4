"""What carries the lobe's lift to the valve: one ratio, or the gear's own geometry, whose ratio changes over the lift.

Figures of one valve or arrays of many, and of their displaced copies: whatever shapes broadcast. Lobe lift is measured from the
base circle along the lifter (or toward the finger's roller); valve lift along the stem from the seat, opening positive. A hydraulic
lifter that has bled down by b carries as much less of the lobe's lift c: L(c) becomes L(c - b).
Source: the definitions.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Any, Protocol

import numpy as np
from numpy.typing import NDArray

from honest_lift.mechanics.rocker.finger import FingerGear
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.numbers.doubt import Array

SIDES = {
    "toward the valve": 1.0,
    "toward the pivot": -1.0,
}  # which way the cam turns over a finger, as its swing counts
SWINGS = 5  # turns of the fixed point of a roller's swing: each leaves a tenth of what it found
_STEP_MM = 1e-3

Cases = NDArray[np.int64] | Sequence[int]


class Linkage(Protocol):
    """What carries a lobe's lift to the valve; every argument mm of lobe lift (...)."""

    def lift(self, lobe_mm: Array) -> Array:
        """Give the valve's lift in mm; below nothing while the lash is not taken up."""
        ...

    def ratio(self, lobe_mm: Array) -> Array:
        """Give the ratio there: mm of valve a mm of lobe."""
        ...

    def ratio_slope(self, lobe_mm: Array) -> Array:
        """Give how the ratio changes there, a mm of lobe lift."""
        ...

    def lobe_for(self, lift_mm: float, top_mm: float) -> float:
        """Give the lobe lift, of at most `top_mm`, that lifts one valve so far; NaN where none does."""
        ...

    @property
    def swings(self) -> bool:
        """Tell whether what follows the lobe goes round the cam, and which way is known."""
        ...

    def swing_deg(self, lobe_mm: Array) -> Array:
        """Give by how many cam degrees it then meets the lobe later; 0 for what does not swing."""
        ...

    def take(self, cases: Cases) -> Linkage:
        """Give it for some of the cases of its last axis, in the order given."""
        ...


@dataclass(frozen=True)
class RatioLinkage:
    """One ratio for the whole lift, less the lash at the valve. `bleed_mm`: what a hydraulic lifter has bled down by."""

    constant: Array | float
    lash_mm: Array | float
    bleed_mm: Array | float = 0.0

    def lift(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return np.asarray((np.asarray(lobe_mm) - self.bleed_mm) * self.constant - self.lash_mm)

    def ratio(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return np.broadcast_arrays(self.constant, lobe_mm)[0]

    def ratio_slope(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return np.zeros(np.broadcast_shapes(np.shape(self.constant), np.shape(lobe_mm)))

    def lobe_for(self, lift_mm: float, top_mm: float) -> float:
        """See `Linkage`. It is a straight line, and goes on above the top."""
        return float((lift_mm + self.lash_mm) / self.constant + self.bleed_mm)

    @property
    def swings(self) -> bool:
        """See `Linkage`."""
        return False

    def swing_deg(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return np.zeros(np.shape(lobe_mm))

    def take(self, cases: Cases) -> RatioLinkage:
        """See `Linkage`."""
        return RatioLinkage(_of(self.constant, cases), _of(self.lash_mm, cases), _of(self.bleed_mm, cases))


@dataclass(frozen=True)
class GearLinkage:
    """A gear's own geometry, set with its lash. `bleed_mm`: what a hydraulic lifter has bled down by.

    `side`: which way the cam turns over a finger, of SIDES; 0 where that is not stated.
    """

    gear: OnTheTip
    bleed_mm: Array | float = 0.0
    side: float = 0.0

    def lift(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return np.asarray(-self.gear.gap(np.asarray(lobe_mm) - self.bleed_mm))

    def ratio(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        return self.gear.ratio(np.asarray(lobe_mm) - self.bleed_mm)

    def ratio_slope(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        lobe = np.asarray(lobe_mm)
        return np.asarray((self.ratio(lobe + _STEP_MM) - self.ratio(lobe - _STEP_MM)) / (2.0 * _STEP_MM))

    def lobe_for(self, lift_mm: float, top_mm: float) -> float:
        """See `Linkage`."""
        return float(roots_between(lambda lobe: self.lift(lobe) - lift_mm, np.zeros(()), np.array(top_mm)))

    @property
    def swings(self) -> bool:
        """See `Linkage`."""
        return self.side != 0.0 and isinstance(self.gear, FingerGear)

    def swing_deg(self, lobe_mm: Array) -> Array:
        """See `Linkage`."""
        if self.side == 0.0 or not isinstance(self.gear, FingerGear):
            return np.zeros(np.shape(lobe_mm))
        return np.asarray(self.side * self.gear.swing_deg(np.asarray(lobe_mm)))

    def take(self, cases: Cases) -> GearLinkage:
        """See `Linkage`."""
        whole: Any = self.gear
        own = {one.name: _of(getattr(whole, one.name), cases) for one in fields(whole)}
        return GearLinkage(replace(whole, **own), _of(self.bleed_mm, cases), self.side)


def _of(values: Array | float, cases: Cases) -> Any:
    """Give some of the cases of what is an array over them; what is one figure for all is one for some."""
    return np.asarray(values)[..., cases] if np.ndim(values) else values
