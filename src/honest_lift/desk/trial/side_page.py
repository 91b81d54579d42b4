"""Trials side by side: for every check that one of them moves, where the engine stands worst now and in each."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid, sign_cell
from honest_lift.desk.session import Session
from honest_lift.facts.edits import EditError

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination


class SideGrid(ReadingGrid):
    """A row a check, a pair of columns a trial."""

    columns: tuple[tuple[str, Examination], ...] = ()
    checks: tuple[str, ...] = ()
    titles: dict[str, str]

    def row_names(self) -> list[str]:
        """Give the checks that any trial moves."""
        return list(self.checks)

    def head_words(self) -> tuple[str, ...]:
        """Give a title for each trial, and none for its verdicts."""
        return ("check, worst", *(word for name, _ in self.columns for word in (name, "")))

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the worst of a check, now and in every trial."""
        from honest_lift.plans.trial_lines import worst_of
        from honest_lift.words.trial import worst_words

        cells = [Cell(self.titles[name], bold=True)]
        for _, found in self.columns:
            worst = worst_of(found, name)
            cells += [Cell(worst_words(self.session.engine, worst)), sign_cell(worst)]
        return tuple(cells)


class SidePage(QWidget):
    """The kept trials beside the engine as it is."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid, self.told = SideGrid(session), GridView(), Label()
        self.grid.setModel(self.model)
        self.grid.setAccessibleName(self.tr("Kept trials side by side"))
        self.told.setWordWrap(True)
        self._for: tuple[Any, ...] = ()
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(hint_label(self.tr("Kept trials beside the engine as it is: each check at its worst.")))
        column.addWidget(self.grid, 1)
        column.addWidget(self.told)
        self.model.reshaped.connect(self._size_columns)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)

    def _size_columns(self) -> None:
        self.grid.fix(dict.fromkeys(range(2, self.model.columnCount(), 2), 34))

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.plans.trial import ripple
        from honest_lift.plans.trial_lines import checks_moved

        seen, trials = self.session.examination, self.session.engine.trials
        held = (self.session.book, seen)
        if self._for and all(now is then for now, then in zip(held, self._for, strict=True)):
            return
        self._for = held
        ripples, troubles = {}, []
        for one in trials if seen else ():
            try:
                ripples[one.name] = ripple(self.session.book, seen, one.changes)
            except EditError as error:
                troubles.append(f"{one.name}: {error}")
        self.model.checks = checks_moved(ripples.values())
        self.model.titles = {
            one.check.name: one.check.title for found in ripples.values() for one in found.found.findings
        }
        now = ((self.tr("now"), seen),) if seen else ()
        self.model.columns = (*now, *((name, found.found) for name, found in ripples.items()))
        self.model.refresh()
        none = self.tr("No trial is kept yet: keep one or more under a name to see them side by side here.")
        self.told.setText("\n".join(troubles) if trials else none)
