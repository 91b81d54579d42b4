"""A chart as SVG: points where its scales put them, every axis with its unit, and words where there is nothing to draw."""

import re
from itertools import pairwise
from xml.etree import ElementTree

import pytest
from hypothesis import given
from hypothesis import strategies as st
from msgspec.structs import replace

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.sheets.chart_svg import _ticks, chart_svg, inside

SVG = "{http://www.w3.org/2000/svg}"


def chart(points, **more):
    panel = Panel(
        Axis("lift", "mm", 2), (Series("one", tuple(points), **more.pop("series", {})),), more.pop("levels", ())
    )
    return Chart("A & B", Axis("crank", "deg"), (panel,), **more)


def placed(svg):
    line = ElementTree.fromstring(svg).find(f"{SVG}polyline").get("points")
    return [tuple(map(float, pair.split(","))) for pair in line.split()]


@given(st.lists(st.tuples(st.floats(-400, 400), st.floats(-20, 20)), min_size=3, max_size=12))
def test_points_keep_their_proportions_whatever_they_are(points):
    """Independent: a straight scale keeps the share at which a point lies between two others."""
    ends = [(-500.0, -30.0), (500.0, 30.0)]
    (x0, y0), *seen, (x1, y1) = placed(chart_svg(chart([ends[0], *points, ends[1]])))
    assert y0 > y1, "up is more"
    for (x, y), (at, value) in zip(seen, points, strict=True):
        assert (x - x0) / (x1 - x0) == pytest.approx((at + 500.0) / 1000.0, abs=2e-3)
        assert (y - y0) / (y1 - y0) == pytest.approx((value + 30.0) / 60.0, abs=2e-3)


def test_an_axis_that_falls_runs_the_other_way_and_a_level_lies_at_its_figure():
    svg = chart_svg(
        chart([(1.0, 0.0), (2.0, 10.0)], falling=True, levels=(Level(5.0, "limit"), Level(1.5, "here", upright=True)))
    )
    (x0, y0), (x1, y1) = placed(svg)
    assert x0 > x1
    lines = [one.attrib for one in ElementTree.fromstring(svg).iter(f"{SVG}line") if "stroke-dasharray" in one.attrib]
    assert float(lines[0]["y1"]) == pytest.approx((y0 + y1) / 2, abs=0.1)
    assert float(lines[1]["x1"]) == pytest.approx((x0 + x1) / 2, abs=0.1)
    words = "".join(ElementTree.fromstring(svg).itertext())
    assert all(one in words for one in ("A & B", "crank, deg", "lift, mm", "limit", "here"))


def test_dots_bands_and_nothing():
    band = ((0.0, -1.0, 1.0), (1.0, 0.0, 2.0))
    svg = chart_svg(
        chart([(0.0, 0.0), (1.0, 1.0)], series={"dots": True, "joined": False, "band": band, "suspect": (1,)})
    )
    dots = [one.get("fill") for one in ElementTree.fromstring(svg).iter(f"{SVG}circle")]
    assert dots[0] != dots[1] == "#ffffff", "what does not go with the others is hollow"
    assert len(re.findall("<polygon", svg)) == 1
    assert "<polyline" not in svg
    assert "not read yet" in chart_svg(Chart("a", Axis("x"), (), "not read yet"))


@given(
    st.lists(st.tuples(st.floats(0, 100), st.floats(-50, 50)), min_size=2, max_size=15),
    st.floats(-40, 0),
    st.floats(1, 40),
)
def test_a_curve_ends_where_it_leaves_its_panel(points, low, high):
    """Independent: a raster of its own straight pieces, each point of it inside or not."""
    points = sorted(points)
    runs = inside(points, low, high)
    tight = 1e-6
    assert all(low - tight <= y <= high + tight for run in runs for _, y in run)
    drawn = Series("", ())
    for (x1, y1), (x2, y2) in pairwise(points):
        if x2 - x1 < 1e-3:
            continue
        for share in (0.13, 0.5, 0.81):
            x, y = x1 + share * (x2 - x1), y1 + share * (y2 - y1)
            found = [one for run in runs if (one := replace(drawn, points=tuple(run)).at(x)) == one]
            if low + 1e-3 < y < high - 1e-3:
                assert any(abs(one - y) < 1e-3 for one in found)
            elif not low - 1e-3 <= y <= high + 1e-3:
                assert all(abs(one - y) > 1e-6 for one in found)


def test_a_chart_that_is_cut_shows_no_level_top_and_no_figure_that_is_none():
    panel = Panel(
        Axis("y"), (Series("a", ((0.0, 0.0), (1.0, 100.0), (2.0, float("nan")), (3.0, 1.0), (4.0, 2.0))),), most=10.0
    )
    svg = chart_svg(Chart("a", Axis("x"), (panel,)))
    assert "nan" not in svg
    runs = [line.get("points").split() for line in ElementTree.fromstring(svg).iter(f"{SVG}polyline")]
    assert [len(run) for run in runs] == [2, 2], "up to the edge, and what comes after the gap"


@given(st.floats(-1e4, 1e4), st.floats(1e-3, 1e4))
def test_ticks_are_round_and_inside(low, wide):
    found = _ticks(low, low + wide)
    assert 2 <= len(found) <= 7
    assert all(low - 1e-6 * wide <= one <= low + wide * (1 + 1e-6) for one in found)
