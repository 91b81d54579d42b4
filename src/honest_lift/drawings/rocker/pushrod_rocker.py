"""The pushrod gear seen from the side, to scale, and the valve's tip seen from above with its mark."""

from __future__ import annotations

from itertools import pairwise
from math import cos, radians, sin

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.drawings.faint import faintly, not_known
from honest_lift.drawings.parts.retainer import retainer, stem_end
from honest_lift.drawings.parts.rocker import pushrod, rocker
from honest_lift.drawings.scene import Ink, Line, Path, Point, Scene, Stroke, Words

_LEFT, _RIGHT, _BELOW, _ABOVE = -78.0, 24.0, -30.0, 26.0
_RETAINER_MM, _RETAINER_BELOW_MM = 15.0, 13.0  # of a usual retainer: half its width, and from its step up to the tip
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


USUAL = Side(
    (-36.0, -3.0), (0.0, 6.0), 6.0, (-59.0, -4.0), (-66.0, -200.0), 0.0, 8.0, 0.0
)  # a shape for what nobody stated


def side_scene(side: Side | None, missing: str = "") -> Scene:
    """Draw the gear; in a plausible shape with what is missing in words, where its dimensions are not stated."""
    if side is None:
        return not_known(_scene(USUAL, ""), missing)
    return _scene(side, f"{abs(side.angle_deg):.1f}° {'above' if side.angle_deg >= 0 else 'below'} square")


def moved_scene(before: Side | None, after: Side | None, missing: str) -> Scene:
    """Lay the gear after a change over the gear before it, which is drawn thin; both at half lift, from the valve's tip."""
    if before is None:
        return side_scene(None, missing)
    now = side_scene(after or before)
    if after is None or after == before:
        return now
    return replace(now, strokes=(*faintly(side_scene(before).strokes), *now.strokes))


def _scene(side: Side, told: str) -> Scene:
    tip = -side.lift
    strokes: list[Stroke] = [
        Line(0, _BELOW, 0, _ABOVE, "faint", True), *retainer(0.0, tip - _RETAINER_BELOW_MM, _RETAINER_MM, side.stem, "faint"),
        *stem_end(0.0, side.stem, _BELOW, tip), _square(side), *pushrod(side.cup, _foot(side)),
        *rocker(side.pivot, side.roller, side.radius, side.cup, side.lifter),
        Line(*side.pivot, *side.roller, "faint", True),
    ]  # fmt: skip
    if told:
        strokes.append(Words(side.pivot[0] - 1.0, side.pivot[1] - 14.5, told))
    return Scene(tuple(strokes), _LEFT, _BELOW, _RIGHT, _ABOVE)


def _square(side: Side) -> Stroke:
    """Draw the line square to the stem through the pivot: the valve arm lies on it at its half lift when all is right."""
    return Line(side.pivot[0], side.pivot[1], 14.0, side.pivot[1], "faint", True)


def _foot(side: Side) -> Point:
    """Give where the pushrod leaves the picture."""
    across, down = side.lifter[0] - side.cup[0], side.lifter[1] - side.cup[1]
    share = min(1.0, (_BELOW - side.cup[1]) / down) if down < 0 else 1.0
    return side.cup[0] + share * across, side.cup[1] + share * down


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
