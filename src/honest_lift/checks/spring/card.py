"""Each spring against its own card: its loads at the card's heights, and where it binds."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_springs import card_figures, findings_on_springs
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.spring.curves import Curves
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import exact

CARD_SEAT_LOAD = Check(
    "card_seat_load",
    "Card seat load",
    "springs",
    "percent",
    "How far the spring's load at its card's installed height is off the card.",
)
CARD_OPEN_LOAD = Check(
    "card_open_load",
    "Card open load",
    "springs",
    "percent",
    "How far the spring's load at its card's open height is off the card.",
)
CARD_BIND = Check(
    "card_bind", "Below card bind", "springs", "length", "How far below its card's bind height the spring binds."
)


def check_against_card(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold each spring's loads and bind height against its own card. What the card does not give is unproven."""
    seat = _load(book, CARD_SEAT_LOAD, springs, curves, "seat_height_mm", "seat_load_n")
    opened = _load(book, CARD_OPEN_LOAD, springs, curves, "open_height_mm", "open_load_n")
    return seat + opened + _bind(book, springs, curves)


def _load(book: Book, check: Check, springs: tuple[str, ...], curves: Curves, height: str, load: str) -> list[Finding]:
    at, asked = card_figures(book, springs, height), card_figures(book, springs, load)
    measured = curves.load(Estimate(exact(at), ((),) * len(springs)))
    off = derive(lambda own: 100.0 * (own / asked - 1.0), measured)
    terms = {
        "card_height": at,
        "card_load": asked,
        "its_load_there": measured.figure.value,
    }
    return findings_on_springs(book, check, springs, off, np.isfinite(at) & np.isfinite(asked), terms)


def _bind(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    card = card_figures(book, springs, "bind_height_mm")
    below = derive(lambda own: card - own, curves.bind)
    terms = {"card_bind": card, "bind_height": curves.bind.figure.value}
    return findings_on_springs(book, CARD_BIND, springs, below, np.isfinite(card), terms)
