"""A valve train in motion, referred to the valve: it bends, its spring surges, its seat bounces. Many speeds advance together.

    valve:   m a = train - springs + seat + gas            lift x from the seat, opening positive
    train:   one-way, k p + c p' min(1, p / p_s), p what the cam has gone ahead of the valve; it never pulls
    seat:    one-way, in the same way, for x below 0
    springs: each a chain of segments (`spring_chain`), fixed to the head; coil on coil is one-way as well

Of two masses, lifter and pushrod stand between two one-way springs: cam to lifter, and through the rocker to the valve with the
lash. The contact law is continuous, so that nothing chatters as parts meet. Advanced by semi-implicit Euler, which keeps energy,
at half the step that the stiffest contact allows each. Within the loop everything is in mm, s, N and tonnes (N s2/mm).
Source: Newton's second law; the contact law after Hunt and Crossley, from memory; held to a general integrator by test.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from honest_lift.mechanics.motion.lift_table import LiftTables
from honest_lift.mechanics.motion.seen import Moved, Trace, Watch
from honest_lift.mechanics.motion.spring_chain import CONTACT, Chain
from honest_lift.mechanics.solving.unwanted import Unwanted
from honest_lift.numbers.doubt import Array

COIL_DAMPING = 0.15  # of coil on coil, as a share of the critical one of a segment. From memory
SETTLING_MM = 0.005  # penetration by which a contact's damping has come in. From memory
RUB_MM_S = 50.0  # sliding at which coils rub with their whole force. From memory
_GRAVITY = 9.81
_TONNES = 1e-3
_BLOCK, _EVERY = 256, 4  # steps for which the cam is read at once; steps between two looks


@dataclass(frozen=True, slots=True)
class Trains:
    """Valve trains (k,), referred to the valve; `springs`: one to three chains of as many segments, each over all of them.

    `valve_kg`: what moves with the valve, without the springs' active coils; `pushed_kg`: lifter and pushrod over the ratio
    squared, 0 where one mass stands for all; `train_n_mm` and `train_damping`, a share of the critical one; `cam_share`: of the
    train's yielding, what lies between cam and lifter; `lash_mm`: at the valve, which `asked` has taken off as well;
    `rub_n`: what neighbours in a nest rub with; `gas_n`: opens the valve.
    """

    asked: LiftTables
    springs: tuple[Chain, ...]
    valve_kg: Array
    pushed_kg: Array
    train_n_mm: Array
    train_damping: Array
    cam_share: Array
    lash_mm: Array
    seat_n_mm: Array
    seat_damping: Array
    gas_n: Array
    rub_n: Array

    def __len__(self) -> int:
        return len(self.valve_kg)


@dataclass(frozen=True, slots=True)
class Pace:
    """How finely it is advanced: `share` of the longest stable step, `settle_s` before the cycle that is looked at."""

    share: float = 0.5
    settle_s: float = 0.12


FINE, QUICK = Pace(), Pace(0.7, 0.08)


def simulate(
    trains: Trains, case: NDArray[np.int64], rpm: Array, pace: Pace = FINE, wanted: Callable[[], bool] | None = None
) -> Moved:
    """Move trains `case` (c,) at crank speeds `rpm` (c,), and tell what each did in its last cycle.

    `wanted` is asked now and then; raises Unwanted where it says no.
    """
    watch = Watch(len(case))
    _Run(trains, case, rpm, pace).to_the_end(watch, wanted)
    return watch.moved()


def traced(
    trains: Trains, case: NDArray[np.int64], rpm: float, pace: Pace = FINE, wanted: Callable[[], bool] | None = None
) -> Trace:
    """Give the last cycle of trains `case` (c,) at one crank speed, as it is seen every few steps. `wanted` as in `simulate`."""
    watch = Watch(len(case), keeps=True)
    _Run(trains, case, np.full(len(case), rpm), pace).to_the_end(watch, wanted)
    return watch.trace()


class _Contact:
    """One-way contact: what it pushes with where one thing has gone `p` into another."""

    def __init__(self, rate: Array, loss: Array) -> None:
        self._rate, self._loss = rate, loss

    def push(self, p: Array, speed: Array) -> Array:
        """Give the force, never below nothing."""
        damped = np.minimum(np.maximum(p, 0.0) * (1.0 / SETTLING_MM), 1.0)
        damped *= speed
        damped *= self._loss
        damped += self._rate * p
        return np.asarray(np.maximum(damped, 0.0, out=damped))


class _Springs:
    """The chains (m, n, c) of every column, their nodes, and the arrays they are advanced in. Node 0 goes with the valve."""

    def __init__(self, springs: tuple[Chain, ...], case: NDArray[np.int64], rub_n: Array, down_mm: Array) -> None:
        self.rate = np.stack([one.rate_n_mm[case].T for one in springs])
        self.room = np.stack([one.room_mm[case].T for one in springs])
        self.lump = np.stack([one.active_kg[case] / one.segments for one in springs])[:, None] * _TONNES
        damping = np.stack([one.damping[case] for one in springs])[:, None]
        n = springs[0].segments
        lump = np.maximum(self.lump, 1e-9)  # an absent member has none
        self._loss = damping * np.sqrt(self.rate * lump) / np.sin(np.pi / (2.0 * n))
        self._coil = _Contact(CONTACT * self.rate, 2.0 * COIL_DAMPING * np.sqrt(CONTACT * self.rate * lump))
        seat = np.stack([one.seat_n[case] for one in springs])[:, None]
        self._offset = seat - CONTACT * self.rate * np.maximum(
            -self.room, 0.0
        )  # coils that touch bear part of the seat load
        self._rub = rub_n / max(n - 1, 1) if len(springs) > 1 else None
        self._lump = lump
        self.u, self.v = (np.zeros((len(springs), n + 1, len(case))) for _ in range(2))
        self.u[:] = down_mm * (1.0 - np.arange(n + 1) / n)[:, None]
        self.shorter, self._speed, self._force, self._held = (np.empty_like(self.rate) for _ in range(4))

    @property
    def stiffest(self) -> Array:
        """Give the square of the fastest angular frequency (c,) of a node between two closed coils."""
        return np.asarray((4.0 * (1.0 + CONTACT) * self.rate / self._lump).max(axis=(0, 1)))

    def start(self, dt: Array) -> None:
        """Take the steps (c,) to advance by."""
        self._per_lump = dt / self._lump

    def speed_up(self) -> Array:
        """Give the nodes their new speeds, and what the springs push the valve with (c,)."""
        np.subtract(self.u[:, :-1], self.u[:, 1:], out=self.shorter)
        np.subtract(self.v[:, :-1], self.v[:, 1:], out=self._speed)
        force, held = self._force, self._held
        np.multiply(self.shorter, self.rate, out=force)
        force += self._offset
        np.multiply(self._speed, self._loss, out=held)
        force += held
        np.subtract(self.shorter, self.room, out=held)
        if held.max() > 0.0:
            force += self._coil.push(held, self._speed)
        change = force[:, :-1] - force[:, 1:]
        if self._rub is not None:
            sliding = self.v[1:, 1:-1] - self.v[:-1, 1:-1]
            rubbed = self._rub * np.tanh(sliding * (1.0 / RUB_MM_S))
            change[:-1] += rubbed
            change[1:] -= rubbed
        change *= self._per_lump
        self.v[:, 1:-1] += change
        return np.asarray(force[:, 0].sum(axis=0))


_OF_CASE = ("valve_kg", "pushed_kg", "train_n_mm", "train_damping", "cam_share", "lash_mm", "seat_n_mm", "seat_damping", "gas_n",
            "rub_n")  # fmt: skip


class _Run:
    """The state of all columns (c,)."""

    def __init__(self, trains: Trains, case: NDArray[np.int64], rpm: Array, pace: Pace) -> None:
        own = {name: getattr(trains, name)[case] for name in _OF_CASE}
        self._asked, self._case, self._gas, self._lash = trains.asked, case, own["gas_n"], own["lash_mm"]
        shut = sum(one.seat_n[case] for one in trains.springs) - self._gas
        down = -np.maximum(shut, 0.0) / own["seat_n_mm"]
        self.springs = _Springs(trains.springs, case, own["rub_n"], down)
        self._mass = own["valve_kg"] * _TONNES + 0.5 * self.springs.lump.sum(axis=(0, 1))
        self._seat = _Contact(own["seat_n_mm"], 2.0 * own["seat_damping"] * np.sqrt(own["seat_n_mm"] * self._mass))
        self.x, self._vx, self._change = down.copy(), np.zeros(len(case)), np.zeros(len(case))
        self._couple(own)
        self._own_dt = pace.share * self._longest_step()
        self._lay_out(rpm, pace.settle_s)

    def _couple(self, own: dict[str, Array]) -> None:
        """Set the train: one spring from cam to valve, or two with the lifter and pushrod between them."""
        k, pushed = own["train_n_mm"], own["pushed_kg"] * _TONNES
        two = pushed > 0.0
        share = np.where(two, own["cam_share"], 0.0)
        loss = 2.0 * own["train_damping"] * np.sqrt(k * (self._mass + pushed))
        self._to_valve = _Contact(k / (1.0 - share), loss / (1.0 - share))
        self._fastest = (k / (1.0 - share) + own["seat_n_mm"]) / self._mass
        self._pushed = None
        if two.any():
            to_cam = np.where(two, k / np.where(two, share, 1.0), 0.0)
            self._to_cam = _Contact(to_cam, np.where(two, loss / np.where(two, share, 1.0), 0.0))
            self._two, self._pushed = two, np.where(two, pushed, 1.0)
            self._fastest = np.maximum(self._fastest, (to_cam + k / (1.0 - share)) / self._pushed)
            self._z, self._vz, self._change_z = np.minimum(self.x + self._lash, 0.0), np.zeros(len(k)), np.zeros(len(k))

    def _longest_step(self) -> Array:
        """Give the longest stable step of each column (c,), s: by the stiffest of valve, lifter and coil."""
        tops = (self.springs.rate[:, 0] * (1.0 + CONTACT)).sum(axis=0) / self._mass
        return np.asarray(2.0 / np.sqrt(np.maximum(self._fastest + tops, self.springs.stiffest)))

    def _lay_out(self, rpm: Array, settle_s: float) -> None:
        """Lay out the steps: every column goes through whole cycles in steps of its own, and all end together.

        Until its first step a column stands still, so that what it does never depends on what stands beside it.
        """
        cycle = 120.0 / rpm
        cycles = np.ceil(settle_s / cycle) + 1.0
        own = _EVERY * np.ceil(cycles * cycle / self._own_dt / _EVERY).astype(np.int64)
        self._steps = int(own.max())
        self._begins = self._steps - own
        self._looked_at = self._begins + np.floor((cycles - 1.0) * cycle / self._own_dt).astype(np.int64)
        self._deg_s = rpm * 6.0
        self._changes = frozenset(self._begins.tolist())

    def _start(self, step: int) -> None:
        """Set the columns off whose first step it is."""
        self._dt = np.where(self._begins <= step, self._own_dt, 0.0)
        self._per_mass = self._dt / self._mass
        self.springs.start(self._dt)
        if self._pushed is not None:
            self._per_pushed, self._falls = self._dt / self._pushed, _GRAVITY * 1e3 * self._dt

    def to_the_end(self, watch: Watch, wanted: Callable[[], bool] | None) -> None:
        """Advance to the end of the last cycle."""
        for begin in range(0, self._steps, _BLOCK):
            if wanted is not None and not wanted():
                raise Unwanted
            steps = np.arange(begin, min(begin + _BLOCK, self._steps))
            asked, speed, crank = self._read_cam(steps)
            for row, step in enumerate(steps.tolist()):
                if step in self._changes:
                    self._start(step)
                counts = self._looked_at <= step
                looks = step % _EVERY == 0 and bool(counts.any())
                if looks:
                    gap, stood, fell = self._gap(asked[row]), self.x.copy(), self._vx.copy()
                push, top = self._advance(asked[row], speed[row])
                if looks:
                    watch.look(counts, crank[row], asked[row], gap, stood, fell, push, top, self.springs)

    def _gap(self, asked: Array) -> Array:
        """Give how far the valve, or its lifter, has left what carries it (c,)."""
        gap: Array = self.x - asked
        if self._pushed is None:
            return gap
        return np.where(self._two, np.maximum(gap, self._z - self._lash - asked), gap)

    def _read_cam(self, steps: NDArray[np.int64]) -> tuple[Array, Array, Array]:
        """Give what the cam asks for as each step begins: lift (b, c), its speed in mm/s, crank degrees about its centre."""
        since = np.maximum(steps[:, None] - self._begins, 0) * self._own_dt
        crank = (since * self._deg_s) % 720.0 - 360.0
        lift, slope = self._asked.at(crank, self._case)
        return lift, slope * self._deg_s, crank

    def _advance(self, asked: Array, speed: Array) -> tuple[Array, Array]:
        """Go a step on; gives what the train pushes the valve with, and what its springs do (c,)."""
        dt, springs = self._dt, self.springs
        top = springs.speed_up()
        now = self._vx + 0.5 * self._change  # speeds stand half a step behind
        push = self._push(asked, speed, now)
        change = push - top
        change += self._seat.push(-self.x, -now)
        change += self._gas
        change *= self._per_mass
        self._vx += change
        self._change = change
        springs.v[:, 0] = self._vx
        springs.u += springs.v * dt
        self.x += self._vx * dt
        return push, top

    def _push(self, asked: Array, speed: Array, now: Array) -> Array:
        """Give what the train pushes the valve with, and move lifter and pushrod where they count by themselves."""
        if self._pushed is None:
            return self._to_valve.push(asked - self.x, speed - now)
        z = np.where(self._two, self._z, asked + self._lash)
        vz = np.where(self._two, self._vz + 0.5 * self._change_z, speed)
        push = self._to_valve.push(z - self._lash - self.x, vz - now)
        from_cam = self._to_cam.push(asked + self._lash - z, speed - vz)
        self._change_z = (from_cam - push) * self._per_pushed - self._falls
        self._vz += self._change_z
        self._z += self._vz * self._dt
        return push
