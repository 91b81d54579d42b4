"""What a reading of the room over the piston becomes by what was changed since, at the crank angle it was taken at.

A cut, a gasket, a seat or lash moves every angle alike. Another ratio, another lobe lift and the cam's advance move the valve by
what its own lift at that angle moves, which only a lobe and its timing can tell: where they are not known, nobody can say.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from honest_lift.estimates.alike import values_of
from honest_lift.estimates.predicted import predicted, telling
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.engine import Book
from honest_lift.facts.fitments import Fitment
from honest_lift.facts.place import at_position

_SCALED = ("ratio", "lobe_lift")
_TURNED = "advance"


def moved_room(book: Book, position: str, crank_deg: float, room_mm: float, done: Sequence[Fitment]) -> float | None:
    """Give the room at an angle from what it was read at and what was done since, in order; None where that can't be told."""
    place = at_position(position)
    if any(one.amount is None for one in done):
        return None
    by_lift = [one for one in done if one.change in (*_SCALED, _TURNED)]
    rest = [one for one in done if one not in by_lift]
    room = predicted(telling(book, resolve), "piston_valve_room", place, room_mm, rest) if rest else room_mm
    if room is None or not by_lift:
        return room
    advanced = sum(one.amount or 0.0 for one in by_lift if one.change == _TURNED)
    factor = float(
        np.prod([one.amount or 1.0 for one in by_lift if one.change in _SCALED and one.part in ("", place.role)])
    )
    lifts = _lifts(
        book, position, (crank_deg, crank_deg - advanced)
    )  # before it was advanced it stood where it now does later
    if lifts is None or factor <= 0.0:
        return None
    lash = resolve(book, "lash", place).value
    lash = lash if np.isfinite(lash) else 0.0
    before = max((lifts[1] + lash) / factor - lash, 0.0) if lifts[1] > 0.0 else 0.0
    return room - (lifts[0] - before)


def _lifts(book: Book, position: str, crank_deg: tuple[float, float]) -> tuple[float, float] | None:
    """Give the valve's lift, mm, as the engine stands at two angles; None where lobe, timing or gear are not known."""
    names = [one.id for one in book.engine.layout.positions]
    lifted = EveryTrain(book).lifted(names.index(position), position)
    if lifted.missing or lifted.lobe is None:
        return None
    found = Motion(book, [lifted]).lift(np.array(crank_deg)[:, None], values_of(lifted.parts))
    now, before = (float(one) for one in np.ravel(found))
    return (now, before) if np.isfinite([now, before]).all() else None
