"""Through the turn: piston to valve, valve to valve, and the cylinder turned by hand."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, plain_tasks
from honest_lift.facts.ledger import counted
from honest_lift.facts.place import at_position
from honest_lift.facts.quantities import clearance, valve_pair

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_TOWARDS = ("valve_drop", "piston_valve_clay", "piston_valve_room")
_THROUGH = (
    "valve_drop", "piston_valve_clay", "valve_to_valve", "tdc_lift", "valve_recess", "pocket_depth", "heads_over", "heads_step",
)  # fmt: skip


def tasks(_session: Session) -> list[Task]:
    """Give what is read at the valves over their pistons."""
    return plain_tasks(_THROUGH)


def _progress(session: Session) -> tuple[int, int]:
    seen, places = counted(session.book.journal), [at_position(one.id) for one in session.engine.layout.positions]
    return sum(any((name, place) in seen for name in _TOWARDS) for place in places), len(places)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.turn.sheet import TurnSheet

    return TurnSheet(session)


STEP = Step(
    "turn", "Clearances", "Cleara&nces", "Ctrl+8", _progress, _make, tasks,
    reads=frozenset(one.name for one in (*clearance.ROWS, *valve_pair.ROWS)), is_judged=True, shows="piston_valve",
    counts="valves with a reading towards the piston",
)  # fmt: skip
