"""Pours of a chamber: what a leak lost meanwhile, what weighed water comes to, and when a chamber is unlike its neighbours."""

from __future__ import annotations

from math import sqrt

import numpy as np

from honest_lift.numbers.doubt import Array

LOST_SHARE = (
    0.75  # of what a leak at full head would lose while filling: the level, and its wetted edge, rise meanwhile
)
MOST_LEAK_CC_PER_MIN = 0.3  # above it a pour is refused. Common practice, no source
UNLIKE_CC = 2.0  # so much larger than its neighbours a chamber leaks until proven otherwise. Common practice, no source
_AIR, _BRASS = 1.2, 8000.0  # kg/m3: air buoys up the water more than the weights. OIML R 111-1


def less_what_leaked(poured_cc: Array, leak_cc_per_min: Array, fill_s: Array) -> Array:
    """Give a chamber's volume from a pour that leaked while it filled, cc.

    >>> import numpy as np
    >>> round(float(less_what_leaked(np.array(64.0), np.array(0.1), np.array(90.0))), 4)
    63.8875
    """
    return np.asarray(poured_cc - LOST_SHARE * leak_cc_per_min / 60.0 * fill_s)


def leak_model_u(leak_cc_per_min: float, fill_s: float) -> float:
    """Give the standard doubt of that model alone: the share may be anything from half to all of it, cc.

    >>> round(leak_model_u(0.1, 90.0), 3)
    0.022
    """
    return leak_cc_per_min / 60.0 * fill_s / 4.0 / sqrt(3.0)


def water_density(temperature_c: Array) -> Array:
    """Give the density of clean, air-free water at 0 to 40 C and one atmosphere, kg/m3.

    Source: M. Tanaka et al., Recommended table for the density of water, Metrologia 38 (2001) 301, equation 1.

    >>> import numpy as np
    >>> [round(float(water_density(np.array(t))), 3) for t in (4.0, 15.0, 20.0, 25.0)]
    [999.975, 999.103, 998.207, 997.047]
    """
    t = np.asarray(temperature_c)
    return np.asarray(999.974950 * (1.0 - (t - 3.983035) ** 2 * (t + 301.797) / (522528.9 * (t + 69.34881))))


def volume_of_water(mass_kg: Array, temperature_c: Array) -> Array:
    """Give the volume of weighed water, the air's buoyancy allowed for, cc.

    >>> import numpy as np
    >>> round(float(volume_of_water(np.array(0.06384), np.array(20.0))), 3)
    64.022
    """
    return np.asarray(1e6 * mass_kg * (1.0 - _AIR / _BRASS) / (water_density(temperature_c) - _AIR))


def over_neighbours(volumes_cc: Array) -> Array:
    """Give how much larger (..., n) each chamber is than the middle one of the others (..., n); NaN with none beside it."""
    count = volumes_cc.shape[-1]
    if count < 2:
        return np.full(volumes_cc.shape, np.nan)
    others = [np.median(np.delete(volumes_cc, i, axis=-1), axis=-1) for i in range(count)]
    return np.asarray(volumes_cc - np.stack(others, axis=-1))
