"""The bench's tools: what each shows of a true value: off within its card or beyond it, scattered by its hand, rounded to its step.

A tester's own friction holds back: pressed down on a spring it shows a little more than on the way up.
"""

from __future__ import annotations

import random

from msgspec.structs import replace

from honest_lift.facts.tools import Tool
from honest_lift.gauges.instruments.instrument import Instrument
from honest_lift.gauges.instruments.pattern import Pattern
from honest_lift.numbers.units import from_inside, to_inside

CARDS: dict[str, Tool] = {
    "spring tester": Tool("bench-tester", "spring_tester", "bench spring tester", "load", resolution=1.0, accuracy_percent=1.0,
                          repeatability_percent=0.4, height_accuracy_mm=0.04),
    "height micrometer": Tool("bench-micrometer", "height_micrometer", "bench height micrometer", "length", resolution=0.01,
                              accuracy=0.02, repeatability=0.012),
    "caliper": Tool("bench-caliper", "caliper", "bench caliper", "length", resolution=0.01, accuracy=0.02, repeatability=0.012,
                    lowest=0.0, highest=150.0),
    "indicator": Tool("bench-indicator", "indicator", "bench indicator", "length", resolution=0.01, accuracy=0.015,
                      repeatability=0.007),
    "burette": Tool("bench-burette", "burette", "bench burette", "volume", resolution=0.1, accuracy=0.15, repeatability=0.08),
    "lever tester": Tool("bench-lever", "spring_tester", "bench lever tester", "load", resolution=5.0, accuracy_percent=5.0,
                         repeatability_percent=2.0, height_accuracy_mm=0.3),
    "degree wheel": Tool("bench-dial", "indicator", "bench indicator at the lifter", "length", resolution=0.01, accuracy=0.015,
                         repeatability=0.006),
}  # fmt: skip
WHEEL = Tool(
    "bench-wheel", "degree_wheel", "bench degree wheel", "angle", resolution=0.5, accuracy=0.25, repeatability=0.15
)
_DRIFT = {"indicator": 0.0006, "caliper": 0.0004}  # mm a reading: a bezel that creeps, a jaw that gathers oil
_FRICTION = 0.004  # share of a load by which a tester's guide holds back
_UNITS = {"length": "mm", "load": "N", "volume": "cc"}


class PlayedTool:
    """A tool on the bench. `off`: its own offset, in the inside unit, or of a load its share; drawn within its card."""

    def __init__(self, name: str, seed: int, *, off: float | None = None, unit: str = "") -> None:
        self.name, self.card = name, CARDS[name]
        self._draw = random.Random(f"{seed} {name}")
        self.is_load = self.card.accuracy_percent is not None
        within = (self.card.accuracy_percent or 0.0) / 100.0 if self.is_load else self.card.accuracy or 0.0
        self.off = self._draw.uniform(-0.8, 0.8) * within + (off or 0.0)
        self.stop_off_mm = self._draw.uniform(-0.8, 0.8) * (self.card.height_accuracy_mm or 0.0)
        self.unit = unit or _UNITS[self.card.dimension]
        self._drifted = 0.0

    def shown(self, true: float, *, rising: bool = False) -> float:
        """Give what it shows of a true value, rounded to its step, in the inside unit. `rising`: the load is being let off."""
        card = self.card
        if self.is_load:
            held_back = 1.0 + (-_FRICTION if rising else _FRICTION) / 2.0
            read = true * (1.0 + self.off) * held_back + self._draw.gauss(
                0.0, (card.repeatability_percent or 0.0) / 100.0 * true
            )
        else:
            read = true + self.off + self._drifted + self._draw.gauss(0.0, card.repeatability or 0.0)
            self._drifted += _DRIFT.get(self.name, 0.0) * self._draw.uniform(0.0, 1.0)
        step = to_inside(_step(self.unit), card.dimension, self.unit)
        return round(read / step) * step

    def line(self, shown: float) -> str:
        """Write a figure as the tool sends it."""
        figure = from_inside(shown, self.card.dimension, self.unit)
        return f"{figure:.{_places(self.unit)}f} {self.unit}"

    def recalibrated(self) -> None:
        """Have it put right by whoever may: off within its card from now on."""
        if self.is_load:
            self.off = self._draw.uniform(-0.5, 0.5) * (self.card.accuracy_percent or 0.0) / 100.0

    def zero(self) -> None:
        """Set it to zero, closed: what it had drifted, and what it was off by, is gone but for its step."""
        self._drifted = 0.0
        if not self.is_load:
            self.off = self._draw.uniform(-0.3, 0.3) * (self.card.accuracy or 0.0)

    def closed(self) -> float:
        """Give what it shows closed, in the inside unit."""
        return 0.0 if self.is_load else self.shown(0.0)

    def instrument(self, port: str) -> Instrument:
        """Give it as an instrument on a line."""
        pattern = Pattern(self.card.dimension, decimals=_places(self.unit))
        return Instrument(
            f"simulated {self.name}", port, pattern, tool=self.card.name, zero_after=0 if self.is_load else 40
        )


def drawer() -> tuple[Tool, ...]:
    """Give the cards of all tools on the bench, as they stand in a drawer."""
    return (*CARDS.values(), WHEEL)


def card_in(name: str, unit: str) -> Tool:
    """Give a tool's card with the step it has in a unit."""
    return replace(CARDS[name], resolution=to_inside(_step(unit), CARDS[name].dimension, unit))


def _places(unit: str) -> int:
    return {"mm": 2, "in": 4, "N": 0, "lbf": 1, "cc": 1}[unit]


def _step(unit: str) -> float:
    return float({"in": 0.0005, "lbf": 0.2}.get(unit, 10.0 ** -_places(unit)))
