"""Piston to valve through the turn, along the stem: c = d0 + g x - L.

d0: how far the valve can open at true TDC before it touches; x: the piston's drop below its TDC; L: the valve's lift;
g = cos(beta) / cos(alpha - beta), alpha the stem to the cylinder's axis, beta the normal of the pocket's floor to it: a flat
crown gives 1 / cos(alpha), a floor parallel to the valve's face cos(alpha). Source: plane geometry; slider-crank from Heywood,
Internal Combustion Engine Fundamentals, ch. 2.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array


def along_stem(alpha_deg: Array, beta_deg: Array) -> Array:
    """Give g: mm along the stem that the touching point falls a mm of the piston's drop.

    >>> import numpy as np
    >>> round(float(along_stem(np.array(20.0), np.array(0.0))), 4), round(float(along_stem(np.array(20.0), np.array(20.0))), 4)
    (1.0642, 0.9397)
    """
    alpha, beta = np.radians(alpha_deg), np.radians(beta_deg)
    return np.asarray(np.cos(beta) / np.cos(alpha - beta))


def piston_drop(crank_deg: Array, stroke_mm: Array, rod_mm: Array, offset_mm: Array) -> Array:
    """Give the piston's drop below its own TDC at crank degrees from it; every argument an array of one shape.

    The same closed form as `slider_crank`, over many cranks at once; NaN for a crank that can't turn.
    """
    rods, strokes = 4.0 * rod_mm**2, stroke_mm**2
    with np.errstate(invalid="ignore", divide="ignore"):
        radius = stroke_mm / 2.0 * np.sqrt((rods - 4.0 * offset_mm**2 - strokes) / (rods - strokes))
        angle = np.radians(crank_deg) + np.arcsin(offset_mm / (rod_mm + radius))
        top = np.sqrt((rod_mm + radius) ** 2 - offset_mm**2)
        drop = top - radius * np.cos(angle) - np.sqrt(rod_mm**2 - (radius * np.sin(angle) - offset_mm) ** 2)
        return np.asarray(np.where(stroke_mm < 2.0 * (rod_mm - np.abs(offset_mm)), drop, np.nan))


@dataclass(frozen=True)
class LobeTables:
    """Lobes of several valves (n,) as tables over cam degrees from their middles: lift and slope at even steps.

    `start_deg` (n,), `step_deg` (n,), `lift` (n, m) in mm, `slope` (n, m) in mm a cam degree.
    """

    start_deg: Array
    step_deg: Array
    lift: Array
    slope: Array

    def take(self, rows: NDArray[np.int64]) -> LobeTables:
        """Give the tables of some rows, in the order given."""
        return LobeTables(self.start_deg[rows], self.step_deg[rows], self.lift[rows], self.slope[rows])

    def at(self, cam_deg: Array) -> Array:
        """Give lobe lift at cam degrees (..., n); cubic Hermite between the rows, nothing outside them."""
        rows = np.arange(len(self.start_deg))
        where = (cam_deg - self.start_deg) / self.step_deg
        last = self.lift.shape[1] - 2
        row = np.clip(np.floor(where), 0, last).astype(np.int64)
        t = where - row
        y0, y1 = self.lift[rows, row], self.lift[rows, row + 1]
        m0, m1 = self.slope[rows, row] * self.step_deg, self.slope[rows, row + 1] * self.step_deg
        found = y0 + t * (m0 + t * (3.0 * (y1 - y0) - 2.0 * m0 - m1 + t * (m0 + m1 - 2.0 * (y1 - y0))))
        return np.asarray(np.where((where < 0) | (where > last + 1), 0.0, np.maximum(found, 0.0)))


def local_minima(clearance: Array, near_mm: float) -> NDArray[np.int64]:
    """Give, for clearances (n, k) over a turn, the columns of the least and of the next-least local minimum, (n, 2).

    The second is the first again where no other lies within `near_mm` of the least.
    """
    inner = clearance[:, 1:-1]
    turning = (inner <= clearance[:, :-2]) & (inner <= clearance[:, 2:])
    least = np.argmin(clearance, axis=1)
    values = np.where(turning, inner, np.inf)
    columns = np.arange(1, clearance.shape[1] - 1)
    apart = np.abs(columns[None, :] - least[:, None]) > 2
    other = np.where(apart, values, np.inf)
    second = columns[np.argmin(other, axis=1)]
    close = other.min(axis=1) <= clearance[np.arange(len(least)), least] + near_mm
    return np.stack([least, np.where(close, second, least)], axis=1)


def refined_least(clearance: Array, axis: int = 0) -> Array:
    """Give the least of clearances sampled evenly along an axis, by the parabola through the three lowest neighbours."""
    values = np.moveaxis(clearance, axis, 0)
    at = np.clip(np.argmin(values, axis=0), 1, values.shape[0] - 2)
    low, here, high = (np.take_along_axis(values, (at + by)[None], axis=0)[0] for by in (-1, 0, 1))
    bend = low - 2.0 * here + high
    with np.errstate(invalid="ignore", divide="ignore"):
        gain = np.where(bend > 0, (high - low) ** 2 / (8.0 * bend), 0.0)
    edge = np.minimum(np.minimum(low, high), here)
    return np.asarray(np.minimum(np.where(np.abs(high - low) <= 2.0 * np.abs(bend), here - gain, edge), edge))
