"""Lift at each valve: measured at the retainer, else the true one of its rocker's geometry, else lobe lift x ratio - lash."""

from __future__ import annotations

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.rocker.every_gear import Rockers, rockers_of
from honest_lift.estimates.rocker.parts import RESTS_ON
from honest_lift.estimates.two_ways import two_ways
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.place import at_position
from honest_lift.mechanics.train.valve_lift import valve_lift
from honest_lift.numbers.doubt import Ground, choose
from honest_lift.numbers.units import in_words

_RESTS_ON = frozenset({"valve_lift", "rocker_ratio"}) | RESTS_ON
_TRAIN = slots_of(_RESTS_ON)


def lift_at_valve(book: Book) -> Estimate:
    """Give the valve lift (n,) in mm at every position, in head order; remembered while nothing it rests on changes."""
    return _lift(narrowed(book, _RESTS_ON, _TRAIN))


@by_value
def _lift(book: Book) -> Estimate:
    positions = [one.id for one in book.engine.layout.positions]
    measured = estimate_of([at_valve(book, "valve_lift", name) for name in positions])
    rockers = rockers_of(book)  # only a gear that is known as well as a stated ratio goes before it
    if rockers is None or not rockers.proven.all():
        lobe, ratio, lash = (
            estimate_of([_part(book, quantity, name) for name in positions])
            for quantity in ("lobe_lift", "rocker_ratio", "lash")
        )
        worked = derive(valve_lift, lobe, ratio, lash)
        worked = (
            worked if rockers is None else either(rockers.proven, rockers.of("lift"), _in_its_stead(rockers, worked))
        )
    else:
        worked = rockers.of("lift")
    missing, assumed = (
        (measured.figure.ground & int(flag)) != 0 for flag in (Ground.MISSING, Ground.ASSUMED | Ground.UNRANGED)
    )
    worked_out = (worked.figure.ground & int(Ground.MISSING | Ground.ASSUMED | Ground.UNRANGED)) == 0
    known = ~missing & ~(assumed & worked_out)  # an assumed lift replaces nothing that is known
    figure = choose(known, measured.figure, worked.figure)
    aside = ~known & np.array([bool(one[0].note) for one in measured.inputs], dtype=bool)
    figure = figure.on_ground(aside, Ground.SET_ASIDE)
    apart = known & two_ways(measured, worked).apart
    figure = figure.on_ground(apart, Ground.UNSOUND)
    cases = zip(known, aside, apart, measured.inputs, worked.inputs, worked.figure.value.tolist(), strict=True)
    inputs = tuple(
        (_contradicted(book, m[0], other), *w) if c else m if k else (*m, *w) if a else w
        for k, a, c, m, w, other in cases
    )
    return Estimate(figure.on_ground(figure.value <= 0, Ground.UNSOUND), inputs)


def _contradicted(book: Book, read: Input, worked_mm: float) -> Input:
    """Say that a lift that was read and the lift that is worked out differ by more than both are in doubt."""
    if read.ground & Ground.UNSOUND:
        return read  # it contradicts itself, and says so
    unit = book.engine.unit("length")
    here, there = (in_words(one, "length", unit) for one in (read.value, worked_mm))
    words = f"the lift was read as {here}, and lobe lift, ratio and lash give {there}: measure the lift again, or correct those"
    return replace(read, note=words)


def _in_its_stead(rockers: Rockers, worked: Estimate) -> Estimate:
    """Bar a lift by the stated ratio where a dimension of the gear, which would go before it, was set aside."""
    aside = (rockers.figures.figure.ground & int(Ground.SET_ASIDE)) != 0
    return Estimate(worked.figure.on_ground(aside, Ground.SET_ASIDE), worked.inputs)


def _part(book: Book, quantity: str, position: str) -> Input:
    """Resolve a part of the lift. A hydraulic lifter has no lash, and a bucket no ratio: both are exact."""
    place = at_position(position)
    title = place.title
    if quantity == "lash" and book.engine.lifter.startswith("hydraulic"):
        return Input("lash", title, "not applicable", 0.0, note="a hydraulic lifter has none", asked=place)
    if quantity == "rocker_ratio" and book.engine.gear == "bucket":
        return Input("rocker_ratio", title, "not applicable", 1.0, note="a bucket has none", asked=place)
    return at_valve(book, quantity, position)
