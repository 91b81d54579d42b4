"""The heads as they lie on the bench: an ordered list of heads, each an ordered list of valve positions."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.memory.remember import by_identity
from honest_lift.facts.place import Role, split_position
from honest_lift.numbers.mendable import MendableError

_PITCH_MM = 52.0  # drawing only: between neighbours on a head nobody has measured
_ROW_MM = 46.0  # drawing only: between the rows of a four-valve head


class Position(Struct, frozen=True, forbid_unknown_fields=True):
    """A valve position: its id, cylinder, role, index among its like, and where it lies on the head (drawing)."""

    id: str
    cylinder: int
    role: Role
    index: int
    x_mm: float
    y_mm: float


class Head(Struct, frozen=True, forbid_unknown_fields=True):
    """A head: its name and its positions in head order."""

    name: str
    positions: tuple[Position, ...]


class Layout(Struct, frozen=True, forbid_unknown_fields=True):
    """All heads; head order is list order."""

    heads: tuple[Head, ...] = ()

    @property
    def positions(self) -> tuple[Position, ...]:
        """Give every position of the engine in head order."""
        return tuple(_by_id(self).values())

    def head_of(self, position: str) -> str:
        """Give the name of the head a position is on; "" when there is no such position."""
        return _head_names(self).get(position, "")

    def cylinder_of(self, position: str) -> str:
        """Give the cylinder of a position as a place names it; "" when there is no such position."""
        one = self.position(position)
        return str(one.cylinder) if one else ""

    def head_of_cylinder(self, cylinder: str) -> str:
        """Give the name of the head over a cylinder; "" when there is no such cylinder."""
        return next((self.head_of(one) for one in self.of_cylinder(cylinder)), "")

    @property
    def cylinders(self) -> tuple[int, ...]:
        """Give the cylinders in head order, each once."""
        return tuple(dict.fromkeys(one.cylinder for one in self.positions))

    def of_cylinder(self, cylinder: str) -> tuple[str, ...]:
        """Give the positions of a cylinder in head order."""
        return _by_cylinder(self).get(cylinder, ())

    def opposite(self, name: str) -> str:
        """Give the valve of the other role that stands against one: of its own number, else the last; "" for none."""
        own = self.position(name)
        if own is None:
            return ""
        others = [one for one in self.positions if one.cylinder == own.cylinder and one.role != own.role]
        like = [one.id for one in others if one.index == own.index]
        return like[0] if like else others[-1].id if others else ""

    def position(self, name: str) -> Position | None:
        """Find a position by its id."""
        return _by_id(self).get(name)

    @property
    def as_text(self) -> str:
        """Write the layout the way `read_layout` reads it."""
        return "\n".join(f"{head.name}: {' '.join(p.id for p in head.positions)}" for head in self.heads)


@by_identity
def _head_names(layout: Layout) -> dict[str, str]:
    return {position.id: head.name for head in layout.heads for position in head.positions}


@by_identity
def _by_cylinder(layout: Layout) -> dict[str, tuple[str, ...]]:
    found: dict[str, list[str]] = {}
    for one in layout.positions:
        found.setdefault(str(one.cylinder), []).append(one.id)
    return {cylinder: tuple(ids) for cylinder, ids in found.items()}


@by_identity
def _by_id(layout: Layout) -> dict[str, Position]:
    return {position.id: position for head in layout.heads for position in head.positions}


COMMON = {
    "V8, two heads of eight": "left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e",
    "V8, valves in turn": "left: 1e 1i 3e 3i 5e 5i 7e 7i\nright: 2i 2e 4i 4e 6i 6e 8i 8e",
    "V6, two heads of six": "left: 1e 1i 3e 3i 5e 5i\nright: 2i 2e 4i 4e 6i 6e",
    "In-line four, eight valves": "head: 1e 1i 2i 2e 3e 3i 4i 4e",
    "In-line six, twelve valves": "head: 1e 1i 2i 2e 3e 3i 4i 4e 5e 5i 6i 6e",
    "In-line four, sixteen valves": "head: 1i1 1i2 1e1 1e2 2i1 2i2 2e1 2e2 3i1 3i2 3e1 3e2 4i1 4i2 4e1 4e2",
    "In-line four, twenty valves": "head: 1i1 1i2 1i3 1e1 1e2 2i1 2i2 2i3 2e1 2e2 3i1 3i2 3i3 3e1 3e2 4i1 4i2 4i3 4e1 4e2",
    "In-line three, six valves": "head: 1e 1i 2i 2e 3e 3i",
    "Flat four": "left: 1e 1i 3i 3e\nright: 2e 2i 4i 4e",
    "Flat six": "left: 1e 1i 3e 3i 5e 5i\nright: 2e 2i 4e 4i 6e 6i",
    "V-twin": "front: 1e 1i\nrear: 2i 2e",
    "Flat twin": "left: 1e 1i\nright: 2i 2e",
    "Single, two valves": "head: 1i 1e",
}


def read_layout(text: str) -> Layout:
    """Read a layout typed one head a line, `left: 1e 1i 3i 3e`; the name may be left out.

    Raises MendableError with a sentence that names the line, when an id is not understood or stands twice.
    """
    heads: list[Head] = []
    seen: dict[str, str] = {}
    for number, line in enumerate((one for one in text.splitlines() if one.strip()), start=1):
        name, colon, ids = line.partition(":")
        name, ids = (name.strip(), ids) if colon else (f"head {number}", line)
        if any(head.name == name for head in heads):
            raise MendableError(f"Two heads are called “{name}”: give each its own name.")
        names = ids.replace(",", " ").lower().split()
        for one in names:
            if one in seen:
                raise MendableError(
                    f"{one} is there twice, on the {seen[one]} and the {name} head: a valve has one place."
                )
            seen[one] = name
        heads.append(Head(name, _placed(names)))
    if not seen:
        raise MendableError("A layout needs at least one head with one valve, such as “left: 1e 1i 3i 3e”.")
    return Layout(tuple(heads))


def in_a_row(head: Head) -> Head:
    """Give a head as it is drawn where nobody has measured it."""
    return Head(head.name, _placed([one.id for one in head.positions]))


def _placed(names: list[str]) -> tuple[Position, ...]:
    """Lay positions along the head; those with an index in two rows, intake above exhaust."""
    placed: list[Position] = []
    columns: dict[Role, int] = {"intake": 0, "exhaust": 0}
    rows = any(split_position(name)[2] for name in names)
    for order, name in enumerate(names):
        cylinder, role, index = split_position(name)
        x = columns[role] if rows else order
        columns[role] += 1
        placed.append(Position(name, cylinder, role, index, x * _PITCH_MM, _ROW_MM * (rows and role == "exhaust")))
    return tuple(placed)
