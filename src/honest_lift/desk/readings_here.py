"""Every reading ever taken of the quantity at the current place, and what has become of each."""

from __future__ import annotations

from PyQt6.QtWidgets import QDialog, QHBoxLayout, QLabel, QPushButton, QTableWidget, QTableWidgetItem, QVBoxLayout

from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.journal import Standing
from honest_lift.facts.place import Place

_HEAD = ("reading", "when", "by", "way", "tool", "note", "stands")


class ReadingsHere(QDialog):
    """A list with what can be done to the chosen one: move, note, strike out."""

    def __init__(self, window, measure, session: Session, quantity: str, place: Place, at: dict[str, float]) -> None:
        super().__init__(window)
        self.session, self.quantity, self.place, self.at = session, quantity, place, at
        self.setWindowTitle(self.tr("Readings here"))
        self.resize(900, 360)
        self.title = QLabel(f"{CATALOG[quantity].title}, {place.title}")
        self.title.setObjectName("title")
        self.table = QTableWidget(0, len(_HEAD))
        self.table.setHorizontalHeaderLabels(_HEAD)
        self.table.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
        self.table.setSelectionBehavior(QTableWidget.SelectionBehavior.SelectRows)
        self.table.verticalHeader().hide()
        self.table.horizontalHeader().setStretchLastSection(True)
        column = QVBoxLayout(self)
        column.addWidget(self.title)
        column.addWidget(self.table, 1)
        row = QHBoxLayout()
        for words, does in (
            (self.tr("Move to another place…"), measure.move_reading),
            (self.tr("Note…"), measure.note_reading),
            (self.tr("Strike out…"), measure.strike_reading),
        ):
            made = QPushButton(words)
            made.clicked.connect(lambda _, do=does: do(self.chosen))
            row.addWidget(made)
        row.addStretch(1)
        done = QPushButton(self.tr("Done"))
        done.setDefault(True)
        done.clicked.connect(self.accept)
        row.addWidget(done)
        column.addLayout(row)
        session.changed.connect(self.refresh)
        self.refresh()

    @property
    def chosen(self) -> Standing | None:
        """Give the chosen reading, the last that counts where none is chosen."""
        found = readings_at(self.session.book, self.quantity, self.place, self.at)
        row = self.table.currentRow()
        if 0 <= row < len(found):
            return found[row]
        return next((one for one in reversed(found) if not one.fate), None)

    def refresh(self) -> None:
        """Follow the session."""
        engine = self.session.engine
        found = readings_at(self.session.book, self.quantity, self.place, self.at)
        self.table.setRowCount(len(found))
        for row, one in enumerate(found):
            way, tool = CATALOG[self.quantity].way(one.reading.way), engine.tool(one.reading.tool)
            cells = (
                one.reading.text, one.reading.when.replace("T", " ").rstrip("Z"), one.reading.by, way.title if way else "",
                tool.name if tool else self.tr("not named"), one.note, one.fate or self.tr("counts"),
            )  # fmt: skip
            for cell, text in enumerate(cells):
                self.table.setItem(row, cell, QTableWidgetItem(text))
        self.table.resizeColumnsToContents()
