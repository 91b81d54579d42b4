"""The speed at which a train lets go of its cam, through a whole engine: by Newton's law at every angle, and what proves it."""

import numpy as np
import pytest
from msgspec.structs import replace
from scipy.interpolate import PchipInterpolator

from engines import POINTS
from honest_lift.checks.examine import examine, gathered_of
from honest_lift.checks.train.float_margin import contact_over
from honest_lift.estimates.alike import values_of
from honest_lift.estimates.cam.lobe_read import lobe_read, table_near
from honest_lift.estimates.train.assembled import EveryTrain
from honest_lift.estimates.train.masses import moving_of
from honest_lift.estimates.train.motion import Motion
from honest_lift.facts.edits import Put
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.facts.wheel_table import WheelTable
from honest_lift.numbers.verdict import Verdict
from sound import leaning, pushrods

RED, RATIO, LASH, HEIGHT = 3500.0, 1.5, 0.4, 45.0


def test_a_walked_lobe_lets_go_at_the_speed_its_spring_no_longer_turns_it_round_at():
    """Independent: spring force over moving mass against the lobe's bend at every angle of it, straight from the figures put in."""
    book = pushrods().book
    read = lobe_read(book, table_near(book, "intake", "1i"))
    cam = np.linspace(-70.0, 70.0, 4001)
    lift, bend = (
        RATIO * read.lobe.lift(cam) - LASH,
        RATIO * read.lobe.acceleration(cam) / 4.0,
    )  # mm a crank degree squared
    turns = (lift > 0.3) & (bend < 0.0)
    heights, loads = zip(*sorted(POINTS), strict=True)
    force = PchipInterpolator(heights, loads)(HEIGHT - lift[turns])
    mass = 0.1 + 0.02 + 0.4 * 0.09 + 0.03 + (0.06 + 0.1) / RATIO**2
    as_walked = np.sqrt(np.min(force / (-bend[turns] * 1e-3 * 6.0**2)) / mass)
    lets_go = RED * (1.0 + examine(book).finding("float_margin", "1i").figure / 100.0)
    assert read.band.nose_bias > 0.02
    assert lets_go == pytest.approx(as_walked / np.sqrt(1.0 - read.band.nose_bias), rel=0.005), (
        "the least of many noisy angles is too small: the hold is told without that"
    )


def test_a_ratio_nobody_measured_bars_the_speed_where_the_lift_was_read_apart():
    bench = pushrods()
    for name in bench.names:
        bench.read("valve_lift", at_position(name), 7.0 * RATIO - LASH, "indicator", "dial")
    assert examine(bench.book).finding("float_margin", "1i").verdict is Verdict.PASSES
    bench.state("rocker_ratio", RATIO, ENGINE, kind="assumed", low=1.49, high=1.51)
    found = examine(bench.book)
    assert found.finding("open_load", "1i").verdict is Verdict.PASSES, "read at the valve"
    assert found.finding("float_margin", "1i").verdict is Verdict.UNPROVEN


def geared():
    """A train by its dimensions with a red line and everything weighed."""
    made = leaning().state("red_line", 5000.0, tolerance=0.0)
    for name, mass in WEIGHED.items():
        made.state(name, mass, tolerance=0.0001)
    for spring in made.engine.springs:
        made.read("spring_mass", of_spring(spring.id), 0.09, "scale", "scale")
    return made


WEIGHED = {"valve_mass": 0.1, "retainer_mass": 0.02, "pushrod_mass": 0.06, "lifter_mass": 0.1, "rocker_at_valve": 0.03}


@pytest.mark.parametrize("make", [pushrods, geared])
def test_the_valve_is_bent_as_its_lift_is_through_the_turn(make):
    """Independent: second differences of the valve's lift over crank degrees, taken through the whole train at once."""
    book = make().book
    for case, name in ((0, "1e"), (1, "1i")):
        told = moving_of(book)[case]
        lifted = EveryTrain(book).lifted(case, name)
        parts = values_of(lifted.parts)
        motion = Motion(book, [lifted])
        at, step = np.array(told.at_deg)[:, None], 0.5
        top = lifted.parts["lobe_centreline"].value

        def lift(turn, motion=motion, parts=parts, top=top):
            return motion.lift(top + turn, parts)[..., 0]

        bent = (lift(at + step) - 2.0 * lift(at) + lift(at - step)) / step**2
        assert told.acceleration == pytest.approx(bent.ravel(), rel=1.5e-3)
        full = float(lift(np.array([[0.0]])).ravel()[0])
        assert told.fractions == pytest.approx(lift(at).ravel() / full, abs=2e-3)
        assert told.lift_mm == pytest.approx(full, abs=2e-3)


def test_each_doubt_counts_by_what_it_moves():
    """Independent: the speed goes with the root of what is held over the mass, so each doubt moves it by half its own share."""
    book = pushrods().book
    examination = examine(book)
    valves = gathered_of(book).valves([1])
    valves = replace(valves, moving=moving_of(book)[1:2])
    (one,) = valves.moving
    whole = contact_over(valves).figure
    speed = 100.0 + whole.value[0]
    assert whole.value[0] == pytest.approx(examination.finding("float_margin", "1i").figure)
    pushed, ratio = 0.06 + 0.1, RATIO
    mass = 0.1 + 0.02 + 0.4 * 0.09 + 0.03 + pushed / ratio**2
    by_mass = {
        "valve_mass": 1.0, "retainer_mass": 1.0, "spring_mass": 0.4, "spring_share": 0.09, "rocker_at_valve": 1.0,
        "pushrod_mass": ratio**-2, "lifter_mass": ratio**-2,
    }  # fmt: skip
    assert set(by_mass) == set(one.masses)

    def without(changed):
        return contact_over(replace(valves, moving=(changed,))).figure.u[0]

    for name, share in by_mass.items():
        given, slope = one.masses[name], speed / 2.0 * share / mass
        u = np.linalg.norm([given.own_u, *(each[2] for each in (*given.each, *given.shared))])
        bare = replace(given, own_u=0.0, each=(), shared=())
        sure = replace(one, masses={**one.masses, name: bare})
        assert np.sqrt(whole.u[0] ** 2 - without(sure) ** 2) == pytest.approx(slope * u, rel=0.05, abs=1e-4)
    band = lobe_read(book, table_near(book, "intake", "1i")).band
    assert (one.nose.value, one.nose.own_u) == (1.0 - band.nose_bias, band.nose_u)
    off = np.sqrt(whole.u[0] ** 2 - without(replace(one, nose=replace(one.nose, own_u=0.0))) ** 2)
    assert off == pytest.approx(speed / 2.0 * band.nose_u / one.nose.value, rel=0.05)


def test_what_nobody_stated_is_told_with_its_doubt():
    """Half a drawn nose by two durations is off by a fifth, by three a twelfth (docs/validation.md); the rest is from memory."""
    walked = moving_of(pushrods().book)[1]
    assert walked.masses["spring_share"].value == 0.40
    (share,) = walked.masses["spring_share"].each
    assert share[2] == pytest.approx((0.45 - 0.35) / np.sqrt(12.0)), "anything from 0.35 to 0.45 alike"
    by_card = [one for one in pushrods().book.journal if not isinstance(one, WheelTable)]
    made = pushrods()
    made.history.book = replace(made.book, journal=tuple(by_card))
    made.state("lobe_lift", 7.0, tolerance=0.01).state("lash", 0.4)
    lobe = next(one for one in made.engine.lobes if one.id == "intake")
    for count, off in ((2, 0.20), (3, 0.08)):
        made.do(Put("lobes", replace(lobe, durations=lobe.durations[:count])))
        nose = moving_of(made.book)[1].nose
        assert (nose.kind, nose.low, nose.high) == ("assumed", 1.0 - off, 1.0 + off), count
    card = made.engine.cards[0]
    made.do(Put("cards", replace(card, mass_kg=0.09)))
    weighed = tuple(one for one in made.book.journal if getattr(one, "quantity", "") != "spring_mass")
    made.history.book = replace(made.book, journal=weighed)
    assert [each[2] for each in moving_of(made.book)[1].masses["spring_mass"].each] == pytest.approx(
        [0.03 * 0.09 / np.sqrt(3.0)]
    )
    gear = moving_of(geared().book)[1].carried
    assert gear.own_u == 0.01


def test_gas_behind_the_head_takes_from_the_spring():
    """Independent: boost on the ring between head and stem, against the force at full lift, where this lobe bends most."""
    made = pushrods()
    before = examine(made.book).finding("float_margin", "1i").figure
    for name, value in (("port_pressure", 1.0), ("head_diameter", 40.0), ("stem_diameter", 8.0)):
        made.state(name, value, tolerance=0.001)
    after = examine(made.book).finding("float_margin", "1i").figure
    gas = 0.1 * np.pi / 4.0 * (40.0**2 - 8.0**2)
    heights, loads = zip(*sorted(POINTS), strict=True)
    least, most = (np.interp(HEIGHT - lift, heights, loads) for lift in (5.0, 7.0 * RATIO - LASH))
    share = ((100.0 + after) / (100.0 + before)) ** 2
    assert 1.0 - gas / least < share < 1.0 - gas / most


def test_a_valve_that_was_read_to_lift_more_bends_more():
    made = pushrods()
    lift = 7.0 * RATIO - LASH
    figures = []
    for more in (1.0, 1.02):
        made.read("valve_lift", at_position("1i"), more * lift, "indicator", "dial")
        figures.append(100.0 + examine(made.book).finding("float_margin", "1i").figure)
    heights, loads = zip(*sorted(POINTS), strict=True)
    at_full, at_more = (np.interp(HEIGHT - one * lift, heights, loads) for one in (1.0, 1.02))
    assert (figures[1] / figures[0]) ** 2 == pytest.approx(at_more / at_full / 1.02, rel=0.006)
