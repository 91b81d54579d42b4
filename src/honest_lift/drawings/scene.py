"""A scene: lines, circles, boxes and words in millimetres, x to the right and y up. No Qt and no colours here.

`ink` says what a stroke means; whoever draws the scene chooses its colour and weight: "cut" the edge of a section, heavy; "line"
an edge that is seen; "faint" construction, hidden edges and what nobody measured, thin; "mark" what is measured, or what the eye
must meet; "fill" a filled body. The whole language is told in docs/drawings.md.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

Ink = Literal["line", "faint", "mark", "fill", "band", "cut"]
Point = tuple[float, float]
Anchor = Literal["left", "middle", "right"]


class Line(Struct, frozen=True):
    """A straight line."""

    x1: float
    y1: float
    x2: float
    y2: float
    ink: Ink = "line"
    dashed: bool = False


class Path(Struct, frozen=True):
    """A curve through points (x, y)."""

    points: tuple[tuple[float, float], ...]
    ink: Ink = "line"
    dashed: bool = False


class Shape(Struct, frozen=True):
    """A closed outline, filled as a body that hides what was drawn before it. `hatched`: it is cut through."""

    points: tuple[Point, ...]
    ink: Ink = "line"
    hatched: bool = False
    dashed: bool = False


class Arrow(Struct, frozen=True):
    """An arrowhead at a point, coming from another; its size on paper does not scale with the scene."""

    x: float
    y: float
    from_x: float
    from_y: float
    ink: Ink = "faint"


class Circle(Struct, frozen=True):
    """A circle about its centre."""

    x: float
    y: float
    radius: float
    ink: Ink = "line"
    filled: bool = False


class Box(Struct, frozen=True):
    """A box by its lower left corner."""

    x: float
    y: float
    width: float
    height: float
    ink: Ink = "line"
    filled: bool = False


class Words(Struct, frozen=True):
    """Words at a point; their size on paper does not scale with the scene. `size` is "figure", "label" or "small"."""

    x: float
    y: float
    text: str
    anchor: Anchor = "middle"
    size: Literal["figure", "label", "small"] = "label"
    ink: Ink = "line"


Stroke = Line | Path | Shape | Arrow | Circle | Box | Words


class Scene(Struct, frozen=True):
    """Strokes and the part of the plane they are seen in. `stretched`: x and y scale apart."""

    strokes: tuple[Stroke, ...]
    left: float
    bottom: float
    right: float
    top: float
    stretched: bool = False


def scene_words(scene: Scene) -> str:
    """Say what is written on a drawing, figures first and from top to bottom, for a screen reader."""
    order = {"figure": 0, "label": 1, "small": 2}
    words = [one for one in scene.strokes if isinstance(one, Words) and one.text.strip()]
    return "; ".join(one.text for one in sorted(words, key=lambda one: (order[one.size], -one.y, one.x)))
