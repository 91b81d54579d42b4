"""What is measured at a spring, its seat and its retainer, shown on usual parts."""

from __future__ import annotations

from honest_lift.drawings.dimension import dimension
from honest_lift.drawings.faint import faintly
from honest_lift.drawings.parts.coil import coil
from honest_lift.drawings.parts.outline import mirrored
from honest_lift.drawings.parts.retainer import RETAINER_MM, retainer, shim_stack, stem_end
from honest_lift.drawings.scene import Arrow, Box, Circle, Line, Point, Scene, Shape, Stroke, Words
from honest_lift.facts.parts import Member

OUTER = Member("outer", 0.0, None, 4.6, 32.0, 6.0)
INNER = Member("inner", 2.0, None, 3.2, 22.0, 7.0)
HALF, HIGH, FREE, SOLID, STEM = 18.3, 40.0, 52.0, 28.0, 8.0
_LINE = 28  # letters of a line
_SEAL = 17.0  # over the seat, its top


def framed(
    strokes: list[Stroke],
    words: str,
    left: float = -46.0,
    bottom: float = -16.0,
    right: float = 60.0,
    top: float = 66.0,
) -> Scene:
    """Give a picture with its words under it, in two lines where they are long."""
    lines, step = _lines(words), 0.14 * (top - bottom)
    foot = bottom - step * (len(lines) - 1) - 3.0
    told = [Words((left + right) / 2, bottom + 3.0 - step * i, line, size="small") for i, line in enumerate(lines)]
    return Scene((*strokes, *told), left, foot, right, top)


def _lines(words: str) -> list[str]:
    """Break words in two about their middle where they are long."""
    if len(words) <= _LINE:
        return [words]
    at = min((i for i, one in enumerate(words) if one == " "), key=lambda i: abs(i - len(words) / 2))
    return [words[:at], words[at + 1 :]]


def lit(one: Point, other: Point, words: str, off: float) -> list[Stroke]:
    """Draw what is measured between two points."""
    return dimension(one, other, words, off, ink="mark")


def surface(x: float, y: float, half: float) -> Line:
    """Draw a surface that is measured to."""
    return Line(x - half, y, x + half, y, "mark")


def pad() -> list[Stroke]:
    """Draw the spring's seat in the head, with the guide's top and the seal on it."""
    ground = ((-HALF - 8.0, 0.0), (HALF + 8.0, 0.0), (HALF + 8.0, -5.0), (-HALF - 8.0, -5.0))
    lip = ((STEM / 2 + 0.2, _SEAL), (STEM / 2 + 2.6, _SEAL - 2.0), (STEM / 2 + 2.6, 0.0), (STEM / 2 + 0.2, 0.0))
    return [Shape(ground, "cut", hatched=True), Shape(lip, "line"), Shape(mirrored(lip, 0.0), "line")]


def fitted(height: float = HIGH, shims: tuple[float, ...] = (), *, spring: bool = True) -> list[Stroke]:
    """Draw a spring on its seat under its retainer, the stem through both."""
    base = sum(shims)
    strokes = [
        *pad(),
        *stem_end(0.0, STEM, -5.0, base + height + RETAINER_MM + 8.0),
        *shim_stack(0.0, HALF + 1, 0.0, shims),
    ]
    if spring:
        strokes += faintly(coil(OUTER, 0.0, base, height))
    return [*strokes, *retainer(0.0, base + height, HALF, STEM)]


def installed_height() -> Scene:
    """Seat to the retainer's step, shims and locator in place."""
    strokes = [*fitted(shims=(1.2,), spring=False), surface(0, 1.2, HALF), surface(0, 1.2 + HIGH, HALF)]
    return framed(
        [*strokes, *lit((HALF, 1.2), (HALF, 1.2 + HIGH), "installed height", -6.0)],
        "locks pulled tight; shims and locator in",
    )


def shims() -> Scene:
    """What lies under the spring."""
    strokes = [*fitted(shims=(1.5, 1.0)), surface(0, 0.0, HALF), surface(0, 2.5, HALF)]
    return framed([*strokes, *lit((HALF, 0.0), (HALF, 2.5), "shims", -8.0)], "under the spring, thickest at the head")


def seal_gap() -> Scene:
    """Seal's top to the retainer's lowest point."""
    foot = HIGH - 3.4
    strokes = [
        *fitted(),
        surface(6.0, _SEAL, 4.0),
        surface(8.0, foot, 6.0),
        *lit((9.0, _SEAL), (9.0, foot), "retainer to seal", -16.0),
    ]
    return framed(strokes, "valve closed; the lift comes off it")


def stem_tip() -> Scene:
    """Seat to the valve's tip."""
    tip = HIGH + RETAINER_MM + 8.0
    strokes = [
        *fitted(),
        surface(0, tip, 6.0),
        surface(0, 0.0, HALF),
        *lit((HALF + 2.0, 0.0), (HALF + 2.0, tip), "tip height", -5.0),
    ]
    return framed(strokes, "every tip from its own spring seat")


def lock_out() -> Scene:
    """How far the locks stand over the retainer."""
    top = HIGH + RETAINER_MM + 2.2
    strokes = [
        *fitted(),
        surface(0, top, 9.0),
        surface(0, top + 2.0, 6.0),
        *lit((7.0, top), (7.0, top + 2.0), "locks over the retainer", -14.0),
    ]
    return framed(strokes, "after a tap with a soft hammer")


def retainer_rocker() -> Scene:
    """Retainer to the rocker's underside, all through the lift."""
    top = HIGH + RETAINER_MM + 2.2
    body = ((-30.0, 62.0), (6.0, 56.0), (6.0, 50.0), (-12.0, 50.0), (-30.0, 54.0))
    strokes = [
        *fitted(),
        Shape(body, "line"),
        *lit((-9.0, top), (-9.0, 50.0), "gap", 12.0),
        surface(-9.0, top, 5.0),
        surface(-9.0, 50.0, 5.0),
    ]
    return framed(strokes, "a wire between them, through the whole lift")


def _tester(height: float, words: str, said: str) -> Scene:
    plates = [Box(-30.0, height, 60.0, 5.0, "cut"), Box(-30.0, -5.0, 60.0, 5.0, "cut")]
    strokes: list[Stroke] = [
        *coil(OUTER, 0.0, 0.0, height),
        *coil(INNER, 0.0, 0.0, height),
        *plates,
        surface(0, 0.0, 22.0),
        surface(0, height, 22.0),
    ]
    strokes += [
        Line(0.0, height + 16.0, 0.0, height + 6.0, "mark"),
        Arrow(0.0, height + 5.0, 0.0, height + 16.0, "mark"),
    ]
    return framed([*strokes, *lit((22.0, 0.0), (22.0, height), words, -7.0)], said)


def spring_load() -> Scene:
    """A spring in the tester at a height."""
    return _tester(HIGH, "test height", "on its own retainer, or less what is pressed with it")


def bind_height() -> Scene:
    """A spring pressed solid."""
    return _tester(SOLID, "bind height", "until the coils close, no further")


def free_length() -> Scene:
    """A spring with nothing on it."""
    strokes = [*pad()[:1], *coil(OUTER, 0.0, 0.0, FREE), surface(0, 0.0, HALF), surface(0, FREE, HALF)]
    return framed(
        [*strokes, *lit((HALF, 0.0), (HALF, FREE), "free length", -6.0)], "on a flat plate, over the ground ends"
    )


def across_spring() -> Scene:
    """Outside and inside of a spring."""
    strokes = [*pad()[:1], *coil(OUTER, 0.0, 0.0, FREE), *lit((-18.3, 26.0), (18.3, 26.0), "", 34.0)]
    strokes += [*lit((-13.7, 20.0), (13.7, 20.0), "", -28.0), Words(0, 63.5, "outside", ink="mark")]
    return Scene((*strokes, Words(0, -13.5, "inside", ink="mark")), -46.0, -18.0, 46.0, 68.0)


def on_scale() -> Scene:
    """A part on the scale."""
    strokes: list[Stroke] = [Box(-34.0, -14.0, 68.0, 12.0, "cut"), Line(-26.0, -2.0, 26.0, -2.0, "mark")]
    strokes += [*coil(OUTER, -8.0, -2.0, 36.0), Circle(20.0, -8.0, 3.0, "mark")]
    return framed(strokes, "clean and dry; weigh one, or all and divide", bottom=-24.0)
