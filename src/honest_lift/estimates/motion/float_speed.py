"""From what speed on each valve floats and bounces, with its doubt: its train swept, and what each figure is worth laid over it.

The sweep is of what stands at the valve. What displaces a figure displaces the speed by the power found of a train about like it:

    speed = swept speed x product of (figure / what it was swept with) ^ power

with the lobe's acceleration over the nose to the power of -1/2, as in a rigid train. What no person states (the seat's stiffness,
the grid of the sweep) is a doubt of its own, from memory.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from math import isfinite
from types import MappingProxyType
from typing import NamedTuple

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.estimates.alike import Parts, derive_of, few_ranges
from honest_lift.estimates.estimate import Estimate, Input, estimate_of
from honest_lift.estimates.motion.bending import on_assumed_coils
from honest_lift.estimates.motion.problems import sweep_of, worth_of
from honest_lift.estimates.solved import SIMULATED, answers_to
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.train.masses import Moving
from honest_lift.facts.parts import SpringCard
from honest_lift.mechanics.motion.sweep import DISPLACED, SpringFigures, Sweep, TrainFigures, Worth
from honest_lift.mechanics.spring.load_curve import load_at
from honest_lift.mechanics.train.contact import gas_force_n
from honest_lift.numbers.doubt import Array, Ground, Source

_POINTS, _BEYOND_MM = 17, 3.0
_NO_BIND_MM = 60.0  # of a spring whose bind height nobody knows: its coils never meet in the sweep
_LEAST_KG = 1e-3
_ALL_RANGES = 4  # assumed inputs whose ranges are scanned; where more are assumed nothing passes anyway
# What a seat half or twice as stiff, or as damped, makes of the speeds (the tests' trains). From memory
_SEAT = {"float_rpm": 0.01, "bounce_rpm": 0.08}
_FIGURES = ("valve_kg", "active_kg", "seat_load", "rate", "train_n_mm", "train_damping", "spring_damping", "lift")
# By how much an onset moves with speeds, steps and segments: docs/validation.md
_GRID = {"float_rpm": 0.01, "bounce_rpm": 0.02}


class AtSpeed(Struct, frozen=True, eq=False):
    """What valves (n,) stand on when they are swept: as in `checks/valves.py`, with the rigid train's float speed."""

    installed: Estimate
    lift: Estimate
    seat_load: Estimate
    open_load: Estimate
    curves: Curves
    moving: tuple[Moving, ...]
    cards: tuple[SpringCard | None, ...]
    rigid_rpm: Array


class Like(Struct, frozen=True):
    """A valve's sweep, what its figures are worth, and the figures it was swept with."""

    train: TrainFigures
    sweep: Sweep
    worth: Worth
    figures: dict[str, float]


class Settled(NamedTuple):
    """What one valve's speeds are told by, once it is swept: it stays as long as nothing changes at the valve."""

    parts: dict[str, Input]
    train: TrainFigures
    like: Like


class Swept(Struct, frozen=True, eq=False):
    """How far above the red line valves (n,) float and bounce, percent, and what each comes from; None where there is nothing.

    `likes`: the sweep a valve's speeds are told by: its own, or where a change is only tried, that of before the change.
    """

    floats: Estimate
    bounces: Estimate
    trains: tuple[TrainFigures | None, ...]
    likes: tuple[Like | None, ...]
    parts: tuple[dict[str, Input], ...] = ()

    def of(self, case: int) -> Settled | None:
        """Give all that one valve's speeds are told by; None where a sweep is still to come, or it is only predicted."""
        like = self.likes[case]
        return (
            Settled(self.parts[case], like.train, like)
            if like is not None and like.train is self.trains[case]
            else None
        )

    @property
    def sweeps(self) -> tuple[Sweep | None, ...]:
        """Give the sweeps."""
        return tuple(None if one is None else one.sweep for one in self.likes)

    @property
    def worths(self) -> tuple[Worth | None, ...]:
        """Give what figures are worth."""
        return tuple(None if one is None else one.worth for one in self.likes)


def at_speed(
    stands: AtSpeed, before: Sequence[Like | None] | None = None, settled: Mapping[int, Settled] = MappingProxyType({})
) -> Swept:  # fmt: skip
    """Sweep all valves of which everything is known; those that are left for later are pending.

    `before`: of a change that is only tried, what stood at each valve before it: nothing is swept anew, and speeds are told by the
    powers of what stood there. That is predicted, and proves nothing. `settled`: by their places, valves at which nothing has
    changed since they were swept.
    """
    parts = [settled[case].parts if case in settled else _parts(stands, case) for case in range(len(stands.moving))]
    trains = tuple(
        settled[case].train if case in settled else _train(stands, case, own) for case, own in enumerate(parts)
    )
    likes = _solved(stands, trains, settled) if before is None else tuple(before)
    told = tuple(like if train is not None else None for like, train in zip(likes, trains, strict=True))
    predicted = np.array(
        [like is not None and like.train != train for like, train in zip(told, trains, strict=True)], dtype=bool
    )
    floats, bounces = (
        with_bind(stands, _over_red(stands, parts, told, trains, which, pends=before is None), predicted)
        for which in ("float_rpm", "bounce_rpm")
    )
    return Swept(floats, bounces, trains, told, tuple(parts))


def _solved(
    stands: AtSpeed, trains: Sequence[TrainFigures | None], settled: Mapping[int, Settled]
) -> tuple[Like | None, ...]:  # fmt: skip
    """Sweep trains and work out what their figures are worth, all at once; None of one that is left for later."""
    likes: list[Like | None] = [settled[case].like if case in settled else None for case in range(len(trains))]
    asked = {case: train for case, train in enumerate(trains) if train is not None and likes[case] is None}
    if asked:
        ready = list(asked.values())
        solved = zip(
            asked,
            answers_to([sweep_of(one) for one in ready]),
            answers_to([worth_of(one) for one in ready]),
            strict=True,
        )
        for case, sweep, worth in solved:
            if sweep is not None and worth is not None:
                likes[case] = Like(asked[case], sweep, worth, behind(stands, case))
    return tuple(likes)


def with_bind(stands: AtSpeed, over: Estimate, predicted: NDArray[np.bool_]) -> Estimate:
    """Lay on a speed what bars the height at which coils meet (unknown, they never do), and what is only predicted."""
    bind, figure = stands.curves.bind, over.figure.on_ground(predicted, Ground.PREDICTED)
    unknown = (bind.figure.ground & int(Ground.MISSING)) != 0
    for flag in Ground:
        if flag and flag is not Ground.MISSING:
            figure = figure.on_ground(~unknown & ((bind.figure.ground & int(flag)) != 0), flag)
    figure = figure.on_ground(unknown, Ground.ASSUMED | Ground.UNRANGED)
    return Estimate(figure, tuple((*own, *more) for own, more in zip(over.inputs, bind.inputs, strict=True)))


def _parts(stands: AtSpeed, case: int) -> dict[str, Input]:
    """Give what a valve's speed rests on by name."""
    moving = stands.moving[case]
    bending = dict(moving.bending)
    if "spring_damping" in bending:
        members = int(stands.curves.present[case].sum())
        bending["spring_damping"] = on_assumed_coils(bending["spring_damping"], stands.cards[case], members)
    return few_ranges({**moving.parts, **bending}, _ALL_RANGES)


def _train(stands: AtSpeed, case: int, parts: dict[str, Input]) -> TrainFigures | None:
    """Give the train to be swept; None where something of it is not known."""
    moving, value = stands.moving[case], {name: np.array(one.value) for name, one in parts.items()}
    loads = {"seat": stands.seat_load.figure.value[case], "open": stands.open_load.figure.value[case],
             "lift": stands.lift.figure.value[case]}  # fmt: skip
    figures = _figures({**value, **{name: np.array(one) for name, one in loads.items()}}) if value else {}
    told = [*loads.values(), stands.rigid_rpm[case], *(float(one) for one in figures.values())]
    if (
        not figures
        or not all(map(isfinite, told))
        or not moving.asked
        or min(figures["rate"], stands.rigid_rpm[case]) <= 0.0
    ):
        return None
    springs = _springs(stands, case, float(figures["active_kg"]), float(figures["spring_damping"]) / 100.0)
    if not springs or float(figures["valve_kg"]) < _LEAST_KG:
        return None
    asked, slope = _scaled(moving, float(loads["lift"]))
    train = TrainFigures(
        b"", slope, springs, float(figures["valve_kg"]), float(figures["train_n_mm"]), float(stands.rigid_rpm[case]),
        float(figures["train_damping"]) / 100.0, gas_n=float(_gas(value)),
    )  # fmt: skip
    return replace(train, asked=(asked - _more_lash(asked, train)).tobytes())


def _scaled(moving: Moving, lift_mm: float) -> tuple[Array, bytes]:
    """Give the lift table with the lift that stands for the valve; what the lash leaves below 0 stays."""
    asked, slope = (np.frombuffer(body, dtype=np.float64) for body in (moving.asked, moving.slope))
    share = lift_mm / moving.lift_mm
    return np.where(asked > 0.0, asked * share, asked), (slope * share).tobytes()


def _more_lash(asked: Array, train: TrainFigures) -> float:
    """Give by how much a train without lash stands lower, so that it only touches a valve that its spring presses into the seat."""
    pressed = (sum(one.load_n[0] for one in train.springs) - train.gas_n) / train.seat_n_mm
    return max(pressed + float(asked.min()), 0.0)


def _springs(stands: AtSpeed, case: int, active_kg: float, damping: float) -> tuple[SpringFigures, ...]:
    """Give the springs of one valve, each member that was pressed by itself; none where a curve makes no sense."""
    curves, height = stands.curves, float(stands.installed.figure.value[case])
    members = np.flatnonzero(curves.present[case])
    bind = curves.bound.value[case]
    found, seats = [], []
    for m in members:
        own = height - curves.steps.value[case, m]
        is_known = curves.bind_present[case, m] and isfinite(bind[m])  # as all bind heights, in the outer's
        to_bind = height - (bind[m] if is_known else _nest_bind(curves, case))
        lowest = np.nanmin(curves.heights.value[case, m])
        far = min(max(own - lowest, float(stands.lift.figure.value[case]) + _BEYOND_MM), to_bind)
        shorter = np.linspace(0.0, max(far, 1e-3), _POINTS)
        loads = load_at(
            (own - shorter)[:, None], curves.heights.value[case, m][None], curves.loads.value[case, m][None]
        )[:, 0]
        if not (np.isfinite(loads).all() and (np.diff(loads) > 0.0).all()):
            return ()
        seats.append(max(float(loads[0]), 1.0))
        found.append((tuple(shorter.tolist()), tuple(loads.tolist()), float(to_bind)))
    whole = sum(seats)
    return tuple(SpringFigures(*one, active_kg * seat / whole, damping) for one, seat in zip(found, seats, strict=True))


def _nest_bind(curves: Curves, case: int) -> float:
    bind = float(curves.bind.figure.value[case])
    return bind if isfinite(bind) else -_NO_BIND_MM


def _figures(parts: Parts) -> dict[str, Array]:
    """Give what stands behind each of DISPLACED (...), from parts (...) by name.

    Of a spring a third of what is active and the dead coil above it count in a rigid train, which fixes what each is.
    """
    share = _share(parts)
    pushed = (parts["pushrod_mass"] + parts["lifter_mass"]) / parts["ratio"] ** 2
    with_valve = parts["valve_mass"] + parts["retainer_mass"] + parts["rocker_at_valve"]
    return {
        "valve_kg": with_valve + pushed + (3.0 * share - 1.0) * parts["spring_mass"],
        "active_kg": active_kg(parts),
        "seat_load": parts["seat"],
        "rate": parts["open"] - parts["seat"],
        "train_n_mm": parts["train_stiffness"],
        "train_damping": parts["train_damping"],
        "spring_damping": parts["spring_damping"],
        "lift": parts["lift"],
    }


def _share(parts: Parts) -> Array:
    return np.clip(parts["spring_share"], 1.0 / 3.0, 0.5)


def active_kg(parts: Parts) -> Array:
    """Give the mass of a spring's active coils (...), from its mass and the share of it that counts in a rigid train."""
    return np.asarray((3.0 - 6.0 * _share(parts)) * parts["spring_mass"])


def behind(stands: AtSpeed, case: int) -> dict[str, float]:
    """Give what stands at a valve behind each of DISPLACED that a person knows, by name; nothing where something is missing."""
    parts = _parts(stands, case)
    loads = {"seat": stands.seat_load, "open": stands.open_load, "lift": stands.lift}
    value = {name: np.array(one.value) for name, one in parts.items()}
    if "spring_share" not in value or "train_stiffness" not in value:
        return {}
    found = _figures({**value, **{name: np.array(one.figure.value[case]) for name, one in loads.items()}})
    return {name: float(one) for name, one in found.items()}


def _gas(parts: Parts) -> Array:
    return gas_force_n(parts["port_pressure"], np.array(0.0), parts["head_diameter"], parts["stem_diameter"])


def _over_red(
    stands: AtSpeed, parts: Sequence[dict[str, Input]], likes: Sequence[Like | None], trains: Sequence[TrainFigures | None],
    which: str, *, pends: bool,
) -> Estimate:  # fmt: skip
    """Give how far above the red line (n,), percent, one of both speeds lies."""
    speeds = np.array([_speed(one, which) for one in likes])
    powers = _powers(likes, which)
    whole = [name for name in parts[0] if all(name in one for one in parts)] if parts else []
    laid = {name: estimate_of([one[name] for one in parts]) for name in whole}
    loads = {"seat": stands.seat_load, "open": stands.open_load, "lift": stands.lift}
    noses = np.array([own["nose"].value if "nose" in own else np.nan for own in parts])
    over = derive_of(_Displaced(speeds, powers, likes, noses).over, {**loads, **laid})
    figure = over.figure
    for key, label, share in (
        ("motion:seat", "stiffness and damping of the valve seat, from memory", _SEAT[which]),
        ("motion:grid", "the simulation's own grid", _GRID[which]),
    ):
        figure = figure.doubted(Source(key, label, shared=False), (figure.value + 100.0) * share)
    waits = np.array([train is not None and one is None for train, one in zip(trains, likes, strict=True)])
    figure = figure.on_ground(np.isnan(speeds), Ground.MISSING)
    if not pends:
        return Estimate(figure, over.inputs)
    inputs = tuple(
        (*own, _pending(stands.moving[case])) if waits[case] else own for case, own in enumerate(over.inputs)
    )
    return Estimate(figure.on_ground(waits, Ground.MISSING | Ground.PENDING), inputs)


def _pending(moving: Moving) -> Input:
    ground = Ground.MISSING | Ground.PENDING
    return replace(moving.carried, quantity="train_stiffness", kind="missing", ground=ground, note=SIMULATED)


def _speed(like: Like | None, which: str) -> float:
    """Give a speed; the end of the sweep where nothing happened within it: at least so much. No float above the rigid bound."""
    if like is None:
        return float("nan")
    most = like.train.rigid_rpm if which == "float_rpm" else like.sweep.rpm[-1]
    return float(min(getattr(like.sweep, which), most))


def _powers(likes: Sequence[Like | None], which: str) -> dict[str, Array]:
    of = "floats" if which == "float_rpm" else "bounces"
    return {
        name: np.array([0.0 if one is None else getattr(one.worth, of)[name] for one in likes]) for name in DISPLACED
    }


class _Displaced:
    """What displaced copies of the figures make of the swept speeds."""

    def __init__(self, speeds: Array, powers: dict[str, Array], likes: Sequence[Like | None], noses: Array) -> None:
        self._speeds, self._powers, self._noses = speeds, powers, noses
        self._swept = {
            name: np.array([np.nan if one is None else one.figures.get(name, np.nan) for one in likes])
            for name in _FIGURES
        }

    def over(self, parts: Parts) -> Array:
        """Give percent over the red line (..., n)."""
        # The sweep rides the lobe as it is drawn. By how much the rigid estimate's least hold over the nose comes out too small is
        # no matter of the sweep's: the nose's doubt displaces its speed, and its bias does not.
        speed = self._speeds / np.sqrt(np.where(parts["nose"] > 0.0, parts["nose"], np.nan) / self._noses)
        for name, own in _figures(parts).items():
            swept = self._swept[name]
            share = np.where((own > 0.0) & (swept > 0.0), own, np.nan) / np.where(swept > 0.0, swept, np.nan)
            speed = speed * share ** self._powers[name]
        return np.asarray((speed / parts["red_line"] - 1.0) * 100.0)
