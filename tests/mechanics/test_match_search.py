"""The search, against a plain nested loop over the same checks, written from their definitions one number at a time."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from honest_lift.mechanics.match.asked import Pockets
from honest_lift.mechanics.match.candidates import speed_rpm, told_apart
from honest_lift.mechanics.match.rungs import envelope, held
from honest_lift.mechanics.match.search import search
from match_by_hand import by_hand, shelf


@settings(max_examples=60, deadline=None)
@given(st.integers(0, 100000))
def test_the_search_finds_what_a_nested_loop_finds(seed):
    parts = shelf(seed)
    wanted = by_hand(*parts)
    *_, found = search(*parts, most=5)
    assert found.count == len(wanted)
    assert found.is_complete
    best = sorted(wanted.values(), reverse=True)[:5]
    assert found.best.weakest.tolist() == pytest.approx(best, abs=1e-9)
    for spring, pair, weakest in zip(found.best.spring, found.best.pair, found.best.weakest, strict=True):
        assert wanted[spring, pair] == pytest.approx(weakest, abs=1e-9)
    card, _, pairs, pockets, _, asked = parts
    apart = told_apart(card, pairs, pockets, asked, found.best)
    assert np.min(list(apart.values()), axis=0) == pytest.approx(found.best.rung, abs=1e-9), (
        "its ladder holds its weakest rung"
    )


def test_shelves_that_hold_something_and_speeds_that_are_told():
    """The law above would hold of empty answers too: here are some that are not."""
    counts = []
    for seed in range(40):
        *_, found = search(*shelf(seed), most=3)
        counts.append(found.count)
    assert sum(one > 0 for one in counts) > 8
    card, _, pairs, pockets, _, _ = shelf(counts.index(max(counts)))
    *_, found = search(*shelf(counts.index(max(counts))), most=3)
    speeds = speed_rpm(card, pairs, pockets, found.best)
    assert np.all(np.isnan(speeds) | (speeds > 3000))


@given(st.lists(st.tuples(st.floats(1.0, 90.0), st.floats(1.0, 900.0)), min_size=1, max_size=30), st.floats(-500, 3000),
       st.floats(1, 150))  # fmt: skip
def test_few_angles_of_a_lobe_say_what_all_of_them_say(points, load, rate):
    p, q = (np.array(one) for one in zip(*points, strict=True))
    few_p, few_q = envelope(p, q)
    assert np.min(load * few_p + rate * few_q) == pytest.approx(np.min(load * p + rate * q), rel=1e-9)
    assert len(few_p) <= len(p)


def test_an_unknown_lobe_holds_whatever():
    card, _, _, pockets, _, _ = shelf(1)
    nan = Pockets(*(np.full_like(getattr(pockets, f), np.nan) if f.startswith("held") else getattr(pockets, f)
                    for f in pockets.__slots__))  # fmt: skip
    assert np.isinf(held(card, nan, np.full((len(card.rate), len(pockets.bare_mm)), 45.0))).all()
