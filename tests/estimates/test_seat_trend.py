"""Seat load on the engine: which spring goes away, told by its own baseline and its neighbours, wherever it sits."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.demo.seasons import GOES_AWAY
from honest_lift.estimates.spring.seat_trend import QUANTITY, Flag, seat_trend
from honest_lift.facts.book.proof import proof_of
from honest_lift.facts.edits import Confirm, fit_springs, reading_of
from honest_lift.facts.place import at_position
from honest_lift.mechanics.spring.trend import ASK, BASE_DAYS, SETTLE, trend_of
from honest_lift.words.spring.trend import spring_words, trend_lines

DAYS = [f"2026-0{month}-01" for month in range(1, 9)]


def session(made, day, loads, repeats=1):
    for position, load in loads.items():
        for nth in range(repeats):
            one = reading_of(made.book, QUANTITY, at_position(position), load, text=f"{load:g}", unit="N", way="lever",
                             tool="tester", repeat=nth > 0)  # fmt: skip
            made.do(Confirm((replace(one, when=f"{day}T1{nth}:00:00Z"),)))
    return made


def seasons(loss=0.0, sessions=6, confirm=1):
    made = Bench("head: 1e 1i 2i 2e 3e 3i")
    for k, day in enumerate(DAYS[:sessions]):
        new = 500.0 if k < SETTLE else 470.0
        last = k == sessions - 1
        loads = {one: new * (1.0 - loss if one == "2i" and last else 1.0) * (1.0 + 0.01 * k) for one in made.names}
        session(made, day, loads, confirm if last else 1)
    return made


@pytest.mark.parametrize(
    ("sessions", "loss", "confirm", "flag"),
    [(1, 0.0, 1, Flag.SETTLING), (4, 0.2, 1, Flag.ASK), (4, 0.05, 1, Flag.BASE), (6, 0.0, 1, Flag.STEADY),
     (6, 0.05, 1, Flag.STEADY), (6, 0.065, 1, Flag.STEADY), (6, 0.08, 1, Flag.ASK),
     (6, 0.08, 3, Flag.LOST), (6, 0.05, 3, Flag.STEADY), (6, 0.12, 3, Flag.REPLACE)],
)  # fmt: skip
def test_the_rule_asks_then_settles(sessions, loss, confirm, flag):
    trend = seat_trend(seasons(loss, sessions, confirm).book)
    assert {one.position: one.flag for one in trend.springs}["2i"] is flag
    others = {one.flag for one in trend.springs if one.position != "2i"}
    assert others <= {Flag.STEADY, Flag.SETTLING, Flag.BASE}
    assert [one.position for one in trend.flagged] == (["2i"] if flag in (Flag.ASK, Flag.LOST, Flag.REPLACE) else [])


@pytest.mark.parametrize("names", ["1i", "1i 1e"])
def test_few_valves_are_settled_by_those_there_are_and_it_is_said(names):
    """On a single the tool of the day can't be told from a loss: the words say so, and a person takes a reference spring."""
    made = Bench(f"head: {names}")
    for k, day in enumerate(DAYS[:6]):
        loads = {one: (500.0 if k < SETTLE else 470.0) * (0.92 if (one, k) == ("1i", 5) else 1.0) for one in made.names}
        session(made, day, loads, 3 if k == 5 else 1)
    trend = seat_trend(made.book)
    assert trend.at("1i").flag is Flag.LOST
    assert "what the tool is off by is still in" in " ".join(trend_lines(trend, made.engine))
    assert "still in" not in " ".join(trend_lines(seat_trend(seasons().book), made.engine))
    assert [trend.share_of(day) for day in (DAYS[0], DAYS[5])] == [0.0, 1.0]


@given(st.lists(st.floats(-0.2, 0.2), min_size=8, max_size=8), st.floats(0.5, 2.0))
def test_what_the_days_tool_is_off_by_takes_no_part(offsets, scale):
    """A day's factor over all valves moves no valve against the others, nor does the tool's own scale."""
    dice = np.random.default_rng(1)
    loads = 500.0 * np.exp(dice.normal(0.0, 0.02, (8, 6)))
    plain, off = (trend_of(one, np.ones((8, 6))) for one in (loads, loads * scale * np.exp(offsets)[:, None]))
    after = SETTLE + BASE_DAYS
    base_off = np.mean(offsets[SETTLE:after])
    assert off.base == pytest.approx(plain.base + np.log(scale) + base_off)
    assert off.d[after:] == pytest.approx(plain.d[after:], abs=1e-12)
    assert off.median[after:] == pytest.approx(plain.median[after:] + np.array(offsets[after:]) - base_off)


def test_by_hand_the_first_day_settles_and_the_next_three_are_the_baseline():
    loads = np.array([[520.0, 500.0, 500.0]] + [[490.0, 470.0, 470.0]] * 3 + [[441.0, 470.0, 470.0]])
    found = trend_of(loads, np.ones_like(loads))
    assert found.base == pytest.approx(np.log([490.0, 470.0, 470.0]))
    assert found.d[-1] == pytest.approx([np.log(0.9), 0.0, 0.0])
    assert np.isnan(found.d[0]).all()
    down = trend_of(np.array([[500.0] * 3] * 4 + [[475.0] * 3]), np.ones((5, 3)))
    assert down.d[-1] == pytest.approx([0.0] * 3, abs=1e-12), "three valves tell a day"
    two = trend_of(np.array([[500.0] * 2] * 4 + [[475.0] * 2]), np.ones((5, 2)))
    assert two.d[-1] == pytest.approx([np.log(0.95)] * 2), "two do not"
    weighted = trend_of(loads, np.array([[1.0] * 3, [3.0] * 3, [1.0] * 3, [1.0] * 3, [1.0] * 3]))
    assert weighted.base_count.tolist() == [5.0] * 3
    assert pytest.approx(-0.0726, abs=1e-4) == ASK


def test_a_spring_takes_its_history_along_and_a_new_one_begins_its_own():
    made = seasons(0.12, confirm=3)
    spring = made.engine.spring_at("2i")
    other = made.engine.spring_at("3i")
    made.do(fit_springs(made.engine, {"2i": other, "3i": spring}, "exchanged"))
    trend = seat_trend(made.book)
    assert trend.at("3i").spring == spring
    assert trend.at("3i").flag is Flag.REPLACE
    assert trend.at("2i").flag is Flag.STEADY
    assert f"3 intake, spring {spring}: 88 percent" in spring_words(trend.at("3i"))
    made.do(fit_springs(made.engine, {"3i": ""}, "out"))
    assert seat_trend(made.book).at("3i") is None
    session(made, "2026-08-20", {"3i": 480.0})
    assert seat_trend(made.book).at("3i").flag is Flag.SETTLING


def test_without_its_neighbours_nothing_is_settled():
    made = seasons(0.12)
    session(made, DAYS[6], {"2i": 470.0 * 0.88}, 3)
    assert seat_trend(made.book).at("2i").flag is Flag.ASK


def test_a_reading_put_right_the_same_day_is_no_repeat():
    made = session(Bench(), DAYS[0], {"1i": 500.0})
    one = reading_of(made.book, QUANTITY, at_position("1i"), 400.0, text="400", unit="N", way="lever", tool="tester")
    made.do(Confirm((replace(one, when=f"{DAYS[0]}T15:00:00Z"),)))
    assert seat_trend(made.book).at("1i").loads_n == (400.0,)


def test_it_never_stands_in_for_a_curve():
    made = Bench().complete()
    before = {(one.check.name, one.place): one.figure for one in examine(made.book).findings}
    session(made, DAYS[0], dict.fromkeys(made.names, 300.0))
    assert {(one.check.name, one.place): one.figure for one in examine(made.book).findings} == pytest.approx(
        before, nan_ok=True
    )


def test_of_two_seasons_one_valve_is_flagged_and_its_book_holds():
    from msgspec import to_builtins

    book = demonstration("seasons")
    trend = seat_trend(book)
    assert [one.position for one in trend.flagged] == [GOES_AWAY]
    assert trend.flagged[0].flag is Flag.REPLACE
    assert {one.flag for one in trend.springs if one.position != GOES_AWAY} == {Flag.STEADY}
    assert any("replace it" in line for line in trend_lines(trend, book.engine))
    assert proof_of(to_builtins(book)).holds


@pytest.mark.parametrize(("load", "repeats", "flag"),
                         [(168.0, 1, Flag.ASK), (168.0, 3, Flag.LOST), (185.0, 1, Flag.SETTLING)])  # fmt: skip
def test_without_a_baseline_the_neighbours_of_the_day_are_one(load, repeats, flag):
    made = Bench("head: 1e 1i 2i 2e 3e 3i")
    session(made, DAYS[0], {name: load if name == "2i" else 200.0 for name in made.names}, repeats)
    trend = seat_trend(made.book)
    assert trend.at("2i").flag is flag
    assert {trend.at(name).flag for name in made.names if name != "2i"} == {Flag.SETTLING}
    assert ("No spring asks for anything." in "\n".join(trend_lines(trend, made.engine))) is (flag is Flag.SETTLING)
