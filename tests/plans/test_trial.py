"""Trials: the engine is never touched, the ripple lists exactly what moves, and known changes move readings by what they should."""

from itertools import count
from math import cos, isfinite, pi, radians

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from chambers import poured
from engines import Bench
from fingers import fingered
from honest_lift.checks.examine import examine
from honest_lift.checks.train.in_motion import foretold
from honest_lift.estimates.clearance.piston_valve_read import AT
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.facts import edits
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import Describe, EditError, fitment
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.history import History
from honest_lift.facts.lobe_edits import TakeTables
from honest_lift.facts.place import at_position
from honest_lift.facts.timing import advanced_on_card
from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.cylinder.slider_crank import SliderCrank
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans import change_edits
from honest_lift.plans.change_edits import edit_of, words_of
from honest_lift.plans.trial import edit_for, ripple, to_read_again, tried_on
from honest_lift.plans.trial_lines import checks_moved, lines_of, worst_of
from honest_lift.words.trial import turn_words
from lobes import walked_table
from sound import pushrods
from trials import DEMO, changes
from turning import LOBE
from turning import engine as turned_engine

NOW = examine(DEMO)


@settings(max_examples=40, deadline=None)
@given(st.lists(changes(), min_size=1, max_size=3))
def test_a_trial_never_touches_the_engine_and_its_ripple_is_what_the_checks_say(some):
    """Whatever is tried: the book is the very same, and the ripple is the difference of two examinations from nothing."""
    before = encode_book(DEMO)
    try:
        found = ripple(DEMO, NOW, some)
    except EditError:
        assert encode_book(DEMO) == before
        return
    assert encode_book(DEMO) == before

    def figures(examination):
        return {
            (o.check.name, o.place): o.figure if isfinite(o.figure) else o.word
            for o in examination.findings
            if o.position
        }

    with foretold(DEMO, NOW.moved):  # what moves at speed is foretold in a trial
        tried = examine(found.tried)
    then, now = figures(tried), figures(NOW)
    stale = [
        {(o.check.name, o.place) for o in each.findings if o.position and o.ground & Ground.STALE}
        for each in (NOW, tried)
    ]

    def same(one, other):
        if isinstance(one, float) and isinstance(other, float):
            return one == pytest.approx(other, rel=1e-9, abs=1e-9)
        return (one or None) == (other or None)

    wanted = {key for key in {*then, *now} if not same(then.get(key), now.get(key))} | (stale[1] - stale[0])
    assert {(one.there.check.name, one.there.place) for one in found.moved} == wanted
    for one in (*found.moved, *found.unproved):
        rests_on = {i.ground for i in one.after.inputs} if one.after else set()
        if any(ground & Ground.PREDICTED for ground in rests_on):
            assert one.after.verdict is not Verdict.PASSES, "predicted never passes"


@settings(max_examples=15, deadline=None)
@given(st.lists(changes(), min_size=1, max_size=3))
def test_accepted_is_one_edit_and_undo_takes_all_of_it_back(some):
    history = History(DEMO)
    try:
        edit = edit_for(DEMO, some, "a trial")
    except EditError:
        return
    history.do(edit)
    assert {o.id for o in history.book.engine.fitments} >= {o.id for o in DEMO.engine.fitments}
    here, there = (
        {(o.check.name, o.place): o.figure for o in found.findings if isfinite(o.figure)}
        for found in (examine(history.book), examine(tried_on(DEMO, some)))
    )
    assert here == pytest.approx(there, rel=1e-9, abs=1e-9)
    history.undo()
    assert history.book.engine == DEMO.engine
    assert decode_book(encode_book(history.book), "x").engine == DEMO.engine


def test_a_figure_stated_anew_is_that_figure_whenever_the_clock_turns(monkeypatch):
    """Every time that is asked for is a second later than the one before."""
    clock = (f"2030-01-01T00:{one // 60:02}:{one % 60:02}Z" for one in count())
    for module in (edits, change_edits):
        monkeypatch.setattr(module, "now", lambda: next(clock))
    for kind, quantity, amount in (
        ("lobe_lift", "lobe_lift", 9.4),
        ("ratio", "rocker_ratio", 1.65),
        ("lash", "lash", 0.3),
    ):
        then = tried_on(DEMO, [Change("c", kind, "", amount)])
        assert at_valve(then, quantity, "1e").value == pytest.approx(amount), kind
    heavy = pushrods().book
    lighter = tried_on(heavy, [Change("c", "valve_mass", "", -0.01)])
    assert value(lighter, "valve_mass").value == pytest.approx(value(heavy, "valve_mass").value - 0.01)
    other = tried_on(DEMO, [Change("c", "cam", "intake", part="271 at .050 in, 227 at .100 in")])
    lobe = next(one for one in other.engine.lobes if one.id == "intake")
    assert lobe.when >= next(one.when for one in other.engine.fitments if one.slot == "cam" and one.change == "cam")


def value(book, quantity, position="1i"):
    return at_valve(book, quantity, position)


def test_twenty_thousandths_off_the_head_and_what_it_moves():
    """Volume by its area, squish not at all, valve drop through the stem's lean: plane geometry."""
    made = poured()
    made.state("valve_lean", 15.0, tolerance=0.0).state("pocket_lean", 0.0, tolerance=0.0)
    made.read("valve_drop", at_position("1i"), 8.0, "indicator", "depth")
    cut = 0.508
    then = tried_on(made.book, [Change("c", "head_cut", "", cut)])
    told = of_cylinder(then, "chamber_volume", 1)
    assert told.value == pytest.approx(60.0 - 5200 * cut / 1000)
    assert told.ground & Ground.PREDICTED
    drop = value(then, "valve_drop")
    assert drop.value == pytest.approx(8.0 - cut / cos(radians(15)))
    found = ripple(made.book, examine(made.book), [Change("c", "head_cut", "", cut)])
    moved = {one.there.check.name for one in found.moved}
    assert "compression" in moved
    assert "squish" not in moved, "flat and face come down together"
    again = {one.reading.quantity for one in to_read_again(made.book, found.tried)}
    assert again == {"chamber_volume", "valve_drop"}


@pytest.mark.parametrize(("kind", "amount", "squish_mm", "volume_cc"), [
    ("gasket", 0.3, 0.3, pi / 4 * 102.0**2 * 0.3 / 1000), ("block_cut", 0.2, -0.2, -pi / 4 * 100.0**2 * 0.2 / 1000),
    ("piston_higher", 0.1, -0.1, -pi / 4 * 100.0**2 * 0.1 / 1000), ("dish", 2.5, 0.0, 2.5),
    ("head_cut", 0.25, 0.0, -5.2 * 0.25),
])  # fmt: skip
def test_what_a_change_does_to_squish_and_to_what_is_left_over(kind, amount, squish_mm, volume_cc):
    from honest_lift.estimates.cylinder.clearance_volume import left_over

    made = poured()
    then = examine(tried_on(made.book, [Change("c", kind, "", amount)]))
    assert then.finding("squish", "1e").figure == pytest.approx(1.0 + squish_mm)
    left = left_over(tried_on(made.book, [Change("c", kind, "", amount)])).left.figure.value[0]
    assert left - left_over(made.book).left.figure.value[0] == pytest.approx(volume_cc)


@pytest.mark.parametrize(("kind", "amount", "moved"), [
    ("seat_sunk", 0.3, {"installed_height": 0.3, "seal_gap": 0.3, "stem_tip_height": 0.3, "valve_drop": 0.3}),
    ("lock_offset", 1.27, {"installed_height": 1.27, "seal_gap": 1.27}),
    ("valve_longer", 2.0, {"installed_height": 2.0, "seal_gap": 2.0, "stem_tip_height": 2.0, "valve_drop": 0.0}),
    ("pocket_cut", 0.5, {"installed_height": 0.5, "spring_seat_height": -0.5}), ("shims", 0.381, {"installed_height": -0.381}),
    ("lash_cap", 2.0, {"stem_tip_height": 2.0}), ("guide_cut", 0.5, {"seal_gap": 0.5}),
    ("gasket", 0.3, {"lifter_below": 0.3 * cos(radians(15)), "lifter_across": 0.3 * 0.25881904510252074}),
    ("base_circle", 0.5, {"lifter_below": 0.5 * cos(radians(22)), "lifter_across": 0.5 * 0.374606593415912}),
    ("pushrod", 1.4, {"pushrod_length": 1.4}),
])  # fmt: skip
def test_readings_are_moved_by_what_was_changed_and_prove_nothing(kind, amount, moved):
    """Seat sunk, longer valve, offset lock, pocket and shims: common practice and plane geometry."""
    then = tried_on(DEMO, [Change("c", kind, "", amount)])
    for quantity, by in moved.items():
        before, after = value(DEMO, quantity), value(then, quantity)
        assert after.value - before.value == pytest.approx(by, abs=1e-9), quantity
        assert after.ground & Ground.PREDICTED, quantity
    touched = {i.quantity for f in examine(then).findings for i in f.inputs if i.ground & Ground.PREDICTED}
    assert set(moved) & touched or kind in ("pocket_cut",)


def test_the_cam_moved_in_its_drive_moves_timing_and_nothing_else():
    found = ripple(DEMO, NOW, [Change("c", "advance", "", 4.0)])
    assert {one.there.check.name for one in found.moved} == {"piston_valve", "piston_valve_speed"}
    assert not found.unproved
    assert not to_read_again(DEMO, found.tried)
    for one in found.moved:
        more = one.after.figure - one.before.figure
        assert (more < 0) == (one.there.place.role == "intake"), (
            "advance takes from the intake and gives to the exhaust"
        )


def test_lash_ratio_and_lift_are_stated_anew_and_readings_of_the_old_are_moved():
    made = turned_engine()
    made.read("valve_lift", at_position("1i"), 13.0, "indicator", "dial")
    made.read("lash", at_position("1i"), 0.4, "feeler", "solid")
    then = tried_on(made.book, [Change("c", "ratio", "", 1.6)])
    assert value(then, "valve_lift").value == pytest.approx((13.0 + 0.4) * 1.6 / 1.5 - 0.4)
    assert resolve(then, "rocker_ratio", at_position("1e")).value == 1.6
    then = tried_on(made.book, [Change("c", "lash", "intake", 0.3)])
    assert (value(then, "lash").value, value(then, "lash", "1e").value) == (pytest.approx(0.3), pytest.approx(0.4))
    assert value(then, "valve_lift").value == pytest.approx(13.1)
    then = tried_on(made.book, [Change("c", "lobe_lift", "exhaust", 9.5)])
    assert value(then, "valve_lift").value == pytest.approx(13.0), "the intake's lobe is another"
    assert value(then, "lobe_lift", "1e").value == 9.5


def test_another_cam_card_leaves_nothing_of_the_old_lobes():
    change = Change("c", "cam", "", part="300 at 0.1524, 250 at 1.27, 165 at 5.08")
    found = ripple(DEMO, NOW, [change])
    nearer = [one for one in found.moved if one.there.check.name == "piston_valve"]
    assert len(nearer) == 16
    assert value(DEMO, "lobe_lift", "3i").way == "indicator", "3 intake was walked"
    assert value(found.tried, "lobe_lift", "3i").kind == "specified"
    with pytest.raises(EditError, match="all intakes or of all exhausts"):
        edit_of(DEMO, Change("c", "cam", "3i", part="300 at 0.1524, 250 at 1.27"))


def test_an_overhead_cam_goes_late_by_its_chain():
    """R 60, r 30, C 260, head down 0.5: 0.4743 cam degree late, twice that of the crank. Independent."""
    made = turned_engine().do(Describe({"gear": "bucket"}, "bucket"))
    made.state("chain_cam", 60.0).state("chain_crank", 30.0).state("chain_between", 260.0)
    then = tried_on(made.book, [Change("c", "head_cut", "", 0.5)])
    (late,) = [one for one in then.engine.fitments if one.slot == "cam"]
    assert (late.change, late.amount) == ("advance", pytest.approx(-0.9486, abs=1e-4))


def test_what_can_not_be_made_is_said():
    with pytest.raises(EditError, match="not so many shims"):
        tried_on(DEMO, [Change("c", "shims", "", -2.0)])
    with pytest.raises(EditError, match="no “middle” on this engine"):
        tried_on(DEMO, [Change("c", "head_cut", "middle", 0.1)])
    with pytest.raises(EditError, match="0 springs for 16"):
        tried_on(DEMO, [Change("c", "springs", "", part="gone")])
    engine = DEMO.engine
    assert words_of(engine, Change("c", "head_cut", "left", 0.508)) == "head cut 0.020 in, left head"
    assert words_of(engine, Change("c", "ratio", "3i", 1.7)) == "another rocker ratio to 1.700, 3 intake"
    assert words_of(engine, Change("c", "springs", "", part="new")).endswith("new set in its box")


def test_a_change_of_no_known_amount_only_makes_stale():
    from honest_lift.facts.edits import Fit

    made = poured()
    made.do(Fit((fitment(made.engine, "head face", "head"),), "milled, nobody knows by how much"))
    told = of_cylinder(made.book, "chamber_volume", 1)
    assert told.ground & Ground.STALE
    assert told.value == pytest.approx(60.0)
    made.do(Fit((fitment(made.engine, "head face", "head", change="head_cut", amount=0.5),), "and once more"))
    assert of_cylinder(made.book, "chamber_volume", 1).ground & Ground.STALE, "one of the cuts is not known"


def test_lines_tell_where_each_check_stands_worst():
    found = ripple(DEMO, NOW, [Change("c", "gasket", "", -0.3)])
    lines = {one.check: one for one in lines_of(found)}
    assert lines["squish"].worse == 7
    assert lines["squish"].shown.verdicts == (Verdict.PASSES, Verdict.FAILS)
    assert next(iter(lines)) in ("squish", "compression"), "what turns for the worse stands first"
    assert worst_of(found.found, "squish").place.name == "5"
    assert "squish" in checks_moved([found])


def rowed(clay=False, drop=7.0):
    """A walked and degreed intake whose room was read every two degrees, or by clay; worked anew from lobe, ratio and crank."""
    made = turned_engine(drop=0.0)
    table = walked_table(made.book, at_position("1i"), LOBE, 8.97, centre_deg=108.0, tool="dial", wheel="wheel")
    made.do(TakeTables((table,)))
    angles = np.arange(-4.0, 21.0, 2.0)
    if clay:
        return made.read("piston_valve_clay", at_position("1i"), float(rooms(angles, drop).min()), "clay", "clay")
    for at, room in zip(angles, rooms(angles, drop), strict=True):
        made.read(
            "piston_valve_room", at_position("1i"), round(float(room), 4), "indicator", "dial", at={AT: float(at)}
        )
    return made


def rooms(crank, drop=7.0, ratio=1.5, lash=0.4, centre=108.0, lift=8.97):
    lobe = CardLobe(flank_from_card(8.97, LOBE)).lift((np.asarray(crank) - centre) / 2.0) * lift / 8.97
    return drop + SliderCrank(44.0, 145.0).drop(np.asarray(crank)) - np.maximum(lobe * ratio - lash, 0.0)


@pytest.mark.parametrize(
    ("tried", "then"),
    [
        ([("head_cut", 0.5)], {"drop": 6.5}),
        ([("gasket", 0.3)], {"drop": 7.3}),
        ([("seat_sunk", 0.2)], {"drop": 7.2}),
        ([("ratio", 1.6)], {"ratio": 1.6}),
        ([("lash", 0.6)], {"lash": 0.6}),
        ([("advance", 4.0)], {"centre": 104.0}),
        ([("advance", -4.0)], {"centre": 112.0}),
        ([("lobe_lift", 9.4)], {"lift": 9.4}),
        ([("head_cut", 0.5), ("ratio", 1.6), ("advance", 4.0)], {"drop": 6.5, "ratio": 1.6, "centre": 104.0}),
    ],
)
def test_a_row_of_readings_moves_with_what_is_tried_angle_by_angle(tried, then):
    """Against the same valve worked anew with the change in it."""
    made = rowed()
    some = [Change("c", kind, "", amount) for kind, amount in tried]
    before = examine(made.book).finding("piston_valve", "1i")
    assert before.figure == pytest.approx(rooms(np.linspace(-4, 20, 2401)).min(), abs=0.01)
    after = examine(tried_on(made.book, some)).finding("piston_valve", "1i")
    assert after.figure == pytest.approx(rooms(np.linspace(-4, 20, 2401), **then).min(), abs=0.02)
    assert abs(after.figure - before.figure) > 0.1
    assert after.ground & Ground.PREDICTED
    assert after.verdict is not Verdict.PASSES


def test_what_nobody_can_know_of_a_row_or_clay_is_lost_and_shows_no_pass():
    made = rowed(clay=True)
    now = examine(made.book)
    for kind, amount in (("ratio", 1.6), ("advance", 4.0)):
        found = ripple(made.book, now, [Change("c", kind, "", amount)])
        one = next(
            each for each in found.moved if each.there.check.name == "piston_valve" and each.there.position == "1i"
        )
        assert one.is_lost
        assert one.verdicts == (Verdict.PASSES, Verdict.UNPROVEN)
        assert turn_words(made.engine, one).split(" to ")[1].startswith("lost")
    cut = ripple(made.book, now, [Change("c", "head_cut", "", 0.5)])
    one = next(each for each in cut.moved if each.there.check.name == "piston_valve" and each.there.position == "1i")
    assert one.after.figure == pytest.approx(one.before.figure - 0.5)


def test_a_mock_up_between_two_valves_is_lost_with_ratio_and_timing():
    made = turned_engine(drop=0.0).read("valve_to_valve", at_position("1i"), 3.0, "feeler", "solid")
    for kind, amount in (("ratio", 1.6), ("advance", 4.0)):
        found = ripple(made.book, examine(made.book), [Change("c", kind, "", amount)])
        assert any(one.is_lost and one.there.check.name == "valve_to_valve" for one in found.moved), kind


def test_the_overhead_cam_recipe_moves_geometry_timing_and_clearance():
    """Head down, towers up, valves longer by 0.5: the cam stands over the tip as before, the valve 0.5 nearer the piston."""
    made = fingered()
    for name in ("chain_cam", "chain_crank", "chain_between"):
        made.state(name, {"chain_cam": 60.0, "chain_crank": 30.0, "chain_between": 260.0}[name], tolerance=0.0)
    made.state("valve_lean", 0.0, tolerance=0.0).state("valve_drop", 8.0, at_position("1i"), tolerance=0.1)
    tried = [Change("a", "head_cut", "", 0.5), Change("b", "tower", "", 0.5), Change("c", "valve_longer", "", 0.5)]
    for upto, above, timed in ((1, 35.8, True), (2, 36.3, False), (3, 35.8, False)):
        then = tried_on(made.book, tried[:upto])
        assert at_valve(then, "cam_above", "1i").value == pytest.approx(above)
        assert (abs(advanced_on_card(then.engine)) > 0.5) is timed, "what the head comes down the tower takes up"
    assert at_valve(tried_on(made.book, tried), "valve_drop", "1i").value == pytest.approx(7.5)


def test_lighter_parts_move_the_speed_and_nothing_of_their_heights():
    """Force over inertia: the speed a rigid train lets go at goes with one over the root of the mass."""
    made = pushrods()
    before = examine(made.book).finding("float_margin", "1i")
    then = tried_on(made.book, [Change("c", "valve_mass", "intake", -0.010)])
    after = examine(then).finding("float_margin", "1i")
    speed, mass = "float_speed", "moving_mass"
    assert after.term(mass) == pytest.approx(before.term(mass) - 0.010)
    assert after.term(speed) / before.term(speed) == pytest.approx(
        (before.term(mass) / after.term(mass)) ** 0.5, rel=1e-3
    )
    assert examine(then).finding("float_margin", "1e").figure == pytest.approx(
        examine(made.book).finding("float_margin", "1e").figure
    )
    for check in ("installed_height", "lock_out", "valve_margin", "tip_level"):
        one = examine(then).finding(check, "1i")
        assert one is None or not one.ground & (Ground.STALE | Ground.PREDICTED), check
    both = tried_on(made.book, [Change("c", "retainer_mass", "", -0.005)])
    assert examine(both).finding("float_margin", "1e").term(mass) == pytest.approx(
        examine(made.book).finding("float_margin", "1e").term(mass) - 0.005
    )


def test_a_mass_that_was_weighed_is_predicted_and_one_that_is_not_known_is_asked_for():
    made = pushrods()
    made.read("valve_mass", at_position("1i"), 0.110, "scale", "scale")
    then = tried_on(made.book, [Change("c", "valve_mass", "1i", -0.010)])
    told = value(then, "valve_mass", "1i")
    assert told.value == pytest.approx(0.100)
    assert told.ground & Ground.PREDICTED
    assert value(then, "valve_mass", "2i").value == value(made.book, "valve_mass", "2i").value
    with pytest.raises(EditError, match="state it first"):
        edit_of(Bench().book, Change("c", "valve_mass", "", -0.01))
    with pytest.raises(EditError, match="do not weigh so much"):
        edit_of(made.book, Change("c", "valve_mass", "", -0.4))
