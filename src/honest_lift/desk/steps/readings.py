"""All readings: everything that was read, place by place."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import head, heights, rocker, springs, squeeze
from honest_lift.desk.steps.step import CHOSEN, Step
from honest_lift.desk.steps.task import Task, plain_tasks
from honest_lift.facts.ledger import standing
from honest_lift.facts.staleness import stale_among

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_OF_HEADS = ("valve_drop", "piston_valve_clay", "valve_to_valve", "lobe_centreline")


def tasks(session: Session) -> list[Task]:
    """Give everything that can be read."""
    with_rocker = plain_tasks((*_OF_HEADS, *rocker.WITH_ROCKER))
    return [*heights.tasks(), *head.tasks(), *with_rocker, *squeeze.tasks(), *springs.tasks(session)]


def _progress(session: Session) -> tuple[int, int]:
    counting = [one for one in standing(session.book.journal) if not one.fate]
    return len(counting) - stale_among(session.engine, counting), len(counting)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.readings.sheet import ReadingsSheet

    sheet = ReadingsSheet(session)
    sheet.pasted.connect(bar.paste)
    sheet.follow_task(bar.task)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))
    return sheet


STEP = Step(
    "readings",
    "All readings",
    "&All readings",
    "Ctrl+0",
    _progress,
    _make,
    tasks,
    walks=CHOSEN,
    counts="readings that count and are not stale",
)
