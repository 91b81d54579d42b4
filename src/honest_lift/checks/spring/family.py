"""Springs that are judged together: those of one set, and used ones of both roles that ran in one engine.

A set that is made for either valve is one family, whichever valves its springs stand at: they came as one and saw the same heat.
Used sets made for one role each ran together all the same; where their cards differ each spring counts by its own card.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Finding
from honest_lift.checks.on_springs import card_figures, role_of
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringSet
from honest_lift.numbers.decision import BARS
from honest_lift.numbers.doubt import Array, Ground
from honest_lift.numbers.verdict import Verdict


class Family(Struct, frozen=True, eq=False):
    """Springs by their rows, in words, and whether they are used: one collapsed spring then condemns them all.

    `roles` (k,): 0 on the bench, 1 at an intake, 2 at an exhaust.
    """

    name: str
    used: bool
    rows: NDArray[np.int64]
    roles: NDArray[np.int64]

    def part(self, of_rows: NDArray[np.int64]) -> Family:
        """Give some of its springs as a family of their own."""
        return Family(self.name, self.used, of_rows, self.roles[np.isin(self.rows, of_rows)])


_ROLES = ("", "intake", "exhaust")


def families_of(book: Book, springs: Sequence[str]) -> list[Family]:
    """Give the families in the order of the sets."""
    sets = book.engine.sets
    together = [one for one in sets if one.condition == "used" and one.role]
    joined = together if len({one.role for one in together}) > 1 else []
    groups: list[tuple[SpringSet, ...]] = [(one,) for one in sets if one not in joined]
    if joined:
        groups.insert(sets.index(joined[0]), tuple(joined))
    found = []
    for group in groups:
        own = {one.id for one in group}
        rows = [row for row, name in enumerate(springs) if (owner := book.engine.set_of(name)) and owner.id in own]
        if rows:
            roles = np.array([_ROLES.index(role_of(book, springs[row])) for row in rows])
            name = " with ".join(one.name for one in group)
            found.append(Family(name, group[0].condition == "used", np.array(rows), roles))
    return found


def despite_unread(one: Finding) -> Finding:
    """Let what fails already fail, whatever the springs of its set come to that nobody has measured yet."""
    only = int(one.ground) & BARS == int(Ground.UNREAD)
    return replace(one, verdict=Verdict.FAILS) if only and one.provisional is Verdict.FAILS else one


def comparable(book: Book, springs: Sequence[str], family: Family, field: str) -> list[tuple[Family, Array]]:
    """Give the parts of a family that can be held against each other, each with its springs' own card figures (k,).

    Springs of one card can; of several only where every card states the figure, since only beside it do they compare.
    """
    names = [springs[row] for row in family.rows]
    stated = card_figures(book, names, field)
    cards = [one.card if (one := book.engine.set_of(name)) else "" for name in names]
    if len(set(cards)) == 1 or np.isfinite(stated).all():
        return [(family, stated)]
    parts = [np.array([one == card for one in cards]) for card in dict.fromkeys(cards)]
    return [(family.part(family.rows[own]), stated[own]) for own in parts]
