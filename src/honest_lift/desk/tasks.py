"""What the reading bar can be asked to take: a quantity at the current place, and the next place after it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from msgspec import Struct

from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import Place, at_cylinder, at_position, of_spring
from honest_lift.facts.quantities import bare_head, block, chambers, locks, rocker_seen
from honest_lift.facts.quantity import Quantity
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.plans.next_reading import NextStep

_OF_VALVES = (
    "installed_height", "shims", "inner_shims", "seal_gap", "valve_lift", "lash", "lobe_lift", "locator_thickness",
    "retainer_thickness", "tip_to_step", "left_out", "coil_light", "spring_direction",
)  # fmt: skip
_THROUGH = (
    "valve_drop",
    "piston_valve_clay",
    "valve_to_valve",
    "valve_recess",
    "pocket_depth",
    "heads_over",
    "heads_step",
)
_OF_HEADS = ("valve_drop", "piston_valve_clay", "valve_to_valve", "lobe_centreline")
_WITH_ROCKER = tuple(one.name for one in rocker_seen.ROWS if one.ways and not one.at)
_OF_GEAR = {
    "pushrod": (*_WITH_ROCKER, "lash", "retainer_rocker"),
    "finger follower": ("mark_middle", "mark_width", "wipe_middle", "wipe_room", "lash", "lash_pad",
                        "roller_sideways", "retainer_rocker"),
    "bucket": ("lash", "lash_shim"),
}  # fmt: skip
_ON_BARE_HEAD = tuple(one.name for one in (*bare_head.ROWS, *locks.ROWS) if "position" in one.places and one.ways)


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

    @property
    def kind(self) -> str:
        """Give the kind of place it is read at: a valve, a spring or a cylinder."""
        return next((kind for kind in ("spring", "cylinder") if kind in self.row.places), "position")


def title_of(session: Session, step: NextStep) -> str:
    """Name a step of the plan as the reading bar does; what can only be stated says so itself."""
    return step.stated or _title(session, step.quantity, step.member, step.height_mm)


def _title(session: Session, quantity: str, member: str, height_mm: float | None) -> str:
    if height_mm is None and quantity == "spring_load":
        return ANY_HEIGHT
    if height_mm is None:
        return f"{CATALOG[quantity].title}, {member}" if member else CATALOG[quantity].title
    height = in_words(height_mm, "length", session.unit("length"))
    return f"{member} alone at {height}" if member else f"load at {height}"


def tasks_of(session: Session) -> list[Task]:
    """Give what can be read at the open step."""
    if session.step == "springs":
        return spring_tasks(session)
    if session.step == "head":
        return head_tasks()
    if session.step == "rocker":
        return [Task(name, CATALOG[name].title) for name in _OF_GEAR[session.engine.gear]]
    if session.step == "squeeze":
        return cylinder_tasks()
    if session.step == "turn":
        return [Task(name, CATALOG[name].title) for name in _THROUGH]
    of_valves = [Task(name, CATALOG[name].title) for name in _OF_VALVES]
    if session.step != "readings":
        return of_valves
    return [
        *of_valves,
        *head_tasks(),
        *(Task(name, CATALOG[name].title) for name in (*_OF_HEADS, *_WITH_ROCKER)),
        *cylinder_tasks(),
        *spring_tasks(session),
    ]


def cylinder_tasks() -> list[Task]:
    """Give what can be read of chambers, pistons and ports: the deck at the points of the crown, and as a mean of them."""
    rows = (*chambers.ROWS, *block.ROWS)
    first = ("chamber_volume", "deck_clearance", "leak_drop", "fill_time", "squish")
    ordered = sorted(rows, key=lambda row: first.index(row.name) if row.name in first else len(first))
    return [
        Task(row.name, f"{row.title}, {member}" if member else row.title, member)
        for row in ordered if row.ways and not row.at and {"cylinder", "position"} & set(row.places)
        for member in (*row.members, "")
    ]  # fmt: skip


def places_of(session: Session, task: Task) -> list[Place]:
    """Give every place a task is read at, in the order they are walked."""
    engine = session.engine
    if task.kind == "spring":
        return [of_spring(one.id, task.member) for one in engine.springs]
    if task.kind == "cylinder":
        return [at_cylinder(one, task.member) for one in engine.layout.cylinders]
    return [at_position(one.id, task.member) for one in engine.layout.positions]


def head_tasks() -> list[Task]:
    """Give what can be read of the bare heads and the locks: guides at their three depths."""
    rows = [CATALOG[name] for name in _ON_BARE_HEAD]
    return [
        Task(row.name, f"{row.title}, {member}" if member else row.title, member)
        for row in rows for member in row.members or ("",)
    ]  # fmt: skip


def spring_tasks(session: Session) -> list[Task]:
    """Give what can be read of the current spring: the whole nest first, then its members alone."""
    owner, card = session.engine.set_of(session.spring), session.engine.card_of(session.spring)
    members: list[str] = [member.name for member in card.members] if card and len(card.members) > 1 else []
    asked = session.queue.height_mm if session.queue and session.queue.quantity == "spring_load" else None
    planned = (*(owner.test_heights_mm if owner else ()), *(() if asked is None else (asked,)))
    heights = _heights(session, owner.id if owner else "", planned)
    wanted: list[tuple[str, str, float | None]] = [("spring_load", "", h) for h in heights]
    wanted.append(("spring_load", "", None))
    wanted += [("bind_height", name, None) for name in members or [""]]
    wanted += [("spring_load", name, h) for name in members for h in heights]
    wanted += [("free_length", name, None) for name in members or [""]]
    wanted += [
        (quantity, "", None) for quantity in ("spring_condition", "spring_outside", "spring_inside", "spring_mass")
    ]
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
