"""Piston to valve as drawings: the curves of a cylinder with limits and readings, and its valves over the piston to scale."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.checks.finding import Finding
from honest_lift.checks.wording import figure_words
from honest_lift.drawings.clearance_turn import ClearanceCurve, OverPiston, clearance_scene, over_piston_scene
from honest_lift.drawings.scene import Ink, Scene
from honest_lift.estimates.cam_turn import turn_of
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.piston_valve import TURN, ThroughTurn
from honest_lift.estimates.piston_valve_read import room_read
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position, position_title
from honest_lift.numbers.units import in_words

_HEAD_MM, _STEM_MM = 40.0, 8.0  # drawn where no valve is measured


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


def valves_scene(book: Book, cylinder: tuple[str, ...], worked: ThroughTurn, cursor_deg: float) -> Scene:
    """Draw the valves of a cylinder over the piston at a crank angle, as far as they are worked out."""
    names, unit = [one.id for one in book.engine.layout.positions], book.engine.unit("length")
    valves, words = [], []
    for position in cylinder:
        room = float(np.interp(cursor_deg, TURN, worked.curves[names.index(position)]))
        role = at_position(position).role
        turn = turn_of(book, role, position).valve
        if not isfinite(room) or turn is None:
            continue
        lift = float(turn.lift(np.array(cursor_deg)))
        head, stem = (at_valve(book, name, position).value for name in ("head_diameter", "stem_at_lock"))
        valves.append(OverPiston(position_title(position), lift, room, head if isfinite(head) else _HEAD_MM,
                                 stem if isfinite(stem) else _STEM_MM))  # fmt: skip
        words.append(in_words(room, "length", unit) if room > 0 else "they meet")
    return over_piston_scene(valves, words)
