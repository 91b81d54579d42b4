"""The speed at which a train lets go of its cam, through a whole engine: by Newton's law at every angle, and what proves it."""

import numpy as np
import pytest
from scipy.interpolate import PchipInterpolator

from engines import POINTS
from honest_lift.checks.examine import examine
from honest_lift.estimates.lobe_read import lobe_read, table_near
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.numbers.verdict import Verdict
from sound import pushrods

RED, RATIO, LASH, HEIGHT = 5000.0, 1.5, 0.4, 45.0


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
    lets_go = RED * (1.0 + examine(book).finding("control", "1i").figure / 100.0)
    assert read.band.nose_bias > 0.02
    assert lets_go == pytest.approx(as_walked / np.sqrt(1.0 - read.band.nose_bias), rel=0.005), (
        "the least of many noisy angles is too small: the hold is told without that"
    )


def test_a_ratio_nobody_measured_bars_the_speed_where_the_lift_was_read_apart():
    bench = pushrods()
    for name in bench.names:
        bench.read("valve_lift", at_position(name), 7.0 * RATIO - LASH, "indicator", "dial")
    assert examine(bench.book).finding("control", "1i").verdict is Verdict.PASSES
    bench.state("rocker_ratio", RATIO, ENGINE, kind="assumed", low=1.49, high=1.51)
    found = examine(bench.book)
    assert found.finding("open_load", "1i").verdict is Verdict.PASSES, "read at the valve"
    assert found.finding("control", "1i").verdict is Verdict.UNPROVEN
