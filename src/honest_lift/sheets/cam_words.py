"""What the valves do around the turn, in words and figures; every one rests on a shape that is assumed."""

from __future__ import annotations

from honest_lift.estimates.cam_turn import advance_deg, contradictions, separation_deg, turn_of
from honest_lift.facts.engine import Book
from honest_lift.mechanics.cam.turn import ValveTurn, overlap_area, overlap_deg
from honest_lift.numbers.units import in_words

CHECK_MM = 1.27
ASSUMED = (
    "Shapes are assumed: durations and lift are the card's own, what lies between is the smoothest there is. Nothing that "
    "rests on it passes."
)


def cam_words(book: Book) -> tuple[str, ...]:
    """Give the lines of the camshaft sheet."""
    unit = book.engine.unit("length")
    turns = {role: turn_of(book, role) for role in ("intake", "exhaust")}
    lines = [one.missing for one in turns.values() if one.missing]
    lines += [_events(role, one.valve, unit) for role, one in turns.items() if one.valve]
    intake, exhaust = turns["intake"].valve, turns["exhaust"].valve
    if intake and exhaust:
        seat, check = overlap_deg(intake, exhaust, 0.05), overlap_deg(intake, exhaust, CHECK_MM)
        area = overlap_area(intake, exhaust) / (25.4 if unit == "in" else 1.0)
        lines.append(
            f"Overlap: {seat:.0f} degrees off the seats ({in_words(0.05, 'length', unit)}), {check:.1f} at "
            f"{in_words(CHECK_MM, 'length', unit)} of valve lift, area {area:.{2 if unit == 'in' else 1}f} {unit} x degrees."
        )
    lines += _placed(book) + [f"{one[:1].upper()}{one[1:]}." for one in contradictions(book)]
    return tuple(f"{one[:1].upper()}{one[1:]}" for one in lines)


def _events(role: str, valve: ValveTurn, unit: str) -> str:
    import numpy as np

    at_tdc, events = float(valve.lift(np.array(0.0))), valve.events(CHECK_MM)
    words = f"{role}: {in_words(valve.peak_mm, 'length', unit)} at the valve, {in_words(at_tdc, 'length', unit)} open at TDC"
    if events is None:
        return f"{words}."
    opens, closes = events
    if role == "intake":
        told = (
            f"opens {_side(-opens, 'before TDC', 'after TDC')}, closes {_side(closes - 180, 'after BDC', 'before BDC')}"
        )
    else:
        told = (
            f"opens {_side(-180 - opens, 'before BDC', 'after BDC')}, closes {_side(closes, 'after TDC', 'before TDC')}"
        )
    return f"{words}; at {in_words(CHECK_MM, 'length', unit)} of valve lift it {told}."


def _side(degrees: float, first: str, other: str) -> str:
    return f"{abs(degrees):.1f} {first if degrees >= 0 else other}"


def _placed(book: Book) -> list[str]:
    """Say separation and advance, the sign in words."""
    lobes = {one.id: one for one in book.engine.lobes}
    if set(lobes) != {"intake", "exhaust"}:
        return []
    separation, advance = (
        separation_deg(lobes["intake"], lobes["exhaust"]),
        advance_deg(lobes["intake"], lobes["exhaust"]),
    )
    if separation is None or advance is None:
        return []
    stands = (
        "straight up"
        if abs(advance) < 0.05
        else f"{abs(advance):.1f} crank degrees {'advanced' if advance > 0 else 'retarded'}"
    )
    return [f"Lobe separation {separation:.1f} cam degrees; the cam stands {stands}."]
