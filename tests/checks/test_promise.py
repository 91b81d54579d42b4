"""The promise: nothing that rests on what is assumed, missing, stale, extrapolated, set aside, or read with a tool unknown or
overdue ever passes.

On two engines in which everything passes each fact and each reading is spoiled in every way in turn, and so is every quantity of
the catalog that they lack, once it is added. What depends on it is found by moving its value, so that a quantity or a check
that comes later is tried without being named here.
"""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from msgspec.structs import replace

from honest_lift.checks.examine import examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import reading_of
from honest_lift.facts.engine import Book
from honest_lift.facts.fact import Fact
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position, at_role, of_spring
from honest_lift.facts.tools import KINDS
from honest_lift.numbers.verdict import Verdict
from sound import leaning, pushrods
from spoiled import Walked, differs, found, items, moved, spoiled_fact, spoiled_reading, spoiled_table, standing_only
from trains import simulated_by_nobody


@pytest.fixture(autouse=True)
def no_simulation():
    """What a figure rests on is asked here, a thousand times: stand-ins that move with all a simulation moves with will do."""
    with simulated_by_nobody():
        yield


@pytest.mark.parametrize("engine", [pushrods, leaning])
def test_nothing_passes_that_rests_on_what_proves_nothing(engine):
    book = standing_only(engine().book)
    before = found(book)
    assert {one.verdict for one in before.values()} == {Verdict.PASSES}
    wrong, tried = [], 0
    for one in items(book, roles=engine is leaning):  # of the other both roles rest on the same
        after = found(moved(book, one))
        rests = [
            key for key in before if key in after and differs(before[key], after[key], 0.05 * isinstance(one, Walked))
        ]
        if not rests:
            continue
        kinds = {Fact: spoiled_fact, Reading: spoiled_reading, Walked: spoiled_table}
        for how, spoiled in kinds[type(one)](book, one):
            now = found(spoiled)
            tried += 1
            wrong += [f"{getattr(one, 'quantity', 'table')} at {one.place.title}, {how}: {key[0]} of {key[1]} passes"
                      for key in rests if key in now and now[key].verdict is Verdict.PASSES]  # fmt: skip
    assert not wrong, f"{len(wrong)} of {tried} trials: " + "; ".join(wrong[:20])
    assert tried > 200


@pytest.mark.parametrize(("engine", "left"), [(pushrods, 45.0), (leaning, 44.0)])
def test_a_load_outside_its_points_passes_nowhere(engine, left):
    """Pressed at its upper heights alone, a spring tells nothing of its open load, nor of the speed it holds."""
    book = standing_only(engine().book)
    kept = tuple(one for one in book.journal if not (getattr(one, "quantity", "") == "spring_load" and one.place == of_spring("1")
                                                     and one.at["test_height"] < left))  # fmt: skip
    at = book.engine.position_of("1")
    after = {key: one for key, one in found(replace(book, journal=kept)).items() if key[2] == at}
    asked = [key for key in after if key[0] in ("open_load", "float_margin", "card_open_load")]
    assert len(asked) >= 2
    assert {after[key].verdict for key in asked} == {Verdict.UNPROVEN}


@pytest.mark.parametrize("engine", [pushrods, leaning])
def test_nor_does_anything_that_rests_on_what_the_catalog_adds(engine):
    book = with_every_tool(standing_only(engine().book))
    before = found(book)
    here = {getattr(one, "quantity", "") for one in (*book.engine.facts, *book.journal)}
    wrong, tried = [], set()
    for name in CATALOG:
        for full, one in () if name in here else added(book, name):
            now = found(full)
            if all(key in before and not differs(before[key], own) for key, own in now.items()):
                continue  # it moves nothing here
            after = found(moved(full, one))
            rests = [
                key
                for key, own in now.items()
                if key in after and own.verdict is Verdict.PASSES and differs(own, after[key])
            ]
            if not rests:
                continue
            tried.add(name)
            spoiled = dict((spoiled_fact if isinstance(one, Fact) else spoiled_reading)(full, one))
            gone = found(without(full, one))  # what stands without it may pass again, and as it stood
            for how, book_then in spoiled.items():
                then = found(book_then) if how != "left out" else {}
                wrong += [f"{name} at {one.place.title}, {how}: {key[0]} of {key[1]} passes" for key in rests
                          if key in then and then[key].verdict is Verdict.PASSES
                          and (key not in gone or differs(gone[key], then[key]))]  # fmt: skip
    assert not wrong, "; ".join(wrong[:20])
    assert len(tried) > 8


def with_every_tool(book: Book) -> Book:
    """Give every kind of tool, each by its kind's name."""
    tools = {one.kind: replace(one.tool, id=f"a {one.kind}") for one in reversed(KINDS)}
    return replace(book, engine=replace(book.engine, tools=(*book.engine.tools, *tools.values())))


def places_of(book: Book, kind: str) -> list[Place]:
    layout = book.engine.layout
    return {
        "position": [at_position(one.id) for one in layout.positions],
        "cylinder": [at_cylinder(one) for one in layout.cylinders],
        "role": [at_role("intake"), at_role("exhaust")],
        "head": [Place("head", one.name) for one in layout.heads],
        "spring": [of_spring(one.id) for one in book.engine.springs],
        "engine": [ENGINE],
    }.get(kind, [])


def added(book: Book, name: str) -> Iterator[tuple[Book, Fact | Reading]]:
    """Give the book with a quantity everywhere, read in each of its ways and stated, near what stands there and elsewhere."""
    row = CATALOG[name]
    for kind in dict.fromkeys((row.places[0], row.places[-1])):
        places = [replace(one, member=member) for one in places_of(book, kind) for member in row.members or ("",)]
        for value in likely(book, name, places):
            for way in row.ways:
                at = {row.at: sum(CATALOG[row.at].plausible) / 2} if row.at else {}
                more = {"also": {one.key: one.usual or "0" for one in way.asked}} if way.asked else {}
                tool = f"a {way.tools[0]}" if way.tools else ""
                made = [reading_of(book, name, one, value, text=f"{value}", unit="mm", way=way.key, tool=tool, at=at, **more)
                        for one in places]  # fmt: skip
                yield replace(book, journal=(*book.journal, *made)), made[0]
            if not row.choices and not row.at:
                facts = [Fact(name, one, value, tolerance=1e-4 * abs(value) + 1e-4) for one in places]
                yield replace(book, engine=replace(book.engine, facts=(*book.engine.facts, *facts))), facts[0]


def likely(book: Book, name: str, places: list[Place]) -> Iterator[float]:
    row = CATALOG[name]
    if not places:
        return
    if row.choices:
        yield from (float(i) for i, one in enumerate(row.choices) if one.verdict is Verdict.PASSES)
        return
    known, (low, high) = resolve(book, name, places[0]).value, row.plausible
    yield from (one for one in (known, (low + high) / 2) if one == one)


def without(book: Book, one: Fact | Reading) -> Book:
    facts = tuple(own for own in book.engine.facts if own is not one)
    return replace(
        book, engine=replace(book.engine, facts=facts), journal=tuple(own for own in book.journal if own is not one)
    )


@pytest.mark.parametrize("name", ["eight", "four", "seasons", "pushrods", "leaning"])
def test_no_figure_passes_without_a_doubt(name):
    book = (
        {"pushrods": pushrods, "leaning": leaning}[name]().book
        if name in ("pushrods", "leaning")
        else demonstration(name)
    )
    passing = [
        one for one in examine(book).findings if one.verdict is Verdict.PASSES and one.check.dimension != "observed"
    ]
    assert passing
    assert [(one.check.name, one.place.title) for one in passing if not one.expanded > 0.0] == []
