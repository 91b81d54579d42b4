"""The base of everything the journal holds."""

from __future__ import annotations

from msgspec import Struct


class Entry(Struct, frozen=True, forbid_unknown_fields=True, tag_field="entry"):
    """What every entry says of itself: its id, when it was made and by whom."""

    id: str
    when: str
    by: str
