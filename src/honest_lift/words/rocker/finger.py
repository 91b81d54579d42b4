"""A finger follower in words: the wipe on its pad, the pad that centres it, and what changes do to lash, pad and pivot."""

from __future__ import annotations

from dataclasses import replace
from math import isfinite

import numpy as np

from honest_lift.drawings.rocker.finger import FingerSide
from honest_lift.estimates.rocker.finger_wipe import centring_pad_mm, wipe_at
from honest_lift.estimates.rocker.gear import Rocker, why_gear_not
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.finger import FingerGear, set_on_pivot
from honest_lift.numbers.units import in_words
from honest_lift.words.rocker.gear import stem_mm
from honest_lift.words.rocker.moved import MovedRow, more

OVERHEAD_BELIEF = (
    "That overhead cams have no geometry is a belief: the wipe on pad or bucket is theirs, and wears where it runs off."
)
FINGER_CHANGES = {  # key: (title, what the amount is, its range inside)
    "tower": ("cam towers raised; cut is minus", "length", (-12.0, 12.0)),
    "base": ("base circle smaller, radius", "length", (-12.0, 12.0)),
    "valve": ("stem raised: longer valve, sunk seat", "length", (-12.0, 12.0)),
    "pad": ("pad on the tip thicker; thinner is minus", "length", (-12.0, 12.0)),
}  # fmt: skip
_SAME_MM = 0.005


def wipe_words(book: Book, rocker: Rocker, position: str) -> tuple[str, ...]:
    """Say where the lobe wipes on the finger's pad, and which pad on the tip centres it."""
    if not isinstance(rocker.gear, FingerGear):
        return ()
    unit, wipe = book.engine.unit("length"), wipe_at(book, rocker.place.role, position, rocker.gear)
    if isinstance(wipe, str):
        return (f"Wipe on the cam pad: {wipe}.", OVERHEAD_BELIEF)
    wide = in_words(float(wipe.width), "length", unit)
    lines = [f"The lobe wipes {wide} of the cam pad, its centre {_lies(float(wipe.middle), unit)}."]
    pad = centring_pad_mm(book, rocker, position)
    if isinstance(pad, str):
        lines.append(f"Pad for a centred wipe: {pad}.")
    else:
        lines.append(f"A pad on the tip {more(pad, unit, ('thicker', 'thinner'))} centres it, the pivot reset.")
    return (*lines, OVERHEAD_BELIEF)


def finger_moved(book: Book, rocker: Rocker, amounts: dict[str, float]) -> MovedRow:
    """Say what changes (mm), together, do to lash, pad and pivot, and to the wipe once the lash is right again."""
    gear, unit = rocker.gear, book.engine.unit("length")
    if not isinstance(gear, FingerGear):
        return MovedRow("not known", "", "State the finger's dimensions first.")
    moved = changed(gear, amounts)
    if why := why_gear_not(moved, rocker.lobe_mm):
        return MovedRow("it can't work", "", f"Left as it is {why}.")
    lash = float(moved.gap(np.array(0.0)))
    left = f"lash {in_words(abs(lash - rocker.lash_mm), 'length', unit)} {'more' if lash > rocker.lash_mm else 'less'}"
    if abs(lash - rocker.lash_mm) < _SAME_MM:
        left = "lash the same"
    short, again = _put_back(rocker, moved, unit)
    words = f"Nothing done: {left}" + (": the valve would not shut" if lash < 0 else "") + f". Put back: {short}."
    if again is not None:
        wipe = wipe_at(book, rocker.place.role, rocker.place.name if rocker.place.kind == "position" else "", again)
        if not isinstance(wipe, str):
            words += f" The wipe's centre then lies {_lies(float(wipe.middle), unit)}."
    return MovedRow(short, left, words)


def _lies(middle_mm: float, unit: str) -> str:
    return f"{in_words(abs(middle_mm), 'length', unit)} {'toward the valve' if middle_mm >= 0 else 'toward the pivot'}"


def changed(gear: FingerGear, amounts: dict[str, float]) -> FingerGear:
    """Give a gear with changes by name and mm."""
    gear = replace(
        gear, cam_y=gear.cam_y + amounts.get("tower", 0.0), base_radius=gear.base_radius - amounts.get("base", 0.0)
    )
    return gear.raised(amounts.get("valve", 0.0) + amounts.get("pad", 0.0))


def _put_back(rocker: Rocker, moved: FingerGear, unit: str) -> tuple[str, FingerGear | None]:
    """Say what gives the lash back: a pad where the pivot is fixed, the pivot where it is set; and the gear then."""
    if rocker.on_shaft:
        pad = float(moved.gap(np.array(0.0))) - rocker.lash_mm
        return ("nothing" if abs(pad) < _SAME_MM else f"pad {more(pad, unit, ('thicker', 'thinner'))}"), moved.raised(
            pad
        )
    again = set_on_pivot(moved, np.array(rocker.lash_mm))
    up = float(again.pivot_up) - float(moved.pivot_up)
    if not isfinite(up):
        return "the pivot can't be set for it", None
    return ("nothing" if abs(up) < _SAME_MM else f"pivot {more(up, unit, ('higher', 'lower'))}"), again


def finger_side(book: Book, rocker: Rocker, share: float) -> FingerSide | None:
    """Give where everything stands at a share of the lobe's lift; None where there is no finger."""
    gear, lobe = rocker.gear, np.array(share * rocker.lobe_mm)
    if not isinstance(gear, FingerGear):
        return None
    x, y = gear.roller(lobe)
    return FingerSide(
        (-float(gear.pivot_out), float(gear.pivot_up)), (float(gear.contact(lobe)), float(gear.gap(lobe) + gear.tip_radius)),
        float(gear.tip_radius), (float(x), float(y)), float(gear.follower_radius), (float(gear.cam_x), float(gear.cam_y)),
        float(gear.base_radius), float(gear.base_radius) + float(lobe), float(gear.lift(lobe)), stem_mm(book, rocker),
        float(gear.angle_deg(lobe)), _lobe_from(book, rocker, float(lobe)),
    )  # fmt: skip


_ROUND = 120  # points of a lobe as drawn


def _lobe_from(book: Book, rocker: Rocker, now_mm: float) -> tuple[tuple[float, float], ...]:
    """Give the lobe's lift (mm) by the cam's angle (radians) from where it lifts so much on its way up; none if not known."""
    turn = turn_of(book, rocker.place.role, rocker.place.name if rocker.place.kind == "position" else "")
    if turn.valve is None or turn.at_valve:
        return ()
    lobe = turn.valve.lobe
    up = np.linspace(lobe.start_deg, 0.0, _ROUND)
    at = float(up[int(np.argmax(lobe.lift(up) >= now_mm - 1e-6))])
    cam = np.linspace(at - 180.0, at + 180.0, _ROUND + 1)
    lifts = np.where((cam > lobe.start_deg) & (cam < lobe.end_deg), np.maximum(lobe.lift(cam), 0.0), 0.0)
    return tuple(zip(np.radians(cam - at).tolist(), lifts.tolist(), strict=True))
