"""Each spring against the set it came and ran with, at one common height: its card's installed height."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_springs import card_figures, findings_on_springs, role_of
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.loads import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.place import of_spring
from honest_lift.mechanics.bench.spring_set import share_of_median, spread, to_measure_again
from honest_lift.numbers.doubt import Array, Ground, exact
from honest_lift.numbers.verdict import Verdict

SET_SHARE = Check(
    "set_share", "Share of set", "springs", "percent", "The spring's load as a share of its set's median."
)
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
    """Springs of one set and role with their loads at one height; `known` are those that have one."""

    springs: tuple[str, ...]
    stated: NDArray[np.bool_]
    loads: Estimate
    known: NDArray[np.int64]

    def judge(self, rule: Callable[[Array], Array]) -> Estimate:
        """Evaluate a rule over the known loads; it rests on all of them, so what bars one bars every one."""

        def spread_out(rows: Array) -> Array:
            result = np.full(rows.shape, np.nan)
            if len(self.known) > 1:
                result[..., self.known] = rule(rows[..., self.known])
            return result

        judged = derive(spread_out, self.loads)
        if len(self.known) < 2:  # nothing to compare with
            return Estimate(
                judged.figure.on_ground(np.ones(len(self.springs), dtype=bool), Ground.MISSING), judged.inputs
            )
        joint = Ground(int(np.bitwise_or.reduce(self.loads.figure.ground[self.known])))
        return Estimate(judged.figure.on_ground(np.ones(len(self.springs), dtype=bool), joint), judged.inputs)


def check_in_set(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold springs of one set and role against each other."""
    members: dict[tuple[str, str], list[int]] = defaultdict(list)
    for i, name in enumerate(springs):
        if owner := book.engine.set_of(name):
            members[owner.id, role_of(book, name)].append(i)
    shares: list[Finding] = []
    spreads: list[Finding] = []
    for rows in members.values():
        group = _group(book, tuple(springs[i] for i in rows), curves.take(rows))
        if len(rows) > 1:
            shares += _shares(book, group)
            spreads += _spreads(book, group)
    return shares + carried(book, SET_WEAKEST, springs, shares, "lowest") + spreads


def _group(book: Book, springs: tuple[str, ...], curves: Curves) -> _Group:
    at = card_figures(book, springs, "seat_height_mm")
    loads = curves.load(Estimate(exact(at), ((),) * len(springs)))
    apart = Estimate(loads.figure.apart(), loads.inputs)
    return _Group(springs, np.isfinite(at), apart, np.flatnonzero(np.isfinite(loads.figure.value)))


def _shares(book: Book, group: _Group) -> list[Finding]:
    loads = group.loads.figure.value
    terms = {"its load": (loads, "load")} | _terms(group, {"median of the set": np.median})
    found = findings_on_springs(book, SET_SHARE, group.springs, group.judge(share_of_median), group.stated, terms)
    again = _odd_ones(group)
    return [
        replace(one, remark=_collapse_words(book, one)) if one.verdict is Verdict.FAILS
        else replace(one, remark=_AGAIN) if again[i] else one
        for i, one in enumerate(found)
    ]  # fmt: skip


_AGAIN = "it stands apart from its set: measure it again, three times, before it is judged"


def _odd_ones(group: _Group) -> NDArray[np.bool_]:
    """Tell which springs of a group stand so far apart that they are to be measured again; the tool's scatter is the floor."""
    odd = np.zeros(len(group.springs), dtype=bool)
    if len(group.known) > 2:
        figure = group.loads.figure
        single = [row for row, source in enumerate(figure.sources) if source.key.startswith("scatter:")]
        own = np.sqrt((figure.parts()[single] ** 2).sum(axis=0)) if single else np.zeros(len(group.springs))
        floor = float(np.median(own[group.known])) or 1e-9
        odd[group.known] = to_measure_again(figure.value[group.known], floor)
    return odd


def _spreads(book: Book, group: _Group) -> list[Finding]:
    """Judge the spread. A spring not measured leaves it unproven, unless it fails already without that one."""
    terms = _terms(group, {"largest load": np.max, "smallest load": np.min, "median of the set": np.median})
    wide = group.judge(lambda rows: np.broadcast_to(spread(rows)[..., None], rows.shape))
    found = findings_on_springs(book, SET_SPREAD, group.springs, wide, group.stated, terms)
    unread = [name for i, name in enumerate(group.springs) if i not in group.known]
    if not unread:
        return found
    words = f"not measured: spring {', '.join(unread)}"
    return [
        one if one.verdict is Verdict.FAILS else replace(one, verdict=Verdict.UNPROVEN, remark=words) for one in found
    ]


def _terms(group: _Group, rules: dict[str, Callable[[Array], Array]]) -> dict[str, tuple[Array, str]]:
    known = group.loads.figure.value[group.known]
    return {
        name: (np.full(len(group.springs), rule(known) if len(known) else np.nan), "load")
        for name, rule in rules.items()
    }


def carried(book: Book, check: Check, springs: tuple[str, ...], shares: list[Finding], lowest: str) -> list[Finding]:
    """Carry the lowest figure of every used set to each of its springs, also to those not measured."""
    found: list[Finding] = []
    for owner in book.engine.sets:
        own = [one for one in shares if book.engine.set_of(one.place.name) == owner]
        known = [one for one in own if one.figure == one.figure]
        if owner.condition != "used" or not known:
            continue
        least = min(known, key=lambda one: one.figure)
        if least.verdict is Verdict.FAILS:
            words = f"{owner.name} is condemned by spring {least.place.name}: the others have seen the same heat"
        else:
            words = f"spring {least.place.name} is the {lowest} of {owner.name}"
            measured = {one.place.name for one in known}
            if unread := [name for name in springs if book.engine.set_of(name) == owner and name not in measured]:
                least = replace(least, verdict=Verdict.UNPROVEN)
                words += f"; not measured: spring {', '.join(unread)}"
        found += [
            replace(least, check=check, place=of_spring(name), position=book.engine.position_of(name), remark=words)
            for name in springs
            if book.engine.set_of(name) == owner
        ]
    return found


def _collapse_words(book: Book, finding: Finding) -> str:
    owner = book.engine.set_of(finding.place.name)
    if owner and owner.condition == "used":
        return "collapsed: it condemns its used set, the others have seen the same heat"
    return "in a new set a low spring is a wrong or a bad part: look at its wire and its card"
