"""Both valves around the overlap, the piston under them, and where they cross the lift that events are told at."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Ink

SPAN_DEG = 300.0


class Curve(Struct, frozen=True):
    """One valve: (crank degrees, figure) in the unit it is labelled in, its figure at TDC, and where it crosses the check lift."""

    name: str
    points: tuple[tuple[float, float], ...]
    at_tdc: float
    events: tuple[float, float] | None
    ink: Ink
    assumed: bool = False


class Shown(Struct, frozen=True):
    """What the curves are of: its title, places and unit; the check lift to mark on a lift curve, None on others."""

    title: str
    places: int
    unit: str
    check: float | None = None


def _named(one: Curve, shown: Shown) -> str:
    """Name a valve, on a lift curve with what it lifts."""
    return one.name if shown.check is None else f"{one.name} {max(y for _, y in one.points):.{shown.places}f}"


def turn_chart(curves: Sequence[Curve], shown: Shown, piston: Sequence[tuple[float, float]] = ()) -> Chart:
    """Draw the curves over the turn, assumed shapes dashed; `piston`: (crank degrees, drop below TDC) in the unit of the lift."""
    series = [Series(_named(one, shown), one.points, one.ink, one.assumed, named="top") for one in curves if one.points]
    for one in curves:
        if isfinite(one.at_tdc) and one.at_tdc > 0 and shown.check is not None:
            series.append(Series(f"{one.name} at TDC", ((0.0, one.at_tdc),), one.ink, dots=True, joined=False))
        if one.events and shown.check is not None:
            points = tuple((at, shown.check) for at in one.events)
            series.append(
                Series(
                    f"{one.name} at {shown.check:.{shown.places}f} {shown.unit}",
                    points,
                    one.ink,
                    dots=True,
                    joined=False,
                )
            )
    levels = [Level(0.0, "TDC", upright=True)]
    panels = [Panel(Axis(shown.title, shown.unit, shown.places), tuple(series), tuple(levels), 3)]
    if piston and curves:
        crown = tuple((at, -drop) for at, drop in piston)
        panels.append(Panel(Axis("piston", shown.unit.split("/")[0], 1), (Series("piston", crown, "faint"),), (), 1))
    return Chart(
        "Valves around the turn", Axis("crank", "deg from overlap TDC", 0), tuple(panels), "no lobe is stated yet"
    )
