"""A valve train swept over speed: what floats and bounces from where, and what each of its figures is worth there.

Trains are plain figures, so that a process beside the window can sweep them and an answer be told apart by all it came from.
Source: `simulate` and `onset`; elasticities are central differences of the swept onsets.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite, log

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.mechanics.motion.lift_table import ROWS, LiftTables
from honest_lift.mechanics.motion.onset import BOUNCE_MM, onset_rpm
from honest_lift.mechanics.motion.seen import SPANS
from honest_lift.mechanics.motion.simulate import Pace, Trains, simulate
from honest_lift.mechanics.motion.spring_chain import chain_of_curve, stacked
from honest_lift.numbers.doubt import Array

LOW, HIGH, SPEEDS = 0.35, 1.15, 27  # of the rigid train's float speed, which no train that bends outlives by much


class Fineness(Struct, frozen=True):
    """How finely trains are swept: segments of a spring, speeds, pace."""

    segments: int = 7
    speeds: int = SPEEDS
    share: float = 0.8
    settle_s: float = 0.05

    @property
    def pace(self) -> Pace:
        """Give the pace."""
        return Pace(self.share, self.settle_s)


class SpringFigures(Struct, frozen=True):
    """One spring of a nest: its loads over shortening from the shut height, both rising, and what it weighs and loses."""

    shorter_mm: tuple[float, ...]
    load_n: tuple[float, ...]
    to_bind_mm: float
    active_kg: float
    damping: float


class TrainFigures(Struct, frozen=True):
    """One valve train, as `Trains` has many; `asked` and `slope`: its lift table as bytes of float64. `rigid_rpm`: of everything
    rigid, where the speeds are laid about."""

    asked: bytes
    slope: bytes
    springs: tuple[SpringFigures, ...]
    valve_kg: float
    train_n_mm: float
    rigid_rpm: float
    train_damping: float = 0.07
    seat_n_mm: float = 40000.0
    seat_damping: float = 0.12
    gas_n: float = 0.0
    lash_mm: float = 0.0
    pushed_kg: float = 0.0
    cam_share: float = 0.25
    rub_n: float = 0.0


class Sweep(Struct, frozen=True):
    """What a train does over speeds (s,), and from where on: infinite where it does not within them.

    `beyond`: `beyond_mm` of `Moved` (s, SPANS) as bytes of float32.
    """

    rpm: tuple[float, ...]
    loft_mm: tuple[float, ...]
    bounce_mm: tuple[float, ...]
    seating_mm_s: tuple[float, ...]
    coil_gap_mm: tuple[float, ...]
    push_n: tuple[float, ...]
    lift_mm: tuple[float, ...]
    beyond: bytes
    float_rpm: float
    bounce_rpm: float

    def beyond_mm(self, rpm: float) -> Array:
        """Give the farthest the valve stands open beyond what is asked at any speed up to one, over each span (SPANS,), mm."""
        rows = np.frombuffer(self.beyond, dtype=np.float32).reshape(len(self.rpm), SPANS)
        return up_to(np.array(self.rpm), rows.astype(np.float64), rpm)

    def seating_up_to(self, rpm: float) -> float:
        """Give the fastest the valve meets its seat at any speed up to one, mm/s."""
        return float(up_to(np.array(self.rpm), np.array(self.seating_mm_s), rpm))


def up_to(rpm: Array, rows: Array, most_rpm: float) -> Array:
    """Give the greatest of rows (s, ...) at speeds (s,) up to one, which lies between two of them; what it is there is read
    between; below the slowest, what it is there. NaN beyond the fastest: nobody has looked.

    >>> up_to(np.array([1.0, 2.0, 3.0]), np.array([5.0, 1.0, 3.0]), 2.5)
    array(5.)
    """
    if not most_rpm <= rpm[-1]:
        return np.full(rows.shape[1:], np.nan)
    place = float(np.interp(most_rpm, rpm, np.arange(len(rpm))))
    below = int(place)
    there = rows[below] + (place - below) * (rows[min(below + 1, len(rpm) - 1)] - rows[below])
    return np.asarray(np.maximum(rows[: below + 1].max(axis=0), there))


class Worth(Struct, frozen=True):
    """By what power of each figure, by name, a train's float and bounce speeds go; UNSEEN where an onset is outside the sweep."""

    floats: dict[str, float]
    bounces: dict[str, float]


Wanted = Callable[[], bool]


def laid_out(ones: Sequence[TrainFigures], segments: int) -> Trains:
    """Lay trains with as many springs each out as arrays."""
    count = len(ones[0].springs)
    chains = [
        stacked([
            chain_of_curve(np.array(own.load_n), np.array(own.shorter_mm), own.to_bind_mm, own.active_kg, own.damping, segments)
            for own in (one.springs[m] for one in ones)
        ])
        for m in range(count)
    ]  # fmt: skip
    tables = LiftTables(*(
        np.stack([np.frombuffer(body, dtype=np.float64).reshape(ROWS) for body in bodies])
        for bodies in ([one.asked for one in ones], [one.slope for one in ones])
    ))  # fmt: skip
    columns = {name: np.array([getattr(one, name) for one in ones], dtype=np.float64) for name in _COLUMNS}
    return Trains(tables, tuple(chains), **columns)


_COLUMNS = ("valve_kg", "pushed_kg", "train_n_mm", "train_damping", "cam_share", "lash_mm", "seat_n_mm", "seat_damping", "gas_n",
            "rub_n")  # fmt: skip


def swept(ones: Sequence[TrainFigures], fineness: Fineness, wanted: Wanted | None = None) -> list[Sweep]:
    """Sweep trains over speeds about their rigid float speed, all at once. Raises Unwanted where nobody waits any more."""
    shares = np.linspace(LOW, HIGH, fineness.speeds)
    rpm = np.array([one.rigid_rpm for one in ones])[:, None] * shares
    return _over(ones, rpm, fineness, wanted)


def _over(ones: Sequence[TrainFigures], rpm: Array, fineness: Fineness, wanted: Wanted | None) -> list[Sweep]:
    """Sweep trains (k,) over their own speeds (k, s), those with as many springs together."""
    found: dict[int, Sweep] = {}
    for count in dict.fromkeys(len(one.springs) for one in ones):
        rows = [row for row, one in enumerate(ones) if len(one.springs) == count]
        found |= zip(rows, _together([ones[row] for row in rows], rpm[rows], fineness, wanted), strict=True)
    return [found[row] for row in range(len(ones))]


def _onset(rpm: Array, excess_mm: Array) -> Array:
    """Give onsets (k,) over speeds (k, s). What exceeds already at the slowest has grown from a standstill: no start is missed."""
    still = np.zeros((len(rpm), 1))
    return onset_rpm(np.concatenate([still, rpm], axis=1), np.concatenate([still, excess_mm], axis=1))


def _together(ones: Sequence[TrainFigures], rpm: Array, fineness: Fineness, wanted: Wanted | None) -> list[Sweep]:
    case: NDArray[np.int64] = np.repeat(np.arange(len(ones)), rpm.shape[1])
    moved = simulate(laid_out(ones, fineness.segments), case, rpm.reshape(-1), fineness.pace, wanted)
    looked = {name: getattr(moved, name).reshape(rpm.shape) for name in _LOOKED}
    beyond = moved.beyond_mm.astype(np.float32).reshape(*rpm.shape, SPANS)
    floats, bounces = _onset(rpm, looked["loft_mm"]), _onset(rpm, looked["bounce_mm"] - BOUNCE_MM)
    found = []
    for k in range(len(ones)):
        columns = {name: tuple(looked[name][k].tolist()) for name in _LOOKED}
        found.append(Sweep(tuple(rpm[k].tolist()), **columns, beyond=beyond[k].tobytes(), float_rpm=float(floats[k]),
                           bounce_rpm=float(bounces[k])))  # fmt: skip
    return found


_LOOKED = ("loft_mm", "bounce_mm", "seating_mm_s", "coil_gap_mm", "push_n", "lift_mm")

# What is displaced for what it is worth, by which share of itself. Loads by a share of the seat load, along the whole curve.
DISPLACED = {
    "valve_kg": 0.15, "active_kg": 0.30, "seat_load": 0.20, "rate": 0.20, "train_n_mm": 0.35, "train_damping": 0.5,
    "spring_damping": 0.6, "lift": 0.05,
}  # fmt: skip
# The powers of a train whose onset lies outside what was swept: a rigid one's, and for what bends more than is usual. From memory
UNSEEN = {
    "valve_kg": -0.5, "active_kg": -0.1, "seat_load": 0.5, "rate": 0.5, "train_n_mm": 0.4, "train_damping": 0.3,
    "spring_damping": 0.1, "lift": -0.5,
}  # fmt: skip
_BELOW, _ABOVE = 0.75, 1.30  # of the onsets, from the lower to the higher, over which displaced trains are swept


def worths(ones: Sequence[TrainFigures], fineness: Fineness, wanted: Wanted | None = None) -> list[Worth]:
    """Give by what power of each of DISPLACED each train's onsets go, all at once.

    Displaced by much: what a small change does to the motion of a train that leaves its cam a little is half of it chance.
    """
    whole = swept(ones, fineness, wanted)
    sides = [(name, side) for name in DISPLACED for side in (1.0, -1.0)]
    moved = [displaced(one, name, 1.0 + side * DISPLACED[name]) for one in ones for name, side in sides]
    rpm = np.stack([np.linspace(_BELOW * low, _ABOVE * high, fineness.speeds) for low, high in map(_ends, whole)])
    found = _over(moved, np.repeat(rpm, len(sides), axis=0), fineness, wanted)
    rows = [found[k * len(sides) : (k + 1) * len(sides)] for k in range(len(ones))]
    return [Worth(_powers([one.float_rpm for one in own]), _powers([one.bounce_rpm for one in own])) for own in rows]


def _ends(one: Sweep) -> tuple[float, float]:
    """Give the lower and the higher of both onsets; of one that is not within the sweep, its end."""
    both = [min(own, one.rpm[-1]) for own in (one.float_rpm, one.bounce_rpm)]
    return min(both), max(both)


def _powers(onsets: list[float]) -> dict[str, float]:
    found = {}
    for row, (name, share) in enumerate(DISPLACED.items()):
        more, less = onsets[2 * row], onsets[2 * row + 1]
        both = isfinite(more) and isfinite(less) and more > 0.0 and less > 0.0
        found[name] = log(more / less) / log((1.0 + share) / (1.0 - share)) if both else UNSEEN[name]
    return found


def displaced(one: TrainFigures, name: str, factor: float) -> TrainFigures:
    """Give a train with one of DISPLACED so many times what it is.

    `seat_load`: the loads of every spring by what that adds to the seat load. `rate`: what they bear over their seat load.
    `lift`: what the cam asks for, its slope with it.
    """
    if name == "lift":
        return replace(one, asked=_times(one.asked, factor), slope=_times(one.slope, factor))
    if name in _OF_SPRINGS:
        return replace(one, springs=tuple(_OF_SPRINGS[name](own, factor) for own in one.springs))
    return replace(one, **{name: getattr(one, name) * factor})


def _times(body: bytes, factor: float) -> bytes:
    return (np.frombuffer(body, dtype=np.float64) * factor).tobytes()


def _loaded(one: SpringFigures, factor: float) -> SpringFigures:
    more = (factor - 1.0) * one.load_n[0]
    return replace(one, load_n=tuple(load + more for load in one.load_n))


def _stiffer(one: SpringFigures, factor: float) -> SpringFigures:
    seat = one.load_n[0]
    return replace(one, load_n=tuple(seat + (load - seat) * factor for load in one.load_n))


_OF_SPRINGS: dict[str, Callable[[SpringFigures, float], SpringFigures]] = {
    "active_kg": lambda one, factor: replace(one, active_kg=one.active_kg * factor),
    "spring_damping": lambda one, factor: replace(one, damping=one.damping * factor),
    "seat_load": _loaded,
    "rate": _stiffer,
}
