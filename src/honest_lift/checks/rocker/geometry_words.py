"""What a spring's geometry predicts in words, beside what was measured; and what its card says that can't all be so."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.spring.stress_words import stress_words
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.spring.form import form_of
from honest_lift.estimates.spring.geometry import Predicted, nest_solid, predicted_of
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.numbers.units import in_figures, in_words

_APART = 0.10  # past it geometry and tester tell of two different springs. Common practice, no source
_BIND_APART_MM = 1.0  # solid height from coils that nobody counted to a quarter. From memory
_LEAST_ROOM_MM = 1.0  # a card's own height less bind less lift. Common practice, no source
_TOLD = {
    "linear": "its rate is even: a linear spring", "progressive": "its rate steps up: a progressive spring",
    "tapered": "its rate glides up: a tapered spring", "falling": "its rate falls, which no spring does: measure it again",
    "rising": "its rate rises: progressive or tapered, these points do not tell which",
}  # fmt: skip


def geometry_words(book: Book, spring: str) -> str:
    """Say what geometry predicts of a spring and where the tester disagrees; "" where its card does not state it."""
    card = book.engine.card_of(spring)
    members = predicted_of(card)
    if not members or card is None:
        return ""
    unit = book.engine.unit("rate")
    rate = sum(one.rate_n_mm for one in members)
    frequencies = ", ".join(f"{one.name} {one.frequency_hz:.0f} Hz" for one in members)
    words = [f"From geometry: rate {in_words(rate, 'rate', unit)}; first surge frequency {frequencies}."]
    curves = spring_curves(book, [spring])
    words += _rate_words(book, curves, rate) + _bind_words(book, curves, members) + stress_words(book, card, members)
    return " ".join(words)


def form_words(book: Book, spring: str) -> str:
    """Say what form a spring has by its points, with the rate between each pair; "" for fewer than three."""
    form = form_of(spring_curves(book, [spring]), 0)
    if form.told not in _TOLD:
        return ""
    unit = book.engine.unit("rate")
    rates = ", ".join(in_figures(one, "rate", unit) for one in form.rates_n_mm[::-1].tolist())
    return f"By its points {_TOLD[form.told]} ({rates} {unit} from free to bind)."


def card_words(book: Book, card: SpringCard | None) -> str:
    """Check a card's own arithmetic: what it says that can't all be so; "" where it agrees with itself."""
    if card is None:
        return ""
    unit, words = book.engine.unit("length"), []
    seat, opened, bind, lift = card.seat_height_mm, card.open_height_mm, card.bind_height_mm, card.most_lift_mm
    if seat is not None and opened is not None and opened >= seat:
        words.append("its open height is not below its installed height")
    if card.seat_load_n is not None and card.open_load_n is not None and card.open_load_n <= card.seat_load_n:
        words.append("its open load is not above its seat load")
    if seat is not None and bind is not None and lift is not None and seat - bind - lift < _LEAST_ROOM_MM:
        room = in_words(seat - bind - lift, "length", unit)
        words.append(f"its installed height less coil bind less max lift leaves {room}, which is no margin")
    if opened is not None and bind is not None and opened <= bind:
        words.append("its open height is not above its bind height")
    if seat is not None and card.free_length_mm is not None and card.free_length_mm <= seat:
        words.append("its free length is not above its installed height")
    words += _free_of_line(book, card)
    return f"The card {card.name} does not agree with itself: {'; '.join(words)}." if words else ""


def _free_of_line(book: Book, card: SpringCard) -> list[str]:
    """Point out a free length far off the line through the card's two loads; a progressive spring starts softer."""
    stated = (card.seat_height_mm, card.seat_load_n, card.open_height_mm, card.open_load_n, card.free_length_mm)
    if any(one is None for one in stated) or card.form in ("progressive", "tapered"):
        return []
    seat, low, opened, high, free = (float(one) for one in stated if one is not None)
    if opened >= seat or high <= low:
        return []
    along = seat + low * (seat - opened) / (high - low)
    if abs(along - free) <= _APART * (free - seat):
        return []
    line, said = (in_words(one, "length", book.engine.unit("length")) for one in (along, free))
    return [f"its two loads lie on a line to a free length of {line}, it says {said}"]


def _rate_words(book: Book, curves: Curves, rate: float) -> list[str]:
    points = sorted(curves.inputs[0][0].points)
    if len(points) < 2:
        return []
    (low, most), (high, least) = points[0], points[-1]
    measured = (most - least) / (high - low)
    words = [f"Measured rate {in_words(measured, 'rate', book.engine.unit('rate'))}."]
    off = rate / measured - 1
    if abs(off) > _APART:
        words.append(
            f"They are {100 * abs(off):.0f} percent apart: wire, coils or the readings are not what they are said to be."
        )
    return words


def _bind_words(book: Book, curves: Curves, members: tuple[Predicted, ...]) -> list[str]:
    solid, read = nest_solid(members), float(curves.bind.figure.value[0])
    if not isfinite(solid):
        return []
    unit = book.engine.unit("length")
    words = [f"Solid from coils {in_words(solid, 'length', unit)}."]
    if np.isfinite(read) and abs(read - solid) > _BIND_APART_MM:
        words.append(f"It was read to bind at {in_words(read, 'length', unit)}: count its coils, or press it again.")
    return words
