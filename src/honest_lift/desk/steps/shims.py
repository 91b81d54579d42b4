"""The shim plan: what goes under every spring."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def _progress(session: Session) -> tuple[int, int]:
    fitted = [session.engine.fitted("shims", one.id) for one in session.engine.layout.positions]
    return sum(one is not None and one.height_mm is not None for one in fitted), len(fitted)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.shims.sheet import ShimsSheet

    return ShimsSheet(session)


STEP = Step(
    "shims",
    "Shim plan",
    "Shi&m plan",
    "Ctrl+5",
    _progress,
    _make,
    heights.tasks,
    counts="valves with their shims stated",
)
