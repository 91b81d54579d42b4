"""The shelf: its parts by kind, edited in place, laid on, taken off, imported and exported."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.apart import run_apart
from honest_lift.desk.engine.page import button
from honest_lift.desk.flow import Flow
from honest_lift.desk.label import Label
from honest_lift.desk.match.import_dialog import ImportDialog
from honest_lift.desk.match.shelf_here import ShelfHere
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.desk.writing_out import write_out
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.shelf.kinds import Column as PartColumn
    from honest_lift.shelf.kinds import Part, PartKind

_SHOWN = 500


class ShelfPage(QWidget):
    """One kind of one shelf at a time; of many the first five hundred that hold the words looked for."""

    def __init__(self, session: Session, here: ShelfHere) -> None:
        super().__init__()
        from honest_lift.shelf.kinds import PARTS

        self.session, self.here, self.kinds = session, here, list(PARTS.values())
        self.shelves, self.kind, self.words, self.told = QComboBox(), QComboBox(), QLineEdit(), Label()
        self.kind.addItems([self.tr(one.title) for one in self.kinds])
        for widget, name in ((self.shelves, "Shelf"), (self.kind, "Kind of part"), (self.words, "Words to look for")):
            widget.setAccessibleName(self.tr(name))
        self.words.setPlaceholderText(self.tr("number or name"))
        self.told.setWordWrap(True)
        self.table = RecordTable((), self.tr("Parts of the shelf"))
        self._columns_for: tuple[str, ...] = ()
        self._lay_out()
        self.shelves.activated.connect(self.show_parts)
        self.kind.activated.connect(self.show_parts)
        self.words.textChanged.connect(self.show_parts)
        self.table.records.put.connect(self._put)
        self.table.records.refused.connect(session.warned)
        here.changed.connect(self.refresh)

    def _lay_out(self) -> None:
        column, above, below = QVBoxLayout(self), QHBoxLayout(), Flow()
        column.setContentsMargins(0, 0, 0, 0)
        for widget in (self.shelves, self.kind, self.words):
            above.addWidget(widget)
        above.addStretch(1)
        for words, does in (
            (self.tr("Add a part"), self.add), (self.tr("Delete part"), self.take_off), (self.tr("Import…"), self.import_file),
            (self.tr("Export…"), self.export), (self.tr("New shelf…"), self.new_shelf),
            (self.tr("Drop the shelf"), self.drop_shelf), (self.tr("Invented shelf"), self.invented),
        ):  # fmt: skip
            below.addWidget(button(words, does))
        column.addLayout(above)
        column.addWidget(self.table, 1)
        column.addLayout(below)
        column.addWidget(self.told)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.table.dress(theme, zoom)
        self.table.verticalHeader().setDefaultSectionSize(round(25 * zoom))

    # --- what is shown ---

    @property
    def part_kind(self) -> PartKind:
        """Give the kind that is shown."""
        return self.kinds[max(self.kind.currentIndex(), 0)]

    @property
    def shelf_name(self) -> str:
        """Give the shelf that is shown; "" where there is none."""
        return self.shelves.currentText()

    def refresh(self) -> None:
        """Follow the shelf."""
        names = [name for name, _ in self.here.shelf.names()]
        if [self.shelves.itemText(i) for i in range(self.shelves.count())] != names:
            before = self.shelves.currentText()
            self.shelves.clear()
            self.shelves.addItems(names)
            self.shelves.setCurrentIndex(max(self.shelves.findText(before), 0))
        self.show_parts()

    def show_parts(self) -> None:
        """Show the parts that hold the words looked for."""
        kind, name = self.part_kind, self.shelf_name
        if not name:
            self.table.show_records((), ())
            self.told.setText(self.here.trouble or self.tr("There is no shelf: add one, or lay the invented one out."))
            return
        parts = self.here.shelf.parts(kind, name, self.words.text(), _SHOWN)
        wanted = (kind.key, *map(self.session.unit, ("length", "load", "mass", "angle")))
        self.table.show_records(parts, self._columns(kind) if wanted != self._columns_for else None)
        self._columns_for = wanted
        whole = self.here.shelf.count(kind, name)
        invented = dict(self.here.shelf.names()).get(name)
        many = self.tr("{0} of {1} {2}").format(len(parts), whole, kind.title.lower())
        self.told.setText(
            many + (self.tr(". Every one of them is invented: no maker ever gave these figures.") if invented else ".")
        )

    def _columns(self, kind: PartKind) -> list[Column]:
        from honest_lift.shelf.kinds import NAME, NUMBER

        own = [self._column(one) for one in kind.columns]
        number = Column(NUMBER.title, lambda part: part.number, width=90)
        name = Column(NAME.title, lambda part: part.name, lambda part, text: replace(part, name=_text(text)), width=190)
        return [number, name, *own]

    def _column(self, column: PartColumn) -> Column:
        from honest_lift.shelf.part_text import read_cell

        unit = self.session.unit(column.dimension) if column.is_figure else ""

        def get(part: Part) -> str:
            value = part.values.get(column.key)
            if value is None or isinstance(value, str):
                return value or ""
            return ("yes" if value else "no") if isinstance(value, bool) else in_figures(value, column.dimension, unit)

        def put(part: Part, text: str) -> Part:
            value = read_cell(text, column, unit)
            if value is None and column.needed:
                raise EntryError(f"{column.title} is needed.")
            rest = {key: one for key, one in part.values.items() if key != column.key}
            return replace(part, values=rest if value is None else {**rest, column.key: value})

        return Column(f"{column.title}, {unit}" if unit else column.title, get, put, right=column.is_figure, width=96)

    # --- what is done ---

    def _put(self, part: Part) -> None:
        from honest_lift.shelf.csv_in import nonsense

        if words := nonsense(part):
            self.session.warned.emit(f"{part.number}: {words}")
            self.show_parts()
            return
        self._on_shelf(lambda: self.here.shelf.put(self.shelf_name, [part]))

    def _on_shelf(self, does) -> bool:
        from honest_lift.shelf.store import ShelfError

        try:
            does()
        except ShelfError as error:
            self.session.warned.emit(str(error)[:1].upper() + str(error)[1:] + ".")
            return False
        self.here.tell()
        return True

    def add(self) -> None:
        """Add a part like the chosen one, or the first one, under another number."""
        like = self.table.current or next(iter(self.table.records.records), None)
        if like is None:
            self.session.told.emit(
                self.tr("Import a first part of this kind: a part is never laid out without its figures.")
            )
            return
        number = questions.words(
            self, self.tr("Add a part"), self.tr("Its number (figures are taken from {0}):").format(like.number)
        )
        if not number:
            return
        try:
            number = _text(number)
        except EntryError as error:
            self.session.warned.emit(str(error))
            return
        if number in self.here.shelf.numbers(self.part_kind, self.shelf_name):
            self.session.warned.emit(self.tr("{0} is on this shelf already.").format(number))
            return
        self._on_shelf(lambda: self.here.shelf.put(self.shelf_name, [replace(like, number=number)]))

    def take_off(self) -> None:
        """Take the chosen part off the shelf."""
        if self.table.current is None:
            self.session.told.emit(self.tr("Choose the part to take off."))
            return
        number = self.table.current.number
        self._on_shelf(lambda: self.here.shelf.take_off(self.shelf_name, self.part_kind, number))

    def import_file(self) -> None:
        """Read a file of this kind, show what is in it, and lay on what the person says."""
        path = questions.parts_to_open(self, Path.home())
        if path is None or not self.shelf_name:
            return
        from honest_lift.shelf.csv_in import preview_file

        there = self.here.shelf.numbers(self.part_kind, self.shelf_name)
        found = run_apart(
            self, self.tr("Reading {0}…").format(path.name), self.tr("{0} rows read"),
            lambda told: preview_file(path, self.part_kind, there, told),
        )  # fmt: skip
        if found is None:
            return
        parts = ImportDialog(self, path.name, self.part_kind, found).parts()
        if parts and self._on_shelf(lambda: self.here.shelf.put(self.shelf_name, parts)):
            self.session.told.emit(
                self.tr("{0} {1} laid on {2}.").format(len(parts), self.part_kind.title.lower(), self.shelf_name)
            )

    def export(self) -> None:
        """Write the whole kind of this shelf as CSV."""
        from honest_lift.shelf.csv_out import write_csv

        path = questions.csv_to_save(self, Path.home() / f"{self.part_kind.key}.csv") if self.shelf_name else None
        if path is None:
            return
        units = {name: self.session.unit(name) for name in ("length", "load", "mass", "angle")}
        parts = self.here.shelf.parts(self.part_kind, self.shelf_name)
        write_out(self, self.session, path, write_csv(self.part_kind, parts, units))

    def new_shelf(self) -> None:
        """Add an empty shelf."""
        name = questions.words(self, self.tr("New shelf"), self.tr("Its name:"))
        if name and self._on_shelf(lambda: self.here.shelf.add(_text(name))):
            self.shelves.setCurrentIndex(self.shelves.findText(name))
            self.show_parts()

    def drop_shelf(self) -> None:
        """Take a whole shelf away, when the person says so."""
        name = self.shelf_name
        asked = self.tr("Take the shelf “{0}” away with every part on it?").format(name)
        if name and questions.ask(self, self.tr("Drop the shelf"), asked, self.tr("Take it away")):
            self._on_shelf(lambda: self.here.shelf.drop(name))

    def invented(self) -> None:
        """Lay the invented shelf out anew."""
        from honest_lift.demo.shelf import lay_out

        self._on_shelf(lambda: lay_out(self.here.shelf))


def _text(text: str) -> str:
    from honest_lift.shelf.part_text import read_text

    return read_text(text.strip())
