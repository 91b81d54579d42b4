"""Measured lobes: every table that stands, what it comes to beside its card, and what stands out of it to be judged."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.cam.smoother import Smoother
from honest_lift.desk.cam.table_dialog import TableDialog, tables_from
from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.label import Label, plain
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.drawings.cam.lobe_compare import lobe_chart
from honest_lift.facts.ledger import tables
from honest_lift.facts.lobe_edits import JudgeRows, StrikeTable
from honest_lift.facts.wheel_table import StandingTable
from honest_lift.numbers.units import in_words


class LobesPage(QWidget):
    """The list above, the chosen lobe drawn and told below. Many are smoothed beside the window, with progress and Cancel."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing, self.words, self.progress = CurveView(), Label(), Label()
        self.drawing.picked.connect(lambda row: self.judge_row(int(row)))
        self.drawing.setAccessibleName(self.tr("A measured lobe over its card's"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the measured lobe comes to"))
        self.smoother = Smoother(session)
        self.smoother.went_on.connect(self._went_on)
        self.cancel = button(self.tr("Cancel"), self.smoother.cancel)
        self._unit = session.unit("length")
        self.table = RecordTable(self._columns(), self.tr("Measured lobes"))
        self.table.selectionModel().currentRowChanged.connect(lambda *_: self._choose())
        self.leave = button(self.tr("Leave out"), self.leave_out)
        self.keep = button(self.tr("Keep rows"), self.keep_them)
        self.leave.setToolTip(plain(self.tr("leave out the suspect rows")))
        self.keep.setToolTip(plain(self.tr("keep the suspect rows, looked at again")))
        self.strike = button(self.tr("Strike out…"), self.strike_out)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(
            in_row(button(self.tr("Type or paste one…"), self.type_one), button(self.tr("Read files…"), self.read_files),
                   self.leave, self.keep, self.strike, self.progress, self.cancel)
        )  # fmt: skip
        column.addWidget(self.table)
        column.addWidget(self.drawing)
        column.addWidget(scrolled(self.words), 1)
        self.cancel.hide()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(300)
        self.drawing.dress(theme, zoom)
        self.table.setFixedHeight(round(112 * zoom))
        self.table.verticalHeader().setDefaultSectionSize(round(25 * zoom))
        self.table.dress(theme, zoom)

    # --- following ---

    def refresh(self) -> None:
        """Follow the session; lobes that are not smoothed yet are."""
        unit = self.session.unit("length")
        fresh = unit != self._unit
        self._unit = unit
        self.cancel.setVisible(self.smoother.start())
        standing = tables(self.session.book.journal)
        self.table.show_records(standing, self._columns() if fresh or len(standing) != self._shown else None)
        self._shown = len(standing)
        if standing and self.table.current is None:
            self.table.setCurrentIndex(self.table.records.index(0, 0))
        self._choose()

    _shown = 0

    def _went_on(self, done: int, of: int) -> None:
        working = done < of
        self.progress.setText(self.tr("{0} of {1} smoothed").format(done, of) if working else "")
        self.cancel.setVisible(working)
        self.table.viewport().update()
        self._choose()

    def _read(self, found: StandingTable | None):
        """Give a table as a lobe, once it is smoothed; None before."""
        from honest_lift.estimates.cam.lobe_read import is_read, lobe_read

        if found is None or not is_read(self.session.book, found):
            return None
        return lobe_read(self.session.book, found)

    def _choose(self) -> None:
        from honest_lift.estimates.cam.lobe_read import lobe_read
        from honest_lift.words.cam.lobes import compared_with_card, differing_words, lobe_words

        book = self.session.book
        if self.table.current is not None and not self.smoother.is_working:
            lobe_read(book, self.table.current)
        read = self._read(self.table.current)
        rows = [one for one in (read.troubles if read else ()) if one.is_row]
        self.leave.setEnabled(bool(rows))
        self.keep.setEnabled(bool(rows))
        self.strike.setEnabled(self.table.current is not None)
        self.drawing.show_chart(lobe_chart(compared_with_card(book, read) if read else None))
        lines = lobe_words(book, read) if read else ()
        known = tuple(one for one in map(self._read, tables(book.journal)) if one)
        self.words.setText("\n".join((*lines, *differing_words(book, known))))

    # --- doing ---

    def type_one(self) -> None:
        """Type or paste a table."""
        TableDialog(self, self.session, position=self.session.position).exec()

    def read_files(self) -> None:
        """Read tables from files, each looked at before it is taken."""
        tables_from(self, self.session, questions.tables_to_open(self, Path.home()))

    def leave_out(self) -> None:
        """Leave the rows out that stand out."""
        self._judge(leave=True)

    def keep_them(self) -> None:
        """Believe the rows that stand out: somebody looked again."""
        self._judge(leave=False)

    def _judge(self, *, leave: bool) -> None:
        found, read = self.table.current, self._read(self.table.current)
        if found is None or read is None:
            return
        rows = {one.row for one in read.troubles if one.is_row}
        out, kept = (found.left_out | rows, found.kept) if leave else (found.left_out, found.kept | rows)
        self.session.do(JudgeRows(found.table.id, tuple(sorted(out)), tuple(sorted(kept))))

    def judge_row(self, row: int) -> None:
        """Leave a row out that was chosen on the curve."""
        found = self.table.current
        if found is None or row in found.left_out:
            return
        edit = JudgeRows(found.table.id, tuple(sorted(found.left_out | {row})), tuple(sorted(found.kept - {row})))
        if self.session.do(edit):
            self.session.told.emit(self.tr("Row {0} is left out. Ctrl+Z counts it again.").format(row + 1))

    def strike_out(self) -> None:
        """Strike the chosen table out, with the reason."""
        if self.table.current is None:
            return
        why = questions.words(self, self.tr("Strike the table out"), self.tr("Why does it no longer count?"))
        if why is not None:
            self.session.do(StrikeTable(self.table.current.table.id, why or "struck out"))

    # --- the list ---

    def _columns(self) -> list[Column]:
        from honest_lift.mechanics.cam.measured_lobe import EQUAL_MM
        from honest_lift.words.cam.lobe_list import LOBE_COLUMNS, lobe_cell

        def cell(key: str):
            return lambda found: lobe_cell(key, found, self._read(found), self._unit)

        return [
            Column(
                title.format(self._unit, in_words(EQUAL_MM, "length", self._unit)),
                cell(key),
                right=key not in ("place", "at"),
                width=width,
            )
            for key, title, width in LOBE_COLUMNS
        ]
