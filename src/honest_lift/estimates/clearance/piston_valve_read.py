"""Piston to valve as it was read: a row of indicator readings around the overlap, and clay; held against each other.

A row tells its least only where that lies between others close by: three looks prove nothing of what lies between them.
"""

from __future__ import annotations

from math import hypot, nan, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.clearance.gasket_out import with_gasket
from honest_lift.estimates.clearance.room_moved import moved_room
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import counting_readings, measured
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import done_since, is_stale
from honest_lift.numbers.doubt import COVERAGE, Ground

AT = "crank_at"
_FEWEST, _WIDEST_DEG = 5, 6.0
_APART_MM = 0.15  # a row further than that off what its neighbours make is looked at. From memory
_SPRING_BACK_MM = 0.015 * 25.4  # clay may read so much too thick. Common practice, no source


class Row(Struct, frozen=True):
    """One reading of the row. `odd`: what is wrong with it, "" for nothing."""

    crank_deg: float
    room_mm: float
    reading: str
    odd: str = ""


class RoomRead(Struct, frozen=True):
    """What a row of readings says: its least as an input, where it stands, and what bars it ("" for nothing).

    `nearest`: the lowest reading of all: whatever lies between the angles, the room is no more than that.
    """

    rows: tuple[Row, ...] = ()
    least: Input | None = None
    at_deg: float = nan
    why_not: str = ""
    nearest: Input | None = None


def room_read(book: Book, position: str) -> RoomRead:
    """Give what the row at a valve says, as it now stands."""
    found: dict[float, Standing] = {}
    for one in counting_readings(book, "piston_valve_room", at_position(position)):
        if AT in one.reading.at:
            found[one.reading.at[AT]] = one
    if not found:
        return RoomRead()
    fresh = {at: one for at, one in found.items() if not is_stale(book.engine, one)}
    counting = fresh or found  # what was read before a part was changed stands beside no reading of now
    angles = sorted(counting)
    told = {at: _measured(book, position, at, one) for at, one in counting.items()}
    rooms = [told[at].value for at in angles]
    odd = {at: _odd(angles, rooms, i) for i, at in enumerate(angles)}
    stale = "stale: read it again"
    rows = tuple(
        Row(at, told[at].value if at in told else one.reading.value, one.reading.id, odd.get(at, stale))
        for at, one in sorted(found.items())
    )
    lowest = int(np.argmin(rooms))
    nearest = told[angles[lowest]]
    if why := _why_not(angles, lowest):
        return RoomRead(rows, None, nan, why, nearest)
    at, least = _least(angles, rooms, lowest)
    ground = Ground.UNSOUND if any(one.odd for one in rows if one.crank_deg in counting) else Ground.NONE
    for beside in (lowest - 1, lowest, lowest + 1):  # the parabola rests on all three
        ground |= told[angles[beside]].ground
    return RoomRead(rows, replace(nearest, value=least, ground=ground), at, "", nearest)


def _measured(book: Book, position: str, at_deg: float, one: Standing) -> Input:
    """Give a reading of the row as it stands: moved by what was changed by a known amount since, at its own angle."""
    told = measured(book, "piston_valve_room", (one,), asked=at_position(position))
    done = done_since(book.engine, one) if told.ground & (Ground.STALE | Ground.PREDICTED) else None
    if not done:
        return told
    room = moved_room(book, position, at_deg, one.reading.value, done)
    if room is None:
        return replace(told, value=one.reading.value, ground=told.ground & ~Ground.PREDICTED | Ground.STALE)
    return replace(told, value=room, ground=told.ground & ~Ground.STALE | Ground.PREDICTED)


def _why_not(angles: list[float], lowest: int) -> str:
    if len(angles) < _FEWEST:
        return (
            f"{len(angles)} angles are an observation: the nearest place lies between them; read every 2 degrees there"
        )
    if lowest in (0, len(angles) - 1):
        return f"the min is the last one read, at {angles[lowest]:g}: go further"
    if max(angles[lowest] - angles[lowest - 1], angles[lowest + 1] - angles[lowest]) > _WIDEST_DEG:
        return f"beside the min, at {angles[lowest]:g}, the angles are too far apart; read every 2 degrees there"
    return ""


def _least(angles: list[float], rooms: list[float], lowest: int) -> tuple[float, float]:
    """Give the turning point of the parabola through the least and its neighbours."""
    x, y = np.array(angles[lowest - 1 : lowest + 2]), np.array(rooms[lowest - 1 : lowest + 2])
    bend, slope, level = np.polyfit(x - x[1], y, 2)
    if bend <= 0:
        return float(x[1]), float(y[1])
    at = float(np.clip(-slope / (2.0 * bend), x[0] - x[1], x[2] - x[1]))
    return float(x[1]) + at, float(min(level + slope * at + bend * at**2, y[1]))


def _odd(angles: list[float], rooms: list[float], i: int) -> str:
    """Say where a row is off the cubic through its two neighbours on each side, or off the parabola at an end of the row."""
    near = [j for j in range(len(angles)) if j != i]
    near = sorted(sorted(near, key=lambda j: abs(angles[j] - angles[i]))[:4])
    if len(near) < 4 or not near[0] < i < near[-1]:
        return ""
    x = np.array([angles[j] for j in near]) - angles[i]
    wanted = float(np.polyfit(x, np.array([rooms[j] for j in near]), 3)[-1])
    off = rooms[i] - wanted
    neighbours = [abs(rooms[j] - rooms[i]) for j in near]
    return (
        ""
        if abs(off) < max(_APART_MM, 0.25 * min(neighbours))
        else f"{abs(off):.2f} mm {'above' if off > 0 else 'below'} what its neighbours make"
    )


def clay_read(book: Book, position: str) -> Input | None:
    """Give the clay's thinnest place with the gasket that was out added, its doubt one-sided as clay's is; None for none."""
    told = at_valve(book, "piston_valve_clay", position)
    if told.ground & Ground.MISSING:
        return None
    springs = ("clay:spring-back", "clay springs back", _SPRING_BACK_MM / sqrt(3.0))
    if told.way == "clay_bare":
        told = with_gasket(told, at_valve(book, "gasket_thickness", position))
    return replace(told, each=(*told.each, springs))


def disagree(one: Input, other: Input) -> bool:
    """Tell whether two readings of the same thing differ by more than both their doubts."""
    return abs(one.value - other.value) > COVERAGE * hypot(one.u, other.u)
