"""The spring bench: every spring in hand by its number, its loads and where it binds."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.shown_where import beside
from honest_lift.desk.springs.grid import SpringsGrid
from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG


class SpringsSheet(QWidget):
    """A grid with a row a spring. Choosing a cell chooses what the reading bar takes."""

    asked = pyqtSignal(object)  # the task of the chosen column

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle = Label()
        self.task: Task | None = None
        self.predicted = Label()
        self.predicted.setObjectName("hint")
        self.predicted.setWordWrap(True)
        caution = Label(CATALOG["spring_load"].caution)
        caution.setObjectName("caution")
        caution.setWordWrap(True)
        self.model = SpringsGrid(session)
        self.grid = GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 48, 1: 36, 2: 78, -1: 34})
        self.grid.setAccessibleName(self.tr("Loads and bind heights of every spring"))
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.addLayout(sheet_head(self.tr("Spring bench"), self.subtitle))
        self.curve, self.binds = CurveView(), SceneView()
        self.curve.setAccessibleName(self.tr("Load curve of the current spring"))
        self.binds.setAccessibleName(self.tr("Where every spring of its set binds"))
        drawn = QHBoxLayout()
        drawn.setSpacing(6)
        drawn.addWidget(self.curve, 57)
        drawn.addWidget(self.binds, 43)
        column.addWidget(caution)
        column.addLayout(drawn)
        self.curve.picked.connect(self._go_to_load)
        column.addWidget(self.predicted)
        column.addWidget(self.grid, 1)
        self.grid.chosen.connect(self._chosen)
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for view in (self.curve, self.binds):
            view.wish(210)
            view.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        self.model.refresh()
        self.grid.show_row(self.model.row_of(self.session.spring))
        engine = self.session.engine
        if not engine.springs:
            self.subtitle.setText(self.tr("no spring in hand: add a set under Engine and parts, Springs"))
            return
        card, owner = engine.card_of(self.session.spring), engine.set_of(self.session.spring)
        words = [self.tr("spring {0}").format(self.session.spring)]
        words += [self.tr("loads in {0}").format(self.session.unit("load"))]
        words += [owner.name] if owner else []
        words += [card.name] if card and not card.paint else []
        words += [self.tr("paint: {0}").format(card.paint)] if card and card.paint else []
        self.subtitle.setText(", ".join(words))
        self._show_geometry()

    def _show_geometry(self) -> None:
        """Show what geometry predicts beside what was measured, where the bench is looked at."""
        if self.session.step != "springs" or self.session.examination is None:
            return
        from honest_lift.checks.rocker.geometry_words import card_words, form_words, geometry_words
        from honest_lift.words.spring.load_drawn import binds_drawn, load_curve_drawn

        book, spring = self.session.book, self.session.spring
        told = (card_words(book, book.engine.card_of(spring)), form_words(book, spring), geometry_words(book, spring))
        words = " ".join(part for part in told if part)
        self.curve.show_chart(load_curve_drawn(self.session.book, self.session.spring))
        self.binds.show_scenes(
            beside(
                [(1, binds_drawn(self.session.book, self.session.spring))], self.task, ("bind_height", "spring_load")
            )[-1:]
        )
        self.predicted.setText(words)
        self.predicted.setVisible(bool(words))

    def follow_task(self, task: Task | None) -> None:
        """Show the column that is being read, and where it is measured."""
        self.task = task
        self._show_geometry()
        column = self.model.column_of(task)
        if column and column != self.grid.currentIndex().column():
            self.grid.blockSignals(True)
            self.grid.setCurrentIndex(self.model.index(max(self.grid.currentIndex().row(), 0), column))
            self.grid.blockSignals(False)

    def _go_to_load(self, height_mm: str) -> None:
        """Let the bar take the load at a height again that was chosen on the curve."""
        tasks = (self.model.task_of(column) for column in range(self.model.columnCount()))
        heights = [one for one in tasks if one is not None and one.height_mm is not None and not one.member]
        near = min(heights, key=lambda one: abs((one.height_mm or 0.0) - float(height_mm)), default=None)
        if near is not None:
            self.asked.emit(near)

    def _chosen(self, row: int, column: int) -> None:
        self.session.go_spring(self.model.name(row))
        if task := self.model.task_of(column):
            self.asked.emit(task)
