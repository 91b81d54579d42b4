"""The crank wheel of a turn plan: a ring of 360 degrees, its stops with their valves, and where each cylinder is at TDC to fire."""

from __future__ import annotations

from collections.abc import Sequence
from math import cos, radians, sin

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Line, Scene, Stroke, Words

_RING, _INNER, _NUMBER = 40.0, 31.0, 47.0
_LEFT, _RIGHT, _HIGH = -54.0, 150.0, 54.0
_LIST, _ROW = 66.0, 31.0


class WheelStop(Struct, frozen=True):
    """A stop as it is drawn: its number from 1, where the wheel stands, and its valves in words. `second`: in the second turn."""

    number: int
    wheel_deg: float
    valves: str
    second: bool


def crank_wheel_scene(stops: Sequence[WheelStop], fires: Sequence[tuple[int, float]], missing: str = "") -> Scene:
    """Draw the wheel from the front, degrees clockwise from the top; without stops thin, with what is missing."""
    strokes: list[Stroke] = [Circle(0.0, 0.0, _RING, "line" if stops else "faint"), Circle(0.0, 0.0, _INNER, "faint")]
    for deg in range(0, 360, 10):
        long = deg % 90 == 0
        strokes.append(_radial(deg, _RING - (4.0 if long else 2.0), _RING, "line" if long and stops else "faint"))
    strokes += [
        Words(*_at(at, _INNER - 6.0), str(cylinder), size="small", ink="faint") for cylinder, at in _tdcs(fires)
    ]
    for cylinders_at in {at for _, at in _tdcs(fires)}:
        strokes.append(_radial(cylinders_at, _INNER - 3.0, _INNER, "faint"))
    for at in dict.fromkeys(one.wheel_deg for one in stops):
        numbers = " ".join(str(one.number) for one in stops if one.wheel_deg == at)
        x, y = _at(at, _NUMBER)
        strokes += [_radial(at, _INNER, _RING + 2.0, "mark"), Circle(*_at(at, _RING), 1.8, "mark", filled=True)]
        strokes.append(Words(x, y - 2.0, numbers, size="label", ink="mark"))
    if missing:
        strokes.append(Words(0.0, -1.0, missing, size="small", ink="faint"))
    return Scene((*strokes, *_listed(stops)), _LEFT, -_HIGH, _RIGHT, _HIGH)


def _listed(stops: Sequence[WheelStop]) -> list[Stroke]:
    """Write what is done at each stop beside the wheel, in order."""
    top = _ROW * (len(stops) - 1) / 2.0 + 5.0
    found: list[Stroke] = []
    for row, one in enumerate(stops):
        turn = "second turn" if one.second else "first turn"
        y = top - _ROW * row
        found.append(Words(_LIST, y, f"{one.number}: {one.wheel_deg:.0f}°, {turn}", "left", "label", "mark"))
        found.append(Words(_LIST, y - 12.0, one.valves, "left", "small"))
    return found


def _tdcs(fires: Sequence[tuple[int, float]]) -> list[tuple[str, float]]:
    """Give the cylinders that are at TDC at each mark of the wheel."""
    marks = dict.fromkeys(round(at % 360.0, 3) for _, at in fires)
    return [(" ".join(str(one) for one, at in fires if round(at % 360.0, 3) == mark), mark) for mark in marks]


def _at(deg: float, radius: float) -> tuple[float, float]:
    return radius * sin(radians(deg)), radius * cos(radians(deg))


def _radial(deg: float, inner: float, outer: float, ink: str) -> Line:
    return Line(*_at(deg, inner), *_at(deg, outer), ink)  # type: ignore[arg-type]
