"""What a port flows against the valve's lift, as a bench read it, and where it stops gaining."""

from __future__ import annotations

from math import nan

import numpy as np
from msgspec import Struct

from honest_lift.estimates.resolve import counting_readings
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import is_stale

_STALLED = 0.98  # of the most it flows: what lift is left brings less than it costs. From memory
_FEWEST = 3


class PortFlow(Struct, frozen=True):
    """Lifts in mm, rising, and flows in l/s (n,); whether any of them was read before valve or seat were changed."""

    lift_mm: tuple[float, ...] = ()
    flow: tuple[float, ...] = ()
    stale: bool = False

    @property
    def stalls_mm(self) -> float:
        """Give the least lift that was flowed from which it gains next to nothing; NaN with too few, or where it still gains."""
        if len(self.flow) < _FEWEST:
            return nan
        enough = next(i for i, one in enumerate(self.flow) if one >= _STALLED * max(self.flow))
        return self.lift_mm[enough] if enough < len(self.flow) - 1 else nan

    def at(self, lift_mm: float) -> float:
        """Give the flow at a lift inside those that were flowed, by the chord; NaN outside."""
        if not self.lift_mm or not self.lift_mm[0] <= lift_mm <= self.lift_mm[-1]:
            return nan
        return float(np.interp(lift_mm, self.lift_mm, self.flow))


def port_flow(book: Book, position: str) -> PortFlow:
    """Give what was flowed at a valve: the readings that count, those of now where there are any."""
    read = [one for one in counting_readings(book, "port_flow", at_position(position)) if "flow_lift" in one.reading.at]
    fresh = [one for one in read if not is_stale(book.engine, one)]
    rows = {one.reading.at["flow_lift"]: one.reading.value for one in fresh or read}
    lifts = sorted(rows)
    return PortFlow(tuple(lifts), tuple(rows[one] for one in lifts), bool(read) and not fresh)
