"""Both valves around the overlap: lift against crank degrees, what stands open at TDC, and where they cross a check lift."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Anchor, Circle, Ink, Line, Scene, Stroke, Words

_WIDE, _LEFT, _FOOT, _TOP = 100.0, 5.0, 7.0, 40.0
_TICK_DEG = 60


class Curve(Struct, frozen=True):
    """One valve: (crank degrees, lift) in the unit it is labelled in, its TDC lift, and where it crosses the check lift."""

    name: str
    points: tuple[tuple[float, float], ...]
    at_tdc: float
    events: tuple[float, float] | None
    ink: Ink


def cam_turn_scene(curves: Sequence[Curve], span_deg: float, places: int, unit: str, check: float) -> Scene:
    """Draw the curves over the turn from -span to +span, with dots where they cross the check lift; with none it says so."""
    if not curves:
        return Scene((Words(50, 22, "no lobe is stated yet", ink="faint"),), 0, 0, _WIDE, 44, stretched=True)
    most = max(lift for one in curves for _, lift in one.points) * 1.12

    def x(crank: float) -> float:
        return _LEFT + (crank + span_deg) / (2 * span_deg) * (_WIDE - 2 * _LEFT)

    def y(lift: float) -> float:
        return _FOOT + lift / most * (_TOP - _FOOT)

    strokes: list[Stroke] = [
        Line(_LEFT, _FOOT, _WIDE - _LEFT, _FOOT, "faint"),
        Line(x(0), _FOOT, x(0), _TOP, "faint", True),
    ]
    ticks = range(-int(span_deg) // _TICK_DEG * _TICK_DEG, int(span_deg) + 1, _TICK_DEG)
    strokes += [Words(x(tick), 4.4, f"{tick}", size="small", ink="faint") for tick in ticks if abs(tick) < span_deg]
    strokes.append(Words(50, 1.4, "crank degrees from TDC of the overlap", size="small", ink="faint"))
    strokes.append(
        Words(50, 42.6, f"valve lift, {unit}; dots at {check:.{places}f} of lift", size="small", ink="faint")
    )
    for side, one in enumerate(curves):
        strokes += [Line(x(a[0]), y(a[1]), x(b[0]), y(b[1]), one.ink) for a, b in pairwise(one.points)]
        peak = max(one.points, key=lambda point: point[1])
        strokes.append(Words(x(peak[0]), y(peak[1]) + 1.8, f"{one.name} {peak[1]:.{places}f}", ink=one.ink))
        if isfinite(one.at_tdc) and one.at_tdc > 0:
            anchor: Anchor = "left" if side else "right"
            shift = 1.2 if side else -1.2
            strokes.append(Circle(x(0), y(one.at_tdc), 0.8, one.ink, filled=True))
            strokes.append(
                Words(x(0) + shift, y(one.at_tdc) + 1.6, f"{one.at_tdc:.{places}f}", anchor, "label", one.ink)
            )
        for event in one.events or ():
            strokes.append(Circle(x(event), y(check), 0.6, one.ink))
    return Scene(tuple(strokes), 0, 0, _WIDE, 44, stretched=True)
