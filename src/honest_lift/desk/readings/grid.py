"""The grid of one quantity: a row a place, what was read there, what it comes to, and whether it still stands."""

from __future__ import annotations

from honest_lift.desk.reading_grid import Cell, ReadingGrid, tell_history
from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import Task, places_of
from honest_lift.facts.edits import readings_at
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place
from honest_lift.facts.staleness import staleness


class ReadingsGrid(ReadingGrid):
    """Follows the task of the reading bar."""

    task: Task | None = None

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.places: list[Place] = []

    def row_names(self) -> list[str]:
        """Give the places the quantity is read at."""
        self.places = places_of(self.session, self.task) if self.task else []
        return [one.name for one in self.places]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles; the unit stands in the value's."""
        unit = self.session.unit(self.task.row.dimension) if self.task else ""
        return ("place", "reading", f"value, {unit}" if unit else "value", "way, tool", "when", "by", "stands")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a place. What was refused stands over what is there, and says so."""
        task, place = self.task, self.places[self.row_names_index(name)]
        if task is None:
            return ()
        history = readings_at(self.session.book, task.quantity, place, task.at)
        counting = [one for one in history if not one.fate]
        cells = self._read(place, task, counting, history) if counting else self._stated(place, task, history)
        refused = self.session.refused.at(task, place.name)
        if refused is None:
            return cells
        text, why = refused
        why = f"{why} {counting[-1].reading.text} still counts." if counting else why
        return (cells[0], Cell(text, True, wrong=True, hover=why), *cells[2:-1], Cell(why, hover=why))

    def _read(self, place: Place, task: Task, counting: list[Standing], history: list[Standing]) -> tuple[Cell, ...]:
        latest = counting[-1]
        way, tool = task.row.way(latest.reading.way), self.session.engine.tool(latest.reading.tool)
        stale = staleness(self.session.engine, latest)
        told = latest.reading.text + (f" ×{len(counting)}" if len(counting) > 1 else "")
        also = [f"{key} {text}" for key, text in latest.reading.also.items()]
        named = [(way.short or way.title) if way else "", tool.name if tool else self.session.tr("tool not named")]
        how = ", ".join(part for part in (*also, *named) if part)
        return (
            Cell(place.title, bold=True),
            Cell(told, True, measured=True, struck=bool(stale), hover=tell_history(history)),
            Cell(self._value(place, task), True),
            Cell(how, hover=how),
            Cell(latest.reading.when[:10], hover=latest.reading.when.replace("T", " ")),
            Cell(latest.reading.by),
            Cell(stale or latest.note or self.session.tr("counts"), hover=stale or latest.note),
        )

    def row_names_index(self, name: str) -> int:
        """Give the row of a place by its name."""
        return next(i for i, one in enumerate(self.places) if one.name == name)

    def _stated(self, place: Place, task: Task, history: list[Standing]) -> tuple[Cell, ...]:
        fact = next((one for one in self.session.engine.facts if one.key == (task.quantity, place)), None)
        if fact is None:
            words = self.session.tr("struck out") if history else ""
            return (Cell(place.title, bold=True), Cell("", True, hover=tell_history(history)), Cell("", True),
                    *[Cell()] * 3, Cell(words))  # fmt: skip
        assumed = fact.kind == "assumed"
        return (Cell(place.title, bold=True), Cell(fact.text, True, pencilled=assumed), Cell(self._value(place, task), True),
                *[Cell()] * 3, Cell(f"{fact.kind}, {fact.source}".rstrip(", ")))  # fmt: skip

    def _value(self, place: Place, task: Task) -> str:
        if self.session.examination is None:
            return ""
        from honest_lift.checks.wording import input_words
        from honest_lift.estimates.resolve import resolve

        if task.at:
            return ""
        unit = self.session.unit(task.row.dimension)
        return (
            input_words(resolve(self.session.book, task.quantity, place), self.session.engine)
            .removesuffix(unit)
            .rstrip()
        )
