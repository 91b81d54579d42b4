"""One figure told two ways, read as such and worked out of others: which of them stands, and where they can't both be."""

from __future__ import annotations

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from honest_lift.estimates.estimate import Estimate, derive, either
from honest_lift.numbers.doubt import COVERAGE, Ground

_ALLOWED = ~int(Ground.SPECIFIED)


class TwoWays(Struct, frozen=True, eq=False):
    """What stands at each case; `apart` (n,): where both are sound and differ by more than they are in doubt of each other."""

    held: Estimate
    apart: NDArray[np.bool_]


def two_ways(read: Estimate, worked: Estimate) -> TwoWays:
    """Give what was read where it was, else what is worked out; of two that agree the surer one: no agreeing way makes it worse.

    The first input of `read` is the reading itself. What both rest on cancels in their difference. Two sound ones that differ
    prove nothing, whichever stands; neither does one beside a reading that contradicts itself, or a gauge that says it can't be.
    """
    there = np.array([one[0].is_told for one in read.inputs], dtype=bool)
    sound_read, sound_worked = (_is_sound(one) for one in (read, worked))
    between = derive(np.subtract, read, worked).figure
    with np.errstate(invalid="ignore"):
        apart = there & sound_read & sound_worked & (np.abs(between.value) > between.expanded)
        apart |= there & sound_worked & (read.figure.ground & Ground.UNSOUND != 0)
        apart |= there & sound_worked & _is_gauged(read) & _beyond(read, worked)
        surer = ~apart & sound_worked & (~sound_read | (worked.figure.u < read.figure.u))
    held = either(there & ~surer, read, worked)
    return TwoWays(Estimate(held.figure.on_ground(apart, Ground.UNSOUND), held.inputs), apart)


def _is_gauged(read: Estimate) -> NDArray[np.bool_]:
    """Tell where the reading only says what goes, and is fresh, with a tool that is known."""
    only_ranged = read.figure.ground & _ALLOWED == int(Ground.ASSUMED)
    return np.asarray(only_ranged & np.array([one[0].is_bound for one in read.inputs], dtype=bool))


def _beyond(read: Estimate, worked: Estimate) -> NDArray[np.bool_]:
    """Tell where a calculated figure lies outside all that a gauge leaves, by more than both are in doubt."""
    left, figure = read.figure.grid, worked.figure
    wide = COVERAGE * np.sqrt(read.figure.u**2 + figure.u**2)
    return np.asarray((figure.value + wide < left.min(axis=0)) | (figure.value - wide > left.max(axis=0)))


def _is_sound(one: Estimate) -> NDArray[np.bool_]:
    sound: NDArray[np.bool_] = np.isfinite(one.figure.value) & (one.figure.ground & _ALLOWED == 0)
    return sound
