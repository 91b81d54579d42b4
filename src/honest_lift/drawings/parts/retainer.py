"""A retainer in section with its locks about the stem, and a stack of shims and locator under a spring."""

from __future__ import annotations

from collections.abc import Sequence

from honest_lift.drawings.parts.outline import mirrored
from honest_lift.drawings.scene import Box, Ink, Line, Point, Shape, Stroke

RETAINER_MM = 3.0  # thickness at its step, as drawn
TIP_MM = 7.0  # from a retainer's top to the valve's tip, as drawn where nobody measured it
_UP, _DOWN = 2.2, 3.4  # how far the hub stands over the flange, and into the spring


def retainer(x: float, seat: float, half: float, stem_mm: float, ink: Ink = "cut") -> list[Stroke]:
    """Draw a retainer whose step lies on the spring's upper end at `seat`, out to `half`, and the locks that hold it."""
    stem = stem_mm / 2
    hub = min(max(stem + 5.0, 0.55 * half), half - 1.0)
    top, foot = seat + RETAINER_MM, seat - _DOWN
    wide, narrow = stem + 3.1, stem + 1.3
    right: tuple[Point, ...] = (
        (x + narrow, foot), (x + hub - 1.0, foot), (x + hub, seat), (x + half, seat), (x + half, top), (x + hub, top),
        (x + wide + 1.4, top + _UP), (x + wide, top + _UP),
    )  # fmt: skip
    lock: tuple[Point, ...] = (
        (x + stem, foot + 0.8),
        (x + narrow, foot + 0.8),
        (x + wide, top + _UP + 0.3),
        (x + stem, top + _UP + 0.3),
    )
    strokes: list[Stroke] = []
    for outline in (right, mirrored(right, x)):
        strokes.append(Shape(outline, ink, hatched=True))
    strokes += [Shape(lock, "line"), Shape(mirrored(lock, x), "line")]
    groove = foot + 0.5 * (top + _UP - foot)
    return [*strokes, Line(x - stem - 0.9, groove, x - stem, groove), Line(x + stem, groove, x + stem + 0.9, groove)]


def stem_end(x: float, stem_mm: float, low: float, tip: float, ink: Ink = "line") -> list[Stroke]:
    """Draw the end of a stem, its tip chamfered."""
    half, edge = stem_mm / 2, 0.5
    points = (
        (x - half, low),
        (x - half, tip - edge),
        (x - half + edge, tip),
        (x + half - edge, tip),
        (x + half, tip - edge),
        (x + half, low),
    )
    return [Shape(points, ink)]


def shim_stack(x: float, half: float, base: float, shims_mm: Sequence[float]) -> list[Stroke]:
    """Draw shims on each other, as they lie under the spring."""
    strokes: list[Stroke] = []
    for thick in shims_mm:
        strokes.append(Box(x - half, base, 2 * half, thick, "mark", filled=True))
        base += thick
    return strokes
