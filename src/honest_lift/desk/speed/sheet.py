"""The speed sheet: the current valve's train swept over speed, turned at one speed, its surge, and what more would take."""

from __future__ import annotations

from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.desk.speed.motion_page import MotionPage
from honest_lift.desk.speed.stiffness_page import StiffnessPage
from honest_lift.desk.speed.surge_page import SurgePage
from honest_lift.desk.speed.sweep_page import SweepPage
from honest_lift.desk.speed.worth_page import WorthPage
from honest_lift.facts.place import position_title


class SpeedSheet(PagedSheet):
    """Pages of one valve at speed."""

    def __init__(self, session: Session) -> None:
        self.sweep_page, self.motion_page = SweepPage(session), MotionPage(session)
        self.surge_page, self.worth_page = SurgePage(session), WorthPage(session)
        self.stiffness_page = StiffnessPage(session)
        super().__init__(session, "speed", "Speed", {
            "Sweep": self.sweep_page, "Through the turn": self.motion_page, "Surge": self.surge_page,
            "What more would take": self.worth_page, "Stiffness": self.stiffness_page,
        })  # fmt: skip

    def where(self) -> str:
        """Say whose train is moved."""
        return position_title(self.session.position) if self.session.position else ""
