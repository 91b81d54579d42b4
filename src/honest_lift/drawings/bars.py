"""Bars under each other, each with its name, its figure and a word about it: what makes up a whole, or ways to one end."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Ink, Line, Scene, Stroke, Words

_WIDE, _ROW, _NAME, _END = 160.0, 9.0, 34.0, 68.0  # of the scene, a row, where bars begin and end


class Bar(Struct, frozen=True):
    """One bar: how long in what all of them are told in, NaN for not known; its figure, and what stands behind it."""

    name: str
    value: float
    figure: str
    beside: str = ""
    current: bool = False


def bars_scene(bars: Sequence[Bar], title: str, missing: str) -> Scene:
    """Draw the bars to one scale from one line; with none it says why."""
    known = [abs(one.value) for one in bars if isfinite(one.value)]
    if not known or max(known) <= 0:
        return Scene((Words(_WIDE / 2, _ROW * 2, missing, ink="faint"),), 0, 0, _WIDE, _ROW * 4, stretched=True)
    high = _ROW * len(bars) + 9.0
    strokes: list[Stroke] = [
        Words(_NAME, high - 3.0, title, "left", "small", "faint"),
        Line(_NAME, 1.0, _NAME, high - 7.0, "faint"),
    ]
    for row, one in enumerate(bars):
        long = abs(one.value) / max(known) * (_END - _NAME) if isfinite(one.value) else 0.0
        strokes += _bar(one, high - 12.0 - _ROW * row, long, "mark" if one.current else "line")
    return Scene(tuple(strokes), 0, 0, _WIDE, high, stretched=True)


def _bar(one: Bar, y: float, long: float, ink: Ink) -> list[Stroke]:
    strokes: list[Stroke] = [Words(_NAME - 2.0, y, one.name, "right", "small", ink)]
    if long > 0:
        strokes.append(Box(_NAME, y - 2.6, long, 5.2, ink, filled=one.current))
    strokes.append(Words(_NAME + long + 1.5, y, one.figure, "left", "label", ink))
    if one.beside:
        strokes.append(Words(_WIDE - 1.0, y, one.beside, "right", "small", "faint"))
    return strokes
