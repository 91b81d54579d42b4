"""The reading grid of springs and heights: a row a valve, from the reading to its verdict."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, Qt

from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.journal import Standing
from honest_lift.facts.place import at_position
from honest_lift.numbers.units import in_figures

COLUMNS = (
    "valve",
    "spring",
    "way",
    "reading",
    "shims",
    "installed height",
    "seat load",
    "open load",
    "bind margin",
    "",
)
_FINDING = {5: "installed_height", 6: "seat_load", 7: "open_load", 8: "bind_margin"}
VERDICT = Qt.ItemDataRole.UserRole
STALE = Qt.ItemDataRole.UserRole + 1
KIND = Qt.ItemDataRole.UserRole + 2


class HeightsGrid(QAbstractTableModel):
    """Shows what was read and what is found of it. Nothing is typed here: keys go to the reading bar."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self._rows = [one.id for one in session.engine.layout.positions]

    def refresh(self) -> None:
        """Follow the session."""
        rows = [one.id for one in self.session.engine.layout.positions]
        if rows != self._rows:
            self.beginResetModel()
            self._rows = rows
            self.endResetModel()
        elif rows:
            self.dataChanged.emit(self.index(0, 0), self.index(len(rows) - 1, len(COLUMNS) - 1))
        self.headerDataChanged.emit(Qt.Orientation.Horizontal, 0, len(COLUMNS) - 1)

    def position(self, row: int) -> str:
        """Give the valve of a row."""
        return self._rows[row] if 0 <= row < len(self._rows) else ""

    def row_of(self, position: str) -> int:
        """Give the row of a valve; -1 for none."""
        return self._rows.index(position) if position in self._rows else -1

    def rowCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(self._rows)

    def columnCount(self, parent: QModelIndex = QModelIndex()) -> int:  # noqa: B008
        return 0 if parent.isValid() else len(COLUMNS)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        if orientation != Qt.Orientation.Horizontal:
            return None
        if role == Qt.ItemDataRole.DisplayRole:
            unit = {4: "length", 5: "length", 6: "load", 7: "load", 8: "length"}.get(section)
            return COLUMNS[section].replace(" ", "\n") + f", {self.session.unit(unit)}" if unit else COLUMNS[section]
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _align(section)
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> Any:
        name, column = self._rows[index.row()], index.column()
        if role == Qt.ItemDataRole.DisplayRole:
            return self._text(name, column)
        if role == Qt.ItemDataRole.TextAlignmentRole:
            return _align(column)
        if role == VERDICT and column == len(COLUMNS) - 1:
            return self.session.examination.verdict(name, "heights").word if self.session.examination else "unproven"
        if role == KIND and column == 3:
            return "measured"
        if role == STALE and column == 3:
            return self._is_stale(name)
        if role == Qt.ItemDataRole.AccessibleTextRole:
            return f"{at_position(name).title}, {COLUMNS[column] or 'verdict'}: {self._text(name, column) or self.session.verdict(name)}"
        if role == Qt.ItemDataRole.ToolTipRole and column == 3:
            return self._history(name)
        return None

    def _text(self, name: str, column: int) -> str:
        engine = self.session.engine
        latest = self._latest(name)
        if column == 0:
            return name
        if column == 1:
            return engine.spring_at(name) or "–"
        if column == 2:
            way = CATALOG["installed_height"].way(latest.reading.way) if latest else None
            return (way.short or way.title) if way else ""
        if column == 3:
            return latest.reading.text if latest else ""
        if column == 4:
            fitted = engine.fitted("shims", name)
            return in_figures(fitted.height_mm if fitted else None, "length", self.session.unit("length"))
        return self._found(name, _FINDING.get(column, ""), column)

    def _found(self, name: str, check: str, column: int) -> str:
        if not check or self.session.examination is None:
            return ""
        finding = self.session.examination.finding(check, name)
        if finding is None or finding.figure != finding.figure:
            return "–"
        unit = self.session.unit(finding.check.dimension)
        text = in_figures(finding.figure, finding.check.dimension, unit)
        if column == 5:
            text += " ±" + in_figures(finding.expanded, "length", unit).removeprefix("0")
        return text

    def _latest(self, name: str) -> Standing | None:
        standing = [
            one for one in readings_at(self.session.book, "installed_height", at_position(name)) if not one.fate
        ]
        return standing[-1] if standing else None

    def _is_stale(self, name: str) -> bool:
        latest = self._latest(name)
        if latest is None:
            return False
        fitted = {slot: self.session.engine.fitted(slot, name) for slot in latest.depends_on}
        return any((one.id if one else "") != latest.depends_on[slot] for slot, one in fitted.items())

    def _history(self, name: str) -> str:
        lines = []
        for one in readings_at(self.session.book, "installed_height", at_position(name)):
            told = [one.reading.text, one.reading.when[:10], one.reading.by, one.note, one.fate]
            lines.append(", ".join(part for part in told if part))
        return "\n".join(lines)


def _align(column: int) -> int:
    side = Qt.AlignmentFlag.AlignRight if column in (3, 4, 5, 6, 7, 8) else Qt.AlignmentFlag.AlignLeft
    return int(side | Qt.AlignmentFlag.AlignVCenter)
