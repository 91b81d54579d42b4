"""A reading grid as a model: cells drawn from the session, compared row by row so that only what changed is redrawn."""

from __future__ import annotations

from typing import Any

from msgspec import Struct
from PyQt6.QtCore import QAbstractTableModel, QModelIndex, Qt

from honest_lift.desk.session import Session

_LEFT = int(Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignVCenter)
_RIGHT = int(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)


class Cell(Struct, frozen=True):
    """What a cell shows. `measured` looks written in, `struck` is stale, `verdict` is drawn as its shape."""

    text: str = ""
    right: bool = False
    bold: bool = False
    measured: bool = False
    struck: bool = False
    verdict: str = ""
    hover: str = ""


class ReadingGrid(QAbstractTableModel):
    """Rows of cells. Nothing is typed here: keys go to the reading bar."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.names: list[str] = []
        self.cells: list[tuple[Cell, ...]] = []
        self.heads: tuple[str, ...] = ()

    def row_names(self) -> list[str]:
        """Give what stands in the rows: valves, or springs."""
        return []

    def head_words(self) -> tuple[str, ...]:
        """Give the titles of the columns."""
        return ()

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a row."""
        return ()

    def refresh(self) -> None:
        """Follow the session; only rows that look otherwise are redrawn."""
        names, heads = self.row_names(), self.head_words()
        cells = [self.row_cells(name) for name in names]
        if names != self.names or len(heads) != len(self.heads):
            self.beginResetModel()
            self.names, self.heads, self.cells = names, heads, cells
            self.endResetModel()
            return
        changed = [row for row, (old, new) in enumerate(zip(self.cells, cells, strict=True)) if old != new]
        self.cells = cells
        for row in changed:
            self.dataChanged.emit(self.index(row, 0), self.index(row, len(heads) - 1))
        if heads != self.heads:
            self.heads = heads
            self.headerDataChanged.emit(Qt.Orientation.Horizontal, 0, len(heads) - 1)

    def name(self, row: int) -> str:
        """Give what stands in a row."""
        return self.names[row] if 0 <= row < len(self.names) else ""

    def row_of(self, name: str) -> int:
        """Give the row of a name; -1 for none."""
        return self.names.index(name) if name in self.names else -1

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self.names)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self.heads)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        if orientation != Qt.Orientation.Horizontal:
            return None
        if role == Qt.ItemDataRole.DisplayRole:
            return self.heads[section]
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _RIGHT if self.cells and self.cells[0][section].right else _LEFT
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        cell = self.cells[index.row()][index.column()]
        if role == Qt.ItemDataRole.DisplayRole:
            return cell.text
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _RIGHT if cell.right else _LEFT
        if role == Qt.ItemDataRole.AccessibleTextRole:
            return f"{self.name(index.row())}, {self.heads[index.column()] or 'verdict'}: {cell.text or cell.verdict}"
        if role == Qt.ItemDataRole.ToolTipRole:
            return cell.hover or None
        return None
