"""The marks of all valves side by side in head order: across the tip upward, outboard on top, the stem's axis in the middle."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Ink, Line, Scene, Stroke, Words

_WIDE = 10.0  # of a valve in the picture
_ROOM = 1.25  # over the furthest end
_LEAST_MM = 1.0
_FEWEST = 12  # so that the marks of a few valves are not drawn as wide as a head


class ValveMark(Struct, frozen=True):
    """A mark by the geometry, the expanded doubt of its ends, and the one that was seen; mm, outboard positive, NaN for none."""

    name: str
    inner: float
    outer: float
    u_mm: float
    seen: tuple[float, float] | None = None
    current: bool = False


def marks_scene(marks: list[ValveMark], limit_mm: float, words: str, *, pale: bool = False) -> Scene:
    """Draw the marks. `limit_mm`: how far off the middle a mark may lie, NaN for none; `pale`: they are being worked out anew."""
    ends = [abs(end) + one.u_mm for one in marks for end in (one.inner, one.outer) if isfinite(end)]
    ends += [abs(end) for one in marks if one.seen for end in one.seen]
    high = _ROOM * max([_LEAST_MM, *ends])
    wide = _WIDE * max(len(marks), _FEWEST)
    strokes: list[Stroke] = [Line(0, 0, wide, 0, "faint", True), Words(0, high * 1.15, words, "left", "small", "faint")]
    if isfinite(limit_mm) and limit_mm < high:
        strokes += [Line(0, side * limit_mm, wide, side * limit_mm, "faint", True) for side in (-1, 1)]
    for at, one in enumerate(marks):
        strokes += _mark(one, _WIDE * (at + 0.5), high, pale=pale)
    return Scene(tuple(strokes), -1.0, -high * 1.35, wide + 1.0, high * 1.3, stretched=True)


def _mark(one: ValveMark, x: float, high: float, *, pale: bool) -> list[Stroke]:
    ink: Ink = "faint" if pale else "mark"
    strokes: list[Stroke] = [
        Words(
            x, -high * 1.2, one.name, size="label" if one.current else "small", ink="line" if one.current else "faint"
        )
    ]
    if isfinite(one.inner):
        strokes.append(Box(x - 2.2, one.inner, 2.2, max(one.outer - one.inner, 0.01), ink, filled=True))
        if not pale:
            strokes += [Line(x - 1.1, end - one.u_mm, x - 1.1, end + one.u_mm) for end in (one.inner, one.outer)]
    if one.seen:
        inner, outer = one.seen
        strokes.append(Box(x + 0.8, inner, 2.2, max(outer - inner, 0.01), "line"))
    return strokes
