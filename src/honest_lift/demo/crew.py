"""An invented crew that writes down what it reads: entries in the order of the work, each with the parts that were there."""

from __future__ import annotations

from itertools import count
from typing import Any

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.place import Place
from honest_lift.facts.staleness import depends_on
from honest_lift.numbers.bounds import is_bound, parse_bounds
from honest_lift.numbers.entry import Field, parse


class Crew:
    """Two people at one bench, a minute a reading, on a day of `month` (as 2026-04-11)."""

    def __init__(self, engine: Engine, day: str, hands: tuple[str, str]) -> None:
        self.engine, self._day, self._hands = engine, day, hands
        self._minutes = count(1)
        self.entries: list[AnyEntry] = []

    def time(self, minute: int) -> str:
        """Give the time so many minutes into the morning."""
        hour, rest = divmod(8 * 60 + minute, 60)
        return f"{self._day}T{hour:02}:{rest:02}:00Z"

    def read(
        self, quantity: str, place: Place, text: str, way: str, tool: str = "", unit: str = "", **more: Any
    ) -> Reading:
        """Write a reading down as it was typed; a word of an observation, a figure, or what goes and what does not."""
        minute = next(self._minutes)
        row = CATALOG[quantity]
        own = unit or ("" if row.choices else self.engine.unit(row.dimension))
        low = high = None
        if row.choices:
            value = float(next(i for i, one in enumerate(row.choices) if one.key == text))
        elif is_bound(text):
            read = parse_bounds(text, Field.within(row.dimension, own, row.physical))
            low, high = read.low, read.high
            ends = [one for one in (low, high) if one is not None]
            value = sum(ends) / len(ends)
        else:
            value = parse(text, Field.within(row.dimension, own, row.physical)) or 0.0
        one = Reading(
            f"w{minute:03}", self.time(minute), self._hands[minute % 4 == 0], quantity, place, text, own, value, way, tool,
            low=low, high=high, depends_on=depends_on(self.engine, quantity, way, place), **more,
        )  # fmt: skip
        self.entries.append(one)
        return one
