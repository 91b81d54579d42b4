"""What comes near the gear and what presses the lifter, worked out from its geometry at every valve."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.rockers import column, of_every_valve
from honest_lift.facts.engine import Book
from honest_lift.mechanics.gear.finger import FingerGear, set_on_pivot
from honest_lift.mechanics.gear.on_the_tip import OnTheTip
from honest_lift.mechanics.gear.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud
from honest_lift.mechanics.gear.room import retainer_to_rocker, slot_to_stud
from honest_lift.mechanics.gear.tip_mark import mark_of
from honest_lift.mechanics.gear.what_moved import plunger_travel
from honest_lift.numbers.doubt import Array

SLOT = ("slot_length", "stud_diameter", "slot_depth", "slot_angle")
UNDERSIDE = ("under_rocker", "retainer_below", "retainer_across")
TURNS = ("nut_turns", "nut_pitch")
_RAISED_MM = 0.1  # small enough for a slope


def slot_room(book: Book) -> Estimate:
    """Give the least room of the stud in its slot over the lift, (n,) in mm."""
    return column(of_every_valve(book, lambda gear, lobe, _, *slot: slot_to_stud(gear, lobe, *slot)[..., None], SLOT))


def retainer_room(book: Book) -> Estimate:
    """Give the least room from retainer to rocker over the lift, (n,) in mm."""
    return column(
        of_every_valve(book, lambda gear, lobe, _, *own: retainer_to_rocker(gear, lobe, *own)[..., None], UNDERSIDE)
    )


def preload_by_turns(book: Book) -> Estimate:
    """Give what the plunger sees of the turns of the nut from no lash, (n,) in mm, along its own axis."""

    def work(gear: PushrodGear, lobe: Array, lash: Array, turns: Array, pitch: Array) -> Array:
        return np.where(np.isfinite(lobe), plunger_travel(gear, turns * pitch), np.nan)[..., None]

    return column(of_every_valve(book, work, TURNS))


def angle_by_tip(book: Book) -> Estimate:
    """Give how the angle at half lift changes with the tip's height, pivot and pushrod as they are: (n,) degrees a mm.

    The lifter then lies further under the tip, and a shaft's pivot less far over it; the nut of a stud takes the lash up.
    """
    on_shaft = book.engine.rocker_mount == "shaft"

    def work(gear: OnTheTip, lobe: Array, lash: Array) -> Array:
        off = (
            mark_of(_under_a_raised_tip(gear, lash, on_shaft=on_shaft), lobe).off_square_deg
            - mark_of(gear, lobe).off_square_deg
        )
        return np.asarray(off / _RAISED_MM)[..., None]

    return column(of_every_valve(book, work))


def _under_a_raised_tip(gear: OnTheTip, lash: Array, *, on_shaft: bool) -> OnTheTip:
    if isinstance(gear, FingerGear):  # on a fixed pivot a thinner pad takes it up
        return gear if on_shaft else set_on_pivot(gear.raised(_RAISED_MM), lash)
    assert isinstance(gear, PushrodGear)
    lower = replace(gear, lifter_y=gear.lifter_y - _RAISED_MM, pivot_up=gear.pivot_up - _RAISED_MM)
    return set_on_shaft(lower, lash) if on_shaft else set_on_stud(lower, lash)
