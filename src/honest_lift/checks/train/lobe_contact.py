"""What a follower presses on the nose of its lobe turned slowly, where somebody states a most for it: idle with strong springs."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.train.in_motion import InMotion
from honest_lift.estimates.train.lobe_contact import nose_load, nose_pressure
from honest_lift.facts.engine import Book

NOSE_LOAD = Check(
    "nose_load", "Load on the lobe's nose", "speed", "load",
    "What presses on the nose of the lobe at idle: the open load through the rocker. Held only against a stated limit.",
)  # fmt: skip
NOSE_PRESSURE = Check(
    "nose_pressure", "Contact stress on the lobe's nose", "speed", "stress",
    "Greatest pressure between the lobe's nose and its roller, pad or bucket at idle. Held only against a stated limit.",
)  # fmt: skip


def check_lobe_contact(book: Book, moved: InMotion | None) -> list[Finding]:
    """Hold load and pressure on every lobe's nose against the limits that are stated; none where none is."""
    if moved is None:
        return []
    valves = moved.valves
    asked = {check: limits for check in (NOSE_LOAD, NOSE_PRESSURE) if any(limits := valves.limits(book, check.name))}
    load = nose_load(valves.open_load, valves.moving)
    terms = {"open_load": valves.open_load.figure.value, "nose_load": load.figure.value}
    found: list[Finding] = []
    for check, limits in asked.items():
        estimate = load if check is NOSE_LOAD else nose_pressure(book, load, valves.moving)
        found += findings(check, valves.places, valves.names, estimate, limits, terms=terms)
    return found
