"""The pushrod gear seen from the side, to scale, and the valve's tip seen from above with its mark."""

from __future__ import annotations

from itertools import pairwise
from math import cos, radians, sin

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Ink, Line, Path, Scene, Stroke, Words

_LEFT, _RIGHT, _BELOW, _ABOVE = -78.0, 24.0, -30.0, 26.0
_TIP_VIEW = 6.0  # mm about the stem's axis


class Side(Struct, frozen=True):
    """Where everything stands, mm: the tip's plane is y = 0 with the valve closed. Points are (x, y)."""

    pivot: tuple[float, float]
    roller: tuple[float, float]
    radius: float
    cup: tuple[float, float]
    lifter: tuple[float, float]
    lift: float
    stem: float  # diameter
    angle_deg: float  # of the valve arm above square to the stem


def side_scene(side: Side | None, missing: str = "") -> Scene:
    """Draw the gear, or say what is missing."""
    if side is None:
        return Scene((Words(-27, 0, missing, ink="faint"),), _LEFT, _BELOW, _RIGHT, _ABOVE)
    half, tip = side.stem / 2.0, -side.lift
    strokes: list[Stroke] = [
        Line(0, _BELOW, 0, _ABOVE, "faint", True),
        Line(-half, tip, half, tip), Line(-half, tip, -half, _BELOW), Line(half, tip, half, _BELOW),
        Circle(*side.roller, side.radius, "mark"), Circle(*side.pivot, 4.0), Circle(*side.pivot, 0.6, filled=True),
        Circle(*side.cup, 2.5), Line(*side.pivot, *side.roller, "mark"), Line(*side.pivot, *side.cup),
    ]  # fmt: skip
    strokes.append(_square(side))
    strokes.append(_pushrod(side))
    told = f"{abs(side.angle_deg):.1f}° {'above' if side.angle_deg >= 0 else 'below'} square"
    strokes.append(Words(side.pivot[0], side.pivot[1] + 7.5, told, size="small"))
    return Scene(tuple(strokes), _LEFT, _BELOW, _RIGHT, _ABOVE)


def _square(side: Side) -> Stroke:
    """Draw the line square to the stem through the pivot: the valve arm lies on it at its half lift when all is right."""
    return Line(side.pivot[0], side.pivot[1], 14.0, side.pivot[1], "faint", True)


def _pushrod(side: Side) -> Stroke:
    """Draw the pushrod down to the edge of the picture."""
    across, down = side.lifter[0] - side.cup[0], side.lifter[1] - side.cup[1]
    share = min(1.0, (_BELOW - side.cup[1]) / down) if down < 0 else 1.0
    return Line(side.cup[0], side.cup[1], side.cup[0] + share * across, side.cup[1] + share * down)


class Tip(Struct, frozen=True):
    """A mark on the tip from above: its ends, and where the contact stands now, outboard to the right. `seen`: its ends."""

    stem: float
    inner: float
    outer: float
    now: float
    seen: tuple[float, float] | None = None


def tip_scene(tip: Tip | None, unit_words: str = "") -> Scene:
    """Draw the tip with the mark it will leave, and beside it, dashed, the mark that was seen."""
    if tip is None:
        return Scene((), -_TIP_VIEW, -_TIP_VIEW, _TIP_VIEW, _TIP_VIEW)
    half = tip.stem / 2.0
    view = max(_TIP_VIEW, half * 1.4)
    strokes: list[Stroke] = [
        Path(tuple((half * cos(radians(a)), half * sin(radians(a))) for a in range(0, 361, 6)), "line"),
        Line(0, -half, 0, half, "faint", True),
        *_band(tip.inner, tip.outer, 0.55 * half, "mark"),
        Line(tip.now, -0.55 * half, tip.now, 0.55 * half, "mark"),
        Words(0, view * 0.88, "tip from above", size="small", ink="faint"),
        Words(-view * 0.96, -view * 0.9, "inboard", "left", "small", "faint"),
        Words(view * 0.96, -view * 0.9, "outboard", "right", "small", "faint"),
    ]
    if tip.seen:
        strokes += _band(*tip.seen, 0.75 * half, "line", dashed=True)
    if unit_words:
        strokes.append(Words(0, -view * 0.72, unit_words, size="small"))
    return Scene(tuple(strokes), -view, -view, view, view)


def _band(inner: float, outer: float, high: float, ink: Ink, *, dashed: bool = False) -> list[Stroke]:
    corners = ((inner, -high), (outer, -high), (outer, high), (inner, high), (inner, -high))
    return [Line(*a, *b, ink, dashed) for a, b in pairwise(corners)]
