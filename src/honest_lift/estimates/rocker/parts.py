"""What the gear of a valve is put together from: its dimensions as facts, the pushrod in whatever way its length is quoted."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace as with_figures
from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.alike import Parts
from honest_lift.estimates.estimate import Input, summed
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.facts.quantities.follower import FINGER
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.mechanics.rocker.finger import FingerGear, pad_for_lash, set_on_pivot
from honest_lift.mechanics.rocker.pushrod_length import beyond_middles, slopes
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_shaft, set_on_stud
from honest_lift.mechanics.rocker.tip_end import OnTheTip
from honest_lift.numbers.doubt import Array, Ground

PARTS = (*GEOMETRY, "lobe_lift", "lash")  # of pushrod gear
FINGER_PARTS = (*FINGER, "lobe_lift", "lash")
QUOTED = ("pushrod_overall", "pushrod_gauge", "pushrod_ball", "gauge_hole")  # other ways a pushrod's length is told
RESTS_ON = frozenset((*PARTS, *FINGER_PARTS, *QUOTED))
_DIMENSIONS = RESTS_ON - {"lash"}
Part = Callable[[str], Input]
_PARALLEL = "the stud lean is not stated, so it is taken as parallel to the stem"


class Kind(Struct, frozen=True):
    """A kind of gear: the parts it is put together from, in order, and the one that is moved to put its geometry right.

    `idle`: parts it finds itself. `make`: the gear from its parts by name (arrays of one shape), `off_mm` added to its own part.
    """

    names: tuple[str, ...]
    own: str
    idle: frozenset[str]
    make: Callable[[float | Array, Parts], OnTheTip]


def kind_of(engine: Engine) -> Kind | None:
    """Give the kind of gear an engine has; None for a bucket, which has no arms."""
    on_shaft = engine.rocker_mount == "shaft"
    return {"pushrod": _SHAFT if on_shaft else _STUD, "finger follower": _FIXED if on_shaft else _SCREWED}.get(
        engine.gear
    )


def _stud(off_mm: float | Array, parts: Parts) -> PushrodGear:
    gear = _pushrod_gear(parts)
    own = with_figures(gear, pivot_up=gear.pivot_up * 0.0, pushrod=gear.pushrod + off_mm)
    return set_on_stud(own, parts["lash"])


def _shaft(off_mm: float | Array, parts: Parts) -> PushrodGear:
    gear = _pushrod_gear(parts)
    return set_on_shaft(with_figures(gear, pivot_up=gear.pivot_up + off_mm), parts["lash"])


def _pushrod_gear(parts: Parts) -> PushrodGear:
    return PushrodGear(
        pivot_out=parts["pivot_out"], pivot_up=parts["pivot_up"], valve_arm=parts["valve_arm"],
        pushrod_arm=parts["pushrod_arm"], arm_angle_deg=parts["arm_angle"], tip_radius=parts["tip_radius"],
        lifter_x=-parts["lifter_across"], lifter_y=-parts["lifter_below"], lifter_axis_deg=90.0 - parts["lifter_lean"],
        pushrod=parts["pushrod_length"], stud_lean_deg=parts["stud_lean"],
    )  # fmt: skip


def _screwed(off_mm: float | Array, parts: Parts) -> FingerGear:
    return set_on_pivot(_finger(parts).raised(off_mm), parts["lash"])


def _fixed(off_mm: float | Array, parts: Parts) -> FingerGear:
    gear = _finger(parts)
    gear = with_figures(gear, pivot_up=gear.pivot_up + off_mm)
    return gear.raised(pad_for_lash(gear, parts["lash"]))  # the pad on the tip sets the lash


def _finger(parts: Parts) -> FingerGear:
    return FingerGear(
        pivot_out=parts["pivot_out"], pivot_up=parts["pivot_up"], valve_arm=parts["valve_arm"],
        tip_radius=parts["tip_radius"], finger_arm=parts["finger_arm"], finger_angle_deg=parts["finger_angle"],
        follower_radius=parts["follower_radius"], cam_x=-parts["cam_across"], cam_y=parts["cam_above"],
        base_radius=parts["base_circle"] / 2.0,
    )  # fmt: skip


_STUD = Kind(PARTS, "pushrod_length", frozenset({"pivot_up"}), _stud)
_SHAFT = Kind(PARTS, "pivot_up", frozenset({"pushrod_length", "stud_lean"}), _shaft)
_SCREWED = Kind(FINGER_PARTS, "lash_pad", frozenset({"pivot_up"}), _screwed)
_FIXED = Kind(FINGER_PARTS, "pivot_up", frozenset({"lash_pad"}), _fixed)


class Told(Struct, frozen=True):
    """The parts of a valve's gear by name, in the order of its kind, and the names of those that are lacking."""

    kind: Kind
    parts: dict[str, Input]
    lacking: tuple[str, ...]

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give the parts in their order."""
        return tuple(self.parts.values())

    @property
    def values(self) -> dict[str, Array]:
        """Give the values alone, by name."""
        return {name: np.array(one.value) for name, one in self.parts.items()}

    @property
    def own(self) -> float:
        """Give the part that is moved to put the geometry right."""
        return self.parts[self.kind.own].value


def told_of(book: Book, role: str, position: str = "") -> Told:
    """Give what the gear of a valve, or of a role's valves, is put together from. What is not needed is exact and bars nothing."""
    kind = kind_of(book.engine)
    assert kind is not None
    place = at_position(position) if position else at_role(role)
    return _told(book, kind, place, lambda name: part_at(book, name, role, position))


def told_everywhere(book: Book) -> list[Told]:
    """Give it at every valve, in head order."""
    kind = kind_of(book.engine)
    assert kind is not None
    each = _each_part(narrowed(book, _DIMENSIONS, slots_of(_DIMENSIONS)))
    positions = book.engine.layout.positions
    return [
        _told(book, kind, at_position(one.id), lambda name, case=case: each[name][case])  # type: ignore[misc]
        for case, one in enumerate(positions)
    ]


@by_value
def _each_part(book: Book) -> dict[str, tuple[Input, ...]]:
    """Give every part but the lash at every valve; remembered while none of them changes: lash is what is read most."""
    kind = kind_of(book.engine)
    return {name: at_each_valve(book, name) for name in (*(kind.names if kind else ()), *QUOTED) if name != "lash"}


def _told(book: Book, kind: Kind, place: Place, part: Part) -> Told:
    found = []
    for name in kind.names:
        if name in kind.idle:
            found.append(_exact(name, place))
        elif name == "lash":
            found.append(_lash(book, place))
        else:
            found.append(_part(book, name, place, part))
    return Told(
        kind, dict(zip(kind.names, found, strict=True)), tuple(one.quantity for one in found if not isfinite(one.value))
    )


def _part(book: Book, name: str, place: Place, part: Part) -> Input:
    """Give a part as it is told, or as it follows from another way of telling it."""
    if name == "pushrod_length":
        return _pushrod(part)
    told = part(name)
    if isfinite(told.value) or told.ground & Ground.SET_ASIDE:
        return told
    if name == "lash_pad":
        return _exact(name, place)  # how thick it is does not matter, only what it is changed by
    if name == "stud_lean":
        unstated = Ground.ASSUMED | Ground.UNRANGED
        return Input(name, place.title, "assumed", 0.0, ground=unstated, note=_PARALLEL, asked=place)
    if name == "base_circle":
        return base_by_card(book, told, place)
    return told


def _exact(name: str, place: Place) -> Input:
    return Input(name, place.title, "not applicable", 0.0, asked=place)


def base_by_card(book: Book, told: Input, place: Place) -> Input:
    """Give the base circle of the cam card where nobody told a nearer one, else what is told."""
    if isfinite(told.value) or told.ground & Ground.SET_ASIDE:
        return told
    lobe = next((one for one in book.engine.lobes if one.id == place.role), None)
    if lobe is None or lobe.base_circle_mm is None:
        return told
    ground = Ground.SPECIFIED | Ground.UNTOLERATED  # a card's base circle comes without a tolerance
    return Input(
        "base_circle", place.title, "specified", lobe.base_circle_mm, ground=ground, note="the cam card", asked=place
    )


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
        note = f"its {quoted.title} is known, and {' and '.join(lacking)} is not"
        return replace(
            _as_pushrod(quoted),
            kind="missing",
            value=float("nan"),
            ground=Ground.MISSING,
            note=note,
            shared=(),
            each=(),
        )
    value = quoted.value - beyond_middles(ball.value, hole_mm)
    by_ball, by_hole = slopes(ball.value, hole_mm)
    ground = quoted.ground
    for one in ends:
        ground |= one.ground | (Ground.UNRANGED if one.ground & Ground.ASSUMED else Ground.NONE)
    off = value - quoted.value
    parts = [(1.0, quoted), *zip((-by_ball, -by_hole), ends, strict=False)]
    return replace(
        summed(_as_pushrod(quoted), value, parts), ground=ground, low=quoted.low + off, high=quoted.high + off,
        note="; ".join(part for part in (f"from its {quoted.title}", quoted.note) if part),
    )  # fmt: skip


def _as_pushrod(quoted: Input) -> Input:
    return replace(quoted, quantity="pushrod_length", way="", points=())


def how_to(quantity: str) -> str:
    """Say how a dimension is measured: `pivot to the stem: square to the stem, from its axis to the middle of the shaft`."""
    row = CATALOG[quantity]
    told = next((way.howto for way in row.ways if way.howto), row.meaning)
    return f"{row.title}: {told[:1].lower()}{told[1:]}"
