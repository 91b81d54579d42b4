"""Control: the speed at which a rigid valve train would let go of its cam, against the red line. An upper bound."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.moving import Moving
from honest_lift.facts.engine import Book
from honest_lift.mechanics.motion.control_force import contact_loss_rpm, gas_force_n, moving_mass
from honest_lift.numbers.doubt import Array, Ground

CONTROL = Check(
    "control", "Control", "match", "percent",
    "How far above the red line a rigid valve train would let go of its cam.",
)  # fmt: skip
BOUND = "an upper bound: a train that bends lets go earlier"
_MASSES, _GAS = 7, 3


def check_control(book: Book, valves: Valves) -> list[Finding]:
    """Hold the speed of contact loss at every valve against the red line; none where no red line is stated."""
    moving = valves.moving
    if not moving or all(one.red_line.ground & Ground.MISSING for one in moving):
        return []
    speed, mass = contact_loss(valves)
    red = np.array([one.red_line.value for one in moving])
    share = derive(lambda rpm, line: (rpm / line - 1.0) * 100.0, speed, estimate_of([one.red_line for one in moving]))
    terms = {
        "contact lost at": (speed.figure.value, "speed"), "red line": (red, "speed"), "moving mass": (mass.figure.value, "mass"),
    }  # fmt: skip
    remarks = [BOUND if isfinite(one) else "" for one in share.figure.value.tolist()]
    limits = valves.limits(book, CONTROL.name)
    return findings(CONTROL, valves.places, valves.names, share, limits, terms=terms, remarks=remarks)


def contact_loss(valves: Valves) -> tuple[Estimate, Estimate]:
    """Give the crank speed (n,) in rpm at which each valve's train lets go, and the mass (n,) in kg that moves."""
    moving = valves.moving
    parts = [estimate_of(own) for own in zip(*(one.inputs for one in moving), strict=True)]
    masses, gas, nose = parts[:_MASSES], parts[_MASSES : _MASSES + _GAS], parts[-1]
    ratio = np.array([one.ratio for one in moving])
    mass = derive(
        lambda valve, retainer, spring, share, rocker, pushrod, lifter: moving_mass(
            valve, retainer, spring, share, rocker, pushrod + lifter, ratio
        ), *masses,
    )  # fmt: skip
    opened = derive(lambda pressure, head, stem: gas_force_n(pressure, np.array(0.0), head, stem), *gas)
    halfway = valves.curves.load(derive(lambda height, lift: height - lift / 2.0, valves.installed, valves.lift))
    held = _Held(moving)
    speed = derive(held.speed, valves.seat_load, halfway, valves.open_load, valves.lift, mass, opened, nose)
    return speed, mass


class _Held:
    """Lift and acceleration of every valve (n, k) where its spring alone holds it."""

    def __init__(self, moving: tuple[Moving, ...]) -> None:
        widest = max((len(one.fractions) for one in moving), default=0) or 1
        self._fractions, self._bends = (np.full((len(moving), widest), np.nan) for _ in range(2))
        for case, one in enumerate(moving):
            self._fractions[case, : len(one.fractions)] = one.fractions
            self._bends[case, : len(one.fractions)] = one.acceleration
        short = np.isnan(self._bends)
        self._fractions[short] = 1.0
        self._bends[short] = -1e-12  # an angle that never counts
        self._lift = np.array([one.lift_mm for one in moving])

    def speed(
        self, seat: Array, half: Array, opened: Array, lift: Array, mass: Array, gas: Array, nose: Array
    ) -> Array:
        """Give the speed (..., n) of contact loss; the spring's load runs straight between shut, half and full lift."""
        share = self._fractions
        low, high = np.minimum(share * 2.0, 1.0), np.maximum(share * 2.0 - 1.0, 0.0)
        load = seat[..., None] + (half - seat)[..., None] * low + (opened - half)[..., None] * high
        bends = self._bends * (lift / self._lift * nose)[..., None]
        return contact_loss_rpm(load - gas[..., None], bends, mass)
