"""The other way round: the most lift, the highest speed, the ratio and the cam that the springs that are fitted still carry."""

from __future__ import annotations

from collections.abc import Iterator
from math import isfinite
from typing import TYPE_CHECKING

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.match.shelf_here import ShelfHere
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.bars import bars_scene

if TYPE_CHECKING:
    from honest_lift.plans.match.other_way import Outcome

_HINT = (
    "With the springs, retainers and heights that are fitted: an answer is one in which nothing that passes now stops passing. "
    "Each is a trial on a copy of the engine; the limit named is what stops it, or comes nearest to. The sign is the worst of "
    "what stops, and green only where all would pass, were they read as predicted: a trial proves nothing."
)


_DRAWN = 6  # bars that are seen at once


class OutcomesGrid(ReadingGrid):
    """A row an outcome."""

    outcomes: dict[str, Outcome]

    def row_names(self) -> list[str]:
        """Give what was tried."""
        return list(self.outcomes)

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("what is tried", "comes to", "", "nearest limit", "at", "margin", "stop\npassing", "would\npass")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of an outcome."""
        from honest_lift.checks.wording import margin_words
        from honest_lift.words.spring.match import outcome_amount

        one, engine = self.outcomes[name], self.session.engine
        if one.why_not:
            return (Cell(name, bold=True), Cell("–", True, hover=one.why_not), *([Cell()] * 6))
        limit = one.limiting
        sign = Cell(
            verdict="" if one.sign is None else one.sign.word, pencilled=bool(one.of)
        )  # of a trial nothing is proven
        told = margin_words(limit, engine) if limit and isfinite(limit.margin) else "–"
        return (
            Cell(name, bold=True), Cell(outcome_amount(engine, one), True), sign,
            Cell(limit.check.title if limit else "–"), Cell(limit.position if limit else ""), Cell(told, True),
            Cell(str(len(one.stopped) + one.lost or "none"), True),
            Cell(f"{one.passing} of {one.of}" if one.of else "", True),
        )  # fmt: skip


class OtherPage(QWidget):
    """What is tried comes one by one, and the window lives on meanwhile."""

    def __init__(self, session: Session, here: ShelfHere) -> None:
        super().__init__()
        self.session, self.here = session, here
        self.model, self.grid, self.told = OutcomesGrid(session), GridView(), Label()
        self.model.outcomes = {}
        self.grid.setModel(self.model)
        self.grid.fix({1: 88, 2: 30, 3: 124, 4: 36, 5: 84, 6: 62, 7: 96})
        self.grid.setAccessibleName(self.tr("What the fitted springs still carry"))
        self.told.setWordWrap(True)
        self.drawing = SceneView()
        self.drawing.wish(200)
        self.drawing.setAccessibleName(self.tr("What each trial leaves to its nearest limit"))
        self._left: list[Iterator[Outcome]] = []
        self._for: object = None
        self._next = QTimer(self)
        self._next.setInterval(0)
        self._next.timeout.connect(self._step)
        row, column = QHBoxLayout(), QVBoxLayout(self)
        for words, does in (
            (self.tr("Highest speed"), self.speed), (self.tr("Ratios, 1.5 to 1.7"), self.ratios),
            (self.tr("Most lift"), self.lift), (self.tr("Cams of the shelf"), self.cams), (self.tr("Stop"), self.stop),
        ):  # fmt: skip
            row.addWidget(button(words, does))
        row.addStretch(1)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addLayout(row)
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 1)
        column.addWidget(self.told)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session: what was tried on another state is no longer shown."""
        if self._for is not None and self._for is not self.session.book:
            self.stop()
            self._for = None
            self.model.outcomes = {}
            self.told.setText(self.tr("Something has changed since. Calculate again."))
        self.model.refresh()
        self._draw()

    def _draw(self) -> None:
        from honest_lift.words.spring.match import outcome_bars

        bars = outcome_bars(self.session.engine, self.model.outcomes.values())[:_DRAWN]
        title = self.tr("left to the nearest limit, in shares of its comfort margin; filled: nothing stops passing")
        missing = self.tr("choose what to try: what each leaves to its nearest limit is drawn here")
        self.drawing.show_scenes([(1, bars_scene(bars, title, missing))])

    # --- trying ---

    def _start(self, *ways: Iterator[Outcome]) -> None:
        if self.session.examination is None:
            self.told.setText(self.tr("The engine is still being calculated."))
            return
        if self._for is not self.session.book:
            self.model.outcomes = {}
        self._for = self.session.book
        self._left += ways
        self.told.setText(self.tr("trying…"))
        self._next.start()

    def _step(self) -> None:
        """Try the next one."""
        outcome = next(self._left[0], None) if self._left else None
        if outcome is not None:
            self.model.outcomes = {**self.model.outcomes, outcome.title: outcome}
            self.model.refresh()
            self._draw()
        elif self._left:
            del self._left[0]
        if not self._left:
            self._next.stop()
            self._say()

    def _say(self) -> None:
        """Say why something could not be tried."""
        why: dict[str, list[str]] = {}
        for one in self.model.outcomes.values():
            if one.why_not:
                why.setdefault(one.why_not, []).append(one.title)
        self.told.setText("\n".join(f"{', '.join(titles)}: {words}." for words, titles in why.items()))

    def speed(self) -> None:
        """Say the highest speed."""
        from honest_lift.checks.train.float_margin import BOUND
        from honest_lift.plans.match.other_way import SPEEDS, highest_speed

        if seen := self.session.examination:
            found = [highest_speed(seen, check) for check in SPEEDS]
            self._start(iter(found))
            if not found[0].why_not:
                self.session.told.emit(self.tr("The highest speed of a rigid train is {0}.").format(BOUND))

    def ratios(self) -> None:
        """Try the usual ratios."""
        from honest_lift.plans.match.other_way import ratios

        if seen := self.session.examination:
            self._start(ratios(self.session.book, seen))

    def lift(self) -> None:
        """Look for the most lift of intakes and of exhausts."""
        from honest_lift.plans.match.other_way import most_lift

        if seen := self.session.examination:
            self._start(*(most_lift(self.session.book, seen, role) for role in ("intake", "exhaust")))

    def cams(self) -> None:
        """Try every cam card of the shelf."""
        from honest_lift.plans.match.other_way import cams
        from honest_lift.shelf.kinds import PARTS

        if seen := self.session.examination:
            self._start(cams(self.session.book, seen, self.here.shelf.parts(PARTS["cams"], self.here.chosen)))

    def stop(self) -> None:
        """Stop trying; what is found so far stays."""
        self._next.stop()
        self._left.clear()
        self._say()
