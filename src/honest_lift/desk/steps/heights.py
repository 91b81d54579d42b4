"""Springs and heights: every installed height, and what rests on it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, plain_tasks
from honest_lift.facts.ledger import counted
from honest_lift.facts.place import at_position

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

OF_VALVES = (
    "installed_height", "shims", "inner_shims", "seal_gap", "valve_lift", "lash", "lobe_lift", "locator_thickness",
    "retainer_thickness", "tip_to_step", "left_out", "bind_travel", "coil_light",
    "seal_seen", "rocker_seen", "spring_direction",
)  # fmt: skip


def tasks(_session: Session | None = None) -> list[Task]:
    """Give what is read of valves with their springs in place."""
    return plain_tasks(OF_VALVES)


def _progress(session: Session) -> tuple[int, int]:
    positions, read = session.engine.layout.positions, counted(session.book.journal)
    return sum(("installed_height", at_position(one.id)) in read for one in positions), len(positions)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.heights.sheet import HeightsSheet

    sheet = HeightsSheet(session)
    sheet.grid.pasted.connect(bar.paste)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))
    sheet.follow_task(bar.task)
    return sheet


STEP = Step(
    "heights",
    "Springs and heights",
    "Springs and &heights",
    "Ctrl+4",
    _progress,
    _make,
    tasks,
    is_judged=True,
    counts="valves with an installed height",
)
