"""What sits where: a fitment puts a part in a slot at a position, and every fit, cut or mill makes a new one.

Whether a reading is stale is told by comparing the fitment ids it was taken with against those of now; it is
never stored.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.layout import Layout, Position
from honest_lift.facts.memory.remember import by_identity_of_many
from honest_lift.facts.place import Place

Slot = Literal[
    "spring", "shims", "inner shims", "locator", "retainer", "locks", "valve", "seat", "guide", "pocket", "seal", "rocker",
    "head face", "gasket", "cam",
    "lash shim", "cam tower", "block face", "piston", "adjuster",
]  # fmt: skip
Scope = Literal["position", "cylinder", "head", "engine"]
SCOPES: dict[Slot, Scope] = {
    "head face": "head",
    "gasket": "head",
    "cam tower": "head",
    "block face": "head",
    "piston": "cylinder",
    "cam": "engine",
}  # every other: its valve's own
STACKS: dict[str, Slot] = {
    "shims": "shims",
    "inner_shims": "inner shims",
    "lash_shim": "lash shim",
}  # quantities that are stacks, and their slots
RESTACKED = "restacked"  # the change that another stack of shims is
WHOLE = "engine"  # where a part of the whole engine sits
CHANGEABLE: dict[Slot, str] = {
    "valve": "another valve, or its tip cut",
    "seat": "valve seat cut",
    "guide": "another guide, or its bore cut",
    "pocket": "spring pocket cut",
    "seal": "another seal, or the guide cut",
    "locator": "another locator or cup",
    "retainer": "another retainer",
    "locks": "other locks",
    "rocker": "another rocker or pushrod, or its stand moved",
    "head face": "this head milled",
    "gasket": "another gasket under this head",
    "cam": "another camshaft, or its timing moved",
    "lash shim": "another lash pad or bucket shim",
    "cam tower": "cam tower shimmed or cut under this head",
    "block face": "the block cut under this head, or barrels moved",
    "piston": "another piston or rod, or this one cut",
    "adjuster": "lash reset",
}


class Fitment(Struct, frozen=True, forbid_unknown_fields=True):
    """A part in a slot. `position`: the valve, the cylinder, the head's name, or "engine", as the slot's scope says.

    `part`: a spring's id. `thicknesses_mm`: a stack, from the pad up. `change`: what was done, one of facts/changes, and
    `amount` by how much, in the inside unit: what is known of a change shifts what was read before it.
    """

    id: str
    slot: Slot
    position: str
    part: str = ""
    thicknesses_mm: tuple[float, ...] | None = None
    note: str = ""
    when: str = ""
    by: str = ""
    change: str = ""
    amount: float | None = None

    @property
    def height_mm(self) -> float | None:
        """Give the height of the stack; None when nobody stated one."""
        return None if self.thicknesses_mm is None else sum(self.thicknesses_mm)


def holders(layout: Layout, slot: Slot, place: Place) -> dict[str, str]:
    """Give what a reading at a place depends on for a slot: {key in the reading: where the part sits}.

    A reading of a cylinder rests on the parts of every valve of it, under keys such as `valve@3i`.
    """
    scope = SCOPES.get(slot)
    if scope is None and place.kind == "position":
        return {slot: place.name}
    if scope == "engine":
        return {slot: WHOLE}
    positions = valves_at(layout, place)
    if scope == "cylinder":
        own = place.name if place.kind == "cylinder" else layout.cylinder_of(positions[0]) if positions else ""
        return {slot: own} if own else {}
    if scope == "head":
        head = place.name if place.kind == "head" else layout.head_of(positions[0]) if positions else ""
        return {slot: head} if head else {}
    return {f"{slot}@{one}": one for one in positions}


def valves_at(layout: Layout, place: Place) -> tuple[str, ...]:
    """Give the valves a place is of: one of a position, all of a cylinder, none of anything else."""
    if place.kind == "cylinder":
        return layout.of_cylinder(place.name)
    return (place.name,) if place.kind == "position" else ()


def holders_within(layout: Layout, slot: Slot, place: Place) -> tuple[str, ...]:
    """Give where parts of a slot sit within a place: all of the engine's, those of a role, a head, a cylinder, one valve's."""
    scope = SCOPES.get(slot, "position")
    if scope == "engine":
        return (WHOLE,)
    if place.kind == "cylinder" and scope == "cylinder":
        return (place.name,)
    names = [one.id for one in layout.positions if _is_within(layout, one, place)]
    if scope == "position":
        return tuple(names)
    sits = layout.head_of if scope == "head" else layout.cylinder_of
    return tuple(dict.fromkeys(holder for name in names if (holder := sits(name))))


def _is_within(layout: Layout, one: Position, place: Place) -> bool:
    if place.kind == "head":
        return layout.head_of(one.id) == place.name
    own = {"engine": "", "role": one.role, "position": one.id, "cylinder": str(one.cylinder)}
    return own.get(place.kind) == place.name


@by_identity_of_many
def in_place(fitments: tuple[Fitment, ...]) -> dict[tuple[str, str], Fitment]:
    """Give what sits in each (slot, position) now: the latest fitment there."""
    return {(one.slot, one.position): one for one in fitments}


@by_identity_of_many
def springs_in_place(fitments: tuple[Fitment, ...]) -> dict[str, list[str]]:
    """Give the positions each spring sits at now, by its id: one, unless something is wrong."""
    places: dict[str, list[str]] = {}
    for (slot, position), one in in_place(fitments).items():
        if slot == "spring" and one.part:
            places.setdefault(one.part, []).append(position)
    return places


CONSULTED = frozenset({  # what tells by how much a known change moves others
    "valve_lean", "pocket_lean", "chamber_area", "head_diameter", "gasket_thickness", "lash", "rocker_ratio", "lifter_lean",
    "lifter_across", "lifter_below", "pivot_out", "pushrod_arm",
})  # fmt: skip


@by_identity_of_many
def changed_slots(fitments: tuple[Fitment, ...]) -> frozenset[Slot]:
    """Give the slots in which anything was changed by a known amount."""
    return frozenset(one.slot for one in fitments if one.amount is not None)


def since(fitments: tuple[Fitment, ...], slot: Slot, position: str, fitted: str) -> tuple[Fitment, ...]:
    """Give what was fitted in a slot after one of its fitments, in order; after "" all of it, after one that is gone too."""
    own = _by_slot(fitments).get((slot, position), ())
    at = next((i for i, one in enumerate(own) if one.id == fitted), -1)
    return own[at + 1 :]


@by_identity_of_many
def _by_slot(fitments: tuple[Fitment, ...]) -> dict[tuple[Slot, str], tuple[Fitment, ...]]:
    found: dict[tuple[Slot, str], list[Fitment]] = {}
    for one in fitments:
        found.setdefault((one.slot, one.position), []).append(one)
    return {key: tuple(own) for key, own in found.items()}
