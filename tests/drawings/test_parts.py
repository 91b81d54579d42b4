"""Parts drawn to scale: what can be measured on the drawing is what it was drawn from."""

import itertools
from math import dist, hypot, isfinite, nan

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.faint import faintly, not_known
from honest_lift.drawings.parts.coil import coil, rises
from honest_lift.drawings.parts.outline import bar, limb
from honest_lift.drawings.parts.retainer import retainer
from honest_lift.drawings.parts.valve import valve
from honest_lift.drawings.rocker.bucket import bucket_scene
from honest_lift.drawings.rocker.finger import USUAL as FINGER
from honest_lift.drawings.rocker.finger import finger_scene
from honest_lift.drawings.rocker.pushrod_rocker import USUAL, side_scene
from honest_lift.drawings.scene import Arrow, Circle, Line, Shape, Words
from honest_lift.drawings.train.valve_train import Room, Train, train_scene
from honest_lift.facts.parts import Member

NEAR = 1e-6
wires = st.floats(2.0, 6.0)
turns = st.floats(3.0, 9.0).map(lambda one: round(2 * one) / 2)


def of(scene_or_strokes, kind):
    strokes = getattr(scene_or_strokes, "strokes", scene_or_strokes)
    return [one for one in strokes if isinstance(one, kind)]


@given(wires, turns, st.floats(1.02, 2.5), st.sampled_from(["", "linear", "progressive", "tapered"]))
def test_a_spring_stands_as_high_as_it_is_and_no_coil_runs_into_another(wire, coils, loose, form):
    height = loose * wire * (coils + 1)
    spots = of(coil(Member("outer", 0.0, None, wire, 30.0, coils), 5.0, 3.0, height, form), Circle)
    assert min(one.y for one in spots) - wire / 2 == pytest.approx(3.0)
    assert max(one.y for one in spots) + wire / 2 == pytest.approx(3.0 + height), "it touches seat and retainer"
    for side in (spots[::2], spots[1::2]):
        gaps = [after.y - before.y for before, after in itertools.pairwise(side)]
        assert min(gaps) >= wire - NEAR, "solid at the least"
    assert {one.radius for one in spots} == {wire / 2}


def test_close_coils_lie_where_the_rate_is_progressive_and_dead_ones_at_both_ends():
    even, grown = (
        rises(14, 4.0, 60.0, Member("outer", 0.0, None, 4.0, 30.0, 7.0), form) for form in ("", "progressive")
    )
    steps = [[after - before for before, after in itertools.pairwise(one)] for one in (even, grown)]
    assert steps[0][0] == steps[0][-1] == 2.0, "a dead half turn rises half the wire"
    assert len({round(one, 6) for one in steps[0][1:-1]}) == 1
    assert steps[1][1] < steps[0][1] < steps[1][-2], "closer at the seat, wider at the retainer"
    beehive = of(coil(Member("outer", 0.0, None, 4.0, 30.0, 7.0), 0.0, 0.0, 60.0, "tapered"), Circle)
    assert abs(beehive[-1].x) < 0.85 * abs(beehive[0].x) == pytest.approx(0.85 * 15.0)


circles = st.tuples(st.tuples(st.floats(-60, 60), st.floats(-20, 20)), st.floats(3.0, 8.0))


@given(st.lists(circles, min_size=2, max_size=3))
def test_a_limb_lies_tight_round_its_bosses(chain):
    assume(all(dist(a[0], b[0]) > a[1] + b[1] + 2 for a, b in itertools.pairwise(chain)))
    if len(chain) == 3:  # not folded back on itself
        (ax, ay), (bx, by), (cx, cy) = (one[0] for one in chain)
        across = (bx - ax) * (cx - bx) + (by - ay) * (cy - by)
        assume(across > 0.5 * dist(*[one[0] for one in chain[:2]]) * dist(*[one[0] for one in chain[1:]]))
    outline = limb(chain)
    for point in outline:
        assert min(dist(point, centre) - radius for centre, radius in chain) > -0.9, (
            "no boss is cut into by more than a bend"
        )
    for centre, radius in (chain[0], chain[-1]):
        assert min(dist(point, centre) for point in outline) == pytest.approx(radius, abs=1e-6)


@given(st.floats(-50, 50), st.floats(-50, 50), st.floats(-50, 50), st.floats(-50, 50), st.floats(-20, 20))
def test_a_dimension_line_is_as_long_as_what_it_measures(x1, y1, x2, y2, off):
    assume(hypot(x2 - x1, y2 - y1) > 1.0)
    strokes = dimension((x1, y1), (x2, y2), "12.3", off)
    one, other = of(strokes, Arrow)
    assert hypot(one.x - other.x, one.y - other.y) == pytest.approx(hypot(x2 - x1, y2 - y1), abs=NEAR)
    assert hypot(one.x - x1, one.y - y1) == pytest.approx(abs(off), abs=NEAR)
    assert [words.text for words in of(strokes, Words)] == ["12.3"]


@given(st.floats(20, 60), st.floats(4, 12), st.floats(-20, 0))
def test_a_valve_has_its_head_and_stem(head, stem, face):
    (body,) = of(valve(3.0, face, head, stem, 80.0), Shape)
    xs = [x for x, _ in body.points]
    assert max(xs) - min(xs) == pytest.approx(head)
    top = [x for x, y in body.points if y == 80.0]
    assert max(top) - min(top) == pytest.approx(stem)
    assert min(y for _, y in body.points) == pytest.approx(face)


lifts = st.floats(0.0, 15.0)


@given(
    lifts, st.floats(38.0, 55.0), st.floats(16.0, 20.0), st.floats(0.5, 12.0), st.lists(st.floats(0.4, 1.5), max_size=3)
)
def test_a_valve_train_is_drawn_as_it_stands(lift, installed, seal, room, shims):
    train = Train(lift, 40.0, 8.0, installed, 30.0, seal, nan, (Member("outer", 0.0, None, 4.5, 32.0, 6.0),), tuple(shims), None,
                  Room(room, "piston"), Room(seal - lift, "seal"), Room(5.0, "bind", tightest=True))  # fmt: skip
    scene = train_scene(train, "")
    spots = of(scene, Circle)
    base = min(one.y for one in spots) - 2.25
    top = max(one.y for one in spots) + 2.25
    assert top - base == pytest.approx(installed - lift, abs=0.01), "the spring is as high as it stands now"
    seals = [
        one
        for one in of(scene, Shape)
        if not one.hatched and max(y for _, y in one.points) == pytest.approx(top + lift - seal)
    ]
    assert len(seals) == 2, "both lips of the seal lie under the retainer by what is left"
    (floor,) = [
        one.y1
        for one in of(scene, Line)
        if one.y1 == one.y2 and one.ink == "line" and one.y1 < -1e-9 and one.x2 - one.x1 > 40
    ]
    assert floor == pytest.approx(max(-lift - room, -27.0))
    assert [one.text for one in of(scene, Words) if one.ink == "mark"] == ["bind"]
    assert sum(
        one.height for one in scene.strokes if getattr(one, "filled", False) and hasattr(one, "height")
    ) == pytest.approx(sum(shims))


def test_a_rocker_turns_about_its_pivot_with_its_roller_and_cup_where_they_are():
    spots = {(one.x, one.y): one.radius for one in of(side_scene(USUAL), Circle)}
    assert spots[USUAL.roller] in (USUAL.radius, 2.0)
    assert {USUAL.pivot, USUAL.roller, USUAL.cup} <= set(spots)


def test_what_nobody_measured_is_drawn_thin_and_carries_no_figure():
    for scene in (
        side_scene(None, "its dimensions are not stated yet"),
        finger_scene(None, "not stated"),
        train_scene(None, "no lobe"),
    ):
        bodies = [one for one in scene.strokes if not isinstance(one, Words)]
        assert len(bodies) > 8
        assert {one.ink for one in bodies} == {"faint"}
        assert not any(char.isdigit() for one in of(scene, Words) for char in one.text)
    assert of(faintly(dimension((0, 0), (0, 9), "9.00", 3)), Words) == []
    known = finger_scene(FINGER)
    assert "0.0° above square" in [one.text for one in of(known, Words)]
    assert not_known(known, "stroke: not stated").bottom < known.bottom, "words stand under the part, not on it"


@pytest.mark.parametrize("over", [True, False])
def test_a_bucket_shim_is_drawn_as_thick_as_it_is(over):
    (shim,) = [one for one in of(bucket_scene(2.6, "shim 2.60 mm", "", over=over), Shape) if one.ink == "mark"]
    ys = [y for _, y in shim.points]
    assert max(ys) - min(ys) == pytest.approx(2.6)
    assert ("lash: not read yet" in [one.text for one in of(bucket_scene(2.6, "", ""), Words)]) is True
    assert not [one for one in of(bucket_scene(nan, "", "", over=over), Shape) if one.ink == "mark"]


def test_small_bodies():
    assert bar((0, 0), (10, 0), 4) == ((0, 2), (10, 2), (10, -2), (0, -2))
    hub = of(retainer(0.0, 40.0, 16.0, 8.0), Shape)
    assert max(x for one in hub for x, _ in one.points) == 16.0
    assert all(isfinite(y) for one in hub for _, y in one.points)
