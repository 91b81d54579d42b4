"""The rocker's plane: how it is carried, and the dimensions from which the sheet draws and works it out."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox

from honest_lift.desk.engine.page import Page
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe
from honest_lift.facts.quantities import rocker

_ROLES = ("", "intake", "exhaust")
_PLACES = {row.name: _ROLES for row in rocker.ROWS if "role" in row.places}
_HINT = (
    "Seen from the side, everything counts from the closed valve's tip: along the stem up, square to it away from the pivot. "
    "What holds for both is stated for the engine. Point at a line for how it is measured."
)
_MOUNTS = {"stud": "on studs: the nut sets the lash, a longer pushrod raises the pivot",
           "shaft": "on a shaft: the stand sets the pivot, the adjuster the lash"}  # fmt: skip


class RockerPage(Page):
    """How the rocker is carried above, its dimensions below."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.mount = QComboBox()
        self.mount.setAccessibleName(self.tr("how the rockers are carried"))
        for key, words in _MOUNTS.items():
            self.mount.addItem(self.tr(words), key)
        self.mount.activated.connect(lambda _: self._carry())
        self.add_row(self.mount)
        self.stated = StatedTable(session, _PLACES, self.tr("The rocker's plane"), 250)
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 1)
        self.refresh()

    def refresh(self) -> None:
        self.mount.setCurrentIndex(list(_MOUNTS).index(self.session.engine.rocker_mount))
        self.stated.refresh()

    def _carry(self) -> None:
        mount = self.mount.currentData()
        if mount != self.session.engine.rocker_mount:
            self.session.do(Describe({"rocker_mount": mount}, f"rockers on a {mount}"))
