"""An intake and the exhaust against it at a crank angle, seen along the crank: sections through both stems, to scale."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.drawings.scene import Ink, Line, Path, Scene, Stroke, Words

Point = tuple[float, float]


class HeadOutline(Struct, frozen=True):
    """One head: its closed outline in mm, and two points along its stem's axis."""

    name: str
    outline: tuple[Point, ...]
    axis: tuple[Point, Point]


def pair_scene(heads: tuple[HeadOutline, ...], words: str, *, near: bool) -> Scene:
    """Draw both heads with the gap between them. `near`: it is nearer than its limit."""
    strokes: list[Stroke] = []
    ink: Ink = "mark" if near else "line"
    for one in heads:
        strokes.append(Path((*one.outline, one.outline[0]), ink))
        strokes.append(Line(*one.axis[0], *one.axis[1], "faint", True))
        strokes.append(Words(one.axis[1][0], one.axis[1][1] + 3.0, one.name, size="small", ink="faint"))
    xs = [x for one in heads for x, _ in (*one.outline, *one.axis)]
    ys = [y for one in heads for _, y in (*one.outline, *one.axis)]
    left, right, low, high = min(xs), max(xs), min(ys), max(ys)
    strokes.append(Words((left + right) / 2.0, low - 5.0, words, ink=ink))
    return Scene(tuple(strokes), left - 6.0, low - 9.0, right + 6.0, high + 7.0)
