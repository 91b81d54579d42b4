"""A row of readings at the current valve: angle by angle at the keyboard or pasted, what stands out named in its line."""

from __future__ import annotations

from msgspec import Struct
from PyQt6.QtCore import QTimer
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, StrikeOut, reading_of
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import at_position
from honest_lift.facts.room_rows import read_rows
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

_ANGLES = tuple(range(-20, 21, 2))
_HINT = (
    "Light spring in, solid lifter or the lash taken up: at each angle push the valve down to the piston and read how far. Every "
    "two degrees from 20 before to 20 after; an angle of your own can be typed into the first column of the last line."
)


class RoomRow(Struct, frozen=True):
    """A line of the row: its angle, what was read there as typed, and what is wrong with it."""

    id: str
    angle: float | None
    text: str = ""
    reading: str = ""
    odd: str = ""


class RowsPage(QWidget):
    """Readings of piston to valve at crank angles, for one valve."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.table = RecordTable(self._columns(), self.tr("Readings in a row"))
        self.wrong, self.told = QLabel(), QLabel()
        self.wrong.setObjectName("caution")
        self._unit = session.unit("length")
        self._own_angle: float | None = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.table, 1)
        column.addLayout(
            in_row(button(self.tr("Strike out"), self.strike_row), button(self.tr("Paste a row"), self.paste_row))
        )
        for label in (self.wrong, self.told):
            label.setWordWrap(True)
            column.addWidget(label)
        self.table.records.put.connect(self._take)
        self.table.records.refused.connect(self.wrong.setText)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.table.verticalHeader().setDefaultSectionSize(round(24 * zoom))
        self.table.records.fails, self.table.records.muted, self.table.records.zoom = theme.fails, theme.muted, zoom

    def refresh(self) -> None:
        """Follow the session."""
        self._show_rows()

    def _columns(self) -> tuple[Column, ...]:
        def angle(one: RoomRow) -> str:
            return "" if one.angle is None else f"{one.angle:g}"

        def put_angle(one: RoomRow, text: str) -> RoomRow:
            if one.id != "own":
                raise ValueError(self.tr("this angle is the line's own: type another one into the last line"))
            value = parse(text, Field.within("angle", "deg", CATALOG["crank_at"].physical))
            return RoomRow("own", value, one.text)

        def put(one: RoomRow, text: str) -> RoomRow:
            if one.angle is None:
                raise ValueError(self.tr("type the angle of this line first"))
            value = parse(
                text, Field.within("length", self.session.unit("length"), CATALOG["piston_valve_room"].physical)
            )
            if value is None:
                raise EntryError(
                    self.tr("a reading is struck out with its own reason: Measure, Strike out, or read it again")
                )
            return RoomRow(one.id, one.angle, text.strip(), one.reading)

        unit = self.session.unit("length")
        return (
            Column(self.tr("crank, deg"), angle, put_angle, right=True, width=110),
            Column(
                self.tr("room, {0}").format(unit),
                lambda one: one.text,
                put,
                right=True,
                width=110,
                kind=lambda _: "measured",
            ),
            Column(self.tr("what stands out"), lambda one: one.odd),
        )

    def _show_rows(self) -> None:
        from honest_lift.estimates.piston_valve_read import room_read
        from honest_lift.facts.journal import standing

        here, unit = self.session.position, self.session.unit("length")
        read = room_read(self.session.book, here) if here else None
        rows = {one.crank_deg: one for one in read.rows} if read else {}
        texts = {one.reading.id: one.reading.text for one in standing(self.session.book.journal)} if rows else {}
        shown = [RoomRow(f"{at:g}", at) for at in sorted({*map(float, _ANGLES), *rows})]
        for i, line in enumerate(shown):
            if line.angle in rows:
                one = rows[line.angle]
                shown[i] = RoomRow(line.id, line.angle, texts.get(one.reading, ""), one.reading, one.odd)
        own = self._own_angle
        self.table.show_records([*shown, RoomRow("own", own)], self._columns() if unit != self._unit else None)
        self._unit = unit
        if read is None or not read.rows:
            self.told.setText("")
        elif read.least is None:
            self.told.setText(f"{read.why_not[:1].upper()}{read.why_not[1:]}.")
        else:
            figure = in_figures(read.least.value, "length", unit)
            self.told.setText(self.tr("Least {0} {1}, {2:.1f} degrees from TDC.").format(figure, unit, read.at_deg))

    def _take(self, row: RoomRow) -> None:
        """Take a typed room into the journal, or remember the angle of the last line."""
        self.wrong.clear()
        if row.id == "own" and not row.text:
            self._own_angle = row.angle
            self._show_rows()
            return
        if not self.session.position or row.angle is None:
            return
        unit = self.session.unit("length")
        value = parse(row.text, Field.within("length", unit, CATALOG["piston_valve_room"].physical))
        self._own_angle = None
        if value is not None:
            self.session.do(Confirm((self._reading(row.angle, value, row.text),)))
            QTimer.singleShot(0, self._next_line)  # once the line that was typed in has closed

    def _reading(self, angle: float, room_mm: float, text: str) -> Reading:
        from honest_lift.estimates.piston_valve_read import AT

        book = self.session.book
        tool = book.engine.tool_for("piston_valve_room", "indicator")
        return reading_of(
            book, "piston_valve_room", at_position(self.session.position), room_mm, text=text,
            unit=self.session.unit("length"), way="indicator", tool=tool.id if tool else "", at={AT: angle},
        )  # fmt: skip

    def paste_row(self) -> None:
        """Take a copied row of angles and rooms as one edit, or say which line can't be read and take none."""
        self.wrong.clear()
        if not self.session.position:
            self.wrong.setText(self.tr("No valve is chosen: lay the heads out first."))
            return
        try:
            rows = read_rows(QGuiApplication.clipboard().text(), self.session.unit("length"))
        except EntryError as error:
            self.wrong.setText(str(error))
            return
        self.session.do(Confirm(tuple(self._reading(*row) for row in rows)))

    def _next_line(self) -> None:
        """Step to the next line, so that a whole row is typed in one pass."""
        here = self.table.currentIndex().row()
        if 0 <= here < len(self.table.records.records) - 2:
            self.table.setCurrentIndex(self.table.records.index(here + 1, 1))

    def strike_row(self) -> None:
        """Strike out the reading of the chosen line."""
        row = self.table.current
        if row is not None and row.reading:
            self.session.do(StrikeOut(row.reading, "row read again"))
        else:
            self.wrong.setText(self.tr("Choose a line that has a reading."))
