"""The degree wheel as it is walked: both stops, TDC between them, equal lifts, and the centreline found and wanted."""

from __future__ import annotations

from math import cos, pi, radians, sin

from msgspec import Struct

from honest_lift.drawings.parts.outline import arc
from honest_lift.drawings.scene import Arrow, Circle, Ink, Line, Path, Point, Scene, Shape, Stroke, Words

_RIM, _INNER, _HUB = 60.0, 52.0, 9.0


class WheelWalk(Struct, frozen=True):
    """Angles on the wheel in degrees, later positive; None where they are not read yet."""

    stops: tuple[float | None, float | None] = (None, None)
    tdc: float | None = None
    flanks: tuple[float | None, float | None] = (None, None)
    found: float | None = None  # centrelines from the wheel's own zero
    wanted: float | None = None
    words: str = ""


def at(angle_deg: float, radius: float) -> Point:
    """Give the point of an angle: TDC on top, later to the right."""
    turn = pi / 2 - radians(angle_deg)
    return radius * cos(turn), radius * sin(turn)


def wheel_scene(walk: WheelWalk) -> Scene:
    """Draw the wheel, its pointer on top, and what was read on it."""
    strokes: list[Stroke] = [*_wheel(), *_pointer()]
    for number, stop in enumerate(walk.stops, 1):
        if stop is not None:
            strokes += _hand(stop, f"stop {number}: {stop:g}°", "line", 38.0)
    if walk.stops[0] is not None and walk.stops[1] is not None:
        strokes.append(_between(walk.stops[0], walk.stops[1], 30.0, "faint"))
    if walk.tdc is not None:
        strokes += _hand(walk.tdc, f"TDC {walk.tdc:+.2f}°", "mark", 44.0)
    for flank, words in zip(walk.flanks, ("up", "down"), strict=True):
        if flank is not None:
            strokes += _hand(flank, f"{words} {flank:g}°", "line", 26.0)
    if walk.flanks[0] is not None and walk.flanks[1] is not None:
        strokes.append(_between(walk.flanks[0], walk.flanks[1], 20.0, "faint"))
    if walk.found is not None:
        strokes += _hand(walk.found, "found", "mark", 46.0)
    if walk.wanted is not None and walk.found is not None:
        strokes += [
            Line(*at(walk.wanted, _HUB), *at(walk.wanted, 46.0), "line", dashed=True),
            _label(walk.wanted, "wanted", "line"),
        ]
    if walk.words:
        strokes += [Words(0.0, -76.0 - 16.0 * i, line) for i, line in enumerate(walk.words.split(": "))]
    return Scene(tuple(strokes), -104.0, -102.0, 104.0, 78.0)


def _wheel() -> list[Stroke]:
    strokes: list[Stroke] = [
        Shape(tuple(arc((0.0, 0.0), _RIM, 0.0, 2 * pi, 72)), "line"),
        Circle(0, 0, _HUB, "cut"),
        Circle(0, 0, 2.0),
    ]
    for angle in range(0, 360, 10):
        long = 5.0 if angle % 30 == 0 else 3.0
        strokes.append(Line(*at(angle, _RIM), *at(angle, _RIM - long), "faint"))
    for angle in range(-150, 181, 30):
        if angle:
            strokes.append(Words(*at(angle, _INNER - 4.0), f"{abs(angle)}", size="small", ink="faint"))
    return [*strokes, Words(0.0, _INNER - 4.0, "0", size="small", ink="faint")]


def _pointer() -> list[Stroke]:
    """Draw the pointer that stands still over the rim."""
    return [Line(0.0, 76.0, 0.0, _RIM + 4.0, "cut"), Arrow(0.0, _RIM + 0.5, 0.0, 76.0, "cut")]


def _hand(angle: float, words: str, ink: Ink, long: float) -> list[Stroke]:
    return [
        Line(*at(angle, _HUB), *at(angle, long), ink),
        Arrow(*at(angle, long), *at(angle, 0.0), ink),
        _label(angle, words, ink),
    ]


def _label(angle: float, words: str, ink: Ink) -> Words:
    """Write what a hand is outside the rim, on its own side."""
    x, y = at(angle, _RIM + 6.0)
    return Words(x, y, words, "left" if x > 4.0 else "right" if x < -4.0 else "middle", "label", ink)


def _between(one: float, other: float, radius: float, ink: Ink) -> Path:
    return Path(tuple(at(one + (other - one) * i / 40, radius) for i in range(41)), ink)
