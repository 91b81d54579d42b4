"""The mark a rocker leaves on the valve's tip, and the pushrod or stand that three rules ask for.

Square at half lift leaves the narrowest mark there is for a lift, valve arm x (1 - cos(half the swing)); its middle lies where
pivot distance and arm length put it. Source: plane geometry; common practice for the rules.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from honest_lift.mechanics.rocker.band import Band
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.numbers.doubt import Array

_LENGTHS, _ROUNDS = 41, 6


@dataclass(frozen=True, slots=True)
class Mark(Band):
    """A mark over the lift, mm from the stem's axis, outboard positive; each field a figure or an array of one shape.

    `closed`, `full`: where it touches with the valve closed and at the top of the lobe; angles of the valve arm in degrees.
    """

    closed: Array
    full: Array
    closed_deg: Array
    open_deg: Array

    @property
    def off_square_deg(self) -> Array:
        """Give how far the valve arm stands above square to the stem, halfway between closed and open."""
        return (self.closed_deg + self.open_deg) / 2.0


def mark_of(gear: OnTheTip, lobe_mm: Array | float) -> Mark:
    """Give the mark from where the roller meets the closed tip, whatever the lash, to the top of the lobe."""
    sine = (gear.tip_radius - gear.pivot_up) / gear.valve_arm
    with np.errstate(invalid="ignore"):
        closed_deg = np.degrees(np.arcsin(np.where(np.abs(sine) <= 1.0, sine, np.nan)))
    open_deg = gear.angle_deg(np.asarray(lobe_mm))
    closed, full = (gear.valve_arm * np.cos(np.radians(one)) - gear.pivot_out for one in (closed_deg, open_deg))
    crosses = (closed_deg > 0) & (
        open_deg < 0
    )  # square to the stem on the way: the furthest out the contact ever comes
    outer = np.where(crosses, gear.valve_arm - gear.pivot_out, np.maximum(closed, full))
    return Mark(np.minimum(closed, full), outer, closed, full, closed_deg, open_deg)


def travel_mm(mark: Mark) -> Array:
    """Give how far outboard of where it began the contact ends, the valve full open; nothing when it comes back alike.

    Outboard: the pushrod is too short (the pivot too low); inboard: too long. That sign is reliable, the place of the middle is
    not: about the right length longer and shorter both shift the middle inboard.
    """
    return mark.full - mark.closed


def best_length(marks: Callable[[Array], Mark], around: float, reach_mm: float, rule: str) -> float | None:
    """Give the length (of a pushrod, or height of a stand) a rule asks for; None where none within reach does.

    `marks` gives the marks at lengths (n,), NaN where the gear can't work. `rule`: "square", "narrow" or "centred"; where no
    length centres the mark, the one that comes nearest. Ever finer rasters about the best: no step can run away.
    """
    of = _RULES[rule]
    low, high = around - reach_mm, around + reach_mm
    crossing = None
    for turn in range(_ROUNDS):
        lengths = np.linspace(low, high, _LENGTHS)
        values = np.asarray(of(marks(lengths)))
        if turn == 0 or crossing is not None:
            crossing = None if rule == "narrow" else _nearest_crossing(lengths, values, around)
        if crossing is not None:
            low, high = float(lengths[crossing]), float(lengths[crossing + 1])
            continue
        least = np.where(np.isfinite(values), np.abs(values), np.inf)
        at = int(np.argmin(least))
        if rule == "square" or not np.isfinite(least[at]) or (turn == 0 and at in (0, _LENGTHS - 1)):
            return None
        low, high = float(lengths[max(at - 1, 0)]), float(lengths[min(at + 1, _LENGTHS - 1)])
    return (low + high) / 2.0


def _nearest_crossing(lengths: Array, values: Array, around: float) -> int | None:
    with np.errstate(invalid="ignore"):
        found = np.flatnonzero(values[:-1] * values[1:] <= 0)
    return int(min(found, key=lambda i: abs(lengths[i] - around))) if len(found) else None


_RULES: dict[str, Callable[[Mark], Array]] = {
    "square": lambda mark: mark.off_square_deg, "narrow": lambda mark: mark.width, "centred": lambda mark: mark.middle,
}  # fmt: skip
