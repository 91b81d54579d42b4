"""Guide clearance: bore less stem at three depths; the depth that stands worst speaks for the valve."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np
from msgspec.structs import replace

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, on_valves, with_remark
from honest_lift.estimates.estimate import derive
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.two_ways import two_ways
from honest_lift.facts.engine import Book
from honest_lift.facts.made_at import guide_material_at
from honest_lift.facts.quantities.bare_head import DEPTHS
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.units import in_figures

GUIDE_CLEARANCE = Check(
    "guide_clearance", "Guide clearance", "head", "length",
    "What the stem has to move in: bore of the guide less the stem, the worst of top, middle and bottom.",
)  # fmt: skip

_APART = (
    "read as such and as bore less stem it can't be both: set the gauge again, and strike out the one that is wrong"
)


def check_guides(book: Book) -> list[Finding]:
    """Hold the clearance of every guide against the least and the most for its valve and material."""
    by_depth = [_at_depth(book, depth) for depth in DEPTHS]
    return [_worst_depth(book, at) for at in zip(*by_depth, strict=True)]


def clearances_mm(book: Book, position: str) -> tuple[float, ...]:
    """Give the clearance of one guide at each depth, NaN where it was not measured; for the drawing."""
    return tuple(_clearance_mm(book, position, depth) for depth in DEPTHS)


def _clearance_mm(book: Book, position: str, depth: str) -> float:
    read = at_valve(book, "guide_clearance", position, depth)
    if read.is_told:
        return read.value
    return at_valve(book, "guide_bore", position, depth).value - at_valve(book, "stem_diameter", position, depth).value


def _at_depth(book: Book, depth: str) -> list[Finding]:
    bore, stem = everywhere(book, "guide_bore", depth), everywhere(book, "stem_diameter", depth)
    terms = {"bore": bore.figure.value, "stem": stem.figure.value}
    worked, read = derive(np.subtract, bore, stem), everywhere(book, "guide_clearance", depth)
    both = two_ways(read, worked)
    remarks = [_APART if one else "" for one in both.apart.tolist()]
    return on_valves(book, GUIDE_CLEARANCE, both.held, terms, remarks)


def _worst_depth(book: Book, at: Sequence[Finding]) -> Finding:
    """Let the depth with the worst verdict, and of those alike the least margin, speak; name all that is missing."""
    order = {id(one): i for i, one in enumerate(at)}
    worst = max(at, key=lambda one: (one.verdict, -one.weakness if isfinite(one.weakness) else 0.0, -order[id(one)]))
    others = tuple(dict.fromkeys(
        given for one in at for given in one.inputs if one is not worst and given.ground & Ground.MISSING
    ))  # fmt: skip
    joined = replace(worst, inputs=worst.inputs + others)
    material = guide_material_at(book.engine, worst.position)
    words = "" if material or worst.limit else "what the guides are of is not stated: iron and bronze have limits apart"
    return with_remark(with_remark(joined, _told(book, at, order[id(worst)])), words)


def _told(book: Book, at: Sequence[Finding], worst: int) -> str:
    """Say which depth speaks, and what stands at all three."""
    if not any(isfinite(one.figure) for one in at):
        return ""
    unit = book.engine.unit("length")
    places = 4 if unit == "in" else 3
    figures = ", ".join(
        f"{depth} {in_figures(one.figure, 'length', unit, places) if isfinite(one.figure) else 'not measured'}"
        for depth, one in zip(DEPTHS, at, strict=True)
    )
    return f"worst at the {DEPTHS[worst]}: {figures} {unit}"
