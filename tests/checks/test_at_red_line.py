"""What the simulation says of valves up to the red line, and what their followers press on the lobes."""

from __future__ import annotations

from math import pi, sqrt

import numpy as np
import pytest
from msgspec.structs import replace

from honest_lift.checks.clearance.piston_valve import at_rest
from honest_lift.checks.examine import examine
from honest_lift.estimates.clearance.piston_valve import TURN
from honest_lift.estimates.motion import problems
from honest_lift.estimates.motion.at_red_line import nearer_piston_mm
from honest_lift.estimates.motion.surge_order import CANT_BE
from honest_lift.facts.edits import Describe, Put, Unstate
from honest_lift.facts.engine import SetAside
from honest_lift.facts.limits import Limit
from honest_lift.facts.memory import remember
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.tools import KINDS
from honest_lift.mechanics.motion.seen import SPANS
from honest_lift.mechanics.motion.sweep import up_to
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.words.train.contact import contact_of, contact_words
from sound import pushrods
from trains import simulated_by_nobody, stood_in

ALL = ("piston_valve_speed", "seating_velocity", "take_up", "surge_order", "nose_load", "nose_pressure")


@pytest.fixture(autouse=True)
def no_simulation():
    with simulated_by_nobody():
        yield


def told(made, check, position="1i"):
    return examine(made.book).finding(check, position)


def swept_like(**columns):
    """Let every train be swept to the same figures; the fixture takes it back."""

    def sweeps(ones, fineness, wanted=None):
        return [replace(one, **columns) for one in stood_in(ones, fineness)]

    problems.swept = sweeps
    remember.forget_all()


def test_what_a_valve_overshoots_comes_off_its_clearance_where_it_does():
    """Independent: the curve at rest less the overshoot, angle by angle, in spans of five degrees about the lobe's centre."""
    made = pushrods()
    rest = at_rest(made.book)
    beyond = np.zeros((2, SPANS), dtype=np.float32)
    lobe = 108.0
    spans = {angle: int((angle - lobe + 360.0) // 5.0) for angle in (20.0, 90.0)}
    beyond[:, spans[20.0]], beyond[:, spans[90.0]] = 1.5, 3.0
    swept_like(beyond=beyond.tobytes())
    found, clear = told(made, "piston_valve_speed"), told(made, "piston_valve")
    curve = rest.worked.curves[made.names.index("1i")]
    first, last = (-360.0 + 5.0 * (spans[20.0] + one) + lobe for one in (-1, 2))  # its span, and both beside it
    within = curve[(first <= TURN) & (last > TURN)].min()
    assert found.figure == pytest.approx(clear.figure - max(curve.min() - (within - 1.5), 0.0), abs=1e-6)
    assert found.term("overshoot_takes") > 0.5
    assert (found.expanded / 2.0) ** 2 == pytest.approx(
        (clear.expanded / 2.0) ** 2 + (0.15 * found.term("overshoot_takes")) ** 2, rel=1e-6
    )


def test_at_speed_rods_count_as_they_do_at_rest():
    """0.030 in more for aluminium rods, from memory; a stretch that is told comes off in its place, with its doubt."""
    made = pushrods()
    steel, still = told(made, "piston_valve_speed"), told(made, "piston_valve")
    made.do(Describe({"rod_material": "aluminium"}, "aluminium"))
    aluminium = told(made, "piston_valve_speed")
    assert (aluminium.lowest, aluminium.figure) == (pytest.approx(steel.lowest + 0.762), steel.figure)
    made.do(Describe({"rod_material": ""}, "nobody said"))
    made.do(
        Put(
            "limits", Limit("tight", "piston_valve_speed", steel.figure - steel.expanded - 0.3, None, origin="cam card")
        )
    )
    made.do(Put("limits", Limit("still", "piston_valve", still.figure - still.expanded - 0.9, None, origin="cam card")))
    assert told(made, "piston_valve").verdict in (Verdict.PASSES, Verdict.CLOSE)
    assert told(made, "piston_valve_speed").verdict is Verdict.UNPROVEN, "it passes over steel rods alone"
    made.state("rod_stretch", 0.1, tolerance=0.02)
    made.state("bearing_room", 0.06, tolerance=0.0).state("heat_room", -0.03, tolerance=0.0)
    drawn = told(made, "piston_valve_speed")
    assert drawn.verdict in (Verdict.PASSES, Verdict.CLOSE)
    assert drawn.lowest == pytest.approx(steel.figure - steel.expanded - 0.3)
    assert (drawn.figure, drawn.term("drawn_nearer")) == (pytest.approx(steel.figure - 0.13), pytest.approx(0.13))
    assert drawn.expanded > steel.expanded
    aside = SetAside("stated", "value", "9e9", "it makes no sense", "rod_stretch", ENGINE)
    found = examine(replace(made.do(Unstate("rod_stretch", ENGINE)).book, set_aside=(aside,)))
    assert found.finding("piston_valve_speed", "1i").verdict is Verdict.UNPROVEN


def test_without_a_curve_the_worst_overshoot_about_tdc_comes_off():
    made = pushrods()
    rest = at_rest(made.book)
    unturned = replace(rest.worked, curves=np.full_like(rest.worked.curves, np.nan))
    beyond = np.zeros((2, SPANS), dtype=np.float32)
    beyond[:, int((40.0 - 108.0 + 360.0) // 5.0)], beyond[:, int((100.0 - 108.0 + 360.0) // 5.0)] = 0.4, 2.0
    swept_like(beyond=beyond.tobytes())
    sweeps = examine(made.book).moved.swept.sweeps
    shrinks, _ = nearer_piston_mm(unturned, rest.through, sweeps, np.full((2, 4), 3500.0))
    assert shrinks[made.names.index("1i")] == pytest.approx(0.4)


def test_a_valve_that_may_float_sooner_is_held_at_a_higher_speed():
    """Its doubt is half of what the figure changes by on the way to the speed the red line may stand for."""
    made = pushrods()
    floats = told(made, "flexible_float")
    share = (floats.figure + 100.0) / (floats.figure + 100.0 - floats.expanded)
    red = floats.term("red_line")
    swept_like(rpm=(red, 4.0 * red), seating_mm_s=(500.0, 3500.0))
    found, later = told(made, "seating_velocity"), 0.5 + (share - 1.0) * 1.0
    assert found.figure == pytest.approx(0.5)
    assert found.expanded == pytest.approx(2.0 * max(0.15 * 0.5, (later - 0.5) / 2.0), rel=1e-3)


def test_beyond_what_was_swept_nothing_is_known():
    made = pushrods()
    swept_like(rpm=(1000.0, 3000.0))
    for check in ("piston_valve_speed", "seating_velocity"):
        one = told(made, check)
        assert (one.verdict, bool(one.ground & Ground.MISSING)) == (Verdict.UNPROVEN, True)


def test_up_to_a_speed_the_greatest_of_all_below_counts():
    rpm, rows = np.array([1.0, 2.0, 3.0]), np.array([[5.0, 0.0], [1.0, 2.0], [3.0, 4.0]])
    assert up_to(rpm, rows, 2.5).tolist() == [5.0, 3.0]
    assert up_to(rpm, rows, 0.5).tolist() == [5.0, 0.0]
    assert np.isnan(up_to(rpm, rows, 3.01)).all()


def test_a_spring_surges_as_often_as_its_rate_and_mass_say():
    """The first mode of a rod fixed at both ends, f = 1/2 sqrt(k/m), as the textbooks have it."""
    made = pushrods()
    train = examine(made.book).moved.swept.trains[1]
    spring = train.springs[0]
    rate = (spring.load_n[1] - spring.load_n[0]) / (spring.shorter_mm[1] - spring.shorter_mm[0]) * 1e3
    hz = 0.5 * sqrt(rate / spring.active_kg)
    one = told(made, "surge_order")
    assert one.term("surge_frequency") == pytest.approx(hz, rel=0.01)
    assert one.figure == pytest.approx(one.term("surge_frequency") / (3500.0 / 60.0 / 2.0))
    heavier = told(pushrods().state("red_line", 7000.0, tolerance=0.0), "surge_order")
    assert heavier.figure == pytest.approx(one.figure / 2.0)


def test_the_doubt_of_a_surge_frequency_is_of_rod_mass_and_rate():
    """By hand: half the share of what the spring's mass may be off by, and three percent for a wire that is no even rod."""
    made = pushrods()
    one = told(made, "surge_order")
    shares, whole = dict(one.shares()), (one.expanded / 2.0 / one.figure) ** 2
    assert shares["a spring taken for an even rod"] * whole == pytest.approx(0.03**2, rel=1e-6)
    moving = examine(made.book).moved.valves.moving[1].masses["spring_share"]
    low = 3.0 - 6.0 * (moving.value - moving.u), 3.0 - 6.0 * (moving.value + moving.u)
    off = max(abs((low[side] / (3.0 - 6.0 * moving.value)) ** -0.5 - 1.0) for side in (0, 1))
    assert shares["share of the spring that moves"] * whole == pytest.approx(off**2, rel=0.01)


def test_a_tapped_frequency_goes_first_and_must_not_contradict():
    made = pushrods()
    tool = replace(next(one.tool for one in KINDS if one.kind == "spectrum"), id="ear")
    made.do(Put("tools", tool)).read("surge_frequency", at_position("1i"), 490.0, "tap", "ear")
    one = told(made, "surge_order")
    assert (one.verdict, one.figure) == (Verdict.PASSES, pytest.approx(490.0 / (3500.0 / 120.0)))
    assert one.expanded < told(made, "surge_order", "2i").expanded / 4.0
    made.read("surge_frequency", at_position("2i"), 900.0, "tap", "ear")
    odd = told(made, "surge_order", "2i")
    assert odd.verdict is Verdict.UNPROVEN
    assert CANT_BE in {own.note for own in odd.inputs}


def test_the_nose_bears_the_open_load_through_the_rocker():
    made = pushrods()
    load, pressure = told(made, "nose_load"), told(made, "nose_pressure")
    assert load.figure == pytest.approx(told(made, "open_load").figure * 1.5)
    lobe = examine(made.book).moved.valves.moving[1]
    asked = np.frombuffer(lobe.asked)
    deg = np.radians(np.arange(len(asked)) * 0.25)  # of the cam
    near = np.abs(deg - deg[asked.argmax()]) < np.radians(2.1)
    bend = 2.0 * np.polyfit(deg[near], asked[near], 2)[0] / 1.5
    out = 15.0 + 9.5 + 7.0
    rho = out**2 / (out - bend) - 9.5
    by_hand = sqrt(load.figure * 207000.0 / (2.0 * 0.91) * (1.0 / rho + 1.0 / 9.5) / (pi * 12.0))
    assert pressure.figure == pytest.approx(by_hand, rel=0.01)
    assert pressure.expanded > 2.0 * 0.03 * pressure.figure, (
        "how much of the face bears is in doubt by 3 percent, from memory"
    )


@pytest.mark.parametrize(("lifter", "proves"), [("solid roller", True), ("solid flat", False), ("", True)])
def test_a_crowned_lifter_touches_in_a_point_which_nobody_models(lifter, proves):
    one = told(pushrods().do(Describe({"lifter": lifter}, "lifter")), "nose_pressure")
    assert (one.verdict is Verdict.PASSES) is proves


def test_the_lash_is_taken_up_as_fast_as_the_lobe_rises_there():
    made = pushrods()
    one = told(made, "take_up")
    moved = examine(made.book).moved
    lobe = moved.valves.moving[1]
    asked = np.frombuffer(lobe.asked)
    rising = np.interp(0.0, asked[: asked.argmax()], np.gradient(asked, 0.5)[: asked.argmax()])
    assert one.figure == pytest.approx(rising * 6.0 * 3500.0 / 1000.0, rel=0.01)
    assert one.expanded / 2.0 / one.figure > lobe.nose.u > 0.0, "the flank is no surer than the nose"
    contact = contact_of(made.book, moved, 1)
    assert contact.grown_m_s > contact.taken_up_m_s == pytest.approx(one.figure)
    assert contact.nose_n == pytest.approx(told(made, "nose_load").figure)
    assert "more lash" in contact_words(made.book, moved, 1)


def test_where_no_limit_is_stated_nothing_is_held_but_the_piston():
    made = pushrods()
    for one in made.engine.limits:
        if one.check in ALL[1:]:
            made.do(Put("limits", replace(one, check="dynamic_ratio")))
    seen = {one.check.name for one in examine(made.book).findings}
    assert seen & set(ALL) == {"piston_valve_speed"}


def test_a_guessed_stiffness_proves_nothing_at_the_red_line():
    made = pushrods().do(Unstate("train_stiffness", ENGINE))
    for check, least in (("piston_valve_speed", 50.0), ("coils_in_motion", 50.0)):
        assert told(made, check).verdict is Verdict.UNPROVEN
        made.do(Put("limits", Limit(f"far {check}", check, least, None, origin="cam card")))
        assert told(made, check).lowest == least
        assert told(made, check).verdict is Verdict.UNPROVEN, "nor does it fail by a guess"
