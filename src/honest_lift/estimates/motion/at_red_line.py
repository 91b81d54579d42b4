"""What the simulation says of every valve up to the red line: how fast it meets its seat, how far it comes nearer its piston.

Both are told at the red line and, for their doubt, at the speed that the red line would be if the valve floated as early as it may.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite

import numpy as np

from honest_lift.estimates.clearance.over_piston import Through
from honest_lift.estimates.clearance.piston_valve import TURN, ThroughTurn
from honest_lift.estimates.estimate import Estimate
from honest_lift.mechanics.motion.seen import SPANS
from honest_lift.mechanics.motion.sweep import Sweep
from honest_lift.numbers.doubt import Array, Ground, Source, exact

SIMULATED_U = (
    0.15  # standard uncertainty of a distance or a speed that only a simulation tells, as a share of it. From memory
)
_NEAR_TDC = 60.0  # of a clearance that was read without its curve: farther off the piston is out of reach


def speeds_to(floats: Estimate, red_rpm: Array) -> Array:
    """Give the red line, and what it may stand for at most, (2, n): a valve that floats so much earlier does there what it would
    do at a higher speed."""
    figure = floats.figure
    at = figure.value + 100.0
    with np.errstate(invalid="ignore", divide="ignore"):
        sooner = np.where(at > figure.expanded, at / (at - figure.expanded), np.inf)
    return np.stack([red_rpm, red_rpm * sooner])


def of_sweeps(
    sweeps: Sequence[Sweep | None], rpm: Array, tell: Callable[[int, Sweep, float], float]
) -> tuple[Array, Array]:
    """Give what is told of every sweep at the red line, and its standard uncertainty, from speeds (2, n); NaN without a sweep."""
    told = np.array([
        [float("nan") if sweep is None else tell(case, sweep, min(float(speed), sweep.rpm[-1]) if row else float(speed))
         for case, (sweep, speed) in enumerate(zip(sweeps, speeds, strict=True))]
        for row, speeds in enumerate(rpm)
    ]).reshape(2, -1)  # fmt: skip
    return told[0], np.maximum(SIMULATED_U * np.abs(told[0]), (told[1] - told[0]) / 2.0)


def barred_as(one: Estimate, floats: Estimate) -> Estimate:
    """Bar an estimate with whatever bars the float speed that it is simulated with; a range that was scanned there was not here."""
    figure = one.figure
    for flag in Ground:
        if flag:
            figure = figure.on_ground((floats.figure.ground & int(flag)) != 0, flag)
    figure = figure.on_ground((figure.ground & int(Ground.ASSUMED)) != 0, Ground.UNRANGED)
    joined = zip(one.inputs, floats.inputs, strict=True)
    return Estimate(figure, tuple(tuple(dict.fromkeys((*own, *more))) for own, more in joined))


def simulated(value: Array, u: Array, floats: Estimate, label: str) -> Estimate:
    """Make an estimate of what only the simulation tells: it rests on whatever the float speed rests on."""
    figure = exact(value).doubted(Source(f"motion:{label}", f"{label}, simulated", shared=False), u)
    unknown = figure.on_ground(np.isnan(value), Ground.MISSING)
    return barred_as(Estimate(unknown, ((),) * len(value)), floats)


def seating_m_s(sweeps: Sequence[Sweep | None], rpm: Array) -> tuple[Array, Array]:
    """Give the fastest every valve meets its seat up to the red line, m/s, and its standard uncertainty."""
    return of_sweeps(sweeps, rpm, lambda _, sweep, speed: sweep.seating_up_to(speed) / 1000.0)


def nearer_piston_mm(
    worked: ThroughTurn, valves: Sequence[Through], sweeps: Sequence[Sweep | None], rpm: Array
) -> tuple[Array, Array]:
    """Give by how much the least clearance of every valve shrinks up to the red line, mm, and its standard uncertainty.

    Where its curve is not known it shrinks by the most the valve stands beyond its cam anywhere about TDC: at the worst.
    """

    def shrinks(case: int, sweep: Sweep, speed: float) -> float:
        return _shrinks(worked.curves[case], _over_turn(sweep.beyond_mm(speed), valves[case]))

    return of_sweeps(sweeps, rpm, shrinks)


def _over_turn(beyond_mm: Array, valve: Through) -> Array:
    """Lay what a valve stands beyond its cam over TURN: of the span an angle lies in and of both beside it, the most."""
    centre = valve.parts["lobe_centreline"].value if "lobe_centreline" in valve.parts else float("nan")
    if not isfinite(centre):
        return np.full(len(TURN), float(beyond_mm.max()))
    wide = np.maximum(beyond_mm, np.maximum(np.roll(beyond_mm, 1), np.roll(beyond_mm, -1)))
    place = ((TURN - centre + 360.0) % 720.0) * (SPANS / 720.0)
    return wide[np.minimum(place.astype(np.int64), SPANS - 1)]


def _shrinks(curve: Array, beyond: Array) -> float:
    if np.isnan(beyond).any():
        return float("nan")
    if not np.isfinite(curve).all():
        return float(beyond[np.abs(TURN) <= _NEAR_TDC].max())
    return float(curve.min() - (curve - beyond).min())
