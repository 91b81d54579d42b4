"""Valve trains in motion. Source: SciPy's DOP853 at tight tolerance (tools/motion_references.py) and closed forms."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from honest_lift.mechanics.motion.lift_table import LiftTables, crank_raster
from honest_lift.mechanics.motion.onset import onset_rpm
from honest_lift.mechanics.motion.simulate import FINE, Pace, simulate, traced
from honest_lift.mechanics.motion.spring_chain import chain_of_curve
from honest_lift.mechanics.motion.surge import chain_hz, meeting_rpm, shaken
from honest_lift.mechanics.motion.sweep import (
    DISPLACED,
    UNSEEN,
    Fineness,
    SpringFigures,
    TrainFigures,
    displaced,
    swept,
    worths,
)
from trains import CASES, Train, lobe, trains

REFERENCES = json.loads((Path(__file__).parents[1] / "references" / "motion.json").read_text(encoding="utf-8"))
ONE = np.array([0])


def figures(one: Train, **other) -> TrainFigures:
    """Give a train as the sweep takes it, its speeds laid about 9,000 rpm."""
    lift, slope = lobe(one.lift_mm, one.open_deg)
    shorter, loads, bind = one.curve
    spring = SpringFigures(shorter, loads, bind, one.active_kg, one.spring_damping)
    told = TrainFigures(
        (lift - one.lash_mm).tobytes(), slope.tobytes(), (spring,), one.valve_kg, one.train_n_mm, 9000.0
    )
    return TrainFigures(**{name: getattr(told, name) for name in told.__struct_fields__} | other)


@pytest.mark.parametrize(
    "of",
    [one for one in REFERENCES["single"] if one["loft_mm"] < 0.03],
    ids=lambda of: f"{of['train']} {of['rpm']:.0f}",
)
def test_below_float_the_lift_is_the_integrators(of):
    found = traced(trains(CASES[of["train"]]), ONE, of["rpm"])
    order = np.argsort(found.crank_deg[:, 0])
    lift = np.interp(REFERENCES["angles_deg"], found.crank_deg[order, 0], found.lift_mm[order, 0])
    assert np.abs(lift - of["lift_mm"]).max() < 0.02


def test_float_sets_on_where_the_integrators_does():
    for name, rows in REFERENCES["sweeps"].items():
        rpm, loft, _ = np.array(rows).T
        moved = simulate(trains(CASES[name]), np.zeros(len(rpm), dtype=int), rpm)
        found, told = (float(onset_rpm(rpm, one)) for one in (moved.loft_mm, loft))
        assert found == pytest.approx(told, rel=0.01) or (np.isinf(found) and np.isinf(told)), name


def test_the_onset_hardly_moves_with_grid_step_and_segments():
    train = figures(CASES["pushrod, one mass"])
    onsets = [
        swept([train], fineness)[0].float_rpm
        for fineness in (Fineness(), Fineness(speeds=61), Fineness(share=0.45), Fineness(segments=12))
    ]
    print("onset by default, finer speeds, finer steps, more segments:", [round(one) for one in onsets])
    assert max(onsets) / min(onsets) < 1.01


def test_a_column_moves_the_same_whatever_stands_beside_it():
    two = trains(CASES["pushrod, one mass"], replace(CASES["pushrod, one mass"], train_n_mm=9000.0, active_kg=0.02))
    pace = Pace(0.9, 0.03)
    alone = simulate(two, ONE, np.array([6000.0]), pace)
    beside = simulate(two, np.array([1, 0, 1]), np.array([3000.0, 6000.0, 9000.0]), pace)
    assert (alone.loft_mm[0], alone.bounce_mm[0], alone.push_n[0]) == (
        beside.loft_mm[1],
        beside.bounce_mm[1],
        beside.push_n[1],
    )


# --- closed forms ---

LIGHT = 0.001


def plain(asked: np.ndarray, slope: np.ndarray, **other):
    """Give a mass on a spring of two segments that weighs little, under a motion of its own. Of two, three eighths move with it."""
    told = {"lash_mm": 0.0, "active_kg": LIGHT, "segments": 2, "curve": ((0.0, 20.0), (500.0, 1300.0), 60.0)}
    made = trains(Train(**told | other))
    return type(made)(
        **{name: getattr(made, name) for name in made.__slots__} | {"asked": LiftTables(asked[None], slope[None])}
    )


def test_a_mass_under_a_sinusoid_is_lost_at_the_known_speed():
    """m x'' = k (y - x) - F0 - K x with y = c + A cos wt: y - x is nothing at the top where
    c + A = (k c - F0) / (K + k) + A k / (K + k - m w^2)."""
    middle, amplitude, mass, k, rate, load = 5.0, 3.0, 0.2, 4000.0, 40.0, 500.0
    angle = np.radians(crank_raster() / 2.0)
    asked, slope = middle + amplitude * np.cos(angle), -amplitude * np.sin(angle) * np.pi / 360.0
    whole = mass + 0.375 * LIGHT
    lost = (rate + k - amplitude * k / (middle + amplitude - (k * middle - load) / (rate + k))) / (whole * 1e-3)
    known = np.sqrt(lost) * 60.0 / np.pi
    made = plain(asked, slope, valve_kg=mass, train_n_mm=k)
    rpm = known * np.linspace(0.995, 1.005, 41)
    moved = simulate(made, np.zeros(41, dtype=int), rpm, Pace(0.4, 0.2))
    assert rpm[np.argmax(moved.loft_mm > 1e-5)] == pytest.approx(known, rel=0.001)


def dropped():
    """Give the motion of a valve that a spring throws on a seat that loses nothing."""
    crank = crank_raster()
    rise = np.clip((crank + 350.0) / 300.0, 0.0, 1.0)
    asked = np.where(crank < 0.0, 3.0 * (1.0 - np.cos(np.pi * rise)), -50.0)
    slope = np.where((crank < 0.0) & (rise > 0.0) & (rise < 1.0), 3.0 * np.pi / 300.0 * np.sin(np.pi * rise), 0.0)
    made = plain(asked, slope, valve_kg=0.15, active_kg=LIGHT / 5.0, spring_damping=0.0)
    lossless = type(made)(**{name: getattr(made, name) for name in made.__slots__} | {"seat_damping": np.zeros(1)})
    return traced(lossless, ONE, 3000.0, Pace(0.25, 0.0))


def test_a_dropped_valve_comes_back_to_where_it_fell_from():
    """Energy: each bounce is as high as the last."""
    found = dropped()
    after = found.lift_mm[(found.crank_deg[:, 0] > 1.0), 0]
    tops = after[1:-1][(after[1:-1] > after[:-2]) & (after[1:-1] >= after[2:]) & (after[1:-1] > 1.0)]
    print("bounces, mm:", tops[:4].round(4))
    assert len(tops) >= 3
    assert tops[2] == pytest.approx(tops[0], rel=0.001)


def test_momentum_through_an_impact_is_what_the_forces_give():
    """m dv = integral of seat less spring over the blow; the speeds are read off the motion before and after it."""
    found, seat = dropped(), 40000.0
    t, x = found.crank_deg[:, 0] / (6.0 * 3000.0), found.lift_mm[:, 0]
    hit = int(np.flatnonzero((found.crank_deg[:, 0] > 1.0) & (x < 0.0))[0])
    left = hit + int(np.flatnonzero(x[hit:] > 0.0)[0])
    before, after = hit - 8, left + 8
    speed = np.gradient(x, t)
    pushed = np.trapezoid(
        (seat * np.maximum(-x, 0.0) - found.spring_n[:, 0])[before : after + 1], t[before : after + 1]
    )
    gained = (0.15 + LIGHT / 5.0 / 4.0) * (speed[after] - speed[before]) * 1e-3
    print("momentum over the blow, N s:", gained.round(5), "impulse:", pushed.round(5))
    assert speed[before] < -1000.0 < 1000.0 < speed[after]
    assert gained == pytest.approx(pushed, rel=0.01)


def test_what_a_valve_stands_beyond_its_cam_is_kept_span_by_span():
    """Independent: the same cycle looked at row by row, in spans of five degrees."""
    one = trains(CASES["pushrod, one mass"])
    pace, rpm = Pace(0.8, 0.02), 9500.0
    kept = simulate(one, ONE, np.array([rpm]), pace).beyond_mm[0]
    rows = traced(one, ONE, rpm, pace)
    beyond = np.maximum(rows.lift_mm[:, 0] - np.maximum(rows.asked_mm[:, 0], 0.0), 0.0)
    span = ((rows.crank_deg[:, 0] + 360.0) // 5.0).astype(int)
    for row in np.unique(span):
        assert kept[row] == pytest.approx(beyond[span == row].max(), abs=0.03)
    assert kept.max() > 0.3


@given(st.floats(20.0, 120.0), st.floats(0.02, 0.12))
def test_a_chain_surges_at_the_textbooks_frequency(rate, mass):
    """EN 13906-1: half the root of rate over active mass, between two plates."""
    chains = [
        chain_of_curve(np.array([500.0, 500.0 + 10.0 * rate]), np.array([0.0, 10.0]), 15.0, mass, 0.01, n)
        for n in (9, 60)
    ]
    known = 0.5 * np.sqrt(rate * 1e3 / mass)
    assert chain_hz(chains[0])[0] == pytest.approx(known, rel=0.006)
    assert chain_hz(chains[1])[0] == pytest.approx(known, rel=0.0002)


def test_orders_meet_the_frequency_where_the_handbook_says():
    assert meeting_rpm(np.array(484.168), np.array([9.0, 12.0])) == pytest.approx([6455.6, 4841.7], abs=0.1)


def test_a_spring_is_shaken_as_its_first_mode_is():
    """Independent: q'' + 2 z w q' + w^2 q = -(2/pi) x'' by a general integrator, the train rigid."""
    lift, _ = lobe(12.0, 300.0)
    lift, rpm, hz, damping = lift[:-1], 6000.0, 450.0, 0.03
    bend = np.gradient(np.gradient(lift, 0.5), 0.5) * (6.0 * rpm) ** 2
    w, cycle = 2 * np.pi * hz, 120.0 / rpm

    def rates(t, state):
        x2 = np.interp((t / cycle) % 1.0 * 720.0, np.arange(len(bend)) * 0.5, bend)
        return state[1], -(2 / np.pi) * x2 - 2 * damping * w * state[1] - w * w * state[0]

    times = np.linspace(19 * cycle, 20 * cycle, 1500)
    told = solve_ivp(rates, (0.0, 20 * cycle), [0.0, 0.0], "DOP853", times, rtol=1e-7, atol=1e-9, max_step=2e-4).y[0]
    found = shaken(lift, np.array([rpm]), hz, damping, 1e6, 0.0)
    assert found.mm[0] == pytest.approx(np.abs(told).max(), rel=0.02)


@settings(max_examples=30)
@given(st.lists(st.floats(1.0, 1.5), min_size=3, max_size=3), st.floats(300.0, 800.0), st.floats(20.0, 60.0))
def test_a_chain_bears_what_its_curve_says(rises, seat, rate):
    """A progressive curve, its rate rising by what is drawn: the chain's load stays within a segment's share of it, and binds."""
    rates = rate * np.cumprod([1.0, *rises])
    shorter = np.linspace(0.0, 12.0, 5)
    loads = seat + np.concatenate([[0.0], np.cumsum(rates * 3.0)])
    chain = chain_of_curve(loads, shorter, 14.0, 0.06, 0.015, 24)
    assert chain.load(shorter)[0] == pytest.approx(loads, rel=0.04)
    assert chain.room_mm.sum() == pytest.approx(14.0, rel=1e-9)
    past, solid = chain.load(np.array([15.5, 16.0]))[0]
    assert (solid - past) / 0.5 > 10.0 * rates[-1], "bound"


# --- what raises an onset ---


def test_what_raises_the_speed_of_float():
    """Stiffer train, more seat load, less mass, more rate: every one raises it."""
    one = figures(CASES["pushrod, one mass"])
    tried = {"as it is": one, **{f"{name} x {by}": displaced(one, name, by) for name, by in
             (("train_n_mm", 1.3), ("seat_load", 1.2), ("valve_kg", 0.88), ("rate", 1.2))}}  # fmt: skip
    found = dict(zip(tried, (own.float_rpm for own in swept(list(tried.values()), Fineness())), strict=True))
    print({name: round(rpm) for name, rpm in found.items()})
    assert all(rpm > found["as it is"] for name, rpm in found.items() if name != "as it is")


def test_what_a_figure_is_worth_is_what_a_sweep_of_another_finds():
    one = figures(CASES["pushrod, two masses"], valve_kg=0.15)
    fine = Fineness(5, 21, 0.8, 0.05)
    [worth] = worths([one], fine)
    assert set(worth.floats) == set(DISPLACED)
    more, less = (
        swept([displaced(one, "valve_kg", by)], Fineness(5, 61, 0.8, 0.05))[0].float_rpm for by in (1.15, 0.85)
    )
    assert worth.floats["valve_kg"] == pytest.approx(np.log(more / less) / np.log(1.15 / 0.85), abs=0.1)
    assert worth.floats["valve_kg"] < 0.0 < worth.floats["seat_load"]


def test_no_onset_is_missed_below_a_sweep_and_none_outside_it_takes_its_doubt_along():
    """A lobe that throws its valve from the slowest speed on floats there; where nothing floats, powers are a rigid train's."""
    wild = figures(replace(CASES["pushrod, one mass"], lash_mm=3.0), rigid_rpm=20000.0)
    [one] = swept([wild], Fineness(3, 9, 0.9, 0.0))
    assert one.loft_mm[0] > 0.1
    assert one.float_rpm < one.rpm[0]
    tame = figures(CASES["pushrod, one mass"], rigid_rpm=1500.0)
    [worth] = worths([tame], Fineness(3, 9, 0.9, 0.0))
    assert worth.floats == UNSEEN


@given(st.floats(5000.0, 7000.0), st.floats(2e-4, 5e-3))
def test_an_onset_is_where_the_integral_says(begins, slope):
    """A gap that grows straight from a speed on: slope x (n - begins)^2 / 2 = 25 mm rpm."""
    rpm = np.arange(4000.0, 9001.0, 1.0)
    found = float(onset_rpm(rpm, slope * (rpm - begins)))
    told = begins + np.sqrt(50.0 / slope)
    assert found == pytest.approx(told, abs=1.0) or (told > 9000.0 and np.isinf(found))


def test_coils_that_are_left_little_room_touch():
    roomy, tight = (
        replace(CASES["pushrod, one mass"], curve=((0.0, 14.0), (600.0, 1230.0), bind)) for bind in (16.0, 12.3)
    )
    found = simulate(trains(roomy, tight), np.array([0, 1]), np.array([3000.0, 3000.0]), FINE)
    assert found.coil_gap_mm[0] > 2.0
    assert found.coil_gap_mm[1] < found.coil_gap_mm[0] - 3.0
