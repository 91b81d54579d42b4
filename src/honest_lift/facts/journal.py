"""The journal of readings: append-only. Nothing in it is edited or deleted.

A reading is superseded, moved, noted or struck out by an entry of its own, and any entry can be withdrawn by
another. `standing` replays the entries into what each reading has come to.
"""

from __future__ import annotations

from msgspec import Struct, field

from honest_lift.facts.place import Place
from honest_lift.facts.remember import by_identity


class Entry(Struct, frozen=True, forbid_unknown_fields=True, tag_field="entry"):
    """What every entry says of itself: its id, when it was made and by whom."""

    id: str
    when: str
    by: str


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


class StruckOut(Entry, frozen=True, forbid_unknown_fields=True, tag="struck_out"):
    """A reading no longer counts, for the reason given."""

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


AnyEntry = Reading | StruckOut | Moved | Noted | Withdrawn


class Standing(Struct, frozen=True):
    """What a reading has come to. `fate` is "" while it counts, else the reason it does not."""

    reading: Reading
    place: Place
    depends_on: dict[str, str]
    note: str
    fate: str = ""


@by_identity
def standing(journal: tuple[AnyEntry, ...]) -> tuple[Standing, ...]:
    """Replay a journal into its readings as they stand now, in the order they were made."""
    in_force = _in_force(journal)
    readings = {one.id: one for one in in_force if isinstance(one, Reading)}
    struck = {one.reading: one.why or "struck out" for one in in_force if isinstance(one, StruckOut)}
    moves = {one.reading: one for one in in_force if isinstance(one, Moved)}
    notes = {one.reading: one.note for one in in_force if isinstance(one, Noted)}
    places = {key: moves[key].place if key in moves else one.place for key, one in readings.items()}

    superseded: dict[str, str] = {}
    for key, one in readings.items():
        if key in struck:
            continue
        targets = moves[key].supersedes if key in moves else one.supersedes
        superseded |= {target: key for target in targets if places.get(target) == places[key]}
    result = []
    for key, one in readings.items():
        move = moves.get(key)
        fate = struck.get(key) or ("replaced by a later reading" if key in superseded else "")
        depends_on = move.depends_on if move else one.depends_on
        result.append(Standing(one, places[key], depends_on, notes.get(key, one.note), fate))
    return tuple(result)


def _in_force(journal: tuple[AnyEntry, ...]) -> list[AnyEntry]:
    """Drop withdrawn entries; a withdrawal may itself be withdrawn, so read from the end."""
    withdrawn: set[str] = set()
    kept: list[AnyEntry] = []
    for entry in reversed(journal):
        if entry.id in withdrawn:
            continue
        if isinstance(entry, Withdrawn):
            withdrawn.add(entry.target)
        else:
            kept.append(entry)
    return kept[::-1]


def undoing(entry: AnyEntry, new_id: str, when: str, by: str) -> StruckOut | Withdrawn:
    """Give the entry that takes another back: a reading is struck out, anything else withdrawn."""
    if isinstance(entry, Reading):
        return StruckOut(new_id, when, by, entry.id, "taken back")
    return Withdrawn(new_id, when, by, entry.id)


@by_identity
def by_place(journal: tuple[AnyEntry, ...]) -> dict[tuple[str, Place], tuple[Standing, ...]]:
    """Give the readings of each (quantity, place) as they stand, oldest first."""
    found: dict[tuple[str, Place], list[Standing]] = {}
    for one in standing(journal):
        found.setdefault((one.reading.quantity, one.place), []).append(one)
    return {key: tuple(ones) for key, ones in found.items()}
