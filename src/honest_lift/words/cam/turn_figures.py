"""The turn as a chart and as figures at one crank angle: lift, velocity or acceleration of both valves, and the piston."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.drawings.cam.turn import SPAN_DEG, Curve, Shown, turn_chart
from honest_lift.drawings.chart import Chart
from honest_lift.drawings.scene import Ink
from honest_lift.estimates.train.turn import Turn
from honest_lift.mechanics.cylinder.slider_crank import SliderCrank
from honest_lift.mechanics.train.valve_turn import ValveTurn
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import from_inside, in_words, unit_of
from honest_lift.words.cam.turn import crank_words

_STEP_DEG = 1.5
_MORE_PLACES = {"lift": 0, "velocity": 2, "acceleration": 3}
_PER = {"lift": "", "velocity": "/deg", "acceleration": "/deg²"}
_INKS: tuple[tuple[str, Ink], ...] = (("exhaust", "line"), ("intake", "mark"))


def chart_of_turn(turns: dict[str, Turn], crank: SliderCrank | str, what: str, unit: str, check_mm: float) -> Chart:
    """Draw both valves. `what`: "lift", "velocity" or "acceleration"; `crank`: a word in its place draws no piston."""
    at = np.arange(-SPAN_DEG, SPAN_DEG + _STEP_DEG / 2, _STEP_DEG)
    places = unit_of("length", unit).places + _MORE_PLACES[what]
    curves = []
    for role, ink in _INKS:
        turn = turns[role]
        if valve := turn.valve:
            lifting = at[_lifts(valve, at)]
            figures = _of(valve, what, lifting) * from_inside(1.0, "length", unit)
            points = tuple(zip(lifting.tolist(), figures.tolist(), strict=True))
            tdc = from_inside(float(valve.lift(np.array(0.0))), "length", unit)
            curves.append(Curve(role, points, tdc, valve.events(check_mm), ink, turn.measured is None))
    drops = np.array([]) if isinstance(crank, str) else crank.drop(at) * from_inside(1.0, "length", unit)
    piston = tuple(zip(at.tolist(), drops.tolist(), strict=True)) if len(drops) else ()
    check = from_inside(check_mm, "length", unit) if what == "lift" else None
    return turn_chart(curves, Shown(f"valve {what}", places, f"{unit}{_PER[what]}", check), piston)


def _lifts(valve: ValveTurn, at: Array) -> NDArray[np.bool_]:
    """Tell where the lobe lifts, with a step to spare: along its base circle there is nothing to draw."""
    start, end = (valve.centre_deg + 2.0 * one for one in (valve.lobe.start_deg, valve.lobe.end_deg))
    return (at > start - 2 * _STEP_DEG) & (at < end + 2 * _STEP_DEG)


def cursor_words(turns: dict[str, Turn], crank: SliderCrank | str, at_deg: float, what: str, unit: str) -> str:
    """Say what stands where at one crank angle."""
    parts = [f"At {crank_words(at_deg)}" if at_deg else "At overlap TDC"]
    at = np.array(at_deg)
    for role, turn in turns.items():
        if turn.valve:
            value = float(_of(turn.valve, what, at))
            places = unit_of("length", unit).places + _MORE_PLACES[what]
            parts.append(f"{role} {in_words(value, 'length', unit, places)}{_PER[what]}")
    if isinstance(crank, str):
        return f"{'; '.join(parts)}. {crank[:1].upper()}{crank[1:]}." if len(parts) > 1 else ""
    drop = in_words(float(crank.drop(at)), "length", unit)
    return f"{'; '.join(parts)}; piston {drop} below its TDC."


def _of(valve: ValveTurn, what: str, at: Array) -> Array:
    return {"lift": valve.lift, "velocity": valve.velocity, "acceleration": valve.acceleration}[what](at)
