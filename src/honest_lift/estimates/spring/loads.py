"""Each spring's load curve and bind height, from its own measured points, assembled or member by member."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Sequence
from math import isfinite, nan, sqrt

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.estimates.estimate import Estimate, Input, figure_of
from honest_lift.estimates.resolve import counting_readings, measured, missing, resolve, tool_of
from honest_lift.estimates.spring.beside import Beside, beside
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.spring.form import forms_of
from honest_lift.estimates.spring.tester import correction_for
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.parts import Member
from honest_lift.facts.place import Place, of_spring
from honest_lift.facts.tools import offset_doubt, offset_source, reaches
from honest_lift.mechanics.spring.form import Form
from honest_lift.mechanics.spring.nest import (
    nest_bind,
)
from honest_lift.numbers.decision import BARS
from honest_lift.numbers.doubt import Array, Figure, Ground, Source, combine

ASSEMBLED = Member("outer")  # the whole nest pressed at once counts as one member without a step


class _Point(Struct, frozen=True):
    height_mm: float
    stop: tuple[tuple[str, str, float], ...]  # doubt of the tester's height stop, or of the gauge that set it
    load: Input
    beside: Beside


def spring_curves(book: Book, springs: Sequence[str]) -> Curves:
    """Collect the curves of springs by id; "" or an unknown id is a spring that is not there."""
    nests = [_members(book, name) for name in springs]
    tables = [[_points(book, of_spring(name, m)) for _, m in nest] for name, nest in zip(springs, nests, strict=True)]
    width = max((len(nest) for nest in nests), default=1)
    depth = max((len(points) for table in tables for points in table), default=1) or 1
    shape = (len(springs), width, depth)
    heights, loads = _Grid(shape), _Grid(shape)
    for s, table in enumerate(tables):
        for m, points in enumerate(table):
            for p, point in enumerate(points):
                heights.put((s, m, p), point.height_mm, point.stop)
                scatter = (f"scatter:load:{m}:{p}", "load, the single reading", point.load.own_u)
                loads.put((s, m, p), point.load.value, point.load.shared, scatter)
    aside = [any(_aside(book, of_spring(name, m)) for _, m in nest) for name, nest in zip(springs, nests, strict=True)]
    ground = np.array([_ground(table) for table in tables], dtype=np.int64) | np.where(aside, int(Ground.SET_ASIDE), 0)
    present = np.array([[m < len(nest) for m in range(width)] for nest in nests])
    bind, bound, bind_present = _binds(book, springs)
    curves = Curves(
        heights.figure(np.zeros_like(ground)), loads.figure(ground), _steps(nests, width), present, bind,
        tuple((_summary(book, n, t), *_besides(t)) for n, t in zip(springs, tables, strict=True)), bound, bind_present,
        np.zeros(len(springs), dtype=bool),
    )  # fmt: skip
    return replace(curves, straight=_straight(book, springs, forms_of(curves), (ground & BARS) == 0))


def _straight(book: Book, springs: Sequence[str], forms: Sequence[Form], sound: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Tell which springs' curves are lines: their own points say so, their cards do and no point speaks against it, or their sets.

    A set does where one of its springs was pressed often enough to tell, and none of it rises. `sound` (n,): whose loads prove
    anything: what one spring shows speaks for another only then.
    """
    owners = [book.engine.set_of(name) for name in springs]
    certain = {
        owner.id for owner, form, proves in zip(owners, forms, sound.tolist(), strict=True)
        if owner and proves and form.told == "linear" and form.is_certain
    }  # fmt: skip
    rising = {o.id for o, form in zip(owners, forms, strict=True) if o and form.is_rising}
    said = [card.form if (card := book.engine.card_of(name)) else "" for name in springs]
    return np.array([
        not form.is_rising and (
            (form.told == "linear" and form.is_certain) or word == "linear"
            or (word == "" and owner is not None and owner.id in certain - rising)
        )
        for owner, form, word in zip(owners, forms, said, strict=True)
    ], dtype=bool)  # fmt: skip


def _members(book: Book, spring: str) -> tuple[tuple[Member, str], ...]:
    """Choose what the curve is made of: the assembled nest where it was measured at two heights, else the members."""
    card = book.engine.card_of(spring)
    heights = {one.reading.at.get("test_height") for one in counting_readings(book, "spring_load", of_spring(spring))}
    if len(heights) >= 2 or card is None or not any(
        counting_readings(book, "spring_load", of_spring(spring, member.name)) for member in card.members
    ):  # fmt: skip
        return ((ASSEMBLED, ""),)
    return tuple((member, member.name) for member in card.members)


def _points(book: Book, place: Place) -> list[_Point]:
    by_height: dict[float, list[Standing]] = defaultdict(list)
    for one in counting_readings(book, "spring_load", place):
        if "test_height" in one.reading.at:
            by_height[round(one.reading.at["test_height"] - beside(book, one).thick_mm, 6)].append(one)
    return [_point(book, height, readings) for height, readings in sorted(by_height.items())]


def _point(book: Book, height_mm: float, readings: list[Standing]) -> _Point:
    """Give a point of a curve from what was read with the spring at one height."""
    latest, parts = readings[-1], beside(book, readings[-1])
    load = _carried(book, latest, measured(book, "spring_load", tuple(readings)), height_mm)
    stood, stop = _stood_at(book, latest, height_mm)
    return _Point(stood, (*stop, *parts.doubts), parts.barring(load), parts)


def _carried(book: Book, one: Standing, load: Input, height_mm: float) -> Input:
    """Bar a load whose stop was set by a gauge nobody can name, or one that cannot have read that height."""
    way, gauge = CATALOG["spring_load"].way(one.reading.way), book.engine.tool(one.reading.at_tool)
    if not way or not way.carried_by or (gauge and reaches(gauge, height_mm)):
        return load
    note = (
        "the gauge that set the stop cannot read that height"
        if gauge
        else "the gauge that set the stop is not in the drawer"
    )
    return replace(load, ground=load.ground | Ground.NO_TOOL, note=note)


def _stood_at(book: Book, one: Standing, height_mm: float) -> tuple[float, tuple[tuple[str, str, float], ...]]:
    """Give the height a spring stood at on the tester, and what its stop, or the gauge that set it, may be off by."""
    way, reading = CATALOG["spring_load"].way(one.reading.way), one.reading
    if way and way.carried_by and (gauge := book.engine.tool_as_read(reading.at_tool, reading.when)):
        return height_mm, (offset_source(gauge, offset_doubt(gauge, height_mm)),)
    tool, _ = tool_of(book.engine, one)
    if tool is None:
        return height_mm, ()
    correction, _ = correction_for(book, tool, reading.when)
    if correction is not None and correction.stop_mm:
        return height_mm + correction.stop_mm, correction.stop_sources()
    u = (tool.height_accuracy_mm or 0.0) / sqrt(3.0)
    return height_mm, ((f"tool:{tool.id}:stop", f"{tool.name}, its height stop", u),)


def _ground(table: list[list[_Point]]) -> int:
    flags = Ground.NONE
    for points in table:
        flags |= Ground.NONE if len(points) >= 2 else Ground.MISSING
        for point in points:
            flags |= point.load.ground
    return int(flags)


def _aside(book: Book, place: Place) -> str:
    """Say which of a curve's points was set aside when the file was read, and not read again since; "" for none."""
    for one in book.set_aside:
        if one.quantity != "spring_load" or one.at != place:
            continue
        height = one.read_at.get("test_height", nan)
        later = [each.reading.at.get("test_height") for each in counting_readings(book, "spring_load", place)
                 if one.when and one.when < each.reading.when]  # fmt: skip
        if not (height in later or (later and not isfinite(height))):
            return f"a point of its curve was set aside: {one.given}, {one.why}"
    return ""


def _summary(book: Book, spring: str, table: list[list[_Point]]) -> Input:
    """Give one input that stands for a spring's whole curve."""
    place = of_spring(spring)
    if not spring:
        return missing(book, "spring_load", place, "no spring is fitted here")
    points = [point for member in table for point in member]
    if any(len(member) < 2 for member in table):
        needed = "no load is measured" if not points else "its load is measured at one height only; two are needed"
        return missing(book, "spring_load", place, f"spring {spring}: {needed}")
    asides = [words for _, m in _members(book, spring) if (words := _aside(book, of_spring(spring, m)))]
    ground = Ground(_ground(table)) | (Ground.SET_ASIDE if asides else Ground.NONE)
    notes = dict.fromkeys(point.load.note for point in points if point.load.note)
    warnings = dict.fromkeys(point.load.warning for point in points if point.load.warning)
    tools = ", ".join(dict.fromkeys(point.load.tool for point in points if point.load.tool))
    low, high = min(p.height_mm for p in table[0]), max(p.height_mm for p in table[0])
    return Input("spring_load", place.title, "measured", points[0].load.value, ground=ground, tool=tools,
                 low=low, high=high, note="; ".join([*asides, *notes]), warning="; ".join(warnings), asked=place,
                 points=tuple((p.height_mm, p.load.value) for p in points) if len(table) == 1 else ())  # fmt: skip


def _besides(table: list[list[_Point]]) -> tuple[Input, ...]:
    """Give what stood in the tester beside a spring, each once, where anything did."""
    return tuple(dict.fromkeys(p.beside.told for points in table for p in points if p.beside.told is not None))


def _steps(nests: list[tuple[tuple[Member, str], ...]], width: int) -> Figure:
    """Lay out the members' steps with their tolerance; a step without one bars a pass."""
    grid = _Grid((len(nests), width))
    ground = np.zeros(len(nests), dtype=np.int64)
    for s, nest in enumerate(nests):
        for m, (member, _) in enumerate(nest):
            u = (member.step_tolerance_mm or 0.0) / sqrt(3.0)
            grid.put((s, m), member.step_mm or 0.0, ((f"step:{m}", f"{member.name} step, its tolerance", u),))
            if member.step_mm is None or (member.step_mm and member.step_tolerance_mm is None):
                ground[s] |= int(Ground.UNTOLERATED)
    return grid.figure(ground, empty=0.0)


def _binds(book: Book, springs: Sequence[str]) -> tuple[Estimate, Figure, NDArray[np.bool_]]:
    """Give the height at which each spring binds: read on the whole nest, else the largest of bind + step; and those."""
    nests: list[tuple[tuple[Member, Input], ...]] = []
    for name in springs:
        whole, card = resolve(book, "bind_height", of_spring(name)), book.engine.card_of(name)
        parts = tuple((m, resolve(book, "bind_height", of_spring(name, m.name))) for m in card.members) if card else ()
        by_member = whole.kind == "missing" and any(one.kind != "missing" for _, one in parts)
        nests.append(parts if by_member else ((ASSEMBLED, whole),))
    width = max((len(nest) for nest in nests), default=1)
    absent = Input("bind_height", "", "not applicable", 0.0)
    columns = [figure_of([nest[m][1] if m < len(nest) else absent for nest in nests]) for m in range(width)]
    steps = _steps([tuple((member, "") for member, _ in nest) for nest in nests], width)
    present = np.array([[m < len(nest) for m in range(width)] for nest in nests])
    bound = combine(lambda step, *binds: np.stack(binds, axis=-1) + step, steps, *columns)
    figure = combine(lambda own: nest_bind(own, np.zeros_like(own), present), bound)
    return Estimate(figure, tuple(tuple(one for _, one in nest) for nest in nests)), bound, present


class _Grid:
    """Collects values with shared and single doubts at the cells of an array, into a figure."""

    def __init__(self, shape: tuple[int, ...]) -> None:
        self._value = np.full(shape, np.nan)
        self._moves: dict[Source, Array] = {}

    def put(self, cell: tuple[int, ...], value: float, shared: tuple[tuple[str, str, float], ...],
            scatter: tuple[str, str, float] | None = None) -> None:  # fmt: skip
        """Set a cell with its doubts: (key, label, u)."""
        self._value[cell] = value
        for (key, label, u), is_shared in [(one, True) for one in shared] + ([(scatter, False)] if scatter else []):
            if u:
                move = self._moves.setdefault(Source(key, label, is_shared), np.zeros_like(self._value))
                move[cell] = u

    def figure(self, ground: NDArray[np.int64], empty: float = np.nan) -> Figure:
        """Give the figure; cells nobody put hold `empty`."""
        value = np.where(np.isnan(self._value), empty, self._value)
        nothing = np.empty((0, value.shape[0]), dtype=bool)
        move = np.array(list(self._moves.values())).reshape(len(self._moves), *value.shape)
        return Figure(value, tuple(self._moves), value + move, value - move, (), value[None], nothing, ground)
