"""The bench's window: a tool and a part in hand, what an eye meets of it, a handle to turn, and a button that sends."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeySequence, QShortcut
from PyQt6.QtWidgets import (
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QListWidget,
    QPushButton,
    QSlider,
    QVBoxLayout,
    QWidget,
)

from honest_lift.desk.bench.practice_panel import PracticePanel
from honest_lift.desk.engine.page import button, hint_label
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.theme import THEMES, style_sheet
from honest_lift.drawings.bench.in_hand import in_hand
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.place import at_position
from honest_lift.gauges.bench.bench import MEASURES, PUT_RIGHT
from honest_lift.gauges.bench.ends import End
from honest_lift.gauges.bench.kinds import KINDS
from honest_lift.gauges.practice.case import Case, bench_of
from honest_lift.numbers.units import in_words

_SPRINGS = ("spring_load", "bind_height", "free_length")
_TITLES = {"lobe": "Lobe, by the wheel", "reference_load": "Reference spring"}
_TENTHS = 20  # steps of the handle a millimetre


class BenchWindow(QWidget):
    """A case on the bench. Closing it unplugs every tool."""

    def __init__(self, case: Case, *, theme: str = "light", zoom: float = 1.0) -> None:
        super().__init__()
        self.case, self.bench = case, bench_of(case)
        self.ends = {name: End(tool, is_wheel=name == "degree wheel") for name, tool in self.bench.tools.items()}
        self.setObjectName("sheet")
        self.setWindowTitle(f"Bench: {case.title} – Honest Lift")
        self._build()
        self.theme = THEMES[theme]
        self.setStyleSheet(style_sheet(self.theme, zoom))
        self.drawing.dress(self.theme, zoom)
        self.shown.setObjectName("bigFigure")
        self.resize(1180, 740)
        self._choose_tool()

    def _build(self) -> None:
        self.tools, self.places, self.what = QListWidget(), QListWidget(), QComboBox()
        self.drawing, self.shown, self.said = SceneView(), Label(), Label()
        self.handle = QSlider(Qt.Orientation.Horizontal)
        self.stands = Label()
        self.right_it: list[QPushButton] = [QPushButton(), QPushButton()]
        self.send = button(self.tr("Send"), self.send_line)
        self.close_it = button(self.tr("Send it closed"), self.send_closed)
        self.at_stop = button(self.tr("Turn against the stop"), self.turn_against_the_stop)
        for widget, name in (
            (self.tools, "Tool"), (self.places, "Part in hand"), (self.what, "What is measured"), (self.drawing, "What is in hand"),
            (self.handle, "Handle"), (self.shown, "What the tool shows"),
        ):  # fmt: skip
            widget.setAccessibleName(self.tr(name))
        self.said.setWordWrap(True)
        self.drawing.setMinimumHeight(300)
        self.tools.addItems(list(MEASURES))
        self.tools.setFixedWidth(170)
        self.tools.setMaximumHeight(190)
        self.panel = PracticePanel(self.case, self.bench)
        row = QHBoxLayout(self)
        row.addLayout(self._left())
        row.addLayout(self._middle(), 1)
        row.addWidget(self.panel)
        self.tools.currentRowChanged.connect(lambda _: self._choose_tool())
        self.what.activated.connect(lambda _: self._choose_what())
        self.places.currentRowChanged.connect(lambda _: self._choose_place())
        self.handle.valueChanged.connect(self._turn)
        for one in self.right_it:
            one.clicked.connect(lambda _=False, own=one: self._put_right(own))
        for key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            QShortcut(QKeySequence(key), self).activated.connect(self.send_line)

    def _left(self) -> QVBoxLayout:
        column = QVBoxLayout()
        for words, widget in ((self.tr("Tool"), self.tools), ("", self.what), (self.tr("In hand"), self.places)):
            if words:
                column.addWidget(hint_label(words))
            column.addWidget(widget)
        self.places.setFixedWidth(170)
        self.what.setFixedWidth(170)
        return column

    def _middle(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.addWidget(hint_label(self.case.told))
        column.addWidget(self.drawing, 1)
        below = QGridLayout()
        below.addWidget(self.handle, 0, 0, 1, 2)
        below.addWidget(self.stands, 1, 0, 1, 2)
        below.addWidget(self.shown, 2, 0)
        buttons = QHBoxLayout()
        for one in (self.send, self.close_it, self.at_stop, *self.right_it):
            buttons.addWidget(one)
        below.addLayout(buttons, 2, 1)
        below.setColumnStretch(0, 1)
        column.addLayout(below)
        column.addWidget(self.said)
        return column

    # --- what is in hand ---

    def take_up(self, tool: str, quantity: str, name: str) -> None:
        """Take a tool and a part in hand, as the lists do."""
        self.tools.setCurrentRow(list(MEASURES).index(tool))
        self.what.setCurrentIndex(self.what.findData(quantity))
        self._choose_what()
        self.places.setCurrentRow(self.bench.places(quantity).index(name))

    def _choose_tool(self) -> None:
        row = max(self.tools.currentRow(), 0)
        tool = list(MEASURES)[row]
        if self.tools.currentRow() != row:
            self.tools.setCurrentRow(row)
        self.what.clear()
        for quantity in (one for one in MEASURES[tool] if self.bench.places(one)):
            self.what.addItem(_title(quantity), quantity)
        self._choose_what()

    def _choose_what(self) -> None:
        quantity = self.what.currentData()
        self.places.blockSignals(True)
        self.places.clear()
        self.places.addItems([_place_words(quantity, one) for one in self.bench.places(quantity)])
        self.places.blockSignals(False)
        self.places.setCurrentRow(0)
        self._set_handle(quantity)
        self._choose_place()

    def _choose_place(self) -> None:
        quantity, row = self.what.currentData(), max(self.places.currentRow(), 0)
        self.bench.take_up(list(MEASURES)[max(self.tools.currentRow(), 0)], quantity, self.bench.places(quantity)[row])
        self.shown.setText("–")
        self._show()

    def _set_handle(self, quantity: str) -> None:
        presses, turns = quantity in ("spring_load", "reference_load"), quantity == "lobe"
        self.handle.blockSignals(True)
        self.handle.setRange(*((22 * _TENTHS, 62 * _TENTHS) if presses else (-60, 300)))
        kind = KINDS[self.bench.engine.key]
        self.handle.setValue(round(kind.height_mm * _TENTHS) if presses else round(self.bench.crank_deg))
        self.handle.blockSignals(False)
        for one, there in ((self.handle, presses or turns), (self.stands, presses or turns), (self.at_stop, turns)):
            one.setVisible(there)
        if presses:
            self.bench.press(self._height_mm())

    def _height_mm(self) -> float:
        """Give the height the handle is at."""
        return self.bench.notched(self.handle.value() / _TENTHS)

    def _turn(self, value: int) -> None:
        if self.what.currentData() == "lobe":
            self.bench.turn(float(value))
        else:
            self.bench.press(self._height_mm())
        self._show()

    def _show(self) -> None:
        self.drawing.show_scenes(in_hand(self.bench))
        quantity = self.bench.quantity
        if quantity == "lobe":
            self.stands.setText(self.tr("the wheel shows {0:.1f}°").format(self.bench.wheel_deg))
        else:
            self.stands.setText(
                self.tr("the rule shows {0}").format(in_words(self.bench.height_mm, "length", self.case.unit))
            )
        offers = PUT_RIGHT.get(quantity, ())
        for i, one in enumerate(self.right_it):
            one.setVisible(i < len(offers))
            one.setText(self.tr(offers[i][1]) if i < len(offers) else "")
        has_zero = not self.bench.tools[self.bench.tool].is_load and quantity != "lobe" and self.bench.tool != "burette"
        self.close_it.setVisible(has_zero)

    def _put_right(self, pressed: QPushButton) -> None:
        what, words = PUT_RIGHT[self.bench.quantity][self.right_it.index(pressed)]
        self.bench.put_right(what.format(self.bench.name))
        self.said.setText(self.tr("{0}: done.").format(words))
        self._show()

    # --- what is sent ---

    def send_line(self) -> None:
        """Send what the tool shows of what is in hand."""
        sent = self.bench.send()
        self.shown.setText(sent.line)
        self._sent(sent.tool, sent.line)

    def send_closed(self) -> None:
        """Send what the tool shows closed on nothing."""
        sent = self.bench.close_tool()
        self.shown.setText(sent.line)
        self._sent(sent.tool, sent.line)

    def _sent(self, tool: str, line: str) -> None:
        there = self.ends[tool].send(line)
        self.said.setText("" if there else self.tr("Nothing listens on this line: open Honest Lift beside the bench."))

    def turn_against_the_stop(self) -> None:
        """Turn the crank against a stop, both ways, and say what the wheel shows."""
        one, other = self.bench.stops()
        self.said.setText(
            self.tr("Against the stop the wheel shows {0:.1f}° one way, and {1:.1f}° the other.").format(one, other)
        )

    def closeEvent(self, event) -> None:
        for one in self.ends.values():
            one.close()
        event.accept()


def _title(quantity: str) -> str:
    return _TITLES.get(quantity) or CATALOG[quantity].title.capitalize()


def _place_words(quantity: str, name: str) -> str:
    if quantity in _SPRINGS:
        return f"spring {name}"
    if quantity == "chamber_volume":
        return f"chamber {name}"
    if name == "ref":
        return "the reference"
    return at_position(name).title if name else "the part"
