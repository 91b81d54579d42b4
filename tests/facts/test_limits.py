"""Which limit holds where several are stated: none ever loosens another. Common practice, no source."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec import json

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Drop, Put
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.limits import ORIGINS, RULES, Limit, in_another_unit, is_of, limit_for
from honest_lift.numbers.verdict import Verdict

CHECK = "coil_bind_clearance"
ends = st.none() | st.floats(-50.0, 50.0, allow_nan=False)
stated = st.builds(
    Limit,
    st.uuids().map(str),
    st.just(CHECK),
    ends,
    ends,
    role=st.sampled_from(["", "intake"]),
    origin=st.sampled_from(ORIGINS),
)


def held(*limits, role="intake"):
    return limit_for(limits, CHECK, role, "")


@given(st.lists(stated, max_size=6))
def test_each_side_is_the_strictest_of_whoever_states_it_first(limits):
    """Worked out again by hand: per side, the first origin that states it, its own role, then the tightest figure."""
    found = held(*limits)
    for side, tightest in (("lowest", max), ("highest", min)):
        telling = [one for one in limits if getattr(one, side) is not None]
        first = [one for one in telling if one.origin == min((t.origin for t in telling), key=ORIGINS.index)]
        own = [one for one in first if one.role] or first
        expected = tightest((getattr(one, side) for one in own), default=None)
        assert (getattr(found, side) if found else None) == expected


@given(st.lists(stated, max_size=5), stated)
def test_another_limit_of_the_same_origin_and_role_never_widens_the_window(limits, more):
    alike = [one for one in limits if (one.origin, one.role) == (more.origin, more.role)]
    before, after = held(*alike), held(*alike, more)
    if before is not None and before.lowest is not None:
        assert after.lowest >= before.lowest
    if before is not None and before.highest is not None:
        assert after.highest <= before.highest


def test_a_shops_max_leaves_the_profiles_min_and_names_both():
    profile = Limit("p", CHECK, 1.5, None, rule="0.060 in min")
    shop = Limit("s", CHECK, None, 2.0, origin="shop", rule="own")
    both = held(profile, shop)
    assert (both.lowest, both.highest, both.origin, both.rule) == (1.5, 2.0, "shop", "min: 0.060 in min; max: own")
    assert is_of(both, "p")
    assert is_of(both, "s")
    assert not is_of(both, "x")


def sound() -> Bench:
    """Springs with 2.0 mm to coil bind, where 1.524 mm are asked."""
    bench = Bench().state("lobe_lift", 8.0).state("rocker_ratio", 1.5).state("lash", 0.1)
    for number, name in enumerate(bench.names, 1):
        bench.height(name, 46.5).spring(str(number))
    return bench


def verdict(book):
    return examine(book).finding(CHECK, "1i").verdict


def test_a_stricter_limit_beside_an_older_one_counts():
    bench = sound()
    assert verdict(bench.book) is Verdict.PASSES
    bench.do(Put("limits", Limit("second", CHECK, 9.0, None)))
    assert verdict(bench.book) is Verdict.FAILS


def test_a_limit_that_was_set_aside_lets_no_laxer_one_pass():
    bench = sound().do(Put("limits", Limit("strict", CHECK, 9.0, None, origin="cam card")))
    assert verdict(bench.book) is Verdict.FAILS
    spoiled = decode_book(encode_book(bench.book).replace(b'"lowest": 9.0', b'"lowest": -1e9'), "x")
    assert verdict(spoiled) is Verdict.UNPROVEN
    assert json.decode(encode_book(spoiled))["set_aside"]
    again = decode_book(encode_book(spoiled), "x")
    assert verdict(again) is Verdict.UNPROVEN, "and none does after it was saved"
    bench.history.book = again
    bench.do(Drop("limits", "strict"))
    assert verdict(bench.book) is Verdict.PASSES, "somebody took it out"


def test_one_set_aside_below_what_counts_bars_nothing():
    card = Limit("card", CHECK, 1.0, 3.0, origin="cam card")
    aside = Limit("aside", CHECK, set_aside=True)
    assert held(card, aside) == card
    assert held(Limit("card", CHECK, 1.0, None, origin="cam card"), aside).set_aside, "the other side may be its own"
    assert held(aside).set_aside


@pytest.mark.parametrize("rule", [one for one in RULES if one.limit.lowest], ids=lambda one: one.limit.rule)
def test_the_figure_of_a_rule_in_the_other_unit_is_asked_about_and_the_figure_itself_is_not(rule):
    end = rule.limit.lowest
    assert in_another_unit(rule.limit.check, "lowest", end) is None
    for wrong in (end / 25.4, end * 25.4):
        meant = in_another_unit(rule.limit.check, "lowest", wrong)
        assert meant is not None


def test_a_limit_in_the_other_unit_is_asked_once_where_it_is_typed(open_window):
    """0.06 typed into an engine in millimetres, for 0.060 in."""
    from honest_lift.facts.edits import Describe
    from honest_lift.facts.engine import METRIC_UNITS

    window, said = open_window(sound().do(Describe({"units": dict(METRIC_UNITS)}, "metric")).book), []
    window.session.warned.connect(said.append)
    window.session.open_step("engine")
    window.sheets["engine"].open_page("Limits")
    records = window.sheets["engine"].pages["Limits"].limits.records
    row = next(i for i, one in enumerate(records.records) if one.check == CHECK)
    before = records.records[row].lowest
    records.setData(records.index(row, 2), "0.06")
    assert records.records[row].lowest == before
    assert said == ["min: 0.06 inches would be the usual 1.52 mm: are inches meant? Type it again to take it in mm."]
    records.setData(records.index(row, 2), "0.06")
    assert records.records[row].lowest == 0.06
