"""A valve spring cut through its axis: wire at both sides, the strands behind, close coils where they lie."""

from __future__ import annotations

from honest_lift.drawings.faint import faintly
from honest_lift.drawings.parts.outline import bar
from honest_lift.drawings.scene import Circle, Line, Shape, Stroke
from honest_lift.facts.parts import Member

PLAIN_MM = 36.0  # width of a spring whose diameters nobody stated
_STEPS = 24  # to share a spring's height among its coils
_TOP_SHARE = 0.78  # of a beehive's diameter at its top, where nobody stated it


def coil(member: Member, x: float, base: float, height: float, form: str = "") -> list[Stroke]:
    """Draw a spring standing on a base at a height; in a plausible shape, faint, where its dimensions are not stated."""
    wire, mean, turns = member.wire_mm, member.mean_diameter_mm, member.coils
    if not (wire and mean and turns):
        plain = Member(member.name, 0.0, None, 4.2, PLAIN_MM - 4.2, 6.5)
        return faintly(_coil(plain, x, base, height, form))
    return _coil(member, x, base, height, form)


def _coil(member: Member, x: float, base: float, height: float, form: str) -> list[Stroke]:
    wire, mean, turns = member.wire_mm or 1.0, member.mean_diameter_mm or 1.0, max(member.coils or 2.0, 2.0)
    halves = max(round(2 * turns), 4)
    levels = [base + wire / 2 + one for one in rises(halves, wire, max(height - wire, 0.0), member, form)]
    radii = [mean / 2 * (1 - (1 - _TOP_SHARE) * _narrow(i / halves) * (form == "tapered")) for i in range(halves + 1)]
    spots = [
        (x + (-1 if i % 2 == 0 else 1) * radius, level)
        for i, (radius, level) in enumerate(zip(radii, levels, strict=True))
    ]
    strokes: list[Stroke] = []
    for one, other in zip(spots[1::2], spots[2::2], strict=False):  # strands behind the cut run from right to left
        strokes.append(Shape(bar(one, other, wire), "faint"))
    if member.name == "damper":  # wound of flat wire
        flat = 0.42 * wire
        return [
            *strokes,
            *(Shape(bar((px, py - wire / 2), (px, py + wire / 2), flat), "cut", hatched=True) for px, py in spots),
        ]
    strokes += [Circle(px, py, wire / 2, "cut") for px, py in spots]
    strokes += [
        Line(px - wire / 5, py - wire / 5, px + wire / 5, py + wire / 5, "faint") for px, py in spots
    ]  # cut through
    return strokes


def _narrow(share: float) -> float:
    """Give how far a beehive has drawn in at a share of its height: only its upper half does."""
    return float(max(0.0, 2 * share - 1.0) ** 1.5)


def rises(halves: int, wire: float, rise: float, member: Member, form: str = "") -> list[float]:
    """Give the height of the wire's middle above the lowest at every half turn, from 0 to `rise`.

    A dead turn lies close at each end. Between them the rest is shared: alike, or growing toward the top in a progressive spring,
    whose close turns lie on each other first. A spring pressed shorter than its turns allow is drawn evenly squeezed.
    """
    dead = ((member.coils or 0.0) - member.active_coils) if member.active_coils else 2.0
    ends = min(max(round(dead), 0), halves - 2)  # half turns at the foot, and as many at the top
    first, last = (ends + 1) // 2, ends // 2
    least = wire / 2
    if rise <= least * halves:
        return [rise * i / halves for i in range(halves + 1)]
    free = halves - first - last
    left = rise - least * (first + last)
    wished = [0.55 + 0.9 * i / max(free - 1, 1) if form == "progressive" else 1.0 for i in range(free)]
    shared = _shared(wished, least, left)
    levels = [0.0]
    for step in (*[least] * first, *shared, *[least] * last):
        levels.append(levels[-1] + step)
    return levels


def _shared(wished: list[float], least: float, total: float) -> list[float]:
    """Give steps in the wished shares, none under the least, that come to a total."""
    low, high = 0.0, total / min(wished)
    for _ in range(2 * _STEPS):
        middle = (low + high) / 2
        if sum(max(one * middle, least) for one in wished) < total:
            low = middle
        else:
            high = middle
    return [max(one * high, least) for one in wished]
