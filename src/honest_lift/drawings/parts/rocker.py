"""Rockers and fingers as they look: body about its bosses, trunnion, roller or pad, adjuster; pushrod, cam lobe."""

from __future__ import annotations

from honest_lift.drawings.parts.outline import Round, arc, bar, limb, toward
from honest_lift.drawings.scene import Circle, Ink, Line, Point, Shape, Stroke

ROLLER_MM = 12.0  # a larger radius is a pad's
PUSHROD_MM, _BALL_MM = 8.0, 4.0
_BOSS, _TRUNNION, _END = 8.0, 4.2, 5.6


def rocker(pivot: Point, roller: Point, radius: float, cup: Point, below: Point, ink: Ink = "mark") -> list[Stroke]:
    """Draw a pushrod rocker from its pivot to the roller, or pad, on the valve and the cup that the pushrod lifts.

    `below`: where the pushrod comes from. `ink`: of the roller, which is what is measured.
    """
    nose: Round = (
        (roller, 0.72 * radius) if radius <= ROLLER_MM else (toward((roller[0], roller[1] - radius), roller, 3.6), 3.6)
    )
    axis = toward(cup, below, -1.0)
    up: Point = (axis[0] - cup[0], axis[1] - cup[1])

    def along(mm: float) -> Point:
        return cup[0] + mm * up[0], cup[1] + mm * up[1]

    screw = Shape(bar(along(-1.0), along(14.0), 5.0), "line")
    nut = Shape(bar(along(7.2), along(11.2), 9.5), "line")
    body = Shape(limb([((cup[0] + 2.0 * up[0], cup[1] + 2.0 * up[1]), _END), (pivot, _BOSS), nose]), "line")
    strokes: list[Stroke] = [screw, nut, body, *tip_end(roller, radius, (roller[0], roller[1] - 99.0), ink)]
    strokes += [Circle(*pivot, _TRUNNION, "cut"), Line(pivot[0] - 2.4, pivot[1], pivot[0] + 2.4, pivot[1], "faint"),
                Line(pivot[0], pivot[1] - 2.4, pivot[0], pivot[1] + 2.4, "faint")]  # fmt: skip
    return strokes


def tip_end(centre: Point, radius: float, facing: Point, ink: Ink) -> list[Stroke]:
    """Draw a roller whole with its axle, and of a pad's wide arc only what faces the other part."""
    if radius <= ROLLER_MM:
        return [Circle(*centre, radius, ink), Circle(*centre, min(2.0, radius / 3), ink)]
    at = toward(centre, facing, radius)
    across = bar(at, toward(at, centre, 1.0), 12.0)
    return [Line(*across[0], *across[3], ink)]


def finger(pivot: Point, under_cam: Point, tip: Point, ink: Ink = "line") -> list[Stroke]:
    """Draw a finger on its ball: `under_cam`, `tip`: points of its body where cam and valve touch it, or its roller's axle."""
    ball = arc((pivot[0], pivot[1] - 1.0), 3.6, 0.35, 2.79)
    stand = ((pivot[0] - 2.6, pivot[1] - 12.0), (pivot[0] + 2.6, pivot[1] - 12.0))
    return [Shape(limb([(pivot, 6.0), (under_cam, 4.6), (tip, 3.4)]), ink), Shape((*ball, *stand), "line")]


def pushrod(top: Point, bottom: Point, *, whole: bool = False) -> list[Stroke]:
    """Draw a pushrod with the ball in the rocker's cup; `whole`: and the one in the lifter's."""
    strokes: list[Stroke] = [
        Shape(bar(toward(top, bottom, 2.5), bottom, PUSHROD_MM), "line"),
        Circle(*top, _BALL_MM, "line"),
    ]
    return [*strokes, Circle(*bottom, _BALL_MM, "line")] if whole else strokes


def cam_lobe(centre: Point, base_mm: float, outline: tuple[Point, ...], ink: Ink = "line") -> list[Stroke]:
    """Draw a lobe on its shaft by its outline about the cam's centre; its base circle alone where the lobe is not known."""
    strokes: list[Stroke] = []
    if outline:
        strokes.append(Shape(tuple((centre[0] + x, centre[1] + y) for x, y in outline), ink))
    else:
        strokes.append(Circle(*centre, base_mm, "faint"))
    return [*strokes, Circle(*centre, 0.62 * base_mm, "faint"), Circle(*centre, 0.8, filled=True)]
