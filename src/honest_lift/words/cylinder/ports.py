"""Ports of a cylinder in words: where the intake stops gaining beside what the cam lifts, and the exhaust's share of it."""

from __future__ import annotations

from math import isfinite

from honest_lift.estimates.cylinder.port_flow import PortFlow, port_flow
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title
from honest_lift.numbers.units import in_words

_SHARE = (60.0, 80.0)  # of the intake's flow: with less a giant exhaust valve is wanted. Common practice, no source


def port_words(book: Book, cylinder: tuple[str, ...]) -> tuple[str, ...]:
    """Say what was flowed at the valves of a cylinder; nothing where nothing was."""
    flows = {one: port_flow(book, one) for one in cylinder}
    lines = [_of_port(book, name, one) for name, one in flows.items() if one.flow]
    intakes, exhausts = ([flows[one] for one in cylinder if at_position(one).role == role and flows[one].flow]
                         for role in ("intake", "exhaust"))  # fmt: skip
    if intakes and exhausts:
        lines.append(_share(book, intakes[0], exhausts[0]))
    return tuple(one for one in lines if one)


def cam_lift_mm(book: Book, position: str) -> float:
    """Give the lift the cam gives at a valve, as the spring checks count with it; NaN where it is not known."""
    names = [one.id for one in book.engine.layout.positions]
    return float(lift_at_valve(book).figure.value[names.index(position)])


def _of_port(book: Book, position: str, flow: PortFlow) -> str:
    length, unit = book.engine.unit("length"), book.engine.unit("flow")
    lift, most = cam_lift_mm(book, position), max(flow.flow)
    told = f"{position_title(position)}: max {in_words(most, 'flow', unit)}"
    if flow.stale:
        told += ", flowed before its valve or seat was changed"
    if not isfinite(flow.stalls_mm):
        return f"{told}; it still gains at {in_words(flow.lift_mm[-1], 'length', length)}, the highest lift that was flowed."
    told += f"; from {in_words(flow.stalls_mm, 'length', length)} on it gains next to nothing"
    if not isfinite(lift):
        return f"{told}."
    over = lift - flow.stalls_mm
    beside = "more" if over > 0 else "less"
    return f"{told}, and the cam lifts {in_words(lift, 'length', length)}: {in_words(abs(over), 'length', length)} {beside}."


def _share(book: Book, intake: PortFlow, exhaust: PortFlow) -> str:
    both = [one for one in intake.lift_mm if isfinite(exhaust.at(one))]
    if not both:
        return ""
    shares = [100.0 * exhaust.at(one) / intake.at(one) for one in both]
    mean = sum(shares) / len(shares)
    low, high = _SHARE
    beside = (
        "about what is usual" if low <= mean <= high else "less than is usual" if mean < low else "more than is usual"
    )
    return (
        f"The exhaust flows {min(shares):.0f} to {max(shares):.0f} percent of the intake at the same lifts, {mean:.0f} on the "
        f"whole: {beside} ({low:.0f} to {high:.0f}, common practice). Figures of two benches, or two depressions, do not compare."
    )
