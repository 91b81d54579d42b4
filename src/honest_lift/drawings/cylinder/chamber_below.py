"""A chamber from below: the bore, the valves in it, the plug and the squish pads. Only what was measured carries a figure."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, pi

from msgspec import Struct

from honest_lift.drawings.parts.outline import arc
from honest_lift.drawings.scene import Circle, Ink, Line, Point, Scene, Shape, Stroke, Words

_BORE_MM, _HEADS_MM = 100.0, {"intake": 50.0, "exhaust": 40.0}  # drawn where nobody measured them
_BETWEEN_MM, _PLUG_MM = 3.0, 7.0


class Head(Struct, frozen=True):
    """A valve of the chamber: its name and role, its head's diameter in mm (NaN: not measured) and that in words."""

    name: str
    role: str
    diameter_mm: float
    words: str = ""
    current: bool = False


def chamber_scene(bore_mm: float, bore_words: str, heads: Sequence[Head], title: str) -> Scene:
    """Draw the chamber of a cylinder. Intakes stand on the left, exhausts on the right, as nobody measures where they lie."""
    bore = bore_mm if isfinite(bore_mm) else _BORE_MM
    placed = _placed(heads, bore)
    ends = [abs(x) + radius for _, (x, _), radius in placed] or [bore / 2]
    wide = max(bore / 2, *ends)
    strokes: list[Stroke] = [
        Shape(tuple(arc((0.0, 0.0), bore / 2, 0.0, 2 * pi, 72)), "cut" if isfinite(bore_mm) else "faint")
    ]
    strokes += _pads(bore)
    for one, (x, y), radius in placed:
        known = isfinite(one.diameter_mm)
        ink: Ink = "faint" if not known else "mark" if one.current else "line"
        strokes += [Shape(tuple(arc((x, y), radius, 0.0, 2 * pi, 48)), ink), Circle(x, y, 0.86 * radius, "faint"),
                    Words(x, y + 2.0, one.name, size="small", ink="line" if known else "faint")]  # fmt: skip
        if known:
            strokes.append(Words(x, y - 6.0, one.words, size="small", ink=ink))
    strokes += [Circle(0.0, -0.34 * bore, _PLUG_MM, "faint"), Line(-3.0, -0.34 * bore, 3.0, -0.34 * bore, "faint")]
    strokes.append(Words(0.0, wide + 7.0, title, size="small", ink="faint"))
    if isfinite(bore_mm):
        strokes.append(Words(0.0, -wide - 7.0, bore_words, size="small"))
    return Scene(tuple(strokes), -wide - 4.0, -wide - 14.0, wide + 4.0, wide + 14.0)


def _placed(heads: Sequence[Head], bore: float) -> list[tuple[Head, Point, float]]:
    """Give each valve its place: by role on its side, clear of each other, the pairs of a role over each other."""
    found: list[tuple[Head, Point, float]] = []
    for role, side in (("intake", -1), ("exhaust", 1)):
        own = [one for one in heads if one.role == role]
        radii = [(one.diameter_mm if isfinite(one.diameter_mm) else _usual(role, len(heads), bore)) / 2 for one in own]
        high = sum(2 * radius for radius in radii) + _BETWEEN_MM * max(len(radii) - 1, 0)
        y = high / 2 + 0.06 * bore
        for one, radius in zip(own, radii, strict=True):
            found.append((one, (side * (radius + _BETWEEN_MM / 2), y - radius), radius))
            y -= 2 * radius + _BETWEEN_MM
    return found


def _usual(role: str, count: int, bore: float) -> float:
    return _HEADS_MM[role] * bore / _BORE_MM * (1.0 if count <= 2 else 0.72)


def _pads(bore: float) -> list[Stroke]:
    """Draw the flats that squish, at both sides of the valves' row."""
    half = bore / 2
    strokes: list[Stroke] = []
    for start, end in ((0.30 * pi, 0.70 * pi), (1.18 * pi, 1.32 * pi), (1.68 * pi, 1.82 * pi)):
        strokes.append(Shape(tuple(arc((0.0, 0.0), half, start, end, 24)), "faint", hatched=True))
    return strokes
