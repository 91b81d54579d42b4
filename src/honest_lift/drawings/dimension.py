"""Dimension lines as a drawing has them: extension lines, arrows at both ends, and the figure on its line."""

from __future__ import annotations

from math import hypot

from honest_lift.drawings.scene import Arrow, Ink, Line, Point, Stroke, Words

_OVER = 1.2  # mm an extension line runs over the dimension line
_BESIDE = 2.2  # mm from the line to its figure


def dimension(
    one: Point, other: Point, words: str, off: float, *, ink: Ink = "line", at: float = 0.5, figure: bool = False
) -> list[Stroke]:
    """Draw the distance of two points, its line moved off to the left of the way from one to the other, in mm.

    `at`: where along the line its words stand; they stand beside an upright line, and over a level one. `figure`: large.
    """
    across, up = other[0] - one[0], other[1] - one[1]
    long = hypot(across, up) or 1.0
    left = (-up / long, across / long)
    ends = [(x + off * left[0], y + off * left[1]) for x, y in (one, other)]
    run = _OVER if off > 0 else -_OVER
    strokes: list[Stroke] = [
        Line(x, y, end[0] + run * left[0], end[1] + run * left[1], "faint")
        for (x, y), end in zip((one, other), ends, strict=True)
    ]
    strokes += [
        Line(*ends[0], *ends[1], "faint"),
        Arrow(*ends[0], *ends[1], "faint"),
        Arrow(*ends[1], *ends[0], "faint"),
    ]
    if not words:
        return strokes
    x, y = (one_end + at * (two_end - one_end) for one_end, two_end in zip(*ends, strict=True))
    upright = abs(up) >= abs(across)
    strokes.append(
        Words(x + (_BESIDE if upright else 0.0), y + (0.0 if upright else _BESIDE), words, "left" if upright else "middle",
              "figure" if figure else "label", ink)
    )  # fmt: skip
    return strokes
