"""The engine-and-parts sheet: pages from the engine down to the limits."""

from __future__ import annotations

from PyQt6.QtWidgets import QTabWidget, QVBoxLayout, QWidget

from honest_lift.desk.engine.begin_page import BeginPage
from honest_lift.desk.engine.block_page import BlockPage, MassesPage, OverPistonPage
from honest_lift.desk.engine.cam_page import CamPage
from honest_lift.desk.engine.gauges_page import GaugesPage
from honest_lift.desk.engine.head_page import HeadPage
from honest_lift.desk.engine.job_page import JobPage
from honest_lift.desk.engine.layout_page import LayoutPage
from honest_lift.desk.engine.limits_page import LimitsPage
from honest_lift.desk.engine.rocker_page import RockerPage
from honest_lift.desk.engine.springs_page import SpringsPage
from honest_lift.desk.engine.tester_page import TesterPage
from honest_lift.desk.engine.tools_page import ToolsPage
from honest_lift.desk.following import follow
from honest_lift.desk.label import Label
from honest_lift.desk.scrolling import scrolling
from honest_lift.desk.session import Session

PAGES = {
    "Begin": BeginPage, "Engine": LayoutPage, "Job": JobPage, "Cam card": CamPage, "Head parts": HeadPage, "Block": BlockPage,
    "Pockets and allowances": OverPistonPage, "Masses": MassesPage, "Rocker": RockerPage, "Springs": SpringsPage,
    "Tools": ToolsPage, "Gauges": GaugesPage, "Tester": TesterPage, "Limits": LimitsPage,
}  # fmt: skip


class EngineSheet(QWidget):
    """The pages as tabs, and a line that says what was refused and why."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        title = Label(self.tr("Engine and parts"))
        title.setObjectName("title")
        self.message = Label()
        self.message.setObjectName("caution")
        self.message.setWordWrap(True)
        self.tabs = QTabWidget()
        self.tabs.setDocumentMode(True)
        self.pages = {name: make(session) for name, make in PAGES.items()}
        for name, page in self.pages.items():
            self.tabs.addTab(scrolling(page), self.tr(name))
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.addWidget(title)
        column.addWidget(self.tabs, 1)
        column.addWidget(self.message)
        follow(self, (session.changed,), self.refresh)
        self.refresh()
        session.warned.connect(self._say)
        session.told.connect(self._say)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in self.pages.values():
            if hasattr(page, "dress"):
                page.dress(theme, zoom)
            for table in page.findChildren(QWidget):
                if hasattr(table, "records"):
                    table.dress(theme, zoom)
                    table.verticalHeader().setDefaultSectionSize(round(27 * zoom))

    def refresh(self) -> None:
        """Offer to begin an engine as long as there is none."""
        begun = bool(self.session.engine.layout.positions)
        if self.tabs.isTabVisible(0) == begun:
            self.tabs.setTabVisible(0, not begun)
            self.tabs.setCurrentIndex(1 if begun else 0)

    @property
    def page_names(self) -> tuple[str, ...]:
        """Give the names of the pages in the order of their tabs."""
        return tuple(self.pages)

    @property
    def page_name(self) -> str:
        """Give the name of the page that is open."""
        return self.page_names[self.tabs.currentIndex()]

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        self.tabs.setCurrentIndex(self.page_names.index(name))

    def _say(self, words: str) -> None:
        self.message.setText(words)
