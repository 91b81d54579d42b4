"""Float and bounce of the train that bends, by simulation, against the red line.

It stands beside the rigid bound, which is judged by itself: a simulation turns no fail of a simple check into a pass.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import isfinite

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.train.float_margin import contact_over
from honest_lift.checks.valves import AtValve, Gathered, Valves
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.motion.float_speed import AtSpeed, Swept, at_speed
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.remember import last_few
from honest_lift.mechanics.motion.sweep import Sweep
from honest_lift.numbers.doubt import Array, Ground

FLEXIBLE_FLOAT = Check(
    "flexible_float", "Float margin, train that bends", "speed", "percent",
    "How far above the red line the valve train leaves its cam, simulated as it bends and its spring surges.",
)  # fmt: skip
BOUNCE_MARGIN = Check(
    "bounce_margin", "Bounce margin over red line", "speed", "percent",
    "How far above the red line the valve begins to bounce off its seat, simulated.",
)  # fmt: skip
AT_LEAST = "at least: it does not within the sweep"


@dataclass(frozen=True, slots=True)
class InMotion:
    """Every valve of an engine in motion. `rigid_rpm` (n,): of everything rigid, an upper bound of the float speed."""

    valves: Valves
    stands: AtSpeed
    swept: Swept
    rigid_rpm: Array
    red_rpm: Array

    @property
    def is_pending(self) -> bool:
        """Tell whether a sweep is still to come."""
        grounds = self.swept.floats.figure.ground | self.swept.bounces.figure.ground
        return bool((grounds & int(Ground.PENDING)).any())


@dataclass(frozen=True, slots=True)
class _Known:
    at: tuple[AtValve, ...]
    moved: InMotion


_known: list[_Known] = last_few()


def in_motion(gathered: Gathered) -> InMotion | None:
    """Give every valve in motion; None where no red line is stated. Remembered while nothing at any valve changes."""
    at = gathered.at
    if not at or all(one.moving.red_line.ground & Ground.MISSING for one in at):
        return None
    for one in _known:
        if one.at == at:
            return one.moved
    moved = _moved(gathered.valves(range(len(at))))
    if not moved.is_pending:
        _known[:] = [_Known(at, moved)]
    return moved


def _moved(valves: Valves) -> InMotion:
    red = np.array([one.red_line.value for one in valves.moving])
    rigid = red * (1.0 + contact_over(valves).figure.value / 100.0)
    stands = AtSpeed(
        valves.installed,
        valves.lift,
        valves.seat_load,
        valves.open_load,
        valves.curves,
        valves.moving,
        valves.cards,
        rigid,
    )
    return InMotion(valves, stands, at_speed(stands), rigid, red)


def check_in_motion(book: Book, gathered: Gathered) -> list[Finding]:
    """Hold the speeds of float and bounce at every valve against the red line."""
    moved = in_motion(gathered)
    if moved is None:
        return []
    floats = _judged(book, moved, FLEXIBLE_FLOAT, moved.swept.floats, "float_rpm")
    return floats + _judged(book, moved, BOUNCE_MARGIN, moved.swept.bounces, "bounce_rpm")


def _judged(book: Book, moved: InMotion, check: Check, over: Estimate, which: str) -> list[Finding]:
    valves = moved.valves
    speed = moved.red_rpm * (1.0 + over.figure.value / 100.0)
    key = "float_speed" if check is FLEXIBLE_FLOAT else "bounce_speed"
    terms = {key: speed, "red_line": moved.red_rpm, "rigid_speed": moved.rigid_rpm}
    remarks = [_remark(one, which) for one in moved.swept.sweeps]
    limits = valves.limits(book, check.name)
    return findings(check, valves.places, valves.names, over, limits, terms=terms, remarks=remarks)


def _remark(sweep: Sweep | None, which: str) -> str:
    return "" if sweep is None or isfinite(getattr(sweep, which)) else AT_LEAST
