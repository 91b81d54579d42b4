"""A poppet valve from the side: head with its margin and seat, tulip, stem; and the seat it closes on."""

from __future__ import annotations

from honest_lift.drawings.parts.outline import curve, mirrored
from honest_lift.drawings.scene import Ink, Path, Point, Shape, Stroke

_MARGIN_MM, _SEAT_MM = 1.4, 2.4  # of a usual valve, where nobody measured them
_INSERT_MM = 5.5  # how far a seat reaches outward


def valve(
    x: float,
    face: float,
    head_mm: float,
    stem_mm: float,
    top: float,
    *,
    broken: tuple[float, float] | None = None,
    ink: Ink = "line",
) -> list[Stroke]:
    """Draw a valve with its face at a height and its stem up to another. `broken`: where the stem is cut short, from and to."""
    half, stem, seat = head_mm / 2, stem_mm / 2, min(_SEAT_MM, head_mm / 8)
    neck = face + _MARGIN_MM + seat + 0.3 * head_mm
    low, high = broken or (top, top)
    edge, back = (x + half, face + _MARGIN_MM), (x + half - seat, face + _MARGIN_MM + seat)
    tulip = curve(back, (x + stem, back[1] + 0.02 * head_mm), (x + stem, neck))
    side = ((x + half, face), edge, back, *tulip, (x + stem, low))
    strokes: list[Stroke] = [Shape((*side, *reversed(mirrored(side, x))), ink)]
    if broken:
        strokes.append(Shape(((x - stem, high), (x - stem, top), (x + stem, top), (x + stem, high)), ink))
        for y in (low, high):
            strokes.append(Path(((x - stem - 1.5, y - 0.8), (x, y + 0.8), (x + stem + 1.5, y - 0.8)), "faint"))
    return strokes


def seat(x: float, head_mm: float, *, above: float = 9.0, ink: Ink = "cut") -> list[Stroke]:
    """Draw the seat of a valve in section, whose face is level with y = 0 when it is closed: 45 degrees, and the port's wall."""
    half, slope = head_mm / 2, min(_SEAT_MM, head_mm / 8)
    edge = half + 0.05
    right: tuple[Point, ...] = (
        (x + edge, _MARGIN_MM), (x + edge - slope, _MARGIN_MM + slope), (x + edge - slope, above),
        (x + edge + _INSERT_MM, above), (x + edge + _INSERT_MM, 0.0), (x + edge + 1.2, 0.0),
    )  # fmt: skip
    return [Shape(right, ink, hatched=True), Shape(mirrored(right, x), ink, hatched=True)]
