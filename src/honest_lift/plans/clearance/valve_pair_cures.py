"""What gains room between two valves, by how much each would have to be changed, and what else that moves.

Amounts are worked along the directions the heads are nearest in now, which never promises more room than there is.
"""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite, pi

import numpy as np
from msgspec import Struct

from honest_lift.checks.finding import Finding
from honest_lift.estimates.clearance.valve_pair import Amounts, OnePair, opposed
from honest_lift.estimates.of_valve import at_valve
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import limit_for
from honest_lift.facts.place import at_position, position_title
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words
from honest_lift.plans.plain_cures import say

_MOST_SUNK_MM, _MOST_SMALLER_MM, _MOST_SPREAD_DEG = 1.5, 6.0, 12.0  # beyond it nobody would. From memory
_TO_MM = 1e-3


class _Way(Struct, frozen=True):
    """A way to gain room: what is changed by an amount, the most anybody would, and how it is said."""

    changed: Callable[[float], Amounts]
    most: float
    told: Callable[[float], str]


def pair_cures(book: Book, finding: Finding) -> tuple[str, ...]:
    """Give what would make a pair pass, a sentence each; where the pair can't be turned, what each has to bring at the least."""
    if not isfinite(finding.margin):
        return ()
    pair, needed = (
        next((one for one in opposed(book) if one.position == finding.position), None),
        finding.expanded - finding.margin,
    )
    if pair is None or pair.missing:
        return _at_least(book.engine, finding.position, needed)
    one = OnePair(book, pair)
    return tuple(
        _tried(book.engine, one, needed, way) for way in _ways(book, finding.position, one) if way.most > _TO_MM
    )


def _at_least(engine: Engine, intake: str, needed_mm: float) -> tuple[str, ...]:
    """Give the least that each way takes: whatever the angles are, nothing gains more room than it moves."""
    exhaust, amount = position_title(engine.layout.opposite(intake)), say(engine, needed_mm)
    why = "for the whole amount state the position of the heads (Pockets and allowances)"
    return (
        f"sink the seat of {exhaust} by {amount} at the very least, shrouding it and raising its tip; {why}",
        f"an exhaust valve smaller by {say(engine, 2.0 * needed_mm)} across at the very least, or its edge bevelled as far as its "
        "margin allows",
        f"a cam that opens both together {amount} less at TDC, at the very least: more lobe separation, or less duration",
    )


def _tried(engine: Engine, pair: OnePair, needed_mm: float, way: _Way) -> str:
    """Say how much of a way it takes, or what all of it brings."""
    now = pair.least()

    def lacks(amounts: Array) -> Array:
        return np.array([pair.least(way.changed(float(one))) - now - needed_mm for one in amounts])

    nothing, most = (float(one) for one in lacks(np.array([0.0, way.most])))
    if most < 0:
        brought = max(most + needed_mm, 0.0)
        return f"{way.told(way.most)}: brings {say(engine, brought)} of {say(engine, needed_mm)}, not enough alone"
    found = roots_between(lacks, np.zeros(1), np.full(1, way.most), _TO_MM)
    return way.told(float(found[0]) if nothing < 0 else 0.0)


def _ways(book: Book, intake: str, pair: OnePair) -> list[_Way]:
    engine, exhaust = book.engine, book.engine.layout.opposite(intake)
    valves = ((1, exhaust), (0, intake))
    apart = _Way(lambda by: Amounts(spread_deg=by), _MOST_SPREAD_DEG, lambda by: _spread(engine, pair, by))
    sunk, bevelled = ([make(book, name, which) for which, name in valves] for make in (_sunk, _bevelled))
    return [*sunk, *bevelled, _smaller(book, exhaust), apart]


def _sunk(book: Book, name: str, which: int) -> _Way:
    engine, head = book.engine, at_valve(book, "head_diameter", name).value

    def told(by: float) -> str:
        more = in_words(pi / 4.0 * head**2 * by / 1000.0, "volume", engine.unit("volume"))
        return (
            f"sink the seat of {position_title(name)} by {say(engine, by)}: shrouds it, {more} more chamber, tip and spring "
            f"that much higher, piston to valve that much more"
        )

    return _Way(lambda by: Amounts(sunk=(by, 0.0) if which == 0 else (0.0, by)), _MOST_SUNK_MM, told)


def _bevelled(book: Book, name: str, which: int) -> _Way:
    """Bevel the edge of the face, as far as a whole margin is left."""
    engine, margin = book.engine, at_valve(book, "valve_margin", name).value
    limit = limit_for(engine.limits, "valve_margin", at_position(name).role, engine.lifter)
    kept = limit.lowest if limit is not None and limit.lowest is not None else margin

    def told(by: float) -> str:
        left = in_words(margin - by, "length", engine.unit("length"))
        return (
            f"bevel the edge of {position_title(name)} by {say(engine, by)} at 45 degrees: leaves {left} of its margin"
        )

    return _Way(lambda by: Amounts(bevel=(by, 0.0) if which == 0 else (0.0, by)), max(margin - kept, 0.0), told)


def _smaller(book: Book, exhaust: str) -> _Way:
    engine, head = book.engine, at_valve(book, "head_diameter", exhaust).value

    def told(by: float) -> str:
        share = 100.0 * (1.0 - (1.0 - by / head) ** 2)
        return f"an exhaust valve {say(engine, by)} smaller: {share:.0f} percent less head area, and its seat is recut"

    return _Way(lambda by: Amounts(smaller=by), _MOST_SMALLER_MM, told)


def _spread(engine: Engine, pair: OnePair, by: float) -> str:
    """Say a wider separation: both lobes go from TDC by crank degrees, half as many cam degrees each."""
    less = [in_words(one, "length", engine.unit("length")) for one in pair.tdc_lifts_lost(by)]
    return (
        f"a cam with {by / 2.0:.1f} degrees more lobe separation: {less[0]} less intake and {less[1]} less exhaust lift at TDC, "
        f"{2.0 * by:.0f} crank degrees less overlap; piston to valve gains on both"
    )
