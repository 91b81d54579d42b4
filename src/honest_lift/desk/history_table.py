"""Every reading ever taken of a quantity at a place, and what has become of each."""

from __future__ import annotations

from PyQt6.QtWidgets import QAbstractItemView, QHeaderView, QTableWidget, QTableWidgetItem

from honest_lift.desk.label import plain
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place
from honest_lift.facts.staleness import staleness

_HEAD = ("reading", "when", "by", "way", "tool", "note", "stands")


class HistoryTable(QTableWidget):
    """Nothing is typed here. Struck-out, replaced and stale readings stay, struck through."""

    def __init__(self, session: Session) -> None:
        super().__init__(0, len(_HEAD))
        self.session = session
        self.found: list[Standing] = []
        self.setHorizontalHeaderLabels(_HEAD)
        self.setAccessibleName(self.tr("History of the place"))
        self.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.setTabKeyNavigation(False)
        self.setShowGrid(False)
        self.verticalHeader().hide()
        self.horizontalHeader().setSectionResizeMode(QHeaderView.ResizeMode.ResizeToContents)
        self.horizontalHeader().setStretchLastSection(True)

    def show_history(self, quantity: str, place: Place | None, at: dict[str, float]) -> None:
        """Show the readings of a quantity at a place, oldest first."""
        engine = self.session.engine
        self.found = readings_at(self.session.book, quantity, place, at) if place else []
        self.setRowCount(len(self.found))
        for row, one in enumerate(self.found):
            way, tool = CATALOG[quantity].way(one.reading.way), engine.tool(one.reading.tool)
            stands = one.fate or staleness(engine, one)
            cells = (
                one.reading.text, one.reading.when[:16].replace("T", " "), one.reading.by, (way.short or way.title) if way else "",
                tool.name if tool else self.tr("not named"), one.note, stands or self.tr("counts"),
            )  # fmt: skip
            for column, text in enumerate(cells):
                item = QTableWidgetItem(text)
                item.setToolTip(plain(text))
                if stands and column == 0:
                    struck = item.font()
                    struck.setStrikeOut(True)
                    item.setFont(struck)
                self.setItem(row, column, item)

    @property
    def chosen(self) -> Standing | None:
        """Give the chosen reading, the last that counts where none is chosen."""
        row = self.currentRow()
        if 0 <= row < len(self.found):
            return self.found[row]
        return next((one for one in reversed(self.found) if not one.fate), None)
