"""A third invented demonstration: the four on buckets after two seasons, its book with it. One spring goes away from the others.

Every figure is made up by a rule with a seed of its own; no engine stands behind it.
"""

from __future__ import annotations

from random import Random

from msgspec.structs import replace

from honest_lift.demo.four import four_book
from honest_lift.facts.book.keeping import begun
from honest_lift.facts.book.logged import Kind, Logged, Signed, Ticked
from honest_lift.facts.engine import Book
from honest_lift.facts.job import Job
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import depends_on
from honest_lift.facts.tools import Tool

GOES_AWAY = "3e"  # from the second season on
_NEW_N, _SETTLE, _LOSS = 265.0, 0.94, 0.11
_DAYS = (  # of readings: three a valve on the settled ones, which make its baseline
    "2026-04-18", "2026-05-02", "2026-05-16", "2026-05-30", "2026-07-04", "2026-08-15", "2027-04-10", "2027-06-05", "2027-07-24",
    "2027-09-04",
)  # fmt: skip
_REPEATS, _THRICE, _SECOND = 3, (1, 2, 3, 9), 7
_LIFE: tuple[tuple[str, Kind, str, float | None, int | None], ...] = (
    ("2026-04-18", "run", "first running, heat set, lash again hot", 0.5, None),
    ("2026-05-02", "run", "test day", 2.0, 6), ("2026-06-20", "run", "two hill climbs", 1.5, 9),
    ("2026-08-15", "note", "stored over the winter", None, None),
    ("2027-04-10", "work", "oil and lash before the season", None, None), ("2027-05-22", "run", "hill climb", 1.0, 5),
    ("2027-07-24", "symptom", "top-end power going away above 6500", None, None),
    ("2027-09-04", "decision", "customer runs the last meeting as it is, springs over the winter", None, None),
)  # fmt: skip


def seasons_book(engine_id: str) -> Book:
    """Give the four with two seasons in its book."""
    before = four_book(engine_id)
    tool = Tool("lever", "spring_tester", "lever tester", "load", resolution=4.448, accuracy_percent=5.0, repeatability_percent=2.5,
                height_accuracy_mm=0.3)  # fmt: skip
    engine = replace(before.engine, name="Wagtail 1600 after two seasons", job=Job("check-up"), tools=(*before.engine.tools, tool),
                     default_tools={**before.engine.default_tools, "seat_load_engine/lever": "lever"})  # fmt: skip
    whole = begun(replace(before, engine=engine), "what stood before the book", ("seasons", "2026-04-17T08:00:00Z"))
    entries = [*_loads(whole), *_life(), *_signed()]
    entries.sort(key=lambda one: one.when)
    return _with(whole, entries)


def _with(book: Book, entries: list[AnyEntry]) -> Book:
    from honest_lift.facts.book.chain import extended

    return replace(book, journal=(*book.journal, *entries), chains=(extended(book.chains[-1], entries),))


def _loads(book: Book) -> list[AnyEntry]:
    dice, found = Random(24), list[AnyEntry]()
    new = {one.id: _NEW_N * dice.uniform(0.97, 1.03) for one in book.engine.layout.positions}
    for row, day in enumerate(_DAYS):
        offset = 1.0 + dice.uniform(-0.02, 0.02)
        for valve, load in new.items():
            gone = _LOSS if valve == GOES_AWAY and row >= _SECOND else 0.0
            true = load * (1.0 if row == 0 else _SETTLE) * (1.0 - gone) * offset
            for nth in range(_REPEATS if row in _THRICE else 1):
                value = round(true * (1.0 + dice.gauss(0.0, 0.012)))
                when = f"{day}T{9 + nth:02}:{len(found) % 60:02}:00Z"
                found.append(_load(book, f"e{row}{valve}{nth}", when, valve, value))
    return found


def _load(book: Book, name: str, when: str, valve: str, value: int) -> Reading:
    place = at_position(valve)
    rests_on = depends_on(book.engine, "seat_load_engine", "lever", place)
    return Reading(
        name,
        when,
        "Ash",
        "seat_load_engine",
        place,
        f"{value}",
        "N",
        float(value),
        "lever",
        "lever",
        depends_on=rests_on,
    )


def _life() -> list[AnyEntry]:
    return [
        Logged(f"l{i}", f"{day}T18:{i:02}:00Z", "Rowan", kind, day, words, hours, runs)
        for i, (day, kind, words, hours, runs) in enumerate(_LIFE)
    ]


def _signed() -> list[AnyEntry]:
    return [
        Ticked("t1", "2026-04-18T17:00:00Z", "Ash", "turned_twice", "by hand, plugs out"),
        Signed(
            "s1",
            "2027-09-04T19:00:00Z",
            "Rowan",
            "leak_test",
            at_position("1e"),
            "1e",
            "fails",
            None,
            None,
            None,
            "customer wants it so",
        ),
    ]
