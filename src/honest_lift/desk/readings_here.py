"""Every reading ever taken of the quantity at the current place, and what has become of each."""

from __future__ import annotations

from PyQt6.QtWidgets import QDialog, QHBoxLayout, QPushButton, QVBoxLayout

from honest_lift.desk.history_table import HistoryTable
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place


class ReadingsHere(QDialog):
    """A list with what can be done to the chosen one: move, note, strike out."""

    def __init__(self, window, measure, session: Session, quantity: str, place: Place, at: dict[str, float]) -> None:
        super().__init__(window)
        self.session, self.quantity, self.place, self.at = session, quantity, place, at
        self.setWindowTitle(self.tr("Readings here"))
        self.resize(900, 360)
        self.title = Label(f"{CATALOG[quantity].title}, {place.title}")
        self.title.setObjectName("title")
        self.table = HistoryTable(session)
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
        return self.table.chosen

    def refresh(self) -> None:
        """Follow the session."""
        self.table.show_history(self.quantity, self.place, self.at)
