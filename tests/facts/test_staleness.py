"""What goes stale when something is fitted, cut or milled, and what does not. Common practice, no source."""

import pytest

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.estimates.resolve import resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Fit, fitment
from honest_lift.facts.place import ENGINE, Place, at_cylinder, at_position
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

LAYOUT = "left: 1e 1i 3i 3e\nright: 2e 2i 4i 4e"
READ = (
    ("installed_height", at_position("1i"), "height_micrometer", 45.0),
    ("valve_lift", at_position("1i"), "indicator", 12.0),
    ("lobe_lift", ENGINE, "indicator", 8.0),
    ("valve_drop", at_position("1i"), "indicator", 9.0),
    ("chamber_volume", at_cylinder(1), "burette", 64.0),
    ("chamber_volume", at_cylinder(2), "burette", 64.0),
)


def stale_after(slot: str, holder: str) -> set[str]:
    bench = Bench(LAYOUT)
    for quantity, place, way, value in READ:
        bench.read(quantity, place, value, way, "gauge")
    bench.do(Fit((fitment(bench.engine, slot, holder, note="cut 0.2 mm"),), "changed"))
    found = {q + " " + p.title: resolve(bench.book, q, p) for q, p, _, _ in READ}
    for one in found.values():
        assert bool(one.ground & Ground.STALE) == ("cut 0.2 mm" in one.note), "with the reason"
    stale = {name for name, one in found.items() if one.ground & Ground.STALE}
    bench.history.undo()
    assert not any(resolve(bench.book, q, p).ground & Ground.STALE for q, p, _, _ in READ), "undo brings them back"
    return stale


HEIGHT, LIFT, LOBE = "installed_height 1 intake", "valve_lift 1 intake", "lobe_lift engine"
DROP, FIRST, SECOND = "valve_drop 1 intake", "chamber_volume cylinder 1", "chamber_volume cylinder 2"


@pytest.mark.parametrize(
    ("slot", "holder", "stale"),
    [
        ("valve", "1i", {HEIGHT, DROP, FIRST}),
        ("valve", "1e", {FIRST}),
        ("seat", "1i", {HEIGHT, DROP, FIRST}),
        ("locks", "1i", {HEIGHT}),
        ("gasket", "left", {DROP}),
        ("gasket", "right", set()),
        ("head face", "left", {DROP, FIRST}),
        ("head face", "right", {SECOND}),
        ("rocker", "1i", {LIFT}),
        ("cam", "engine", {LIFT, LOBE}),
        ("spring", "1i", set()),
    ],
)
def test_what_goes_stale(slot, holder, stale):
    assert stale_after(slot, holder) == stale


def test_that_no_shims_lie_there_is_stated_and_not_changed():
    """Heights on the bare pad first, and 0 typed as the shims afterwards. Common practice, no source."""
    for way in ("height_micrometer", "height_micrometer_bare_locator"):
        bench = Bench().height("1i", 45.0, way).shims("1i")
        assert not resolve(bench.book, "installed_height", at_position("1i")).ground & Ground.STALE
        assert examine(bench.book).finding("installed_height", "1i").figure == pytest.approx(45.0, nan_ok=True)
        assert not examine(bench.book).finding("installed_height", "1i").ground & (Ground.STALE | Ground.PREDICTED)
        bench.shims("1i", 0.4)
        assert examine(bench.book).finding("installed_height", "1i").ground & (Ground.STALE | Ground.PREDICTED)
        bench.shims("1i")
        assert examine(bench.book).finding("installed_height", "1i").ground & (Ground.STALE | Ground.PREDICTED), (
            "taken out"
        )


def test_what_rested_on_it_becomes_unproven_and_undo_brings_it_back():
    bench = Bench().complete()
    assert examine(bench.book).finding("coil_bind_clearance", "1e").verdict is Verdict.PASSES
    bench.do(Fit((fitment(bench.engine, "seat", "1e"),), "seat cut"))
    found = examine(bench.book)
    assert found.finding("coil_bind_clearance", "1e").verdict is Verdict.UNPROVEN
    assert found.finding("coil_bind_clearance", "1i").verdict is Verdict.PASSES
    bench.history.undo()
    assert examine(bench.book).finding("coil_bind_clearance", "1e").verdict is Verdict.PASSES


def test_a_reading_of_an_older_file_goes_stale_by_a_part_it_does_not_name():
    from msgspec.structs import replace

    bench = Bench().height("1e", 45.0)
    old = replace(bench.book.journal[-1], depends_on={"valve": ""})
    book = replace(bench.book, journal=(old,))
    assert not resolve(book, "installed_height", at_position("1e")).ground & Ground.STALE
    engine = replace(book.engine, fitments=(*book.engine.fitments, fitment(book.engine, "seat", "1e")))
    assert resolve(replace(book, engine=engine), "installed_height", at_position("1e")).ground & Ground.STALE


def test_every_way_of_the_catalog_depends_on_slots_that_can_change_where_it_is_read():
    from honest_lift.facts.fitments import CHANGEABLE, holders

    engine = Bench(LAYOUT).engine
    examples = {
        "position": at_position("1i"),
        "cylinder": at_cylinder(1),
        "engine": ENGINE,
        "head": Place("head", "left"),
    }
    for row in CATALOG.values():
        for way in row.ways:
            assert set(way.depends) <= {*CHANGEABLE, "shims", "spring"}
            if {"position", "cylinder"} & set(row.places) and "engine" in row.places:
                continue  # of all alike, until another part is fitted at one of them
            for kind in row.places:
                if kind in examples:
                    assert all(holders(engine.layout, slot, examples[kind]) for slot in way.depends), (row.name, kind)
