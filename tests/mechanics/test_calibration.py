"""Fitting a spring tester. Source: independent check values; SciPy's curve fit and distributions."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import curve_fit
from scipy.stats import chi2

from honest_lift.mechanics.spring.tester_calibration import chi_square_above, fit_tester

CERTIFIED = np.array([445.0, 890.0, 1335.0, 1780.0])
SINGLE = 1.5**2 * np.eye(4)
ONE_RATE = np.full(4, 50.0)


@pytest.mark.parametrize(
    ("read", "kept"),
    [
        ((454.5, 898.6, 1344.2, 1788.9), {"offset": 9.05}),
        ((453.2, 909.1, 1360.4, 1816.8), {"offset": -0.65, "gain": 0.02070}),
        ((446.2, 889.1, 1336.3, 1779.2), {}),
    ],
)
def test_only_what_is_justified_is_kept(read, kept):
    fit = fit_tester(CERTIFIED, np.array(read), ONE_RATE, SINGLE)
    assert dict(zip(fit.names, fit.values, strict=True)) == pytest.approx(kept, abs=0.005)
    assert fit.freedom == 4 - len(kept)


def test_two_reference_springs_tell_a_stop_from_an_offset():
    rates = np.array([40.0, 40.0, 115.0, 115.0])
    certified, read = np.array([500.0, 1000.0, 700.0, 1500.0]), np.array([498.5, 998.5, 691.0, 1491.0])
    fit = fit_tester(certified, read, rates, SINGLE)
    assert (fit.value("offset"), fit.value("stop"), fit.value("gain")) == pytest.approx((2.50, 0.100, 0.0), abs=1e-9)
    on_one = fit_tester(certified[:2], read[:2], rates[:2], 0.1 * SINGLE[:2, :2])
    assert on_one.value("offset") == pytest.approx(-1.5), "on one spring a stop looks like an offset"


@given(st.floats(-20, 20), st.floats(-0.05, 0.05), st.integers(0, 2**31))
def test_the_line_is_scipys(offset, gain, seed):
    """Held to scipy.optimize.curve_fit with the whole covariance; what is not justified is left at zero there too."""
    draw = np.random.default_rng(seed)
    common = 0.002 * CERTIFIED
    covariance = SINGLE + np.outer(common, common)
    read = CERTIFIED + offset + gain * CERTIFIED + draw.multivariate_normal(np.zeros(4), covariance)
    fit = fit_tester(CERTIFIED, read, ONE_RATE, covariance)
    if not fit.names:
        assert (read - CERTIFIED) @ np.linalg.solve(covariance, read - CERTIFIED) == pytest.approx(fit.chi_square)
        return
    lines = {1: lambda p, a: a + 0 * p, 2: lambda p, a, b: a + b * p}
    wanted, spread = curve_fit(
        lines[len(fit.names)], CERTIFIED, read - CERTIFIED, sigma=covariance, absolute_sigma=True
    )
    assert fit.values == pytest.approx(wanted, abs=1e-4)
    assert np.diag(fit.weights @ covariance @ fit.weights.T) == pytest.approx(
        np.diag(spread), rel=1e-3
    )  # finite differences there


@given(st.floats(0.0, 60.0), st.integers(1, 12))
def test_chi_square_is_scipys(value, freedom):
    assert chi_square_above(value, freedom) == pytest.approx(chi2.sf(value, freedom), rel=1e-9, abs=1e-15)


def test_no_reading_is_no_fit():
    with pytest.raises(ValueError, match="at least one reading"):
        fit_tester(np.empty(0), np.empty(0), np.empty(0), np.empty((0, 0)))
    assert np.isnan(chi_square_above(1.0, 0))
