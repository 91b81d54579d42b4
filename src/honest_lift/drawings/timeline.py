"""The timeline of an engine's life: a line from its first day to the last, runs below it, everything else above."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from msgspec import Struct

from honest_lift.drawings.scene import Anchor, Circle, Ink, Line, Scene, Stroke, Words

_WIDE, _HIGH, _EDGE = 200.0, 34.0, 8.0


class Happened(Struct, frozen=True):
    """Something on a day: `runs`: it ran; `marked`: the eye must meet it."""

    day: str
    word: str
    runs: bool = False
    marked: bool = False


def timeline_scene(happened: Sequence[Happened], missing: str) -> Scene:
    """Draw it; with nothing on it, it says why."""
    if not happened:
        return Scene((Words(_WIDE / 2.0, _HIGH / 2.0, missing, ink="faint"),), 0.0, 0.0, _WIDE, _HIGH, stretched=True)
    days = [date.fromisoformat(one.day).toordinal() for one in happened]
    first, last = min(days), max(days)
    middle = _HIGH / 2.0 - 1.0

    def x(day: int) -> float:
        return _EDGE + (_WIDE - 2.0 * _EDGE) * (day - first) / max(last - first, 1)

    strokes: list[Stroke] = [Line(_EDGE, middle, _WIDE - _EDGE, middle, "line")]
    strokes += [Words(_EDGE, middle - 13.0, min(one.day for one in happened), "left", "small", "faint"),
                Words(_WIDE - _EDGE, middle - 13.0, max(one.day for one in happened), "right", "small", "faint")]  # fmt: skip
    for one, day in zip(happened, days, strict=True):
        at, up = x(day), -1.0 if one.runs else 1.0
        ink: Ink = "mark" if one.marked else "line"
        strokes.append(Line(at, middle, at, middle + 5.0 * up, "mark" if one.marked else "faint"))
        strokes.append(Circle(at, middle + 5.0 * up, 1.0, ink, filled=one.marked))
        if not one.runs:
            anchor: Anchor = "left" if at < 0.2 * _WIDE else "right" if at > 0.8 * _WIDE else "middle"
            strokes.append(Words(at, middle + 8.0, one.word, anchor, "small", ink))
    return Scene(tuple(strokes), 0.0, 0.0, _WIDE, _HIGH, stretched=True)
