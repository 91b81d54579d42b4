"""The camshaft sheet: the turn, the card, measured lobes and degreeing, a page each."""

from __future__ import annotations

from PyQt6.QtWidgets import QLabel, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.cam.card_page import CardPage
from honest_lift.desk.cam.degree_page import DegreePage
from honest_lift.desk.cam.lobes_page import LobesPage
from honest_lift.desk.cam.turn_page import TurnPage
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.facts.place import position_title


class CamSheet(QWidget):
    """Pages behind tabs; only the open one follows the session."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle = QLabel()
        self.turn, self.card, self.lobes, self.degree = (
            TurnPage(session), CardPage(session), LobesPage(session), DegreePage(session),
        )  # fmt: skip
        self.pages = QTabBar()
        self.pages.setExpanding(False)
        self.pages.setDrawBase(False)
        self.pages.setUsesScrollButtons(False)
        self.pages.setAccessibleName(self.tr("Pages of the camshaft"))
        self.stack = QStackedWidget()
        for name, page in (
            ("Around the turn", self.turn), ("Card", self.card), ("Measured lobes", self.lobes), ("Degreeing", self.degree),
        ):  # fmt: skip
            self.pages.addTab(self.tr(name))
            self.stack.addWidget(page)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Camshaft"), self.subtitle))
        column.addWidget(self.pages)
        column.addWidget(self.stack, 1)
        self.pages.currentChanged.connect(self._turn_page)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in (self.turn, self.card, self.lobes, self.degree):
            page.dress(theme, zoom)

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        names = [self.pages.tabText(i) for i in range(self.pages.count())]
        self.pages.setCurrentIndex(names.index(self.tr(name)))

    def _turn_page(self, index: int) -> None:
        self.stack.setCurrentIndex(index)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "cam":
            return
        where = position_title(self.session.position) if self.session.position else ""
        card = self.session.engine.cam_card
        self.subtitle.setText(" · ".join(one for one in (card, where) if one))
        self.stack.currentWidget().refresh()
