"""Chambers and compression: what was poured, what is left over each piston, and the way to a ratio."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.squeeze.chambers_page import ChambersPage
from honest_lift.desk.squeeze.ports_page import PortsPage
from honest_lift.desk.squeeze.ratio_page import RatioPage


class SqueezeSheet(QWidget):
    """Pages of chambers, of the way to a ratio, and of ports."""

    typed = pyqtSignal(str)
    pasted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.caution, self.tabs, self.stack = QLabel(), QLabel(), QTabBar(), QStackedWidget()
        self.caution.setObjectName("caution")
        self.caution.setText(self.tr("Solvent, alcohol and fuel burn: ventilate, no flame."))
        self.chambers_page, self.ratio_page, self.ports_page = (
            ChambersPage(session),
            RatioPage(session),
            PortsPage(session),
        )
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setAccessibleName(self.tr("Pages of chambers and compression"))
        self.pages = {"Chambers": self.chambers_page, "To a ratio": self.ratio_page, "Ports": self.ports_page}
        for name, page in self.pages.items():
            self.tabs.addTab(self.tr(name))
            self.stack.addWidget(page)
        row = QHBoxLayout()
        row.addWidget(self.tabs)
        row.addSpacing(12)
        row.addWidget(self.caution, 1)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Chambers and compression"), self.subtitle))
        column.addLayout(row)
        column.addWidget(self.stack, 1)
        self.chambers_page.typed.connect(self.typed)
        self.chambers_page.pasted.connect(self.pasted)
        self.tabs.currentChanged.connect(self._show)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in self.pages.values():
            page.dress(theme, zoom)

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        self.tabs.setCurrentIndex(list(self.pages).index(name))

    def _show(self, index: int) -> None:
        self.stack.setCurrentIndex(index)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "squeeze":
            return
        here = self.session.cylinder
        self.subtitle.setText(self.tr("cylinder {0}").format(here) if here else self.tr("no cylinder is laid out yet"))
        self.stack.currentWidget().refresh()
