"""The springs-and-heights sheet: the spring of the current valve to scale, and the reading grid."""

from __future__ import annotations

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
from honest_lift.facts.place import position_title
from honest_lift.words.spring.spring_drawn import heights_drawn, spring_drawn


class HeightsSheet(QWidget):
    """Drawing above, grid below."""

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
        engine, seen, position = self.session.engine, self.session.examination, self.session.position
        lit = self.task is not None and self.task.quantity == "installed_height"
        spring, heights = spring_drawn(engine, seen, position, lit=lit), heights_drawn(engine, seen, position)
        self.drawing.show_scenes(beside([(58, spring), (42, heights)], self.task, ("installed_height",)))
