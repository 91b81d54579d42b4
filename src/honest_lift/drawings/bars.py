"""Bars under each other, each with its name, its figure and a word about it: what makes up a whole, or ways to one end."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Ink, Line, Scene, Stroke, Words

_WIDE, _ROW, _BARS, _LETTER = 160.0, 13.0, 48.0, 1.9  # of the scene, a row, the longest bar, a letter of a name


class Bar(Struct, frozen=True):
    """One bar: how long in what all of them are told in, NaN for not known; its figure, and what stands behind it."""

    name: str
    value: float
    figure: str
    beside: str = ""
    current: bool = False


def bars_scene(bars: Sequence[Bar], title: str, missing: str) -> Scene:
    """Draw the bars to one scale from one line, what stands behind each under it; with none it says why."""
    known = [abs(one.value) for one in bars if isfinite(one.value)]
    if not known or max(known) <= 0:
        return Scene((Words(_WIDE / 2, _ROW * 2, missing, ink="faint"),), 0, 0, _WIDE, _ROW * 4, stretched=True)
    high, left = _ROW * len(bars) + 8.0, _LETTER * max(len(one.name) for one in bars) + 3.0
    strokes: list[Stroke] = [
        Words(left, high - 3.0, title, "left", "small", "faint"),
        Line(left, 1.0, left, high - 7.0, "faint"),
    ]
    for row, one in enumerate(bars):
        long = abs(one.value) / max(known) * _BARS if isfinite(one.value) else 0.0
        strokes += _bar(one, left, high - 11.0 - _ROW * row, long, "mark" if one.current else "line")
    return Scene(tuple(strokes), 0, 0, _WIDE, high, stretched=True)


def _bar(one: Bar, left: float, y: float, long: float, ink: Ink) -> list[Stroke]:
    strokes: list[Stroke] = [Words(left - 2.0, y, one.name, "right", "small", ink)]
    if long > 0:
        strokes.append(Box(left, y - 2.6, long, 5.2, ink, filled=one.current))
    strokes.append(Words(left + long + 1.5, y, one.figure, "left", "label", ink))
    if one.beside:
        strokes.append(Words(left + 1.5, y - 6.4, one.beside, "left", "small", "faint"))
    return strokes
