"""What happens to a valve up to the red line beside floating: how near its piston it comes, and how fast it meets its seat."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.clearance.piston_valve import GIVEN, WORKED_FROM, at_rest, over_rods
from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.on_valves import is_given
from honest_lift.checks.train.in_motion import InMotion
from honest_lift.estimates.clearance.drawn_nearer import STRETCH, drawn_nearer
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.motion.at_red_line import barred_as, nearer_piston_mm, seating_m_s, simulated, speeds_to
from honest_lift.estimates.motion.surge_order import per_turn, surge_hz
from honest_lift.estimates.motion.take_up import take_up_m_s
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.numbers.doubt import Ground, Source

PISTON_AT_SPEED = Check(
    "piston_valve_speed", "Piston to valve at speed", "speed", "length",
    "Least room between piston and valve up to the red line: the clearance at rest less what the valve overshoots its cam by, "
    "and less the allowances stated for rods, bearings and heat.",
)  # fmt: skip
SEATING_VELOCITY = Check(
    "seating_velocity", "Seating velocity", "speed", "velocity",
    "How fast the valve meets its seat up to the red line, simulated. Held only against a stated limit.",
)  # fmt: skip
SURGE_ORDER = Check(
    "surge_order", "Surges in a turn of the cam", "speed", "ratio",
    "How many times the spring surges while its cam turns once at the red line: the order that meets it there. "
    "Held only against a stated limit.",
)  # fmt: skip
TAKE_UP = Check(
    "take_up", "Lash taken up", "speed", "velocity",
    "How fast the valve is picked up out of its lash at the red line. Held only against a stated limit.",
)  # fmt: skip
_WORKED_FROM, _SLOTS = frozenset(WORKED_FROM), slots_of(WORKED_FROM) | {"spring"}


def check_at_red_line(book: Book, moved: InMotion | None) -> list[Finding]:
    """Hold what the simulation says of every valve up to the red line against its limits."""
    if moved is None:
        return []
    return [*_piston(book, moved), *_seating(book, moved), *_order(book, moved), *_take_up(book, moved)]


def _piston(book: Book, moved: InMotion) -> list[Finding]:
    if not any(is_given(book, name) for name in GIVEN):
        return []
    valves, floats = moved.valves, moved.swept.floats
    rest = at_rest(narrowed(book, _WORKED_FROM, _SLOTS, parts=True))
    shrinks, u = nearer_piston_mm(rest.worked, rest.through, moved.swept.sweeps, speeds_to(floats, moved.red_rpm))
    nearer = drawn_nearer(book)
    left = derive(
        lambda still, *more: still - shrinks - sum(more),
        rest.least, *(estimate_of([one] * len(valves.names)) for one in nearer),
    )  # fmt: skip
    overshoot = Source("motion:overshoot", "what the valve overshoots, simulated", shared=False)
    figure = left.figure.doubted(overshoot, u).on_ground(np.isnan(shrinks), Ground.MISSING)
    judged = barred_as(Estimate(figure, left.inputs), floats)
    limits = valves.limits(book, PISTON_AT_SPEED.name)
    about = None
    if all(
        one.quantity != STRETCH for one in nearer
    ):  # what aluminium rods ask for is their stretch: told, it is not asked twice
        judged, about = over_rods(book, judged, limits)
    terms = {
        "clearance_at_rest": rest.least.figure.value, "overshoot_takes": shrinks,
        "drawn_nearer": np.full(len(shrinks), sum(one.value for one in nearer)), "red_line": moved.red_rpm,
    }  # fmt: skip
    return findings(
        PISTON_AT_SPEED, valves.places, valves.names, judged, limits, about=about, terms=terms, remarks=rest.remarks
    )


def _take_up(book: Book, moved: InMotion) -> list[Finding]:
    valves = moved.valves
    limits = valves.limits(book, TAKE_UP.name)
    if not any(limits):
        return []
    speed = take_up_m_s(book, valves.moving)
    return findings(TAKE_UP, valves.places, valves.names, speed, limits, terms={"red_line": moved.red_rpm})


def _seating(book: Book, moved: InMotion) -> list[Finding]:
    valves = moved.valves
    limits = valves.limits(book, SEATING_VELOCITY.name)
    if not any(limits):
        return []
    told, u = seating_m_s(moved.swept.sweeps, speeds_to(moved.swept.floats, moved.red_rpm))
    estimate = simulated(told, u, moved.swept.floats, "seating velocity")
    terms = {"red_line": moved.red_rpm}
    return findings(SEATING_VELOCITY, valves.places, valves.names, estimate, limits, terms=terms)


def _order(book: Book, moved: InMotion) -> list[Finding]:
    valves = moved.valves
    limits = valves.limits(book, SURGE_ORDER.name)
    if not any(limits):
        return []
    hz = surge_hz(book, moved.stands, moved.swept.trains)
    terms = {"surge_frequency": hz.figure.value, "red_line": moved.red_rpm}
    return findings(SURGE_ORDER, valves.places, valves.names, per_turn(hz, moved.stands), limits, terms=terms)
