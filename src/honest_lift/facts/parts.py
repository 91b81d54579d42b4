"""Springs: the card of a type, the set they came in, the spring in hand, and the members of a nest."""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

Condition = Literal["new", "used"]
MemberName = Literal["outer", "inner", "damper"]


class Member(Struct, frozen=True, forbid_unknown_fields=True):
    """One coil of a nest. `step_mm`: how far its seat on the retainer and cup shortens it against the outer.

    Wire, mean diameter and coils are for the drawing (with none of them the spring is drawn as a plain block) and,
    with the active coils, for what geometry predicts.
    """

    name: MemberName
    step_mm: float | None = 0.0
    step_tolerance_mm: float | None = None
    wire_mm: float | None = None
    mean_diameter_mm: float | None = None
    coils: float | None = None
    active_coils: float | None = None


class SpringCard(Struct, frozen=True, forbid_unknown_fields=True):
    """What the maker says a type of spring gives. It says what it should give, never what it does."""

    id: str
    name: str
    members: tuple[Member, ...] = (Member("outer"),)
    seat_height_mm: float | None = None
    seat_load_n: float | None = None
    open_height_mm: float | None = None
    open_load_n: float | None = None
    bind_height_mm: float | None = None


class SpringSet(Struct, frozen=True, forbid_unknown_fields=True):
    """Springs that came and ran together, and the heights they are put on the tester at."""

    id: str
    name: str
    card: str
    condition: Condition
    test_heights_mm: tuple[float, ...] = ()


class Spring(Struct, frozen=True, forbid_unknown_fields=True):
    """A spring in hand, numbered so that it can be moved between positions."""

    id: str
    set: str
    note: str = ""
