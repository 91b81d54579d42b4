"""A spring to scale, closed and open, with its retainer, its shims and the height at which it binds."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.scene import Box, Circle, Line, Scene, Stroke, Words
from honest_lift.facts.parts import Member

_RETAINER_MM = 3.0
_PLAIN_MM = 36.0  # width of a spring whose diameters nobody stated


class SpringView(Struct, frozen=True):
    """One state of a spring: what stands under it, its height, and the words beneath and beside it."""

    title: str
    height_mm: float
    height_words: str
    load_words: str


def spring_scene(
    members: tuple[Member, ...],
    views: tuple[SpringView, ...],
    shims_mm: tuple[float, ...],
    bind_mm: float,
    bind_words: str,
) -> Scene:
    """Draw the states of a spring side by side on one pad, all to one scale.

    A state whose height is not known is drawn as an empty place with its words; so is a spring without a card.
    """
    wide = max([(m.mean_diameter_mm or 0) + (m.wire_mm or 0) for m in members] + [_PLAIN_MM])
    known = [view.height_mm for view in views if isfinite(view.height_mm)]
    top = max([*known, 40.0]) + sum(shims_mm)
    pitch = wide + 42.0
    strokes: list[Stroke] = []
    for i, view in enumerate(views):
        said = (
            bind_words if i == len(views) - 1 else ""
        )  # one line on one pad: its words lie beside the last, free of the others
        strokes += _view(view, members, shims_mm, bind_mm, said, i * pitch, wide)
    return Scene(tuple(strokes), -wide / 2 - 6, -14.0, (len(views) - 1) * pitch + wide / 2 + 34, top + _RETAINER_MM + 3)


def _view(
    view: SpringView,
    members: tuple[Member, ...],
    shims_mm: tuple[float, ...],
    bind_mm: float,
    bind_words: str,
    x: float,
    wide: float,
) -> list[Stroke]:
    base = sum(shims_mm)
    half = wide / 2
    strokes: list[Stroke] = [Line(x - half - 4, 0, x + half + 4, 0)]
    strokes += [Words(x, -5.5, view.title, size="small", ink="faint"), Words(x, -12.0, view.load_words)]
    strokes += _shims(shims_mm, x, half)
    if not isfinite(view.height_mm):
        strokes.append(Words(x, base + 20, "not known", size="label", ink="faint"))
        return strokes
    top = base + view.height_mm
    strokes.append(Box(x - half, top, wide, _RETAINER_MM))
    for member in members:
        strokes += coils(member, x, base, view.height_mm - (member.step_mm or 0.0))
        if member.step_mm:
            reach = (member.mean_diameter_mm or wide / 2) / 2 + (member.wire_mm or 0) / 2
            strokes.append(Box(x - reach, top - member.step_mm, 2 * reach, member.step_mm, "faint"))
    side = x + half + 5
    strokes += [
        Line(side - 3, base, side + 3, base, "faint"),
        Line(side - 3, top, side + 3, top, "faint"),
        Line(side, base, side, top, "faint"),
        Words(side + 2.5, base + view.height_mm * 0.3, view.height_words, "left", "figure"),
    ]
    if isfinite(bind_mm):
        line = base + bind_mm
        strokes.append(Line(x - half - 4, line, x + half + 2, line, "mark", dashed=True))
        strokes += [Words(side + 2.5, line, bind_words, "left", "small", "mark")] if bind_words else []
    return strokes


def _shims(shims_mm: tuple[float, ...], x: float, half: float) -> list[Stroke]:
    strokes: list[Stroke] = []
    level = 0.0
    for thickness in shims_mm:
        strokes.append(Box(x - half - 1, level, 2 * half + 2, thickness, "mark", filled=True))
        level += thickness
    return strokes


def coils(member: Member, x: float, base: float, height: float) -> list[Stroke]:
    """Draw a coil in section: its wire at both sides and the turns between. A plain block without dimensions."""
    wire, mean, turns = member.wire_mm, member.mean_diameter_mm, member.coils
    if not (wire and mean and turns):
        half = _PLAIN_MM / 2
        return [
            Line(x - half, base, x + half, base + height, "faint"),
            Line(x + half, base, x - half, base + height, "faint"),
            Box(x - half, base, 2 * half, height, "faint"),
        ]
    count = max(round(turns), 2)
    rise = max((height - wire) / count, 0.0)
    left, right, radius = x - mean / 2, x + mean / 2, wire / 2
    strokes: list[Stroke] = []
    for i in range(count + 1):
        low = base + radius + i * rise
        strokes.append(Circle(left, low, radius))
        if i < count:
            strokes += [Circle(right, low + rise / 2, radius), Line(left, low, right, low + rise / 2, "faint")]
            strokes.append(Line(right, low + rise / 2, left, low + rise, "faint"))
    return strokes
