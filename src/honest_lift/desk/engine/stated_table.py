"""Figures that are stated, assumed or measured for all valves alike, or for those of a role, as a table."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from msgspec import Struct
from msgspec.structs import replace
from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.desk.typed_value import unlike_the_engine
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, State, StrikeOut, Unstate, now, reading_of, readings_at
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import ENGINE, Place, at_role
from honest_lift.facts.restated import Meant, gone_stale, stood_before
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures, in_words
from honest_lift.words.what_is import quantity_hint

_KINDS = ("from its card", "assumed", "measured")


def meant_by(parent: QWidget, session: Session, fact: Fact) -> Meant | None:
    """Give what a figure typed over another one means, asked once where readings rest on its part; None to leave it."""
    other: Meant = "another part"
    gone = gone_stale(session.book, State((fact,), other).apply(session.book)[0])
    if not gone:
        return other
    row, unit = CATALOG[fact.quantity], session.unit(CATALOG[fact.quantity].dimension)
    before = stood_before(session.engine, fact)
    was = in_words(before.value, row.dimension, unit) if before else ""
    becomes = in_words(fact.value, row.dimension, unit)
    question = f"{row.title[:1].upper()}{row.title[1:]}, {fact.place.title}: {was} becomes {becomes}."
    names = ", ".join(dict.fromkeys(CATALOG[one.reading.quantity].title for one in gone))
    beside = f"With another part, {len(gone)} readings go stale and are to be taken again: {names}."
    answer = questions.corrected_or_another(parent, question, beside)
    return "corrected" if answer == "corrected" else other if answer else None


class _Row(Struct, frozen=True):
    """A quantity at a place with the fact that stands there, if any."""

    id: str
    quantity: str
    place: Place
    fact: Fact | None
    measured: str  # the text of the reading that stands there


def _figure_words(row: _Row) -> str:
    """Name a row: `stroke` for the engine, `lash, intake` for less than that."""
    title = CATALOG[row.quantity].title
    return title if row.place == ENGINE else f"{title}, {row.place.title}"


class StatedTable:
    """The table of some quantities, each at the roles it is stated for ("" for the whole engine)."""

    def __init__(self, session: Session, places: Mapping[str, Sequence[str]], title: str, wide: int = 216) -> None:
        self.session, self._places, self._wide = session, places, wide
        self._asked = ("", "")
        self._reading: set[str] = set()  # lines whose next value is a reading
        self.view = RecordTable(self._columns(), title)
        self._shown: dict[str, str] = {}

    def show_places(self, places: Mapping[str, Sequence[str]]) -> None:
        """Show other quantities from now on."""
        self._places = places

    def refresh(self) -> None:
        """Follow the session."""
        engine = self.session.engine
        stated = {fact.key: fact for fact in engine.facts}
        rows = []
        for quantity, roles in self._places.items():
            usual = [at_role(role) if role else ENGINE for role in roles]
            others = [place for name, place in stated if name == quantity and place not in usual]
            for place in (*usual, *others):  # what was stated elsewhere, or in Begin, is seen and can be taken away
                read = [one for one in readings_at(self.session.book, quantity, place) if not one.fate]
                text = read[-1].reading.text if read else ""
                key = f"{quantity}/{place.kind}/{place.name}"
                rows.append(_Row(key, quantity, place, stated.get((quantity, place)), text))
        fresh = engine.units != self._shown
        self._shown = engine.units
        self.view.show_records(rows, self._columns() if fresh else None)

    def _columns(self) -> list[Column]:
        return [
            Column("figure", _figure_words, width=self._wide, hover=lambda r: quantity_hint(r.quantity)),
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
        self._ask_once(row, value, text)
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
            self._state(replace(base, value=value, text=text.strip(), unit=self._unit(row), when=now()))
        return row

    def _ask_once(self, row: _Row, value: float | None, text: str) -> None:
        """Refuse once what does not go together with the engine; the same typed again is taken."""
        question = "" if value is None else unlike_the_engine(self.session, row.quantity, value)
        asked, self._asked = self._asked, (row.id, text)
        if question and asked != (row.id, text):
            raise EntryError(question[:1].lower() + question[1:])

    def _kind(self, row: _Row) -> str:
        return "measured" if row.id in self._reading else _kind_of(row)

    def _put_kind(self, row: _Row, text: str) -> _Row:
        if text == self._kind(row):
            return row
        if row.measured:
            raise EntryError("there is a reading here; clear the value to strike it out, then state another")
        if text == "measured":
            # a card's figure is no reading: what was read has to be typed
            if not CATALOG[row.quantity].ways:
                raise EntryError("this is stated, not measured")
            self._reading.add(row.id)
            self.session.told.emit("Type what was read under value; until then the stated figure counts.")
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
        """State a figure; ask what it means where it replaces one on whose part readings rest."""
        if meant := meant_by(self.view, self.session, fact):
            self.session.do(State((fact,), meant))
        else:
            self.session.told.emit(
                f"{CATALOG[fact.quantity].title[:1].upper()}{CATALOG[fact.quantity].title[1:]} is as it was."
            )


def _kind_of(row: _Row) -> str:
    if row.measured:
        return "measured"
    return "" if row.fact is None else "assumed" if row.fact.kind == "assumed" else "from its card"
