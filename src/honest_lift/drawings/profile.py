"""What stands at every valve in head order over one line: tips over their middle, spring seats over specification."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Ink, Line, Scene, Stroke, Words

_WIDE, _HIGH = 100.0, 40.0


class Stand(Struct, frozen=True):
    """How high something stands at a valve, in the unit it is labelled in; NaN where it was not measured."""

    name: str
    height: float
    current: bool = False
    planned: float = float("nan")  # where a plan brings it


def profile_scene(stands: Sequence[Stand], low: float, high: float, title: str, places: int) -> Scene:
    """Draw the stands over a zero line, heights exaggerated; `low` and `high` bound what is allowed, NaN for no bound."""
    known = [one.height for one in stands if isfinite(one.height)]
    if not known:
        told = (Words(50, 16, title, ink="faint"), Words(50, 26, "not measured yet", ink="faint"))
        return Scene(told, 0, 0, _WIDE, _HIGH, stretched=True)
    reach = [
        *known,
        0.0,
        *(end for end in (low, high) if isfinite(end)),
        *(p.planned for p in stands if isfinite(p.planned)),
    ]
    room = 0.15 * (max(reach) - min(reach)) or 10.0**-places
    first, last = min(reach) - room, max(reach) + room

    def y(value: float) -> float:
        return 7 + (value - first) / (last - first) * 27

    strokes: list[Stroke] = []
    if isfinite(low) and isfinite(high):
        strokes.append(Box(8, y(low), _WIDE - 9, y(high) - y(low), "band", filled=True))
    strokes += [Line(8, y(0.0), _WIDE - 1, y(0.0), "faint"), Words(7, y(0.0) - 1, "0", "right", "small", "faint")]
    strokes.append(Words(_WIDE / 2, 37.5, title, size="small", ink="faint"))
    pitch = (_WIDE - 12) / len(stands)
    for i, one in enumerate(stands):
        strokes += _stand(one, 11 + pitch * (i + 0.5), y, places)
    return Scene(tuple(strokes), 0, 0, _WIDE, _HIGH, stretched=True)


def _stand(one: Stand, x: float, y: Callable[[float], float], places: int) -> list[Stroke]:
    ink: Ink = "mark" if one.current else "line"
    strokes: list[Stroke] = [Words(x, 1.2, one.name, size="small", ink=ink)]
    if not isfinite(one.height):
        return [*strokes, Words(x, y(0.0), "?", size="small", ink="faint")]
    strokes += [Line(x, y(0.0), x, y(one.height), ink), Circle(x, y(one.height), 0.8, ink, filled=one.current)]
    if one.current:
        side = 2.4 if one.height >= 0 else -4.6
        strokes.append(Words(x, y(one.height) + side, f"{one.height:+.{places}f}", size="label", ink="mark"))
    if isfinite(one.planned) and abs(one.planned - one.height) > 0:
        strokes.append(Line(x - 1.6, y(one.planned), x + 1.6, y(one.planned), "line", dashed=True))
    return strokes
