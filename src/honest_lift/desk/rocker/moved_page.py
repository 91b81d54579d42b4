"""What moved the geometry: each named change by its amount, and what all of them do together."""

from __future__ import annotations

from msgspec import Struct
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.numbers.entry import Field, parse
from honest_lift.numbers.units import in_figures

_TOGETHER = "together"
_HINT = (
    "Type what was cut, raised or changed since the geometry was measured; a blank counts for nothing. Each line tells the pushrod "
    "that puts the same geometry back, what preload changes by if nothing is done, and the mark with the lash set anew."
)


class Moved(Struct, frozen=True):
    """A named change, its amount in mm, or the new ratio, or turns (None for none), and what it comes to in words."""

    id: str
    amount: float | None = None
    pushrod: str = ""
    mark: str = ""
    whole: str = ""


class MovedPage(QWidget):
    """A table of changes. It is looked at only: nothing is stated by it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.amounts: dict[str, float | None] = {}
        self.words = QLabel()
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the change comes to"))
        self.wrong = QLabel()
        self.wrong.setWordWrap(True)
        self.wrong.setObjectName("caution")
        self.table = RecordTable(self._columns(), self.tr("What moved"))
        self.table.records.put.connect(self._put)
        self.table.records.refused.connect(self.wrong.setText)
        self._unit = session.unit("length")
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.table, 1)
        column.addWidget(self.words)
        column.addWidget(self.wrong)
        self.table.selectionModel().currentRowChanged.connect(lambda *_: self._say())

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.table.verticalHeader().setDefaultSectionSize(round(27 * zoom))
        self.table.records.fails, self.table.records.muted, self.table.records.zoom = theme.fails, theme.muted, zoom

    def _put(self, one: Moved) -> None:
        self.wrong.clear()
        self.amounts[one.id] = one.amount
        self.refresh()

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.estimates.rocker import rocker_of
        from honest_lift.sheets.moved_words import CHANGES, MovedRow, moved_row, together

        book, one = self.session.book, self.session.engine.position(self.session.position)
        rocker = rocker_of(book, one.role if one else "intake", one.id if one else "", with_doubt=False)
        typed = {key: amount for key, amount in self.amounts.items() if amount is not None}
        told = {key: moved_row(book, rocker, key, amount) for key, amount in typed.items()}
        if typed.keys() - {"nut"}:
            told[_TOGETHER] = together(book, rocker, typed)
        nothing = MovedRow()
        rows = []
        for key in (*CHANGES, _TOGETHER):
            row = told.get(key, nothing)
            rows.append(Moved(key, self.amounts.get(key), row.pushrod, row.mark, row.whole))
        unit = self.session.unit("length")
        self.table.show_records(rows, self._columns() if unit != self._unit else None)
        self._unit = unit
        self._say()

    def _say(self) -> None:
        """Say what the chosen line comes to, whole; without a choice, what all do together."""
        one = self.table.current
        rows = {row.id: row for row in self.table.records.records}
        chosen = one if one is not None and one.whole else rows.get(_TOGETHER)
        self.words.setText(chosen.whole if chosen else "")

    def _columns(self) -> tuple[Column, ...]:
        def title(one: Moved) -> str:
            return _titles().get(one.id, self.tr("all of these together"))

        def amount(one: Moved) -> str:
            if one.amount is None:
                return ""
            dimension = _dimension(one.id)
            return in_figures(one.amount, dimension, self.session.unit(dimension))

        def put(one: Moved, text: str) -> Moved:
            if one.id == _TOGETHER:
                raise ValueError(self.tr("this line adds up the others: type the amount beside what was changed"))
            dimension, inside = _dimension(one.id), _inside(one.id)
            return Moved(one.id, parse(text, Field.within(dimension, self.session.unit(dimension), inside)))

        return (
            Column(self.tr("what moved"), title, width=235),
            Column(self.tr("by"), amount, put, right=True, width=58),
            Column(self.tr("for the same geometry"), lambda one: one.pushrod, width=185),
            Column(self.tr("mark if left as it is"), lambda one: one.mark),
        )


def _titles() -> dict[str, str]:
    from honest_lift.sheets.moved_words import CHANGES

    return {key: title for key, (title, _, _) in CHANGES.items()}


def _dimension(key: str) -> str:
    from honest_lift.sheets.moved_words import CHANGES

    return CHANGES[key][1]


def _inside(key: str) -> tuple[float, float]:
    from honest_lift.sheets.moved_words import CHANGES

    return CHANGES[key][2]
