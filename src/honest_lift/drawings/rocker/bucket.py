"""A bucket under its lobe with the valve shut: shim, lash drawn larger than it is, spring and stem. Shim and lash are measured."""

from __future__ import annotations

from math import cos, isfinite, pi, sin

from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.faint import faintly
from honest_lift.drawings.parts.coil import coil
from honest_lift.drawings.parts.outline import mirrored
from honest_lift.drawings.parts.retainer import retainer, stem_end
from honest_lift.drawings.parts.rocker import cam_lobe
from honest_lift.drawings.scene import Anchor, Ink, Point, Scene, Shape, Stroke, Words
from honest_lift.facts.parts import Member

_HALF, _WALL, _SKIRT, _CROWN = 16.0, 1.8, 24.0, 3.0  # of a bucket as usual, mm
_BASE_MM, _LOBE_MM, _STEM_MM = 17.0, 8.5, 6.0
_LASH_MM = 2.6  # as drawn
_SHIM_HALF, _SHIM_MM = 13.0, 2.5


def bucket_scene(shim_mm: float, shim: str, lash: str, *, over: bool = True) -> Scene:
    """Draw the bucket with its shim `shim_mm` thick over it, or under it on the stem's tip.

    `shim`, `lash`: figures in words, "" where nobody read them.
    """
    known = isfinite(shim_mm) and shim_mm > 0
    thick = shim_mm if known else _SHIM_MM
    top, tip = (thick, -_CROWN) if over else (0.0, -_CROWN - thick)
    centre = (0.0, top + _LASH_MM + _BASE_MM)
    strokes: list[Stroke] = [
        *coil(Member("outer", 0.0, None, 3.6, 21.0, 6.0, 4.0), 0.0, tip - 29.0, 22.0),
        *retainer(0.0, tip - 7.0, 12.0, _STEM_MM), *stem_end(0.0, _STEM_MM, tip - 32.0, tip), *_bucket(),
        *_shim(thick, tip, over=over, known=known), *faintly(cam_lobe(centre, _BASE_MM, _lobe())),
    ]  # fmt: skip
    low = 0.0 if over else tip
    strokes += dimension((_SHIM_HALF, low), (_SHIM_HALF, low + thick), "", -12.0)
    strokes += dimension((-4.0, top), (-4.0, top + _LASH_MM), "", 22.0)
    strokes.append(_told(28.0, low + thick / 2, shim, "shim: not read yet", "left", "mark"))
    strokes.append(_told(-29.0, top + _LASH_MM / 2, lash, "lash: not read yet", "right", "line"))
    strokes.append(Words(-29.0, top - 5.5, "gap drawn far larger than it is", "right", "small", "faint"))
    return Scene(tuple(strokes), -76.0, tip - 34.0, 76.0, centre[1] + _BASE_MM + _LOBE_MM + 1.0)


def _told(x: float, y: float, figure: str, missing: str, anchor: Anchor, ink: Ink) -> Words:
    return Words(x, y, figure, anchor, "figure", ink) if figure else Words(x, y, missing, anchor)


def _bucket() -> list[Stroke]:
    right: tuple[Point, ...] = (
        (0.0, 0.0),
        (_HALF, 0.0),
        (_HALF, -_SKIRT),
        (_HALF - _WALL, -_SKIRT),
        (_HALF - _WALL, -_CROWN),
        (0.0, -_CROWN),
    )
    return [Shape((*right, *reversed(mirrored(right[1:-1], 0.0))), "cut", hatched=True)]


def _shim(thick: float, tip: float, *, over: bool, known: bool) -> list[Stroke]:
    half = _SHIM_HALF if over else _STEM_MM / 2 + 1.2
    low = 0.0 if over else tip
    return [Shape(((-half, low), (half, low), (half, low + thick), (-half, low + thick)), "mark" if known else "faint")]


def _lobe() -> tuple[Point, ...]:
    """Give a lobe of a usual shape, its nose away from the bucket."""
    points = []
    for i in range(121):
        at = 2 * pi * i / 120 - pi
        radius = _BASE_MM + _LOBE_MM * max(0.0, cos(at)) ** 3
        points.append((radius * sin(at), radius * cos(at)))
    return tuple(points)
