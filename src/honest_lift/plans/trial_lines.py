"""A ripple told check by check: the place where a check stands worst in the trial, how many move, how many turn."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from math import inf, isfinite

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.plans.trial import Ripple, Rippled


class Line(Struct, frozen=True):
    """A check: the finding that stands worst in the trial, how many of it move, and how many turn for worse and better."""

    shown: Rippled
    moved: int
    worse: int
    better: int

    @property
    def check(self) -> str:
        """Give the check's name."""
        return self.shown.there.check.name


def lines_of(found: Ripple) -> tuple[Line, ...]:
    """Give a line a check, those that turn for the worse first, then those that turn for the better."""
    by_check: dict[str, list[Rippled]] = {}
    for one in (*found.moved, *found.unproved):
        by_check.setdefault(one.there.check.name, []).append(one)
    moved = {id(one) for one in found.moved}
    lines = []
    for ones in by_check.values():
        turns = Counter(one.turn for one in ones)
        lines.append(
            Line(max(ones, key=_badness), sum(id(one) in moved for one in ones), turns["worse"], turns["better"])
        )
    far = {one.check: max(map(_far, by_check[one.check])) for one in lines}
    return tuple(sorted(lines, key=lambda one: (one.worse == 0, one.better == 0, -far[one.check])))


def _far(one: Rippled) -> float:
    """Give how far a finding moves, in shares of its comfort margin; 0 where that can't be told."""
    if one.before is None or one.after is None:
        return 0.0
    if one.is_lost:
        return inf
    far = abs(one.after.figure - one.before.figure) / (one.there.comfort or 1.0)
    return far if isfinite(far) else 0.0


def _badness(one: Rippled) -> tuple[int, int, float]:
    """Tell how bad a finding stands in the trial: what turns for the worse, its verdict, how little it has to spare."""
    return (int(one.turn == "worse"), int(one.verdicts[1]), _lack(one.after))


def _lack(one: Finding | None) -> float:
    return -inf if one is None or not isfinite(one.weakness) else -one.weakness


def worst_of(found: Examination, check: str) -> Finding | None:
    """Give the finding of a check that stands worst over the engine, as it stands; None where there is none."""
    own = [one for one in found.findings if one.check.name == check and one.position]
    return max(own, key=lambda one: (int(one.provisional), _lack(one)), default=None)


def checks_moved(ripples: Iterable[Ripple]) -> tuple[str, ...]:
    """Give every check that any of some trials moves, in the order of the checks."""
    moved = {one.there.check.name for found in ripples for one in found.moved}
    order = dict.fromkeys(one.check.name for found in ripples for one in found.found.findings)
    return tuple(name for name in order if name in moved)
