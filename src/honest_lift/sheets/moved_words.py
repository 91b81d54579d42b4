"""What a named change does to pushrod, mark and preload, in words."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker import Rocker
from honest_lift.facts.engine import Book
from honest_lift.mechanics.gear.pushrod_rocker import set_on_stud
from honest_lift.mechanics.gear.what_moved import along_cylinder, along_lifter, plunger_travel, pushrod_for
from honest_lift.numbers.units import in_words

CHANGES = {  # key: (title, what the amount is, as typed)
    "head": ("head cut", "length", ".020"), "block": ("block cut", "length", ".010"),
    "gasket": ("gasket thicker", "length", ".015"), "valve": ("tip raised: longer valve, sunk seat, lash cap", "length", ".050"),
    "base": ("base circle smaller, radius", "length", ".030"), "nut": ("nut turned down, turns", "turns", "3/4"),
}  # fmt: skip


def moved_words(book: Book, rocker: Rocker, change: str, amount: float) -> str:
    """Say what a change by an amount (mm, or turns of the nut) does to a gear that stands as stated."""
    gear, unit = rocker.gear, book.engine.unit("length")
    if gear is None:
        return "State the gear's dimensions first."
    if change == "nut":
        return _nut(book, rocker, amount)
    lean = resolve(book, "valve_lean", rocker.place).value
    if change in ("head", "block", "gasket") and not isfinite(lean):
        return (
            "State how far the stem leans from the cylinder's axis (Dimensions): a cut comes down along the cylinder."
        )
    if change == "valve":
        new = pushrod_for(gear, cup=(0.0, amount))
    elif change == "base":
        new = pushrod_for(gear, lifter=along_lifter(gear, -amount))
    else:
        new = pushrod_for(gear, lifter=along_cylinder(-amount if change == "gasket" else amount, lean))
    off = new - float(gear.pushrod)
    told = f"{in_words(abs(off), 'length', unit)} {'longer' if off > 0 else 'shorter'}"
    plunger = f"{'shallower' if off > 0 else 'deeper'} by about as much"
    if book.engine.lifter.startswith("hydraulic"):
        return f"The same geometry wants a pushrod {told}: {in_words(new, 'length', unit)}. Left as it is, preload is {plunger}."
    return f"The same geometry wants a pushrod {told}: {in_words(new, 'length', unit)}."


def _nut(book: Book, rocker: Rocker, turns: float) -> str:
    """Say what the plunger sees of turns of the nut from no lash."""
    if rocker.on_shaft:
        return "On a shaft the adjuster sets the preload: measure the plunger."
    pitch = resolve(book, "nut_pitch", rocker.place).value
    if not isfinite(pitch):
        return "Preload by turns is of stud gear: state the pitch of its nut (Dimensions)."
    assert rocker.gear is not None
    unit, nut = book.engine.unit("length"), turns * pitch
    gear = set_on_stud(rocker.gear, np.array(0.0))
    seen = float(plunger_travel(gear, nut))
    if not isfinite(seen):
        return "The links do not reach so far down."
    return (
        f"{turns:g} turns lower the nut by {in_words(nut, 'length', unit)}; the plunger goes down {in_words(seen, 'length', unit)} "
        "along its own axis."
    )
