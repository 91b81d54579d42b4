"""What a cam card comes to, line by line, and where it contradicts itself."""

from __future__ import annotations

from honest_lift.estimates.cam.card import contradictions, durations_of, flank_of, lobe_of, middles
from honest_lift.facts.engine import Book
from honest_lift.numbers.units import in_words


def card_words(book: Book) -> tuple[str, ...]:
    """Give the lines under the card."""
    lines = [f"Contradiction, {one}." for one in contradictions(book)]
    for role in ("intake", "exhaust"):
        lobe = lobe_of(book.engine, role)
        told = middles(book, role)
        ways = ", ".join(f"{one.centreline_deg:.1f} by {_by(one.by)}" for one in told)
        flank = flank_of(book, role)
        count = len(durations_of(lobe)) if lobe else 0
        words = [f"{role}: centre {ways}" if told else f"{role}: its centreline is not known"]
        if isinstance(flank, str):
            words.append(flank.removeprefix(f"{role}: "))
        else:
            lift = in_words(flank.lift_mm, "length", book.engine.unit("length"))
            words.append(f"a lobe of {lift} meets all {count} durations")
            if count == 2:
                words.append("a third duration, high up, would tell its shape far better")
        lines.append("; ".join(words) + ".")
    return tuple(f"{one[:1].upper()}{one[1:]}" for one in lines)


def _by(way: str) -> str:
    return {"card": "the card", "events": "its events", "lift at TDC": "its lift at TDC, shape assumed"}.get(way, way)
