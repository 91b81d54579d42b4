"""What the journal says of facts: from which the book began, and every change of them since.

A reading is an entry by itself. A fact, a limit, a tool, a card, a layout is replaced where it stands: what it was replaced by is
written down here, so that the whole of an engine follows from its journal.
"""

from __future__ import annotations

from msgspec import Struct, field

from honest_lift.facts.journal_entry import Entry


class Change(Struct, frozen=True, forbid_unknown_fields=True):
    """A record of the engine, by its table and key, became `after`: its JSON, keys sorted; "" where it was taken out."""

    table: str
    key: str
    after: str = ""


class Begun(Entry, frozen=True, forbid_unknown_fields=True, tag="begun"):
    """The book begins here, or begins again: what stood before it is the past of the book.

    `records`: digests of everything the engine held then, by "table/key". `entries`: how many entries stand before this one.
    """

    why: str
    entries: int
    records: dict[str, str] = field(default_factory=dict)


class Edited(Entry, frozen=True, forbid_unknown_fields=True, tag="edited"):
    """Facts were changed: by which edit, and to what."""

    sentence: str
    changes: tuple[Change, ...] = ()
