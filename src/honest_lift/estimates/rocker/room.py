"""What comes near the gear and what presses the lifter, worked out from its geometry at every valve."""

from __future__ import annotations

import numpy as np

from honest_lift.estimates.estimate import Estimate, Input, column, derive, estimate_of
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.rocker.every_gear import of_every_valve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear
from honest_lift.mechanics.rocker.room import retainer_to_rocker, slot_to_stud
from honest_lift.mechanics.rocker.what_moved import plunger_travel
from honest_lift.mechanics.rocker.without_dimensions import LEVER
from honest_lift.numbers.doubt import Array, Ground

SLOT = ("slot_length", "stud_diameter", "slot_depth", "slot_angle")
UNDERSIDE = ("under_rocker", "retainer_below", "retainer_across")
TURNS = ("nut_turns", "nut_pitch")


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


def preload_by_lever(book: Book) -> Estimate:
    """Give the same without the gear's dimensions, (n,) in mm: the lever at the tip, and what it leaves open as a range."""
    turns, pitch, ratio = (estimate_of(at_each_valve(book, name)) for name in (*TURNS, "rocker_ratio"))
    share = estimate_of([
        Input("lever_share", "", "assumed", 1.0, ground=Ground.ASSUMED, low=LEVER[0], high=LEVER[1], asked=at_position(one.id),
              note="the gear is not measured: bounds of what a nut's way comes to at the plunger")
        for one in book.engine.layout.positions
    ])  # fmt: skip
    return derive(lambda n, p, r, k: n * p * (1.0 + 1.0 / r) * k, turns, pitch, ratio, share)
