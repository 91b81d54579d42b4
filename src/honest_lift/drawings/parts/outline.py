"""Outlines that parts are made of: bars, arcs, limbs round a chain of circles, and points seen from a frame of their own."""

from __future__ import annotations

from itertools import pairwise
from math import acos, atan2, cos, hypot, pi, sin

from honest_lift.drawings.scene import Point

Round = tuple[Point, float]  # a circle: its centre and radius
_STEPS = 10


def bar(one: Point, other: Point, wide: float) -> tuple[Point, ...]:
    """Give the four corners of a bar about the line from one point to another."""
    across, up = other[0] - one[0], other[1] - one[1]
    long = hypot(across, up) or 1.0
    x, y = -up / long * wide / 2, across / long * wide / 2
    return (
        (one[0] + x, one[1] + y),
        (other[0] + x, other[1] + y),
        (other[0] - x, other[1] - y),
        (one[0] - x, one[1] - y),
    )


def block(x: float, y: float, wide: float, high: float) -> tuple[Point, ...]:
    """Give the four corners of an upright block by its lower left one."""
    return ((x, y), (x + wide, y), (x + wide, y + high), (x, y + high))


def toward(start: Point, end: Point, by: float) -> Point:
    """Give the point so many mm from one toward another."""
    across, up = end[0] - start[0], end[1] - start[1]
    long = hypot(across, up) or 1.0
    return start[0] + by * across / long, start[1] + by * up / long


def arc(centre: Point, radius: float, start: float, end: float, steps: int = _STEPS) -> list[Point]:
    """Give points on a circle from one angle to another, in radians."""
    return [
        (centre[0] + radius * cos(a), centre[1] + radius * sin(a))
        for a in (start + (end - start) * i / steps for i in range(steps + 1))
    ]


def mirrored(points: tuple[Point, ...], x: float) -> tuple[Point, ...]:
    """Give an outline on the other side of an upright axis."""
    return tuple((2 * x - px, py) for px, py in points)


def curve(start: Point, bend: Point, end: Point, steps: int = _STEPS) -> list[Point]:
    """Give points on a bend from one point to another that leaves and arrives toward a third (a quadratic curve)."""
    told = []
    for i in range(steps + 1):
        t = i / steps
        a, b, c = (1 - t) ** 2, 2 * t * (1 - t), t * t
        told.append((a * start[0] + b * bend[0] + c * end[0], a * start[1] + b * bend[1] + c * end[1]))
    return told


def limb(chain: list[Round]) -> tuple[Point, ...]:
    """Give the outline of a body drawn tight round a chain of circles, as an arm about its bosses.

    Every circle overlaps or is joined to the next by both outer tangents; where the chain bends, tangents on the inner side meet.
    """
    sides = [[_tangent(one, other, side) for one, other in pairwise(chain)] for side in (1, -1)]
    first, last = chain[0], chain[-1]
    left = _joined(sides[0], chain[1:-1], 1)
    right = _joined(sides[1], chain[1:-1], -1)
    tip = _round(last, sides[0][-1][1], sides[1][-1][1])
    foot = _round(first, sides[1][0][0], sides[0][0][0])
    return (*left, *tip, *reversed(right), *foot)


def _tangent(one: Round, other: Round, side: int) -> tuple[Point, Point]:
    """Give where the outer tangent of two circles touches both, to the left (1) or right (-1) of the way."""
    (x1, y1), r1 = one
    (x2, y2), r2 = other
    along = atan2(y2 - y1, x2 - x1)
    off = acos(max(-1.0, min(1.0, (r1 - r2) / (hypot(x2 - x1, y2 - y1) or 1.0))))
    angle = along + side * off
    return (x1 + r1 * cos(angle), y1 + r1 * sin(angle)), (x2 + r2 * cos(angle), y2 + r2 * sin(angle))


def _joined(tangents: list[tuple[Point, Point]], between: list[Round], side: int) -> list[Point]:
    """Give the points along one side: tangents, and round each circle between, or where two tangents cross."""
    points = [tangents[0][0]]
    for (start, end), (then, after), (centre, radius) in zip(tangents, tangents[1:], between, strict=False):
        turn = (end[0] - start[0]) * (after[1] - then[1]) - (end[1] - start[1]) * (after[0] - then[0])
        if side * turn < 0:
            points += [end, *_round((centre, radius), end, then, -side), then]
        else:
            points.append(_crossing(start, end, then, after) or end)
    return [*points, tangents[-1][1]]


def _round(circle: Round, start: Point, end: Point, turn: int = -1) -> list[Point]:
    """Give points round a circle from one point on it to another, clockwise (-1) or against."""
    (x, y), radius = circle
    a, b = atan2(start[1] - y, start[0] - x), atan2(end[1] - y, end[0] - x)
    while turn < 0 < b - a:
        b -= 2 * pi
    while turn > 0 > b - a:
        b += 2 * pi
    return arc((x, y), radius, a, b)[1:-1]


def _crossing(a: Point, b: Point, c: Point, d: Point) -> Point | None:
    """Give where the lines through a and b and through c and d cross; None where they run alike."""
    ux, uy, vx, vy = b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]
    area = ux * vy - uy * vx
    if abs(area) < 1e-9:
        return None
    t = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / area
    return a[0] + t * ux, a[1] + t * uy
