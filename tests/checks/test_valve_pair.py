"""Valve to valve: worked out through the overlap, read at a mock-up, held against each other, and what gains room."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import minimize

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.estimates.clearance.mock_up import opened_at_tdc
from honest_lift.estimates.clearance.valve_pair import OVERLAP, Amounts, OnePair, opposed, valve_to_valve
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Fit, Put, fitment
from honest_lift.facts.place import at_position
from honest_lift.plans.cures import cures_for
from honest_lift.words.clearance.mock_up import mock_up_words
from turning import LEAN, OVER, engine, opposed_heads


def found(made, position="1i"):
    return examine(made.book).finding("valve_to_valve", position)


def test_worked_out_of_proven_parts_it_passes_and_of_a_card_it_does_not():
    made = opposed_heads()
    told = found(made)
    assert (told.verdict.word, told.expanded > 0) == ("passes", True)
    assert "calculated, nearest" in told.remark
    assert found(made, "1e") is None
    assert found(made, "2i").verdict.word == "unproven", "nobody has measured over its heads"
    by_card = found(opposed_heads(walked=False))
    assert by_card.verdict.word == "unproven"
    assert by_card.figure == pytest.approx(told.figure, abs=0.3)
    made.do(Fit((fitment(made.engine, "seat", "1e"),), "cut 1 exhaust"))
    assert found(made).verdict.word == "unproven", "over the heads was read before the seat was cut"


def test_what_is_read_at_the_exhaust_counts_for_its_pair():
    made = opposed_heads()
    other = engine(drop=None)
    assert found(other) is None
    other.read("valve_to_valve", at_position("1e"), 3.1, "feeler", "solid")
    assert (found(other).verdict.word, found(other).figure) == ("unproven", pytest.approx(3.1))
    assert "no more than there is" in reason(found(other), other.engine)
    other.read("valve_to_valve", at_position("1e"), 1.5, "feeler", "solid")
    assert found(other).verdict.word == "fails", "an upper bound under the limit is under it"
    made.read("valve_to_valve", at_position("1e"), 0.6, "feeler", "solid")
    told = found(made)
    assert (told.verdict.word, told.figure < 0.6 + 1e-9) == ("unproven", True)
    assert "they can't both be" in told.remark


def test_a_mock_up_that_agrees_is_held_less_what_the_overlap_is_nearer():
    made = opposed_heads(cant=6.0)
    worked = valve_to_valve(made.book)
    at_tdc, least = (float(one.figure.value[made.names.index("1i")]) for one in (worked.at_tdc, worked.least))
    assert least <= at_tdc
    made.read("valve_to_valve", at_position("1i"), round(at_tdc, 2), "feeler", "solid")
    told = found(made)
    assert (told.verdict.word, told.remark) == ("passes", "by a mock-up at the TDC lifts")
    assert told.figure == pytest.approx(round(at_tdc, 2) - (at_tdc - least))


def test_least_and_doubt_against_a_search_and_a_second_way():
    """The coplanar pair in plane trigonometry, walked finely by a general minimiser over both lifts' crank angle."""
    made = opposed_heads()
    pair = opposed(made.book)[0]
    case, worked = made.names.index("1i"), valve_to_valve(made.book)
    turned = OnePair(made.book, pair)
    lean = np.radians(LEAN)

    def gap(at):
        one, other = turned.at(float(at[0]))
        edges = [np.array([[p.middle[0, 0, 0], p.middle[2, 0, 0]]]) for p in (one, other)]
        rims = []
        for side, radius, middle in zip((1.0, -1.0), (25.0, 20.0), edges, strict=True):
            along = np.array([np.cos(lean), side * np.sin(lean)]) * side
            up = np.array([-side * np.sin(lean), np.cos(lean)])
            rims.append([middle[0] + radius * along + by * up for by in (0.0, 1.5)])
        return min(float(np.hypot(*(a - b))) for a in rims[0] for b in rims[1])

    start = float(worked.at_deg[case])
    best = minimize(gap, [start], method="Nelder-Mead", options={"xatol": 1e-4, "fatol": 1e-7})
    rim_to_rim = float(best.fun)
    assert float(worked.least.figure.value[case]) == pytest.approx(rim_to_rim, abs=1e-3)
    told = worked.least.figure
    assert told.u[case] > 0.0
    keys = {source.key for source in told.sources}
    assert {"scatter:head_diameter", "scatter:head_diameter:exhaust"} <= keys, "each valve's own scatter is its own"


@settings(deadline=None, max_examples=15)
@given(by=st.floats(0.05, 1.2), which=st.sampled_from(["sunk_i", "sunk_e", "smaller", "spread"]))
def test_what_is_said_to_gain_room_never_takes_any(by, which):
    turned = _pair_once()
    changed = {"sunk_i": Amounts(sunk=(by, 0.0)), "sunk_e": Amounts(sunk=(0.0, by)), "smaller": Amounts(smaller=by),
               "spread": Amounts(spread_deg=4 * by)}[which]  # fmt: skip
    assert turned.least(changed) >= turned.least() - 1e-9


_KEPT = []


def _pair_once():
    if not _KEPT:
        made = opposed_heads()
        _KEPT.append(OnePair(made.book, opposed(made.book)[0]))
    return _KEPT[0]


def test_cures_say_how_much_and_what_else_moves():
    made = opposed_heads(over=OVER - 5.2)
    told = found(made)
    assert told.verdict.word == "fails"
    words = cures_for(made.book, told)
    assert any(
        "sink the seat of 1 exhaust by" in one and "more chamber" in one and "shrouds it" in one for one in words
    )
    assert any("leaves" in one and "of its margin" in one for one in words)
    assert any("degrees more lobe separation" in one and "less overlap" in one for one in words)
    sunk = next(one for one in words if one.startswith("sink the seat of 1 exhaust"))
    turned = OnePair(made.book, opposed(made.book)[0])
    needed = told.expanded - told.margin
    if "not enough" not in sunk:
        amount = float(sunk.split(" by ")[1].split(" ")[0]) * (25.4 if " in:" in sunk else 1.0)
        assert turned.least(Amounts(sunk=(0.0, amount))) - turned.least() == pytest.approx(needed, abs=0.02)


def test_heads_that_meet_fail_by_how_far():
    made = opposed_heads(over=OVER - 12.0)
    told = found(made)
    assert (told.verdict.word, told.figure < 0) == ("fails", True)
    assert np.isfinite(valve_to_valve(made.book).curves[made.names.index("1i")]).all()
    assert len(OVERLAP) == 121


def test_a_mock_up_is_set_by_protrusions_less_tdc_lifts():
    """Stem protrusion 2.010 less TDC lift 0.226: 1.784; 2.040 less 0.216: 1.824. Common practice, no source."""
    made, inch = Bench("head: 1i 1e"), 25.4
    assert mock_up_words(made.book, "1i").count("TDC lift is not known") == 2
    for name, closed, lift in (("1i", 2.010, 0.226), ("1e", 2.040, 0.216)):
        made.read("stem_tip_height", at_position(name), closed * inch, "caliper", "solid")
        made.read("tdc_lift", at_position(name), lift * inch, "indicator", "solid")
    assert [opened_at_tdc(made.book, name).set_to_mm / inch for name in ("1i", "1e")] == pytest.approx([1.784, 1.824])
    words = mock_up_words(made.book, "1i")
    assert "protruding 1.784 in, 2.010 in less 0.226 in (read)" in words
    assert "1.824 in" in words


def test_tdc_lift_comes_of_the_lobe_and_of_the_card_where_nobody_read_it():
    turned = opposed_heads()
    lifts = [opened_at_tdc(turned.book, name) for name in ("1i", "1e")]
    assert {one.told_by for one in lifts} == {"its lobe"}
    pair = next(one for one in opposed(turned.book) if one.position == "1i")
    lost = OnePair(turned.book, pair).tdc_lifts_lost(200.0)  # lobes turned right away from TDC: all of it is lost
    assert [one.lift_mm for one in lifts] == pytest.approx(lost, abs=1e-6)
    made = Bench("head: 1i 1e").state("rocker_ratio", 1.5).state("lash", 0.4)
    for lobe in (CamLobe("intake", tdc_lift_mm=3.0), CamLobe("exhaust", tdc_lift_mm=3.0, tdc_read_at="valve")):
        made.do(Put("lobes", lobe))
    assert [opened_at_tdc(made.book, name).lift_mm for name in ("1i", "1e")] == pytest.approx([3.0 * 1.5 - 0.4, 3.0])


def test_a_gap_read_too_small_is_told_what_it_takes_at_the_least_without_any_geometry():
    made = engine(drop=None)
    made.read("valve_to_valve", at_position("1e"), 1.5, "feeler", "solid")
    one = found(made)
    told = cures_for(made.book, one)
    needed = one.expanded - one.margin
    assert needed == pytest.approx(0.080 * 25.4 - 1.5 + one.expanded)
    assert len(told) == 3
    assert all("at the very least" in words for words in told)
    assert f"{needed:.2f} mm" in told[0] or f"{needed / 25.4:.3f} in" in told[0]
    assert f"{2 * needed:.2f} mm" in told[1] or f"{2 * needed / 25.4:.3f} in" in told[1]
