"""A measured lobe over its card's, the difference magnified under them, and what each row was off the smoothed curve."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from msgspec import Struct

from honest_lift.drawings.scene import Circle, Line, Path, Scene, Stroke, Words

_WIDE, _HIGH, _LEFT = 100.0, 60.0, 4.0
_CURVES, _DIFFERENCE, _ROWS = (34.0, 56.0), (17.0, 29.0), (3.0, 13.0)  # bands from the bottom
_TICK_DEG = 20

Points = Sequence[tuple[float, float]]


class Compared(Struct, frozen=True):
    """Points over cam degrees from the middle, in the unit they are labelled in.

    `card` and `difference` are empty where no card tells a lobe; `rows`: what was read less the smoothed curve.
    """

    measured: Points
    card: Points
    difference: Points
    rows: Points
    unit: str
    places: int


def lobe_compare_scene(shown: Compared | None) -> Scene:
    """Draw it; with nothing to draw it says so."""
    if shown is None or not shown.measured:
        words = "no lobe has been measured yet" if shown is None else "this table is no lobe"
        return Scene((Words(50, _HIGH / 2, words, ink="faint"),), 0, 0, _WIDE, _HIGH, stretched=True)
    half = max(abs(at) for at, _ in (*shown.measured, *shown.rows))

    def x(cam_deg: float) -> float:
        return 50.0 + cam_deg / half * (50.0 - _LEFT)

    strokes: list[Stroke] = [Line(x(0), _ROWS[0], x(0), _CURVES[1], "faint", True)]
    first = -int(half // _TICK_DEG) * _TICK_DEG
    strokes += [Words(x(at), 1.0, f"{at}", size="small", ink="faint") for at in range(first, int(half) + 1, _TICK_DEG)]
    strokes += _curves(shown, x)
    strokes += _band(shown.difference, _DIFFERENCE, x, shown, "measured less card", dots=False)
    strokes += _band(shown.rows, _ROWS, x, shown, "each row less the smoothed curve", dots=True)
    return Scene(tuple(strokes), 0, 0, _WIDE, _HIGH, stretched=True)


def _curves(shown: Compared, x: Callable[[float], float]) -> list[Stroke]:
    low, high = _CURVES
    most = max(lift for _, lift in (*shown.measured, *shown.card)) or 1.0

    def scaled(points: Points) -> tuple[tuple[float, float], ...]:
        return tuple((x(at), low + max(lift, 0.0) / most * (high - low)) for at, lift in points)

    drawn: list[Stroke] = [Path(scaled(shown.card), "line", True)] if shown.card else []
    drawn.append(Path(scaled(shown.measured), "mark"))
    drawn.append(Line(_LEFT, low, _WIDE - _LEFT, low, "faint"))
    drawn.append(
        Words(
            _LEFT,
            high + 1.6,
            f"measured; card dashed ({shown.unit} at the lobe, cam degrees)",
            "left",
            "small",
            "faint",
        )
    )
    return drawn


def _band(
    points: Points, band: tuple[float, float], x: Callable[[float], float], shown: Compared, title: str, *, dots: bool
) -> list[Stroke]:
    """Draw points about a zero line, scaled so that the largest fills the band, and say how large that is."""
    low, high = band
    zero = (low + high) / 2
    if not points:
        return [Words(_LEFT, zero, f"{title}: nothing to compare", "left", "small", "faint")]
    most = max(max(abs(value) for _, value in points), 1e-9)
    placed = [(x(at), zero + value / most * (high - low) / 2) for at, value in points]
    strokes: list[Stroke] = [
        Line(_LEFT, zero, _WIDE - _LEFT, zero, "faint"),
        Words(
            _LEFT, high + 1.2, f"{title}, largest {most:.{shown.places + 1}f} {shown.unit}", "left", "small", "faint"
        ),
    ]
    strokes += [Circle(a, b, 0.35, "line", filled=True) for a, b in placed] if dots else [Path(tuple(placed), "line")]
    return strokes
