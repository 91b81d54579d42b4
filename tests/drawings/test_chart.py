"""Charts as data: read out at a cursor, told in sentences, given as rows, points found near a place."""

from math import isnan, nan

import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.drawings.cam.lobe_compare import Compared, lobe_chart
from honest_lift.drawings.cam.turn import Curve, Shown, turn_chart
from honest_lift.drawings.chart import (
    Axis,
    Chart,
    Level,
    Panel,
    Series,
    chart_table,
    chart_words,
    nearest,
    read_out,
    stops,
)
from honest_lift.drawings.clearance.piston_valve import ClearanceCurve, clearance_chart
from honest_lift.drawings.spring.load_curve import LoadCurve, load_chart

UP = Series("up", ((0.0, 0.0), (10.0, 5.0)))
READ = Series("read", ((2.0, 1.5), (8.0, 4.5)), "mark", dots=True, joined=False, keys=("a", "b"), suspect=(1,))
CHART = Chart("Test", Axis("x", "mm", 1), (Panel(Axis("y", "N", 0), (UP, READ), (Level(3.0, "limit 3"),)),))


@given(st.floats(0, 10))
def test_a_curve_is_read_between_its_points_along_a_line(x):
    assert UP.at(x) == pytest.approx(x / 2)
    assert isnan(READ.at(x)), "nothing joins what was read point by point"
    assert isnan(UP.at(10.1))


def test_a_chart_is_read_out_and_told_in_sentences():
    assert read_out(CHART, 4.0) == "x 4.0 mm: up 2 N"
    assert read_out(CHART, 40.0) == "x 40.0 mm"
    words = chart_words(CHART)
    assert words.startswith("Test, over x, mm. up: y, N from 0 at 0.0 to 5 at 10.0.")
    assert "read: y, N from 2 at 2.0 to 4 at 8.0, 1 suspect." in words
    assert words.endswith("limit 3.")
    assert chart_words(Chart("Test", Axis("x"), (), "no load yet")) == "Test: no load yet."
    assert chart_table(CHART)[1:3] == [["y", "up", "0", "0", "N"], ["y", "up", "10", "5", "N"]]
    assert CHART.x_ends == (0.0, 10.0)


def test_the_nearest_read_point_is_found_and_none_from_afar():
    assert nearest(CHART, 0, 8.1, 4.6, 10.0, 5.0) == (READ, 1)
    assert nearest(CHART, 0, 5.0, 2.5, 10.0, 5.0) is None
    assert nearest(CHART, 0, 0.0, 0.0, 10.0, 5.0) is None, "a calculated curve leads nowhere"
    assert stops(CHART) == [2.0, 8.0]


def test_what_is_on_the_charts_is_what_they_are_of():
    intake = Curve("intake", ((-10.0, 0.1), (100.0, 0.55)), 0.17, (-20.0, 230.0), "mark")
    lift = turn_chart([intake], Shown("valve lift", 3, "in", 0.05), ((0.0, 0.0), (90.0, 1.8)))
    names = {one.name: one.points for panel in lift.panels for one in panel.series}
    assert names["intake 0.550"][-1] == (100.0, 0.55)
    assert names["intake at TDC"] == ((0.0, 0.17),)
    assert names["intake at 0.050 in"] == ((-20.0, 0.05), (230.0, 0.05))
    assert names["piston"] == ((0.0, -0.0), (90.0, -1.8)), "down is down"
    assert turn_chart([], Shown("valve lift", 3, "in")).is_empty
    lobe = lobe_chart(Compared([(0.0, 9.0)], [], [], [(0.0, 0.01), (5.0, -0.2)], "mm", 2, (11, 12), (1,)))
    rows = lobe.panels[-1].series[0]
    assert (rows.keys, rows.suspect, len(lobe.panels)) == (("11", "12"), (1,), 2)
    assert lobe_chart(None).missing == "no lobe has been measured yet"
    pressed = ((45.0, 700.0), (34.0, 1400.0))
    spring = load_chart(LoadCurve(pressed, pressed[::-1], bind=30.0, rates=((45.0, 34.0, 63.6),), keys=("45", "34")))
    assert spring.falling
    assert spring.panels[0].levels[0].value == 30.0
    assert spring.panels[1].series[0].points == ((34.0, 63.6), (45.0, 63.6))
    room = ((0.0, 0.2), (9.0, 0.13), (90.0, 3.0))
    valve = ClearanceCurve("1 intake", room, 9.0, 0.13, 0.01, 0.08, ((4.0, 0.15),), "mark", "1i 0.130 in", ("1i 4",))
    near = clearance_chart([valve], "in", 3, "nothing")
    curve, read, least = near.panels[0].series
    assert curve.points == ((0.0, 0.2), (9.0, 0.13)), "only about TDC"
    assert curve.band[1] == pytest.approx((9.0, 0.12, 0.14))
    assert (read.keys, least.points) == (("1i 4",), ((9.0, 0.13),))
    assert [one.value for one in near.panels[0].levels] == [0.0, 0.08]
    unknown = ClearanceCurve("1 intake", ((0.0, 0.2),), 0.0, nan, nan, nan, (), "mark")
    assert len(clearance_chart([unknown], "in", 3, "").panels[0].series) == 1
