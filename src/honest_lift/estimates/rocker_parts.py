"""What the gear of a valve is put together from: its dimensions as facts, the pushrod in whatever way its length is quoted."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from math import hypot, isfinite

import numpy as np
from msgspec import Struct

from honest_lift.estimates.estimate import Input
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.mechanics.gear.pushrod_length import beyond_middles, slopes
from honest_lift.mechanics.gear.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud
from honest_lift.numbers.doubt import Array, Ground

PARTS = (*GEOMETRY, "lobe_lift", "lash")
QUOTED = ("pushrod_overall", "pushrod_gauge", "pushrod_ball", "gauge_hole")  # other ways a pushrod's length is told
RESTS_ON = frozenset((*PARTS, *QUOTED))
Part = Callable[[str], Input]
_PARALLEL = "nobody has stated how the stud leans: it is taken as parallel to the stem"


class Told(Struct, frozen=True):
    """The parts of a valve's gear in the order of PARTS, and those that are lacking, by name."""

    inputs: tuple[Input, ...]
    lacking: tuple[str, ...]

    @property
    def ground(self) -> Ground:
        """Give what all of it rests on."""
        return Ground(int(np.bitwise_or.reduce([int(one.ground) for one in self.inputs])))


def own_part(on_shaft: bool) -> str:
    """Name the part that is moved to put the geometry right: the pushrod of stud gear, the stand of a shaft."""
    return "pivot_up" if on_shaft else "pushrod_length"


def told_of(book: Book, role: str, position: str = "") -> Told:
    """Give what the gear of a valve, or of a role's valves, is put together from. What is not needed is exact and bars nothing."""
    place = at_position(position) if position else at_role(role)
    return _told(book, place, lambda name: part_at(book, name, role, position))


def told_everywhere(book: Book) -> list[Told]:
    """Give it at every valve, in head order."""
    each = {name: at_each_valve(book, name) for name in (*PARTS, *QUOTED) if name != "lash"}
    positions = book.engine.layout.positions
    return [
        _told(book, at_position(one.id), lambda name, case=case: each[name][case])  # type: ignore[misc]
        for case, one in enumerate(positions)
    ]


def _told(book: Book, place: Place, part: Part) -> Told:
    on_shaft = book.engine.rocker_mount == "shaft"
    found = []
    for name in PARTS:
        if name == own_part(not on_shaft) or (name == "stud_lean" and on_shaft):
            found.append(Input(name, place.title, "not applicable", 0.0, asked=place))
        elif name == "lash":
            found.append(_lash(book, place))
        else:
            found.append(_pushrod(part) if name == "pushrod_length" else part(name))
    lean = PARTS.index("stud_lean")
    if not isfinite(found[lean].value):
        unstated = Ground.ASSUMED | Ground.UNRANGED
        found[lean] = Input("stud_lean", place.title, "assumed", 0.0, ground=unstated, note=_PARALLEL, asked=place)
    return Told(tuple(found), tuple(one.quantity for one in found if not isfinite(one.value)))


def part_at(book: Book, quantity: str, role: str, position: str) -> Input:
    """Give what stands for a dimension at a valve, or at a role's valves where none is named."""
    return at_valve(book, quantity, position) if position else resolve(book, quantity, at_role(role))


def _lash(book: Book, place: Place) -> Input:
    if book.engine.lifter.startswith("hydraulic"):
        return Input("lash", place.title, "not applicable", 0.0, note="a hydraulic lifter has none", asked=place)
    return resolve(book, "lash", place)


def _pushrod(part: Part) -> Input:
    """Give the pushrod between the middles of its balls: as told so, else from its overall or its gauge length."""
    told = part("pushrod_length")
    if isfinite(told.value) or told.ground & Ground.SET_ASIDE:
        return told
    for name in ("pushrod_overall", "pushrod_gauge"):
        quoted = part(name)
        if isfinite(quoted.value):
            return _between_middles(part, quoted)
    return told


def _between_middles(part: Part, quoted: Input) -> Input:
    ball = part("pushrod_ball")
    hole = part("gauge_hole") if quoted.quantity == "pushrod_gauge" else None
    ends = [ball, *([hole] if hole else [])]
    lacking = [one.title for one in ends if not isfinite(one.value)]
    hole_mm = hole.value if hole else 0.0
    if not lacking and not hole_mm < ball.value:
        lacking = ["a hole smaller than the ball"]
    if lacking:
        note = f"its {quoted.title} is told, and {' and '.join(lacking)} is not"
        return replace(
            _as_pushrod(quoted), kind="missing", value=float("nan"), ground=Ground.MISSING, note=note, shared=()
        )
    value = quoted.value - beyond_middles(ball.value, hole_mm)
    by_ball, by_hole = slopes(ball.value, hole_mm)
    own, shared, ground = quoted.own_u, quoted.shared, quoted.ground
    for one, slope in zip(ends, (-by_ball, -by_hole), strict=False):
        own = hypot(own, slope * one.own_u)
        shared += tuple((key, label, slope * u) for key, label, u in one.shared)
        ground |= one.ground | (Ground.UNRANGED if one.ground & Ground.ASSUMED else Ground.NONE)
    off = value - quoted.value
    return replace(
        _as_pushrod(quoted), value=value, own_u=own, shared=shared, ground=ground, low=quoted.low + off, high=quoted.high + off,
        note="; ".join(part for part in (f"from its {quoted.title}", quoted.note) if part),
    )  # fmt: skip


def _as_pushrod(quoted: Input) -> Input:
    return replace(quoted, quantity="pushrod_length", way="", points=())


def set_gear(on_shaft: bool, own: float | Array, *parts: Array) -> PushrodGear:
    """Put a gear together from parts in the order of PARTS (floats or arrays of one shape), `own` in place of its own part."""
    out, up, valve, cup, angle, radius, across, below, lean, pushrod, stud, _, lash = parts
    gear = PushrodGear(out, up, valve, cup, angle, radius, -across, -below, 90.0 - lean, pushrod, stud)
    if on_shaft:
        return set_on_shaft(replace(gear, pivot_up=up * 0.0 + own), lash)
    return set_on_stud(replace(gear, pivot_up=up * 0.0, pushrod=pushrod * 0.0 + own), lash)


def how_to(quantity: str) -> str:
    """Say how a dimension is measured: `pivot to the stem: square to the stem, from its axis to the middle of the shaft`."""
    row = CATALOG[quantity]
    told = next((way.howto for way in row.ways if way.howto), row.meaning)
    return f"{row.title}: {told[:1].lower()}{told[1:]}"
