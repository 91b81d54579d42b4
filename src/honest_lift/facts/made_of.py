"""What guides are of, and where hardened bases lie, where that is not alike over the whole engine.

A head that was sleeved in bronze on its exhausts only, one pocket without its hardened shim: stated for a head, a role or a valve.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.place import Place

GuideMaterial = Literal["", "iron", "bronze"]
Base = Literal["", "fitted", "none"]


class MadeOf(Struct, frozen=True, forbid_unknown_fields=True):
    """What differs at a place; "" where it is as further off."""

    place: Place
    guides: GuideMaterial = ""
    base: Base = ""
