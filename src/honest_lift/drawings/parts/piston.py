"""A piston's crown in section, with the pocket of a valve in it and its first ring grooves."""

from __future__ import annotations

from honest_lift.drawings.scene import Shape, Stroke

_LAND, _RING, _PITCH = 5.0, 1.5, 4.5  # mm below the crown, of a usual piston
_POCKET_MM = 3.0


def crown(x: float, pocket_floor: float, half: float, bottom: float, pocket_half: float) -> list[Stroke]:
    """Draw the crown about an axis with the floor of its pocket at a height, down to where the picture ends."""
    top = pocket_floor + _POCKET_MM
    edge = min(pocket_half, half - 2.0)
    points = (
        (x - half, bottom), (x - half, top), (x - edge, top), (x - edge + 1.2, pocket_floor), (x + edge - 1.2, pocket_floor),
        (x + edge, top), (x + half, top), (x + half, bottom),
    )  # fmt: skip
    strokes: list[Stroke] = [Shape(points, "cut", hatched=True)]
    for level in (top - _LAND, top - _LAND - _PITCH):
        if level - _RING > bottom:
            groove = ((half, level), (half - 3.0, level), (half - 3.0, level - _RING), (half, level - _RING))
            strokes += [Shape(tuple((x + side * px, py) for px, py in groove)) for side in (-1, 1)]
    return strokes
