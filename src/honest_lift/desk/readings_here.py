"""Every reading ever taken of the quantity at the current place, and what has become of each."""

from __future__ import annotations

from PyQt6.QtWidgets import QDialog, QVBoxLayout

from honest_lift.desk.dialog_row import dialog_row
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
        column.addLayout(dialog_row(self, (
            (self.tr("Move to another place…"), lambda: measure.move_reading(self.chosen)),
            (self.tr("Note…"), lambda: measure.note_reading(self.chosen)),
            (self.tr("Strike out…"), lambda: measure.strike_reading(self.chosen)),
        )))  # fmt: skip
        session.changed.connect(self.refresh)
        self.refresh()

    @property
    def chosen(self) -> Standing | None:
        """Give the chosen reading, the last that counts where none is chosen."""
        return self.table.chosen

    def refresh(self) -> None:
        """Follow the session."""
        self.table.show_history(self.quantity, self.place, self.at)
