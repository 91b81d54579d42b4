"""A sheet of pages behind tabs, of which only the open one follows the session."""

from __future__ import annotations

from collections.abc import Mapping

from PyQt6.QtWidgets import QHBoxLayout, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.following import follow
from honest_lift.desk.label import Label
from honest_lift.desk.scrolling import scrolling
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head


class PagedSheet(QWidget):
    """Title, tabs, and the open page. A sheet says where it stands in `where`, and may stand a caution beside the tabs.

    `step`: the step of the route at which it follows the session. Pages have `dress(theme, zoom)` and `refresh()`.
    """

    def __init__(
        self, session: Session, step: str, title: str, pages: Mapping[str, QWidget], caution: str = ""
    ) -> None:
        super().__init__()
        self.session, self.step, self.pages = session, step, dict(pages)
        self.setObjectName("sheet")
        self.subtitle, self.tabs, self.stack = Label(), QTabBar(), QStackedWidget()
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setUsesScrollButtons(False)
        self.tabs.setAccessibleName(self.tr("Pages of {0}").format(title.lower()))
        for name, page in self.pages.items():
            self.tabs.addTab(self.tr(name))
            self.stack.addWidget(scrolling(page))
        self._lay_out(title, caution)
        self.tabs.currentChanged.connect(self._show)
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def _lay_out(self, title: str, caution: str) -> None:
        row, beside = QHBoxLayout(), Label(caution)
        beside.setObjectName("caution")
        beside.setWordWrap(True)
        row.addWidget(self.tabs)
        row.addSpacing(12)
        row.addWidget(beside, 1)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(title, self.subtitle))
        column.addLayout(row)
        column.addWidget(self.stack, 1)

    def where(self) -> str:
        """Say what the sheet shows at the moment, beside its title."""
        return ""

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for page in self.pages.values():
            page.dress(theme, zoom)

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

    def _show(self, index: int) -> None:
        self.stack.setCurrentIndex(index)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step == self.step:
            self.subtitle.setText(self.where())
            self.stack.currentWidget().widget().refresh()
