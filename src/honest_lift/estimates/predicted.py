"""What a known change does to what was read before it: the figure it would be read at now. Predicted, it proves nothing.

Along the cylinder a cut of t takes t; along a stem that leans, g t. Where a change's effect on a quantity is not known, there is no
figure to give and the reading is stale. Source: geometry; common practice (lash is set again to what it was).
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import atan2, cos, isfinite, pi, radians, sin

import numpy as np

from honest_lift.estimates.cylinder.cut_pours import cc_per_mm_by_pours
from honest_lift.estimates.estimate import Input
from honest_lift.facts.engine import Book
from honest_lift.facts.fitments import RESTACKED, Fitment
from honest_lift.facts.place import Place, at_position
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.mechanics.clearance.piston_valve import along_stem

Told = Callable[[str, Place], float]  # what stands for a quantity at a place, NaN for nothing
Shift = Callable[[Told, Place, float, Fitment], float]  # the figure after a change; NaN where it can't be told

_DOWN_THE_CYLINDER = {"head_cut": -1.0, "block_cut": -1.0, "gasket": 1.0, "piston_higher": -1.0, "crown_cut": 1.0}
_LASH_AFTER = ("seat_sunk", "valve_longer", "lash_cap", "head_cut", "gasket", "block_cut", "pushrod", "stand", "ratio", "lobe_lift",
               "base_circle", "tower")  # fmt: skip


def telling(book: Book, resolved: Callable[[Book, str, Place], Input]) -> Told:
    """Give what tells a shift what it asks for: facts and readings, and for a chamber's area what a cut was found to take."""

    def told(quantity: str, place: Place) -> float:
        if quantity == "chamber_area" and place.kind == "cylinder":
            by_pours = 1000.0 * cc_per_mm_by_pours(book, place.name)
            if isfinite(by_pours):
                return by_pours
        return resolved(book, quantity, place).value

    return told


def predicted(told: Told, quantity: str, place: Place, value: float, done: Sequence[Fitment]) -> float | None:
    """Give what a figure becomes by changes in their order; None where one of them is not known, or what it does is not."""
    for one in done:
        shift = _SHIFTS.get((quantity, one.change)) if one.amount is not None else None
        if shift is None:
            return None
        value = shift(told, place, value, one)
    return value if isfinite(value) else None


def _amount(one: Fitment) -> float:
    assert one.amount is not None
    return one.amount


def _plus(sign: float) -> Shift:
    return lambda told, place, value, one: value + sign * _amount(one)


def _as_it_was(told: Told, place: Place, value: float, one: Fitment) -> float:
    return value


def _along_stem(sign: float) -> Shift:
    """Give the shift of a room along the stem by what comes down, or goes up, along the cylinder."""

    def shifted(told: Told, place: Place, value: float, one: Fitment) -> float:
        lean, floor = told("valve_lean", place), told("pocket_lean", place)
        if not isfinite(lean):
            return float("nan")
        floor = floor if isfinite(floor) else lean / 2.0
        return value + sign * _amount(one) * float(along_stem(np.array(lean), np.array(floor)))

    return shifted


def _less_area(told: Told, place: Place, value: float, one: Fitment) -> float:
    return value - told("chamber_area", place) * _amount(one) / 1000.0


def _sunk_valve(told: Told, place: Place, value: float, one: Fitment) -> float:
    return value + pi / 4.0 * told("head_diameter", at_position(one.position)) ** 2 * _amount(one) / 1000.0


def _under_flat(told: Told, place: Place, value: float, one: Fitment) -> float:
    """A dish keeps less of itself where its flat is cut away: by how much nobody has stated."""
    return value if value <= 0.0 else float("nan")


def _thicker(told: Told, place: Place, value: float, one: Fitment) -> float:
    """The gasket's thickness is the new one already: its opening's volume grows with it."""
    now = told("gasket_thickness", place)
    return value * now / (now - _amount(one)) if now > _amount(one) else float("nan")


def _other_lift(told: Told, place: Place, value: float, one: Fitment) -> float:
    lash = told("lash", place)
    lash = lash if isfinite(lash) else 0.0
    if one.part not in ("", place.role):
        return value
    return (value + lash) * _amount(one) - lash


def _times(told: Told, place: Place, value: float, one: Fitment) -> float:
    return value * _amount(one) if one.part in ("", place.role) else value


def _over(told: Told, place: Place, value: float, one: Fitment) -> float:
    return value / _amount(one) if _amount(one) else float("nan")


def _timed(told: Told, place: Place, value: float, one: Fitment) -> float:
    """An intake's centreline comes earlier by the advance, an exhaust's stands further before TDC."""
    return value - _amount(one) if place.role == "intake" else value + _amount(one)


def _lifter(axis: str, sign: float) -> Shift:
    """Give how the lifter's cup comes up toward the tip: along the cylinder, seen along the stem or across it."""

    def shifted(told: Told, place: Place, value: float, one: Fitment) -> float:
        lean = radians(told("valve_lean", place))
        return value - sign * _amount(one) * (cos(lean) if axis == "below" else sin(lean))

    return shifted


def _base(axis: str) -> Shift:
    """Give how the lifter's cup goes down its bore with a smaller base circle."""

    def shifted(told: Told, place: Place, value: float, one: Fitment) -> float:
        lean = radians(told("lifter_lean", place))
        return value + _amount(one) * (cos(lean) if axis == "below" else sin(lean))

    return shifted


def _preload(sign: float, *, at_the_tip: bool = False) -> Shift:
    """Give how far a change presses the plunger: along the pushrod, or over the rocker's ratio where the tip rises."""

    def shifted(told: Told, place: Place, value: float, one: Fitment) -> float:
        if at_the_tip:
            return value + sign * _amount(one) / told("rocker_ratio", place)
        return value + sign * _amount(one) * cos(_pushrod_to_cylinder(told, place))

    return shifted


def _pushrod_to_cylinder(told: Told, place: Place) -> float:
    """Give the pushrod's angle to the cylinder, radians, from where its ends about stand."""
    across, below, out, arm = (
        told(name, place) for name in ("lifter_across", "lifter_below", "pivot_out", "pushrod_arm")
    )
    return atan2(across - out - arm, below) - radians(told("valve_lean", place))


_ROOMS = ("valve_drop", "piston_valve_clay", "piston_valve_room")
_SHIFTS: dict[tuple[str, str], Shift] = {
    ("chamber_volume", "head_cut"): _less_area, ("chamber_volume", "seat_sunk"): _sunk_valve,
    ("chamber_area", "head_cut"): _as_it_was,
    ("deck_clearance", "block_cut"): _plus(-1), ("deck_clearance", "piston_higher"): _plus(-1),
    ("deck_clearance", "crown_cut"): _plus(1),
    ("piston_volume", "dish"): _plus(1), ("piston_volume", "crown_cut"): _under_flat,
    ("top_land", "crown_cut"): _plus(-1), ("gasket_thickness", "gasket"): _plus(1), ("gasket_volume", "gasket"): _thicker,
    ("squish", "gasket"): _plus(1), ("squish", "block_cut"): _plus(-1), ("squish", "piston_higher"): _plus(-1),
    ("squish", "crown_cut"): _plus(1),
    **{(room, key): _along_stem(sign) for room in _ROOMS for key, sign in _DOWN_THE_CYLINDER.items()},
    **{(room, "seat_sunk"): _plus(1) for room in _ROOMS},
    **{(room, "dish"): _as_it_was for room in _ROOMS},
    **{(room, "valve_longer"): _as_it_was for room in _ROOMS},
    ("valve_recess", "head_cut"): _plus(-1), ("valve_recess", "seat_sunk"): _plus(1), ("valve_recess", "valve_longer"): _as_it_was,
    ("pocket_depth", "crown_cut"): _plus(-1),
    ("stem_tip_height", "seat_sunk"): _plus(1), ("stem_tip_height", "valve_longer"): _plus(1),
    ("stem_tip_height", "pocket_cut"): _plus(1), ("stem_tip_height", "lash_cap"): _plus(1),
    ("spring_seat_height", "pocket_cut"): _plus(-1),
    ("installed_height", RESTACKED): _plus(-1), ("lash", RESTACKED): _plus(-1),
    **{("installed_height", key): _plus(1) for key in ("seat_sunk", "valve_longer", "lock_offset", "pocket_cut")},
    **{("seal_gap", key): _plus(1) for key in ("seat_sunk", "valve_longer", "lock_offset", "guide_cut")},
    ("seal_gap", "retainer_under"): _plus(-1),
    ("tip_to_step", "lock_offset"): _plus(-1), ("tip_to_step", "valve_longer"): _as_it_was,
    ("head_diameter", "valve_longer"): _as_it_was, ("valve_margin", "valve_longer"): _as_it_was,
    ("valve_lift", "lash"): _plus(-1), ("piston_valve_clay", "lash"): _plus(1), ("piston_valve_room", "lash"): _plus(1),
    ("valve_lift", "ratio"): _other_lift, ("valve_lift", "lobe_lift"): _other_lift,
    ("valve_lift", "base_circle"): _as_it_was, ("valve_lift", "pushrod"): _as_it_was, ("valve_lift", "stand"): _as_it_was,
    ("lobe_lift", "lobe_lift"): _times,
    ("lash", "lash"): _plus(1), **{("lash", key): _as_it_was for key in _LASH_AFTER},
    ("lobe_centreline", "advance"): _timed,
    **{(name, key): _as_it_was for name in (*GEOMETRY, "valve_lean", "nut_pitch")
       for key in ("pushrod", "stand", "ratio", "lobe_lift")},
    **{(name, key): _lifter(axis, sign) for name, axis in (("lifter_below", "below"), ("lifter_across", "across"))
       for key, sign in (("head_cut", 1.0), ("block_cut", 1.0), ("gasket", -1.0))},
    ("lifter_below", "base_circle"): _base("below"), ("lifter_across", "base_circle"): _base("across"),
    ("valve_mass", "valve_mass"): _plus(1), ("retainer_mass", "retainer_mass"): _plus(1),
    **{("lifter_below", key): _plus(1) for key in ("seat_sunk", "valve_longer", "lash_cap")},
    **{("pivot_up", key): _plus(-1) for key in ("seat_sunk", "valve_longer", "lash_cap")},
    **{("cam_above", key): _plus(-1) for key in ("seat_sunk", "valve_longer", "lash_cap")},
    ("cam_above", "tower"): _plus(1), ("cam_across", "tower"): _as_it_was,
    **{("base_circle", key): _as_it_was for key in ("advance", "lobe_lift")}, ("base_circle", "base_circle"): _plus(-2),
    ("pivot_up", "stand"): _plus(1), ("pushrod_arm", "ratio"): _over,
    **{(name, "pushrod"): _plus(1) for name in ("pushrod_length", "pushrod_overall", "pushrod_gauge")},
    ("lifter_preload", "head_cut"): _preload(1), ("lifter_preload", "block_cut"): _preload(1),
    ("lifter_preload", "gasket"): _preload(-1), ("lifter_preload", "base_circle"): _preload(-1),
    ("lifter_preload", "pushrod"): _plus(1),
    **{("lifter_preload", key): _preload(1, at_the_tip=True) for key in ("seat_sunk", "valve_longer", "lash_cap")},
    ("retainer_below", "lash_cap"): _plus(1), ("retainer_below", "lock_offset"): _plus(-1),
    ("retainer_below", "valve_longer"): _as_it_was,
}  # fmt: skip
