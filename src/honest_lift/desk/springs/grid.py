"""The reading grid of the spring bench: a row a spring, its loads at the heights read, its bind heights."""

from __future__ import annotations

from honest_lift.desk.reading_grid import Cell, ReadingGrid, tell_history
from honest_lift.desk.steps import springs
from honest_lift.desk.steps.task import Task
from honest_lift.facts.place import of_spring
from honest_lift.numbers.units import in_figures
from honest_lift.numbers.verdict import Verdict, worst

_BEFORE = 3  # columns ahead of the first that is read


class SpringsGrid(ReadingGrid):
    """Shows every spring in hand, fitted or not."""

    tasks: tuple[Task, ...] = ()

    def row_names(self) -> list[str]:
        """Give the springs by their numbers."""
        return [one.id for one in self.session.engine.springs]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles; what is read follows the current spring's set."""
        of_card = springs.tasks(self.session)
        self.tasks = tuple(
            task
            for task in of_card
            if task.quantity == "bind_height"
            or (task.height_mm and not task.member)
            or (task.quantity == "free_length" and task.member in ("", "outer"))
        )
        unit = self.session.unit("length")
        read = (
            t.title.replace("load at ", "load at\n")
            .replace("bind height, ", "bind\n")
            .replace("free length, outer", "free\nlength")
            .replace("bind height", "bind\nheight")
            .replace("free length", "free\nlength")
            for t in self.tasks
        )
        return (
            "spring",
            "at",
            "set",
            *(one.removesuffix(unit).rstrip() for one in read),
            "% of\nset",
            "% off\ncard",
            "",
        )

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a spring."""
        engine, examination = self.session.engine, self.session.examination
        owner = engine.set_of(name)
        found = examination.by_spring.get(name, ()) if examination else ()
        shares = {one.check.name: one.figure for one in found}
        verdict = worst(one.verdict for one in found) if found else Verdict.UNPROVEN
        return (
            Cell(name, bold=True),
            Cell(engine.position_of(name) or "–"),
            Cell(owner.name if owner else ""),
            *(self._read(name, task) for task in self.tasks),
            Cell(_percent(shares.get("set_share")), True),
            Cell(_percent(shares.get("card_seat_load")), True),
            Cell(verdict=verdict.word),
        )

    def task_of(self, column: int) -> Task | None:
        """Give what is read in a column; None for the others."""
        index = column - _BEFORE
        return self.tasks[index] if 0 <= index < len(self.tasks) else None

    def column_of(self, task: Task | None) -> int:
        """Give the column a task is read in; 0 for none."""
        return _BEFORE + self.tasks.index(task) if task in self.tasks else 0

    def _read(self, name: str, task: Task) -> Cell:
        if refused := self.session.refused.at(task, name):
            return Cell(refused[0], True, wrong=True, hover=refused[1])
        read = task.read_at(self.session.book, of_spring(name, task.member))
        text = next((one.reading.text for one in reversed(read) if not one.fate), "")
        return Cell(text, True, measured=True, hover=tell_history(read))


def _percent(value: float | None) -> str:
    return "–" if value is None or value != value else f"{in_figures(value, 'percent', '%', 0)}"
