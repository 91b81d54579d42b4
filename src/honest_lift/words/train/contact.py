"""What a valve train does to its parts in words: how the valve meets its seat, the lash is taken up, and the nose is loaded."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.estimates.motion.at_red_line import seating_m_s, speeds_to
from honest_lift.estimates.motion.take_up import take_up_m_s
from honest_lift.estimates.train.lobe_contact import nose_load, nose_pressure
from honest_lift.facts.engine import Book
from honest_lift.numbers.units import in_words

_GROWN_MM = 0.1


class Contact(Struct, frozen=True):
    """What is told of one valve, NaN for what is not known: m/s, N and MPa."""

    seats_m_s: float
    taken_up_m_s: float
    grown_m_s: float
    nose_n: float
    nose_mpa: float


def contact_of(book: Book, moved: InMotion, case: int) -> Contact:
    """Work out how one valve meets its seat and its lobe."""
    valves = moved.valves
    seats, _ = seating_m_s(moved.swept.sweeps, speeds_to(moved.swept.floats, moved.red_rpm))
    load = nose_load(valves.open_load, valves.moving)
    told = (
        seats, take_up_m_s(book, valves.moving).figure.value, take_up_m_s(book, valves.moving, _GROWN_MM).figure.value,
        load.figure.value, nose_pressure(book, load, valves.moving).figure.value,
    )  # fmt: skip
    return Contact(*(float(one[case]) for one in told))


def contact_words(book: Book, moved: InMotion, case: int) -> str:
    """Say in a line or two what a valve does to seat and lobe; "" where nothing of it is known."""
    one, engine = contact_of(book, moved, case), book.engine

    def say(value: float, dimension: str) -> str:
        return in_words(value, dimension, engine.unit(dimension))

    lines = []
    if isfinite(one.seats_m_s):
        lines.append(f"Up to the red line it meets its seat at {say(one.seats_m_s, 'velocity')} at most.")
    if isfinite(one.taken_up_m_s):
        grown = f"{say(_GROWN_MM, 'length')} more lash: {say(one.grown_m_s, 'velocity')}"
        lines.append(f"The lash is taken up at {say(one.taken_up_m_s, 'velocity')}; with {grown}.")
    if isfinite(one.nose_n):
        pressure = f", a contact stress of {say(one.nose_mpa, 'stress')}" if isfinite(one.nose_mpa) else ""
        lines.append(f"At idle {say(one.nose_n, 'load')} press on the lobe's nose{pressure}.")
    return " ".join(lines)
