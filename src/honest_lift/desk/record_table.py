"""A table of records, edited in place: each cell reads a typed text into a field, or says why it can't.

A refused text stays in its cell, struck in the colour of a failing check, until it is mended; the record behind
it is as it was.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from msgspec import Struct
from PyQt6.QtCore import QAbstractTableModel, QEvent, QModelIndex, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFontMetrics, QPen
from PyQt6.QtWidgets import QAbstractItemView, QComboBox, QLineEdit, QStyledItemDelegate, QTableView

from honest_lift.desk.column_widths import head_width, shared_out, text_width
from honest_lift.desk.label import plain
from honest_lift.desk.theme import font
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures


class Column(Struct, frozen=True):
    """A column: its title, the text of a record's cell, and what a typed text makes of the record.

    `put` raises EntryError or ValueError with a sentence. Without one the column is read only. `choices` gives
    the texts to choose from, and nothing else is taken; `choices_of` those of a record, of which `put` may take other words;
    `kind` what the value is: measured looks written in, assumed looks pencilled. `hover`: what is said of it under the cursor.
    """

    title: str
    get: Callable[[Any], str]
    put: Callable[[Any, str], Any] | None = None
    choices: Callable[[], Sequence[str]] | None = None
    choices_of: Callable[[Any], Sequence[str]] | None = None
    right: bool = False
    width: int = 0
    kind: Callable[[Any], str] | None = None
    hover: Callable[[Any], str] | None = None


def number_column(
    title: str,
    field: str,
    dimension: str,
    unit: str,
    inside: tuple[float, float],
    width: int = 92,
    places: int | None = None,
) -> Column:
    """Make a column for a number field of a record, typed and shown in a unit; a blank takes the value away."""
    from msgspec.structs import replace

    def get(record: Any) -> str:
        value = getattr(record, field)
        return "" if value is None else in_figures(value, dimension, unit, places)

    def put(record: Any, text: str) -> Any:
        return replace(record, **{field: parse(text, Field.within(dimension, unit, inside))})

    return Column(f"{title}, {unit}" if unit else title, get, put, right=True, width=width)


def text_column(title: str, field: str, width: int = 0) -> Column:
    """Make a column for a text field of a record."""
    from msgspec.structs import replace

    return Column(
        title,
        lambda record: getattr(record, field),
        lambda record, text: replace(record, **{field: text.strip()}),
        width=width,
    )


class RecordModel(QAbstractTableModel):
    """Records under columns. `put` carries a changed record; `refused` says why a text was not taken."""

    put = pyqtSignal(object)
    refused = pyqtSignal(str)

    def __init__(self, columns: Sequence[Column], fails: str) -> None:
        super().__init__()
        self.columns, self.fails = tuple(columns), fails
        self.muted, self.zoom = "#6C6A62", 1.0
        self.records: tuple[Any, ...] = ()
        self._bad: dict[tuple[str, int], tuple[str, str]] = {}

    def show(self, records: Sequence[Any], columns: Sequence[Column] | None = None) -> None:
        """Show other records; what was typed and refused stays with its record.

        Nothing is reset while rows stay rows: a cell being edited is on its way to becoming one of them.
        """
        if columns is None and len(records) == len(self.records):
            self.records = tuple(records)
            if self.records:
                self.dataChanged.emit(self.index(0, 0), self.index(len(self.records) - 1, len(self.columns) - 1))
            return
        self.beginResetModel()
        self.records = tuple(records)
        self.columns = tuple(columns) if columns is not None else self.columns
        self.endResetModel()

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self.records)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self.columns)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        if orientation == Qt.Orientation.Horizontal and role in (
            Qt.ItemDataRole.DisplayRole,
            Qt.ItemDataRole.ToolTipRole,
        ):
            return self.columns[section].title
        if orientation == Qt.Orientation.Horizontal and role == Qt.ItemDataRole.TextAlignmentRole:
            return _align(self.columns[section])
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        record, column = self.records[index.row()], self.columns[index.column()]
        bad = self._bad.get((self._key(index.row()), index.column()))
        if role in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.EditRole):
            return bad[0] if bad else column.get(record)
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _align(column)
        if role == Qt.ItemDataRole.ForegroundRole:
            return QColor(self.fails) if bad else QColor(self.muted) if self.kind_of(index) == "assumed" else None
        if role == Qt.ItemDataRole.FontRole and self.kind_of(index) == "measured":
            return font(13 * self.zoom, italic=True)
        if role == Qt.ItemDataRole.ToolTipRole:
            words = bad[1] if bad else column.hover(record) if column.hover else column.get(record)
            return plain(words) or None
        return None

    def kind_of(self, index: QModelIndex) -> str:
        """Give what the value of a cell is: "measured", "assumed", or "" for what is stated."""
        kind = self.columns[index.column()].kind
        return kind(self.records[index.row()]) if kind else ""

    def flags(self, index: QModelIndex) -> Qt.ItemFlag:
        editable = Qt.ItemFlag.ItemIsEditable if self.columns[index.column()].put else Qt.ItemFlag.NoItemFlags
        return super().flags(index) | editable

    def setData(self, index: QModelIndex, value: Any, role: int = Qt.ItemDataRole.EditRole) -> bool:
        record, column, text = self.records[index.row()], self.columns[index.column()], str(value)
        key = (self._key(index.row()), index.column())
        if column.put is None or (text == column.get(record) and key not in self._bad):
            return False
        try:
            if column.choices is not None and text not in map(str, column.choices()):
                raise EntryError(f"“{text}” is none of the list: choose one of it.")
            changed = column.put(record, text)
        except (EntryError, ValueError) as error:
            self._bad[key] = (text, str(error))
            self.refused.emit(f"{column.title}: {error}")
            self.dataChanged.emit(index, index)
            return False
        self._bad.pop(key, None)
        if changed != record:
            self.put.emit(changed)
        return True

    def is_refused(self, index: QModelIndex) -> bool:
        """Tell whether a cell holds a text that was not taken."""
        return (self._key(index.row()), index.column()) in self._bad

    def _key(self, row: int) -> str:
        return str(getattr(self.records[row], "id", row))


_LEAST_ROWS = 2  # that are seen in the smallest window, the page scrolls for more


class RecordTable(QTableView):
    """The view of a record model. Enter or any figure starts typing; Enter again takes it."""

    def __init__(self, columns: Sequence[Column], name: str, fails: str = "#C23B1B") -> None:
        super().__init__()
        self.records = RecordModel(columns, fails)
        self.setModel(self.records)
        self.setAccessibleName(name)
        self.setItemDelegate(_Editor(self))
        self.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.setShowGrid(False)
        self.setTabKeyNavigation(False)  # Tab goes on to what comes next on the page; arrows walk the cells
        self.verticalHeader().hide()
        self.verticalHeader().setDefaultSectionSize(27)
        self.horizontalHeader().setHighlightSections(False)
        triggers = QAbstractItemView.EditTrigger
        self.setEditTriggers(
            triggers.DoubleClicked | triggers.AnyKeyPressed | triggers.EditKeyPressed | triggers.SelectedClicked
        )
        self.records.modelReset.connect(self._size)
        self._ended = False  # the last row was typed, and nobody has said where to go on
        self._size()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.records.fails, self.records.muted, self.records.zoom = theme.fails, theme.muted, zoom
        self.setMinimumHeight(round((34 + 27 * _LEAST_ROWS) * zoom))
        self._size()

    @property
    def current(self) -> Any:
        """Give the record of the current row; None for none."""
        row = self.currentIndex().row()
        return self.records.records[row] if 0 <= row < len(self.records.records) else None

    def show_records(self, records: Sequence[Any], columns: Sequence[Column] | None = None) -> None:
        """Show other records and keep the current cell where it was."""
        if columns is None and tuple(records) == self.records.records:
            return
        row, column = self.currentIndex().row(), self.currentIndex().column()
        self.records.show(records, columns)
        if 0 <= row < len(records):
            self.setCurrentIndex(self.records.index(row, max(column, 0)))

    def ready(self, row: int, column: int = 0) -> None:
        """Stand in a cell, ready to be typed into."""
        index = self.records.index(row, column)
        self.setCurrentIndex(index)
        self.scrollTo(index)
        self.setFocus()

    def keyPressEvent(self, event) -> None:
        is_enter = event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter)
        if is_enter and self.state() != QAbstractItemView.State.EditingState:
            self._ended = False
            self.edit(self.currentIndex())
        elif self._ended and event.text().strip() and event.text().isprintable():
            self.records.refused.emit(
                f"“{event.text()}” was not taken: that was the last row. Choose a cell, or press Enter to type over this one."
            )
        else:
            super().keyPressEvent(event)

    def mousePressEvent(self, event) -> None:
        self._ended = False
        super().mousePressEvent(event)

    def currentChanged(self, current: QModelIndex, previous: QModelIndex) -> None:
        super().currentChanged(current, previous)
        self._ended = False

    def step_down(self) -> None:
        """Go to the next cell of the column that takes a figure: a column is typed, or sent by a gauge, Enter by Enter."""
        at = self.currentIndex()
        below = (self.records.index(row, at.column()) for row in range(at.row() + 1, self.records.rowCount()))
        after = next((one for one in below if one.flags() & Qt.ItemFlag.ItemIsEditable), None)
        if after is not None:
            self.setCurrentIndex(after)
        self._ended = after is None and self.records.rowCount() > 1

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self._size()

    def _size(self) -> None:
        """Give every column what its head and its figures need, or what is wished for it where that is more."""
        z, heads = self.records.zoom, self.horizontalHeader().fontMetrics()
        words = QFontMetrics(font(13 * z))
        needs = []
        for column in self.records.columns:
            cells = [column.get(one) for one in self.records.records]
            needs.append(max(head_width(column.title, heads, z), text_width(cells, words, z, figures=column.right)))
        wished = [round(one.width * z) if one.width else None for one in self.records.columns]
        for i, width in enumerate(shared_out(needs, wished, self.viewport().width())):
            self.setColumnWidth(i, width)


class _Editor(QStyledItemDelegate):
    """Edits a cell by a line, or by a list where there are choices."""

    def createEditor(self, parent, option, index):
        records = self.parent().records
        column, record = records.columns[index.column()], records.records[index.row()]
        if column.choices is None and column.choices_of is None:
            return super().createEditor(parent, option, index)
        box = QComboBox(parent)
        box.addItems([str(one) for one in (column.choices_of(record) if column.choices_of else column.choices())])
        box.activated.connect(lambda _: (self.commitData.emit(box), self.closeEditor.emit(box)))
        return box

    def eventFilter(self, editor, event) -> bool:
        """Take a cell at its Enter and not a moment later: what is typed next belongs to the next cell."""
        is_key = event.type() == QEvent.Type.KeyPress
        if is_key and isinstance(editor, QLineEdit) and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            table = self.parent()
            at = table.currentIndex()
            self.commitData.emit(editor)
            self.closeEditor.emit(editor)
            if table.currentIndex() == at and not table.records.is_refused(at):
                table.step_down()
            return True
        return super().eventFilter(editor, event)

    def paint(self, painter, option, index) -> None:
        super().paint(painter, option, index)
        if self.parent().records.kind_of(index) == "assumed" and index.data():  # pencilled: a dotted line under it
            pen = QPen(QColor(self.parent().records.muted), 1.2)
            pen.setStyle(Qt.PenStyle.DotLine)
            painter.setPen(pen)
            area = option.rect.adjusted(6, 0, -6, -5)
            wide = min(option.fontMetrics.horizontalAdvance(str(index.data())), area.width())
            left = area.right() - wide if self.parent().records.columns[index.column()].right else area.left()
            painter.drawLine(left, area.bottom(), left + wide, area.bottom())

    def setEditorData(self, editor, index) -> None:
        if isinstance(editor, QComboBox):
            editor.setCurrentIndex(max(editor.findText(index.data()), 0))
        else:
            super().setEditorData(editor, index)

    def setModelData(self, editor, model, index) -> None:
        text = editor.currentText() if isinstance(editor, QComboBox) else editor.text()
        model.setData(index, text)


def _align(column: Column) -> int:
    side = Qt.AlignmentFlag.AlignRight if column.right else Qt.AlignmentFlag.AlignLeft
    return int(side | Qt.AlignmentFlag.AlignVCenter)
