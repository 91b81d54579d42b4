"""One valve with all that moves it, at a crank angle: rocker, retainer, spring, seal, head and piston, to scale.

The stem is shown broken between the spring's seat and the valve's head, for nobody measures what lies there.
"""

from __future__ import annotations

from math import isfinite, nan

from msgspec import Struct

from honest_lift.drawings.faint import not_known
from honest_lift.drawings.parts.coil import coil
from honest_lift.drawings.parts.outline import mirrored
from honest_lift.drawings.parts.piston import crown
from honest_lift.drawings.parts.retainer import RETAINER_MM, TIP_MM, retainer, shim_stack
from honest_lift.drawings.parts.rocker import pushrod, rocker
from honest_lift.drawings.parts.valve import seat, valve
from honest_lift.drawings.rocker.pushrod_rocker import USUAL, Side
from honest_lift.drawings.scene import Ink, Line, Point, Scene, Shape, Stroke, Words
from honest_lift.facts.parts import Member

_LEFT, _RIGHT, _BELOW = -66.0, 70.0, -40.0
_SEAT = 22.0  # where the spring's seat is drawn above the closed valve's face
_SEAL_MM = 8.0
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
    form: str = ""


def train_scene(train: Train | None, missing: str) -> Scene:
    """Draw the train; in a plausible shape with what is missing in words, where its lobe is not known."""
    if train is None:
        return not_known(_scene(_USUAL), missing)
    return _scene(train)


def _scene(train: Train) -> Scene:
    retained = _SEAT + sum(train.shims_mm) + train.installed_mm - train.lift_mm
    closed = retained + train.lift_mm + RETAINER_MM + TIP_MM if isfinite(retained) else _SEAT + _TIP_UNKNOWN_MM
    tip = _SEAT + train.tip_mm if isfinite(train.tip_mm) else closed
    strokes = [*seat(0.0, train.head_mm, above=8.0), *_guide(train), *_piston(train)]
    strokes += valve(
        0.0,
        -train.lift_mm,
        train.head_mm,
        train.stem_mm,
        tip - train.lift_mm,
        broken=(12.0 - train.lift_mm, _SEAT - 9.0),
    )
    if isfinite(train.installed_mm):
        strokes += _spring(train, retained)
    if train.rocker is not None:
        strokes += _rocker(train.rocker, tip)
    top = tip + (30.0 if train.rocker is not None else 6.0)
    return Scene(tuple(strokes), _LEFT, _BELOW, _RIGHT, top)


def _guide(train: Train) -> list[Stroke]:
    """Draw the head's floor under the spring, and the guide in it, cut."""
    stem, wide = train.stem_mm / 2.0, _wide(train.members) + 6.0
    right = ((stem + 0.3, _SEAT - 8.0), (stem + 3.2, _SEAT - 8.0), (stem + 3.2, _SEAT - 4.0), (wide, _SEAT - 4.0), (wide, _SEAT),
             (stem + 3.2, _SEAT), (stem + 3.2, _SEAT + 5.0), (stem + 0.3, _SEAT + 5.0))  # fmt: skip
    return [Shape(right, "cut", hatched=True), Shape(mirrored(right, 0.0), "cut", hatched=True)]


def _piston(train: Train) -> list[Stroke]:
    room = train.to_piston
    if room is None:
        return []
    floor, half = max(-train.lift_mm - room.mm, _BELOW + 13.0), train.head_mm / 2.0 + 7.0
    ink: Ink = "mark" if room.tightest else "line"
    return [
        *crown(0.0, floor, half, _BELOW + 8.5, train.head_mm / 2.0 + 1.5), Line(-half, floor, half, floor, ink),
        Words(0.0, _BELOW + 3.0, room.words, ink=ink),
    ]  # fmt: skip


def _spring(train: Train, retained: float) -> list[Stroke]:
    base, wide = _SEAT + sum(train.shims_mm), _wide(train.members)
    strokes: list[Stroke] = [*shim_stack(0.0, wide + 1.0, _SEAT, train.shims_mm), *_seal(train, retained)]
    for member in train.members:
        strokes += coil(member, 0.0, base, retained - base - (member.step_mm or 0.0), train.form)
    strokes += retainer(0.0, retained, wide, train.stem_mm)
    return strokes + _told(train.to_bind, (base + retained) / 2.0, wide) + _told(train.to_seal, retained - 1.0, wide)


def _seal(train: Train, retained: float) -> list[Stroke]:
    if not isfinite(train.seal_gap_mm):
        return []
    top, stem = retained + train.lift_mm - train.seal_gap_mm, train.stem_mm / 2.0
    ink: Ink = "mark" if train.to_seal is not None and train.to_seal.tightest else "line"
    low = top - _SEAL_MM
    right = (
        (stem + 0.2, top),
        (stem + 1.6, top),
        (stem + 3.0, top - 3.0),
        (stem + 3.0, low),
        (stem + 1.0, low),
        (stem + 1.0, top - 3.0),
    )
    return [Shape(right, ink), Shape(mirrored(right, 0.0), ink)]


def _told(room: Room | None, y: float, wide: float) -> list[Stroke]:
    if room is None:
        return []
    return [Words(max(_WORDS_AT, wide + 3.0), y, room.words, "left", ink="mark" if room.tightest else "line")]


def _wide(members: tuple[Member, ...]) -> float:
    return max([((one.mean_diameter_mm or 0.0) + (one.wire_mm or 0.0)) / 2.0 for one in members] + [14.0])


def _rocker(side: Side, tip: float) -> list[Stroke]:
    def up(point: Point) -> Point:
        return point[0], point[1] + tip

    cup, lifter = up(side.cup), up(side.lifter)
    across, down = lifter[0] - cup[0], lifter[1] - cup[1]
    share = min(1.0, (_SEAT - cup[1]) / down) if down < 0 else 1.0
    end = (cup[0] + share * across, cup[1] + share * down)
    return [*pushrod(cup, end), *rocker(up(side.pivot), up(side.roller), side.radius, cup, lifter, "line")]


_USUAL = Train(6.0, 40.0, 8.0, 42.0, nan, nan, nan, (Member("outer"),), (), USUAL, Room(9.0, ""), None, None)
