"""A nest on two stacks. Independent figures: k 29.696769 and 23.78843, free 58 and 54, bind 32.64 and 27.36, step 2.6."""

import pytest
from msgspec.structs import replace

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Fit, Put, fitment
from honest_lift.facts.parts import Member, SpringCard
from honest_lift.facts.shims import ShimSize
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.spring.inner_stacks import inner_error, inner_stack

K, FREE, BIND, STEP = (29.696769, 23.78843), (58.0, 54.0), (32.64, 27.36), 2.6


def nest(*, apart: bool = True) -> Bench:
    """An engine whose first valve has the nest at 48 mm with 13.5 of lift, pressed apart or as one."""
    bench = Bench().complete(lift=13.5)
    members = (Member("outer"), Member("inner", STEP, 0.02))
    bench.do(Put("cards", SpringCard("nest", "nest", members))).do(
        Put("sets", replace(bench.engine.sets[0], card="nest"))
    )
    for one in [e.id for e in bench.book.journal if getattr(e, "quantity", "") in ("spring_load", "bind_height")]:
        from honest_lift.facts.edits import StrikeOut

        bench.do(StrikeOut(one))
    for m, member in enumerate(("outer", "inner")):
        points = [(h - (STEP if m else 0.0), K[m] * (FREE[m] - (h - (STEP if m else 0.0)))) for h in (50.0, 42.0, 34.0)]
        if apart:
            bench.spring("1", points, BIND[m], member)
    if not apart:
        whole = [(h, K[0] * (58 - h) + K[1] * (54 - h + STEP)) for h in (50.0, 42.0, 34.0)]
        bench.spring("1", whole, None)
        for m, member in enumerate(("outer", "inner")):
            bench.spring("1", (), BIND[m], member)
    return bench.height("1e", 48.0)


def figure(bench: Bench, check: str) -> float:
    return examine(bench.book).finding(check, "1e").figure


def test_on_one_stack_the_nest_is_what_was_worked_out_independently():
    bench = nest()
    assert figure(bench, "seat_load") == pytest.approx(501.548, abs=0.01)
    assert figure(bench, "open_load") == pytest.approx(1223.598, abs=0.02)
    assert figure(bench, "coil_bind_clearance") == pytest.approx(1.86, abs=1e-6)


def test_more_under_the_outer_lets_the_inner_stand_taller():
    """With 1.0 more under the outer the inner stands 1.0 taller: 23.78843 N less, and its own bind 1.0 further off."""
    bench = nest().shims("1e", 1.5)
    bench.height("1e", 48.0)
    bench.do(Fit((fitment(bench.engine, "inner shims", "1e", thicknesses_mm=(0.5,)),), "inner shims"))
    assert figure(bench, "seat_load") == pytest.approx(501.548 - 23.78843, abs=0.01)
    assert figure(bench, "coil_bind_clearance") == pytest.approx(1.86, abs=1e-6), "the outer still binds first"
    bench.do(Fit((fitment(bench.engine, "inner shims", "1e", thicknesses_mm=(5.5,)),), "too much inside"))
    assert figure(bench, "coil_bind_clearance") == pytest.approx(4.54 - 4.0, abs=1e-6), (
        "now the inner does: 4.0 shorter"
    )


def test_a_nest_pressed_as_one_says_nothing_of_two_stacks():
    bench = nest(apart=False).shims("1e", 1.5)
    bench.height("1e", 48.0)
    bench.do(Fit((fitment(bench.engine, "inner shims", "1e", thicknesses_mm=(0.5,)),), "inner shims"))
    found = examine(bench.book).finding("seat_load", "1e")
    assert found.verdict is Verdict.UNPROVEN
    assert any("shims of their own" in one.note for one in found.inputs)
    assert examine(bench.book).finding("coil_bind_clearance", "1e").figure == pytest.approx(1.86, abs=1e-6), (
        "binds were read apart"
    )


def test_a_stack_under_the_inner_alone_proves_nothing_until_the_outers_is_stated():
    bench = nest()
    bench.do(Fit((fitment(bench.engine, "inner shims", "1e", thicknesses_mm=(0.5,)),), "inner shims"))
    for check in ("seat_load", "open_load", "coil_bind_clearance"):
        found = examine(bench.book).finding(check, "1e")
        assert found.verdict is Verdict.UNPROVEN
        assert any("not under the outer" in one.note for one in found.inputs)
    single = Bench().complete()
    single.do(Fit((fitment(single.engine, "inner shims", "1e", thicknesses_mm=(0.5,)),), "nothing inside"))
    assert examine(single.book).finding("seat_load", "1e").verdict is Verdict.PASSES, "there is no inner to stand on it"


def test_shims_that_fit_the_outer_alone_are_matched_inside():
    bench = nest().shims("1e")
    for size in (ShimSize("b", 0.5), ShimSize("o", 0.75, fits="outer"), ShimSize("i", 0.7, fits="inner")):
        bench.do(Put("shim_stock", size))
    engine = bench.engine
    assert inner_stack(engine, "1e", "1", (0.5, 0.5), 0.0) is None, "they lie under both"
    stack = inner_stack(engine, "1e", "1", (0.5, 0.75), 0.0)
    assert stack == (0.5, 0.7)
    assert inner_error(engine, "1e", (0.5, 0.75), stack) == pytest.approx(0.05)
    assert inner_stack(engine, "1i", "2", (0.5, 0.75), 0.0) == (0.5, 0.7)
    single = bench.do(Put("cards", SpringCard("nest", "nest"))).engine
    assert inner_stack(single, "1e", "1", (0.75,), 0.0) is None
