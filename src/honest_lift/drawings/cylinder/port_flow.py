"""Flow of a cylinder's ports against the lift of their valves, with the lifts the cam gives."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Anchor, Circle, Ink, Line, Path, Scene, Stroke, Words

_WIDE, _HIGH = 100.0, 50.0


class FlowCurve(Struct, frozen=True):
    """A port: (lift, flow) in the units of the axes, the lift its cam gives (NaN for not known), and how it is drawn."""

    name: str
    points: tuple[tuple[float, float], ...]
    cam_lift: float
    ink: Ink
    stale: bool = False


def port_flow_scene(curves: Sequence[FlowCurve], lift_unit: str, flow_unit: str, missing: str) -> Scene:
    """Draw flow over lift; without any reading it says what is missing."""
    known = [one for one in curves if one.points]
    if not known:
        return Scene((Words(_WIDE / 2, _HIGH / 2, missing, ink="faint"),), 0, 0, _WIDE, _HIGH, stretched=True)
    most_lift = max(
        [x for one in known for x, _ in one.points] + [one.cam_lift for one in known if isfinite(one.cam_lift)]
    )
    most_flow = max(y for one in known for _, y in one.points)

    def at(x: float, y: float) -> tuple[float, float]:
        return 6.0 + x / most_lift * (_WIDE - 12.0), 7.0 + y / most_flow * (_HIGH - 12.0)

    strokes: list[Stroke] = [
        Line(6, 7, _WIDE - 4, 7, "faint"), Line(6, 7, 6, _HIGH - 3, "faint"),
        Words(_WIDE / 2, 1.5, f"valve lift, {lift_unit}", size="small", ink="faint"),
        Words(7, _HIGH - 2, f"flow, {flow_unit}", "left", "small", "faint"),
    ]  # fmt: skip
    for row, one in enumerate(known):
        points = tuple(at(x, y) for x, y in ((0.0, 0.0), *one.points))
        strokes += [Path(points, one.ink, one.stale), *(Circle(x, y, 0.9, one.ink) for x, y in points[1:])]
        x, y = points[-1]
        strokes.append(Words(x - 1, y - 4, f"{one.name} {one.points[-1][1]:.0f}", "right", "label", one.ink))
        if isfinite(one.cam_lift):
            across = at(one.cam_lift, 0.0)[0]
            strokes.append(Line(across, 7, across, _HIGH - 6, one.ink, True))
            side: Anchor = "right" if row else "left"
            strokes.append(Words(across + (-1 if row else 1), 10, "cam", side, "small", one.ink))
    return Scene(tuple(strokes), 0, 0, _WIDE, _HIGH, stretched=True)
