"""The chamber of every cylinder: poured or weighed, less what leaked meanwhile, and held unproven where a leak is suspected.

Repeats that do not agree settle nothing until there are enough of them; a chamber much larger than its neighbours leaks until
somebody watched it hold, or mended its seat and poured again. Source: common practice.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.clearance.piston_valve_read import disagree
from honest_lift.estimates.estimate import Estimate, Input, derive, either, estimate_of
from honest_lift.estimates.observed import choice_of
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import counting_readings
from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.place import at_cylinder, position_title
from honest_lift.mechanics.cylinder.pours import (
    MOST_LEAK_CC_PER_MIN,
    UNLIKE_CC,
    leak_model_u,
    less_what_leaked,
    over_neighbours,
    volume_of_water,
)
from honest_lift.numbers.doubt import Array, Ground
from honest_lift.numbers.units import in_words
from honest_lift.numbers.verdict import Verdict

_ENOUGH = 5  # pours that don't agree still have a middle one. Common practice, no source
_HOLDS_CC = 0.05  # a burette reads no less: watched for a minute, it holds
_FILL_S = (30.0, 300.0)  # from memory: how long pours take where nobody looked at a watch
_EDGE_CC = 1e-9


class Chambers(Struct, frozen=True):
    """The volume of every cylinder's chamber (n,) in cc, in the order of `cylinders`; why one proves nothing, "" where it may.

    `poured`: how many pours of each count; `over`: how much larger each is than the middle one of the others.
    """

    cylinders: tuple[str, ...]
    volume: Estimate
    why_not: tuple[str, ...]
    poured: tuple[int, ...]
    over: Array


RESTS_ON = frozenset({"chamber_volume", "chamber_water", "water_temperature", "fill_time", "leak_drop", "leak_test"})
_SLOTS = slots_of(RESTS_ON)


def chambers(book: Book) -> Chambers:
    """Give the chambers in head order; remembered while nothing they rest on changes."""
    return _chambers(narrowed(book, RESTS_ON, _SLOTS))


@by_value
def _chambers(book: Book) -> Chambers:
    cylinders = tuple(str(one) for one in book.engine.layout.cylinders)
    poured = [of_cylinder(book, "chamber_volume", one) for one in cylinders]
    weighed, left = _weighed(book, cylinders), _less_leak(book, cylinders, poured)
    by_pour = np.array([one.is_told for one in poured], dtype=bool)
    # where nothing is begun, a pour is what is asked for
    by_weight = np.array([one[0].is_told for one in weighed.inputs], dtype=bool)
    volume = either(by_pour | ~by_weight, left, weighed)
    over = over_neighbours(volume.figure.value) if len(cylinders) > 1 else np.full(len(cylinders), np.nan)
    why = [_why_not(book, one, poured[i], float(over[i])) for i, one in enumerate(cylinders)]
    for i in np.flatnonzero(by_pour & np.isfinite(weighed.figure.value)):
        why[i] = why[i] or _apart(book, _as_input(left, int(i)), _as_input(weighed, int(i)))
    figure = volume.figure.on_ground(np.array([bool(one) for one in why], dtype=bool), Ground.SUSPECT)
    return Chambers(cylinders, Estimate(figure, volume.inputs), tuple(why), tuple(one.count for one in poured), over)


def _weighed(book: Book, cylinders: Sequence[str]) -> Estimate:
    water = estimate_of([of_cylinder(book, "chamber_water", one) for one in cylinders])
    return derive(
        volume_of_water, water, estimate_of([of_cylinder(book, "water_temperature", one) for one in cylinders])
    )


def _less_leak(book: Book, cylinders: Sequence[str], poured: Sequence[Input]) -> Estimate:
    """Take off what leaked while a chamber filled; one that nobody watched is taken as it was read."""
    drops = [_watched(book, one) for one in cylinders]
    fills = [
        _fill(book, one) if drop.value > 0 else Input("fill_time", "", "not applicable", 0.0)
        for one, drop in zip(cylinders, drops, strict=True)
    ]
    by_model = [
        replace(drop, each=(*drop.each, ("leak:model", "what a leak loses while filling", _share_u(drop, fill))))
        if drop.value > 0 and fill.value > 0 else drop
        for drop, fill in zip(drops, fills, strict=True)
    ]  # fmt: skip
    return derive(less_what_leaked, *(estimate_of(part) for part in (poured, by_model, fills)))


def _share_u(drop: Input, fill: Input) -> float:
    """Give the doubt of the share that leaks as one of the leak itself, which it multiplies."""
    return leak_model_u(drop.value, fill.value) / (0.75 * fill.value / 60.0)


def _watched(book: Book, cylinder: str) -> Input:
    told = of_cylinder(book, "leak_drop", cylinder)
    if told.ground & Ground.MISSING and not told.note:
        return Input("leak_drop", "", "not applicable", 0.0)
    return told


def _fill(book: Book, cylinder: str) -> Input:
    told = of_cylinder(book, "fill_time", cylinder)
    if isfinite(told.value) or told.note:
        return told
    note = "the time to fill was not taken, so it is assumed"
    return Input("fill_time", "", "assumed", sum(_FILL_S) / 2.0, ground=Ground.ASSUMED, low=_FILL_S[0], high=_FILL_S[1],
                 note=note, asked=at_cylinder(cylinder))  # fmt: skip


def _why_not(book: Book, cylinder: str, poured: Input, over_cc: float) -> str:
    """Say what bars a chamber's volume; "" for nothing."""
    unit = book.engine.unit("volume")
    if weeping := [one for one in book.engine.layout.of_cylinder(cylinder) if _weeps(book, one)]:
        valves = " and ".join(position_title(one) for one in weeping)
        return f"{valves} leaks, so chamber {cylinder} does not count; repair the seat and pour again"
    leak = of_cylinder(book, "leak_drop", cylinder)
    if leak.value > MOST_LEAK_CC_PER_MIN + _EDGE_CC:
        lost = in_words(leak.value, "volume", unit)
        return f"chamber {cylinder} loses {lost} a minute, so no pour counts; repair the seat, or seal the plug, and pour again"
    if poured.warning and poured.count < _ENOUGH:
        more = "a third pour" if poured.count == 2 else "two more pours, and the median of five counts"
        return f"its {poured.count} pours do not agree: {more}"
    if over_cc >= UNLIKE_CC - _EDGE_CC and not _holds(book, cylinder, leak):
        more = in_words(over_cc, "volume", unit)
        return (
            f"{more} larger than its neighbours: it leaks until proven otherwise; watch it full for a minute, "
            "or repair the seat and pour again"
        )
    if -over_cc >= UNLIKE_CC - _EDGE_CC and poured.count < 2:
        less = in_words(-over_cc, "volume", unit)
        return f"{less} smaller than its neighbours: a bubble, or the plug's depth; pour it again"
    return ""


def _weeps(book: Book, position: str) -> bool:
    seen = at_valve(book, "leak_test", position)
    choice = choice_of(seen)
    return choice is not None and choice.verdict is Verdict.FAILS and not seen.ground & Ground.STALE


def _holds(book: Book, cylinder: str, leak: Input) -> bool:
    """Tell whether a chamber was watched and held, or a seat of it was mended before what counts was poured."""
    if leak.kind == "measured" and not leak.ground and leak.value <= _HOLDS_CC:
        return True
    read = counting_readings(book, "chamber_volume", at_cylinder(cylinder))
    seats = {key for one in read[-1:] for key, then in one.depends_on.items() if key.startswith("seat@") and then}
    return bool(seats)


def _apart(book: Book, poured: Input, weighed: Input) -> str:
    if not disagree(poured, weighed):
        return ""
    other = in_words(weighed.value, "volume", book.engine.unit("volume"))
    return f"weighed it comes to {other}, and they can't both be: a bubble, the temperature, or a level read at its rim"


def _as_input(one: Estimate, case: int) -> Input:
    figure = one.figure
    return Input("chamber_volume", "", "measured", float(figure.value[case]), float(figure.u[case]))
