"""Piston to valve through the turn, read or worked out, and the valve's edge beside its pocket's wall.

What was read in a row goes first, then what is worked out of proven parts, then clay; where two of them say what can't both be,
none of them proves anything until somebody finds out which is wrong.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.on_valves import is_given, limits_at, names_of, on_valves
from honest_lift.estimates.clearance.over_piston import Through, over_pistons
from honest_lift.estimates.clearance.piston_valve import ThroughTurn, pocket_wall, turned
from honest_lift.estimates.clearance.piston_valve_read import clay_read, disagree, room_read
from honest_lift.estimates.estimate import Estimate, Input, either, estimate_of
from honest_lift.estimates.rocker.parts import RESTS_ON
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import Limit
from honest_lift.facts.memory.remember import by_value
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Array, Ground
from honest_lift.numbers.units import in_words

PISTON_VALVE = Check(
    "piston_valve", "Piston to valve", "turn", "length", "Least room between piston and valve through the turn, along the stem.",
)  # fmt: skip
POCKET_WALL = Check(
    "pocket_wall", "Valve to pocket wall", "turn", "length",
    "Least room from the valve's edge to the wall of its pocket while it is inside.",
)  # fmt: skip
WORKED_FROM = (
    "valve_drop", "piston_valve_clay", "piston_valve_room", "gasket_thickness", "deck_clearance", "valve_recess", "pocket_depth",
    "pocket_radius", "pocket_offset", "pocket_lean", "valve_lean", "head_diameter", "stroke", "rod_length", "pin_offset",
    "lobe_centreline", "valve_lift", "rocker_ratio", *RESTS_ON,
)  # fmt: skip
GIVEN = ("valve_drop", "valve_recess", "piston_valve_clay", "piston_valve_room")
ALUMINIUM_MM = 0.030 * 25.4  # more for aluminium rods, which grow and stretch. From memory
_BY_PARTS = ("valve_drop", "valve_recess")  # either begins the way by parts
_NO_ROOM = Input("piston_valve_room", "", "missing", ground=Ground.MISSING)
_EDGE_MM = 1e-9
_ODDS = "can't both be"
_CAUSES = (
    "degree wheel off, lash forgotten, lifter bled down, gasket counted wrong, clay sprung back, or a limber pushrod"
)


def check_through_turn(book: Book) -> list[Finding]:
    """Hold the least clearance of every valve against its limit, once anybody has measured towards one."""
    found = _piston(book) if any(is_given(book, name) for name in GIVEN) else []
    if is_given(book, "pocket_radius"):
        found += on_valves(book, POCKET_WALL, pocket_wall(book), {})
    return found


class AtRest(Struct, frozen=True, eq=False):
    """The least clearance of every valve (n,) at rest, as it counts, what is remarked on it, and the valves it was turned from."""

    least: Estimate
    remarks: list[str]
    worked: ThroughTurn
    through: list[Through]


@by_value
def at_rest(book: Book) -> AtRest:
    """Turn every valve over its piston, and take what counts at each; remembered, for the same is asked at speed."""
    through = over_pistons(book)
    worked = turned(book, through)
    return AtRest(*as_it_stands(book, worked), worked, through)


def _piston(book: Book) -> list[Finding]:
    names, rest = names_of(book), at_rest(book)
    least, remarks, worked = rest.least, rest.remarks, rest.worked
    limits = limits_at(book, PISTON_VALVE.name)
    least, more = over_rods(book, least, limits)
    terms = {"crank_angle": worked.at_deg}
    return findings(
        PISTON_VALVE, [at_position(one) for one in names], names, least, limits,
        about=more, terms=terms, remarks=remarks,
    )  # fmt: skip


def over_rods(book: Book, least: Estimate, limits: Sequence[Limit | None]) -> tuple[Estimate, Array]:
    """Give the least clearance (n,) as it counts over an engine's rods, and by how much more its limits ask for, mm (n,)."""
    more = ALUMINIUM_MM if book.engine.rod_material == "aluminium" else 0.0
    counts = least if book.engine.rod_material else _whatever_the_rods(least, limits)
    return counts, np.full(len(limits), more)


def _whatever_the_rods(least: Estimate, limits: Sequence[Limit | None]) -> Estimate:
    """Bar what would pass over steel rods and not over aluminium ones: nobody has said which they are."""
    lowest = np.array([np.nan if one is None or one.lowest is None else one.lowest for one in limits])
    with np.errstate(invalid="ignore"):
        sure = least.figure.value - least.figure.expanded
        between = (sure >= lowest - _EDGE_MM) & (sure < lowest + ALUMINIUM_MM)
    return Estimate(least.figure.on_ground(between, Ground.ASSUMED | Ground.UNRANGED), least.inputs)


def as_it_stands(book: Book, worked: ThroughTurn) -> tuple[Estimate, list[str]]:
    """Give the least clearance that counts at every valve (n,), and what is remarked on it."""
    names = names_of(book)
    barred = worked.least.figure.ground & ~int(Ground.SPECIFIED)
    doubt, chosen = worked.least.figure.u, list[Input]()
    reads, remarks = [], []
    by_clay = is_given(book, "piston_valve_clay") and not any(is_given(book, one) for one in _BY_PARTS)
    for case, name in enumerate(names):
        row, clay = room_read(book, name), clay_read(book, name)
        told = row.least or (clay if barred[case] else None)
        own = _as_input(worked, case, float(doubt[case]))
        held = told or own
        apart = [] if held is None else _at_odds(held, (row.least, clay, own), row.nearest)
        chosen.append(_barred(told, apart) if told else _no_clay(name) if by_clay else _NO_ROOM)
        reads.append(told is not None or by_clay)
        remarks.append(_remark(book, worked, case, told, apart, row.why_not))
    first = np.array(reads)
    read = estimate_of(chosen)
    least = either(first, read, worked.least)
    at_odds = np.array([not own and _ODDS in words for own, words in zip(reads, remarks, strict=True)])
    return Estimate(least.figure.on_ground(at_odds, Ground.UNSOUND), least.inputs), remarks


def _no_clay(name: str) -> Input:
    """Give what is missing at a valve of an engine tried with clay: its own clay, not the parts that nobody measures."""
    return replace(_NO_ROOM, quantity="piston_valve_clay", asked=at_position(name))


def _as_input(worked: ThroughTurn, case: int, u_mm: float) -> Input | None:
    """Give what is worked out of proven parts as a reading that others can be held against."""
    figure = worked.least.figure
    if figure.ground[case] & ~int(Ground.SPECIFIED) or not np.isfinite(figure.value[case]):
        return None
    return Input("piston_valve_room", "calculated", "measured", float(figure.value[case]), u_mm)


def _at_odds(held: Input, others: Sequence[Input | None], nearest: Input | None) -> list[Input]:
    """Give what says something else than what is held by more than both doubts; a reading anywhere bounds the least from above."""
    known = [one for one in others if one is not None and one is not held and one.value == one.value]
    apart = [one for one in known if disagree(held, one)]
    bound = nearest if nearest is not None and nearest.value < held.value and disagree(held, nearest) else None
    return apart if bound is None or apart else [bound]


def _barred(told: Input, apart: list[Input]) -> Input:
    return replace(told, ground=told.ground | Ground.UNSOUND) if apart else told


def _remark(book: Book, worked: ThroughTurn, case: int, told: Input | None, apart: list[Input], why_not: str) -> str:
    unit, words = book.engine.unit("length"), []
    if apart:
        figures = " and ".join(in_words(one.value, "length", unit) for one in apart)
        words.append(f"{figures} was found another way, and they {_ODDS}: {_CAUSES}")
    if told is None and np.isfinite(worked.at_deg[case]):
        at = float(worked.at_deg[case])
        words.append(f"calculated, nearest at {abs(at):g}° {'BTDC' if at < 0 else 'ATDC'}")
    elif told is not None:
        words.append("by its row of readings" if told.quantity == "piston_valve_room" else "by clay")
    if why_not:
        words.append(f"its row of readings: {why_not}")
    if book.engine.rod_material == "":
        more = in_words(ALUMINIUM_MM, "length", unit)
        words.append(f"state what the rods are made of: aluminium ones need {more} more")
    return "; ".join(words)
