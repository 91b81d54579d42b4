"""Volumes of a cylinder, against their definitions and against the slider-crank summed up.

Source: Heywood, Internal Combustion Engine Fundamentals, 2.2; the inch by definition (NIST SP 811).
"""

from math import pi

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.mechanics.cylinder.angle_mill import angle_cut
from honest_lift.mechanics.cylinder.chain import cam_retard_deg
from honest_lift.mechanics.cylinder.slider_crank import SliderCrank
from honest_lift.mechanics.cylinder.volumes import (
    clearance_for,
    compression_ratio,
    crevice_cc,
    disc_cc,
    dish_from_bore,
)
from honest_lift.numbers.units import from_inside


def array(value):
    return np.array(value)


@given(st.floats(50, 130), st.floats(20, 60), st.floats(1.5, 4.0), st.floats(20, 120), st.floats(150, 260))
def test_ratio_and_effective_ratio_against_the_crank_summed_up(bore, radius, rod_share, left, closes):
    """What is over the piston at an angle is what is left at TDC and its way up, summed from the piston's speed."""
    crank = SliderCrank(radius, radius * rod_share + radius)
    fine = np.linspace(0.0, closes, 20001)
    speed = np.gradient(crank.drop(fine), fine)
    over = left + np.trapezoid(speed, fine) * pi / 4.0 * bore**2 / 1000.0
    told = compression_ratio(disc_cc(array(bore), crank.drop(array(closes))), array(left))
    assert float(told) == pytest.approx(over / left, rel=1e-5)
    swept = float(disc_cc(array(bore), array(crank.stroke_mm)))
    whole = float(compression_ratio(array(swept), array(left)))
    assert whole >= float(told) - 1e-12
    assert clearance_for(swept, whole) == pytest.approx(left, rel=1e-12), "the target undoes the ratio"


def test_a_worked_engine_and_its_inches():
    """4.00 in bore, 3.48 in stroke: pi/4 x 16 x 3.48 = 43.7310 cubic inches; 1 in^3 = 16.387064 cc, exact."""
    swept = disc_cc(array(101.6), array(88.392))
    assert float(from_inside(float(swept), "volume", "in^3")) == pytest.approx(pi / 4 * 16 * 3.48, rel=1e-12)
    assert float(swept) == pytest.approx(43.73096973 * 16.387064, rel=1e-8)
    assert float(compression_ratio(array(716.6), array(71.66))) == pytest.approx(11.0)
    assert np.isnan(compression_ratio(array(700.0), array(0.0))), "nothing left is no ratio"


def test_signs_of_dish_dome_and_crevice():
    """Poured down a 100 mm bore 10 mm under the deck a flat piston takes 78.54 cc; a dome takes less, a dish more."""
    flat = pi / 4 * 100**2 * 10 / 1000
    assert float(dish_from_bore(array(flat), array(100.0), array(10.0))) == pytest.approx(0.0, abs=1e-12)
    assert float(dish_from_bore(array(flat - 12.0), array(100.0), array(10.0))) == pytest.approx(-12.0)
    assert float(dish_from_bore(array(flat + 5.0), array(100.0), array(10.0))) == pytest.approx(5.0)
    ring = pi / 4 * (100.0**2 - 99.2**2) * 6.0 / 1000
    assert float(crevice_cc(array(100.0), array(0.8), array(6.0))) == pytest.approx(ring)
    assert float(crevice_cc(array(100.0), array(0.0), array(6.0))) == 0.0


@given(st.floats(25, 80), st.floats(15, 40), st.floats(200, 600), st.floats(-2, 2))
def test_a_cam_turns_back_by_what_the_taut_strand_is_too_long(cam, crank, between, down):
    """The chain does not stretch: arc on the crank, straight strand and arc on the cam stay one length as the head comes down."""

    def length(apart, turned):
        lean = np.arcsin((cam - crank) / apart)
        return crank * -lean + np.sqrt(apart**2 - (cam - crank) ** 2) + cam * (turned + lean)

    told = np.radians(cam_retard_deg(down, cam, crank, between))
    apart = length(between - down, told) - length(between, 0.0)
    assert apart == pytest.approx(0.0, abs=down**2 / between + 1e-9), "to the first order in the cut"
    assert np.sign(told) == np.sign(down) or abs(down) < 1e-9


def test_the_worked_chain():
    """R 60, r 30, C 260, head down 0.5: 0.4743 cam degree late. Independent."""
    assert cam_retard_deg(0.5, 60.0, 30.0, 260.0) == pytest.approx(0.4743, abs=5e-5)
    assert np.isnan(cam_retard_deg(0.5, 60.0, 30.0, 20.0)), "sprockets that run into each other"


@given(st.floats(0.05, 3), st.floats(30, 100), st.floats(1.2, 3), st.floats(10, 25))
def test_a_cut_at_an_angle_takes_its_opening_times_the_depth_at_its_middle(depth, middle, share, radius):
    """Against the tipped plane summed up over a round opening."""
    cut = angle_cut(depth, middle, middle * share)
    x = np.linspace(-radius, radius, 20001)
    chord = 2 * np.sqrt(np.maximum(radius**2 - x**2, 0))
    deep = (middle + x) * np.tan(np.radians(cut.angle_deg))
    assert np.trapezoid(deep * chord, x) == pytest.approx(np.pi * radius**2 * depth, rel=1e-4)
    assert cut.far_mm == pytest.approx(middle * share * np.tan(np.radians(cut.angle_deg)))
    with pytest.raises(ValueError, match="between the rails"):
        angle_cut(depth, middle, middle)
