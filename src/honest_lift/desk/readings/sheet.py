"""All readings of one quantity, with the history of the current place under them; columns are pasted and written out here."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.history_table import HistoryTable
from honest_lift.desk.label import Label
from honest_lift.desk.readings.grid import ReadingsGrid
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.steps.task import Task
from honest_lift.desk.writing_out import write_out
from honest_lift.facts.columns import column_csv


class ReadingsSheet(QWidget):
    """Follows the task of the reading bar."""

    pasted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.caution = Label(), Label()
        self.caution.setObjectName("caution")
        self.meaning = Label()
        self.meaning.setObjectName("hint")
        self.model, self.grid, self.history = ReadingsGrid(session), GridView(), HistoryTable(session)
        self.grid.setModel(self.model)
        self.grid.fix({0: 92, 1: 100, 2: 112, 4: 88, 5: 60})
        self.grid.setAccessibleName(self.tr("Readings of the chosen quantity at every place"))
        paste, save = QPushButton(self.tr("Paste a column (Ctrl+V)")), QPushButton(self.tr("Save as CSV…"))
        paste.clicked.connect(lambda: self.pasted.emit())
        save.clicked.connect(self.save_csv)
        head = QHBoxLayout()
        head.addLayout(sheet_head(self.tr("All readings"), self.subtitle), 1)
        head.addWidget(paste)
        head.addWidget(save)
        self.here = Label()
        self.here.setObjectName("heading")
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.addLayout(head)
        column.addWidget(self.meaning)
        column.addWidget(self.caution)
        column.addWidget(self.grid, 3)
        column.addWidget(self.here)
        column.addWidget(self.history, 1)
        self.grid.pasted.connect(self.pasted)
        self.grid.chosen.connect(lambda row, _: session.go_place(self.model.places[row]))
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.history.verticalHeader().setDefaultSectionSize(round(24 * zoom))

    def follow_task(self, task: Task | None) -> None:
        """Show the quantity the bar reads."""
        self.model.task = task
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, where the sheet is looked at."""
        task = self.model.task
        if task is None or self.session.step != "readings":
            return
        self.model.refresh()
        place = task.place(self.session)
        self.grid.show_row(self.model.row_of(place.name) if place else -1)
        self.subtitle.setText(task.title)
        self.meaning.setText(task.row.meaning)
        self.caution.setText(task.row.caution)
        self.caution.setVisible(bool(task.row.caution))
        self.here.setText(self.tr("Every reading of {0}").format(place.title) if place else "")
        self.history.show_history(task.quantity, place, task.at)

    def save_csv(self) -> None:
        """Write the column out."""
        task = self.model.task
        if task is None:
            return
        path = questions.csv_to_save(self, Path.home() / f"{task.title}.csv".replace("/", "-"))
        if path is None:
            return
        unit = self.session.unit(task.row.dimension)
        column = column_csv(self.session.book, task.quantity, self.model.places, task.at, unit)
        write_out(self, self.session, path, column)
