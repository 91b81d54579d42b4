"""The reading grid of the spring bench: a row a spring, its loads at the set's test heights, its bind heights."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, Qt

from honest_lift.desk.heights.grid import KIND, VERDICT
from honest_lift.desk.session import Session
from honest_lift.desk.tasks import Task, spring_tasks
from honest_lift.facts.edits import readings_at
from honest_lift.facts.place import of_spring
from honest_lift.numbers.units import in_figures
from honest_lift.numbers.verdict import Verdict, worst

_FIRST = ("spring", "at", "set")
_LAST = ("share\nof set", "seat load\noff card", "")
_FOUND = ("set_share", "card_seat_load")


class SpringsGrid(QAbstractTableModel):
    """Shows every spring in hand, fitted or not. Nothing is typed here: keys go to the reading bar."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.tasks: list[Task] = []
        self._rows: list[str] = []
        self.refresh()

    def refresh(self) -> None:
        """Follow the session."""
        rows = [one.id for one in self.session.engine.springs]
        tasks = [task for task in spring_tasks(self.session) if task.quantity == "bind_height" or not task.member]
        if rows != self._rows or tasks != self.tasks:
            self.beginResetModel()
            self._rows, self.tasks = rows, tasks
            self.endResetModel()
        elif rows:
            self.dataChanged.emit(self.index(0, 0), self.index(len(rows) - 1, self.columnCount() - 1))

    def spring(self, row: int) -> str:
        """Give the spring of a row."""
        return self._rows[row] if 0 <= row < len(self._rows) else ""

    def row_of(self, spring: str) -> int:
        """Give the row of a spring; -1 for none."""
        return self._rows.index(spring) if spring in self._rows else -1

    def task_of(self, column: int) -> Task | None:
        """Give what is read in a column; None for the others."""
        index = column - len(_FIRST)
        return self.tasks[index] if 0 <= index < len(self.tasks) else None

    def column_of(self, task: Task | None) -> int:
        """Give the column a task is read in; 0 for none."""
        return len(_FIRST) + self.tasks.index(task) if task in self.tasks else 0

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self._rows)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(_FIRST) + len(self.tasks) + len(_LAST)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        if orientation != Qt.Orientation.Horizontal:
            return None
        if role == Qt.ItemDataRole.DisplayRole:
            task = self.task_of(section)
            if task:
                words = task.title.replace("load at ", "load at\n").replace("bind height, ", "bind\n")
                return words.removesuffix(self.session.unit("length")).rstrip()
            return _FIRST[section] if section < len(_FIRST) else _LAST[section - len(_FIRST) - len(self.tasks)]
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return self._align(section)
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        name, column = self._rows[index.row()], index.column()
        if role == Qt.ItemDataRole.DisplayRole:
            return self._text(name, column)
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return self._align(column)
        if role == VERDICT and column == self.columnCount() - 1:
            return self._verdict(name)
        if role == KIND and self.task_of(column):
            return "measured"
        if role == Qt.ItemDataRole.AccessibleTextRole:
            return f"{of_spring(name).title}: {self._text(name, column) or self._verdict(name)}"
        return None

    def _text(self, name: str, column: int) -> str:
        engine = self.session.engine
        if column == 0:
            return name
        if column == 1:
            return engine.position_of(name) or "–"
        if column == 2:
            owner = engine.set_of(name)
            return owner.name if owner else ""
        if task := self.task_of(column):
            return self._read(name, task)
        last = column - len(_FIRST) - len(self.tasks)
        return self._found(name, _FOUND[last]) if last < len(_FOUND) else ""

    def _read(self, name: str, task: Task) -> str:
        place = of_spring(name, task.member)
        standing = [one for one in readings_at(self.session.book, task.quantity, place, task.at) if not one.fate]
        return standing[-1].reading.text if standing else ""

    def _found(self, name: str, check: str) -> str:
        if self.session.examination is None:
            return ""
        found = next((f for f in self.session.examination.by_spring.get(name, ()) if f.check.name == check), None)
        return in_figures(found.figure, "percent", "%", 0) + " %" if found and found.figure == found.figure else "–"

    def _verdict(self, name: str) -> str:
        if self.session.examination is None:
            return Verdict.UNPROVEN.word
        return worst(one.verdict for one in self.session.examination.by_spring.get(name, ())).word

    def _align(self, column: int) -> int:
        left = column < len(_FIRST)
        side = Qt.AlignmentFlag.AlignLeft if left else Qt.AlignmentFlag.AlignRight
        return int(side | Qt.AlignmentFlag.AlignVCenter)
