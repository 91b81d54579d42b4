"""Why a part of the shelf is in no candidate: the first thing that does not fit, else the check it would fail, and where."""

from __future__ import annotations

from math import isfinite, nan

import numpy as np
from msgspec import Struct

from honest_lift.mechanics.match.asked import Ints, rows
from honest_lift.mechanics.match.candidates import Weighed, told_apart, weigh
from honest_lift.mechanics.match.fits import on_floor, over_boss, seats, step_room
from honest_lift.mechanics.match.rungs import card_lift, lines_of, seal
from honest_lift.mechanics.match.search import EDGE, search
from honest_lift.numbers.doubt import Array
from honest_lift.plans.match.match import Match
from honest_lift.plans.match.parts import Key

_MOST_WEIGHED = 4000  # of those that come near: enough to name what stands against them


class Reason(Struct, frozen=True):
    """Why a part is left out. `check`: the check and side it fails, or what does not fit; `amount` by how much, inside, doubt and
    all, NaN where it is no matter of how much. `position`: where it is worst. `spring`, `pair`: rows of what it came nearest with.

    `is_in`: it is not left out at all.
    """

    check: str
    position: str = ""
    amount: float = nan
    spring: int = -1
    pair: int = -1
    is_in: bool = False


def why(match: Match, kind: str, key: Key) -> Reason:
    """Say why a spring, a retainer or a pair of locks is in no candidate, or that it is in one."""
    row = match.row(kind, key)
    if kind == "springs":
        return _spring(match, row)
    pairs = match.pairs_with(retainer=row) if kind == "retainers" else match.pairs_with(lock=row)
    if not len(pairs):
        alone = "no locks of its taper fit the stem" if kind == "retainers" else "fits no retainer, or not the stem"
        return Reason(alone)
    return _pairs(match, pairs)


def _spring(match: Match, row: int) -> Reason:
    which = np.array([row])
    own, bench = rows(match.springs, which), match.bench
    for words, room in (
        ("wider than the pocket's floor", on_floor(own, bench.pockets, bench.asked)),
        ("narrower than the boss or seal", over_boss(own, bench.pockets, bench.asked)),
    ):
        if room.min() < 0.0:
            at = int(room[0].argmin())
            return Reason(words, bench.positions[at], float(-room[0, at]), row)
    if (alone := _alone(match, which)) is not None:
        return alone
    seated = seats(own, match.retainers, bench.asked)[0]
    pairs = np.flatnonzero(seated[match.pairs.retainer])
    if not len(pairs):
        return _unseated(match, which)
    return _nearest(match, np.full(len(pairs), row), pairs)


def _alone(match: Match, which: Ints) -> Reason | None:
    """Say what no retainer can help: lift past the card's, or no height at all between its limits at some pocket."""
    own, bench = rows(match.springs, which), match.bench
    lifted = card_lift(own, bench.pockets, bench.asked)
    if lifted.min() < -EDGE:
        at = int(lifted[0].argmin())
        amount = -lifted[0, at] * bench.asked.card_lift.comfort[at]
        return Reason("card_lift least", bench.positions[at], float(amount), int(which[0]))
    lines = lines_of(own, bench.pockets, bench.asked)
    low, high = lines.window()
    if (low <= high + EDGE).all():
        return None
    at = int((high - low)[0].argmin())
    each = lines.each(lines.best())
    name = min(each, key=lambda one: each[one][0, at])
    return Reason(name, bench.positions[at], _inside(match, name, float(each[name][0, at]), at), int(which[0]))


def _unseated(match: Match, which: Ints) -> Reason:
    own = rows(match.springs, which)
    room = step_room(own, match.retainers, match.bench.asked)[0]
    as_many = match.retainers.members == own.members[0]
    if not as_many.any():
        return Reason("no retainer seats as many springs", spring=int(which[0]))
    nearest = float(np.min(np.abs(np.where(as_many, room, np.inf))))
    return Reason(
        "no retainer's step fits it and covers it", amount=nearest if isfinite(nearest) else nan, spring=int(which[0])
    )


def _pairs(match: Match, pairs: Ints) -> Reason:
    """Say why some pairs are in no candidate: the seal, or that no spring they seat comes through."""
    bench = match.bench
    own = rows(match.pairs, pairs)
    sealed = seal(own.down_mm, own.offset_mm, bench.pockets, bench.asked)
    if (sealed.min(axis=1) < -EDGE).all():
        best = int(sealed.min(axis=1).argmax())
        at = int(sealed[best].argmin())
        amount = -sealed[best, at] * bench.asked.retainer_seal.comfort[at]
        return Reason("retainer_seal least", bench.positions[at], float(amount), pair=int(pairs[best]))
    seated = seats(match.springs, match.retainers, bench.asked)[:, own.retainer]
    spring, column = np.nonzero(seated & _hopeful(match)[:, None])
    if not len(spring):
        return Reason("seats no spring within its limits at every pocket", pair=int(pairs[0]))
    return _nearest(match, spring, pairs[column])


def _hopeful(match: Match) -> np.ndarray:
    """Tell which springs (n,) fit every pocket, and have a height there between all limits."""
    bench = match.bench
    room = np.minimum(
        on_floor(match.springs, bench.pockets, bench.asked), over_boss(match.springs, bench.pockets, bench.asked)
    )
    low, high = lines_of(match.springs, bench.pockets, bench.asked).window()
    lifted = card_lift(match.springs, bench.pockets, bench.asked)
    return np.asarray((room.min(axis=1) >= 0.0) & (low <= high + EDGE).all(axis=1) & (lifted.min(axis=1) >= -EDGE))


def _nearest(match: Match, spring: Ints, pair: Ints) -> Reason:
    """Weigh candidates, and say of the best of them what it is in for, or that it is one."""
    bench = match.bench
    best = _best_there(match, spring, pair)
    if best is None:
        spring, pair = spring[:_MOST_WEIGHED], pair[:_MOST_WEIGHED]
        weighed = weigh(match.springs, match.pairs, bench.pockets, bench.stacks, bench.asked, spring, pair)
        best = weighed.take(np.array([int(weighed.weakest.argmax())]))
    rungs = told_apart(match.springs, match.pairs, bench.pockets, bench.asked, best)
    table = np.array([own[0] for own in rungs.values()])
    check, at = np.unravel_index(int(table.argmin()), table.shape)
    name, rung = list(rungs)[int(check)], float(table.min())
    return Reason(name, bench.positions[int(at)], _inside(match, name, rung, int(at)), int(best.spring[0]), int(best.pair[0]),
                  is_in=rung >= -EDGE)  # fmt: skip


def _best_there(match: Match, spring: Ints, pair: Ints) -> Weighed | None:
    """Give the best candidate among some springs and pairs, by the search itself; None where there is none."""
    own, at = np.unique(spring), np.unique(pair)
    bench = match.bench
    few = (rows(match.springs, own), match.retainers, rows(match.pairs, at))
    *_, found = search(*few, bench.pockets, bench.stacks, bench.asked, most=1)
    if not found.count:
        return None
    best = found.best
    return Weighed(own[best.spring], at[best.pair], best.stack, best.height_mm, best.rung)


def _inside(match: Match, name: str, rung: float, at: int) -> float:
    """Give by how much a rung lies below nothing, inside the check's unit."""
    comfort: Array = getattr(match.bench.asked, name.split()[0]).comfort
    return -rung * float(comfort[at])
