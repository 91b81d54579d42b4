"""What one reading leaves open of other pieces: each has a tolerance of its own, or differs from the one that was read."""

from __future__ import annotations

from math import sqrt

from msgspec.structs import replace

from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.pieces import between_pieces
from honest_lift.facts.place import Place


def for_others(engine: Engine, told: Input, spread: float = 0.0) -> Input:
    """Add what pieces differ by, where one was read for others."""
    if told.asked is None or told.is_own:
        return told
    between = between_pieces(engine.tolerances, told.quantity, told.value) / sqrt(3.0)
    return of_a_piece(engine, told, "piece", f"one {told.title} read for others", max(between, spread))


def of_a_piece(engine: Engine, told: Input, key: str, label: str, u: float) -> Input:
    """Add what each piece has of its own: a tolerance, or what it differs by from the one that was read."""
    if not u or told.asked is None:
        return told
    if CATALOG[told.quantity].one_a_head and (head := head_of(engine, told.asked)):
        return replace(told, shared=(*told.shared, (f"{key}:{told.quantity}:{head}", label, u)))
    return replace(told, each=(*told.each, (f"{key}:{told.quantity}", label, u)))


def head_of(engine: Engine, place: Place) -> str:
    """Give the name of the head a place belongs to; "" for what belongs to none."""
    if place.kind == "head":
        return place.name
    if place.kind == "cylinder":
        return engine.layout.head_of_cylinder(place.name)
    return engine.layout.head_of(place.name) if place.kind == "position" else ""
