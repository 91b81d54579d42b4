"""Every way in which a fact, a reading or a wheel table comes to prove nothing, and what is found of an engine then."""

from __future__ import annotations

import math

import msgspec
from msgspec.structs import replace

from honest_lift.checks.examine import examine
from honest_lift.facts.catalog import CATALOG, slots_of
from honest_lift.facts.edits import Fit, fitment
from honest_lift.facts.engine import Book
from honest_lift.facts.fact import Fact
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.fitments import holders
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import at_cylinder, at_position
from honest_lift.facts.wheel_table import WheelTable

OVERDUE = {"calibrated": "2020-01-01", "due_days": 1}
# Where leaving something out leaves what rests on it standing, and why.
LEFT_OUT = {
    "spring_load": "the other points of the curve stand",
    "leak_drop": "a chamber that nobody watched is taken as it was poured",
    "head_register": "none where nobody states one", "pocket_volume": "none where nobody states one",
    "tip_height_target": "a specification that nobody states asks for nothing",
    "rocker_ratio": "where the gear's dimensions are known they go before it",
    "pin_offset": "none where nobody states one",
}  # fmt: skip
_HARDLY = 1e-6  # of a figure: what is moved is moved a thousand times as far
WISHED = {"target_height"}  # what somebody wants has no tolerance


def found(book: Book) -> dict[tuple[str, str, str], object]:
    return {(one.check.name, one.place.title, one.position): one for one in examine(book).findings}


def differs(one, other, share: float = 0.0) -> bool:
    """Tell whether a finding says something else: by more than a share of its doubt, where rows of a table fall otherwise."""
    if one.word or other.word:
        return one.word != other.word
    pairs = ((one.figure, other.figure), (one.margin, other.margin), (one.expanded, other.expanded))
    near = max(1e-9, share * one.expanded) if one.expanded == one.expanded else 1e-9
    return any(not math.isclose(a, b, rel_tol=_HARDLY, abs_tol=near) for a, b in pairs if a == a or b == b)


def with_entry(book: Book, old, new) -> Book:
    kept = [new if one is old else one for one in book.journal]
    return replace(book, journal=tuple(one for one in kept if one is not None))


def with_fact(book: Book, old: Fact, new: Fact | None) -> Book:
    kept = [new if one is old else one for one in book.engine.facts]
    return replace(book, engine=replace(book.engine, facts=tuple(one for one in kept if one is not None)))


def with_tool(book: Book, name: str, **changed) -> Book:
    tools = tuple(replace(one, **changed) if one.id == name else one for one in book.engine.tools)
    return replace(book, engine=replace(book.engine, tools=tools))


def fitted(book: Book, slot: str, holder: str) -> Book:
    edit = Fit((fitment(book.engine, slot, holder, note="another"),), "another")
    engine, more = edit.apply(book)
    return replace(book, engine=engine, journal=book.journal + more)


def in_file(book: Book, where: str, index: int) -> Book:
    """Give the book as it is read from a file in which one value makes no sense."""
    raw = msgspec.json.decode(encode_book(book))
    rows = raw["journal"] if where == "journal" else raw["engine"]["facts"]
    rows[index]["value"] = 1e12
    return decode_book(msgspec.json.encode(raw), "odd")


class Walked(msgspec.Struct, frozen=True):
    """A wheel table, of which either what the indicator or what the wheel read is looked at."""

    table: WheelTable
    field: str

    @property
    def place(self):
        return self.table.place


def moved(book: Book, one) -> Book:
    if isinstance(one, Walked):
        table, off = one.table, (lambda mm: 1.001 * mm) if one.field == "tool" else (lambda deg: 1.002 * deg + 0.3)
        rows = {"tool": "lift_mm", "wheel": "crank_deg"}[one.field]
        new = replace(table, **{"id": f"{table.id}-{one.field}", rows: tuple(map(off, getattr(table, rows)))})
        return with_entry(book, table, new)
    choices = CATALOG[one.quantity].choices
    value = (one.value + 1) % len(choices) if choices else one.value + max(1e-3 * abs(one.value), 1e-3)
    new = replace(one, value=value)
    return with_fact(book, one, new) if isinstance(one, Fact) else with_entry(book, one, new)


def assumed(one, *, ranged: bool) -> Fact:
    near = max(1e-6 * abs(one.value), 1e-9)
    ends = {"low": one.value - near, "high": one.value + near} if ranged else {}
    return Fact(one.quantity, one.place, one.value, "assumed", **ends)


def spoiled_fact(book: Book, one: Fact):
    yield "assumed", with_fact(book, one, assumed(one, ranged=True))
    yield "assumed without a range", with_fact(book, one, assumed(one, ranged=False))
    if one.quantity not in LEFT_OUT:
        yield "left out", with_fact(book, one, None)
    if one.quantity not in WISHED:
        bare = with_fact(book, one, replace(one, tolerance=None))
        yield "without a tolerance", replace(bare, engine=replace(bare.engine, tolerances=()))
    yield "set aside", in_file(book, "facts", book.engine.facts.index(one))
    for slot in CATALOG[one.quantity].stated_for or slots_of((one.quantity,)):
        each = book
        for place in (one.place,) if one.place.kind in ("position", "cylinder", "head") else _all(book):
            for holder in holders(book.engine.layout, slot, place).values():
                each = fitted(each, slot, holder)
        yield f"another {slot} since", each


def _all(book: Book):
    return (
        *(at_position(one.id) for one in book.engine.layout.positions),
        *map(at_cylinder, book.engine.layout.cylinders),
    )


def spoiled_reading(book: Book, one: Reading):
    row = CATALOG[one.quantity]
    gone = with_entry(book, one, None)
    if one.quantity not in LEFT_OUT:
        yield "left out", gone
    if not row.choices and not row.at:
        for ranged in (True, False):
            stated = (*book.engine.facts, assumed(one, ranged=ranged))
            yield "assumed", replace(gone, engine=replace(book.engine, facts=stated))
    yield "set aside", in_file(book, "journal", book.journal.index(one))
    for key in one.depends_on:
        if not key.startswith("~"):
            slot = key.partition("@")[0]
            for holder in holders(book.engine.layout, slot, one.place).values():
                yield f"another {slot} since", fitted(book, slot, holder)
    if not row.choices:
        yield from spoiled_tool(book, one, "tool")
        way, tool = row.way(one.way), book.engine.tool(tool_named(book, one, "tool"))
        if tool and tool.dimension == row.dimension and not (way and way.asked):
            yield "tool too short", with_tool(book, tool.id, lowest=one.value + 1.0, highest=one.value + 2.0)


def tool_named(book: Book, one, field: str) -> str:
    return getattr(one, field) or book.engine.default_tools.get(f"{one.quantity}/{one.way}", "")


def spoiled_tool(book: Book, one, field: str):
    name = tool_named(book, one, field)
    yield f"{field} unknown", with_entry(book, one, replace(one, **{field: "gone"}))
    yield f"{field} of no accuracy", with_tool(book, name, accuracy=None, accuracy_percent=None)
    yield f"{field} overdue", with_tool(book, name, **OVERDUE)


def spoiled_table(book: Book, one: Walked):
    yield from spoiled_tool(book, one.table, one.field)
    if one.field == "tool":
        yield "tool too short", with_tool(book, one.table.tool, lowest=0.0, highest=0.8 * max(one.table.lift_mm))
        yield "tool begins too high", with_tool(book, one.table.tool, lowest=0.2 * max(one.table.lift_mm), highest=None)
    yield "another cam since", fitted(book, "cam", "engine")


def items(book: Book, *, roles: bool = True):
    """Give every fact, and the first reading of each kind: quantity, way, member of its place, what it is read at; of each role."""
    yield from book.engine.facts
    seen = set()
    for one in book.journal:
        if not isinstance(one, (Reading, WheelTable)):
            continue
        if isinstance(one, WheelTable) and one.place.role not in seen:
            seen.add(one.place.role)
            yield from (Walked(one, field) for field in ("tool", "wheel"))
        if isinstance(one, WheelTable):
            continue
        key = (getattr(one, "quantity", ""), getattr(one, "way", ""), one.place.kind, one.place.member, one.place.name[-1:]
               if one.place.kind == "position" and roles else "", tuple(getattr(one, "at", {}).items()))  # fmt: skip
        if key not in seen:
            seen.add(key)
            yield one


def standing_only(book: Book) -> Book:
    """Leave out what was replaced or struck out, so that no reading stands in for one that is spoiled."""
    alive = {one.reading.id for one in standing(book.journal) if not one.fate}
    kept = tuple(one for one in book.journal if not isinstance(one, Reading) or one.id in alive)
    return replace(book, journal=tuple(replace(one, supersedes=()) if isinstance(one, Reading) else one for one in kept
                                       if isinstance(one, (Reading, WheelTable))))  # fmt: skip
