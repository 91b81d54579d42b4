"""The book: the route to the running engine with its hold points, the engine's life, and its seat loads since."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, plain_tasks

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def tasks(session: Session) -> list[Task]:
    """Give what is read with the engine built up."""
    return plain_tasks(("seat_load_engine", "lash"))


def _progress(session: Session) -> tuple[int, int]:
    from honest_lift.facts.route import route_of

    if session.examination is None:  # until then the checks are not even imported
        return 0, len(route_of(session.engine))
    from honest_lift.checks.route import on_route

    items = on_route(session.book, session.examination)
    return sum(one.is_done for one in items), len(items)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.book.sheet import BookSheet

    return BookSheet(session)


STEP = Step(
    "book", "Book", "Boo&k", "Ctrl+B", _progress, _make, tasks, reads=frozenset({"seat_load_engine"}),
    counts="what was looked at and passed on the way to the running engine",
)  # fmt: skip
