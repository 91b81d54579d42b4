"""A reading grid on screen: rows walk with the keys, figures typed go to the reading bar, verdicts are shapes."""

from __future__ import annotations

from collections.abc import Mapping

from PyQt6.QtCore import QModelIndex, QRect, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFont, QFontMetrics, QGuiApplication, QKeySequence, QPainter
from PyQt6.QtWidgets import QAbstractItemView, QHeaderView, QStyledItemDelegate, QStyleOptionViewItem, QTableView

from honest_lift.desk.alignment import LEFT, RIGHT, VCENTER
from honest_lift.desk.column_widths import head_width, shared_out, text_width
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.reading_grid import Cell
from honest_lift.desk.theme import LIGHT, font

_SIGN = 30  # unzoomed pixels a verdict takes
_LEAST_ROWS = 3  # that are seen in the smallest window


class GridView(QTableView):
    """A table that is read and not written: a figure typed on it goes to the reading bar."""

    chosen = pyqtSignal(int, int)
    pasted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.theme, self.zoom = LIGHT, 1.0
        self._widths: dict[int, int] | None = None
        self.setItemDelegate(GridDelegate(self))
        self.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.setTabKeyNavigation(False)  # Tab goes on to what comes next on the page; arrows walk the rows
        self.setShowGrid(False)
        self.setWordWrap(False)
        self.verticalHeader().hide()
        self.horizontalHeader().setHighlightSections(False)
        self.setHorizontalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.verticalHeader().setDefaultSectionSize(round(25 * zoom))
        self.setMinimumHeight(round((46 + 25 * _LEAST_ROWS) * zoom))
        self.size_columns()
        self.viewport().update()

    def fix(self, widths: Mapping[int, int]) -> None:
        """Wish some columns so wide, in unzoomed pixels, minus counted from the last; the others share the rest."""
        if self._widths is None:
            self.model().reshaped.connect(self.size_columns)
            self.model().grown.connect(self.size_columns)
        self._widths = dict(widths)
        self.size_columns()

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self.size_columns()

    def size_columns(self) -> None:
        """Size the columns of a grid that was told what is wished."""
        count = self.model().columnCount() if self.model() else 0
        if self._widths is None or count != len(self.model().heads):  # it has no heads yet
            return
        wished: list[int | None] = [None] * count
        for column, width in self._widths.items():
            if -count <= column < count:
                wished[column] = round(width * self.zoom)
        header = self.horizontalHeader()
        header.setSectionResizeMode(QHeaderView.ResizeMode.Fixed)
        for column, width in enumerate(shared_out(self._needs(), wished, self.viewport().width())):
            self.setColumnWidth(column, width)

    def _needs(self) -> list[int]:
        """Give what each column needs for its head and its cells."""
        heads, z = self.horizontalHeader().fontMetrics(), self.zoom
        figures, words = QFontMetrics(font(14.5 * z, bold=True)), QFontMetrics(font(13 * z))
        needs = []
        for column, head in enumerate(self.model().heads):
            cells = [row[column] for row in self.model().cells]
            right = any(one.right or one.bold for one in cells)
            told = text_width([one.text for one in cells], figures if right else words, z, figures=right)
            sign = round(_SIGN * z) if any(one.verdict for one in cells) else 0
            needs.append(max(head_width(head, heads, z), told, sign))
        return needs

    def keyPressEvent(self, event) -> None:
        if event.matches(QKeySequence.StandardKey.Copy):
            self.copy()
        elif event.matches(QKeySequence.StandardKey.Paste):
            self.pasted.emit()
        elif event.text().strip() and event.text().isprintable():
            event.ignore()  # it goes up to the window, and from there to the reading bar
        else:
            super().keyPressEvent(event)

    def copy(self) -> None:
        """Copy the whole grid as a spreadsheet takes it."""
        model = self.model()
        heads = (head.replace("\n", " ") or "verdict" for head in model.heads)
        rows = ("\t".join(cell.words for cell in row) for row in model.cells)
        QGuiApplication.clipboard().setText("\n".join(("\t".join(heads), *rows)))

    def currentChanged(self, current: QModelIndex, previous: QModelIndex) -> None:
        super().currentChanged(current, previous)
        if current.isValid():
            self.chosen.emit(current.row(), current.column())

    def show_row(self, row: int) -> None:
        """Make a row current without telling anyone."""
        before = self.currentIndex()
        if row < 0 or row == before.row():
            return
        self.blockSignals(True)
        self.setCurrentIndex(self.model().index(row, max(before.column(), 0)))
        self.blockSignals(False)


class GridDelegate(QStyledItemDelegate):
    """Draws a cell plainly, straight from the model: the style sheet's own way takes ten times as long."""

    def __init__(self, view: GridView) -> None:
        super().__init__(view)
        self.view = view
        self._faces: dict[tuple[float, bool, bool, bool], QFont] = {}

    def paint(self, painter: QPainter, option: QStyleOptionViewItem, index: QModelIndex) -> None:
        t, z, area = self.view.theme, self.view.zoom, option.rect
        cell: Cell = self.view.model().cells[index.row()][index.column()]
        if index.row() == self.view.currentIndex().row():
            painter.fillRect(area, QColor(t.select))
        painter.fillRect(area.left(), area.bottom(), area.width(), 1, QColor(t.rule))
        if cell.verdict:
            middle = area.center()
            paint_verdict(painter, t, cell.verdict, middle.x(), middle.y() + 1, 6.5 * z, pencilled=cell.pencilled)
            return
        painter.setFont(self._face(cell))
        painter.setPen(QColor(t.muted if cell.pencilled else t.ink))
        inner = area.adjusted(round(4 * z), 0, -round(4 * z), 0)
        text = cell.text
        if painter.fontMetrics().horizontalAdvance(text) > inner.width():
            text = painter.fontMetrics().elidedText(text, Qt.TextElideMode.ElideRight, inner.width())
        painter.drawText(inner, (RIGHT if cell.right else LEFT) | VCENTER, text)
        if cell.wrong:
            painter.fillRect(inner.left(), inner.bottom() - 3, inner.width(), 2, QColor(t.fails))
        if cell.pencilled:
            self._dotted(painter, inner, painter.fontMetrics().horizontalAdvance(text), right=cell.right)

    def _dotted(self, painter: QPainter, inner: QRect, wide: int, *, right: bool) -> None:
        """Underline what is assumed with dots, as a pencil would."""
        pen = painter.pen()
        pen.setStyle(Qt.PenStyle.DotLine)
        painter.setPen(pen)
        left = inner.right() - wide if right else inner.left()
        painter.drawLine(left, inner.bottom() - 4, left + wide, inner.bottom() - 4)

    def _face(self, cell: Cell) -> QFont:
        size = (14.5 if cell.right or cell.bold else 13) * self.view.zoom
        key = (size, cell.bold, cell.measured, cell.struck)
        if key not in self._faces:
            face = font(size, bold=cell.bold, italic=cell.measured)
            face.setStrikeOut(cell.struck)
            self._faces[key] = face
        return self._faces[key]
