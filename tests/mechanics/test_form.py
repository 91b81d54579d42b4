"""The form of a spring by its points, against chains of coils whose form is known."""

import numpy as np
import pytest

from honest_lift.mechanics.spring.form import recognise
from honest_lift.mechanics.spring.helix import chain_load

HEIGHTS = np.linspace(34.5, 48.0, 8)
U_N = 2.0  # a good bench tester's scatter at these loads


def loads(kind: str) -> np.ndarray:
    """Loads of a chain: even coils, half of them close early, or turns that close one by one."""
    if kind == "linear":
        return 30.0 * (52.0 - HEIGHTS)
    if kind == "progressive":
        return chain_load(HEIGHTS, 52.0, np.full(8, 240.0), np.array([1.5] * 4 + [4.0] * 4))
    rates = np.linspace(180.0, 900.0, 40) * 5
    return chain_load(HEIGHTS, 52.0, rates, np.linspace(0.04, 1.6, 40))


@pytest.mark.parametrize(
    ("kind", "told"), [("linear", {"linear"}), ("progressive", {"progressive"}), ("tapered", {"tapered", "rising"})]
)
def test_chains_are_told_by_their_points(kind, told):
    rng = np.random.default_rng(7)
    named = [recognise(HEIGHTS, loads(kind) + rng.normal(0, U_N, 8), np.full(8, U_N)).told for _ in range(100)]
    assert sum(one in told for one in named) >= 95, {one: named.count(one) for one in named}


def test_two_points_tell_nothing_four_tell_no_kink_and_a_falling_rate_is_no_spring():
    h = np.array([36.0, 40.0, 44.0, 48.0])
    assert recognise(h[:2], np.array([900.0, 700.0]), np.full(2, 2.0)).told == "too few points"
    assert recognise(h, np.array([1300.0, 1000.0, 780.0, 600.0]), np.full(4, 2.0)).told == "rising"
    assert recognise(h, np.array([1300.0, 1150.0, 900.0, 600.0]), np.full(4, 2.0)).told == "falling"


def test_rates_are_those_between_the_points():
    form = recognise(np.array([40.0, 44.0, 48.0]), np.array([900.0, 700.0, 540.0]), np.full(3, 5.0))
    assert form.rates_n_mm == pytest.approx([50.0, 40.0])
