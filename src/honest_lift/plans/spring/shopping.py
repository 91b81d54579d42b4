"""The shims a whole plan takes, by size, and which of them are to be bought beside what is in stock."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable

from msgspec import Struct

from honest_lift.facts.engine import Engine
from honest_lift.facts.shims import Fits


class Wanted(Struct, frozen=True):
    """A size a plan takes: how many, and how many more than there are; `lacking` 0 where nobody counts them."""

    thickness_mm: float
    fits: Fits
    count: int
    lacking: int


def shims_wanted(
    engine: Engine, stacks: Iterable[tuple[tuple[float, ...], tuple[float, ...] | None]]
) -> tuple[Wanted, ...]:
    """Count the shims of stacks (under the outer, under the inner or None), thickest first; one under both counts once."""
    both = {one.thickness_mm for one in engine.shim_stock if one.fits == "both"}
    counted: Counter[tuple[float, Fits]] = Counter()
    for outer, inner in stacks:
        counted.update((one, "both" if one in both else "outer") for one in outer)
        left = Counter(one for one in outer if one in both)  # lie under both, and are in the inner's list as well
        for one in inner or ():
            if left[one]:
                left[one] -= 1
            else:
                counted[one, "inner"] += 1
    return tuple(
        Wanted(size, fits, count, _lacking(engine, size, fits, count))
        for (size, fits), count in sorted(counted.items(), key=lambda one: (-one[0][0], one[0][1]))
    )


def _lacking(engine: Engine, size: float, fits: Fits, count: int) -> int:
    there = [one.count for one in engine.shim_stock if one.thickness_mm == size and fits in (one.fits, "both")]
    if not there or any(one is None for one in there):
        return 0 if there else count
    return max(count - sum(one for one in there if one is not None), 0)
