"""Each spring against a manual: its load at the length the manual states, between the least and the most it states there."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.on_springs import card_figures
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.spring.curves import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import of_spring
from honest_lift.numbers.doubt import exact

MANUAL_LOAD = Check(
    "manual_load", "Load to the manual", "springs", "load",
    "Load of the spring at the length a manual states, against the min and max it states there.",
)  # fmt: skip


def check_manual_load(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold each spring whose card has a manual's length and load against it; the others say nothing here."""
    at, least, most = (
        card_figures(book, springs, field) for field in ("manual_height_mm", "manual_least_n", "manual_most_n")
    )
    rows = np.flatnonzero(np.isfinite(at) & (np.isfinite(least) | np.isfinite(most)))
    if not len(rows):
        return []
    names = [springs[row] for row in rows]
    own = curves.take(rows.tolist()).load(Estimate(exact(at[rows]), ((),) * len(rows)))
    limits = [_limit(float(least[row]), float(most[row])) for row in rows]
    return findings(
        MANUAL_LOAD, [of_spring(name) for name in names], [book.engine.position_of(name) for name in names], own, limits,
        terms={"card_height": at[rows]}, remarks=["" if one else _TURNED for one in limits],
    )  # fmt: skip


_TURNED = "its card states a min load above the max; look into the manual again"


def _limit(least: float, most: float) -> Limit | None:
    """Give the limit a manual states; None where its ends are exchanged."""
    if least > most:
        return None
    lowest, highest = (None if one != one else one for one in (least, most))
    return Limit("manual", MANUAL_LOAD.name, lowest, highest, origin="manual", source="as its card states it")
