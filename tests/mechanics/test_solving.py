"""The numerical tools that every topic shares, against SciPy's."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import BSpline
from scipy.optimize import brentq, lsq_linear, minimize_scalar

from honest_lift.mechanics.solving.bspline import Spline, basis, clamped_knots
from honest_lift.mechanics.solving.minimum import least_between
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.mechanics.solving.sided_least_squares import sided_least_squares

SEEDS = st.integers(0, 2**32 - 1)


@given(SEEDS, st.integers(1, 5))
def test_splines_with_their_derivatives_and_integrals_are_scipys(seed, degree):
    rng = np.random.default_rng(seed)
    inner = np.sort(rng.uniform(-3.0, 3.0, rng.integers(2, 9)))
    knots = np.concatenate([np.full(degree + 1, -4.0), inner, np.full(degree + 1, 4.0)])
    coefficients = rng.normal(size=(len(knots) - degree - 1, 2))
    at = rng.uniform(-4.0, 4.0, (7, 3))
    ours, theirs = Spline(knots, coefficients, degree), BSpline(knots, coefficients, degree)
    assert ours(at) == pytest.approx(theirs(at), abs=1e-10)
    assert ours.derivative()(at) == pytest.approx(theirs.derivative()(at), rel=1e-9, abs=1e-7)
    assert ours.integral()(at) == pytest.approx(theirs.antiderivative()(at), abs=1e-9)
    assert ours.integral().integral()(at) == pytest.approx(theirs.antiderivative(2)(at), abs=1e-9)
    assert basis(knots, degree)(at.ravel()) == pytest.approx(
        BSpline.design_matrix(at.ravel(), knots, degree).toarray(), abs=1e-12
    )


def test_knots_of_equal_pieces_hold_each_end_once_more_than_the_degree():
    assert clamped_knots(0.0, 6.0, 3, 2).tolist() == [0.0, 0.0, 0.0, 2.0, 4.0, 6.0, 6.0, 6.0]


@given(SEEDS, st.integers(1, 12), st.integers(0, 20))
def test_least_squares_on_sides_are_scipys(seed, count, more):
    rng = np.random.default_rng(seed)
    rows, wanted = rng.normal(size=(count + more, count)), rng.normal(size=count + more)
    sides = rng.choice([-1.0, 1.0], count)
    bounds = (np.where(sides > 0, 0.0, -np.inf), np.where(sides > 0, np.inf, 0.0))
    theirs = lsq_linear(rows, wanted, bounds, method="bvls", tol=1e-14).x
    ours = sided_least_squares(rows, wanted, sides)
    assert (ours * sides >= 0.0).all()
    sums = [float(np.sum((rows @ x - wanted) ** 2)) for x in (ours, theirs)]
    assert sums[0] == pytest.approx(sums[1], rel=1e-9, abs=1e-12)


@given(st.floats(-5.0, 5.0), st.floats(0.1, 4.0), st.floats(0.0, 0.9))
def test_the_least_between_two_ends_is_scipys(at, wide, wavy):
    def function(x):
        return (x - at) ** 2 / wide + wavy * np.cos(3.0 * x)

    theirs = minimize_scalar(function, bounds=(-6.0, 6.0), method="bounded", options={"xatol": 1e-3}).x
    ours = least_between(function, -6.0, 6.0, 1e-3)
    assert ours == pytest.approx(theirs, abs=1e-3), (
        "the same way, as near as was asked: rounding may end it a step apart"
    )
    assert function(ours) == pytest.approx(function(theirs), abs=1e-5)


@given(SEEDS)
def test_roots_in_brackets_are_scipys_and_none_where_nothing_is_passed(seed):
    rng = np.random.default_rng(seed)
    roots, power = rng.uniform(0.1, 0.9, 6), rng.choice([1, 3, 5], 6)

    def function(x):
        return np.sign(x - roots) * np.abs(x - roots) ** power + 0.3 * (x - roots)

    found = roots_between(function, np.zeros(6), np.ones(6))
    for i in range(6):
        there = brentq(lambda x, i=i: function(np.full(6, x))[i], 0.0, 1.0, xtol=1e-13)
        assert found[i] == pytest.approx(there, abs=1e-10)
    assert np.isnan(roots_between(lambda x: x + 1.0, np.array([0.0]), np.array([2.0]))).all()
