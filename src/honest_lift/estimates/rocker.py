"""The pushrod gear of a valve from its facts: lift, ratio and the mark it leaves, with their doubt, or what is missing."""

from __future__ import annotations

from dataclasses import replace
from math import isfinite

import numpy as np
from msgspec import Struct

from honest_lift.estimates.estimate import Input, derive, estimate_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.mechanics.gear.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud, why_not, works
from honest_lift.mechanics.gear.tip_mark import Mark, best_length, mark_of
from honest_lift.numbers.doubt import Array, Ground

STATED = (
    "pivot_out", "pivot_up", "valve_arm", "pushrod_arm", "arm_angle", "tip_radius", "lifter_across", "lifter_below",
    "lifter_lean", "pushrod_length", "stud_lean",
)  # fmt: skip
SCHOOLS = {"square": "square at half lift", "narrow": "narrowest mark", "centred": "mark in the middle"}
_REACH_MM, _FINE = 8.0, 161
FIGURES = ("lift", "width", "middle", "travel", "off_square_deg")


class Rocker(Struct, frozen=True):
    """The gear of one valve. `gear` is None where `missing` says why; `u`: standard doubt of each of FIGURES.

    `own`: the length of its pushrod, or the height of its pivot, that is moved when something is tried: on a stud the first,
    on a shaft the second. `unproven`: what bars it from proving anything, "" for nothing.
    """

    place: Place
    on_shaft: bool
    missing: str = ""
    gear: PushrodGear | None = None
    lobe_mm: float = 0.0
    lash_mm: float = 0.0
    own: float = 0.0
    u: dict[str, float] = {}
    unproven: str = ""
    inputs: tuple[Input, ...] = ()

    @property
    def mark(self) -> Mark:
        """Give the mark it leaves. Only where there is a gear."""
        assert self.gear is not None
        return mark_of(self.gear, self.lobe_mm)

    @property
    def lift_mm(self) -> float:
        """Give what the valve lifts at the top of the lobe. Only where there is a gear."""
        assert self.gear is not None
        return float(self.gear.lift(np.array(self.lobe_mm)))


def rocker_of(
    book: Book, role: str, position: str = "", own: float | None = None, *, with_doubt: bool = True
) -> Rocker:
    """Give the gear of a valve. `own`: a pushrod length (stud) or pivot height (shaft) tried in place of the stated."""
    place = at_position(position) if position else at_role(role)
    on_shaft = book.engine.rocker_mount == "shaft"
    if book.engine.gear != "pushrod":
        return Rocker(place, on_shaft, f"this page is of pushrod gear, and the engine has a {book.engine.gear}")
    told = {
        name: at_valve(book, name, position) if position else resolve(book, name, place)
        for name in (*STATED, "lobe_lift")
    }
    told["lash"] = _lash(book, place)
    needed = [name for name in told if name not in ("stud_lean", "pushrod_length" if on_shaft else "pivot_up")]
    lacking = [CATALOG[name].title for name in needed if not isfinite(told[name].value)]
    if lacking:
        return Rocker(place, on_shaft, f"not stated yet: {', '.join(lacking)}")
    inputs = [_known(one) for one in told.values()]
    tried = told["pivot_up" if on_shaft else "pushrod_length"].value if own is None else own
    gear = _set(on_shaft, tried, *(np.array(one.value) for one in inputs))
    lobe, lash = told["lobe_lift"].value, told["lash"].value
    if why := why_not(gear, lobe):
        return Rocker(place, on_shaft, why)
    u = _doubt(inputs, on_shaft, tried) if with_doubt else {}
    unproven = "what is tried is not stated" if own is not None else _unproven(told, needed, on_shaft)
    if not unproven and not all(map(isfinite, u.values())):
        unproven = "within its doubts the links may not reach"
    known = {key: one for key, one in u.items() if isfinite(one)}
    return Rocker(place, on_shaft, "", gear, lobe, lash, tried, known, unproven, tuple(inputs))


def _unproven(told: dict[str, Input], needed: list[str], on_shaft: bool) -> str:
    """Say what of the facts bars a proof; "" for nothing."""
    if any(
        told[name].ground & ~Ground.SPECIFIED
        for name in (*needed, *(() if on_shaft else ("stud_lean",)))
        if isfinite(told[name].value)
    ):
        return "it rests on figures that are assumed, stale or without a tolerance"
    if not on_shaft and not isfinite(told["stud_lean"].value):
        return "the stud is taken as parallel to the stem, and nobody has stated it"
    return ""


def _lash(book: Book, place: Place) -> Input:
    if book.engine.lifter.startswith("hydraulic"):
        return Input("lash", place.title, "not applicable", 0.0, asked=place)
    return resolve(book, "lash", place)


def _known(one: Input) -> Input:
    """Give an input that is not needed, or a stud that is not stated to lean, as exact."""
    return one if isfinite(one.value) else Input(one.quantity, one.where, "not applicable", 0.0, asked=one.asked)


def _set(on_shaft: bool, own: float | Array, *parts: Array) -> PushrodGear:
    out, up, valve, cup, angle, radius, across, below, lean, pushrod, stud, _, lash = parts
    gear = PushrodGear(out, up, valve, cup, angle, radius, -across, -below, 90.0 - lean, pushrod, stud)
    if on_shaft:
        return set_on_shaft(replace(gear, pivot_up=up * 0.0 + own), lash)
    return set_on_stud(replace(gear, pivot_up=up * 0.0, pushrod=pushrod * 0.0 + own), lash)


def _doubt(inputs: list[Input], on_shaft: bool, own: float) -> dict[str, float]:
    """Give the standard doubt of each figure: every fact displaced by its own, the others held."""
    names = [*STATED, "lobe_lift", "lash"]
    at = names.index("pivot_up" if on_shaft else "pushrod_length")
    tried = own - inputs[at].value

    def figures(*parts: Array) -> Array:
        gear = _set(on_shaft, parts[at] + tried, *parts)
        mark = mark_of(gear, parts[11])
        return np.stack(
            [gear.lift(parts[11]), mark.width, mark.middle, mark.full - mark.closed, mark.off_square_deg], axis=-1
        )

    found = derive(figures, *(estimate_of([one]) for one in inputs)).figure
    return dict(zip(FIGURES, np.sqrt((found.parts()[:, 0] ** 2).sum(axis=0)).tolist(), strict=True))


def best_of(book: Book, role: str, position: str = "") -> dict[str, Rocker | None]:
    """Give, for each school, the gear with the pushrod (stud) or pivot height (shaft) it asks for; None where none serves."""
    now = rocker_of(book, role, position, with_doubt=False)
    if now.gear is None:
        return dict.fromkeys(SCHOOLS)
    parts = [np.array(one.value) for one in now.inputs]

    def marks(own: Array) -> Mark:
        gear = _set(now.on_shaft, own, *parts)
        return mark_of(gear, np.where(works(gear, np.full(own.shape, now.lobe_mm)), now.lobe_mm, np.nan))

    found = {school: best_length(marks, now.own, _REACH_MM, school) for school in SCHOOLS}
    return {
        school: None if own is None else rocker_of(book, role, position, own, with_doubt=False)
        for school, own in found.items()
    }


def lengths_of_width(
    book: Book, role: str, position: str, width_mm: float
) -> tuple[float, float | None, float | None] | None:
    """Give the least width, and how much too short and too long a pushrod (or stand) would leave a mark so wide.

    None for both where the mark is as narrow as it can be, or within reach no such gear leaves one; None at all without a gear.
    """
    square = best_of(book, role, position).get("narrow")
    if square is None or square.gear is None:
        return None
    own = square.own + np.linspace(-_REACH_MM, _REACH_MM, _FINE)
    gear = _set(square.on_shaft, own, *(np.array(one.value) for one in square.inputs))
    lobe = np.where(works(gear, np.full(own.shape, square.lobe_mm)), square.lobe_mm, np.nan)
    width, least = np.asarray(mark_of(gear, lobe).width), float(square.mark.width)
    middle = _FINE // 2
    short, long = (
        _reaches(own[middle::-1], width[middle::-1], width_mm),
        _reaches(own[middle:], width[middle:], width_mm),
    )
    if short is None or long is None or width_mm <= least:
        return least, None, None
    return least, square.own - short, long - square.own


def _reaches(own: Array, width: Array, wanted: float) -> float | None:
    """Give where a growing width first reaches the wanted one; None where it does not."""
    with np.errstate(invalid="ignore"):
        over = np.flatnonzero(width >= wanted)
    if not len(over) or over[0] == 0:
        return None
    at = int(over[0])
    return float(np.interp(wanted, width[at - 1 : at + 1], own[at - 1 : at + 1]))
