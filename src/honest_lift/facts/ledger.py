"""A journal replayed: what each reading, and each wheel table, has come to by all that was entered after it."""

from __future__ import annotations

from collections.abc import Iterable

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.journal import AnyEntry, Moved, Noted, Reading, StruckOut, Withdrawn
from honest_lift.facts.journal_index import TABLES, index_of
from honest_lift.facts.memory.remember import by_identity_of_many, by_value, last_few
from honest_lift.facts.place import Place
from honest_lift.facts.wheel_table import RowsJudged, StandingTable, WheelTable

_REPLACED = "replaced by a later reading"
_Key = tuple[str, Place]


class Standing(Struct, frozen=True):
    """What a reading has come to. `fate` is "" while it counts, else the reason it does not."""

    reading: Reading
    place: Place
    depends_on: dict[str, str]
    note: str
    fate: str = ""


class Ledger(Struct, frozen=True):
    """A journal replayed: its readings as they stand, and the same by quantity and place, oldest first.

    `index`: where each reading stands among them, by its id. `about`: what was entered about a reading since, in order, by its
    id; `owner`: the reading that an entry is about, by the entry's; `replacers`: the readings that may replace one.
    """

    journal: tuple[AnyEntry, ...]
    standings: tuple[Standing, ...]
    index: dict[str, int]
    by_place: dict[_Key, tuple[Standing, ...]]
    about: dict[str, tuple[AnyEntry, ...]]
    owner: dict[str, str]
    replacers: dict[str, tuple[str, ...]]


def standing(journal: tuple[AnyEntry, ...]) -> tuple[Standing, ...]:
    """Give the readings of a journal as they stand now, in the order they were made."""
    return ledger_of(journal).standings


def by_place(journal: tuple[AnyEntry, ...]) -> dict[tuple[str, Place], tuple[Standing, ...]]:
    """Give the readings of each (quantity, place) as they stand, oldest first."""
    return ledger_of(journal).by_place


@by_identity_of_many
def counted(journal: tuple[AnyEntry, ...]) -> frozenset[tuple[str, Place]]:
    """Give every (quantity, place) of which a reading counts."""
    return frozenset(key for key, read in by_place(journal).items() if any(not one.fate for one in read))


@by_identity_of_many
def ledger_of(journal: tuple[AnyEntry, ...]) -> Ledger:
    """Replay a journal. Where it goes on from one replayed just before, only what is new is."""
    ledger = None
    for known in sorted(_recent, key=lambda one: -len(one.journal)):  # the one that has the least to go
        size = len(known.journal)
        if 0 < size <= len(journal) and journal[0] is known.journal[0] and journal[:size] == known.journal:
            ledger = _Going(known).on(journal)
            break
    ledger = ledger or replayed(journal)
    _recent.insert(0, ledger)
    del _recent[_KEPT:]
    return ledger


_KEPT = 48  # the whole one, and those of each narrowed book
_recent: list[Ledger] = last_few()


def replayed(journal: tuple[AnyEntry, ...]) -> Ledger:
    """Replay a whole journal from its first entry."""
    force = in_force(journal)
    readings = {one.id: one for one in force if isinstance(one, Reading)}
    about: dict[str, list[AnyEntry]] = {}
    owner: dict[str, str] = {}
    for one in journal:
        if (own := _owner(one, readings, owner)) is not None:
            owner[one.id] = own
            about.setdefault(own, []).append(one)
    told = {key: tuple(ones) for key, ones in about.items()}
    going = _Going(Ledger(journal, (), {key: i for i, key in enumerate(readings)}, {}, told, owner, {}))
    going.begin(tuple(readings.values()))
    return going.ledger(journal)


def _owner(entry: AnyEntry, readings: Iterable[str], owner: dict[str, str]) -> str | None:
    """Give the reading that an entry is about; None for a reading itself, and for what is about none."""
    if isinstance(entry, StruckOut | Moved | Noted):
        return entry.reading if entry.reading in readings else None
    return owner.get(entry.target) if isinstance(entry, Withdrawn) else None


class _Going:
    """A ledger on its way from one journal to the next: each entry alters the few readings it is about."""

    def __init__(self, known: Ledger) -> None:
        self.known = known
        self.standings, self.index, self.places = list(known.standings), dict(known.index), dict(known.by_place)
        self.about, self.owner, self.replacers = dict(known.about), dict(known.owner), dict(known.replacers)

    def ledger(self, journal: tuple[AnyEntry, ...]) -> Ledger:
        """Give where it has come to."""
        return Ledger(
            journal, tuple(self.standings), self.index, self.places, self.about, self.owner, self.replacers
        )  # fmt: skip

    def begin(self, readings: tuple[Reading, ...]) -> None:
        """Take all readings at once, with what is known to be about them."""
        self.standings = [self._as_told(one) for one in readings]
        replacers: dict[str, list[str]] = {}
        for reading in readings:
            for target in self._targets(reading):
                replacers.setdefault(target, []).append(reading.id)
        self.replacers = {target: tuple(ones) for target, ones in replacers.items()}
        self.standings = [replace(one, fate=fate) if (fate := self._fate(one)) else one for one in self.standings]
        found: dict[_Key, list[Standing]] = {}
        for one in self.standings:
            found.setdefault((one.reading.quantity, one.place), []).append(one)
        self.places = {key: tuple(ones) for key, ones in found.items()}

    def on(self, journal: tuple[AnyEntry, ...]) -> Ledger | None:
        """Go on to a longer journal; None where something new speaks of what came before in a way only a whole replay tells."""
        if index_of(self.known.journal).strangers or index_of(journal).strangers:
            return None
        for one in journal[len(self.known.journal) :]:
            if isinstance(one, Reading):
                self._take(one)
            elif isinstance(one, Withdrawn) and one.target not in self.owner:
                # of a reading itself, or of what had taken one back: only a whole replay brings it in order
                return None
            elif (own := _owner(one, self.index, self.owner)) is not None:
                self.owner[one.id] = own
                self.about[own] = (*self.about.get(own, ()), one)
                self._told_of(own)
        return self.ledger(journal)

    def _take(self, reading: Reading) -> None:
        self.index[reading.id] = len(self.standings)
        one = self._as_told(reading)
        self.standings.append(one)
        key = (reading.quantity, one.place)
        self.places[key] = (*self.places.get(key, ()), one)
        for target in reading.supersedes:
            self.replacers[target] = (*self.replacers.get(target, ()), reading.id)
        for target in (*reading.supersedes, reading.id):
            if target in self.replacers:
                self._settle(target)

    def _told_of(self, own: str) -> None:
        """Bring a reading to what is told of it now, and those that it may replace."""
        reading = self.standings[self.index[own]].reading
        for target in self._targets(reading):
            if own not in self.replacers.get(target, ()):
                self.replacers[target] = (*self.replacers.get(target, ()), own)
        self._put(own, self._as_told(reading))
        for target in (own, *self._ever_targets(reading)):
            self._settle(target)

    def _settle(self, target: str) -> None:
        at = self.index.get(target)
        if at is not None:
            one = replace(self._as_told(self.standings[at].reading))
            self._put(target, replace(one, fate=self._fate(one)))

    def _put(self, own: str, one: Standing) -> None:
        """Put a reading as it stands in place of what it was, also among those of its place."""
        at = self.index[own]
        before = self.standings[at]
        if before == one:
            return
        self.standings[at] = one
        old, new = (before.reading.quantity, before.place), (one.reading.quantity, one.place)
        if old == new:
            self.places[old] = tuple(one if other is before else other for other in self.places[old])
            return
        rest = tuple(other for other in self.places[old] if other is not before)
        self.places[old] = rest
        if not rest:
            del self.places[old]
        joined = sorted((*self.places.get(new, ()), one), key=lambda each: self.index[each.reading.id])
        self.places[new] = tuple(joined)

    # --- what one reading has come to ---

    def _as_told(self, reading: Reading) -> Standing:
        """Give a reading by what was entered about it alone."""
        if not (told := self.about.get(reading.id)):
            return Standing(reading, reading.place, reading.depends_on, reading.note)
        force = in_force(told)
        struck = [one for one in force if isinstance(one, StruckOut)]
        moves = [one for one in force if isinstance(one, Moved)]
        notes = [one for one in force if isinstance(one, Noted)]
        place, depends = (moves[-1].place, moves[-1].depends_on) if moves else (reading.place, reading.depends_on)
        fate = (struck[-1].why or "struck out") if struck else ""
        return Standing(reading, place, depends, notes[-1].note if notes else reading.note, fate)

    def _fate(self, one: Standing) -> str:
        """Say why a reading, given as it was told, does not count; "" where it does."""
        if one.fate:
            return one.fate
        for key in self.replacers.get(one.reading.id, ()):
            other = self._as_told(self.standings[self.index[key]].reading)
            if not other.fate and other.place == one.place and one.reading.id in self._targets(other.reading):
                return _REPLACED
        return ""

    def _targets(self, reading: Reading) -> tuple[str, ...]:
        """Give the readings that one replaces where it stands now."""
        if not (told := self.about.get(reading.id)):
            return reading.supersedes
        moves = [one for one in in_force(told) if isinstance(one, Moved)]
        return moves[-1].supersedes if moves else reading.supersedes

    def _ever_targets(self, reading: Reading) -> set[str]:
        """Give the readings that one replaces, or did wherever it stood."""
        moved = (one.supersedes for one in self.about.get(reading.id, ()) if isinstance(one, Moved))
        return {*reading.supersedes, *(target for each in moved for target in each)}


def tables(journal: tuple[AnyEntry, ...]) -> tuple[StandingTable, ...]:
    """Give the wheel tables that count now, in the order they were taken in, with what was judged of their rows."""
    return _tables(_about_tables(journal))


@by_identity_of_many
def _about_tables(journal: tuple[AnyEntry, ...]) -> tuple[AnyEntry, ...]:
    index = index_of(journal)
    return tuple(journal[i] for i in index.at.get(TABLES, ()))


@by_value
def _tables(journal: tuple[AnyEntry, ...]) -> tuple[StandingTable, ...]:
    force = in_force(journal)
    struck = {one.reading for one in force if isinstance(one, StruckOut)}
    judged = {one.table: one for one in force if isinstance(one, RowsJudged)}
    taken = [one for one in force if isinstance(one, WheelTable) and one.id not in struck]
    replaced = {(target, one.place) for one in taken for target in one.supersedes}
    return tuple(
        StandingTable(one, frozenset(told.left_out), frozenset(told.kept)) if told else StandingTable(one)
        for one in taken
        for told in (judged.get(one.id),)
        if (one.id, one.place) not in replaced
    )


def in_force(journal: tuple[AnyEntry, ...]) -> list[AnyEntry]:
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
