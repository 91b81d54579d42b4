"""The plan as a grid: a row a pocket, from the stack that lies there to the one that should, and what comes of it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.plans.spring.shims import Pocket, ShimPlan


class ShimGrid(ReadingGrid):
    """Shows a plan. What changes stands in bold; figures are predicted, and look so."""

    plan: ShimPlan | None = None

    def row_names(self) -> list[str]:
        """Give the pockets of the plan."""
        return [one.position for one in self.plan.pockets] if self.plan else []

    def head_words(self) -> tuple[str, ...]:
        """Give the titles with their units."""
        length, load = self.session.unit("length"), self.session.unit("load")
        return ("pocket", "spring", f"shims now, {length}", f"shims then, {length}", f"height\nthen, {length}", f"window, {length}",
                f"seat\nload, {load}", f"open\nload, {load}", f"coil-bind\nclearance, {length}")  # fmt: skip

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a pocket."""
        assert self.plan is not None
        one = next(pocket for pocket in self.plan.pockets if pocket.position == name)
        moved = self.session.engine.spring_at(name) != one.spring
        return (
            Cell(position_title(name), bold=True),
            Cell(one.spring, bold=moved),
            Cell(self._stack(one.before_mm), True),
            Cell(self._stacks(one), True, bold=one.after_mm != one.before_mm),
            Cell(self._length(one.height_mm), True, pencilled=True),
            Cell(self._window(one), True, hover=self._edges(one)),
            Cell(in_figures(one.seat_load_n, "load", self.session.unit("load")), True, pencilled=True),
            Cell(in_figures(one.open_load_n, "load", self.session.unit("load")), True, pencilled=True),
            Cell(self._length(one.bind_margin_mm), True, pencilled=True),
        )

    def _length(self, value: float) -> str:
        return in_figures(value, "length", self.session.unit("length"))

    def _stack(self, thicknesses: tuple[float, ...]) -> str:
        return " + ".join(self._length(one) for one in thicknesses) or "none"

    def _stacks(self, one: Pocket) -> str:
        inner = "" if one.inner_mm is None else f" / {self._stack(one.inner_mm)}"
        return self._stack(one.after_mm) + inner

    def _window(self, one: Pocket) -> str:
        low, high = one.window.low, one.window.high
        return f"{self._length(low.height_mm)}–{self._length(high.height_mm)}" if low and high else ""

    def _edges(self, one: Pocket) -> str:
        low, high = one.window.low, one.window.high
        return f"from {low.name} to {high.name}" if low and high else ""
