"""A finger follower in its plane: pivot, cam over the middle, valve under the end; what it lifts, and what it wipes.

Frame and valve's end as in `on_the_tip`. The roller, or the centre of the pad's arc, stands on its own arm at alpha + delta; cam
centre, pivot and roller make a triangle whose side from cam to roller is base circle + roller + lobe lift: the law of cosines.
Source: plane geometry; checked against the closed-loop equations solved by SciPy.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from honest_lift.mechanics.rocker.band import Band
from honest_lift.mechanics.rocker.tip_end import OnTheTip, works
from honest_lift.numbers.doubt import Array

_TRAVEL_MM, _BISECTIONS = 15.0, 60
_ANGLES = np.radians(np.linspace(-80.0, 80.0, 97))
_PADS, PAD_REACH_MM = 161, 4.0


@dataclass(frozen=True)
class FingerGear(OnTheTip):
    """The finger as it stands, mm and degrees. `finger_angle_deg`: from the valve arm up to the arm of the roller or pad.

    `follower_radius`: of the roller, or of the pad's arc; `cam_x`, `cam_y`: the cam's centre; `base_radius`: of its base circle.
    """

    pivot_out: Array
    pivot_up: Array
    valve_arm: Array
    tip_radius: Array
    finger_arm: Array
    finger_angle_deg: Array
    follower_radius: Array
    cam_x: Array
    cam_y: Array
    base_radius: Array

    def _triangle(self, lobe_mm: Array) -> tuple[Array, Array, Array, Array]:
        """Give cam distance from pivot, its direction, distance from cam to roller, and the angle at the pivot (radians)."""
        across, up = self.cam_x + self.pivot_out, self.cam_y - self.pivot_up
        apart, toward = np.hypot(across, up), np.arctan2(up, across)
        reach = self.base_radius + self.follower_radius + lobe_mm
        with np.errstate(invalid="ignore", divide="ignore"):
            cosine = (self.finger_arm**2 + apart**2 - reach**2) / (2.0 * self.finger_arm * apart)
            inner = np.arccos(np.where(np.abs(cosine) <= 1.0, cosine, np.nan))
        return apart, toward, reach, inner

    def angle_deg(self, lobe_mm: Array) -> Array:
        """Give the valve arm's angle at a lobe lift; NaN where cam, pivot and roller make no triangle."""
        _, toward, _, inner = self._triangle(lobe_mm)
        return np.asarray(np.degrees(toward - inner) - self.finger_angle_deg)

    def roller(self, lobe_mm: Array) -> tuple[Array, Array]:
        """Give where the roller's, or the pad arc's, centre stands, x and y."""
        at = np.radians(self.angle_deg(lobe_mm) + self.finger_angle_deg)
        return self.finger_arm * np.cos(at) - self.pivot_out, self.finger_arm * np.sin(at) + self.pivot_up

    def swing_deg(self, lobe_mm: Array) -> Array:
        """Give by how much the line from the cam to the roller has turned since the lobe began to lift, cam degrees, left-hand.

        The roller goes round the cam a little as the finger swings, and meets the lobe so much earlier or later. Positive is the
        way a cam turns whose surface runs over the finger toward the valve.
        """

        def line(lobe: Array) -> Array:
            x, y = self.roller(lobe)
            return np.asarray(np.degrees(np.arctan2(y - self.cam_y, x - self.cam_x)))

        turned = line(np.asarray(lobe_mm)) - line(np.zeros(np.shape(lobe_mm)))
        return np.asarray((turned + 180.0) % 360.0 - 180.0)

    def ratio(self, lobe_mm: Array) -> Array:
        """Give valve lift over lobe lift there, from the triangle's own change."""
        apart, _, reach, inner = self._triangle(lobe_mm)
        with np.errstate(invalid="ignore", divide="ignore"):
            turned = reach / (self.finger_arm * apart * np.sin(inner))  # radians a mm, the way that opens the valve
        return np.asarray(self.valve_arm * np.cos(np.radians(self.angle_deg(lobe_mm))) * turned)

    def raised(self, tip_mm: Array | float) -> FingerGear:
        """Give the gear as it stands over a tip that is higher by so much: everything else is lower by it."""
        return replace(self, pivot_up=self.pivot_up - tip_mm, cam_y=self.cam_y - tip_mm)


def set_on_pivot(gear: FingerGear, lash_mm: Array) -> FingerGear:
    """Move the pivot up or down, along the stem, until the lash is there; NaN where no place gives it.

    With the lash there the valve arm's angle says where the pivot stands, so the angle is sought at which the roller is on the
    base circle; of several places the nearest to where the pivot is.
    """
    fields = (getattr(gear, name) for name in gear.__dataclass_fields__)
    out, up, valve, radius, arm, bend, follower, x, y, base, lash = np.broadcast_arrays(*fields, lash_mm)
    bend = np.radians(bend)

    def rise(alpha: Array) -> Array:
        return np.asarray(radius + lash - up - valve * np.sin(alpha))

    def off(alpha: Array) -> Array:
        to_roller_x, to_roller_y = arm * np.cos(alpha + bend), arm * np.sin(alpha + bend)
        to_cam_x, to_cam_y = x + out, y - up - rise(alpha)
        turned = (
            to_cam_x * to_roller_y - to_cam_y * to_roller_x
        )  # the roller lies on the valve's side of the line to the cam
        apart = np.hypot(to_roller_x - to_cam_x, to_roller_y - to_cam_y) - base - follower
        return np.where((turned <= 0) & (np.abs(rise(alpha)) <= _TRAVEL_MM), apart, np.nan)

    steps = _ANGLES.reshape(-1, *[1] * out.ndim)
    values = off(steps)
    with np.errstate(invalid="ignore"):
        crosses = values[:-1] * values[1:] <= 0
    distance = np.where(crosses, np.abs(rise((steps[:-1] + steps[1:]) / 2.0)), np.inf)
    at = np.argmin(distance, axis=0)
    known = np.isfinite(np.min(distance, axis=0))
    low, high = _ANGLES[at], _ANGLES[at + 1]
    below = np.take_along_axis(values, at[None], axis=0)[0]
    for _ in range(_BISECTIONS):
        middle = (low + high) / 2.0
        here = off(middle)
        with np.errstate(invalid="ignore"):
            same = here * below > 0
        low, high = np.where(same, middle, low), np.where(same, high, middle)
    return replace(gear, pivot_up=np.where(known, gear.pivot_up + rise((low + high) / 2.0), np.nan))


def pad_for_lash(gear: FingerGear, lash_mm: Array) -> Array:
    """Give by how much a pad on the tip has to grow, the pivot staying, for the lash: lash is less by what the pad is more."""
    return np.asarray(gear.gap(np.zeros(np.shape(lash_mm))) - lash_mm)


class Wipe(Band):
    """Where the lobe wipes on the finger's pad, mm along its arc from the pad's middle; toward the valve is positive."""


def wipe_of(gear: FingerGear, pad_middle_deg: Array, lobe_mm: Array, slope_mm: Array) -> Wipe:
    """Give the wipe on a sliding finger's pad over lobe lifts (k,) with the lobe's slopes there (k,), mm per cam radian.

    The contact lies off the line of centres by the pressure angle, atan(slope / distance of centres), on the opening flank to
    one side and on the closing to the other; the finger's own turning does the rest. `pad_middle_deg`: from the finger's arm
    to the middle of the pad's arc. Gear fields (...); the wipe has their shape.
    """
    several = np.broadcast(*(getattr(gear, name) for name in gear.__dataclass_fields__)).ndim
    lobe, slope = (one.reshape(-1, *[1] * several) for one in (lobe_mm, np.abs(slope_mm)))
    x, y = gear.roller(lobe)
    line = np.arctan2(gear.cam_y - y, gear.cam_x - x) - np.radians(gear.angle_deg(lobe) + gear.finger_angle_deg)
    pressure = np.arctan2(slope, gear.base_radius + gear.follower_radius + lobe)
    toward_valve = np.radians(pad_middle_deg) - line
    lowest, highest = toward_valve - pressure, toward_valve + pressure
    return Wipe(gear.follower_radius * lowest.min(axis=0), gear.follower_radius * highest.max(axis=0))


def pad_for_centred_wipe(
    gear: FingerGear, pad_middle_deg: float, lash_mm: float, lobe_mm: Array, slope_mm: Array
) -> float:
    """Give by how much a pad on the tip has to grow for a centred wipe, the pivot set anew for the lash; NaN where none does."""
    pads = np.linspace(-PAD_REACH_MM, PAD_REACH_MM, _PADS)
    tried = set_on_pivot(gear.raised(pads), np.full(_PADS, lash_mm))
    working = works(tried, np.full(_PADS, float(lobe_mm.max())))
    middle = np.where(working, wipe_of(tried, np.asarray(pad_middle_deg), lobe_mm, slope_mm).middle, np.nan)
    with np.errstate(invalid="ignore"):
        crosses = np.flatnonzero(middle[:-1] * middle[1:] <= 0)
    if not len(crosses):
        return float("nan")
    i = int(min(crosses, key=lambda one: abs(pads[one])))
    share = middle[i] / (middle[i] - middle[i + 1]) if middle[i] != middle[i + 1] else 0.0
    return float(pads[i] + share * (pads[i + 1] - pads[i]))


def why_not_finger(gear: FingerGear, most_lobe_mm: float) -> str:
    """Say why a finger can't work over the lobe's lift; "" when it can. For one gear, not arrays of them."""
    lobes = np.linspace(0.0, most_lobe_mm, 33)
    if not np.all(np.isfinite(gear.pivot_up)):
        return "no height of the pivot puts the finger on the base circle with this lash: a dimension is mistyped"
    angles = gear.angle_deg(lobes)
    if not np.all(np.isfinite(angles)):
        at = float(lobes[int(np.argmin(np.isfinite(angles)))])
        return f"cam, pivot and roller make no triangle at {at:.2f} mm of lobe lift: a dimension is mistyped"
    if not works(gear, np.asarray(most_lobe_mm)):
        return "the finger goes over centre: its valve end does not go down all the way as the lobe lifts"
    return ""
