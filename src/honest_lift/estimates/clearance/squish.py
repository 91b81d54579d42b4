"""Squish at every cylinder: by solder or clay as it was read, or worked out of deck and gasket; held against each other."""

from __future__ import annotations

from math import isfinite, sqrt

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.clearance.gasket_out import with_gasket
from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.two_ways import two_ways
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_cylinder
from honest_lift.numbers.doubt import COVERAGE
from honest_lift.numbers.units import in_words

_SPRING_BACK_MM = 0.015 * 25.4  # clay may read so much too thick. Common practice, no source
_SOLDER_MM = 0.002 * 25.4  # solder that is not flattened all the way. From memory
_USUAL = "a gasket left out or not torqued down, a piston that rocked, a deck read off its edge, or solder off the flat"


class Squish(Struct, frozen=True):
    """Squish of every cylinder (n,) in mm: what stands for it, what is worked out, and what is to be said of it."""

    held: Estimate
    worked: Estimate
    remarks: tuple[str, ...]


def squish(book: Book) -> Squish:
    """Give the squish of every cylinder in head order. What was read goes first; where both can't be, neither proves anything."""
    cylinders = [str(one) for one in book.engine.layout.cylinders]
    worked, read = _worked(book, cylinders), [_read(book, one) for one in cylinders]
    both = two_ways(estimate_of(read), worked)
    remarks = [
        _remark(book, one, _as_input(worked, case), told=one.is_told, apart=bool(both.apart[case]))
        for case, one in enumerate(read)
    ]
    return Squish(both.held, worked, tuple(remarks))


def _worked(book: Book, cylinders: list[str]) -> Estimate:
    deck = estimate_of([deck_of(book, one).told for one in cylinders])
    gasket = estimate_of([of_cylinder(book, "gasket_thickness", one) for one in cylinders])
    register = estimate_of([_register(book, one) for one in cylinders])
    return derive(lambda below, thick, into: below + thick - into, deck, gasket, register)


def _register(book: Book, cylinder: str) -> Input:
    told = of_cylinder(book, "head_register", cylinder)
    return told if told.is_told else Input("head_register", "", "not applicable", 0.0, asked=at_cylinder(cylinder))


def _read(book: Book, cylinder: str) -> Input:
    told = of_cylinder(book, "squish", cylinder)
    if told.kind != "measured":
        return told
    if told.way == "clay_bare":
        told = with_gasket(told, of_cylinder(book, "gasket_thickness", cylinder))
    back = _SOLDER_MM if told.way == "solder" else _SPRING_BACK_MM
    thick = ("squish:too-thick", "clay springs back, solder does not lie flat", back / sqrt(3.0))
    return replace(told, each=(*told.each, thick))


def _as_input(one: Estimate, case: int) -> Input:
    figure = one.figure
    return Input("squish", "", "calculated", float(figure.value[case]), float(figure.u[case]))


def _remark(book: Book, read: Input, worked: Input, *, told: bool, apart: bool) -> str:
    if not told:
        return "deck and gasket" if isfinite(worked.value) else ""
    way = CATALOG["squish"].way(read.way)
    words = f"by {(way.short or read.way) if way else read.way}" if read.way else ""
    unit, over = book.engine.unit("length"), read.value - worked.value
    if not apart:
        if read.way != "solder" and over > COVERAGE * worked.own_u:
            return f"{words}, which reads {in_words(over, 'length', unit)} more than deck and gasket: it sprang back"
        return words
    other = in_words(worked.value, "length", unit)
    return f"{words}; deck and gasket come to {other}, and they can't both be: {_USUAL}"
