"""What the cam asks of valves around the turn: lift of a rigid train and its slope, as tables that are read between their rows.

Source: cubic Hermite interpolation with the table's own slopes, so that lift and velocity belong together.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

ROWS = 1441  # every half a degree


@dataclass(frozen=True, slots=True)
class LiftTables:
    """Lift (k, ROWS) in mm at crank degrees from -360 to 360 about the lobe's centre, and its slope in mm a crank degree.

    Of a rigid train; below 0 by the lash where the lobe does not lift.
    """

    lift_mm: Array
    slope: Array

    def at(self, crank_deg: Array, case: NDArray[np.int64]) -> tuple[Array, Array]:
        """Give lift and slope (..., c) at crank degrees (..., c) within a turn of the centre, of cases (c,)."""
        step = 720.0 / (ROWS - 1)
        place = (crank_deg + 360.0) * (1.0 / step)
        row = np.clip(place.astype(np.int64), 0, ROWS - 2)
        t = place - row
        first = row + case * ROWS
        lift, slope = self.lift_mm.reshape(-1), self.slope.reshape(-1)
        y0, y1 = lift[first], lift[first + 1]
        d0, d1 = slope[first] * step, slope[first + 1] * step
        rise = y1 - y0
        b, c = 3.0 * rise - 2.0 * d0 - d1, d0 + d1 - 2.0 * rise
        return y0 + t * (d0 + t * (b + t * c)), (d0 + t * (2.0 * b + 3.0 * t * c)) * (1.0 / step)


def crank_raster() -> Array:
    """Give the crank degrees (ROWS,) about the lobe's centre at which the tables stand."""
    return np.linspace(-360.0, 360.0, ROWS)
