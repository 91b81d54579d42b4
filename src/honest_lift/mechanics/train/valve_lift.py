"""Lift at the valve from the lobe, by a constant ratio."""

from __future__ import annotations

from honest_lift.numbers.doubt import Array


def valve_lift(lobe_lift_mm: Array, ratio: Array, lash_mm: Array) -> Array:
    """Give the valve's lift in mm: lobe lift x ratio - lash. Any one shape; source: common practice.

    >>> import numpy as np
    >>> round(float(valve_lift(np.array(8.25), np.array(1.6), np.array(0.45))), 4)
    12.75
    """
    return lobe_lift_mm * ratio - lash_mm
