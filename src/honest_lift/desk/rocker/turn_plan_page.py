"""The turn plan: the firing order, the crank wheel with its stops, and lash valve by valve in the order they are reached."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QStringListModel
from PyQt6.QtWidgets import QCompleter, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe
from honest_lift.facts.firing import USUAL, firing_text, read_firing
from honest_lift.numbers.mendable import MendableError

if TYPE_CHECKING:
    from honest_lift.plans.train.turn_plan import TurnPlan

_HINT = (
    "The fewest stops of the crank at which every valve is shut with its lifter on the base circle, for this firing order and this "
    "cam. Lash, the lever tester and shims are read there."
)
_CAUTION = "Plugs out, ignition off, hands clear of belts and chains. Turn by hand, the engine's own way."


class StopGrid(ReadingGrid):
    """A row a valve, in the order the stops reach them."""

    plan: TurnPlan | None = None

    def row_names(self) -> list[str]:
        """Give the valves as they are reached."""
        return list(self.plan.order) if self.plan else []

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("valve", "stop", "inside by", "lash, cold", "lash, hot", "read", "adjuster")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a valve."""
        from honest_lift.words.train.turn_plan import lash_words, turns_words

        assert self.plan is not None
        every = ((i, valve) for i, stop in enumerate(self.plan.stops, 1) for valve in stop.valves)
        number, one = next(pair for pair in every if pair[1].position == name)
        engine = self.session.engine
        cold, hot, read = (lash_words(value, engine) for value in (one.cold_mm, one.hot_mm, one.read_mm))
        return (
            Cell(name, bold=True), Cell(str(number), True), Cell(f"{one.room_deg:.0f}°", True),
            Cell(cold, True), Cell(hot, True), Cell(read, True, measured=True),
            Cell(turns_words(one, engine)),
        )  # fmt: skip


class TurnPlanPage(QWidget):
    """Typed order above, the wheel, then the table. The button walks the valves in this order, lash in the bar."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.order, self.words, self.wrong, self.drawing = QLineEdit(), Label(), Label(), SceneView()
        self.order.setAccessibleName(self.tr("Firing order"))
        self.order.setPlaceholderText("1-3-4-2, or 1@0 2@405")
        self.drawing.setAccessibleName(self.tr("Crank wheel with the stops"))
        self.wrong.setObjectName("caution")
        caution = Label(self.tr(_CAUTION))
        caution.setObjectName("caution")
        for label in (self.words, self.wrong, caution):
            label.setWordWrap(True)
        self.wrong.setVisible(False)
        self.model, self.grid = StopGrid(session), GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 60, 1: 50, 2: 80})
        self.grid.setAccessibleName(self.tr("Valves in the order of the stops"))
        self.walk = button(self.tr("Read lash in this order"), lambda: self.walk_along("lash"))
        self.pull = button(self.tr("Read seat loads in this order"), lambda: self.walk_along("seat_load_engine"))
        self.usual = QStringListModel(self)
        completer = QCompleter(self.usual, self)
        completer.setCompletionMode(QCompleter.CompletionMode.UnfilteredPopupCompletion)
        self.order.setCompleter(completer)
        self.order.editingFinished.connect(self._take)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(caution)
        named = Label(self.tr("firing &order"))
        named.setBuddy(self.order)
        column.addLayout(in_row(named, self.order, self.walk, self.pull))
        column.addWidget(self.wrong)
        column.addWidget(self.drawing, 4)
        column.addWidget(self.grid, 5)
        column.addWidget(scrolled(self.words), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(230)
        self.drawing.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.drawings.cam.crank_wheel import crank_wheel_scene
        from honest_lift.plans.train.turn_plan import turn_plan
        from honest_lift.words.train.turn_plan import plan_lines, wheel_stops

        engine = self.session.engine
        if not self.order.hasFocus():
            self.order.setText(firing_text(engine.firing))
        self.usual.setStringList(list(USUAL.get(len(engine.layout.cylinders), ())))
        plan = turn_plan(self.session.book)
        self.model.plan = plan
        self.model.refresh()
        for one in (self.walk, self.pull):
            one.setEnabled(bool(plan.stops))
        fires = [(one.cylinder, one.at_deg) for one in engine.firing]
        missing = "" if plan.stops else (plan.missing or (self.tr("no valve is laid out yet"),))[0]
        self.drawing.show_scenes([(1, crank_wheel_scene(wheel_stops(plan), fires, missing))])
        self.words.setText("\n".join(plan_lines(plan, engine)))

    def _take(self) -> None:
        """Take the firing order as it was typed; what is wrong with it is said, and what stood there stays."""
        text, engine = self.order.text().strip(), self.session.engine
        try:
            firing = read_firing(text, engine.layout) if text else ()
        except MendableError as error:
            self.wrong.setText(str(error))
            self.wrong.setVisible(True)
            return
        self.wrong.setVisible(False)
        if firing != engine.firing:
            self.session.do(Describe({"firing": firing}, f"firing order {text or 'not stated'}"))

    def walk_along(self, quantity: str) -> None:
        """Stand at the first valve, what is read in the bar; what follows is the next of this order."""
        if self.model.plan and self.model.plan.order:
            self.session.walk_in(self.model.plan.order, quantity)
