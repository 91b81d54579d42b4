"""How far each piston stands below the deck at TDC: the mean of points across from each other, so that its rock goes out."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.estimate import Input, summed
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_cylinder
from honest_lift.facts.quantities.block import OPPOSITE
from honest_lift.numbers.doubt import Ground

_NAME = "deck_clearance"


class Deck(Struct, frozen=True):
    """The deck clearance of a cylinder as an input, and how far its points across from each other differ, mm (NaN for none)."""

    told: Input
    rock_mm: float = float("nan")


def deck_of(book: Book, cylinder: int | str) -> Deck:
    """Give the deck clearance of a cylinder: its points where they were read, else what was told for it or for all."""
    points = {name: _point(book, cylinder, name) for pair in OPPOSITE for name in pair}
    read = {name: one for name, one in points.items() if not one.ground & Ground.MISSING or one.note}
    if not read:
        return Deck(of_cylinder(book, _NAME, cylinder))
    pairs = [(points[a], points[b]) for a, b in OPPOSITE if a in read and b in read]
    if not pairs:
        one = next(iter(read.values()))
        note = "one point alone: read the one across from it, so that the piston's rock goes out"
        return Deck(replace(one, ground=one.ground | Ground.UNREAD, note=note, asked=at_cylinder(cylinder)))
    rock = max(abs(a.value - b.value) for a, b in pairs)
    return Deck(_mean([one for pair in pairs for one in pair], cylinder), rock)


def _point(book: Book, cylinder: int | str, name: str) -> Input:
    return resolve(book, _NAME, at_cylinder(cylinder, name))


def _mean(points: list[Input], cylinder: int | str) -> Input:
    """Give the mean of points as one input: their scatter averages out, the tool's offset does not."""
    count = len(points)
    ground = Ground.NONE
    for one in points:
        ground |= one.ground
    notes = dict.fromkeys(one.note for one in points if one.note and one.ground & ~Ground.SPECIFIED)
    value = sum(one.value for one in points) / count
    last = max(points, key=lambda one: one.when)
    return replace(
        summed(last, value, [(1.0 / count, one) for one in points]), ground=ground,
        where=at_cylinder(cylinder).title, asked=at_cylinder(cylinder), count=count,
        note="; ".join((f"mean of {count} points", *notes)) if isfinite(value) else "; ".join(notes),
    )  # fmt: skip
