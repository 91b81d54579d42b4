"""The steps of the job in working order, and the sheet a quantity is read on."""

from __future__ import annotations

from honest_lift.facts.quantities import bare_head, block, chambers, clearance, locks, rocker_seen, valve_pair

STEPS = {
    "engine": "Engine and parts", "head": "Bare head", "springs": "Spring bench", "heights": "Springs and heights",
    "shims": "Shim plan", "cam": "Camshaft", "rocker": "Rocker", "turn": "Through the turn",
    "squeeze": "Chambers", "match": "Match", "trial": "Trial",
    "readings": "All readings",
}  # fmt: skip
BARE_HEAD = frozenset(one.name for one in (*bare_head.ROWS, *locks.ROWS))  # measured on the bare-head sheet
WITH_ROCKER = frozenset(one.name for one in rocker_seen.ROWS)  # read with the rockers in place
THROUGH = frozenset(one.name for one in (*clearance.ROWS, *valve_pair.ROWS))
IN_CYLINDER = frozenset(one.name for one in (*block.ROWS, *chambers.ROWS))
JUDGED = ("head", "springs", "heights", "rocker", "turn", "squeeze", "match")  # steps with findings of their own
CAM_PAGES = ("Around the turn", "Card", "Measured lobes", "Degreeing")


def sheet_of(quantity: str, place_kind: str) -> str:
    """Give the step whose sheet a quantity is read on."""
    if place_kind == "spring":
        return "springs"
    of = {"rocker": WITH_ROCKER, "turn": THROUGH, "squeeze": IN_CYLINDER, "head": BARE_HEAD}
    return next((step for step, names in of.items() if quantity in names), "heights")
