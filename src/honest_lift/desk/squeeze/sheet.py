"""Chambers and compression: what was poured, what is left over each piston, and the way to a ratio."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal

from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.desk.squeeze.chambers_page import ChambersPage
from honest_lift.desk.squeeze.ports_page import PortsPage
from honest_lift.desk.squeeze.ratio_page import RatioPage


class SqueezeSheet(PagedSheet):
    """Pages of chambers, of the way to a ratio, and of ports."""

    pasted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        self.chambers_page, self.ratio_page, self.ports_page = (
            ChambersPage(session),
            RatioPage(session),
            PortsPage(session),
        )
        pages = {"Chambers": self.chambers_page, "Target ratio": self.ratio_page, "Ports": self.ports_page}
        caution = "Solvent, alcohol and fuel burn: ventilate, no flame."
        super().__init__(session, "squeeze", "Chambers and compression", pages, caution)
        self.chambers_page.pasted.connect(self.pasted)

    def where(self) -> str:
        """Name the current cylinder."""
        here = self.session.cylinder
        return self.tr("cylinder {0}").format(here) if here else self.tr("no cylinder is laid out yet")
