"""A spring's load curve as it was measured, with its rate in steps below, and what its geometry and its card say beside it."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from itertools import pairwise
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Ink, Line, Scene, Stroke, Words

_LEFT, _RIGHT, _FOOT, _TOP = 7.0, 97.0, 17.0, 44.0
_STEPS_FOOT, _STEPS_HIGH = 3.0, 9.0

Point = tuple[float, float]


class LoadCurve(Struct, frozen=True):
    """What is drawn of one spring, in the units it is labelled in: (height, load) each, heights in any order."""

    measured: tuple[Point, ...]
    curve: tuple[Point, ...] = ()
    predicted: tuple[Point, ...] = ()
    card: tuple[Point, ...] = ()
    bind: float = float("nan")
    length_unit: str = "mm"
    load_unit: str = "N"
    rate_unit: str = "N/mm"
    rates: tuple[tuple[float, float, str], ...] = ()  # from height, to height, the rate between them in words
    places: int = 2


def load_curve_scene(one: LoadCurve) -> Scene:
    """Draw it with the free end on the left and bind on the right, as a spring is pressed."""
    points = [*one.measured, *one.curve, *one.predicted, *one.card]
    if not points:
        return Scene((Words(50, 22, "no load is measured yet", ink="faint"),), 0, 0, 100, 48, stretched=True)
    heights = [height for height, _ in points] + ([one.bind] if isfinite(one.bind) else [])
    most = max(load for _, load in points) * 1.08
    high, low = max(heights), min(heights)
    span = (high - low) or 1.0

    def x(height: float) -> float:
        return _LEFT + (high - height) / span * (_RIGHT - _LEFT)

    def y(load: float) -> float:
        return _FOOT + load / most * (_TOP - _FOOT)

    def path(line: Sequence[Point], ink: Ink, *, dashed: bool = False) -> list[Stroke]:
        ends = [(x(height), y(load)) for height, load in sorted(line)]
        return [Line(*a, *b, ink, dashed) for a, b in pairwise(ends)]

    strokes: list[Stroke] = [Line(_LEFT, _FOOT, _RIGHT, _FOOT, "faint")]
    strokes += path(one.predicted, "faint", dashed=True) + path(one.curve, "line")
    for height, load in one.measured:
        strokes += [
            Circle(x(height), y(load), 0.9, filled=True),
            Words(x(height), y(load) + 2.6, f"{load:.0f}", size="small"),
        ]
    for height, load in one.card:
        strokes += [
            Line(x(height) - 1.2, y(load), x(height) + 1.2, y(load), "mark"),
            Line(x(height), y(load) - 1.4, x(height), y(load) + 1.4, "mark"),
        ]
    if isfinite(one.bind):
        strokes += [Line(x(one.bind), _FOOT, x(one.bind), _TOP, "mark", True),
                    Words(x(one.bind) - 0.8, _FOOT + 2, f"binds {one.bind:.{one.places}f}", "right", "small", "mark")]  # fmt: skip
    strokes += _rates(one, x)
    words = f"load, {one.load_unit}; dashed: by geometry; crosses: its card"
    strokes.append(Words(50, 46.6, words, size="small", ink="faint"))
    return Scene(tuple(strokes), 0, 0, 100, 48, stretched=True)


def _rates(one: LoadCurve, x: Callable[[float], float]) -> list[Stroke]:
    """Draw the rate between each pair of points as a step."""
    figures = [float(words.split()[0]) for _, _, words in one.rates]
    if not figures:
        return []
    most = max(figures) * 1.15
    strokes: list[Stroke] = []
    before: Point | None = None
    for (start, end, words), figure in zip(sorted(one.rates, reverse=True), _by_height(one), strict=True):
        level = _STEPS_FOOT + figure / most * _STEPS_HIGH
        strokes.append(Line(x(start), level, x(end), level, "line"))
        if before:
            strokes.append(Line(x(start), before[1], x(start), level, "faint"))
        strokes.append(Words((x(start) + x(end)) / 2, level - 2.4, words, size="small", ink="faint"))
        before = (end, level)
    return strokes


def _by_height(one: LoadCurve) -> list[float]:
    return [float(words.split()[0]) for _, _, words in sorted(one.rates, reverse=True)]
