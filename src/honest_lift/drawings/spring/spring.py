"""A spring to scale, closed and open, with its retainer, its shims and the height at which it binds."""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.faint import faintly
from honest_lift.drawings.parts.coil import PLAIN_MM, coil
from honest_lift.drawings.parts.retainer import RETAINER_MM, retainer, shim_stack
from honest_lift.drawings.scene import Box, Ink, Line, Scene, Shape, Stroke, Words
from honest_lift.facts.parts import Member

_STEM_MM = 8.0  # as drawn, where nobody measured it
_USUAL_MM = 40.0  # height of a spring that nobody measured


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
    form: str = "",
    *,
    lit: bool = False,
) -> Scene:
    """Draw the states of a spring side by side on one pad, all to one scale. `lit`: the first one's height is being measured.

    A state whose height is not known is drawn as an empty place with its words; so is a spring without a card.
    """
    wide = max([(m.mean_diameter_mm or 0) + (m.wire_mm or 0) for m in members] + [PLAIN_MM])
    known = [view.height_mm for view in views if isfinite(view.height_mm)]
    top = max([*known, 40.0]) + sum(shims_mm)
    pitch = wide + 42.0
    strokes: list[Stroke] = []
    for i, view in enumerate(views):
        said = (
            bind_words if i == len(views) - 1 else ""
        )  # one line on one pad: its words lie beside the last, free of the others
        strokes += _view(view, members, shims_mm, bind_mm, said, i * pitch, wide, form, lit=lit and i == 0)
    return Scene(tuple(strokes), -wide / 2 - 6, -21.5, (len(views) - 1) * pitch + wide / 2 + 34, top + RETAINER_MM + 4)


def _view(
    view: SpringView,
    members: tuple[Member, ...],
    shims_mm: tuple[float, ...],
    bind_mm: float,
    bind_words: str,
    x: float,
    wide: float,
    form: str,
    *,
    lit: bool,
) -> list[Stroke]:
    base, half = sum(shims_mm), wide / 2
    strokes: list[Stroke] = [
        Shape(((x - half - 4, 0), (x + half + 4, 0), (x + half + 4, -2.6), (x - half - 4, -2.6)), "cut", hatched=True),
        Words(x, -8.4, view.title, size="small", ink="faint"), Words(x, -17.6, view.load_words),
        *shim_stack(x, half + 1, 0.0, shims_mm),
    ]  # fmt: skip
    if not isfinite(view.height_mm):
        return [
            *strokes,
            *faintly(_spring(members, x, base, _USUAL_MM, half, form)),
            Words(x + half + 7.5, base + 12, "not known", "left"),
        ]
    top = base + view.height_mm
    strokes += _spring(members, x, base, view.height_mm, half, form)
    ink: Ink = "mark" if lit else "line"
    strokes += dimension((x + half, base), (x + half, top), view.height_words, -5.0, at=0.3, figure=True, ink=ink)
    if lit:
        strokes += [Line(x - half, level, x + half, level, "mark") for level in (base, top)]
    if isfinite(bind_mm):
        line = base + bind_mm
        strokes.append(Line(x - half - 4, line, x + half + 2, line, "mark", dashed=True))
        strokes += [Words(x + half + 9.0, line, bind_words, "left", "small", "mark")] if bind_words else []
    return strokes


def _spring(members: tuple[Member, ...], x: float, base: float, height: float, half: float, form: str) -> list[Stroke]:
    """Draw the members of a spring in each other under their retainer; an inner one ends at its own step."""
    strokes: list[Stroke] = []
    for member in members:
        step = member.step_mm or 0.0
        strokes += coil(member, x, base, height - step, form)
        if step:
            reach = (member.mean_diameter_mm or half) / 2 + (member.wire_mm or 0) / 2
            strokes.append(Box(x - reach, base + height - step, 2 * reach, step, "faint"))
    return [*strokes, *retainer(x, base + height, half, _STEM_MM)]
