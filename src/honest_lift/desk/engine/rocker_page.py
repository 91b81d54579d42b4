"""The rocker's plane: how it is carried, and the dimensions from which the sheet draws and works it out."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox

from honest_lift.desk.engine.page import Page
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe
from honest_lift.facts.quantities import follower, rocker

_ROLES = ("", "intake", "exhaust")
_OF_FINGER = (*follower.FINGER, "pad_centre", "under_rocker", "retainer_below", "retainer_across")
_PLACES = {
    "pushrod": {row.name: _ROLES for row in rocker.ROWS if "role" in row.places}
    | {"checking_shortest": ("",), "checking_pitch": ("",)},
    "finger follower": dict.fromkeys(_OF_FINGER, _ROLES),
    "bucket": {},
}
_HINT = (
    "Seen from the side, everything counts from the closed valve's tip: along the stem up, square to it away from the pivot. "
    "What holds for both is stated for the engine. Point at a line for how it is measured."
)
_MOUNTS = {
    "pushrod": {"stud": "on studs: the nut sets the lash, a longer pushrod raises the pivot",
                "shaft": "on a shaft: the stand sets the pivot, the adjuster the lash"},
    "finger follower": {"stud": "pivot on a screw or a hydraulic lifter: it sets the lash",
                        "shaft": "pivot fixed: the pad on the tip sets the lash"},
    "bucket": {"stud": "buckets have no arms: their shims are on the rocker sheet"},
}  # fmt: skip
_TURNS = {
    "": "which way the cam turns is not stated: timing counts as less sure",
    "toward the valve": "the lobe runs over the finger toward the valve",
    "toward the pivot": "the lobe runs over the finger toward the pivot",
}


class RockerPage(Page):
    """How the rocker or finger is carried above, its dimensions below."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.mount = QComboBox()
        self.mount.setAccessibleName(self.tr("how the rockers are carried"))
        self.mount.activated.connect(lambda _: self._carry())
        self.turns = QComboBox()
        self.turns.setAccessibleName(self.tr("which way the cam turns over the finger"))
        for key, words in _TURNS.items():
            self.turns.addItem(self.tr(words), key)
        self.turns.activated.connect(lambda _: self._turn())
        self.add_row(self.mount, self.turns)
        self.stated = StatedTable(session, _PLACES[session.engine.gear], self.tr("The rocker's plane"), 250)
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 1)
        self._gear = ""
        self.refresh()

    def refresh(self) -> None:
        gear = self.session.engine.gear
        if gear != self._gear:
            self._gear = gear
            self.mount.clear()
            for key, words in _MOUNTS[gear].items():
                self.mount.addItem(self.tr(words), key)
            self.stated.show_places(_PLACES[gear])
        self.mount.setCurrentIndex(max(self.mount.findData(self.session.engine.rocker_mount), 0))
        self.turns.setVisible(gear == "finger follower")
        self.turns.setCurrentIndex(max(self.turns.findData(self.session.engine.cam_turns), 0))
        self.stated.refresh()

    def _turn(self) -> None:
        turns = self.turns.currentData()
        if turns != self.session.engine.cam_turns:
            self.session.do(Describe({"cam_turns": turns}, f"cam turns {turns or 'not stated which way'}"))

    def _carry(self) -> None:
        mount = self.mount.currentData()
        if mount != self.session.engine.rocker_mount:
            self.session.do(Describe({"rocker_mount": mount}, f"rockers on a {mount}"))
