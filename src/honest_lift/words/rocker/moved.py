"""What named changes do to pushrod, preload and mark, in words, each by itself and all of them together."""

from __future__ import annotations

from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.drawings.rocker.pushrod_rocker import Side
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.gear import Rocker
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.pushrod_rocker import set_on_stud, why_not
from honest_lift.mechanics.rocker.what_moved import (
    Change,
    along_cylinder,
    along_lifter,
    left_as_it_is,
    plunger_travel,
    pushrod_for,
)
from honest_lift.mechanics.rocker.witness_mark import mark_of, travel_mm
from honest_lift.numbers.units import in_words
from honest_lift.words.rocker.gear import side_of_gear
from honest_lift.words.rocker.roughly import can_be_bounded, rough_nut, rough_pushrod

CHANGES = {  # key: (title, what the amount is, its range inside)
    "head": ("head cut", "length", (0.0, 12.0)),
    "block": ("block cut", "length", (0.0, 12.0)),
    "gasket": ("gasket thicker; thinner is minus", "length", (-12.0, 12.0)),
    "valve": ("tip raised: longer valve, sunk seat", "length", (-12.0, 12.0)),
    "cap": ("lash cap on the tip", "length", (0.0, 12.0)),
    "base": ("base circle smaller, radius", "length", (-12.0, 12.0)),
    "stand": ("stand raised; cut is minus", "length", (-12.0, 12.0)),
    "ratio": ("another ratio, by the pushrod's arm", "ratio", (0.8, 2.6)),
    "nut": ("nut turned down from no lash", "turns", (0.0, 6.0)),
}  # fmt: skip
_SAME_MM, _ALIKE_MM, _HALF = 0.005, 0.03, 0.5
_STATE_FIRST = "state the gear's dimensions first"
_ON_SHAFT = "on a shaft the adjuster sets the preload: measure the plunger"


class MovedRow(Struct, frozen=True):
    """What a change comes to, in a few words: the pushrod for the same geometry, the mark where nothing is done; and whole."""

    pushrod: str = ""
    mark: str = ""
    whole: str = ""


def change_of(book: Book, rocker: Rocker, key: str, amount: float) -> Change | str:
    """Give what a named change (mm, or the new ratio) moves, or what must be stated before it can be told."""
    assert rocker.pushrod_gear is not None
    if key in ("head", "block", "gasket"):
        lean = resolve(book, "valve_lean", rocker.place).value
        if not isfinite(lean):
            return "state the valve angle (Dimensions); a cut comes down along the cylinder"
        return Change(lifter=along_cylinder(-amount if key == "gasket" else amount, lean))
    if key in ("valve", "cap"):
        return Change(tip_up=amount)
    if key == "base":
        return Change(lifter=along_lifter(rocker.pushrod_gear, -amount))
    if key == "stand":
        return (
            Change(stand_up=amount)
            if rocker.on_shaft
            else "on studs the nut sets the pivot: a raised stud moves nothing"
        )
    now = resolve(book, "rocker_ratio", rocker.place).value
    return Change(ratio=amount / now) if isfinite(now) else "state the ratio of the rockers as they are"


def moved_row(book: Book, rocker: Rocker, key: str, amount: float) -> MovedRow:
    """Say what a named change by an amount does to a gear that stands as stated."""
    if rocker.pushrod_gear is None:
        return _roughly(book, rocker, {key: amount})
    if key == "nut":
        return _nut(book, rocker, amount)
    change = change_of(book, rocker, key, amount)
    return _not(change) if isinstance(change, str) else told(book, rocker, change)


def together(book: Book, rocker: Rocker, amounts: dict[str, float]) -> MovedRow:
    """Say what all changes do together; one that can't be told is said, and then nothing is."""
    if rocker.pushrod_gear is None:
        return _roughly(book, rocker, {key: amount for key, amount in amounts.items() if key != "nut"})
    whole = Change()
    for key, amount in amounts.items():
        if key == "nut":
            continue
        change = change_of(book, rocker, key, amount)
        if isinstance(change, str):
            return _not(f"{CHANGES[key][0]}: {change}")
        whole += change
    return told(book, rocker, whole)


def _roughly(book: Book, rocker: Rocker, amounts: dict[str, float]) -> MovedRow:
    """Say what can be said before anybody has measured the gear."""
    if "nut" in amounts:
        if rocker.on_shaft:
            return _not(_ON_SHAFT)
        short, words = rough_nut(book, rocker.place, amounts["nut"])
        return MovedRow(short, "", words) if short else _not(words)
    if not all(map(can_be_bounded, amounts)):
        return _not(_STATE_FIRST)
    short, words = rough_pushrod(book, amounts)
    return MovedRow(short, "", words)


def _not(why: str) -> MovedRow:
    return MovedRow("not known", "", f"{why[:1].upper()}{why[1:]}.")


def moved_sides(book: Book, rocker: Rocker, amounts: dict[str, float]) -> tuple[Side | None, Side | None]:
    """Give the gear at half lift as it stood, and with all changes and the lash reset; None for what is not known or can't work."""
    before, whole = side_of_gear(book, rocker, _HALF), Change()
    if rocker.pushrod_gear is None or before is None:
        return None, None
    for key, amount in amounts.items():
        change = Change() if key == "nut" else change_of(book, rocker, key, amount)
        if isinstance(change, str):
            return before, None
        whole += change
    gear = left_as_it_is(rocker.pushrod_gear, whole, rocker.lash_mm, on_shaft=rocker.on_shaft)
    if why_not(gear, rocker.lobe_mm):
        return before, None
    return before, side_of_gear(book, replace(rocker, gear=gear), _HALF)


def told(book: Book, rocker: Rocker, change: Change) -> MovedRow:
    """Say what a change comes to."""
    gear, unit = rocker.pushrod_gear, book.engine.unit("length")
    assert gear is not None
    new = pushrod_for(gear, change, rocker.lash_mm, on_shaft=rocker.on_shaft)
    if not isfinite(new):
        return _not("no pushrod puts the pivot back there")
    off = new - float(gear.pushrod)
    same = abs(off) < _SAME_MM
    short = "as it is" if same else more(off, unit, ("longer", "shorter"))
    shim = (
        f" and the stand {more(change.tip_up, unit, ('shimmed', 'cut'))}" if rocker.on_shaft and change.tip_up else ""
    )
    to = "" if same or rocker.on_shaft else f", {in_words(new, 'length', unit)}"
    lines = [f"The same geometry needs the pushrod {short}{to}{shim}."]
    if book.engine.lifter.startswith("hydraulic"):
        preload = "the same" if same else more(off, unit, ("less", "more"))
        lines.append(f"With nothing done and the nut where it is, preload is {preload}, about.")
    mark, left = _left(rocker, change, unit)
    return MovedRow(short, mark, " ".join((*lines, left)))


def _left(rocker: Rocker, change: Change, unit: str) -> tuple[str, str]:
    """Say what the mark becomes with the lash set anew and nothing else done: in a few words, and whole."""
    assert rocker.pushrod_gear is not None
    gear = left_as_it_is(rocker.pushrod_gear, change, rocker.lash_mm, on_shaft=rocker.on_shaft)
    if why := why_not(gear, rocker.lobe_mm):
        return "it can't work", f"Left as it is {why}."
    mark = mark_of(gear, rocker.lobe_mm)
    travel, off = float(travel_mm(mark)), float(mark.off_square_deg)
    wide = f"{in_words(float(mark.width), 'length', unit)} wide"
    square = f"{abs(off):.1f}° {'above' if off >= 0 else 'below'} square"
    ends = (
        "where it began"
        if abs(travel) < _ALIKE_MM
        else f"{more(travel, unit, ('outboard', 'inboard'))} of where it began"
    )
    return (
        f"{wide}, {square}",
        f"Left as it is, lash reset, the mark is {wide} and ends {ends}, {square} at half lift.",
    )


def more(value_mm: float, unit: str, pair: tuple[str, str]) -> str:
    """Write a change without its sign: `0.020 in longer`, by the pair for more and less."""
    return f"{in_words(abs(value_mm), 'length', unit)} {pair[0] if value_mm > 0 else pair[1]}"


def _nut(book: Book, rocker: Rocker, turns: float) -> MovedRow:
    """Say what the plunger sees of turns of the nut from no lash."""
    if rocker.on_shaft:
        return _not(_ON_SHAFT)
    pitch = resolve(book, "nut_pitch", rocker.place).value
    if not isfinite(pitch):
        return _not("preload by turns is of stud gear: state the pitch of its nut (Dimensions)")
    assert rocker.pushrod_gear is not None
    unit, nut = book.engine.unit("length"), turns * pitch
    seen = float(plunger_travel(set_on_stud(rocker.pushrod_gear, np.array(0.0)), nut))
    if not isfinite(seen):
        return _not("the links do not reach so far down")
    down, by = in_words(nut, "length", unit), in_words(seen, "length", unit)
    words = f"{turns:g} turns lower the nut by {down}; the plunger goes down {by} along its own axis."
    return MovedRow(
        f"plunger {by} down", "", " ".join(part for part in (words, _travel_left(book, rocker, seen, unit)) if part)
    )


def _travel_left(book: Book, rocker: Rocker, seen_mm: float, unit: str) -> str:
    travel = resolve(book, "plunger_travel", rocker.place).value
    if not isfinite(travel):
        return ""
    if seen_mm > travel:
        return f"It is solid before that; it can go {in_words(travel, 'length', unit)}."
    return f"{in_words(travel - seen_mm, 'length', unit)} of its travel is left."
