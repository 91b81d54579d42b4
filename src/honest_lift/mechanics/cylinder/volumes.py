"""Volumes of a cylinder: what the piston sweeps, what is left over it at TDC, their ratio, and what a target asks for.

    ratio = (Vs + Vc) / Vc        Vc = chamber + gasket + deck + dish + pockets + crevice - register

A dish counts plus, a dome minus. The effective ratio takes the piston's way from where the intake closes in place of the whole
stroke. Lengths in mm, areas in mm2, volumes in cc. Source: Heywood, Internal Combustion Engine Fundamentals, 2.2, by definition.
"""

from __future__ import annotations

from math import pi

import numpy as np

from honest_lift.numbers.doubt import Array

_MM3_IN_CC = 1000.0


def disc_cc(diameter_mm: Array, height_mm: Array) -> Array:
    """Give the volume of a round opening, cc.

    >>> import numpy as np
    >>> round(float(disc_cc(np.array(101.6), np.array(88.4))), 2)
    716.69
    """
    return np.asarray(pi / 4.0 * diameter_mm**2 * height_mm / _MM3_IN_CC)


def crevice_cc(bore_mm: Array, clearance_mm: Array, land_mm: Array) -> Array:
    """Give the volume round the top land: the whole difference of the diameters, over the land's height, cc."""
    return np.asarray(pi / 4.0 * (bore_mm**2 - (bore_mm - clearance_mm) ** 2) * land_mm / _MM3_IN_CC)


def dish_from_bore(poured_cc: Array, bore_mm: Array, depth_mm: Array) -> Array:
    """Give the dish (a dome is minus) from a pour down the bore with the piston's flat a depth under the plate, cc."""
    return np.asarray(poured_cc - disc_cc(bore_mm, depth_mm))


def compression_ratio(swept_cc: Array, clearance_cc: Array) -> Array:
    """Give the ratio; NaN where nothing, or less, is left over the piston.

    >>> import numpy as np
    >>> round(float(compression_ratio(np.array(750.0), np.array(83.0))), 3)
    10.036
    """
    left = np.where(np.asarray(clearance_cc) > 0, clearance_cc, np.nan)
    return np.asarray((swept_cc + left) / left)


def clearance_for(swept_cc: float, ratio: float) -> float:
    """Give the volume that must be left over the piston for a ratio above 1, cc.

    >>> round(clearance_for(750.0, 10.0), 3)
    83.333
    """
    return swept_cc / (ratio - 1.0)
