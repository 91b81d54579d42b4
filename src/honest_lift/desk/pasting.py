"""A pasted column becomes readings: what is right is taken in one edit, what is wrong stays where it belongs, with why."""

from __future__ import annotations

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.desk.session import Session
from honest_lift.desk.taking import Taken, reading_for
from honest_lift.desk.typed_value import doubtful, read_typed
from honest_lift.facts.columns import PastedCell, read_column
from honest_lift.facts.edits import Confirm, Edit, EditError, Fit, fitment
from honest_lift.facts.fitments import STACKS, Fitment
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import Place
from honest_lift.numbers.entry import EntryError


class Pasted(Struct, frozen=True):
    """What came of a paste: how many were taken, and what was refused: (place or None, text, why)."""

    taken: int
    refused: tuple[tuple[Place | None, str, str], ...]

    @property
    def words(self) -> str:
        """Say it in a sentence."""
        took = f"{self.taken} reading{'' if self.taken == 1 else 's'} taken."
        lost = [f"{text or 'blank'} ({why})" for place, text, why in self.refused if place is None]
        placed = [f"{place.title}, {why}" for place, _, why in self.refused if place is not None]
        if placed:
            took += f" {len(placed)} refused, each in its place with the reason; the first: {placed[0]}"
        return took + (f" Not placed: {'; '.join(lost[:4])}{'; …' if len(lost) > 4 else ''}." if lost else "")


def paste(session: Session, taken: Taken, places: list[Place], text: str) -> Pasted:
    """Take a pasted column as the bar stands, from its place on. Raises ColumnError where it is no column."""
    start = next((i for i, one in enumerate(places) if one == taken.place), 0)
    cells = read_column(text, places, start, taken.task.row.title, taken.task.row)
    made: list[Reading | Fitment] = []
    refused: list[tuple[Place | None, str, str]] = []
    for cell in cells:
        try:
            one = _taken(session, taken, cell)
        except (EntryError, EditError) as error:
            refused.append((cell.place, cell.text, str(error)))
            continue
        made += [one] if one else []
    session.refused.show(taken.task, {place.name: (text, why) for place, text, why in refused if place})
    if made and not session.do(_edit(made, taken)):
        return Pasted(0, tuple(refused))
    return Pasted(len(made), tuple(refused))


def _taken(session: Session, taken: Taken, cell: PastedCell) -> Reading | Fitment | None:
    """Give what a cell comes to; None for a blank, which is missing and never zero."""
    if cell.wrong or cell.place is None:
        raise EntryError(cell.wrong)
    typed = read_typed(session, taken.task, taken.way, cell.text, taken.also)
    if typed.value is None:
        return None
    if typed.is_assumed:
        raise EntryError("It says of itself that it is no measurement: type it by hand to enter it as assumed.")
    if question := doubtful(session, taken.task, typed):
        raise EntryError(question.replace("Enter again takes it.", "Type it by hand to take it all the same."))
    if taken.task.quantity in STACKS:
        return fitment(
            session.engine,
            STACKS[taken.task.quantity],
            cell.place.name,
            thicknesses_mm=(typed.value,) if typed.value else (),
        )
    return reading_for(session, replace(taken, place=cell.place), typed, cell.text)


def _edit(made: list[Reading | Fitment], taken: Taken) -> Edit:
    readings = tuple(one for one in made if isinstance(one, Reading))
    if readings:
        return Confirm(readings)
    return Fit(tuple(one for one in made if isinstance(one, Fitment)), f"{taken.task.title} pasted")
