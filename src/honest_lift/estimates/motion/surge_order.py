"""How often every valve's spring surges while its cam turns once at the red line: tapped, or of its measured curve and its mass.

What is worked out is displaced with the square root of rate over mass. A tapped figure goes first; where both are there and can't
both be, the spring's mass, its curve or the tap is wrong, and it proves nothing until somebody finds out which.
"""

from __future__ import annotations

from math import isfinite, nan

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.alike import Parts, derive_of, few_ranges
from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.estimates.motion.bending import coils_assumed
from honest_lift.estimates.motion.float_speed import AtSpeed, active_kg, with_bind
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.facts.engine import Book
from honest_lift.mechanics.motion.surge import chain_hz, per_cam_turn
from honest_lift.mechanics.motion.sweep import TrainFigures, laid_out
from honest_lift.numbers.doubt import Array, Ground, Source

SEGMENTS = 9
_SHAPE_U = 0.03  # of a frequency: coils at both ends that half lie on, and a wire that is no even rod. From memory
_MOST_RANGES = 4
CANT_BE = "the tapped frequency and the one of curve and mass can't both be"


def shut_hz(train: TrainFigures) -> float:
    """Give the least surge frequency among the springs of a train with the valve shut, Hz; NaN where all coils touch."""
    each = [float(chain_hz(one)[0]) for one in laid_out([train], SEGMENTS).springs]
    return min((one for one in each if isfinite(one)), default=nan)


def surge_hz(book: Book, stands: AtSpeed, trains: tuple[TrainFigures | None, ...]) -> Estimate:
    """Give the surge frequency of every valve's spring (n,), Hz, as it stands shut."""
    tapped, worked = at_each_valve(book, "surge_frequency"), _worked(stands, trains)
    read = estimate_of(tapped)
    first = np.array([one.is_told for one in tapped])
    apart = np.abs(read.figure.value - worked.figure.value)
    with np.errstate(invalid="ignore"):
        odd = first & (apart > read.figure.expanded + worked.figure.expanded)
    odd &= (worked.figure.ground & int(~Ground.SPECIFIED)) == 0
    found = either(first, read, worked)
    inputs = tuple(
        (*own, _odd(one)) if is_odd else own for own, one, is_odd in zip(found.inputs, tapped, odd, strict=True)
    )
    return Estimate(found.figure.on_ground(odd, Ground.UNSOUND), inputs)


def per_turn(hz: Estimate, stands: AtSpeed) -> Estimate:
    """Give how many times a spring of so many Hz surges in a turn of its cam at the red line (n,)."""
    red = estimate_of([one.red_line for one in stands.moving])
    return derive(per_cam_turn, hz, red)


def _odd(tapped: Input) -> Input:
    return replace(tapped, ground=tapped.ground | Ground.UNSOUND, note=CANT_BE)


def _worked(stands: AtSpeed, trains: tuple[TrainFigures | None, ...]) -> Estimate:
    at = np.array([nan if one is None else shut_hz(one) for one in trains])
    loads = {"seat": stands.seat_load, "open": stands.open_load, "lift": stands.lift}
    masses = [few_ranges({name: one.masses[name] for name in _MASS if name in one.masses}, _MOST_RANGES)
              for one in stands.moving]  # fmt: skip
    if any(len(one) < len(_MASS) for one in masses):
        masses = [{name: Input(name, "", "missing", ground=Ground.MISSING) for name in _MASS} for _ in masses]
    parts = {**loads, **{name: estimate_of([one[name] for one in masses]) for name in _MASS}}
    whole = derive_of(_Displaced(at, {name: one.figure.value for name, one in parts.items()}).hz, parts)
    figure = whole.figure.doubted(Source("surge:shape", "a spring taken for an even rod", shared=False), _SHAPE_U * at)
    assumed = np.array([
        bool(coils_assumed(card, int(present.sum())))
        for card, present in zip(stands.cards, stands.curves.present, strict=True)
    ])  # fmt: skip
    figure = figure.on_ground(assumed, Ground.ASSUMED | Ground.UNRANGED).on_ground(np.isnan(at), Ground.MISSING)
    return with_bind(stands, Estimate(figure, whole.inputs), np.zeros(len(at), dtype=np.bool_))


_MASS = ("spring_mass", "spring_share")


class _Displaced:
    """What displaced copies of rate and mass make of the frequencies."""

    def __init__(self, at: Array, stood: dict[str, Array]) -> None:
        self._at, self._stood = at, self._rate_over_mass(stood)

    @staticmethod
    def _rate_over_mass(parts: Parts) -> Array:
        share = (parts["open"] - parts["seat"]) / (parts["lift"] * active_kg(parts))
        return np.where(share > 0.0, share, np.nan)

    def hz(self, parts: Parts) -> Array:
        """Give the frequencies (..., n)."""
        with np.errstate(invalid="ignore", divide="ignore"):
            return np.asarray(self._at * np.sqrt(self._rate_over_mass(parts) / self._stood))
