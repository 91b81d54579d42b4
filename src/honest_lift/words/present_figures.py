"""The figure that stands now for what a change gives a new one: where a slider begins."""

from __future__ import annotations

from math import isfinite

from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.facts.changes import ChangeKind
from honest_lift.facts.engine import Book

_OF = {"ratio": "rocker_ratio", "lash": "lash", "lobe_lift": "lobe_lift"}
_USUAL = {"ratio": 1.6, "lash": 0.4, "lobe_lift": 8.0}


def present_figure(book: Book, kind: ChangeKind) -> float:
    """Give what stands at the first valve that has a figure, inside; a usual one where none has."""
    known = (one.value for one in at_each_valve(book, _OF[kind.key]) if isfinite(one.value))
    return next(known, _USUAL[kind.key])
