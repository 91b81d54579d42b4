"""A chart as SVG: black on white, curves told apart by weight and dashes, every axis with its unit. It needs no window."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from itertools import pairwise
from math import ceil, floor, isfinite, log10
from xml.sax.saxutils import escape

from honest_lift.drawings.chart import Chart, Level, Panel, Series
from honest_lift.drawings.scene import Point

_LEFT, _RIGHT, _TOP, _FOOT, _BETWEEN = 62.0, 14.0, 26.0, 34.0, 16.0  # points about the panels
_INKS = {"line": ("#1f2a33", 1.4), "cut": ("#1f2a33", 2.2), "mark": ("#8a5a00", 1.8), "faint": ("#7d868d", 0.9),
         "fill": ("#7d868d", 1.0), "band": ("#7d868d", 1.0)}  # fmt: skip
_ROOM = 0.06  # of what is drawn, beyond it on each side
_TICKS = 6
Scale = Callable[[float], float]


def chart_svg(chart: Chart, wide: float = 640.0, high: float = 300.0) -> str:
    """Write a chart, its panels under each other; in words what is missing where there is nothing to draw."""
    body = "\n".join(_drawn(chart, wide, high))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}" height="{high:g}" viewBox="0 0 {wide:g} {high:g}" '
        f'font-family="sans-serif" font-size="11" fill="#1f2a33">\n<rect width="100%" height="100%" fill="#ffffff"/>\n'
        f'<text x="{_LEFT:g}" y="16" font-size="13" font-weight="bold">{escape(chart.title)}</text>\n{body}\n</svg>\n'
    )


def _drawn(chart: Chart, wide: float, high: float) -> Iterator[str]:
    if chart.is_empty:
        yield f'<text x="{wide / 2:g}" y="{high / 2:g}" text-anchor="middle">{escape(chart.missing or "nothing to draw")}</text>'
        return
    low, top = _roomy(*chart.x_ends)
    ends = (top, low) if chart.falling else (low, top)
    x = _scale(ends, (_LEFT, wide - _RIGHT))
    shares = sum(one.share for one in chart.panels)
    room = high - _TOP - _FOOT - _BETWEEN * (len(chart.panels) - 1)
    above = _TOP
    for panel in chart.panels:
        below = above + room * panel.share / shares
        yield from _panel(panel, x, (low, top), above, below)
        above = below + _BETWEEN
    foot = high - _FOOT
    for at in _ticks(low, top):
        yield f'<text x="{x(at):.1f}" y="{foot + 13:.1f}" text-anchor="middle">{at:g}</text>'
    yield f'<text x="{(_LEFT + wide - _RIGHT) / 2:g}" y="{high - 6:g}" text-anchor="middle">{escape(chart.x.words)}</text>'


def _panel(panel: Panel, x: Scale, ends: tuple[float, float], above: float, below: float) -> Iterator[str]:
    low, top = _of_panel(panel)
    y = _scale((low, top), (below, above))
    left, right = sorted((x(ends[0]), x(ends[1])))
    for at in _ticks(low, top, 4):
        yield f'<line x1="{left:.1f}" x2="{right:.1f}" y1="{y(at):.1f}" y2="{y(at):.1f}" stroke="#d9dee2" stroke-width="0.6"/>'
        yield f'<text x="{left - 4:.1f}" y="{y(at) + 4:.1f}" text-anchor="end">{at:g}</text>'
    middle = (above + below) / 2
    yield (
        f'<text x="12" y="{middle:.1f}" text-anchor="middle" transform="rotate(-90 12 {middle:.1f})">'
        f"{escape(panel.y.words)}</text>"
    )
    frame = f'x="{left:.1f}" y="{above:.1f}" width="{right - left:.1f}" height="{below - above:.1f}"'
    yield f'<rect {frame} fill="none" stroke="#1f2a33"/>'
    for level in panel.levels:
        yield from _level(level, x, y, (left, right), (above, below))
    for one in panel.series:
        yield from _curve(one, x, y, (above, below))


def _level(
    level: Level, x: Scale, y: Scale, across: tuple[float, float], upright: tuple[float, float]
) -> Iterator[str]:
    at = x(level.value) if level.upright else y(level.value)
    inside = across if level.upright else upright
    if not isfinite(at) or not inside[0] - 0.5 <= at <= inside[1] + 0.5:
        return
    colour, weight = _INKS[level.ink]
    look = f'stroke="{colour}" stroke-width="{weight}" stroke-dasharray="2 3"'
    if level.upright:
        yield f'<line x1="{at:.1f}" x2="{at:.1f}" y1="{upright[0]:.1f}" y2="{upright[1]:.1f}" {look}/>'
        foot = upright[0] + 11 if level.above else upright[1] - 4
        yield f'<text x="{at + 3:.1f}" y="{foot:.1f}" font-size="10">{escape(level.words)}</text>'
        return
    ends = across if level.ends is None else sorted((x(level.ends[0]), x(level.ends[1])))
    yield f'<line x1="{ends[0]:.1f}" x2="{ends[1]:.1f}" y1="{at:.1f}" y2="{at:.1f}" {look}/>'
    yield f'<text x="{ends[0] + 4:.1f}" y="{at + (-3 if level.above else 11):.1f}" font-size="10">{escape(level.words)}</text>'


def _curve(one: Series, x: Scale, y: Scale, upright: tuple[float, float]) -> Iterator[str]:
    def placed(at: float, value: float) -> str:
        return f"{x(at):.1f},{y(value):.1f}"

    def is_seen(value: float) -> bool:
        return upright[0] - 0.05 <= y(value) <= upright[1] + 0.05

    colour, weight = _INKS[one.ink]
    if one.band:
        least, most = _ends_of(y, upright)
        held = [(at, max(low, least), min(high, most)) for at, low, high in one.band if low < most and high > least]
        edge = [placed(at, high) for at, _, high in held] + [placed(at, low) for at, low, _ in reversed(held)]
        yield f'<polygon points="{" ".join(edge)}" fill="{colour}" fill-opacity="0.14"/>'
    dashes = ' stroke-dasharray="6 3"' if one.dashed else ""
    for run in inside(one.points, *_ends_of(y, upright)) if one.joined else ():
        points = " ".join(placed(*point) for point in run)
        yield f'<polyline points="{points}" fill="none" stroke="{colour}" stroke-width="{weight}"{dashes}/>'
    for k, point in enumerate(one.points if one.dots else ()):
        if is_seen(point[1]):
            across, down = placed(*point).split(",")
            fill = "#ffffff" if k in one.suspect else colour
            yield f'<circle cx="{across}" cy="{down}" r="2.6" fill="{fill}" stroke="{colour}"/>'
    if one.name_at is not None and is_seen(one.name_at[1]):
        across, down = placed(*one.name_at).split(",")
        lower = -6.0 if one.named == "top" else 12.0
        yield f'<text x="{across}" y="{float(down) + lower:.1f}" text-anchor="middle" font-size="10">{escape(one.name)}</text>'


def _ends_of(y: Scale, upright: tuple[float, float]) -> tuple[float, float]:
    """Give the figures at the foot and at the top of a panel: y is a straight scale."""
    by = y(1.0) - y(0.0)
    return (upright[1] - y(0.0)) / by, (upright[0] - y(0.0)) / by


def inside(points: Sequence[Point], low: float, high: float) -> list[list[Point]]:
    """Give the runs of a curve that lie between two figures, each ending where it leaves; what is no figure parts it too.

    >>> inside([(0.0, 0.0), (1.0, 2.0), (2.0, 0.0)], -1.0, 1.0)
    [[(0.0, 0.0), (0.5, 1.0)], [(1.5, 1.0), (2.0, 0.0)]]
    """
    runs: list[list[Point]] = []
    for first, second in pairwise(points):
        part = _clipped(first, second, low, high)
        if part is None:
            continue
        if runs and runs[-1][-1] == part[0]:
            runs[-1].append(part[1])
        else:
            runs.append(list(part))
    return runs


def _clipped(first: Point, second: Point, low: float, high: float) -> tuple[Point, Point] | None:
    """Give the part of a straight piece between two figures; None where none of it is."""
    rise = second[1] - first[1]
    if not isfinite(rise):
        return None
    if rise == 0.0:
        return (first, second) if low <= first[1] <= high else None
    shares = sorted(((low - first[1]) / rise, (high - first[1]) / rise))
    start, end = max(shares[0], 0.0), min(shares[1], 1.0)
    if start >= end:
        return None
    across = second[0] - first[0]
    one = first if start == 0.0 else (first[0] + start * across, first[1] + start * rise)
    other = second if end == 1.0 else (first[0] + end * across, first[1] + end * rise)
    return one, other


def _of_panel(panel: Panel) -> tuple[float, float]:
    """Give the ends of a panel's y: all its curves, their bands and the levels that lie across."""
    figures = [y for one in panel.series for _, y in one.points]
    figures += [end for one in panel.series for _, low, high in one.band for end in (low, high)]
    figures += [one.value for one in panel.levels if not one.upright]
    known = [one for one in figures if isfinite(one)]
    low, top = (min(known), max(known)) if known else (0.0, 1.0)
    return _roomy(low, min(top, panel.most) if low < panel.most else top)


def _roomy(low: float, top: float) -> tuple[float, float]:
    room = (top - low) * _ROOM or abs(top) * _ROOM or 1.0
    return low - room, top + room


def _scale(ends: tuple[float, float], across: tuple[float, float]) -> Scale:
    by = (across[1] - across[0]) / (ends[1] - ends[0])
    return lambda value: across[0] + (value - ends[0]) * by


def _ticks(low: float, top: float, most: int = _TICKS) -> list[float]:
    """Give round figures between two ends, `most` at the most.

    >>> _ticks(0.0, 100.0)
    [0.0, 20.0, 40.0, 60.0, 80.0, 100.0]
    """
    rough = (top - low) / most
    power = 10.0 ** floor(log10(rough))
    step = next(power * by for by in (1.0, 2.0, 5.0, 10.0) if power * by >= rough)
    return [round(k * step, 12) for k in range(ceil(low / step - 1e-9), floor(top / step + 1e-9) + 1)]
