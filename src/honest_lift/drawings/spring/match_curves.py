"""Load curves of candidates by their cards, free end on the left and bind on the right, from shut to full lift."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Ink, Line, Scene, Stroke, Words

_LEFT, _RIGHT, _FOOT, _TOP = 10.0, 95.0, 9.0, 56.0
_INKS: tuple[Ink, ...] = ("mark", "line", "faint")

Point = tuple[float, float]


class CandidateCurve(Struct, frozen=True):
    """A candidate's spring: its name, (height, load) from shut to full lift, and where it binds, in the units it is labelled in."""

    name: str
    points: tuple[Point, ...]
    bind: float


def match_curves_scene(curves: Sequence[CandidateCurve], places: int, length: str, load: str) -> Scene:
    """Draw up to three curves, the first in the mark's ink."""
    if not curves:
        return Scene((Words(50, 30, "no candidate is chosen yet", ink="faint"),), 0, 0, 100, 62, stretched=True)
    heights = [height for one in curves for height, _ in one.points] + [one.bind for one in curves]
    most = max(value for one in curves for _, value in one.points) * 1.12
    high, low = max(heights), min(heights)
    span = (high - low) or 1.0

    def at(point: Point) -> Point:
        return _LEFT + (high - point[0]) / span * (_RIGHT - _LEFT), _FOOT + point[1] / most * (_TOP - _FOOT)

    strokes: list[Stroke] = [Line(_LEFT, _FOOT, _RIGHT, _FOOT, "faint")]
    for row, (one, ink) in enumerate(zip(curves, _INKS, strict=False)):
        placed = [at(point) for point in one.points]
        strokes += [Line(*a, *b, ink) for a, b in pairwise(placed)]
        strokes += [Circle(*placed[0], 0.9, ink, filled=True), Circle(*placed[-1], 0.9, ink, filled=True)]
        bind, _ = at((one.bind, 0.0))
        strokes.append(Line(bind, _FOOT, bind, _TOP, ink, dashed=True))
        strokes.append(Words(_LEFT + 2, _TOP + 3 - 5.0 * row, one.name, "left", "small", ink))
        up = 3.2 if row == 0 else -3.2  # figures of two curves that run close stand apart
        strokes += [Words(x + side, y + up, f"{value:.0f}", size="small", ink=ink) for (x, y), (_, value), side in
                    ((placed[0], one.points[0], 3.0), (placed[-1], one.points[-1], -4.0))]  # fmt: skip
    strokes += [Words(at((end, 0.0))[0], 5, f"{end:.{places}f}", size="small", ink="faint") for end in (high, low)]
    strokes.append(Words(50, 0.5, f"height, {length}; load, {load}; dashed: bind", size="small", ink="faint"))
    return Scene(tuple(strokes), 0, 0, 100, 62, stretched=True)
