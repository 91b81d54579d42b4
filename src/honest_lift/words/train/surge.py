"""Surge of a valve's spring in words: its frequency, the orders that meet it, and whether coil-bind clearance is to damp it."""

from __future__ import annotations

from dataclasses import dataclass
from math import isfinite, nan, pi, sqrt

import numpy as np

from honest_lift.checks.train.in_motion import InMotion
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.facts.engine import Book, Engine
from honest_lift.mechanics.motion.lift_table import ROWS
from honest_lift.mechanics.motion.surge import chain_hz, meeting_rpm, per_cam_turn, shaken
from honest_lift.mechanics.motion.sweep import TrainFigures, laid_out
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

_SEGMENTS, _SPEEDS, _STRONGEST = 9, 241, 4


@dataclass(frozen=True, slots=True)
class Surge:
    """One valve's spring over speed, its outermost member. `closed_mm` (s,): by how much surge closes the coils; `left_mm`: what
    lies between them at full lift; `strongest`: orders with the most, each over speed; `shut_hz`, `open_hz`: its frequency."""

    rpm: Array
    closed_mm: Array
    strongest: tuple[tuple[int, Array], ...]
    left_mm: float
    red_rpm: float
    shut_hz: float
    open_hz: float
    worked_hz: float


def surge_of(book: Book, moved: InMotion, case: int) -> Surge | None:
    """Work surge out of a valve's train, at the frequency that was tapped where one was; None where it is not known."""
    train = moved.swept.trains[case]
    if train is None:
        return None
    lift = np.maximum(np.frombuffer(train.asked, dtype=np.float64)[: ROWS - 1], 0.0)
    chain = laid_out([train], _SEGMENTS).springs[0]
    shut, opened = (float(chain_hz(chain, at)[0]) for at in (0.0, float(lift.max())))
    if not isfinite(shut):
        return None
    worked, tapped = shut, at_each_valve(book, "surge_frequency")[case]
    if tapped.is_told and isfinite(tapped.value):  # the tap knows the mass and the wire as they are
        shut, opened = tapped.value, opened * tapped.value / shut
    red = float(moved.red_rpm[case])
    rpm = np.linspace(0.3, 1.2, _SPEEDS) * red
    first = train.springs[0]
    found = shaken(lift, rpm, shut, first.damping, _train_hz(train), train.train_damping)
    closed, each = pi * found.mm, pi * found.by_order_mm
    strongest = sorted(np.argsort(-each.max(axis=1))[:_STRONGEST].tolist())
    bind = moved.stands.curves.bind.figure.value[case]
    left = float(moved.stands.installed.figure.value[case] - moved.stands.lift.figure.value[case] - bind)
    return Surge(
        rpm, closed, tuple((int(found.orders[row]), each[row]) for row in strongest), left, red, shut,
        opened if isfinite(opened) else nan, worked,
    )  # fmt: skip


def _train_hz(train: TrainFigures) -> float:
    mass = train.valve_kg + sum(one.active_kg for one in train.springs) / 3.0
    return sqrt(train.train_n_mm * 1e3 / mass) / (2.0 * pi)


def surge_words(surge: Surge, engine: Engine) -> tuple[str, ...]:
    """Say the frequency, where strong orders meet it below the red line, and what a small clearance is chosen for."""
    unit = engine.unit("length")
    rises = isfinite(surge.open_hz) and surge.open_hz > 1.02 * surge.shut_hz
    is_tapped = surge.shut_hz != surge.worked_hz
    source = (
        f"tapped; curve and mass say {surge.worked_hz:.0f} Hz" if is_tapped else "of its measured curve and its mass"
    )
    open_words = f", {surge.open_hz:.0f} Hz open" if rises else ""
    first = f"Surge frequency {surge.shut_hz:.0f} Hz shut{open_words}, {source}; in a nest of its outer spring."
    red = float(per_cam_turn(np.array(surge.shut_hz), np.array(surge.red_rpm)))
    turns = f"At the red line it surges {red:.1f} times a turn of the cam: textbooks ask for 13 and more, race springs have less."
    met = []
    for order, own in surge.strongest:
        at = float(meeting_rpm(np.array(surge.shut_hz), np.array(float(order))))
        if at < surge.red_rpm * 1.1:
            amount = float(np.interp(at, surge.rpm, own))
            share = f", {amount / surge.left_mm * 100:.0f} % of the coil-bind clearance" if surge.left_mm > 0 else ""
            met.append(f"order {order} at {at:,.0f} rpm closes {in_words(amount, 'length', unit)}{share}")
    lines = [first, turns, f"It is met by {'; '.join(met)}." if met else "No strong order meets it below the red line."]
    lines.append(
        "Some set a small coil-bind clearance so that the coils touch and stop the surge: a choice, with the risk that any error "
        "in height, lift or float then binds the coils. Others keep it and damp the surge by a damper or a second spring."
    )
    return tuple(lines)
