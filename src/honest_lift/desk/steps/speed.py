"""Speed: will this spring follow this cam, and up to where. Nothing is read there but what a tapped spring rings at."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, plain_tasks
from honest_lift.facts.ledger import counted

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_WANTED = ("red_line", "train_stiffness")


def _progress(session: Session) -> tuple[int, int]:
    """Count what is told of the speed that is asked for, and of the stiffness it rests on."""
    known = {fact.quantity for fact in session.engine.facts} | {name for name, _ in counted(session.book.journal)}
    return sum(name in known for name in _WANTED), len(_WANTED)


def tasks(session: Session) -> list[Task]:
    """Give what springs are pressed and set to, and what is tapped of them as they stand."""
    return [*heights.tasks(session), *plain_tasks(("surge_frequency",))]


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.speed.sheet import SpeedSheet

    return SpeedSheet(session)


STEP = Step(
    "speed", "Speed", "Spee&d", "Ctrl+G", _progress, _make, tasks,
    reads=frozenset({"surge_frequency"}), is_judged=True, shows="flexible_float",
    counts="the red line and the stiffness of the train",
)  # fmt: skip
