"""What moved the geometry: the pushrod that puts it back after a cut, a gasket, a longer valve, a smaller base circle.

Putting back means: the pivot over the tip as it was, so that the mark and the angles are as they were. Exact, in the frame of
`pushrod_rocker`; a cut of t comes to t cos(phi) with phi from pushrod to cylinder axis, to within t^2 sin^2(phi) / (2 Lp).
Source: plane geometry; common practice.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud
from honest_lift.numbers.doubt import Array

Vector = tuple[float, float]


def along_cylinder(mm: float, valve_lean_deg: float) -> Vector:
    """Give a way up the cylinder in the stem's frame. `valve_lean_deg`: the stem's top toward the lifters, from the cylinder."""
    lean = np.radians(valve_lean_deg)
    return mm * float(np.sin(lean)), mm * float(np.cos(lean))


def along_lifter(gear: PushrodGear, mm: float) -> Vector:
    """Give a way up the lifter's bore."""
    axis = np.radians(gear.lifter_axis_deg)
    return mm * float(np.cos(axis)), mm * float(np.sin(axis))


@dataclass(frozen=True, slots=True)
class Change:
    """What has moved, seen from the stem's tip. `lifter`: the lifter's cup, mm in x and y; `tip_up`, `stand_up`: mm along the stem.

    `ratio`: the new ratio over the old, by another pushrod arm. Changes add up.
    """

    lifter: Vector = (0.0, 0.0)
    tip_up: float = 0.0
    stand_up: float = 0.0
    ratio: float = 1.0

    def __add__(self, other: Change) -> Change:
        return Change(
            (self.lifter[0] + other.lifter[0], self.lifter[1] + other.lifter[1]), self.tip_up + other.tip_up,
            self.stand_up + other.stand_up, self.ratio * other.ratio,
        )  # fmt: skip

    def moved(self, gear: PushrodGear) -> PushrodGear:
        """Give the gear with everything moved but its pivot and its pushrod, which are still to be set."""
        x, y = gear.lifter_x + self.lifter[0], gear.lifter_y + self.lifter[1] - self.tip_up
        return replace(gear, lifter_x=x, lifter_y=y, pushrod_arm=gear.pushrod_arm / self.ratio)


def pushrod_for(gear: PushrodGear, change: Change, lash_mm: float, *, on_shaft: bool) -> float:
    """Give the pushrod with which the pivot stands over the tip as it did; on a shaft higher by what the stand was raised."""
    stand = change.stand_up if on_shaft else 0.0
    moved = change.moved(gear)
    return float(set_on_shaft(replace(moved, pivot_up=moved.pivot_up + stand), np.array(lash_mm)).pushrod)


def left_as_it_is(gear: PushrodGear, change: Change, lash_mm: float, *, on_shaft: bool) -> PushrodGear:
    """Give the gear with nothing done about a change but the lash set anew; NaN where it can't be."""
    moved = change.moved(gear)
    if on_shaft:
        moved = replace(moved, pivot_up=moved.pivot_up - change.tip_up + change.stand_up)
        return set_on_shaft(moved, np.array(lash_mm))
    return set_on_stud(moved, np.array(lash_mm))


def plunger_travel(gear: PushrodGear, nut_mm: Array | float) -> Array:
    """Give how far the plunger goes down its own axis when the nut lowers the pivot by nut_mm; NaN where the links do not reach.

    The valve's tip is the hinge: the roller stays on it, and the cup falls by about nut_mm (1 + 1 / ratio). Source: common
    practice for the hinge; the linkage gives what the plunger sees.
    """
    lowered = gear.moved(-np.asarray(nut_mm, dtype=np.float64))
    sine = (lowered.tip_radius - lowered.pivot_up) / lowered.valve_arm
    with np.errstate(invalid="ignore"):
        at = np.arcsin(np.where(np.abs(sine) <= 1.0, sine, np.nan)) + np.radians(lowered.arm_angle_deg)
    cup_x = lowered.pushrod_arm * np.cos(at) - lowered.pivot_out
    cup_y = lowered.pushrod_arm * np.sin(at) + lowered.pivot_up
    return _down_the_axis(gear, cup_x - gear.lifter_x, cup_y - gear.lifter_y)


def _down_the_axis(gear: PushrodGear, across: Array, up: Array) -> Array:
    """Give the way down the lifter's axis that leaves the pushrod its length below a cup that stands at (across, up) from it."""
    axis = np.radians(gear.lifter_axis_deg)
    along = across * np.cos(axis) + up * np.sin(axis)
    square = gear.pushrod**2 - (across**2 + up**2 - along**2)
    with np.errstate(invalid="ignore"):
        return np.asarray(np.sqrt(np.where(square >= 0, square, np.nan)) - along)
