"""Taking degree-wheel tables in: typed, pasted or from files, with a look at what was understood before anything is taken."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import (
    QComboBox,
    QDialog,
    QDialogButtonBox,
    QFormLayout,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from honest_lift.desk.alignment import RIGHT, VCENTER
from honest_lift.desk.cam.listener import Listener
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.facts import disk
from honest_lift.facts.crank_angle import read_angle
from honest_lift.facts.lobe_edits import TakeTables, table_of
from honest_lift.facts.place import Place, at_position, at_role, position_title
from honest_lift.facts.wheel_import import LIFT_UNITS, MOST_BYTES, Column, TableError, Understood, in_mm, read_table
from honest_lift.facts.wheel_table import ReadAt, WheelTable, tdc_on_wheel
from honest_lift.gauges.line import SerialLine, ports
from honest_lift.gauges.walked_lobe import WalkedLobe
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.units import in_figures

_SHOWN_ROWS = 400
_NOW_AND_THEN_MS = 250
_HINT = (
    "A line a reading, in the order it was read: crank angle, then lift. Angles later positive from overlap TDC, or as "
    "12 BTDC. Columns in any order, decimal point or comma; several lobes as columns headed 1i, 1e."
)


class TableDialog(QDialog):
    """Text and what goes with it on the left, what was understood on the right."""

    def __init__(self, parent: QWidget, session: Session, text: str = "", source: str = "", position: str = "") -> None:
        super().__init__(parent)
        self.session, self.source = session, source
        self.setWindowTitle(self.tr("A lobe by the degree wheel"))
        self.resize(980, 600)
        self.text = QPlainTextEdit()
        self.text.setTabChangesFocus(True)
        self.text.setAccessibleName(self.tr("The table as it was read"))
        self.text.setPlaceholderText("-40  .000\n-35  .002\n-30  .006\n…")
        self.place, self.read_at, self.unit, self.degrees = QComboBox(), QComboBox(), QComboBox(), QComboBox()
        self.tool, self.wheel = QComboBox(), QComboBox()
        self.stops = QLineEdit(), QLineEdit()
        self.heard, self.wrong = Label(), Label()
        self.preview = QTableWidget(0, 3)
        self.preview.setTabKeyNavigation(False)
        self.buttons = QDialogButtonBox()
        self.take_it = self.buttons.addButton(self.tr("Import"), QDialogButtonBox.ButtonRole.AcceptRole)
        self.buttons.addButton(self.tr("Leave it"), QDialogButtonBox.ButtonRole.RejectRole)
        self.line, self.listen = QComboBox(), QPushButton(self.tr("Listen"))
        self.listener = Listener()
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self.understood: Understood | None = None
        self.taken: tuple[WheelTable, ...] = ()
        self._fill(position)
        self._lay_out()
        self._connect()
        self.text.setPlainText(text)
        self.read()

    # --- building ---

    def _fill(self, position: str) -> None:
        engine = self.session.engine
        for one in engine.layout.positions:
            self.place.addItem(position_title(one.id), at_position(one.id))
        for role in ("intake", "exhaust"):
            self.place.addItem(self.tr("every {0}, by this one").format(role), at_role(role))
        self.place.setCurrentIndex(max(self.place.findText(position_title(position)) if position else 0, 0))
        for key, words in (("lifter", self.tr("at the lifter")), ("valve", self.tr("at the valve, lash and all"))):
            self.read_at.addItem(words, key)
        for unit in LIFT_UNITS:
            self.unit.addItem(unit, unit)
        self.unit.setCurrentText(engine.unit("length"))
        for words, twice in ((self.tr("crank degrees"), False), (self.tr("cam degrees"), True)):
            self.degrees.addItem(words, twice)
        for box, kind in ((self.tool, "indicator"), (self.wheel, "degree_wheel")):
            for tool in engine.tools:
                if tool.kind == kind:
                    box.addItem(tool.name, tool.id)
            box.addItem(self.tr("not said"), "")
        self.line.setAccessibleName(self.tr("instrument"))
        self.line.addItem(self.tr("simulated stand-in, an invented lobe"), None)
        for stand_in in self.session.lines.stand_ins:
            if not stand_in.is_on:  # it sends an angle and a lift: this is where that is read
                self.line.addItem(stand_in.name, stand_in.port)
        for port in ports():
            self.line.addItem(port, port)

    def _lay_out(self) -> None:
        form = QFormLayout()
        stops = QHBoxLayout()
        for line, words in zip(self.stops, (self.tr("first way"), self.tr("other way")), strict=True):
            line.setPlaceholderText(words)
            line.setAccessibleName(self.tr("stop reading, {0}").format(words))
            stops.addWidget(line)
        for words, widget in (
            (self.tr("lobe of"), self.place), (self.tr("read"), self.read_at), (self.tr("lifts in"), self.unit),
            (self.tr("angles in"), self.degrees), (self.tr("indicator"), self.tool), (self.tr("wheel"), self.wheel),
        ):  # fmt: skip
            widget.setAccessibleName(words)
            form.addRow(words, widget)
        form.addRow(self.tr("piston stop"), stops)
        heard = QHBoxLayout()
        heard.addWidget(self.line, 1)
        heard.addWidget(self.listen)
        form.addRow(self.tr("instrument"), heard)
        left, right, both = QVBoxLayout(), QVBoxLayout(), QHBoxLayout()
        for label in (hint := Label(self.tr(_HINT)), self.heard, self.wrong):
            label.setWordWrap(True)
        hint.setObjectName("hint")
        self.wrong.setObjectName("caution")
        left.addWidget(hint)
        left.addWidget(self.text, 1)
        left.addLayout(form)
        self.preview.setHorizontalHeaderLabels([self.tr("row"), self.tr("crank degrees"), self.tr("lift")])
        self.preview.verticalHeader().hide()
        self.preview.setAccessibleName(self.tr("What was understood"))
        right.addWidget(self.heard)
        right.addWidget(self.preview, 1)
        right.addWidget(self.wrong)
        both.addLayout(left, 1)
        both.addLayout(right, 1)
        column = QVBoxLayout(self)
        column.addLayout(both, 1)
        column.addWidget(self.buttons)

    def _connect(self) -> None:
        self.listen.clicked.connect(lambda: self._listen())
        self.listener.heard.connect(self.text.appendPlainText)
        self.listener.ended.connect(self._heard_all)
        self.text.textChanged.connect(self._read_soon)
        self._soon.timeout.connect(self.read)
        self.place.currentIndexChanged.connect(lambda _: self.read())  # BDC lies elsewhere for an exhaust
        for box in (self.read_at, self.unit, self.degrees):
            box.currentIndexChanged.connect(lambda _: self._show())
        for line in self.stops:
            line.textChanged.connect(lambda _: self._show())
        self.buttons.accepted.connect(self.accept)
        self.buttons.rejected.connect(self.reject)

    # --- listening ---

    def _listen(self) -> None:
        """Start or stop listening; what is heard is added to the text as if it had been typed."""
        if self.listener.is_listening:
            self.listener.stop()
            self.listen.setText(self.tr("Listen"))
            return
        port = self.line.currentData()
        line = SerialLine(port) if port else WalkedLobe()
        self.source = self.source or line.name
        self.listen.setText(self.tr("Stop"))
        self.listener.start(line)

    def _read_soon(self) -> None:
        """Understand at once what is typed, and now and then what an instrument sends."""
        if not self.listener.is_listening:
            self.read()
        elif not self._soon.isActive():
            self._soon.start(_NOW_AND_THEN_MS)

    def _heard_all(self, why: str) -> None:
        self.listener.stop()
        self.listen.setText(self.tr("Listen"))
        self.read()
        if why:
            self.wrong.setText(why)

    def done(self, result: int) -> None:
        """Close; an instrument is no longer listened to."""
        self.listener.stop()
        super().done(result)

    # --- understanding ---

    def read(self) -> None:
        """Understand the text anew, and let its headings choose units."""
        positions = [one.id for one in self.session.engine.layout.positions]
        try:
            self.understood = read_table(self.text.toPlainText(), positions, self._role())
        except TableError as error:
            self.understood = None
            self._say(str(error))
            return
        if self.understood.unit:
            self.unit.setCurrentText(self.understood.unit)
        if self.understood.cam_degrees is not None:
            self.degrees.setCurrentIndex(int(self.understood.cam_degrees))
        if len(self.understood.columns) == 1 and self.understood.columns[0].position:
            self.place.setCurrentText(position_title(self.understood.columns[0].position))
        self._show()

    def _role(self) -> str:
        place: Place | None = self.place.currentData()
        return place.role if place else "intake"

    def _show(self) -> None:
        """Show the tables as they would be taken in, or why they can't be."""
        if self.understood is None:
            return
        try:
            self.taken = tuple(self._table(one) for one in self.understood.columns)
        except (TableError, EntryError) as error:
            self._say(str(error))
            return
        first, unit = self.taken[0], str(self.unit.currentData())
        whose = ", ".join(one.place.title for one in self.taken)
        self.heard.setText("; ".join((*self.understood.remarks, f"{len(first.crank_deg)} rows of {whose}")) + ".")
        self.wrong.setText(self._wrong_words(first))
        self.preview.setHorizontalHeaderLabels(
            [self.tr("row"), self.tr("crank degrees"), self.tr("lift, {0}").format(unit)]
        )
        self.preview.setRowCount(min(len(first.crank_deg), _SHOWN_ROWS))
        for i, (at, lift) in enumerate(zip(first.crank_deg[:_SHOWN_ROWS], first.lift_mm, strict=False)):
            for column, words in enumerate((f"{i + 1}", f"{at:g}", in_figures(lift, "length", unit))):
                item = QTableWidgetItem(words)
                item.setTextAlignment(RIGHT | VCENTER)
                self.preview.setItem(i, column, item)
        self.take_it.setEnabled(True)

    def _wrong_words(self, first: WheelTable) -> str:
        assert self.understood is not None
        lines = [f"Line {number} can't be used, {why}: {text}" for number, text, why in self.understood.wrong[:6]]
        if len(self.understood.wrong) > 6:
            lines.append(f"and {len(self.understood.wrong) - 6} more lines.")
        if first.stops_deg is None:
            lines.append("Without stop readings both ways it tells the lobe's shape, not its timing.")
        else:
            lines.append(
                f"TDC is at {tdc_on_wheel(first.stops_deg):+.2f} on the wheel; every angle is taken from there."
            )
        return "\n".join(lines)

    def _say(self, words: str) -> None:
        self.taken = ()
        self.heard.setText("")
        self.wrong.setText(words)
        self.preview.setRowCount(0)
        self.take_it.setEnabled(False)

    def _table(self, column: Column) -> WheelTable:
        place: Place = at_position(column.position) if column.position else self.place.currentData()
        read_at: ReadAt = self.read_at.currentData()
        if read_at == "valve" and place.kind != "position":
            raise TableError("What was read at one valve speaks of no other: choose the valve it was read at.")
        if len(self.understood.columns if self.understood else ()) > 1 and not column.position:
            raise TableError(
                f"Several lobes, and “{column.title or 'a column'}” names no valve: head each by its valve, as 1i, 1e."
            )
        rows = in_mm(column, str(self.unit.currentData()), cam_degrees=bool(self.degrees.currentData()))
        return table_of(
            self.session.book, place, read_at, rows, unit=str(self.unit.currentData()), tool=self.tool.currentData(),
            wheel=self.wheel.currentData(), stops_deg=self._stops(), source=self.source,
        )  # fmt: skip

    def _stops(self) -> tuple[float, float] | None:
        texts = [line.text().strip() for line in self.stops]
        if not any(texts):
            return None
        if not all(texts):
            raise EntryError("The stop is read both ways: turn onto it the other way too, and type the wheel's angle.")
        first, other = (read_angle(one, self._role()) for one in texts)
        if first == other:
            raise EntryError("Both stop readings are the same: turn onto the stop from the other side.")
        return first, other

    def accept(self) -> None:
        """Take the tables in, unless they are no lobes."""
        from honest_lift.estimates.cam.nose import in_order
        from honest_lift.facts.wheel_table import StandingTable

        for one in self.taken:
            if isinstance(why := in_order(StandingTable(one)), str):
                self.wrong.setText(f"{one.place.title}: {why}")
                return
        if self.taken and self.session.do(TakeTables(self.taken)):
            super().accept()


def tables_from(parent: QWidget, session: Session, paths: list[Path]) -> None:
    """Show each file in the dialog, one after the other; one that can't be read is told."""
    from honest_lift.desk import questions

    for path in paths:
        try:
            text = disk.read_file(path, MOST_BYTES).decode("utf-8-sig")
        except (OSError, UnicodeDecodeError) as error:
            why = disk.why(error) if isinstance(error, OSError) else "it is no text"
            questions.tell(parent, parent.tr("This table can't be read"), f"{path}: {why}.")
            continue
        named = next(
            (one.id for one in session.engine.layout.positions if one.id == path.stem.lower()), session.position
        )
        if TableDialog(parent, session, text, path.name, named).exec() != QDialog.DialogCode.Accepted:
            return
