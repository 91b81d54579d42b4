"""The piston against crank angle and the sums of degreeing, held to published and worked figures."""

from math import radians

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from honest_lift.mechanics.cam.degreeing import from_tdc, middle_of, middle_of_lobe, offset_for, tooth_deg
from honest_lift.mechanics.cylinder.slider_crank import CrankError, SliderCrank, crank_of_stroke


def test_drops_of_a_worked_crank():
    """Stroke 88, rod 145, no offset (common practice check value; the formula is Heywood's 2.6)."""
    crank = SliderCrank(44.0, 145.0)
    assert crank.drop(np.array([10.0, 20.0, 30.0, 90.0])) == pytest.approx([0.8699, 3.4366, 7.5736, 50.8371], abs=1e-4)


def test_a_pin_off_the_middle_moves_tdc():
    crank = SliderCrank(43.9974, 145.0, 1.5)
    assert crank.stroke_mm == pytest.approx(88.0, abs=1e-3)
    fine = np.linspace(-1, 1, 20001)
    assert fine[np.argmin(crank.drop(fine))] == pytest.approx(0.0, abs=1e-3), "angles count from its own TDC"
    tdc = np.degrees(np.arcsin(1.5 / (145.0 + 43.9974)))
    assert tdc == pytest.approx(0.4547, abs=1e-4)


@given(st.floats(40, 120), st.floats(90, 260), st.floats(-3, 3), st.floats(0.1, 359.0))
def test_the_links_keep_their_lengths(stroke, rod, offset, angle):
    """Independent of the closed form: crankpin and wrist pin stay a rod apart, and the piston never stands above its TDC."""
    assume(rod - stroke / 2 > 5)
    crank = crank_of_stroke(stroke, rod, offset)
    assert crank.stroke_mm == pytest.approx(stroke, abs=1e-9)
    drop = float(crank.drop(np.array(angle)))
    assert -1e-9 <= drop <= stroke + 1e-9
    turned = radians(angle) + np.arcsin(offset / (rod + crank.radius_mm))
    top = np.sqrt((rod + crank.radius_mm) ** 2 - offset**2)
    crankpin = np.array([crank.radius_mm * np.sin(turned), crank.radius_mm * np.cos(turned)])
    assert np.linalg.norm(crankpin - np.array([offset, top - drop])) == pytest.approx(rod, abs=1e-8)


def test_a_crank_that_can_not_turn_is_refused():
    for stroke, rod in ((100.0, 40.0), (-1.0, 150.0)):
        with pytest.raises(CrankError):
            crank_of_stroke(stroke, rod)
    with pytest.raises(CrankError, match="can't turn"):
        SliderCrank(50.0, 51.0, 2.0)


@given(st.floats(-40, 40), st.floats(5, 85), st.floats(60, 140))
def test_stops_and_equal_lifts_give_the_middle_wherever_the_pointer_stands(pointer, stop, middle):
    """Both stop readings stand alike about TDC and both flanks about the middle: the pointer's error cancels."""
    tdc = middle_of(pointer - stop, pointer + stop)
    assert tdc == pytest.approx(pointer)
    turned = middle_of(pointer - stop + 360, pointer + stop) - pointer
    assert turned / 360 == pytest.approx(round(turned / 360)), "332 is 28 before"
    lobe = middle_of_lobe(pointer + middle - 110, pointer + middle + 110)
    assert from_tdc(lobe, tdc, 110.0) == pytest.approx(middle)


@given(st.floats(0.5, 12), st.floats(5, 60), st.booleans())
def test_an_offset_moves_what_it_was_worked_out_for(move, radius, at_cam):
    turned = np.degrees(offset_for(move, radius, at_cam=at_cam) / radius)
    assert turned * (2 if at_cam else 1) == pytest.approx(move)


def test_a_dowel_at_the_cam_needs_half_the_angle_and_a_tooth_is_what_it_is():
    assert offset_for(4.0, 14.0, at_cam=False) == pytest.approx(2 * offset_for(4.0, 14.0, at_cam=True))
    assert tooth_deg(42) == pytest.approx(17.142857)
