"""The trial sheet: change one thing, see what moves; several trials side by side."""

from __future__ import annotations

from PyQt6.QtWidgets import QLabel, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.trial.one_page import OnePage
from honest_lift.desk.trial.side_page import SidePage


class TrialSheet(QWidget):
    """Two pages: one trial, and all kept ones beside each other."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.tabs, self.stack = QLabel(), QTabBar(), QStackedWidget()
        self.one_page, self.side_page = OnePage(session), SidePage(session)
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setAccessibleName(self.tr("Pages of the trial"))
        self.pages = {"One trial": self.one_page, "Side by side": self.side_page}
        for name, page in self.pages.items():
            self.tabs.addTab(self.tr(name))
            self.stack.addWidget(page)
        self.subtitle.setText(self.tr("what would move, and what stays; the engine is not touched"))
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Trial"), self.subtitle))
        column.addWidget(self.tabs)
        column.addWidget(self.stack, 1)
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
        if self.session.step == "trial":
            self.stack.currentWidget().refresh()
