"""What moves at each valve: its masses with their doubt, and how its lobe turns it round over the nose; or what is missing."""

from __future__ import annotations

from collections.abc import Sequence
from math import nan, sqrt
from typing import Any

import numpy as np
from msgspec import Struct
from msgspec.structs import asdict, replace
from numpy.typing import NDArray

from honest_lift.estimates.alike import laid_out, plain
from honest_lift.estimates.cam.card import durations_of, lobe_of
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.motion.bending import RESTS_ON as OF_BENDING
from honest_lift.estimates.motion.bending import bending_of
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.resolve import missing, resolve
from honest_lift.estimates.rocker.parts import RESTS_ON as OF_GEAR
from honest_lift.estimates.train.assembled import EveryTrain, Lifted
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.mechanics.cam.lobe import Lobe
from honest_lift.mechanics.motion.lift_table import crank_raster
from honest_lift.mechanics.train.chain_rule import valve_acceleration, valve_velocity
from honest_lift.mechanics.train.linkage import Linkage
from honest_lift.mechanics.train.masses import spring_share
from honest_lift.numbers.doubt import Array, Ground

_WITH_VALVE, _DRIVEN = ("valve_mass", "retainer_mass"), ("rocker_at_valve", "pushrod_mass", "lifter_mass")
MASSES = (*_WITH_VALVE, "spring_mass", "spring_share", *_DRIVEN)
GAS = ("port_pressure", "head_diameter", "stem_diameter")
_WEIGHED = frozenset((*_WITH_VALVE, *_DRIVEN, *GAS))
RESTS_ON = OF_GEAR | OF_BENDING | {
    "red_line", *_WEIGHED, "spring_mass", "lobe_centreline",
    "valve_lift", "rocker_ratio",
}  # fmt: skip
_SLOTS = slots_of(RESTS_ON) | {"spring"}
# Share by which the nose of a lobe that is drawn from so many durations may be off: docs/validation.md.
_CARD_NOSE = {2: 0.20, 3: 0.08}
_SHARE, _SHARE_U = 0.40, 0.10 / sqrt(12.0)  # of a spring whose coils nobody stated: from 0.35 to 0.45. From memory
_ANGLES, _BESIDE = 321, 4
_OPEN_MM = 0.3  # lash and ramps are below it
_NO_RANGES = 0  # values alone are turned


class Moving(Struct, frozen=True):
    """What moves at one valve, by name. `masses`: of MASSES, spring_share among them. `gas`: of GAS. Both empty where nobody asks.

    `nose`: what its acceleration may be off by, as a factor. `carried`: its ratio over the nose, with the doubt and whatever bars
    what carries the lobe: its lift, ratio and lash, or the gear's parts. `lift_mm`: at full lift.

    `fractions` of that lift and `acceleration`, mm a crank degree squared, at angles where the spring alone holds it, `at_deg` of
    the crank from its centre. `bending`: its stiffness and damping. `asked`, `slope`: what the cam asks of a rigid train around the
    turn, as bytes of `mechanics/motion/lift_table.py`.
    """

    masses: dict[str, Input]
    gas: dict[str, Input]
    nose: Input
    red_line: Input
    carried: Input
    lift_mm: float = 1.0
    fractions: tuple[float, ...] = ()
    acceleration: tuple[float, ...] = ()
    at_deg: tuple[float, ...] = ()
    bending: dict[str, Input] = {}
    asked: bytes = b""
    slope: bytes = b""

    @property
    def parts(self) -> dict[str, Input]:
        """Give everything it rests on by name, each with its doubt."""
        return {**self.masses, **self.gas, "nose": self.nose, "ratio": self.carried, "red_line": self.red_line}

    @property
    def ratio(self) -> float:
        """Give the ratio over the nose."""
        return self.carried.value


def moving_of(book: Book) -> tuple[Moving, ...]:
    """Give what moves at every valve in head order; remembered while nothing it rests on changes."""
    return _moving(narrowed(book, RESTS_ON, _SLOTS, parts=True))


@by_value
def _moving(book: Book) -> tuple[Moving, ...]:
    positions, red = [one.id for one in book.engine.layout.positions], resolve(book, "red_line", ENGINE)
    if not is_asked(book):  # nobody asks: a lobe takes a while to be drawn from its card
        nothing = Input("nose_acceleration", "", "missing", ground=Ground.MISSING)
        return (Moving({}, {}, nothing, red, nothing),) * len(positions)
    train = EveryTrain(book)
    lifted = [train.lifted(case, name) for case, name in enumerate(positions)]
    keys = [None if one.missing else (*one.alike, one.lobe_key, *map(plain, one.gear.values())) for one in lifted]
    first = {
        key: one for key, one in reversed(list(zip(keys, lifted, strict=True))) if key
    }  # the very same are turned once
    turned: dict[tuple[object, ...] | None, _Turned] = {}
    for alike in dict.fromkeys(one.alike for one in first.values()):
        own = [key for key, one in first.items() if one.alike == alike]
        turned |= zip(own, _turned(book, [first[key] for key in own]), strict=True)
    each = _each_mass(narrowed(book, _WEIGHED, slots_of(_WEIGHED)))
    return tuple(
        Moving(
            _masses(book, each, case, name), {part: _gas(each, part, case, name) for part in GAS},
            _nose(book, lifted[case], name), red, bending=bending_of(book, name),
            **_turned_at(lifted[case], name, turned.get(keys[case])),
        )
        for case, name in enumerate(positions)
    )  # fmt: skip


@by_value
def _each_mass(book: Book) -> dict[str, tuple[Input, ...]]:
    """Give every mass, and what gas presses on, at every valve; remembered while none changes: lash is what is read most."""
    return {name: at_each_valve(book, name) for name in _WEIGHED}


def is_asked(book: Book) -> bool:
    """Tell whether a red line is stated, so that somebody asks what follows its cam."""
    return not resolve(book, "red_line", ENGINE).ground & Ground.MISSING


class _Turned(Struct, frozen=True):
    """A valve turned over its nose: the ratio and lift there, and where it falls back its share of the lift, bend and angle."""

    ratio: float
    lift_mm: float
    fractions: tuple[float, ...]
    acceleration: tuple[float, ...]
    at_deg: tuple[float, ...]
    asked: bytes
    slope: bytes


def _turned_at(lifted: Lifted, position: str, turned: _Turned | None) -> dict[str, Any]:
    """Give what of a valve's turn stands in `Moving`: what carries it, and the rest where it could be turned."""
    if turned is None:
        return {"carried": _carried(lifted, position, nan)}
    own = asdict(turned)
    return {"carried": _carried(lifted, position, own.pop("ratio")), **own}


def _turned(book: Book, valves: Sequence[Lifted]) -> list[_Turned]:
    """Turn valves that are carried alike over their noses, all at once."""
    parts = {name: one.figure.value for name, one in laid_out([one.parts for one in valves], _NO_RANGES).items()}
    motion = Motion(book, valves)
    linkage, top = motion.linkage(parts), motion.top(parts)
    lobes = {one.lobe_key: one.lobe for one in valves if one.lobe is not None}
    by_lobe = {key: _drawn(lobe) for key, lobe in lobes.items()}
    at, lobe, slope, bend = (np.array(own).T for own in zip(*(by_lobe[one.lobe_key] for one in valves), strict=True))
    share = top / np.array([one.lobe.lift_mm for one in valves if one.lobe is not None])
    lobe = lobe * share
    falls = valve_acceleration(linkage, lobe, slope * share, bend * share)
    lift, full, ratio = linkage.lift(lobe), linkage.lift(top), linkage.ratio(top)
    asked, slopes = _around([one.lobe for one in valves if one.lobe is not None], share, linkage)
    found = []
    for case in range(len(valves)):
        rows = _most_bent(np.flatnonzero((falls[:, case] < 0) & (lift[:, case] > _OPEN_MM)), falls[:, case])
        columns = (lift[rows, case] / full[case], falls[rows, case], 2.0 * at[rows, case])
        fractions, bent, angles = (tuple(one.tolist()) for one in columns)
        found.append(
            _Turned(
                float(ratio[case]),
                float(full[case]),
                fractions,
                bent,
                angles,
                asked[case].tobytes(),
                slopes[case].tobytes(),
            )
        )
    return found


def _around(lobes: Sequence[Lobe], share: Array, linkage: Linkage) -> tuple[Array, Array]:
    """Give what each lobe asks of its valve (n, ROWS) around the turn, lash not taken up below 0, and its slope a crank degree.

    A finger's swing is left out, as over the nose: it leans the flanks and hardly bends them more.
    """
    cam = crank_raster() / 2.0
    within = [(cam > one.start_deg) & (cam < one.end_deg) for one in lobes]
    lifts = [np.where(own, one.lift(cam), 0.0) for own, one in zip(within, lobes, strict=True)]
    slopes = [np.where(own, one.velocity(cam), 0.0) for own, one in zip(within, lobes, strict=True)]
    lift, slope = (np.stack(own, axis=1) * share for own in (lifts, slopes))
    return linkage.lift(lift).T, valve_velocity(linkage, lift, slope).T


def _most_bent(rows: NDArray[np.int64], bend: Array) -> NDArray[np.int64]:
    """Keep of every few angles side by side the one at which the lobe bends most: a fine raster at the price of a coarse one."""
    parts = np.array_split(rows, max(len(rows) // _BESIDE, 1))
    return np.array([part[np.argmin(bend[part])] for part in parts if len(part)], dtype=np.int64)


def _drawn(lobe: Lobe) -> tuple[Array, Array, Array, Array]:
    """Give cam degrees, lift, and its two derivatives over a lobe."""
    cam = np.linspace(lobe.start_deg, lobe.end_deg, _ANGLES)
    return cam, lobe.lift(cam), lobe.velocity(cam), lobe.acceleration(cam)


def _nose(book: Book, lifted: Lifted, position: str) -> Input:
    """Give what the lobe's acceleration over the nose may be off by, as a factor of what is drawn."""
    place = at_position(position)
    if lifted.missing:
        first = lifted.missing[0]
        return missing(book, "nose_acceleration", place, first.note or f"not known: {first.title}")
    shape = lifted.parts["lobe_shape"]
    if shape.kind == "assumed":
        card = lobe_of(book.engine, place.role)
        off = _CARD_NOSE[2 if card is None or len(durations_of(card)) < 3 else 3]
        return Input("nose_acceleration", "the cam card", "assumed", 1.0, ground=Ground.ASSUMED, low=1.0 - off, high=1.0 + off,
                     note="drawn from the card: its nose is assumed", asked=place)  # fmt: skip
    assert lifted.read is not None  # what is not assumed was walked
    band = lifted.read.band
    return Input(
        "nose_acceleration",
        place.title,
        "measured",
        1.0 - band.nose_bias,
        band.nose_u,
        ground=shape.ground,
        asked=place,
    )


def _carried(lifted: Lifted, position: str, ratio: float) -> Input:
    """Give the ratio over the nose as an input: as sure as the stated one, and barred by whatever bars what carries the lobe.

    Of a gear worked out from its dimensions the ratio is as sure as that is: its own doubt hardly moves a mass. An assumed part
    moves more than this ratio, so that its range is not scanned here.
    """
    parts = lifted.gear.values()
    ground = Ground.NONE
    for one in parts:
        ground |= one.ground
    ground |= Ground.UNRANGED if ground & Ground.ASSUMED else Ground.NONE
    stated = next((one for one in parts if one.quantity == "rocker_ratio"), None)
    notes = dict.fromkeys(one.note for one in parts if one.note and one.ground & ~Ground.SPECIFIED)
    told = stated if stated is not None else Input("rocker_ratio", "", "calculated", own_u=_GEAR_RATIO_U)
    return replace(
        told, value=ratio, ground=ground, note="; ".join(notes), low=nan, high=nan,
        asked=at_position(position),
    )  # fmt: skip


_GEAR_RATIO_U = 0.01  # of a ratio worked out from a gear's dimensions. From memory


def _masses(book: Book, each: dict[str, tuple[Input, ...]], case: int, position: str) -> dict[str, Input]:
    spring, gear = book.engine.spring_at(position), book.engine.gear
    moves = _DRIVEN if gear == "pushrod" else ("lifter_mass" if gear == "bucket" else "rocker_at_valve",)
    driven = {name: each[name][case] if name in moves else _none(name, position) for name in _DRIVEN}
    mass, share = _spring(book, spring, position)
    with_valve = {name: each[name][case] for name in _WITH_VALVE}
    return {**with_valve, "spring_mass": mass, "spring_share": share, **driven}


def _none(name: str, position: str) -> Input:
    return Input(name, "", "not applicable", 0.0, asked=at_position(position))


def _spring(book: Book, spring: str, position: str) -> tuple[Input, Input]:
    """Give the spring's mass, weighed or of its card, and what share of it moves."""
    place, card = of_spring(spring), book.engine.card_of(spring)
    read = (
        resolve(book, "spring_mass", place)
        if spring
        else missing(book, "spring_mass", place, "no spring is fitted here")
    )
    if read.kind == "missing" and not read.note and card is not None and card.mass_kg is not None:
        u = 0.03 * card.mass_kg / sqrt(3.0)  # what a card's mass is good for. From memory
        read = Input("spring_mass", card.name, "specified", card.mass_kg, ground=Ground.SPECIFIED, asked=place,
                     each=((f"card:spring_mass:{card.id}", "mass of the spring, its tolerance", u),))  # fmt: skip
    return read, share_of(card, position)


def share_of(card: SpringCard | None, position: str) -> Input:
    """Give the share of a spring's mass that moves with its valve: by its coils, where the card states them."""
    first = card.members[0] if card else None
    place = at_position(position)
    if first is not None and first.coils and first.active_coils and first.active_coils <= first.coils:
        return Input(
            "spring_mass", place.title, "not applicable", spring_share(first.active_coils, first.coils), asked=place
        )
    off = (
        ("spring:share", "share of the spring that moves", _SHARE_U),
    )  # its own: the mass it is a share of is another doubt
    return Input(
        "spring_mass", place.title, "not applicable", _SHARE, note="its coils are not stated", asked=place, each=off
    )


def _gas(each: dict[str, tuple[Input, ...]], name: str, case: int, position: str) -> Input:
    """Give what gas presses with, and on what; with no boost stated neither is wanted."""
    pressure = each["port_pressure"][case]
    if pressure.ground & Ground.MISSING and not pressure.note:
        return _none(name, position)
    return each[name][case]
