"""The rocker in words: what it lifts, the mark it leaves, what three rules ask for, and what a mark that was seen says."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite

import numpy as np

from honest_lift.drawings.rocker.pushrod_rocker import Side, Tip
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.gear import RULES, Rocker, best_of, lengths_of_width, rocker_of
from honest_lift.estimates.rocker.parts import how_to
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, at_role
from honest_lift.mechanics.rocker.witness_mark import Mark, travel_mm
from honest_lift.numbers.units import in_words, unit_of

_STEM_MM = 8.0  # drawn where no stem is stated
_SAME_MM, _NOTHING_MM = 0.03, 0.01
_BELIEF = (
    "A right contact does not cross from inside to outside: it goes out to where the arm is square, and comes back."
)


def rocker_words(book: Book, rocker: Rocker) -> tuple[str, ...]:
    """Say what a gear does, each figure with its expanded doubt."""
    if rocker.gear is None:
        missing = f"{rocker.missing[:1].upper()}{rocker.missing[1:]}."
        return (missing, *(f"{one[:1].upper()}{one[1:]}" for one in map(how_to, rocker.lacking)))
    unit, gear, mark = book.engine.unit("length"), rocker.gear, rocker.mark
    fine = unit_of("length", unit).places + (1 if unit == "mm" else 0)

    def length(value: float, key: str) -> str:
        told = in_words(value, "length", unit, fine)
        doubt = in_words(2 * rocker.u[key], "length", unit, fine) if key in rocker.u else ""
        return f"{told.removesuffix(unit).strip()} ±{doubt}" if doubt else told

    closed, half, full = gear.ratio(np.array([0.0, rocker.lobe_mm / 2, rocker.lobe_mm])).tolist()
    nominal = resolve(book, "rocker_ratio", rocker.place).value
    against = f"; {nominal:.3f} is stated" if isfinite(nominal) else ""
    travel, middle, off = float(travel_mm(mark)), float(mark.middle), abs(float(mark.off_square_deg))
    ends = (
        "where it began"
        if abs(travel) < _SAME_MM
        else f"{length(abs(travel), 'travel')} {_side(travel)} of where it began"
    )
    lines = [
        f"The valve lifts {length(rocker.lift_mm, 'lift')}. Ratio {closed:.3f} closed, {half:.3f} half, {full:.3f} open{against}.",
        f"Valve arm {float(mark.closed_deg):.1f} degrees above square closed, {-float(mark.open_deg):.1f} below it open: "
        f"{off:.2f} off square at half lift.",
        f"Mark {length(float(mark.width), 'width')} wide, its centre {length(abs(middle), 'middle')} {_side(middle)}; the contact "
        f"ends {ends}.",
    ]
    lines.append(_side_load(rocker, mark))
    if abs(travel) >= _SAME_MM and rocker.pushrod_gear is not None:
        less, more, _ = wrong_words(book)
        what, too = "stand" if rocker.on_shaft else "pushrod", less if travel > 0 else more
        lines.insert(
            0,
            f"The contact ends {_side(travel)}: the {what} is too {too}. That sign is sure; the place of the mark is not.",
        )
    if rocker.unproven:
        lines.append(f"It proves nothing: {rocker.unproven}.")
    return (*lines, _BELIEF) if rocker.pushrod_gear is not None else tuple(lines)


def _side_load(rocker: Rocker, mark: Mark) -> str:
    """Say how far the load stands off the stem, against the least that this lift and arm allow: half the narrowest mark."""
    assert rocker.gear is not None
    arm, off = float(rocker.gear.valve_arm), max(abs(float(mark.inner)), abs(float(mark.outer)))
    half = np.arcsin(min(rocker.lift_mm / (2.0 * arm), 1.0))
    least = arm * (1.0 - float(np.cos(half))) / 2.0
    return f"Side load on the guide: {off / least:.1f} times the minimum for this lift; it is so much further off the stem."


def _side(value: float) -> str:
    return "outboard" if value >= 0 else "inboard"


def rules_words(book: Book, role: str, position: str) -> tuple[str, ...]:
    """Say in a line what each rule asks for."""
    now = rocker_of(book, role, position, with_doubt=False)
    if now.gear is None:
        return ()
    length, what, (more, less) = _lengths(book), *own_words(book, on_shaft=now.on_shaft)

    def asked(found: Rocker | None) -> str:
        if found is None:
            return "none within reach"
        off = found.own - now.own
        return "as it is" if abs(off) < _NOTHING_MM else f"{length(abs(off))} {more if off > 0 else less}"

    told = ", ".join(f"{RULES[rule]} {asked(found)}" for rule, found in best_of(book, role, position).items())
    return (f"{what} by the rules: {told}.",)


def own_words(book: Book, *, on_shaft: bool) -> tuple[str, tuple[str, str]]:
    """Name the part that is moved to put the geometry right, and its two ways."""
    if book.engine.gear == "finger follower":
        return ("Pivot", ("higher", "lower")) if on_shaft else ("Pad on the tip", ("thicker", "thinner"))
    return ("Stand", ("higher", "lower")) if on_shaft else ("Pushrod", ("longer", "shorter"))


def seen_words(book: Book, role: str, position: str) -> tuple[str, ...]:
    """Say what the mark that was read at a valve means."""
    seen = seen_mark(book, position)
    return mark_words(book, role, position, *seen) if seen else ()


def mark_words(book: Book, role: str, position: str, middle: float, width: float) -> tuple[str, ...]:
    """Say what a mark (middle, width in mm) means: by width, and by place as the trade's rule has it."""
    length, lines = _lengths(book), []
    found = lengths_of_width(book, role, position, width)
    if found is not None:
        least, short, long = found
        less, more, outboard = wrong_words(book)
        inboard = less if outboard == more else more
        told = f"Seen {length(width)} wide, the minimum for this lift is {length(least)}"
        if short is None or long is None:
            lines.append(f"{told}.")
        else:
            lines.append(
                f"{told}: by width it is {length(short)} too {less} or {length(long)} too {more}. Watch the contact as the valve "
                f"opens: ending outboard, too {outboard}; inboard, too {inboard}."
            )
    if abs(middle) >= _SAME_MM and book.engine.gear == "pushrod":  # the trade's rule is one of pushrods
        lines.append(
            f"Its centre is {length(abs(middle))} {_side(middle)}: the trade's rule calls that too "
            f"{'long' if middle > 0 else 'short'}. On gear near square both errors shift it inboard: width and travel go before it."
        )
    return tuple(lines)


def wrong_words(book: Book) -> tuple[str, str, str]:
    """Name what is too little and too much of the part that is moved, and which of them lets the contact end outboard.

    A short pushrod, a low stand and a low pivot do; so does a thick pad on a set pivot, for its pivot then stands lower.
    """
    if book.engine.rocker_mount == "shaft":
        return "low", "high", "low"
    return ("thin", "thick", "thick") if book.engine.gear == "finger follower" else ("short", "long", "short")


def _lengths(book: Book) -> Callable[[float], str]:
    unit = book.engine.unit("length")
    return lambda value: in_words(value, "length", unit)


def seen_mark(book: Book, position: str) -> tuple[float, float] | None:
    """Give middle and width in mm of the mark seen at a valve; None where one of them was not read."""
    if not position:
        return None
    found = tuple(resolve(book, name, at_position(position)).value for name in ("mark_centre", "mark_width"))
    return (found[0], found[1]) if all(map(isfinite, found)) else None


def side_of_gear(book: Book, rocker: Rocker, share: float) -> Side | None:
    """Give where everything stands at a share of the lobe's lift; None where there is no gear."""
    gear, lobe = rocker.pushrod_gear, np.array(share * rocker.lobe_mm)
    if gear is None:
        return None
    angle = float(gear.angle_deg(lobe))
    out, up = float(gear.pivot_out), float(gear.pivot_up)
    across, over = gear.lifter(lobe)
    roller = (float(gear.contact(lobe)), float(gear.gap(lobe) + gear.tip_radius))
    cup_x, cup_y = gear.cup(lobe)
    return Side(
        (-out, up), roller, float(gear.tip_radius), (float(cup_x), float(cup_y)), (float(across), float(over)),
        float(gear.lift(lobe)), stem_mm(book, rocker), angle,
    )  # fmt: skip


def tip_of_gear(
    book: Book, rocker: Rocker, share: float, position: str, placed: tuple[float, float] | None = None
) -> Tip | None:
    """Give the mark on the tip, with the one that was seen, or its two ends as somebody has just placed them."""
    if rocker.gear is None:
        return None
    seen, mark = seen_mark(book, position), rocker.mark
    ends = placed or (None if seen is None else (seen[0] - seen[1] / 2, seen[0] + seen[1] / 2))
    now = float(rocker.gear.contact(np.array(share * rocker.lobe_mm)))
    return Tip(stem_mm(book, rocker), float(mark.inner), float(mark.outer), now, ends)


def stem_mm(book: Book, rocker: Rocker) -> float:
    """Give the stem's diameter for the drawing: as stated at the locks, else a usual one."""
    role = rocker.place.role
    found = resolve(book, "stem_at_lock", at_role(role)).value if role else float("nan")
    return found if isfinite(found) else _STEM_MM
