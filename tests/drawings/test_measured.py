"""Pictures of how a quantity is measured: usual parts, the surfaces lit, no figure, and each of a quantity that is read."""

import pytest

from honest_lift.drawings.bars import Bar, bars_scene
from honest_lift.drawings.cam.degree_wheel import WheelWalk, at, wheel_scene
from honest_lift.drawings.measured.pictures import PICTURES, picture_of
from honest_lift.drawings.scene import Arrow, Box, Line, Words, scene_words
from honest_lift.facts.catalog import CATALOG
from honest_lift.numbers.in_own_unit import in_own_unit


@pytest.mark.parametrize("quantity", PICTURES)
def test_a_picture_lights_what_is_measured_and_carries_no_figure(quantity):
    scene = picture_of(quantity)
    assert quantity in CATALOG or quantity in ("shims", "base")
    assert [one for one in scene.strokes if one.ink == "mark"], "something is lit"
    words = [one.text for one in scene.strokes if isinstance(one, Words)]
    assert words
    assert not any(char.isdigit() for one in words for char in one)
    for one in scene.strokes:
        if isinstance(one, Words):
            assert scene.left <= one.x <= scene.right
            assert scene.bottom <= one.y <= scene.top


def test_what_has_no_picture_is_left_to_words():
    assert picture_of("leak_test") is None
    assert len(PICTURES) > 70


def test_bars_are_as_long_as_what_they_stand_for():
    scene = bars_scene(
        [Bar("a", 10.0, "10 g"), Bar("b", -5.0, "5 g", "worth it", current=True), Bar("c", float("nan"), "not known")],
        "",
        "none",
    )
    long = [one.width for one in scene.strokes if isinstance(one, Box)]
    assert long == pytest.approx([48.0, 24.0])
    assert [one.filled for one in scene.strokes if isinstance(one, Box)] == [False, True]
    assert "worth it" in scene_words(scene)
    assert scene_words(bars_scene([], "", "nothing yet")) == "nothing yet"


def test_the_wheel_shows_each_angle_where_it_is_and_what_closes_the_gap():
    assert at(0.0, 10.0) == pytest.approx((0.0, 10.0))
    assert at(90.0, 10.0) == pytest.approx((10.0, 0.0)), "later is to the right"
    scene = wheel_scene(
        WheelWalk((-28.0, 31.0), 1.5, (2.0, 217.0), 108.0, 106.0, "advance by 2.0 crank degrees: key offset by 0.02 in")
    )
    hands = {(round(one.x, 6), round(one.y, 6)) for one in scene.strokes if isinstance(one, Arrow)}
    for angle, long in ((-28.0, 38.0), (31.0, 38.0), (1.5, 44.0), (2.0, 26.0), (217.0, 26.0), (108.0, 46.0)):
        assert tuple(round(one, 6) for one in at(angle, long)) in hands
    wanted = [one for one in scene.strokes if isinstance(one, Line) and one.dashed]
    assert (wanted[0].x2, wanted[0].y2) == pytest.approx(at(106.0, 46.0))
    assert "key offset by 0.02 in" in scene_words(scene)
    bare = [one for one in wheel_scene(WheelWalk()).strokes if isinstance(one, Arrow)]
    assert len(bare) == 1, "nothing but the pointer"


def test_lengths_in_words_follow_the_engine():
    assert in_own_unit("0.060 in min", "mm") == "1.52 mm min"
    assert in_own_unit("within 0.05 mm of the map", "in") == "within 0.002 in of the map"
    assert in_own_unit("a rule in 1/32 in; 24 threads an inch", "mm") == "a rule in 1/32 in; 24 threads an inch"
    assert in_own_unit("general, ±0.020 in", "mm") == "general, ±0.51 mm"
    assert in_own_unit("0.060 in min", "in") == "0.060 in min"
