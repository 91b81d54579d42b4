"""The turn plan: the fewest stops of the crank at which every valve stands on its base circle, and what is done at each.

The same stops serve lash, the lever tester, and whatever else wants a valve that is shut.
"""

from __future__ import annotations

from math import isfinite

import numpy as np
from msgspec import Struct

from honest_lift.checks.rocker.seen import wanted_lash_mm
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.train.base_circle import OnBase, base_circles
from honest_lift.facts.engine import Book
from honest_lift.facts.firing import CYCLE_DEG
from honest_lift.facts.ledger import by_place
from honest_lift.facts.place import at_position
from honest_lift.mechanics.cam.turn_plan import farthest_in, room_deg
from honest_lift.numbers.doubt import Array

_HALF = CYCLE_DEG / 2.0
_ENOUGH = 5.0  # degrees more inside than the arcs' own margin: a mark that is there already is worth more


class AtStop(Struct, frozen=True):
    """A valve at its stop: how far inside its base circle, crank degrees; lash wanted cold and hot, and read, mm; turns to go.

    `too_wide_mm`: what was read less what is wanted the way it was read, cold or hot. NaN for what there is none of.
    """

    position: str
    room_deg: float
    cold_mm: float
    hot_mm: float
    read_mm: float
    too_wide_mm: float
    turns: float


class Stop(Struct, frozen=True):
    """A stop of the crank: degrees after the first cylinder's firing TDC, and its valves in head order.

    `after`: the cylinder that fired last before it, and `past_deg` degrees ago.
    """

    crank_deg: float
    valves: tuple[AtStop, ...]
    after: int
    past_deg: float

    @property
    def wheel_deg(self) -> float:
        """Give where the wheel on the crank stands."""
        return self.crank_deg % 360.0


class TurnPlan(Struct, frozen=True):
    """Stops in the order they are reached; `margin_deg`: the least room of a valve at its stop; `missing`: what was not planned."""

    stops: tuple[Stop, ...] = ()
    margin_deg: float = 0.0
    missing: tuple[str, ...] = ()
    base: tuple[OnBase, ...] = ()

    @property
    def order(self) -> tuple[str, ...]:
        """Give the valves in the order they are reached."""
        return tuple(one.position for stop in self.stops for one in stop.valves)


def turn_plan(book: Book) -> TurnPlan:
    """Plan the turn of an engine; what is missing is said, and the valves of which all is known are planned."""
    every = base_circles(book)
    known = [one for one in every if not one.missing]
    missing = tuple(dict.fromkeys(one.missing for one in every if one.missing))
    if not known:
        return TurnPlan(missing=missing)
    start, length = (np.array([getattr(one, name) for one in known]) for name in ("start_deg", "length_deg"))
    stops, margin = _marked(start, length, {one.at_deg % 360.0 for one in book.engine.firing})
    rooms = np.stack([room_deg(stop, start, length) for stop in stops])
    of_stop = rooms.argmax(axis=0)
    found = [_stop(book, at, [known[i] for i in np.flatnonzero(of_stop == row)], rooms[row][of_stop == row])
             for row, at in enumerate(stops)]  # fmt: skip
    return TurnPlan(tuple(one for one in found if one.valves), margin, missing, tuple(every))


def _marked(start: Array, length: Array, marks: set[float]) -> tuple[list[float], float]:
    """Give the stops at marks a person can set: two a turn apart at the TDC of a cylinder where they do, else whole degrees."""
    stops, margin = farthest_in(start, length)
    if len(stops) == 2:
        few = {mark: _least([mark, mark + _HALF], start, length) for mark in sorted(marks)}
        first = max(few, key=lambda one: few[one])
        if few[first] >= min(_ENOUGH, 0.5 * margin):
            return [first, first + _HALF], few[first]
    whole = [round(one) % CYCLE_DEG for one in stops]
    least = _least(whole, start, length)
    return (sorted(whole), least) if least > 0.0 else (stops, margin)


def _least(stops: list[float], start: Array, length: Array) -> float:
    """Give the least room that a valve has at the best of its stops."""
    return float(np.stack([room_deg(one % CYCLE_DEG, start, length) for one in stops]).max(axis=0).min())


def _stop(book: Book, at: float, valves: list[OnBase], rooms: Array) -> Stop:
    past = [((at - one.at_deg) % CYCLE_DEG, one.cylinder) for one in book.engine.firing]
    gone, cylinder = min(past)
    own = tuple(_at_stop(book, one.position, float(room)) for one, room in zip(valves, rooms, strict=True))
    return Stop(at, own, cylinder, gone)


def _at_stop(book: Book, position: str, room: float) -> AtStop:
    cold, hot = (_wanted_mm(book, position, way) for way in ("feeler", "feeler_hot"))
    read, way = _read(book, position)
    too_wide = read - (hot if way == "feeler_hot" else cold)
    return AtStop(position, room, cold, hot, read, too_wide, _turns(book, position, too_wide))


def _wanted_mm(book: Book, position: str, way: str) -> float:
    """Give the lash a valve is to have, by the way it is read; NaN where nobody says, or its lifter takes it up."""
    return float("nan") if book.engine.lifter.startswith("hydraulic") else wanted_lash_mm(book, position, way)


def _read(book: Book, position: str) -> tuple[float, str]:
    """Give the lash that was read at a valve, mm, and the way it was; NaN for none."""
    read = [one for one in by_place(book.journal).get(("lash", at_position(position)), ()) if not one.fate]
    own = at_valve(book, "lash", position)
    return (own.value, own.way) if read else (float("nan"), "")


def _turns(book: Book, position: str, too_wide_mm: float) -> float:
    """Give turns of the adjuster that close a lash by so much; NaN where pitch or ratio is not stated, or shims set it.

    A nut on a stud lowers the pivot by its pitch, and the tip by 1 + ratio of it; a screw in the pushrod's arm lowers the tip by
    the ratio. Source: similar triangles over the cup, or over the pivot.
    """
    engine = book.engine
    if engine.gear != "pushrod":
        return float("nan")
    pitch, ratio = (at_valve(book, name, position).value for name in ("nut_pitch", "rocker_ratio"))
    lever = ratio + (1.0 if engine.rocker_mount == "stud" else 0.0)
    return too_wide_mm / (pitch * lever) if isfinite(pitch * lever) and pitch > 0.0 else float("nan")
