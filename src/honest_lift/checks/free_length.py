"""Free length of each spring: against its card, and against the set it came and ran with."""

from __future__ import annotations

from collections import defaultdict

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_springs import card_figures, findings_on_springs, role_of
from honest_lift.checks.spread_out import among
from honest_lift.checks.spring_set import carried
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import of_spring
from honest_lift.mechanics.bench.spring_set import robust_z
from honest_lift.numbers.doubt import exact
from honest_lift.numbers.verdict import Verdict

FREE_CARD = Check(
    "free_card", "Free length to card", "springs", "length", "How far the spring's free length is off its card.",
)  # fmt: skip
FREE_SET = Check(
    "free_set", "Free length in set", "springs", "length",
    "How far the spring's free length is from the middle one of its set.",
)  # fmt: skip
SET_SHORTEST = Check(
    "set_shortest", "Shortest of set", "springs", "length",
    "The shortest of the whole used set: one collapsed spring condemns it, the others have seen the same heat.",
)  # fmt: skip
_WILD_Z = 4.5
_AGAIN = "it stands apart from its set in length: measure it again before it is judged"


def check_free_length(book: Book, springs: tuple[str, ...]) -> list[Finding]:
    """Hold each free length against its card, where it states one, and against its set."""
    free = estimate_of([resolve(book, "free_length", of_spring(name, _outer(book, name))) for name in springs])
    in_set = _in_set(book, springs, free)
    return [*_to_card(book, springs, free), *in_set, *carried(book, SET_SHORTEST, springs, in_set, "shortest")]


def _outer(book: Book, name: str) -> str:
    """Give the member whose length is the spring's: the outer of a nest."""
    card = book.engine.card_of(name)
    return card.members[0].name if card and len(card.members) > 1 else ""


def _to_card(book: Book, springs: tuple[str, ...], free: Estimate) -> list[Finding]:
    card = card_figures(book, springs, "free_length_mm")
    off = derive(np.subtract, free, Estimate(exact(card), ((),) * len(springs)))
    terms = {"free length": (free.figure.value, "length"), "its card": (card, "length")}
    found = findings_on_springs(book, FREE_CARD, springs, off, np.isfinite(card), terms)
    return [one for one, stated in zip(found, np.isfinite(card), strict=True) if stated]


def _in_set(book: Book, springs: tuple[str, ...], free: Estimate) -> list[Finding]:
    groups = _groups(book, springs)
    apart = among(free, groups, lambda rows: rows - np.median(rows, axis=-1, keepdims=True))
    terms = {"free length": (free.figure.value, "length")}
    rows = sorted(int(row) for group in groups for row in group)
    found = findings_on_springs(book, FREE_SET, springs, apart, np.ones(len(springs), dtype=bool), terms)
    wild = _wild(free, groups)
    return [_judged(book, found[row], wild=bool(wild[row])) for row in rows]


def _groups(book: Book, springs: tuple[str, ...]) -> list[NDArray[np.int64]]:
    """Give the rows of springs that belong together: one set, one role, more than one of them."""
    members: dict[tuple[str, str], list[int]] = defaultdict(list)
    for row, name in enumerate(springs):
        if owner := book.engine.set_of(name):
            members[owner.id, role_of(book, name)].append(row)
    return [np.array(rows) for rows in members.values() if len(rows) > 1]


def _wild(free: Estimate, groups: list[NDArray[np.int64]]) -> NDArray[np.bool_]:
    wild = np.zeros(len(free.inputs), dtype=bool)
    for group in groups:
        known = group[np.isfinite(free.figure.value[group])]
        if len(known) > 2:
            floor = float(np.median([free.inputs[row][0].own_u for row in known])) or 1e-6
            wild[known] = np.abs(robust_z(free.figure.value[known], floor)) > _WILD_Z
    return wild


def _judged(book: Book, one: Finding, *, wild: bool) -> Finding:
    """Say what a short spring means: in a used set it has collapsed and condemns the set, in a new one it is a wrong part."""
    if one.provisional is not Verdict.FAILS:
        return replace(one, remark=_AGAIN) if wild else one
    owner = book.engine.set_of(one.place.name)
    if owner and owner.condition == "used":
        return replace(one, remark="collapsed: it condemns its used set, the others have seen the same heat")
    return replace(one, remark="in a new set a short spring is a wrong or a bad part: look at its wire and its card")
