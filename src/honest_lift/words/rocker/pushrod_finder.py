"""The pushrod finder: what three rules ask for by the geometry, what a checking pushrod points to, and what is in stock."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite

import numpy as np
from msgspec import Struct

from honest_lift.estimates.rocker.checking_pushrod import Checked, checked
from honest_lift.estimates.rocker.gear import RULES, Rocker, best_of, rocker_of
from honest_lift.estimates.rocker.parts import part_at
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.checking_pushrod import Pointed, centred, narrowest
from honest_lift.mechanics.rocker.pushrod_length import beyond_middles
from honest_lift.mechanics.rocker.witness_mark import travel_mm
from honest_lift.numbers.units import in_figures

QUOTED = {"middles": "between ball centres", "overall": "overall", "gauge": "gauge length"}
LIMBER = (
    "A checking pushrod is limber: read it on checking springs. Under real springs it bends, hides lift and moves the mark; "
    "prove the pushrod you buy with the springs that will run."
)


class FinderRow(Struct, frozen=True):
    """A pushrod (or stand) and what it comes to. Lengths in mm; NaN for what is not known."""

    title: str
    own: float
    off: float
    width: float
    middle: float
    travel: float
    off_square_deg: float
    lift: float


def beyond(book: Book, role: str, position: str) -> float | str:
    """Give what this engine's way of quoting counts beyond the balls' middles, mm; or what must be stated for it."""
    how = book.engine.pushrods_quoted
    if how == "middles" or book.engine.rocker_mount == "shaft":
        return 0.0
    ball = part_at(book, "pushrod_ball", role, position).value
    hole = part_at(book, "gauge_hole", role, position).value if how == "gauge" else 0.0
    if not isfinite(ball) or not isfinite(hole):
        rings = " and the hole of the rings" if how == "gauge" else ""
        return f"state the pushrod's ball{rings} (Dimensions): lengths are stated {QUOTED[how]}"
    return beyond_middles(ball, hole) if hole < ball else "the rings' hole has to be smaller than the pushrod's ball"


def finder_rows(book: Book, role: str, position: str) -> tuple[FinderRow, ...]:
    """Give the gear as stated, the length each rule asks for, and the stocked lengths next to them."""
    now = rocker_of(book, role, position, with_doubt=False)
    if now.gear is None:
        return ()
    rows, wanted = [_row("as stated", now, now.own)], []
    for rule, found in best_of(book, role, position).items():
        if found is None:
            rows.append(FinderRow(f"{RULES[rule]}: none within reach", *[float("nan")] * 7))
            continue
        rows.append(_row(RULES[rule], found, now.own))
        wanted.append(found.own)
    ends = beyond(book, role, position)
    if not now.on_shaft and not isinstance(ends, str):
        for stocked in _next_to(wanted, [one - ends for one in book.engine.pushrod_stock]):
            tried = rocker_of(book, role, position, stocked, with_doubt=False)
            rows.append(
                _row("in stock", tried, now.own)
                if tried.gear
                else FinderRow("in stock: " + tried.missing, stocked, *[float("nan")] * 6)
            )
    return tuple(rows)


def _row(title: str, found: Rocker, now: float) -> FinderRow:
    mark = found.mark
    return FinderRow(title, found.own, found.own - now, float(mark.width), float(mark.middle), float(travel_mm(mark)),
                     float(mark.off_square_deg), found.lift_mm)  # fmt: skip


def _next_to(wanted: list[float], stock: list[float]) -> list[float]:
    """Give the stocked lengths just below and just above each that is wanted, shortest first, each once."""
    near: set[float] = set()
    for one in wanted:
        near |= {
            max((each for each in stock if each <= one), default=one),
            min((each for each in stock if each >= one), default=one),
        }
    return sorted(near & set(stock))


def checked_words(book: Book, role: str, position: str) -> tuple[str, ...]:
    """Say what the readings with a checking pushrod point to, and whether the geometry agrees."""
    read = [one for one in checked(book, position) if not one.stale] if position else []
    if not read:
        return (LIMBER,)
    say, lines = _lengths(book, role, position), []
    for title, key, tell in (("Narrowest mark", "width_mm", narrowest), ("Witness mark centred", "middle_mm", centred)):
        lines.append(f"{title} by the checking pushrod: {_pointed(read, key, tell, say)}.")
    by_geometry = best_of(book, role, position).get("narrow") if book.engine.gear == "pushrod" else None
    by_reading = _tell(read, "width_mm", narrowest)
    if by_geometry is not None and isinstance(by_reading, Pointed) and not by_geometry.on_shaft:
        lines.append(_agree(by_geometry.own, by_reading, say))
    return (*lines, LIMBER)


Tell = Callable[[np.ndarray, np.ndarray], Pointed | str]


def _tell(read: list[Checked], key: str, tell: Tell) -> Pointed | str:
    own = [(one.length_mm, getattr(one, key)) for one in read if isfinite(getattr(one, key))]
    return tell(np.array([one[0] for one in own]), np.array([one[1] for one in own])) if own else "none is read"


def _pointed(read: list[Checked], key: str, tell: Tell, say: Callable[[float], str]) -> str:
    found = _tell(read, key, tell)
    return (
        found
        if isinstance(found, str)
        else f"{say(found.length)}; it lies between {say(found.low)} and {say(found.high)}"
    )


def _agree(by_geometry: float, by_reading: Pointed, say: Callable[[float], str]) -> str:
    if by_reading.low <= by_geometry <= by_reading.high:
        return f"The geometry says {say(by_geometry)}, and the readings do not contradict it."
    return (
        f"The geometry says {say(by_geometry)}, outside what the readings bracket: a dimension is mistyped, the checking "
        "pushrod bent, or its screwed-in length is not the one between ball centres."
    )


def _lengths(book: Book, role: str, position: str) -> Callable[[float], str]:
    """Give how lengths of pushrods are said: in this engine's way of quoting them."""
    unit, ends = book.engine.unit("length"), beyond(book, role, position)
    more = 0.0 if isinstance(ends, str) else ends
    return lambda value: f"{in_figures(value + more, 'length', unit)} {unit}"
