"""An estimate: a quantity over cases (valves, springs), and for each case what it was resolved from."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from math import hypot, isfinite, nan, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.place import Place
from honest_lift.numbers.doubt import SCAN, Array, Figure, Ground, Range, Source, choose, combine

Doubts = tuple[tuple[str, str, float], ...]  # (key, label, u)


class Input(Struct, frozen=True, cache_hash=True):
    """One value that a figure rests on, resolved from the facts for one case.

    `value` in the inside unit, NaN when missing. `own_u`: standard doubt of this reading alone. `shared`:
    (key, label, u) of offsets it shares with others, u with the sign it moves this value by; what stands there twice
    adds up. `each`: the same of what every part has of its own, such as the tolerance of a card that is stated for all:
    it moves one place and leaves its neighbours. `low`, `high`: the range of an assumed value, or of a reading that only
    says what goes; `hard_ends`: ends that nothing passes. `note`: what a person should know of it, such as why it is stale
    or which tool was taken for it.
    """

    quantity: str
    where: str
    kind: str
    value: float = nan
    own_u: float = 0.0
    shared: Doubts = ()
    ground: Ground = Ground.NONE
    low: float = nan
    high: float = nan
    low_is_physical: bool = False
    high_is_physical: bool = False
    way: str = ""
    tool: str = ""
    when: str = ""
    note: str = ""
    warning: str = ""  # said whatever the verdict: a repeat that stands apart
    asked: Place | None = None
    points: tuple[tuple[float, float], ...] = ()  # of a curve, as measured
    count: int = 1  # readings that were combined
    each: Doubts = ()

    @property
    def at(self) -> str:
        """Give the place it was asked for, in words."""
        return self.asked.title if self.asked else ""

    @property
    def hard_ends(self) -> tuple[bool, bool]:
        """Tell which ends of its range nothing can pass: zero, or what a gauge proved."""
        return self.low_is_physical, self.high_is_physical

    @property
    def is_bound(self) -> bool:
        """Tell whether it was read as what goes and what does not."""
        return self.kind == "measured" and bool(self.ground & Ground.ASSUMED) and all(self.hard_ends)

    @property
    def is_own(self) -> bool:
        """Tell whether it stands at the very place it was asked for, and not for more places than this."""
        return self.where == self.at

    @property
    def is_told(self) -> bool:
        """Tell whether anybody has told it, if only something that can't stand: the reason then stands in its note."""
        return not self.ground & Ground.MISSING or bool(self.note)

    @property
    def sound(self) -> float:
        """Give its value; NaN where it is stale, assumed, contradicted, or read with a tool nobody knows."""
        return self.value if not self.ground & ~int(Ground.SPECIFIED) else nan

    @property
    def title(self) -> str:
        """Give the quantity's title."""
        return CATALOG[self.quantity].title

    @property
    def u(self) -> float:
        """Give the whole standard doubt: what is shared under one key adds up before it is squared."""
        summed: dict[str, float] = {}
        for key, _, u in (*self.shared, *self.each):
            summed[key] = summed.get(key, 0.0) + u
        return sqrt(self.own_u**2 + sum(u * u for u in summed.values()))

    @property
    def whole_u(self) -> float:
        """Give the standard doubt; of an assumed value that of its range, anything in it alike."""
        return (self.high - self.low) / sqrt(12.0) if isfinite(self.low) and isfinite(self.high) else self.u


def summed(into: Input, value: float, parts: Iterable[tuple[float, Input]]) -> Input:
    """Give an input whose value is a sum of weighted parts, with their doubts: what is shared adds up before it is squared."""
    own, shared, each = 0.0, dict[tuple[str, str], float](), dict[tuple[str, str], float]()
    for weight, one in parts:
        own = hypot(own, weight * one.own_u)
        for doubts, found in ((one.shared, shared), (one.each, each)):
            for key, label, u in doubts:
                found[key, label] = found.get((key, label), 0.0) + weight * u
    told = (tuple((*key, u) for key, u in found.items()) for found in (shared, each))
    return replace(into, value=value, own_u=own, shared=next(told), each=next(told))


class Estimate(Struct, frozen=True, eq=False):
    """A quantity over cases, with the inputs of each case."""

    figure: Figure
    inputs: tuple[tuple[Input, ...], ...]

    def take(self, cases: Sequence[int]) -> Estimate:
        """Give the estimate for some cases, in the order given."""
        return Estimate(self.figure.take(np.array(cases, dtype=np.int64)), tuple(self.inputs[i] for i in cases))


def derive(function: Callable[..., Array], *estimates: Estimate) -> Estimate:
    """Evaluate a function of estimates; the inputs of each case are joined, each once."""
    figure = combine(function, *(one.figure for one in estimates))
    joined = zip(*(one.inputs for one in estimates), strict=True)
    return Estimate(figure, tuple(tuple(dict.fromkeys(i for group in case for i in group)) for case in joined))


def either(first: NDArray[np.bool_], one: Estimate, other: Estimate) -> Estimate:
    """Take `one` in the cases where `first` (n,) is true and `other` elsewhere, each with its own inputs."""
    inputs = tuple(a if f else b for f, a, b in zip(first, one.inputs, other.inputs, strict=True))
    return Estimate(choose(first, one.figure, other.figure), inputs)


def column(several: Estimate, at: int = 0) -> Estimate:
    """Give one of the figures (n, k) as an estimate (n,)."""
    one = several.figure
    figure = replace(
        one, value=one.value[:, at], plus=one.plus[..., at], minus=one.minus[..., at], grid=one.grid[..., at]
    )
    return Estimate(figure, several.inputs)


def estimate_of(inputs: Sequence[Input]) -> Estimate:
    """Make the estimate of one quantity from one input a case."""
    return Estimate(figure_of(inputs), tuple((one,) for one in inputs))


def figure_of(inputs: Sequence[Input]) -> Figure:
    """Lay inputs of one quantity, one a case, out as a figure (n,)."""
    value = np.array([one.value for one in inputs])
    sources, moves = _sources(inputs)
    ranges, grid, assumed = _grid(inputs, value)
    move = np.array(moves).reshape(len(sources), len(inputs))
    ground = np.array([int(one.ground) for one in inputs], dtype=np.int64)
    return Figure(value, sources, value + move, value - move, ranges, grid, assumed, ground)


def _sources(inputs: Sequence[Input]) -> tuple[tuple[Source, ...], list[list[float]]]:
    found: dict[tuple[str, str, bool], list[float]] = {}  # a plain tuple is told apart faster than a source
    for case, one in enumerate(inputs):
        for doubts, is_shared in ((one.shared, True), (one.each, False)):
            for key, label, u in doubts:
                found.setdefault((key, label, is_shared), [0.0] * len(inputs))[case] += u
        if one.own_u:
            scatter = (f"scatter:{one.quantity}", f"{one.title}, the single reading", False)
            found.setdefault(scatter, [0.0] * len(inputs))[case] = one.own_u
    return tuple(Source(*key) for key in found), list(found.values())


_ASSUMED = int(Ground.ASSUMED)  # as whole numbers: flags take a microsecond each, and there are thousands
_BARS = int(Ground.ASSUMED | Ground.UNRANGED)


def _grid(inputs: Sequence[Input], value: Array) -> tuple[tuple[Range, ...], Array, NDArray[np.bool_]]:
    """Scan assumed ranges. Cases are judged one by one, so one axis serves a quantity over all cases."""
    ranged = [(case, one) for case, one in enumerate(inputs) if int(one.ground) & _BARS == _ASSUMED]
    if not ranged:
        return (), value[None].copy(), np.zeros((0, len(inputs)), dtype=bool)
    kinds = dict.fromkeys((one.quantity, *one.hard_ends) for _, one in ranged)
    ranges = tuple(
        Range(f"{name}:{low}:{high}", CATALOG[name].title, hard_low=low, hard_high=high) for name, low, high in kinds
    )
    grid = np.broadcast_to(value, (*(SCAN,) * len(ranges), len(inputs))).copy()
    assumed = np.zeros((len(ranges), len(inputs)), dtype=bool)
    for axis, kind in enumerate(kinds):
        line = np.moveaxis(grid, axis, 0)
        for case, one in ranged:
            if (one.quantity, *one.hard_ends) == kind:
                steps = np.linspace(one.low, one.high, SCAN)
                assumed[axis, case] = True
                line[..., case] = steps.reshape(SCAN, *(1,) * (line.ndim - 2))
    return ranges, grid.reshape(SCAN ** len(ranges), len(inputs)), assumed
