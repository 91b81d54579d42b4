"""What named changes come to while nobody has measured the gear: bounds, in words, that say what they rest on."""

from __future__ import annotations

from math import isfinite

from honest_lift.estimates.resolve import resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place
from honest_lift.mechanics.rocker.without_dimensions import Bounds, plunger_down, pushrod_change
from honest_lift.numbers.units import in_words

_CUTS = ("head", "block", "gasket")
_WAYS = {"valve": "tip_up_mm", "cap": "tip_up_mm", "base": "base_smaller_mm"}
_RESTS = "Without the gear's dimensions, cuts counted along the pushrod: bounds, until a blued tip or the dimensions tell more."


def can_be_bounded(key: str) -> bool:
    """Tell whether a change can be told at all without the gear's dimensions: another ratio or stand can't."""
    return key in _CUTS or key in _WAYS


def rough_pushrod(book: Book, amounts: dict[str, float]) -> tuple[str, str]:
    """Say what some changes (mm) ask of the pushrod together: in a few words, and whole."""
    moved = {"cut_mm": 0.0, "tip_up_mm": 0.0, "base_smaller_mm": 0.0}
    for key, amount in amounts.items():
        moved[_WAYS.get(key, "cut_mm")] += -amount if key == "gasket" else amount
    change, unit = pushrod_change(**moved), book.engine.unit("length")
    short = between(change, unit, ("longer", "shorter"))
    lines = [f"The same geometry needs the pushrod {short}."]
    if book.engine.lifter.startswith("hydraulic") and not moved["tip_up_mm"]:
        lines.append(
            f"With nothing done and the nut where it is, preload is {between(change, unit, ('less', 'more'))}."
        )
    return short, " ".join((*lines, _RESTS))


def rough_nut(book: Book, place: Place, turns: float) -> tuple[str, str]:
    """Say what the plunger sees of turns of the nut: in a few words, and whole; the first is "" where more must be stated."""
    pitch, ratio = (resolve(book, name, place).value for name in ("nut_pitch", "rocker_ratio"))
    if not isfinite(pitch):
        return "", "state the pitch of the nut (Dimensions)"
    if not isfinite(ratio):
        return "", "state the rocker's ratio (Cam card)"
    down, unit = plunger_down(turns * pitch, ratio), book.engine.unit("length")
    short = f"plunger {between(down, unit, ('down', 'up'))}"
    lowered = in_words(turns * pitch, "length", unit)
    return (
        short,
        f"{turns:g} turns lower the nut by {lowered}, and the cup by (1 + 1 / ratio) of that: {short}. {_RESTS}",
    )


def between(ends: Bounds, unit: str, pair: tuple[str, str]) -> str:
    """Write bounds with their way: `0.018 to 0.020 in shorter`; where they lie on both sides, both ways."""
    low, high = ends
    if low < 0.0 < high:
        one, other = in_words(-low, "length", unit), in_words(high, "length", unit)
        return f"between {one} {pair[1]} and {other} {pair[0]}"
    near, far = sorted((abs(low), abs(high)))
    way = pair[0] if high > 0 else pair[1]
    first, last = in_words(near, "length", unit), in_words(far, "length", unit)
    if first == last:
        return f"{last} {way}, about"
    return f"{first.removesuffix(unit).rstrip()} to {last} {way}"
