"""The quantity catalog: one row per thing that can be measured, looked at or stated.

Grids, reading queue, nomenclature and help are drawn from it; to add a measurement is to add a row in `quantities/`.
Ranges are in the inside unit. Outside `physical` a value is refused; outside `plausible` it is asked once.
"""

from __future__ import annotations

from collections.abc import Iterable

from honest_lift.facts.fitments import Slot
from honest_lift.facts.quantities import (
    bare_head,
    block,
    chambers,
    clearance,
    follower,
    gear,
    heights,
    locks,
    motion,
    rocker,
    rocker_seen,
    service,
    springs,
    valve_pair,
)
from honest_lift.facts.quantity import Quantity

_ROWS = (
    *bare_head.ROWS,
    *springs.ROWS,
    *heights.ROWS,
    *locks.ROWS,
    *gear.ROWS,
    *rocker.ROWS,
    *rocker_seen.ROWS,
    *follower.ROWS,
    *clearance.ROWS,
    *valve_pair.ROWS,
    *block.ROWS,
    *chambers.ROWS,
    *motion.ROWS,
    *service.ROWS,
)
CATALOG: dict[str, Quantity] = {row.name: row for row in _ROWS}

_SLOTS: dict[str, frozenset[Slot]] = {
    row.name: frozenset((*(slot for way in row.ways for slot in way.rests_on("pushrod")), *row.stated_for))
    for row in _ROWS
}


def slots_of(quantities: Iterable[str]) -> frozenset[Slot]:
    """Give every slot that a reading of these quantities, or a figure stated of them, may depend on."""
    return frozenset[Slot]().union(*(_SLOTS[name] for name in quantities))
