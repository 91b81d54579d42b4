"""Squish at every cylinder: by solder or clay as it was read, or worked out of deck and gasket; held against each other."""

from __future__ import annotations

from math import isfinite, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.clearance.piston_valve_read import disagree
from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_cylinder
from honest_lift.numbers.doubt import COVERAGE, Ground
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
    there = np.array([one.is_told for one in read], dtype=bool)
    apart, remarks = np.zeros(len(cylinders), dtype=bool), []
    for case, one in enumerate(read):
        own = _as_input(worked, case)
        apart[case] = bool(there[case] and isfinite(own.value) and isfinite(one.value) and disagree(one, own))
        remarks.append(_remark(book, one, own, told=bool(there[case]), apart=bool(apart[case])))
    barred = [int(one.ground) & ~int(Ground.SPECIFIED) != 0 for one in read]
    surer = ~apart & (worked.figure.ground & ~int(Ground.SPECIFIED) == 0) & np.isfinite(worked.figure.value)
    surer &= np.array(barred, dtype=bool) | (worked.figure.u < np.array([one.u for one in read]))
    first = there & ~surer  # of two ways that agree the surer one stands: an agreeing way makes no verdict worse
    held = either(first, estimate_of(read), worked)
    return Squish(Estimate(held.figure.on_ground(apart, Ground.UNSOUND), held.inputs), worked, tuple(remarks))


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
    back = _SPRING_BACK_MM if told.way == "clay" else _SOLDER_MM
    thick = ("squish:too-thick", "clay springs back, solder stands up", back / sqrt(3.0))
    return replace(told, each=(*told.each, thick))


def _as_input(one: Estimate, case: int) -> Input:
    figure = one.figure
    return Input("squish", "", "worked out", float(figure.value[case]), float(figure.u[case]))


def _remark(book: Book, read: Input, worked: Input, *, told: bool, apart: bool) -> str:
    if not told:
        return "deck and gasket" if isfinite(worked.value) else ""
    words = f"by {read.way}" if read.way else ""
    unit, over = book.engine.unit("length"), read.value - worked.value
    if not apart:
        if read.way == "clay" and over > COVERAGE * worked.own_u:
            return f"{words}, which reads {in_words(over, 'length', unit)} more than deck and gasket: it sprang back"
        return words
    other = in_words(worked.value, "length", unit)
    return f"{words}; deck and gasket come to {other}, and they can't both be: {_USUAL}"
