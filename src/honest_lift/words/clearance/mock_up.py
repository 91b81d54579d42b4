"""How two valves are set for a mock-up of the overlap on the bench, in words."""

from __future__ import annotations

from math import isfinite

from honest_lift.estimates.clearance.mock_up import Opened, opened_at_tdc
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words


def mock_up_words(book: Book, position: str) -> str:
    """Say how far this valve and the one against it are to protrude, or be open; "" where none stands against it."""
    other = book.engine.layout.opposite(position)
    if not other:
        return ""
    told = [_set(book.engine, opened_at_tdc(book, name)) for name in (position, other)]
    return "" if not any(told) else "; ".join(one for one in told if one)


def _set(engine: Engine, one: Opened) -> str:
    unit, name = engine.unit("length"), position_title(one.position)
    if not isfinite(one.lift_mm):
        return f"{name}: its TDC lift is not known, read it or state it on the cam card"
    lift = in_words(one.lift_mm, "length", unit)
    if not isfinite(one.set_to_mm):
        return f"{name} open by {lift} ({one.told_by})"
    closed, to = (in_words(value, "length", unit) for value in (one.closed_mm, one.set_to_mm))
    return f"{name}: stem protruding {to}, {closed} less {lift} ({one.told_by})"
