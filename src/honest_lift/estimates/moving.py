"""What moves at each valve: its masses with their doubt, and how its lobe turns it round over the nose; or what is missing."""

from __future__ import annotations

from math import sqrt

import numpy as np
from msgspec import Struct

from honest_lift.estimates.cam_turn import Turn, turn_of
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import missing, resolve
from honest_lift.estimates.rocker_parts import RESTS_ON as OF_GEAR
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, narrowed
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.facts.remember import by_value
from honest_lift.mechanics.cam.turn import ValveTurn
from honest_lift.mechanics.motion.control_force import spring_share
from honest_lift.numbers.doubt import Ground

_AT_VALVE = ("valve_mass", "retainer_mass")
_GAS = ("port_pressure", "head_diameter", "stem_diameter")
RESTS_ON = OF_GEAR | {
    "red_line", *_AT_VALVE, "rocker_at_valve", "pushrod_mass", "lifter_mass", "spring_mass", *_GAS, "lobe_centreline",
    "valve_lift", "rocker_ratio",
}  # fmt: skip
_SLOTS = slots_of(RESTS_ON) | {"spring"}
_CARD_LOW, _CARD_HIGH = 0.92, 1.08  # nose of a lobe drawn from its card, nine of ten held out: docs/validation.md
_SHARE, _SHARE_U = 0.40, 0.10 / sqrt(12.0)  # of a spring whose coils nobody stated: from 0.35 to 0.45. From memory
_ANGLES = 41
_OPEN_MM = 0.3  # lash and ramps are below it


class Moving(Struct, frozen=True):
    """What moves at one valve. `masses`: valve, retainer and locks, spring, its share, rocker, pushrod, lifter. `gas`: pressure,
    head and stem. `nose`: what its acceleration may be off by, as a factor. `ratio`: over the nose. `lift_mm`: at full lift.

    `fractions` of that lift and `acceleration`, mm a crank degree squared, at angles where the spring alone holds it, `at_deg` of
    the crank from its middle.
    """

    masses: tuple[Input, ...]
    gas: tuple[Input, ...]
    nose: Input
    red_line: Input
    ratio: float = 1.0
    lift_mm: float = 1.0
    fractions: tuple[float, ...] = ()
    acceleration: tuple[float, ...] = ()
    at_deg: tuple[float, ...] = ()

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give everything it rests on, each with its doubt."""
        return (*self.masses, *self.gas, self.nose)


def moving_of(book: Book) -> tuple[Moving, ...]:
    """Give what moves at every valve in head order; remembered while nothing it rests on changes."""
    return _moving(narrowed(book, RESTS_ON, _SLOTS, parts=True))


@by_value
def _moving(book: Book) -> tuple[Moving, ...]:
    if not is_asked(book):  # nobody asks: a lobe takes a while to be drawn from its card
        nothing = Input("nose_acceleration", "", "missing", ground=Ground.MISSING)
        return (Moving((), (), nothing, resolve(book, "red_line", ENGINE)),) * len(book.engine.layout.positions)
    return tuple(_at(book, one.id) for one in book.engine.layout.positions)


def is_asked(book: Book) -> bool:
    """Tell whether a red line is stated, so that somebody asks what follows its cam."""
    return not resolve(book, "red_line", ENGINE).ground & Ground.MISSING


def _at(book: Book, position: str) -> Moving:
    turn = turn_of(book, at_position(position).role, position)
    masses, gas = _masses(book, position), tuple(_gas(book, name, position) for name in _GAS)
    red = resolve(book, "red_line", ENGINE)
    if turn.valve is None:
        told = missing(book, "nose_acceleration", at_position(position), turn.missing or "its lobe is not known")
        return Moving(masses, gas, told, red)
    return Moving(masses, gas, _nose(turn, position), red, *_turned(turn.valve))


def _turned(valve: ValveTurn) -> tuple[float, float, tuple[float, ...], tuple[float, ...], tuple[float, ...]]:
    """Give ratio and lift at the nose, and lift and acceleration where it falls back."""
    crank = np.linspace(2.0 * valve.lobe.start_deg, 2.0 * valve.lobe.end_deg, 721) + valve.centre_deg
    lift, bends = valve.lift(crank), valve.acceleration(crank)
    falls = np.flatnonzero((bends < 0) & (lift > _OPEN_MM))
    rows = falls[np.unique(np.linspace(0, len(falls) - 1, _ANGLES).round().astype(int))] if len(falls) else falls
    peak = valve.peak_mm
    ratio = float(valve.carried.ratio(np.array(valve.lobe.lift_mm)))
    fractions, falling, at = (tuple(one[rows].tolist()) for one in (lift / peak, bends, crank - valve.centre_deg))
    return ratio, peak, fractions, falling, at


def _nose(turn: Turn, position: str) -> Input:
    """Give what the lobe's acceleration over the nose may be off by, as a factor of what is drawn."""
    place = at_position(position)
    if turn.measured is None or turn.measured.lobe is None:
        return Input("nose_acceleration", "the cam card", "assumed", 1.0, ground=Ground.ASSUMED, low=_CARD_LOW, high=_CARD_HIGH,
                     note="drawn from the card: its nose is assumed", asked=place)  # fmt: skip
    ground = Ground.UNSOUND if turn.measured.troubles else Ground.NONE
    ground |= Ground.STALE if any("stale" in one for one in turn.doubts) else Ground.NONE
    return Input(
        "nose_acceleration", place.title, "measured", 1.0, turn.measured.band.usual, ground=ground, asked=place
    )


def _masses(book: Book, position: str) -> tuple[Input, ...]:
    spring, gear = book.engine.spring_at(position), book.engine.gear
    pushed = ("pushrod_mass", "lifter_mass")
    return (
        *(at_valve(book, name, position) for name in _AT_VALVE), *_spring(book, spring, position),
        _none("rocker_at_valve", position) if gear == "bucket" else at_valve(book, "rocker_at_valve", position),
        *(at_valve(book, name, position) if _moves(gear, name) else _none(name, position) for name in pushed),
    )  # fmt: skip


def _moves(gear: str, name: str) -> bool:
    return gear == "pushrod" or (gear == "bucket" and name == "lifter_mass")


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
                     shared=((f"card:spring_mass:{card.id}", "mass of the spring, its tolerance", u),))  # fmt: skip
    return read, share_of(card, position)


def share_of(card: SpringCard | None, position: str) -> Input:
    """Give the share of a spring's mass that moves with its valve: by its coils, where the card states them."""
    first = card.members[0] if card else None
    place = at_position(position)
    if first is not None and first.coils and first.active_coils and first.active_coils <= first.coils:
        return Input(
            "spring_mass", place.title, "not applicable", spring_share(first.active_coils, first.coils), asked=place
        )
    return Input(
        "spring_mass", place.title, "not applicable", _SHARE, _SHARE_U, note="its coils are not stated", asked=place
    )


def _gas(book: Book, name: str, position: str) -> Input:
    """Give what gas presses with, and on what; with no boost stated neither is wanted."""
    pressure = at_valve(book, "port_pressure", position)
    if pressure.ground & Ground.MISSING and not pressure.note:
        return _none(name, position)
    return pressure if name == "port_pressure" else at_valve(book, name, position)
