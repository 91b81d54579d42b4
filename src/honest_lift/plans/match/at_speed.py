"""Candidates in motion: the train of each at the pocket where it floats first, as the engine's own bends there.

Everything but spring, retainer and locks stays what the engine has: its lobe, stiffness, damping and masses. The springs are those
of their cards, straight lines with their coils alike, and a nest one spring: that ranks candidates, and proves nothing of any.
"""

from __future__ import annotations

from collections.abc import Hashable, Mapping, Sequence
from math import isfinite, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.estimates.motion.bending import usual_damping
from honest_lift.estimates.motion.problems import OfTrain, sweep_of
from honest_lift.mechanics.match.asked import rows
from honest_lift.mechanics.motion.sweep import SpringFigures, Sweep, TrainFigures
from honest_lift.plans.match.match import Candidate, Match

MOST = 50
_BEYOND_MM = 3.0
_LEAST_SHARE, _MOST_SHARE = 1.0 / 3.0, 0.5


class InTrain(Struct, frozen=True):
    """Candidates whose trains are to be swept, and the problem of each; those that move alike ask the same."""

    ones: tuple[Candidate, ...]
    problems: tuple[OfTrain, ...]

    @property
    def asked(self) -> tuple[OfTrain, ...]:
        """Give every problem once."""
        return tuple({one.key: one for one in self.problems}.values())

    def with_speeds(self, sweeps: Mapping[Hashable, Sweep], listed: Sequence[Candidate]) -> tuple[Candidate, ...]:
        """Give the listed candidates, those that were swept with the speed they float at. No float above the rigid bound."""
        speed = {
            one.parts: min(sweeps[problem.key].float_rpm, problem.train.rigid_rpm)
            for one, problem in zip(self.ones, self.problems, strict=True) if problem.key in sweeps
        }  # fmt: skip
        return tuple(replace(one, bends_rpm=speed.get(one.parts, one.bends_rpm)) for one in listed)


def in_train(match: Match, moved: InMotion | None, listed: Sequence[Candidate]) -> InTrain:
    """Lay out the best MOST of listed candidates; what of the engine or of a candidate is not known leaves it out."""
    best = sorted(listed, key=lambda one: -one.weakest)[:MOST] if moved is not None else []
    trains = [(one, _train(match, moved, one)) for one in best if moved is not None]
    known = [(one, sweep_of(train)) for one, train in trains if train is not None]
    return InTrain(tuple(one for one, _ in known), tuple(problem for _, problem in known))


def card_surge_hz(match: Match, one: Candidate) -> float:
    """Give a candidate's surge frequency by its card, Hz; NaN of a nest, whose members surge each for itself, or without a mass.

    Source: the first mode of a rod fixed at both ends, f = 1/2 sqrt(k/m) over the active coils.
    """
    row = match.row("springs", one.spring)
    mass, moving = match.found.figures["springs"]["mass"][row], match.springs.moving_kg[row]
    if match.springs.members[row] > 1.0 or not mass > 0.0:
        return float("nan")
    active, _ = _split(float(mass), float(moving / mass))
    return 0.5 * sqrt(float(match.springs.rate[row]) * 1e3 / active)


def _train(match: Match, moved: InMotion, one: Candidate) -> TrainFigures | None:
    speeds = match.speeds(one)
    if not np.isfinite(speeds).all() or not speeds.min() > 0.0:
        return None
    pocket = int(speeds.argmin())
    case = moved.valves.names.index(match.bench.positions[pocket])
    base, masses = moved.swept.trains[case], moved.valves.moving[case].masses
    if base is None:
        return None
    row = match.row("springs", one.spring)
    mass, moving = (float(own[row]) for own in (match.found.figures["springs"]["mass"], match.springs.moving_kg))
    shut = one.heights_mm[pocket]
    lift = float(match.bench.pockets.lift_mm[pocket])
    active, dead = _split(mass, moving / mass)
    _, present = _split(masses["spring_mass"].value, masses["spring_share"].value)
    valve_kg = base.valve_kg - masses["retainer_mass"].value - present + one.mass_kg + dead
    spring = _spring(match, row, shut, lift, active)
    sound = isfinite(valve_kg) and valve_kg > 0.0 and spring is not None
    return replace(base, springs=(spring,), valve_kg=valve_kg, rigid_rpm=float(speeds[pocket])) if sound else None


def _split(mass_kg: float, share: float) -> tuple[float, float]:
    """Give a spring's active coils, and the dead coil above them: a third of the one and all of the other are its share."""
    share = min(max(share, _LEAST_SHARE), _MOST_SHARE)
    return (3.0 - 6.0 * share) * mass_kg, (3.0 * share - 1.0) * mass_kg


def _spring(match: Match, row: int, shut: float, lift: float, active_kg: float) -> SpringFigures | None:
    own = rows(match.springs, np.array([row]))
    seat, rate, to_bind = (
        float(own.load_n[0] + own.rate[0] * (own.height_mm[0] - shut)),
        float(own.rate[0]),
        shut - float(own.bind_mm[0]),
    )
    far = min(lift + _BEYOND_MM, to_bind)
    if not (isfinite(seat + rate + active_kg) and seat > 0.0 and rate > 0.0 and far > 0.0):
        return None
    damping = usual_damping(nested=own.members[0] > 1.0) / 100.0
    return SpringFigures((0.0, far), (seat, seat + rate * far), to_bind, active_kg, damping)
