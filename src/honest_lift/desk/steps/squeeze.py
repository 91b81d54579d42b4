"""Chambers and compression: what is poured, decks, squish, ports."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import CHOSEN, Step
from honest_lift.desk.steps.task import Task, by_member
from honest_lift.facts.ledger import counted
from honest_lift.facts.quantities import block, chambers

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session

_ROWS = (*block.ROWS, *chambers.ROWS)
_FIRST = ("chamber_volume", "deck_clearance", "leak_drop", "fill_time", "squish")


def tasks(_session: Session | None = None) -> list[Task]:
    """Give what can be read of chambers, pistons and ports: the deck at the points of the crown, and as a mean of them."""
    rows = (*chambers.ROWS, *block.ROWS)
    ordered = sorted(rows, key=lambda row: _FIRST.index(row.name) if row.name in _FIRST else len(_FIRST))
    wanted = (row for row in ordered if row.ways and not row.at and {"cylinder", "position"} & set(row.places))
    return by_member(wanted, whole=True)


def _progress(session: Session) -> tuple[int, int]:
    """Give how many cylinders have a chamber, and how many a squish, that was measured towards; of all of both."""
    read = {(place.name, name) for name, place in counted(session.book.journal) if place.kind == "cylinder"}
    cylinders = [str(one) for one in session.engine.layout.cylinders]
    ways = (("chamber_volume", "chamber_water"), ("deck_clearance", "squish"))
    return sum(any((one, name) in read for name in way) for one in cylinders for way in ways), 2 * len(cylinders)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.squeeze.sheet import SqueezeSheet

    sheet = SqueezeSheet(session)
    sheet.pasted.connect(bar.paste)
    bar.what.currentIndexChanged.connect(lambda _: sheet.chambers_page.follow_task(bar.task))
    sheet.chambers_page.follow_task(bar.task)
    return sheet


STEP = Step(
    "squeeze", "Chambers", "Cham&bers and compression", "Ctrl+9", _progress, _make, tasks, walks=CHOSEN,
    reads=frozenset(one.name for one in _ROWS), is_judged=True, shows="compression",
    counts="chambers and squish clearances, of all cylinders",
)  # fmt: skip
