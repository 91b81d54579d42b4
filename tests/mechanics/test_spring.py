"""Load curves, nests and heights. Sources beside each; SciPy as the reference for the cubic."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator

from honest_lift.mechanics.spring.heights import open_height, travel_to_bind
from honest_lift.mechanics.spring.load_curve import RATES_APART, are_contradictory, is_extrapolated, load_at, shape_room
from honest_lift.mechanics.spring.margins import coil_bind_clearance
from honest_lift.mechanics.spring.nest import nest_bind, nest_is_extrapolated, nest_load
from honest_lift.mechanics.spring.spring_set import share_of_median, spread
from honest_lift.mechanics.train.valve_lift import valve_lift

# Independent check value: measured points of one spring, loads at 46.5 and 33 worked by another implementation.
HEIGHTS = np.array([34.0, 36, 39, 42, 45, 48])
LOADS = np.array([1412.0, 1260, 1066, 890, 722, 560])


def at(height, heights=HEIGHTS, loads=LOADS):
    return load_at(np.array([[height]]), heights[None, None], loads[None, None])[0, 0]


def test_between_and_beyond_the_points():
    assert at(46.5) == pytest.approx(640.26, abs=0.005)
    assert at(33.0) == pytest.approx(1488.0)
    assert at(50.0) == pytest.approx(560 - 54 * 2)
    assert at(42.0) == 890.0


@st.composite
def curves(draw):
    count = draw(st.integers(2, 8))
    steps = draw(st.lists(st.floats(0.3, 6.0), min_size=count, max_size=count))
    rises = draw(st.lists(st.floats(1.0, 400.0), min_size=count, max_size=count))
    heights = 25.0 + np.cumsum(steps)
    return heights, 200.0 + np.cumsum(rises)[::-1]


@given(curves(), st.floats(0.0, 1.0))
def test_inside_the_points_it_is_scipys_pchip(curve, share):
    heights, loads = curve
    height = heights[0] + share * (heights[-1] - heights[0])
    assert at(height, heights, loads) == pytest.approx(float(PchipInterpolator(heights, loads)(height)), rel=1e-11)


@given(curves(), st.floats(-0.2, 1.2), st.floats(-0.2, 1.2))
def test_less_height_never_means_less_load(curve, one, other):
    heights, loads = curve
    low, high = sorted(heights[0] + share * (heights[-1] - heights[0]) for share in (one, other))
    assert at(low, heights, loads) >= at(high, heights, loads) - 1e-9


@given(st.lists(curves(), min_size=1, max_size=5), st.floats(26.0, 60.0))
def test_springs_with_fewer_points_share_one_call(several, height):
    depth = max(len(heights) for heights, _ in several)
    hs, fs = (np.full((len(several), depth), np.nan) for _ in range(2))
    for row, (heights, loads) in enumerate(several):
        hs[row, : len(heights)], fs[row, : len(loads)] = heights, loads
    together = load_at(np.full((1, len(several)), height), hs[None], fs[None])[0]
    assert together == pytest.approx([at(height, *one) for one in several])


def test_one_point_is_no_curve():
    assert np.isnan(at(42.0, np.array([42.0, np.nan]), np.array([890.0, np.nan])))


def test_flags():
    heights = np.array([[34.0, 48.0], [34.0, 48.0], [34.0, 48.0]])
    assert is_extrapolated(np.array([33.29, 33.31, 48.71]), heights).tolist() == [True, False, True], (
        "5 percent of 14 mm"
    )
    rising = np.array([[100.0, 120.0], [120.0, 100.0], [100.0, 100.0]])
    assert are_contradictory(heights, rising).tolist() == [True, False, True]


@st.composite
def rising_springs(draw):
    """A spring whose rate steps up at kinks, by 1.6 times at most from free to bind, and heights it was pressed at."""
    kinks = sorted(draw(st.lists(st.floats(1.0, 24.0), min_size=1, max_size=4, unique=True)))
    rises = draw(st.lists(st.floats(0.0, 1.0), min_size=len(kinks), max_size=len(kinks)))
    total = draw(st.floats(1.0, RATES_APART)) - 1.0
    rates = 40.0 * (1.0 + total * np.concatenate([[0.0], np.cumsum(rises) / max(sum(rises), 1e-9)]))

    def load(height):
        pressed = 60.0 - np.asarray(height)
        steps = np.diff(rates, prepend=0.0)
        return sum(step * np.maximum(pressed - at, 0.0) for step, at in zip(steps, [0.0, *kinks], strict=True))

    heights = np.array(sorted(draw(st.lists(st.integers(70, 110), min_size=2, max_size=5, unique=True)))) / 2.0
    return load, heights


@given(rising_springs(), st.floats(-0.05, 1.05))
def test_no_spring_whose_rate_rises_leaves_the_room_of_its_points(spring, share):
    load, points = spring
    height = np.array([points[0] + share * (points[-1] - points[0])])
    told = load_at(height[None], points[None], load(points)[None])[0]
    room = shape_room(height, points[None], load(points)[None])
    assert abs(told - load(height)) <= room + 1e-6
    assert shape_room(points[:1], points[None], load(points)[None]) == pytest.approx(0.0, abs=1e-9), (
        "at a point there is none"
    )


def test_points_on_a_line_leave_no_room_between_them_and_two_leave_much():
    """Two points: rates r/1.6 and 1.6 r meet 0.6/2.6 of the load between the points under their chord, worked by hand."""
    three = np.array([[30.0, 40.0, 50.0]])
    assert shape_room(np.array([36.0]), three, 60.0 * (60.0 - three)) == pytest.approx(0.0, abs=1e-9)
    two = three[:, ::2]
    heights = np.linspace(30.0, 50.0, 2601)
    rooms = [float(shape_room(np.array([h]), two, 60.0 * (60.0 - two))[0]) for h in heights]
    assert max(rooms) == pytest.approx(0.6 / 2.6 * 1200.0, rel=1e-3)
    assert float(shape_room(np.array([51.0]), two, 60.0 * (60.0 - two))[0]) == pytest.approx(60.0 - 60.0 / 1.6)


def test_a_nest_on_its_step():
    """Independent check value: rates 29.696769 and 23.78843, free 58 and 54, step 2.6, at 48 and 34.5."""
    free, rate = np.array([58.0, 54.0]), np.array([29.696769, 23.78843])
    heights = np.array([[30.0, 56.0], [25.0, 53.0]])
    loads = rate[:, None] * (free[:, None] - heights)
    steps, present = np.array([[0.0, 2.6]]), np.array([[True, True]])
    for height, newtons in ((48.0, 501.548), (34.5, 1223.598)):
        assert nest_load(np.array([[height]]), heights[None, None], loads[None, None], steps[None], present)[
            0, 0
        ] == pytest.approx(newtons, abs=0.0006)
    binds = np.array([[32.64, 27.36]])
    assert nest_bind(binds, steps, present)[0] == pytest.approx(32.64)
    assert 34.5 - nest_bind(binds, steps, present)[0] == pytest.approx(1.86)
    assert nest_bind(np.array([[32.64, 31.0]]), steps, present)[0] == pytest.approx(33.6), (
        "the inner on its step binds first"
    )


def test_a_member_outside_its_own_points_makes_the_nest_extrapolated():
    heights = np.array([[[30.0, 56.0], [30.0, 53.0]]])
    present = np.array([[True, True]])
    steps = np.array([[0.0, 2.6]])
    assert nest_is_extrapolated(np.array([31.4]), heights, steps, present).tolist() == [True]
    assert nest_is_extrapolated(np.array([31.5]), heights, steps, present).tolist() == [False]
    assert nest_is_extrapolated(np.array([31.4]), heights, steps, np.array([[True, False]])).tolist() == [False]


def test_heights_of_the_trade():
    """Common practice, no source: installed 1.900, lift 0.635, bind 1.193 leaves 0.072 in."""
    installed, lift, bind = np.array(1.900), np.array(0.635), np.array(1.193)
    assert float(open_height(installed, lift)) == pytest.approx(1.265)
    assert float(coil_bind_clearance(installed, lift, bind)) == pytest.approx(0.072)
    assert float(travel_to_bind(installed, bind) - lift) == pytest.approx(
        float(coil_bind_clearance(installed, lift, bind))
    )


def test_a_forgotten_spacer_binds_before_full_lift():
    """Common practice, no source: 12.5 mm of travel becomes 10.5 with a 2 mm spacer, and 11.5 mm of lift does not fit."""
    installed, bind, lift = np.array(40.0), np.array(27.5), np.array(11.5)
    assert coil_bind_clearance(installed, lift, bind) > 0
    assert coil_bind_clearance(installed - 2.0, lift, bind) == pytest.approx(-1.0)


def test_lift_at_the_valve():
    assert float(valve_lift(np.array(0.353), np.array(1.6), np.array(0.018))) == pytest.approx(0.5468)


@pytest.mark.parametrize(
    ("loads", "lowest", "wide"),
    [
        ([600, 605, 598, 610, 603, 520, 601, 607], 86.4, 15.0),
        ([600, 640, 598, 610, 575, 596, 601, 607], 95.8, 10.8),
        ([520, 522, 524, 526, 528, 530], 99.0, 1.9),
    ],
)
def test_a_set_at_one_height(loads, lowest, wide):
    """Independent check values of the set rules."""
    values = np.array(loads, dtype=float)
    assert share_of_median(values).min() == pytest.approx(lowest, abs=0.05)
    assert float(spread(values)) == pytest.approx(wide, abs=0.06)


def test_above_its_free_length_a_spring_gives_no_load():
    """A fact of the trade: a spring pushes and never pulls. Its last chord comes to nothing at 57 mm."""
    heights, loads = np.array([[35.0, 45.0, 51.0]]), np.array([[1320.0, 720.0, 360.0]])
    given = [load_at(np.array([[height]]), heights[None], loads[None]).item() for height in (56.0, 57.0, 60.0)]
    assert given == pytest.approx([60.0, 0.0, 0.0])
