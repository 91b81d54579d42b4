"""What the checks of one engine share: the valves in head order and the estimates at each."""

from __future__ import annotations

from dataclasses import dataclass

from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.heights import installed_height
from honest_lift.estimates.lift import lift_at_valve
from honest_lift.estimates.loads import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.place import Place, at_position


@dataclass(frozen=True, slots=True)
class Valves:
    """Valves in head order with the spring fitted at each, and their estimates (n,)."""

    names: tuple[str, ...]
    roles: tuple[str, ...]
    springs: tuple[str, ...]
    installed: Estimate
    lift: Estimate
    curves: Curves

    @property
    def places(self) -> tuple[Place, ...]:
        """Give the places of the valves."""
        return tuple(at_position(name) for name in self.names)

    def limits(self, book: Book, check: str) -> list[Limit | None]:
        """Give the limit of a check that holds at each valve."""
        by_role = {role: limit_for(book.engine.limits, check, role, book.engine.lifter) for role in set(self.roles)}
        return [by_role[role] for role in self.roles]


def valves_of(book: Book, curves: Curves, index: dict[str, int]) -> Valves:
    """Collect the valves of an engine. `curves` holds springs by `index`, with "" for the one that is not there."""
    positions = book.engine.layout.positions
    names = tuple(one.id for one in positions)
    springs = tuple(book.engine.spring_at(name) for name in names)
    return Valves(
        names, tuple(one.role for one in positions), springs, installed_height(book, names),
        lift_at_valve(book), curves.take([index.get(spring, index[""]) for spring in springs]),
    )  # fmt: skip
