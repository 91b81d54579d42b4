"""What sits where: a fitment puts a part in a slot at a position, and every fit, cut or mill makes a new one.

Whether a reading is stale is told by comparing the fitment ids it was taken with against those of now; it is
never stored.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.remember import by_identity

Slot = Literal["spring", "shims", "locator", "retainer", "locks", "valve", "pocket"]
CHANGEABLE: dict[Slot, str] = {
    "valve": "another valve, or its tip or seat cut",
    "pocket": "spring pocket cut",
    "locator": "another locator or cup",
    "retainer": "another retainer",
    "locks": "other locks",
}


class Fitment(Struct, frozen=True, forbid_unknown_fields=True):
    """A part in a slot at a position. `part`: a spring's id. `thicknesses_mm`: a stack, from the pad up."""

    id: str
    slot: Slot
    position: str
    part: str = ""
    thicknesses_mm: tuple[float, ...] | None = None
    note: str = ""
    when: str = ""
    by: str = ""

    @property
    def height_mm(self) -> float | None:
        """Give the height of the stack; None when nobody stated one."""
        return None if self.thicknesses_mm is None else sum(self.thicknesses_mm)


@by_identity
def in_place(fitments: tuple[Fitment, ...]) -> dict[tuple[str, str], Fitment]:
    """Give what sits in each (slot, position) now: the latest fitment there."""
    return {(one.slot, one.position): one for one in fitments}


@by_identity
def springs_in_place(fitments: tuple[Fitment, ...]) -> dict[str, list[str]]:
    """Give the positions each spring sits at now, by its id: one, unless something is wrong."""
    places: dict[str, list[str]] = {}
    for (slot, position), one in in_place(fitments).items():
        if slot == "spring" and one.part:
            places.setdefault(one.part, []).append(position)
    return places
