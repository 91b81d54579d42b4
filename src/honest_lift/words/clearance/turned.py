"""What people decide piston to valve by: what a degree, a ratio, a cut, a gasket moves, and how far each can go."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite

import numpy as np
from msgspec import Struct

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import figure_words
from honest_lift.estimates.clearance.drawn_nearer import drawn_nearer
from honest_lift.estimates.clearance.piston_valve import OneValve, Tried, one_valve
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title
from honest_lift.numbers.units import in_words
from honest_lift.numbers.verdict import Verdict

_ADVANCE = np.arange(-12.0, 12.01, 0.5)
_SO_FAR = "As measured so far, nothing proven: "
_TENTH, _MOST_RATIO = 0.1, 1.25
_STEP_MM = 0.05


class Prices(Struct, frozen=True):
    """What moves a valve's least clearance, mm each: a degree of advance, 0.1 of ratio, 1 mm cut off the head, of lash."""

    advance: float
    ratio: float
    cut: float
    lash: float


def prices(one: OneValve, stated_ratio: float) -> Prices:
    """Give by differences what moves the least clearance."""
    now = one.least()
    by = 1.0 + _TENTH / stated_ratio if isfinite(stated_ratio) else float("nan")
    return Prices(
        (one.least(Tried(advance_deg=0.5)) - one.least(Tried(advance_deg=-0.5))),
        one.least(Tried(ratio=by)) - now if isfinite(by) else float("nan"),
        -one.along_stem(),
        (one.least(Tried(lash_mm=_STEP_MM)) - now) / _STEP_MM,
    )


def turn_words(book: Book, position: str, found: dict[str, Finding], ratio: float) -> tuple[str, ...]:
    """Say of a valve what moves its clearance and how far that can go, or what is missing."""
    title, unit = position_title(position), book.engine.unit("length")
    finding, one = found.get(position), one_valve(book, position)
    if not isinstance(one, OneValve):
        lacking = ", ".join(dict.fromkeys(each.title for each in one))
        return (f"{title}: not known yet, missing {lacking}.",)
    told = f"{title}: {figure_words(finding, book.engine)}, {finding.verdict.word}." if finding else f"{title}."
    moves = prices(one, ratio)

    def say(value: float) -> str:
        return f"{'+' if value >= 0 else '-'}{in_words(abs(value), 'length', unit, 4 if unit == 'in' else 3)}"

    thou = 25.4 / 1000 if unit == "in" else 0.1
    step = in_words(thou, "length", unit)
    lines = [
        told,
        f"A degree of advance {say(moves.advance)}, 0.1 more ratio {say(moves.ratio)}, {step} off the head "
        f"{say(moves.cut * thou)}, of gasket {say(-moves.cut * thou)}, of seat sunk {say(thou)}, of lash {say(moves.lash * thou)}.",
    ]
    if finding is not None and isfinite(finding.lowest) and isfinite(finding.figure):
        far = _how_far(one, finding, ratio, unit)
        lines.append(f"{far[:1].upper()}{far[1:]}")
    return tuple(lines)


def _how_far(one: OneValve, finding: Finding, ratio: float, unit: str) -> str:
    """Say the largest ratio, or the depth to cut, with the doubt kept off."""
    spare = finding.margin - finding.expanded
    so_far = "" if _is_proven(one, finding) else _SO_FAR
    if spare < 0:
        return f"{so_far}to pass, its pocket needs {in_words(-spare, 'length', unit)} more depth along the stem."
    shift = finding.figure - one.least()
    ratios = np.linspace(1.0, _MOST_RATIO, 51)
    rooms = np.array([one.least(Tried(ratio=by)) for by in ratios]) + shift - finding.lowest - finding.expanded
    fits = ratios[rooms >= 0]
    if not len(fits) or not isfinite(ratio):
        return ""
    most = fits[-1] * ratio
    more = " and more" if fits[-1] == ratios[-1] else ""
    return f"{so_far}by this clearance alone a ratio up to {most:.2f} fits{more}, as it is otherwise."


def window_words(book: Book, cylinder: tuple[str, ...], found: dict[str, Finding]) -> str:
    """Say between which advances every valve of a cylinder keeps its limit, doubt and all; "" where a valve is not told."""
    if not cylinder:
        return ""
    safe, proven = np.ones(len(_ADVANCE), dtype=bool), True
    for position in cylinder:
        one, finding = one_valve(book, position), found.get(position)
        if (
            not isinstance(one, OneValve)
            or finding is None
            or not isfinite(finding.lowest)
            or not isfinite(finding.figure)
        ):
            return ""
        proven &= _is_proven(one, finding)
        shift = finding.figure - one.least()
        rooms = np.array([one.least(Tried(advance_deg=by)) for by in _ADVANCE]) + shift
        safe &= rooms - finding.expanded >= finding.lowest
    so_far = "" if proven else _SO_FAR
    if not safe.any():
        told = "no advance within 12 degrees keeps every valve of this cylinder in its limit."
        return f"{so_far}{told}" if so_far else f"{told[:1].upper()}{told[1:]}"
    low, high = _ADVANCE[safe][0], _ADVANCE[safe][-1]
    told = f"this cylinder stays in its limits from {_way(low)} to {_way(high)}, uncertainty included."
    return f"{so_far}{told}" if so_far else f"{told[:1].upper()}{told[1:]}"


def _is_proven(one: OneValve, finding: Finding) -> bool:
    """Tell whether figure and curve are both proven: a row of readings proves a clearance, and not what moves it."""
    return one.is_proven and finding.verdict is not Verdict.UNPROVEN


def _way(advance_deg: float) -> str:
    if advance_deg == 0:
        return "the cam's timing"
    return f"{abs(advance_deg):g} degrees {'advanced' if advance_deg > 0 else 'retarded'}"


def set_open_mm(protrusion_mm: float, tdc_lift_mm: float) -> float:
    """Give how far a stem is to stand out for a mock-up: its protrusion closed less its lift at TDC.

    >>> round(set_open_mm(1.935 * 25.4, 0.187 * 25.4) / 25.4, 3)
    1.748
    """
    return protrusion_mm - tdc_lift_mm


def mock_up_words(book: Book, cylinder: tuple[str, ...]) -> str:
    """Say how far each valve of a cylinder is set open for a mock-up of valve to valve; "" where one can't be told."""
    unit, told = book.engine.unit("length"), []
    for position in cylinder:
        valve = turn_of(book, at_position(position).role, position).valve
        if valve is None:
            return ""
        lift = float(valve.lift(np.array(0.0)))
        tip = at_valve(book, "stem_tip_height", position).value
        to = f", its stem to {in_words(set_open_mm(tip, lift), 'length', unit)}" if isfinite(tip) else ""
        told.append(f"{at_position(position).role} {in_words(lift, 'length', unit)}{to}")
    swings = book.engine.gear == "finger follower" and not book.engine.cam_turns
    first = " State first which way the cam turns over the fingers: it moves these lifts." if swings else ""
    return f"Valve to valve on the bench: set each open by its TDC lift: {'; '.join(told)}.{first}" if told else ""


_MOVING = ("piston_valve", "pocket_wall", "valve_to_valve", "coil_bind_clearance", "retainer_seal", "retainer_rocker", "slot_stud",
           "pushrod_to_head")  # fmt: skip


def tightest_words(book: Book, position: str, found: Sequence[Finding]) -> str:
    """Name what comes nearest at a valve as it turns: by what is left of its limit, doubt off, the tightest first."""
    near = [one for one in found if one.check.name in _MOVING and isfinite(one.figure) and isfinite(one.margin)]
    near.sort(key=lambda one: one.margin - one.expanded)
    if not near:
        return ""
    told = [f"{one.check.title.lower()} {figure_words(one, book.engine)} ({one.verdict.word})" for one in near]
    return f"Tightest at {position_title(position)}: {', '.join(told)}."


def at_speed_words(book: Book, cylinder: tuple[str, ...], found: dict[str, Finding]) -> str:
    """Say what stated allowances leave of the cold figures, with their working; "" where none is stated. It is no finding: that
    is piston to valve at speed, which takes what the valve overshoots off too."""
    told = [one for one in drawn_nearer(book) if isfinite(one.value)]
    if not told:
        return ""
    unit, whole = book.engine.unit("length"), sum(one.value for one in told)
    working = " + ".join(f"{one.title} {in_words(one.value, 'length', unit)}" for one in told)
    left = [
        f"{position_title(one)} {in_words(found[one].figure - whole, 'length', unit)}"
        for one in cylinder if one in found and isfinite(found[one].figure)
    ]  # fmt: skip
    ends = f", leaves {', '.join(left)}" if left else ""
    total = in_words(whole, "length", unit)
    return (
        f"At speed, as an allowance and no finding: {working} = {total}{ends}. Limits hold for the cold figure; piston to valve "
        "at speed takes this off too."
    )
