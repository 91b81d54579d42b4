"""Engine and parts: everything that is stated and not read."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps import heights
from honest_lift.desk.steps.step import Step
from honest_lift.facts.ledger import counted
from honest_lift.facts.place import ENGINE

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def _progress(session: Session) -> tuple[int, int]:
    engine = session.engine
    stated = {fact.quantity for fact in engine.facts} | {
        name for name, place in counted(session.book.journal) if place == ENGINE or place.kind == "role"
    }
    asked = {limit.check for limit in engine.limits}
    wanted = [
        bool(engine.layout.positions), bool(engine.lifter), "lobe_lift" in stated,
        "rocker_ratio" in stated or engine.gear == "bucket", "lash" in stated or engine.lifter.startswith("hydraulic"),
        "target_height" in stated, "seat_load" in asked, "open_load" in asked, bool(engine.cards), bool(engine.springs),
        bool(engine.tools), bool(engine.hand),
    ]  # fmt: skip
    return sum(wanted), len(wanted)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.engine.sheet import EngineSheet

    return EngineSheet(session)


STEP = Step(
    "engine",
    "Engine and parts",
    "&Engine and parts",
    "Ctrl+1",
    _progress,
    _make,
    heights.tasks,
    has_bar=False,
    counts="figures and parts everything else needs",
)
