"""What moves with a valve, referred to the valve.

    m = valve + retainer and locks + what of the spring moves + rocker at the valve + (pushrod + lifter) / ratio^2

Source: energy for the masses referred to it; common practice for the third of a spring.
"""

from __future__ import annotations

import numpy as np

from honest_lift.numbers.doubt import Array


def spring_share(active_coils: float, coils: float) -> float:
    """Give what share of a spring's mass moves with the valve: a third of its active coils, and the dead end above them.

    >>> round(spring_share(4.0, 6.0), 4)  # (4 / 3 + 1) / 6
    0.3889
    """
    return (active_coils / 3.0 + (coils - active_coils) / 2.0) / coils


def moving_mass(valve_kg: Array, retainer_kg: Array, spring_kg: Array, share: Array, rocker_kg: Array, pushed_kg: Array,
                ratio: Array) -> Array:  # fmt: skip
    """Give the mass referred to the valve, kg, of arrays that broadcast.

    `pushed_kg`: pushrod and lifter, which move with the lobe: over the ratio squared, by energy.
    """
    return np.asarray(valve_kg + retainer_kg + share * spring_kg + rocker_kg + pushed_kg / ratio**2)
