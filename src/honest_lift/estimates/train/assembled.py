"""What lifts a valve: its lobe, the lobe's timing and the gear, each with what it rests on, or missing. Put together here only.

A lobe by its card, or a centre nobody found with the wheel, is assumed with a range: what rests on it never passes. The gear's own
dimensions go before lobe lift x ratio - lash where they are known as well as a stated ratio is.
"""

from __future__ import annotations

from collections.abc import Mapping
from math import isfinite, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cam.card import centre_deg, durations_of, flank_of, lobe_of
from honest_lift.estimates.cam.lobe_read import LobeRead, lobe_read, stale_words, table_near
from honest_lift.estimates.cam.nose import dial_read_all, nose_of_table
from honest_lift.estimates.estimate import Input, summed
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.every_gear import rockers_of
from honest_lift.estimates.rocker.gear import gear_of
from honest_lift.estimates.rocker.parts import kind_of, part_at, told_everywhere
from honest_lift.estimates.solved import PENDING
from honest_lift.estimates.spring.tester import correction_for
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.place import Place, at_position, at_role
from honest_lift.facts.timing import advanced_on_card, advanced_since
from honest_lift.facts.tools import Tool, offset_doubt, offset_source, scatter_doubt
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.mechanics.cam.lobe import CardLobe, Lobe
from honest_lift.mechanics.rocker.finger import FingerGear
from honest_lift.numbers.doubt import Ground

_CARD_MM = {2: 0.74, 3: 0.15}  # how far a lobe drawn from so many stated durations may be off, docs/validation.md
_TIMING_DEG = 4.0  # how far a cam nobody has degreed may stand off its card. Common practice, no source
_SWING_DEG = 2.0  # crank degrees by which a finger's roller goes round its cam up to half lift. From memory
_AT_VALVE = "at the valve"
_OF_LOBE = ("lobe_centreline", "rocker_ratio", *READ_AS.values())  # a card may tell its middle by the lift at the valve
BY_STOPS, BY_WHEEL, BY_CARD = "its stops", "the wheel, equal lifts", "the card"
Shared = tuple[tuple[str, str, float], ...]


class Lifted(Struct, frozen=True):
    """What lifts one valve, or a role's valves: by name its lobe's centre and shape and what carries it, or what is missing of it.

    `read`: the lobe as it was walked, None for the card's. `timed_by`: BY_STOPS, BY_WHEEL or BY_CARD. `bleed_mm`: what its
    hydraulic lifter bleeds down by.
    """

    parts: dict[str, Input] = {}
    lobe: Lobe | None = None
    lobe_key: object = None
    by_gear: bool = False
    at_valve: bool = False
    read: LobeRead | None = None
    timed_by: str = ""
    bleed_mm: float = 0.0

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give everything it is turned from."""
        return tuple(self.parts.values())

    @property
    def gear(self) -> dict[str, Input]:
        """Give what carries the lobe, by name: the gear's own parts, else lobe lift (or lift read at the valve), ratio and lash."""
        return {name: one for name, one in self.parts.items() if name not in OF_LOBE}

    @property
    def missing(self) -> tuple[Input, ...]:
        """Give what it lacks."""
        return tuple(one for one in self.parts.values() if one.ground & Ground.MISSING)

    @property
    def alike(self) -> tuple[object, ...]:
        """Give what valves have in common that can be turned together: how they are carried."""
        return (self.by_gear, self.at_valve)


OF_LOBE = ("lobe_centreline", "lobe_shape")


class EveryTrain:
    """What lifts every valve, with the gears of all resolved once."""

    def __init__(self, book: Book) -> None:
        self._book = book
        rockers = rockers_of(book)
        self._proven = None if rockers is None else rockers.proven
        self._gears = [] if rockers is None else told_everywhere(book)

    def lifted(self, case: int, position: str) -> Lifted:
        """Put together what lifts a valve. `case`: its place in head order."""
        own = self._gears[case].parts if self._proven is not None and self._proven[case] else None
        return _lifted(self._book, at_position(position).role, position, own)


def lifted_of(book: Book, role: str, position: str = "") -> Lifted:
    """Put together what lifts one valve, or a role's valves where no position is named."""
    if position:
        order = [one.id for one in book.engine.layout.positions]
        return EveryTrain(book).lifted(order.index(position), position)
    rocker = gear_of(book, role)
    return _lifted(book, role, "", rocker.parts if rocker is not None else None)


def _lifted(book: Book, role: str, position: str, own: Mapping[str, Input] | None) -> Lifted:
    """Put it together. `own`: the gear's parts where they are proven."""
    told = _lobe(book, role, position)
    read_there = told.shape.way == _AT_VALVE
    gear = dict(own) if own is not None and not read_there else _by_ratio(book, role, position, read_there=read_there)
    by_gear = own is not None and not read_there
    centre = told.centre
    if book.engine.gear == "finger follower" and not read_there:
        centre = _swinging(book, centre, gear, by_gear=by_gear)
    parts = {"lobe_centreline": centre, "lobe_shape": told.shape, **gear}
    return Lifted(parts, told.lobe, told.key, by_gear, read_there, told.read, told.timed_by, _bleed_mm(book, role))


def _bleed_mm(book: Book, role: str) -> float:
    """Give what a role's hydraulic lifters bleed down by; nothing where they are solid, or nobody stated it."""
    if not book.engine.lifter.startswith("hydraulic"):
        return 0.0
    bleed = resolve(book, "lifter_bleed", at_role(role)).value
    return bleed if isfinite(bleed) else 0.0


def _swinging(book: Book, centre: Input, gear: Mapping[str, Input], *, by_gear: bool) -> Input:
    """Widen the timing of a finger's lobe by what its roller goes round the cam, where nobody says which way the cam turns.

    At half lift, the most there is where a piston is near; of a finger whose dimensions are not known, what fingers do.
    """
    kind = kind_of(book.engine)
    if by_gear and book.engine.cam_turns:
        return centre
    swing = _SWING_DEG
    if by_gear and kind is not None:
        made = kind.make(0.0, {name: np.array([one.value]) for name, one in gear.items()})
        if isinstance(made, FingerGear):
            swing = 2.0 * abs(float(made.swing_deg(np.array([gear["lobe_lift"].value / 2.0]))[0]))
    if not isfinite(swing):
        return centre
    return replace(
        centre, each=(*centre.each, ("finger:swing", "which way the cam turns over the finger", swing / sqrt(3.0)))
    )


def _by_ratio(book: Book, role: str, position: str, *, read_there: bool) -> dict[str, Input]:
    """Give lobe lift, ratio and lash; of a lobe that was read at the valve its lift there, with both in it."""
    place = _place(role, position)

    def part(name: str) -> Input:
        return part_at(book, name, role, position)

    if read_there:
        return {"valve_lift": part("valve_lift"), "rocker_ratio": exact("rocker_ratio", place, 1.0),
                "lash": exact("lash", place)}  # fmt: skip
    hydraulic = book.engine.lifter.startswith("hydraulic")
    ratio = exact("rocker_ratio", place, 1.0) if book.engine.gear == "bucket" else part("rocker_ratio")
    lash = exact("lash", place) if hydraulic else part("lash")
    return {"lobe_lift": part("lobe_lift"), "rocker_ratio": ratio, "lash": lash}


def _place(role: str, position: str) -> Place:
    return at_position(position) if position else at_role(role)


def exact(name: str, place: Place, value: float = 0.0) -> Input:
    """Give a part that is not wanted here, and bars nothing."""
    return Input(name, "", "not applicable", value, asked=place)


class _Told(Struct, frozen=True):
    """A lobe, what tells it from others, and its shape and centre as inputs."""

    shape: Input
    lobe: Lobe | None
    key: object
    centre: Input
    timed_by: str
    read: LobeRead | None = None


def _lobe(book: Book, role: str, position: str) -> _Told:
    """Give a valve's lobe. Remembered."""
    return recalled(book, _OF_LOBE, ("lobe", role, position), lambda: _by_table(book, role, position))


def _by_table(book: Book, role: str, position: str) -> _Told:
    found = table_near(book, role, position)
    read = lobe_read(book, found) if found else None
    if found is None or read is None:
        return _by_card(book, role, position)
    if read.is_pending:
        return _pending(_place(role, position))
    if read.lobe is None:
        return replace(_by_card(book, role, position), read=read)
    advanced = advanced_since(book.engine, found.table.depends_on.get("cam", ""))
    ground = Ground.STALE if stale_words(book, found) else Ground.NONE
    ground |= Ground.UNSOUND if read.troubles else Ground.NONE
    nose = nose_of_table(book, READ_AS[found.table.read_at], found.table.place)
    ground |= nose.ground if nose else Ground.NONE
    way = _AT_VALVE if found.table.read_at == "valve" else ""
    dial = book.engine.tool_as_read(found.table.tool, found.table.when)
    ground |= tool_ground(book, dial, found.table.when) | tool_ground(
        book, book.engine.tool_as_read(found.table.wheel, found.table.when), found.table.when
    )
    ground |= Ground.NONE if dial_read_all(book, found) else Ground.NO_TOOL
    own = scatter_doubt(dial, 0.0) if dial else 0.0
    shape = Input("lobe_shape", found.table.place.title, "measured", 0.0, own, ground=ground, way=way,
                  asked=_place(role, position))  # fmt: skip
    centre, timed_by = _centre(book, role, position, read, advanced or 0.0)
    return _Told(shape, read.lobe, found.key, centre, timed_by, read)


def tool_ground(book: Book, tool: Tool | None, read_on: str) -> Ground:
    """Tell what bars what was read with a tool: one nobody named, of which nothing is stated, or that was overdue then."""
    if tool is None or not tool.is_stated:
        return Ground.NO_TOOL
    return Ground.STALE if correction_for(book, tool, read_on)[1] else Ground.NONE


def _by_card(book: Book, role: str, position: str) -> _Told:
    flank, place = flank_of(book, role), _place(role, position)
    centre, timed_by = _centre(book, role, position, None)
    if flank == PENDING:
        return _pending(place)
    if isinstance(flank, str):
        shape = Input("lobe_shape", "", "missing", ground=Ground.MISSING, note=flank, asked=place)
        return _Told(shape, None, "", centre, timed_by)
    card = lobe_of(book.engine, role)
    off = _CARD_MM[2 if card is None or len(durations_of(card)) < 3 else 3]
    shape = Input("lobe_shape", "the cam card", "assumed", 0.0, ground=Ground.ASSUMED, low=-off, high=off,
                  note="drawn from the card: its shape between the durations is assumed", asked=place)  # fmt: skip
    return _Told(shape, CardLobe(flank), role, centre, timed_by)


def _pending(place: Place) -> _Told:
    """Give a lobe that is being worked out: so long, all that rests on it is missing."""
    ground = Ground.MISSING | Ground.PENDING
    shape, centre = (
        Input(name, "", "missing", ground=ground, note=PENDING, asked=place)
        for name in ("lobe_shape", "lobe_centreline")
    )
    return _Told(shape, None, "", centre, "")


def _centre(
    book: Book, role: str, position: str, read: LobeRead | None, advanced_deg: float = 0.0
) -> tuple[Input, str]:
    """Give the lobe's centre, crank degrees from TDC, and what it is by: its own stops, the wheel, else the card within a range."""
    place, side = _place(role, position), side_of(role)
    if read is not None and read.centre_deg is not None:
        wheel = book.engine.tool_as_read(read.found.table.wheel, read.found.table.when)
        ground = tool_ground(book, wheel, read.found.table.when)
        ground |= Ground.PREDICTED if advanced_deg else Ground.NONE
        shared: Shared = (offset_source(wheel, offset_doubt(wheel, 0.0)),) if wheel else ()
        scatter = scatter_doubt(wheel, 0.0) if wheel else 0.0
        own = sqrt(read.centre_u_deg**2 + scatter**2 / 2.0)  # the stop was read both ways
        return Input("lobe_centreline", place.title, "measured", read.centre_deg - advanced_deg, own, shared, ground, asked=place,
                     tool=wheel.name if wheel else ""), BY_STOPS  # fmt: skip
    told = resolve(book, "lobe_centreline", place)
    if told.kind == "measured":
        return summed(told, told.value * side, [(side, told)]), BY_WHEEL
    by_card = centre_deg(book, role)
    if by_card is None:
        return Input("lobe_centreline", "", "missing", ground=Ground.MISSING, asked=place), BY_CARD
    centre = by_card - advanced_on_card(book.engine)
    by_card_only = "the cam is not degreed, so it may be off its card"
    return Input("lobe_centreline", "the cam card", "assumed", centre, ground=Ground.ASSUMED, low=centre - _TIMING_DEG,
                 high=centre + _TIMING_DEG, note=by_card_only, asked=place), BY_CARD  # fmt: skip
