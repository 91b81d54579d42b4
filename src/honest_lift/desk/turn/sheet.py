"""Through the turn: piston to valve over a crank turned by hand, what moves it, and rows of readings typed angle by angle."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from msgspec import Struct
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QComboBox, QLabel, QSlider, QStackedWidget, QTabBar, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row, scrolled
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Describe, StrikeOut, reading_of
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import at_position, position_title
from honest_lift.facts.room_rows import read_rows
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding

_HALVES, _SPAN_DEG = 2, 60
_PLAY_MS = 25
_WORDS_AFTER_MS = 60
_ANGLES = tuple(range(-20, 21, 2))
_RODS = {"": "rods: not stated", "steel": "steel rods", "aluminium": "aluminium rods"}
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


class TurnSheet(QWidget):
    """Two pages: the curves with a crank handle, and the row of readings at the current valve."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.words, self.wrong = QLabel(), QLabel(), QLabel()
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What moves piston to valve"))
        self.wrong.setObjectName("caution")
        self.wrong.setWordWrap(True)
        self.curves, self.valves = SceneView(), SceneView()
        self.curves.setAccessibleName(self.tr("Piston to valve over the crank"))
        self.valves.setAccessibleName(self.tr("Valves over the piston, to scale"))
        self.crank = QSlider(Qt.Orientation.Horizontal)
        self.crank.setRange(-_SPAN_DEG * _HALVES, _SPAN_DEG * _HALVES)
        self.crank.setPageStep(10 * _HALVES)
        self.crank.setAccessibleName(self.tr("Crank handle, half degrees from TDC of the overlap"))
        self.at = QLabel()
        self.rods = QComboBox()
        self.rods.setAccessibleName(self.tr("What the rods are made of"))
        for key, title in _RODS.items():
            self.rods.addItem(self.tr(title), key)
        self.play_button = button(self.tr("Play"), self.play)
        self.table = RecordTable(self._columns(), self.tr("Readings in a row"))
        self.told = QLabel()
        self.told.setWordWrap(True)
        self._unit = session.unit("length")
        self._for: Any = None  # the book the curves are of
        self._worked: Any = None
        self._own_angle: float | None = None
        self._playing, self._soon = QTimer(self), QTimer(self)
        self._soon.setSingleShot(True)
        self._lay_out()
        self._playing.timeout.connect(self._turn_on)
        self._soon.timeout.connect(self._say)
        self.crank.valueChanged.connect(lambda _: self._draw())
        self.rods.activated.connect(lambda _: self._state_rods())
        self.table.records.put.connect(self._take)
        self.table.records.refused.connect(self.wrong.setText)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def _lay_out(self) -> None:
        self.tabs, self.stack = QTabBar(), QStackedWidget()
        self.tabs.setExpanding(False)
        self.tabs.setDrawBase(False)
        self.tabs.setAccessibleName(self.tr("Pages of the turn"))
        first, second = QWidget(), QWidget()
        one, two = QVBoxLayout(first), QVBoxLayout(second)
        for column in (one, two):
            column.setContentsMargins(0, 0, 0, 0)
            column.setSpacing(6)
        one.addWidget(self.curves, 6)
        handle = in_row(QLabel(self.tr("crank:")), self.crank, self.at, self.play_button, self.rods,
                        button(self.tr("Block…"), lambda: self.session.show_page("Block")))  # fmt: skip
        self.crank.setMinimumWidth(120)
        self.at.setMinimumWidth(105)
        one.addLayout(handle)
        one.addWidget(self.valves, 4)
        one.addWidget(scrolled(self.words), 3)
        two.addWidget(hint_label(self.tr(_HINT)))
        two.addWidget(self.table, 1)
        two.addLayout(
            in_row(button(self.tr("Strike out"), self.strike_row), button(self.tr("Paste a row"), self.paste_row))
        )
        two.addWidget(self.wrong)
        two.addWidget(self.told)
        for name, page in (("Piston to valve", first), ("Readings in a row", second)):
            self.tabs.addTab(self.tr(name))
            self.stack.addWidget(page)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Through the turn"), self.subtitle))
        column.addWidget(self.tabs)
        column.addWidget(self.stack, 1)
        self.tabs.currentChanged.connect(self.stack.setCurrentIndex)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for view, high in ((self.curves, 210), (self.valves, 150)):
            view.dress(theme, zoom)
            view.setMinimumHeight(round(high * zoom / 3))  # a low window makes the drawings smaller, and covers nothing
            view.setMaximumHeight(round(high * zoom))
        self.table.verticalHeader().setDefaultSectionSize(round(24 * zoom))
        self.table.records.fails, self.table.records.muted, self.table.records.zoom = theme.fails, theme.muted, zoom

    def open_page(self, name: str) -> None:
        """Open a page by its name."""
        names = [self.tabs.tabText(i) for i in range(self.tabs.count())]
        self.tabs.setCurrentIndex(names.index(self.tr(name)))

    # --- following ---

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "turn":
            return
        from honest_lift.estimates.piston_valve import piston_to_valve

        book = self.session.book
        here = self.session.position
        self.subtitle.setText(position_title(here) if here else self.tr("no valve laid out yet"))
        if self._for is not book:
            self._for, self._worked = book, piston_to_valve(book) if book.engine.layout.positions else None
        self.rods.setCurrentIndex(self.rods.findData(book.engine.rod_material))
        self._show_rows()
        self._draw()
        self._say()

    def _cylinder(self) -> tuple[str, ...]:
        own = self.session.engine.position(self.session.position)
        ids = [one.id for one in self.session.engine.layout.positions if own and one.cylinder == own.cylinder]
        return tuple(
            sorted(ids, key=lambda one: at_position(one).role == "intake")
        )  # the exhaust, before TDC, on the left

    def _found(self) -> dict[str, Finding]:
        seen = self.session.examination
        each = {one: seen.finding("piston_valve", one) for one in self._cylinder()} if seen else {}
        return {one: finding for one, finding in each.items() if finding is not None}

    def _draw(self) -> None:
        from honest_lift.sheets.turn_scene import curves_scene, valves_scene

        at, book = self.crank.value() / _HALVES, self.session.book
        side = "" if at == 0 else self.tr(" after TDC") if at > 0 else self.tr(" before TDC")
        self.at.setText(f"{abs(at):g}°{side}" if at else self.tr("at TDC"))
        if self._worked is None:
            from honest_lift.drawings.clearance_turn import clearance_scene

            self.curves.show_scenes([(1, clearance_scene([], at, self.tr("no valve is laid out yet")))])
            self.valves.show_scenes([])
            return
        lacking = self.tr("nothing is measured towards it yet: a valve drop at TDC, clay, or a row of readings")
        curves = curves_scene(book, self._cylinder(), self._worked, self._found(), at, lacking)
        self.curves.show_scenes([(1, curves)])
        self.valves.show_scenes([(1, valves_scene(book, self._cylinder(), self._worked, at))])

    def _say(self) -> None:
        from honest_lift.estimates.resolve import resolve
        from honest_lift.sheets.turn_words import (
            at_speed_words,
            mock_up_words,
            tightest_words,
            turn_words,
            window_words,
        )

        book, found = self.session.book, self._found()
        here, seen = self.session.position, self.session.examination
        lines = [tightest_words(book, here, seen.by_position.get(here, ()))] if seen and here else []
        for one in self._cylinder():
            ratio = resolve(book, "rocker_ratio", at_position(one)).value
            lines += turn_words(book, one, found, 1.0 if book.engine.gear == "bucket" else ratio)
        lines += [window_words(book, self._cylinder(), found), at_speed_words(book, self._cylinder(), found)]
        lines.append(mock_up_words(book, self._cylinder()))
        self.words.setText("\n".join(one for one in lines if one))

    # --- the crank handle ---

    def play(self) -> None:
        """Turn the crank through the overlap, or stop it where it is."""
        if self._playing.isActive():
            self._playing.stop()
        else:
            if self.crank.value() == self.crank.maximum():
                self.crank.setValue(self.crank.minimum())
            self._playing.start(_PLAY_MS)
        self.play_button.setText(self.tr("Stop") if self._playing.isActive() else self.tr("Play"))

    def _turn_on(self) -> None:
        if self.crank.value() >= self.crank.maximum() or not self.isVisible():
            self._playing.stop()
            self.play_button.setText(self.tr("Play"))
            return
        self.crank.setValue(self.crank.value() + 1)

    def _state_rods(self) -> None:
        material = self.rods.currentData()
        if material != self.session.engine.rod_material:
            self.session.do(Describe({"rod_material": material}, self.tr(_RODS[material])))

    # --- the row of readings ---

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
