"""A spring of the bench, by what it truly is: its coils close at one end or even, its paint, its inner spring."""

from __future__ import annotations

from itertools import pairwise

from honest_lift.drawings.parts.outline import bar
from honest_lift.drawings.scene import Box, Circle, Shape, Stroke
from honest_lift.gauges.bench.hidden import HiddenSpring

_TURNS, _CLOSE = 6.0, 0.55  # turns drawn, and how near each other the close ones lie, of the wide ones


def coils(spring: HiddenSpring, x: float, base: float, height: float) -> list[Stroke]:
    """Draw a spring standing on a base at a height; the wire in front hides the wire behind."""
    strokes: list[Stroke] = []
    if spring.inner is not None:
        strokes += _wound(spring.inner, x, base, max(height - 1.5, spring.inner.bind_mm * 0.9))
    strokes += _wound(spring, x, base, height)
    return strokes + _paint(spring, x, base, height)


def _wound(spring: HiddenSpring, x: float, base: float, height: float) -> list[Stroke]:
    half, wire = (spring.outside_mm - spring.wire_mm) / 2, spring.wire_mm
    levels = _levels(spring, base + wire / 2, max(height - wire, wire))
    strokes: list[Stroke] = []
    for i, (low, high) in enumerate(pairwise(levels)):
        side = 1 if i % 2 else -1
        strokes.append(
            Shape(bar((x - side * half, low), (x + side * half, high), 0.92 * wire), "line" if i % 2 else "faint")
        )
    for i, level in enumerate(levels):
        strokes.append(Circle(x + (half if i % 2 == 0 else -half), level, wire / 2, "cut", filled=True))
    return strokes


def _levels(spring: HiddenSpring, foot: float, rise: float) -> list[float]:
    """Give the height of the wire at every half turn: close ones at the end where they are, the dead turn at both."""
    count = int(2 * _TURNS)
    steps = [0.35 if i in (0, count - 1) else _CLOSE if i < 5 and spring.closes else 1.0 for i in range(count)]
    steps = steps[::-1] if spring.closes == "up" else steps
    whole, at, found = sum(steps), foot, [foot]
    for one in steps:
        at += rise * one / whole
        found.append(at)
    return found


def _paint(spring: HiddenSpring, x: float, base: float, height: float) -> list[Stroke]:
    """Draw the mark of paint on the outside of an end turn."""
    if not spring.paint:
        return []
    level = base + height - 1.6 * spring.wire_mm if spring.paint == "up" else base + 0.4 * spring.wire_mm
    return [Box(x - 2.5, level, 5.0, 1.2 * spring.wire_mm, "mark", filled=True)]
