"""The build sheet from the window, and a blank grid for a pen: what stands on each is asked here."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from PyQt6.QtCore import QLocale, Qt
from PyQt6.QtWidgets import QCheckBox, QListWidget, QListWidgetItem, QWidget

from honest_lift.desk.paper_dialog import PaperDialog
from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import Task

if TYPE_CHECKING:
    from honest_lift.sheets.papers import Paper

_SHEET = "Verdicts, drawings, every finding, cards, tools, signatures, cautions. Without the appendix it is the customer's sheet."
_GRID = "A page to write on at the bench, a row for every place. What is on it goes back by typing down the column, or by paste."
_USUAL = 4  # columns ticked at first


class SheetDialog(PaperDialog):
    """Asks what the build sheet is to hold."""

    def __init__(self, parent: QWidget, session: Session) -> None:
        super().__init__(parent, session, parent.tr("Build sheet"), parent.tr(_SHEET), self.coming)
        self.appendix = QCheckBox(self.tr("with the &working of every finding, as an appendix"))
        self.both = QCheckBox(self.tr("inches and &millimetres side by side"))
        self.appendix.setChecked(True)
        self.both.setChecked(_wants_both(session))
        self.column.addWidget(self.appendix)
        self.column.addWidget(self.both)

    def coming(self) -> Iterator[str | Paper]:
        """Examine the engine, nothing left for later, and put the sheet together."""
        from honest_lift.sheets.papers import build_sheet_coming

        return build_sheet_coming(self.session.book, both=self.both.isChecked(), appendix=self.appendix.isChecked())


class GridDialog(PaperDialog):
    """Asks which of a step's quantities have a column on the blank grid."""

    def __init__(self, parent: QWidget, session: Session, tasks: list[Task]) -> None:
        super().__init__(parent, session, parent.tr("Blank grid"), parent.tr(_GRID), self.coming)
        self.list = QListWidget()
        self.list.setAccessibleName(self.tr("Columns of the grid"))
        for name in dict.fromkeys(one.quantity for one in tasks):
            item = QListWidgetItem(next(one.row.title for one in tasks if one.quantity == name))
            item.setData(Qt.ItemDataRole.UserRole, name)
            item.setCheckState(Qt.CheckState.Checked if self.list.count() < _USUAL else Qt.CheckState.Unchecked)
            self.list.addItem(item)
        self.column.addWidget(self.list)

    def coming(self) -> Iterator[str | Paper]:
        """Lay the grid out."""
        from honest_lift.sheets.papers import blank_grid

        items = [self.list.item(row) for row in range(self.list.count())]
        chosen = [one.data(Qt.ItemDataRole.UserRole) for one in items if one.checkState() == Qt.CheckState.Checked]
        yield blank_grid(self.session.book, chosen)


def _wants_both(session: Session) -> bool:
    """Tell whether somebody who measures in inches lives where millimetres are usual."""
    metric = QLocale().measurementSystem() == QLocale.MeasurementSystem.MetricSystem
    return metric and session.unit("length") == "in"
