"""Seat and open load against what the cam asks for, or the shop's window by lifter kind; with neither, unproven."""

from __future__ import annotations

from math import isfinite

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.valves import Valves
from honest_lift.facts.engine import Book
from honest_lift.mechanics.spring.seat_pressure import seat_pressure_mpa
from honest_lift.numbers.units import in_words

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
    unit = book.engine.unit("stress")
    pressed = zip(valves.seat_load.figure.value.tolist(), valves.seat_ring_mm2, strict=True)
    return findings(
        SEAT_LOAD, valves.places, valves.names, valves.seat_load, valves.limits(book, "seat_load"), terms=terms,
        remarks=[_on_its_seat(load, ring, unit) for load, ring in pressed],
    )  # fmt: skip


def _on_its_seat(load_n: float, ring_mm2: float, unit: str) -> str:
    """Say what the seat bears, where its ring is known: advice, held to nothing."""
    if not (isfinite(load_n) and isfinite(ring_mm2)):
        return ""
    return f"over its contact ring that is {in_words(seat_pressure_mpa(load_n, ring_mm2), 'stress', unit, 2)}: advice, no limit"


def check_open_load(book: Book, valves: Valves) -> list[Finding]:
    """Hold each spring's load at full lift against the window asked for."""
    terms = {
        "installed_height": valves.installed.figure.value,
        "valve_lift": valves.lift.figure.value,
        "open_height": valves.opened.figure.value,
    }
    limits = valves.limits(book, "open_load")
    return findings(OPEN_LOAD, valves.places, valves.names, valves.open_load, limits, terms=terms)
