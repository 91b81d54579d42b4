"""Piston to valve and valve to valve: read, worked out, contradicted, and nothing assumed, stale or unlooked-at passing."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec import structs

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.estimates.clearance.piston_valve import TURN, OneValve, Tried, one_valve, piston_to_valve
from honest_lift.estimates.clearance.piston_valve_read import room_read
from honest_lift.facts.edits import Confirm, Describe, Fit, StrikeOut, fitment, reading_of
from honest_lift.facts.engine import SetAside
from honest_lift.facts.lobe_edits import TakeTables
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.mechanics.cylinder.slider_crank import SliderCrank
from honest_lift.plans.cures import cures_for
from honest_lift.plans.next_reading import next_steps
from honest_lift.words.clearance.turned import at_speed_words, turn_words, window_words
from lobes import walked_table
from turning import LOBE, engine


def words(made, position="1i", check="piston_valve"):
    found = examine(made.book).finding(check, position)
    return found.verdict.word if found else "none"


def degreed(made, **more):
    """Walk the lobe of 1i, and find its middle by the wheel."""
    table = walked_table(made.book, at_position("1i"), LOBE, 8.97, centre_deg=108.0, tool="dial", wheel="wheel", **more)
    return made.do(TakeTables((table,)))


def brute(drop, position="1i", centre=108.0):
    """Give the least over a fine turn, worked anew from the lobe, the ratio and the single crank."""
    from honest_lift.mechanics.cam.card_lobe import flank_from_card
    from honest_lift.mechanics.cam.lobe import CardLobe

    crank = np.linspace(-60, 60, 24001)
    lobe = CardLobe(flank_from_card(8.97, LOBE)).lift((crank - centre) / 2.0)
    return float((drop + SliderCrank(44.0, 145.0).drop(crank) - np.maximum(lobe * 1.5 - 0.4, 0.0)).min())


def test_without_a_measure_towards_it_the_check_is_none_and_by_the_card_nothing_passes():
    assert words(engine(drop=0.0)) == "none"
    made = engine()
    found = piston_to_valve(made.book)
    assert found.least.figure.value[1] == pytest.approx(brute(7.0), abs=1e-3)
    assert found.at_deg[1] == pytest.approx(8.0, abs=2.0)
    assert found.at_deg[0] == pytest.approx(-found.at_deg[1], abs=0.6)
    one = examine(made.book).finding("piston_valve", "1i")
    assert (one.verdict.word, one.provisional.word) == ("unproven", "passes")
    assert one.least < one.margin < one.most
    assert words(engine(drop=2.0)) == "fails", "beyond its limit at every corner of what is assumed"


def test_a_walked_and_degreed_lobe_proves_it_and_what_is_taken_away_unproves_it():
    made = degreed(engine())
    found = examine(made.book).finding("piston_valve", "1i")
    assert found.verdict.word == "passes"
    assert found.figure == pytest.approx(brute(7.0), abs=0.05)
    assert words(made, "2i") == "unproven"
    for slot, where in (("cam", "engine"), ("head face", "head"), ("gasket", "head"), ("valve", "1i"), ("seat", "1i")):
        again = degreed(engine())
        again.do(Fit((fitment(again.engine, slot, where),), "changed"))
        assert words(again) == "unproven", slot
    leaning = degreed(engine(lean=15.0))
    assert words(leaning) == "unproven", "nobody stated the pocket's floor"
    assert words(leaning.state("pocket_lean", 0.0, tolerance=0.5)) == "passes"
    assert words(degreed(engine(), stops=False)) == "unproven", "a centre off the card is assumed"


def room(made, position, pairs, tool="dial"):
    for at, value in pairs:
        made.read("piston_valve_room", at_position(position), value, "indicator", tool, at={"crank_at": float(at)})
    return made


def parabola(least, at=9.0, angles=range(-20, 21, 2)):
    return [(a, round(least + 0.012 * (a - at) ** 2, 3)) for a in angles]


def test_aluminium_rods_want_more():
    """0.080 in intakes, 0.100 exhausts, 0.030 more for aluminium rods: common practice and from memory."""
    steel, aluminium = (examine(engine(rods=one).book) for one in ("steel", "aluminium"))
    limits = [[one.finding("piston_valve", name).lowest / 25.4 for name in ("1i", "1e")] for one in (steel, aluminium)]
    assert limits == [pytest.approx([0.080, 0.100]), pytest.approx([0.110, 0.130])]
    near = room(engine(drop=0.0, rods=""), "1i", parabola(2.4))
    assert words(near) == "unproven", "it would pass over steel rods, and not over aluminium ones"
    assert words(near.do(Describe({"rod_material": "steel"}, "steel"))) == "passes"
    assert words(near.do(Describe({"rod_material": "aluminium"}, "aluminium"))) == "fails"
    assert words(room(engine(drop=0.0, rods=""), "1i", parabola(3.2))) == "passes", "whatever they are made of"
    assert "aluminium ones need" in examine(engine(rods="").book).finding("piston_valve", "1i").remark


def test_a_row_of_readings_proves_its_least_between_the_angles():
    made = room(engine(drop=0.0), "1i", parabola(3.0))
    read = room_read(made.book, "1i")
    assert (read.least.value, read.at_deg) == (pytest.approx(3.0, abs=0.002), pytest.approx(9.0, abs=0.05))
    assert (words(made), words(made, "1e")) == ("passes", "unproven")
    low = room(engine(drop=0.0), "1i", parabola(1.5))
    assert words(low) == "fails"
    assert cures_for(low.book, examine(low.book).finding("piston_valve", "1i"))
    for angles, why in (((0, 45, 108), "3 angles are an observation"), (range(-20, 8, 2), "go further"),
                        (range(-30, 31, 10), "too far apart")):  # fmt: skip
        pairs = parabola(3.0, angles=angles)
        few = room(engine(drop=0.0), "1i", pairs)
        assert words(few) == "unproven"
        assert why in room_read(few.book, "1i").why_not


def test_a_row_that_stands_out_is_pointed_out_and_bars_until_it_is_struck():
    pairs = parabola(3.0)
    pairs[8] = (pairs[8][0], pairs[8][1] + 2.0)
    made = room(engine(drop=0.0), "1i", pairs)
    odd = [one for one in room_read(made.book, "1i").rows if one.odd]
    assert pairs[8][0] in [one.crank_deg for one in odd]
    assert words(made) == "unproven"
    worst = next(one for one in odd if one.crank_deg == pairs[8][0])
    made.do(StrikeOut(worst.reading, "slipped"))
    assert words(made) == "passes"


def test_what_contradicts_each_other_proves_nothing_and_names_the_usual_causes():
    made = room(degreed(engine()), "1i", parabola(brute(7.0)))
    assert words(made) == "passes"
    apart = room(degreed(engine()), "1i", parabola(brute(7.0) + 1.0))
    found = examine(apart.book).finding("piston_valve", "1i")
    assert found.verdict.word == "unproven"
    assert "lash forgotten" in found.remark


@pytest.mark.parametrize(
    ("way", "gasket", "figure"), [("clay", None, 6.7056), ("clay_bare", 0.6858, 7.3914), ("clay_bare", None, None)]
)
def test_clay_adds_the_gasket_that_was_out(way, gasket, figure):
    """Clay 0.264 in without its 0.027 gasket: 0.291 axial, the gasket adds. Common practice, no source."""
    made = engine(drop=0.0)
    if gasket:
        made.state("gasket_thickness", gasket, tolerance=0.02)
    made.read("piston_valve_clay", at_position("1i"), 0.264 * 25.4, way, "clay")
    found = examine(made.book).finding("piston_valve", "1i")
    if figure is None:
        assert found.verdict.word == "unproven"
        return
    assert (found.figure, found.verdict.word) == (pytest.approx(figure), "passes")
    assert found.expanded > 2 * 0.015 * 25.4 / np.sqrt(3), "clay springs back"


@settings(max_examples=12, deadline=None)
@given(st.floats(5.0, 9.0), st.floats(0.2, 3.0))
def test_monotone_truths_through_the_facts(drop, by):
    """More advance never adds intake clearance, a thicker gasket never takes any, more lash never takes any."""
    one = one_valve(engine(drop=drop).book, "1i")
    now = one.least()
    assert one.least(Tried(advance_deg=by)) <= now + 1e-9
    assert one.least(Tried(room_mm=by)) == pytest.approx(now + by)
    assert one.least(Tried(lash_mm=by / 10)) >= now - 1e-9
    assert one.least(Tried(ratio=1 + by / 30)) <= now + 1e-9


def test_prices_and_windows_are_told():
    """Per degree of advance -g x'(theta) takes 0.09 to 0.17 mm at 5 to 9 degrees (handbook, independent)."""
    made = degreed(engine())
    one = one_valve(made.book, "1i")
    assert isinstance(one, OneValve)
    degree = one.least(Tried(advance_deg=1.0)) - one.least()
    assert -0.17 <= degree <= -0.09
    found = {name: examine(made.book).finding("piston_valve", name) for name in ("1e", "1i")}
    told = turn_words(made.book, "1i", found, 1.5)
    assert "passes" in told[0]
    assert "A degree of advance -" in told[1]
    assert "a ratio up to" in told[2]
    assert window_words(made.book, ("1e", "1i"), found).startswith("As measured so far, nothing proven: "), (
        "1e is by its card"
    )
    assert window_words(made.book, ("1i",), found).startswith("This cylinder stays in its limits from ")
    assert window_words(made.book, (), {}) == ""
    assert at_speed_words(made.book, ("1i",), found) == ""
    before = found["1i"]
    made.state("rod_stretch", 0.4).state("bearing_room", 0.1).state("heat_room", -0.05)
    told = at_speed_words(made.book, ("1i",), found)
    assert "= 0.018 in, leaves 1 intake" in told
    assert examine(made.book).finding("piston_valve", "1i").figure == before.figure, "the cold figure stands"
    tight = engine(drop=2.0)
    short = {"1i": examine(tight.book).finding("piston_valve", "1i")}
    assert "more depth along the stem" in turn_words(tight.book, "1i", short, 1.5)[2]
    lacking = engine(drop=0.0)
    assert "missing valve drop at TDC" in turn_words(lacking.book, "1i", {}, 1.5)[0]
    assert len(TURN) == len(one.curve(Tried()))


def test_what_adds_up_to_the_drop_serves_where_none_is_measured():
    made = engine(drop=0.0)
    for name, value in (
        ("gasket_thickness", 1.0),
        ("deck_clearance", 0.5),
        ("pocket_depth", 2.0),
        ("valve_recess", 3.5),
    ):
        made.state(
            name, value, *((at_role("intake"),) if name in ("pocket_depth", "valve_recess") else ()), tolerance=0.05
        )
    found = piston_to_valve(made.book)
    assert found.least.figure.value[1] == pytest.approx(brute(7.0), abs=1e-3)
    assert not np.isfinite(found.least.figure.value[0])
    assert words(made) == "unproven"


def test_valve_to_valve_is_held_at_its_intake():
    """At least 0.080 in: common practice, no source."""
    made = Bench()
    assert words(made, check="valve_to_valve") == "none"
    reading = reading_of(
        made.book, "valve_to_valve", at_position("1i"), 2.5, text="2.5", unit="mm", way="feeler", tool="solid"
    )
    made.do(Confirm((reading,)))
    assert [words(made, one, "valve_to_valve") for one in ("1i", "2i", "1e")] == ["unproven", "unproven", "none"], (
        "set at TDC it is an upper bound"
    )
    made.read("valve_to_valve", at_position("2i"), 1.2, "feeler", "solid")
    assert words(made, "2i", "valve_to_valve") == "fails"


def test_the_valves_edge_wanders_in_an_upright_pocket():
    """Against the points of a leaning valve over the turn: L sin(alpha) in an upright pocket. Limit 0.050 in, from memory."""
    made = engine(lean=20.0).state("pocket_lean", 0.0, tolerance=0.5)
    assert words(made, check="pocket_wall") == "none"
    for name, value in (("pocket_radius", 24.0), ("pocket_offset", 0.0), ("pocket_depth", 5.0)):
        made.state(name, value, tolerance=0.05)
    assert words(made, check="pocket_wall") == "unproven", "nobody measured the valve's head"
    for name in made.names:
        made.read("head_diameter", at_position(name), 41.0, "micrometer", "micrometer")
    found = examine(made.book).finding("pocket_wall", "1i")
    one = one_valve(made.book, "1i")
    crank = np.arange(-30.0, 30.1, 0.5)
    room = np.interp(crank, TURN, one.curve(Tried()))
    drop = SliderCrank(44.0, 145.0).drop(crank)
    lift = 7.0 + drop / np.cos(np.radians(20.0)) - room
    beside = 24.0 - 20.5 - np.abs(lift * np.sin(np.radians(20.0)))
    assert found.figure == pytest.approx(beside[room <= 5.2].min(), abs=1e-3)
    tight = made.state("pocket_radius", 21.5, tolerance=0.05)
    assert examine(tight.book).finding("pocket_wall", "1i").provisional.word == "fails"
    deep = made.state("pocket_depth", 0.5, tolerance=0.05)
    assert words(deep, check="pocket_wall") == "unproven", "it never is inside, so that nothing is told"


def test_a_lobe_walked_at_the_valve_is_turned_as_it_was_read():
    """The table holds ratio and lash already; the same valve by its lobe, ratio and lash agrees within the reading."""
    made = engine()
    table = walked_table(made.book, at_position("1i"), LOBE, 8.97, centre_deg=108.0, tool="dial", wheel="wheel")
    lifts = tuple(max(one * 1.5 - 0.4, 0.0) for one in table.lift_mm)
    made.do(TakeTables((structs.replace(table, read_at="valve", lift_mm=lifts),)))
    found = examine(made.book).finding("piston_valve", "1i")
    assert found.figure == pytest.approx(brute(7.0), abs=0.06)
    assert not any(one.quantity == "rocker_ratio" and one.kind != "not applicable" for one in found.inputs)


def test_a_pin_offset_that_was_set_aside_is_not_taken_for_none():
    made = degreed(engine())
    assert words(made) == "passes"
    aside = SetAside("engine", "pin_offset", "9e9", "it makes no sense", "pin_offset", ENGINE)
    assert (
        examine(structs.replace(made.book, set_aside=(aside,))).finding("piston_valve", "1i").verdict.word == "unproven"
    )


def test_a_least_between_stale_neighbours_proves_nothing():
    made = room(engine(drop=0.0), "1i", parabola(3.0))
    made.do(Fit((fitment(made.engine, "cam", "engine"),), "another cam"))
    assert words(made) == "unproven"
    room(made, "1i", [(8, 3.0)])
    assert words(made) == "unproven", "one reading of now beside readings of the old cam"
    assert any(one.odd.startswith("stale") for one in room_read(made.book, "1i").rows)
    room(made, "1i", parabola(3.0))
    assert words(made) == "passes"


def test_a_single_look_below_what_is_worked_out_contradicts_it():
    """Whatever lies between the angles, the room is no more than the least reading."""
    made = degreed(engine())
    assert words(made) == "passes"
    room(made, "1i", [(9, brute(7.0) - 1.5)])
    found = examine(made.book).finding("piston_valve", "1i")
    assert (found.verdict.word, "can't both be" in found.remark) == ("unproven", True)
    above = room(degreed(engine()), "1i", [(40, 12.0)])
    assert words(above) == "passes", "a look elsewhere contradicts nothing"


def test_many_assumptions_at_once_decide_nothing_and_break_nothing():
    """Ranges are scanned over their grid, 3 to the power of their number: beyond a few none is."""
    made = engine(drop=0.0)
    assumed = {
        "gasket_thickness": 1.0, "deck_clearance": 0.5, "pocket_depth": 2.0, "valve_recess": 3.5, "lash": 0.4, "rocker_ratio": 1.5,
        "lobe_lift": 8.97, "stroke": 88.0, "rod_length": 145.0, "valve_lean": 12.0,
    }  # fmt: skip
    for name, value in assumed.items():
        made.state(name, value, kind="assumed", low=value * 0.99, high=value * 1.01)
    found = examine(made.book).finding("piston_valve", "1i")
    assert (found.verdict.word, bool(np.isfinite(found.figure))) == ("unproven", True)


def test_a_row_proves_a_clearance_and_not_what_moves_it():
    made = room(engine(), "1i", parabola(brute(7.0)))
    found = {"1i": examine(made.book).finding("piston_valve", "1i")}
    assert found["1i"].verdict.word == "passes"
    assert window_words(made.book, ("1i",), found).startswith("As measured so far, nothing proven: "), (
        "its lobe is off the card"
    )


def test_what_is_next_is_to_walk_the_lobe():
    made = engine()
    assert "walk the lobe with a degree wheel" in [one.stated for one in next_steps(made.book, examine(made.book))]
