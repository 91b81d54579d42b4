"""The bare-head sheet: four pages of readings at every valve, each with its drawing, and the cut plan of the spring seats."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.head.cut_bar import CutBar
from honest_lift.desk.head.drawn import draw
from honest_lift.desk.head.grid import HeadGrid
from honest_lift.desk.head.pages import PAGES, page_of
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.shown_where import beside
from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.place import position_title
from honest_lift.facts.which_valve import valve_at


class HeadSheet(QWidget):
    """Pages above, drawing, grid. Choosing a cell chooses what the reading bar takes."""

    pasted = pyqtSignal()
    asked = pyqtSignal(object)  # the task of the chosen column

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.caution = Label(), Label()
        self.caution.setObjectName("caution")
        self.caution.setWordWrap(True)
        self.pages = QTabBar()
        self.pages.setExpanding(False)
        self.pages.setDrawBase(False)
        self.pages.setUsesScrollButtons(False)
        self.pages.setAccessibleName(self.tr("Pages of the bare head"))
        for page in PAGES:
            self.pages.addTab(self.tr(page.name))
        self.task: Task | None = None
        self._stands: dict[str, float] = {}
        self.drawing = SceneView()
        self.drawing.setAccessibleName(self.tr("What is read on this page, drawn"))
        self.cut = CutBar(session)
        self.model = HeadGrid(session)
        self.grid = GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 48, -1: 34})
        self.grid.setAccessibleName(self.tr("Readings of the bare head at every valve"))
        self._lay_out()
        self.pages.currentChanged.connect(self._turn_page)
        self.grid.pasted.connect(self.pasted)
        self.grid.chosen.connect(self._chosen)
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def _lay_out(self) -> None:
        row = QHBoxLayout()
        row.addWidget(self.pages)
        row.addSpacing(12)
        row.addWidget(self.caution, 1)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Bare head"), self.subtitle))
        column.addLayout(row)
        column.addWidget(self.drawing)
        column.addWidget(self.cut)
        column.addWidget(self.grid, 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(158)
        self.drawing.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    @property
    def page(self):
        """Give the open page."""
        return PAGES[self.pages.currentIndex()]

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "head":
            return
        self.model.page = self.page
        self.model.refresh()
        position = self.session.position
        self.grid.show_row(self.model.row_of(position))
        number = valve_at(self.session.engine.fitments, position)
        valve = self.tr(", valve {0}").format(number) if number else ""
        self.subtitle.setText(f"{position_title(position)}{valve}" if position else self.tr("no valve laid out yet"))
        self.caution.setText(
            next((CATALOG[t.quantity].caution for t, _ in self.page.read if CATALOG[t.quantity].caution), "")
        )
        self.cut.setVisible(self.page.draws == "seats")
        if self.page.draws == "seats":
            self.cut.refresh()
        stands = {seat.position: seat.stands_mm for seat in self.cut.plan.seats} if self.page.draws == "seats" else {}
        self._stands = stands
        self._draw()

    def _draw(self) -> None:
        stands = self._stands
        shown = beside([(1, draw(self.session, self.page.draws, stands))], self.task)
        self.drawing.show_scenes(shown, spare=len(shown) - 1)

    def _turn_page(self, _: int) -> None:
        self.refresh()
        self.asked.emit(self.page.read[0][0])

    @property
    def page_names(self) -> tuple[str, ...]:
        """Give the names of the pages in the order of their tabs."""
        return tuple(page.name for page in PAGES)

    @property
    def page_name(self) -> str:
        """Give the name of the page that is open."""
        return self.page_names[self.pages.currentIndex()]

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        self.pages.setCurrentIndex(self.page_names.index(name))

    def follow_task(self, task: Task | None) -> None:
        """Turn to the page of what is read, and show its column."""
        page = page_of(task)
        self.task = task
        if page is None:
            return
        if page is not self.page:
            self.pages.blockSignals(True)
            self.pages.setCurrentIndex(PAGES.index(page))
            self.pages.blockSignals(False)
            self.refresh()
        elif self.session.step == "head":
            self._draw()
        column = self.model.column_of(task)
        if column != self.grid.currentIndex().column():
            self.grid.blockSignals(True)
            self.grid.setCurrentIndex(self.model.index(max(self.grid.currentIndex().row(), 0), column))
            self.grid.blockSignals(False)

    def _chosen(self, row: int, column: int) -> None:
        self.session.go(self.model.name(row))
        if task := self.model.task_of(column):
            self.asked.emit(task)
