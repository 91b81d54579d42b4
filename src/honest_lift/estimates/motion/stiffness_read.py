"""The stiffness of a valve train as it was read: at this valve, or at others of its role, which may differ by so much.

What was read on one train speaks of another of the same parts within a doubt of its own.
"""

from __future__ import annotations

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.as_fitted import as_fitted
from honest_lift.estimates.estimate import Input, summed
from honest_lift.estimates.resolve import counting_readings, measured
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.mechanics.motion.stiffness import misfit_mm, yields_by
from honest_lift.numbers.doubt import Array, Ground

AT = "tip_load"
_LOAD_U = 0.02  # of the load on a tip by lever, weights or a known spring. From memory
_APART = 0.08  # by which trains of one role differ. From memory
_MISFIT = 4.0  # times what the indicator repeats to: a reading farther off the line is another thing than bending


class StiffnessRead(Struct, frozen=True):
    """Readings at a valve, in rising load, and the stiffness they come to; None where they make none, and why."""

    load_n: tuple[float, ...] = ()
    lost_mm: tuple[float, ...] = ()
    stiffness: Input | None = None
    why_not: str = ""


def stiffness_read(book: Book, position: str) -> StiffnessRead:
    """Give what was read at one valve."""
    place = at_position(position)
    found = {one.reading.at[AT]: one for one in counting_readings(book, "lift_lost", place) if AT in one.reading.at}
    if not found:
        return StiffnessRead()
    loads = np.array(sorted(found))
    told = [measured(book, "lift_lost", (found[load],), asked=place) for load in loads.tolist()]
    lost = np.array([one.value for one in told])
    rows = tuple(loads.tolist()), tuple(lost.tolist())
    weights = yields_by(loads)
    yields = float(weights @ lost)
    if not yields > 0.0:
        return StiffnessRead(*rows, None, "the valve gives way no more under more load: read it again")
    return StiffnessRead(*rows, _stiffness(told, weights, yields, misfit_mm(loads, lost)))


def _stiffness(told: list[Input], weights: Array, yields: float, off_mm: float) -> Input:
    """Give the stiffness: one over what the train yields, with the doubts of all readings."""
    rate = 1.0 / yields
    ground = Ground.NONE
    for one in told:
        ground |= one.ground
    alone = max((one.own_u for one in told), default=0.0)
    if off_mm > _MISFIT * max(alone, 1e-4):
        ground |= Ground.UNSOUND
    if ground & Ground.ASSUMED:  # what only goes and does not is in millimetres: it bounds no stiffness
        ground |= Ground.UNRANGED
    notes = dict.fromkeys(one.note for one in told if one.note)
    into = Input("train_stiffness", told[0].where, "measured", ground=ground, tool=told[0].tool, when=told[0].when,
                 note="; ".join(notes), asked=told[0].asked, count=len(told))  # fmt: skip
    whole = summed(into, rate, zip((-rate * rate * weights).tolist(), told, strict=True))
    note = "its readings lie on no line: read it again" if ground & Ground.UNSOUND else whole.note
    return replace(whole, note=note, each=(*whole.each, ("load:tip", "load on the tip, from memory", _LOAD_U * rate)))


def stiffness_at(book: Book, position: str) -> Input | None:
    """Give the stiffness that was read here, else of the valves of its role where it was; None where nobody read it."""
    own = stiffness_read(book, position).stiffness
    if own is not None:
        return own
    role = at_position(position).role
    alike = [one.id for one in book.engine.layout.positions if one.role == role and one.id != position]
    read = [one for one in (stiffness_read(book, name).stiffness for name in alike) if one is not None]
    if not read:
        return None
    share = 1.0 / len(read)
    mean = sum(one.value for one in read) * share
    ground = Ground.NONE
    for one in read:
        ground |= one.ground
    told = replace(read[0], ground=ground, count=sum(one.count for one in read), asked=at_position(position))
    whole = summed(told, mean, [(share, one) for one in read])
    apart = max(_APART * mean, float(np.std([one.value for one in read])))
    whole = replace(whole, each=(*whole.each, ("train:apart", "trains of one role differ, from memory", apart)))
    return as_fitted(book, whole, at_position(position))
