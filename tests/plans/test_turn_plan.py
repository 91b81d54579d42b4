"""The turn plan: as few stops as an exhaustive search finds, every valve on its base circle there, for the trade's engines."""

from __future__ import annotations

from itertools import combinations
from math import cos, pi

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import Bench
from honest_lift.demo.demonstrations import demonstration
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Fit, Put, fitment
from honest_lift.facts.firing import USUAL, firing_text, read_firing
from honest_lift.facts.layout import COMMON, read_layout
from honest_lift.facts.lobe_edits import TakeTables, table_of
from honest_lift.facts.place import at_position, at_role
from honest_lift.facts.tools import Tool
from honest_lift.mechanics.cam.turn_plan import CYCLE, farthest_in, least_stops, room_deg
from honest_lift.numbers.mendable import MendableError
from honest_lift.plans.train.turn_plan import turn_plan
from honest_lift.words.train.turn_plan import RULE, plan_lines, turns_words

ENGINES = {
    "V8": ("V8, two heads of eight", "1-8-4-3-6-5-7-2"), "V6": ("V6, two heads of six", "1-6-5-4-3-2"),
    "flat six": ("Flat six", "1-6-2-4-3-5"), "six": ("In-line six, twelve valves", "1-5-3-6-2-4"),
    "four": ("In-line four, eight valves", "1-3-4-2"), "flat four": ("Flat four", "1-4-3-2"),
    "three": ("In-line three, six valves", "1-3-2"), "45-degree twin": ("V-twin", "1@0 2@405"),
    "twin cams, buckets": ("In-line four, sixteen valves", "1-3-4-2"), "single": ("Single, two valves", "1"),
}  # fmt: skip
LOBES = {"mild": ((0.15, 280.0), (1.27, 224.0)), "wild": ((0.15, 336.0), (1.27, 288.0))}


def engine(name, lobe="mild", gear="pushrod"):
    layout, order = ENGINES[name]
    made = Bench(COMMON[layout])
    made.do(Describe({"gear": gear}, "gear")).state("lobe_lift", 8.0).state("rocker_ratio", 1.5).state("lash", 0.4)
    for role, middle in (("intake", 106.0), ("exhaust", 112.0)):
        made.do(
            Put(
                "lobes",
                CamLobe(role, tuple(Duration(*one) for one in LOBES[lobe]), middle, "invented", lash_cold_mm=0.4),
            )
        )
        made.state("lobe_centreline", middle if role == "intake" else -middle, at_role(role))
    return made.do(Describe({"firing": read_firing(order, made.engine.layout)}, "firing order"))


def least_by_search(start, length):
    """Exhaustive: every set of so many arc ends, the fewest first; some least set has each stop at the end of an arc."""
    ends = np.unique((start + np.minimum(length, CYCLE)) % CYCLE)
    holds = np.stack([((end - start) % CYCLE <= length + 1e-9) | (length >= CYCLE) for end in ends])
    for count in range(1, len(ends) + 1):
        if any(holds[list(some)].any(axis=0).all() for some in combinations(range(len(ends)), count)):
            return count
    raise AssertionError("a stop in every arc is always enough")


arcs = st.lists(st.tuples(st.floats(0.0, 719.0), st.floats(5.0, 500.0)), min_size=1, max_size=9)


@settings(max_examples=150)
@given(arcs)
def test_no_search_finds_fewer_stops(told):
    start, length = (np.array(one) for one in zip(*told, strict=True))
    stops = least_stops(start, length)
    assert np.stack([room_deg(one, start, length) for one in stops]).max(axis=0).min() >= -1e-6
    assert len(stops) == least_by_search(start, length)
    inside, margin = farthest_in(start, length)
    assert len(inside) == len(stops)
    assert np.stack([room_deg(one, start, length) for one in inside]).max(axis=0).min() >= margin - 1e-6


@pytest.mark.parametrize("lobe", LOBES)
@pytest.mark.parametrize("name", ENGINES)
def test_every_valve_is_on_its_base_circle_at_its_stop(name, lobe):
    """Independent: the lobe itself, drawn about its middle, lifts nothing there, nor within the margin of it."""
    plan = turn_plan(engine(name, lobe, "bucket" if "bucket" in name else "pushrod").book)
    base = {one.position: one for one in plan.base}
    assert set(plan.order) == set(base)
    assert len(plan.order) == len(base)
    for stop in plan.stops:
        for valve in stop.valves:
            one = base[valve.position]
            shut_for = (one.opens_deg - stop.crank_deg) % 720.0, (stop.crank_deg - one.closes_deg) % 720.0
            kept = 30.0 + 2.0 * 8.0 / 12**0.5  # a cam nobody degreed may stand 4 degrees off its card, either way
            assert min(shut_for) >= kept + plan.margin_deg - 1e-6, (valve.position, stop.crank_deg)
            assert valve.room_deg == pytest.approx(min(shut_for) - kept)
    start, length = (np.array([getattr(one, key) for one in plan.base]) for key in ("start_deg", "length_deg"))
    assert len(plan.stops) == least_by_search(start, length)
    if lobe == "mild" and (length >= 360.0).all():
        assert len(plan.stops) <= 2, "two stops a turn apart do for any engine whose valves are shut for a turn"


@pytest.mark.parametrize("name", ENGINES)
def test_the_rule_of_one_cylinder_agrees(name):
    """Common practice: intake when the exhaust starts to open, exhaust when the intake is nearly closed."""
    base = {one.position: one for one in turn_plan(engine(name).book).base}
    for one in base.values():
        role = at_position(one.position).role
        other = next(o for o in base.values() if o.cylinder == one.cylinder and at_position(o.position).role != role)
        crank = other.opens_deg if role == "intake" else other.closes_deg - 20.0
        assert room_deg(crank, np.array([one.start_deg]), np.array([one.length_deg]))[0] > 0.0
    assert RULE in plan_lines(turn_plan(engine(name).book), engine(name).engine)


def test_the_stops_of_a_four_are_a_turn_apart_at_tdc():
    plan = turn_plan(demonstration("four"))
    assert [(stop.crank_deg, stop.after) for stop in plan.stops] == [(0.0, 1), (360.0, 4)]
    assert {one.position for one in plan.stops[0].valves} == {"1i", "1e", "2i", "3e"}, "common practice, no source"


def test_what_is_missing_is_said_and_the_rest_is_planned():
    made = engine("V8").do(Describe({"firing": ()}, "none"))
    assert turn_plan(made.book).missing == ("the firing order is not stated",)
    assert not turn_plan(made.book).stops


@pytest.mark.parametrize(("mount", "lever"), [("stud", 2.5), ("shaft", 1.5)])
def test_turns_close_what_the_lash_is_too_wide_by(mount, lever):
    """By hand: a screw of 1 mm pitch, ratio 1.5, lash 0.3 mm too wide."""
    made = engine("four").do(Describe({"rocker_mount": mount}, "mount")).state("nut_pitch", 1.0, tolerance=0.0)
    made.do(Put("tools", made.engine.tools[0])).read("lash", at_position("1i"), 0.7, "feeler", "gauge")
    one = next(valve for stop in turn_plan(made.book).stops for valve in stop.valves if valve.position == "1i")
    assert one.turns == pytest.approx(0.3 / lever)
    assert turns_words(one, made.engine) == ("1/8 turn in" if mount == "stud" else "1/4 turn in")


def test_a_lash_read_hot_is_held_against_the_hot_one():
    made = engine("four").state("nut_pitch", 1.0, tolerance=0.0).do(Describe({"rocker_mount": "shaft"}, "shaft"))
    card = next(one for one in made.engine.lobes if one.id == "intake")
    made.do(Put("lobes", replace(card, lash_hot_mm=0.5)))
    made.read("lash", at_position("1i"), 0.7, "feeler_hot", "gauge").read(
        "lash", at_position("2i"), 0.7, "feeler", "gauge"
    )
    of = {valve.position: valve for stop in turn_plan(made.book).stops for valve in stop.valves}
    assert [(of[one].too_wide_mm, of[one].turns) for one in ("1i", "2i")] == [
        (pytest.approx(0.2), pytest.approx(0.2 / 1.5)), (pytest.approx(0.3), pytest.approx(0.3 / 1.5)),
    ]  # fmt: skip
    assert (of["1i"].cold_mm, of["1i"].hot_mm) == (0.4, 0.5)
    hydraulic = turn_plan(made.do(Describe({"lifter": "hydraulic roller"}, "hydraulic")).book)
    assert all(np.isnan([one.cold_mm, one.hot_mm]).all() for stop in hydraulic.stops for one in stop.valves)


def walked(made, tool="dial"):
    """Walk the lobe of 1i: a hump of 8 mm, 260 degrees of the crank about 106."""
    rows = [(float(a), round(8.0 * max(cos(pi * (a - 106) / 260), 0.0) ** 2, 2)) for a in range(-94, 307, 2)]
    table = table_of(
        made.book, at_position("1i"), "lifter", rows, unit="mm", tool=tool, wheel="disc", stops_deg=(-30.0, 30.0)
    )
    return made.do(TakeTables((table,)))


def test_a_walked_lobe_is_kept_clear_of_by_less_unless_its_tool_is_unknown_and_not_at_all_once_stale():
    dial = Tool("dial", "indicator", "dial", "length", resolution=0.01, accuracy=0.01, repeatability=0.007)
    disc = Tool("disc", "degree_wheel", "disc", "angle", resolution=0.5, accuracy=0.25, repeatability=0.2)
    made = engine("four").do(Put("tools", dial)).do(Put("tools", disc))
    known, unknown = (
        {one.position: one for one in turn_plan(walked(made, tool).book).base}["1i"] for tool in ("dial", "")
    )
    assert known.is_measured
    assert 8.0 < known.margin_deg < 10.0
    assert not unknown.is_measured
    assert unknown.margin_deg > 30.0
    walked(made).do(Fit((fitment(made.engine, "cam", "engine"),), "another camshaft"))
    plan = turn_plan(made.book)
    assert plan.missing == ("the lobe of 1 intake was read before something changed: read it again",)
    assert "1i" not in plan.order


@pytest.mark.parametrize(
    ("text", "says"),
    [("1-2-3", "every cylinder once"), ("1-3-4-4", "every cylinder once"), ("one two", "is no firing order"),
     ("1@0 2 3@1 4@2", "some have not"), ("1@0 2@400 3@300 4@500", "rise"), ("1@10 2@20 3@30 4@40", "begin at 0"),
     ("", "no firing")],
)  # fmt: skip
def test_a_firing_order_that_makes_no_sense_says_what_would(text, says):
    with pytest.raises(MendableError, match=says):
        read_firing(text, read_layout("1i 1e 2i 2e 3i 3e 4i 4e"))


def test_usual_orders_are_orders_and_come_back_as_typed():
    for count, orders in USUAL.items():
        layout = read_layout(" ".join(f"{one}i {one}e" for one in range(1, count + 1)))
        for text in orders:
            assert read_firing(firing_text(read_firing(text, layout)), layout) == read_firing(text, layout)
    assert firing_text(read_firing("1@0 2@405", read_layout("1i 1e 2i 2e"))) == "1@0 2@405"
