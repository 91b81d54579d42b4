"""The numbered map of a head's bolts: in the order they are pulled, those that enter water marked, the next one filled."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Line, Scene, Stroke, Words

_BOLT, _EDGE = 11.0, 36.0


class Spot(Struct, frozen=True):
    """A bolt as it is drawn: when it is pulled, from 1, its place's number, and where."""

    turn: int
    place: int
    x_mm: float
    y_mm: float
    wet: bool = False
    done: bool = False
    next: bool = False


def bolts_scene(name: str, spots: Sequence[Spot]) -> Scene:
    """Draw one head from above. Inside a bolt its turn, beside it, small, the number of its place."""
    left, right = min(one.x_mm for one in spots) - _EDGE, max(one.x_mm for one in spots) + _EDGE
    bottom, top = min(one.y_mm for one in spots) - _EDGE, max(one.y_mm for one in spots) + _EDGE
    strokes: list[Stroke] = [
        Box(left, bottom, right - left, top - bottom, "line"),
        Words(left + 4.0, 0.0, name, "left", "small", "faint"),
    ]
    strokes.append(Line(left + 40.0, 0.0, right - 4.0, 0.0, "faint", dashed=True))
    for one in spots:
        ink = "mark" if one.next else "faint" if one.done else "line"
        strokes.append(Circle(one.x_mm, one.y_mm, _BOLT, "mark" if one.next else "faint" if one.done else "line"))
        if one.wet:
            strokes.append(Circle(one.x_mm, one.y_mm, _BOLT + 3.0, "mark"))
        strokes.append(
            Words(one.x_mm, one.y_mm - 3.0, str(one.turn), size="label", ink="mark" if ink == "mark" else "line")
        )
        strokes.append(Words(one.x_mm + _BOLT + 6.0, one.y_mm + 8.0, f"{one.place}", "left", "small", "faint"))
    return Scene(tuple(strokes), left - 4.0, bottom - 4.0, right + 12.0, top + 4.0)
