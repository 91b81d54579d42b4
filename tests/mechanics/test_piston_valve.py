"""Piston to valve: the crank against the closed form and Heywood's table values, the least against brute force, monotone truths."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.clearance.piston_valve import (
    LobeTables,
    along_stem,
    local_minima,
    piston_drop,
    refined_least,
)
from honest_lift.mechanics.cylinder.slider_crank import crank_of_stroke

LOBE = CardLobe(flank_from_card(8.97, ((0.1524, 284.0), (1.27, 236.0), (5.08, 150.0))))
CAM = np.linspace(LOBE.start_deg, LOBE.end_deg, 241)
TABLES = LobeTables(CAM[:1], CAM[1:2] - CAM[0], LOBE.lift(CAM)[None], LOBE.velocity(CAM)[None])


def test_the_piston_against_heywood_and_the_single_crank():
    """Stroke 88, rod 145: 0.8699, 3.4366, 7.5736, 50.8371 mm at 10, 20, 30, 90 degrees (independent, from the definitions)."""
    found = piston_drop(np.array([10.0, 20.0, 30.0, 90.0]), *(np.full(4, one) for one in (88.0, 145.0, 0.0)))
    assert found == pytest.approx([0.8699, 3.4366, 7.5736, 50.8371], abs=5e-5)
    at = np.linspace(-180, 180, 73)
    offset = piston_drop(at, *(np.full(73, one) for one in (88.0, 145.0, 1.5)))
    assert offset == pytest.approx(crank_of_stroke(88.0, 145.0, 1.5).drop(at), abs=1e-10)
    assert np.isnan(piston_drop(np.array(10.0), np.array(400.0), np.array(100.0), np.array(0.0)))


def test_a_flat_crown_and_a_floor_parallel_to_the_valve():
    """1 / cos(alpha) and cos(alpha); swapped, 1.08 would read 1.15 mm: the unsafe way."""
    alpha = np.array(20.0)
    assert float(along_stem(alpha, np.array(0.0))) == pytest.approx(1 / np.cos(np.radians(20)))
    assert float(along_stem(alpha, alpha)) == pytest.approx(np.cos(np.radians(20)))
    assert float(along_stem(np.array(0.0), np.array(12.0))) == pytest.approx(1.0)


def test_the_table_is_the_lobe():
    at = np.linspace(LOBE.start_deg - 20, LOBE.end_deg + 20, 4001)
    assert TABLES.at(at[:, None])[:, 0] == pytest.approx(LOBE.lift(at), abs=2e-5)


def clearance(crank, drop=6.0, centre=108.0, ratio=1.5, lash=0.4, g=1.0):
    lobe = TABLES.at((np.asarray(crank)[:, None] - centre) / 2.0)[:, 0]
    shape = np.shape(crank)
    return (
        drop
        + g * piston_drop(np.asarray(crank), *(np.full(shape, one) for one in (88.0, 145.0, 0.0)))
        - np.maximum(lobe * ratio - lash, 0.0)
    )


def least(**changed):
    """Give the least as the program does: half degrees, then the parabola."""
    crank = np.arange(-120, 120.1, 0.5)
    curve = clearance(crank, **changed)
    around = crank[local_minima(curve[None], 1.0)[0, 0]] + np.arange(-8, 8.01, 0.5)
    return float(refined_least(clearance(around, **changed)))


@given(st.floats(4, 9), st.floats(98, 116), st.floats(1.4, 1.75), st.floats(0, 0.6))
def test_the_least_against_brute_force(drop, centre, ratio, lash):
    fine = clearance(np.linspace(-60, 60, 240001), drop=drop, centre=centre, ratio=ratio, lash=lash).min()
    assert least(drop=drop, centre=centre, ratio=ratio, lash=lash) == pytest.approx(fine, abs=1e-3)


@given(st.floats(98, 114), st.floats(0.1, 4.0), st.floats(1.4, 1.7), st.floats(0.0, 0.4))
def test_monotone_truths(centre, advance, ratio, lash):
    """More advance never adds intake clearance, a thicker gasket never takes any, more lash never takes any."""
    whole = {"centre": centre, "ratio": ratio, "lash": lash}
    now = least(**whole)
    assert least(**(whole | {"centre": centre - advance})) <= now + 1e-6
    assert least(**whole, drop=6.5) == pytest.approx(now + 0.5, abs=1e-6)
    assert least(**(whole | {"lash": lash + 0.1})) >= now - 1e-6


def test_the_intake_is_nearest_after_tdc_and_the_exhaust_before():
    crank = np.arange(-120, 120.1, 0.5)
    assert 3.0 <= crank[np.argmin(clearance(crank, centre=108.0))] <= 13.0
    assert -13.0 <= crank[np.argmin(clearance(crank, centre=-108.0))] <= -3.0


def test_two_minima_are_both_looked_at():
    curve = np.array([[5.0, 3.0, 4.0, 4.5, 4.0, 3.2, 4.0, 5.0], [5.0, 3.0, 4.0, 9.0, 9.0, 8.0, 9.0, 9.0]])
    assert local_minima(curve, 1.0).tolist() == [[1, 5], [1, 1]]
