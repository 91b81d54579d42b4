"""Surge: a spring's own frequency against the harmonics of its lobe, and how far its coils are shaken at each speed.

    order n of the cycle meets the frequency f1 at the crank speed 120 f1 / n
    q'' + 2 z w1 q' + w1^2 q = -(2/pi) x''         q, how far the middle of the spring moves beside where it would stand at rest

x is the valve's motion in harmonics, each times the train's own amplification 1 / (1 - r^2 + 2 i z r), r its frequency over the
train's. What coils lie apart by at rest shrinks by pi q at the ends of the spring. Within a quarter of the simulation for strong
orders below float (the handbook's comparison); above it says nothing. Source: the first mode of a rod fixed at both ends; the
definitions of a Fourier series.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

import numpy as np

from honest_lift.mechanics.motion.spring_chain import Chain
from honest_lift.numbers.doubt import Array

MOST_ORDER = 40
_TIMES = 512


@dataclass(frozen=True, slots=True)
class Shaken:
    """How a spring's middle is shaken over speeds (s,): `mm` at most over the cycle, and by each order (n, s) for itself."""

    rpm: Array
    mm: Array
    by_order_mm: Array
    orders: Array


def chain_hz(chain: Chain, lift_mm: float = 0.0) -> Array:
    """Give the first surge frequency (k,) in Hz of springs pressed so far from the shut height; NaN where all coils touch.

    Coils that touch stand still: what is left of the chain is shorter and its frequency higher.
    """
    found = np.full(len(chain.seat_n), np.nan)
    for k in range(len(found)):
        each = chain.rate_n_mm[k]
        load = chain.load(np.array([lift_mm]))[k, 0]
        still_open = (load - chain.seat_n[k]) / each < chain.room_mm[k]
        n = int(still_open.sum())
        if n < 2:
            continue
        rate, lump = each[still_open] * 1e3, chain.active_kg[k] / chain.segments
        matrix = np.diag(rate[:-1] + rate[1:]) - np.diag(rate[1:-1], 1) - np.diag(rate[1:-1], -1)
        found[k] = np.sqrt(np.linalg.eigvalsh(matrix / lump)[0]) / (2.0 * pi)
    return found


def meeting_rpm(surge_hz: Array, order: Array) -> Array:
    """Give the crank speed (...) at which an order of the cycle meets a surge frequency.

    >>> meeting_rpm(np.array(484.168), np.array([9.0, 12.0])).round(1).tolist()
    [6455.6, 4841.7]
    """
    return np.asarray(120.0 * surge_hz / order)


def per_cam_turn(surge_hz: Array, crank_rpm: Array) -> Array:
    """Give how many times a spring surges (...) in one turn of its cam: the order that meets it at that crank speed.

    >>> per_cam_turn(np.array(480.0), np.array(7200.0))
    array(8.)
    """
    return np.asarray(120.0 * surge_hz / crank_rpm)


def shaken(
    lift_mm: Array, rpm: Array, surge_hz: float, damping: float, train_hz: float, train_damping: float
) -> Shaken:
    """Give how a spring is shaken by a valve's motion (t,) over one even cycle, at crank speeds (s,)."""
    count = len(lift_mm)
    orders = np.arange(1.0, min(MOST_ORDER, count // 2 - 1) + 1.0)
    harmonics = np.fft.rfft(lift_mm)[1 : len(orders) + 1] / count
    w = orders[:, None] * (2.0 * pi / 120.0) * rpm
    r = w / (2.0 * pi * train_hz)
    amplified = harmonics[:, None] / (1.0 - r**2 + 2j * train_damping * r)
    w1 = 2.0 * pi * surge_hz
    q = (2.0 / pi) * w**2 * amplified / (w1**2 - w**2 + 2j * damping * w1 * w)
    at = np.exp(2j * pi * orders[:, None] * np.arange(_TIMES) / _TIMES)
    most = np.abs(2.0 * (q.T @ at).real).max(axis=1)
    return Shaken(np.asarray(rpm), most, 2.0 * np.abs(q), orders)
