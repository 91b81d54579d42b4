"""The rocker's geometry: square at half lift, the mark it leaves, its true ratio, and what uneven tips make of it.

The mark that was seen goes before the one its geometry leaves; where nobody looked, or measured, nothing is proven.
"""

from __future__ import annotations

import numpy as np
from msgspec.structs import replace

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.head.tips import above_neighbours, have_neighbours
from honest_lift.checks.on_valves import everywhere, is_given, on_valves, read_or_worked
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.rocker.every_gear import BY_TIP, Rockers, rockers_of
from honest_lift.facts.engine import Book
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.numbers.units import in_words

HALF_LIFT = Check(
    "half_lift", "Half-lift angle", "rocker", "angle",
    "Angle of the valve arm above square to the stem, halfway between closed and open.",
)  # fmt: skip
MARK_CENTRE = Check(
    "mark_centre", "Witness mark, centre", "rocker", "length",
    "Centre of the witness mark the rocker leaves on the valve's tip, from the stem's axis; outboard positive.",
)  # fmt: skip
MARK_WIDTH = Check(
    "mark_width", "Witness mark, width", "rocker", "length", "Width of the mark the rocker leaves on the valve's tip.",
)  # fmt: skip
TRUE_RATIO = Check(
    "true_ratio", "True ratio", "rocker", "percent",
    "Ratio over the whole lift by the rocker's geometry, off the ratio that is stated.",
)  # fmt: skip
UNEVEN_TIP = Check(
    "uneven_tip", "Uneven tip's angle", "rocker", "angle",
    "What a tip above or below its neighbours adds to the angle at half lift, on the same pushrod and stand.",
)  # fmt: skip
_BY_GEOMETRY = "by its dimensions: a blued tip, turned over, proves it"


def check_rocker_geometry(book: Book) -> list[Finding]:
    """Hold the geometry of every valve against its limits, once anybody has stated a dimension or read a mark."""
    begun = any(is_given(book, name) for name in GEOMETRY)
    rockers = rockers_of(book) if begun else None
    found = [*_mark(book, MARK_CENTRE, rockers, "middle"), *_mark(book, MARK_WIDTH, rockers, "width")]
    if rockers is None:
        return found
    found += on_valves(book, HALF_LIFT, rockers.of("off_square_deg"), {})
    if is_given(book, "rocker_ratio"):
        found += _ratio(book, rockers)
    return found + (_uneven(book, rockers) if is_given(book, "stem_tip_height") else [])


def _mark(book: Book, check: Check, rockers: Rockers | None, figure: str) -> list[Finding]:
    given = is_given(book, check.name)
    if rockers is None:
        return on_valves(book, check, everywhere(book, check.name), {}) if given else []
    worked = rockers.of(figure)
    if not given:
        return on_valves(book, check, worked, {}, [_BY_GEOMETRY] * len(worked.inputs))
    either_one, read = read_or_worked(book, check.name, worked)
    return on_valves(book, check, either_one, {}, ["" if own else _BY_GEOMETRY for own in read.tolist()])


def _ratio(book: Book, rockers: Rockers) -> list[Finding]:
    stated, true = _as_stated(everywhere(book, "rocker_ratio")), rockers.of("ratio")
    off = derive(lambda own, card: 100.0 * (own / card - 1.0), true, stated)
    terms = {"true_ratio": true.figure.value, "stated_ratio": stated.figure.value}
    return on_valves(book, TRUE_RATIO, off, terms, ["the true ratio, where it is proven, is what every lift is worked with"] *
                     len(off.inputs))  # fmt: skip


def _as_stated(ratio: Estimate) -> Estimate:
    """Give a ratio as it is said: its tolerance is what the limit is about, and no doubt of where it stands."""
    return estimate_of([replace(one, shared=(), each=(), own_u=0.0) for each in ratio.inputs for one in each])


def _uneven(book: Book, rockers: Rockers) -> list[Finding]:
    above = above_neighbours(book)
    added = derive(np.multiply, above, rockers.of(BY_TIP))
    terms = {"tip_above_its_neighbours": above.figure.value}
    found = on_valves(book, UNEVEN_TIP, added, terms, _preload_words(book, above))
    return [one for one, level in zip(found, have_neighbours(book).tolist(), strict=True) if level]


def _preload_words(book: Book, above: Estimate) -> list[str]:
    """Say what an uneven tip does to the preload of hydraulic gear whose rockers are not set one by one."""
    if not book.engine.lifter.startswith("hydraulic"):
        return ["" for _ in above.inputs]
    ratio = everywhere(book, "rocker_ratio").figure.value
    unit = book.engine.unit("length")
    return [
        f"rockers that are not set one by one give it {in_words(abs(one), 'length', unit)} {'more' if one > 0 else 'less'} preload"
        if one == one and one else ""
        for one in (above.figure.value / ratio).tolist()
    ]  # fmt: skip
