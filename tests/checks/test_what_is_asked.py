"""Whatever is remembered by some quantities asks for no others: else it would stand when one of those changes."""

from contextlib import suppress

import pytest
from msgspec.structs import replace

from chambers import poured
from fingers import fingered, sliding
from gears import bench as gears
from honest_lift.checks.examine import examine
from honest_lift.estimates import of_cylinder, of_valve, resolve
from honest_lift.estimates.train import assembled
from honest_lift.facts.changes import Change, places_of
from honest_lift.facts.edits import Describe, EditError, Put
from honest_lift.facts.memory import narrowed, remember, touched
from honest_lift.plans.trial import tried_on
from trials import AMOUNTS, DEMO
from turning import engine as turned
from turning import opposed_heads

ASKS = (resolve, of_valve, of_cylinder, assembled)


@pytest.fixture
def asked(monkeypatch):
    """Note every quantity that is asked for inside what is remembered by others, or of a book that was narrowed without it."""
    within, odd, real = [], set(), resolve.recalled

    def recalled(book, quantities, key, work):
        around = within[-1] if within else quantities
        consulted = touched._ASKED if len(around) == 1 else ()  # by what a known change moves a reading
        allowed = {*around, *consulted}
        odd.update((name, "in", within[-1]) for name in quantities if name not in allowed)
        cut = narrowed._noted.get(id(book))
        if cut and cut[0] is book and not cut[2].issuperset(quantities):
            odd.update((name, "narrowed") for name in quantities if name not in cut[2])

        def noted():
            within.append(quantities)
            try:
                return work()
            finally:
                within.pop()

        return real(book, quantities, key, noted)

    for module in ASKS:
        monkeypatch.setattr(module, "recalled", recalled)
    remember.forget_all()
    yield odd
    remember.forget_all()


def test_of_the_demonstration_and_of_every_change_tried_on_it(asked):
    examine(DEMO)
    for kind in AMOUNTS:
        amount = {"ratio": 1.7, "lash": 0.3, "lobe_lift": 9.2}.get(kind.key, 0.1)
        for where in places_of(DEMO.engine.layout, kind)[:2]:
            with suppress(EditError):
                examine(tried_on(DEMO, (Change("c", kind.key, where, amount),)))
    assert asked == set()


def by_lift_at_tdc():
    bench = turned()
    lobe = replace(bench.engine.lobes[0], centreline_deg=None, tdc_lift_mm=3.0, tdc_read_at="valve")
    return bench.do(Describe({"cam_separation_deg": None}, "card")).do(Put("lobes", lobe))


ENGINES = [by_lift_at_tdc, fingered, sliding, turned, opposed_heads, poured, gears]


@pytest.mark.parametrize("made", ENGINES, ids=lambda one: one.__name__)
def test_of_other_gears_and_heads(asked, made):
    bench = made()
    examine(bench.book)
    examine(bench.state("rocker_ratio", 1.55).book)
    assert asked == set()
