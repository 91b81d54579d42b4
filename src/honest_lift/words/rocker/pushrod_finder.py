"""The pushrod finder: what three rules ask for by the geometry, what a checking pushrod points to, and what is in stock."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.estimates.rocker.checking_pushrod import Checked, checked
from honest_lift.estimates.rocker.gear import RULES, Rocker, best_of, marks_over, rocker_of
from honest_lift.estimates.rocker.parts import part_at
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.checking_pushrod import Pointed, centred, narrowest
from honest_lift.mechanics.rocker.pushrod_length import beyond_middles
from honest_lift.mechanics.rocker.witness_mark import travel_mm
from honest_lift.numbers.units import from_inside, in_figures, unit_of

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


_MANY = 3
_DRAWN_MM, _STEPS = 4.0, 81  # how far either side of the present length is drawn


def finder_chart(book: Book, role: str, position: str, rows: tuple[FinderRow, ...], beyond_mm: float) -> Chart:
    """Draw the mark's width and centre over the length, with what each rule asks for, what is in stock, and what was read."""
    unit = book.engine.unit("length")
    scale, places = from_inside(1.0, "length", unit), unit_of("length", unit).places
    what = "pivot up" if book.engine.rocker_mount == "shaft" else "pushrod"
    axis, missing = Axis(what, unit, places), "the gear's dimensions are not stated yet"
    over = marks_over(book, role, position, _DRAWN_MM, _STEPS)
    if over is None:
        return Chart("Mark over the length", axis, (), missing)
    own, mark = over
    xs = ((own + beyond_mm) * scale).tolist()

    def drawn(values: np.ndarray) -> tuple[tuple[float, float], ...]:
        return tuple((x, y * scale) for x, y in zip(xs, values.tolist(), strict=True) if isfinite(y))

    read = checked(book, position) if position else ()
    seen = [tuple(((one.length_mm + beyond_mm) * scale, getattr(one, key) * scale) for one in read if isfinite(getattr(one, key)))
            for key in ("width_mm", "middle_mm")]  # fmt: skip
    levels = _asked(rows, scale, beyond_mm, places)
    wide, middle = Axis("mark wide", unit, places), Axis("its centre, + outboard", unit, places)
    panels = (
        Panel(wide, (Series("mark wide", drawn(mark.width)), Series("read", seen[0], "mark", dots=True, joined=False)), levels, 3),
        Panel(middle, (Series("centre", drawn(mark.middle)), Series("read", seen[1], "mark", dots=True, joined=False)),
              (Level(0.0, ""), *(replace(one, words="") for one in levels)), 2),
    )  # fmt: skip
    return Chart("Mark over the length", axis, panels, missing)


def _joined(titles: list[str]) -> str:
    return ", ".join(titles) if len(titles) < _MANY else f"all {len(titles)} rules"


def _asked(rows: tuple[FinderRow, ...], scale: float, beyond_mm: float, places: int) -> tuple[Level, ...]:
    """Give a line a length that anything asks for; those that ask for the same share it."""
    at: dict[float, list[str]] = {}
    for one in rows:
        if isfinite(one.own):
            at.setdefault(round((one.own + beyond_mm) * scale, places), []).append(one.title)
    return tuple(
        Level(length, _joined(list(dict.fromkeys(titles))), "mark" if "as stated" in titles else "faint", upright=True)
        for length, titles in at.items()
    )


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
