"""The rocker: geometry, mark on the tip, preload and lash, with the rockers in place."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, plain_tasks
from honest_lift.facts.ledger import counted
from honest_lift.facts.quantities import follower, rocker, rocker_seen

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

WITH_ROCKER = tuple(one.name for one in rocker_seen.ROWS if one.ways and not one.at)
_OF_GEAR = {
    "pushrod": (*WITH_ROCKER, "lash", "retainer_rocker"),
    "finger follower": ("mark_centre", "mark_width", "wipe_centre", "wipe_room", "lash", "lash_pad",
                        "roller_sideways", "retainer_rocker"),
    "bucket": ("lash", "lash_shim"),
}  # fmt: skip


def tasks(session: Session) -> list[Task]:
    """Give what is read with the gear of this engine in place."""
    return plain_tasks((*_OF_GEAR[session.engine.gear], "seat_load_engine"))


def _progress(session: Session) -> tuple[int, int]:
    """Give how many dimensions of the gear are known; of buckets, how many shims."""
    engine = session.engine
    known = {fact.quantity for fact in engine.facts} | {name for name, _ in counted(session.book.journal)}
    fixed, positions = engine.rocker_mount == "shaft", engine.layout.positions
    if engine.gear == "bucket":
        return sum(engine.fitted("lash shim", one.id) is not None for one in positions), len(positions)
    if engine.gear == "finger follower":
        needed = [name for name in follower.FINGER if name != "lash_pad" and (fixed or name != "pivot_up")]
        known |= {"base_circle"} if any(one.base_circle_mm for one in engine.lobes) else set()
    else:
        skipped = {"stud_lean", "pushrod_length" if fixed else "pivot_up"}
        known |= {"pushrod_length"} if known & {"pushrod_overall", "pushrod_gauge"} else set()
        needed = [name for name in rocker.GEOMETRY if name not in skipped]
    return sum(name in known for name in needed), len(needed)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.rocker.sheet import RockerSheet

    return RockerSheet(session)


STEP = Step(
    "rocker", "Rocker", "&Rocker", "Ctrl+7", _progress, _make, tasks,
    reads=frozenset(one.name for one in rocker_seen.ROWS), is_judged=True,
    counts="dimensions of the valve gear; on buckets, shims",
)  # fmt: skip
