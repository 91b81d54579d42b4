"""The log: dated entries of the engine's life, typed in a line, nothing in it altered."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.facts.book.log_edits import Log, TakeBack
from honest_lift.facts.book.logged import KINDS, Logged
from honest_lift.facts.book.written import written
from honest_lift.facts.edits import EditError, now
from honest_lift.facts.renewed import Renew, parts_named, speaks_of_parts
from honest_lift.numbers.entry import EntryError, Field, parse

_HINT = (
    "Runs, hours or passes, work, parts, lash and loads as they were found, what was noticed, what the customer decided. Top-end "
    "power that goes away asks for a spring check. Nothing here is altered: what is wrong is taken back, and stays in the "
    "book as that."
)


class LogGrid(ReadingGrid):
    """A row an entry, the latest first."""

    entries: tuple[Logged, ...] = ()

    def row_names(self) -> list[str]:
        """Give the entries by their ids."""
        return [one.id for one in self.entries]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("day", "what", "hours", "passes", "words", "by")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of an entry."""
        one = next(each for each in self.entries if each.id == name)
        kind = KINDS[one.kind].partition(":")[0]
        hours, runs = "" if one.hours is None else f"{one.hours:g}", "" if one.runs is None else str(one.runs)
        words = " ".join(part for part in (one.words, one.link) if part)
        return Cell(one.day), Cell(kind), Cell(hours, True), Cell(runs, True), Cell(words, hover=words), Cell(one.by)


class LogPage(QWidget):
    """The line to type in above, the entries below, the engine's sums under them."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.kind = QComboBox()
        for key, words in KINDS.items():
            self.kind.addItem(self.tr(words), key)
        self.day, self.hours, self.runs, self.words = (QLineEdit() for _ in range(4))
        for widget, name, hint, wide in (
            (self.kind, "Kind of entry", "", 0), (self.day, "Day", "2026-11-30", 110), (self.hours, "Hours", "hours", 80),
            (self.runs, "Passes", "passes", 80), (self.words, "Words of the entry", "what it was; of a picture where it lies", 0),
        ):  # fmt: skip
            widget.setAccessibleName(self.tr(name))
            if isinstance(widget, QLineEdit):
                widget.setPlaceholderText(self.tr(hint))
            if wide:
                widget.setMaximumWidth(wide)
        self.wrong, self.sums, self.drawing = Label(), Label(), SceneView()
        self.drawing.setAccessibleName(self.tr("Timeline of the engine's life"))
        self.wrong.setObjectName("caution")
        self.wrong.setVisible(False)
        for label in (self.wrong, self.sums):
            label.setWordWrap(True)
        self.model, self.grid = LogGrid(session), GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 92, 1: 190, 2: 60, 3: 60, 5: 70})
        self.grid.setAccessibleName(self.tr("Entries of the log, the latest first"))
        self.words.returnPressed.connect(self.write)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        typed = QHBoxLayout()
        typed.addWidget(self.words, 1)
        typed.addWidget(button(self.tr("Write it down"), self.write))
        typed.addWidget(button(self.tr("Withdraw"), self.take_back))
        column.addLayout(in_row(self.day, self.kind, self.hours, self.runs))
        column.addLayout(typed)
        column.addWidget(self.wrong)
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 1)
        column.addWidget(self.sums)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(110)
        self.drawing.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.drawings.timeline import Happened, timeline_scene
        from honest_lift.words.service import log_lines, service_lines

        log = written(self.session.book.journal).log
        self.model.entries = log[::-1]
        self.model.refresh()
        if not self.day.text():
            self.day.setText(now()[:10])
        self.sums.setText("\n".join((*log_lines(log), *service_lines(self.session.book))))
        happened = [
            Happened(
                one.day, KINDS[one.kind].partition(":")[0].removeprefix("a "), one.kind == "run", one.kind == "symptom"
            )
            for one in log
        ]
        self.drawing.show_scenes([(1, timeline_scene(happened, self.tr("nothing was written down yet")))])

    def write(self) -> None:
        """Write the entry down; what makes no sense is said, and what was typed stays."""
        text = self.words.text().strip()
        words, link = ("", text) if self.kind.currentData() == "picture" else (text, "")
        try:
            hours, runs = _figure(self.hours, "hours"), _whole(self.runs, "passes")
            edit = Log(self.kind.currentData(), self.day.text().strip(), words, hours, runs, link=link)
            if not self.session.do(edit):
                return
        except EditError as error:
            self.wrong.setText(str(error))
            self.wrong.setVisible(True)
            return
        self.wrong.setVisible(False)
        for line in (self.hours, self.runs, self.words):
            line.clear()
        if edit.kind in ("work", "parts"):
            self._ask_what_went(edit.words)

    def _ask_what_went(self, words: str) -> None:
        """Ask whether the parts an entry names are others now, where readings speak of them."""
        slots = parts_named(words)
        if not slots or not speaks_of_parts(self.session.book, slots):
            return
        named = ", ".join(slots)
        answer = questions.renewed_or_not(
            self, self.tr("The entry names measured parts: {0}. Were they replaced or machined?").format(named),
            self.tr("Readings of the old parts prove nothing about the new ones."),
        )  # fmt: skip
        if answer == "all":
            self.session.do(Renew(slots, self.tr("by the log: {0}").format(words[:60])))
        elif answer == "some":
            self.session.warned.emit(
                self.tr("Go to each valve concerned, and choose Measure, Something else was changed here…")
            )

    def take_back(self) -> None:
        """Take the chosen entry back."""
        row = self.grid.currentIndex().row()
        if 0 <= row < len(self.model.entries):
            self.session.do(TakeBack(self.model.entries[row].id))


def _figure(line: QLineEdit, name: str) -> float | None:
    try:
        return parse(line.text(), Field("ratio", ""))
    except EntryError:
        raise EditError(f"“{line.text().strip()[:20]}” is no number of {name}: write it like 12 or 2.5.") from None


def _whole(line: QLineEdit, name: str) -> int | None:
    value = _figure(line, name)
    if value is not None and value != int(value):
        raise EditError(f"“{line.text().strip()[:20]}” is no whole number of {name}: write it like 12.")
    return None if value is None else int(value)
