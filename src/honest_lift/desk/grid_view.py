"""A reading grid on screen: rows walk with the keys, figures typed go to the reading bar, verdicts are shapes."""

from __future__ import annotations

from PyQt6.QtCore import QModelIndex, Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeySequence, QPainter
from PyQt6.QtWidgets import QAbstractItemView, QStyledItemDelegate, QStyleOptionViewItem, QTableView

from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.theme import LIGHT, font


class GridView(QTableView):
    """A table whose typing goes elsewhere. `typed` carries the text of a key pressed on it."""

    typed = pyqtSignal(str)
    chosen = pyqtSignal(int, int)

    def __init__(self, verdict_role: int, stale_role: int, kind_role: int) -> None:
        super().__init__()
        self.theme, self.zoom = LIGHT, 1.0
        self.setItemDelegate(GridDelegate(self, verdict_role, stale_role, kind_role))
        self.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.setShowGrid(False)
        self.setWordWrap(False)
        self.verticalHeader().hide()
        self.horizontalHeader().setHighlightSections(False)
        self.setTextElideMode(Qt.TextElideMode.ElideRight)
        self.setHorizontalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.verticalHeader().setDefaultSectionSize(round(25 * zoom))
        self.viewport().update()

    def keyPressEvent(self, event) -> None:
        if event.matches(QKeySequence.StandardKey.Copy):
            self.copy()
        elif (
            event.text() and event.text().isprintable() and not event.modifiers() & Qt.KeyboardModifier.ControlModifier
        ):
            self.typed.emit(event.text())
        else:
            super().keyPressEvent(event)

    def copy(self) -> None:
        """Copy the whole grid as a spreadsheet takes it."""
        model = self.model()
        columns = range(model.columnCount())
        lines = ["\t".join(str(model.headerData(c, Qt.Orientation.Horizontal) or "verdict") for c in columns)]
        for row in range(model.rowCount()):
            lines.append("\t".join(cell_text(model.index(row, c), self.itemDelegate().verdict_role) for c in columns))
        QGuiApplication.clipboard().setText("\n".join(lines))

    def currentChanged(self, current: QModelIndex, previous: QModelIndex) -> None:
        super().currentChanged(current, previous)
        if current.isValid():
            self.chosen.emit(current.row(), current.column())

    def show_row(self, row: int) -> None:
        """Make a row current without telling anyone."""
        if row < 0 or row == self.currentIndex().row():
            return
        self.blockSignals(True)
        self.setCurrentIndex(self.model().index(row, max(self.currentIndex().column(), 0)))
        self.blockSignals(False)
        self.viewport().update()


def cell_text(index: QModelIndex, verdict_role: int) -> str:
    """Give a cell's text, or the word of its verdict."""
    return str(index.data() or index.data(verdict_role) or "")


class GridDelegate(QStyledItemDelegate):
    """Draws a cell: a verdict as its shape, a measured figure as written in, a stale one struck through."""

    def __init__(self, view: GridView, verdict_role: int, stale_role: int, kind_role: int) -> None:
        super().__init__(view)
        self.view, self.verdict_role, self.stale_role, self.kind_role = view, verdict_role, stale_role, kind_role

    def initStyleOption(self, option: QStyleOptionViewItem, index: QModelIndex) -> None:
        super().initStyleOption(option, index)
        words = not index.column() or int(option.displayAlignment) & int(Qt.AlignmentFlag.AlignRight)
        face = font(
            (14.5 if words else 13) * self.view.zoom,
            bold=index.column() == 0,
            italic=index.data(self.kind_role) == "measured",
        )
        face.setStrikeOut(bool(index.data(self.stale_role)))
        option.font = face

    def paint(self, painter: QPainter, option: QStyleOptionViewItem, index: QModelIndex) -> None:
        super().paint(painter, option, index)
        if word := index.data(self.verdict_role):
            middle = option.rect.center()
            paint_verdict(painter, self.view.theme, word, middle.x(), middle.y() + 1, 6.5 * self.view.zoom)
