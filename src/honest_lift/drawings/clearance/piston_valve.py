"""Piston to valve over the crank: curves, limits, the nearest place, what was read, and both valves over the piston to scale."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.parts.piston import crown
from honest_lift.drawings.parts.valve import seat, valve
from honest_lift.drawings.scene import Anchor, Circle, Ink, Line, Path, Scene, Stroke, Words

SPAN_DEG = 60.0
_HIGH_MM, _EDGE = 12.0, 4.0
_FLOOR = -30.0  # how far down a piston is drawn


class ClearanceCurve(Struct, frozen=True):
    """One valve: (crank degrees, mm), its least with the expanded doubt, the limit, readings (degrees, mm), and its place now."""

    name: str
    points: tuple[tuple[float, float], ...]
    at_deg: float
    least_mm: float
    expanded_mm: float
    limit_mm: float
    read: tuple[tuple[float, float], ...]
    ink: Ink
    label: str = ""


def clearance_scene(curves: list[ClearanceCurve], cursor_deg: float, words: str) -> Scene:
    """Draw the curves about TDC of the overlap. Without any it says what is missing."""
    if not curves:
        lines = words.split(": ", 1)
        told = (Words(0, _HIGH_MM / 2 - 1.4 * i, line, ink="faint") for i, line in enumerate(lines))
        return Scene(tuple(told), -SPAN_DEG, 0, SPAN_DEG, _HIGH_MM, stretched=True)
    strokes: list[Stroke] = [
        Line(-SPAN_DEG, 0, SPAN_DEG, 0), Line(0, 0, 0, _HIGH_MM, "faint", True), Line(cursor_deg, 0, cursor_deg, _HIGH_MM, "faint"),
        Words(0, -1.75, "crank degrees from overlap TDC", size="small", ink="faint"),
        *(Words(at, -0.75, f"{at:g}", size="small", ink="faint") for at in (-40.0, -20.0, 20.0, 40.0)),
    ]  # fmt: skip
    for side, one in enumerate(curves):
        strokes += _curve(one, right=bool(side))
    return Scene(tuple(strokes), -SPAN_DEG - _EDGE, -2.3, SPAN_DEG + _EDGE, _HIGH_MM + 0.6, stretched=True)


def _curve(one: ClearanceCurve, *, right: bool) -> list[Stroke]:
    inside = tuple((x, y) for x, y in one.points if abs(x) <= SPAN_DEG and y <= _HIGH_MM)
    strokes: list[Stroke] = [Path(inside, one.ink)] if inside else []
    low, high = (0.0, SPAN_DEG) if right else (-SPAN_DEG, 0.0)
    if isfinite(one.limit_mm):
        strokes.append(Line(low, one.limit_mm, high, one.limit_mm, one.ink, True))
    anchor: Anchor = "left" if right else "right"
    side = 2.5 if right else -2.5
    if isfinite(one.least_mm):
        strokes += [Circle(one.at_deg, one.least_mm, 1.0, one.ink, filled=True),
                    Line(one.at_deg, one.least_mm - one.expanded_mm, one.at_deg, one.least_mm + one.expanded_mm, one.ink),
                    Words(one.at_deg + side, one.least_mm - 0.45, one.label, anchor, ink=one.ink)]  # fmt: skip
    strokes += [Circle(x, y, 0.8, "line") for x, y in one.read if abs(x) <= SPAN_DEG and y <= _HIGH_MM]
    strokes.append(Words(SPAN_DEG * (0.62 if right else -0.62), _HIGH_MM - 0.2, one.name, ink=one.ink))
    return strokes


class OverPiston(Struct, frozen=True):
    """A valve over the piston at a crank angle, along its stem: mm of lift, of room now, and its head's and stem's diameters."""

    name: str
    lift_mm: float
    room_mm: float
    head_mm: float
    stem_mm: float


def over_piston_scene(valves: list[OverPiston], unit_words: list[str]) -> Scene:
    """Draw the valves of a cylinder beside each other, each along its own stem, with the piston below."""
    wide = 56.0 * max(len(valves), 1)
    strokes: list[Stroke] = []
    for at, (one, words) in enumerate(zip(valves, unit_words, strict=True)):
        x = 56.0 * (at + 0.5)
        strokes += _over(one, x, words)
    return Scene(tuple(strokes), 0, _FLOOR - 7.0, wide, 22.0)


def _over(one: OverPiston, x: float, words: str) -> list[Stroke]:
    half, face = one.head_mm / 2.0, -one.lift_mm
    ink: Ink = "line" if one.room_mm > 0 else "mark"
    floor = face - one.room_mm
    strokes = [*seat(x, one.head_mm), *crown(x, floor, 27.0, _FLOOR, half + 1.5)]
    strokes += valve(x, face, one.head_mm, one.stem_mm, 20.0, ink=ink)
    strokes += dimension((x, face), (x, floor), "", 0.0)
    return [
        *strokes, Line(x - 27, floor, x + 27, floor, "mark"), Words(x, _FLOOR - 3.6, words, ink="mark"),
        Words(x - 17, 17.5, one.name, size="small", ink="faint"),
    ]  # fmt: skip
