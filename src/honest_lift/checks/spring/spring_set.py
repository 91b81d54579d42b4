"""Each spring against the set it came and ran with, at one common height.

It is their card's installed height; without a card, the highest height at which all of them were read.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_springs import card_figures, findings_on_springs
from honest_lift.checks.spring.family import Family, comparable, families_of
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.spring.curves import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.place import of_spring
from honest_lift.mechanics.spring.spring_set import FEW, percent_of, spread, to_measure_again, yardstick
from honest_lift.numbers.doubt import Array, Ground, Source, exact
from honest_lift.numbers.verdict import Verdict

SET_SHARE = Check(
    "set_share", "Share of set", "springs", "percent",
    "The spring's load as a share of what its set is held against: the median, or that of the stronger role.",
)  # fmt: skip
SET_WEAKEST = Check(
    "set_weakest",
    "Weakest of set",
    "springs",
    "percent",
    "The lowest share in the whole used set: one collapsed spring condemns it, the others have seen the same heat.",
)
SET_SPREAD = Check(
    "set_spread", "Spread of set", "springs", "percent", "Largest less smallest load of the set over its median."
)


@dataclass(frozen=True, slots=True)
class _Group:
    """Springs that compare, with their loads at one height; `known` are those that have one.

    `scale` (k,): what a load is taken by so that springs of several cards compare; 1 where they are of one.
    """

    family: Family
    springs: tuple[str, ...]
    stated: NDArray[np.bool_]
    loads: Estimate
    scale: Array
    known: NDArray[np.int64]

    def judge(self, rule: Callable[[Array], Array]) -> Estimate:
        """Evaluate a rule over the known loads; it rests on all of them, so what bars one bars every one."""

        def spread_out(rows: Array) -> Array:
            result = np.full(rows.shape, np.nan)
            if len(self.known) > 1:
                result[..., self.known] = rule((rows * self.scale)[..., self.known])
            return result

        judged, everyone = derive(spread_out, self.loads), np.ones(len(self.springs), dtype=bool)
        if len(self.known) < 2:  # nothing to compare with
            return Estimate(judged.figure.on_ground(everyone, Ground.MISSING), judged.inputs)
        joint = Ground(int(np.bitwise_or.reduce(self.loads.figure.ground[self.known])))
        joint |= Ground.SPECIFIED if (self.scale != 1.0).any() else Ground.NONE
        return Estimate(judged.figure.on_ground(everyone, joint), judged.inputs)

    @property
    def unread(self) -> list[str]:
        """Give the springs without a load there."""
        return [name for i, name in enumerate(self.springs) if i not in self.known]

    def in_load(self, rule: Callable[[Array], Array]) -> Array:
        """Give what a rule of the known loads comes to as a load of each spring (k,)."""
        known = (self.loads.figure.value * self.scale)[self.known]
        return np.asarray(np.full(len(self.springs), rule(known) if len(known) else np.nan) / self.scale)


def check_in_set(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold springs of one family against each other."""
    shares: list[Finding] = []
    weakest: list[Finding] = []
    spreads: list[Finding] = []
    for family in families_of(book, springs):
        parts = comparable(book, springs, family, "seat_load_n")
        groups = [_group(book, springs, part, stated, curves) for part, stated in parts if len(part.rows) > 1]
        own = [_share(group) for group in groups]
        for group, share in zip(groups, own, strict=True):
            shares += _shares(book, group, share)
            spreads += _spreads(book, group)
        if family.used:
            against = [findings_on_springs(book, SET_WEAKEST, group.springs, share, group.stated, _terms(group))
                       for group, share in zip(groups, own, strict=True)]  # fmt: skip
            weakest += carried(book, family, springs, [one for each in against for one in each], "weakest")
    return shares + weakest + spreads


def _group(book: Book, springs: Sequence[str], family: Family, card_n: Array, curves: Curves) -> _Group:
    names = tuple(springs[row] for row in family.rows)
    at, own = card_figures(book, names, "seat_height_mm"), curves.take(family.rows.tolist())
    several_cards = bool(np.isfinite(card_n).all()) and len(set(card_n.tolist())) > 1
    if not (np.isfinite(at).all() or several_cards):
        at = np.full(len(names), own.height_in_common())
    loads = own.load(Estimate(exact(at), ((),) * len(names)))
    apart = Estimate(loads.figure.apart(), loads.inputs)
    scale = card_n[0] / card_n if several_cards else np.ones(len(names))
    return _Group(family, names, np.isfinite(at), apart, scale, np.flatnonzero(np.isfinite(loads.figure.value)))


def _held_against(group: _Group) -> Callable[[Array], Array]:
    roles = group.family.roles[group.known]
    return lambda rows: yardstick(rows, roles)


def _share(group: _Group) -> Estimate:
    against = _held_against(group)
    share = group.judge(lambda rows: percent_of(rows, against(rows)[..., None]))
    with np.errstate(invalid="ignore", divide="ignore"):
        own = 100.0 * group.loads.figure.u / group.loads.figure.value
    itself = Source("scatter:its own load", "the spring's own reading", shared=False)
    return Estimate(share.figure.never_exact(itself, np.where(np.isfinite(own), own, 0.0)), share.inputs)


def _terms(group: _Group) -> dict[str, Array]:
    return {"its_load": group.loads.figure.value, "held_against": group.in_load(_held_against(group))}


def _shares(book: Book, group: _Group, share: Estimate) -> list[Finding]:
    found = findings_on_springs(book, SET_SHARE, group.springs, share, group.stated, _terms(group))
    again = _odd_ones(group)
    told = [
        replace(one, remark=_collapse_words(group)) if one.verdict is Verdict.FAILS
        else replace(one, remark=_AGAIN) if again[i] else one
        for i, one in enumerate(found)
    ]  # fmt: skip
    return _unless_all_read(group, told)


_NOWHERE = "the springs of the set were not measured at one common height: measure all of them at the same height"
_AGAIN = "it is unlike its set; measure it again, three times, before it is judged"


def _odd_ones(group: _Group) -> NDArray[np.bool_]:
    """Tell which springs of a group stand so far apart that they are to be measured again; the tool's scatter is the floor."""
    odd = np.zeros(len(group.springs), dtype=bool)
    if len(group.known) > 2:
        figure = group.loads.figure
        single = [row for row, source in enumerate(figure.sources) if source.key.startswith("scatter:")]
        own = np.sqrt((figure.parts()[single] ** 2).sum(axis=0)) if single else np.zeros(len(group.springs))
        floor = float(np.median(own[group.known])) or 1e-9
        odd[group.known] = to_measure_again((figure.value * group.scale)[group.known], floor)
    return odd


def _spreads(book: Book, group: _Group) -> list[Finding]:
    """Judge the spread. A spring not measured leaves it unproven, unless it fails already without that one."""
    terms = {"largest_load": group.in_load(np.max), "smallest_load": group.in_load(np.min),
             "median_of_the_set": group.in_load(np.median)}  # fmt: skip
    wide = group.judge(lambda rows: np.broadcast_to(spread(rows)[..., None], rows.shape))
    return _unless_all_read(group, findings_on_springs(book, SET_SPREAD, group.springs, wide, group.stated, terms))


def _unless_all_read(group: _Group, found: list[Finding]) -> list[Finding]:
    """Leave nothing proven of a set some of which nobody measured, but for what fails already."""
    if not group.unread:
        return found
    words = f"not measured: spring {', '.join(group.unread)}" if group.stated.any() else _NOWHERE
    return [
        one if one.verdict is Verdict.FAILS
        else replace(one, verdict=Verdict.UNPROVEN, remark="; ".join(part for part in (words, one.remark) if part))
        for one in found
    ]  # fmt: skip


def carried(book: Book, family: Family, springs: Sequence[str], against: list[Finding], lowest: str) -> list[Finding]:
    """Carry the worst of a used family, judged by the limit of this very check, to each of its springs.

    It fails where one of them does, and is unproven where one of them is, or was not measured.
    """
    names = [springs[row] for row in family.rows]
    known = [one for one in against if one.figure == one.figure]
    if not known:
        return []
    unread = [name for name in names if name not in {one.place.name for one in known}]
    bad = [one for one in known if one.verdict is Verdict.FAILS]
    least = min(bad or known, key=lambda one: (one.verdict is not Verdict.UNPROVEN and not bad, one.margin, one.figure))
    if bad:
        words = f"{family.name} is condemned by spring {least.place.name}: the others have seen the same heat"
    else:
        words = f"spring {least.place.name} is the {lowest} of {family.name}"
        if unread:
            least = replace(least, verdict=Verdict.UNPROVEN)
            words += f"; not measured: spring {', '.join(unread)}"
    return [
        replace(least, place=of_spring(name), position=book.engine.position_of(name), remark=words) for name in names
    ]


def _collapse_words(group: _Group) -> str:
    doubtful = "; of so few, only the card tells which is wrong" if len(group.known) <= FEW else ""
    if group.family.used:
        return f"collapsed: it condemns its used set, the others have seen the same heat{doubtful}"
    return f"in a new set a low spring is a wrong or a bad part: look at its wire and its card{doubtful}"
