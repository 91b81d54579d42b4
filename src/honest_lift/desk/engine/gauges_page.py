"""Gauges on a line: the port of each, what its lines mean, and what it sends, as it comes."""

from __future__ import annotations

from pathlib import Path

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox, QPlainTextEdit

from honest_lift.desk import questions
from honest_lift.desk.engine.gauge_columns import gauge_columns
from honest_lift.desk.engine.page import Page, button, hint_label
from honest_lift.desk.following import follow
from honest_lift.desk.record_table import RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Several, StrikeOut
from honest_lift.facts.ledger import standing
from honest_lift.gauges.instruments.hearing import Heard
from honest_lift.gauges.instruments.instrument import PRESETS, Instrument
from honest_lift.gauges.instruments.oddities import is_closed
from honest_lift.gauges.instruments.pattern import learned_from
from honest_lift.numbers.mendable import MendableError

_MOST_LINES = 200


class GaugesPage(Page):
    """A table of gauges, and what they send."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "What a gauge sends fills the measuring bar; Enter takes it. It is kept for this bench, not in "
                         "the engine. A gauge that types like a keyboard needs nothing here.")  # fmt: skip
        self.table = RecordTable(gauge_columns(session), self.tr("Gauges"))
        self.table.records.put.connect(self._put)
        self.table.records.refused.connect(session.warned)
        self.preset = QComboBox()
        self.preset.setAccessibleName(self.tr("kind of line"))
        self.preset.addItems([words for words, _ in PRESETS])
        self.sent = QPlainTextEdit()
        self.sent.setReadOnly(True)
        self.sent.setTabChangesFocus(True)
        self.sent.setMaximumBlockCount(_MOST_LINES)
        self.sent.setAccessibleName(self.tr("What gauges send"))
        self.recorded = button(self.tr("Record…"), self._record)
        self._last_line = ""
        self.column.addWidget(self.table, 3)
        self.add_row(self.preset, button(self.tr("Add a gauge"), self._add), button(self.tr("Delete it"), self._drop))
        self.column.addWidget(hint_label(self.tr("What they send, the latest below:")))
        self.column.addWidget(self.sent, 3)
        self.add_row(
            button(self.tr("Learn from its last line"), self._learn), button(self.tr("Closed: look at its zero"), self._zero),
            self.recorded,
        )  # fmt: skip
        session.lines.heard.connect(self.hear)
        follow(self, (session.lines.changed,), self.refresh)
        self.refresh()

    def refresh(self) -> None:
        if not hasattr(self, "table"):  # the page's own first look comes before its table
            return
        self.table.show_records(self.session.lines.every)
        if self.session.lines.trouble:
            self.session.warned.emit(self.session.lines.trouble)

    # --- what is set up ---

    def _put(self, changed: Instrument) -> None:
        """Keep a changed instrument; a stand-in is set up by the bench it stands on."""
        row, kept = self.table.currentIndex().row(), self.session.lines.kept
        if not 0 <= row < len(kept):
            self._refuse(self.tr("A stand-in of the simulated bench is set up by the bench."))
            return
        self._keep((*kept[:row], changed, *kept[row + 1 :]))

    def _keep(self, every: tuple[Instrument, ...]) -> bool:
        names = [one.name for one in (*every, *self.session.lines.stand_ins)]
        twice = next((name for name in names if names.count(name) > 1), "")
        try:
            if twice:
                raise MendableError(f"Two gauges are called “{twice}”: they are told apart by their names.")
            self.session.lines.put(every)
        except MendableError as error:
            self._refuse(str(error))
            return False
        return True

    def _refuse(self, words: str) -> None:
        self.session.warned.emit(words)
        self.refresh()

    def _add(self) -> None:
        taken = {one.name for one in self.session.lines.every}
        name = next(f"gauge {i}" for i in range(1, len(taken) + 2) if f"gauge {i}" not in taken)
        if self._keep((*self.session.lines.kept, replace(PRESETS[self.preset.currentIndex()][1], name=name))):
            self.table.ready(len(self.session.lines.kept) - 1)

    def _drop(self) -> None:
        one = self._chosen()
        if one is not None and self._is_kept(one):
            self._keep(tuple(own for own in self.session.lines.kept if own.name != one.name))

    def _chosen(self) -> Instrument | None:
        one: Instrument | None = self.table.current
        if one is None and len(self.session.lines.every) == 1:
            one = self.session.lines.every[0]
        if one is None:
            self.session.warned.emit(self.tr("Choose the gauge in the table first."))
        return one

    def _is_kept(self, one: Instrument) -> bool:
        if one in self.session.lines.kept:
            return True
        self._refuse(self.tr("A stand-in of the simulated bench is set up by the bench."))
        return False

    # --- what comes ---

    def hear(self, instrument: Instrument, heard: Heard) -> None:
        """Show what an instrument sends, while the page is seen."""
        if not self.isVisible():
            return
        if heard.shown is None:
            self.sent.appendPlainText(heard.words)
            return
        moving = "" if heard.is_steady else self.tr(", moving")
        self.sent.appendPlainText(f"{instrument.name}: {heard.shown.text}{moving}")

    def _learn(self) -> None:
        """Let the pattern be that of the last line that was sent, as it is written in what is shown."""
        one = self._chosen()
        if one is None or not self._is_kept(one):
            return
        line = self.session.lines.last_lines.get(one.name, "")
        if not line:
            self.session.warned.emit(self.tr("{0} has sent no line yet: let it send one.").format(one.name))
            return
        try:
            pattern = learned_from(line, one.pattern.dimension, one.pattern.unit)
        except MendableError as error:
            self.session.warned.emit(str(error))
            return
        if self._keep(
            tuple(replace(own, pattern=pattern) if own.name == one.name else own for own in self.session.lines.kept)
        ):
            self.session.told.emit(self.tr("“{0}” is read as {1}; a line that is not so gives no value.").format(
                line, getattr(pattern.read(line), "text", "")))  # fmt: skip

    def _zero(self) -> None:
        """Hold what the gauge shows closed against zero; what was read since the last look proves nothing once it has drifted."""
        one = self._chosen()
        shown = self.session.lines.last.get(one.name) if one else None
        if one is None or shown is None:
            if one is not None:
                self.session.warned.emit(self.tr("{0} shows nothing yet: close it, and let it send.").format(one.name))
            return
        if not is_closed(shown):
            self.session.warned.emit(
                self.tr("{0} shows {1}: close it first, and let it send.").format(one.name, shown.text)
            )
            return
        drift, since = self.session.lines.zero_of(one).looked_at(shown)
        if not drift:
            self.session.told.emit(self.tr("{0} shows {1} closed: its zero is good.").format(one.name, shown.text))
            return
        struck = self._strike(since)
        words = self.tr(
            "{0} shows {1} closed: set it to zero. {2} readings since its last look were struck out; read them again."
        )
        self.session.warned.emit(words.format(one.name, shown.text, struck))

    def _strike(self, since: tuple[str, ...]) -> int:
        """Strike out what was read since the zero was last looked at, where it still counts; give how many."""
        counting = {one.reading.id for one in standing(self.session.book.journal) if not one.fate}
        strikes = tuple(StrikeOut(one, "the gauge's zero had drifted") for one in since if one in counting)
        if strikes:
            self.session.do(Several(strikes, f"{len(strikes)} readings struck out: the gauge's zero had drifted"))
        return len(strikes)

    def _record(self) -> None:
        """Begin to write down what an instrument sends, or end it."""
        one = self._chosen()
        if one is None:
            return
        lines = self.session.lines
        if path := lines.recorded_in(one.name):
            trouble = lines.stop_recorder(one.name)
            self.recorded.setText(self.tr("Record…"))
            (self.session.warned if trouble else self.session.told).emit(
                trouble or self.tr("Recorded in {0}.").format(path.name)
            )
            return
        if not lines.is_heard(one.name):
            self.session.warned.emit(
                self.tr("{0} is not listened to: choose its port, and switch it on.").format(one.name)
            )
            return
        path = questions.recording_to_save(self, Path(f"{one.name}.txt"))
        if path is None:
            return
        try:
            lines.record(one.name, path)
        except OSError as error:
            self.session.warned.emit(f"{path}: {error.strerror or error}.")
            return
        self.recorded.setText(self.tr("Stop the recorder"))
