"""The demonstration engines by name, as they are offered."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from msgspec import Struct

if TYPE_CHECKING:
    from honest_lift.facts.engine import Book


class Demonstration(Struct, frozen=True):
    """An invented engine: its title, what can be seen on it, and how it is made under an id."""

    title: str
    meaning: str
    make: Callable[[str], Book]


def _eight(engine_id: str) -> Book:
    from honest_lift.demo.engine import demo_book

    return demo_book(engine_id)


def _four(engine_id: str) -> Book:
    from honest_lift.demo.four import four_book

    return four_book(engine_id)


def _seasons(engine_id: str) -> Book:
    from honest_lift.demo.seasons import seasons_book

    return seasons_book(engine_id)


DEMONSTRATIONS: dict[str, Demonstration] = {
    "eight": Demonstration(
        "Reedmace 366, a pushrod V8", "New heads in inches: nested springs, walked lobes, clearances, compression.", _eight,
    ),
    "four": Demonstration(
        "Wagtail 1600, a four on buckets", "A valve job with other springs, in millimetres: two roles, linear and progressive, "
        "numbered valves, shimmed lash.", _four,
    ),
    "seasons": Demonstration(
        "Wagtail 1600 after two seasons, its book",
        "The same four with its book: its runs, seat loads on the engine, a spring going away.", _seasons,
    ),
}  # fmt: skip
FIRST = "eight"


def demonstration(name: str, engine_id: str = "demonstration") -> Book:
    """Make a demonstration engine by its name; KeyError for none."""
    return DEMONSTRATIONS[name].make(engine_id)
