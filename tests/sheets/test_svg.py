"""A scene as SVG: every kind of stroke, words escaped, y upward."""

from xml.etree import ElementTree as ET

import pytest

from honest_lift.drawings.scene import Arrow, Box, Circle, Line, Path, Scene, Shape, Words
from honest_lift.sheets.svg import scene_svg

SCENE = Scene(
    (
        Line(0, 0, 10, 10, "faint", True), Path(((0.0, 0.0), (5.0, 5.0)), "mark"), Circle(5, 5, 2, filled=True),
        Box(1, 1, 3, 2), Shape(((1.0, 1.0), (4.0, 1.0), (4.0, 3.0)), "cut", hatched=True), Arrow(9, 5, 9, 1),
        Words(5, 9, "lift < 0.5 & closed", "left"),
    ),
    0, 0, 10, 10,
)  # fmt: skip


def parts(svg, name):
    return list(ET.fromstring(svg).iter(f"{{http://www.w3.org/2000/svg}}{name}"))


def test_every_stroke_is_drawn_with_y_upward_and_words_escaped():
    svg = scene_svg([(100.0, SCENE)], 100.0)
    line, circle, box = parts(svg, "line")[1], parts(svg, "circle")[0], parts(svg, "rect")[1]
    assert (line.get("y1"), line.get("y2")) == ("100.00", "0.00")
    assert line.get("stroke-dasharray")
    assert (circle.get("r"), circle.get("cy")) == ("20.00", "50.00")
    assert [box.get(one) for one in ("x", "y", "width", "height")] == ["10.00", "70.00", "30.00", "20.00"]
    assert parts(svg, "polyline")[0].get("points") == "0.00,100.00 50.00,50.00"
    body, hatch, arrow = parts(svg, "polygon")
    assert body.get("points") == hatch.get("points") == "10.00,90.00 40.00,90.00 40.00,70.00"
    assert hatch.get("fill") == "url(#cut)"
    assert arrow.get("points").startswith("90.00,50.00 "), "its tip is where it points"
    assert [one.text for one in parts(svg, "text")] == ["lift < 0.5 & closed"]


def test_scenes_stand_below_each_other_under_their_title():
    svg = scene_svg([(100.0, SCENE), (50.0, SCENE)], 100.0, "A & B")
    assert ET.fromstring(svg).get("height") == "180"
    assert parts(svg, "text")[0].text == "A & B"
    first, second = (float(one.get("cy")) for one in parts(svg, "circle"))
    assert (first, second) == (pytest.approx(80.0), pytest.approx(155.0))
