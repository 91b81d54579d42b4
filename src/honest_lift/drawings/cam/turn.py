"""Both valves around the overlap, the piston under them, what stands open at TDC, and a cursor to read them at."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import ceil, isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Anchor, Circle, Ink, Line, Path, Scene, Stroke, Words

SPAN_DEG = 300.0
_WIDE, _LEFT, _HIGH = 100.0, 3.0, 60.0
_PISTON, _CURVES = (8.0, 20.0), (25.0, 53.5)  # bands from the bottom
_TICK_DEG = 60


class Curve(Struct, frozen=True):
    """One valve: (crank degrees, figure) in the unit it is labelled in, its figure at TDC, and where it crosses the check lift."""

    name: str
    points: tuple[tuple[float, float], ...]
    at_tdc: float
    events: tuple[float, float] | None
    ink: Ink
    assumed: bool = False


class Shown(Struct, frozen=True):
    """What the curves are of: its title, places and unit; the check lift to mark on a lift curve, None on others."""

    title: str
    places: int
    unit: str
    check: float | None = None


def crank_to_x(crank_deg: float) -> float:
    """Give where a crank angle stands in the scene."""
    return _LEFT + (crank_deg + SPAN_DEG) / (2 * SPAN_DEG) * (_WIDE - 2 * _LEFT)


def x_to_crank(share: float) -> float:
    """Give the crank angle at a share of the scene's width, kept within the turn that is drawn."""
    crank = (share * _WIDE - _LEFT) / (_WIDE - 2 * _LEFT) * 2 * SPAN_DEG - SPAN_DEG
    return min(max(crank, -SPAN_DEG), SPAN_DEG)


def cam_turn_scene(
    curves: Sequence[Curve], shown: Shown, piston: Sequence[tuple[float, float]] = (), cursor_deg: float | None = None,
) -> Scene:  # fmt: skip
    """Draw the curves over the turn; `piston`: (crank degrees, drop below TDC). With no curves it says so."""
    if not curves:
        return Scene((Words(50, _HIGH / 2, "no lobe is stated yet", ink="faint"),), 0, 0, _WIDE, _HIGH, stretched=True)
    low, high = _ends(curves)
    bottom, top = _CURVES

    def y(figure: float) -> float:
        return bottom + (figure - low) / (high - low) * (top - bottom)

    strokes = _frame(shown, y(0.0))
    for side, one in enumerate(curves):
        strokes += _curve(one, side, shown, y)
    if piston:
        strokes += _piston(piston)
    if cursor_deg:  # at TDC a line stands already
        x = crank_to_x(cursor_deg)
        strokes.append(Line(x, _PISTON[0], x, top + 1, "line"))
    return Scene(tuple(strokes), 0, 0, _WIDE, _HIGH, stretched=True)


def _ends(curves: Sequence[Curve]) -> tuple[float, float]:
    figures = [figure for one in curves for _, figure in one.points] or [0.0]
    low, high = min(0.0, *figures), max(0.0, *figures)
    return low * 1.05, (high * 1.1) or 1.0


def _frame(shown: Shown, zero: float) -> list[Stroke]:
    tdc, foot = crank_to_x(0), _PISTON[0]
    ticks = range(-ceil(SPAN_DEG / _TICK_DEG) * _TICK_DEG, int(SPAN_DEG) + 1, _TICK_DEG)
    check = "" if shown.check is None else f"; dots at {shown.check:.{shown.places}f} of lift"
    return [
        Line(_LEFT, zero, _WIDE - _LEFT, zero, "faint"),
        Line(tdc, foot, tdc, _CURVES[1] + 1, "faint", True),
        *(Words(crank_to_x(tick), 5.6, f"{tick}", size="small", ink="faint") for tick in ticks if abs(tick) < SPAN_DEG),
        Words(50, 1.4, "crank degrees from overlap TDC", size="small", ink="faint"),
        Words(50, _HIGH - 2.0, f"{shown.title}, {shown.unit}{check}", size="small", ink="faint"),
    ]


def _curve(one: Curve, side: int, shown: Shown, y: Callable[[float], float]) -> list[Stroke]:
    if not one.points:
        return []  # it lifts nowhere in the turn that is drawn
    strokes: list[Stroke] = [
        Path(tuple((crank_to_x(at), y(figure)) for at, figure in one.points), one.ink, one.assumed)
    ]
    peak = max(one.points, key=lambda point: point[1])
    if shown.check is None:  # peaks of what swings both ways stand too close together to be named there
        strokes.append(Words(86.0 if side else 14.0, _CURVES[1], one.name, ink=one.ink))
        return strokes
    strokes.append(Words(crank_to_x(peak[0]), y(peak[1]) + 1.9, f"{one.name} {peak[1]:.{shown.places}f}", ink=one.ink))
    if isfinite(one.at_tdc) and one.at_tdc > 0:
        anchor: Anchor = "left" if side else "right"
        shift = 1.2 if side else -1.2
        strokes.append(Circle(crank_to_x(0), y(one.at_tdc), 0.8, one.ink, filled=True))
        strokes.append(
            Words(
                crank_to_x(0) + shift, y(one.at_tdc) + 2.2, f"{one.at_tdc:.{shown.places}f}", anchor, "label", one.ink
            )
        )
    strokes += [Circle(crank_to_x(event), y(shown.check), 0.6, one.ink) for event in one.events or ()]
    return strokes


def _piston(piston: Sequence[tuple[float, float]]) -> list[Stroke]:
    """Draw the piston's crown: up is up in the bore."""
    low, high = _PISTON
    most = max(drop for _, drop in piston)
    points = tuple((crank_to_x(at), high - drop / most * (high - low - 1.0)) for at, drop in piston)
    return [Path(points, "faint"), Words(crank_to_x(0) + 1.0, high + 1.6, "piston", "left", "small", "faint")]
