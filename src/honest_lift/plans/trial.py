"""A trial: named changes made on a copy of the engine, and everything that moves with them. The engine itself is never touched."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite
from typing import Literal

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.examine import Examination, examine
from honest_lift.checks.finding import Finding
from honest_lift.checks.train.in_motion import foretold
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import Edit, Several
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.staleness import is_stale
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.change_edits import edit_of

Turn = Literal["", "worse", "better"]
Key = tuple[str, str, str, str]


class Rippled(Struct, frozen=True):
    """A finding that a trial moves: what it says now and in the trial; None where there is none."""

    before: Finding | None
    after: Finding | None

    @property
    def there(self) -> Finding:
        """Give the one of both that there is."""
        found = self.after or self.before
        assert found is not None
        return found

    @property
    def is_lost(self) -> bool:
        """Tell whether nobody can say what its figure becomes: what it was read from is stale in the trial, and was not."""
        after, before = (one is not None and bool(one.ground & Ground.STALE) for one in (self.after, self.before))
        return after and not before

    @property
    def verdicts(self) -> tuple[Verdict, Verdict]:
        """Give what it would be if all were measured as it stands, now and in the trial; what is lost is nothing."""
        now, then = (one.provisional if one else Verdict.UNPROVEN for one in (self.before, self.after))
        return now, Verdict.UNPROVEN if self.is_lost else then

    @property
    def turn(self) -> Turn:
        """Tell whether it turns into another verdict, and which way; a lost figure is no gain, not even on one that fails."""
        now, then = self.verdicts
        if now is then:
            return ""
        return "worse" if then is Verdict.UNPROVEN or then > now else "better"


class Ripple(Struct, frozen=True):
    """What a trial moves: findings with another figure, and those that only lose their proof.

    `tried`: the copy of the engine with the changes made, `found`: what is found of it.
    """

    moved: tuple[Rippled, ...]
    unproved: tuple[Rippled, ...]
    tried: Book
    found: Examination


def edit_for(book: Book, changes: Sequence[Change], name: str) -> Edit:
    """Give the one edit that makes all changes in their order, each on what those before it left. Raises EditError."""
    edits: list[Edit] = []
    for change in changes:
        edit = edit_of(book, change)
        edits.append(edit)
        engine, entries = edit.apply(book)
        book = replace(book, engine=engine, journal=book.journal + entries)
    return Several(tuple(edits), name)


def tried_on(book: Book, changes: Sequence[Change]) -> Book:
    """Give a copy of the engine with changes made. Raises EditError where one can't be."""
    engine, entries = edit_for(book, changes, "trial").apply(book)
    return replace(book, engine=engine, journal=book.journal + entries)


def ripple(book: Book, now: Examination, changes: Sequence[Change]) -> Ripple:
    """Make changes on a copy and say what moves. Raises EditError."""
    tried = tried_on(book, changes)
    with foretold(book, now.moved):
        found = examine(tried)
    before, after = _by_key(now), _by_key(found)
    pairs = ((before.get(key), after.get(key)) for key in dict.fromkeys((*after, *before)))
    moved, unproved = [], []
    for one, other in pairs:
        if one is other:  # of a family that nothing was changed of
            continue
        both = Rippled(one, other)
        if not is_same(one, other) or both.is_lost:
            moved.append(both)
        elif one and other and one.verdict is not other.verdict:
            unproved.append(Rippled(one, other))
    return Ripple(tuple(moved), tuple(unproved), tried, found)


def _by_key(found: Examination) -> dict[Key, Finding]:
    return {
        (one.check.name, one.place.kind, one.place.name, one.place.member): one
        for one in found.findings
        if one.position
    }


def is_same(before: Finding | None, after: Finding | None) -> bool:
    """Tell whether two findings say the same: the last bits of a sum depend on how many are worked out together."""
    one, other = _figure(before), _figure(after)
    if isinstance(one, float) and isinstance(other, float):
        return abs(one - other) <= _ROUNDING * max(1.0, abs(one))
    return one == other


_ROUNDING = 1e-9  # as an edge counts as met


def _figure(one: Finding | None) -> float | str | None:
    """Give what is compared of a finding: its figure, or its word; None for neither."""
    if one is None:
        return None
    return one.figure if isfinite(one.figure) else one.word or None


def to_read_again(book: Book, tried: Book) -> tuple[Standing, ...]:
    """Give the readings that stand now and would have to be taken again after a trial."""
    counting = [one for one in standing(book.journal) if not one.fate]
    return tuple(one for one in counting if is_stale(tried.engine, one) and not is_stale(book.engine, one))
