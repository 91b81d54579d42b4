"""Piston to valve as a chart: the curves of a cylinder with their limits and what was read."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import figure_words
from honest_lift.drawings.chart import Chart
from honest_lift.drawings.clearance.piston_valve import ClearanceCurve, clearance_chart
from honest_lift.drawings.scene import Ink
from honest_lift.estimates.clearance.piston_valve import TURN, ThroughTurn
from honest_lift.estimates.clearance.piston_valve_read import room_read
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title
from honest_lift.numbers.units import from_inside, unit_of


def curves_chart(
    book: Book, cylinder: tuple[str, ...], worked: ThroughTurn | None, found: dict[str, Finding], lacking: str
) -> Chart:
    """Draw the clearance curves of a cylinder's valves."""
    unit = book.engine.unit("length")
    scale = from_inside(1.0, "length", unit)
    names = [one.id for one in book.engine.layout.positions]
    curves = []
    for position in cylinder:
        case, finding = names.index(position), found.get(position)
        assert worked is not None
        known = np.isfinite(worked.curves[case])
        points = tuple(zip(TURN[known].tolist(), (scale * worked.curves[case][known]).tolist(), strict=True))
        read = room_read(book, position)
        rows = tuple((one.crank_deg, scale * one.room_mm) for one in read.rows)
        if not points and not rows:
            continue
        at = read.at_deg if read.least is not None else float(worked.at_deg[case])
        ink: Ink = "mark" if at_position(position).role == "intake" else "line"
        least, doubt, limit = (finding.figure, finding.expanded, finding.lowest) if finding else (float("nan"),) * 3
        label, own = (
            f"{position} {figure_words(finding, book.engine)}" if finding else "",
            doubt if isfinite(doubt) else 0.0,
        )
        told = ClearanceCurve(
            position_title(position), points, at, scale * least, scale * own, scale * limit, rows, ink, label,
            tuple(f"{position} {one.crank_deg:g}" for one in read.rows),
        )  # fmt: skip
        curves.append(told)
    return clearance_chart(curves, unit, unit_of("length", unit).places, lacking)
