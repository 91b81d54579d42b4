"""Every pocket's window of installed heights beside its neighbours', with the height it has and the one planned."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Ink, Line, Scene, Stroke, Words

_WIDE, _FOOT, _HEAD = 100.0, 8.0, 46.0
_MARGIN = 9.0  # left of the first pocket, for the figures of the axis


class PocketWindow(Struct, frozen=True):
    """One pocket, heights in the unit of the axis, NaN for none. An empty window has its low above its high."""

    name: str
    low: float
    high: float
    now: float
    then: float
    current: bool


def pocket_windows_scene(pockets: Sequence[PocketWindow], places: int, unit: str) -> Scene:
    """Draw windows as bars, the present height as a ring and the planned one filled; an empty window is crossed out."""
    ends = [one for pocket in pockets for one in (pocket.low, pocket.high, pocket.now, pocket.then) if isfinite(one)]
    if not ends:
        words = Words(50, 25, "no window is known yet: heights, springs, lift and limits make one", ink="faint")
        return Scene((words,), 0, 0, _WIDE, 50, stretched=True)
    first, last = min(ends), max(ends)
    room = max((last - first) * 0.08, 10.0**-places * 3)
    first, last = first - room, last + room

    def y(value: float) -> float:
        return _FOOT + (value - first) / (last - first) * (_HEAD - _FOOT)

    strokes: list[Stroke] = []
    for value in (first + room, last - room):
        strokes.append(Line(_MARGIN, y(value), _WIDE, y(value), "faint", dashed=True))
        strokes.append(Words(_MARGIN - 1, y(value), f"{value:.{places}f}", "right", "small", "faint"))
    pitch = (_WIDE - _MARGIN) / max(len(pockets), 1)
    for i, pocket in enumerate(pockets):
        strokes += _pocket(pocket, _MARGIN + pitch * (i + 0.5), pitch, y)
    strokes.append(Words(_MARGIN - 1, 49, unit, "right", "small", "faint"))
    return Scene(tuple(strokes), 0, 0, _WIDE, 50, stretched=True)


def _pocket(pocket: PocketWindow, x: float, pitch: float, y: Callable[[float], float]) -> list[Stroke]:
    ink: Ink = "mark" if pocket.current else "line"
    strokes: list[Stroke] = [Words(x, 3.5, pocket.name, size="small", ink=ink)]
    half = pitch * 0.28
    if isfinite(pocket.low) and isfinite(pocket.high):
        low, high = sorted((y(pocket.low), y(pocket.high)))
        if pocket.low <= pocket.high:
            strokes.append(Box(x - half, low, 2 * half, high - low, "band", filled=True))
            strokes += [Line(x - half, end, x + half, end, ink) for end in (low, high)]
        else:
            strokes += [Line(x - half, low, x + half, high, "mark"), Line(x - half, high, x + half, low, "mark")]
    if isfinite(pocket.now):
        strokes.append(Circle(x, y(pocket.now), 1.3, ink))
    if isfinite(pocket.then):
        strokes.append(Circle(x, y(pocket.then), 1.0, "mark", filled=True))
    return strokes
