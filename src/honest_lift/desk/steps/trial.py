"""The trial: what would become of everything if something were changed."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def _progress(session: Session) -> tuple[int, int]:
    return len(session.engine.trials), len(session.engine.trials)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.trial.sheet import TrialSheet

    return TrialSheet(session)


STEP = Step("trial", "Trial", "Tr&ial", "Ctrl+J", _progress, _make, heights.tasks, counts="trials kept")
