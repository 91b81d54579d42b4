"""The heads from above as a map: every valve in its place, with a shape for its verdict that needs no colour."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Scene, Stroke, Words

_STEP, _HIGH, _EDGE, _RADIUS = 26.0, 44.0, 10.0, 8.0


class MapValve(Struct, frozen=True):
    """One valve: its name, its role, and the shape and word of its worst verdict."""

    name: str
    role: str
    shape: str
    word: str


def head_map_scene(heads: Sequence[tuple[str, Sequence[MapValve]]]) -> Scene:
    """Draw heads one under the other, their valves in the order they stand in; intakes with a second ring."""
    strokes: list[Stroke] = []
    wide = max((len(valves) for _, valves in heads), default=1) * _STEP + 2 * _EDGE
    for k, (name, valves) in enumerate(heads):
        low = -(k + 1) * (_HIGH + _EDGE)
        strokes.append(Box(0.0, low, len(valves) * _STEP + 2 * _EDGE, _HIGH, "cut"))
        strokes.append(Words(0.0, low + _HIGH + 4.0, f"{name} head", "left", "label"))
        for n, one in enumerate(valves):
            x, y = _EDGE + (n + 0.5) * _STEP, low + 0.66 * _HIGH
            rings = (1.0, 0.84) if one.role == "intake" else (1.0,)
            strokes += [Circle(x, y, _RADIUS * by, "line") for by in rings]
            strokes += [Words(x, y, one.shape, size="figure"), Words(x, low + 0.29 * _HIGH, one.name, size="label"),
                        Words(x, low + 0.13 * _HIGH, one.word, size="small")]  # fmt: skip
    low = -max(len(heads), 1) * (_HIGH + _EDGE)
    if not heads:
        strokes.append(Words(wide / 2, low / 2, "no valve is laid out yet"))
    return Scene(tuple(strokes), 0.0, low - 2.0, wide, 4.0)
