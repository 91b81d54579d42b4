"""Where something was measured or holds: engine, head, cylinder, role, valve position, spring, reference spring."""

from __future__ import annotations

import re
from functools import lru_cache
from typing import Literal

from msgspec import Struct

from honest_lift.numbers.mendable import MendableError

PlaceKind = Literal["engine", "head", "cylinder", "role", "position", "spring", "reference"]
Role = Literal["intake", "exhaust"]
_POSITION = re.compile(r"([0-9]{1,2})([ie])([1-9]?)")


class Place(Struct, frozen=True, forbid_unknown_fields=True):
    """A place by kind and name. `member`: of a nested spring outer, inner or damper; of a guide its depth; of a piston the point
    it was read at; "" for the whole.
    """

    kind: PlaceKind
    name: str = ""
    member: str = ""

    @property
    def role(self) -> str:
        """Give intake or exhaust, of a valve or a role; "" of anything else."""
        if self.kind == "position" and _POSITION.fullmatch(self.name):
            return split_position(self.name)[1]
        return self.name if self.kind == "role" else ""

    @property
    def title(self) -> str:
        """Give the place in words: `3 exhaust`, `spring 6 inner`, `intake`."""
        return _title(self.kind, self.name, self.member)


@lru_cache(maxsize=2000)
def _title(kind: str, name: str, member: str) -> str:
    if kind == "position":
        return f"{position_title(name)} {member}".rstrip()
    words = {
        "engine": "engine",
        "head": f"{name} head",
        "cylinder": f"cylinder {name}",
        "role": name,
        "reference": f"reference spring {name}",
        "spring": f"spring {name}",
    }
    return f"{words[kind]} {member}".rstrip()


ENGINE = Place("engine")


def at_position(name: str, member: str = "") -> Place:
    """Give the place of a valve position by its id, `3e`, or of one depth of its guide."""
    return Place("position", name, member)


def at_role(role: str) -> Place:
    """Give the place that stands for all intakes or all exhausts."""
    return Place("role", role)


def at_cylinder(number: int | str, member: str = "") -> Place:
    """Give the place of a cylinder by its number, or of one point of its piston."""
    return Place("cylinder", str(number), member)


def of_reference(name: str) -> Place:
    """Give the place of a reference spring by its id."""
    return Place("reference", name)


def of_spring(name: str, member: str = "") -> Place:
    """Give the place of a spring by its id, or of one member of it."""
    return Place("spring", name, member)


def split_position(name: str) -> tuple[int, Role, int]:
    """Take a position id apart: cylinder, role, index (0 where a cylinder has one valve of the role).

    >>> split_position("3e2")
    (3, 'exhaust', 2)
    """
    match = _POSITION.fullmatch(name)
    if match is None:
        raise MendableError(f"“{name}” is no valve position: write the cylinder, then i or e, as in 3e or 3e2")
    return int(match[1]), "intake" if match[2] == "i" else "exhaust", int(match[3] or 0)


def position_title(name: str) -> str:
    """Give a position in words: `3 exhaust`, `3 exhaust 2`; a name that is none of ours as it stands."""
    if _POSITION.fullmatch(name) is None:
        return f"“{name}”"
    cylinder, role, index = split_position(name)
    return f"{cylinder} {role} {index}" if index else f"{cylinder} {role}"
