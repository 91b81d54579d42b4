"""The way to a ratio: every answer, made, gives the ratio; what is no answer says why."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from chambers import poured
from honest_lift.checks.examine import examine
from honest_lift.estimates.cylinder.clearance_volume import left_over
from honest_lift.facts.edits import Unstate
from honest_lift.facts.place import ENGINE
from honest_lift.plans.cylinder.to_ratio import LEAST_GASKET_MM, ways_to
from honest_lift.words.cylinder.to_ratio import amounts_words, ways_words

MADE = poured((60.0, 60.0, 60.0, 60.0), deck=0.45)
NOW = examine(MADE.book)


@settings(max_examples=12, deadline=None)
@given(st.floats(9.0, 12.5))
def test_every_way_that_is_offered_gives_the_ratio_that_was_wanted(ratio):
    ways = ways_to(MADE.book, NOW, ratio)
    assert any(one.found for one in ways)
    for one in ways:
        if one.found is not None:
            told = left_over(one.found.tried).ratio.figure.value
            assert told == pytest.approx([ratio] * 4, rel=2e-4), one.title
            gasket = 0.7 + sum(c.amount for c in one.changes if c.kind == "gasket")
            assert gasket >= LEAST_GASKET_MM
            assert all(c.amount >= 0 for c in one.changes if c.kind in ("head_cut", "block_cut", "crown_cut"))
        else:
            assert one.why_not


def test_squish_is_put_right_first_and_the_rest_made_up():
    ways = {one.title: one for one in ways_to(MADE.book, NOW, 10.6)}
    both = ways["block cut + dish"]
    assert both.found.found.finding("squish", "1e").figure == pytest.approx(0.040 * 25.4, abs=1e-3)
    assert ways["crown cut"].why_not == "it would have to be put on, not cut off" or ways["crown cut"].found
    words = "\n".join(ways_words(MADE.engine, tuple(ways.values())))
    assert "A head cut leaves squish as it is" in words
    assert amounts_words(MADE.engine, both.changes).count(",") == 1


def test_an_impossible_gasket_and_missing_parts_say_so():
    ways = {one.title: one for one in ways_to(MADE.book, NOW, 12.5)}
    assert ways["gasket"].why_not == "no gasket would be left of it"
    bare = poured().do(Unstate("chamber_area", ENGINE))
    told = {one.title: one for one in ways_to(bare.book, examine(bare.book), 10.8)}
    assert told["head cut"].why_not == "the chamber's opening is not stated"
    none = poured().do(Unstate("stroke", ENGINE))
    assert "state bore, stroke" in ways_to(none.book, examine(none.book), 10.8)
