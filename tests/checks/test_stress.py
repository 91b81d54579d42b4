"""Wire stress at full lift. Independent: d 4.5, D 32, Na 4.6, free 52 at 32.0 mm open gives 525.049 N and 561.78 MPa."""

from math import sqrt

import pytest
from msgspec.structs import replace

from engines import Bench
from honest_lift.checks.examine import examine, gathered_of
from honest_lift.facts.edits import Put
from honest_lift.facts.limits import Limit
from honest_lift.facts.parts import Member, SpringCard
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.spring.windows import windows_of

RATE, FREE, OPEN, LIFT = 26.2524, 52.0, 32.0, 11.0


def bench(most: float | None) -> Bench:
    one = Bench().complete(lift=LIFT)
    member = Member("outer", wire_mm=4.5, mean_diameter_mm=32.0, coils=6.6, active_coils=4.6, free_length_mm=FREE)
    one.do(Put("cards", SpringCard("card", "card", (member,), 43.0, 236.0, 32.0, 525.0)))
    for spring in ("1", "2", "3", "4"):
        one.spring(spring, [(h, RATE * (FREE - h)) for h in (48.0, 42.0, 30.5)], bind=29.7)
    one.do(Put("limits", Limit("seat", "seat_load", 150.0, 400.0, origin="cam card")))
    one.do(Put("limits", Limit("open", "open_load", 400.0, 700.0, origin="cam card")))
    if most is not None:
        one.do(Put("limits", Limit("wire", "open_stress", highest=most, origin="shop")))
    return one.height("1e", OPEN + LIFT)


@pytest.mark.parametrize(("most", "verdict"), [(620.0, Verdict.PASSES), (580.0, Verdict.CLOSE), (500.0, Verdict.FAILS)])
def test_stress_is_held_against_the_most_a_shop_states(most, verdict):
    found = examine(bench(most).book).finding("open_stress", "1e")
    assert found.figure == pytest.approx(561.78, abs=0.05)
    assert found.verdict is verdict
    assert found.expanded == pytest.approx(2 * 561.78 * 0.05 / sqrt(3), rel=0.03), (
        "what a card's geometry leaves suspect"
    )


def test_without_a_most_or_without_geometry_there_is_no_stress_to_judge():
    assert examine(bench(None).book).finding("open_stress", "1e") is None
    plain = bench(600.0)
    plain.do(Put("cards", replace(plain.engine.cards[0], members=(Member("outer"),))))
    assert examine(plain.book).finding("open_stress", "1e") is None


def test_stress_is_an_edge_of_the_window():
    one = bench(600.0)
    gathered = gathered_of(one.book)
    window = windows_of(one.book, gathered, [(0, gathered.rows[0])])[0]
    edge = next(low for low in window.lows if low.name == "wire stress at its max")
    guarded = 600.0 * (1 - 2 * 0.05 / sqrt(3))
    opened = FREE - guarded / 561.78 * 525.049 / RATE
    assert edge.height_mm == pytest.approx(opened + LIFT, abs=0.06), "and the uncertainty of height and lift above it"
    assert edge.height_mm > opened + LIFT


def test_a_member_whose_free_length_is_not_stated_bars_the_figure():
    one = bench(600.0)
    outer = one.engine.cards[0].members[0]
    inner = replace(outer, name="inner", free_length_mm=None, step_mm=2.0, step_tolerance_mm=0.05)
    one.do(Put("cards", replace(one.engine.cards[0], members=(outer, inner))))
    assert examine(one.book).finding("open_stress", "1e") is None


def test_an_inner_step_that_may_be_off_moves_the_stress_of_the_inner():
    """Independent: stress falls evenly with height, so that a step off by t moves it by t times figure / (free + step - open)."""
    step, off, free = 2.8, 0.3, 55.0

    def nested(tolerance):
        one = bench(700.0)
        outer = one.engine.cards[0].members[0]
        inner = Member("inner", step, tolerance, 3.0, 20.0, 7.6, 5.6, free)
        one.do(Put("cards", replace(one.engine.cards[0], members=(outer, inner))))
        found = examine(one.book).finding("open_stress", "1e")
        gathered = gathered_of(one.book)
        window = windows_of(one.book, gathered, [(0, gathered.rows[0])])[0]
        return found, next(low.height_mm for low in window.lows if low.name == "wire stress at its max")

    (sure, edge), (doubted, edge_then), (open_, _) = nested(0.0), nested(off), nested(None)
    slope = sure.figure / (free + step - OPEN)
    assert sure.figure > 561.78 + 10.0, "the inner bears most"
    assert sqrt(doubted.expanded**2 - sure.expanded**2) == pytest.approx(2 * slope * off / sqrt(3), rel=0.02)
    assert 0.0 < edge_then - edge < 2 * off / sqrt(3), "and its edge of the window with it"
    assert open_.verdict is Verdict.UNPROVEN
