"""Pours: what leaks meanwhile, weighed water, neighbours. Water against IAPWS-95, a reference library."""

import warnings

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.mechanics.cylinder.pours import (
    leak_model_u,
    less_what_leaked,
    over_neighbours,
    volume_of_water,
    water_density,
)


@pytest.mark.parametrize("celsius", [4.0, 10.0, 15.0, 20.0, 25.0, 30.0, 40.0])
def test_the_density_of_water_against_iapws(celsius):
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")  # the library's own, as it is imported
        from iapws import IAPWS95
    reference = IAPWS95(T=celsius + 273.15, P=0.101325).rho
    assert float(water_density(np.array(celsius))) == pytest.approx(reference, rel=1e-5)


def test_the_density_of_water_as_it_is_printed():
    """Tanaka 2001, table: 4, 15, 20, 25 degrees."""
    told = water_density(np.array([4.0, 15.0, 20.0, 25.0]))
    assert told == pytest.approx([999.975, 999.103, 998.207, 997.047], abs=5e-4)


def test_weighed_water_and_a_leak_as_they_are_worked_out():
    """63.84 g at 20 C: 64.022 cc; 64.0 in 90 s, 0.1 more after a minute: 63.8875, u 0.022 of the model. Independent."""
    assert float(volume_of_water(np.array(0.06384), np.array(20.0))) == pytest.approx(64.022, abs=5e-4)
    assert float(less_what_leaked(np.array(64.0), np.array(0.1), np.array(90.0))) == pytest.approx(63.8875)
    assert leak_model_u(0.1, 90.0) == pytest.approx(0.022, abs=5e-4)


@given(st.floats(0.01, 0.3), st.floats(20, 300))
def test_what_leaked_lies_between_none_and_all_of_what_a_full_chamber_would_lose(leak, fill):
    """A chamber that fills evenly leaks by its level, or by its wetted edge: between half and all of the full rate."""
    rising = np.linspace(0.0, 1.0, 4001)
    by_level = np.trapezoid(np.sqrt(rising), rising) * leak / 60.0 * fill  # outflow by the root of the head
    lost = 64.0 - float(less_what_leaked(np.array(64.0), np.array(leak), np.array(fill)))
    assert abs(lost - by_level) <= 2 * leak_model_u(leak, fill)
    assert 0.5 * leak / 60 * fill <= lost <= leak / 60 * fill


def test_chambers_against_the_middle_of_the_others():
    told = over_neighbours(np.array([62.0, 62.2, 64.5, 61.8]))
    assert told == pytest.approx([62.0 - 62.2, 62.2 - 62.0, 64.5 - 62.0, 61.8 - 62.2])
    assert np.isnan(over_neighbours(np.array([62.0]))).all()
