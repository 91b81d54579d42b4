"""A finger follower seen from the side, to scale: pivot, finger, cam over it, valve under its end."""

from __future__ import annotations

from math import atan2, cos, sin

from msgspec import Struct

from honest_lift.drawings.faint import not_known
from honest_lift.drawings.parts.outline import toward
from honest_lift.drawings.parts.retainer import retainer, stem_end
from honest_lift.drawings.parts.rocker import ROLLER_MM, cam_lobe, finger, tip_end
from honest_lift.drawings.scene import Line, Point, Scene, Stroke, Words

_BELOW, _MARGIN = -16.0, 9.0
_RETAINER_MM, _RETAINER_BELOW_MM = 13.0, 9.0  # of a usual retainer: half its width, and from its step up to the tip


class FingerSide(Struct, frozen=True):
    """Where everything stands, mm: the tip's plane is y = 0 with the valve closed. Points are (x, y).

    `lobe`: the lobe's lift by the cam's angle, (radians, mm), from where it stands now, none where it is not known.
    """

    pivot: Point
    tip_pad: Point
    tip_radius: float
    roller: Point
    roller_radius: float
    cam: Point
    base_radius: float
    reach: float  # from the cam's centre to the finger's surface: base circle and lobe lift
    lift: float
    stem: float  # diameter
    angle_deg: float
    lobe: tuple[tuple[float, float], ...] = ()


USUAL = FingerSide((-36.0, 3.0), (0.0, 20.0), 20.0, (-18.0, 9.0), 8.5, (-18.0, 33.5), 16.0, 16.0, 0.0, 6.0, 0.0)


def finger_scene(side: FingerSide | None, missing: str = "") -> Scene:
    """Draw the finger under its lobe; in a plausible shape with what is missing in words, where its dimensions are not stated."""
    if side is None:
        return not_known(_scene(USUAL, ""), missing)
    return _scene(side, f"{abs(side.angle_deg):.1f}° {'above' if side.angle_deg >= 0 else 'below'} square")


def _scene(side: FingerSide, told: str) -> Scene:
    half, tip = side.stem / 2.0, -side.lift
    top = side.cam[1] + max(side.base_radius, side.reach) + _MARGIN
    left = min(side.pivot[0], side.cam[0] - side.base_radius) - 2 * _MARGIN
    right = max(side.cam[0] + side.base_radius, half + 6.0) + _MARGIN
    strokes: list[Stroke] = [
        Line(0, _BELOW, 0, top, "faint", True), *retainer(0.0, tip - _RETAINER_BELOW_MM, _RETAINER_MM, side.stem, "faint"),
        *stem_end(0.0, side.stem, _BELOW - 2.0, tip), *cam_lobe(side.cam, side.base_radius, _outline(side)),
        *finger(side.pivot, _body(side), _tip(side)), Line(side.pivot[0], side.pivot[1], 12.0, side.pivot[1], "faint", True),
        *tip_end(side.roller, side.roller_radius, side.cam, "line"),
        *tip_end(side.tip_pad, side.tip_radius, (side.tip_pad[0], -99.0), "mark"),
        Line(*side.cam, *toward(side.cam, side.roller, side.reach), "mark"),
    ]  # fmt: skip
    if told:
        strokes.append(Words(side.pivot[0], side.pivot[1] - 9.0, told))
    return Scene(tuple(strokes), left, _BELOW - 2.0, right, top)


def _body(side: FingerSide) -> Point:
    """Give where the finger's body lies under the cam: the roller's middle, or a little below a pad's own face."""
    if side.roller_radius <= ROLLER_MM:
        return side.roller
    return toward(toward(side.roller, side.cam, side.roller_radius), side.roller, 4.6)


def _tip(side: FingerSide) -> Point:
    """Give where the finger's end lies over the valve: a little above its pad's face."""
    x, y = side.tip_pad
    return x, y - side.tip_radius + 3.4


def _outline(side: FingerSide) -> tuple[Point, ...]:
    """Give the lobe about the cam's centre as it stands now: what touches the finger lies toward it."""
    facing = atan2(side.roller[1] - side.cam[1], side.roller[0] - side.cam[0])
    return tuple(
        ((side.base_radius + lift) * cos(facing + at), (side.base_radius + lift) * sin(facing + at))
        for at, lift in side.lobe
    )
