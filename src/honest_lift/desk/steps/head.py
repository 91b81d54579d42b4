"""The bare head: guides, seats, valves and locks before anything is put together."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, by_member
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.ledger import counted
from honest_lift.facts.place import at_position
from honest_lift.facts.quantities import bare_head, locks
from honest_lift.facts.quantities.bare_head import DEPTHS

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_ROWS = (*bare_head.ROWS, *locks.ROWS)
_ONCE = ("seat_contact", "leak_test", "valve_margin", "stem_tip_height", "spring_seat_height", "spring_seat_runout",
         "spring_standing", "retainer_level", "parts_condition")  # fmt: skip


def tasks(_session: Session | None = None) -> list[Task]:
    """Give what can be read of the bare heads and the locks: guides at their three depths."""
    return by_member(CATALOG[one.name] for one in _ROWS if "position" in one.places and one.ways)


def _progress(session: Session) -> tuple[int, int]:
    """Give how much of the bare heads is read; a guide's clearance read as such stands for its stem and its bore."""
    guides = [(name, depth) for name in ("stem_diameter", "guide_bore") for depth in DEPTHS]
    wanted = [*guides, *((name, "") for name in _ONCE)]
    places, read = [one.id for one in session.engine.layout.positions], counted(session.book.journal)
    asked = [(quantity, at_position(name, depth)) for name in places for quantity, depth in wanted]
    return sum(one in read or (bool(one[1].member) and ("guide_clearance", one[1]) in read) for one in asked), len(
        asked
    )


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.head.sheet import HeadSheet

    sheet = HeadSheet(session)
    sheet.asked.connect(bar.choose)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))
    sheet.pasted.connect(bar.paste)
    sheet.follow_task(bar.task)
    return sheet


STEP = Step(
    "head", "Bare head", "Bare hea&d", "Ctrl+2", _progress, _make, tasks,
    reads=frozenset(one.name for one in _ROWS), is_judged=True, shows="tip_level", counts="readings of the bare heads")  # fmt: skip
