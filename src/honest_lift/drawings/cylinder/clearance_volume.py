"""What is left over a piston at TDC, as a bar of its parts, beside the chambers of all cylinders over the smallest."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite
from textwrap import wrap

from msgspec import Struct

from honest_lift.drawings.scene import Anchor, Box, Ink, Line, Scene, Stroke, Words

_WIDE, _HIGH = 100.0, 46.0
_LINE = 30  # letters of a line that says what is missing
_LEAST_SHARE = 0.012  # a part thinner than that is told and not drawn


class Part(Struct, frozen=True):
    """A part of a volume, in the unit it is labelled in; a minus takes away from the others."""

    name: str
    volume: float


def left_over_scene(parts: Sequence[Part], title: str, missing: str, places: int) -> Scene:
    """Draw the parts of a volume to scale, side by side, each named under its share."""
    whole = sum(one.volume for one in parts if one.volume > 0)
    if not parts or not isfinite(whole) or whole <= 0:
        lines = wrap(missing, _LINE)
        told = (
            Words(_WIDE / 2, _HIGH / 2 + 8.0 * (len(lines) / 2 - i), line, ink="faint") for i, line in enumerate(lines)
        )
        return Scene(tuple(told), 0, 0, _WIDE, _HIGH, stretched=True)
    strokes: list[Stroke] = [Words(_WIDE / 2, _HIGH - 3, title)]
    left, shelf = 2.0, 0
    for one in parts:
        share = abs(one.volume) / whole * (_WIDE - 4)
        if abs(one.volume) / whole < _LEAST_SHARE:
            continue
        ink: Ink = "mark" if one.volume < 0 else "line"
        if one.volume < 0:
            left -= share
        strokes.append(Box(left, 24, share, 12, ink))
        middle = left + share / 2
        low = 17.0 - 7.0 * shelf
        strokes.append(Line(middle, 24, middle, low + 3.2, "faint"))
        words = f"{one.name} {one.volume:.{places}f}"
        anchor: Anchor = "right" if middle > 70 else "middle"
        strokes.append(Words(middle + (1.5 if anchor == "right" else 0), low, words, anchor, "small", ink))
        left += share if one.volume > 0 else 0.0
        shelf = (shelf + 1) % 3
    return Scene(tuple(strokes), 0, 0, _WIDE, _HIGH, stretched=True)
