"""The standard chains against the `uncertainties` package (linear) and Monte Carlo (not): a few percent everywhere.

Source: JCGM 100:2008 (propagation), JCGM 101:2008 (Monte Carlo). Standard doubts of the readings as in a drawer of
height micrometer, caliper, indicator and 1 percent tester.
"""

import numpy as np
import pytest
from uncertainties import ufloat

from honest_lift.estimates.estimate import Input, figure_of
from honest_lift.mechanics.spring.heights import open_height
from honest_lift.mechanics.spring.load_curve import load_at
from honest_lift.mechanics.spring.margins import coil_bind_clearance
from honest_lift.mechanics.spring.nest import nest_bind
from honest_lift.mechanics.spring.spring_set import spread
from honest_lift.mechanics.train.valve_lift import valve_lift
from honest_lift.numbers.doubt import Figure, Source, combine, exact

POINTS_MM = np.array([34.0, 36.0, 39.0, 42.0, 45.0, 48.0])
LOADS_N = np.array([1412.0, 1260.0, 1066.0, 890.0, 722.0, 560.0])
DRAWS = np.random.default_rng(20261123)
N = 200_000


def read(quantity: str, value: float, own: float, tool: str = "", offset: float = 0.0) -> Figure:
    """Give a reading with its own scatter and the offset it shares with all read with its tool."""
    shared = ((f"tool:{tool}", tool, offset),) if tool else ()
    return figure_of([Input(quantity, "here", "measured", value, own, shared)])


HEIGHT = read("installed_height", 45.72, 0.015, "gauge", 0.0147)
LOBE, RATIO, LASH = (read("lobe_lift", 8.9662, 0.03), read("rocker_ratio", 1.6, 0.0092), read("lash", 0.4572, 0.03))


def u_of(figure: Figure) -> float:
    return float(figure.u[0])


def test_installed_height_by_tip_height():
    """Tip height less tip to step less locator less shims; caliper used twice: its offset comes off twice over."""
    tip = read("installed_height", 37.41, 0.015, "caliper", 0.0115)
    step, locator = read("tip_to_step", 3.16, 0.015, "caliper", 0.0115), read("locator_thickness", 1.5, 0.004)
    chain = combine(lambda a, b, c: a - b - c, tip, step, locator)
    o = ufloat(0, 0.0115)
    linear = (ufloat(37.41, 0.015) + o) - (ufloat(3.16, 0.015) + o) - ufloat(1.5, 0.004)
    assert u_of(chain) == pytest.approx(linear.s, rel=1e-6), "one caliper's offset cancels in the difference"
    added = combine(lambda a, b: a + b, tip, step)
    assert u_of(added) == pytest.approx(((ufloat(37.41, 0.015) + o) + (ufloat(3.16, 0.015) + o)).s, rel=1e-6)
    assert u_of(added) > u_of(combine(lambda a, b: a - b, tip, step)), "and does not in the sum"


def test_open_height_and_bind_margin():
    lift = combine(valve_lift, LOBE, RATIO, LASH)
    bind = read("bind_height", 30.3, 0.015, "gauge", 0.0147)
    margin = combine(coil_bind_clearance, HEIGHT, lift, bind)
    offset = ufloat(0, 0.0147)
    height = ufloat(45.72, 0.015) + offset
    moved = ufloat(8.9662, 0.03) * ufloat(1.6, 0.0092) - ufloat(0.4572, 0.03)
    assert u_of(combine(open_height, HEIGHT, lift)) == pytest.approx((height - moved).s, rel=0.01)
    assert u_of(margin) == pytest.approx((height - moved - (ufloat(30.3, 0.015) + offset)).s, rel=0.01)


def test_bind_of_a_nest_is_the_largest_and_its_doubt_is_the_larger_members():
    binds = [read("bind_height", value, 0.02) for value in (29.1, 27.0)]
    whole = combine(
        lambda a, b: nest_bind(np.stack([a, b], -1), np.array([0.0, 2.0]), np.array([[True, True]])), *binds
    )
    draws = np.maximum(DRAWS.normal(29.1, 0.02, N), DRAWS.normal(27.0, 0.02, N) + 2.0)
    assert u_of(whole) == pytest.approx(draws.std(), rel=0.03)


@pytest.mark.parametrize("height", [45.72, 40.7, 34.9])
def test_load_on_a_measured_curve(height):
    """Every point read alone with 0.5 percent, all with one tester of 0.6 percent; the height with its own doubt."""
    loads = LOADS_N[None, None, :]
    sources, plus = [Source("tool:t", "tester", True)], [loads * 1.006]
    for i in range(len(LOADS_N)):
        moved = loads.copy()
        moved[..., i] *= 1.005
        sources.append(Source(f"scatter:{i}", "point", False))
        plus.append(moved)
    value = loads[0]
    curve = Figure(value, tuple(sources), np.stack([p[0] for p in plus]), np.stack([2 * value - p[0] for p in plus]), (),
                   value[None], np.empty((0, 1), dtype=bool), np.zeros(1, dtype=np.int64))  # fmt: skip
    at = read("installed_height", height, 0.021)
    figure = combine(lambda h, f: load_at(h, POINTS_MM, f), at, curve)
    tester = 1 + DRAWS.normal(0, 0.006, (N, 1))
    points = LOADS_N * (tester + DRAWS.normal(0, 0.005, (N, len(LOADS_N))))
    drawn = load_at(DRAWS.normal(height, 0.021, (N, 1)), POINTS_MM, points[:, None, :])
    assert u_of(figure) == pytest.approx(drawn.std(), rel=0.03)


def test_spread_of_a_set_a_largest_less_a_smallest():
    loads = np.array([930.0, 941.0, 925.0, 936.0, 915.0])
    figure = figure_of(
        [Input("spring_load", "here", "measured", v, 4.0, (("tool:t", "tester", 0.006 * v),)) for v in loads]
    )
    spreads = combine(lambda rows: np.broadcast_to(spread(rows)[..., None], rows.shape), figure.apart())
    drawn = loads * (1 + DRAWS.normal(0, 0.006, (N, 1))) + DRAWS.normal(0, 4.0, (N, len(loads)))
    assert u_of(spreads) == pytest.approx(spread(drawn).std(), rel=0.1)  # the worse side at the kinks: 8 percent over
    assert u_of(spreads) >= spread(drawn).std()


@pytest.mark.parametrize("two", [False, True], ids=["one minimum", "two nearly alike"])
def test_a_minimum_over_a_crank_turn(two):
    """Clearance over the turn with a doubtful drop, a doubtful height of the lift and a doubtful phase of the cam."""
    angle = np.linspace(-60.0, 60.0, 961)

    def least(drop, lift, phase):
        turned = angle - phase[..., None]
        rise = lift[..., None] * np.clip(1 - ((turned - 40.0) / 75.0) ** 2, 0, None) ** 1.5
        if two:
            rise = np.maximum(rise, lift[..., None] * np.clip(1 - ((turned + 40.2) / 75.0) ** 2, 0, None) ** 1.5)
        return (drop[..., None] + 0.0145 * angle**2 - rise).min(axis=-1)

    parts = [("valve_drop", 9.0, 0.05), ("valve_lift", 7.0, 0.03), ("lash", 0.0, 0.4)]
    figure = combine(least, *(read(name, value, u) for name, value, u in parts))
    drawn = np.concatenate([least(*(DRAWS.normal(v, u, 4000) for _, v, u in parts)) for _ in range(8)])
    assert u_of(figure) == pytest.approx(drawn.std(), rel=0.08 if not two else 0.35)
    assert u_of(figure) >= 0.97 * drawn.std(), "where it is off, it is off on the safe side"


def test_exact_values_bring_no_doubt():
    assert u_of(combine(lambda a: 2 * a, exact(np.array([3.0])))) == 0.0
