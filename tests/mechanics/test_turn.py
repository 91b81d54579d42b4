"""The valves around the turn, held to the card they are made from and to the definitions."""

import numpy as np
import pytest

from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.rocker.pushrod_rocker import PushrodGear, set_on_stud
from honest_lift.mechanics.train.linkage import GearLinkage, RatioLinkage
from honest_lift.mechanics.train.valve_turn import ValveTurn, overlap_area, overlap_deg

LOBE = CardLobe(flank_from_card(8.97, ((0.1524, 284.0), (1.27, 236.0), (5.08, 150.0))))
INTAKE, EXHAUST = (ValveTurn(LOBE, centre, RatioLinkage(1.5, 0.4)) for centre in (108.0, -112.0))


@pytest.mark.parametrize(("lobe", "duration"), [(1.27, 236.0), (5.08, 150.0)])
def test_events_stand_half_a_duration_to_each_side_of_the_middle(lobe, duration):
    opens, closes = INTAKE.events(lobe * 1.5 - 0.4)
    assert (opens, closes) == (
        pytest.approx(108.0 - duration / 2, abs=1e-6),
        pytest.approx(108.0 + duration / 2, abs=1e-6),
    )


def test_lift_is_lobe_times_ratio_less_lash_and_never_below_nothing():
    assert INTAKE.peak_mm == pytest.approx(8.97 * 1.5 - 0.4)
    crank = np.linspace(-360, 360, 1441)
    assert INTAKE.lift(crank).min() == 0.0
    assert INTAKE.lift(108.0 + crank) == pytest.approx(INTAKE.lift(108.0 - crank)), "alike to both sides"


def test_overlap_is_what_both_hold_open():
    opens, closes = INTAKE.events(1.27)[0], EXHAUST.events(1.27)[1]
    assert overlap_deg(INTAKE, EXHAUST, 1.27) == pytest.approx(closes - opens)
    fine = np.linspace(-180, 180, 72001)
    assert overlap_area(INTAKE, EXHAUST) == pytest.approx(
        float(np.trapezoid(np.minimum(INTAKE.lift(fine), EXHAUST.lift(fine)), fine)), rel=1e-3
    )
    apart = ValveTurn(LOBE, 200.0, RatioLinkage(1.5, 0.4))
    assert overlap_deg(apart, EXHAUST, 1.27) == 0.0


def test_more_lash_opens_later_and_a_lift_never_reached_has_no_events():
    late = ValveTurn(LOBE, 108.0, RatioLinkage(1.5, 0.8))
    assert late.events(1.27)[0] > INTAKE.events(1.27)[0]
    assert INTAKE.events(14.0) is None


GEAR = PushrodGear(
    *map(
        np.array,
        (37.6920252, -1.31416, 38.0, 24.7567017, 165.0, 5.5, -113.8265242, -187.3888135, 67.0, 195.0026949, 0.0),
    )
)


def test_through_the_rockers_geometry_events_velocity_and_acceleration_are_those_of_its_own_lift():
    """Against central differences of the lift itself. Lash and geometry: the handbook's independent gear."""
    valve = ValveTurn(LOBE, 108.0, GearLinkage(set_on_stud(GEAR, np.array(0.4))))
    crank = 108.0 + np.array([-80.0, -45.0, -10.0, 5.0, 60.0])
    step = 1e-3
    before, here, after = (valve.lift(crank + by) for by in (-step, 0.0, step))
    assert valve.velocity(crank) == pytest.approx((after - before) / (2 * step), abs=1e-7)
    wide = 0.02
    bent = (valve.lift(crank + wide) - 2 * here + valve.lift(crank - wide)) / wide**2
    assert valve.acceleration(crank) == pytest.approx(bent, abs=1e-5)
    opens, closes = valve.events(1.27)
    assert valve.lift(np.array([opens, closes])) == pytest.approx(1.27, abs=1e-9)
    assert valve.events(14.0) is None
    assert valve.peak_mm == pytest.approx(float(valve.lift(np.array(108.0))))
    bled = ValveTurn(LOBE, 108.0, GearLinkage(GEAR, 0.2))
    assert bled.peak_mm < ValveTurn(LOBE, 108.0, GearLinkage(GEAR)).peak_mm - 0.25
