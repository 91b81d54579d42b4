"""Load curves of springs, assembled or member by member: the load at a height, on shims of their own, and its doubt."""

from __future__ import annotations

from collections.abc import Sequence
from math import sqrt

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.facts.memory.remember import by_identity
from honest_lift.mechanics.spring.nest import (
    nest_bind,
    nest_is_contradictory,
    nest_is_extrapolated,
    nest_load,
    nest_range,
    nest_rooms,
)
from honest_lift.numbers.doubt import Array, Figure, Ground, Source, combine


class Curves(Struct, frozen=True, eq=False):
    """Load curves of springs (n,): points (n, m, p) over members, steps (n, m), bind heights (n,).

    `bound` (n, m): where each member binds, in the outer's height; `bind_present` (n, m): the members it was read of.
    `straight` (n,): its card, or its set, says that its rate stays the same.
    """

    heights: Figure
    loads: Figure
    steps: Figure
    present: NDArray[np.bool_]
    bind: Estimate
    inputs: tuple[tuple[Input, ...], ...]
    bound: Figure
    bind_present: NDArray[np.bool_]
    straight: NDArray[np.bool_]

    def load(self, height: Estimate) -> Estimate:
        """Give each spring's load (n,) in N at a height (n,) in mm; NaN below its bind height."""
        bind = self.bind.figure.value
        figure = combine(
            lambda h, hs, loads, steps: nest_load(h, hs, loads, steps, self.present),
            height.figure, self.heights, self.loads, self.steps,
        )  # fmt: skip
        with np.errstate(invalid="ignore"):
            solid = height.figure.value < bind
            outside = nest_is_extrapolated(height.figure.value, self.heights.value, self.steps.value, self.present)
        figure = self._shaped(figure, height.figure.value)
        contradictory = nest_is_contradictory(self.heights.value, self.loads.value, self.present)
        figure = (
            figure.on_ground(outside & np.isfinite(figure.value), Ground.EXTRAPOLATED)
            .on_ground(contradictory, Ground.UNSOUND)
            .on_ground(solid, Ground.MISSING)
        )
        joined = tuple(
            tuple(dict.fromkeys((*a, *b, *((_SOLID,) if under else ()))))
            for a, b, under in zip(height.inputs, self.inputs, solid, strict=True)
        )
        return Estimate(figure, joined)

    def height_in_common(self) -> float:
        """Give the highest height in mm at which all springs with points were read; NaN where there is none."""
        lowest, highest = nest_range(self.heights.value, self.steps.value, self.present)
        if not np.isfinite(highest).any():
            return float("nan")
        low, high = float(np.nanmax(lowest)), float(np.nanmin(highest))
        return high if low <= high else float("nan")

    def _shaped(self, load: Figure, height_mm: Array) -> Figure:
        """Add the doubt of each member's curve between and beyond its points, where nothing says that it is a line."""
        bent = np.flatnonzero(~self.straight)
        if not len(bent):
            return load
        points = (self.heights.value[bent], self.loads.value[bent], self.steps.value[bent], self.present[bent])
        for m, room in enumerate(nest_rooms(height_mm[bent], *points)):
            u = np.zeros(len(height_mm))
            u[bent] = room / sqrt(3.0)
            if np.any(u > 0):
                load = load.doubted(Source(f"shape:{m}", "the curve's shape between its points", shared=False), u)
        return load

    def take(self, cases: Sequence[int]) -> Curves:
        """Give the curves of some springs, in the order given."""
        rows = np.array(cases, dtype=np.int64)
        return Curves(
            self.heights.take(rows), self.loads.take(rows), self.steps.take(rows), self.present[rows],
            Estimate(self.bind.figure.take(rows), tuple(self.bind.inputs[i] for i in cases)),
            tuple(self.inputs[i] for i in cases), self.bound.take(rows), self.bind_present[rows], self.straight[rows],
        )  # fmt: skip

    def on_own_shims(self, more_mm: Sequence[float]) -> Curves:
        """Give the curves of springs (n,) whose outer stands on so much more of shims than what is inside it.

        The inner members then stand taller by it. A nest that was only pressed as one says nothing of that, and is
        missing there; so is one of whose two stacks only one is stated (NaN).
        """
        unknown = np.isnan(np.array(more_mm, dtype=np.float64))
        more = np.nan_to_num(np.array(more_mm, dtype=np.float64), nan=1.0)  # not 0: it is looked at below
        if not more.any():
            return self
        inner = np.arange(self.steps.value.shape[1]) > 0
        steps = combine(lambda own: own - more[:, None] * inner, self.steps)
        within = np.arange(self.bound.value.shape[1]) > 0
        bound = combine(lambda own: own - more[:, None] * within, self.bound)
        bind = combine(lambda own: nest_bind(own, np.zeros_like(own), self.bind_present), bound)
        whole_load, whole_bind = (
            unknown | ((more != 0.0) & (one.sum(axis=1) == 1)) for one in (self.present, self.bind_present)
        )
        told = [
            (_HALF,) if half else (_APART,) if one else () for half, one in zip(unknown, whole_load | whole_bind, strict=True)
        ]  # fmt: skip
        inputs, binds = (
            tuple((*own, *extra) for own, extra in zip(each, told, strict=True))
            for each in (self.inputs, self.bind.inputs)
        )
        return Curves(
            self.heights, self.loads.on_ground(whole_load, Ground.MISSING), steps, self.present,
            Estimate(bind.on_ground(whole_bind, Ground.MISSING), binds), inputs, bound, self.bind_present, self.straight,
        )  # fmt: skip


_SOLID = Input(
    "spring_load", "", "missing", ground=Ground.MISSING, note="at this height the coils are solid, so there is no load"
)

_APART = Input(
    "spring_load", "", "missing", ground=Ground.MISSING,
    note="outer and inner have shims of their own here; press the members apart, and each to its coil bind",
)  # fmt: skip


_HALF = Input(
    "spring_load", "", "missing", ground=Ground.MISSING,
    note="shims are stated under the inner and not under the outer: state both",
)  # fmt: skip


@by_identity
def curve_keys(curves: Curves) -> tuple[bytes, ...]:
    """Give, for each spring, bytes that are the same whenever its curve, its bind height and their doubts are."""
    figures = (curves.heights, curves.loads, curves.steps, curves.bind.figure)
    names = repr([(figure.sources, figure.ranges) for figure in figures]).encode()
    columns = (
        [curves.present]
        + [
            np.concatenate(
                [figure.value[:, None], *(_by_row(copies) for copies in (figure.plus, figure.minus, figure.grid))], 1
            )
            for figure in figures
        ]
        + [figure.ground for figure in figures]
        + [curves.straight]
    )
    told = [repr(each).encode() for each in zip(curves.inputs, curves.bind.inputs, strict=True)]
    return tuple(names + one + b"".join(np.ascontiguousarray(c[i]).tobytes() for c in columns)
                 for i, one in enumerate(told))  # fmt: skip


def _by_row(copies: Array) -> Array:
    return np.moveaxis(copies, 0, 1)
