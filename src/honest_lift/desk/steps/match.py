"""The match: parts off the shelf against the pockets as measured, and the masses that move."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step
from honest_lift.facts.ledger import counted

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_MASSES = {
    "pushrod": ("red_line", "valve_mass", "retainer_mass", "rocker_at_valve", "pushrod_mass", "lifter_mass"),
    "bucket": ("red_line", "valve_mass", "retainer_mass", "lifter_mass"),
    "finger follower": ("red_line", "valve_mass", "retainer_mass", "rocker_at_valve"),
}


def _progress(session: Session) -> tuple[int, int]:
    """Count what is told of the red line and of what moves with the valves."""
    known = {fact.quantity for fact in session.engine.facts} | {name for name, _ in counted(session.book.journal)}
    wanted = _MASSES[session.engine.gear]
    return sum(name in known for name in wanted), len(wanted)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.match.sheet import MatchSheet

    return MatchSheet(session)


STEP = Step(
    "match",
    "Match",
    "Ma&tch",
    "Ctrl+H",
    _progress,
    _make,
    heights.tasks,
    is_judged=True,
    counts="masses and the red line",
)
