"""What a spring's card geometry predicts: rate, load, bind, stress and natural frequency of each member.

It is a second line beside what was measured, and never in place of it.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.facts.parts import Member, SpringCard
from honest_lift.mechanics.spring import helix
from honest_lift.numbers.doubt import Array


@dataclass(frozen=True, slots=True)
class Predicted:
    """One member by its geometry. Lengths in mm, NaN where the card does not say; heights are the outer's."""

    name: str
    wire_mm: float
    mean_diameter_mm: float
    rate_n_mm: float
    frequency_hz: float
    free_mm: float
    solid_mm: float
    step_mm: float

    def load(self, height_mm: Array) -> Array:
        """Give its load in N at outer heights (...); NaN where its free length is not stated."""
        return np.asarray(self.rate_n_mm * np.maximum(self.free_mm - (height_mm - self.step_mm), 0.0))

    def stress(self, height_mm: Array) -> Array:
        """Give its shear stress in MPa at outer heights (...)."""
        return helix.shear_stress(self.load(height_mm), np.array(self.wire_mm), np.array(self.mean_diameter_mm))

    def height_at(self, stress_mpa: Array) -> Array:
        """Give the outer height in mm at which it bears a stress (...) in MPa; NaN where its free length is not stated."""
        one = helix.shear_stress(np.array(1.0), np.array(self.wire_mm), np.array(self.mean_diameter_mm))
        return np.asarray(self.free_mm - stress_mpa / one / self.rate_n_mm + self.step_mm)


def predicted_of(card: SpringCard | None) -> tuple[Predicted, ...]:
    """Give every member by its geometry; none where wire, mean diameter and active coils of all are not stated."""
    members = card.members if card else ()
    if card is None or not members or not all(_is_stated(one) for one in members):
        return ()
    return tuple(_member(card, one, outermost=i == 0) for i, one in enumerate(members))


def _is_stated(one: Member) -> bool:
    """Tell whether wire, mean diameter and active coils are stated and can be a coil: wider than its own wire."""
    return bool(one.wire_mm and one.mean_diameter_mm and one.active_coils and one.mean_diameter_mm > one.wire_mm)


def _member(card: SpringCard, one: Member, *, outermost: bool) -> Predicted:
    wire, mean, active = np.array(one.wire_mm), np.array(one.mean_diameter_mm), np.array(one.active_coils)
    free = one.free_length_mm if one.free_length_mm is not None else card.free_length_mm if outermost else None
    solid = float(helix.solid_height(wire, np.array(one.coils), ground=card.ground)) if one.coils else float("nan")
    return Predicted(
        one.name, float(wire), float(mean), float(helix.rate(wire, mean, active)),
        float(helix.natural_frequency(wire, mean, active)), float("nan") if free is None else free, solid,
        one.step_mm or 0.0,
    )  # fmt: skip


def nest_load(members: tuple[Predicted, ...], height_mm: Array) -> Array:
    """Give the load in N of the whole nest at outer heights (...); NaN where a free length is not stated."""
    return np.asarray(sum((one.load(height_mm) for one in members), np.zeros_like(height_mm)))


def nest_solid(members: tuple[Predicted, ...]) -> float:
    """Give the outer height in mm at which the first member binds; NaN where coils are not stated."""
    return max(one.solid_mm + one.step_mm for one in members)


def fatigue_of(card: SpringCard, one: Predicted, seat_mm: float, open_mm: float) -> float:
    """Give the safety against endless life between two outer heights: Goodman over Zimmerli's data. Advice, no verdict.

    Not finite where the member bears nothing there, or its wire has no strength worth the name.
    """
    a = card.tensile_a if card.tensile_a is not None else helix.TENSILE_A
    m = card.tensile_m if card.tensile_m is not None else helix.TENSILE_M
    low, high = (one.stress(np.array(height)) for height in (seat_mm, open_mm))
    with np.errstate(all="ignore"):
        return float(helix.fatigue_margin(low, high, np.array(a / one.wire_mm**m), peened=card.shot_peened))
