"""Named changes: what is cut, sunk, shimmed, moved or fitted, by how much, and the slot of the engine it happens in.

A change of a known amount, written on the fitment it makes, shifts what was read before it (estimates/predicted); one of an
unknown amount only makes it stale.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.fitments import SCOPES, WHOLE, Slot
from honest_lift.facts.layout import Layout

How = Literal["by", "to", "part"]  # the amount is added, is the new figure, or it is a part that is named


class ChangeKind(Struct, frozen=True):
    """A kind of change: its title, the slot it happens in, what the amount is and its range inside, and how it is told.

    `reach`: how far a slider goes either way, inside; where the amount is the new figure, about the present one.
    """

    key: str
    title: str
    slot: Slot
    dimension: str
    inside: tuple[float, float]
    reach: float
    how: How = "by"


_IN = 25.4
KINDS: dict[str, ChangeKind] = {
    one.key: one
    for one in (
        ChangeKind("head_cut", "head cut", "head face", "length", (0.0, 12.0), 0.060 * _IN),
        ChangeKind("block_cut", "block cut", "block face", "length", (0.0, 12.0), 0.040 * _IN),
        ChangeKind("gasket", "gasket thicker; thinner is minus", "gasket", "length", (-10.0, 10.0), 0.040 * _IN),
        ChangeKind("crown_cut", "flat of the crown cut", "piston", "length", (0.0, 10.0), 0.060 * _IN),
        ChangeKind("piston_higher", "piston higher: its pin lower, or a longer rod", "piston", "length", (-20.0, 20.0),
                   0.040 * _IN),
        ChangeKind("dish", "dish larger; a dome is minus", "piston", "volume", (-100.0, 100.0), 10.0),
        ChangeKind("seat_sunk", "seat sunk", "seat", "length", (-3.0, 6.0), 0.040 * _IN),
        ChangeKind("valve_longer", "longer valve, tip and groove", "valve", "length", (-15.0, 15.0), 0.100 * _IN),
        ChangeKind("valve_mass", "valve heavier; lighter is minus", "valve", "mass", (-0.5, 0.5), 0.030),
        ChangeKind("retainer_mass", "retainer and locks heavier; lighter is minus", "retainer", "mass", (-0.2, 0.2), 0.015),
        ChangeKind("lash_cap", "lash cap, or thicker pad or shim", "lash shim", "length", (-10.0, 10.0), 0.080 * _IN),
        ChangeKind("lock_offset", "locks or retainer higher", "locks", "length", (-5.0, 5.0), 0.100 * _IN),
        ChangeKind("retainer_under", "retainer's underside lower under its step", "retainer", "length", (-20.0, 20.0),
                   0.100 * _IN),
        ChangeKind("pocket_cut", "spring pocket cut deeper", "pocket", "length", (0.0, 10.0), 0.060 * _IN),
        ChangeKind("guide_cut", "guide shortened, or a lower seal", "seal", "length", (-10.0, 10.0), 0.080 * _IN),
        ChangeKind("shims", "shims thicker", "shims", "length", (-10.0, 10.0), 0.060 * _IN),
        ChangeKind("springs", "springs of another set", "spring", "", (0.0, 0.0), 0.0, "part"),
        ChangeKind("lobe_lift", "another lobe lift", "cam", "length", (1.0, 25.0), 0.040 * _IN, "to"),
        ChangeKind("cam", "another cam card", "cam", "", (0.0, 0.0), 0.0, "part"),
        ChangeKind("advance", "cam advanced, crank degrees", "cam", "angle", (-40.0, 40.0), 8.0),
        ChangeKind("base_circle", "base circle smaller, radius", "cam", "length", (-12.0, 12.0), 0.060 * _IN),
        ChangeKind("tower", "cam tower raised", "cam tower", "length", (-10.0, 10.0), 0.060 * _IN),
        ChangeKind("ratio", "another rocker ratio", "rocker", "ratio", (0.8, 2.6), 0.2, "to"),
        ChangeKind("lash", "another lash", "adjuster", "length", (0.0, 3.0), 0.012 * _IN, "to"),
        ChangeKind("pushrod", "pushrod longer", "rocker", "length", (-40.0, 40.0), 0.150 * _IN),
        ChangeKind("stand", "rocker stand raised", "rocker", "length", (-20.0, 20.0), 0.100 * _IN),
    )
}  # fmt: skip


MASSES = ("valve_mass", "retainer_mass")
_TIMED = frozenset({"lobe_centreline", "piston_valve_clay", "piston_valve_room", "valve_to_valve"})
_OF_GEAR = frozenset({
    "rocker_ratio", "rocker_at_valve", "pivot_out", "valve_arm", "pushrod_arm", "arm_angle", "tip_radius", "lifter_across",
    "lifter_below", "lifter_lean", "stud_lean", "valve_lean", "nut_pitch", "plunger_travel", "under_rocker", "retainer_below",
})  # fmt: skip
_UNTOUCHED: dict[str, frozenset[str]] = {
    "base_circle": frozenset({"lobe_lift", "lobe_centreline", *_TIMED}), "lobe_lift": frozenset({"lobe_centreline"}),
    "retainer_under": frozenset({"installed_height", "lock_out"}),
    "dish": frozenset({"deck_clearance", "squish", "top_land", "land_clearance", "pocket_volume", "pocket_depth", "pocket_radius",
                       "pocket_offset", "pocket_lean"}),
    "piston_higher": frozenset({"piston_volume", "pocket_volume", "top_land", "land_clearance", "pocket_depth", "pocket_radius",
                                "pocket_offset", "pocket_lean"}),
    "crown_cut": frozenset({"land_clearance", "pocket_radius", "pocket_offset", "pocket_lean"}),
    "head_cut": frozenset({"squish", "head_register"}), "block_cut": frozenset({"bore"}), "gasket": frozenset({"gasket_bore"}),
    "pushrod": _OF_GEAR | {"pivot_up"}, "stand": _OF_GEAR | {"pushrod_length", "pushrod_overall", "pushrod_gauge"},
}  # fmt: skip


def is_untouched(quantity: str, change: str) -> bool:
    """Tell whether a change leaves what was read of a quantity as it was, by its nature and whatever its amount."""
    if change in MASSES:  # another part that differs in its mass alone
        return quantity != change
    if change == "advance":  # the cam turned in its drive: nothing else of it
        return quantity not in _TIMED
    return quantity in _UNTOUCHED.get(change, ())


class Change(Struct, frozen=True, forbid_unknown_fields=True):
    """A change to be tried: its kind, where ("" for everywhere), its amount inside, or the part by its id or its card's text."""

    id: str
    kind: str
    where: str = ""
    amount: float = 0.0
    part: str = ""


def places_of(layout: Layout, kind: ChangeKind) -> tuple[str, ...]:
    """Give where a kind of change may be tried, "" for everywhere first: heads, cylinders, or roles and valves."""
    scope = SCOPES.get(kind.slot, "position")
    if scope == "engine":
        return ("",)
    if scope == "head":
        return ("", *(head.name for head in layout.heads))
    if scope == "cylinder":
        return ("", *map(str, layout.cylinders))
    return ("", "intake", "exhaust", *(one.id for one in layout.positions))


def holders_of(layout: Layout, kind: ChangeKind, where: str) -> tuple[str, ...]:
    """Give where parts of a change's slot sit, of those it is meant for; none where the layout knows no such place."""
    scope = SCOPES.get(kind.slot, "position")
    if scope == "engine":
        return (WHOLE,)
    if scope == "head":
        return tuple(head.name for head in layout.heads if where in ("", head.name))
    if scope == "cylinder":
        return tuple(str(one) for one in layout.cylinders if where in ("", str(one)))
    return tuple(one.id for one in layout.positions if where in ("", one.role, one.id))
