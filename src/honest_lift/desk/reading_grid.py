"""A reading grid as a model: cells drawn from the session, compared one by one so that only what changed is redrawn.

It stands on Qt's own item model, so that painting asks nothing of Python but the cell itself.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from msgspec import Struct
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QStandardItem, QStandardItemModel

from honest_lift.desk.alignment import LEFT, RIGHT, VCENTER
from honest_lift.desk.label import plain
from honest_lift.desk.session import Session
from honest_lift.facts.ledger import Standing
from honest_lift.numbers.verdict import Verdict

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding

# Qt::ItemDataRole, as the numbers they are
_TOOL_TIP, _ALIGNMENT, _ACCESSIBLE = 3, 7, 11


class Cell(Struct, frozen=True):
    """What a cell shows.

    `measured` looks written in, `pencilled` is assumed, `struck` is stale, `wrong` was refused,
    `verdict` is drawn as its shape.
    """

    text: str = ""
    right: bool = False
    bold: bool = False
    measured: bool = False
    struck: bool = False
    pencilled: bool = False
    wrong: bool = False
    verdict: str = ""
    hover: str = ""

    @property
    def words(self) -> str:
        """Give what it shows in words: its verdict, or its text."""
        return f"{self.verdict} as measured" if self.verdict and self.pencilled else self.verdict or self.text


def sign_cell(finding: Finding | None) -> Cell:
    """Give a finding's sign: its verdict, or pencilled what an unproven one would be if all were read as it stands."""
    if finding is None:
        return Cell(verdict="unproven")
    if finding.verdict is not Verdict.UNPROVEN:
        return Cell(verdict=finding.verdict.word)
    return Cell(verdict=finding.provisional.word, pencilled=finding.provisional is not Verdict.UNPROVEN)


class ReadingGrid(QStandardItemModel):
    """Rows of cells. Nothing is typed here: keys go to the reading bar. `reshaped`: there are other columns."""

    reshaped = pyqtSignal()
    grown = pyqtSignal()  # a column has a longer text than it ever had

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.names: list[str] = []
        self.cells: list[tuple[Cell, ...]] = []
        self.heads: tuple[str, ...] = ()
        self._longest: list[int] = []

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
        """Follow the session."""
        names, heads = self.row_names(), self.head_words()
        cells = [self.row_cells(name) for name in names]
        wide = len(heads) != len(self.heads)
        fresh = wide or names != self.names
        before = [] if fresh else self.cells
        if fresh:
            self.setRowCount(0)
            self.setColumnCount(len(heads))
        self.names, self.cells = names, cells
        for row, line in enumerate(cells):
            for column, cell in enumerate(line):
                if fresh:
                    self.setItem(row, column, QStandardItem())
                if fresh or cell != before[row][column]:
                    self._show(row, column, cell, heads[column])
        if fresh or heads != self.heads:
            self._show_heads(heads)
        self.heads = heads
        longest = [max((len(line[i].text) for line in cells), default=0) for i in range(len(heads))]
        grown = wide or any(now > before for now, before in zip(longest, self._longest, strict=True))
        self._longest = longest if wide else [max(pair) for pair in zip(longest, self._longest, strict=True)]
        if wide:
            self.reshaped.emit()
        elif grown:
            self.grown.emit()

    def _show(self, row: int, column: int, cell: Cell, head: str) -> None:
        item = self.item(row, column)
        item.setText(cell.text)
        item.setData(f"{self.names[row]}, {head or 'verdict'}: {cell.words}", _ACCESSIBLE)
        item.setData(plain(cell.hover or cell.text), _TOOL_TIP)

    def _show_heads(self, heads: tuple[str, ...]) -> None:
        self.setHorizontalHeaderLabels(heads)
        for column, cell in enumerate(self.cells[0] if self.cells else ()):
            self.horizontalHeaderItem(column).setData((RIGHT if cell.right else LEFT) | VCENTER, _ALIGNMENT)
            self.horizontalHeaderItem(column).setData(plain(heads[column].replace("\n", " ")), _TOOL_TIP)

    def name(self, row: int) -> str:
        """Give what stands in a row."""
        return self.names[row] if 0 <= row < len(self.names) else ""

    def row_of(self, name: str) -> int:
        """Give the row of a name; -1 for none."""
        return self.names.index(name) if name in self.names else -1


def as_typed(one: Standing) -> str:
    """Give a reading as it was typed, with what else was."""
    also = ", ".join(f"{key} {text}" for key, text in one.reading.also.items())
    return f"{one.reading.text} ({also})" if also else one.reading.text


def tell_history(history: list[Standing]) -> str:
    """Tell every reading of a place in a line each, the struck-out and the replaced ones too."""
    lines = ((as_typed(one), one.reading.when[:10], one.reading.by, one.note, one.fate) for one in history)
    return "\n".join(", ".join(part for part in line if part) for line in lines)
