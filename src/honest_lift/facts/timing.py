"""By how much the cam was moved in its drive since something was read or stated, where that was written down."""

from __future__ import annotations

from honest_lift.facts.engine import Engine
from honest_lift.facts.fitments import WHOLE, Fitment, since

ADVANCE = "advance"


def advanced_since(engine: Engine, fitted: str) -> float | None:
    """Give crank degrees of advance since a cam fitment ("" for before all); None where anything else was done to the cam."""
    moved = since(engine.fitments, "cam", WHOLE, fitted)
    if any(one.change != ADVANCE or one.amount is None for one in moved):
        return None
    return sum(one.amount or 0.0 for one in moved)


def advanced_on_card(engine: Engine) -> float:
    """Give crank degrees of advance since the cam that the card speaks of was fitted."""
    moved: list[Fitment] = []
    for one in since(engine.fitments, "cam", WHOLE, ""):
        moved = [*moved, one] if one.change == ADVANCE and one.amount is not None else []
    return sum(one.amount or 0.0 for one in moved)


def of_another_cam(engine: Engine, fitted: str) -> bool:
    """Tell whether a whole other cam was fitted since a cam fitment: what was read of the old one says nothing of it."""
    return any(one.change == "cam" for one in since(engine.fitments, "cam", WHOLE, fitted))
