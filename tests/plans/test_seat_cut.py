"""The cut plan of the spring seats against brute force over planes, and the order it is done in."""

from itertools import combinations_with_replacement

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Put
from honest_lift.facts.place import Place, at_position
from honest_lift.facts.shims import ShimSize
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.cures import cures_for
from honest_lift.plans.head.seat_cut import _planned, cut_plans, next_cut


def least_metal(heights, stacks, left):
    """Try every plane on a fine raster: the metal of the best one at or below specification."""
    best = np.inf
    for plane in np.arange(-3.0, 0.0005, 0.005):
        over = heights[:, None] + stacks - plane
        cuts = np.where(over < -left - 1e-9, np.inf, np.where(over <= left + 1e-9, 0.0, over)).min(axis=1)
        best = min(best, cuts.sum())
    return best


HUNDREDTHS = st.integers(-60, 60).map(lambda n: n / 100)


@settings(max_examples=60, deadline=None)
@given(
    st.lists(HUNDREDTHS, min_size=2, max_size=6), st.lists(st.sampled_from([0.25, 0.4, 0.75]), max_size=2, unique=True)
)
def test_no_plane_takes_less_metal(heights, sizes):
    stacks = [one for n in range(4) for one in combinations_with_replacement(sizes, n)]
    totals = np.array([sum(one) for one in stacks])
    plan = _planned(
        Bench().engine, [str(i) for i in range(len(heights))], np.array(heights), stacks, 0.03, "cut and shim"
    )
    assert plan.metal_mm <= least_metal(np.array(heights), totals, 0.03) + 1e-6
    assert plan.planes[0][1] <= 1e-9, "at or below specification"
    for seat in plan.seats:
        assert abs(seat.stands_mm - plan.planes[0][1]) <= 0.03 + 1e-6
        assert seat.cut_mm >= 0.0


def seats(*heights: float, shims: tuple[ShimSize, ...] = ()) -> Bench:
    one = Bench()
    for size in shims:
        one.do(Put("shim_stock", size))
    for name, height in zip(one.names, heights, strict=True):
        one.read("spring_seat_height", at_position(name), height, "indicator", "micrometer")
    return one


def test_a_high_seat_is_cut_and_a_low_one_raised_where_that_takes_less():
    one = seats(0.30, 0.0, 0.0, -0.5, shims=(ShimSize("a", 0.5, 4),))
    cut, both, shim = cut_plans(one.book)
    left = 0.05 - 2 * 0.001 * (1 + 1 / 3 + 1 / 12) ** 0.5  # the limit less the doubt of the reading
    assert cut.metal_mm == pytest.approx(0.80 + 0.5 + 0.5 - 3 * left), "all down to the lowest, as near as is allowed"
    assert (both.metal_mm, both.planes[0][1]) == (pytest.approx(0.30), pytest.approx(0.0))
    assert {s.position: s.stack_mm for s in both.seats if s.stack_mm} == {"2e": (0.5,)}
    assert any("can't be brought nearer" in problem for problem in shim.problems)


def test_the_thinnest_shim_sets_the_depth():
    one = seats(0.0, 0.0, 0.0, -0.2, shims=(ShimSize("a", 0.38, 9),))
    both = cut_plans(one.book)[1]
    assert both.metal_mm == pytest.approx(0.18), "the low seat goes down until the thinnest shim fills it"


def test_the_first_cut_is_measured_again_before_the_rest():
    one = seats(0.30, 0.20, 0.0, 0.0)
    words, edit = next_cut(one.book, cut_plans(one.book)[0])
    assert words.startswith("1 exhaust was cut by")
    one.do(edit)
    assert "measured, since it was changed, at 1 exhaust" in cut_plans(one.book)[0].problems[0]
    assert next_cut(one.book, cut_plans(one.book)[0]) == ("", None)
    one.read("spring_seat_height", at_position("1e"), 0.01, "indicator", "micrometer")
    words, edit = next_cut(one.book, cut_plans(one.book)[0])
    assert words == "the other 1 were cut"
    one.do(edit)
    one.read("spring_seat_height", at_position("1i"), 0.0, "indicator", "micrometer")
    assert next_cut(one.book, cut_plans(one.book)[0]) == ("no seat is to be cut", None)


def test_short_stock_and_unread_seats_are_said():
    one = seats(0.0, -0.5, -0.5, -0.5, shims=(ShimSize("a", 0.5, 2),))
    assert cut_plans(one.book)[1].problems == ("1 more shims of 0.020 in are to be bought",)
    assert "at 1 exhaust, 1 intake" in cut_plans(Bench().book)[0].problems[0]


def test_the_plane_somebody_asks_for_is_the_one_that_is_cut_to():
    one = seats(0.30, 0.0, -0.1, -0.5, shims=(ShimSize("a", 0.5, 4),))
    one.state("seat_plane", -0.30, Place("head", "head"))
    cut, both, shim = cut_plans(one.book)
    left = 0.05 - 2 * 0.001 * (1 + 1 / 3 + 1 / 12) ** 0.5
    assert both.planes == (("head", -0.30),)
    assert both.metal_mm == pytest.approx(0.60 + 0.30 + 0.20 + 0.30), (
        "the low one is cut for the shim that brings it back"
    )
    assert all(abs(seat.stands_mm + 0.30) <= left + 1e-9 for seat in both.seats)
    assert cut.problems == ("cut alone can't raise to the plane asked for: 2 exhaust",)
    assert shim.planes == (("head", -0.30),)
    one.state("seat_plane", 0.0, Place("head", "head"))
    assert cut_plans(one.book)[1].planes == (("head", 0.0),), "nought is a plane as well"
    one.state("seat_plane", 2.0, Place("head", "head"))
    assert "no shims in stock raise to the plane asked for" in cut_plans(one.book)[1].problems[0]


def touched(made: Bench, **at: float) -> Bench:
    for name, value in at.items():
        made.read("cutter_touch", at_position(name[1:]), value, "quill", "micrometer")
    return made


def test_where_the_cutter_touches_is_held_against_the_map_whatever_its_nought():
    made = touched(seats(0.30, 0.0, -0.1, 0.2), _1e=12.30)
    lone = examine(made.book).finding("cutter_touch", "1e")
    assert (lone.verdict, lone.remark.split(":")[0]) == (Verdict.UNPROVEN, "touch another seat of its head")
    touched(made, _1i=12.0, _2i=11.97)
    found = {name: examine(made.book).finding("cutter_touch", name) for name in made.names}
    assert found["2e"] is None, "not touched yet"
    assert [found[name].verdict for name in ("1e", "1i", "2i")] == [Verdict.PASSES, Verdict.PASSES, Verdict.FAILS]
    assert found["2i"].figure == pytest.approx(0.07)
    assert "earlier than the map says" in found["2i"].remark
    assert "stop before it cuts" in cures_for(made.book, found["2i"])[0]
