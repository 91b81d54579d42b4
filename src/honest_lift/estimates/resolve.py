"""From facts to inputs: which reading, card figure or assumption stands for a quantity at a place.

The nearest place wins (position, role, head, engine), except that something assumed never replaces something
measured or specified further off. A reading at a place wins over what was stated there.
"""

from __future__ import annotations

from dataclasses import replace
from math import sqrt

from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import in_place
from honest_lift.facts.journal import Standing, by_place
from honest_lift.facts.place import ENGINE, Place, at_role
from honest_lift.facts.remember import by_identity
from honest_lift.facts.tools import Tool, offset_doubt, scatter_doubt
from honest_lift.numbers.doubt import Ground


def resolve(book: Book, quantity: str, place: Place) -> Input:
    """Give what stands for a quantity at a place; an input of kind "missing" when nothing does."""
    assumed: Input | None = None
    aside = ""
    for near in places_around(book.engine, place):
        found = _found_at(book, quantity, near, place)
        aside = aside or (_set_aside(book, quantity, near) if found is None else "")
        if found is None:
            continue
        if aside:
            found = replace(found, ground=found.ground | Ground.SET_ASIDE, note=aside)
        if found.kind != "assumed":
            return found
        assumed = assumed or found
    return assumed or missing(book, quantity, place)


def _found_at(book: Book, quantity: str, near: Place, asked: Place) -> Input | None:
    """Give what was read, else what was stated, at one place."""
    if counting := counting_readings(book, quantity, near):
        return measured(book.engine, quantity, counting, asked=asked)
    fact = _by_key(book.engine.facts).get((quantity, near))
    return _stated(book.engine, fact, asked) if fact else None


def _set_aside(book: Book, quantity: str, place: Place) -> str:
    """Say what was set aside at a place when the file was read; "" for nothing."""
    one = next((one for one in book.set_aside if one.at == place and one.quantity == quantity), None)
    return f"what stood there was set aside: {one.given}, {one.why}" if one else ""


def places_around(engine: Engine, place: Place) -> tuple[Place, ...]:
    """Give where a quantity may be stated for a place, the nearest first."""
    if place.kind != "position":
        return (place, ENGINE) if place.kind in ("role", "head") else (place,)
    position = engine.position(place.name)
    role = (at_role(position.role),) if position else ()
    return (place, *role, Place("head", engine.layout.head_of(place.name)), ENGINE)


def missing(book: Book, quantity: str, place: Place, note: str = "") -> Input:
    """Make the input of a quantity nobody has given, naming a value that was set aside there."""
    note = note or _set_aside(book, quantity, place)
    return Input(quantity, place.title, "missing", ground=Ground.MISSING, note=note, at=place.title)


def counting_readings(book: Book, quantity: str, place: Place) -> tuple[Standing, ...]:
    """Give the readings that count for a quantity at a place, oldest first."""
    return tuple(one for one in by_place(book.journal).get((quantity, place), ()) if not one.fate)


def measured(engine: Engine, quantity: str, readings: tuple[Standing, ...], asked: Place | None = None) -> Input:
    """Combine the readings at one place: the fresh ones taken the way, and with the tool, of the latest.

    Repeats give their mean. Where every reading is stale the latest stands, marked so.
    """
    fresh = [one for one in readings if not staleness(engine, one)]
    latest = (fresh or readings)[-1]
    alike = [
        one.reading.value
        for one in (fresh or [latest])
        if (one.reading.way, one.reading.tool) == (latest.reading.way, latest.reading.tool)
    ]
    value, spread = mean_and_spread(alike)
    ground, notes = Ground.NONE, [f"mean of {len(alike)} readings"] if len(alike) > 1 else []
    if why := staleness(engine, latest):
        ground |= Ground.STALE
        notes.append(why)
    tool, tool_note = tool_of(engine, latest)
    notes += [tool_note] if tool_note else []
    place = (asked or latest.place).title
    if tool is None:
        note = "; ".join(notes)
        return Input(quantity, latest.place.title, "measured", value, ground=ground | Ground.NO_TOOL,
                     way=latest.reading.way, note=note, at=place)  # fmt: skip
    offset = (f"tool:{tool.id}", f"{tool.name}, its accuracy", offset_doubt(tool, value))
    return Input(
        quantity, latest.place.title, "measured", value, scatter_doubt(tool, value, len(alike), spread), (offset,),
        ground, way=latest.reading.way, tool=tool.name, note="; ".join(notes), at=place,
    )  # fmt: skip


def mean_and_spread(values: list[float]) -> tuple[float, float]:
    """Give the mean and the sample standard deviation (0 for one value). Source: JCGM 100:2008 4.2.1, 4.2.2.

    Written out, because the statistics library would take longer to import than all checks together.
    """
    if len(values) == 1:
        return values[0], 0.0
    mean = sum(values) / len(values)
    return mean, sqrt(sum((one - mean) ** 2 for one in values) / (len(values) - 1))


def tool_of(engine: Engine, one: Standing) -> tuple[Tool | None, str]:
    """Give the tool a reading was taken with, or the drawer's default for its way, and what to say of it."""
    named = engine.tool(one.reading.tool)
    if one.reading.tool and named is None:
        return None, f"the tool it names, “{one.reading.tool}”, is not in the drawer"
    tool = named or engine.tool_for(one.reading.quantity, one.reading.way)
    if tool is None:
        return None, "no tool is named, and the drawer has none for this way"
    if not tool.is_stated:
        return None, f"{tool.name} has no stated accuracy"
    return tool, "" if named else f"no tool named: taken as {tool.name}, the drawer's default"


def staleness(engine: Engine, one: Standing) -> str:
    """Say why a reading is stale: what it depended on was changed since. "" when it is not."""
    for slot, then in one.depends_on.items():
        current = in_place(engine.fitments).get((slot, one.place.name))
        if (current.id if current else "") != then:
            when = f" on {current.when[:10]}" if current and current.when else ""
            what = current.note if current and current.note else "measure again"
            return f"{slot} changed{when} after it was measured: {what}"
    return ""


def _stated(engine: Engine, fact: Fact, asked: Place) -> Input:
    if fact.kind == "assumed":
        unranged = fact.low is None or fact.high is None
        ground = Ground.ASSUMED | (Ground.UNRANGED if unranged else Ground.NONE)
        low, high = (fact.value, fact.value) if unranged else (fact.low or 0.0, fact.high or 0.0)
        return Input(fact.quantity, fact.place.title, "assumed", fact.value, ground=ground, low=low, high=high,
                     low_is_physical=fact.low_is_physical, note=fact.source, at=asked.title)  # fmt: skip
    default = next((one.of(fact.value) for one in engine.tolerances if one.quantity == fact.quantity), None)
    tolerance = fact.tolerance if fact.tolerance is not None else default
    ground = Ground.SPECIFIED | (Ground.UNTOLERATED if tolerance is None else Ground.NONE)
    title = CATALOG[fact.quantity].title
    shared = (
        f"card:{fact.quantity}:{fact.place.title}",
        f"{title}, its tolerance",
        (tolerance or 0.0) / sqrt(3.0),
    )
    return Input(fact.quantity, fact.place.title, "specified", fact.value, shared=(shared,) if tolerance else (),
                 ground=ground, note=fact.source, at=asked.title)  # fmt: skip


@by_identity
def _by_key(facts: tuple[Fact, ...]) -> dict[tuple[str, Place], Fact]:
    return {fact.key: fact for fact in facts}
