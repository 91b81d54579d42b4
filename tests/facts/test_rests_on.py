"""What a reading rests on: every part whose change moves it makes it stale. Geometry of each gear, common practice, no source."""

import pytest
from msgspec.structs import replace

from engines import Bench
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Fit, fitment
from honest_lift.facts.fitments import SCOPES, WHOLE
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import is_stale

RESTS = [  # quantity, way, a part whose change moves it
    *(("lifter_preload", "plunger", slot) for slot in ("adjuster", "head face", "gasket", "block face", "valve", "seat")),
    *(("lash", way, slot) for way in ("feeler", "feeler_hot") for slot in ("head face", "gasket", "block face", "adjuster", "cam")),
    ("leak_test", "fluid", "guide"), ("seal_gap", "caliper", "guide"), ("seal_seen", "looked", "guide"),
    *(("retainer_rocker", "feeler", slot) for slot in ("lash shim", "cam tower", "adjuster")),
    *(("rocker_seen", "looked", slot) for slot in ("seat", "cam tower", "adjuster")),
    *(("slot_stud", "feeler", slot) for slot in ("valve", "seat", "lash shim", "head face", "gasket", "block face", "adjuster")),
    *(("seat_load_engine", "lever", slot) for slot in ("valve", "seat", "locator", "pocket", "spring", "shims")),
]  # fmt: skip


def change(bench, slot):
    where = {"head": "head", "engine": WHOLE, "cylinder": "1"}.get(SCOPES.get(slot, ""), "1i")
    return bench.do(Fit((fitment(bench.engine, slot, where, note="another"),), "another"))


def stale(bench) -> bool:
    return is_stale(bench.engine, standing(bench.book.journal)[-1])


@pytest.mark.parametrize(("quantity", "way", "slot"), RESTS)
def test_a_change_of_the_part_makes_the_reading_stale_and_a_change_before_it_does_not(quantity, way, slot):
    row = CATALOG[quantity]
    bench = change(Bench(), slot)
    bench.read(quantity, at_position("1i"), sum(row.plausible) / 2, way)
    assert not stale(bench)
    change(bench, slot)
    assert stale(bench)
    bench.history.undo()
    assert not stale(bench)


@pytest.mark.parametrize("slot", ["head face", "gasket", "block face"])
def test_a_cut_head_moves_no_lash_where_cam_and_valves_are_in_it(slot):
    bench = Bench()
    bench.history.book = replace(bench.book, engine=replace(bench.engine, gear="bucket"))
    bench.read("lash", at_position("1i"), 0.2, "feeler")
    assert not stale(change(bench, slot))


def test_a_reading_of_an_older_program_goes_by_when_it_was_taken():
    """It does not name the slot: what was fitted by then was there, what came later is a change."""
    bench = change(Bench(), "adjuster")
    bench.read("lifter_preload", at_position("1i"), 1.0, "plunger")
    old = bench.book.journal[-1]
    named = {key: then for key, then in old.depends_on.items() if key != "adjuster"}
    bench.history.book = replace(
        bench.book, journal=(*bench.book.journal[:-1], replace(old, depends_on=named, when="2099-01-01T00:00:00Z"))
    )
    assert not stale(bench)
    bench.history.book = replace(
        bench.book, journal=(*bench.book.journal[:-1], replace(old, depends_on=named, when="2000-01-01T00:00:00Z"))
    )
    assert stale(bench)
