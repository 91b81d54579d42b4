"""A valve train at speed as charts: what it does over speed, through the turn at one speed, and how its spring is shaken."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Point

_SPEED, _ABOUT = Axis("crank speed", "rpm", 0), Axis("crank from the lobe's centreline", "deg", 0)
_AT_FIRST = 3.0  # times the limit of what is looked for: farther up a gap is only large


class Band(Struct, frozen=True):
    """From what speed on something is, in rpm: most likely, and between which it surely lies; infinite for not in the sweep."""

    name: str
    low: float
    at: float
    high: float


def sweep_chart(
    loft: Sequence[Point], bounce: Sequence[Point], blows: Sequence[Point], bands: Sequence[Band], red_rpm: float, length: Axis,
    enough: float, missing: str,
) -> Chart:  # fmt: skip
    """Draw gap and bounce over speed, the blows on the seat in m/s under them, and the bands of both with the red line.

    `enough`: a gap, in the unit of the axis, that nobody would overlook; what is drawn at first ends a few times above it.
    """
    if not loft:
        return Chart("Float and bounce over speed", _SPEED, (), missing)
    step = enough * 0.12
    ends = loft[0][0], loft[-1][0]
    bars = [
        Series(f"{one.name}, its band", tuple((min(max(end, ends[0]), ends[1]), -step * (k + 1)) for end in (one.low, one.high)),
               "cut", dashed=k > 0)
        for k, one in enumerate(bands) if isfinite(one.low)
    ]  # fmt: skip
    curves = (
        Series("gap in the train", tuple(loft), "cut"),
        Series("bounce off the seat", tuple(bounce), "line", dashed=True),
        *bars,
    )
    marks = [
        Level(one.at, one.name, "faint", upright=True, above=k > 0) for k, one in enumerate(bands) if isfinite(one.at)
    ]
    red = Level(red_rpm, f"red line {red_rpm:,.0f}", "mark", upright=True)
    above = Panel(length, curves, (red, *marks[:1]), 3, enough * _AT_FIRST)
    below = Panel(Axis("meets its seat at", "m/s", 1), (Series("blow on the seat", tuple(blows), "line"),),
                  (Level(red_rpm, "", "mark", upright=True),), 1)  # fmt: skip
    return Chart("Float and bounce over speed", _SPEED, (above, below))


def motion_chart(
    crank_deg: Sequence[float], asked: Sequence[float], lift: Sequence[float], push: Sequence[float], spring: Sequence[float],
    length: Axis, load: Axis, missing: str,
) -> Chart:  # fmt: skip
    """Draw what the cam asks for and what the valve does through the turn, with the forces of train and spring under it."""
    if not crank_deg:
        return Chart("Valve through the turn", _ABOUT, (), missing)

    def curve(name: str, figures: Sequence[float], ink: str, *, dashed: bool = False) -> Series:
        return Series(name, tuple(zip(crank_deg, figures, strict=True)), ink, dashed)  # type: ignore[arg-type]

    lifts = (curve("asked by the cam", asked, "line", dashed=True), curve("the valve", lift, "mark"))
    forces = (curve("spring", spring, "mark"), curve("through the train", push, "line"))
    return Chart("Valve through the turn", _ABOUT, (Panel(length, lifts, (), 3), Panel(load, forces, (), 2)))


def surge_chart(
    closed: Sequence[Point],
    orders: Sequence[tuple[int, Sequence[Point]]],
    left: float,
    red_rpm: float,
    length: Axis,
    missing: str,
) -> Chart:
    """Draw by how much surge closes the coils over speed, whole and by its strongest orders, against what lies between them."""
    if not closed:
        return Chart("Surge over speed", _SPEED, (), missing)
    tops = sorted(orders, key=lambda one: -max(y for _, y in one[1]))
    named = {order for order, _ in tops[:1]}  # the others lie beside it, and the cursor tells them
    curves = (
        *(
            Series(f"order {order}", tuple(points), "faint", named="top" if order in named else "")
            for order, points in orders
        ),
        Series("all orders", tuple(closed), "cut"),
    )
    levels = [Level(red_rpm, f"red line {red_rpm:,.0f}", "mark", upright=True)]
    if isfinite(left):
        levels.append(Level(left, "coil-bind clearance at full lift", "line", above=True))
    return Chart("Surge over speed", _SPEED, (Panel(length, curves, tuple(levels)),))
