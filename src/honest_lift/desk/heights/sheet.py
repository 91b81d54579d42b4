"""The springs-and-heights sheet: the spring of the current valve to scale, and the reading grid."""

from __future__ import annotations

from math import isfinite, nan

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.heights.grid import HeightsGrid
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.shown_where import beside
from honest_lift.desk.steps.task import Task
from honest_lift.drawings.scene import Scene
from honest_lift.drawings.spring.height_axis import Dot, height_axis_scene
from honest_lift.drawings.spring.spring import SpringView, spring_scene
from honest_lift.facts.parts import Member
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import from_inside, in_words, unit_of


class HeightsSheet(QWidget):
    """Drawing above, grid below."""

    typed = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle = Label()
        self.task: Task | None = None
        self.drawing = SceneView()
        self.drawing.setAccessibleName(self.tr("The current valve's spring, closed and open, to scale"))
        self.model = HeightsGrid(session)
        self.grid = GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 40, 1: 48, 3: 74, 4: 70, 5: 106, 6: 60, 7: 60, 8: 92, 9: 34})
        self.grid.setAccessibleName(self.tr("Heights and loads of every valve"))
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(8)
        column.addLayout(sheet_head(self.tr("Springs and heights"), self.subtitle))
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 1)
        self.grid.typed.connect(self.typed)
        self.grid.chosen.connect(lambda row, _: session.go(self.model.name(row)))
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(216)
        self.drawing.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        self.model.refresh()
        self.grid.show_row(self.model.row_of(self.session.position))
        position = self.session.position
        spring = self.session.engine.spring_at(position) if position else ""
        words = [position_title(position)] if position else [self.tr("no valve laid out yet")]
        words.append(self.tr("spring {0}").format(spring) if spring else self.tr("no spring fitted"))
        self.subtitle.setText(", ".join(words))
        self._draw()

    def follow_task(self, task: Task | None) -> None:
        """Show where what is being read is measured."""
        self.task = task
        self._draw()

    def _draw(self) -> None:
        self.drawing.show_scenes(beside([(58, self._spring()), (42, self._axis())], self.task, ("installed_height",)))

    def _term(self, check: str, key: str) -> float:
        """Give a value of a finding's working; NaN for none."""
        found = self.session.examination.finding(check, self.session.position) if self.session.examination else None
        return found.term(key) if found else nan

    def _figure(self, check: str) -> float:
        found = self.session.examination.finding(check, self.session.position) if self.session.examination else None
        return found.figure if found else nan

    def _spring(self) -> Scene:
        engine, position = self.session.engine, self.session.position
        length, load = engine.unit("length"), engine.unit("load")
        card = engine.card_of(engine.spring_at(position)) if position else None
        closed, opened = (
            self._term("coil_bind_clearance", "installed_height"),
            self._term("coil_bind_clearance", "open_height"),
        )
        bind = self._term("coil_bind_clearance", "bind_height")

        def view(title: str, height: float, check: str) -> SpringView:
            force = in_words(self._figure(check), "load", load)
            words = force if isfinite(self._figure(check)) else self.tr("load not proven")
            return SpringView(title, height, in_words(height, "length", length), words)

        shims = engine.fitted("shims", position)
        return spring_scene(
            card.members if card else (Member("outer"),),
            (view(self.tr("closed, seat load"), closed, "seat_load"), view(self.tr("full lift, open load"), opened, "open_load")),
            (shims.thicknesses_mm or ()) if shims else (),
            bind,
            self.tr("binds {0}").format(in_words(bind, "length", length)), card.form if card else "",
            lit=self.task is not None and self.task.quantity == "installed_height",
        )  # fmt: skip

    def _axis(self) -> Scene:
        engine, unit = self.session.engine, self.session.unit("length")
        found = (
            {p.id: self.session.examination.finding("installed_height", p.id) for p in engine.layout.positions}
            if self.session.examination
            else {}
        )
        known = {name: one for name, one in found.items() if one}
        dots = [
            Dot(name, from_inside(one.figure, "length", unit), name == self.session.position)
            for name, one in known.items()
        ]
        current = known.get(self.session.position) or next(iter(known.values()), None)
        low, high = (current.lowest, current.highest) if current else (nan, nan)
        ends = (from_inside(low, "length", unit), from_inside(high, "length", unit))
        return height_axis_scene(dots, *ends, unit_of("length", unit).places, unit)
