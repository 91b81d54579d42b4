"""Parts of the head that valves share: tips, pockets, retainers and locks, stated or measured for all alike."""

from __future__ import annotations

from honest_lift.desk.engine.page import Page
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.session import Session

_PLACES = {
    "tip_height_target": ("", "intake", "exhaust"), "retainer_angle": ("",), "lock_angle": ("",),
    "lock_stem": ("", "intake", "exhaust"), "stem_at_lock": ("", "intake", "exhaust"), "lock_length": ("",),
    "retainer_spigot": ("",), "retainer_under": ("", "intake", "exhaust"), "parts_offset": ("",),
    "floor_diameter": ("",), "pilot_diameter": ("",),
    "retainer_mass": ("", "intake", "exhaust"), "valve_mass": ("intake", "exhaust"),
}  # fmt: skip
_HINT = (
    "What holds for all valves alike. Locks and retainer must have one angle; 7 and 10 degrees look alike. Where another "
    "part is fitted at one valve later, only a reading of its own speaks of it. What is left blank is not checked, but for "
    "the angles, which are."
)


class HeadPage(Page):
    """One table of stated and measured figures."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.stated = StatedTable(session, _PLACES, self.tr("Parts of the head"), 330)
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 1)
        self.refresh()

    def refresh(self) -> None:
        self.stated.refresh()
