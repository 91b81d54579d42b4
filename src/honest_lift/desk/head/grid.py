"""The reading grid of the bare head: a row a valve, the columns of the open page."""

from __future__ import annotations

from honest_lift.desk.head.pages import PAGES, Page
from honest_lift.desk.reading_grid import Cell, ReadingGrid, tell_history
from honest_lift.desk.steps.task import Task
from honest_lift.facts.edits import readings_at
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import is_stale
from honest_lift.numbers.units import in_figures, places_for
from honest_lift.numbers.verdict import Verdict, worst

_BEFORE = 1  # columns ahead of the first that is read


class HeadGrid(ReadingGrid):
    """Shows what was read at each valve, what is found of it, and the worst verdict of the page."""

    page: Page = PAGES[0]

    def row_names(self) -> list[str]:
        """Give the valves in head order."""
        return [one.id for one in self.session.engine.layout.positions]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles of the page."""
        return ("valve", *(title for _, title in self.page.read), *(title for _, title in self.page.found), "")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a valve."""
        return (
            Cell(name, bold=True),
            *(self._read(name, task) for task, _ in self.page.read),
            *(Cell(self._found(name, check), True) for check, _ in self.page.found),
            Cell(verdict=self._verdict(name).word),
        )

    def task_of(self, column: int) -> Task | None:
        """Give what is read in a column; None for the others."""
        index = column - _BEFORE
        return self.page.read[index][0] if 0 <= index < len(self.page.read) else None

    def column_of(self, task: Task | None) -> int:
        """Give the column a task is read in; 0 for none."""
        return next((_BEFORE + i for i, (one, _) in enumerate(self.page.read) if one == task), 0)

    def _read(self, name: str, task: Task) -> Cell:
        if refused := self.session.refused.at(task, name):
            return Cell(refused[0], True, wrong=True, hover=refused[1])
        history = readings_at(self.session.book, task.quantity, at_position(name, task.member))
        latest = next((one for one in reversed(history) if not one.fate), None)
        stale = latest is not None and is_stale(self.session.engine, latest)
        text = latest.reading.text if latest else ""
        return Cell(text, True, measured=True, struck=stale, hover=tell_history(history))

    def _found(self, name: str, check: str) -> str:
        finding = self.session.examination.finding(check, name) if self.session.examination else None
        if finding is None or finding.figure != finding.figure:
            return "–"
        dimension = finding.check.dimension
        unit = self.session.unit(dimension)
        return in_figures(finding.figure, dimension, unit, places_for(finding.expanded, dimension, unit))

    def _verdict(self, name: str) -> Verdict:
        """Give the worst verdict of what the page reads: of checks that rest on one of its quantities."""
        if self.session.examination is None:
            return Verdict.UNPROVEN
        own = {task.quantity for task, _ in self.page.read}
        return worst(
            one.verdict
            for one in self.session.examination.by_position.get(name, ())
            if any(given.quantity in own for given in one.inputs)
        )
