"""The force that holds a valve to its cam, everything counted rigid, and the speed at which it is gone.

    contact force = F(x) - F_gas + m x'' w^2        x'' a cam radian squared, w the cam's speed
    contact-loss speed = the least over all angles with x'' < 0

An upper bound: a train that bends lets go earlier. It ranks springs and masses, not lobes, stiffness or bounce.
Source: Newton's second law on the valve, energy for the masses referred to it; common practice for the third of a spring.
"""

from __future__ import annotations

from math import pi

import numpy as np

from honest_lift.numbers.doubt import Array

_DEG_A_S_OF_RPM = 6.0  # crank degrees a second, of one turn a minute
_M_OF_MM = 1e-3
_BAR_MM2_N = 0.1


def gas_force_n(port_bar: Array, cylinder_bar: Array, head_mm: Array, stem_mm: Array) -> Array:
    """Give the force of gas that opens a valve, N; pressures are gauge.

    >>> import numpy as np
    >>> round(float(gas_force_n(*map(np.array, (1.0, 0.0, 50.0, 8.0)))))
    191
    """
    head, stem = pi / 4.0 * np.asarray(head_mm) ** 2, pi / 4.0 * np.asarray(stem_mm) ** 2
    return np.asarray((port_bar * (head - stem) - cylinder_bar * head) * _BAR_MM2_N)


def loss_rpm(held_kg_rpm2: Array, mass_kg: Array) -> Array:
    """Give the crank speed (...) at which a mass is no longer held, rpm; 0 where the spring pushes nothing there.

    NaN of what is no mass: a doubt wider than the mass itself leaves nothing to tell.
    """
    return np.asarray(np.sqrt(np.maximum(held_kg_rpm2, 0.0) / np.where(mass_kg > 0.0, mass_kg, np.nan)))


def over_red_line_percent(loss_rpm: Array, red_line_rpm: Array | float) -> Array:
    """Give how far (...), percent, the speed at which contact is lost stands above the red line."""
    return np.asarray((loss_rpm / red_line_rpm - 1.0) * 100.0)


def held(force_n: Array, acceleration: Array) -> Array:
    """Give the least over the angles of what a spring holds (...): kg times rpm squared.

    `force_n` (..., k): spring less gas at k angles; `acceleration` (..., k): mm a crank degree squared, negative at every one of
    them.
    """
    return np.asarray(np.min(force_n / _per_rpm2(acceleration), axis=-1))


def held_of_loads(loads_n: Array, shares: Array, acceleration: Array) -> Array:
    """Give what `held` gives (..., n) where the force at an angle is made of a few loads (m, ..., n) by shares (m, n, k).

    `acceleration` (n, k). One product of matrices for all copies of a case.
    """
    each = np.moveaxis(loads_n.reshape(len(loads_n), -1, loads_n.shape[-1]), -1, 0)  # n, m, copies
    force = np.swapaxes(each, 1, 2) @ np.moveaxis(shares / _per_rpm2(acceleration), 1, 0)
    return np.asarray(force.min(axis=-1).T.reshape(loads_n.shape[1:]))


def _per_rpm2(acceleration: Array) -> Array:
    return np.asarray(-acceleration * _M_OF_MM * _DEG_A_S_OF_RPM**2)
