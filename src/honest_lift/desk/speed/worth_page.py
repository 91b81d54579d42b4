"""What more would take: what each figure of the current valve's train is worth in speed, alone and two together."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.session import Session

if TYPE_CHECKING:
    from honest_lift.words.train.speed import WorthLine

_HINT = (
    "Each figure is changed by itself in the simulation, by a good share up and down. Far from where the engine is now it is a "
    "direction, not a promise: try it under Trial."
)


class WorthGrid(ReadingGrid):
    """A row a figure."""

    lines: tuple[WorthLine, ...] = ()

    def row_names(self) -> list[str]:
        """Give the figures."""
        return [one.title for one in self.lines]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("figure", "now", "a tenth more", "for 500 rpm more")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a figure."""
        one = next(line for line in self.lines if line.title == name)
        return (Cell(one.title, bold=True), *(Cell(each, True) for each in (one.now, one.tenth, one.wanted)))


class WorthPage(QWidget):
    """The table, with the cheapest pair under it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid, self.told = WorthGrid(session), GridView(), Label()
        self.grid.setModel(self.model)
        self.grid.fix({0: 250})
        self.grid.setAccessibleName(self.tr("What each figure is worth in speed"))
        self.told.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.grid, 3)
        column.addWidget(scrolled(self.told), 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.train.speed import pair_words, speed_words, worth_lines

        moved, case = self.session.in_motion
        self.model.lines = worth_lines(moved, case, self.session.engine) if moved is not None else ()
        self.model.refresh()
        pair = pair_words(moved, case) if moved is not None else ""
        self.told.setText(pair if self.model.lines else speed_words(moved, case, None))
