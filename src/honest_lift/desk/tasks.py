"""What the reading bar can be asked to take: a quantity at the current place, and the next place after it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from msgspec import Struct

from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG, Quantity
from honest_lift.facts.journal import standing
from honest_lift.facts.place import Place, at_position, of_spring
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.plans.next_reading import NextStep

_OF_VALVES = (
    "installed_height", "shims", "valve_lift", "lash", "lobe_lift", "locator_thickness", "retainer_thickness",
    "tip_to_step",
)  # fmt: skip


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
        if "spring" in self.row.places:
            return of_spring(session.spring, self.member) if session.spring else None
        return at_position(session.position) if session.position else None


def title_of(session: Session, step: NextStep) -> str:
    """Name a step of the plan as the reading bar does; what can only be stated says so itself."""
    return step.stated or _title(session, step.quantity, step.member, step.height_mm)


def _title(session: Session, quantity: str, member: str, height_mm: float | None) -> str:
    if height_mm is None:
        return f"{CATALOG[quantity].title}, {member}" if member else CATALOG[quantity].title
    height = in_words(height_mm, "length", session.unit("length"))
    return f"{member} alone at {height}" if member else f"load at {height}"


def tasks_of(session: Session) -> list[Task]:
    """Give what can be read at the open step."""
    return (
        spring_tasks(session) if session.step == "springs" else [Task(name, CATALOG[name].title) for name in _OF_VALVES]
    )


def spring_tasks(session: Session) -> list[Task]:
    """Give what can be read of the current spring: the whole nest first, then its members alone."""
    owner, card = session.engine.set_of(session.spring), session.engine.card_of(session.spring)
    members: list[str] = [member.name for member in card.members] if card and len(card.members) > 1 else []
    heights = _heights(session, owner.id, owner.test_heights_mm) if owner else ()
    wanted: list[tuple[str, str, float | None]] = [("spring_load", "", h) for h in heights]
    wanted += [("bind_height", name, None) for name in members or [""]]
    wanted += [("spring_load", name, h) for name in members for h in heights]
    wanted += [("free_length", name, None) for name in members or [""]]
    return [Task(quantity, _title(session, quantity, name, h), name, h) for quantity, name, h in wanted]


def _heights(session: Session, owner: str, planned: tuple[float, ...]) -> tuple[float, ...]:
    """Give the heights a set is tested at: those planned, and any that was read all the same."""
    springs = {one.id for one in session.engine.springs if one.set == owner}
    read = {
        one.reading.at["test_height"]
        for one in standing(session.book.journal)
        if not one.fate and one.place.name in springs and "test_height" in one.reading.at
    }
    return tuple(sorted({*planned, *read}, reverse=True))
