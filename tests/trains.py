"""Invented valve trains of every gear and kind of spring, and their motion written out plainly for a general integrator."""

from __future__ import annotations

from contextlib import contextmanager
from dataclasses import dataclass

import numpy as np
from scipy.integrate import solve_ivp

from honest_lift.estimates.motion import problems
from honest_lift.facts.memory import remember
from honest_lift.mechanics.motion.lift_table import LiftTables, crank_raster
from honest_lift.mechanics.motion.seen import SPANS
from honest_lift.mechanics.motion.simulate import Trains
from honest_lift.mechanics.motion.spring_chain import chain_of_curve
from honest_lift.mechanics.motion.sweep import DISPLACED, Fineness, Sweep, Worth

POWERS = (2, 8, 14, 20)


@dataclass(frozen=True)
class Train:
    """One train; `curve`: loads over shortening from the shut height, of the whole nest, and the shortening to coil bind."""

    lift_mm: float = 12.0
    open_deg: float = 300.0
    lash_mm: float = 0.4
    valve_kg: float = 0.16
    pushed_kg: float = 0.0
    train_n_mm: float = 5000.0
    curve: tuple[tuple[float, ...], tuple[float, ...], float] = ((0.0, 14.0), (600.0, 1230.0), 16.0)
    active_kg: float = 0.06
    members: int = 1
    rub_n: float = 0.0
    segments: int = 9
    spring_damping: float = 0.015


CASES = {
    "pushrod, one mass": Train(),
    "pushrod, two masses": Train(valve_kg=0.11, pushed_kg=0.06),
    "finger": Train(lift_mm=10.0, valve_kg=0.09, train_n_mm=8000.0, curve=((0.0, 12.0), (350.0, 830.0), 15.0), active_kg=0.045),
    "bucket": Train(lift_mm=10.0, lash_mm=0.2, valve_kg=0.11, train_n_mm=25000.0, curve=((0.0, 12.0), (400.0, 850.0), 15.0)),
    "progressive": Train(curve=((0.0, 4.0, 8.0, 11.0, 14.0), (500.0, 640.0, 800.0, 950.0, 1130.0), 16.0)),
    "nest of two": Train(members=2, rub_n=20.0),
}  # fmt: skip


def lobe(lift_mm: float, open_deg: float) -> tuple[np.ndarray, np.ndarray]:
    """Give a smooth invented lobe over the raster of the tables, with its slope: four powers, level at its ends to the third."""
    crank = crank_raster()
    at = np.clip(np.abs(crank) / (open_deg / 2.0), 0.0, 1.0)
    rows = [[1.0] * 4, *([np.prod(np.arange(p, p - k, -1.0)) for p in POWERS] for k in (1, 2, 3))]
    shares = np.linalg.solve(np.array(rows), [-1.0, 0.0, 0.0, 0.0])
    lift = 1.0 + sum(c * at**p for c, p in zip(shares, POWERS, strict=True))
    slope = sum(c * p * at ** (p - 1) for c, p in zip(shares, POWERS, strict=True)) * np.sign(crank) / (open_deg / 2.0)
    return lift_mm * np.where(at < 1.0, lift, 0.0), lift_mm * np.where(at < 1.0, slope, 0.0)


def trains(*ones: Train) -> Trains:
    """Lay trains out as the simulation takes them."""
    lobes = [lobe(one.lift_mm, one.open_deg) for one in ones]
    chains = [_chains(one) for one in ones]

    def column(name: str, other: float | None = None) -> np.ndarray:
        return np.array([getattr(one, name) if other is None else other for one in ones])

    tables = LiftTables(
        np.stack([own - one.lash_mm for (own, _), one in zip(lobes, ones, strict=True)]),
        np.stack([s for _, s in lobes]),
    )
    springs = tuple(
        type(chains[0][0])(
            *(np.concatenate([getattr(own[m], name) for own in chains]) for name in chains[0][0].__slots__)
        )
        for m in range(ones[0].members)
    )
    return Trains(
        tables, springs, column("valve_kg"), column("pushed_kg"), column("train_n_mm"), column("", 0.07), column("", 0.25),
        column("lash_mm"), column("", 40000.0), column("", 0.12), column("", 0.0), column("rub_n"),
    )  # fmt: skip


def _chains(one: Train) -> list:
    shorter, loads, bind = (np.array(own) for own in one.curve)
    share = 1.0 / one.members
    return [
        chain_of_curve(loads * share, shorter, float(bind) - 1.0 * m, one.active_kg * share * (1.0 + 0.3 * m), one.spring_damping,
                       one.segments)
        for m in range(one.members)
    ]  # fmt: skip


def by_integrator(one: Train, rpm: float, tight: float = 1e-8) -> tuple[np.ndarray, ...]:
    """Give crank degrees, lift asked for, lift and widest gap over the last cycle, by SciPy's DOP853."""
    whole = trains(one)
    members, n, two = one.members, one.segments, one.pushed_kg > 0.0
    lumps = [own.active_kg[0] / n * 1e-3 for own in whole.springs]
    m0, m1 = one.valve_kg * 1e-3 + sum(lumps) / 2.0, one.pushed_kg * 1e-3
    k, share, seat = one.train_n_mm, 0.25, 40000.0
    c, c_seat = 2 * 0.07 * np.sqrt(k * (m0 + m1)), 2 * 0.12 * np.sqrt(seat * m0)
    cycle, speed = 120.0 / rpm, 6.0 * rpm
    cycles = int((0.12 + cycle) / cycle)
    none = np.array([0])

    def touch(p, v, rate, loss):
        return max(0.0, rate * p + loss * v * min(1.0, max(p, 0.0) / 0.005))

    def asked(t):
        lift, slope = whole.asked.at(np.array([(t * speed) % 720.0 - 360.0]), none)
        return lift[0], slope[0] * speed

    def spring(own, lump, x, v, u, du):
        e, de = (-np.diff(np.concatenate([[a], b, [0.0]])) for a, b in ((x, u), (v, du)))
        rate, room = own.rate_n_mm[0], own.room_mm[0]
        stiff = 25.0 * rate
        p = e - room
        coil = np.maximum(
            0.0, stiff * p + 2 * 0.15 * np.sqrt(stiff * lump) * de * np.minimum(1.0, np.maximum(p, 0.0) / 0.005)
        )
        loss = own.damping[0] * np.sqrt(rate * lump) / np.sin(np.pi / 2 / n)
        return own.seat_n[0] + rate * e + loss * de + coil - stiff * np.maximum(-room, 0.0)

    def rates(t, state):
        y, dy = asked(t)
        x, v = state[:2]
        z, vz = state[2:4] if two else (y + one.lash_mm, dy)
        u, du = state[4 if two else 2 :].reshape(2, members, n - 1)
        forces = [
            spring(own, lump, x, v, u[i], du[i]) for i, (own, lump) in enumerate(zip(whole.springs, lumps, strict=True))
        ]
        rest = 1.0 - share if two else 1.0
        push = touch(z - one.lash_mm - x, vz - v, k / rest, c / rest)
        a = (push - sum(own[0] for own in forces) + touch(-x, -v, seat, c_seat)) / m0
        nodes = np.array([(own[:-1] - own[1:]) / lump for own, lump in zip(forces, lumps, strict=True)])
        for i in range(members - 1):
            rub = one.rub_n / (n - 1) * np.tanh((du[i + 1] - du[i]) / 50.0)
            nodes[i] += rub / lumps[i]
            nodes[i + 1] -= rub / lumps[i + 1]
        lifter = []
        if two:
            lifter = [vz, (touch(y + one.lash_mm - z, dy - vz, k / share, c / share) - push) / m1 - 9810.0]
        return np.concatenate([[v, a], lifter, du.ravel(), nodes.ravel()])

    down = -sum(own.seat_n[0] for own in whole.springs) / seat
    u0 = np.tile(down * (1.0 - np.arange(1, n) / n), (members, 1)).ravel()
    start = np.concatenate([[down, 0.0], [min(down + one.lash_mm, 0.0), 0.0] if two else [], u0, 0.0 * u0])
    times = np.linspace((cycles - 1) * cycle, cycles * cycle, 4001)[:-1]
    found = solve_ivp(rates, (0.0, cycles * cycle), start, "DOP853", times, rtol=tight, atol=tight / 10, max_step=2e-4)
    wanted = np.array([asked(t)[0] for t in times])
    gap = found.y[0] - wanted
    if two:
        gap = np.maximum(gap, found.y[2] - one.lash_mm - wanted)
    return (times * speed) % 720.0 - 360.0, wanted, found.y[0], gap


def stood_in(ones, fineness, wanted=None):
    """Give sweeps in no time, that move with everything a simulation moves with: for what is only about what a figure rests on."""
    found = []
    for one in ones:
        moves = (
            (one.train_n_mm / 9000.0) ** 0.1
            * (one.train_damping / 0.07) ** 0.1
            * (one.springs[0].damping / 0.015) ** 0.05
        )
        speed = 0.8 * one.rigid_rpm * moves
        left = one.springs[0].to_bind_mm - np.frombuffer(one.asked).max() - 0.3
        rpm = (0.35 * one.rigid_rpm, 1.15 * one.rigid_rpm)
        nothing, seats = (0.0, 0.0), (200.0 / moves,) * 2
        beyond = np.full((2, SPANS), 0.05 / moves, dtype=np.float32).tobytes()
        found.append(Sweep(rpm, nothing, nothing, seats, (left, left), nothing, nothing, beyond, speed, speed))
    return found


def worth_stood_in(ones, fineness, wanted=None):
    """Give what figures are worth in no time: the same for all."""
    powers = dict.fromkeys(DISPLACED, 0.1) | {"valve_kg": -0.5}
    return [Worth(powers, powers) for _ in ones]


@contextmanager
def simulated_by_nobody():
    """Let the stand-ins sweep for a while; their answers are kept apart from those of the simulation."""
    before, real = problems.sweep_with(Fineness(segments=1)), (problems.swept, problems.worths)
    problems.swept, problems.worths = stood_in, worth_stood_in
    try:
        yield
    finally:
        problems.swept, problems.worths = real
        problems.sweep_with(before)
        remember.forget_all()
