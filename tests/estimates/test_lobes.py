"""What the card and measured lobes come to: middles, contradictions, lifts that may prove something and those that may not."""

import msgspec
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import astuple, replace

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.estimates.alike import values_of
from honest_lift.estimates.cam.card import centre_deg, contradictions, durations_of, lobe_of, middles
from honest_lift.estimates.cam.lobe_read import band_of, lobe_read
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.estimates.train.masses import moving_of
from honest_lift.estimates.train.motion import Motion
from honest_lift.estimates.train.turn import Tried, advance_deg, crank_of, separation_deg, turn_of, turns_of
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Fit, Put, fitment
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.ledger import tables
from honest_lift.facts.lobe_edits import JudgeRows, TakeTables, table_of
from honest_lift.facts.place import at_position, at_role
from honest_lift.facts.tools import Tool
from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.train.linkage import RatioLinkage
from honest_lift.numbers.doubt import Ground
from honest_lift.words.cam.lobes import differing_words, lobe_words
from honest_lift.words.cam.turn import grounds

DURATIONS = (Duration(0.1524, 284.0), Duration(1.27, 236.0), Duration(5.08, 150.0))
LOBE = CardLobe(flank_from_card(6.2667, ((0.1524, 284.0), (1.27, 236.0), (5.08, 110.0))))
INDICATOR = Tool("dial", "indicator", "dial", "length", resolution=0.01, accuracy=0.01, repeatability=0.007)
WHEEL = Tool("wheel", "degree_wheel", "wheel", "angle", resolution=0.5, accuracy=0.25, repeatability=0.2)


def lobes_read(book):
    return tuple(lobe_read(book, one) for one in tables(book.journal))


def bench(**card):
    lobe = CamLobe("intake", DURATIONS, **card)
    made = Bench().state("lobe_lift", 8.97, at_role("intake")).state("rocker_ratio", 1.5).state("lash", 0.4)
    return made.do(Put("lobes", lobe)).do(Put("tools", INDICATOR)).do(Put("tools", WHEEL))


def walk(made, position="1i", centre=108.0, stops=(-28.5, 31.5), scale=1.0, seed=1, spoil=None, step=2.0, **more):
    """Take a lobe in as a bench would read it, its middle at `centre` and TDC at 1.5 on the wheel."""
    rng = np.random.default_rng(seed)
    crank = np.arange(centre - 220, centre + 221, step) + 1.5
    lift = np.round(LOBE.lift((crank - 1.5 - centre + rng.normal(0, 0.2, len(crank))) / 2) * scale, 2)
    rows = [(float(a), float(one)) for a, one in zip(crank, lift, strict=True)]
    if spoil:
        at, by = spoil
        rows[at] = (rows[at][0], rows[at][1] + by)
    place = at_role(position) if position in ("intake", "exhaust") else at_position(position)
    kept = {"tool": "dial", "wheel": "wheel", "unit": "mm", "read_at": "lifter"} | more
    table = table_of(made.book, place, kept.pop("read_at"), rows, stops_deg=stops, **kept)
    made.do(TakeTables((table,)))
    return table


# --- the card ---


def test_every_way_of_quoting_a_card_leads_to_the_same_facts():
    """Centreline 108 and 236 at 1.27 mm are 10 before TDC and 46 after BDC; with the exhaust at 112 that is 110 and 2 advanced."""
    ways = [
        {"centreline_deg": 108.0}, {"opens_deg": -10.0, "closes_deg": 226.0, "events_at_mm": 1.27}, {},
    ]  # fmt: skip
    for card in ways:
        made = bench(**card).do(Describe({"cam_separation_deg": 110.0, "cam_advance_deg": 2.0}, "card"))
        assert centre_deg(made.book, "intake") == pytest.approx(108.0)
        assert contradictions(made.book) == ()
    shape = turn_of(bench(centreline_deg=108.0).book, "intake").valve.lobe
    tdc = float(shape.lift(np.array(-54.0)))
    by_lift = bench(tdc_lift_mm=tdc)
    assert middles(by_lift.book, "intake")[0].by == "lift at TDC"
    assert centre_deg(by_lift.book, "intake") == pytest.approx(108.0, abs=1e-6)
    at_valve = bench(tdc_lift_mm=tdc * 1.5, tdc_read_at="valve")
    assert centre_deg(at_valve.book, "intake") == pytest.approx(108.0, abs=1e-6)


def test_a_middle_by_the_lift_at_the_valve_follows_another_ratio():
    """What lifts a valve is remembered by what it rests on: by that card, on the ratio as well."""
    made = bench(tdc_lift_mm=3.6, tdc_read_at="valve")
    told = [EveryTrain(made.state("rocker_ratio", ratio).book).lifted(1, "1i") for ratio in (1.5, 1.7, 1.5)]
    middles_deg = [one.parts["lobe_centreline"].value for one in told]
    assert middles_deg[0] == middles_deg[2] < middles_deg[1] - 1.0


def test_events_are_a_duration_too():
    made = bench(opens_deg=-5.0, closes_deg=215.0, events_at_mm=2.0)
    assert Duration(2.0, 220.0) in durations_of(lobe_of(made.engine, "intake"))


def test_a_gross_lift_over_its_ratio_is_the_lobe_lift_where_none_is_stated():
    made = Bench().do(Put("lobes", CamLobe("intake", gross_lift_mm=13.5, gross_ratio=1.5)))
    found = resolve(made.book, "lobe_lift", at_position("1i"))
    assert (found.value, found.kind) == (pytest.approx(9.0), "specified")
    assert resolve(made.book, "lobe_lift", at_position("1e")).kind == "missing"


@pytest.mark.parametrize(
    ("card", "words"),
    [
        ({"centreline_deg": 110.0, "opens_deg": -9.5, "closes_deg": 226.5, "events_at_mm": 1.27},
         "events give 108.5, card says 110.0"),
        ({"opens_deg": -10.0, "closes_deg": 220.0, "events_at_mm": 1.27}, "events give 230.0 degrees at 1.27 mm, card says 236.0"),
        ({"centreline_deg": 108.0, "gross_lift_mm": 14.0, "gross_ratio": 1.5}, "gives 9.33 mm at the lobe, stated is 8.97 mm"),
        ({"centreline_deg": 108.0, "tdc_lift_mm": 3.5}, "lift at TDC gives"),
        ({"centreline_deg": 108.0, "lash_cold_mm": 0.5, "lash_hot_mm": 0.45},
         "the card's lash is 0.50 mm or 0.45 mm, stated is 0.40 mm"),
        ({"centreline_deg": 70.0}, "is unusual"),
    ],
)  # fmt: skip
def test_contradictions_are_named_with_both_figures(card, words):
    made = bench(**card).do(Describe({"units": {**Bench().engine.units, "length": "mm"}}, "metric"))
    assert any(words in one for one in contradictions(made.book)), contradictions(made.book)


# --- measured ---


def test_a_walked_lobe_is_placed_by_its_stops_and_told_against_its_card():
    made = bench(centreline_deg=106.0)
    walk(made)
    read = lobes_read(made.book)[0]
    assert read.centre_deg == pytest.approx(108.0, abs=0.2)
    assert abs(read.centre_deg - 108.0) < 2 * read.centre_u_deg
    assert read.duration_deg(1.27) == pytest.approx(236.0, abs=0.5)
    assert read.troubles == ()
    turn = turn_of(made.book, "intake", "1i")
    assert (turn.timed_by, turn.valve.centre_deg) == ("its stops", read.centre_deg)
    words = " ".join(lobe_words(made.book, read))
    assert "this lobe is 2.0 crank degrees retarded of it" in words or "1.9 crank degrees retarded" in words
    assert turn_of(made.book, "intake", "2i").measured is None, "a table of one lobe speaks of that lobe"


def test_without_stops_a_table_tells_shape_and_the_card_its_place():
    made = bench(centreline_deg=106.0)
    walk(made, stops=None)
    turn = turn_of(made.book, "intake", "1i")
    assert (turn.timed_by, turn.valve.centre_deg) == ("the card", 106.0)
    other = bench(centreline_deg=106.0)
    walk(other, centre=108.0 + 90)
    read = lobes_read(other.book)[0]
    assert (read.centre_deg, round(read.far_deg)) == (None, 198)
    assert "another cylinder's TDC" in " ".join(lobe_words(other.book, read))


def lift_ground(made, position="1i", quantity="lobe_lift"):
    return resolve(made.book, quantity, at_position(position)).ground


def test_the_nose_of_a_table_is_a_reading_of_the_lobe_lift():
    made = bench()
    walk(made, seed=3)
    found = resolve(made.book, "lobe_lift", at_position("1i"))
    assert (found.kind, found.ground) == ("measured", Ground.NONE)
    assert found.value == pytest.approx(6.2667, abs=0.01)
    assert found.tool == "dial"
    made.read("lobe_lift", at_position("1i"), 6.30, "indicator", "dial")
    assert resolve(made.book, "lobe_lift", at_position("1i")).value == 6.30, "a reading of its own stands before it"


def test_a_lift_proves_nothing_while_its_table_is_doubtful_stale_or_read_with_no_tool():
    made = bench()
    table = walk(made, spoil=(110, -0.3))
    assert lift_ground(made) & Ground.UNSOUND, "a row about the nose is suspect"
    made.do(JudgeRows(table.id, (110,), ()))
    assert lift_ground(made) == Ground.NONE
    made.do(Fit((fitment(made.engine, "cam", "engine"),), "another camshaft"))
    assert lift_ground(made) & Ground.STALE
    for spoiled in ({"tool": ""}, {"tool": "gone"}):
        other = bench()
        walk(other, **spoiled)
        assert lift_ground(other) & Ground.NO_TOOL
    lost = bench()
    rows = [
        (float(a), float(LOBE.lift(np.array((a - 108) / 2))) + (0.2 if a > 108 else 0)) for a in range(-112, 329, 2)
    ]
    lost.do(TakeTables((table_of(lost.book, at_position("1i"), "lifter", rows, unit="mm", tool="dial"),)))
    assert lift_ground(lost) & Ground.UNSOUND, "the indicator did not come back"
    lost.do(JudgeRows(lost.book.journal[-1].id, (), (-1,)))
    assert lift_ground(lost) & Ground.UNSOUND, "nobody can believe a lost zero away"


def test_rows_left_out_about_the_nose_leave_no_lift_to_believe():
    made = bench()
    table = walk(made)
    nose = int(np.argmax(table.lift_mm))
    made.do(JudgeRows(table.id, tuple(range(nose - 5, nose + 6)), ()))
    assert lift_ground(made) == Ground.NONE
    made.do(JudgeRows(table.id, tuple(range(nose - 14, nose + 15)), ()))
    assert lift_ground(made) & Ground.UNSOUND


def test_what_stands_in_for_a_lift_that_was_set_aside_proves_nothing():
    made = (
        Bench()
        .do(Put("lobes", CamLobe("intake", gross_lift_mm=13.5, gross_ratio=1.5)))
        .state("lobe_lift", 9.0, at_role("intake"))
    )
    raw = msgspec.json.decode(encode_book(made.book))
    next(one for one in raw["engine"]["facts"] if one["quantity"] == "lobe_lift")["value"] = 1e9
    raw["engine"]["cam_separation_deg"] = 1e9
    book = decode_book(msgspec.json.encode(raw), "odd")
    assert [one.field for one in book.set_aside] == ["lobe lift", "cam_separation_deg"]
    found = resolve(book, "lobe_lift", at_position("1i"))
    assert (found.value, bool(found.ground & Ground.SET_ASIDE)) == (9.0, True)
    assert centre_deg(book, "intake") is None


def test_a_doubtful_table_lets_no_check_pass_that_the_card_would_have_passed():
    made = Bench().complete().do(Put("tools", INDICATOR))
    assert examine(made.book).finding("coil_bind_clearance", "1i").verdict.word == "passes"
    walk(made, scale=6.2667 / 6.2667, spoil=(110, -0.3))
    assert examine(made.book).finding("coil_bind_clearance", "1i").verdict.word == "unproven"
    assert examine(made.book).finding("coil_bind_clearance", "2i").verdict.word == "passes"


def test_a_table_at_the_valve_is_that_valves_lift_and_no_lobe():
    made = bench(centreline_deg=108.0)
    walk(made, read_at="valve")
    assert resolve(made.book, "valve_lift", at_position("1i")).value == pytest.approx(6.2667, abs=0.01)
    assert resolve(made.book, "lobe_lift", at_position("1i")).value == 8.97
    turn = turn_of(made.book, "intake", "1i")
    linkage = turn.valve.linkage
    assert (turn.at_valve, linkage.constant, linkage.lash_mm) == (True, 1.0, 0.0)
    assert isinstance(linkage, RatioLinkage)


def test_lobes_that_differ_from_their_like_are_named():
    made = Bench("head: 1e 1i 2i 2e 3i 4i").do(Put("tools", INDICATOR)).do(Put("tools", WHEEL))
    for seed, position in enumerate(("1i", "2i", "3i")):
        walk(made, position, seed=seed)
    assert differing_words(made.book, lobes_read(made.book)) == ()
    walk(made, "4i", centre=111.0, scale=0.98, seed=9)
    told = differing_words(made.book, lobes_read(made.book))
    assert len(told) == 1
    assert "4 intake lifts" in told[0]
    assert "less" in told[0]
    assert "stands 3." in told[0] or "stands 2." in told[0]


def test_a_lobe_is_read_anew_when_its_rows_are_judged_and_not_otherwise():
    made = bench()
    table = walk(made, spoil=(90, 0.5))
    before = lobes_read(made.book)[0]
    assert [one.row for one in before.troubles] == [90]
    made.state("lash", 0.5)
    assert lobes_read(made.book)[0] is before
    made.do(JudgeRows(table.id, (90,), ()))
    after = lobe_read(made.book, lobes_read(made.book)[0].found)
    assert after.troubles == ()
    assert after.lobe.residual_mm < before.lobe.residual_mm


def test_the_band_grows_with_coarser_tables_and_wheels():
    bands = [astuple(band_of(step, wheel)) for wheel in (0.2, 0.8) for step in (1, 2, 5, 10, 20)]
    assert bands[:5] == sorted(bands[:5])
    assert bands[5:] == sorted(bands[5:])
    assert astuple(band_of(1.0, 1.0)) == bands[4], "a wheel misread by a whole step"
    assert all(fine <= coarse for fine, coarse in zip(bands[:5], bands[5:], strict=True))


@settings(max_examples=150)
@given(st.lists(st.tuples(st.integers(-300, 300), st.floats(-0.5, 12.0)), min_size=5, max_size=40), st.booleans())
def test_whatever_is_written_down_is_told_and_breaks_nothing(rows, sorted_rows):
    """Rubbish is no lobe, or a lobe with troubles, or a rough one: never a crash, and figures are finite."""
    made = bench(centreline_deg=108.0)
    rows = sorted(rows) if sorted_rows else rows
    table = table_of(
        made.book, at_position("1i"), "lifter", [(float(a), one) for a, one in rows], unit="mm", stops_deg=(-30, 30)
    )
    made.do(TakeTables((table,)))
    assert np.isfinite(resolve(made.book, "lobe_lift", at_position("1i")).value)
    read = lobes_read(made.book)[0]
    assert all(isinstance(one, str) for one in lobe_words(made.book, read))
    turn = turn_of(made.book, "intake", "1i")
    assert turn.valve is not None or turn.missing


# --- around the turn ---


def test_what_is_tried_moves_both_valves_and_states_nothing():
    made = bench(centreline_deg=108.0)
    made.do(Put("lobes", CamLobe("exhaust", DURATIONS, 112.0))).state("lobe_lift", 8.97, at_role("exhaust"))
    as_stated, tried = turns_of(made.book), turns_of(made.book, "", Tried(4.0, 0.3, 1.6))
    assert (separation_deg(as_stated), advance_deg(as_stated)) == (110.0, 2.0)
    assert (separation_deg(tried), advance_deg(tried)) == (110.0, 6.0)
    assert tried["intake"].valve.peak_mm == pytest.approx(8.97 * 1.6 - 0.3)
    assert turns_of(made.book) == as_stated


def test_a_centreline_by_the_wheel_stands_before_the_cards_and_bleed_lowers_the_lift():
    made = bench(centreline_deg=106.0).read("lobe_centreline", at_position("1i"), 109.0, "equal_lifts", "wheel")
    assert turn_of(made.book, "intake", "1i").valve.centre_deg == 109.0
    assert turn_of(made.book, "intake", "2i").valve.centre_deg == 106.0
    assert turn_of(made.book, "intake", "1i").doubts == ()
    made.do(Fit((fitment(made.engine, "cam", "engine"),), "another camshaft"))
    assert "is stale" in turn_of(made.book, "intake", "1i").doubts[0]
    hydraulic = (
        bench(centreline_deg=106.0).do(Describe({"lifter": "hydraulic roller"}, "hydraulic")).state("lifter_bleed", 0.1)
    )
    shown, checked = turns_of(hydraulic.book)["intake"], turn_of(hydraulic.book, "intake")
    assert shown.valve.peak_mm == pytest.approx((8.97 - 0.1) * 1.5)
    assert checked.valve.peak_mm == pytest.approx(8.97 * 1.5), "what is drawn beside a clearance has its lifter hard"
    lifted, crank = EveryTrain(hydraulic.book).lifted(1, "1i"), np.array([60.0, 106.0, 150.0])
    judged = Motion(hydraulic.book, [lifted]).lift(crank[:, None], values_of(lifted.parts))[:, 0]
    assert turn_of(hydraulic.book, "intake", "1i").valve.lift(crank) == pytest.approx(judged, abs=2e-3)
    assert "shown less 0.10 mm of the lifter's bleed-down" in grounds({"intake": shown})
    assert resolve(hydraulic.book, "lobe_lift", at_role("intake")).value == 8.97, "no check counts on it"


def test_a_lift_read_apart_from_its_lobe_scales_what_is_drawn_judged_and_held():
    """All of a lobe goes with its greatest lift: twice the drawn lift is twice the lift, and twice the bend it is held by."""
    made = (
        bench(centreline_deg=108.0)
        .state("lobe_lift", 8.97, at_role("intake"))
        .state("rocker_ratio", 1.5)
        .state("lash", 0.0)
    )
    walk(made)
    made.state("red_line", 6000.0, tolerance=1.0)
    crank, told = 108.0 + np.array([-60.0, -20.0, 0.0, 45.0]), []
    peak = turn_of(made.book, "intake", "1i").valve.lobe.lift_mm
    for lift in (peak, 1.04 * peak):
        made.read("lobe_lift", at_position("1i"), lift, "indicator", "dial")
        lifted = EveryTrain(made.book).lifted(1, "1i")
        judged = Motion(made.book, [lifted]).lift(crank[:, None], values_of(lifted.parts))[:, 0]
        drawn, moving = turn_of(made.book, "intake", "1i").valve, moving_of(made.book)[1]
        assert drawn.lift(crank) == pytest.approx(judged, abs=3e-3)
        told.append((judged, drawn.velocity(crank), moving.lift_mm, min(moving.acceleration)))
    for before, after in zip(*told, strict=True):
        assert after == pytest.approx(1.04 * np.asarray(before), rel=2e-3, abs=1e-6)


def test_the_crank_is_drawn_only_from_what_is_stated():
    made = Bench()
    assert "stroke and rod length not stated" in crank_of(made.book)
    made.state("stroke", 88.0).state("rod_length", 145.0)
    assert crank_of(made.book).stroke_mm == 88.0
    assert "can't" in crank_of(made.state("rod_length", 40.0).book)


def test_an_empty_engine_says_what_is_missing():
    found = turns_of(Bench().book)
    assert [one.valve for one in found.values()] == [None, None]
    assert "state two durations" in found["intake"].missing
    assert replace(found["intake"], missing="").role == "intake"
