"""A match: the search over the shelf, and of each candidate what it rests on, its weakest point and what it asks to be done."""

from __future__ import annotations

from collections.abc import Iterator
from math import nan

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.engine import Book
from honest_lift.mechanics.match.asked import Asked, CardSprings, Ints, Pairs, Pockets, Retainers, Stacks, rows
from honest_lift.mechanics.match.candidates import Weighed, speed_rpm, told_apart
from honest_lift.mechanics.match.rungs import card_load, lines_of
from honest_lift.mechanics.match.search import Found, search
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError
from honest_lift.plans.match.parts import Key, OnShelf, Present, pairs_of, present_of, retainers_of, springs_of
from honest_lift.plans.match.pockets import bench_of

MOST = 200
_AHEAD_MM = 1e-6


class Candidate(Struct, frozen=True):
    """A spring with a retainer and locks, a stack for every pocket, and what comes of it by its cards.

    `weakest`: the least (margin - U)/comfort, of the check `at_check` at `at_position`. Heights in mm and loads in N, one a pocket
    of the bench; `speed_rpm` NaN where control is not told. `mass_kg`: of retainer and locks. `shimmed`, `cut`: pockets whose stack
    changes, and that meet the cutter. `best`: no other of the list is as good in all and better in one.
    `bends_rpm`: float speed of a train that bends, where it was simulated.
    """

    spring: Key
    retainer: Key
    locks: Key
    weakest: float
    at_check: str
    at_position: str
    heights_mm: tuple[float, ...]
    stacks_mm: tuple[tuple[float, ...], ...]
    cuts_mm: tuple[float, ...]
    seat_load_n: tuple[float, ...]
    speed_rpm: float
    mass_kg: float
    offset_mm: float
    down_mm: float
    shimmed: int
    cut: int
    best: bool = False
    bends_rpm: float = nan

    @property
    def parts(self) -> tuple[Key, Key, Key]:
        """Give what it is made of: it tells candidates apart."""
        return self.spring, self.retainer, self.locks

    @property
    def operations(self) -> int:
        """Count what has to be done beside fitting it: pockets cut, and pockets with another stack."""
        return self.cut + self.shimmed

    @property
    def hardest_seat_n(self) -> float:
        """Give the greatest load on a seat."""
        return max(self.seat_load_n)


class Answer(Struct, frozen=True):
    """What is found so far. `count` candidates there are in all, `listed` the best of them, `looked` at of so many springs."""

    count: int
    listed: tuple[Candidate, ...]
    looked: int
    of: int

    @property
    def is_complete(self) -> bool:
        """Tell whether every spring was looked at."""
        return self.looked >= self.of


class Match:
    """A question laid out once: the pockets of an engine against the parts of a shelf. Raises MendableError for what is missing."""

    def __init__(self, book: Book, found: OnShelf, most_cut_mm: float = 0.0) -> None:
        bench = bench_of(book, book.engine.shim_stock or found.shims, most_cut_mm)
        if isinstance(bench, str):
            raise MendableError(bench)
        lacking = [kind for kind in ("springs", "retainers", "locks") if not found.count(kind)]
        if lacking:
            raise MendableError(
                f"there are no {' and no '.join(lacking)} on the shelf: import some, or use the invented ones"
            )
        self.found, self.bench = found, bench
        self.present: Present = present_of(book)
        self.springs: CardSprings = springs_of(found)
        self.retainers: Retainers = retainers_of(found)
        self.pairs: Pairs = pairs_of(found, self.present)
        self.now_mm = tuple(_stack(book, one) for one in bench.positions)

    @property
    def notes(self) -> tuple[str, ...]:
        """Say what was taken for granted, and what can't be told."""
        notes = [*self.bench.notes]
        if np.isnan(self.pairs.down_mm).any() and not np.isnan(self.bench.pockets.gap_mm).all():
            notes.append(
                "retainer to seal is not known for all; state the present retainer's underside, and that of each on the shelf"
            )
        if self.present.stem_mm != self.present.stem_mm:
            notes.append("the stem at the locks is not stated, so the fit of the locks is not checked")
        if np.isnan(self.pairs.mass_kg).any():
            notes.append("some retainers or locks have no mass on their card: valve float is not calculated for them")
        return tuple(notes)

    def search(self, most: int = MOST) -> Iterator[Answer]:
        """Search, and give what is found as it comes; the last answer is complete."""
        for each in search(*self.question(most)):
            yield self.answer(each)

    def question(self, most: int = MOST) -> tuple[CardSprings, Retainers, Pairs, Pockets, Stacks, Asked, int]:
        """Give what the search takes, as it stands: it may be asked of another process."""
        bench = self.bench
        return self.springs, self.retainers, self.pairs, bench.pockets, bench.stacks, bench.asked, most

    def answer(self, found: Found) -> Answer:
        """Put what is found so far into words and figures."""
        return Answer(found.count, _marked(self.candidates(found.best)), found.looked, found.of)

    def candidates(self, weighed: Weighed) -> tuple[Candidate, ...]:
        """Put weighed candidates into words and figures."""
        if not len(weighed.spring):
            return ()
        bench, keys = self.bench, self.found.keys
        apart = told_apart(self.springs, self.pairs, bench.pockets, bench.asked, weighed)
        names, rungs = list(apart), np.array(list(apart.values()))
        speed = speed_rpm(self.springs, self.pairs, bench.pockets, weighed)
        seat = self._seat_load(weighed)
        own = rows(self.pairs, weighed.pair)
        found = []
        for c in range(len(weighed.spring)):
            check, pocket = np.unravel_index(int(rungs[:, c].argmin()), rungs[:, c].shape)
            stacks = [bench.made_of[k] for k in weighed.stack[c].tolist()]
            cuts = [bench.cut_mm[k] for k in weighed.stack[c].tolist()]
            found.append(Candidate(
                keys["springs"][weighed.spring[c]], keys["retainers"][own.retainer[c]], keys["locks"][own.lock[c]],
                float(weighed.rung[c].min()), names[int(check)], bench.positions[int(pocket)], tuple(weighed.height_mm[c].tolist()),
                tuple(stacks), tuple(cuts), tuple(seat[c].tolist()), _least(speed[c]), float(own.mass_kg[c]),
                float(own.offset_mm[c]), float(own.down_mm[c]),
                sum(not _same(one, now) for one, now in zip(stacks, self.now_mm, strict=True)), sum(one > 0 for one in cuts),
            ))  # fmt: skip
        return tuple(found)

    def _seat_load(self, weighed: Weighed) -> Array:
        return card_load(rows(self.springs, weighed.spring), weighed.height_mm)

    def _again(self, one: Candidate) -> Weighed:
        """Give a candidate as it was weighed."""
        spring = self.row("springs", one.spring)
        retainer, lock = self.row("retainers", one.retainer), self.row("locks", one.locks)
        pair = int(np.flatnonzero((self.pairs.retainer == retainer) & (self.pairs.lock == lock))[0])
        heights = np.array([one.heights_mm])
        return Weighed(
            np.array([spring]), np.array([pair]), np.zeros(heights.shape, dtype=np.int64), heights, heights * nan
        )

    def speeds(self, one: Candidate) -> Array:
        """Give the speed (p,) in rpm at which a rigid train with a candidate would float at each pocket; NaN for not known."""
        speeds: Array = speed_rpm(self.springs, self.pairs, self.bench.pockets, self._again(one))[0]
        return speeds

    def ladder(self, one: Candidate) -> dict[str, tuple[float, str]]:
        """Give each check's least rung of a candidate, and the position it is least at."""
        apart = told_apart(self.springs, self.pairs, self.bench.pockets, self.bench.asked, self._again(one))
        return {
            name: (float(rungs[0].min()), self.bench.positions[int(rungs[0].argmin())]) for name, rungs in apart.items()
        }

    def window(self, one: Candidate) -> tuple[float, float]:
        """Give the lowest and the highest height at which a candidate's spring stands between its limits at every pocket, mm."""
        low, high = lines_of(rows(self.springs, self._again(one).spring), self.bench.pockets, self.bench.asked).window()
        return float(low.max()), float(high.min())

    def curve(self, one: Candidate) -> tuple[tuple[tuple[float, float], ...], float]:
        """Give a candidate's load, mm and N, where it stands shut lowest and open deepest; and where it binds."""
        own = rows(self.springs, self._again(one).spring)
        shut = min(one.heights_mm)
        opened = min(h - lift for h, lift in zip(one.heights_mm, self.bench.pockets.lift_mm.tolist(), strict=True))
        at = [(h, float(own.load_n[0] + own.rate[0] * (own.height_mm[0] - h))) for h in (shut, opened)]
        return tuple(at), float(own.bind_mm[0])

    def row(self, kind: str, key: Key) -> int:
        """Give the row of a part. Raises MendableError where the shelf holds it no more."""
        return self.found.keys[kind].index(key)

    def pairs_with(self, retainer: int = -1, lock: int = -1) -> Ints:
        """Give the pairs with a retainer, or with a pair of locks."""
        own = (self.pairs.retainer == retainer) if retainer >= 0 else (self.pairs.lock == lock)
        return np.flatnonzero(own)


def _stack(book: Book, position: str) -> tuple[float, ...]:
    fitted = book.engine.fitted("shims", position)
    return fitted.thicknesses_mm or () if fitted else ()


def _same(one: tuple[float, ...], other: tuple[float, ...]) -> bool:
    return len(one) == len(other) and all(
        abs(a - b) < _AHEAD_MM for a, b in zip(sorted(one), sorted(other), strict=True)
    )


def _least(speeds: Array) -> float:
    return nan if np.isnan(speeds).any() else float(speeds.min())


def _marked(found: tuple[Candidate, ...]) -> tuple[Candidate, ...]:
    """Mark those that no other betters in everything people weigh: weakest point, speed, seat load, work, mass."""
    if not found:
        return found
    worth = np.array([
        (one.weakest, one.speed_rpm, -one.hardest_seat_n, -one.operations, -one.mass_kg) for one in found
    ])  # fmt: skip
    worth = np.nan_to_num(worth, nan=-np.inf)
    as_good = (worth[None, :, :] >= worth[:, None, :] - 1e-12).all(axis=2)
    better = (worth[None, :, :] > worth[:, None, :] + 1e-12).any(axis=2)
    beaten = (as_good & better).any(axis=1)
    return tuple(replace(one, best=not bad) for one, bad in zip(found, beaten.tolist(), strict=True))
