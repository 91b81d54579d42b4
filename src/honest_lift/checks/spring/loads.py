"""Seat and open load against what the cam asks for, or the shop's window by lifter kind; with neither, unproven."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.facts.engine import Book

SEAT_LOAD = Check(
    "seat_load", "Seat load", "heights", "load", "Load of this valve's own spring at its installed height."
)
OPEN_LOAD = Check(
    "open_load",
    "Open load",
    "heights",
    "load",
    "Load of this valve's own spring at installed height less lift.",
)


def check_seat_load(book: Book, valves: Valves) -> list[Finding]:
    """Hold each spring's load at its installed height against the window asked for."""
    terms = {"installed_height": valves.installed.figure.value}
    return findings(
        SEAT_LOAD, valves.places, valves.names, valves.seat_load, valves.limits(book, "seat_load"), terms=terms
    )


def check_open_load(book: Book, valves: Valves) -> list[Finding]:
    """Hold each spring's load at full lift against the window asked for."""
    terms = {
        "installed_height": valves.installed.figure.value,
        "valve_lift": valves.lift.figure.value,
        "open_height": valves.opened.figure.value,
    }
    limits = valves.limits(book, "open_load")
    return findings(OPEN_LOAD, valves.places, valves.names, valves.open_load, limits, terms=terms)
