"""What a person says is wrong, and the truth: beside the bench."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QFileDialog, QListWidget, QPlainTextEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label
from honest_lift.facts.file import FileError, read_book
from honest_lift.facts.layout import read_layout
from honest_lift.gauges.bench.bench import Bench
from honest_lift.gauges.practice.case import Case
from honest_lift.gauges.practice.faults import PARTS
from honest_lift.gauges.practice.judge import Claim, judge
from honest_lift.gauges.practice.progress import keep_result, result_of
from honest_lift.numbers.mendable import MendableError
from honest_lift.words.practice import judged_lines

_HINT = (
    "Measure in Honest Lift, with the engine of this case. What you see and do not measure, name here: the part, and where it is. "
    "Save the engine; then open the truth."
)


class PracticePanel(QWidget):
    """A part, a place, what was named so far, and the truth once it is opened."""

    judged = pyqtSignal()

    def __init__(self, case: Case, bench: Bench) -> None:
        super().__init__()
        self.case, self.bench = case, bench
        self.claims: list[Claim] = []
        self.book_path: Path | None = None
        self.setFixedWidth(290)
        self.part, self.place, self.named, self.truth = QComboBox(), QComboBox(), QListWidget(), QPlainTextEdit()
        self.part.addItems(PARTS)
        self.place.addItem(self.tr("the bench"), "")
        layout = read_layout(bench.engine.layout)
        for one in layout.positions:
            self.place.addItem(self.tr("valve {0}").format(one.id), one.id)
        for number in layout.cylinders:
            self.place.addItem(self.tr("cylinder {0}").format(number), str(number))
        for role in dict.fromkeys(one.role for one in layout.positions):
            self.place.addItem(self.tr("every {0}").format(role), role)
        self.truth.setReadOnly(True)
        self.truth.setTabChangesFocus(True)
        for widget, name in (
            (self.part, "Part"),
            (self.place, "Where"),
            (self.named, "What was named"),
            (self.truth, "The truth"),
        ):
            widget.setAccessibleName(self.tr(name))
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        self.start = button(self.tr("Measure in Honest Lift"), lambda: None)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.start)
        column.addWidget(self.part)
        column.addWidget(self.place)
        column.addWidget(button(self.tr("Name it"), self.name_it))
        column.addWidget(self.named, 1)
        column.addWidget(button(self.tr("Take it back"), self.take_back))
        column.addWidget(button(self.tr("Open the truth…"), self.ask_for_book))
        column.addWidget(self.truth, 3)

    def name_it(self) -> None:
        """Say that a part is wrong at a place."""
        claim = Claim(self.part.currentText(), str(self.place.currentData()))
        if claim not in self.claims:
            self.claims.append(claim)
            self.named.addItem(f"{claim.part}, {self.place.currentText()}")

    def take_back(self) -> None:
        """Take back what is chosen, or the last."""
        row = self.named.currentRow() if self.named.currentRow() >= 0 else self.named.count() - 1
        if row >= 0:
            self.named.takeItem(row)
            self.claims.pop(row)

    def ask_for_book(self) -> None:
        """Ask for the engine that was measured, and open the truth."""
        start = str(self.book_path or "")
        name, _ = QFileDialog.getOpenFileName(
            self, self.tr("The engine you measured"), start, self.tr("Engines (*.liftbook)")
        )
        if name:
            self.open_truth(Path(name))

    def open_truth(self, path: Path) -> None:
        """Judge what was measured and named, and keep the result."""
        try:
            book = read_book(path)
        except FileError as error:
            self.truth.setPlainText(str(error))
            return
        judged = judge(self.case, self.bench, book, tuple(self.claims))
        lines = judged_lines(self.case, judged)
        try:
            keep_result(result_of(self.case, judged))
        except MendableError as error:
            lines = (*lines, "", str(error))
        self.truth.setPlainText("\n".join(lines))
        self.judged.emit()
