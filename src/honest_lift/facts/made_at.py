"""What the guide of a valve is of, and whether a hardened base lies under its spring: the nearest place that says so counts."""

from __future__ import annotations

from honest_lift.facts.engine import Engine
from honest_lift.facts.made_of import GuideMaterial, MadeOf
from honest_lift.facts.place import Place, at_position, at_role


def guide_material_at(engine: Engine, position: str) -> GuideMaterial:
    """Give what the guide of a valve is of; "" where nobody stated it."""
    return next((one.guides for one in _nearest(engine, position) if one.guides), engine.guide_material)


def has_base_at(engine: Engine, position: str) -> bool | None:
    """Tell whether a hardened shim or cup lies under the spring of a valve; None where nobody said so or otherwise."""
    return next((one.base == "fitted" for one in _nearest(engine, position) if one.base), engine.hardened_base)


def _nearest(engine: Engine, position: str) -> list[MadeOf]:
    if not engine.made_of:
        return []
    place = at_position(position)
    around = (place, at_role(place.role), Place("head", engine.layout.head_of(position)))
    stated = {one.place: one for one in engine.made_of}
    return [stated[one] for one in around if one in stated]
