"""A chart as SVG: points where its scales put them, every axis with its unit, and words where there is nothing to draw."""

import re
from xml.etree import ElementTree

import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.sheets.chart_svg import _ticks, chart_svg

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


@given(st.floats(-1e4, 1e4), st.floats(1e-3, 1e4))
def test_ticks_are_round_and_inside(low, wide):
    found = _ticks(low, low + wide)
    assert 2 <= len(found) <= 7
    assert all(low - 1e-6 * wide <= one <= low + wide * (1 + 1e-6) for one in found)
