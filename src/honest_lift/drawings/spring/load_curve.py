"""A spring's load curve as it was measured, its rate in steps below, and what its geometry and its card say beside it."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Point


class LoadCurve(Struct, frozen=True):
    """What is drawn of one spring, in the units it is labelled in: (height, load) each, heights in any order.

    `band`: (height, low, high), what its load between the points is uncertain by; `keys`: of each measured point.
    """

    measured: tuple[Point, ...]
    curve: tuple[Point, ...] = ()
    band: tuple[tuple[float, float, float], ...] = ()
    predicted: tuple[Point, ...] = ()
    card: tuple[Point, ...] = ()
    bind: float = float("nan")
    length_unit: str = "mm"
    load_unit: str = "N"
    rate_unit: str = "N/mm"
    rates: tuple[tuple[float, float, float], ...] = ()  # from height, to height, the rate between them
    places: int = 2
    keys: tuple[str, ...] = ()


def load_chart(one: LoadCurve) -> Chart:
    """Draw it with the free end on the left and bind on the right, as a spring is pressed."""
    x, missing = Axis("height", one.length_unit, one.places), "no load is measured yet"
    if not (one.measured or one.curve or one.predicted or one.card):
        return Chart("Load curve", x, (), missing, falling=True)
    series = [
        Series("by geometry", one.predicted, "faint", dashed=True, named="foot"),
        Series("measured", one.curve, "line", band=one.band),
        Series("card", one.card, "mark", dots=True, joined=False, named="left"),
        Series("read", one.measured, "line", dots=True, joined=False, keys=one.keys),
    ]  # fmt: skip
    levels = (Level(one.bind, f"binds {one.bind:.{one.places}f}", "mark", upright=True),) if isfinite(one.bind) else ()
    shown = tuple(each for each in series if each.points)
    panels = [Panel(Axis("load", one.load_unit, 0), shown, levels, 3)]
    if steps := _steps(one.rates):
        panels.append(Panel(Axis("rate", one.rate_unit, 0), (Series("rate", steps, "line"),), (), 2))
    return Chart("Load curve", x, tuple(panels), missing, falling=True)


def _steps(rates: tuple[tuple[float, float, float], ...]) -> tuple[Point, ...]:
    """Give the rate as steps between the measured heights, in order."""
    told = sorted((min(start, end), max(start, end), rate) for start, end, rate in rates)
    return tuple(point for low, high, rate in told for point in ((low, rate), (high, rate)))
