"""A finger follower seen from the side, to scale: pivot, finger, cam over it, valve under its end."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Line, Scene, Stroke, Words

_BELOW, _MARGIN = -16.0, 9.0
_ROLLER = 12.0  # a larger radius is a pad's


class FingerSide(Struct, frozen=True):
    """Where everything stands, mm: the tip's plane is y = 0 with the valve closed. Points are (x, y)."""

    pivot: tuple[float, float]
    tip_pad: tuple[float, float]
    tip_radius: float
    roller: tuple[float, float]
    roller_radius: float
    cam: tuple[float, float]
    base_radius: float
    reach: float  # from the cam's centre to the finger's surface: base circle and lobe lift
    lift: float
    stem: float  # diameter
    angle_deg: float


def finger_scene(side: FingerSide) -> Scene:
    """Draw the finger, its cam as base circle and as far as the lobe now reaches."""
    half, tip = side.stem / 2.0, -side.lift
    top = side.cam[1] + side.base_radius + _MARGIN
    left = min(side.pivot[0], side.cam[0] - side.base_radius) - 2 * _MARGIN
    right = max(side.cam[0] + side.base_radius, half + 6.0) + _MARGIN
    told = f"{abs(side.angle_deg):.1f}° {'above' if side.angle_deg >= 0 else 'below'} square"
    strokes: list[Stroke] = [
        Line(0, _BELOW, 0, top, "faint", True),
        Line(-half, tip, half, tip), Line(-half, tip, -half, _BELOW), Line(half, tip, half, _BELOW),
        Circle(*side.pivot, 3.0), Circle(*side.pivot, 0.6, filled=True),
        Line(*side.pivot, *_body(side)), Line(*side.pivot, *side.tip_pad, "mark"),
        Circle(*side.cam, side.base_radius, "faint"), Circle(*side.cam, 0.8, filled=True),
        Line(side.pivot[0], side.pivot[1], 12.0, side.pivot[1], "faint", True),
        *_pad(side.roller, side.roller_radius, side.cam), *_pad(side.tip_pad, side.tip_radius, (side.tip_pad[0], _BELOW), "mark"),
        Line(*side.cam, *_toward(side.cam, side.roller, side.reach), "mark"),
        Words(side.pivot[0], side.pivot[1] - 7.0, told, size="small"),
    ]  # fmt: skip
    return Scene(tuple(strokes), left, _BELOW - 2.0, right, top)


def _body(side: FingerSide) -> tuple[float, float]:
    """Give where the finger's body ends under the cam: the roller's middle, or a pad's own face."""
    return side.roller if side.roller_radius <= _ROLLER else _toward(side.roller, side.cam, side.roller_radius)


def _pad(centre: tuple[float, float], radius: float, facing: tuple[float, float], ink: str = "line") -> list[Stroke]:
    """Draw a roller whole, and of a pad's wide arc only what faces the other part."""
    if radius <= _ROLLER:
        return [Circle(*centre, radius, "mark" if ink == "mark" else "line")]
    at = _toward(centre, facing, radius)
    across = ((facing[1] - centre[1]), -(facing[0] - centre[0]))
    long = (across[0] ** 2 + across[1] ** 2) ** 0.5 or 1.0
    by = (6.0 * across[0] / long, 6.0 * across[1] / long)
    return [Line(at[0] - by[0], at[1] - by[1], at[0] + by[0], at[1] + by[1], "mark" if ink == "mark" else "line")]


def _toward(start: tuple[float, float], end: tuple[float, float], by: float) -> tuple[float, float]:
    across, up = end[0] - start[0], end[1] - start[1]
    long = (across**2 + up**2) ** 0.5 or 1.0
    return start[0] + by * across / long, start[1] + by * up / long
