"""Installed height at each valve: the reading, with what its way of measuring adds or takes off."""

from __future__ import annotations

from collections.abc import Sequence
from math import sqrt
from operator import is_

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import counting_readings, disagreeing, measured, missing, resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import by_place
from honest_lift.facts.memory.narrowed import narrowed
from honest_lift.facts.memory.remember import by_value, named_memory
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import changes_since, is_stale, noted_change
from honest_lift.numbers.doubt import Ground

_PARTS = frozenset({"locator_thickness", "left_out", "retainer_thickness", "tip_to_step", "shims"})


_STACK: frozenset[str] = frozenset({"shims", "locator", "retainer", "locks", "valve"})


def installed_height(book: Book, positions: Sequence[str]) -> Estimate:
    """Give the installed height (n,) in mm at positions, by whichever way each was measured."""
    return height_from(height_inputs(book, positions))


def height_inputs(book: Book, positions: Sequence[str]) -> list[tuple[Input, ...]]:
    """Give, for each position, its raw reading and then what its way of measuring adds or takes off."""
    parts = _parts(narrowed(book, _PARTS, _STACK))
    raw = (_remembered(book, name) for name in positions)
    return [
        (one, *(parts[quantity, name] for _, quantity in _corrections(one)))
        for name, one in zip(positions, raw, strict=True)
    ]


def _remembered(book: Book, position: str) -> Input:
    """Give the raw height of a position as it stands; remembered while what it is made from is the very same.

    Two ways that are held against each other rest on more than that, and are looked at each time.
    """
    engine = book.engine
    read = by_place(book.journal).get(("installed_height", at_position(position)), ())
    made_from = (read, engine.fitments, engine.tools, engine.facts, engine.default_tools, engine.layout, engine.tolerances,
                 book.set_aside)  # fmt: skip
    known = _kept.get(position)
    if known and all(map(is_, known[0], made_from)):
        return known[1]
    found = _with_other_shims(book, position, resolve(book, "installed_height", at_position(position)))
    if len({one.reading.way for one in read if not one.fate}) > 1:
        return _cross_checked(book, position, found)
    _kept[position] = (made_from, found)
    return found


_kept: dict[str, tuple[tuple[object, ...], Input]] = named_memory()


def _cross_checked(book: Book, position: str, raw: Input) -> Input:
    """Hold every other way of measuring against the latest: where two differ by more than both doubt, neither proves anything."""
    read = counting_readings(book, "installed_height", at_position(position)) if raw.kind == "measured" else ()
    others = {one.reading.way: one for one in read if one.reading.way != raw.way and not is_stale(book.engine, one)}
    for way, other in others.items():
        told = measured(book, "installed_height", (other,))
        both = [height_from([(one, *_parts_of(book, one.way, position))]) for one in (raw, told)]
        apart = derive(np.subtract, *both).figure
        if abs(float(apart.value[0])) > float(apart.expanded[0]):
            words = disagreeing(book, CATALOG["installed_height"], (raw.way, way), float(apart.value[0]))
            asked = "a dished retainer, or a part not stated?" if "caliper" in (raw.way, way) else "a part not stated?"
            return replace(raw, ground=raw.ground | Ground.UNSOUND, note=f"{words}; {asked}")
    return raw


def _with_other_shims(book: Book, position: str, raw: Input) -> Input:
    """Predict a height from a reading taken before the shims were changed: nothing else may have been.

    Read with the shims in, it has moved by what they differ; read without, today's stack comes off it as it is. Either
    way it is unproven until one reading confirms it.
    """
    read = counting_readings(book, "installed_height", at_position(position)) if raw.kind == "measured" else ()
    if not read:
        return raw
    engine = book.engine
    latest = ([one for one in read if not is_stale(engine, one)] or list(read))[-1]
    if not raw.ground & (Ground.STALE | Ground.PREDICTED):
        changed = noted_change(engine, latest) == "shims"
        return replace(raw, ground=raw.ground | Ground.PREDICTED, note=_CONFIRM) if changed else raw
    return replace(raw, note=_CONFIRM) if [slot for slot, _ in changes_since(engine, latest)] == ["shims"] else raw


_CONFIRM = "the shims were changed after it was read: one reading confirms it"


def _corrections(raw: Input) -> tuple[tuple[int, str], ...]:
    way = CATALOG["installed_height"].way(raw.way)
    return way.corrections if way else ()


def height_from(inputs: Sequence[tuple[Input, ...]]) -> Estimate:
    """Give the installed height (n,) in mm from each position's raw reading and its corrections."""
    total = estimate_of([one[0] for one in inputs])
    signed = [{quantity: sign for sign, quantity in _corrections(one[0])} for one in inputs]
    for quantity in dict.fromkeys(part.quantity for one in inputs for part in one[1:]):
        used = [next((part for part in one[1:] if part.quantity == quantity), _none(quantity)) for one in inputs]
        signs = np.array([by.get(quantity, 0) for by in signed])
        part = Estimate(
            estimate_of(used).figure,
            tuple((one,) if sign else () for one, sign in zip(used, signs, strict=True)),
        )
        total = derive(lambda height, extra, by=signs: height + by * extra, total, part)
    return total


@by_value
def _parts(book: Book) -> dict[tuple[str, str], Input]:
    """Give every correction at every position; remembered while none of them changes."""
    names = [one.id for one in book.engine.layout.positions]
    return {(quantity, name): _correction(book, quantity, name) for quantity in _PARTS for name in names}


def shim_stack(book: Book, position: str) -> Input:
    """Give the height of the shims under the outer spring at a position, as fitted."""
    place = at_position(position)
    fitted = book.engine.fitted("shims", position)
    height = fitted.height_mm if fitted else None
    if height is None:
        return missing(book, "shims", place, "no shims are stated here: enter 0 where there are none")
    single = next((one.of(height) for one in book.engine.tolerances if one.quantity == "shims"), None)
    count = len(fitted.thicknesses_mm or ()) if fitted else 0
    tolerance = None if single is None else single * sqrt(count)  # each shim has its own
    if height == 0.0:
        return Input("shims", place.title, "specified", 0.0, asked=place)
    ground = Ground.SPECIFIED | (Ground.UNTOLERATED if tolerance is None else Ground.NONE)
    return Input(
        "shims",
        place.title,
        "specified",
        height,
        own_u=(tolerance or 0.0) / 3**0.5,
        ground=ground,
        asked=place,
    )


def _correction(book: Book, quantity: str, position: str) -> Input:
    if quantity == "shims":
        return shim_stack(book, position)
    return at_valve(book, quantity, position)


def _none(quantity: str) -> Input:
    return Input(quantity, "", "not applicable", 0.0)


def corrected(book: Book, way: str, position: str, raw_mm: float) -> tuple[float, tuple[Input, ...]]:
    """Give what a raw height read this way comes to at a position, and what was added or taken off.

    NaN where something that must come off is not stated.
    """
    found = CATALOG["installed_height"].way(way)
    parts = _parts_of(book, way, position)
    signs = (sign for sign, _ in (found.corrections if found else ()))
    return raw_mm + sum(sign * one.value for sign, one in zip(signs, parts, strict=True)), parts


def _parts_of(book: Book, way: str, position: str) -> tuple[Input, ...]:
    """Give what is added or taken off at a position where a height is read this way."""
    found = CATALOG["installed_height"].way(way)
    return tuple(_correction(book, name, position) for _, name in (found.corrections if found else ()))
