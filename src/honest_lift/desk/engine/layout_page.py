"""The engine itself: its name, its heads, its gear, units, and who is measuring."""

from __future__ import annotations

from typing import NamedTuple, get_args

from PyQt6.QtWidgets import QComboBox, QFormLayout, QHBoxLayout, QLineEdit, QPlainTextEdit, QWidget

from honest_lift.desk.engine.page import Page, button
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe, LayOut
from honest_lift.facts.engine import INCH_UNITS, METRIC_UNITS, Gear, GuideMaterial, HeadMaterial, Lifter
from honest_lift.facts.job import PRESETS, Job
from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import INSIDE, units_of

_BASES = (None, True, False)  # a hardened base under every spring: not said, yes, no


class _Unit(NamedTuple):
    """A dimension and the unit it is shown in."""

    id: str
    unit: str


class LayoutPage(Page):
    """A form; each field is an edit as soon as it is left."""

    def __init__(self, session: Session) -> None:
        super().__init__(
            session, "Name the engine, lay the heads out as they lie on the bench, and say who is measuring."
        )
        self.name, self.note = QLineEdit(), QLineEdit()
        self.job, self.common = QComboBox(), QComboBox()
        for key, one in PRESETS.items():
            self.job.addItem(self.tr(one.title), key)
        self.common.addItems(["choose a common layout…", *COMMON])
        self.order = QPlainTextEdit()
        self.order.setFixedHeight(58)
        self.order.setPlaceholderText("one head a line, valves in bench order:  left: 1e 1i 3i 3e 5e 5i 7i 7e")
        self.order.setTabChangesFocus(True)
        self.lay_out = button(self.tr("Lay out"), self._lay_out)
        self.gear, self.lifter, self.units = QComboBox(), QComboBox(), QComboBox()
        self.head, self.guides, self.base = QComboBox(), QComboBox(), QComboBox()
        self.base.addItems([
            "not stated", self.tr("a hardened shim or cup under every spring"), self.tr("none under any spring"),
        ])  # fmt: skip
        self.head.addItems([one or "not stated" for one in get_args(HeadMaterial)])
        self.guides.addItems([one or "not stated" for one in get_args(GuideMaterial)])
        self.gear.addItems(get_args(Gear))
        self.lifter.addItems([one or "not stated" for one in get_args(Lifter)])
        self.units.addItems(["inches and pounds", "millimetres and newtons"])
        self.each = self.follow(RecordTable(self._unit_columns(), self.tr("Units by dimension")), lambda _: None)
        self.people, self.hand = QLineEdit(), QComboBox()
        self.people.setPlaceholderText("names, with commas between")
        form = QFormLayout()
        form.setVerticalSpacing(4)
        for words, widget in (
            ("engine", self.name), ("note", self.note), ("what is being done", self.job), ("common layouts", self.common),
            ("heads, own order", self.order), ("", self.lay_out), ("valve gear", self.gear), ("lifters", self.lifter),
            ("heads of", self.head), ("guides of", self.guides), ("spring bases", self.base), ("figures shown in", self.units),
            ("people", self.people), ("measuring now", self.hand),
        ):  # fmt: skip
            widget.setAccessibleName(words or self.tr("lay out"))
            form.addRow(words, widget)
        held = QWidget()
        held.setLayout(form)
        held.setMaximumWidth(720)
        both = QHBoxLayout()
        both.addWidget(held, 3)
        both.addWidget(self.each, 2)
        self.column.addLayout(both)
        self.column.addStretch(1)
        self._connect()
        self.refresh()

    def _connect(self) -> None:
        self.name.editingFinished.connect(lambda: self._text("name", self.name))
        self.note.editingFinished.connect(lambda: self._text("note", self.note))
        self.people.editingFinished.connect(self._people)
        self.common.activated.connect(self._common)
        self.job.activated.connect(lambda index: self._choose_job(self.job.itemData(index)))
        self.gear.activated.connect(lambda: self._detail("gear", self.gear.currentText()))
        self.lifter.activated.connect(
            lambda: self._detail(
                "lifter", "" if self.lifter.currentIndex() == self.lifter.count() - 1 else self.lifter.currentText()
            )
        )
        for box, field in ((self.head, "head_material"), (self.guides, "guide_material")):
            box.activated.connect(lambda index, b=box, f=field: self._detail(f, b.currentText() if index else ""))
        self.base.activated.connect(lambda index: self._detail("hardened_base", _BASES[index]))
        self.units.activated.connect(
            lambda: self._detail("units", dict(METRIC_UNITS if self.units.currentIndex() else INCH_UNITS))
        )
        self.hand.activated.connect(lambda: self._detail("hand", self.hand.currentText()))

    def refresh(self) -> None:
        engine = self.session.engine
        for widget, text in (
            (self.name, engine.name),
            (self.note, engine.note),
            (self.people, ", ".join(engine.people)),
        ):
            if widget.text() != text:
                widget.setText(text)
        if self.order.toPlainText() != engine.layout.as_text and not self.order.hasFocus():
            self.order.setPlainText(engine.layout.as_text)
        self.job.setCurrentIndex(self.job.findData(engine.job.preset))
        self.gear.setCurrentText(engine.gear)
        self.lifter.setCurrentText(engine.lifter or "not stated")
        self.head.setCurrentText(engine.head_material or "not stated")
        self.guides.setCurrentText(engine.guide_material or "not stated")
        self.base.setCurrentIndex(_BASES.index(engine.hardened_base))
        self.units.setCurrentIndex(int(engine.unit("length") == "mm"))
        self.each.show_records([_Unit(name, engine.unit(name)) for name in INSIDE if len(units_of(name)) > 1])
        self.hand.clear()
        self.hand.addItems(list(engine.people) or [""])
        self.hand.setCurrentText(engine.hand)

    def _unit_columns(self) -> list[Column]:
        def put(row: _Unit, text: str) -> _Unit:
            known = [one.symbol for one in units_of(row.id)]
            if text not in known:
                raise EntryError(f"“{text}” is no unit of {row.id}: choose one of {', '.join(known)}.")
            units = {**self.session.engine.units, row.id: text}
            self.session.do(Describe({"units": units}, f"{row.id} shown in {text}"))
            return row

        return [
            Column(self.tr("shown and typed in"), lambda row: row.id),
            Column(
                self.tr("unit"),
                lambda row: row.unit,
                put,
                choices_of=lambda row: [one.symbol for one in units_of(row.id)],
                width=110,
            ),
        ]

    def _text(self, field: str, widget: QLineEdit) -> None:
        if widget.text() != getattr(self.session.engine, field):
            self._detail(field, widget.text())

    def _detail(self, field: str, value: object) -> None:
        if getattr(self.session.engine, field) != value:
            told = "yes" if value is True else "no" if value is False else field
            words = value if isinstance(value, str) and value else told
            self.session.do(Describe({field: value}, f"{field}: {words}"))

    def _people(self) -> None:
        people = tuple(dict.fromkeys(one.strip() for one in self.people.text().split(",") if one.strip()))
        if people != self.session.engine.people:
            hand = self.session.engine.hand if self.session.engine.hand in people else (people[0] if people else "")
            self.session.do(Describe({"people": people, "hand": hand}, f"people: {', '.join(people)}"))

    def _common(self, index: int) -> None:
        if index > 0:
            self.order.setPlainText(COMMON[self.common.itemText(index)])
            self.common.setCurrentIndex(0)
            self._lay_out()

    def _choose_job(self, preset: str) -> None:
        if preset != self.session.engine.job.preset:
            self.session.do(Describe({"job": Job(preset)}, f"the job: {PRESETS[preset].title}"))

    def _lay_out(self) -> None:
        try:
            layout = read_layout(self.order.toPlainText())
        except MendableError as error:
            self.session.warned.emit(str(error))
            return
        if layout != self.session.engine.layout:
            self.session.do(LayOut(layout))
