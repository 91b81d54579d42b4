"""A chart: curves over one axis, in panels under each other, in the units they are labelled in. No Qt and no colours here."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from math import inf, isfinite, nan
from typing import Literal

from msgspec import Struct

from honest_lift.drawings.scene import Ink, Point


class Axis(Struct, frozen=True):
    """What an axis measures, its unit, and how many decimals its figures have."""

    title: str
    unit: str = ""
    places: int = 2

    @property
    def words(self) -> str:
        """Give its title with its unit."""
        return f"{self.title}, {self.unit}" if self.unit else self.title


class Series(Struct, frozen=True):
    """One curve. `dots`: points that were read, each a dot; `joined`: a line runs through the points.

    `band`: (x, low, high), what the curve is uncertain by. `keys`: of each point, what it leads to when it is chosen. `suspect`:
    which points, by their number, do not go with the others. `named`: where its name is written on the chart:
    over its highest point, under its lowest, to the left or right under that, at its end; "" nowhere.
    """

    name: str
    points: tuple[Point, ...]
    ink: Ink = "line"
    dashed: bool = False
    dots: bool = False
    joined: bool = True
    band: tuple[tuple[float, float, float], ...] = ()
    keys: tuple[str, ...] = ()
    suspect: tuple[int, ...] = ()
    named: Literal["", "top", "foot", "left", "right", "end"] = ""

    @property
    def name_at(self) -> Point | None:
        """Give the point its name stands at."""
        if not self.named or not self.points:
            return None
        if self.named == "end":
            return self.points[-1]
        return (max if self.named == "top" else min)(self.points, key=_figure)

    def at(self, x: float) -> float:
        """Give the figure at x, between points along a straight line; NaN outside them, and where nothing joins them."""
        if not self.joined or not self.points:
            return nan
        points = sorted(self.points)
        if not points[0][0] <= x <= points[-1][0]:
            return nan
        for (x1, y1), (x2, y2) in pairwise(points):
            if x1 <= x <= x2:
                return y1 if x2 == x1 else y1 + (x - x1) / (x2 - x1) * (y2 - y1)
        return points[0][1]


class Level(Struct, frozen=True):
    """A line across a panel with its words: a limit, or where something lies. `upright`: at an x, not at a y."""

    value: float
    words: str
    ink: Ink = "faint"
    upright: bool = False
    ends: tuple[float, float] | None = None  # where it begins and ends; None: all across
    above: bool = False  # its words stand over the line, and not under it


class Panel(Struct, frozen=True):
    """Curves on one scale of y. `share`: how much of the height it takes; `most`: what is shown at first ends there."""

    y: Axis
    series: tuple[Series, ...] = ()
    levels: tuple[Level, ...] = ()
    share: int = 1
    most: float = inf

    @property
    def looks(self) -> tuple[tuple[Ink, bool, bool, bool, bool], ...]:
        """Give how its curves are drawn, apart from where."""
        return tuple((one.ink, one.dashed, one.dots, one.joined, bool(one.band)) for one in self.series)


class Chart(Struct, frozen=True):
    """Panels under each other over one x. `falling`: x falls to the right, as a spring is pressed. `missing`: why there is none."""

    title: str
    x: Axis
    panels: tuple[Panel, ...] = ()
    missing: str = ""
    falling: bool = False

    @property
    def x_ends(self) -> tuple[float, float]:
        """Give the least and greatest x of what is drawn; 0 and 1 without anything."""
        xs = [x for panel in self.panels for one in panel.series for x, _ in one.points]
        xs += [one.value for panel in self.panels for one in panel.levels if one.upright and isfinite(one.value)]
        return (min(xs), max(xs)) if xs else (0.0, 1.0)

    @property
    def is_empty(self) -> bool:
        """Tell whether there is nothing to draw."""
        return not any(one.points for panel in self.panels for one in panel.series)


def read_out(chart: Chart, x: float) -> str:
    """Say in a line what every curve comes to at an x."""
    told = [
        f"{one.name} {value:.{panel.y.places}f} {panel.y.unit}".rstrip()
        for panel in chart.panels for one in panel.series if isfinite(value := one.at(x))
    ]  # fmt: skip
    return f"{chart.x.title} {x:.{chart.x.places}f} {chart.x.unit}".rstrip() + (": " + ", ".join(told) if told else "")


def chart_words(chart: Chart) -> str:
    """Say what a chart shows in sentences, for a screen reader."""
    if chart.is_empty:
        return f"{chart.title}: {chart.missing or 'nothing to draw'}."
    lines = [f"{chart.title}, over {chart.x.words}."]
    for panel in chart.panels:
        for one in panel.series:
            if not one.points:
                continue
            low, high = min(one.points, key=_figure), max(one.points, key=_figure)
            lines.append(
                f"{one.name}: {panel.y.words} from {low[1]:.{panel.y.places}f} at {low[0]:.{chart.x.places}f} "
                f"to {high[1]:.{panel.y.places}f} at {high[0]:.{chart.x.places}f}"
                + (f", {len(one.suspect)} suspect" if one.suspect else "") + "."
            )  # fmt: skip
        lines += [f"{level.words}." for level in panel.levels if level.words]
    return " ".join(lines)


def chart_table(chart: Chart) -> list[list[str]]:
    """Give a chart's points as rows under heads with units, one point of one curve a row."""
    rows = [["panel", "curve", chart.x.words, "value", "unit"]]
    for panel in chart.panels:
        for one in panel.series:
            rows += [[panel.y.title, one.name, f"{x:.6g}", f"{y:.6g}", panel.y.unit] for x, y in one.points]
    return rows


def nearest(chart: Chart, panel: int, x: float, y: float, wide: float, high: float) -> tuple[Series, int] | None:
    """Give the read point nearest to a place in a panel, in shares of what is seen; None where none is within a thirtieth."""
    best: tuple[float, Series, int] | None = None
    for one in chart.panels[panel].series:
        for i, (px, py) in enumerate(one.points if one.keys else ()):
            far = max(abs(px - x) / wide, abs(py - y) / high)
            if far < NEAR and (best is None or far < best[0]):
                best = far, one, i
    return (best[1], best[2]) if best else None


NEAR = 1 / 30


def stops(chart: Chart) -> Sequence[float]:
    """Give the x of every point that was read, in order: where the keyboard steps to."""
    return sorted({x for panel in chart.panels for one in panel.series if one.keys for x, _ in one.points})


def _figure(point: Point) -> float:
    return point[1]
