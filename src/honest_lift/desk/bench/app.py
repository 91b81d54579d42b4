"""Starting the bench's window: the course to choose from, and the engine to measure, written beside the results."""

from __future__ import annotations

import sys
from datetime import datetime
from pathlib import Path

from PyQt6.QtCore import QProcess, QSettings, Qt
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QFileDialog,
    QMessageBox,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from honest_lift.desk.application import application, let_go
from honest_lift.desk.bench.window import BenchWindow
from honest_lift.desk.ending import Ending
from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.theme import THEMES, load_fonts, style_sheet
from honest_lift.facts import disk
from honest_lift.facts.file import FileError, write_book
from honest_lift.gauges.practice.begin import starting_book
from honest_lift.gauges.practice.case import Case, read_case
from honest_lift.gauges.practice.course import COURSE
from honest_lift.gauges.practice.progress import results, results_file
from honest_lift.numbers.mendable import MendableError
from honest_lift.words.practice import HEADINGS, progress_rows

_HINT = (
    "Twelve cases in the order of the job, each a little harder. The bench's tools send over lines of their own; Honest Lift hears "
    "them as it hears real ones. Engines, figures and owners are invented."
)


class CourseWindow(QWidget):
    """The course, how one gets on with it, and cases from files."""

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("sheet")
        self.setWindowTitle(self.tr("Simulated bench – Honest Lift"))
        self.theme, self.zoom = looks()
        self.setStyleSheet(style_sheet(THEMES[self.theme], self.zoom))
        self.benches: list[BenchWindow] = []
        self.cases, self.said = QTableWidget(0, len(HEADINGS)), hint_label("")
        self.cases.setAccessibleName(self.tr("Cases of the course"))
        self.cases.setHorizontalHeaderLabels([self.tr(one) for one in HEADINGS])
        self.cases.verticalHeader().hide()
        self.cases.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.cases.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.cases.setTabKeyNavigation(False)
        self.cases.cellActivated.connect(lambda *_: self.open_chosen())
        column = QVBoxLayout(self)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.cases, 1)
        column.addLayout(
            in_row(
                button(self.tr("Set the bench up"), self.open_chosen),
                button(self.tr("A case from a file…"), self.open_file),
            )
        )
        column.addWidget(self.said)
        self.resize(860, 520)
        self.refresh()

    def refresh(self) -> None:
        """Show how one gets on."""
        try:
            told = results()
        except MendableError as error:
            told = ()
            self.said.setText(str(error))
        row = max(self.cases.currentRow(), 0)
        rows = progress_rows(told, COURSE)
        self.cases.setRowCount(len(rows))
        for i, cells in enumerate(rows):
            for column, words in enumerate(cells):
                self.cases.setItem(i, column, QTableWidgetItem(words))
        self.cases.resizeColumnsToContents()
        self.cases.selectRow(row)

    def open_chosen(self) -> None:
        """Set the bench up for the chosen case."""
        self.open_case(COURSE[max(self.cases.currentRow(), 0)])

    def open_file(self) -> None:
        """Set the bench up for a case from a file."""
        name, _ = QFileDialog.getOpenFileName(self, self.tr("A practice case"), "", self.tr("Cases (*.json)"))
        if not name:
            return
        try:
            self.open_case(read_case(Path(name)))
        except MendableError as error:
            self.said.setText(str(error))

    def open_case(self, case: Case) -> None:
        """Set the bench up, with the engine to measure on the disk."""
        for one in self.benches:
            one.close()
        try:
            opened = bench_window(case)
        except (FileError, OSError) as error:
            self.said.setText(str(error))
            return
        opened.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose, False)
        self.benches = [opened]
        opened.panel.judged.connect(self.refresh)
        opened.show()

    def end_in_order(self) -> None:
        """Unplug every tool."""
        for one in self.benches:
            one.close()

    def closeEvent(self, event) -> None:
        for one in self.benches:
            one.close()
        event.accept()


def looks() -> tuple[str, float]:
    """Give the theme and zoom that the measuring window was left in."""
    settings = QSettings("honest-lift", "honest-lift")
    theme = str(settings.value("theme", "light"))
    return theme if theme in THEMES else "light", min(max(float(settings.value("zoom", 1.0)), 0.7), 2.5)


def bench_window(case: Case) -> BenchWindow:
    """Make a bench for a case, and write the engine a person starts with. Raises FileError, OSError."""
    folder = results_file().parent / "practice"
    disk.make_folder(folder)
    path = folder / f"case {case.key.replace('/', '-')} {datetime.now():%Y-%m-%d %H%M%S}.liftbook"
    write_book(starting_book(case), path)
    theme, zoom = looks()
    opened = BenchWindow(case, theme=theme, zoom=zoom)
    opened.panel.book_path = path
    opened.panel.start.clicked.connect(lambda: start_measuring(opened, path))
    return opened


def start_measuring(parent: QWidget, path: Path) -> None:
    """Open the engine of a case in a window of its own."""
    started, _ = QProcess.startDetached(sys.executable, ["-m", "honest_lift.cli", str(path)])
    if not started:
        QMessageBox.warning(
            parent, parent.tr("Honest Lift"), parent.tr("It can't be started: open {0} by hand.").format(path)
        )


def run_bench(case: Case | None) -> int:
    """Open the bench with a case, or the course to choose from."""
    app = application()
    load_fonts()
    course = CourseWindow()
    if case is None:
        course.show()
    else:
        course.open_case(case)
        if not course.benches:
            print(f"honest-lift: {course.said.text()}", file=sys.stderr)
            return 2
    ending = Ending(course)
    status = app.exec()
    course.end_in_order()
    ending.let_go()
    let_go(app)
    return status
