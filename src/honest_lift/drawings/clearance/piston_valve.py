"""Piston to valve over the crank: curves, limits, the nearest place, what was read, and both valves over the piston to scale."""

from __future__ import annotations

from math import inf, isfinite

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.parts.piston import crown
from honest_lift.drawings.parts.valve import seat, valve
from honest_lift.drawings.scene import Ink, Line, Point, Scene, Stroke, Words

SPAN_DEG, _SEEN = 32.0, 2.8
_FLOOR = -30.0  # how far down a piston is drawn


class ClearanceCurve(Struct, frozen=True):
    """One valve: (crank degrees, room), its least and expanded uncertainty, the limit, readings with keys; in one unit."""

    name: str
    points: tuple[Point, ...]
    at_deg: float
    least: float
    expanded: float
    limit: float
    read: tuple[Point, ...]
    ink: Ink
    label: str = ""
    keys: tuple[str, ...] = ()


def clearance_chart(curves: list[ClearanceCurve], unit: str, places: int, missing: str) -> Chart:
    """Draw the curves about TDC of the overlap, each with its limit on its own side. Without any it says what is missing."""
    series: list[Series] = []
    levels = [Level(0.0, "", "line")]
    for side, one in enumerate(curves):
        inside = tuple((x, y) for x, y in one.points if abs(x) <= SPAN_DEG)
        least = max(one.expanded, 0.0) if isfinite(one.expanded) else 0.0
        if inside:
            series.append(
                Series(
                    one.name, inside, one.ink, band=tuple((x, y - least, y + least) for x, y in inside) if least else ()
                )
            )
        if one.read:
            series.append(Series(f"{one.name}, read", one.read, one.ink, dots=True, joined=False, keys=one.keys))
        if isfinite(one.least):
            series.append(
                Series(
                    f"{one.label}",
                    ((one.at_deg, one.least),),
                    one.ink,
                    dots=True,
                    joined=False,
                    named="right" if side else "left",
                )
            )
        if isfinite(one.limit):
            ends = (0.0, SPAN_DEG) if side else (0.0, -SPAN_DEG)
            levels.append(
                Level(one.limit, f"limit {one.limit:.{places}f}", one.ink, ends=ends, above=one.least < one.limit)
            )
    nearest = [end for one in curves for end in (one.least, one.limit) if isfinite(end)]
    most = _SEEN * max(nearest) if nearest and max(nearest) > 0 else inf  # so that what matters is not at the foot
    panel = Panel(Axis("piston to valve", unit, places), tuple(series), tuple(levels), most=most)
    return Chart("Piston to valve", Axis("crank", "deg from overlap TDC", 1), (panel,), missing)


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
