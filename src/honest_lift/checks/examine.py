"""Examine an engine: run every check and keep what they say."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from honest_lift.checks.finding import Finding
from honest_lift.checks.heights import check_bind_margin, check_installed_height
from honest_lift.checks.loads import check_open_load, check_seat_load
from honest_lift.checks.springs import check_against_card, check_in_set
from honest_lift.checks.valves import valves_of
from honest_lift.estimates.loads import spring_curves
from honest_lift.facts.engine import Book
from honest_lift.numbers.verdict import Verdict, worst


@dataclass(frozen=True)
class Examination:
    """All findings of an engine, those of valves first, in head order within each check."""

    findings: tuple[Finding, ...]
    positions: tuple[str, ...]

    @cached_property
    def by_position(self) -> dict[str, tuple[Finding, ...]]:
        """Give the findings of each valve."""
        return {name: tuple(f for f in self.findings if f.position == name) for name in self.positions}

    @cached_property
    def by_spring(self) -> dict[str, tuple[Finding, ...]]:
        """Give the findings of each spring by its id."""
        found: dict[str, tuple[Finding, ...]] = {}
        for one in self.findings:
            if one.place.kind == "spring":
                found[one.place.name] = (*found.get(one.place.name, ()), one)
        return found

    def finding(self, check: str, position: str) -> Finding | None:
        """Find what a check says of a valve."""
        return next((one for one in self.by_position.get(position, ()) if one.check.name == check), None)

    def verdict(self, position: str, step: str = "") -> Verdict:
        """Give the worst verdict of a valve, of one step or of all."""
        return worst(one.verdict for one in self.by_position.get(position, ()) if step in ("", one.check.step))

    def of_engine(self, step: str = "") -> Verdict:
        """Give the worst verdict of what is fitted, of one step or of all."""
        return worst(one.verdict for one in self.findings if one.position and step in ("", one.check.step))


def examine(book: Book) -> Examination:
    """Run every check on an engine as it stands."""
    springs = tuple(one.id for one in book.engine.springs)
    curves = spring_curves(book, (*springs, ""))
    index = {name: i for i, name in enumerate((*springs, ""))}
    valves = valves_of(book, curves, index)
    found: list[Finding] = []
    if valves.names:
        for check in (check_installed_height, check_bind_margin, check_seat_load, check_open_load):
            found += check(book, valves)
    if springs:
        in_hand = curves.take(range(len(springs)))
        found += check_against_card(book, springs, in_hand) + check_in_set(book, springs, in_hand)
    return Examination(tuple(found), valves.names)
