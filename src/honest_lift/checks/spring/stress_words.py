"""Stress and fatigue of a spring's members at its card's heights: advice for comparing springs, never a verdict."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.estimates.spring.geometry import Predicted, fatigue_of
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.numbers.units import in_words


def stress_words(book: Book, card: SpringCard, members: tuple[Predicted, ...]) -> list[str]:
    """Say what stress each member bears at the card's open height, and its margin to fatigue; nothing where it can't be told."""
    seat, opened = card.seat_height_mm, card.open_height_mm
    if seat is None or opened is None:
        return []
    unit, told = book.engine.unit("stress"), []
    for one in members:
        stress = float(one.stress(np.array(opened)))
        if isfinite(stress) and stress > 0.0:
            margin = fatigue_of(card, one, seat, opened)
            safe = f", fatigue safety factor {margin:.2f}" if isfinite(margin) else ""
            told.append(f"{one.name} {in_words(stress, 'stress', unit)}{safe}")
    return [f"At the card's open height: {'; '.join(told)} (advice, no verdict)."] if told else []
