"""A turn plan in words: its stops, the rule for one cylinder alone, and what is set at a valve."""

from __future__ import annotations

from math import isfinite

from honest_lift.drawings.cam.crank_wheel import WheelStop
from honest_lift.facts.engine import Engine
from honest_lift.numbers.units import in_figures, in_words
from honest_lift.plans.train.turn_plan import AtStop, Stop, TurnPlan

RULE = (
    "One cylinder by itself: set the intake when its exhaust starts to open, the exhaust when its intake has nearly closed. "
    "The valve that is set is then on its base circle."
)
_FINE = {"in": 3, "mm": 2}
_EIGHTHS = 8


def stop_words(stop: Stop, number: int) -> str:
    """Say where a stop is: `Stop 2: 360° on the wheel, second turn; cylinder 6 fires there`."""
    turn = "second turn" if stop.crank_deg >= 360.0 else "first turn"
    where = "fires there" if stop.past_deg < 0.5 else f"fired {stop.past_deg:.0f}° before"
    return f"Stop {number}: {stop.wheel_deg:.0f}° on the wheel, {turn}; cylinder {stop.after} {where}."


def plan_lines(plan: TurnPlan, engine: Engine) -> tuple[str, ...]:
    """Say the whole plan, a line a stop, with what is missing and the rule of one cylinder."""
    lines = [
        f"{stop_words(stop, i)} {' '.join(one.position for one in stop.valves)}" for i, stop in enumerate(plan.stops, 1)
    ]
    if plan.stops:
        drawn = any(not one.is_measured and not one.missing for one in plan.base)
        source = "; lobes drawn from a card are kept 30° away from, for ramps no card quotes" if drawn else ""
        lines.append(
            f"Every valve stands {plan.margin_deg:.0f}° or more inside its base circle{source}. Turn the crank its own way only; "
            f"from the first stop on, 0° is TDC of cylinder {engine.firing[0].cylinder} to fire."
        )
    lines += [f"Not planned for some: {one}." for one in plan.missing]
    return (*lines, RULE)


def wheel_stops(plan: TurnPlan) -> list[WheelStop]:
    """Give the stops as they are drawn."""
    return [
        WheelStop(i, stop.wheel_deg, " ".join(one.position for one in stop.valves), stop.crank_deg >= 360.0)
        for i, stop in enumerate(plan.stops, 1)
    ]


def lash_words(value_mm: float, engine: Engine) -> str:
    """Write a lash as it stands in a column; a dash for none."""
    unit = engine.unit("length")
    return in_figures(value_mm, "length", unit, _FINE.get(unit)) if isfinite(value_mm) else "–"


def turns_words(one: AtStop, engine: Engine) -> str:
    """Say what is to be done to an adjuster: `3/8 turn in`, `as it is`, or by how much a lash is off where nothing turns it."""
    off = one.too_wide_mm
    if not isfinite(off):
        return "–"
    if not isfinite(one.turns):
        side = "too wide" if off > 0 else "too tight"
        return f"{in_words(abs(off), 'length', engine.unit('length'))} {side}" if off else "as wanted"
    eighths = round(abs(one.turns) * _EIGHTHS)
    if not eighths:
        return "as it is"
    whole, rest = divmod(eighths, _EIGHTHS)
    part = {0: "", 1: "1/8", 2: "1/4", 3: "3/8", 4: "1/2", 5: "5/8", 6: "3/4", 7: "7/8"}[rest]
    turns = " ".join(one for one in (str(whole) if whole else "", part) if one)
    return f"{turns} turn {'in' if one.turns > 0 else 'out'}"
