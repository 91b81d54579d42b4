"""A valve train at speed as charts in a person's units: the sweep, the turn at one speed, and surge."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.drawings.chart import Axis, Chart
from honest_lift.drawings.scene import Point
from honest_lift.drawings.train.at_speed import motion_chart, surge_chart, sweep_chart
from honest_lift.mechanics.motion.seen import Trace
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import from_inside, unit_of
from honest_lift.words.train.speed import band_of, points_of
from honest_lift.words.train.surge import Surge

_BEYOND = 1.15  # times what is looked for: farther up the motion is chaotic
_ENOUGH_MM = 0.3  # a gap nobody would overlook
_POINTS = 420
_AROUND_DEG = 200.0  # of the lobe's centreline: the rest is its base circle


def chart_of_sweep(moved: InMotion | None, case: int, unit: str, missing: str) -> Chart:
    """Draw a valve over speed; `missing` where there is no sweep of it."""
    sweep = moved.swept.sweeps[case] if moved is not None else None
    length = Axis("gap, bounce", unit, unit_of("length", unit).places)
    if moved is None or sweep is None:
        return sweep_chart((), (), (), (), 0.0, length, 1.0, missing)
    scale = from_inside(1.0, "length", unit)
    bands = [band_of(moved, case, which) for which in ("float", "bounce")]
    red = float(moved.red_rpm[case])
    top = _BEYOND * max(one for one in (red, *(band.at for band in bands)) if isfinite(one))

    def points(name: str, by: float) -> tuple[Point, ...]:
        return tuple(point for point in points_of(sweep, name, by) if point[0] <= top)

    return sweep_chart(
        points("loft_mm", scale), points("bounce_mm", scale), points("seating_mm_s", 1e-3), bands, red, length,
        _ENOUGH_MM * scale, missing,
    )  # fmt: skip


def chart_of_motion(trace: Trace | None, length: str, load: str, missing: str) -> Chart:
    """Draw one cycle; `missing` where nothing has been moved."""
    axes = (
        Axis("valve lift", length, unit_of("length", length).places),
        Axis("force", load, unit_of("load", load).places),
    )
    if trace is None or not len(trace.crank_deg):
        return motion_chart((), (), (), (), (), *axes, missing)
    order = np.argsort(trace.crank_deg[:, 0])
    order = order[np.abs(trace.crank_deg[order, 0]) <= _AROUND_DEG]
    rows = order[:: max(len(order) // _POINTS, 1)]

    def column(figures: Array, dimension: str, unit: str) -> list[float]:
        return [float(from_inside(one, dimension, unit)) for one in figures[rows, 0]]

    return motion_chart(
        trace.crank_deg[rows, 0].tolist(), column(np.maximum(trace.asked_mm, 0.0), "length", length),
        column(trace.lift_mm, "length", length), column(trace.push_n, "load", load), column(trace.spring_n, "load", load),
        *axes, missing,
    )  # fmt: skip


def chart_of_surge(surge: Surge | None, unit: str, missing: str) -> Chart:
    """Draw the harmonic map of a valve's spring; `missing` where nothing is known of it."""
    axis = Axis("coils closed by surge", unit, unit_of("length", unit).places)
    if surge is None:
        return surge_chart((), (), float("nan"), 0.0, axis, missing)
    scale = from_inside(1.0, "length", unit)

    def points(figures: Array) -> tuple[Point, ...]:
        return tuple(zip(surge.rpm.tolist(), (figures * scale).tolist(), strict=True))

    orders = [(order, points(own)) for order, own in surge.strongest]
    return surge_chart(points(surge.closed_mm), orders, surge.left_mm * scale, surge.red_rpm, axis, missing)
