"""The rocker sheet: pages for the gear this engine has, of which only the open one follows the session."""

from __future__ import annotations

from PyQt6.QtWidgets import QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.following import follow
from honest_lift.desk.label import Label
from honest_lift.desk.rocker.bucket_page import BucketPage
from honest_lift.desk.rocker.finder_page import FinderPage
from honest_lift.desk.rocker.geometry_page import GeometryPage
from honest_lift.desk.rocker.moved_page import MovedPage
from honest_lift.desk.rocker.turn_plan_page import TurnPlanPage
from honest_lift.desk.scrolling import scrolling
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.facts.place import position_title

_PAGES = {
    "pushrod": ("Geometry", "Pushrod finder", "What moved it", "Turn plan"),
    "finger follower": ("Geometry", "Pads and towers", "Turn plan"), "bucket": ("Bucket shims", "Turn plan"),
}  # fmt: skip


class RockerSheet(QWidget):
    """The gear chooses the pages: a pushrod rocker's, a finger follower's or a bucket's."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle = Label()
        self.geometry_page, self.finder, self.moved = GeometryPage(session), FinderPage(session), MovedPage(session)
        self.pads, self.buckets = MovedPage(session, "finger follower"), BucketPage(session)
        self.turn_plan = TurnPlanPage(session)
        self.pages = {
            "Geometry": self.geometry_page, "Pushrod finder": self.finder, "What moved it": self.moved,
            "Pads and towers": self.pads, "Bucket shims": self.buckets, "Turn plan": self.turn_plan,
        }  # fmt: skip
        self.tabs, self.stack = QTabBar(), QStackedWidget()
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setUsesScrollButtons(False)
        self.tabs.setAccessibleName(self.tr("Pages of the rocker"))
        for page in self.pages.values():
            self.stack.addWidget(scrolling(page))
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Rocker"), self.subtitle))
        column.addWidget(self.tabs)
        column.addWidget(self.stack, 1)
        self._gear = ""
        self.tabs.currentChanged.connect(lambda _: self._turn_page())
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in self.pages.values():
            page.dress(theme, zoom)

    @property
    def page_names(self) -> tuple[str, ...]:
        """Give the names of the pages in the order of their tabs."""
        return tuple(_PAGES[self._gear])

    @property
    def page_name(self) -> str:
        """Give the name of the page that is open."""
        return self.page_names[self.tabs.currentIndex()]

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        self.tabs.setCurrentIndex(self.page_names.index(name))

    def _show_gear(self) -> None:
        """Show the tabs of the gear the engine has."""
        gear = self.session.engine.gear
        if gear == self._gear:
            return
        self._gear = gear
        self.tabs.blockSignals(True)
        while self.tabs.count():
            self.tabs.removeTab(0)
        for name in _PAGES[gear]:
            self.tabs.addTab(self.tr(name))
        self.tabs.blockSignals(False)
        self._open(_PAGES[gear][0])

    def _turn_page(self) -> None:
        self._open(_PAGES[self._gear][max(self.tabs.currentIndex(), 0)])
        self.refresh()

    def _open(self, name: str) -> None:
        self.stack.setCurrentIndex(list(self.pages).index(name))

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "rocker":
            return
        self._show_gear()
        self.subtitle.setText(
            position_title(self.session.position) if self.session.position else self.tr("no valve laid out yet")
        )
        self.stack.currentWidget().widget().refresh()
