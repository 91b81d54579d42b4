"""What a match is made of: springs, retainers and locks by their cards, the pockets as measured, what is asked, the stacks.

Source: the columns of makers' lists, common practice.
"""

from __future__ import annotations

from dataclasses import dataclass, fields
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

Ints = NDArray[np.int64]
T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class CardSprings:
    """Springs by their cards (n,): a straight line through two loads, N and mm. NaN for what a card does not say.

    `moving_kg`: of the spring's mass, what moves with the valve. `stress_mpa_n`: of its wire, a newton.
    """

    rate: Array
    height_mm: Array
    load_n: Array
    bind_mm: Array
    most_lift_mm: Array
    moving_kg: Array
    outside_mm: Array
    inside_mm: Array
    top_outside_mm: Array
    top_inside_mm: Array
    members: Array
    stress_mpa_n: Array


@dataclass(frozen=True, slots=True)
class Retainers:
    """Retainers by their cards (r,)."""

    spigot_mm: Array
    covers_mm: Array
    members: Array


@dataclass(frozen=True, slots=True)
class Pairs:
    """Retainers with locks that fit them and the stem (q,): rows of both, and what they do beside the parts that are fitted now.

    `offset_mm`: how much higher the spring's step stands; `down_mm`: how much nearer the underside comes to the seal than the
    step does, NaN where nobody can tell; `mass_kg`: of both, NaN where a card does not say.
    """

    retainer: Ints
    lock: Ints
    offset_mm: Array
    down_mm: Array
    mass_kg: Array


@dataclass(frozen=True, slots=True)
class Pockets:
    """Pockets as measured (p,), with standard doubts. NaN for what nobody measured.

    `bare_mm`: height without shims, with the parts that are fitted now. `fixed_kg`: what moves beside spring, retainer and locks.
    `held_p`, `held_q` (p, j): over the nose a spring of load F and rate k holds F p + k q (kg rpm^2) at angle j, least over j.
    `gas_n`: what opens it. `nose_u`: share of doubt of its speed that masses and lobe leave.
    """

    bare_mm: Array
    height_u: Array
    lift_mm: Array
    lift_u: Array
    gap_mm: Array
    gap_u: Array
    floor_mm: Array
    boss_mm: Array
    fixed_kg: Array
    held_p: Array
    held_q: Array
    gas_n: Array
    nose_u: Array


@dataclass(frozen=True, slots=True)
class Window:
    """A limit at each pocket (p,): least and most, infinite for none, and the comfort margin, which a full rung is."""

    least: Array
    most: Array
    comfort: Array


@dataclass(frozen=True, slots=True)
class Asked:
    """What is asked at the pockets, and the standard doubts a reading on the bench will have."""

    seat_load: Window
    open_load: Window
    coil_bind_clearance: Window
    retainer_seal: Window
    card_lift: Window
    open_stress: Window
    control: Window
    red_line_rpm: float
    seat_u_n: float
    open_u_n: float
    bind_u_mm: float
    fit_u_mm: float
    loose_mm: float  # the most a retainer's step may be narrower than its spring


@dataclass(frozen=True, slots=True)
class Stacks:
    """Stacks of shims (k,), totals rising; a pocket that is cut counts minus. `pieces`: shims in it; `cuts`: it needs a cutter."""

    total_mm: Array
    pieces: Ints
    cuts: NDArray[np.bool_]


def rows(of: T, which: Ints | slice | NDArray[np.bool_]) -> T:
    """Give some rows of springs, pairs, pockets or limits at them, in the order given."""
    assert isinstance(of, CardSprings | Pairs | Pockets | Retainers | Window)
    return type(of)(*(getattr(of, one.name)[which] for one in fields(of)))
