"""The camshaft: its card, its lobes as walked, degreeing, and the valves around the turn."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def _progress(session: Session) -> tuple[int, int]:
    return sum(bool(one.durations) and one.centreline_deg is not None for one in session.engine.lobes), 2


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.cam.sheet import CamSheet

    return CamSheet(session)


STEP = Step(
    "cam", "Camshaft", "&Camshaft", "Ctrl+6", _progress, _make, heights.tasks,
    pages=("Around the turn", "Card", "Measured lobes", "Degreeing"), counts="lobes with durations and a centreline")  # fmt: skip
