"""What the valves do around the turn, in words and figures, each with what it rests on."""

from __future__ import annotations

from honest_lift.estimates.cam.card import contradictions
from honest_lift.estimates.train.turn import Turn, advance_deg, separation_deg
from honest_lift.facts.engine import Book
from honest_lift.mechanics.train.linkage import GearLinkage
from honest_lift.mechanics.train.valve_turn import ValveTurn, overlap_area, overlap_deg
from honest_lift.numbers.units import in_words

CHECK_MM = 1.27
_SEAT_MM = 0.05
_BY_CARD = "By the card: durations and lift are the card's own, the shape between them is assumed. Nothing that rests on it passes."


def grounds(turns: dict[str, Turn], unit: str = "mm") -> str:
    """Say what the curves rest on: the card with its assumed shape, or measured lobes and what is not sure of them."""
    drawn = [one for one in turns.values() if one.valve]
    if not drawn:
        return ""
    by_card = [one.role for one in drawn if one.measured is None]
    words = []
    if by_card:
        whose = "" if len(by_card) == len(drawn) else f" ({by_card[0]})"
        words.append(_BY_CARD.replace("By the card", f"By the card{whose}"))
    for one in drawn:
        if one.measured:
            where = one.measured.found.table.place.title
            words.append(f"{where}: measured at the {one.measured.found.table.read_at}, timed by {one.timed_by}.")
        words += [f"{one.role.capitalize()}: {doubt}." for doubt in (*_bled(one, unit), *one.doubts)]
    return " ".join(words)


def _bled(turn: Turn, unit: str) -> tuple[str, ...]:
    bleed = turn.lifted.bleed_mm if turn.bled and turn.lifted else 0.0
    less = in_words(bleed, "length", unit)
    return (f"shown less {less} of the lifter's bleed-down; every check has the lifter hard",) if bleed else ()


def cam_words(book: Book, turns: dict[str, Turn], check_mm: float = CHECK_MM) -> tuple[str, ...]:
    """Give the lines of the camshaft sheet. `check_mm`: the valve lift events are told at."""
    unit = book.engine.unit("length")
    lines = [one.missing for one in turns.values() if one.missing]
    lines += [_events(role, one.valve, unit, check_mm) for role, one in turns.items() if one.valve]
    intake, exhaust = turns["intake"].valve, turns["exhaust"].valve
    if intake and exhaust:
        seat, check = overlap_deg(intake, exhaust, _SEAT_MM), overlap_deg(intake, exhaust, check_mm)
        area = overlap_area(intake, exhaust) / (25.4 if unit == "in" else 1.0)
        lines.append(
            f"Overlap: {seat:.0f} degrees off the seats ({in_words(_SEAT_MM, 'length', unit)}), {check:.1f} at "
            f"{in_words(check_mm, 'length', unit)} of valve lift, area {area:.{2 if unit == 'in' else 1}f} {unit} x degrees."
        )
    if any(one.valve and isinstance(one.valve.linkage, GearLinkage) for one in turns.values()):
        lines.append("The lift goes through the rocker's own dimensions, not through one ratio.")
    lines += _placed(turns)
    lines += [f"The card contradicts itself, {one}." for one in contradictions(book)]
    return tuple(f"{one[:1].upper()}{one[1:]}" for one in lines)


def _events(role: str, valve: ValveTurn, unit: str, check_mm: float) -> str:
    import numpy as np

    at_tdc, events = float(valve.lift(np.array(0.0))), valve.events(check_mm)
    words = f"{role}: {in_words(valve.peak_mm, 'length', unit)} at the valve, {in_words(at_tdc, 'length', unit)} at TDC"
    at = in_words(check_mm, "length", unit)
    if events is None:
        return f"{words}; it never passes {at} of valve lift."
    opens, closes = events
    return f"{words}; at {at} it opens {crank_words(opens)}, closes {crank_words(closes)}."


def crank_words(crank_deg: float) -> str:
    """Say a crank angle by the nearer dead centre: `12.0° BTDC`, `40.5° ABDC`.

    >>> crank_words(-12.0), crank_words(220.5), crank_words(-230.0)
    ('12.0° BTDC', '40.5° ABDC', '50.0° BBDC')
    """
    turned = (crank_deg + 180.0) % 360.0 - 180.0
    centre, off = ("TDC", turned) if abs(turned) <= 90.0 else ("BDC", turned - 180.0 if turned > 0 else turned + 180.0)
    return f"{abs(off):.1f}° {'B' if off < 0 else 'A'}{centre}"


def stands(advance: float) -> str:
    """Say how a cam stands, the sign in words."""
    if abs(advance) < 0.05:
        return "straight up"
    return f"{abs(advance):.1f} crank degrees {'advanced' if advance > 0 else 'retarded'}"


def _placed(turns: dict[str, Turn]) -> list[str]:
    separation, advance = separation_deg(turns), advance_deg(turns)
    if separation is None or advance is None:
        return []
    return [f"Lobe separation {separation:.1f} cam degrees; the cam is {stands(advance)}."]
