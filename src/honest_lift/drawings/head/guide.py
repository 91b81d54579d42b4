"""A guide with its stem in section, the clearance at its three depths drawn far larger than it is."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from math import isfinite

from honest_lift.drawings.scene import Box, Line, Scene, Stroke, Words

_LEVELS = (34.0, 20.0, 6.0)  # where the three depths lie, top to bottom
_STEM, _MOST = 9.0, 11.0  # half the stem as drawn, and the widest gap


def guide_scene(clearances: Sequence[float], low: float, high: float, words: Sequence[str], about: str) -> Scene:
    """Draw the gaps (3,) against the least and most allowed, in one unit; `words`: what is written at each depth."""
    known = [one for one in clearances if isfinite(one)]
    reach = max([*known, *(end for end in (low, high) if isfinite(end))], default=0.0)
    strokes: list[Stroke] = [
        Box(50 - _STEM, 1, 2 * _STEM, 38, "fill", filled=True), Words(50, 41.2, about, size="small", ink="faint"),
        Words(50, 20, "stem", size="small", ink="faint"),
    ]  # fmt: skip
    if not known or not reach:
        return Scene((*strokes, Words(84, 20, "not measured yet", size="small", ink="faint")), 0, 0, 100, 43)
    scale = _MOST / reach
    for side in (-1, 1):
        edges = [(50 + side * (_STEM + max(gap, 0.0) * scale), level) for gap, level in zip(clearances, _LEVELS, strict=True)
                 if isfinite(gap)]  # fmt: skip
        strokes += [Line(*one, *other) for one, other in pairwise(edges)]
        for end in (low, high):
            if isfinite(end):
                x = 50 + side * (_STEM + end * scale)
                strokes.append(Line(x, 2, x, 38, "faint", dashed=True))
    strokes += [Words(76, level - 0.8, told, "left") for told, level in zip(words, _LEVELS, strict=True)]
    strokes += [Words(24, level - 0.8, depth, "right", "small", "faint")
                for depth, level in zip(("top", "middle", "bottom"), _LEVELS, strict=True)]  # fmt: skip
    return Scene(tuple(strokes), 0, 0, 100, 43)
