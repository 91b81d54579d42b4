"""What a machinist would have to do about a finding, by how much, and what else it moves.

Where heights are concerned each cure is tried on the checks themselves: offset locks move retainer and seal gap alike, a
cut pocket only the height, less lift only the lift. What it promises is predicted, and proves nothing until measured.
"""

from __future__ import annotations

from math import ceil, isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.clearance.retainer_seal import check_retainer_seal
from honest_lift.checks.examine import gathered_of
from honest_lift.checks.finding import Finding
from honest_lift.checks.spring.card_lift import check_card_lift
from honest_lift.checks.spring.heights import check_bind_margin, check_installed_height
from honest_lift.checks.spring.loads import check_open_load, check_seat_load
from honest_lift.checks.spring.stress import check_open_stress
from honest_lift.checks.valves import AtValve, Gathered
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.facts.engine import Book
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.clearance.valve_pair_cures import pair_cures
from honest_lift.plans.plain_cures import plain_cures, say
from honest_lift.plans.spring.windows import windows_of
from honest_lift.plans.tried import effects, helps

_CHECKS = (
    check_installed_height, check_bind_margin, check_seat_load, check_open_load, check_retainer_seal, check_card_lift,
    check_open_stress,
)  # fmt: skip
TRIED = (
    "installed_height",
    "coil_bind_clearance",
    "seat_load",
    "open_load",
    "retainer_seal",
    "card_lift",
    "open_stress",
)
_OFFSET_MM = 0.050 * 25.4  # the step offset locks are made in. Common practice, no source
_MOST_CUT_MM, _MOST_LESS_MM = 3.0, 2.5  # beyond it nobody would. From memory
_SHOWN = 4


class _Move(Struct, frozen=True):
    """What a cure moves at a valve, in mm: the spring's height, the gap to the seal, the lift."""

    what: str
    height: float = 0.0
    gap: float = 0.0
    lift: float = 0.0


def cures_for(book: Book, finding: Finding) -> tuple[str, ...]:
    """Give what would put a failing or close finding right, in a sentence each, the least work first."""
    if finding.verdict not in (Verdict.FAILS, Verdict.CLOSE) or not finding.position:
        return ()
    if finding.check.name == "valve_to_valve" and (gains := pair_cures(book, finding)):
        return gains
    if plain := plain_cures(book.engine, finding):
        return plain
    if not isfinite(finding.margin) or finding.check.name not in TRIED:
        return ()
    gathered = gathered_of(book)
    row = next(i for i, one in enumerate(gathered.at) if one.name == finding.position)
    now = _judged(book, gathered, row, _Move(""))
    told = [
        words
        for move in _moves(book, gathered, row, finding)
        if (words := _tried(book, gathered, row, finding, now, move))
    ]
    return tuple(told[:_SHOWN])


def _moves(book: Book, gathered: Gathered, row: int, finding: Finding) -> list[_Move]:
    engine, needed = book.engine, finding.expanded - finding.margin  # what the margin lacks to pass
    window = windows_of(book, gathered, [(row, gathered.rows[row])])[0]
    height = float(gathered.valves([row]).installed.figure.value[0])
    moves = [
        _Move(f"locks that lift the retainer by {say(engine, _OFFSET_MM)}", _OFFSET_MM, _OFFSET_MM),
        _Move(f"locks that lower the retainer by {say(engine, _OFFSET_MM)}", -_OFFSET_MM, -_OFFSET_MM),
    ]
    short = _up(window.low.height_mm - height) if window.low and not window.missing else 0.0
    if 0.0 < short <= _MOST_CUT_MM:
        moves.append(_Move(f"cut the pocket by {say(engine, short)}", short))
        moves.append(_Move(f"a valve with its groove {say(engine, short)} further out", short, short))
    if finding.check.name == "retainer_seal":
        moves.insert(0, _Move(f"shorten the guide by {say(engine, _up(needed))}", gap=_up(needed)))
    if (
        finding.check.dimension == "length"
        and finding.check.name != "installed_height"
        and _up(needed) <= _MOST_LESS_MM
    ):
        moves.append(_Move(f"{say(engine, _up(needed))} less lift at the valve", lift=-_up(needed)))
    return moves


def _tried(book: Book, gathered: Gathered, row: int, finding: Finding, now: dict[str, Finding], move: _Move) -> str:
    """Say what a move does to every margin of the valve; "" where it does not help, or fails something that did not."""
    then = _judged(book, gathered, row, move)
    if not helps(finding, now, then):
        return ""
    still = [one for one in then.values() if one.provisional is not Verdict.PASSES]
    left = f"; still {', '.join(f'{one.check.title.lower()} {one.provisional.word}' for one in still)}" if still else ""
    return f"{move.what}: {', '.join(effects(book.engine, now, then))}{left}"


def _judged(book: Book, gathered: Gathered, row: int, move: _Move) -> dict[str, Finding]:
    moved = Gathered(
        (_shifted(gathered.at[row], move),), _lower(gathered, row, move), gathered.curves, (gathered.rows[row],)
    )
    valves = moved.valves([0])
    return {one.check.name: one for check in _CHECKS for one in check(book, valves)}


def _shifted(at: AtValve, move: _Move) -> AtValve:
    raw = replace(at.height[0], value=at.height[0].value + move.height)
    gap = replace(at.seal_gap, value=at.seal_gap.value + move.gap)
    return replace(at, height=(raw, *at.height[1:]), seal_gap=gap)


def _lower(gathered: Gathered, row: int, move: _Move) -> Estimate:
    return derive(lambda lift: lift + move.lift, gathered.lift.take([row]))


def _up(value_mm: float) -> float:
    """Round an amount up to a hundredth, so that what is said is enough."""
    return ceil(value_mm * 100 - 1e-6) / 100 if np.isfinite(value_mm) else float("nan")
