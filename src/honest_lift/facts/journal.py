"""The journal of readings: append-only. Nothing in it is edited or deleted.

A reading is superseded, moved, noted or struck out by an entry of its own, and any entry can be withdrawn by
another. What each reading has come to is replayed from the entries (`ledger.py`).
"""

from __future__ import annotations

from msgspec import field

from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.book.logged import Logged, Signed, Ticked
from honest_lift.facts.journal_entry import Entry
from honest_lift.facts.place import Place
from honest_lift.facts.wheel_table import RowsJudged, WheelTable


class Reading(Entry, frozen=True, forbid_unknown_fields=True, tag="reading"):
    """One measured scalar: what was typed, and what it came to in the inside unit.

    `also`: what else was typed for it, as typed (a burette's start). `at`: the coordinates it was taken at (a load
    at a test height), `at_tool`: the tool that set them, where it was not the one read. `depends_on`: slot, or
    slot@valve, to the fitment id it was taken with. `supersedes`: the readings it replaces, as long as it stands
    itself at their place.
    """

    quantity: str
    place: Place
    text: str
    unit: str
    value: float
    way: str
    tool: str = ""
    note: str = ""
    also: dict[str, str] = field(default_factory=dict)
    at: dict[str, float] = field(default_factory=dict)
    at_tool: str = ""
    depends_on: dict[str, str] = field(default_factory=dict)
    supersedes: tuple[str, ...] = ()
    low: float | None = None  # of a reading that only says what goes and what does not: more than this
    high: float | None = None  # less than this

    @property
    def is_bound(self) -> bool:
        """Tell whether it only says on which side of something the size lies."""
        return self.low is not None or self.high is not None


class StruckOut(Entry, frozen=True, forbid_unknown_fields=True, tag="struck_out"):
    """A reading, or a wheel table, no longer counts, for the reason given."""

    reading: str
    why: str = ""


class Moved(Entry, frozen=True, forbid_unknown_fields=True, tag="moved"):
    """A reading was typed at the wrong place; it belongs here, with the parts fitted here."""

    reading: str
    place: Place
    depends_on: dict[str, str] = field(default_factory=dict)
    supersedes: tuple[str, ...] = ()


class Noted(Entry, frozen=True, forbid_unknown_fields=True, tag="noted"):
    """A note on a reading; the last one stands."""

    reading: str
    note: str


class Withdrawn(Entry, frozen=True, forbid_unknown_fields=True, tag="withdrawn"):
    """Another entry is taken back: a strike-out, a move, a note, or a withdrawal."""

    target: str


AnyEntry = (
    Reading
    | StruckOut
    | Moved
    | Noted
    | Withdrawn
    | WheelTable
    | RowsJudged
    | Begun
    | Edited
    | Signed
    | Ticked
    | Logged
)


def undoing(entry: AnyEntry, new_id: str, when: str, by: str) -> StruckOut | Withdrawn:
    """Give the entry that takes another back: a reading or a table is struck out, anything else withdrawn."""
    if isinstance(entry, Reading | WheelTable):
        return StruckOut(new_id, when, by, entry.id, "taken back")
    return Withdrawn(new_id, when, by, entry.id)
