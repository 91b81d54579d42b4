"""Through the turn: a crank turned by hand, and rows of readings typed angle by angle."""

from __future__ import annotations

from PyQt6.QtWidgets import QLabel, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.turn.crank_page import CrankPage
from honest_lift.desk.turn.rows_page import RowsPage
from honest_lift.facts.place import position_title


class TurnSheet(QWidget):
    """Two pages: the crank handle with all that moves, and the row of readings at the current valve."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.tabs, self.stack = QLabel(), QTabBar(), QStackedWidget()
        self.crank_page, self.rows_page = CrankPage(session), RowsPage(session)
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setAccessibleName(self.tr("Pages of the turn"))
        for name, page in (("What comes near", self.crank_page), ("Readings in a row", self.rows_page)):
            self.tabs.addTab(self.tr(name))
            self.stack.addWidget(page)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Through the turn"), self.subtitle))
        column.addWidget(self.tabs)
        column.addWidget(self.stack, 1)
        self.tabs.currentChanged.connect(self._show)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in (self.crank_page, self.rows_page):
            page.dress(theme, zoom)

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        names = [self.tabs.tabText(i) for i in range(self.tabs.count())]
        self.tabs.setCurrentIndex(names.index(self.tr(name)))

    def _show(self, index: int) -> None:
        self.stack.setCurrentIndex(index)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "turn":
            return
        here = self.session.position
        self.subtitle.setText(position_title(here) if here else self.tr("no valve laid out yet"))
        for page in (self.crank_page, self.rows_page):
            page.refresh()
