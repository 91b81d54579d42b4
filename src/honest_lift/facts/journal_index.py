"""What each entry of a journal is about, told once, so that nobody walks through all of it for the few that matter to him."""

from __future__ import annotations

from operator import is_

from msgspec import Struct

from honest_lift.facts.journal import AnyEntry, Moved, Noted, Reading, StruckOut, Withdrawn
from honest_lift.facts.memory.remember import last_few
from honest_lift.facts.wheel_table import RowsJudged, WheelTable

TABLES = "\N{BULLET} wheel tables"  # in place of a quantity: no quantity is called so
_KEPT = 6


class JournalIndex(Struct, frozen=True):
    """A journal, and by each entry's id the reading or table it is about; `at`: where each quantity's entries stand.

    Wheel tables and what is about them stand together; what is about nothing stands nowhere. `strangers`: ids that were spoken
    of and that nothing had yet.
    """

    journal: tuple[AnyEntry, ...]
    subject: dict[str, Reading | WheelTable]
    at: dict[str, tuple[int, ...]]
    strangers: frozenset[str]

    def about(self, entry: AnyEntry) -> set[str]:
        """Give the quantities an entry may alter: its reading's, and those of the readings that one may replace."""
        subject = self.subject.get(entry.id)
        if subject is None:
            return set()
        targets = (*subject.supersedes, *(entry.supersedes if isinstance(entry, Moved) else ()))
        return {_name(subject), *(_name(self.subject[one]) for one in targets if one in self.subject)}

    def is_about(self, entry: AnyEntry, quantities: frozenset[str]) -> bool:
        """Tell whether an entry is about one of some quantities, or about a wheel table."""
        subject = self.subject.get(entry.id)
        return subject is not None and (_name(subject) in quantities or isinstance(subject, WheelTable))

    def of(self, quantities: frozenset[str]) -> tuple[AnyEntry, ...]:
        """Give the entries about some quantities, and those about wheel tables, in their order."""
        where = [self.at[one] for one in (*quantities, TABLES) if one in self.at]
        places = sorted(i for one in where for i in one) if len(where) > 1 else [i for one in where for i in one]
        return tuple(self.journal[i] for i in places)


def index_of(journal: tuple[AnyEntry, ...]) -> JournalIndex:
    """Give the index of a journal; where it only goes on from one just indexed, only what is new is looked at."""
    for known in _recent:
        if known.journal is journal:
            return known
    for known in _recent:
        old = len(known.journal)
        if 0 < old < len(journal) and all(map(is_, known.journal, journal)):
            new = journal[old:]
            if not any(one.id in known.strangers for one in new):
                return _remembered(_made(journal, new, known))
    return _remembered(_made(journal, journal, JournalIndex((), {}, {}, frozenset())))


_recent: list[JournalIndex] = last_few()


def _remembered(made: JournalIndex) -> JournalIndex:
    _recent.insert(0, made)
    del _recent[_KEPT:]
    return made


def _made(journal: tuple[AnyEntry, ...], new: tuple[AnyEntry, ...], known: JournalIndex) -> JournalIndex:
    subject = {**known.subject, **{one.id: one for one in new if isinstance(one, Reading | WheelTable)}}
    nothing: set[str] = set(known.strangers)
    found: dict[str, list[int]] = {}
    for i, one in enumerate(new, len(known.journal)):
        own = subject.get(one.id) or subject.get(spoken_of(one))
        if own is None and spoken_of(one):
            nothing.add(spoken_of(one))
        elif own is None:
            continue  # it is about facts
        else:
            subject[one.id] = own
            found.setdefault(_name(own), []).append(i)
    at = {**known.at, **{name: known.at.get(name, ()) + tuple(ones) for name, ones in found.items()}}
    return JournalIndex(journal, subject, at, frozenset(nothing))


def _name(subject: Reading | WheelTable) -> str:
    return subject.quantity if isinstance(subject, Reading) else TABLES


def spoken_of(entry: AnyEntry) -> str:
    """Give the id of the entry that another speaks of; "" for one that speaks of itself."""
    if isinstance(entry, StruckOut | Moved | Noted):
        return entry.reading
    if isinstance(entry, RowsJudged):
        return entry.table
    return entry.target if isinstance(entry, Withdrawn) else ""


def is_read(journal: tuple[AnyEntry, ...], quantity: str) -> bool:
    """Tell whether a reading of a quantity was ever taken."""
    return quantity in index_of(journal).at
