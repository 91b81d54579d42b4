"""The pushrod finder: what three rules ask for with the stocked lengths beside them, and readings of a checking pushrod."""

from __future__ import annotations

from math import isfinite
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Describe, StrikeOut, reading_of
from honest_lift.facts.place import at_position
from honest_lift.facts.stock_line import read_sizes
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.estimates.rocker.checking_pushrod import Checked
    from honest_lift.words.rocker.pushrod_finder import FinderRow

_WIDTHS = (146, 76, 76, 84, 92, 92, 84, 72)
_READ_WIDTHS = (84, 110, 84, 84, 120)
_TURNS = (0.0, 60.0)


def _valve(session: Session) -> tuple[str, str]:
    one = session.engine.position(session.position)
    return (one.role, one.id) if one else ("intake", "")


class FinderGrid(ReadingGrid):
    """A row a pushrod: as stated, by each rule, and in stock."""

    rows: tuple[FinderRow, ...] = ()
    beyond_mm = 0.0

    def row_names(self) -> list[str]:
        """Give a number a row."""
        return [str(i) for i in range(len(self.rows))]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        own = "pivot up" if self.session.engine.rocker_mount == "shaft" else "pushrod"
        return ("", own, "from now", "mark wide", "centre, + out", "ends, + out", "off square", "lift")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a pushrod."""
        one, unit = self.rows[int(name)], self.session.unit("length")

        def length(value: float) -> str:
            return in_figures(value, "length", unit) if isfinite(value) else "–"

        def signed(value: float) -> str:
            figure = length(abs(value))
            return figure if figure == "–" or not figure.strip("0.,") else f"{'+' if value > 0 else '-'}{figure}"

        square = f"{one.off_square_deg:.1f}°".replace("-0.0°", "0.0°") if isfinite(one.off_square_deg) else "–"
        texts = (length(one.own + self.beyond_mm), signed(one.off), length(one.width), signed(one.middle), signed(one.travel),
                 square, length(one.lift))  # fmt: skip
        return (Cell(one.title, bold=one.title == "as stated"), *(Cell(text, True) for text in texts))


class CheckedGrid(ReadingGrid):
    """A row a length of the checking pushrod, as read at the current valve."""

    def row_names(self) -> list[str]:
        """Give the lengths."""
        return [f"{one.length_mm:.6f}" for one in self._read()]

    def _read(self) -> tuple[Checked, ...]:
        from honest_lift.estimates.rocker.checking_pushrod import checked

        return checked(self.session.book, self.session.position) if self.session.position else ()

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("turns", "length", "wide", "middle", "")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a length."""
        one, unit = self._read()[self.row_names().index(name)], self.session.unit("length")

        def cell(value: float) -> Cell:
            return Cell(
                in_figures(value, "length", unit) if isfinite(value) else "–", True, measured=True, struck=one.stale
            )

        return (Cell(one.turns, True, measured=True), cell(one.length_mm), cell(one.width_mm), cell(one.middle_mm),
                Cell("stale" if one.stale else ""))  # fmt: skip


class FinderPage(QWidget):
    """The rules above, the checking pushrod below."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid = FinderGrid(session), GridView()
        self.read_model, self.read_grid = CheckedGrid(session), GridView()
        for view, model, name in ((self.grid, self.model, self.tr("Pushrods by each rule, and in stock")),
                                  (self.read_grid, self.read_model, self.tr("Marks read with the checking pushrod"))):  # fmt: skip
            view.setModel(model)
            view.setAccessibleName(name)
        self.words, self.wrong, self.curve = Label(), Label(), CurveView()
        self.curve.setAccessibleName(self.tr("Witness mark over the length, with what each rule asks for"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the checking pushrod points to"))
        self.wrong.setObjectName("caution")
        self.wrong.setWordWrap(True)
        self.stock, self.quoted = QLineEdit(), QComboBox()
        self.stock.setAccessibleName(self.tr("pushrod lengths in stock"))
        self.quoted.setAccessibleName(self.tr("how pushrod lengths are quoted"))
        for key, words in (
            ("middles", "between ball centres"),
            ("overall", "overall"),
            ("gauge", "gauge length"),
        ):
            self.quoted.addItem(self.tr(words), key)
        self.turns, self.wide, self.middle = QLineEdit(), QLineEdit(), QLineEdit()
        named = {"turns out": self.turns, "mark wide": self.wide, "its centre": self.middle}
        for name, line in named.items():
            line.setAccessibleName(self.tr(name))
            line.setPlaceholderText(self.tr(name))
            line.setMaximumWidth(108)
        self._lay_out()
        self.stock.editingFinished.connect(self.take_stock)
        self.quoted.activated.connect(lambda _: self._quote())
        for line in (self.turns, self.wide, self.middle):
            line.returnPressed.connect(self.take_down)

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.grid)
        self.stock.setMinimumWidth(220)
        column.addLayout(in_row(Label(self.tr("in stock:")), self.stock, Label(self.tr("lengths stated")), self.quoted))
        column.addLayout(in_row(
            Label(self.tr("checking pushrod:")), self.turns, self.wide, self.middle, button(self.tr("Record"), self.take_down),
            button(self.tr("Strike out"), self.strike_out), button(self.tr("Dimensions…"), self._dimensions),
        ))  # fmt: skip
        column.addWidget(self.wrong)
        beside = QHBoxLayout()
        beside.addWidget(self.read_grid, 4)
        beside.addWidget(self.curve, 6)
        column.addLayout(beside)
        column.addWidget(scrolled(self.words), 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for view, widths, high in ((self.grid, _WIDTHS, 170), (self.read_grid, _READ_WIDTHS, 150)):
            view.dress(theme, zoom)
            view.setFixedHeight(round(high * zoom))
            view.fix(dict(enumerate(widths)))
        self.curve.setFixedHeight(round(150 * zoom))
        self.curve.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.rocker.pushrod_finder import beyond, checked_words, finder_chart, finder_rows

        book, (role, position) = self.session.book, _valve(self.session)
        ends = beyond(book, role, position)
        self.model.beyond_mm = 0.0 if isinstance(ends, str) else ends
        self.model.rows = finder_rows(book, role, position)
        for model in (self.model, self.read_model):
            model.refresh()
        self.curve.show_chart(finder_chart(book, role, position, self.model.rows, self.model.beyond_mm))
        if not self.stock.hasFocus():
            unit = self.session.unit("length")
            self.stock.setText("; ".join(in_figures(one, "length", unit) for one in self.session.engine.pushrod_stock))
            self.stock.setCursorPosition(0)
        self.stock.setPlaceholderText(
            self.tr("7.600 to 7.900 by .025") if self.session.unit("length") == "in" else "190 to 200 by .5"
        )
        self.quoted.setCurrentIndex(self.quoted.findData(self.session.engine.pushrods_quoted))
        self.wrong.setText(ends[:1].upper() + ends[1:] + "." if isinstance(ends, str) else "")
        lines = checked_words(book, role, position)
        if not self.model.rows:
            lines = (self.tr("The rules need the gear's dimensions; Geometry says which are missing."), *lines)
        self.words.setText("\n".join(lines))

    def take_stock(self) -> None:
        """State what can be bought. What can't be read stays in the line, with the reason."""
        try:
            stock = read_sizes(self.stock.text(), self.session.unit("length"), CATALOG["pushrod_length"].physical)
        except EntryError as error:
            self.wrong.setText(str(error))
            return
        self.wrong.clear()
        unit = self.session.unit("length")
        shown = "; ".join(in_figures(one, "length", unit) for one in self.session.engine.pushrod_stock)
        if self.stock.text() != shown and stock != self.session.engine.pushrod_stock:
            self.stock.clearFocus()
            self.session.do(Describe({"pushrod_stock": stock}, f"{len(stock)} pushrod lengths in stock"))

    def _dimensions(self) -> None:
        self.session.show_page("Rocker")

    def _quote(self) -> None:
        how = self.quoted.currentData()
        if how != self.session.engine.pushrods_quoted:
            self.session.do(Describe({"pushrods_quoted": how}, f"pushrod lengths {self.quoted.currentText()}"))

    def take_down(self) -> None:
        """Take a mark into the journal at the length the turns come to. What can't be read stays, with the reason."""
        from honest_lift.estimates.rocker.checking_pushrod import AT, checking_length_mm

        unit = self.session.unit("length")
        if not self.session.position:
            self.wrong.setText(self.tr("No valve is chosen: lay the heads out first."))
            return
        try:
            turns = parse(self.turns.text(), Field.within("turns", "turn", _TURNS))
            read = {name: parse(line.text(), Field.within("length", unit, CATALOG[name].physical))
                    for name, line in (("checking_width", self.wide), ("checking_centre", self.middle))}  # fmt: skip
        except EntryError as error:
            self.wrong.setText(str(error))
            return
        if turns is None or all(value is None for value in read.values()):
            self.wrong.setText(
                self.tr("Type the turns out, and how wide the mark is or where its centre lies, or both.")
            )
            return
        length = checking_length_mm(self.session.book, turns)
        if isinstance(length, str):
            self.wrong.setText(f"{length[:1].upper()}{length[1:]} (Dimensions).")
            return
        if (row := CATALOG["checking_length"].physical) and not row[0] <= length <= row[1]:
            self.wrong.setText(self.tr("That many turns make a length no pushrod has."))
            return
        self._confirm({name: value for name, value in read.items() if value is not None}, round(length, 6), AT)

    def _confirm(self, read: dict[str, float], length_mm: float, at: str) -> None:
        book, place = self.session.book, at_position(self.session.position)
        typed = {"checking_width": self.wide.text(), "checking_centre": self.middle.text()}
        readings = []
        for name, value in read.items():
            tool = book.engine.tool_for(name, "seen")
            readings.append(reading_of(
                book, name, place, value, text=typed[name].strip(), unit=self.session.unit("length"), way="seen",
                tool=tool.id if tool else "", at={at: length_mm}, also={"turns": self.turns.text().strip()},
            ))  # fmt: skip
        if self.session.do(Confirm(tuple(readings))):
            for line in (self.turns, self.wide, self.middle):
                line.clear()
            self.turns.setFocus()

    def strike_out(self) -> None:
        """Strike out what was read at the chosen length."""
        from honest_lift.estimates.rocker.checking_pushrod import checked

        row = self.read_grid.currentIndex().row()
        read = checked(self.session.book, self.session.position) if self.session.position else ()
        if not 0 <= row < len(read):
            self.wrong.setText(self.tr("Choose the line that is to be struck out."))
            return
        for name in read[row].readings:
            self.session.do(StrikeOut(name, "checking pushrod read again"))
