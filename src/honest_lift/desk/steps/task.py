"""What the reading bar can be asked to take: a quantity at the current place, and the next place after it."""

from __future__ import annotations

from collections.abc import Iterable
from typing import TYPE_CHECKING

from msgspec import Struct

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place, at_cylinder, at_position, of_spring
from honest_lift.facts.quantity import Quantity
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.desk.session import Session

if TYPE_CHECKING:
    from honest_lift.plans.next_reading import NextStep

ANY_HEIGHT = "load at any height"


class Task(Struct, frozen=True):
    """A quantity to be read, of a member of the spring or at a height where that applies."""

    quantity: str
    title: str
    member: str = ""
    height_mm: float | None = None

    @property
    def row(self) -> Quantity:
        """Give the quantity's row of the catalog."""
        return CATALOG[self.quantity]

    @property
    def at(self) -> dict[str, float]:
        """Give the coordinates a reading of it is taken at."""
        return {} if self.height_mm is None else {"test_height": self.height_mm}

    def place(self, session: Session) -> Place | None:
        """Give the place it is read at now."""
        if self.kind == "spring":
            return of_spring(session.spring, self.member) if session.spring else None
        if self.kind == "cylinder":
            return at_cylinder(session.cylinder, self.member) if session.cylinder else None
        return at_position(session.position, self.member) if session.position else None

    def read_at(self, book: Book, place: Place) -> list[Standing]:
        """Give every reading of it at a place, oldest first; a load at the height the spring itself stood at."""
        if self.height_mm is None:
            return readings_at(book, self.quantity, place, self.at)
        from honest_lift.estimates.spring.beside import loads_read_at

        return loads_read_at(book, place, self.height_mm)

    @property
    def kind(self) -> str:
        """Give the kind of place it is read at: a valve, a spring or a cylinder."""
        return self.row.walked_at


def title_of(session: Session, step: NextStep) -> str:
    """Name a step of the plan as the reading bar does; what can only be stated says so itself."""
    return step.stated or titled(session, step.quantity, step.member, step.height_mm)


def titled(session: Session, quantity: str, member: str, height_mm: float | None) -> str:
    """Name a quantity of a member of the spring, or at a height."""
    if height_mm is None and quantity == "spring_load":
        return ANY_HEIGHT
    if height_mm is None:
        return f"{CATALOG[quantity].title}, {member}" if member else CATALOG[quantity].title
    height = in_words(height_mm, "length", session.unit("length"))
    return f"{member} alone at {height}" if member else f"load at {height}"


def plain_tasks(names: Iterable[str]) -> list[Task]:
    """Give tasks of quantities by their own titles."""
    return [Task(name, CATALOG[name].title) for name in names]


def by_member(rows: Iterable[Quantity], *, whole: bool = False) -> list[Task]:
    """Give a task for each member a quantity has; `whole`: and one for all of them together."""
    return [
        Task(row.name, f"{row.title}, {member}" if member else row.title, member)
        for row in rows for member in ((*row.members, "") if whole else row.members or ("",))
    ]  # fmt: skip


def places_of(session: Session, task: Task) -> list[Place]:
    """Give every place a task is read at, in the order they are walked."""
    engine = session.engine
    if task.kind == "spring":
        return [of_spring(one.id, task.member) for one in engine.springs]
    if task.kind == "cylinder":
        return [at_cylinder(one, task.member) for one in engine.layout.cylinders]
    return [at_position(one.id, task.member) for one in engine.layout.positions]
