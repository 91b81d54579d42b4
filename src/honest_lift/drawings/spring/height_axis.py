"""All installed heights on one axis, with the band they are set up to and the current valve filled."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Line, Scene, Stroke, Words

_WIDE, _HIGH = 100.0, 50.0


class Dot(Struct, frozen=True):
    """One valve's height on the axis, in the unit the axis is labelled in."""

    name: str
    height: float
    current: bool


def height_axis_scene(
    dots: Sequence[Dot],
    low: float,
    high: float,
    places: int,
    unit: str,
    title: str = "",
    band: str = "target {low} to {high}",
) -> Scene:
    """Draw the axis with its dots; `low` and `high` bound the band, NaN where there is none. `band` names it."""
    known = [dot for dot in dots if isfinite(dot.height)]
    ends = [dot.height for dot in known] + [end for end in (low, high) if isfinite(end)]
    if not ends:
        return Scene((Words(50, 25, "no height is measured yet", ink="faint"),), 0, 0, _WIDE, _HIGH, stretched=True)
    first, last = min(ends), max(ends)
    room = max((last - first) * 0.12, 10.0**-places * 5)
    first, last = first - room, last + room

    def x(value: float) -> float:
        return 4 + (value - first) / (last - first) * (_WIDE - 8)

    strokes: list[Stroke] = [Line(4, 9, _WIDE - 4, 9, "faint")]
    if isfinite(low) and isfinite(high):
        strokes.append(Box(x(low), 9, x(high) - x(low), 33, "band", filled=True))
        strokes.append(
            Words(
                (x(low) + x(high)) / 2,
                45.5,
                band.format(low=f"{low:.{places}f}", high=f"{high:.{places}f}"),
                size="small",
            )
        )
        strokes += [Line(x(end), 9, x(end), 42, "faint") for end in (low, high)]
    elif isfinite(low) or isfinite(high):
        end, words = (low, "min") if isfinite(low) else (high, "max")
        strokes.append(Line(x(end), 9, x(end), 42, "mark", dashed=True))
        strokes.append(Words(x(end), 45.5, f"{words} {end:.{places}f}", size="small", ink="mark"))
    strokes += [Words(x(end), 5, f"{end:.{places}f}", size="small", ink="faint") for end in _ticks(first, last, places)]
    strokes += _stacked(known, x)
    strokes.append(
        Words(_WIDE / 2, -0.5, title or f"installed heights of all valves, {unit}", size="small", ink="faint")
    )
    return Scene(tuple(strokes), 0, -3, _WIDE, 48, stretched=True)


def _stacked(dots: list[Dot], x: Callable[[float], float]) -> list[Stroke]:
    """Lay dots along the axis, one above the other where they would touch."""
    strokes: list[Stroke] = []
    placed: list[tuple[Dot, float, int]] = []
    ends: list[float] = []
    for dot in sorted(dots, key=lambda one: one.height):
        at = x(dot.height)
        row = next((i for i, end in enumerate(ends) if at - end >= 3.4), len(ends))
        ends[row : row + 1] = [at]
        placed.append((dot, at, row))
    rise = min(2.9, 26.0 / max(len(ends) - 1, 1))
    for dot, at, row in placed:
        y = 11.5 + rise * row
        strokes.append(
            Circle(at, y, 1.7 if dot.current else 1.3, "mark" if dot.current else "line", filled=dot.current)
        )
        if dot.current:
            strokes.append(Words(at, 39.5, dot.name, ink="mark"))
            strokes.append(Line(at, y, at, 37, "mark"))
    return strokes


def _ticks(first: float, last: float, places: int) -> list[float]:
    """Give about four round values along the axis."""
    step = 10.0**-places
    step = next(step * f * 10.0**d for d in range(9) for f in (1, 2, 5) if (last - first) / (step * f * 10.0**d) <= 5)
    start = int(first / step) + 1
    return [i * step for i in range(start, int(last / step) + 1)]
