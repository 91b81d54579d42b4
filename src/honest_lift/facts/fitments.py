"""What sits where: a fitment puts a part in a slot at a position, and every fit, cut or mill makes a new one.

Whether a reading is stale is told by comparing the fitment ids it was taken with against those of now; it is
never stored.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

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
