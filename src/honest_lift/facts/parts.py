"""Springs: the card of a type, the set they came in, the spring in hand, and the members of a nest."""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.place import Role

Condition = Literal["new", "used"]
Form = Literal["", "linear", "progressive", "tapered"]
MemberName = Literal["outer", "inner", "damper"]
PaintSide = Literal["", "up", "down", "up on intakes, down on exhausts", "down on intakes, up on exhausts"]


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
    free_length_mm: float | None = None


class SpringCard(Struct, frozen=True, forbid_unknown_fields=True):
    """What the maker says a type of spring gives. It says what it should give, never what it does.

    `form`: how its rate goes, "" where the maker does not say. `ground`: its end coils are closed and ground.
    `paint`: the mark that tells it from those that look alike, and `paint_goes` which way it goes when fitted.
    `tensile_a`, `tensile_m`: its wire's tensile strength A / d^m in MPa with the wire in mm, where the maker states it; general
    commercial wire counts otherwise. `mass_kg`: of the whole spring. `manual_height_mm`: a length at which an engine's manual
    states the least and the most load, beside what the spring's own card says.
    """

    id: str
    name: str
    members: tuple[Member, ...] = (Member("outer"),)
    seat_height_mm: float | None = None
    seat_load_n: float | None = None
    open_height_mm: float | None = None
    open_load_n: float | None = None
    bind_height_mm: float | None = None
    free_length_mm: float | None = None
    most_lift_mm: float | None = None
    form: Form = ""
    ground: bool = True
    shot_peened: bool = False
    paint: str = ""
    paint_goes: PaintSide = ""
    tensile_a: float | None = None
    tensile_m: float | None = None
    mass_kg: float | None = None
    manual_height_mm: float | None = None  # the length at which a manual states what its load is to be
    manual_least_n: float | None = None
    manual_most_n: float | None = None


class SpringSet(Struct, frozen=True, forbid_unknown_fields=True):
    """Springs that came and ran together, and the heights they are put on the tester at.

    `role`: the valves they are made for, "" for either.
    """

    id: str
    name: str
    card: str
    condition: Condition
    test_heights_mm: tuple[float, ...] = ()
    role: Role | Literal[""] = ""


class Spring(Struct, frozen=True, forbid_unknown_fields=True):
    """A spring in hand, numbered so that it can be moved between positions."""

    id: str
    set: str
    note: str = ""
