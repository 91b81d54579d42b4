"""The cam card's figures: lifts, ratio, lash, the height to set up to, and the loads the cam's maker asks for."""

from __future__ import annotations

from msgspec import Struct
from msgspec.structs import replace
from PyQt6.QtWidgets import QFormLayout, QLineEdit

from honest_lift.desk.engine.page import Page, hint_label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Describe, Drop, Put, State, StrikeOut, Unstate, reading_of, readings_at
from honest_lift.facts.fact import Fact
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import ENGINE, Place, at_role
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures, in_words

_PLACES = {
    "lobe_lift": ("intake", "exhaust"), "rocker_ratio": ("", "intake", "exhaust"), "lash": ("intake", "exhaust"),
    "target_height": ("", "intake", "exhaust"), "locator_thickness": ("",), "retainer_thickness": ("",),
    "tip_to_step": ("",),
}  # fmt: skip
_HINT = (
    "What the cam card says. A figure from a card carries its tolerance; an assumed one needs a range and can never "
    "pass; a measured one is a reading with the drawer's tool."
)
_KINDS = ("from its card", "assumed", "measured")


class _Row(Struct, frozen=True):
    """A quantity at a place with the fact that stands there, if any."""

    id: str
    quantity: str
    place: Place
    fact: Fact | None
    measured: str  # the text of the reading that stands there


class CamPage(Page):
    """Two tables: stated figures, and loads asked for."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self._reading: set[str] = set()  # lines whose next value is a reading
        self.card = QLineEdit()
        self.card.setAccessibleName(self.tr("cam card"))
        form = QFormLayout()
        form.addRow(self.tr("cam card"), self.card)
        self.column.addLayout(form)
        self.facts = self.follow(RecordTable(self._columns(), self.tr("Stated figures")), lambda row: None)
        self.column.addWidget(self.facts, 3)
        self.column.addWidget(
            hint_label(
                self.tr(
                    "Loads asked for: the cam maker's, else a manual's, else the shop's by lifter kind. With none, unproven."
                )
            )
        )
        self.asked = self.follow(RecordTable(self._asked_columns(), self.tr("Loads asked for")), self._put_limit)
        self.column.addWidget(self.asked, 2)
        self.card.editingFinished.connect(self._name_card)
        self._shown = ("", "")
        self.refresh()

    def refresh(self) -> None:
        engine = self.session.engine
        self.card.setText(engine.cam_card)
        units = (engine.unit("length"), engine.unit("load"))
        stated = {fact.key: fact for fact in engine.facts}
        rows = []
        for quantity, roles in _PLACES.items():
            for role in roles:
                place = at_role(role) if role else ENGINE
                read = [one for one in readings_at(self.session.book, quantity, place) if not one.fate]
                text = read[-1].reading.text if read else ""
                rows.append(_Row(f"{quantity}/{role}", quantity, place, stated.get((quantity, place)), text))
        fresh = units != self._shown
        self._shown = units
        self.facts.show_records(rows, self._columns() if fresh else None)
        self.asked.show_records(self._asked(), self._asked_columns() if fresh else None)

    # --- stated figures ---

    def _columns(self) -> list[Column]:
        return [
            Column("figure", lambda r: f"{CATALOG[r.quantity].title}, {r.place.title}", width=216),
            Column("kind", self._kind, self._put_kind, lambda: _KINDS, width=110),
            Column("value", self._value, self._put_value, right=True, width=90, kind=_kind_of),
            Column("tolerance ±", self._tolerance, self._put_tolerance, right=True, width=124),
            Column(
                "assumed from",
                lambda r: self._end(r, "low"),
                lambda r, t: self._put_end(r, t, "low"),
                right=True,
                width=100,
            ),
            Column(
                "to", lambda r: self._end(r, "high"), lambda r, t: self._put_end(r, t, "high"), right=True, width=90
            ),
            Column("card or reason", lambda r: r.fact.source if r.fact else "", self._put_source),
        ]

    def _unit(self, row: _Row) -> str:
        return self.session.unit(CATALOG[row.quantity].dimension)

    def _value(self, row: _Row) -> str:
        if row.measured:
            return row.measured
        return "" if row.fact is None else in_words(row.fact.value, CATALOG[row.quantity].dimension, self._unit(row))

    def _tolerance(self, row: _Row) -> str:
        if row.fact is None or row.fact.kind == "assumed" or row.measured:
            return ""
        dimension = CATALOG[row.quantity].dimension
        if row.fact.tolerance is not None:
            return in_figures(row.fact.tolerance, dimension, self._unit(row))
        default = next(
            (one.of(row.fact.value) for one in self.session.engine.tolerances if one.quantity == row.quantity), None
        )
        return "" if default is None else f"{in_figures(default, dimension, self._unit(row))}, default"

    def _end(self, row: _Row, which: str) -> str:
        value = getattr(row.fact, which) if row.fact and row.fact.kind == "assumed" else None
        return "" if value is None else in_figures(value, CATALOG[row.quantity].dimension, self._unit(row))

    def _parse(self, row: _Row, text: str) -> float | None:
        one = CATALOG[row.quantity]
        return parse(text, Field.within(one.dimension, self._unit(row), one.physical))

    def _put_value(self, row: _Row, text: str) -> _Row:
        value = self._parse(row, text)
        if value is not None and (row.measured or row.id in self._reading):
            self._reading.discard(row.id)
            self._measure(row, value, text)
        elif value is None:
            if row.measured:
                self._strike(row)
            elif row.fact:
                self.session.do(Unstate(row.quantity, row.place))
        else:
            source = row.fact.source if row.fact else self.session.engine.cam_card
            base = row.fact or Fact(row.quantity, row.place, value, source=source)
            self._state(replace(base, value=value, text=text.strip(), unit=self._unit(row)))
        return row

    def _kind(self, row: _Row) -> str:
        return "measured" if row.id in self._reading else _kind_of(row)

    def _put_kind(self, row: _Row, text: str) -> _Row:
        if text == self._kind(row):
            return row
        if row.measured:
            raise EntryError("a reading stands here; clear the value to strike it out, then state another")
        if text == "measured":
            # a card's figure is no reading: what was read has to be typed
            if not CATALOG[row.quantity].ways:
                raise EntryError("this is stated, not measured")
            self._reading.add(row.id)
            self.session.told.emit("Type what was read under value; until then what was stated stands.")
            return row
        self._reading.discard(row.id)
        if row.fact is None:
            raise EntryError("type the value first, then say where it is from")
        self._state(replace(row.fact, kind="assumed" if text == "assumed" else "specified"))
        return row

    def _measure(self, row: _Row, value: float, text: str) -> None:
        ways = CATALOG[row.quantity].ways
        tool = self.session.engine.tool_for(row.quantity, ways[0].key)
        reading = reading_of(
            self.session.book, row.quantity, row.place, value, text=text.strip(), unit=self._unit(row), way=ways[0].key,
            tool=tool.id if tool else "",
        )  # fmt: skip
        self.session.do(Confirm((reading,)))

    def _strike(self, row: _Row) -> None:
        for one in readings_at(self.session.book, row.quantity, row.place):
            if not one.fate:
                self.session.do(StrikeOut(one.reading.id, "cleared"))

    def _put_tolerance(self, row: _Row, text: str) -> _Row:
        one = CATALOG[row.quantity]
        if row.fact is None:
            raise EntryError("type the value first")
        if not text.strip().endswith("default"):
            self._state(
                replace(
                    row.fact,
                    tolerance=parse(text, Field.within(one.dimension, self._unit(row), (0.0, one.physical[1]))),
                )
            )
        return row

    def _put_end(self, row: _Row, text: str, which: str) -> _Row:
        if row.fact is None or row.fact.kind != "assumed":
            raise EntryError("a range goes with an assumed value: choose “assumed” under kind first")
        value = self._parse(row, text)
        changed = replace(row.fact, **{which: value})
        if changed.low is not None and changed.high is not None and changed.low > changed.high:
            raise EntryError("the range runs backwards: its lower end comes first")
        physical = changed.low is not None and changed.low <= CATALOG[row.quantity].physical[0]
        self._state(replace(changed, low_is_physical=physical))
        return row

    def _put_source(self, row: _Row, text: str) -> _Row:
        if row.fact is None:
            raise EntryError("type the value first")
        self._state(replace(row.fact, source=text.strip()))
        return row

    def _state(self, fact: Fact) -> None:
        self.session.do(State((fact,)))

    def _name_card(self) -> None:
        if self.card.text() != self.session.engine.cam_card:
            self.session.do(Describe({"cam_card": self.card.text()}, f"cam card: {self.card.text()}"))

    # --- loads asked for ---

    def _asked(self) -> list[Limit]:
        """Give the load limits, and an empty line for each that could be stated."""
        stated = [one for one in self.session.engine.limits if one.check in ("seat_load", "open_load")]
        free = [
            Limit(f"cam-{check}{role and '-' + role}", check, origin="cam card", role=role)
            for check in ("seat_load", "open_load")
            for role in ("", "intake", "exhaust")
        ]
        known = {(one.check, one.role) for one in stated}
        return stated + [one for one in free if (one.check, one.role) not in known]

    def _asked_columns(self) -> list[Column]:
        unit = self.session.unit("load")
        return [
            Column("load", lambda r: f"{r.check.replace('_', ' ')}, {r.role or 'both'}", width=150),
            Column(
                f"least, {unit}",
                lambda r: self._load(r.lowest),
                lambda r, t: replace(r, lowest=self._parse_load(t)),
                right=True,
                width=90,
            ),
            Column(
                f"most, {unit}",
                lambda r: self._load(r.highest),
                lambda r, t: replace(r, highest=self._parse_load(t)),
                right=True,
                width=90,
            ),
            Column(
                "asked for by",
                lambda r: r.origin,
                lambda r, t: replace(r, origin=t),
                lambda: ("cam card", "manual", "shop"),
                width=110,
            ),
            Column("source", lambda r: r.source, lambda r, t: replace(r, source=t.strip())),
        ]

    def _load(self, value: float | None) -> str:
        return "" if value is None else in_figures(value, "load", self.session.unit("load"))

    def _parse_load(self, text: str) -> float | None:
        return parse(text, Field.within("load", self.session.unit("load"), (1.0, 9000.0)))

    def _put_limit(self, limit: Limit) -> None:
        if limit.lowest is not None and limit.highest is not None and limit.lowest > limit.highest:
            self.session.warned.emit(self.tr("The least load lies above the most: one of them is mistyped."))
            self.asked.show_records(self._asked(), self._asked_columns())
            return
        known = any(one.id == limit.id for one in self.session.engine.limits)
        if limit.lowest is None and limit.highest is None and known:
            self.session.do(Drop("limits", limit.id))
        else:
            source = limit.source or self.session.engine.cam_card
            self.session.do(Put("limits", replace(limit, source=source)))


def _kind_of(row: _Row) -> str:
    if row.measured:
        return "measured"
    return "" if row.fact is None else "assumed" if row.fact.kind == "assumed" else "from its card"
