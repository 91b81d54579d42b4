"""From facts to inputs: which reading, card figure or assumption stands for a quantity at a place.

The nearest place wins (position, role, head, engine), except that something assumed never replaces something
measured or specified further off. A reading at a place wins over what was stated there.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import pi, sqrt

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cam.nose import nose_of_table
from honest_lift.estimates.contradicted import hot_beside_cold, read_as_before
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.observed import observed
from honest_lift.estimates.of_a_piece import for_others, of_a_piece
from honest_lift.estimates.predicted import predicted, telling
from honest_lift.estimates.repeats import mean_and_spread, middle_of, standing_apart
from honest_lift.estimates.spring.tester import correction_for
from honest_lift.facts.cam import lift_by_card
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import Standing, by_place
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.memory.remember import by_identity
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_role
from honest_lift.facts.quantity import Quantity
from honest_lift.facts.reach import out_of_reach
from honest_lift.facts.staleness import done_since, is_stale, staleness
from honest_lift.facts.timing import of_another_cam
from honest_lift.facts.tools import Tool, as_then, offset_doubt, offset_source, rounding_doubt, scatter_doubt
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.numbers.doubt import COVERAGE, Ground
from honest_lift.numbers.units import in_words

_ON_WHEEL = frozenset(READ_AS.values())
_OF_THE_CAM = ("lobe_lift", "lobe_centreline", "valve_lift")
_MIDDLE_OF = 5  # repeats from which on the middle one counts. Common practice, no source


def resolve(book: Book, quantity: str, place: Place) -> Input:
    """Give what stands for a quantity at a place; an input of kind "missing" when nothing does. Remembered."""
    return recalled(book, (quantity,), place, lambda: _resolved(book, quantity, place))


def _resolved(book: Book, quantity: str, place: Place) -> Input:
    if not _is_told(book, quantity):
        return missing(book, quantity, place)
    assumed: Input | None = None
    aside = ""
    for near in places_around(book.engine, place, quantity):
        found = _found_at(book, quantity, near, place)
        if found is None or not _read_since_set_aside(book, quantity, near, found):
            aside = aside or _set_aside(book, quantity, near)
        if found is None:
            continue
        if aside:
            found = replace(found, ground=found.ground | Ground.SET_ASIDE, note=aside)
        if found.kind != "assumed":
            return found
        assumed = assumed or found
    if assumed is not None:
        return assumed
    nothing = missing(book, quantity, place, aside)
    return replace(nothing, ground=nothing.ground | Ground.SET_ASIDE) if aside else nothing


def _read_since_set_aside(book: Book, quantity: str, near: Place, found: Input) -> bool:
    """Tell whether what stands at a place was read after everything that was set aside there: it then stands in for it."""
    if found.kind not in ("measured", "observed"):
        return False
    return all(
        one.when and one.when < found.when for one in book.set_aside if one.at == near and one.quantity == quantity
    )


def _is_told(book: Book, quantity: str) -> bool:
    """Tell whether anybody read, stated or set aside a quantity anywhere, or a table or a card may give it."""
    return (
        bool(book.set_aside)
        or quantity in _OF_THE_CAM
        or quantity in _names_read(by_place(book.journal))
        or (quantity in _names_stated(book.engine.facts))
    )


@by_identity
def _names_read(read: dict[tuple[str, Place], tuple[Standing, ...]]) -> frozenset[str]:
    return frozenset(name for name, _ in read)


@by_identity
def _names_stated(facts: tuple[Fact, ...]) -> frozenset[str]:
    return frozenset(one.quantity for one in facts)


def _found_at(book: Book, quantity: str, near: Place, asked: Place) -> Input | None:
    """Give what was read, else what was stated, at one place."""
    counting = counting_readings(book, quantity, near)
    if quantity in _OF_THE_CAM:
        counting = tuple(one for one in counting if not of_another_cam(book.engine, one.depends_on.get("cam", "")))
    read_on_wheel = quantity in _ON_WHEEL and all(is_stale(book.engine, one) for one in counting)
    if read_on_wheel and (table := nose_of_table(book, quantity, near)) is not None:
        told = measured(book, quantity, (*counting, table.standing), asked=asked)
        note = "; ".join(words for words in (told.note, table.note) if words)
        return replace(told, ground=told.ground | table.ground, note=note)
    if counting:
        return measured(book, quantity, counting, asked=asked)
    fact = _by_key(book.engine.facts).get((quantity, near))
    if fact is None and quantity == "lobe_lift":
        fact = lift_by_card(book.engine.lobes, near)
    return _stated(book.engine, fact, asked) if fact else None


def _set_aside(book: Book, quantity: str, place: Place) -> str:
    """Say what was set aside at a place when the file was read; "" for nothing."""
    if not book.set_aside:
        return ""
    one = next((one for one in book.set_aside if one.at == place and one.quantity == quantity), None)
    return f"what stood there was set aside: {one.given}, {one.why}" if one else ""


def places_around(engine: Engine, place: Place, quantity: str) -> tuple[Place, ...]:
    """Give where a quantity may be stated for a place, the nearest first."""
    if place.kind in ("role", "head") or (place.kind == "spring" and "engine" in CATALOG[quantity].places):
        return (place, ENGINE)
    if place.kind not in ("position", "cylinder") or place.member:  # one depth of a guide is measured there or nowhere
        return (place,)
    if place.kind == "cylinder":
        return (place, Place("head", engine.layout.head_of_cylinder(place.name)), ENGINE)
    position = engine.position(place.name)
    role = (at_role(position.role),) if position else ()
    by_cylinder = position and "cylinder" in CATALOG[quantity].places
    cylinder = (at_cylinder(position.cylinder),) if position and by_cylinder else ()
    return (place, *cylinder, *role, Place("head", engine.layout.head_of(place.name)), ENGINE)


def missing(book: Book, quantity: str, place: Place, note: str = "") -> Input:
    """Make the input of a quantity nobody has given, naming a value that was set aside there."""
    aside = _set_aside(book, quantity, place)
    ground = Ground.MISSING | (Ground.SET_ASIDE if aside else Ground.NONE)
    return Input(quantity, place.title, "missing", ground=ground, note=note or aside, asked=place)


def counting_readings(book: Book, quantity: str, place: Place) -> tuple[Standing, ...]:
    """Give the readings that count for a quantity at a place, oldest first."""
    read = by_place(book.journal).get((quantity, place))
    return tuple(one for one in read if not one.fate) if read else ()


def measured(book: Book, quantity: str, readings: tuple[Standing, ...], asked: Place | None = None) -> Input:
    """Combine the readings at one place: the fresh ones taken the way, and with the tool, of the latest.

    Repeats give their mean, and one that stands apart from them is pointed out. Where every reading is stale the
    latest stands, marked so. A tester's readings are corrected by its calibration.
    """
    engine = book.engine
    if CATALOG[quantity].choices:
        return observed(engine, quantity, readings, asked or readings[-1].place)
    exact = tuple(one for one in readings if not one.reading.is_bound)
    if not exact or (readings[-1].reading.is_bound and all(is_stale(engine, one) for one in exact)):
        return as_bound(book, quantity, tuple(one for one in readings if one.reading.is_bound), asked)
    gauged, readings = [one for one in readings if one.reading.is_bound], exact  # a figure says more than what goes
    fresh = [one for one in readings if not is_stale(engine, one)]
    latest = (fresh or readings)[-1]
    alike = _alike(fresh or [one for one in readings if one.depends_on == latest.depends_on], latest.reading)
    by_middle = CATALOG[quantity].middle and len(alike) >= _MIDDLE_OF
    what = "median" if by_middle else "mean"
    ground, notes = Ground.NONE, [f"{what} of {len(alike)} readings"] if len(alike) > 1 else []
    if not fresh:
        ground |= Ground.STALE
        notes.append(staleness(engine, latest))
    tool, tool_note = tool_of(engine, latest)
    notes += [tool_note] if tool_note else []
    if tool is None:
        read = [_AsRead(one.value, (), Ground.NO_TOOL) for one in alike]
    else:
        read = [_as_read(book, tool, one) for one in alike]
    for one in read:
        ground |= one.ground
    notes += dict.fromkeys(one.note for one in read if one.note)
    values = [one.value for one in read]
    mean, spread = mean_and_spread(values)
    value = middle_of(values) if by_middle else mean
    if not fresh and (moved := _moved(book, latest, asked or latest.place, value)) is not None:
        value, ground, notes = moved, ground & ~Ground.STALE | Ground.PREDICTED, [_MOVED]
    single = scatter_doubt(tool, value, _figures(latest.reading)) if tool else 0.0
    own_u = _of_repeats(tool, single, len(read), spread, by_middle=by_middle) if tool else 0.0
    if apart := _other_ways(book, latest, fresh):
        ground |= Ground.UNSOUND
        notes.insert(0, apart)
    told = Input(
        quantity, latest.place.title, "measured", value, own_u, read[-1].shared, ground, way=latest.reading.way,
        tool=tool.name if tool else "", when=latest.reading.when, note="; ".join(notes),
        warning=_apart_words(alike, values, single) if len(read) > 1 else "", asked=asked or latest.place,
        count=len(read),
    )  # fmt: skip
    as_before = read_as_before(book, told, latest, _moved) if fresh else ""
    if apart := hot_beside_cold(book, quantity, fresh) or as_before:
        told = replace(told, ground=told.ground | Ground.UNSOUND, note=apart)
    return for_others(engine, _held_to_gauges(book, told, gauged), spread)


def _held_to_gauges(book: Book, told: Input, gauged: Sequence[Standing]) -> Input:
    """Bar a figure that a gauge says can't be, by more than both doubt: neither proves anything until one is struck out."""
    for one in gauged:
        own = as_bound(book, told.quantity, (one,))
        apart, at = COVERAGE * sqrt(told.u**2 + own.u**2), one.reading
        if (
            not is_stale(book.engine, one)
            and _compare(told.way, at)
            and (
                (at.low is not None and told.value + apart < at.low)
                or (at.high is not None and told.value - apart > at.high)
            )
        ):
            words = f"“{at.text}” was read as well, and both can't be right: measure again, and strike out the one that is wrong"
            return replace(told, ground=told.ground | Ground.UNSOUND, note=words)
    return told


def _compare(way: str, other: Reading) -> bool:
    """Tell whether what was read two ways is one thing, as it was read."""
    return way == other.way or CATALOG[other.quantity].ways_compare


def as_bound(book: Book, quantity: str, readings: tuple[Standing, ...], asked: Place | None = None) -> Input:
    """Give what readings prove that only say what goes: what all the fresh ones leave, each by its own gauge."""
    engine, row = book.engine, CATALOG[quantity]
    fresh = [one for one in readings if not is_stale(engine, one)]
    latest = (fresh or readings)[-1]
    alike = _alike(fresh or [latest], latest.reading)
    lows, highs = (
        [one.low for one in alike if one.low is not None],
        [one.high for one in alike if one.high is not None],
    )
    low, high = max([row.physical[0], *lows]), min([row.physical[1], *highs])
    ground, notes = Ground.ASSUMED, ["read as what goes and what does not"]
    others = [one.reading for one in fresh if _compare(latest.reading.way, one.reading)]  # with whatever gauge
    most, least = min([high, *(one.high or high for one in others)]), max([low, *(one.low or low for one in others)])
    if least > most:
        ground, low, high = ground | Ground.UNSOUND | Ground.UNRANGED, min(low, high), max(low, high)
        notes.append(
            "what goes and what does not contradict each other: try again, and strike out the one that is wrong"
        )
    if not fresh:
        ground |= Ground.STALE
        notes.append(staleness(engine, latest))
    tool, tool_note = tool_of(engine, latest)
    notes += [tool_note] if tool_note else []
    value = low if lows and not highs else high if highs and not lows else (low + high) / 2.0
    read = _AsRead(value, (), Ground.NO_TOOL) if tool is None else _as_read(book, tool, latest.reading)
    notes += [read.note] if read.note else []
    told = Input(
        quantity, latest.place.title, "measured", value, scatter_doubt(tool, value) if tool else 0.0, read.shared,
        ground | read.ground, low, high, True, True, way=latest.reading.way, tool=tool.name if tool else "",
        when=latest.reading.when, note="; ".join(notes), asked=asked or latest.place, count=len(alike),
    )  # fmt: skip
    return for_others(engine, told)


def _other_ways(book: Book, latest: Standing, fresh: Sequence[Standing]) -> str:
    """Say which other way of measuring tells something else by more than both doubt; "" for none. Neither then proves anything."""
    quantity, way = latest.reading.quantity, latest.reading.way
    row = CATALOG[quantity]
    others = dict.fromkeys(one.reading.way for one in fresh if one.reading.way != way)
    if not others or not row.ways_compare:
        return ""
    here = measured(book, quantity, tuple(one for one in fresh if one.reading.way == way))
    for key in others:
        there = measured(book, quantity, tuple(each for each in fresh if each.reading.way == key))
        shared = {name for name, _, _ in here.shared} & {name for name, _, _ in there.shared}
        u = sqrt(
            sum(own.own_u**2 + sum(u * u for name, _, u in own.shared if name not in shared) for own in (here, there))
        )
        if abs(here.value - there.value) > COVERAGE * u:
            return disagreeing(book, row, (way, key), here.value - there.value)
    return ""


def disagreeing(book: Book, row: Quantity, ways: tuple[str, str], apart: float) -> str:
    """Say that two ways of measuring one thing can't both be right, and by how much they differ."""
    amount = in_words(abs(apart), row.dimension, book.engine.unit(row.dimension))
    first, second = ((found.short or found.title) if (found := row.way(key)) else key for key in ways)
    return f"{first} and {second} disagree by {amount}: measure again, and strike out the one that is wrong"


def _of_repeats(tool: Tool, single: float, count: int, spread: float, *, by_middle: bool) -> float:
    """Give the standard doubt of a mean, or a middle one, of repeats that scatter by `spread`, a single one by `single`.

    What the tool is known to repeat to is the floor, since a few repeats may agree by luck. The median of normal scatter is
    less sure than the mean, by up to sqrt(pi/2). Source: JCGM 100:2008 4.2.3; robust statistics, common knowledge.
    """
    if count == 1:
        return single
    u = max(single, spread) / sqrt(count) * (_MEDIAN if by_middle else 1.0)
    return max(u, rounding_doubt(tool))


_MEDIAN = sqrt(pi / 2.0)


_MOVED = "predicted: something was changed by a known amount since it was read; one reading confirms it"


def _moved(book: Book, latest: Standing, place: Place, value: float) -> float | None:
    """Give what a stale reading comes to by what was done since, where all of that is known; None where it is not."""
    done = done_since(book.engine, latest)
    if not done:
        return None
    quantity = latest.reading.quantity
    return predicted(telling(book, resolve), quantity, place, value, done)


def _alike(readings: Sequence[Standing], latest: Reading) -> list[Reading]:
    """Give the readings taken the way, and with the tool, of the latest: only those are averaged with it."""
    key = (latest.way, latest.tool)
    return [one.reading for one in readings if (one.reading.way, one.reading.tool) == key]


def _figures(reading: Reading) -> int:
    way = CATALOG[reading.quantity].way(reading.way)
    return way.figures if way else 1


def _apart_words(readings: list[Reading], values: list[float], u_single: float) -> str:
    """Point out a repeat that stands apart; it counts all the same, since nobody can say it is the wrong one."""
    apart = standing_apart(values, u_single, sure=CATALOG[readings[0].quantity].middle)
    if apart is None:
        return ""
    cure = "a third reading tells which" if len(values) == 2 else "measure twice more, or strike it out with the reason"
    return f"{readings[apart].text} is unlike what else was read here: {cure}"


class _AsRead(Struct, frozen=True):
    """A reading as its tool gives it: corrected where the tool has a calibration, with the doubts it shares."""

    value: float
    shared: tuple[tuple[str, str, float], ...]
    ground: Ground = Ground.NONE
    note: str = ""


def _as_read(book: Book, tool: Tool, reading: Reading) -> _AsRead:
    stated = offset_source(tool, offset_doubt(tool, reading.value))
    if reading.quantity == "reference_load":
        return _AsRead(reading.value, (stated,))
    correction, overdue = correction_for(book, tool, reading.when)
    ground = Ground.STALE if overdue else Ground.NONE
    note = f"{tool.name}: {overdue}; calibrate it, then read again" if overdue else ""
    if correction is None or tool.dimension != CATALOG[reading.quantity].dimension:
        return _AsRead(reading.value, (stated,), ground, note)
    if correction.alarms:
        ground |= Ground.UNSOUND
        note = "; ".join(part for part in (note, f"calibration of {tool.name}: {correction.alarms[0]}") if part)
    shared = correction.load_sources(reading.value)
    if not correction.stands_alone(reading.value, reading.when):
        shared += (stated,)
    return _AsRead(correction.load(reading.value), shared, ground, note)


def tool_of(engine: Engine, one: Standing) -> tuple[Tool | None, str]:
    """Give the tool a reading was taken with, or the drawer's default for its way, and what to say of it."""
    row = CATALOG[one.reading.quantity]
    way = row.way(one.reading.way)
    if way is None and row.ways:
        return None, f"it was read by “{one.reading.way}”, which this program does not know as a way to read it"
    named = engine.tool(one.reading.tool)
    if one.reading.tool and named is None:
        return None, f"the tool it names, “{one.reading.tool}”, is not in the drawer"
    tool = named or engine.tool_for(one.reading.quantity, one.reading.way)
    if tool is None:
        return None, "no tool is named, and the drawer has none for this way"
    if not tool.is_stated:
        return None, f"{tool.name} has no stated accuracy"
    tool = as_then(tool, one.reading.when)
    if out := out_of_reach(engine, tool, one.reading):
        return None, out
    return tool, "" if named else f"no tool named: taken as {tool.name}, the drawer's default"


def _stated(engine: Engine, fact: Fact, asked: Place) -> Input:
    if fact.kind == "assumed":
        unranged = fact.low is None or fact.high is None
        ground = Ground.ASSUMED | (Ground.UNRANGED if unranged else Ground.NONE)
        low, high = (fact.value, fact.value) if unranged else (fact.low or 0.0, fact.high or 0.0)
        return Input(fact.quantity, fact.place.title, "assumed", fact.value, ground=ground, low=low, high=high,
                     low_is_physical=fact.low_is_physical, note=fact.source, asked=asked, when=fact.when)  # fmt: skip
    default = next((one.of(fact.value) for one in engine.tolerances if one.quantity == fact.quantity), None)
    tolerance = fact.tolerance if fact.tolerance is not None else default
    ground = Ground.SPECIFIED | (Ground.UNTOLERATED if tolerance is None else Ground.NONE)
    told = Input(fact.quantity, fact.place.title, "specified", fact.value, ground=ground, note=fact.source, asked=asked,
                 when=fact.when)  # fmt: skip
    return of_a_piece(engine, told, "card", f"{told.title}, its tolerance", (tolerance or 0.0) / sqrt(3.0))


@by_identity
def _by_key(facts: tuple[Fact, ...]) -> dict[tuple[str, Place], Fact]:
    return {fact.key: fact for fact in facts}
