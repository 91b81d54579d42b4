"""The rigid contact force, against Newton's law worked out by hand and a valve thrown by a turning cam.

Source: Newton's second law; energy for masses referred through a ratio.
"""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.mechanics.train.contact import gas_force_n, held, held_of_loads, loss_rpm
from honest_lift.mechanics.train.masses import moving_mass, spring_share


def contact_loss_rpm(force, falls, mass):
    return loss_rpm(held(force, falls), mass)


def contact_force_n(force, falls, mass, speed):
    """Newton's law by hand: crank degrees a second are six times the rpm, a mm is a thousandth of a metre."""
    return force + mass * falls * 1e-3 * (6.0 * speed) ** 2


def test_a_harmonic_lobe_lets_go_where_its_spring_cannot_turn_it_round():
    """A lift of A (1 - cos) / 2 over 180 cam degrees: at the nose x'' = -2 A a cam radian squared, by hand."""
    lift, mass, load = 12.0, 0.25, 1800.0
    per_crank_deg2 = -2.0 * lift * (np.pi / 360.0) ** 2
    speed = float(contact_loss_rpm(np.array([load]), np.array([per_crank_deg2]), np.array(mass)))
    cam_rad_s = np.sqrt(load / (mass * 2.0 * lift * 1e-3))
    assert speed == pytest.approx(cam_rad_s * 60 / (2 * np.pi) * 2, rel=1e-12)


masses = st.floats(0.02, 0.4)


@given(st.lists(st.floats(300, 4000), min_size=3, max_size=3), st.lists(st.floats(1e-4, 3e-3), min_size=3, max_size=3), masses,
       masses)  # fmt: skip
def test_at_that_speed_the_least_force_is_nothing_and_more_mass_or_less_load_lowers_it(load, bends, mass, more):
    force, falls = np.array(load), -np.array(bends)
    speed = contact_loss_rpm(force, falls, np.array(mass))
    left = contact_force_n(force, falls, np.array(mass), speed)
    assert np.min(left) == pytest.approx(0.0, abs=1e-6 * max(load))
    assert contact_loss_rpm(force, falls, np.array(mass + more)) < speed
    assert contact_loss_rpm(force - 100.0, falls, np.array(mass)) < speed


@given(st.lists(st.floats(-500, 4000), min_size=12, max_size=12), st.integers(0, 10**6))
def test_a_force_made_of_loads_is_held_as_the_force_itself(loads, seed):
    """Two loads, of three copies of two valves, mixed by shares at five angles: the sum written out."""
    random, loads = np.random.default_rng(seed), np.array(loads).reshape(2, 3, 2)
    shares, falls = random.uniform(-1.0, 1.0, (2, 2, 5)), -random.uniform(1e-4, 3e-3, (2, 5))
    force = loads[0][..., None] * shares[0] + loads[1][..., None] * shares[1]
    assert held_of_loads(loads, shares, falls) == pytest.approx(held(force, falls), rel=1e-9, abs=1e-6)


def test_of_what_is_no_mass_no_speed_is_told():
    told = contact_loss_rpm(np.full((3, 1), 900.0), np.full((3, 1), -1e-3), np.array([0.2, 0.0, -0.1]))
    assert np.isfinite(told).tolist() == [True, False, False]


@given(masses, masses, st.floats(1.2, 2.0), st.floats(1.0, 20.0))
def test_what_moves_with_the_lobe_counts_over_the_ratio_squared(valve, pushed, ratio, speed):
    """By energy: the lobe's side moves 1 / ratio as fast as the valve."""
    zero = np.array(0.0)
    told = moving_mass(np.array(valve), zero, zero, zero, zero, np.array(pushed), np.array(ratio))
    energy = valve * speed**2 / 2 + pushed * (speed / ratio) ** 2 / 2
    assert told * speed**2 / 2 == pytest.approx(energy)


def test_the_share_of_a_spring_and_the_handbooks_gas_force():
    """A third of a coil that stretches evenly (integral of s^2), half of what stands dead above; 1 bar on 50 less 8 mm: 191 N."""
    s = np.linspace(0, 1, 100001)
    assert spring_share(5.0, 5.0) == pytest.approx(np.trapezoid(s**2, s))
    assert spring_share(4.0, 6.0) == pytest.approx((4 * np.trapezoid(s**2, s) + 1.0) / 6)
    assert gas_force_n(*map(np.array, (1.0, 0.0, 50.0, 8.0))) == pytest.approx(191, abs=0.5)
    assert gas_force_n(*map(np.array, (0.0, 1.0, 50.0, 8.0))) < 0, "pressure in the cylinder holds it shut"
