"""Flow of a cylinder's ports against the lift of their valves, with the lifts the cam gives."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Ink


class FlowCurve(Struct, frozen=True):
    """A port: (lift, flow) in the units of the axes, the lift its cam gives (NaN for not known), and how it is drawn."""

    name: str
    points: tuple[tuple[float, float], ...]
    cam_lift: float
    ink: Ink
    stale: bool = False


def port_flow_chart(curves: Sequence[FlowCurve], lift: Axis, flow: Axis, missing: str) -> Chart:
    """Draw flow over lift; without any reading it says what is missing."""
    known = [one for one in curves if one.points]
    series = [Series(one.name, ((0.0, 0.0), *one.points), one.ink, one.stale, dots=True, named="end") for one in known]
    levels = [Level(one.cam_lift, f"{one.name}: cam", one.ink, upright=True) for one in known if isfinite(one.cam_lift)]
    return Chart("Flow of the ports", lift, (Panel(flow, tuple(series), tuple(levels)),), missing)
