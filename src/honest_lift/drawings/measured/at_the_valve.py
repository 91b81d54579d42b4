"""What is measured at a valve, its guide, its rocker and over the piston, shown on usual parts."""

from __future__ import annotations

from math import cos, pi, sin

from honest_lift.drawings.measured.at_the_spring import framed, lit, surface
from honest_lift.drawings.parts.outline import mirrored
from honest_lift.drawings.parts.piston import crown
from honest_lift.drawings.parts.retainer import retainer, stem_end
from honest_lift.drawings.parts.rocker import cam_lobe, pushrod, rocker
from honest_lift.drawings.parts.valve import seat, valve
from honest_lift.drawings.rocker.pushrod_rocker import USUAL, Tip, tip_scene
from honest_lift.drawings.scene import Box, Circle, Line, Scene, Shape, Stroke, Words

_HEAD, _STEM = 44.0, 8.0


def valve_margin() -> Scene:
    """The valve's edge below its face."""
    strokes = [
        *valve(0, 0, _HEAD, _STEM, 40.0),
        surface(22, 0.0, 4.0),
        surface(22, 1.4, 4.0),
        *lit((24.0, 0.0), (24.0, 1.4), "margin", -8.0),
    ]
    return framed(strokes, "where it is thinnest, all round", top=44.0)


def head_diameter() -> Scene:
    """Across the valve's head."""
    strokes = [*valve(0, 4.0, _HEAD, _STEM, 44.0), *lit((-22.0, 4.0), (22.0, 4.0), "", -9.0)]
    return framed([*strokes, Words(30.0, -5.0, "head", "left", ink="mark")], "square across, twice", top=48.0)


def guide() -> Scene:
    """Stem and guide, top, middle and bottom."""
    wall = ((5.2, 0.0), (13.0, 0.0), (13.0, 46.0), (5.2, 46.0))
    strokes: list[Stroke] = [
        Shape(wall, "cut", hatched=True),
        Shape(mirrored(wall, 0.0), "cut", hatched=True),
        *stem_end(0.0, 8.4, -8.0, 58.0),
    ]
    for y, words in ((41.0, "top"), (23.0, "middle"), (5.0, "bottom")):
        strokes += [Line(-5.2, y, 5.2, y, "mark"), Words(17.0, y, words, "left", ink="mark")]
    return framed(strokes, "stem outside, guide inside, both crosswise", bottom=-18.0, top=62.0)


def seat_runout() -> Scene:
    """Spring seats, and an indicator turned about the guide."""
    ground = ((-30.0, 0.0), (30.0, 0.0), (30.0, -8.0), (-30.0, -8.0))
    strokes: list[Stroke] = [
        Shape(ground, "cut", hatched=True),
        *stem_end(0.0, 8.0, -8.0, 40.0),
        Line(0.0, 30.0, 20.0, 30.0),
    ]
    strokes += [Line(20.0, 30.0, 20.0, 1.0, "mark"), Circle(20.0, 33.0, 5.0), surface(20.0, 0.0, 8.0)]
    return framed(strokes, "indicator on a pilot, turned once round", top=48.0)


def lash() -> Scene:
    """Rocker to tip with the valve closed."""
    up = 2.2
    side = USUAL
    strokes = [*retainer(0, -13.0, 15.0, _STEM), *stem_end(0, _STEM, -30.0, 0.0), *pushrod(side.cup, (-61.0, -34.0)),
               *rocker(side.pivot, (0.0, 6.0 + up), 6.0, side.cup, side.lifter, "line"), surface(0, 0.0, 6.0), surface(0, up, 6.0),
               *lit((5.0, 0.0), (5.0, up), "lash", -9.0)]  # fmt: skip
    return framed(strokes, "on the base circle, feeler dragging lightly", -80.0, -42.0, 40.0, 26.0)


def witness_mark() -> Scene:
    """The mark on the tip."""
    tip = tip_scene(Tip(8.0, -1.0, 1.6, 0.2))
    return Scene(
        (*tip.strokes, Words(0, -5.2, "tip blued, turned twice, read from above", size="small")), -9.0, -6.4, 9.0, 6.0
    )


def pushrod_length() -> Scene:
    """Between the balls of a pushrod."""
    strokes = [*pushrod((-40.0, 0.0), (60.0, 0.0), whole=True), *lit((-40.0, 0.0), (60.0, 0.0), "", 12.0),
               Words(10.0, 16.0, "between ball centres", ink="mark")]  # fmt: skip
    return framed(strokes, "or overall, or on a gauge: say which", -56.0, -24.0, 76.0, 26.0)


def rocker_dimensions() -> Scene:
    """The lengths of a rocker."""
    side = USUAL
    strokes = [*stem_end(0, _STEM, -30.0, 0.0), *pushrod(side.cup, (-61.0, -34.0))]
    strokes += [
        *rocker(side.pivot, side.roller, 6.0, side.cup, side.lifter, "line"),
        Line(*side.pivot, *side.roller, "mark"),
    ]
    strokes += [Line(*side.pivot, *side.cup, "mark"), *lit((side.pivot[0], -3.0), (0.0, -3.0), "", -16.0)]
    for x, y, words in ((-18.0, -25.0, "pivot to stem"), (-18.0, 13.0, "valve arm"), (-49.0, 17.0, "pushrod arm")):
        strokes.append(Words(x, y, words, ink="mark"))
    return framed(strokes, "centre to centre: trunnion, roller, cup", -80.0, -42.0, 24.0, 26.0)


def lobe() -> Scene:
    """A lobe under an indicator."""
    points = []
    for i in range(121):
        turn = 2 * pi * i / 120 - pi
        radius = 15.0 + 8.0 * max(0.0, cos(turn)) ** 3
        points.append((radius * sin(turn), radius * cos(turn)))
    strokes: list[Stroke] = [*cam_lobe((0.0, 16.0), 15.0, tuple(points)), Line(0.0, 39.0, 0.0, 52.0, "mark")]
    strokes += [Circle(0.0, 57.0, 6.0), *lit((6.0, 31.0), (6.0, 39.0), "lobe lift", -22.0)]
    return framed(strokes, "base circle to nose, along the lifter", top=66.0)


def piston_to_valve() -> Scene:
    """Valve to the pocket under it."""
    face, floor = -8.0, -14.0
    strokes = [*seat(0, _HEAD), *valve(0, face, _HEAD, _STEM, 26.0), *crown(0, floor, 34.0, -34.0, 24.0)]
    strokes += [
        surface(0, face, 22.0),
        surface(0, floor, 22.0),
        *lit((22.0, floor), (22.0, face), "piston to valve", -16.0),
    ]
    return framed(strokes, "clay, or pushed down at each angle on light springs", -60.0, -44.0, 80.0, 30.0)


def deck() -> list[Stroke]:
    """Draw head, gasket, deck and piston in section."""
    roof = ((-30.0, 0.0), (-24.0, 12.0), (0.0, 16.0), (24.0, 12.0), (30.0, 0.0))
    head = ((-60.0, 0.0), *roof, (60.0, 0.0), (60.0, 26.0), (-60.0, 26.0))
    wall = ((40.5, -2.6), (60.0, -2.6), (60.0, -34.0), (40.5, -34.0))
    pressed = ((40.5, 0.0), (60.0, 0.0), (60.0, -2.6), (40.5, -2.6))
    strokes: list[Stroke] = [Shape(head, "cut", hatched=True)]
    strokes += [Shape(one, "cut", hatched=True) for one in (wall, mirrored(wall, 0.0))]
    strokes += [Shape(one, "line") for one in (pressed, mirrored(pressed, 0.0))]
    return [*strokes, *crown(0.0, -6.5, 40.0, -34.0, 20.0)]


def _on_the_deck(low: float, high: float, name: str, how: str) -> Scene:
    """Light one height to another between piston and head, beside the chamber."""
    strokes = [*deck(), surface(36.0, low, 6.0), surface(46.0, high, 8.0), *lit((46.0, low), (46.0, high), "", -18.0)]
    strokes.append(Words(67.0, -1.5, name, "left", ink="mark"))
    return framed(strokes, how, -64.0, -44.0, 116.0, 30.0)


def deck_clearance() -> Scene:
    """Piston at TDC to the block's face."""
    return _on_the_deck(-3.5, -2.6, "deck clearance", "over the pin, both sides, at true TDC")


def gasket() -> Scene:
    """The gasket as it is pressed."""
    return _on_the_deck(-2.6, 0.0, "gasket, crushed", "a used one, or the maker's figure")


def squish() -> Scene:
    """Head's flat to piston's flat."""
    return _on_the_deck(-3.5, 0.0, "squish (quench)", "solder or clay at both sides of the pin")


def chamber() -> Scene:
    """A chamber filled from a burette through a plate."""
    fluid = ((-30.0, 0.0), (-24.0, -14.0), (24.0, -14.0), (30.0, 0.0))
    head = ((-60.0, 0.0), *fluid, (60.0, 0.0), (60.0, -26.0), (-60.0, -26.0))
    strokes: list[Stroke] = [Shape(head, "cut", hatched=True), Shape(fluid, "mark"), Box(-44.0, 0.0, 88.0, 3.0)]
    strokes += [Box(-4.0, 14.0, 8.0, 46.0), Line(0.0, 14.0, 0.0, 4.0), surface(0.0, 44.0, 4.0)]
    strokes += [Line(-4.0, y, -1.0, y, "faint") for y in range(18, 58, 4)]
    strokes.append(Words(0.0, 68.0, "read before and after", ink="mark"))
    return framed(strokes, "valves closed and greased, plug in", -64.0, -36.0, 64.0, 73.0)


def preload() -> Scene:
    """A hydraulic lifter's plunger pressed into it."""
    body = (
        (-11.0, 0.0),
        (11.0, 0.0),
        (11.0, 44.0),
        (7.0, 44.0),
        (7.0, 10.0),
        (-7.0, 10.0),
        (-7.0, 44.0),
        (-11.0, 44.0),
    )
    plunger = ((-6.6, 22.0), (6.6, 22.0), (6.6, 40.0), (-6.6, 40.0))
    strokes: list[Stroke] = [
        Shape(body, "cut", hatched=True),
        Shape(plunger, "line"),
        *pushrod((0.0, 42.0), (0.0, 72.0)),
    ]
    strokes += [surface(0, 43.0, 11.0), surface(0, 40.0, 7.0), *lit((11.0, 40.0), (11.0, 43.0), "preload", -9.0)]
    return framed(strokes, "the plunger below its clip, valve closed", top=70.0)
