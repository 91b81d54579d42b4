"""Piston to valve as a drawing: the curves of a cylinder with their limits and what was read."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import figure_words
from honest_lift.drawings.clearance.piston_valve import ClearanceCurve, clearance_scene
from honest_lift.drawings.scene import Ink, Scene
from honest_lift.estimates.clearance.piston_valve import TURN, ThroughTurn
from honest_lift.estimates.clearance.piston_valve_read import room_read
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title


def curves_scene(
    book: Book,
    cylinder: tuple[str, ...],
    worked: ThroughTurn,
    found: dict[str, Finding],
    cursor_deg: float,
    lacking: str,
) -> Scene:
    """Draw the clearance curves of a cylinder's valves."""
    names = [one.id for one in book.engine.layout.positions]
    curves = []
    for position in cylinder:
        case, finding = names.index(position), found.get(position)
        known = np.isfinite(worked.curves[case])
        points = tuple(zip(TURN[known].tolist(), worked.curves[case][known].tolist(), strict=True))
        read = room_read(book, position)
        rows = tuple((one.crank_deg, one.room_mm) for one in read.rows)
        if not points and not rows:
            continue
        at = read.at_deg if read.least is not None else float(worked.at_deg[case])
        ink: Ink = "mark" if at_position(position).role == "intake" else "line"
        least, doubt, limit = (finding.figure, finding.expanded, finding.lowest) if finding else (float("nan"),) * 3
        label, own = figure_words(finding, book.engine) if finding else "", doubt if isfinite(doubt) else 0.0
        curves.append(ClearanceCurve(position_title(position), points, at, least, own, limit, rows, ink, label))
    return clearance_scene(curves, cursor_deg, lacking)
