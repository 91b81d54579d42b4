"""What a head shows from below and a valve from its side: ring, port, margin, mark on the tip, a pour under its plate, clay."""

from __future__ import annotations

from math import pi

from honest_lift.drawings.parts.outline import arc, block, curve, mirrored
from honest_lift.drawings.scene import Box, Circle, Line, Path, Point, Scene, Shape, Stroke

_HEAD = 19.0  # half of a valve's head
_WIDE = 2.5  # how many times over a margin, a mark and clay are drawn, all alike


def port_scene(*, wet: bool, broken: bool) -> Scene:
    """Draw a seat from below with its blued ring, and the port behind it with what has run into it."""
    strokes: list[Stroke] = [Circle(0.0, 0.0, _HEAD + 3.0, "cut"), Circle(0.0, 0.0, _HEAD - 3.0, "line")]
    gaps = ((0.15, 0.35), (1.1, 1.2)) if broken else ()
    ends = [0.0, *(end for gap in gaps for end in gap), 2.0]
    for start, end in zip(ends[::2], ends[1::2], strict=True):
        for radius in (_HEAD - 0.8, _HEAD - 0.3, _HEAD + 0.2, _HEAD + 0.7):
            strokes.append(Path(tuple(arc((0.0, 0.0), radius, start * pi, end * pi, 60)), "mark"))
    strokes += _drops() if wet else []
    strokes += [Circle(0.0, 0.0, 5.5, "faint"), Circle(0.0, 0.0, 4.0, "line")]
    return Scene(tuple(strokes), -30.0, -30.0, 30.0, 30.0)


def _drops() -> list[Stroke]:
    """Draw a film with a drop at its lower edge."""
    film = tuple(arc((0.0, 0.0), _HEAD - 3.6, 1.25 * pi, 1.75 * pi, 24))
    drops = [
        Circle(x, y, r, "line", filled=True) for x, y, r in ((-4.0, -13.0, 1.1), (1.5, -14.2, 1.6), (5.5, -12.6, 0.9))
    ]
    return [Path(film, "line"), *drops]


def margin_scene(margin_mm: float, tip_worn_mm: float = 0.0) -> Scene:
    """Draw the edge of a valve's head from its side, and its tip, both enlarged alike beside a step of one millimetre."""
    thick = _WIDE * margin_mm
    right: tuple[Point, ...] = (
        (0.0, 0.0), (_HEAD, 0.0), (_HEAD, thick), (_HEAD - 5.0, thick + 5.0), *curve((_HEAD - 5.0, thick + 5.0), (5.0, 14.0),
        (4.0, 30.0)),
        (4.0, 46.0), (3.0, 48.0), (0.0, 48.0 - _WIDE * tip_worn_mm),
    )  # fmt: skip
    strokes: list[Stroke] = [Shape(side, "cut") for side in (right, mirrored(right, 0.0))]
    strokes += [
        Line(_HEAD + 6.0, 0.0, _HEAD + 12.0, 0.0, "faint"),
        Line(_HEAD + 6.0, _WIDE, _HEAD + 12.0, _WIDE, "faint"),
    ]
    return Scene(tuple(strokes), -30.0, -8.0, 34.0, 54.0)


def mark_scene(centre_mm: float) -> Scene:
    """Draw a valve's tip from above with the mark a rocker left on it: outboard to the right."""
    radius, at = 4.0 * _WIDE, _WIDE * centre_mm
    half = 0.75 * _WIDE
    height = (max(radius**2 - at**2, 0.0)) ** 0.5 * 0.9
    strokes: list[Stroke] = [
        Circle(0.0, 0.0, radius, "cut"), Line(0.0, -radius - 2.0, 0.0, -radius, "faint"),
        Line(0.0, radius, 0.0, radius + 2.0, "faint"),
        Box(at - half, -height, 2 * half, 2 * height, "mark", filled=True),
    ]  # fmt: skip
    return Scene(tuple(strokes), -18.0, -16.0, 18.0, 16.0)


def pad_scene(centre_mm: float) -> Scene:
    """Draw the pad of a finger from its cam's side, with the wear of the lobe's wipe: toward the valve to the right."""
    half, at = 6.0 * _WIDE, _WIDE * centre_mm
    worn = tuple(
        (at + _WIDE * 2.8 * x, y)
        for x, y in ((-1.0, -11.0), (-0.9, 0.0), (-1.0, 11.0), (1.0, 11.0), (1.1, 0.0), (1.0, -11.0))
    )
    strokes: list[Stroke] = [
        Shape(block(-half, -12.0, 2 * half, 24.0), "cut"),
        Shape(worn, "line", hatched=True),
        Line(0.0, -15.0, 0.0, -12.0, "faint"), Line(0.0, 12.0, 0.0, 15.0, "faint"),
    ]  # fmt: skip
    return Scene(tuple(strokes), -half - 12.0, -18.0, half + 12.0, 18.0)


def pour_scene(level: float, *, bubble: bool, deep: bool) -> Scene:
    """Draw a chamber upside down under its plate, cut through, filled to a level (0 to 1), and the plug that closes it."""
    bowl = (*curve((-42.0, 0.0), (-38.0, -17.0), (0.0, -19.0)), *curve((0.0, -19.0), (38.0, -17.0), (42.0, 0.0)))
    body = (*bowl, (54.0, 0.0), (54.0, -30.0), (-54.0, -30.0), (-54.0, 0.0))
    strokes: list[Stroke] = [Shape(body, "cut", hatched=True), Box(-54.0, 0.0, 108.0, 4.0, "line")]
    top = -19.0 + 19.0 * level
    strokes += [Line(-41.0 + 6.0 * (1 - level), top, 41.0 - 6.0 * (1 - level), top, "mark")] if level < 1.0 else []
    if bubble:
        strokes += [
            Circle(14.0, -1.9, 1.9, "line"),
            Circle(17.8, -1.3, 1.2, "line"),
            Path(((12.0, 0.0), (14.0, -3.8), (20.0, 0.0)), "faint"),
        ]
    foot = -19.0 + (5.5 if deep else 0.6)
    strokes += [Shape(block(-27.0, foot - 12.0, 9.0, 12.0), "line"), Box(-26.0, foot, 7.0, 1.4, "line")]
    return Scene(tuple(strokes), -58.0, -34.0, 58.0, 16.0)


def clay_scene(thick_mm: float, *, curled: bool, gasket: bool, open_mm: float) -> Scene:
    """Draw clay cut through where the valve went in, on its piston, the head over it as far as it is down."""
    low = _WIDE * thick_mm
    lift = 3.0 if curled else 0.0
    clay: tuple[Point, ...] = (
        (-26.0, 0.0), (26.0, 0.0), (26.0, 17.0 + lift), (14.0, 17.0), (12.0, low), (-12.0, low), (-14.0, 17.0),
        (-26.0, 17.0 + lift),
    )  # fmt: skip
    strokes: list[Stroke] = [Shape(clay, "line", hatched=True), Shape(block(-44.0, -8.0, 88.0, 8.0), "cut")]
    gap = _WIDE * open_mm
    strokes += [Shape(block(-44.0, 20.0 + gap, 16.0, 10.0), "cut"), Shape(block(28.0, 20.0 + gap, 16.0, 10.0), "cut"),
                Box(-44.0, 0.0, 12.0, 20.0, "faint"), Box(32.0, 0.0, 12.0, 20.0, "faint")]  # fmt: skip
    if gasket:
        strokes += [Line(side * 19.0 - 3.0, y, side * 19.0 + 3.0, y, "mark") for side in (-1, 1) for y in (15.2, 16.2)]
    return Scene(tuple(strokes), -48.0, -12.0, 48.0, 40.0)


def wheel_pointer(*, bent: bool) -> list[Stroke]:
    """Draw the pointer of a degree wheel: straight, or as it stands after a knock."""
    tip = (6.0, 63.0) if bent else (0.0, 61.0)
    return [Path(((0.0, 78.0), (0.0, 70.0), tip), "cut"), Line(-3.0, 78.0, 3.0, 78.0, "cut")]
