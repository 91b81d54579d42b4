"""The block: crank, rod and pin, which carry the piston."""

from __future__ import annotations

from honest_lift.desk.engine.page import Page
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.session import Session

_ROLES = ("intake", "exhaust")
_PLACES = {
    "stroke": ("",), "rod_length": ("",), "pin_offset": ("",), "gasket_thickness": ("",), "deck_clearance": ("",),
    "rod_stretch": ("",), "bearing_room": ("",), "heat_room": ("",),
    "valve_recess": _ROLES, "pocket_depth": _ROLES, "pocket_radius": _ROLES, "pocket_offset": _ROLES,
    "pocket_lean": ("", *_ROLES), "valve_lean": ("", *_ROLES),
    "heads_over": ("",), "heads_step": ("",), "lean_toward": _ROLES, "lean_across": ("", *_ROLES), "face_angle": ("", *_ROLES),
}  # fmt: skip
_HINT = (
    "What carries the piston. The rod is measured between the middles of its bores; the pin's offset counts positive toward "
    "the side the crankpin moves to after TDC, and is none where nothing is stated. What lies between piston and "
    "valve counts where no valve drop is measured at TDC."
)


class BlockPage(Page):
    """One table of stated figures."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.stated = StatedTable(session, _PLACES, self.tr("Block"), 330)
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 1)
        self.refresh()

    def refresh(self) -> None:
        self.stated.refresh()
