"""A valve train at speed in words: from where it floats and bounces, what that rests on, and what more speed would take."""

from __future__ import annotations

from math import isfinite, nan

import numpy as np
from msgspec import Struct

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.drawings.train.at_speed import Band
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.motion.float_speed import behind
from honest_lift.facts.engine import Engine
from honest_lift.mechanics.motion.seen import LOFT_LIFT_MM, Trace
from honest_lift.mechanics.motion.sweep import Sweep
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.units import in_words
from honest_lift.numbers.verdict import Verdict

NOT_ASKED = "state the red line under Engine and parts, Masses: what follows its cam is asked with it"
MORE_RPM = 500.0


def band_of(moved: InMotion, case: int, which: str) -> Band:
    """Give from what speed a valve floats ("float") or bounces ("bounce"), with its band; NaN where that is not known."""
    over = moved.swept.floats if which == "float" else moved.swept.bounces
    low, at, high = _span(over, case)
    red = float(moved.red_rpm[case])
    sweep = moved.swept.sweeps[case]
    is_seen = sweep is None or isfinite(sweep.float_rpm if which == "float" else sweep.bounce_rpm)
    ends = [red * (1.0 + one / 100.0) for one in (low, at, high)]
    return Band(which, *ends) if is_seen else Band(which, ends[0], nan, float("inf"))


def _span(over: Estimate, case: int) -> tuple[float, float, float]:
    """Give a figure with its least and most over uncertainty and assumed ranges."""
    figure = over.figure
    value, u = float(figure.value[case]), float(figure.expanded[case])
    grid = figure.grid[:, case]
    if not isfinite(value):
        return nan, nan, nan
    return float(np.nanmin(grid)) - u, value, float(np.nanmax(grid)) + u


def speed_words(moved: InMotion | None, case: int, verdict: Verdict | None) -> str:
    """Say in a line from where a valve floats and bounces, against the red line."""
    if moved is None:
        return f"{NOT_ASKED[0].upper()}{NOT_ASKED[1:]}."
    floats, bounces = (band_of(moved, case, which) for which in ("float", "bounce"))
    red = f"red line {moved.red_rpm[case]:,.0f}"
    if not isfinite(floats.low):
        return f"{_why_not(moved, case)}; {red}."
    said = f": {verdict.word}" if verdict is not None else ""
    return f"{_band_words('Float', floats)}, {_band_words('bounce', bounces)}; {red}{said}."


def _band_words(name: str, band: Band) -> str:
    if not isfinite(band.low):
        return f"{name} not known"
    if not isfinite(band.at):
        return (
            f"no {name.lower()} seen below {_hundred(band.low)}"
            if name != "Float"
            else f"No float seen below {_hundred(band.low)} rpm"
        )
    return f"{name} near {_hundred(band.at)} rpm ({_hundred(band.low)} to {_hundred(band.high)})"


def _hundred(rpm: float) -> str:
    return f"{round(rpm / 50.0) * 50.0:,.0f}"


def _why_not(moved: InMotion, case: int) -> str:
    over = moved.swept.floats
    if int(over.figure.ground[case]) & int(Ground.PENDING):
        return "Its motion is being simulated"
    lacking = dict.fromkeys(one.title for one in over.inputs[case] if one.ground & Ground.MISSING)
    return (
        f"Not simulated, for what is not known: {', '.join(lacking)}"
        if lacking
        else "Not simulated: its loads or lift make no sense"
    )


def ground_words(moved: InMotion, case: int) -> tuple[str, ...]:
    """Say what a valve's float speed rests on that nobody measured, each with its reason, and what its band comes from most."""
    over = moved.swept.floats
    told = dict.fromkeys(
        f"{one.title}: {one.note or one.kind}"
        for one in over.inputs[case]
        if one.ground & (Ground.ASSUMED | Ground.UNRANGED)
    )
    parts = over.figure.parts()[:, case]
    most = (
        over.figure.sources[int(np.argmax(parts))].label
        if len(parts) and np.isfinite(parts).all() and parts.max() > 0
        else ""
    )
    lines = [f"Unproven, since it rests on {'; '.join(told)}."] if told else []
    if most:
        lines.append(f"Most of the band of what was measured comes from: {most}.")
    rigid = float(moved.rigid_rpm[case])
    if isfinite(rigid):
        lines.append(f"With everything rigid it would float at {_hundred(rigid)} rpm: an upper bound.")
    return tuple(lines)


def loss_words(moved: InMotion, case: int) -> str:
    """Say at what loss of seat load the lower end of the float band meets the red line; "" where that is not known."""
    worth, band = moved.swept.worths[case], band_of(moved, case, "float")
    if worth is None or not isfinite(band.low):
        return ""
    power, red = worth.floats["seat_load"], float(moved.red_rpm[case])
    if band.low <= red:
        return "The float band reaches the red line as it stands: no loss of seat load is left."
    if power <= 0.01:
        return "Seat load hardly moves the float speed here."
    share = (1.0 - (red / band.low) ** (1.0 / power)) * 100.0
    if share > 50.0:
        return "Half the seat load could go before the float band meets the red line; the valve would not seat by then."
    return f"The float band meets the red line when {share:.0f} percent of the seat load are lost: watch it from run to run."


class WorthLine(Struct, frozen=True):
    """What one figure of a train is worth, in words."""

    title: str
    now: str
    tenth: str
    wanted: str


_TITLES = {
    "valve_kg": ("what moves with the valve", "mass"), "active_kg": ("active coils of the spring", "mass"),
    "seat_load": ("seat load, the whole curve with it", "load"), "rate": ("open load less seat load", "load"),
    "train_n_mm": ("stiffness of the train", "rate"), "lift": ("valve lift, the lobe drawn lower", "length"),
    "train_damping": ("damping of the train", "percent"), "spring_damping": ("damping of the spring", "percent"),
}  # fmt: skip


def worth_lines(moved: InMotion, case: int, engine: Engine) -> tuple[WorthLine, ...]:
    """Give a line a figure: what a tenth more of it is worth, and what 500 rpm more would take of it alone."""
    worth, band = moved.swept.worths[case], band_of(moved, case, "float")
    stands = behind(moved.stands, case)
    if worth is None or not isfinite(band.at) or not stands:
        return ()
    lines = []
    for name, (title, dimension) in _TITLES.items():
        power, unit = worth.floats[name], engine.unit(dimension)
        more = band.at * (1.1**power - 1.0)
        factor = (1.0 + MORE_RPM / band.at) ** (1.0 / power) if abs(power) > 0.02 else nan
        sensible = isfinite(factor) and 0.4 < factor < 2.5
        wanted = in_words(stands[name] * factor, dimension, unit) if sensible else "not by this alone"
        lines.append(WorthLine(title, in_words(stands[name], dimension, unit), f"{more:+.0f} rpm", wanted))
    return (*lines, _lobe_line(band.at))


def _lobe_line(at_rpm: float) -> WorthLine:
    """Give what the lobe's acceleration over its nose is worth: as in a rigid train, force over it goes with the speed squared."""
    gentler = (at_rpm / (at_rpm + MORE_RPM)) ** 2
    return WorthLine(
        "lobe's acceleration over its nose",
        "100 %",
        f"{at_rpm * (1.1**-0.5 - 1.0):+.0f} rpm",
        f"{gentler * 100.0:.0f} %",
    )


_CHANGED = ("valve_kg", "seat_load", "rate", "train_n_mm", "lift")  # what a person can change


def pair_words(moved: InMotion, case: int) -> str:
    """Say which two figures, changed by as large a share each, give 500 rpm more with the least change."""
    worth, band = moved.swept.worths[case], band_of(moved, case, "float")
    if worth is None or not isfinite(band.at):
        return ""
    first, second = sorted(_CHANGED, key=lambda name: -abs(worth.floats[name]))[:2]
    powers = abs(worth.floats[first]) + abs(worth.floats[second])
    if powers < 0.05:
        return ""
    share = ((1.0 + MORE_RPM / band.at) ** (1.0 / powers) - 1.0) * 100.0
    words = [
        f"{share:.0f} percent {'more' if worth.floats[one] > 0 else 'less'} {_SHORT[one]}" for one in (first, second)
    ]
    return f"The least change of two together for {MORE_RPM:.0f} rpm more: {' and '.join(words)}."


_SHORT = {"valve_kg": "mass at the valve", "seat_load": "seat load", "rate": "open load over the seat load",
          "train_n_mm": "stiffness", "lift": "lift"}  # fmt: skip


def motion_words(trace: Trace, engine: Engine) -> str:
    """Say what a valve does in one cycle: its greatest lift over what is asked, the widest gap, what holds it."""
    unit, load = engine.unit("length"), engine.unit("load")
    over = float(trace.lift_mm.max() - trace.asked_mm.max())
    gap = float(np.where(trace.asked_mm > LOFT_LIFT_MM, trace.lift_mm - trace.asked_mm, 0.0).max())
    told = in_words(abs(over), "length", unit)
    lift = f"It lifts {told} {'more' if over > 0 else 'less'} than the cam asks for."
    left = f" It leaves its cam by {in_words(gap, 'length', unit)} at most." if gap > 0 else " It follows its cam."
    return f"{lift}{left} The most through the train is {in_words(float(trace.push_n.max()), 'load', load)}."


def points_of(sweep: Sweep, name: str, factor: float = 1.0) -> tuple[tuple[float, float], ...]:
    """Give a column of a sweep over its speeds."""
    return tuple((rpm, value * factor) for rpm, value in zip(sweep.rpm, getattr(sweep, name), strict=True))
