"""A valve train at speed as charts in a person's units: the sweep, the turn at one speed, and surge."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.drawings.chart import Axis, Chart, Panel, Series
from honest_lift.drawings.scene import Point
from honest_lift.drawings.train.at_speed import motion_chart, surge_chart, sweep_chart
from honest_lift.estimates.motion.stiffness_read import StiffnessRead, stiffness_read
from honest_lift.facts.engine import Book
from honest_lift.mechanics.motion.seen import Trace
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import from_inside, to_inside, unit_of
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


def chart_of_stiffness(book: Book, position: str, load: str, length: str, missing: str) -> Chart:
    """Draw what a valve gave way under loads on its tip, with the line through it."""
    read = stiffness_read(book, position) if position else StiffnessRead()
    axes = (
        Axis("load on the tip", load, unit_of("load", load).places),
        Axis("lift lost", length, unit_of("length", length).places),
    )
    points = tuple(
        (from_inside(force, "load", load), from_inside(lost, "length", length))
        for force, lost in zip(read.load_n, read.lost_mm, strict=True)
    )
    series = [Series("as read", points, "mark", dots=True, joined=False)] if points else []
    if read.stiffness is not None:
        middle = [sum(column) / len(points) for column in zip(*points, strict=True)]
        rise = from_inside(to_inside(1.0, "load", load) / read.stiffness.value, "length", length)
        far = max(x for x, _ in points) * 1.05
        line = tuple((x, middle[1] + rise * (x - middle[0])) for x in (0.0, far))
        series.append(Series("stiffness", line if len(points) > 1 else ((0.0, 0.0), (far, rise * far)), "line"))
    return Chart("Lift lost to a load on the tip", axes[0], (Panel(axes[1], tuple(series)),), "" if points else missing)


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
