"""The spring bench: every spring by itself on the tester."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.steps.step import Step
from honest_lift.desk.steps.task import Task, titled
from honest_lift.facts.ledger import counted, standing

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session


def tasks(session: Session) -> list[Task]:
    """Give what can be read of the current spring: the whole nest first, then its members alone."""
    owner, card = session.engine.set_of(session.spring), session.engine.card_of(session.spring)
    members: list[str] = [member.name for member in card.members] if card and len(card.members) > 1 else []
    asked = session.queue.height_mm if session.queue and session.queue.quantity == "spring_load" else None
    planned = (*(owner.test_heights_mm if owner else ()), *(() if asked is None else (asked,)))
    heights = _heights(session, owner.id if owner else "", planned)
    wanted: list[tuple[str, str, float | None]] = [("spring_load", "", h) for h in heights]
    wanted.append(("spring_load", "", None))
    wanted += [("bind_height", name, None) for name in members or [""]]
    wanted += [("spring_load", name, h) for name in members for h in heights]
    wanted += [("free_length", name, None) for name in members or [""]]
    wanted += [
        (quantity, "", None)
        for quantity in ("spring_condition", "spring_outside", "spring_inside", "spring_mass", "in_tester")
    ]
    return [Task(quantity, titled(session, quantity, name, h), name, h) for quantity, name, h in wanted]


def _heights(session: Session, owner: str, planned: tuple[float, ...]) -> tuple[float, ...]:
    """Give the heights a set is tested at, the springs' own: those planned, and any that was read all the same."""
    from honest_lift.estimates.spring.beside import SAME_MM, stood_mm

    springs = {one.id for one in session.engine.springs if one.set == owner}
    read = [
        round(stood_mm(session.book, one), 6)
        for one in standing(session.book.journal)
        if not one.fate and one.place.name in springs and "test_height" in one.reading.at
    ]
    found = list(dict.fromkeys(planned))
    for height in read:
        if all(abs(height - one) >= SAME_MM for one in found):
            found.append(height)
    return tuple(sorted(found, reverse=True))


def _progress(session: Session) -> tuple[int, int]:
    engine = session.engine
    of_spring = {(place.name, name) for name, place in counted(session.book.journal) if place.kind == "spring"}
    fitted = [name for p in engine.layout.positions if (name := engine.spring_at(p.id))]
    done = sum((name, "spring_load") in of_spring and (name, "bind_height") in of_spring for name in fitted)
    return done, len(engine.layout.positions)


def _make(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.springs.sheet import SpringsSheet

    sheet = SpringsSheet(session)
    sheet.asked.connect(bar.choose)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))
    sheet.grid.pasted.connect(bar.paste)
    sheet.follow_task(bar.task)
    return sheet


STEP = Step(
    "springs",
    "Spring bench",
    "&Spring bench",
    "Ctrl+3",
    _progress,
    _make,
    tasks,
    walks="spring",
    is_judged=True,
    shows="seat_load",
    counts="valves whose spring has loads and coil bind",
)
