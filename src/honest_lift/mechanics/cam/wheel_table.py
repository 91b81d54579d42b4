"""A degree-wheel table as it was read: put in order, its base circle found, and what is wrong with it named.

Nothing is dropped here: a row is pointed at, and somebody decides. Source: common practice.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError

BASE_CAM_DEG = 95.0  # further than this from the nose every common lobe runs on its base circle
_DWELL_MM = 0.03  # of the lowest reading: a table that ends sooner shows its base circle only there
_LEAST_DWELLING = 3
_OPEN_END_MM = 0.1  # a table that ends higher up does not show the whole lobe
_BACK_TO_ZERO_MM = 0.03
_RESTART_DEG = 180.0  # a step back further than this is the wheel passing its zero


@dataclass(frozen=True, slots=True)
class Trouble:
    """What stands out. `row`: its place in the table as read, -1 for the table as a whole; `kind`: what it is."""

    row: int
    kind: str  # "twice", "back", "slip", "zero", "open", "base"
    expected_mm: float = np.nan  # what the others say it should be, or by how much the whole is off

    @property
    def is_row(self) -> bool:
        """Tell whether leaving out a row would mend it."""
        return self.row >= 0


@dataclass(frozen=True, slots=True)
class Ordered:
    """A table in rising angle, without the rows left out. `rows`: where each stood; `base_mm`: the base circle's level."""

    rows: Array
    crank_deg: Array
    lift_mm: Array  # above the base circle
    base_mm: float
    runout_mm: float  # nan where too little of the base circle was read
    nose: int
    dwelling: int  # rows that stand on the base circle

    @property
    def cam_deg(self) -> Array:
        """Give cam degrees from the highest row."""
        return np.asarray((self.crank_deg - self.crank_deg[self.nose]) / 2.0)


def unwrapped(wheel_deg: Array) -> Array:
    """Let a wheel that begins again at 0 (or at 180 with another sign) count on: steps of about a turn are taken out.

    >>> unwrapped(np.array([350.0, 355.0, 0.0, 5.0]))
    array([350., 355., 360., 365.])
    """
    steps = np.diff(wheel_deg, prepend=wheel_deg[:1])
    turns = np.where(steps < -_RESTART_DEG, 1, np.where(steps > _RESTART_DEG, -1, 0))
    return np.asarray(wheel_deg + 360.0 * np.cumsum(turns), dtype=np.float64)


def ordered(crank_deg: Array, lift_mm: Array, left_out: frozenset[int] = frozenset()) -> Ordered:
    """Put a table (n) in rising angle and count its lift from the base circle; lifts at one angle are averaged.

    Raises MendableError for no table of a lobe.
    """
    kept = np.array([i for i in range(len(crank_deg)) if i not in left_out], dtype=int)
    if len(kept) < 5:
        raise MendableError(f"{len(kept)} rows are no lobe: walk it in steps of 10 crank degrees or finer.")
    crank, first, group = np.unique(unwrapped(crank_deg[kept]), return_index=True, return_inverse=True)
    rows, lift = kept[first], np.bincount(group, lift_mm[kept]) / np.bincount(group)
    if len(crank) < 5:
        raise MendableError(f"{len(crank)} angles are no lobe: walk it in steps of 10 crank degrees or finer.")
    nose = int(np.argmax(lift))
    far = lift[np.abs(crank - crank[nose]) > 2 * BASE_CAM_DEG]
    low = lift[lift <= lift.min() + _DWELL_MM]
    base = float(np.median(far if len(far) >= 3 else low))
    runout = float(np.ptp(far)) if len(far) >= 3 else float("nan")
    if lift[nose] - base < 0.5:
        raise MendableError(
            f"It rises by {lift[nose] - base:.3f} mm only: that is no lobe. Are the columns the right way round?"
        )
    if nose in (0, len(lift) - 1):
        raise MendableError(
            "Its highest reading is the first or the last: walk past the nose, and down to the base circle."
        )
    dwelling = int(np.sum(np.abs(lift - base) <= _DWELL_MM))
    return Ordered(rows, crank, lift - base, base, runout, nose, dwelling)


def troubles(crank_deg: Array, lift_mm: Array, left_out: frozenset[int] = frozenset()) -> list[Trouble]:
    """Name rows read twice or before turning back, a lost zero, and a table that does not go down to the base circle."""
    kept = [i for i in range(len(crank_deg)) if i not in left_out]
    found = _back_and_twice(kept, unwrapped(crank_deg[kept]), lift_mm[kept])
    try:
        table = ordered(crank_deg, lift_mm, left_out | {one.row for one in found})
    except MendableError:  # what is left is no lobe: walked up and back down again, say
        return sorted([*found, Trouble(-1, "base")], key=lambda one: one.row)
    before, after = table.cam_deg < -BASE_CAM_DEG, table.cam_deg > BASE_CAM_DEG
    if before.sum() >= 2 and after.sum() >= 2:
        off = float(np.median(table.lift_mm[after]) - np.median(table.lift_mm[before]))
        if abs(off) > _BACK_TO_ZERO_MM:
            found.append(Trouble(-1, "zero", off))
    if table.dwelling < _LEAST_DWELLING:
        found.append(Trouble(-1, "base"))
    if max(table.lift_mm[0], table.lift_mm[-1]) > _OPEN_END_MM:
        found.append(Trouble(-1, "open", float(max(table.lift_mm[0], table.lift_mm[-1]))))
    return sorted(found, key=lambda one: one.row)


def _back_and_twice(kept: list[int], crank: Array, lift: Array) -> list[Trouble]:
    """Find rows at an angle that was read before: again at once, or after turning back.

    Of the rows turned back over the later ones stand: the slack was taken up on the way there.
    """
    rising = np.sign(np.median(np.diff(crank))) or 1.0
    found: list[Trouble] = []
    last = len(crank) - 1  # the row that was reached without slack: what comes later was read on the way there
    for at in range(len(crank) - 2, -1, -1):
        if crank[at] * rising < crank[last] * rising:
            last = at
        elif crank[at] == crank[last]:
            found.append(Trouble(kept[at], "twice", float(lift[last])))
        else:
            found.append(Trouble(kept[at], "back"))
    return found
