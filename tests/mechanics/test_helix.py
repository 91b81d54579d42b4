"""A spring from its geometry. Sources stand at each check."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from honest_lift.mechanics.spring import helix

IN, LBF = 25.4, 4.4482216152605


def test_shigleys_music_wire_example():
    """Shigley, helical spring example (from memory, recomputed): 4.131 lbf/in and 0.4995 in solid."""
    psi = LBF / IN**2  # MPa
    wire, mean = 0.037 * IN, 0.400 * IN
    k = helix.rate(np.array(wire), np.array(mean), np.array(10.5), 11.85e6 * psi)
    assert k / (LBF / IN) == pytest.approx(4.131, abs=0.001)
    assert helix.solid_height(np.array(wire), np.array(12.5), ground=False) / IN == pytest.approx(0.4995, abs=5e-5)


def test_stress_factors():
    """Shigley and EN 13906-1: one formula written twice; Wahl's beside it."""
    for c in (4.0, 7.0, 11.0):
        assert helix.curvature_factor(np.array(c)) == pytest.approx((4 * c + 2) / (4 * c - 3))
    assert helix.wahl_factor(np.array(5.0)) == pytest.approx(1.3105, abs=5e-5)
    assert helix.wahl_factor(np.array(8.0)) == pytest.approx(1.1840, abs=5e-5)


def test_an_engines_spring():
    """Independent: d 4.5, D 32, Na 4.6, free 52, installed 43, lift 11."""
    wire, mean, coils = np.array(4.5), np.array(32.0), np.array(4.6)
    k = helix.rate(wire, mean, coils)
    assert k == pytest.approx(26.2524, abs=5e-5)
    assert helix.solid_height(wire, np.array(6.6)) == pytest.approx(29.7)
    seat, opened = k * 9.0, k * 20.0
    assert (seat, opened) == (pytest.approx(236.272, abs=5e-4), pytest.approx(525.049, abs=1e-3))
    assert helix.natural_frequency(wire, mean, coils) == pytest.approx(337.16, abs=0.01)
    assert helix.shear_stress(opened, wire, mean) == pytest.approx(561.78, abs=0.01)


def test_natural_frequency_in_closed_form():
    """EN 13906-1: f1 = d / (2 pi D^2 Na) sqrt(G / (2 rho))."""
    d, mean, coils = 4.5e-3, 32e-3, 4.6
    closed = d / (2 * np.pi * mean**2 * coils) * np.sqrt(77200e6 / (2 * 7850.0))
    assert helix.natural_frequency(np.array(4.5), np.array(32.0), np.array(4.6)) == pytest.approx(closed, rel=1e-12)


GAPS = np.array([0.8, 1.2, 2.5, 4.0, 4.0, 4.0])
EACH = helix.rate(np.array(4.2), np.array(30.0), np.ones(6))


def test_a_progressive_spring():
    """Independent: d 4.2, D 30, gaps 0.8 1.2 2.5 4 4 4, two dead coils: free 50.1, bind 33.6."""
    free = 33.6 + GAPS.sum()
    assert free == pytest.approx(50.1)
    loads = helix.chain_load(np.array([42.0, 36.0]), free, EACH, GAPS)
    assert loads == pytest.approx([169.602, 355.886], abs=5e-4)
    assert helix.chain_rate(loads, EACH, GAPS) == pytest.approx([27.8036, 37.0714], abs=5e-5)
    assert np.isnan(helix.chain_load(np.array([51.0, 33.0]), free, EACH, GAPS)).all()


@given(st.floats(33.61, 50.09))
def test_height_and_load_undo_each_other(height):
    load = float(helix.chain_load(np.array(height), 50.1, EACH, GAPS))
    assert helix.chain_height(np.array(load), 50.1, EACH, GAPS) == pytest.approx(height, abs=1e-9)
    if 0.5 < load < 600:
        again = brentq(lambda f: float(helix.chain_height(np.array(f), 50.1, EACH, GAPS)) - height, 0.0, 1000.0)
        assert load == pytest.approx(again, abs=1e-6)


def test_fatigue_margin_of_a_steady_load_is_the_static_one():
    tensile = helix.tensile_strength(np.array(4.5))
    steady = helix.fatigue_margin(np.array(500.0), np.array(500.0), tensile)
    assert steady == pytest.approx(0.67 * tensile / 500.0)
    assert helix.fatigue_margin(np.array(250.0), np.array(600.0), tensile) < steady
