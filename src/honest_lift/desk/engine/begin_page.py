"""A new engine in one short sheet: anything may be left empty, every answer is an ordinary edit and can be changed later."""

from __future__ import annotations

from collections.abc import Sequence
from typing import get_args

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QComboBox, QFormLayout, QHBoxLayout, QLineEdit, QPlainTextEdit, QWidget

from honest_lift.demo.demonstrations import DEMONSTRATIONS
from honest_lift.desk.engine.page import Page, button
from honest_lift.desk.flow import Flow
from honest_lift.desk.label import Label, plain
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe, EditError
from honest_lift.facts.engine import INCH_UNITS, METRIC_UNITS, Gear, Lifter
from honest_lift.facts.job import PRESETS
from honest_lift.facts.layout import COMMON
from honest_lift.facts.tools import KINDS
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.mendable import MendableError
from honest_lift.plans.new_engine import SPRINGS, TEMPLATES, TYPES, Answers, begin

_HINT = "A new engine in a minute: Tab goes on, anything may be left empty, and all of it can be changed later."
_OWN_ORDER, _NOT_STATED = "own order, typed below", "not stated"
_LOAD, _HEIGHT = CATALOG["spring_load"].physical, CATALOG["installed_height"].physical


class BeginPage(Page):
    """The questions, each a field; `Begin` makes one edit of the answers and goes to the first reading."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.template, self.layout_, self.job, self.units = QComboBox(), QComboBox(), QComboBox(), QComboBox()
        self.spring, self.type, self.at = QComboBox(), QComboBox(), QComboBox()
        self.gear, self.lifter, self.tester, self.gauge = QComboBox(), QComboBox(), QComboBox(), QComboBox()
        self.template.addItems(TEMPLATES)
        self.layout_.addItems([*COMMON, _OWN_ORDER])
        self.order = QPlainTextEdit()
        self.order.setFixedHeight(52)
        self.order.setTabChangesFocus(True)
        self.order.setPlaceholderText("one head a line, valves in bench order:  left: 1e 1i 3i 3e")
        self.gear.addItems(get_args(Gear))
        self.lifter.addItems([one or _NOT_STATED for one in get_args(Lifter)])
        for box, kind in ((self.tester, "spring_tester"), (self.gauge, "height_micrometer")):
            box.addItems([one.title for one in KINDS if one.kind == kind])
        for key, one in PRESETS.items():
            self.job.addItem(one.title, key)
        self.units.addItems(["inches and pounds", "millimetres and newtons"])
        self.spring.addItems(SPRINGS)
        self.type.addItems(TYPES)
        self.at.addItems(["at the lobe", "at the valve, gross"])
        names = ("name", "lift", "ratio", "lash", "target", "seat", "open", "heights")
        self.typed = {name: QLineEdit() for name in names}
        self.typed["seat"].setPlaceholderText("min, max: 195 235")
        self.typed["open"].setPlaceholderText("min, max: 480 560")
        self.typed["heights"].setPlaceholderText("1.800 1.250")
        self.begin = button(self.tr("Begin"), self._begin)
        self._lay_out()
        self.template.activated.connect(lambda _: self._preset())
        self.layout_.activated.connect(lambda _: self._show_order())
        self._preset()
        self.units.activated.connect(lambda _: self._units())

    def _demonstrations(self) -> Flow:
        """Offer the demonstrations, and say how a file is opened."""
        row = Flow(Label(self.tr("Ctrl+O opens a file. Or look at an invented engine first:")))
        for name, one in DEMONSTRATIONS.items():
            made = button(self.tr(one.title), lambda name=name: self.session.demo_asked.emit(name))
            made.setToolTip(plain(self.tr(one.meaning)))
            row.addWidget(made)
        return row

    def _lay_out(self) -> None:
        """The engine on the left, what is asked of its springs on the right."""
        engine = (
            ("figures in", self.units), ("kind of engine", self.template), ("layout", self.layout_), ("own order", self.order),
            ("valve gear", self.gear), ("lifters", self.lifter), ("what is being done", self.job), ("name", self.typed["name"]),
            ("spring tester", self.tester), ("height gauge", self.gauge),
        )  # fmt: skip
        springs = (
            ("spring, its type", self.spring, self.type), ("lift, where it is", self.typed["lift"], self.at),
            ("rocker ratio", self.typed["ratio"]), ("lash", self.typed["lash"]), ("target height", self.typed["target"]),
            ("seat load asked for", self.typed["seat"]), ("open load asked for", self.typed["open"]),
            ("heights on the tester", self.typed["heights"]), ("", self.begin),
        )  # fmt: skip
        both = QHBoxLayout()
        both.setSpacing(24)
        self.form = _form(engine)
        for form in (self.form, _form(springs)):
            held = QWidget()
            held.setLayout(form)
            held.setMaximumWidth(560)
            both.addWidget(held, 1, Qt.AlignmentFlag.AlignTop)
        both.addStretch(0)
        self.column.addLayout(self._demonstrations())
        self.column.addLayout(both)
        self.column.addStretch(1)

    def _preset(self) -> None:
        """Take layout, gear and lifters of the kind of engine; each may be chosen otherwise."""
        kind = TEMPLATES[self.template.currentText()]
        self.layout_.setCurrentText(kind.layout)
        self.gear.setCurrentText(kind.gear)
        self.lifter.setCurrentText(kind.lifter or _NOT_STATED)
        self._show_order()

    def _show_order(self) -> None:
        """Ask for the order of the valves where it is none of the common ones."""
        self.form.setRowVisible(self.order, self.layout_.currentText() == _OWN_ORDER)

    def _units(self) -> None:
        units = dict(METRIC_UNITS if self.units.currentIndex() else INCH_UNITS)
        if units != self.session.engine.units:
            self.session.do(Describe({"units": units}, f"figures in {self.units.currentText()}"))

    def refresh(self) -> None:
        self.units.setCurrentIndex(int(self.session.engine.unit("length") == "mm"))

    def _begin(self) -> None:
        """Make the engine, or say what is wrong and leave everything typed as it is."""
        if self.session.engine.layout.positions:
            self.session.warned.emit(
                self.tr("This engine is laid out already: Engine, New engine (Ctrl+N) begins another.")
            )
            return
        try:
            edit = begin(self.session.engine, self._answers())
        except (EditError, MendableError) as error:
            self.session.warned.emit(str(error))
            return
        if self.session.do(edit):
            self.session.open_step("heights")
            self.session.go(self.session.engine.layout.positions[0].id)

    def _answers(self) -> Answers:
        kind, lifter = TEMPLATES[self.template.currentText()], self.lifter.currentText()
        is_own = self.layout_.currentText() == _OWN_ORDER
        layout = self.order.toPlainText() if is_own else self.layout_.currentText()
        return Answers(
            self.typed["name"].text().strip(), layout, self.gear.currentText(), "" if lifter == _NOT_STATED else lifter,
            kind.head, kind.mount,
            self.job.currentData(), self.spring.currentText(), TYPES[self.type.currentText()],
            self._figure("lift", "lobe_lift"), bool(self.at.currentIndex()), self._figure("ratio", "rocker_ratio"),
            self._figure("lash", "lash"), self._figure("target", "target_height"), self._both("seat"), self._both("open"),
            self._heights(), (self.tester.currentText(), self.gauge.currentText()),
        )  # fmt: skip

    def _figure(self, name: str, quantity: str) -> float | None:
        row, text = CATALOG[quantity], self.typed[name].text()
        low, high = row.physical
        if name == "lift" and self.at.currentIndex():
            high *= CATALOG["rocker_ratio"].physical[1]  # at the valve it is more than the lobe's
        return self._parsed(name, text, Field.within(row.dimension, self.session.unit(row.dimension), (low, high)))

    def _figures(self, name: str, dimension: str, inside: tuple[float, float]) -> list[float]:
        field = Field.within(dimension, self.session.unit(dimension), inside)
        parts = self.typed[name].text().replace(",", " ").replace(";", " ").split()
        return [one for part in parts if (one := self._parsed(name, part, field)) is not None]

    def _heights(self) -> tuple[float, ...]:
        heights = self._figures("heights", "length", _HEIGHT)
        if len(set(heights)) < len(heights):
            raise EntryError(f"Heights on the tester: “{self.typed['heights'].text()}” has one height twice.")
        return tuple(heights)

    def _both(self, name: str) -> tuple[float | None, float | None]:
        ends = self._figures(name, "load", _LOAD)
        if len(ends) > 2 or ends != sorted(ends):
            raise EntryError(f"“{self.typed[name].text()}”: type the min load, then the max, as in 195 235.")
        low, high = [*ends, None, None][:2]
        return low, high

    def _parsed(self, name: str, text: str, field: Field) -> float | None:
        try:
            return parse(text, field)
        except EntryError as error:
            self.typed[name].setFocus()
            raise EntryError(f"{self.typed[name].accessibleName().capitalize()}: {error}") from error


def _form(rows: Sequence[tuple[str | QWidget, ...]]) -> QFormLayout:
    """Lay rows of fields under each other, each field with its name."""
    form = QFormLayout()
    form.setVerticalSpacing(3)
    for words, *widgets in rows:
        for name, widget in zip(words.split(", ") if words else ["begin"], widgets, strict=True):
            widget.setAccessibleName(name)
        form.addRow(words, _beside(widgets) if len(widgets) > 1 else widgets[0])
    return form


def _beside(widgets: list[QWidget]) -> QHBoxLayout:
    row = QHBoxLayout()
    for widget in widgets:
        row.addWidget(widget, 1)
    return row
