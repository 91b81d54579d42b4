"""A spring in the tester, or in the caliper: between its plates, on whatever lies under it."""

from __future__ import annotations

from honest_lift.drawings.bench.coils import coils
from honest_lift.drawings.parts.outline import block
from honest_lift.drawings.scene import Box, Line, Scene, Shape, Stroke, Words
from honest_lift.gauges.bench.hidden import HiddenSpring

_PLATE_MM, _RULE = 5.0, 70


def tester_scene(spring: HiddenSpring, height_mm: float, stack_mm: float) -> Scene:
    """Draw a spring pressed to the height the tester's rule shows, from plate to plate."""
    wide = spring.outside_mm / 2 + 12.0
    strokes: list[Stroke] = [
        Shape(block(-wide, -_PLATE_MM, 2 * wide, _PLATE_MM), "cut"),
        Shape(block(-wide, height_mm, 2 * wide, _PLATE_MM), "cut"),
        Box(-2.5, height_mm + _PLATE_MM, 5.0, 26.0, "line"),
        *_rule(wide + 6.0, height_mm),
    ]
    if stack_mm:
        strokes += _left_in(spring.outside_mm / 2, stack_mm)
    strokes += coils(spring, 0.0, stack_mm, height_mm - stack_mm)
    return Scene(tuple(strokes), -wide - 4.0, -_PLATE_MM - 3.0, wide + 22.0, _RULE + 12.0)


def free_scene(spring: HiddenSpring) -> Scene:
    """Draw a spring standing free on the bench plate, a square behind it."""
    wide = spring.outside_mm / 2 + 14.0
    strokes: list[Stroke] = [
        Line(-wide, 0.0, wide, 0.0, "cut"), Line(spring.outside_mm / 2 + 1.0, 0.0, spring.outside_mm / 2 + 1.0, 66.0, "faint"),
        *coils(spring, 0.0, 0.0, spring.free_mm),
    ]  # fmt: skip
    return Scene(tuple(strokes), -wide, -6.0, wide + 10.0, 72.0)


def _left_in(half: float, thick_mm: float) -> list[Stroke]:
    """Draw what lies under the spring: it has the shape of a retainer, hub down."""
    hub = 0.45 * half
    points = (
        (-half, thick_mm),
        (-half, 0.35 * thick_mm),
        (-hub, 0.0),
        (hub, 0.0),
        (half, 0.35 * thick_mm),
        (half, thick_mm),
    )
    return [Shape(points, "line", hatched=True)]


def _rule(x: float, height_mm: float) -> list[Stroke]:
    """Draw the tester's rule: ten millimetres from line to line, an edge at the height."""
    strokes: list[Stroke] = [Line(x, 0.0, x, float(_RULE), "faint")]
    for at in range(0, _RULE + 1, 5):
        strokes.append(Line(x, at, x + (4.0 if at % 10 == 0 else 2.0), at, "faint"))
        if at % 10 == 0:
            strokes.append(Words(x + 6.0, at - 1.0, str(at), "left", "small", "faint"))
    return [*strokes, Line(x - 5.0, height_mm, x + 5.0, height_mm, "mark")]
