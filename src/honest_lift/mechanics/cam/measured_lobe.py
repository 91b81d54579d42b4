"""A lobe as a degree wheel and an indicator found it: smoothed, its middle by equal lifts, its durations and its faults.

The middle is never taken from the peak: a nose is flat, and an error there of a degree moves the lift by microns.
Source: common practice; the smoothing has its own.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from honest_lift.mechanics.cam.smoothing import Smoothed, smooth
from honest_lift.mechanics.cam.wheel_table import Ordered
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError

EQUAL_MM, HIGH_MM = 1.27, 5.08  # lifts the middle is taken at
_ROUND_NOSE_CAM_DEG = 5.0
_ROUGH_MM = 0.03
_MARGIN_CAM_DEG = 24.0  # of base circle kept on each side of the lobe
_RISEN_MM = 0.05
_FLOOR_MM = 0.004  # under this the lobe is down
_RASTER_CAM_DEG = 0.05


@dataclass(frozen=True, slots=True)
class MeasuredLobe:
    """A smoothed lobe about its own middle. `centre_deg`: crank degrees of that middle on the wheel as it was read."""

    smoothed: Smoothed
    centre_deg: float
    shift_cam_deg: float  # of the middle from the highest row, where the spline counts from
    start_deg: float
    end_deg: float
    lift_mm: float
    step_deg: float  # crank degrees, the usual one of the table

    def lift(self, cam_deg: Array) -> Array:
        """Give the lift in mm at cam degrees from the middle (...)."""
        return np.maximum(self._of(cam_deg, 0), 0.0)

    def velocity(self, cam_deg: Array) -> Array:
        """Give the slope in mm per cam degree."""
        return self._of(cam_deg, 1)

    def acceleration(self, cam_deg: Array) -> Array:
        """Give the acceleration in mm per cam degree squared."""
        return self._of(cam_deg, 2)

    def _of(self, cam_deg: Array, derivative: int) -> Array:
        at = np.asarray(cam_deg, dtype=np.float64)
        inside = (at > self.start_deg) & (at < self.end_deg)
        clipped = np.clip(at, self.start_deg, self.end_deg) + self.shift_cam_deg
        return np.asarray(np.where(inside, self.smoothed.splines[derivative](clipped), 0.0))

    @property
    def residual_mm(self) -> float:
        """Give the root mean square of what was read less the smoothed curve."""
        return float(np.sqrt(np.mean(self.smoothed.residuals**2)))


def nose_lift(table: Ordered) -> float:
    """Give the lift of the nose above the base circle: the top of a parabola through the rows about it.

    The highest row alone falls short of the nose by up to half a step's drop.
    """
    about = _about_nose(table)
    parabola = np.polyfit(table.cam_deg[about], table.lift_mm[about], 2)
    bend, slope = parabola[:2]
    if bend >= 0:
        return float(table.lift_mm[table.nose])
    ends = table.cam_deg[about][[0, -1]]  # of a flat nose the top may come out far off
    return float(np.polyval(parabola, np.clip(-slope / (2 * bend), *ends)))


def rough_at_nose(table: Ordered) -> int | None:
    """Give the row, as it was read, that stands out of the parabola through the nose more than any nose does; None for none."""
    about = _about_nose(table)
    at, lift = table.cam_deg[about], table.lift_mm[about]
    off = np.abs(lift - np.polyval(np.polyfit(at, lift, 2), at))
    return int(table.rows[about][int(np.argmax(off))]) if off.max() > _ROUGH_MM else None


def _about_nose(table: Ordered) -> NDArray[np.bool_]:
    about = np.abs(table.cam_deg) <= _ROUND_NOSE_CAM_DEG
    if about.sum() < 3:
        about = np.zeros(len(table.lift_mm), dtype=bool)
        about[table.nose - 1 : table.nose + 2] = True
    return np.asarray(about)


def rows_of_lobe(table: Ordered) -> NDArray[np.bool_]:
    """Tell which rows (n) are the lobe with a margin of base circle; the rest of that circle says nothing of its shape."""
    cam = table.cam_deg
    low, high = _run_about(np.flatnonzero(table.lift_mm > _RISEN_MM), table.nose)
    return np.asarray((cam >= cam[low] - _MARGIN_CAM_DEG) & (cam <= cam[high] + _MARGIN_CAM_DEG))


def measured_lobe(table: Ordered, lift_error_mm: float, wheel_error_deg: float) -> MeasuredLobe:
    """Smooth a table. The errors are standard ones, of a single lift and of a single crank angle. Raises MendableError."""
    cam, kept = table.cam_deg, rows_of_lobe(table)
    smoothed = smooth(cam[kept], table.lift_mm[kept], lift_error_mm, wheel_error_deg / 2.0)
    raster = np.arange(cam[kept][0], cam[kept][-1], _RASTER_CAM_DEG)
    curve = smoothed.splines[0](raster)
    middle = equal_lift_middle(raster, curve, min(EQUAL_MM, 0.5 * table.lift_mm[table.nose]))
    start, end = _ends(raster, curve)
    return MeasuredLobe(
        smoothed, float(table.crank_deg[table.nose] + 2.0 * middle), middle, start - middle, end - middle,
        nose_lift(table), float(np.median(np.diff(table.crank_deg))),
    )  # fmt: skip


def crossings(at: Array, lift: Array, height_mm: float) -> tuple[float, float] | None:
    """Give where a curve rises through a lift and falls through it, about its highest point; None where it does not."""
    nose = int(np.argmax(lift))
    above = lift > height_mm
    if not above[nose]:
        return None
    low, high = _run_about(np.flatnonzero(above), nose)
    if low == 0 or high == len(lift) - 1:
        return None
    rise = at[low - 1] + (height_mm - lift[low - 1]) / (lift[low] - lift[low - 1]) * (at[low] - at[low - 1])
    fall = at[high] + (lift[high] - height_mm) / (lift[high] - lift[high + 1]) * (at[high + 1] - at[high])
    return float(rise), float(fall)


def equal_lift_middle(at: Array, lift: Array, height_mm: float) -> float:
    """Give the middle between both sides at one lift. Raises MendableError where a side is not there."""
    both = crossings(at, lift, height_mm)
    if both is None:
        raise MendableError(f"The table does not pass {height_mm:g} mm of lift on both sides: walk the whole lobe.")
    return (both[0] + both[1]) / 2.0


def width(lobe: MeasuredLobe, height_mm: float) -> tuple[float, float] | None:
    """Give where a lobe passes a lift before and after its middle, in cam degrees; None where it does not."""
    raster = np.arange(lobe.start_deg - 1.0, lobe.end_deg + 1.0, _RASTER_CAM_DEG)
    return crossings(raster, lobe.lift(raster), height_mm)


def _run_about(indices: NDArray[np.intp], middle: int) -> tuple[int, int]:
    """Give the first and last of the unbroken run of indices that holds the middle."""
    runs = np.split(indices, np.flatnonzero(np.diff(indices) > 1) + 1)
    run = next(one for one in runs if len(one) and one[0] <= middle <= one[-1])
    return int(run[0]), int(run[-1])


def _ends(raster: Array, curve: Array) -> tuple[float, float]:
    """Give where the curve is down on both sides, or the table's ends."""
    low, high = _run_about(np.flatnonzero(curve > _FLOOR_MM), int(np.argmax(curve)))
    return float(raster[max(low - 1, 0)]), float(raster[min(high + 1, len(raster) - 1)])
