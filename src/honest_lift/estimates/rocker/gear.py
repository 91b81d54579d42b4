"""The pushrod gear of a valve from its facts: lift, ratio and the mark it leaves, with their doubt, or what is missing."""

from __future__ import annotations

from math import isfinite
from typing import cast

import numpy as np
from msgspec import Struct

from honest_lift.estimates.alike import Parts, derive_of
from honest_lift.estimates.estimate import Input, estimate_of
from honest_lift.estimates.rocker.parts import Told, kind_of, told_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.remember import by_identity
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.mechanics.rocker.finger import FingerGear, why_not_finger
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, why_not
from honest_lift.mechanics.rocker.tip_end import OnTheTip, works
from honest_lift.mechanics.rocker.witness_mark import Mark, best_length, mark_of
from honest_lift.numbers.doubt import Array, Ground

RULES = {"square": "square at half lift", "narrow": "narrowest mark", "centred": "witness mark centred"}
_REACH_MM, _FINE = 8.0, 161
FIGURES = ("lift", "width", "middle", "travel", "off_square_deg", "ratio")


class Rocker(Struct, frozen=True):
    """The gear of one valve. `gear` is None where `missing` says why; `u`: standard doubt of each of FIGURES.

    `own`: the length of its pushrod, or the height of its pivot, that is moved when something is tried: on a stud the first,
    on a shaft the second. `unproven`: what bars it from proving anything, "" for nothing.
    """

    place: Place
    on_shaft: bool
    missing: str = ""
    gear: OnTheTip | None = None
    lobe_mm: float = 0.0
    lash_mm: float = 0.0
    own: float = 0.0
    u: dict[str, float] = {}
    unproven: str = ""
    parts: dict[str, Input] = {}
    lacking: tuple[str, ...] = ()  # quantities that are not stated yet

    @property
    def values(self) -> dict[str, Array]:
        """Give the values of its parts, by name."""
        return {name: np.array(one.value) for name, one in self.parts.items()}

    @property
    def pushrod_gear(self) -> PushrodGear | None:
        """Give the gear where it is one of pushrods."""
        return self.gear if isinstance(self.gear, PushrodGear) else None

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
    on_shaft, kind = book.engine.rocker_mount == "shaft", kind_of(book.engine)
    if kind is None:
        return Rocker(place, on_shaft, f"this page is of rockers and fingers, and the engine has a {book.engine.gear}")
    told = told_of(book, role, position)
    if told.lacking:
        titles = ", ".join(CATALOG[name].title for name in told.lacking)
        return Rocker(place, on_shaft, f"not stated yet: {titles}", lacking=told.lacking)
    off = 0.0 if own is None else own - told.own
    gear = kind.make(off, told.values)
    lobe, lash = told.parts["lobe_lift"].value, told.parts["lash"].value
    if why := why_gear_not(gear, lobe):
        return Rocker(place, on_shaft, why)
    u = _doubt(told, off) if with_doubt else {}
    unproven = "what is tried is not stated" if own is not None else _unproven(told)
    if not unproven and not all(map(isfinite, u.values())):
        unproven = "within its uncertainty the links may not reach"
    known = {key: one for key, one in u.items() if isfinite(one)}
    return Rocker(place, on_shaft, "", gear, lobe, lash, told.own + off, known, unproven, told.parts)


def why_gear_not(gear: OnTheTip, lobe_mm: float) -> str:
    """Say why a gear can't work over the lobe's lift; "" when it can."""
    return why_not_finger(gear, lobe_mm) if isinstance(gear, FingerGear) else why_not(cast(PushrodGear, gear), lobe_mm)


def gear_of(book: Book, role: str, position: str = "") -> Rocker | None:
    """Give the gear of a valve where it is known as well as a stated ratio is, so that its true lift counts; else None."""
    if kind_of(book.engine) is None:
        return None
    known = _gears(book)
    if (role, position) not in known:
        found = rocker_of(book, role, position, with_doubt=False)
        known[role, position] = found if found.gear is not None and _as_well_as_stated(found) else None
    return known[role, position]


def _as_well_as_stated(found: Rocker) -> bool:
    """Tell whether a gear is known as well as a stated ratio is, or predicted by a known change."""
    return not found.unproven or all(
        not one.ground & ~(Ground.SPECIFIED | Ground.PREDICTED) for one in found.parts.values()
    )


@by_identity
def _gears(book: Book) -> dict[tuple[str, str], Rocker | None]:
    """Give what is remembered of one book's gears: a lobe turned by hand asks for the same gear again and again."""
    return {}


def _unproven(told: Told) -> str:
    """Say what of the facts bars a proof; "" for nothing."""
    barred = [one for one in told.parts.values() if one.ground & ~Ground.SPECIFIED]
    if not barred:
        return ""
    if all(one.quantity == "stud_lean" and one.kind == "assumed" and one.note for one in barred):
        return "the stud lean is not stated, so it is taken as parallel to the stem"
    return "it rests on figures that are assumed, stale or without a tolerance"


def figures_of(gear: OnTheTip, lobe_mm: Array, lash_mm: Array) -> Array:
    """Give FIGURES (..., 6) of gears: the ratio is that of the whole lift, lash taken up."""
    mark, lift = mark_of(gear, lobe_mm), gear.lift(lobe_mm)
    with np.errstate(invalid="ignore", divide="ignore"):
        ratio = (lift + lash_mm) / lobe_mm
    return np.stack([lift, mark.width, mark.middle, mark.full - mark.closed, mark.off_square_deg, ratio], axis=-1)


def _doubt(told: Told, off_mm: float) -> dict[str, float]:
    """Give the standard doubt of each figure: every fact displaced by its own, the others held."""

    def figures(parts: Parts) -> Array:
        return figures_of(told.kind.make(off_mm, parts), parts["lobe_lift"], parts["lash"])

    found = derive_of(figures, {name: estimate_of([one]) for name, one in told.parts.items()}).figure
    return dict(zip(FIGURES, np.sqrt((found.parts()[:, 0] ** 2).sum(axis=0)).tolist(), strict=True))


def best_of(book: Book, role: str, position: str = "") -> dict[str, Rocker | None]:
    """Give what `_best_of` gives, remembered as long as the book is the very same."""
    known = _bests(book)
    if (role, position) not in known:
        known[role, position] = _best_of(book, role, position)
    return known[role, position]


@by_identity
def _bests(book: Book) -> dict[tuple[str, str], dict[str, Rocker | None]]:
    """Give what is remembered of one book: sheet, finder and readings ask for the same."""
    return {}


def _best_of(book: Book, role: str, position: str) -> dict[str, Rocker | None]:
    """Give, for each rule, the gear with the pushrod (stud) or pivot height (shaft) it asks for; None where none serves."""
    now = rocker_of(book, role, position, with_doubt=False)
    if now.gear is None:
        return dict.fromkeys(RULES)
    parts, kind = now.values, kind_of(book.engine)
    assert kind is not None

    def marks(own: Array) -> Mark:
        gear = kind.make(own - now.own, parts)
        return mark_of(gear, np.where(works(gear, np.full(own.shape, now.lobe_mm)), now.lobe_mm, np.nan))

    found = {rule: best_length(marks, now.own, _REACH_MM, rule) for rule in RULES}
    return {
        rule: None if own is None else rocker_of(book, role, position, own, with_doubt=False)
        for rule, own in found.items()
    }


def marks_over(book: Book, role: str, position: str, reach_mm: float, steps: int) -> tuple[Array, Mark] | None:
    """Give lengths (n,) of pushrod (or heights of a stand) about the present one, and the mark each leaves; None without a gear.

    Where the gear can't work the mark is NaN.
    """
    now = rocker_of(book, role, position, with_doubt=False)
    kind = kind_of(book.engine)
    if now.gear is None or kind is None:
        return None
    own = now.own + np.linspace(-reach_mm, reach_mm, steps)
    gear = kind.make(own - now.own, now.values)
    return own, mark_of(gear, np.where(works(gear, np.full(own.shape, now.lobe_mm)), now.lobe_mm, np.nan))


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
    kind = kind_of(book.engine)
    assert kind is not None
    now = rocker_of(book, role, position, with_doubt=False)
    gear = kind.make(own - now.own, now.values)
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
