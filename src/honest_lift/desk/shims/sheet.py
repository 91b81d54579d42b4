"""The shim plan sheet: the goal, the plan with its proof, accepting it as one edit, the bench card, and the stock."""

from __future__ import annotations

from math import nan
from typing import TYPE_CHECKING

from msgspec.structs import replace
from PyQt6.QtWidgets import QCheckBox, QComboBox, QHBoxLayout, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, in_row
from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.desk.shims.grid import ShimGrid
from honest_lift.desk.workers import Errand
from honest_lift.drawings.spring.pocket_windows import PocketWindow, pocket_windows_scene
from honest_lift.facts.edits import Describe, Drop, Put, new_id
from honest_lift.facts.place import position_title
from honest_lift.facts.shims import ShimSize
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import from_inside, in_figures, in_words, unit_of

if TYPE_CHECKING:
    from honest_lift.plans.spring.shims import ShimPlan
    from honest_lift.plans.spring.windows import Window

_SAME = 1e-6
_GOALS = {
    "target": "every height to its target",
    "shortest": "every height to the shortest pocket",
    "seat load": "seat loads as alike as can be",
    "open load": "open loads as alike as can be",
}


class ShimsSheet(QWidget):
    """Plans are worked out beside the window, which lives on; Cancel gives the best found so far."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.result = Label(), Label()
        self.goal, self.springs = QComboBox(), QComboBox()
        for key, words in _GOALS.items():
            self.goal.addItem(self.tr(words), key)
        self.goal.setAccessibleName(self.tr("Goal of the plan"))
        self.springs.setAccessibleName(self.tr("Springs of the plan"))
        self.make = button(self.tr("Calculate plan"), self.work_out)
        self.cancel = button(self.tr("Cancel"), self._cancel)
        self.accept = button(self.tr("Apply to engine"), self.take)
        self.card = button(self.tr("Save a bench card…"), self.save_card)
        self.paper = button(self.tr("Print it…"), self.print_card)
        self.model, self.grid = ShimGrid(session), GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 84, 1: 50, 4: 68, 6: 60, 7: 60, 8: 92})
        self.grid.setAccessibleName(self.tr("The shim plan, pocket by pocket"))
        self.drawing = SceneView()
        self.drawing.setAccessibleName(self.tr("The window of installed heights of every pocket"))
        self._windows: tuple[object, list[Window]] = (None, [])
        self.stock = RecordTable(self._columns(), self.tr("Shims in stock"))
        self.base = QCheckBox(self.tr("a hardened one under every spring (aluminium)"))
        self._errand: Errand | None = None
        self._length = ""
        self._lay_out()
        self._connect()
        self.refresh()

    def _lay_out(self) -> None:
        self.result.setObjectName("working")
        self.result.setWordWrap(True)
        self.result.setAccessibleName(self.tr("What the plan reaches"))
        stock = Label(self.tr("Shims in stock under outer springs; a blank count is as many as are wanted:"))
        stock.setObjectName("hint")
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.addLayout(sheet_head(self.tr("Shim plan"), self.subtitle))
        column.addLayout(in_row(self.goal, self.springs, self.make, self.cancel))
        column.addWidget(self.result)
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 1)
        column.addLayout(in_row(self.accept, self.card, self.paper))
        column.addWidget(stock)
        below = QHBoxLayout()
        below.addWidget(self.stock, 5)
        side = QVBoxLayout()
        side.addLayout(in_row(button(self.tr("Add a size"), self._add), button(self.tr("Delete size"), self._drop)))
        side.addWidget(self.base)
        side.addStretch(1)
        below.addLayout(side, 4)
        column.addLayout(below)

    def _connect(self) -> None:
        self.stock.records.put.connect(lambda one: self.session.do(Put("shim_stock", one)))
        self.stock.records.refused.connect(self.session.warned)
        self.base.clicked.connect(
            lambda on: self.session.do(Describe({"hardened_base": on}, "hardened base under the springs"))
        )
        self.grid.chosen.connect(lambda row, _: self.session.go(self.model.name(row)))
        follow(self, (self.session.changed, self.session.examined, self.session.moved), self.refresh)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.drawing.wish(132)
        self.drawing.dress(theme, zoom)
        self.stock.dress(theme, zoom)
        self.stock.setFixedHeight(round(112 * zoom))

    def refresh(self) -> None:
        """Follow the session; a plan made for another state is no longer shown."""
        engine = self.session.engine
        fresh = self._length != engine.unit("length")
        self._length = engine.unit("length")
        self.stock.show_records(engine.shim_stock, self._columns() if fresh else None)
        self.base.setChecked(bool(engine.hardened_base))
        sets = [
            ("", self.tr("springs as they are fitted")),
            *((one.id, self.tr("free: {0}").format(one.name)) for one in engine.sets),
        ]
        if [self.springs.itemText(i) for i in range(self.springs.count())] != [words for _, words in sets]:
            self.springs.clear()
            for key, words in sets:
                self.springs.addItem(words, key)
        if self.model.plan is not None and self._for is not self.session.book:
            self.model.plan = None
            self.result.setText(self.tr("Something has changed since: work the plan out again."))
        self.model.refresh()
        self.grid.show_row(self.model.row_of(self.session.position))
        self._draw()
        self._enable()

    # --- the windows ---

    def _draw(self) -> None:
        """Draw the windows of what is fitted, or of what the plan fits, where the sheet is looked at."""
        session = self.session
        if session.step != "shims" or session.examination is None:
            return
        unit = session.unit("length")
        plan = {one.position: one for one in self.model.plan.pockets} if self.model.plan else {}
        drawn = []
        for own in self._fitted():
            pocket = plan.get(own.position)
            window = pocket.window if pocket else own
            found = session.examination.finding("installed_height", own.position)
            ends = (window.low, window.high) if not window.missing else (None, None)
            low, high, now, then = (
                from_inside(one, "length", unit)
                for one in (
                    *(nan if edge is None else edge.height_mm for edge in ends), found.figure if found else nan,
                    pocket.height_mm if pocket else nan,
                )
            )  # fmt: skip
            drawn.append(PocketWindow(own.position, low, high, now, then, own.position == session.position))
        self.drawing.show_scenes([(1, pocket_windows_scene(drawn, unit_of("length", unit).places, unit))])
        here = next((one for one in self._fitted() if one.position == session.position), None)
        here = plan[session.position].window if session.position in plan else here
        self.subtitle.setText(self._window_words(here) if here else "")

    def _fitted(self) -> list[Window]:
        """Give the windows of the springs as they are fitted; remembered while the engine is the same."""
        book = self.session.book
        if self._windows[0] is not book:
            from honest_lift.checks.examine import gathered_of
            from honest_lift.plans.spring.windows import windows_of

            gathered = gathered_of(book)
            self._windows = (book, windows_of(book, gathered, list(enumerate(gathered.rows))))
        return self._windows[1]

    def _window_words(self, window: Window) -> str:
        where = position_title(window.position)
        if window.missing or window.low is None or window.high is None:
            return f"{where}: {window.missing or 'no limits make a window'}"
        unit = self.session.unit("length")
        low, high = (in_figures(edge.height_mm, "length", unit) for edge in (window.low, window.high))
        empty = self.tr("empty: ") if window.width_mm < 0 else ""
        return f"{where}: {empty}{low} ({window.low.name}) to {high} {unit} ({window.high.name})"

    def _enable(self) -> None:
        working = self.is_working
        self.make.setEnabled(not working)
        self.cancel.setEnabled(working)
        for one in (self.accept, self.card, self.paper):
            one.setEnabled(self.model.plan is not None and bool(self.model.plan.pockets))
        if not self.result.text():
            self.result.setText(self.tr("No plan has been calculated yet."))

    # --- working it out ---

    def _cancel(self) -> None:
        if self._errand is not None:
            self.session.searches.cancel(self._errand)

    @property
    def is_working(self) -> bool:
        """Tell whether a plan is being worked out."""
        return self._errand is not None and not self._errand.is_over

    def work_out(self) -> None:
        """Work the plan out, beside the window."""
        if self.is_working:
            return
        book, goal, springs = self.session.book, self.goal.currentData(), self.springs.currentData()
        errand = self.session.searches.start(
            "plan_shims", book, goal, springs, told=self._show_found, done=lambda plan: self._show(book, plan)
        )
        self._errand = errand
        errand.ended.connect(lambda: self._over(errand))
        self.result.setText(self.tr("calculating…"))
        self._enable()

    def _over(self, errand: Errand) -> None:
        """Say it where a plan ended with no plan."""
        if errand.error or (errand.is_cancelled and self.model.plan is None):
            self.result.setText(self.tr("It was not calculated. {0}.").format(errand.error or self.tr("cancelled")))
        self._enable()

    def _show_found(self, spread_n: float) -> None:
        """Say what a plan on the way reaches, while a better one is looked for."""
        if self.is_working:
            reached = in_words(spread_n, "load", self.session.unit("load"), 1)
            self.result.setText(
                self.tr("A plan with loads {0} apart is found; Cancel takes it. Looking for a better one…").format(
                    reached
                )
            )

    def _show(self, book: object, plan: ShimPlan) -> None:
        if book is not self.session.book:
            self.result.setText(self.tr("Something has changed since: work the plan out again."))
            self._enable()
            return
        self._for, self.model.plan = book, plan
        self.result.setText(plan_words(plan, self.session))
        self.model.refresh()
        self._draw()
        self._enable()

    _for: object = None

    def take(self) -> None:
        """Accept the plan as one edit."""
        plan = self.model.plan
        if plan and plan.pockets and self.session.do(plan.edit(self.session.engine)):
            self.session.told.emit(
                self.tr("Accepted: the heights are predicted until one reading a pocket confirms them.")
            )

    def print_card(self) -> None:
        """Print the plan as a bench card."""
        from honest_lift.desk.printing import print_text
        from honest_lift.sheets.bench_card import bench_card

        if plan := self.model.plan:
            print_text(self, bench_card(self.session.engine, plan), self.tr("Bench card"))

    def save_card(self) -> None:
        """Write the plan as a bench card."""
        from honest_lift.desk.printing import save_text
        from honest_lift.sheets.bench_card import bench_card

        if plan := self.model.plan:
            save_text(self, self.session, bench_card(self.session.engine, plan), self.tr("Bench card"))

    # --- the stock ---

    def _columns(self) -> list[Column]:
        unit = self.session.unit("length")

        def put(one: ShimSize, text: str) -> ShimSize:
            value = parse(text, Field.within("length", unit, (0.01, 20.0)))
            if value is None:
                raise EntryError("A shim has a thickness, as in .015.")
            return replace(one, thickness_mm=value)

        return [
            Column(self.tr("thickness, {0}").format(unit), lambda one: in_figures(one.thickness_mm, "length", unit), put,
                   right=True, width=110),
            Column(self.tr("how many"), lambda one: "" if one.count is None else str(one.count), _put_count, right=True, width=90),
            Column(self.tr("goes under"), lambda one: one.fits, lambda one, text: replace(one, fits=text),
                   choices=lambda: ("both", "outer", "inner"), width=100),
            Column(self.tr("hardened"), lambda one: "yes" if one.hardened else "no",
                   lambda one, text: replace(one, hardened=text == "yes"), choices=lambda: ("no", "yes")),
        ]  # fmt: skip

    def _add(self) -> None:
        self.session.do(Put("shim_stock", ShimSize(new_id(), 0.381 if self._length == "in" else 0.5)))

    def _drop(self) -> None:
        if self.stock.current is None:
            self.session.warned.emit(self.tr("Choose the size to take out."))
            return
        self.session.do(Drop("shim_stock", self.stock.current.id))


def _put_count(one: ShimSize, text: str) -> ShimSize:
    plain = text.strip()
    if plain and not (plain.isascii() and plain.isdigit()):
        raise EntryError(f"“{text}”: type a whole number of shims, or leave it blank where they are not counted.")
    return replace(one, count=int(plain) if plain else None)


def plan_words(plan: ShimPlan, session: Session) -> str:
    """Say what a plan reaches and what proves it, or why there is none."""
    if not plan.pockets:
        return "\n".join(f"{words[:1].upper()}{words[1:]}." for words in plan.problems)
    dimension = "load" if plan.goal in ("seat load", "open load") else "length"
    unit = session.unit(dimension)
    places = 1 if dimension == "load" else None
    reached, bound = (in_words(one, dimension, unit, places) for one in (plan.measure, plan.bound))
    what = {
        "target": "The farthest height is {0} from its target",
        "shortest": "The farthest height is {0} above the shortest pocket's",
        "seat load": "Largest less smallest seat load is {0}",
        "open load": "Largest less smallest open load is {0}",
    }[plan.goal].format(reached)
    proof = "proven: no plan does better" if plan.proven else f"no plan can do better than {bound}"
    if plan.proven and plan.bound < plan.measure - _SAME:
        gain = in_words(plan.measure - plan.bound, dimension, unit, places)
        proof = f"proven: no plan betters it by more than {gain}, and the loads are no surer than that"
    return "\n".join(
        [f"{what}; {proof}. {_counted(plan, session)}", *(f"{one[:1].upper()}{one[1:]}." for one in plan.problems)]
    )


def _counted(plan: ShimPlan, session: Session) -> str:
    """Say how many shims of each size the whole plan takes, and how many of them are not in stock."""
    wanted, unit = plan.wanted(session.engine), session.unit("length")
    if not wanted:
        return "No shims at all."
    sizes = ", ".join(f"{one.count} × {in_figures(one.thickness_mm, 'length', unit)}" for one in wanted)
    lacking = ", ".join(
        f"{one.lacking} × {in_figures(one.thickness_mm, 'length', unit)}" for one in wanted if one.lacking
    )
    buy = f" To buy: {lacking} {unit}." if lacking else ""
    return f"{sum(one.count for one in wanted)} shims in all: {sizes} {unit}.{buy}"
