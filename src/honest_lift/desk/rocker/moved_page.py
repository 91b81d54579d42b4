"""What moved the geometry: each named change by its amount, and what all of them do together."""

from __future__ import annotations

from typing import TYPE_CHECKING

from msgspec import Struct
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.rocker.pushrod_rocker import moved_scene
from honest_lift.numbers.entry import Field, parse
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.estimates.rocker.gear import Rocker
    from honest_lift.facts.engine import Book
    from honest_lift.words.rocker.moved import MovedRow

_TOGETHER = "together"
_HINT = (
    "Type what was cut, raised or changed since the geometry was measured; a blank counts for nothing. Each line tells the pushrod "
    "that puts the same geometry back, what preload changes by if nothing is done, and the mark with the lash reset."
)

_FINGER_HINT = (
    "Type what was raised, cut or changed since the dimensions were measured; a blank counts for nothing. Each line tells what "
    "gives the lash back, pad or pivot, what the lash is if nothing is done, and where the wipe then lies."
)


class Moved(Struct, frozen=True):
    """A named change, its amount in mm, or the new ratio, or turns (None for none), and what it comes to in words."""

    id: str
    amount: float | None = None
    pushrod: str = ""
    mark: str = ""
    whole: str = ""


class MovedPage(QWidget):
    """A table of changes of one kind of gear. It is looked at only: nothing is stated by it."""

    def __init__(self, session: Session, gear: str = "pushrod") -> None:
        super().__init__()
        self.session, self.gear = session, gear
        self.amounts: dict[str, float | None] = {}
        self.words = Label()
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the change comes to"))
        self.wrong = Label()
        self.wrong.setWordWrap(True)
        self.wrong.setObjectName("caution")
        self.table = RecordTable(self._columns(), self.tr("What moved"))
        self.table.records.put.connect(self._put)
        self.table.records.refused.connect(self.wrong.setText)
        self._unit = session.unit("length")
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT if gear == "pushrod" else _FINGER_HINT)))
        self.drawing = SceneView()
        self.drawing.wish(190)
        self.drawing.setAccessibleName(self.tr("The gear before the change, thin, and after it"))
        column.addWidget(self.drawing)
        self.drawing.setVisible(gear == "pushrod")
        column.addWidget(self.table, 1)
        column.addWidget(self.words)
        column.addWidget(self.wrong)
        self.table.selectionModel().currentRowChanged.connect(lambda *_: self._say())

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.dress(theme, zoom)
        self.table.verticalHeader().setDefaultSectionSize(round(27 * zoom))
        self.table.records.fails, self.table.records.muted, self.table.records.zoom = theme.fails, theme.muted, zoom

    def _put(self, one: Moved) -> None:
        self.wrong.clear()
        self.amounts[one.id] = one.amount
        self.refresh()

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.estimates.rocker.gear import rocker_of

        book, one = self.session.book, self.session.engine.position(self.session.position)
        rocker = rocker_of(book, one.role if one else "intake", one.id if one else "", with_doubt=False)
        typed = {key: amount for key, amount in self.amounts.items() if amount is not None}
        told = self._told(book, rocker, typed)
        rows = []
        for key in (*self._changes, _TOGETHER):
            row = told.get(key)
            rows.append(
                Moved(key, self.amounts.get(key), row.pushrod, row.mark, row.whole)
                if row
                else Moved(key, self.amounts.get(key))
            )
        unit = self.session.unit("length")
        self.table.show_records(rows, self._columns() if unit != self._unit else None)
        self._unit = unit
        self._draw(book, rocker, typed)
        self._say()

    def _draw(self, book: Book, rocker: Rocker, typed: dict[str, float]) -> None:
        """Lay before and after over each other."""
        from honest_lift.words.rocker.moved import moved_sides

        if self.gear == "pushrod":
            missing = self.tr("the gear's dimensions are not stated yet")
            self.drawing.show_scenes([(1, moved_scene(*moved_sides(book, rocker, typed), missing))])

    def _told(self, book: Book, rocker: Rocker, typed: dict[str, float]) -> dict[str, MovedRow]:
        """Tell each change by itself, and all of them together."""
        from honest_lift.words.rocker.finger import finger_moved
        from honest_lift.words.rocker.moved import moved_row, together

        if self.gear != "pushrod":
            told = {key: finger_moved(book, rocker, {key: amount}) for key, amount in typed.items()}
            return told | ({_TOGETHER: finger_moved(book, rocker, typed)} if typed else {})
        told = {key: moved_row(book, rocker, key, amount) for key, amount in typed.items()}
        return told | ({_TOGETHER: together(book, rocker, typed)} if typed.keys() - {"nut"} else {})

    @property
    def _changes(self) -> dict[str, tuple[str, str, tuple[float, float]]]:
        """Give title, dimension and range of each change."""
        from honest_lift.words.rocker.finger import FINGER_CHANGES
        from honest_lift.words.rocker.moved import CHANGES

        return CHANGES if self.gear == "pushrod" else FINGER_CHANGES

    def _say(self) -> None:
        """Say what the chosen line comes to, whole; without a choice, what all do together."""
        one = self.table.current
        rows = {row.id: row for row in self.table.records.records}
        chosen = one if one is not None and one.whole else rows.get(_TOGETHER)
        self.words.setText(chosen.whole if chosen else "")

    def _columns(self) -> tuple[Column, ...]:
        def title(one: Moved) -> str:
            return self._changes[one.id][0] if one.id in self._changes else self.tr("all of these together")

        def amount(one: Moved) -> str:
            if one.amount is None:
                return ""
            dimension = self._changes[one.id][1]
            return in_figures(one.amount, dimension, self.session.unit(dimension))

        def put(one: Moved, text: str) -> Moved:
            if one.id == _TOGETHER:
                raise MendableError(self.tr("this line adds up the others: type the amount beside what was changed"))
            _, dimension, inside = self._changes[one.id]
            return Moved(one.id, parse(text, Field.within(dimension, self.session.unit(dimension), inside)))

        same, left = ("for the same geometry", "mark if left as it is")
        if self.gear != "pushrod":
            same, left = ("what gives the lash back", "if left as it is")
        return (
            Column(self.tr("what moved"), title, width=255),
            Column(self.tr("by"), amount, put, right=True, width=58),
            Column(self.tr(same), lambda one: one.pushrod, width=185),
            Column(self.tr(left), lambda one: one.mark),
        )
