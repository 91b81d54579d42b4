"""A valve in its head on the bench, cut through: its pocket with whatever lies in it, its spring, retainer, locks and tip."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.drawings.bench.coils import coils
from honest_lift.drawings.parts.outline import block, mirrored
from honest_lift.drawings.scene import Box, Line, Path, Point, Scene, Shape, Stroke
from honest_lift.gauges.bench.hidden import HiddenSpring

_STEM, _RETAINER, _LOCK = 4.0, 3.0, 7.5


class InHead(Struct, frozen=True):
    """What is to be seen of a valve. `height_mm`: from what the spring stands on to the retainer's step.

    `spacer_mm`, `shims_mm`: what lies in the pocket; `dished_mm`: how far the retainer's middle stands over its rim; `lock_mm`:
    how far a lock stands out; `ledge`: whether the spring stands on one; `bow_mm`: how far the pushrod beside it is bent;
    `sunk_mm`: how far the lifter's plunger is down; `pushed`: whether pushrod and lifter are to be seen.
    """

    spring: HiddenSpring | None
    height_mm: float
    spacer_mm: float = 1.52
    shims_mm: float = 0.0
    dished_mm: float = 0.0
    lock_mm: float = 0.25
    ledge: bool = False
    pushed: bool = False
    bow_mm: float = 0.0
    sunk_mm: float = 0.0


def valve_scene(one: InHead) -> Scene:
    """Draw the valve, upright, its spring on its floor."""
    half = (one.spring.outside_mm if one.spring else 36.0) / 2
    floor = one.spacer_mm + one.shims_mm
    step = floor + one.height_mm
    strokes: list[Stroke] = [
        *_head(half),
        *_packing(half, one),
        Shape(block(-_STEM, -14.0, 2 * _STEM, step + 24.0), "line"),
    ]
    strokes += (
        coils(one.spring, 0.0, floor, one.height_mm) if one.spring is not None else _micrometer(half, floor, step)
    )
    strokes += [
        *_retainer(half, step, one.dished_mm),
        *_locks(step, one.lock_mm),
        Shape(block(-_STEM, step + 2.0, 2 * _STEM, 10.0), "line"),
    ]
    right = half + 14.0
    if one.pushed:
        strokes += _pushrod(half + 22.0, step, one)
        right = half + 34.0
    return Scene(tuple(strokes), -half - 14.0, -16.0, right, max(step + 18.0, 66.0))


def _head(half: float) -> list[Stroke]:
    """Draw the pocket in section, with the boss of the guide and its seal."""
    out = half + 10.0
    right: tuple[Point, ...] = (
        (half + 1.0, 0.0),
        (half + 1.0, 9.0),
        (out, 9.0),
        (out, -14.0),
        (_STEM + 3.5, -14.0),
        (_STEM + 3.5, 0.0),
    )
    seal: tuple[Point, ...] = ((_STEM, 14.0), (_STEM + 3.5, 14.0), (_STEM + 3.5, 0.0), (_STEM, 0.0))
    return [Shape(side, "cut", hatched=True) for each in (right, seal) for side in (each, mirrored(each, 0.0))]


def _packing(half: float, one: InHead) -> list[Stroke]:
    """Draw what lies in the pocket under the spring: shims lowest, the spacer on them; a ledge where a cutter left one."""
    strokes: list[Stroke] = []
    level, count = 0.0, max(1, round(one.shims_mm / 0.4))
    lying = [*((one.shims_mm / count, True) for _ in range(count if one.shims_mm else 0)), (one.spacer_mm, False)]
    for thick, is_shim in lying:
        out = half + 0.8 if is_shim else half
        for left in (-out, _STEM + 4.0):
            strokes.append(
                Shape(block(left, level, out - _STEM - 4.0, thick), "mark" if is_shim else "line", hatched=not is_shim)
            )
        level += thick
    if one.ledge:
        strokes.append(Shape(block(half - 3.0, level, 4.0, 1.6), "cut"))
    return strokes


def _retainer(half: float, step: float, dished: float) -> list[Stroke]:
    """Draw the retainer on the spring; of a dished one the rim has stayed and the middle has gone up through it."""
    hub = _STEM + 4.5
    points: tuple[Point, ...] = (
        (_STEM + 0.4, step - 3.0), (hub, step - 3.0 + 0.3 * dished), (hub + 1.0, step), (half, step - dished),
        (half, step + _RETAINER - dished),
        (hub, step + _RETAINER + 1.8), (_STEM + 2.4, step + _RETAINER + 1.8),
    )  # fmt: skip
    return [Shape(side, "cut") for side in (points, mirrored(points, 0.0))]


def _locks(step: float, out: float) -> list[Stroke]:
    """Draw both halves of the lock: how far they stand out of the retainer's top is to scale."""
    top = step + _RETAINER + 1.8 + out
    points: tuple[Point, ...] = ((_STEM, top - _LOCK), (_STEM + 0.6, top - _LOCK), (_STEM + 2.2, top), (_STEM, top))
    return [Shape(side, "line") for side in (points, mirrored(points, 0.0))]


def _micrometer(half: float, floor: float, step: float) -> list[Stroke]:
    """Draw the height micrometer in the spring's place: its sleeve, and the thimble that is turned up under the step."""
    wide = min(half - 2.0, _STEM + 10.0)
    parts = ((floor, 0.55 * (step - floor)), (floor + 0.55 * (step - floor), 0.45 * (step - floor)))
    strokes: list[Stroke] = []
    for i, (low, high) in enumerate(parts):
        out = wide + 2.0 * i
        strokes += [Shape(block(left, low, out - _STEM - 4.5, high), "line") for left in (_STEM + 4.5, -out)]
    low, high = parts[1]
    strokes += [
        Line(side * (wide + 0.5), low + high * i / 6, side * (wide + 2.0), low + high * i / 6, "faint")
        for i in range(1, 6)
        for side in (-1, 1)
    ]
    return strokes


def _pushrod(x: float, top: float, one: InHead) -> list[Stroke]:
    """Draw the pushrod beside it and the lifter's plunger under it."""
    low = 2.0 - one.sunk_mm
    middle = (low + top) / 2
    points = tuple((x + one.bow_mm * (1.0 - ((y - middle) / (middle - low)) ** 2), y)
                   for y in (low + (top - low) * i / 16 for i in range(17)))  # fmt: skip
    both = [Path(tuple((px + side, py) for px, py in points), "line") for side in (-2.0, 2.0)]
    body = [Line(x - 6.0, 4.0, x - 6.0, -14.0, "cut"), Line(x + 6.0, 4.0, x + 6.0, -14.0, "cut")]
    return [*both, *body, Box(x - 5.0, -12.0, 10.0, 14.0 - one.sunk_mm, "line")]
