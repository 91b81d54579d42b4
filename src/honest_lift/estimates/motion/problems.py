"""Sweeps as problems to be solved once: of one train over speed, and of what each of its figures is worth there.

What a figure is worth hardly changes with the figure: it is worked out of a train with its figures rounded, so that a height
measured at one valve asks for one new sweep and mostly for nothing else, and that valves which are alike ask the same.
"""

from __future__ import annotations

import hashlib
from collections.abc import Hashable, Sequence
from math import copysign, exp, isfinite, log

import msgspec
import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.solved import Wanted
from honest_lift.mechanics.motion.sweep import Fineness, SpringFigures, Sweep, TrainFigures, Worth, swept, worths

_fineness = [Fineness()]


def sweep_with(fineness: Fineness) -> Fineness:
    """Sweep coarser or finer from now on; gives what was before."""
    before, _fineness[0] = _fineness[0], fineness
    return before


class OfTrain(Struct, frozen=True):
    """One train swept over speed. `figures`: a digest of the train, which is asked for again and again."""

    train: TrainFigures
    fineness: Fineness
    figures: bytes

    @property
    def key(self) -> Hashable:
        """Give what tells it from others."""
        return "sweep", self.figures, self.fineness

    def solve(self) -> Sweep:
        """Sweep it."""
        return self.solve_all([self])[0]

    @classmethod
    def solve_all(cls, problems: Sequence[OfTrain], wanted: Wanted | None = None) -> list[Sweep]:
        """Sweep trains together."""
        return swept([one.train for one in problems], problems[0].fineness, wanted)


class OfWorth(Struct, frozen=True):
    """What each figure of one train is worth. `figures`: a digest of the train."""

    train: TrainFigures
    fineness: Fineness
    figures: bytes

    @property
    def key(self) -> Hashable:
        """Give what tells it from others."""
        return "worth", self.figures, self.fineness

    def solve(self) -> Worth:
        """Work it out."""
        return self.solve_all([self])[0]

    @classmethod
    def solve_all(cls, problems: Sequence[OfWorth], wanted: Wanted | None = None) -> list[Worth]:
        """Work them out together."""
        return worths([one.train for one in problems], problems[0].fineness, wanted)


def _digest(train: TrainFigures) -> bytes:
    return hashlib.sha256(msgspec.msgpack.encode(train)).digest()


def sweep_of(train: TrainFigures) -> OfTrain:
    """Give the problem of a train."""
    return OfTrain(train, _fineness[0], _digest(train))


def worth_of(train: TrainFigures) -> OfWorth:
    """Give the problem of what its figures are worth, of a train about like it: many valves then ask the same."""
    own = {name: _about(getattr(train, name)) for name in ("valve_kg", "train_n_mm", "rigid_rpm", "gas_n")}
    asked, slope = _lobe_about(train)
    about = replace(train, asked=asked, slope=slope, springs=tuple(map(_spring_about, train.springs)), **own)
    return OfWorth(about, _coarser(_fineness[0]), _digest(about))


def _coarser(fineness: Fineness) -> Fineness:
    """Give what is fine enough for what figures are worth: they are displaced by much."""
    return Fineness(
        min(fineness.segments, 4), min(fineness.speeds, 11), max(fineness.share, 0.9), min(fineness.settle_s, 0.04)
    )


def _lobe_about(train: TrainFigures) -> tuple[bytes, bytes]:
    """Give the lift table with its lift and lash rounded, and its shape to a millionth: what ratios and lashes differ by goes."""
    asked, slope = (np.frombuffer(body, dtype=np.float64) for body in (train.asked, train.slope))
    lash, whole = -float(asked.min()), float(asked.max() - asked.min())
    wide = _about(whole)
    shape, steep = (np.round(one, _SHAPE_PLACES) + 0.0 for one in ((asked + lash) / whole, slope / whole))
    return (shape * wide - _about(lash)).tobytes(), (steep * wide).tobytes()


def _spring_about(one: SpringFigures) -> SpringFigures:
    """Give a spring with its travel, its loads shut and open and its mass rounded, and how far its curve bends between."""
    wide = _about(one.shorter_mm[-1])
    shut, opened = _about(one.load_n[0]), _about(one.load_n[-1] - one.load_n[0])
    half = float(np.interp(one.shorter_mm[-1] / 2.0, one.shorter_mm, one.load_n))
    sags = round((half - one.load_n[0]) / (one.load_n[-1] - one.load_n[0]) / _BENDS) * _BENDS
    return SpringFigures((0.0, wide / 2.0, wide), (shut, shut + opened * sags, shut + opened), _about(one.to_bind_mm),
                         _about(one.active_kg), one.damping)  # fmt: skip


def _about(value: float) -> float:
    """Round to one of the steps that are each an eighth above the last."""
    if not isfinite(value) or value == 0.0:
        return value
    step = round(log(abs(value)) / _STEP)
    return copysign(exp(step * _STEP), value)


_STEP = log(1.125)
_SHAPE_PLACES, _BENDS = 6, 0.05
