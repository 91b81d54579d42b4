"""The journal of readings: append-only. Nothing in it is edited or deleted.

A reading is superseded, moved, noted or struck out by an entry of its own, and any entry can be withdrawn by
another. `standing` replays the entries into what each reading has come to.
"""

from __future__ import annotations

from operator import is_

from msgspec import Struct, field
from msgspec.structs import replace

from honest_lift.facts.journal_entry import Entry
from honest_lift.facts.place import Place
from honest_lift.facts.remember import by_identity_of_many, last_few
from honest_lift.facts.wheel_table import RowsJudged, StandingTable, WheelTable


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


_REPLACED = "replaced by a later reading"
AnyEntry = Reading | StruckOut | Moved | Noted | Withdrawn | WheelTable | RowsJudged


class Standing(Struct, frozen=True):
    """What a reading has come to. `fate` is "" while it counts, else the reason it does not."""

    reading: Reading
    place: Place
    depends_on: dict[str, str]
    note: str
    fate: str = ""


class Ledger(Struct, frozen=True):
    """A journal replayed: its readings as they stand, and the same by quantity and place, oldest first."""

    journal: tuple[AnyEntry, ...]
    standings: tuple[Standing, ...]
    index: dict[str, int]
    by_place: dict[tuple[str, Place], tuple[Standing, ...]]


def standing(journal: tuple[AnyEntry, ...]) -> tuple[Standing, ...]:
    """Give the readings of a journal as they stand now, in the order they were made."""
    return _ledger(journal).standings


def by_place(journal: tuple[AnyEntry, ...]) -> dict[tuple[str, Place], tuple[Standing, ...]]:
    """Give the readings of each (quantity, place) as they stand, oldest first."""
    return _ledger(journal).by_place


@by_identity_of_many
def counted(journal: tuple[AnyEntry, ...]) -> frozenset[tuple[str, Place]]:
    """Give every (quantity, place) of which a reading counts."""
    return frozenset(key for key, read in by_place(journal).items() if any(not one.fate for one in read))


@by_identity_of_many
def _ledger(journal: tuple[AnyEntry, ...]) -> Ledger:
    """Replay a journal. Where it only adds readings to one replayed just before, only those are added."""
    for known in _recent:
        new = journal[len(known.journal) :]
        if len(journal) >= len(known.journal) and all(map(is_, journal, known.journal)) and _are_new(new, known):
            ledger = _extended(known, journal, new)
            break
    else:
        ledger = replayed(journal)
    _recent.insert(0, ledger)
    del _recent[4:]
    return ledger


_recent: list[Ledger] = last_few()


def _are_new(entries: tuple[AnyEntry, ...], known: Ledger) -> bool:
    return all(isinstance(one, Reading) and one.id not in known.index for one in entries) and bool(known.journal)


def _extended(known: Ledger, journal: tuple[AnyEntry, ...], new: tuple[AnyEntry, ...]) -> Ledger:
    standings, index, places = list(known.standings), dict(known.index), dict(known.by_place)

    def put(at: int, one: Standing) -> None:
        key = (one.reading.quantity, one.place)
        if at < len(standings):
            before = standings[at]
            standings[at] = one
            places[key] = tuple(one if other is before else other for other in places[key])
        else:
            standings.append(one)
            places[key] = (*places.get(key, ()), one)

    for reading in new:
        assert isinstance(reading, Reading)
        index[reading.id] = len(standings)
        put(len(standings), Standing(reading, reading.place, reading.depends_on, reading.note))
        for target in reading.supersedes:
            old = standings[index[target]] if target in index else None
            if old is not None and old.place == reading.place and not old.fate:
                put(index[target], replace(old, fate=_REPLACED))
    return Ledger(journal, tuple(standings), index, places)


def replayed(journal: tuple[AnyEntry, ...]) -> Ledger:
    """Replay a whole journal from its first entry."""
    in_force = _in_force(journal)
    readings = {one.id: one for one in in_force if isinstance(one, Reading)}
    struck = {one.reading: one.why or "struck out" for one in in_force if isinstance(one, StruckOut)}
    moves = {one.reading: one for one in in_force if isinstance(one, Moved)}
    notes = {one.reading: one.note for one in in_force if isinstance(one, Noted)}
    places = {key: moves[key].place if key in moves else one.place for key, one in readings.items()}

    superseded: set[str] = set()
    for key, one in readings.items():
        if key in struck:
            continue
        targets = moves[key].supersedes if key in moves else one.supersedes
        superseded |= {target for target in targets if places.get(target) == places[key]}
    result = []
    for key, one in readings.items():
        move = moves.get(key)
        fate = struck.get(key) or (_REPLACED if key in superseded else "")
        depends_on = move.depends_on if move else one.depends_on
        result.append(Standing(one, places[key], depends_on, notes.get(key, one.note), fate))
    found: dict[tuple[str, Place], list[Standing]] = {}
    for made in result:
        found.setdefault((made.reading.quantity, made.place), []).append(made)
    index = {key: i for i, key in enumerate(readings)}
    return Ledger(journal, tuple(result), index, {key: tuple(ones) for key, ones in found.items()})


@by_identity_of_many
def tables(journal: tuple[AnyEntry, ...]) -> tuple[StandingTable, ...]:
    """Give the wheel tables that count now, in the order they were taken in, with what was judged of their rows."""
    in_force = _in_force(journal)
    struck = {one.reading for one in in_force if isinstance(one, StruckOut)}
    judged = {one.table: one for one in in_force if isinstance(one, RowsJudged)}
    taken = [one for one in in_force if isinstance(one, WheelTable) and one.id not in struck]
    replaced = {(target, one.place) for one in taken for target in one.supersedes}
    return tuple(
        StandingTable(one, frozenset(told.left_out), frozenset(told.kept)) if told else StandingTable(one)
        for one in taken
        for told in (judged.get(one.id),)
        if (one.id, one.place) not in replaced
    )


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
    """Give the entry that takes another back: a reading or a table is struck out, anything else withdrawn."""
    if isinstance(entry, Reading | WheelTable):
        return StruckOut(new_id, when, by, entry.id, "taken back")
    return Withdrawn(new_id, when, by, entry.id)
