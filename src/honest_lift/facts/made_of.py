"""What guides are of, and where hardened bases lie, where that is not alike over the whole engine.

A head that was sleeved in bronze on its exhausts only, one pocket without its hardened shim: stated for a head, a role or a valve,
the nearest counts, else what is stated for the engine.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Literal

from msgspec import Struct

from honest_lift.facts.place import Place, at_position, at_role

if TYPE_CHECKING:
    from honest_lift.facts.engine import Engine

GuideMaterial = Literal["", "iron", "bronze"]
Base = Literal["", "fitted", "none"]


class MadeOf(Struct, frozen=True, forbid_unknown_fields=True):
    """What differs at a place; "" where it is as further off."""

    place: Place
    guides: GuideMaterial = ""
    base: Base = ""


def guide_material_at(engine: Engine, position: str) -> GuideMaterial:
    """Give what the guide of a valve is of; "" where nobody stated it."""
    return next((one.guides for one in _nearest(engine, position) if one.guides), engine.guide_material)


def has_base_at(engine: Engine, position: str) -> bool:
    """Tell whether a hardened shim or cup lies under the spring of a valve."""
    return next((one.base == "fitted" for one in _nearest(engine, position) if one.base), engine.hardened_base)


def _nearest(engine: Engine, position: str) -> list[MadeOf]:
    if not engine.made_of:
        return []
    place = at_position(position)
    around = (place, at_role(place.role), Place("head", engine.layout.head_of(position)))
    stated = {one.place: one for one in engine.made_of}
    return [stated[one] for one in around if one in stated]
