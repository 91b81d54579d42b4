"""A valve's speed and acceleration from its lobe's, through whatever carries them: the chain rule, once.

With L the lobe's lift over cam degrees, R the ratio at that lift and c = crank / 2 the cam's own angle:

    dx/dcrank   = L' R / 2
    d2x/dcrank2 = (L'' R + L'^2 dR/dL) / 4

Source: the chain rule; the crank turns twice as far as the cam.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.train.linkage import Linkage
from honest_lift.numbers.doubt import Array


def valve_velocity(linkage: Linkage, lobe_mm: Array, slope: Array) -> Array:
    """Give a valve's speed (...), mm a crank degree. `slope`: of the lobe, mm a cam degree, at lobe lifts (...)."""
    return np.asarray(slope * linkage.ratio(lobe_mm) / 2.0)


def valve_acceleration(linkage: Linkage, lobe_mm: Array, slope: Array, bend: Array) -> Array:
    """Give a valve's acceleration (...), mm a crank degree squared. `bend`: of the lobe, mm a cam degree squared."""
    return np.asarray((bend * linkage.ratio(lobe_mm) + slope**2 * linkage.ratio_slope(lobe_mm)) / 4.0)
