"""Locks in their retainer, in section: how far they stand out, and two tapers that should be one."""

from __future__ import annotations

from itertools import pairwise
from math import isfinite, radians, tan

from honest_lift.drawings.scene import Box, Line, Scene, Stroke, Words

_STEM_MM, _HIGH_MM, _LOCK_MM = 4.0, 9.0, 8.0  # drawn where nothing is known of them


def lock_scene(out_mm: float, long_mm: float, lock_deg: float, retainer_deg: float, told: str, angles: str) -> Scene:
    """Draw both halves about the stem; what is not known is drawn as is usual, and not at all where it would mislead."""
    strokes: list[Stroke] = [Box(-_STEM_MM, -4, 2 * _STEM_MM, 18, "fill", filled=True)]
    strokes += [Words(17, 7.5, told, "left"), Words(17, 2.5, angles, "left", "small", "faint")]
    long = long_mm if isfinite(long_mm) else _LOCK_MM
    own = retainer_deg if isfinite(retainer_deg) else 10.0
    top = _HIGH_MM
    for side in (-1, 1):
        inner = [(side * (_STEM_MM + 1.2 + (y * tan(radians(own)))), y) for y in (0.0, top)]
        outer = [(side * 13.0, top), (side * 13.0, top - 3.0), (side * 9.0, top - 3.0), (side * 9.0, 0.0)]
        outline = [*inner, *outer, inner[0]]
        strokes += [Line(*a, *b) for a, b in pairwise(outline)]
        if isfinite(out_mm):
            strokes += _lock(side, top + out_mm, long, lock_deg if isfinite(lock_deg) else own)
    return Scene(tuple(strokes), -24, -5, 44, 15)


def _lock(side: int, top: float, long: float, angle_deg: float) -> list[Stroke]:
    foot = top - long
    wide = 1.2 + max(foot, 0.0) * tan(radians(angle_deg))
    corners = [(side * _STEM_MM, foot), (side * _STEM_MM, top), (side * (_STEM_MM + wide + long * tan(radians(angle_deg))), top),
               (side * (_STEM_MM + wide), foot), (side * _STEM_MM, foot)]  # fmt: skip
    return [Line(*a, *b, "mark") for a, b in pairwise(corners)]
