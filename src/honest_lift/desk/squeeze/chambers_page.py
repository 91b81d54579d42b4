"""Chambers as they were poured, what is left over each piston, the ratios, and what matching the chambers takes."""

from __future__ import annotations

from math import isfinite, nan
from typing import Any

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.shown_where import beside
from honest_lift.desk.squeeze.grid import ChamberGrid
from honest_lift.desk.steps.task import Task
from honest_lift.drawings.cylinder.chamber_below import Head, chamber_scene
from honest_lift.drawings.profile import Stand, profile_scene
from honest_lift.drawings.scene import Scene
from honest_lift.facts.place import at_cylinder, at_position
from honest_lift.numbers.units import from_inside, in_words, unit_of


class ChambersPage(QWidget):
    """Drawing, grid and words; typing goes to the reading bar."""

    pasted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing, self.model, self.grid, self.words = SceneView(), ChamberGrid(session), GridView(), Label()
        self.drawing.setAccessibleName(self.tr("Clearance volume at TDC, and all chambers over the smallest"))
        self.grid.setModel(self.model)
        self.grid.fix({0: 66, 8: 34})
        self.grid.setAccessibleName(self.tr("Chambers of every cylinder"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the chambers come to"))
        self.task: Task | None = None
        self._for: Any = None
        self._whole: Any = None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 5)
        column.addWidget(scrolled(self.words), 2)
        self.grid.pasted.connect(self.pasted)
        self.grid.chosen.connect(lambda row, _: session.go_place(at_cylinder(self.model.name(row))))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.drawing.wish(176)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.estimates.cylinder.clearance_volume import left_over
        from honest_lift.estimates.cylinder.dynamic_ratio import dynamic_ratio
        from honest_lift.words.cylinder.chambers import chamber_words

        self.model.refresh()
        self.grid.show_row(self.model.row_of(self.session.cylinder))
        book = self.session.book
        if self._for is not book:
            self._for = book
            self._whole = left_over(book) if book.engine.layout.positions else None
            words = chamber_words(book, self._whole, dynamic_ratio(book, self._whole)) if self._whole else ()
            self.words.setText("\n".join(words))
        self._draw()

    def follow_task(self, task: Task | None) -> None:
        """Show where what is being read is measured."""
        self.task = task
        self._draw()

    def _draw(self) -> None:
        bar, spread = (6, self._left_over()), (4, self._chambers())
        third = beside([bar, (4, self._below())], self.task)[-1]
        self.drawing.show_scenes([bar, spread, third], spare=1)

    def _below(self) -> Scene:
        """Draw the chamber of the current cylinder from below."""
        from honest_lift.estimates.resolve import resolve

        book, here, unit = self.session.book, self.session.cylinder, self.session.unit("length")
        heads = []
        for name in book.engine.layout.of_cylinder(here) if here else ():
            across = resolve(book, "head_diameter", at_position(name)).value
            words = in_words(across, "length", unit) if isfinite(across) else ""
            heads.append(Head(name, at_position(name).role, across, words, name == self.session.position))
        bore = resolve(book, "bore", at_cylinder(here)).value if here else nan
        words = self.tr("bore {0}").format(in_words(bore, "length", unit)) if isfinite(bore) else ""
        return chamber_scene(bore, words, heads, self.tr("from below"))

    def _left_over(self) -> Scene:
        from honest_lift.words.cylinder.left_over_drawn import left_over_drawn

        return left_over_drawn(self.session.engine, self._whole, self.session.cylinder)

    def _chambers(self) -> Scene:
        unit, seen = self.session.unit("volume"), self.session.examination
        stands, high = [], nan
        for cylinder in self.session.engine.layout.cylinders:
            first = self.session.engine.layout.of_cylinder(str(cylinder))[0]
            found = seen.finding("chamber_spread", first) if seen else None
            over = from_inside(found.figure, "volume", unit) if found and isfinite(found.figure) else nan
            high = from_inside(found.highest, "volume", unit) if found else high
            stands.append(Stand(str(cylinder), over, str(cylinder) == self.session.cylinder))
        title = self.tr("chambers over the smallest, {0}").format(unit)
        return profile_scene(stands, 0.0 if isfinite(high) else nan, high, title, unit_of("volume", unit).places)
