"""A scene as SVG: the same strokes and words as on screen, black on white, to scale where the scene is."""

from __future__ import annotations

from itertools import groupby
from math import hypot
from xml.sax.saxutils import escape

from honest_lift.drawings.scene import Arrow, Box, Circle, Line, Path, Scene, Shape, Stroke, Words

_INKS = {
    "line": "#1f2a33",
    "faint": "#8a949c",
    "mark": "#b3261e",
    "fill": "#d9dee2",
    "band": "#e6eaee",
    "cut": "#1f2a33",
}
_WEIGHTS = {"cut": 2.0, "mark": 1.8, "line": 1.4, "faint": 0.8, "fill": 1.0, "band": 1.0}  # points
_ARROW = 7.0  # points long
_SIZES = {"figure": 15, "label": 13, "small": 11}
_HATCH = (
    '<defs><pattern id="cut" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
    '<line x1="0" y1="0" x2="0" y2="5" stroke="#8a949c" stroke-width="0.8"/></pattern></defs>'
)
_ANCHORS = {"left": "start", "middle": "middle", "right": "end"}


def scene_svg(scenes: list[tuple[float, Scene]], wide: float = 1000.0, title: str = "") -> str:
    """Write scenes one below the other, each (height in points, scene), on a page `wide` points across."""
    parts, top = [], 30.0 if title else 0.0
    for high, scene in scenes:
        parts += _drawn(scene, wide, high, top)
        top += high
    head = f'<text x="10" y="20" font-size="16" font-weight="bold">{escape(title)}</text>' if title else ""
    body = "\n".join([head, *parts] if head else parts)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}" height="{top:g}" viewBox="0 0 {wide:g} {top:g}" '
        f'font-family="sans-serif">\n{_HATCH}\n<rect width="100%" height="100%" fill="#ffffff"/>\n{body}\n</svg>\n'
    )


def _drawn(scene: Scene, wide: float, high: float, top: float) -> list[str]:
    across, up = scene.right - scene.left, scene.top - scene.bottom
    sx, sy = wide / across, high / up
    if not scene.stretched:
        sx = sy = min(sx, sy)
    left, base = (wide - sx * across) / 2, top + high - (high - sy * up) / 2

    def x(value: float) -> float:
        return left + (value - scene.left) * sx

    def y(value: float) -> float:
        return base - (value - scene.bottom) * sy

    bodies = sorted(scene.strokes, key=lambda one: (isinstance(one, Words), not isinstance(one, Shape),
                                                    not getattr(one, "filled", False)))  # fmt: skip
    return [_stroke(one, x, y, 3.2 if scene.stretched else sx) for _, group in groupby(bodies, type) for one in group]


def _arrow(tip: tuple[float, float], back: tuple[float, float], colour: str) -> str:
    across, down = back[0] - tip[0], back[1] - tip[1]
    long = hypot(across, down) or 1.0
    by = min(_ARROW, long / 2) / long
    x, y = tip[0] + by * across, tip[1] + by * down
    side = (-down * by / 3, across * by / 3)
    points = f"{tip[0]:.2f},{tip[1]:.2f} {x + side[0]:.2f},{y + side[1]:.2f} {x - side[0]:.2f},{y - side[1]:.2f}"
    return f'<polygon points="{points}" fill="{colour}"/>'


def _stroke(one: Stroke, x, y, scale: float) -> str:  # type: ignore[no-untyped-def]
    colour = _INKS[one.ink]
    if isinstance(one, Words):
        return (
            f'<text x="{x(one.x):.2f}" y="{y(one.y) + 4:.2f}" font-size="{_SIZES[one.size]}" fill="{colour}" '
            f'text-anchor="{_ANCHORS[one.anchor]}">{escape(one.text)}</text>'
        )
    dashes = ' stroke-dasharray="5 3"' if getattr(one, "dashed", False) else ""
    look = f'stroke="{colour}" fill="{colour if getattr(one, "filled", False) else "none"}"{dashes}'
    if isinstance(one, Line):
        return f'<line x1="{x(one.x1):.2f}" y1="{y(one.y1):.2f}" x2="{x(one.x2):.2f}" y2="{y(one.y2):.2f}" {look}/>'
    if isinstance(one, Shape):
        points = " ".join(f"{x(a):.2f},{y(b):.2f}" for a, b in one.points)
        body = (
            f'<polygon points="{points}" stroke="{colour}" fill="#ffffff"{dashes} stroke-width="{_WEIGHTS[one.ink]}"/>'
        )
        return body + (f'<polygon points="{points}" fill="url(#cut)"/>' if one.hatched else "")
    if isinstance(one, Arrow):
        return _arrow((x(one.x), y(one.y)), (x(one.from_x), y(one.from_y)), colour)
    if isinstance(one, Path):
        points = " ".join(f"{x(a):.2f},{y(b):.2f}" for a, b in one.points)
        return f'<polyline points="{points}" {look} stroke-width="1.5"/>'
    if isinstance(one, Circle):
        return f'<circle cx="{x(one.x):.2f}" cy="{y(one.y):.2f}" r="{one.radius * scale:.2f}" {look}/>'
    assert isinstance(one, Box)
    return (
        f'<rect x="{x(one.x):.2f}" y="{y(one.y + one.height):.2f}" width="{x(one.x + one.width) - x(one.x):.2f}" '
        f'height="{y(one.y) - y(one.y + one.height):.2f}" {look}/>'
    )
