"""Seats of the springs: one plane over the head, in line with the guide, wide enough for what stands on them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, is_given, on_valves, where_stated
from honest_lift.checks.spread_out import among
from honest_lift.estimates.estimate import Estimate, derive, estimate_of
from honest_lift.estimates.of_spring import inside, outside
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

SPRING_SEAT_LEVEL = Check(
    "spring_seat_level", "Spring seat level", "head", "length",
    "How far the seat of the spring lies above the median of its head.",
)  # fmt: skip
SPRING_SEAT_RUNOUT = Check(
    "spring_seat_runout", "Spring-seat runout", "head", "length",
    "Runout of the spring seat to its guide, over a full turn.",
)  # fmt: skip
SPRING_ON_FLOOR = Check(
    "spring_on_floor", "Spring on its floor", "head", "length", "Floor of the pocket less the spring's outside.",
)  # fmt: skip
SPRING_OVER_BOSS = Check(
    "spring_over_boss", "Spring over its boss", "head", "length", "Inside of the spring less the boss under it.",
)  # fmt: skip
CUTTER_TOUCH = Check(
    "cutter_touch", "Cutter's touch", "head", "length",
    "How much higher the cutter touches a seat than the map has it, by the median of what was touched on its head.",
)  # fmt: skip
_AIM_MM = 0.05  # common practice, no source
_HIGH_MM = 0.1  # over specification by that it is worth a word. Common practice, no source


def check_spring_seats(book: Book) -> list[Finding]:
    """Hold the seats against each other, each against its guide, and the spring against its pocket where that is known."""
    height = everywhere(book, "spring_seat_height")
    level = among(height, by_head(book), _over_the_middle)
    terms = {"over_specification": height.figure.value}
    runout = everywhere(book, "spring_seat_runout")
    return [
        *on_valves(book, SPRING_SEAT_LEVEL, level, terms, _high_words(book, height)),
        *on_valves(book, SPRING_SEAT_RUNOUT, runout, {}),
        *_touched(book, height),
        *_on_floor(book),
    ]


def _touched(book: Book, height: Estimate) -> list[Finding]:
    """Hold where the cutter touched against the map, seat by seat that was touched; the cutter's nought drops out over a head."""
    if not is_given(book, CUTTER_TOUCH.name):
        return []
    touch = everywhere(book, CUTTER_TOUCH.name)
    there = np.array([one[0].is_told for one in touch.inputs], dtype=bool)
    over = derive(np.subtract, touch, height)
    off = among(over, [rows[there[rows]] for rows in by_head(book)], _over_the_middle)
    terms = {"touched_at": touch.figure.value, "over_specification": height.figure.value}
    found = on_valves(book, CUTTER_TOUCH, off, terms, [_touch_words(book, one) for one in off.figure.value.tolist()])
    return [one for one, told in zip(found, there.tolist(), strict=True) if told]


def _over_the_middle(rows: Array) -> Array:
    return np.asarray(rows - np.median(rows, axis=-1, keepdims=True))


def _touch_words(book: Book, off_mm: float) -> str:
    if not np.isfinite(off_mm):
        return "touch another seat of its head: the cutter's nought drops out between two"
    if abs(off_mm) <= _AIM_MM:
        return ""
    amount = in_words(abs(off_mm), "length", book.engine.unit("length"))
    when = "earlier" if off_mm > 0 else "later"
    return f"it touches {amount} {when} than the map says: a burr, a pilot off, or a seat read wrong"


def by_head(book: Book) -> list[NDArray[np.int64]]:
    """Give the rows of the valves of each head: its seats belong in one plane, and no other head's do."""
    layout = book.engine.layout
    heads = [layout.head_of(one.id) for one in layout.positions]
    return [np.array([row for row, head in enumerate(heads) if head == name]) for name in dict.fromkeys(heads)]


def _high_words(book: Book, height: Estimate) -> list[str]:
    unit = book.engine.unit("length")
    return [
        f"it is {in_words(one, 'length', unit)} above specification" if one > _HIGH_MM else ""
        for one in height.figure.value.tolist()
    ]


def _on_floor(book: Book) -> list[Finding]:
    """Hold the spring against floor and boss, where anybody says how wide they are."""
    springs = [book.engine.spring_at(one.id) for one in book.engine.layout.positions]
    found: list[Finding] = []
    if is_given(book, "floor_diameter"):
        floor, wide = everywhere(book, "floor_diameter"), estimate_of([outside(book, one) for one in springs])
        terms = {"floor": floor.figure.value, "spring_outside": wide.figure.value}
        room = on_valves(book, SPRING_ON_FLOOR, derive(np.subtract, floor, wide), terms)
        found += where_stated(room, "floor_diameter")
    if is_given(book, "pilot_diameter"):
        boss, bore = everywhere(book, "pilot_diameter"), estimate_of([inside(book, one) for one in springs])
        terms = {"spring_inside": bore.figure.value, "boss": boss.figure.value}
        over = on_valves(book, SPRING_OVER_BOSS, derive(np.subtract, bore, boss), terms)
        found += where_stated(over, "pilot_diameter")
    return found
