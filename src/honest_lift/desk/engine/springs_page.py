"""Springs: cards with their members, sets, and the springs in hand with the valve each is fitted at."""

from __future__ import annotations

from typing import get_args

from msgspec.structs import replace
from PyQt6.QtWidgets import QHBoxLayout, QSpinBox, QVBoxLayout

from honest_lift.desk.engine.fitting import fit_set_or_ask, tell_of_paint
from honest_lift.desk.engine.page import Page, button, hint_label, in_row
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable, number_column, text_column
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Drop, Put, Several, fit_springs, new_id
from honest_lift.facts.parts import Member, PaintSide, Spring, SpringCard, SpringSet
from honest_lift.facts.place import position_title
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

_NOT_SAID = "not said"
_PAINT_SIDES: tuple[str, ...] = tuple(one for one in get_args(PaintSide) if one)


def _in_order(column: Column) -> Column:
    """Make a column of a manual's window refuse ends that are exchanged."""
    plain = column.put

    def put(card: SpringCard, text: str) -> SpringCard:
        changed: SpringCard = plain(card, text) if plain else card
        least, most = changed.manual_least_n, changed.manual_most_n
        if least is not None and most is not None and least > most:
            raise EntryError(f"“{text}” puts the manual's min load above its max; type the other end first")
        return changed

    return replace(column, put=put)


def _put_paint_goes(card: SpringCard, text: str) -> SpringCard:
    return replace(card, paint_goes="" if text == _NOT_SAID else text)


class SpringsPage(Page):
    """Four tables, from the type down to the spring in hand."""

    def __init__(self, session: Session) -> None:
        super().__init__(
            session,
            "The card says what a spring should give, never what it does: every spring is measured on the bench.",
        )
        self.cards = self.follow(RecordTable((), self.tr("Spring cards")), lambda card: session.do(Put("cards", card)))
        self.members = self.follow(RecordTable((), self.tr("Members of the card")), self._put_member)
        self.sets = self.follow(RecordTable((), self.tr("Spring sets")), lambda one: session.do(Put("sets", one)))
        self.springs = self.follow(RecordTable((), self.tr("Springs in hand")), self._put_spring)
        self.count = QSpinBox()
        self.count.setRange(1, 64)
        self.count.setValue(16)
        self.count.setButtonSymbols(QSpinBox.ButtonSymbols.NoButtons)
        self.count.setAccessibleName(self.tr("how many springs"))
        self._lay_out()
        self.cards.selectionModel().currentRowChanged.connect(lambda *_: self._show_members())
        self._units = ("", "")
        self.refresh()

    def _lay_out(self) -> None:
        """Types on the left, springs in hand on the right."""
        members = self.tr(
            "Members of the chosen card; the step shortens one against the outer, and bars a pass without its ±:"
        )
        types, hand = QVBoxLayout(), QVBoxLayout()
        types.addWidget(self.cards, 3)
        types.addLayout(
            in_row(
                button(self.tr("New card"), self._new_card),
                button(self.tr("Delete card"), lambda: self._drop("cards", self.cards)),
            )
        )
        types.addWidget(hint_label(members))
        types.addWidget(self.members, 4)
        types.addLayout(
            in_row(
                button(self.tr("Add a member"), self._new_member),
                button(self.tr("Delete member"), self._drop_member),
            )
        )
        types.addWidget(self.sets, 3)
        types.addLayout(
            in_row(
                button(self.tr("New set of this card"), self._new_set),
                button(self.tr("Delete set"), lambda: self._drop("sets", self.sets)),
                button(self.tr("Fit in head order"), self._fit_set),
            )
        )
        hand.addWidget(self.springs, 1)
        hand.addLayout(
            in_row(
                button(self.tr("Add"), self._add_springs),
                self.count,
                Label(self.tr("to the set")),
                button(self.tr("Delete spring"), lambda: self._drop("springs", self.springs)),
            )
        )
        both = QHBoxLayout()
        both.setSpacing(18)
        both.addLayout(types, 18)
        both.addLayout(hand, 9)
        self.column.addLayout(both, 1)

    def refresh(self) -> None:
        engine = self.session.engine
        units = (engine.unit("length"), engine.unit("load"))
        fresh = units != self._units
        self._units = units
        self.cards.show_records(engine.cards, self._card_columns() if fresh else None)
        if self.cards.current is None and engine.cards:
            self.cards.setCurrentIndex(self.cards.records.index(0, 0))
        if fresh:
            self.members.show_records((), self._member_columns())
            self.sets.show_records((), self._set_columns())
            self.springs.show_records((), self._spring_columns())
        self._show_members()
        self.sets.show_records(engine.sets)
        self.springs.records.show(engine.springs)

    def _show_members(self) -> None:
        card = self.cards.current
        self.members.show_records(card.members if card else ())

    # --- columns ---

    def _card_columns(self) -> list[Column]:
        length, load = self.session.unit("length"), self.session.unit("load")
        heights, loads = CATALOG["installed_height"].physical, CATALOG["spring_load"].physical
        return [
            text_column("card", "name", 150),
            number_column("installed", "seat_height_mm", "length", length, heights, 98),
            number_column("load", "seat_load_n", "load", load, loads, 56),
            number_column("open", "open_height_mm", "length", length, heights, 80),
            number_column("load", "open_load_n", "load", load, loads, 56),
            number_column("binds", "bind_height_mm", "length", length, heights, 82),
            number_column("free", "free_length_mm", "length", length, CATALOG["free_length"].physical, 72),
            number_column("manual: at", "manual_height_mm", "length", length, heights, 108),
            _in_order(number_column("min", "manual_least_n", "load", load, loads, 68)),
            _in_order(number_column("max", "manual_most_n", "load", load, loads, 68)),
            number_column("max lift", "most_lift_mm", "length", length, CATALOG["valve_lift"].physical, 86),
            Column(
                "type",
                lambda c: c.form or "not said",
                lambda c, t: replace(c, form="" if t == "not said" else t),
                lambda: ("not said", "linear", "progressive", "tapered"),
                width=92,
            ),
            number_column("mass", "mass_kg", "mass", self.session.unit("mass"), CATALOG["spring_mass"].physical, 60),
            text_column("paint", "paint", 90),
            Column(
                "paint goes",
                lambda c: c.paint_goes or _NOT_SAID,
                _put_paint_goes,
                lambda: (_NOT_SAID, *_PAINT_SIDES),
                width=230,
            ),
        ]

    def _member_columns(self) -> list[Column]:
        length = self.session.unit("length")
        return [
            Column("member", lambda m: m.name, lambda m, t: replace(m, name=t), lambda: ("outer", "inner", "damper")),
            number_column("step", "step_mm", "length", length, (0.0, 30.0)),
            number_column("step ±", "step_tolerance_mm", "length", length, (0.0, 5.0)),
            number_column("wire", "wire_mm", "length", length, (0.5, 12.0)),
            number_column("mean diameter", "mean_diameter_mm", "length", length, (5.0, 80.0), 106),
            number_column("total coils", "coils", "ratio", "", (1.0, 30.0), 76, 1),
            number_column("active", "active_coils", "ratio", "", (0.5, 30.0), 62, 2),
            number_column("free", "free_length_mm", "length", length, CATALOG["free_length"].physical, 64),
        ]

    def _set_columns(self) -> list[Column]:
        unit = self.session.unit("length")
        return [
            text_column("set", "name", 140),
            Column(
                "card",
                lambda s: self._card_name(s.card),
                self._put_card,
                lambda: [c.name for c in self.session.engine.cards],
                width=140,
            ),
            Column(
                "condition",
                lambda s: s.condition,
                lambda s, t: replace(s, condition=t),
                lambda: ("new", "used"),
                width=90,
            ),
            Column(
                "for",
                lambda s: s.role or "both",
                lambda s, t: replace(s, role="" if t == "both" else t),
                lambda: ("both", "intake", "exhaust"),
                width=70,
            ),
            Column(f"heights on the tester, {unit}", self._heights, self._put_heights),
        ]

    def _spring_columns(self) -> list[Column]:
        return [
            Column("spring", lambda s: s.id, width=52),
            Column("set", lambda s: next((o.name for o in self.session.engine.sets if o.id == s.set), ""), width=150),
            Column("fitted at", lambda s: self.session.engine.position_of(s.id), self._put_position, width=64),
            text_column("note", "note"),
        ]

    # --- cards and members ---

    def _card_name(self, card: str) -> str:
        return next((one.name for one in self.session.engine.cards if one.id == card), "")

    def _put_card(self, owner: SpringSet, text: str) -> SpringSet:
        return replace(owner, card=next((one.id for one in self.session.engine.cards if one.name == text), owner.card))

    def _new_card(self) -> None:
        number = len(self.session.engine.cards) + 1
        self.session.do(Put("cards", SpringCard(new_id(), f"spring card {number}")))
        self.cards.ready(number - 1)

    def _new_member(self) -> None:
        card = self.cards.current
        names = [one.name for one in card.members] if card else []
        free = [name for name in ("outer", "inner", "damper") if name not in names]
        if card is None or not free:
            self.session.warned.emit(self.tr("A spring has one to three members: outer, inner, damper."))
            return
        self.session.do(Put("cards", replace(card, members=(*card.members, Member(free[0])))))
        self.members.ready(len(card.members), 1)

    def _put_member(self, member: Member) -> None:
        card, row = self.cards.current, self.members.currentIndex().row()
        if card is None or not 0 <= row < len(card.members):
            return
        members = list(card.members)
        members[row] = member
        if len({one.name for one in members}) < len(members):
            self.session.warned.emit(self.tr("Two members are called {0}: a nest has one of each.").format(member.name))
            self.members.records.show(card.members)
            return
        self.session.do(Put("cards", replace(card, members=tuple(members))))

    def _drop_member(self) -> None:
        card, row = self.cards.current, self.members.currentIndex().row()
        if card is None or len(card.members) < 2 or row < 0:
            self.session.warned.emit(self.tr("A spring keeps at least one member; choose the one to take out."))
            return
        self.session.do(Put("cards", replace(card, members=tuple(m for i, m in enumerate(card.members) if i != row))))

    # --- sets and springs ---

    def _heights(self, owner: SpringSet) -> str:
        return " ".join(in_figures(one, "length", self.session.unit("length")) for one in owner.test_heights_mm)

    def _put_heights(self, owner: SpringSet, text: str) -> SpringSet:
        field = Field.within("length", self.session.unit("length"), CATALOG["test_height"].physical)
        heights = [parse(one, field) for one in text.replace(";", " ").split()]
        if len(set(heights)) != len(heights):
            raise EntryError("the same height is there twice")
        return replace(owner, test_heights_mm=tuple(sorted((one for one in heights if one is not None), reverse=True)))

    def _new_set(self) -> None:
        card = self.cards.current
        if card is None:
            self.session.warned.emit(self.tr("A set is of a card: make the card first."))
            return
        heights = tuple(one for one in (card.seat_height_mm, card.open_height_mm) if one is not None)
        number = len(self.session.engine.sets) + 1
        self.session.do(Put("sets", SpringSet(new_id(), f"set {number}", card.id, "new", heights)))
        self.sets.ready(number - 1)

    def _add_springs(self) -> None:
        owner = self.sets.current
        if owner is None:
            self.session.warned.emit(self.tr("Choose the set the springs belong to."))
            return
        free = self.session.engine.free_spring_numbers()
        springs = tuple(Spring(next(free), owner.id) for _ in range(self.count.value()))
        self.session.do(
            Several(tuple(Put("springs", one) for one in springs), f"{len(springs)} springs in {owner.name}")
        )

    def _fit_set(self) -> None:
        owner = self.sets.current
        if owner is None:
            self.session.warned.emit(self.tr("Choose the set to fit."))
            return
        fit_set_or_ask(self, self.session, owner)

    def _put_spring(self, spring: Spring) -> None:
        self.session.do(Put("springs", spring))

    def _put_position(self, spring: Spring, text: str) -> Spring:
        name, engine = text.strip().lower(), self.session.engine
        if name and engine.position(name) is None:
            raise EntryError(f"there is no valve “{text}” on this engine; its valves are called like {self._example()}")
        holder = engine.spring_at(name) if name else ""
        if holder and holder != spring.id:
            raise EntryError(f"spring {holder} sits at {position_title(name)}: exchange the two, or take it out first")
        if name:
            self.session.do(fit_springs(engine, {name: spring.id}, f"spring {spring.id} at {position_title(name)}"))
            tell_of_paint(self.session, (name,))
        elif at := engine.position_of(spring.id):
            self.session.do(fit_springs(engine, {at: ""}, f"spring {spring.id} taken out of {position_title(at)}"))
        return spring

    def _example(self) -> str:
        positions = self.session.engine.layout.positions
        return positions[0].id if positions else "3e, once the heads are laid out"

    def land(self, about: str) -> bool:
        """Stand where springs are fitted, heights or what the card says is stated; tell whether there is such a line."""
        table, title = {
            "springs": (self.springs, "fitted at"), "heights": (self.sets, "heights on"), "card": (self.cards, "installed"),
        }.get(about, (None, ""))  # fmt: skip
        if table is None or not table.records.records:
            return False
        row = max(table.currentIndex().row(), 0)
        if about == "springs":
            row = next(
                (i for i, one in enumerate(table.records.records) if not self.session.engine.position_of(one.id)), 0
            )
        table.ready(row, next(i for i, one in enumerate(table.records.columns) if one.title.startswith(title)))
        return True

    def _drop(self, table: str, view: RecordTable) -> None:
        if view.current is None:
            self.session.warned.emit(self.tr("Choose the line to take out."))
            return
        self.session.do(Drop(table, view.current.id))
