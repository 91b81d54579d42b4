"""Control: the speed at which a rigid valve train would let go of its cam, against the red line. An upper bound."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.estimates.alike import Parts, derive_of, laid_out
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.train.masses import Moving
from honest_lift.facts.engine import Book
from honest_lift.mechanics.train.contact import gas_force_n, held_of_loads, loss_rpm, over_red_line_percent
from honest_lift.mechanics.train.masses import moving_mass
from honest_lift.numbers.doubt import Array, Ground

FLOAT_MARGIN = Check(
    "float_margin", "Float margin over red line", "match", "percent",
    "How far above the red line the float speed of a rigid valve train lies.",
)  # fmt: skip
BOUND = "an upper bound; a train that bends floats earlier"
_ALL_RANGES = 99  # every assumed mass is scanned: few are


def check_float_margin(book: Book, valves: Valves) -> list[Finding]:
    """Hold the speed of contact loss at every valve against the red line; none where no red line is stated."""
    moving = valves.moving
    if not moving or all(one.red_line.ground & Ground.MISSING for one in moving):
        return []
    share = contact_over(valves)
    red = np.array([one.red_line.value for one in moving])
    speed = red * (1.0 + share.figure.value / 100.0)
    terms = {"float_speed": speed, "red_line": red, "moving_mass": _mass(moving)}
    remarks = [BOUND if isfinite(one) else "" for one in share.figure.value.tolist()]
    limits = valves.limits(book, FLOAT_MARGIN.name)
    return findings(FLOAT_MARGIN, valves.places, valves.names, share, limits, terms=terms, remarks=remarks)


def contact_over(valves: Valves) -> Estimate:
    """Give how far above the red line (n,), percent, each valve's train lets go: all in one evaluation."""
    moving = valves.moving
    halfway = valves.curves.load(derive(lambda height, lift: height - lift / 2.0, valves.installed, valves.lift))
    loads = {"seat": valves.seat_load, "half": halfway, "open": valves.open_load, "lift": valves.lift}
    return derive_of(_Held(moving).over, {**loads, **laid_out([one.parts for one in moving], _ALL_RANGES)})


def _mass(moving: Sequence[Moving]) -> Array:
    parts = laid_out([one.parts for one in moving], _ALL_RANGES)
    return _moves({name: one.figure.value for name, one in parts.items()})


def _moves(parts: Parts) -> Array:
    return moving_mass(
        parts["valve_mass"], parts["retainer_mass"], parts["spring_mass"], parts["spring_share"], parts["rocker_at_valve"],
        parts["pushrod_mass"] + parts["lifter_mass"], parts["ratio"],
    )  # fmt: skip


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

    def over(self, parts: Parts) -> Array:
        """Give the share (..., n) over the red line; the spring's load runs straight between shut, half and full lift.

        `parts`: the loads seat, half and open, the lift, and what stands in `Moving.parts`.
        """
        gas = gas_force_n(parts["port_pressure"], np.array(0.0), parts["head_diameter"], parts["stem_diameter"])
        loads = np.stack([parts["seat"], parts["half"], parts["open"], -gas])
        bend = parts["lift"] / self._lift * parts["nose"]  # of every angle alike
        bend = np.where(bend > 0.0, bend, np.nan)  # none where doubt is wider than the lift itself
        speed = loss_rpm(held_of_loads(loads, self._shares, self._bends) / bend, _moves(parts))
        return over_red_line_percent(speed, parts["red_line"])
