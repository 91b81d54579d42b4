"""The true engine behind the bench: what each part really is. The measuring program never reads it. Figures are invented.

Quantities go by their names in the catalog, places by theirs in the layout; `seen` says what an eye would meet at a place.
"""

from __future__ import annotations

from math import acos, cos, pi

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.place import at_position

_SOFT = 1.5  # power of a raised cosine: the larger, the softer its ends


class HiddenSpring(Struct, frozen=True, forbid_unknown_fields=True):
    """A spring, with its inner one if it has one: free length, rate, how much stiffer it gets from `kink_mm` on, and bind.

    `closes`: at which end its close coils are as it lies in the head, "" for coils that are even. `paint`: at which its mark is.
    """

    free_mm: float
    rate_n_mm: float
    bind_mm: float
    kink_mm: float = 0.0
    stiffer: float = 0.0
    closes: str = ""
    paint: str = ""
    outside_mm: float = 36.0
    wire_mm: float = 4.4
    inner: HiddenSpring | None = None

    def load_n(self, height_mm: float) -> float:
        """Give its true load at a height, N; pressed solid it bears as if its coils were steel on steel.

        >>> round(HiddenSpring(55.0, 30.0, 28.0).load_n(45.0), 1)
        300.0
        """
        pressed = max(self.free_mm - height_mm, 0.0) + self.stiffer * max(self.kink_mm - height_mm, 0.0)
        solid = 2000.0 * max(self.bind_mm - height_mm, 0.0)
        return self.rate_n_mm * pressed + solid + (self.inner.load_n(height_mm) if self.inner is not None else 0.0)

    @property
    def solid_mm(self) -> float:
        """Give the height at which the first of its members is solid."""
        return max(self.bind_mm, self.inner.bind_mm if self.inner is not None else 0.0)


class HiddenEngine(Struct, frozen=True, forbid_unknown_fields=True):
    """Everything that is true of an engine.

    `springs`: by number; `fitted`: the number at each valve. `figures`: by quantity and place, in the inside unit; "" for the
    whole engine. `seen`: words by place. `lobes`: lift at the lobe, duration at 1.27 mm, middle, by role, mm and crank degrees.
    """

    key: str
    layout: str
    gear: str
    lifter: str
    springs: dict[str, HiddenSpring]
    fitted: dict[str, str]
    figures: dict[str, dict[str, float]]
    seen: dict[str, tuple[str, ...]] = {}
    lobes: dict[str, tuple[float, float, float]] = {}

    def true(self, quantity: str, name: str, at: float = 0.0) -> float:
        """Give what is true of a quantity at a place; KeyError for what is not there. `at`: a spring's height, or crank degrees."""
        if quantity == "spring_load":
            return self.springs[name].load_n(at)
        if quantity == "bind_height":
            return self.springs[name].solid_mm
        if quantity == "free_length":
            return self.springs[name].free_mm
        if quantity == "lobe":
            return self.lobe_lift_mm(at_position(name).role, at)
        if quantity == "seat_load_engine":
            return self.springs[self.fitted[name]].load_n(self.true("installed_height", name))
        own = self.figures[quantity]
        return own[name] if name in own else own[""]

    def lobe_lift_mm(self, role: str, crank_deg: float) -> float:
        """Give a lobe's true lift at a crank angle from overlap TDC, mm; it is round at its nose, and its ends are soft.

        >>> one = HiddenEngine("x", "", "", "", {}, {}, {}, lobes={"intake": (9.0, 236.0, 106.0)})
        >>> one.lobe_lift_mm("intake", 106.0), round(one.lobe_lift_mm("intake", 106.0 + 118.0), 2)
        (9.0, 1.27)
        """
        lift, duration, middle = self.lobes[role]
        half = 0.5 * duration * pi / acos(2.0 * (1.27 / lift) ** (1.0 / _SOFT) - 1.0)
        share = abs((crank_deg - middle + 360.0) % 720.0 - 360.0) / half
        return lift * ((1.0 + cos(pi * share)) / 2.0) ** _SOFT if share < 1.0 else 0.0

    def with_figure(self, quantity: str, name: str, value: float) -> HiddenEngine:
        """Give the engine with another figure."""
        own = {**self.figures.get(quantity, {}), name: value}
        return replace(self, figures={**self.figures, quantity: own})

    def moved_by(self, quantity: str, name: str, by: float) -> HiddenEngine:
        """Give the engine with a figure that is larger by so much."""
        return self.with_figure(quantity, name, self.true(quantity, name) + by)

    def with_spring(self, number: str, spring: HiddenSpring) -> HiddenEngine:
        """Give the engine with another spring under a number."""
        return replace(self, springs={**self.springs, number: spring})

    def with_seen(self, name: str, *words: str) -> HiddenEngine:
        """Give the engine with more for the eye at a place."""
        return replace(self, seen={**self.seen, name: (*self.seen.get(name, ()), *words)})
