"""Radius and pressure over a lobe's nose."""

from __future__ import annotations

from math import pi

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.mechanics.train.lobe_contact import POISSON, STEEL_MPA, line_pressure_mpa, nose_radius_mm

sizes = st.floats(12.0, 25.0)


def envelope(base, lift, bend, follower, at):
    """Give where a follower touches a lobe that lifts L + L''/2 t^2 about its nose, from the follower's own place in its turn.

    Independent: the roller's centre goes R + lift out from the cam's centre; the lobe is what it leaves, one radius nearer along
    the normal of its path. A flat follower is a roller of a very large radius.
    """
    t = at[:, None] + np.array([-1e-4, 0.0, 1e-4])
    out = base + follower + lift + 0.5 * bend * t**2
    x, y = out * np.sin(t), out * np.cos(t)
    dx, dy = (one[:, 2] - one[:, 0] for one in (x, y))
    long = np.hypot(dx, dy)
    return x[:, 1] + follower * dy / long, y[:, 1] - follower * (dx / long)


def through_three(x, y):
    """Give the radius of the circle through three points."""
    a, b, c = (np.hypot(x[i] - x[j], y[i] - y[j]) for i, j in ((0, 1), (1, 2), (2, 0)))
    area = abs((x[1] - x[0]) * (y[2] - y[0]) - (x[2] - x[0]) * (y[1] - y[0])) / 2.0
    return a * b * c / (4.0 * area)


@given(base=sizes, lift=st.floats(4.0, 10.0), bend=st.floats(-12.0, -3.0), follower=st.floats(5.0, 60.0))
def test_the_nose_is_the_circle_the_lobe_lies_on(base, lift, bend, follower):
    x, y = envelope(base, lift, bend, follower, np.array([-0.01, 0.0, 0.01]))
    told = nose_radius_mm(np.array(base), np.array(lift), np.array(bend), np.array(follower))
    assert told == pytest.approx(through_three(x, y), rel=2e-3)


@given(base=sizes, lift=st.floats(4.0, 10.0), bend=st.floats(-12.0, -3.0))
def test_a_flat_follower_is_a_roller_without_end(base, lift, bend):
    flat, wide = (nose_radius_mm(*map(np.array, (base, lift, bend, one))) for one in (np.inf, 1e7))
    assert flat == pytest.approx(wide, rel=1e-4)


def test_a_pointed_nose_has_no_radius():
    assert np.isnan(nose_radius_mm(np.array(15.0), np.array(7.0), np.array(-25.0), np.array(np.inf)))


@given(
    load=st.floats(100.0, 5000.0), width=st.floats(8.0, 25.0), nose=st.floats(2.0, 20.0), follower=st.floats(5.0, 100.0)
)
def test_the_pressure_bears_the_load(load, width, nose, follower):
    """Hertz: half an ellipse of pressure over a strip whose half width is p times four times 1/E' over the sum of curvatures."""
    p = line_pressure_mpa(*map(np.array, (load, width, nose, follower)))
    modulus = STEEL_MPA / (2.0 * (1.0 - POISSON**2))
    half = 2.0 * p / modulus / (1.0 / nose + 1.0 / follower)
    assert pi / 2.0 * p * half * width == pytest.approx(load, rel=1e-9)
