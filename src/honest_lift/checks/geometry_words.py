"""What a spring's geometry predicts, as a second line beside what was measured; never in place of it."""

from __future__ import annotations

import numpy as np

from honest_lift.estimates.loads import spring_curves
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import Member
from honest_lift.mechanics.spring import helix
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

_APART = 0.10  # past it geometry and tester tell of two different springs. Common practice, no source


def geometry_words(book: Book, spring: str) -> str:
    """Say what rate and natural frequency the card's geometry gives, and whether the measured rate agrees.

    "" where the card does not state wire, mean diameter and active coils of every member.
    """
    card = book.engine.card_of(spring)
    members = card.members if card else ()
    if not members or not all(_is_stated(one) for one in members):
        return ""
    unit = book.engine.unit("rate")
    rates = [float(helix.rate(*_geometry(one))) for one in members]
    frequencies = ", ".join(f"{one.name} {float(helix.natural_frequency(*_geometry(one))):.0f} Hz" for one in members)
    words = f"From geometry: rate {in_words(sum(rates), 'rate', unit)}; first natural frequency {frequencies}."
    measured = _measured_rate(book, spring)
    if measured is None:
        return words
    words += f" Measured rate {in_words(measured, 'rate', unit)}."
    off = sum(rates) / measured - 1
    if abs(off) > _APART:
        words += f" They are {100 * abs(off):.0f} percent apart: wire, coils or the readings are not what they are said to be."
    return words


def _is_stated(one: Member) -> bool:
    return bool(one.wire_mm and one.mean_diameter_mm and one.active_coils)


def _geometry(one: Member) -> tuple[Array, Array, Array]:
    return np.array(one.wire_mm), np.array(one.mean_diameter_mm), np.array(one.active_coils)


def _measured_rate(book: Book, spring: str) -> float | None:
    """Give the rate between the highest and the lowest point measured on the whole spring in N/mm; None for none."""
    points = sorted(spring_curves(book, [spring]).inputs[0][0].points)
    if len(points) < 2:
        return None
    (low, most), (high, least) = points[0], points[-1]
    return (most - least) / (high - low)
