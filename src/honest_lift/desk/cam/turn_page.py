"""The turn: curves with the piston under them, a cursor with its figures, and what is tried without being stated."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from PyQt6.QtCore import Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QSlider, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.desk.writing_out import save_chart, write_out
from honest_lift.drawings.chart import Chart
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

_SHOWN = {"lift": "lift", "velocity": "velocity", "acceleration": "acceleration"}
_HALVES = 2  # the slider counts half degrees
_MOST_TRIED_DEG = 20
_WORDS_AFTER_MS = 60


class TurnPage(QWidget):
    """Everything here is looked at, nothing is changed: what is tried is put back when another engine is opened."""

    told = pyqtSignal(str)  # what this page shows, for the sheet's head

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing = CurveView(reads_out=False)
        self.drawing.step = 1.0
        self.drawing.setAccessibleName(self.tr("Lift of intake and exhaust around the overlap"))
        self.figures, self.grounds, self.words = Label(), Label(), Label()
        self.figures.setObjectName("working")
        self.figures.setAccessibleName(self.tr("Figures at the cursor"))
        self.grounds.setObjectName("caution")
        self.words.setAccessibleName(self.tr("What the valves do around the turn"))
        for label in (self.figures, self.grounds, self.words):
            label.setWordWrap(True)
        self.what = QComboBox()
        for key, title in _SHOWN.items():
            self.what.addItem(self.tr(title), key)
        self.what.setAccessibleName(self.tr("What the curves show"))
        self.check, self.lash, self.ratio = (self._line(title) for title in ("check lift", "lash tried", "ratio tried"))
        self.advance = QSlider(Qt.Orientation.Horizontal)
        self.advance.setRange(-_MOST_TRIED_DEG * _HALVES, _MOST_TRIED_DEG * _HALVES)
        self.advance.setAccessibleName(self.tr("Advance tried, half degrees of the crank"))
        self.advanced = Label()
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._turns: dict[str, Any] = {}
        self._unit = ""
        self._lay_out()
        self.drawing.placed.connect(lambda _: self._read())
        self.what.currentIndexChanged.connect(lambda _: self._draw())
        self.advance.valueChanged.connect(lambda _: self._try())
        self.advance.sliderReleased.connect(self._say)
        self._soon.timeout.connect(self._say)
        for line in (self.check, self.lash, self.ratio):
            line.editingFinished.connect(self.refresh)

    def _line(self, title: str) -> QLineEdit:
        line = QLineEdit()
        line.setAccessibleName(self.tr(title))
        line.setPlaceholderText(self.tr("as stated"))
        line.setMaximumWidth(92)
        return line

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.drawing)
        column.addWidget(self.figures)
        tried = QHBoxLayout()
        self.advance.setMinimumWidth(150)
        self.advanced.setMinimumWidth(130)
        for widget in (
            Label(self.tr("try:")), self.advance, self.advanced, Label(self.tr("lash")), self.lash, Label(self.tr("ratio")),
            self.ratio, button(self.tr("Reset to stated"), self.put_back),
        ):  # fmt: skip
            tried.addWidget(widget, 1 if widget is self.advance else 0)
        column.addLayout(tried)
        column.addLayout(
            in_row(Label(self.tr("curves")), self.what, Label(self.tr("events at")), self.check,
                   button(self.tr("Save curves…"), self.save_curves), button(self.tr("Save drawing…"), self.save_drawing))
        )  # fmt: skip
        column.addWidget(self.grounds)
        column.addWidget(scrolled(self.words), 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(244)
        self.drawing.dress(theme, zoom)

    def put_back(self) -> None:
        """Show everything as it is stated."""
        self.lash.clear()
        self.ratio.clear()
        self.advance.setValue(0)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session and what is typed."""
        from honest_lift.words.cam.turn import CHECK_MM

        if (unit := self.session.unit("length")) != self._unit:
            self._unit = unit
            self.check.setPlaceholderText(in_figures(CHECK_MM, "length", unit))
            for line in (self.check, self.lash):
                line.clear()
        self._try()

    def _try(self) -> None:
        from honest_lift.estimates.train.turn import turns_of
        from honest_lift.words.cam.turn import CHECK_MM, stands

        book, tried = self.session.book, self._tried()
        self._turns = turns_of(book, self.session.position, tried)
        self.advanced.setText(self.tr("as measured") if not tried.advance_deg else stands(tried.advance_deg))
        self._check = self._typed(self.check, "length", (0.01, 10.0)) or CHECK_MM
        self._draw()
        if self.advance.isSliderDown():
            self._soon.start(_WORDS_AFTER_MS)  # the curves follow the hand, the words a moment later
        else:
            self._say()

    def _say(self) -> None:
        """Say what the curves come to, and what they rest on."""
        from honest_lift.words.cam.turn import cam_words, grounds

        self.words.setText("\n".join(cam_words(self.session.book, self._turns, self._check)))
        self.grounds.setText(self._tried_words(self._tried()) + grounds(self._turns, self.session.unit("length")))

    def _tried(self) -> Any:
        from honest_lift.estimates.train.turn import Tried

        return Tried(
            self.advance.value() / _HALVES,
            self._typed(self.lash, "length", (0.0, 3.0)),
            self._typed(self.ratio, "ratio", (0.8, 2.6)),
        )

    def _typed(self, line: QLineEdit, dimension: str, inside: tuple[float, float]) -> float | None:
        """Give what a line says; a text that says nothing is told and counts as none."""
        try:
            return parse(line.text(), Field.within(dimension, self.session.unit(dimension), inside))
        except EntryError as error:
            self.session.warned.emit(f"{line.accessibleName()}: {error}")
            return None

    def _tried_words(self, tried: Any) -> str:
        if tried == type(tried)():
            return ""
        return self.tr("Tried, not stated: nothing of it is kept. ")

    # --- drawing ---

    def _draw(self) -> None:
        self.drawing.show_chart(self._chart())
        self._read()

    def _read(self) -> None:
        """Say what stands where at the cursor."""
        from honest_lift.estimates.train.turn import crank_of
        from honest_lift.words.cam.turn_figures import cursor_words

        crank = crank_of(self.session.book)
        self.figures.setVisible(any(one.valve for one in self._turns.values()))
        self.figures.setText(
            cursor_words(self._turns, crank, self.drawing.at_x, self.what.currentData(), self.session.unit("length"))
        )

    def _chart(self) -> Chart:
        from honest_lift.estimates.train.turn import crank_of
        from honest_lift.words.cam.turn_figures import chart_of_turn

        crank = crank_of(self.session.book)
        return chart_of_turn(self._turns, crank, self.what.currentData(), self.session.unit("length"), self._check)

    # --- leaving the program ---

    def save_curves(self) -> None:
        """Write the curves as CSV."""
        from honest_lift.estimates.train.turn import crank_of
        from honest_lift.sheets.cam_curves import curves_csv

        crank = crank_of(self.session.book)
        path = questions.csv_to_save(self, Path.home() / "cam curves.csv")
        words = curves_csv(self._turns, None if isinstance(crank, str) else crank, self.session.unit("length"))
        self._write(path, words)

    def save_drawing(self) -> None:
        """Write the drawing as SVG, PNG or CSV."""
        save_chart(self, self.session, self.drawing, "camshaft")

    def _write(self, path: Path | None, words: str) -> None:
        if path is not None:
            write_out(self, self.session, path, words)
