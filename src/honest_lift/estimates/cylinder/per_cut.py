"""What a millimetre off a head takes from a chamber: by the area of its opening, and by pours before and after a cut."""

from __future__ import annotations

from math import nan

from msgspec import Struct

from honest_lift.estimates.cylinder.cut_pours import cc_per_mm_by_pours
from honest_lift.estimates.of_cylinder import of_cylinder
from honest_lift.facts.engine import Book


class PerCut(Struct, frozen=True):
    """cc a millimetre of cut takes, NaN for what is not known."""

    by_area: float = nan
    by_pours: float = nan

    @property
    def best(self) -> float:
        """Give what was found by cutting, else what the area says."""
        return self.by_pours if self.by_pours == self.by_pours else self.by_area


def per_cut(book: Book, cylinder: str) -> PerCut:
    """Give what a cut takes at a cylinder."""
    return PerCut(of_cylinder(book, "chamber_area", cylinder).value / 1000.0, cc_per_mm_by_pours(book, cylinder))
