"""What moved the geometry: the pushrod that puts it back after a cut, a gasket, a longer valve, a smaller base circle.

Putting back means: the pivot over the tip as it was, so that the mark and the angles are as they were. Exact, in the frame of
`pushrod_rocker`; a cut of t comes to t cos(phi) with phi from pushrod to cylinder axis, to within t^2 sin^2(phi) / (2 Lp).
Source: plane geometry; common practice.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.gear.pushrod_rocker import PushrodGear
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


def pushrod_for(gear: PushrodGear, cup: Vector = (0.0, 0.0), lifter: Vector = (0.0, 0.0)) -> float:
    """Give the pushrod that reaches from a moved lifter to a moved cup, both by mm in x and y, the lifter down."""
    cup_x, cup_y = gear.cup(np.array(0.0))
    across = float(cup_x) + cup[0] - float(gear.lifter_x) - lifter[0]
    up = float(cup_y) + cup[1] - float(gear.lifter_y) - lifter[1]
    return float(np.hypot(across, up))


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
