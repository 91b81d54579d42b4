"""One valve with all that moves it, at a crank angle: rocker, retainer, spring, seal, head and piston, to scale.

The stem is shown broken between the spring's seat and the valve's head, for nobody measures what lies there.
"""

from __future__ import annotations

from math import isfinite

from msgspec import Struct

from honest_lift.drawings.rocker.pushrod_rocker import Side
from honest_lift.drawings.scene import Box, Circle, Ink, Line, Path, Scene, Stroke, Words
from honest_lift.drawings.spring.spring import coils
from honest_lift.facts.parts import Member

_LEFT, _RIGHT, _BELOW = -66.0, 70.0, -33.0
_SEAT = 22.0  # where the spring's seat is drawn above the closed valve's face
_RETAINER_MM, _TIP_MM, _SEAL_MM = 3.0, 7.0, 8.0
_WORDS_AT, _TIP_UNKNOWN_MM = 24.0, 55.0


class Room(Struct, frozen=True):
    """What is left of a clearance at this angle, mm and in words; `tightest`: of all of them, against its limit."""

    mm: float
    words: str
    tightest: bool = False


class Train(Struct, frozen=True):
    """A valve at a crank angle. Heights in mm, NaN where nobody measured them; `lift_mm`: the valve's now.

    `installed_mm`: the spring closed; `bind_mm`: where it stands solid; `seal_gap_mm`: retainer to seal, closed; `tip_mm`: spring
    seat to valve tip, closed. `rocker`: with its tip's plane at y = 0, None where its geometry is not known.
    """

    lift_mm: float
    head_mm: float
    stem_mm: float
    installed_mm: float
    bind_mm: float
    seal_gap_mm: float
    tip_mm: float
    members: tuple[Member, ...]
    shims_mm: tuple[float, ...]
    rocker: Side | None
    to_piston: Room | None
    to_seal: Room | None
    to_bind: Room | None


def train_scene(train: Train | None, missing: str) -> Scene:
    """Draw the train, or say what is missing."""
    if train is None:
        return Scene((Words(0, 40, missing, ink="faint"),), _LEFT, _BELOW, _RIGHT, 110.0)
    retainer = _SEAT + sum(train.shims_mm) + train.installed_mm - train.lift_mm
    closed = retainer + train.lift_mm + _RETAINER_MM + _TIP_MM if isfinite(retainer) else _SEAT + _TIP_UNKNOWN_MM
    tip = _SEAT + train.tip_mm if isfinite(train.tip_mm) else closed
    strokes = [*_valve(train, tip - train.lift_mm), *_piston(train)]
    if isfinite(train.installed_mm):
        strokes += _spring(train, retainer)
    if train.rocker is not None:
        strokes += _rocker(train.rocker, tip)
    top = tip + (24.0 if train.rocker is not None else 6.0)
    return Scene(tuple(strokes), _LEFT, _BELOW, _RIGHT, top)


def _valve(train: Train, tip: float) -> list[Stroke]:
    half, stem, face = train.head_mm / 2.0, train.stem_mm / 2.0, -train.lift_mm
    low, high = face + 12.0, _SEAT - 4.0
    strokes: list[Stroke] = [
        Line(-half - 5.0, 4.0, -half, 0.0, "faint"), Line(half, 0.0, half + 5.0, 4.0, "faint"),
        Path(((-stem, low), (-stem, face + 9.0), (-half, face + 1.5), (-half, face), (half, face), (half, face + 1.5),
              (stem, face + 9.0), (stem, low))),
        Path(((-stem, high), (-stem, tip), (stem, tip), (stem, high))),
    ]  # fmt: skip
    for y in (low, high):  # where the stem is broken
        strokes.append(Path(((-stem - 1.5, y - 0.8), (0.0, y + 0.8), (stem + 1.5, y - 0.8)), "faint"))
    return strokes


def _piston(train: Train) -> list[Stroke]:
    room = train.to_piston
    if room is None:
        return []
    floor, half = max(-train.lift_mm - room.mm, _BELOW + 9.0), train.head_mm / 2.0 + 7.0
    ink: Ink = "mark" if room.tightest else "line"
    return [
        Box(-half, _BELOW + 1.0, 2 * half, floor - _BELOW - 1.0, "fill", filled=True),
        Line(-half, floor, half, floor, ink),
        Words(0.0, _BELOW + 5.0, room.words, ink=ink),
    ]


def _spring(train: Train, retainer: float) -> list[Stroke]:
    base, wide = _SEAT + sum(train.shims_mm), _wide(train.members)
    strokes: list[Stroke] = [Line(-wide - 6.0, _SEAT, wide + 6.0, _SEAT)]
    level = _SEAT
    for thickness in train.shims_mm:
        strokes.append(Box(-wide - 1.0, level, 2 * wide + 2.0, thickness, "mark", filled=True))
        level += thickness
    for member in train.members:
        strokes += coils(member, 0.0, base, retainer - base - (member.step_mm or 0.0))
    strokes.append(Box(-wide, retainer, 2 * wide, _RETAINER_MM))
    return strokes + _told(train.to_bind, (base + retainer) / 2.0) + _seal(train, retainer)


def _seal(train: Train, retainer: float) -> list[Stroke]:
    if not isfinite(train.seal_gap_mm):
        return []
    top, half = retainer + train.lift_mm - train.seal_gap_mm, train.stem_mm / 2.0 + 2.0
    ink: Ink = "mark" if train.to_seal is not None and train.to_seal.tightest else "line"
    return [
        Box(-half, top - _SEAL_MM, 2 * half, _SEAL_MM, ink),
        *_told(train.to_seal, retainer - 1.0),
    ]


def _told(room: Room | None, y: float) -> list[Stroke]:
    if room is None:
        return []
    return [Words(_WORDS_AT, y, room.words, "left", ink="mark" if room.tightest else "line")]


def _wide(members: tuple[Member, ...]) -> float:
    return max([((one.mean_diameter_mm or 0.0) + (one.wire_mm or 0.0)) / 2.0 for one in members] + [14.0])


def _rocker(side: Side, tip: float) -> list[Stroke]:
    def up(point: tuple[float, float]) -> tuple[float, float]:
        return point[0], point[1] + tip

    pivot, roller, cup = up(side.pivot), up(side.roller), up(side.cup)
    lifter = up(side.lifter)
    across, down = lifter[0] - cup[0], lifter[1] - cup[1]
    share = min(1.0, (_SEAT - cup[1]) / down) if down < 0 else 1.0
    return [
        Circle(*roller, side.radius), Circle(*pivot, 4.0), Circle(*pivot, 0.6, filled=True), Circle(*cup, 2.5),
        Line(*pivot, *roller), Line(*pivot, *cup), Line(*cup, cup[0] + share * across, cup[1] + share * down),
    ]  # fmt: skip
