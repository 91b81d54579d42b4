"""What fits together physically: a spring on its floor and over its boss, a retainer's step in it, as many springs as it seats.

Source: common practice, no source; every bound with the doubt a caliper leaves.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.mechanics.match.asked import Asked, CardSprings, Pockets, Retainers
from honest_lift.numbers.doubt import Array

Bools = NDArray[np.bool_]


def on_floor(springs: CardSprings, pockets: Pockets, asked: Asked) -> Array:
    """Give the room (n, p) of springs on the floors of pockets, mm, less the doubt; infinite where a floor was not measured."""
    return _known(pockets.floor_mm - springs.outside_mm[:, None] - asked.fit_u_mm)


def over_boss(springs: CardSprings, pockets: Pockets, asked: Asked) -> Array:
    """Give the room (n, p) of springs over the boss, seal or locator, mm, less the doubt."""
    return _known(springs.inside_mm[:, None] - pockets.boss_mm - asked.fit_u_mm)


def step_room(springs: CardSprings, retainers: Retainers, asked: Asked) -> Array:
    """Give the room (n, r) of retainers' steps in springs, mm, less the doubt."""
    return springs.top_inside_mm[:, None] - retainers.spigot_mm - asked.fit_u_mm


def seats(springs: CardSprings, retainers: Retainers, asked: Asked) -> Bools:
    """Tell which retainers (n, r) carry which springs: the step goes in and centres it, the flange covers it, as many members."""
    room = step_room(springs, retainers, asked)
    covered = retainers.covers_mm - springs.top_outside_mm[:, None] >= 0.0
    as_many = retainers.members == springs.members[:, None]
    return np.asarray((room >= 0.0) & (room + asked.fit_u_mm <= asked.loose_mm) & covered & as_many)


def _known(room: Array) -> Array:
    return np.where(np.isnan(room), np.inf, room)
