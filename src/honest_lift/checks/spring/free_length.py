"""Free length of each spring: against its card, and against the set it came and ran with."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_springs import card_figures, findings_on_springs
from honest_lift.checks.spread_out import among_members
from honest_lift.checks.spring.family import Family, comparable, despite_unread, families_of
from honest_lift.checks.spring.spring_set import carried
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import of_spring
from honest_lift.mechanics.spring.spring_set import robust_z, yardstick
from honest_lift.numbers.doubt import Array, exact
from honest_lift.numbers.verdict import Verdict

FREE_CARD = Check(
    "free_card", "Free length to card", "springs", "length", "How far the spring's free length is off its card.",
)  # fmt: skip
FREE_SET = Check(
    "free_set", "Free length in set", "springs", "length",
    "How far the spring's free length is from what its set is held against: the median, or that of the longer role.",
)  # fmt: skip
SET_SHORTEST = Check(
    "set_shortest", "Shortest of set", "springs", "length",
    "The shortest of the whole used set: one collapsed spring condemns it, the others have seen the same heat.",
)  # fmt: skip
_WILD_Z = 4.5
_AGAIN = "its length is unlike its set's; measure it again before it is judged"


def check_free_length(book: Book, springs: tuple[str, ...]) -> list[Finding]:
    """Hold each free length against its card, where it states one, and against its family."""
    free = estimate_of([resolve(book, "free_length", of_spring(name, _outer(book, name))) for name in springs])
    found, shortest = [], []
    for family in families_of(book, springs):
        parts = [
            (part, card) for part, card in comparable(book, springs, family, "free_length_mm") if len(part.rows) > 1
        ]
        short = [_shortness(free, part, card) for part, card in parts]
        for (part, _), one in zip(parts, short, strict=True):
            found += _in_set(book, springs, free, part, one)
        if family.used:
            against = [each for (part, _), one in zip(parts, short, strict=True)
                       for each in _of_rows(book, SET_SHORTEST, springs, free, part, one)]  # fmt: skip
            shortest += carried(book, family, springs, against, "shortest")
    return [*_to_card(book, springs, free), *found, *shortest]


def _outer(book: Book, name: str) -> str:
    """Give the member whose length is the spring's: the outer of a nest."""
    card = book.engine.card_of(name)
    return card.members[0].name if card and len(card.members) > 1 else ""


def _to_card(book: Book, springs: tuple[str, ...], free: Estimate) -> list[Finding]:
    card = card_figures(book, springs, "free_length_mm")
    off = derive(np.subtract, free, Estimate(exact(card), ((),) * len(springs)))
    terms = {"free_length": free.figure.value, "its_card": card}
    found = findings_on_springs(book, FREE_CARD, springs, off, np.isfinite(card), terms)
    return [one for one, stated in zip(found, np.isfinite(card), strict=True) if stated]


def _shortness(free: Estimate, family: Family, card_mm: Array) -> Estimate:
    """Give how much longer each spring (n,) is than what its family is held against; beside its card where there are several."""
    several = len(set(card_mm.tolist())) > 1 and bool(np.isfinite(card_mm).all())
    off = np.zeros(len(free.inputs))
    off[family.rows] = card_mm if several else 0.0
    role = dict(zip(family.rows.tolist(), family.roles.tolist(), strict=True))

    def over(rows: Array, members: NDArray[np.int64]) -> Array:
        return np.asarray(rows - yardstick(rows, np.array([role[int(one)] for one in members]))[..., None])

    return among_members(derive(lambda own: own - off, free), [family.rows], over)


def _of_rows(
    book: Book, check: Check, springs: Sequence[str], free: Estimate, family: Family, short: Estimate
) -> list[Finding]:
    rows = family.rows.tolist()
    names = [springs[row] for row in rows]
    terms = {"free_length": free.figure.value[rows]}
    found = findings_on_springs(book, check, names, short.take(rows), np.ones(len(rows), dtype=bool), terms)
    return [despite_unread(one) for one in found]


def _in_set(book: Book, springs: Sequence[str], free: Estimate, family: Family, short: Estimate) -> list[Finding]:
    wild = _wild(free, family)
    found = _of_rows(book, FREE_SET, springs, free, family, short)
    return [_judged(family, one, wild=odd) for one, odd in zip(found, wild.tolist(), strict=True)]


def _wild(free: Estimate, family: Family) -> NDArray[np.bool_]:
    """Tell which springs (k,) of a family are far off their neighbours in length."""
    lengths = free.figure.value[family.rows]
    known, wild = np.isfinite(lengths), np.zeros(len(lengths), dtype=bool)
    if known.sum() > 2:
        floor = float(np.median([free.inputs[row][0].own_u for row in family.rows[known]])) or 1e-6
        wild[known] = np.abs(robust_z(lengths[known], floor)) > _WILD_Z
    return wild


def _judged(family: Family, one: Finding, *, wild: bool) -> Finding:
    """Say what a short spring means: in a used set it has collapsed and condemns the set, in a new one it is a wrong part."""
    if one.provisional is not Verdict.FAILS:
        return replace(one, remark=_AGAIN) if wild else one
    if family.used:
        return replace(one, remark="collapsed: it condemns its used set, the others have seen the same heat")
    return replace(one, remark="in a new set a short spring is a wrong or a bad part: look at its wire and its card")
