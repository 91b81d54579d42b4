"""Control: the speed at which a rigid valve train would let go of its cam, against the red line. An upper bound."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.train.moving import Moving
from honest_lift.facts.engine import Book
from honest_lift.mechanics.train.control_force import gas_force_n, held_of_loads, loss_rpm, moving_mass
from honest_lift.numbers.doubt import Array, Ground

CONTROL = Check(
    "control", "Control", "match", "percent",
    "How far above the red line a rigid valve train would let go of its cam.",
)  # fmt: skip
BOUND = "an upper bound: a train that bends lets go earlier"
_MASSES = 7


def check_control(book: Book, valves: Valves) -> list[Finding]:
    """Hold the speed of contact loss at every valve against the red line; none where no red line is stated."""
    moving = valves.moving
    if not moving or all(one.red_line.ground & Ground.MISSING for one in moving):
        return []
    share = contact_over(valves)
    red = np.array([one.red_line.value for one in moving])
    speed = red * (1.0 + share.figure.value / 100.0)
    terms = {"contact lost at": (speed, "speed"), "red line": (red, "speed"), "moving mass": (_mass(moving), "mass")}
    remarks = [BOUND if isfinite(one) else "" for one in share.figure.value.tolist()]
    limits = valves.limits(book, CONTROL.name)
    return findings(CONTROL, valves.places, valves.names, share, limits, terms=terms, remarks=remarks)


def contact_over(valves: Valves) -> Estimate:
    """Give how far above the red line (n,), percent, each valve's train lets go: all in one evaluation."""
    moving = valves.moving
    parts = [estimate_of(own) for own in zip(*((*one.inputs, one.red_line) for one in moving), strict=True)]
    halfway = valves.curves.load(derive(lambda height, lift: height - lift / 2.0, valves.installed, valves.lift))
    held = _Held(moving)
    return derive(held.over, valves.seat_load, halfway, valves.open_load, valves.lift, *parts)


def _mass(moving: Sequence[Moving]) -> Array:
    values = np.array([[one.value for one in own.masses] for own in moving]).T
    return _moves(np.array([one.ratio for one in moving]), *values)


def _moves(ratio: Array, *masses: Array) -> Array:
    valve, retainer, spring, share, rocker, pushrod, lifter = masses
    return moving_mass(valve, retainer, spring, share, rocker, pushrod + lifter, ratio)


class _Held:
    """Lift and acceleration of every valve (n, k) where its spring alone holds it."""

    def __init__(self, moving: tuple[Moving, ...]) -> None:
        widest = max((len(one.fractions) for one in moving), default=0) or 1
        fractions, self._bends = (np.full((len(moving), widest), np.nan) for _ in range(2))
        for case, one in enumerate(moving):
            fractions[case, : len(one.fractions)] = one.fractions
            self._bends[case, : len(one.fractions)] = one.acceleration
        short = np.isnan(self._bends)
        fractions[short] = 1.0
        self._bends[short] = -1e-12  # an angle that never counts
        low, high = np.minimum(fractions * 2.0, 1.0), np.maximum(fractions * 2.0 - 1.0, 0.0)
        self._shares = np.stack(
            [1.0 - low, low - high, high, np.ones_like(low)]
        )  # of the loads shut, half open, open; of gas
        self._lift = np.array([one.lift_mm for one in moving])

    def over(self, seat: Array, half: Array, opened: Array, lift: Array, *parts: Array) -> Array:
        """Give the share (..., n) over the red line; the spring's load runs straight between shut, half and full lift.

        `parts`: the masses; pressure, head and stem; what the nose is off by; the ratio over it; the red line.
        """
        masses, (pressure, head, stem, nose, ratio, red) = parts[:_MASSES], parts[_MASSES:]
        gas = gas_force_n(pressure, np.array(0.0), head, stem)
        loads = np.stack(np.broadcast_arrays(seat, half, opened, -gas))
        bend = lift / self._lift * nose  # of every angle alike; none where doubt is wider than the lift itself
        bend = np.where(bend > 0.0, bend, np.nan)
        speed = loss_rpm(held_of_loads(loads, self._shares, self._bends) / bend, _moves(ratio, *masses))
        return (speed / red - 1.0) * 100.0
