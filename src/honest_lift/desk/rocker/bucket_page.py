"""Bucket shims over the whole head: the shim that is in, the lash that was read, and which shim to put where."""

from __future__ import annotations

from math import isfinite
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.rocker.bucket import bucket_scene
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.stock_line import read_counted, read_sizes
from honest_lift.numbers.entry import EntryError
from honest_lift.numbers.units import in_figures, in_words

if TYPE_CHECKING:
    from honest_lift.plans.train.bucket_shims import BucketPlan

_WIDTHS = (60, 78, 78, 78, 86, 78, 130, 86)
_HINT = (
    "New shim = the one that is in + lash measured - lash wanted. Type the shims that are in and the lash at the bar below; "
    "shims change places before any is bought."
)


class BucketGrid(ReadingGrid):
    """A row a valve."""

    plan: BucketPlan | None = None

    def row_names(self) -> list[str]:
        """Give the valves in head order."""
        return [one.position for one in self.plan.shims] if self.plan else []

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("valve", "shim in", "lash", "wanted", "exact shim", "take", "from", "lash then")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a valve."""
        assert self.plan is not None
        one, unit = next(each for each in self.plan.shims if each.position == name), self.session.unit("length")

        def cell(value: float, **look: bool) -> Cell:
            return Cell(in_figures(value, "length", unit, _FINE[unit]) if isfinite(value) else "–", True, **look)

        source = one.source or (f"lacks {one.missing}" if one.missing else "none fits")
        return (Cell(name, bold=True), cell(one.old_mm), cell(one.measured_mm, measured=True), cell(one.wanted_mm),
                cell(one.exact_mm, pencilled=True), cell(one.new_mm, bold=True), Cell(source, hover=source),
                cell(one.lash_mm, pencilled=True))  # fmt: skip


_FINE = {"in": 4, "mm": 3}


class BucketPage(QWidget):
    """The valves above, the drawer and what is sold below. Taking the plan is one edit; nothing read before proves it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid = BucketGrid(session), GridView()
        self.grid.setModel(self.model)
        self.grid.setAccessibleName(self.tr("Bucket shims valve by valve"))
        self.words, self.wrong, self.drawing = Label(), Label(), SceneView()
        self.drawing.wish(190)
        self.drawing.setAccessibleName(self.tr("Bucket, shim and lash of the current valve"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the shim plan comes to"))
        self.wrong.setObjectName("caution")
        self.wrong.setWordWrap(True)
        self.drawer, self.sold = QLineEdit(), QLineEdit()
        self.drawer.setAccessibleName(self.tr("bucket shims in the drawer"))
        self.sold.setAccessibleName(self.tr("bucket shims that can be bought"))
        hint = Label(self.tr(_HINT))
        hint.setObjectName("hint")
        hint.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint)
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 3)
        self.drawer.setMinimumWidth(250)
        self.sold.setMinimumWidth(190)
        column.addLayout(in_row(Label(self.tr("in the drawer:")), self.drawer, Label(self.tr("sold:")), self.sold,
                                button(self.tr("Record shims as fitted"), self.take)))  # fmt: skip
        column.addWidget(self.wrong)
        column.addWidget(scrolled(self.words), 1)
        self.drawer.editingFinished.connect(self.take_drawer)
        self.sold.editingFinished.connect(self.take_sold)
        self.grid.chosen.connect(lambda row, _: self.session.go(self.model.name(row)))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.plans.train.bucket_shims import plan_bucket_shims
        from honest_lift.words.rocker.finger import OVERHEAD_BELIEF

        engine, unit = self.session.engine, self.session.unit("length")
        plan = self.model.plan = plan_bucket_shims(self.session.book)
        self.model.refresh()
        self.grid.show_row(self.model.row_of(self.session.position))
        fine = _FINE[unit]
        one = next((each for each in plan.shims if each.position == self.session.position), None)
        if one is not None:
            shim, lash = (
                f"{name} {in_words(mm, 'length', unit, fine)}" if isfinite(mm) else ""
                for name, mm in (("shim", one.old_mm), ("lash", one.measured_mm))
            )
            self.drawing.show_scenes([(1, bucket_scene(one.old_mm, shim, lash))])
        if not self.drawer.hasFocus():
            self.drawer.setText("; ".join(f"{in_figures(one.thickness_mm, 'length', unit, fine)} x {one.count or 0}"
                                          for one in engine.bucket_stock))  # fmt: skip
            self.drawer.setCursorPosition(0)
        if not self.sold.hasFocus():
            self.sold.setText("; ".join(in_figures(one, "length", unit, fine) for one in engine.bucket_sold))
            self.sold.setCursorPosition(0)
        self.drawer.setPlaceholderText(".0984 x 2; .1004" if unit == "in" else "2.50 x 2; 2.55")
        self.sold.setPlaceholderText(".080 to .130 by .002" if unit == "in" else "2.00 to 3.20 by .05")
        told = [f"{one[:1].upper()}{one[1:]}." for one in plan.problems]
        self.words.setText("\n".join((_plan_words(plan, unit), *told, OVERHEAD_BELIEF)))

    def take_drawer(self) -> None:
        """State what lies in the drawer. What can't be read stays in the line, with the reason."""
        self._take(self.drawer, "bucket_stock", lambda text, unit, inside: tuple(
            ShimSize(f"bucket-{size:.4f}", size, count) for size, count in read_counted(text, unit, inside)))  # fmt: skip

    def take_sold(self) -> None:
        """State what can be bought."""
        self._take(self.sold, "bucket_sold", read_sizes)

    def _take(self, line: QLineEdit, field: str, read) -> None:
        if not line.isModified():
            return
        unit = self.session.unit("length")
        try:
            found = read(line.text(), unit, CATALOG["lash_shim"].physical)
        except EntryError as error:
            self.wrong.setText(str(error))
            return
        self.wrong.clear()
        line.setModified(False)
        if found != getattr(self.session.engine, field):
            line.clearFocus()
            self.session.do(Describe({field: found}, f"{len(found)} sizes of bucket shim"))

    def take(self) -> None:
        """Fit the shims as planned."""
        plan = self.model.plan
        if plan is None or not plan.moved:
            self.wrong.setText(self.tr("Nothing is to be changed."))
            return
        if self.session.do(plan.edit(self.session.engine)):
            self.session.told.emit(self.tr("Fitted as planned: read the lash again at every valve that was changed."))


def _plan_words(plan: BucketPlan, unit: str) -> str:
    if not any(isfinite(one.exact_mm) for one in plan.shims):
        return "State the shims that are in and read the lash: the bar below takes both, valve by valve."
    if not plan.moved:
        return "Every shim that is known stays where it is."
    buys = ", ".join(in_words(one, "length", unit, _FINE[unit]) for one in plan.bought_mm)
    return f"{plan.moved} shims change, {f'{len(plan.bought_mm)} to buy: {buys}' if buys else 'none to buy'}."
