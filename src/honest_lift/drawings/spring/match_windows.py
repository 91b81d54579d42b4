"""Candidates on one axis of heights: each its window, the pockets as they would stand in it, and above them the bare pockets."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Ink, Line, Scene, Stroke, Words

_WIDE, _LEFT, _RIGHT, _ROW = 100.0, 24.0, 98.0, 6.0
_FOOT = 6.0


class WindowRow(Struct, frozen=True):
    """A candidate: its name, the window that holds at every pocket, and its pockets' heights, in the unit of the axis."""

    name: str
    low: float
    high: float
    heights: tuple[float, ...]
    current: bool = False


def match_windows_scene(bare: Sequence[float], windows: Sequence[WindowRow], places: int, unit: str) -> Scene:
    """Draw a row a candidate, windows as bars and pockets as dots; rings in the top row are pockets without shims."""
    ends = [one for row in windows for one in (row.low, row.high, *row.heights) if isfinite(one)]
    ends += [one for one in bare if isfinite(one)]
    if not windows or not ends:
        told = Words(50, 14, "no candidate yet: Find looks for some", ink="faint")
        return Scene((told,), 0, 0, _WIDE, 28, stretched=True)
    room = max((max(ends) - min(ends)) * 0.06, 10.0**-places * 2)
    first, last = min(ends) - room, max(ends) + room

    def x(value: float) -> float:
        return _LEFT + (value - first) / (last - first) * (_RIGHT - _LEFT)

    top = _FOOT + _ROW * (len(windows) + 1)
    strokes: list[Stroke] = [Words(_LEFT - 1, top - _ROW / 2, "bare pockets", "right", "small", "faint")]
    strokes += [Circle(x(one), top - _ROW / 2, 0.7, "faint") for one in bare if isfinite(one)]
    for row, one in enumerate(windows):
        strokes += _row(one, top - _ROW * (row + 1.5), x)
    for value in (first + room, (first + last) / 2, last - room):
        strokes += [Line(x(value), _FOOT - 1, x(value), top, "faint", dashed=True),
                    Words(x(value), 2, f"{value:.{places}f}", size="small", ink="faint")]  # fmt: skip
    strokes.append(Words(_LEFT - 1, 2, f"height, {unit}", "right", "small", "faint"))
    return Scene(tuple(strokes), 0, 0, _WIDE, top + 1, stretched=True)


def _row(one: WindowRow, y: float, x: Callable[[float], float]) -> list[Stroke]:
    ink: Ink = "mark" if one.current else "line"
    strokes: list[Stroke] = [Words(_LEFT - 1, y, one.name, "right", "small", ink)]
    if isfinite(one.low) and isfinite(one.high):
        strokes.append(Box(x(one.low), y - 1.8, max(x(one.high) - x(one.low), 0.3), 3.6, "band", filled=True))
        strokes += [Line(x(end), y - 1.8, x(end), y + 1.8, ink) for end in (one.low, one.high)]
    strokes += [Circle(x(height), y, 0.6, ink, filled=True) for height in one.heights if isfinite(height)]
    return strokes
