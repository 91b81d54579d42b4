"""The tool drawer: what each tool resolves, how true it is, and which one a way of measuring takes by default."""

from __future__ import annotations

from datetime import date
from typing import NamedTuple

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox

from honest_lift.desk import questions
from honest_lift.desk.engine.page import Page, button, hint_label
from honest_lift.desk.record_table import Column, RecordTable, text_column
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe, Drop, Put, new_id, read_with
from honest_lift.facts.tools import KINDS, Tool, is_finer
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

_FIELDS = (("resolution", "resolution"), ("accuracy", "accuracy ±"), ("repeatability", "repeatability"))
_RANGE = (("lowest", "reads from"), ("highest", "to"))
_SHARES = (("accuracy_percent", "true, %"), ("repeatability_percent", "rep., %"))


class _Default(NamedTuple):
    """A way of measuring and the tool it takes when none is named."""

    id: str
    title: str
    tool: str


class ToolsPage(Page):
    """A table of tools, and one of defaults."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "Without a stated accuracy a tool gives no uncertainty, and what it reads can't pass. "
                         "The repeatability of a kind is an assumption; put your own figure in.")  # fmt: skip
        self.tools = self.follow(RecordTable((), self.tr("Tools")), self._put)
        self.kinds = QComboBox()
        self.kinds.setAccessibleName(self.tr("kind of tool"))
        self.kinds.addItems([kind.title for kind in KINDS])
        self.column.addWidget(self.tools, 3)
        self.add_row(
            self.kinds, button(self.tr("Add this kind"), self._add), button(self.tr("Delete tool"), self._drop)
        )
        self.column.addWidget(hint_label(self.tr("The tool taken when a reading names none:")))
        self.defaults = self.follow(RecordTable((), self.tr("Default tools")), lambda _: None)
        self.column.addWidget(self.defaults, 2)
        self._unit = ""
        self.refresh()

    def refresh(self) -> None:
        engine = self.session.engine
        fresh = self._unit != engine.unit("length")
        self._unit = engine.unit("length")
        self.tools.show_records(engine.tools, self._columns() if fresh else None)
        rows = []
        for quantity in CATALOG.values():
            for way in quantity.ways:
                key = f"{quantity.name}/{way.key}"
                tool = engine.tool(engine.default_tools.get(key, ""))
                rows.append(_Default(key, f"{quantity.title}: {way.title}", tool.name if tool else ""))
        self.defaults.show_records(rows, self._default_columns() if fresh else None)

    def _columns(self) -> list[Column]:
        columns = [
            text_column("tool, its own name or number", "name", width=200),
            Column("kind", lambda t: t.kind.replace("_", " "), width=128),
        ]
        columns += [self._figure(field, title) for field, title in _FIELDS]
        columns += [self._share(field, title) for field, title in _SHARES]
        columns += [self._figure(field, title) for field, title in _RANGE]
        return [*columns, _found(), self._stop(), *self._kept_true()]

    def _kept_true(self) -> list[Column]:
        """Give the columns of its calibration record."""
        return [
            text_column("serial", "serial", width=62),
            Column("calibrated on", lambda tool: tool.calibrated, _put_day, width=92),
            text_column("against", "calibrated_against", width=84),
            Column("due, d", lambda tool: "" if tool.due_days is None else str(tool.due_days), _put_days, right=True, width=52),
        ]  # fmt: skip

    def _figure(self, field: str, title: str) -> Column:
        def get(tool: Tool) -> str:
            value, unit = getattr(tool, field), self.session.unit(tool.dimension)
            places = 4 if unit == "in" else 3 if unit == "mm" else 1
            return "" if value is None else in_figures(value, tool.dimension, unit, places) + f" {unit}"

        def put(tool: Tool, text: str) -> Tool:
            inside = Field.within(tool.dimension, self.session.unit(tool.dimension), (0.0, 100000.0))
            changed = replace(tool, **{field: parse(text, inside)})
            if changed.lowest is not None and changed.highest is not None and changed.lowest >= changed.highest:
                raise EntryError("the range ends where it begins: type the other end first")
            return changed

        return Column(title, get, put, right=True, width=78)

    def _share(self, field: str, title: str) -> Column:
        def get(tool: Tool) -> str:
            value = getattr(tool, field)
            return "" if value is None else f"{value:g}"

        return Column(
            title,
            get,
            lambda tool, text: replace(tool, **{field: parse(text, Field.within("percent", "%", (0.0, 100.0)))}),
            right=True,
            width=58,
        )

    def _stop(self) -> Column:
        def get(tool: Tool) -> str:
            value = tool.height_accuracy_mm
            return (
                ""
                if value is None
                else in_figures(value, "length", self.session.unit("length"), 4) + f" {self.session.unit('length')}"
            )

        def put(tool: Tool, text: str) -> Tool:
            return replace(
                tool, height_accuracy_mm=parse(text, Field.within("length", self.session.unit("length"), (0.0, 5.0)))
            )

        return Column("height stop ±", get, put, right=True, width=84)

    def _default_columns(self) -> list[Column]:
        return [
            Column("way of measuring", lambda row: row.title),
            Column(
                "tool",
                lambda row: row.tool,
                self._put_default,
                lambda: ["", *(one.name for one in self.session.engine.tools)],
                width=280,
            ),
        ]

    def _put(self, tool: Tool) -> None:
        """Put a tool back into the drawer. A finer card counts from now on, unless it always was so: that is asked once."""
        before = self.session.engine.tool(tool.id)
        read = read_with(self.session.book, tool.id)
        if before is None or not is_finer(tool, before) or not read:
            self.session.do(Put("tools", tool))
            return
        question = self.tr("{0} is now stated as finer, and {1} readings were taken with it.").format(tool.name, read)
        beside = self.tr("From now on: those readings keep their uncertainty. Always so: they get the new one.")
        answer = questions.corrected_or_another(self, question, beside, self.tr("From now on"))
        if not answer:
            self.refresh()
            return
        self.session.do(Put("tools", tool, "corrected" if answer == "corrected" else "from now on"))

    def _put_default(self, row: _Default, text: str) -> _Default:
        tool = next((one.id for one in self.session.engine.tools if one.name == text), "")
        defaults = {key: value for key, value in self.session.engine.default_tools.items() if key != row.id}
        if tool:
            defaults[row.id] = tool
        self.session.do(Describe({"default_tools": defaults}, f"default tool for {row.title}: {text or 'none'}"))
        return row

    def _add(self) -> None:
        kind = KINDS[self.kinds.currentIndex()]
        if self.session.do(Put("tools", replace(kind.tool, id=new_id()))):
            self.tools.ready(len(self.session.engine.tools) - 1)

    def _drop(self) -> None:
        if self.tools.current is None:
            self.session.warned.emit(self.tr("Choose the tool to take out."))
            return
        self.session.do(Drop("tools", self.tools.current.id))


def _found() -> Column:
    """Give the column of where its repeatability is from: found from repeats with this tool it has its rounding in it."""
    return Column(
        "repeats, from",
        lambda tool: "repeats" if tool.repeatability_found else "assumed",
        lambda tool, text: replace(tool, repeatability_found=text == "repeats"),
        lambda: ("assumed", "repeats"),
        width=92,
    )


def _put_day(tool: Tool, text: str) -> Tool:
    """Read the day of a calibration."""
    if not text.strip():
        return replace(tool, calibrated="")
    try:
        return replace(tool, calibrated=date.fromisoformat(text.strip()).isoformat())
    except ValueError:
        raise EntryError(f"“{text}” is no day: write it as 2026-11-23.") from None


def _put_days(tool: Tool, text: str) -> Tool:
    """Read after how many days a tool must be proven again."""
    plain = text.strip()
    if plain and not (plain.isascii() and plain.isdigit() and 0 < int(plain) <= 36500):
        raise EntryError(f"“{text}”: a whole number of days is wanted, or nothing.")
    return replace(tool, due_days=int(plain) if plain else None)
