"""Chambers, compression and squish through the facts: what counts, what is held up, and nothing passing that should not."""

from math import pi

import msgspec
import numpy as np
import pytest
from msgspec.structs import replace

from chambers import pour, poured
from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.estimates.cylinder.chambers import chambers
from honest_lift.estimates.cylinder.clearance_volume import TERMS, left_over
from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.cylinder.dynamic_ratio import dynamic_ratio
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Fit, Put, SetTolerance, StrikeOut, fitment
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.history import History
from honest_lift.facts.limits import Limit, Tolerance
from honest_lift.facts.place import ENGINE, at_cylinder, at_position, of_spring
from honest_lift.facts.tools import Tool
from honest_lift.mechanics.cylinder.slider_crank import crank_of_stroke
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.cures import cures_for
from honest_lift.plans.next_reading import next_steps
from honest_lift.words.cylinder.chambers import chamber_words


def found(made, check, cylinder="1"):
    position = made.engine.layout.of_cylinder(cylinder)[0]
    return examine(made.book).finding(check, position)


def word(made, check, cylinder="1"):
    one = found(made, check, cylinder)
    return one.verdict.word if one else "none"


def test_the_ratio_is_what_the_definition_gives_and_is_told_at_every_valve():
    made = poured()
    left = 60.0 + pi / 4 * (102.0**2 * 0.7 + 100.0**2 * 0.3) / 1000 + 4.0 + 0.5
    swept = pi / 4 * 100.0**2 * 88.0 / 1000
    one = found(made, "compression")
    assert one.figure == pytest.approx((swept + left) / left, rel=1e-9)
    assert (one.verdict.word, one.place) == ("passes", at_cylinder(1))
    assert {t.title for t in one.terms} >= {"chamber", "gasket", "deck", "clearance volume", "swept"}
    assert examine(made.book).finding("compression", "1i") is one, "both valves of the cylinder show it"
    assert word(made, "squish") == "passes"
    assert found(made, "squish").figure == pytest.approx(1.0)
    assert word(made, "chamber_spread") == word(made, "compression_spread") == "passes"
    assert left_over(made.book).terms[TERMS.index("deck"), 0] == pytest.approx(pi / 4 * 100.0**2 * 0.3 / 1000)


@pytest.mark.parametrize("name", ["bore", "stroke", "gasket_thickness", "piston_volume"])
def test_what_is_lacking_leaves_no_ratio_and_is_asked_for(name):
    from honest_lift.facts.edits import Unstate

    made = poured().do(Unstate(name, ENGINE))
    assert word(made, "compression") == "unproven"
    assert any(step.quantity == name for step in next_steps(made.book, examine(made.book)))


def test_a_crevice_nobody_stated_is_assumed_and_never_passes():
    from honest_lift.facts.edits import Unstate

    made = poured().do(Unstate("crevice_volume", ENGINE))
    one = found(made, "compression")
    assert (one.verdict.word, one.provisional.word) == ("unproven", "passes")
    assert one.ground & Ground.ASSUMED
    made.state("top_land", 6.0, tolerance=0.05).state("land_clearance", 0.8, tolerance=0.02)
    assert word(made, "compression") == "passes"
    terms = left_over(made.book).terms[TERMS.index("crevice")]
    assert terms[0] == pytest.approx(pi / 4 * (100.0**2 - 99.2**2) * 6.0 / 1000)


@pytest.mark.parametrize(("quantity", "value", "term", "off"), [
    ("gasket_volume", 7.0, "gasket", 7.0), ("head_register", 0.5, "register", -pi / 4 * 100.0**2 * 0.5 / 1000),
    ("pocket_volume", 3.0, "pockets", 3.0), ("piston_volume", -8.0, "dish or dome", -8.0),
])  # fmt: skip
def test_every_part_counts_with_its_sign(quantity, value, term, off):
    made = poured().state(quantity, value, tolerance=0.05)
    whole = left_over(made.book)
    assert whole.terms[TERMS.index(term), 0] == pytest.approx(off)
    assert whole.left.figure.value[0] == pytest.approx(whole.terms[:, 0].sum())


def test_a_dome_is_told_by_a_pour_down_the_bore():
    from honest_lift.facts.edits import Unstate

    made = poured().do(Unstate("piston_volume", ENGINE))
    flat = pi / 4 * 100.0**2 * 12.0 / 1000
    for cylinder in made.engine.layout.cylinders:
        made.read("pour_depth", at_cylinder(cylinder), 12.0, "depth_gauge", "depth")
        made.read("bore_pour", at_cylinder(cylinder), flat - 9.0, "burette", "burette")
    assert left_over(made.book).terms[TERMS.index("dish or dome"), 0] == pytest.approx(-9.0)


def test_a_chamber_two_cc_over_its_neighbours_leaks_until_proven_otherwise():
    """Common practice, no source: 50 and 48 cc in one head."""
    made = poured((60.0, 62.2, 60.1, 60.3))
    assert (
        chambers(made.book).why_not[1].startswith("2.1 cc larger than its neighbours: it leaks until proven otherwise")
    )
    assert word(made, "compression", "2") == word(made, "chamber_spread", "1") == "unproven"
    assert word(made, "compression", "1") == "passes"
    assert "cylinder 2" in found(made, "chamber_spread", "1").remark
    made.read("leak_drop", at_cylinder(2), 0.0, "topped_up", "burette")
    assert chambers(made.book).why_not[1] == "", "it was watched, and held"
    two = poured((50.0, 48.0), layout="head: 1e 1i 2i 2e")
    assert "leaks until" in chambers(two.book).why_not[0]


def test_a_mended_seat_and_a_new_pour_prove_a_large_chamber():
    made = poured((60.0, 62.2, 60.1, 60.3))
    made.do(Fit((fitment(made.engine, "seat", "2e"),), "seat cut"))
    assert chambers(made.book).why_not[1], "the old pour speaks of the old seat"
    pour(made, 2, 62.3, repeat=False)
    assert chambers(made.book).why_not[1] == ""


def test_a_weeping_valve_and_a_smaller_chamber_hold_a_pour_up():
    made = poured((60.0, 60.2, 57.9, 60.3)).look("leak_test", at_position("1e"), "weeping")
    assert (
        chambers(made.book).why_not[0] == "1 exhaust leaks, so chamber 1 does not count; repair the seat and pour again"
    )
    assert "a bubble, or the plug's depth" in chambers(made.book).why_not[2]
    pour(made, 3, 57.9)
    assert chambers(made.book).why_not[2] == "", "poured twice alike it is small"


def test_a_leak_comes_off_with_its_doubt_and_a_large_one_is_refused():
    made = poured()
    made.read("leak_drop", at_cylinder(1), 0.1, "topped_up", "burette")
    one = chambers(made.book).volume.figure
    assert one.ground[0] & Ground.ASSUMED, "how long it filled was not looked at"
    made.read("fill_time", at_cylinder(1), 90.0, "watch")
    one = chambers(made.book).volume.figure
    assert one.value[0] == pytest.approx(60.0 - 0.1125)
    assert one.u[0] > chambers(poured().book).volume.figure.u[0]
    made.read("leak_drop", at_cylinder(1), 0.4, "topped_up", "burette")
    assert "chamber 1 loses 0.4 cc a minute, so no pour counts" in chambers(made.book).why_not[0]


def test_pours_that_do_not_agree_settle_nothing_until_there_are_five():
    made = poured()
    pour(made, 1, 61.0)
    assert "2 pours do not agree: a third pour" in chambers(made.book).why_not[0]
    assert word(made, "chamber_pours") == "fails"
    pour(made, 1, 60.1)
    assert "two more pours" in chambers(made.book).why_not[0]
    for volume in (60.2, 60.0):
        pour(made, 1, volume)
    whole = chambers(made.book)
    assert (whole.why_not[0], whole.poured[0]) == ("", 5)
    assert whole.volume.figure.value[0] == pytest.approx(60.1), "the median of five"


def test_weighed_water_stands_for_a_pour_or_contradicts_it():
    made = poured()
    made.read("water_temperature", ENGINE, 20.0, "thermometer", "glass")
    made.read("chamber_water", at_cylinder(1), 0.0599, "scale", "scale")
    assert chambers(made.book).why_not[0] == ""
    made.read("chamber_water", at_cylinder(1), 0.0585, "scale", "scale")
    assert "they can't both be" in chambers(made.book).why_not[0]
    reading = next(
        one for one in made.book.journal if getattr(one, "quantity", "") == "chamber_volume" and one.place.name == "1"
    )
    made.do(StrikeOut(reading.id))
    assert chambers(made.book).volume.figure.value[0] == pytest.approx(58.67, abs=0.01)


def test_the_rock_of_a_piston_goes_out_over_points_across_and_one_alone_proves_nothing():
    made = poured()
    deck = deck_of(made.book, 1)
    assert (deck.told.value, deck.rock_mm) == (pytest.approx(0.3), pytest.approx(0.12))
    again = poured()
    for one in [r for r in again.book.journal if getattr(r, "place", None) == at_cylinder(1, "other side")]:
        again.do(StrikeOut(one.id))
    assert word(again, "squish") == "unproven"
    assert "one point alone" in deck_of(again.book, 1).told.note


@pytest.mark.parametrize(("slot", "holder", "checks"), [
    ("piston", "1", ("squish", "compression")), ("block face", "head", ("squish", "compression")), ("gasket", "head", ("squish",)),
    ("valve", "1e", ("compression",)), ("seat", "1i", ("compression",)), ("head face", "head", ("compression",)),
])  # fmt: skip
def test_what_is_changed_proves_nothing_until_it_is_read_again(slot, holder, checks):
    made = poured()
    made.do(Fit((fitment(made.engine, slot, holder),), "changed"))
    for check in checks:
        assert word(made, check) == "unproven", (slot, check)


def test_squish_read_goes_first_and_one_that_can_not_be_bars_both():
    made = poured()
    made.read("squish", at_cylinder(1), 1.05, "solder", "solid")
    assert found(made, "squish").remark.startswith("by solder")
    assert word(made, "squish") == "passes"
    made.read("squish", at_cylinder(1), 1.6, "solder", "solid")
    assert word(made, "squish") == "unproven"
    assert "can't both be" in found(made, "squish").remark


def test_a_second_way_that_agrees_makes_no_verdict_worse():
    """Clay may read 0.015 in too thick: beside a deck and a gasket that are known it takes nothing from them."""
    made = poured().do(
        Put("tools", Tool("clay", "clay", "clay", "length", resolution=0.05, accuracy=0.05, repeatability=0.02))
    )
    assert word(made, "squish") == "passes"
    made.read("squish", at_cylinder(1), 1.02, "clay", "clay")
    assert (word(made, "squish"), found(made, "squish").figure) == ("passes", pytest.approx(1.0))
    made.read("squish", at_cylinder(1), 1.2, "clay", "clay")
    assert word(made, "squish") == "passes"
    assert "it sprang back" in found(made, "squish").remark
    made.state("gasket_thickness", 0.7, ENGINE, kind="assumed", low=0.6, high=0.8)
    assert found(made, "squish").figure == pytest.approx(1.2), "what is assumed stands behind what was read"


def test_squish_in_inches_and_rods_that_nobody_stated():
    """Deck 0.015 with a 0.027 gasket: squish 0.042 in. Common practice, no source."""
    made = poured(deck=0.015 * 25.4).state("gasket_thickness", 0.027 * 25.4, tolerance=0.01)
    assert found(made, "squish").figure == pytest.approx(0.042 * 25.4)
    made.do(Describe({"rod_material": ""}, "not stated"))
    assert word(made, "squish") == "unproven"
    made.do(Describe({"rod_material": "aluminium"}, "aluminium"))
    assert found(made, "squish").lowest == pytest.approx(0.050 * 25.4)
    assert word(made, "squish") == "fails"
    assert any("gasket" in one for one in cures_for(made.book, found(made, "squish")))


def test_the_effective_ratio_by_the_real_cam_names_its_check_lift():
    made = poured()
    made.state("lobe_lift", 8.97, tolerance=0.02).state("rocker_ratio", 1.5, tolerance=0.005).state(
        "lash", 0.4, tolerance=0.02
    )
    for role in ("intake", "exhaust"):
        durations = tuple(Duration(*one) for one in ((0.1524, 284.0), (1.27, 236.0), (5.08, 150.0)))
        made.do(Put("lobes", CamLobe(role, durations, 108.0, "invented")))
    made.do(Put("limits", Limit("eff", "dynamic_ratio", 7.0, 11.0, 0.3, origin="shop")))
    by_lift = {}
    for lift in (0.15, 1.0, 1.27):
        made.state("check_lift", lift, tolerance=0.0)
        effective = dynamic_ratio(made.book, left_over(made.book))
        at = float(effective.closes_deg[0])
        drop = float(crank_of_stroke(88.0, 145.0).drop(np.array(at)))
        left = float(left_over(made.book).left.figure.value[0])
        by_lift[lift] = float(effective.ratio.figure.value[0])
        assert by_lift[lift] == pytest.approx((pi / 4 * 100.0**2 * drop / 1000 + left) / left, rel=1e-9)
    assert by_lift[0.15] < by_lift[1.0] < by_lift[1.27] < found(made, "compression").figure
    one = found(made, "dynamic_ratio")
    assert one.verdict.word == "unproven", "a lobe by its card is assumed"
    assert one.remark == "from 0.050 in of intake lift on"


def test_cubic_centimetres_per_cut_from_area_and_from_pours():
    from honest_lift.estimates.cylinder.per_cut import per_cut

    made = poured()
    assert per_cut(made.book, "1").by_area == pytest.approx(5.2)
    made.do(Fit((fitment(made.engine, "head face", "head", change="head_cut", amount=0.5),), "cut"))
    assert chambers(made.book).volume.figure.value[0] == pytest.approx(60.0 - 2.6)
    assert chambers(made.book).volume.figure.ground[0] & Ground.PREDICTED
    pour(made, 1, 57.6)
    assert per_cut(made.book, "1").by_pours == pytest.approx(4.8)
    assert per_cut(made.book, "1").best == pytest.approx(4.8), "what a cut took goes before an area"


def unread_decks(deck=0.1, dish=0.5, crevice=None):
    """Four cylinders poured alike, decks and pistons only stated, with their tolerance."""
    made = poured((60.0,) * 4)
    for entry in made.book.journal:
        if getattr(entry, "quantity", "") == "deck_clearance":
            made.do(StrikeOut(entry.id))
    made.state("deck_clearance", 0.25, ENGINE, tolerance=deck).state("piston_volume", 6.0, ENGINE, tolerance=dish)
    if crevice:
        made.state("crevice_volume", 0.5, ENGINE, kind="assumed", low=crevice[0], high=crevice[1], low_is_physical=True)
    return made


def test_pistons_nobody_measured_differ_each_by_its_own_tolerance():
    """Monte Carlo: every deck and dish drawn within its tolerance; most such engines spread more than 0.1, so none passes."""
    one = found(unread_decks(), "compression_spread")
    assert one.verdict is not Verdict.PASSES
    draw, swept = np.random.default_rng(4), pi / 4 * 100.0**2 * 88.0 / 1000
    deck, dish = draw.uniform(0.15, 0.35, (20_000, 4)), draw.uniform(5.5, 6.5, (20_000, 4))
    left = 60.0 + pi / 4 * (102.0**2 * 0.7 + 100.0**2 * deck) / 1000 + dish + 0.5
    spread = np.ptp((swept + left) / left, axis=1)
    assert (spread > 0.1).mean() > 0.5
    assert one.figure + one.expanded >= np.quantile(spread, 0.95), "what is said covers them"


def test_what_a_tool_is_off_by_moves_all_cylinders_together():
    made = poured((60.0,) * 4)
    made.do(Put("tools", replace(made.engine.tool("burette"), accuracy=5.0)))
    assert found(made, "chamber_spread").expanded < 0.6
    assert found(made, "compression").expanded > 0.4


def test_one_gasket_serves_its_head_and_moves_its_cylinders_together():
    def spread(layout):
        made = poured((60.0,) * 4, layout=layout).state("gasket_thickness", 0.7, ENGINE, tolerance=0.3)
        return found(made, "compression_spread").expanded

    one_head = spread("head: 1e 1i 2i 2e 3e 3i 4i 4e")
    two_heads = spread("left: 1e 1i 2i 2e\nright: 3e 3i 4i 4e")
    assert two_heads > 2.0 * one_head


def test_a_crevice_somebody_assumed_is_each_cylinders_own():
    one = found(unread_decks(0.001, 0.001, crevice=(0.0, 1.0)), "compression_spread")
    assert one.verdict is Verdict.UNPROVEN, "all may differ by it, whatever its physical end"
    apart = found(unread_decks(0.001, 0.001, crevice=(0.4, 0.6)), "compression_spread")
    assert apart.verdict is Verdict.UNPROVEN


@pytest.mark.parametrize(("stated", "between"), [(None, 0.035), (0.2, 0.2)])
def test_one_gasket_read_stands_for_others_by_what_gaskets_differ(stated, between):
    made = poured()
    made.do(SetTolerance(Tolerance("gasket_thickness", between=stated)))
    made.do(
        Put(
            "tools",
            Tool("fine", "outside_micrometer", "fine", "length", resolution=0.001, accuracy=0.004, repeatability=0.001),
        )
    )
    made.read("gasket_thickness", ENGINE, 0.7, "caliper", "fine")
    for_all = of_cylinder(made.book, "gasket_thickness", 1)
    assert for_all.u == pytest.approx(np.hypot(between / 3**0.5, np.sqrt(0.004**2 / 3 + 0.001**2 * 13 / 12)), rel=1e-3)
    made.read("gasket_thickness", at_cylinder(1), 0.7, "caliper", "fine")
    assert of_cylinder(made.book, "gasket_thickness", 1).u < 0.004, "read at this very cylinder"
    for _ in range(3):
        made.read("gasket_thickness", ENGINE, 0.9, "caliper", "fine", repeat=True)
    assert of_cylinder(made.book, "gasket_thickness", 2).u > 0.1 / 3**0.5, (
        "pieces that differ more than is usual, say so"
    )


@pytest.mark.parametrize(("quantity", "checks"), [
    ("head_register", ("squish", "compression")), ("pocket_volume", ("compression",)), ("gasket_thickness", ("squish",)),
])  # fmt: skip
def test_what_a_file_states_for_all_and_was_set_aside_counts_as_nothing_known(quantity, checks):
    made = poured().state(quantity, 1.0, ENGINE, tolerance=0.1)
    raw = msgspec.json.decode(encode_book(made.book))
    next(one for one in raw["engine"]["facts"] if one["quantity"] == quantity)["value"] = -1e9
    book = decode_book(msgspec.json.encode(raw), "odd")
    for check in checks:
        one = examine(book).finding(check, "1i")
        assert one.verdict is Verdict.UNPROVEN
        assert "was set aside" in reason(one, book.engine)


def test_a_curve_that_lost_a_point_proves_nothing_until_it_is_read_again():
    bench = Bench().complete()
    raw = msgspec.json.decode(encode_book(bench.book))
    lost = next(
        one for one in raw["journal"] if one.get("quantity") == "spring_load" and one["at"]["test_height"] == 42.0
    )
    lost["value"], lost["when"] = -1.0, "2026-01-05T10:00:00Z"
    bench.history = History(decode_book(msgspec.json.encode(raw), "odd"))
    position = bench.engine.position_of(lost["place"]["name"])
    for check in ("seat_load", "open_load"):
        one = examine(bench.book).finding(check, position)
        assert (one.verdict, one.ground) == (Verdict.UNPROVEN, one.ground | Ground.SET_ASIDE)
    bench.read("spring_load", of_spring(lost["place"]["name"]), 1066.0, "tester", at={"test_height": 39.0})
    assert examine(bench.book).finding("seat_load", position).verdict is Verdict.UNPROVEN, "another height"
    bench.read("spring_load", of_spring(lost["place"]["name"]), 890.0, "tester", at={"test_height": 42.0})
    assert examine(bench.book).finding("seat_load", position).verdict is Verdict.PASSES


def test_what_a_chamber_was_sold_as_stands_beside_what_was_poured():
    made = poured()
    made.state("chamber_as_sold", 59.0)
    words = " ".join(chamber_words(made.book, left_over(made.book), dynamic_ratio(made.book, left_over(made.book))))
    assert "Sold as 59.0 cc; poured, cylinder 1 1.0 cc more, cylinder 2 1.2 cc more" in words
    ratio = examine(made.book).finding("compression", "1e").figure
    made.state("chamber_as_sold", 80.0)
    assert examine(made.book).finding("compression", "1e").figure == ratio, "no ratio is calculated of it"
