"""Masses: what a spring turns round over the nose, what each part of it counts at the valve, and the speed it is worth."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.bars import bars_scene

if TYPE_CHECKING:
    from honest_lift.words.train.masses import MassLine

_HINT = (
    "Everything is counted rigid and referred to the valve. The float speed of such a train is an upper bound, since a real one "
    "bends and floats earlier. It ranks springs and masses, not lobes, stiffness or bounce. Masses are stated under "
    "Engine and parts."
)


class MassGrid(ReadingGrid):
    """A row a mass."""

    lines: tuple[MassLine, ...] = ()

    def row_names(self) -> list[str]:
        """Give the masses."""
        return [one.title for one in self.lines]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("what moves", "its mass", "counts", "at the valve", "share", "a tenth less")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a mass."""
        one = next(line for line in self.lines if line.title == name)
        return (
            Cell(one.title, bold=True),
            *(Cell(each, True) for each in (one.mass, one.counts, one.at_valve, one.share, one.worth)),
        )


class MassesPage(QWidget):
    """The sheet of masses of the current valve."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid, self.told = MassGrid(session), GridView(), Label()
        self.grid.setModel(self.model)
        self.grid.fix({0: 250})
        self.grid.setAccessibleName(self.tr("Masses that move with the valve"))
        self.told.setWordWrap(True)
        self.drawing = SceneView()
        self.drawing.wish(236)
        self.drawing.setAccessibleName(self.tr("Masses at the valve, each with what a tenth less of it is worth"))
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 3)
        column.addWidget(scrolled(self.told), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.train.masses import float_words, mass_bars, mass_lines

        seen, here = self.session.examination, self.session.position
        found = seen.finding("float_margin", here) if seen and here else None
        self.model.lines = mass_lines(self.session.book, here, found) if here else ()
        self.model.refresh()
        bars = mass_bars(self.session.book, here, self.model.lines) if here else ()
        missing = self.tr("state the red line and the masses: nothing is counted without them")
        self.drawing.show_scenes([(1, bars_scene(bars, self.tr("at the valve"), missing))])
        self.told.setText("\n".join(float_words(self.session.book, here, found)) if here else "")
