"""What draws a piston nearer its valve at speed beside the valve's own motion, as stated: rods, bearings, heat."""

from __future__ import annotations

from honest_lift.estimates.estimate import Input
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE

STRETCH = "rod_stretch"
AT_SPEED = (STRETCH, "bearing_room", "heat_room")


def drawn_nearer(book: Book) -> list[Input]:
    """Give the allowances that somebody told, if only one that can't stand; what nobody told is none."""
    return [one for one in (resolve(book, name, ENGINE) for name in AT_SPEED) if one.is_told]
