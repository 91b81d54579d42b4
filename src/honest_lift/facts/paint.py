"""Which way a spring's paint mark goes when it is fitted: makers differ, and some differ by role."""

from __future__ import annotations

from honest_lift.facts.engine import Engine
from honest_lift.facts.place import at_position


def paint_words(engine: Engine, position: str) -> str:
    """Say how the card wants the paint at a valve: `paint mark (red) goes up, to the retainer`; "" where it says nothing."""
    card = engine.card_of(engine.spring_at(position))
    if card is None or not card.paint_goes:
        return ""
    intake = at_position(position).role == "intake"
    first, _, second = card.paint_goes.partition(", ")
    side = (first if intake or not second else second).partition(" ")[0]
    mark = f"paint mark ({card.paint})" if card.paint else "paint mark"
    return f"{mark} goes {side}, {'to the retainer' if side == 'up' else 'to the head'}"
