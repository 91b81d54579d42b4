"""Every way an engine can change. An edit is data: a name, arguments, and the sentence that undo shows.

Nothing else changes an engine: not the window, not an instrument, not an import.
"""

from __future__ import annotations

import os
from datetime import UTC, datetime
from typing import Any, Literal

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.calibrations import Calibration, ReferenceSpring
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import Fitment, Slot
from honest_lift.facts.journal import AnyEntry, Moved, Noted, Reading, StruckOut
from honest_lift.facts.layout import Layout
from honest_lift.facts.ledger import Standing, by_place, standing
from honest_lift.facts.limits import Limit, Tolerance
from honest_lift.facts.mock_up import with_mock_up
from honest_lift.facts.parts import Spring, SpringCard, SpringSet
from honest_lift.facts.place import Place, of_reference, position_title
from honest_lift.facts.reach import refusal
from honest_lift.facts.restated import Meant, other_parts
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.staleness import depends_on, is_of_this_valve
from honest_lift.facts.tools import Tool, is_finer, with_its_card
from honest_lift.facts.trials import Trial
from honest_lift.facts.wheel_table import WheelTable
from honest_lift.facts.which_valve import VALVE, valve_at
from honest_lift.numbers.mendable import MendableError

Table = Literal[
    "cards", "sets", "springs", "tools", "references", "calibrations", "shim_stock", "limits", "lobes", "trials"
]
Record = SpringCard | SpringSet | Spring | Tool | ReferenceSpring | Calibration | ShimSize | Limit | CamLobe | Trial
_TABLE_WORDS = {
    "cards": "spring card",
    "sets": "spring set",
    "springs": "spring",
    "tools": "tool",
    "references": "reference spring",
    "calibrations": "calibration",
    "shim_stock": "shim size",
    "limits": "limit",
    "lobes": "lobe",
    "trials": "trial",
}


class EditError(MendableError):
    """A person's mistake: the sentence says why the change can't be made and what would be right."""


class Edit(Struct, frozen=True):
    """The base of all edits. `apply` gives the changed engine and the entries to append to the journal."""

    @property
    def sentence(self) -> str:
        """Say what the edit does, as undo shows it."""
        raise TypeError(f"{type(self).__name__} has no sentence")

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Apply the edit. Raises EditError when the engine as it stands does not allow it."""
        raise TypeError(f"{type(self).__name__} does nothing")


def new_id() -> str:
    """Make an id that no other entry of any engine has."""
    return os.urandom(8).hex()


def now() -> str:
    """Give the time of an entry: UTC, to the second."""
    return datetime.now(UTC).strftime("%Y-%m-%dT%H:%M:%SZ")


class Confirm(Edit, frozen=True):
    """Take readings into the journal."""

    readings: tuple[Reading, ...]

    @property
    def sentence(self) -> str:
        """Say what was read where."""
        first, more = self.readings[0], len(self.readings) - 1
        words = f"{CATALOG[first.quantity].title} of {first.place.title}: {first.text}"
        return f"{words} and {more} more" if more else words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the readings. Raises EditError where a tool cannot have given one of them."""
        if why := next(filter(None, (refusal(book.engine, one) for one in self.readings)), ""):
            raise EditError(why)
        return book.engine, self.readings


class StrikeOut(Edit, frozen=True):
    """Strike a reading out, for a reason."""

    reading: str
    why: str = "struck out"

    @property
    def sentence(self) -> str:
        """Say that a reading is struck out."""
        return "reading struck out"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the strike-out."""
        _reading(book, self.reading)
        return book.engine, (StruckOut(new_id(), now(), book.engine.hand, self.reading, self.why),)


class MoveReading(Edit, frozen=True):
    """Move a reading typed at the wrong place to the right one; it replaces what stands there."""

    reading: str
    to: Place

    @property
    def sentence(self) -> str:
        """Say where the reading goes."""
        return f"reading moved to {self.to.title}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the move, with the parts fitted at the new place."""
        reading = _reading(book, self.reading)
        if self.to.kind not in CATALOG[reading.quantity].places:
            raise EditError(f"{CATALOG[reading.quantity].title} is not measured at {self.to.title}.")
        depends = depends_on(book.engine, reading.quantity, reading.way, self.to)
        replaced = tuple(
            one.reading.id
            for one in standing(book.journal)
            if not one.fate and one.place == self.to and one.reading.quantity == reading.quantity
            and one.reading.at == reading.at and one.reading.id != reading.id
        )  # fmt: skip
        return book.engine, (Moved(new_id(), now(), book.engine.hand, self.reading, self.to, depends, replaced),)


class NoteReading(Edit, frozen=True):
    """Put a note on a reading."""

    reading: str
    note: str

    @property
    def sentence(self) -> str:
        """Say what is noted."""
        return f"note: {self.note}" if self.note else "note taken off"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the note."""
        _reading(book, self.reading)
        return book.engine, (Noted(new_id(), now(), book.engine.hand, self.reading, self.note),)


class State(Edit, frozen=True):
    """State facts: specified by a card, or assumed. Each replaces the one of its quantity and place.

    `meant`: what a figure that replaces another one means. Of another part, that part is fitted anew by the same edit, and what
    was read of the old one goes stale; where the figure was only corrected, or the fitting is an edit of its own, nothing does.
    """

    facts: tuple[Fact, ...]
    meant: Meant = "another part"

    @property
    def sentence(self) -> str:
        """Say what is stated."""
        fact = self.facts[0]
        return f"{CATALOG[fact.quantity].title} of {fact.place.title}: {fact.text or f'{fact.value:g}'}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Put the facts in place of those with the same quantity and place, and fit the other parts they speak of."""
        engine, keys = book.engine, {fact.key for fact in self.facts}
        kept = tuple(fact for fact in engine.facts if fact.key not in keys)
        others = other_parts(engine, self.facts) if self.meant == "another part" else {}
        fitted = tuple(
            fitment(engine, slot, holder, note=f"{CATALOG[fact.quantity].title} stated anew")
            for (slot, holder), fact in others.items()
        )
        # what is stated of a part is stated no earlier than the part is fitted
        stated = tuple(replace(fact, when=max(fact.when, now())) for fact in self.facts) if fitted else self.facts
        return replace(engine, facts=kept + stated, fitments=engine.fitments + fitted), ()


class Unstate(Edit, frozen=True):
    """Take a stated fact away."""

    quantity: str
    place: Place

    @property
    def sentence(self) -> str:
        """Say what is no longer stated."""
        return f"{CATALOG[self.quantity].title} of {self.place.title} no longer stated"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Drop the fact."""
        kept = tuple(fact for fact in book.engine.facts if fact.key != (self.quantity, self.place))
        return replace(book.engine, facts=kept), ()


class Describe(Edit, frozen=True):
    """Change plain details of the engine: its name, gear, lifter kind, units, who is measuring."""

    details: dict[str, Any]
    words: str

    @property
    def sentence(self) -> str:
        """Say which detail changes."""
        return self.words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Replace the details."""
        return replace(book.engine, **self.details), ()


class LayOut(Edit, frozen=True):
    """Lay out the heads. Readings and facts at places that no longer exist are kept, and come back with them."""

    layout: Layout

    @property
    def sentence(self) -> str:
        """Say how many valves are laid out."""
        return f"layout of {len(self.layout.positions)} valves"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Replace the layout."""
        return replace(book.engine, layout=self.layout), ()


class Put(Edit, frozen=True):
    """Put a record into one of the engine's tables, in place of the one with its id.

    `meant`: what a tool's finer card means for what was read before: "corrected", it always was so; else it counts from now on.
    """

    table: Table
    record: Record
    meant: Literal["from now on", "corrected"] = "from now on"

    @property
    def sentence(self) -> str:
        """Say which record changes."""
        names = (getattr(self.record, field, "") for field in ("name", "check", "when", "id"))
        name = next(name for name in names if name)
        return f"{_TABLE_WORDS[self.table]} {name}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Replace or append the record."""
        rows: tuple[Record, ...] = getattr(book.engine, self.table)
        before = next((row for row in rows if row.id == self.record.id), None)
        record = _with_its_past(book, before, self.record, self.meant)
        changed = tuple(record if row is before else row for row in rows)
        return replace(book.engine, **{self.table: (*rows, record) if before is None else changed}), ()


def _with_its_past(book: Book, before: Record | None, record: Record, meant: str) -> Record:
    """Give a tool with the days it was calibrated on before, and the cards by which it was read; any other record as it is."""
    if not isinstance(record, Tool) or not isinstance(before, Tool):
        return record
    record = replace(record, was=before.was)
    if meant != "corrected" and is_finer(record, before) and read_with(book, before.id):
        record = with_its_card(record, before, now())
    if before.calibrated in ("", record.calibrated):
        return record
    return replace(record, proven=tuple(sorted({*before.proven, *record.proven, before.calibrated})))


def read_with(book: Book, tool: str) -> int:
    """Count the readings and wheel tables that were taken with a tool."""
    names = ("tool", "at_tool", "wheel")
    return sum(tool in {getattr(one, name, "") for name in names} for one in book.journal)


class Drop(Edit, frozen=True):
    """Take a record out of a table, unless something still rests on it."""

    table: Table
    id: str

    @property
    def sentence(self) -> str:
        """Say which record goes."""
        return f"{_TABLE_WORDS[self.table]} {self.id} taken out"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Drop the record. Raises EditError naming what still uses it."""
        if user := _user_of(book, self.table, self.id):
            raise EditError(f"This {_TABLE_WORDS[self.table]} can't be taken out: {user}.")
        rows: tuple[Record, ...] = getattr(book.engine, self.table)
        return replace(book.engine, **{self.table: tuple(row for row in rows if row.id != self.id)}), ()


class Fit(Edit, frozen=True):
    """Fit parts: each makes a new fitment, and readings that depended on the old one go stale."""

    fitments: tuple[Fitment, ...]
    words: str

    @property
    def sentence(self) -> str:
        """Say what is fitted."""
        return self.words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the fitments. Raises EditError when one spring would sit in two places."""
        engine = replace(book.engine, fitments=book.engine.fitments + self.fitments)
        for fitment in self.fitments:
            holders = [p.id for p in engine.layout.positions if fitment.part and engine.spring_at(p.id) == fitment.part]
            if len(holders) > 1:
                places = " and ".join(position_title(one) for one in holders)
                raise EditError(f"Spring {fitment.part} would sit at {places}: take it out of one of them first.")
        return engine, ()


class SetTolerance(Edit, frozen=True):
    """Change the default tolerance of a specified quantity."""

    tolerance: Tolerance

    @property
    def sentence(self) -> str:
        """Say whose tolerance changes."""
        return f"tolerance of {CATALOG[self.tolerance.quantity].title}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Replace the tolerance."""
        rows = book.engine.tolerances
        kept = tuple(row for row in rows if row.quantity != self.tolerance.quantity)
        return replace(book.engine, tolerances=(*kept, self.tolerance)), ()


class Several(Edit, frozen=True):
    """Several edits as one."""

    edits: tuple[Edit, ...]
    words: str

    @property
    def sentence(self) -> str:
        """Say what they do together."""
        return self.words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Apply them in order."""
        entries: tuple[AnyEntry, ...] = ()
        for edit in self.edits:
            engine, more = edit.apply(book)
            entries += more
            book = replace(book, engine=engine, journal=book.journal + more)
        return book.engine, entries


def fitment(engine: Engine, slot: Slot, position: str, **what: Any) -> Fitment:
    """Make a fitment of now by the hand that is measuring. What is done to a valve with a number is done to that valve."""
    if slot == VALVE:
        what.setdefault("part", valve_at(engine.fitments, position))
    return Fitment(new_id(), slot, position, when=now(), by=engine.hand, **what)


def fit_springs(engine: Engine, places: dict[str, str], words: str) -> Fit:
    """Make the edit that puts springs at positions ({position: spring id, "" for none}).

    A spring that sits elsewhere leaves there, so that exchanging two is one edit.
    """
    left = {engine.position_of(spring): "" for spring in places.values() if spring and engine.position_of(spring)}
    return Fit(tuple(fitment(engine, "spring", at, part=part) for at, part in {**left, **places}.items()), words)


def reading_of(
    book: Book, quantity: str, place: Place, value: float, *, text: str, unit: str, way: str, tool: str = "",
    at: dict[str, float] | None = None, note: str = "", repeat: bool = False, also: dict[str, str] | None = None,
    at_tool: str = "", low: float | None = None, high: float | None = None,
) -> Reading:  # fmt: skip
    """Make a reading of now, by the hand that is measuring.

    It replaces what stands at its place by the same way, unless it is a repeat that is to be averaged with it. What was read
    another way stays beside it: the two are held against each other.
    """
    at = at or {}
    here = () if repeat else readings_at(book, quantity, place, at)
    before = tuple(
        one.reading.id for one in here if not one.fate and one.reading.way == way and is_of_this_valve(book.engine, one)
    )
    note = with_mock_up(book.engine.mock_up, note)
    usual = book.engine.tool_for(quantity, way)
    tool = tool or (usual.id if usual else "")  # another default later is not what this was read with
    return Reading(
        new_id(), now(), book.engine.hand, quantity, place, text, unit, value, way, tool, note, also or {}, at,
        at_tool, depends_on(book.engine, quantity, way, place), before, low, high,
    )  # fmt: skip


def readings_at(book: Book, quantity: str, place: Place, at: dict[str, float] | None = None) -> list[Standing]:
    """Give every reading ever taken of a quantity at a place, as it stands, oldest first."""
    return [one for one in by_place(book.journal).get((quantity, place), ()) if at is None or one.reading.at == at]


def _reading(book: Book, reading: str) -> Reading:
    found = next((one for one in book.journal if isinstance(one, Reading) and one.id == reading), None)
    if found is None:
        raise EditError("That reading is not in this engine's journal.")
    return found


def _user_of(book: Book, table: Table, name: str) -> str:
    """Say what still rests on a record; "" when nothing does."""
    engine = book.engine
    if table == "springs" and (position := engine.position_of(name)):
        return f"it is fitted at {position_title(position)}"
    if table == "springs" and any(one.place.kind == "spring" and one.place.name == name and not one.fate
                                  for one in standing(book.journal)):  # fmt: skip
        return "readings stand against it; strike them out first"
    if table == "sets" and any(one.set == name for one in engine.springs):
        return "springs belong to it"
    if table == "cards" and any(one.card == name for one in engine.sets):
        return "a spring set refers to it"
    if table == "references" and any(
        isinstance(one, Reading) and one.place == of_reference(name) for one in book.journal
    ):
        return "readings were taken of it"
    if table == "tools" and any(
        name in ((one.tool, one.wheel) if isinstance(one, WheelTable) else (one.tool,))
        for one in book.journal
        if isinstance(one, Reading | WheelTable)
    ):
        return "readings were taken with it"
    return ""
