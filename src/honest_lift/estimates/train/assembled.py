"""What a valve is turned from: the room at TDC, crank, lobe, its timing and its gear, each with what it rests on, or missing.

A lobe by its card, or a middle nobody found with the wheel, is assumed with a range: what rests on it never passes.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, nan, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cam.card import centre_deg, durations_of, flank_of, lobe_of
from honest_lift.estimates.cam.lobe_read import LobeRead, lobe_read, stale_words, table_near
from honest_lift.estimates.cam.nose import nose_of_table
from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.estimate import Input, summed
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.every_gear import rockers_of
from honest_lift.estimates.rocker.parts import kind_of, told_everywhere
from honest_lift.estimates.spring.tester import correction_for
from honest_lift.facts.by_quantity import recalled
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.timing import advanced_on_card, advanced_since
from honest_lift.facts.tools import Tool, offset_doubt, offset_source, scatter_doubt
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.mechanics.cam.lobe import CardLobe, Lobe
from honest_lift.mechanics.rocker.finger import FingerGear
from honest_lift.numbers.doubt import Ground

_CARD_MM = {2: 0.74, 3: 0.15}  # how far a lobe drawn from so many stated durations may be off, docs/validation.md
_TIMING_DEG = 4.0  # how far a cam nobody has degreed may stand off its card. Common practice, no source
_AT_VALVE = "at the valve"
_CRANK = ("stroke", "rod_length", "pin_offset")
_TO_PISTON = ("valve_recess", "gasket_thickness", "deck_clearance", "pocket_depth")
_OF_LOBE = ("lobe_centreline", "rocker_ratio", *READ_AS.values())  # a card may tell its middle by the lift at the valve
ANGLES = ("valve_lean", "pocket_lean")


Shared = tuple[tuple[str, str, float], ...]


class Lifted(Struct, frozen=True):
    """What lifts one valve: its lobe's middle and shape, and what carries it, or what is missing of it."""

    inputs: tuple[Input, ...] = ()
    lobe: Lobe | None = None
    lobe_key: object = None
    by_gear: bool = False
    at_valve: bool = False

    @property
    def missing(self) -> tuple[Input, ...]:
        """Give what it lacks."""
        return tuple(one for one in self.inputs if one.ground & Ground.MISSING)


class Through(Struct, frozen=True):
    """One valve ready to be turned over its piston: the room at TDC and the crank, then what lifts it; or what is missing."""

    position: str
    inputs: tuple[Input, ...]
    lifted: Lifted
    missing: tuple[Input, ...] = ()
    others: tuple[Input, ...] = ()  # what else is wanted of it

    @property
    def alike(self) -> tuple[object, ...]:
        """Give what valves have in common that can be worked out together: how they are carried."""
        return (self.lifted.by_gear, self.lifted.at_valve)

    @property
    def lobes(self) -> object:
        """Give what tells its lobe from others."""
        return self.lifted.lobe_key


class Parts:
    """What every valve is put together from, resolved once for all; without a piston, only what lifts it and the others."""

    def __init__(self, book: Book, others: tuple[str, ...] = (), *, piston: bool = True) -> None:
        self.others = others
        names = ("valve_drop", *_TO_PISTON, *ANGLES) if piston else ()
        self.each: dict[str, Sequence[Input]] = {name: at_each_valve(book, name) for name in (*names, *others)}
        if piston:  # read at points of a piston's crown, it is told of its cylinder
            self.each["deck_clearance"] = _decks(book)
        self.crank = [resolve(book, name, ENGINE) for name in _CRANK] if piston else []
        self.rockers = rockers_of(book)
        self.gears = told_everywhere(book) if self.rockers is not None else []

    def of(self, name: str, case: int) -> Input:
        """Give a part at a valve."""
        return self.each[name][case]


def _decks(book: Book) -> list[Input]:
    of = {str(one): deck_of(book, one).told for one in book.engine.layout.cylinders}
    positions = book.engine.layout.positions
    return [replace(of[str(one.cylinder)], asked=at_position(one.id)) for one in positions]


def through(book: Book, known: Parts, case: int, position: str) -> Through:
    """Put a valve together from its parts, or say what is missing. `case`: its place in head order."""
    parts, missing = _drop(known, case, position)
    crank = [
        one if isfinite(one.value) or i < 2 or one.note else _exact("pin_offset", position)
        for i, one in enumerate(known.crank)
    ]
    lean = known.of("valve_lean", case)
    floor = _floor(known, case, position, lean)
    lifted = lifted_at(book, known, case, position)
    told = (*parts, *crank, lean, floor, *lifted.inputs)
    missing += [one for one in (*crank, lean) if one.ground & Ground.MISSING]
    others = tuple(known.of(name, case) for name in known.others)
    missing += [*lifted.missing, *(one for one in others if one.ground & Ground.MISSING)]
    return Through(position, told, lifted, tuple(dict.fromkeys(missing)), others)


def lifted_at(book: Book, known: Parts, case: int, position: str) -> Lifted:
    """Put together what lifts a valve. `case`: its place in head order."""
    shape, lobe, key, centre = _lobe(book, at_position(position).role, position)
    read_there = shape.way == _AT_VALVE
    gear = _gear(book, known, case, position, read_at_valve=read_there)
    if book.engine.gear == "finger follower" and not read_there:
        centre = _swinging(book, centre, gear)
    return Lifted((centre, shape, *gear), lobe, key, len(gear) > 3, read_there)


def _swinging(book: Book, centre: Input, gear: Sequence[Input]) -> Input:
    """Widen the timing of a finger's lobe by what its roller goes round the cam, where nobody says which way the cam turns.

    At half lift, the most there is where a piston is near; of a finger whose dimensions are not known, what fingers do.
    """
    known, kind = len(gear) > 3, kind_of(book.engine)
    if known and book.engine.cam_turns:
        return centre
    swing = _SWING_DEG
    if known and kind is not None:
        made = kind.make(0.0, *(np.array([one.value]) for one in gear))
        lobe = next(one.value for one in gear if one.quantity == "lobe_lift")
        if isinstance(made, FingerGear):
            swing = 2.0 * abs(float(made.swing_deg(np.array([lobe / 2.0]))[0]))
    if not isfinite(swing):
        return centre
    return replace(
        centre, each=(*centre.each, ("finger:swing", "which way the cam turns over the finger", swing / sqrt(3.0)))
    )


_SWING_DEG = 2.0  # crank degrees by which a finger's roller goes round its cam up to half lift. From memory


def _exact(name: str, position: str, value: float = 0.0) -> Input:
    return Input(name, "", "not applicable", value, asked=at_position(position))


def _drop(known: Parts, case: int, position: str) -> tuple[list[Input], list[Input]]:
    """Give the room at TDC: the drop as it was measured, or what it adds up from; and what of it is missing."""
    drop = known.of("valve_drop", case)
    if isfinite(drop.value) or drop.note:
        return [drop, *(_exact(name, position) for name in _TO_PISTON)], [drop] if not isfinite(drop.value) else []
    parts = [known.of(name, case) for name in _TO_PISTON]
    if any(not isfinite(one.value) for one in parts):
        return [drop, *parts], [drop]
    return [_exact("valve_drop", position, nan), *parts], []


def _floor(known: Parts, case: int, position: str, lean: Input) -> Input:
    """Give the pocket's angle; where nobody stated one, anything from a flat crown to a floor parallel to the valve."""
    told = known.of("pocket_lean", case)
    if isfinite(told.value):
        return told
    if not isfinite(lean.value) or (lean.value == 0.0 and not lean.u):
        return _exact("pocket_lean", position)  # of an upright valve any floor gives the same
    low, high = sorted((0.0, lean.value))
    note = (
        told.note or "nobody has stated the pocket's angle: anything from a flat crown to a floor parallel to the valve"
    )
    ground = Ground.ASSUMED | (told.ground & Ground.SET_ASIDE)
    return Input("pocket_lean", "", "assumed", lean.value / 2.0, ground=ground, low=low, high=high, note=note,
                 asked=at_position(position))  # fmt: skip


def _gear(book: Book, known: Parts, case: int, position: str, *, read_at_valve: bool) -> list[Input]:
    """Give what carries the lobe: the gear's own parts where they are proven, else lobe lift, ratio and lash."""
    if read_at_valve:
        return [at_valve(book, "valve_lift", position), _exact("rocker_ratio", position, 1.0), _exact("lash", position)]
    if known.rockers is not None and known.rockers.proven[case]:
        return list(known.gears[case].inputs)
    hydraulic = book.engine.lifter.startswith("hydraulic")
    ratio = (
        _exact("rocker_ratio", position, 1.0)
        if book.engine.gear == "bucket"
        else at_valve(book, "rocker_ratio", position)
    )
    lash = _exact("lash", position) if hydraulic else at_valve(book, "lash", position)
    return [at_valve(book, "lobe_lift", position), ratio, lash]


_Shaped = tuple[Input, Lobe | None, object, Input]


def _lobe(book: Book, role: str, position: str) -> _Shaped:
    """Give the lobe's shape as an input, the lobe, what tells it from others, and its middle as an input. Remembered."""
    return recalled(book, _OF_LOBE, ("lobe", role, position), lambda: _by_table(book, role, position))


def _by_table(book: Book, role: str, position: str) -> _Shaped:
    found = table_near(book, role, position)
    read = lobe_read(book, found) if found else None
    if found is None or read is None or read.lobe is None:
        return _by_card(book, role, position)
    advanced = advanced_since(book.engine, found.table.depends_on.get("cam", ""))
    ground = Ground.STALE if stale_words(book, found) else Ground.NONE
    ground |= Ground.UNSOUND if read.troubles else Ground.NONE
    nose = nose_of_table(book, READ_AS[found.table.read_at], found.table.place)
    ground |= nose.ground if nose else Ground.NONE
    way = _AT_VALVE if found.table.read_at == "valve" else ""
    dial = book.engine.tool(found.table.tool)
    ground |= tool_ground(book, dial, found.table.when) | tool_ground(
        book, book.engine.tool(found.table.wheel), found.table.when
    )
    own = scatter_doubt(dial, 0.0) if dial else 0.0
    shape = Input("lobe_shape", found.table.place.title, "measured", 0.0, own, ground=ground, way=way,
                  asked=at_position(position))  # fmt: skip
    return shape, read.lobe, found.key, _middle(book, role, position, read, advanced or 0.0)


def tool_ground(book: Book, tool: Tool | None, read_on: str) -> Ground:
    """Tell what bars what was read with a tool: one nobody named, of which nothing is stated, or that was overdue then."""
    if tool is None or not tool.is_stated:
        return Ground.NO_TOOL
    return Ground.STALE if correction_for(book, tool, read_on)[1] else Ground.NONE


def _by_card(book: Book, role: str, position: str) -> _Shaped:
    flank, place = flank_of(book, role), at_position(position)
    middle = _middle(book, role, position, None)
    if isinstance(flank, str):
        return Input("lobe_shape", "", "missing", ground=Ground.MISSING, note=flank, asked=place), None, "", middle
    card = lobe_of(book.engine, role)
    off = _CARD_MM[2 if card is None or len(durations_of(card)) < 3 else 3]
    shape = Input("lobe_shape", "the cam card", "assumed", 0.0, ground=Ground.ASSUMED, low=-off, high=off,
                  note="drawn from the card: its shape between the durations is assumed", asked=place)  # fmt: skip
    return shape, CardLobe(flank), role, middle


def _middle(book: Book, role: str, position: str, read: LobeRead | None, advanced_deg: float = 0.0) -> Input:
    """Give where the lobe's middle stands, crank degrees from TDC: its own stops, the wheel, else the card within a range."""
    place, side = at_position(position), side_of(role)
    if read is not None and read.centre_deg is not None:
        wheel = book.engine.tool(read.found.table.wheel)
        ground = tool_ground(book, wheel, read.found.table.when)
        ground |= Ground.PREDICTED if advanced_deg else Ground.NONE
        shared: Shared = (offset_source(wheel, offset_doubt(wheel, 0.0)),) if wheel else ()
        scatter = scatter_doubt(wheel, 0.0) if wheel else 0.0
        own = sqrt(read.centre_u_deg**2 + scatter**2 / 2.0)  # the stop was read both ways
        return Input("lobe_centreline", place.title, "measured", read.centre_deg - advanced_deg, own, shared, ground, asked=place,
                     tool=wheel.name if wheel else "")  # fmt: skip
    told = resolve(book, "lobe_centreline", place)
    if told.kind == "measured":
        return summed(told, told.value * side, [(side, told)])
    by_card = centre_deg(book, role)
    if by_card is None:
        return Input("lobe_centreline", "", "missing", ground=Ground.MISSING, asked=place)
    centre = by_card - advanced_on_card(book.engine)
    return Input("lobe_centreline", "the cam card", "assumed", centre, ground=Ground.ASSUMED, low=centre - _TIMING_DEG,
                 high=centre + _TIMING_DEG, note="nobody has degreed the cam: it may stand off its card", asked=place)  # fmt: skip
