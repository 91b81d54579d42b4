"""The truth as a book: the same engine with every reading replaced by what is true of it, read with tools that have no doubt.

Examined by the rules the person chose, it says what should have failed.
"""

from __future__ import annotations

from msgspec.structs import replace

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import reading_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, of_spring
from honest_lift.facts.tools import Tool
from honest_lift.gauges.bench.bench import MEASURES, Bench

WAYS = {"installed_height": "height_micrometer", "spring_load": "tester", "bind_height": "tester", "stem_tip_height": "caliper",
        "piston_valve_clay": "clay"}  # fmt: skip
_LOOKS: dict[str, tuple[str, str, tuple[str, ...]]] = {  # quantity: sound word, bad word, what is seen then
    "leak_test": ("dry", "weeping", ("wet port",)),
    "seat_contact": ("even", "broken", ("broken ring",)),
    "spring_direction": ("close coils down", "upside down", ("upside down",)),
    "retainer_level": ("level", "high", ()),
    "parts_condition": ("reuse", "retire", ("dished", "lock stands out", "worn tip")),
    "spring_standing": ("floor", "ledge", ("ledge",)),
}
_NOT_READ = ("lobe", "reference_load", "free_length", "seat_load_engine")


def place_of(quantity: str, name: str) -> Place:
    """Give the place of the program for one of the bench's."""
    if quantity in ("spring_load", "bind_height", "free_length"):
        return of_spring(name)
    if not name:
        return ENGINE
    return at_cylinder(name) if quantity == "chamber_volume" else at_position(name)


def true_book(book: Book, bench: Bench) -> Book:
    """Give the truth of the bench's engine in the person's own."""
    engine = replace(book.engine, tools=(*book.engine.tools, *_true_tools()), calibrations=(), default_tools={})
    made: list[Reading] = []
    for quantity in dict.fromkeys(one for each in MEASURES.values() for one in each if one not in _NOT_READ):
        for name in bench.places(quantity):
            made += _readings(engine, bench, quantity, name)
    for quantity, (sound, bad, marks) in _LOOKS.items():
        for one in engine.layout.positions:
            seen = bench.engine.seen.get(one.id, ())
            made.append(_look(engine, quantity, at_position(one.id), bad if set(marks) & set(seen) else sound))
    return Book(engine, tuple(made))


def _true_tools() -> tuple[Tool, ...]:
    true = Tool("", "", "the truth", "", resolution=1e-6, accuracy=0.0, repeatability=1e-6, height_accuracy_mm=0.0)
    return tuple(replace(true, id=f"true-{one}", kind=one, dimension=of) for one, of in _KINDS.items())


_KINDS = {"height_micrometer": "length", "spring_tester": "load", "caliper": "length", "indicator": "length",
              "burette": "volume", "depth_gauge": "length"}  # fmt: skip


def _readings(engine: Engine, bench: Bench, quantity: str, name: str) -> list[Reading]:
    row, truth = CATALOG[quantity], bench.engine
    way = row.way(WAYS.get(quantity, row.ways[0].key)) or row.ways[0]
    tool = next(f"true-{one}" for one in way.tools if one in _KINDS)
    heights = bench.pressed_at() if quantity == "spring_load" else (0.0,)
    return [
        reading_of(Book(engine), quantity, place_of(quantity, name), (value := truth.true(quantity, name, at)), text=f"{value:.6g}",
                   unit=engine.unit(row.dimension), way=way.key, tool=tool, at={"test_height": at} if at else {})
        for at in heights
    ]  # fmt: skip


def _look(engine: Engine, quantity: str, place: Place, word: str) -> Reading:
    row = CATALOG[quantity]
    value = float(next(i for i, one in enumerate(row.choices) if one.key == word))
    return reading_of(Book(engine), quantity, place, value, text=word, unit="", way=row.ways[0].key)
