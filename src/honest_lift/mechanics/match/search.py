"""The search: every spring with every retainer, lock and stack, none looked at twice and hopeless ones not at all.

What a pair does to a pocket is an offset of its height, so heights are looked at once for each offset there is; its mass only
lowers the speed, so it has a most; its underside only meets the seal. That gives the exact count without listing anything. The
best are found from an upper bound of each candidate, the greatest first, weighed exactly until no bound is left above the last
one kept. Source: best-first branch and bound; held to a nested loop by a test.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from honest_lift.mechanics.match.asked import Asked, CardSprings, Ints, Pairs, Pockets, Retainers, Stacks, Window, rows
from honest_lift.mechanics.match.candidates import Weighed, none_weighed, weigh
from honest_lift.mechanics.match.fits import Bools, on_floor, over_boss, seats
from honest_lift.mechanics.match.rungs import Lines, card_lift, control, held, lines_of, mass_allowed, seal
from honest_lift.numbers.doubt import Array

EDGE = 1e-9  # as an edge counts as met
_FIRST, _CHUNK = 2048, 12288  # a small share first: the person looks already
_AT_ONCE = 512  # candidates that are weighed together


@dataclass(frozen=True, slots=True)
class Found:
    """What is found so far: how many candidates there are, the best by their weakest rung, and how much was looked at."""

    count: int
    best: Weighed
    looked: int
    of: int

    @property
    def is_complete(self) -> bool:
        """Tell whether everything was looked at."""
        return self.looked >= self.of


def search(
    springs: CardSprings, retainers: Retainers, pairs: Pairs, pockets: Pockets, stacks: Stacks, asked: Asked, most: int = 200
) -> Iterator[Found]:  # fmt: skip
    """Search, and give what is found after each share of the springs; the last is complete.

    Candidates are those whose every rung is nothing or more. `stacks` must rise. The best `most` come in falling order.
    """
    total = len(springs.rate)
    found = Found(0, none_weighed(pockets), 0, total)
    if not total:
        yield found
    sealed = seal(pairs.down_mm, pairs.offset_mm, pockets, asked).min(axis=1)
    ends = [*range(_FIRST, total, _CHUNK), total] if total else []
    for first, end in zip([0, *ends], ends, strict=False):
        which = np.arange(first, end)
        share = _Share(springs, retainers, pairs, pockets, stacks, asked, which, sealed)
        count, best = share.count_and_best(found.best, most)
        found = replace(found, count=found.count + count, best=best, looked=int(which[-1]) + 1)
        yield found


@dataclass(frozen=True, slots=True)
class _AtOffset:
    """Springs (m,) at one offset: the best least rung of height alone, the mass that retainer and locks may have, and of the pocket
    that allows the least: what is held there at the lowest height in the window, what moves without them, its doubt and limit."""

    rung: Array
    room_kg: Array
    held: Array
    moving_kg: Array
    nose_u: Array
    limit: Window


_Bounds = list[tuple[Array, Ints, Ints]]


class _Share:
    """A share of the springs: which of them may stand at every pocket, and what they leave there at each offset."""

    def __init__(self, springs: CardSprings, retainers: Retainers, pairs: Pairs, pockets: Pockets, stacks: Stacks, asked: Asked,
                 which: Ints, sealed: Array) -> None:  # fmt: skip
        self._springs, self._pairs, self._pockets, self._stacks, self._asked = springs, pairs, pockets, stacks, asked
        self._sealed = sealed
        self._mass = np.nan_to_num(pairs.mass_kg, nan=-np.inf)  # what can't be told bars nothing
        own = rows(springs, which)
        lifted = card_lift(own, pockets, asked).min(axis=1)
        room = np.minimum(on_floor(own, pockets, asked), over_boss(own, pockets, asked)).min(axis=1)
        lines = lines_of(own, pockets, asked)
        low, high = lines.window()
        alive: Bools = np.asarray((room >= 0.0) & (lifted >= -EDGE) & (low <= high + EDGE).all(axis=1))
        self._which, self._own, self._lifted = which[alive], rows(own, alive), lifted[alive]
        self._low, self._high = low[alive], high[alive]
        self._lines = Lines(*(part[:, alive] for part in (lines.up_a, lines.up_b, lines.down_a, lines.down_b)))
        self._best_height = self._lines.best()
        self._seated = seats(self._own, retainers, asked)

    def count_and_best(self, best: Weighed, most: int) -> tuple[int, Weighed]:
        """Count the candidates of this share, and mend the list of the best with them, offset by offset."""
        count = 0
        usable = np.flatnonzero(self._sealed >= -EDGE)
        offsets, of = np.unique(self._pairs.offset_mm[usable].round(6), return_inverse=True)
        for i, offset in enumerate(offsets.tolist() if len(self._which) else ()):
            there = self._at(offset)
            able = np.flatnonzero(there.rung >= -EDGE)
            least = float(best.weakest.min()) if len(best.spring) >= most else -np.inf
            bounds: _Bounds = []
            for pairs in self._by_retainer(usable[of == i]) if len(able) else ():
                count += self._with_pairs(pairs, able, there, least, bounds)
            best = self._mend(best, bounds, most)
        return count, best

    def _by_retainer(self, pairs: Ints) -> list[Ints]:
        order = pairs[np.argsort(self._pairs.retainer[pairs], kind="stable")]
        return np.split(order, np.flatnonzero(np.diff(self._pairs.retainer[order])) + 1)

    def _at(self, offset_mm: float) -> _AtOffset:
        bare, total, pockets = self._pockets.bare_mm + offset_mm, self._stacks.total_mm, self._pockets
        lowest = (
            np.searchsorted(total, bare - self._low + EDGE, side="right") - 1
        )  # the thickest stack inside the window
        inside = (lowest >= 0) & (total[np.maximum(lowest, 0)] >= bare - self._high - EDGE)
        above = np.clip(np.searchsorted(total, bare - self._best_height), 0, len(total) - 1)
        beside = (bare - total[above], bare - total[np.maximum(above - 1, 0)])
        rung = np.maximum(*(self._lines.least(one) for one in beside)).min(axis=1)
        there = held(self._own, pockets, bare - total[np.maximum(lowest, 0)])
        own = pockets.fixed_kg + self._own.moving_kg[:, None]
        most = mass_allowed(there, pockets.nose_u, self._asked) - own
        most = np.where(np.isnan(most), np.inf, most)
        case, tightest = np.arange(len(rung)), most.argmin(axis=1)
        rung = np.where(inside.all(axis=1), np.minimum(rung, self._lifted), -np.inf)
        return _AtOffset(rung, most[case, tightest], there[case, tightest], own[case, tightest], pockets.nose_u[tightest],
                         rows(self._asked.control, tightest))  # fmt: skip

    def _with_pairs(self, pairs: Ints, able: Ints, there: _AtOffset, least: float, bounds: _Bounds) -> int:
        """Count the candidates of one retainer at one offset, and list those whose bound may better the list."""
        seated = able[self._seated[able, self._pairs.retainer[pairs[0]]]]
        if not len(seated):
            return 0
        mass = self._mass[pairs]
        room = there.room_kg * (1.0 + 1e-12) + 1e-15
        many = np.searchsorted(np.sort(mass), room[seated], side="right")
        hopeful = seated[(there.rung[seated] > least) & (many > 0)]
        if len(hopeful) and self._sealed[pairs[0]] > least:
            spring, pair = np.repeat(hopeful, len(pairs)), np.tile(pairs, len(hopeful))
            fits = np.tile(mass, len(hopeful)) <= room[spring]
            spring, pair = spring[fits], pair[fits]
            bound = self._bound(spring, pair, there)
            better = bound > least
            bounds.append((bound[better], spring[better], pair[better]))
        return int(many.sum())

    def _bound(self, spring: Ints, pair: Ints, there: _AtOffset) -> Array:
        """Give what no stack can better: the height alone, the seal alone, and control where the spring stands lowest."""
        moving = there.moving_kg[spring] + self._pairs.mass_kg[pair]
        limit, red = rows(there.limit, spring), self._asked.red_line_rpm
        moved = control(there.held[spring], moving, there.nose_u[spring], limit, red)
        return np.minimum(np.minimum(there.rung[spring], self._sealed[pair]), moved)

    def _mend(self, best: Weighed, bounds: _Bounds, most: int) -> Weighed:
        """Weigh candidates by falling bound until none left could better the last one kept."""
        if not bounds:
            return best
        bound, spring, pair = (np.concatenate(own) for own in zip(*bounds, strict=True))
        order = np.argsort(-bound, kind="stable")
        for first in range(0, len(order), _AT_ONCE):
            which = order[first : first + _AT_ONCE]
            if len(best.spring) >= most:
                which = which[bound[which] > float(best.weakest.min())]
            if not len(which):
                break
            own = self._which[spring[which]], pair[which]
            more = weigh(self._springs, self._pairs, self._pockets, self._stacks, self._asked, *own)
            best = _best_of(best.joined(more), most)
        return best


def _best_of(weighed: Weighed, most: int) -> Weighed:
    kept = weighed.take(np.argsort(-weighed.weakest, kind="stable")[:most])
    return kept.take(np.flatnonzero(kept.weakest >= -EDGE))
