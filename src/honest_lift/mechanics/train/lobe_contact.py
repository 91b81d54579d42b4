"""What a follower presses on the nose of its lobe, and the pressure in their line of contact.

    flat follower:   rho = r0 + L + L''
    roller or arc:   rho = (R + L)^2 / (R + L - L'') - rf        R = r0 + rf
    pressure:        p = sqrt(F E' / (pi b r)),  1/r = 1/rho + 1/rf,  E' = E / (2 (1 - nu^2))

L is the lobe's lift and L'' its second derivative over the cam angle in radians, below zero at the nose. Source: the radius of
curvature of a cam with a flat and with a roller follower, and Hertz's line contact, as in textbooks of machine design, from memory.
"""

from __future__ import annotations

from math import pi

import numpy as np

from honest_lift.numbers.doubt import Array

STEEL_MPA, POISSON = 207000.0, 0.3  # steel on steel; on cast iron the pressure is about a tenth lower. From memory


def nose_radius_mm(base_radius_mm: Array, lift_mm: Array, bend_mm_rad2: Array, follower_radius_mm: Array) -> Array:
    """Give the radius of a lobe's nose (...), mm; infinite follower radii are flat. NaN for a nose that would be pointed.

    >>> nose_radius_mm(np.array(17.0), np.array(7.0), np.array(-20.0), np.array(np.inf))
    array(4.)
    """
    flat = np.isinf(follower_radius_mm)
    rf = np.where(flat, 0.0, follower_radius_mm)
    out = base_radius_mm + rf + lift_mm
    rho = np.where(flat, out + bend_mm_rad2, out**2 / (out - bend_mm_rad2) - rf)
    return np.asarray(np.where(rho > 0.0, rho, np.nan))


def line_pressure_mpa(load_n: Array, width_mm: Array, nose_mm: Array, follower_radius_mm: Array) -> Array:
    """Give the greatest pressure (...) in a line of contact, MPa.

    >>> round(float(line_pressure_mpa(np.array(2000.0), np.array(12.0), np.array(10.0), np.array(np.inf))), 1)
    776.8
    """
    sharp = 1.0 / nose_mm + 1.0 / follower_radius_mm
    modulus = STEEL_MPA / (2.0 * (1.0 - POISSON**2))
    return np.asarray(np.sqrt(np.maximum(load_n, 0.0) * modulus * sharp / (pi * width_mm)))
