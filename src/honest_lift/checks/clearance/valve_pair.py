"""Valve to valve: a mock-up at the TDC lifts, or worked out through the overlap; judged at the intake of each pair.

The mock-up need not show the least: where the overlap is worked out of proven parts, what it is nearer there is taken off. Else it
is an upper bound, which can fail and never pass. Where the two say what can't both be, neither proves anything.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec.structs import replace

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import is_given, names_of, on_valves
from honest_lift.estimates.clearance.piston_valve_read import disagree
from honest_lift.estimates.clearance.valve_pair import ThroughOverlap, of_pair, valve_to_valve
from honest_lift.estimates.estimate import Estimate, Input, either, estimate_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Ground, combine
from honest_lift.numbers.units import in_words

VALVE_VALVE = Check(
    "valve_to_valve", "Valve to valve", "turn", "length", "Least gap between the heads of an intake and the exhaust against it.",
)  # fmt: skip
GIVEN = ("valve_to_valve", "heads_over", "heads_step")
# By so much the heads came nearer beside TDC at worst, on mild cams whose heads lean 22 degrees. From memory.
_NEARER_MM = 1.5
_USUAL = "a valve set by another lift, a lobe or timing off, an angle read on the wrong side, or heads measured over their margins"


def check_valve_pair(book: Book) -> list[Finding]:
    """Hold the least gap of every pair against its limit, once anybody has measured towards one."""
    if not any(is_given(book, name) for name in GIVEN):
        return []
    worked, names = valve_to_valve(book), names_of(book)
    intakes = {name for name in names if at_position(name).role == "intake" and book.engine.layout.opposite(name)}
    seen = [of_pair(book, VALVE_VALVE.name, name) if name in intakes else _none(name) for name in names]
    held, remarks = _as_it_stands(book, worked, seen)
    return [one for one in on_valves(book, VALVE_VALVE, held, {}, remarks=remarks) if one.position in intakes]


def _none(name: str) -> Input:
    return Input(VALVE_VALVE.name, "", "missing", ground=Ground.MISSING, asked=at_position(name))


def _as_it_stands(book: Book, worked: ThroughOverlap, seen: Sequence[Input]) -> tuple[Estimate, list[str]]:
    read, there, odds, remarks = [], [], [], []
    nearer = combine(np.subtract, worked.at_tdc.figure, worked.least.figure)
    for case, one in enumerate(seen):
        told = one.is_told
        own = _proven_at_tdc(worked, case)
        apart = told and own is not None and np.isfinite(one.value) and disagree(one, own)
        read.append(_least_of(one, None if own is None else (float(nearer.value[case]), float(nearer.u[case]))))
        there.append(told)
        odds.append(apart)
        remarks.append(_remark(book, worked, case, told=told, apart=own if apart else None))
    first = np.array(there)
    held = either(first, estimate_of(read), worked.least)
    return Estimate(held.figure.on_ground(np.array(odds), Ground.UNSOUND), held.inputs), remarks


def _proven_at_tdc(worked: ThroughOverlap, case: int) -> Input | None:
    figure = worked.at_tdc.figure
    if figure.ground[case] & ~int(Ground.SPECIFIED) or not np.isfinite(figure.value[case]):
        return None
    return Input(VALVE_VALVE.name, "calculated", "measured", float(figure.value[case]), float(figure.u[case]))


def _least_of(seen: Input, nearer: tuple[float, float] | None) -> Input:
    """Give the least that a mock-up at the TDC lifts stands for: less what the overlap is nearer elsewhere, (mm, its u).

    Where nobody knows that, the heads come nearer by anything up to _NEARER_MM: alone it can fail and never pass.
    """
    if nearer is not None:
        mm, u = nearer
        away = (("mock-up", "how much nearer the heads come off TDC", u),) if u else ()
        return replace(seen, value=seen.value - max(mm, 0.0), each=(*seen.each, *away))
    if seen.ground & Ground.MISSING:
        return seen
    note = "; ".join(part for part in (seen.note, _UPPER) if part)
    return replace(seen, ground=seen.ground | Ground.ASSUMED, low=seen.value - _NEARER_MM, high=seen.value, note=note)


_UPPER = (
    "a mock-up at the TDC lifts shows no more than there is: beside TDC the heads may come nearer; degree both lobes"
)


def _remark(book: Book, worked: ThroughOverlap, case: int, *, told: bool, apart: Input | None) -> str:
    unit, at = book.engine.unit("length"), float(worked.at_deg[case])
    words = ["by a mock-up at the TDC lifts"] if told else []
    if not told and np.isfinite(at):
        where = "at TDC" if at == 0 else f"{abs(at):g}° {'BTDC' if at < 0 else 'ATDC'}"
        words.append(f"calculated, nearest {where}")
    if apart is not None:
        words.append(f"{in_words(apart.value, 'length', unit)} is calculated at TDC, and they can't both be: {_USUAL}")
    return "; ".join(words)
