"""Small multiples of the seat-load trend in head order: each valve's own history against its baseline, to one scale."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Ink, Line, Path, Scene, Stroke, Words

_WIDE, _HIGH, _GAP = 40.0, 30.0, 5.0
_SPAN = 0.16  # of ln: from 8 percent above the baseline to as much below the lost line
_TOP = 0.06


class Small(Struct, frozen=True):
    """One valve: its name, where its sessions stand from 0 to 1, how far from its baseline (NaN: none yet), and how it goes."""

    name: str
    at: tuple[float, ...]
    moved: tuple[float, ...]
    words: str
    flagged: bool = False
    current: bool = False


def trend_scene(rows: Sequence[Sequence[Small]], ask: float, missing: str) -> Scene:
    """Draw a row a head. `ask`: the line of the rule. With nothing it says what is missing."""
    if not any(one.at for row in rows for one in row):
        return Scene((Words(50.0, 10.0, missing, ink="faint"),), 0.0, 0.0, 100.0, 20.0, stretched=True)
    strokes: list[Stroke] = []
    wide = max(len(row) for row in rows)
    for r, row in enumerate(rows):
        for c, one in enumerate(row):
            x, y = c * (_WIDE + _GAP), (len(rows) - 1 - r) * (_HIGH + _GAP)
            strokes += _small(one, x, y, ask)
    return Scene(tuple(strokes), -1.0, -1.0, wide * (_WIDE + _GAP), len(rows) * (_HIGH + _GAP), stretched=True)


def _small(one: Small, x: float, y: float, ask: float) -> list[Stroke]:
    ink: Ink = "mark" if one.flagged else "line"

    def high(moved: float) -> float:
        return y + 2.0 + (_HIGH - 12.0) * min(max((moved - (_TOP - _SPAN)) / _SPAN, 0.0), 1.0)

    strokes: list[Stroke] = [
        Box(x, y, _WIDE, _HIGH, "mark" if one.current else "faint"),
        Line(x + 1.0, high(0.0), x + _WIDE - 1.0, high(0.0), "faint"),
        Line(x + 1.0, high(ask), x + _WIDE - 1.0, high(ask), "faint", dashed=True),
        Words(x + 2.0, y + _HIGH - 6.0, one.name, "left", "label", ink),
        Words(x + _WIDE - 2.0, y + _HIGH - 6.0, one.words, "right", "small", ink),
    ]
    known = [
        (x + 2.0 + (_WIDE - 4.0) * at, high(moved))
        for at, moved in zip(one.at, one.moved, strict=True)
        if isfinite(moved)
    ]
    if len(known) > 1:
        strokes.append(Path(tuple(known), ink))
    strokes += [Circle(px, py, 0.7, ink, filled=True) for px, py in known]
    return strokes
