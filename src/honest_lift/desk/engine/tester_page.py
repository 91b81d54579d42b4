"""The spring tester against reference springs: what it shows, what follows, and which calibration corrects its loads."""

from __future__ import annotations

from typing import Any, NamedTuple

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit

from honest_lift.desk.engine.page import Page, button, hint_label
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable, number_column, text_column
from honest_lift.desk.session import Session
from honest_lift.facts.calibrations import NO_CORRECTION, Calibration, CertifiedPoint, ReferenceSpring
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Drop, Put, new_id, now, reading_of
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.place import of_reference
from honest_lift.facts.tools import Tool
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures


class _Row(NamedTuple):
    """A certified point, and what the tester showed there since its last calibration."""

    id: str
    reference: ReferenceSpring
    point: CertifiedPoint
    read: Standing | None


class TesterPage(Page):
    """Reference springs, the readings of one tester, and what they come to."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "Hold the tester against a spring of known loads, at a low load and at a high one, before the "
                         "springs and again every few heads. Raw readings stay raw: the correction is calculated.")  # fmt: skip
        self.tester, self.correction = QComboBox(), QComboBox()
        self.days, self.heads = QLineEdit(), QLineEdit()
        for widget, name in (
            (self.tester, "tester"), (self.correction, "loads are corrected by"), (self.days, "due again after days"),
            (self.heads, "due again after heads"),
        ):  # fmt: skip
            widget.setAccessibleName(self.tr(name))
        self.days.setFixedWidth(60)
        self.heads.setFixedWidth(60)
        self.add_row(
            Label(self.tr("tester")), self.tester, Label(self.tr("its loads are corrected by")), self.correction
        )
        self.add_row(
            Label(self.tr("due again after")),
            self.days,
            Label(self.tr("days or")),
            self.heads,
            Label(self.tr("heads of springs")),
        )
        self.references = self.follow(
            RecordTable((), self.tr("Reference springs")), lambda one: session.do(Put("references", one))
        )
        self.readings = self.follow(RecordTable((), self.tr("What the tester shows")), lambda _: None)
        self.column.addWidget(self.references, 2)
        self.new = button(self.tr("New reference spring"), self._add)
        self.add_row(self.new, button(self.tr("Delete reference"), self._drop))
        self.column.addWidget(
            hint_label(self.tr("What the tester shows at each certified height, since its last calibration:"))
        )
        self.curve: Any = None  # made when the page is first seen
        self._looks: tuple[Any, float] | None = None
        self.beside_readings = QHBoxLayout()
        self.beside_readings.addWidget(self.readings, 3)
        self.column.addLayout(self.beside_readings, 3)
        self.add_row(button(self.tr("Record calibration"), self._calibrate))
        self.beside = StatedTable(
            session, {"in_tester": ("",)}, self.tr("What is in the tester beside the springs"), 330
        )
        self.column.addWidget(self.beside.view, 1)
        self.result = Label()
        self.result.setObjectName("working")
        self.result.setWordWrap(True)
        self.result.setAccessibleName(self.tr("What the calibration says"))
        self.column.addWidget(self.result)
        self._connect()
        self._units = ("", "")
        self.refresh()

    def _connect(self) -> None:
        self.tester.activated.connect(lambda _: self.refresh())
        self.correction.activated.connect(self._choose)
        self.days.editingFinished.connect(lambda: self._due("due_days", self.days))
        self.heads.editingFinished.connect(lambda: self._due("due_heads", self.heads))

    # --- following ---

    def refresh(self) -> None:
        engine = self.session.engine
        units = (engine.unit("length"), engine.unit("load"))
        fresh, self._units = units != self._units, units
        self._show_testers()
        tool = self.tool
        for field, value in ((self.days, tool and tool.due_days), (self.heads, tool and tool.due_heads)):
            field.setEnabled(tool is not None)
            if not field.hasFocus():
                field.setText("" if value is None else str(value))
        self.references.show_records(engine.references, self._reference_columns() if fresh else None)
        self.readings.show_records(self._rows(), self._reading_columns() if fresh else None)
        self.beside.refresh()
        self._show_result()
        self._draw()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self._looks = (theme, zoom)
        if self.curve is not None:
            self.curve.dress(theme, zoom)

    def showEvent(self, event) -> None:
        super().showEvent(event)
        if self.curve is None:
            from honest_lift.desk.curve_view import CurveView

            self.curve = CurveView()
            self.curve.wish(190)
            self.curve.setAccessibleName(self.tr("What the tester shows too much, and the line it is corrected by"))
            self.curve.picked.connect(lambda row: self.readings.ready(int(row), 3))
            self.beside_readings.addWidget(self.curve, 2)
            if self._looks:
                self.curve.dress(*self._looks)
            self._draw()

    def _draw(self) -> None:
        """Draw what was read since, or the readings of the last calibration, over the line it corrects by."""
        if self.curve is None:
            return
        from honest_lift.words.spring.tester import chart_of_tester

        rows = [row for row in self._rows() if row.read]
        read = [(row.point.load_n, row.read.reading.value) for row in rows if row.read]
        own = self._own()
        chosen = next(
            (one for one in own if one.id == (self.tool.correction if self.tool else "")), own[-1] if own else None
        )
        self.curve.show_chart(chart_of_tester(self.session.book, read, chosen.id if chosen else ""))

    def _show_testers(self) -> None:
        before = self.tester.currentData()
        self.tester.clear()
        for one in self.session.engine.tools:
            if one.dimension == "load":
                self.tester.addItem(one.name, one.id)
        self.tester.setCurrentIndex(max(self.tester.findData(before), 0) if self.tester.count() else -1)
        self.correction.clear()
        tool = self.tool
        self.correction.addItem(self.tr("the calibration before each reading"), "")
        for made in self._own():
            self.correction.addItem(self.tr("the calibration of {0}").format(made.when[:16].replace("T", " ")), made.id)
        self.correction.addItem(self.tr("nothing: as read, and nothing passes"), NO_CORRECTION)
        self.correction.setCurrentIndex(max(self.correction.findData(tool.correction if tool else ""), 0))

    @property
    def tool(self) -> Tool | None:
        """Give the tester looked at."""
        return self.session.engine.tool(self.tester.currentData() or "")

    def _own(self) -> list[Calibration]:
        tool = self.tool
        own = [one for one in self.session.engine.calibrations if tool and one.tool == tool.id]
        return sorted(own, key=lambda one: one.when)

    def _used(self) -> set[str]:
        return {reading for one in self.session.engine.calibrations for reading in one.readings}

    def _rows(self) -> list[_Row]:
        tool, used = self.tool, self._used()
        fresh = [
            one for one in standing(self.session.book.journal)
            if one.reading.quantity == "reference_load" and not one.fate and tool and one.reading.tool == tool.id
            and one.reading.id not in used
        ]  # fmt: skip
        return [
            _Row(f"{reference.id}/{point.height_mm}", reference, point,
                 next((one for one in reversed(fresh) if one.place.name == reference.id
                       and one.reading.at.get("test_height") == point.height_mm), None))
            for reference in self.session.engine.references
            for point in reference.points
        ]  # fmt: skip

    def _show_result(self) -> None:
        from honest_lift.checks.spring.tester_words import correction_words
        from honest_lift.estimates.spring.tester import corrections

        own = self._own()
        if not own:
            self.result.setText(
                self.tr("This tester was never held against a reference spring: its stated accuracy counts.")
            )
            return
        worked = corrections(self.session.book)
        chosen = next((one for one in own if one.id == (self.tool.correction if self.tool else "")), own[-1])
        words = [
            self.tr("Calibration of {0} by {1}:").format(chosen.when[:16].replace("T", " "), chosen.by or "no name")
        ]
        words += (
            correction_words(worked[chosen.id], self.session.engine)
            if chosen.id in worked
            else [self.tr("None of its readings counts any more, so it corrects nothing.")]
        )
        self.result.setText("\n".join(words))

    # --- columns ---

    def _reference_columns(self) -> list[Column]:
        load = self.session.unit("load")
        return [
            text_column(self.tr("reference spring, its number"), "name"),
            Column(self.tr("certified loads, as in 88 at 1.870; 295 at 1.330"), self._points_text, self._put_points, width=330),
            number_column(self.tr("each ±"), "plus_minus_n", "load", load, (0.0, 500.0), places=2),
            number_column(self.tr("all together ±"), "common_percent", "percent", "%", (0.0, 20.0), width=120),
        ]  # fmt: skip

    def _points_text(self, reference: ReferenceSpring) -> str:
        length, load = self._units
        pairs = sorted(reference.points, key=lambda one: -one.height_mm)
        return "; ".join(
            f"{in_figures(p.load_n, 'load', load, 1)} at {in_figures(p.height_mm, 'length', length)}" for p in pairs
        )

    def _put_points(self, reference: ReferenceSpring, text: str) -> ReferenceSpring:
        length, load = self._units
        heights, loads = CATALOG["test_height"].physical, CATALOG["reference_load"].physical
        points = []
        for pair in filter(None, (one.strip() for one in text.split(";"))):
            parts = pair.split(" at ")
            if len(parts) != 2:
                raise EntryError(
                    f"“{pair}”: write a load and its height as 88 at 1.870, and semicolons between several."
                )
            force = parse(parts[0], Field.within("load", load, loads))
            height = parse(parts[1], Field.within("length", length, heights))
            if force is None or height is None:
                raise EntryError(f"“{pair}”: the load or the height is missing.")
            points.append(CertifiedPoint(height, force))
        changed = replace(reference, points=tuple(points))
        from honest_lift.estimates.spring.tester import is_sound

        if not is_sound(changed):
            raise EntryError("A certificate gives two or more heights, and the load rises as the height falls.")
        return changed

    def _reading_columns(self) -> list[Column]:
        length, load = self._units
        return [
            Column(self.tr("reference spring"), lambda row: row.reference.name),
            Column(f"height, {length}", lambda row: in_figures(row.point.height_mm, "length", length), right=True, width=110),
            Column(f"certified, {load}", lambda row: in_figures(row.point.load_n, "load", load, 1), right=True, width=120),
            Column(f"the tester shows, {load}", lambda row: row.read.reading.text if row.read else "", self._read, right=True,
                   width=160, kind=lambda row: "measured" if row.read else ""),
            Column(f"high by, {load}", self._high_by, right=True, width=110),
        ]  # fmt: skip

    def _high_by(self, row: _Row) -> str:
        if row.read is None:
            return ""
        from honest_lift.checks.spring.tester_words import high_by

        return high_by(row.read.reading.value, row.point.load_n, self.session.engine)

    def _read(self, row: _Row, text: str) -> _Row:
        load = self._units[1]
        value = parse(text, Field.within("load", load, CATALOG["reference_load"].physical))
        if value is None or self.tool is None:
            raise EntryError("Type what the tester shows, as in 96.5.")
        made = reading_of(
            self.session.book, "reference_load", of_reference(row.reference.id), value, text=text.strip(), unit=load, way="tester",
            tool=self.tool.id, at={"test_height": row.point.height_mm}, repeat=row.read is None,
        )  # fmt: skip
        used = self._used()
        self.session.do(Confirm((replace(made, supersedes=tuple(one for one in made.supersedes if one not in used)),)))
        return row

    # --- changing ---

    def _add(self) -> None:
        if self.session.do(Put("references", ReferenceSpring(new_id(), self.tr("reference spring")))):
            self.references.ready(len(self.session.engine.references) - 1)

    def land(self, about: str) -> bool:
        """Stand where the tester's loads at the certified heights are typed, or a reference spring is made first."""
        if about != "reference_load":
            return False
        if self.readings.records.records:
            self.readings.ready(0, 3)
        else:
            self.new.setFocus()
        return True

    def _drop(self) -> None:
        if self.references.current is None:
            self.session.warned.emit(self.tr("Choose the reference spring to take out."))
            return
        self.session.do(Drop("references", self.references.current.id))

    def _calibrate(self) -> None:
        readings = tuple(row.read.reading.id for row in self._rows() if row.read)
        if self.tool is None or not readings:
            self.session.warned.emit(self.tr("First type what the tester shows at the certified heights."))
            return
        made = Calibration(new_id(), self.tool.id, now(), self.session.engine.hand, readings)
        self.session.do(Put("calibrations", made))

    def _choose(self) -> None:
        if self.tool and self.tool.correction != self.correction.currentData():
            self.session.do(Put("tools", replace(self.tool, correction=self.correction.currentData())))

    def _due(self, field: str, widget: QLineEdit) -> None:
        text = widget.text().strip()
        if self.tool is None or text == ("" if getattr(self.tool, field) is None else str(getattr(self.tool, field))):
            return
        if text and not (text.isascii() and text.isdigit()):
            self.session.warned.emit(
                self.tr("“{0}”: a whole number of days or heads is wanted, or nothing.").format(text)
            )
            return
        self.session.do(Put("tools", replace(self.tool, **{field: int(text) if text else None})))
