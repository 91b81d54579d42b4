"""A series of readings at the current valve, line by line at the keyboard or pasted; what stands out is named in its line."""

from __future__ import annotations

from math import inf

from msgspec import Struct
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, StrikeOut, reading_of, readings_at
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import at_position
from honest_lift.facts.series_rows import read_series
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import from_inside, in_figures

_SAME = 1e-3  # of what coordinates are shown in


class SeriesRow(Struct, frozen=True):
    """A line: where it was taken (inside unit), what was read there as typed, and what is wrong with it."""

    id: str
    at: float | None
    text: str = ""
    reading: str = ""
    odd: str = ""


class Series(Struct, frozen=True):
    """What is read in a series: the quantity, the way, its usual coordinates (inside), and the words of the page."""

    quantity: str
    way: str
    usual: tuple[float, ...]
    hint: str
    title: str


class SeriesPage(QWidget):
    """The table with its two buttons. `tell` gives what the whole series says, `odd` what stands out by coordinate."""

    def __init__(self, session: Session, series: Series) -> None:
        super().__init__()
        self.session, self.series = session, series
        self._own, self._at = CATALOG[series.quantity], CATALOG[CATALOG[series.quantity].at]
        self._units = self._unit_pair()
        self._own_at: float | None = None
        self.table = RecordTable(self._columns(), self.tr(series.title))
        self.wrong, self.told = Label(), Label()
        self.wrong.setObjectName("caution")
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.column.setSpacing(6)
        self.column.addWidget(hint_label(self.tr(series.hint)))
        self.column.addWidget(self.table, 1)
        self.column.addLayout(
            in_row(button(self.tr("Strike out"), self.strike_row), button(self.tr("Paste a row"), self.paste_row))
        )
        for label in (self.wrong, self.told):
            label.setWordWrap(True)
            label.setVisible(False)
            self.column.addWidget(label)
        self.table.records.put.connect(self._take)
        self.table.records.refused.connect(self._complain)

    def tell(self, position: str) -> str:
        """Say what the whole series at a valve comes to."""
        return ""

    def odd(self, position: str) -> dict[float, str]:
        """Say what stands out, by coordinate."""
        return {}

    def usual(self) -> tuple[float, ...]:
        """Give the coordinates a line stands ready for."""
        return self.series.usual

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.table.verticalHeader().setDefaultSectionSize(round(24 * zoom))
        self.table.records.fails, self.table.records.muted, self.table.records.zoom = theme.fails, theme.muted, zoom

    def _unit_pair(self) -> tuple[str, str]:
        return self.session.unit(self._at.dimension), self.session.unit(self._own.dimension)

    def _columns(self) -> tuple[Column, ...]:
        at_unit, unit = self._unit_pair()

        def where(one: SeriesRow) -> str:
            return "" if one.at is None else f"{from_inside(one.at, self._at.dimension, at_unit):.4g}"

        def put_where(one: SeriesRow, text: str) -> SeriesRow:
            if one.id != "own":
                raise MendableError(self.tr("this is the line's own: type another one into the last line"))
            value = parse(text, Field.within(self._at.dimension, at_unit, self._at.physical))
            return SeriesRow("own", value, one.text)

        def put(one: SeriesRow, text: str) -> SeriesRow:
            if one.at is None:
                raise MendableError(self.tr("type the {0} of this line first").format(self._at.title))
            value = parse(text, Field.within(self._own.dimension, unit, self._own.physical))
            if value is None:
                raise EntryError(
                    self.tr("a reading is struck out with its own reason: Measure, Strike out, or read it again")
                )
            return SeriesRow(one.id, one.at, text.strip(), one.reading)

        return (
            Column(f"{self._at.title}, {at_unit}", where, put_where, right=True, width=190),
            Column(f"{self._own.title}, {unit}", lambda one: one.text, put, right=True, width=190, kind=lambda _: "measured"),
            Column(self.tr("suspect rows"), lambda one: one.odd),
        )  # fmt: skip

    def refresh(self) -> None:
        """Follow the session."""
        here = self.session.position
        read = {
            one.reading.at[self._at.name]: one
            for one in (readings_at(self.session.book, self._own.name, at_position(here)) if here else ())
            if not one.fate and self._at.name in one.reading.at
        }
        odd = self.odd(here) if read else {}
        shown = [
            SeriesRow(f"{at:g}", at, read[at].reading.text, read[at].reading.id, odd.get(at, ""))
            if at in read else SeriesRow(f"{at:g}", at) for at in sorted({*self.usual(), *read})
        ]  # fmt: skip
        units = self._unit_pair()
        self.table.show_records(
            [*shown, SeriesRow("own", self._own_at)], self._columns() if units != self._units else None
        )
        self._units = units
        self.told.setText(self.tell(here) if here else "")
        self.told.setVisible(bool(self.told.text()))

    def _take(self, row: SeriesRow) -> None:
        """Take what was typed into the journal, or remember where the last line is to be."""
        self._complain("")
        if row.id == "own" and not row.text:
            self._own_at = row.at
            self.refresh()
            return
        if not self.session.position or row.at is None:
            return
        value = parse(row.text, Field.within(self._own.dimension, self._units[1], self._own.physical))
        self._own_at = None
        if value is not None:
            self.session.do(Confirm((self._reading(row.at, value, row.text),)))

    def _reading(self, at: float, value: float, text: str) -> Reading:
        book, name, way = self.session.book, self._own.name, self.series.way
        tool = book.engine.tool_for(name, way)
        return reading_of(
            book, name, at_position(self.session.position), value, text=text, unit=self._units[1], way=way,
            tool=tool.id if tool else "", at={self._at.name: at},
        )  # fmt: skip

    def paste_row(self) -> None:
        """Take a copied series as one edit, or say which line can't be read and take none."""
        self._complain("")
        if not self.session.position:
            self._complain(self.tr("No valve is chosen: lay the heads out first."))
            return
        try:
            rows = read_series(QGuiApplication.clipboard().text(), self._own.name, *self._units)
        except EntryError as error:
            self._complain(str(error))
            return
        self.session.do(Confirm(tuple(self._reading(*row) for row in rows)))

    def stand_at(self, at: float) -> None:
        """Stand on the line read at a coordinate, in the engine's own unit, ready to type it anew."""
        rows = self.table.records.records
        shown = [
            abs(from_inside(one.at, self._at.dimension, self._units[0]) - at) if one.at is not None else inf
            for one in rows
        ]
        if shown and min(shown) < _SAME:
            self.table.ready(shown.index(min(shown)), 1)

    def strike_row(self) -> None:
        """Strike out the reading of the chosen line."""
        row = self.table.current
        if row is not None and row.reading:
            self.session.do(StrikeOut(row.reading, "row read again"))
        else:
            self._complain(self.tr("Choose a line that has a reading."))

    def _complain(self, words: str) -> None:
        """Say what is wrong; "" for nothing more."""
        self.wrong.setText(words)
        self.wrong.setVisible(bool(words))

    def figure(self, value: float) -> str:
        """Write a value of the series."""
        return in_figures(value, self._own.dimension, self._units[1])
