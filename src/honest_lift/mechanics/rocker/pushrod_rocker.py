"""Pushrod, rocker and valve tip in their plane: where the contact goes, and what the valve really lifts.

The stem's axis is x = 0 and its tip y = 0 with the valve closed; the valve opens toward -y. The pivot stands at (-X, Y): on the
side of negative x, so that outboard, away from the pivot, is +x. The valve arm stands at an angle alpha, positive with the
roller's centre above the pivot; the pushrod's cup lies on its own arm at alpha + gamma. A pad with the roller's radius gives
the same lift and sweep: a pad slides, a roller rolls.

Angles in degrees, lengths in mm; every field may be an array, all of one shape.
Source: plane trigonometry (law of cosines); checked against the closed-loop equations solved by SciPy.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from honest_lift.mechanics.rocker.tip_end import OnTheTip, works
from honest_lift.numbers.doubt import Array

_TRAVEL_MM = 30.0  # a pivot is sought this far up and down its stud
_ANGLES = np.radians(np.linspace(-85.0, 85.0, 35))  # of the valve arm, closed
_SECANTS = 12


@dataclass(frozen=True)
class PushrodGear(OnTheTip):
    """The gear as it stands. `pivot_out`: X; `pivot_up`: Y over the closed tip; `arm_angle_deg`: gamma, from valve arm to cup arm.

    `lifter_x`, `lifter_y`: the lifter's cup with the lifter down; `lifter_axis_deg`: its direction of lift, from +x.
    `stud_lean_deg`: the stud's top toward the valve, positive.
    """

    pivot_out: Array
    pivot_up: Array
    valve_arm: Array
    pushrod_arm: Array
    arm_angle_deg: Array
    tip_radius: Array
    lifter_x: Array
    lifter_y: Array
    lifter_axis_deg: Array
    pushrod: Array
    stud_lean_deg: Array

    def angle_deg(self, lobe_mm: Array) -> Array:
        """Give alpha at a lobe lift; NaN where the links do not reach."""
        across, up = self.lifter(lobe_mm)
        across, up = across + self.pivot_out, up - self.pivot_up  # from the pivot
        apart = np.hypot(across, up)
        with np.errstate(invalid="ignore", divide="ignore"):
            cosine = (self.pushrod_arm**2 + apart**2 - self.pushrod**2) / (2.0 * self.pushrod_arm * apart)
            inner = np.arccos(np.where(np.abs(cosine) <= 1.0, cosine, np.nan))
        return _turned(np.degrees(np.arctan2(up, across) - inner) - self.arm_angle_deg)

    def lifter(self, lobe_mm: Array) -> tuple[Array, Array]:
        """Give where the lifter's cup stands, x and y."""
        axis = np.radians(self.lifter_axis_deg)
        return self.lifter_x + lobe_mm * np.cos(axis), self.lifter_y + lobe_mm * np.sin(axis)

    def cup(self, lobe_mm: Array) -> tuple[Array, Array]:
        """Give where the rocker's cup stands, x and y."""
        at = np.radians(self.angle_deg(lobe_mm) + self.arm_angle_deg)
        return self.pushrod_arm * np.cos(at) - self.pivot_out, self.pushrod_arm * np.sin(at) + self.pivot_up

    def ratio(self, lobe_mm: Array) -> Array:
        """Give valve lift over lobe lift at a lobe lift, by the links' own velocities."""
        across, up = self.lifter(lobe_mm)
        cup_x, cup_y = self.cup(lobe_mm)
        along_x, along_y = cup_x - across, cup_y - up
        axis = np.radians(self.lifter_axis_deg)
        driven = along_x * np.cos(axis) + along_y * np.sin(axis)
        turning = along_y * (cup_x + self.pivot_out) - along_x * (cup_y - self.pivot_up)
        with np.errstate(divide="ignore", invalid="ignore"):
            speed = driven / np.where(turning == 0, np.nan, turning)  # of alpha, radians a mm of lobe lift
        return -self.valve_arm * np.cos(np.radians(self.angle_deg(lobe_mm))) * speed

    def moved(self, up_the_stud: Array) -> PushrodGear:
        """Give the gear with its pivot moved up its stud."""
        lean = np.radians(self.stud_lean_deg)
        out, up = self.pivot_out - up_the_stud * np.sin(lean), self.pivot_up + up_the_stud * np.cos(lean)
        return replace(self, pivot_out=out, pivot_up=up)


def _turned(degrees: Array) -> Array:
    """Bring an angle within half a turn of nothing."""
    return np.asarray((degrees + 180.0) % 360.0 - 180.0)


def set_on_stud(gear: PushrodGear, lash_mm: Array) -> PushrodGear:
    """Move the pivot along its stud until the lash is there with the lifter down; NaN where no place on the stud gives it.

    The nut of stud gear does just that, so that a longer pushrod raises the pivot. With the lash there the valve arm's angle
    says where the pivot stands, so the angle is sought at which the cup is a pushrod away from the lifter.
    """
    fields = (getattr(gear, name) for name in gear.__dataclass_fields__)
    out, up, valve, cup, bend, radius, x, y, _, rod, lean, lash = np.broadcast_arrays(*fields, lash_mm)
    bend, lean = np.radians(bend), np.radians(lean)
    cos_lean, tan_lean = np.cos(lean), np.tan(lean)

    def rise(alpha: Array) -> Array:
        """Give how far up, square to the tip, the pivot has moved."""
        return np.asarray(radius + lash - up - valve * np.sin(alpha))

    def off(alpha: Array) -> Array:
        """Give by how much the cup is further from the lifter than the pushrod is long; NaN on the wrong side of the pivot."""
        up_by = rise(alpha)
        pivot_x, pivot_y = up_by * tan_lean - out, up + up_by
        to_cup_x, to_cup_y = cup * np.cos(alpha + bend), cup * np.sin(alpha + bend)
        to_lifter_x, to_lifter_y = x - pivot_x, y - pivot_y
        apart = np.hypot(to_cup_x - to_lifter_x, to_cup_y - to_lifter_y) - rod
        turned = to_lifter_x * to_cup_y - to_lifter_y * to_cup_x
        return np.where((turned <= 0) & (np.abs(up_by) <= _TRAVEL_MM * cos_lean), apart, np.nan)

    # a raster finds the place nearest to where the pivot is; the lash grows as the pivot goes up, the angle as it goes down
    steps = _ANGLES.reshape(-1, *[1] * out.ndim)
    values = off(steps)
    with np.errstate(invalid="ignore"):
        crosses = (values[:-1] > 0) & (values[1:] <= 0)
    middle = np.abs(rise((steps[:-1] + steps[1:]) / 2.0))
    distance = np.where(crosses, middle, np.inf)
    at = np.argmin(distance, axis=0)
    known = np.isfinite(np.min(distance, axis=0))
    low, high = np.where(known, _ANGLES[at], np.nan), np.where(known, _ANGLES[at + 1], np.nan)
    below, above = (np.take_along_axis(values, one[None], axis=0)[0] for one in (at, at + 1))
    found = low
    for _ in range(_SECANTS):
        with np.errstate(invalid="ignore", divide="ignore"):
            found = np.where(above == below, high, high - above * (high - low) / (above - below))
        if np.all(~known | (found == high)):
            break
        low, below, high = high, above, found
        above = off(high)
    return gear.moved(rise(found) / cos_lean)


def set_on_shaft(gear: PushrodGear, lash_mm: Array) -> PushrodGear:
    """Give the pushrod, adjuster and all, that leaves the lash with the lifter down; the pivot stays where its stand has it."""
    sine = (gear.tip_radius + lash_mm - gear.pivot_up) / gear.valve_arm
    with np.errstate(invalid="ignore"):
        closed = np.arcsin(np.where(np.abs(sine) <= 1.0, sine, np.nan))
    at = closed + np.radians(gear.arm_angle_deg)
    cup_x, cup_y = gear.pushrod_arm * np.cos(at) - gear.pivot_out, gear.pushrod_arm * np.sin(at) + gear.pivot_up
    return replace(gear, pushrod=np.hypot(cup_x - gear.lifter_x, cup_y - gear.lifter_y))


def why_not(gear: PushrodGear, most_lobe_mm: float) -> str:
    """Say why a gear can't work over the lobe's lift; "" when it can. For one gear, not arrays of them."""
    lobes = np.linspace(0.0, most_lobe_mm, 33)
    if not np.all(np.isfinite(gear.pivot_up)) or not np.all(np.isfinite(gear.pushrod)):
        return "no place of the rocker gives the lash with this pushrod: a length or the lifter's place is mistyped"
    angles = gear.angle_deg(lobes)
    if not np.all(np.isfinite(angles)):
        at = float(lobes[int(np.argmin(np.isfinite(angles)))])
        return (
            f"the links do not reach: pushrod, cup arm and lifter's place make no triangle at {at:.2f} mm of lobe lift"
        )
    if not works(gear, np.asarray(most_lobe_mm)):
        return "the rocker goes over centre: its valve end does not go down all the way as the lobe lifts"
    return ""
