"""What people write into the book: signatures under findings, what was looked at on the way, and the engine's life."""

from __future__ import annotations

from datetime import date
from typing import Literal

from honest_lift.facts.journal_entry import Entry
from honest_lift.facts.place import ENGINE, Place

Kind = Literal["run", "work", "parts", "note", "symptom", "decision", "picture"]
KINDS: dict[Kind, str] = {
    "run": "a run: hours, or passes", "work": "work done", "parts": "parts changed", "note": "a note",
    "symptom": "something noticed", "decision": "what the customer decided", "picture": "a picture, by where it lies",
}  # fmt: skip

_MOST_HOURS, _MOST_RUNS = 100000.0, 1000000


class Signed(Entry, frozen=True, forbid_unknown_fields=True, tag="signed"):
    """Somebody goes on in spite of a finding, and says why. It speaks of the finding as it stood: `verdict`, `figure` and
    what it was held against, `lowest` and `highest`, inside, None for none. `rests_on`: a digest of the parts and readings under
    it, "" in files of older programs. No verdict changes by it.
    """

    check: str
    place: Place
    position: str
    verdict: str
    figure: float | None
    lowest: float | None
    highest: float | None
    why: str
    rests_on: str = ""


class Ticked(Entry, frozen=True, forbid_unknown_fields=True, tag="ticked"):
    """Something on the route was looked at, or a hold point was passed, by whoever signs the entry.

    `rests_on`: a digest of the parts that it speaks of, "" in files of older programs.
    """

    item: str
    note: str = ""
    rests_on: str = ""


class Logged(Entry, frozen=True, forbid_unknown_fields=True, tag="logged"):
    """An entry of the engine's life. `day`: when it happened; `hours` and `runs` of a run; `link`: where a picture lies."""

    kind: Kind
    day: str
    words: str
    hours: float | None = None
    runs: int | None = None
    place: Place = ENGINE
    link: str = ""


def is_day(text: str) -> bool:
    """Tell whether a text is a day as it is written here: 2026-11-30."""
    try:
        return date.fromisoformat(text).isoformat() == text
    except ValueError:
        return False


def log_is_odd(one: Logged) -> str:
    """Say why an entry of the log makes no sense; "" when it does."""
    if not is_day(one.day):
        return f"“{one.day}” is no day: write it like 2026-11-30"
    if one.hours is not None and not 0.0 <= one.hours <= _MOST_HOURS:
        return f"{one.hours:g} hours make no sense: from 0 to {_MOST_HOURS:.0f}"
    if one.runs is not None and not 0 <= one.runs <= _MOST_RUNS:
        return f"{one.runs} passes make no sense: from 0 to {_MOST_RUNS}"
    return ""
