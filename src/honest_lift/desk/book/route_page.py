"""The route as a living list: what is looked at on the way, and the hold points with what holds them up."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QCheckBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.engine.page import button, hint_label, in_row, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label, plain
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe, Edit, EditError
from honest_lift.facts.mock_up import MOCK_UP
from honest_lift.numbers.mendable import MendableError

if TYPE_CHECKING:
    from honest_lift.checks.route import OnRoute
    from honest_lift.facts.own_route import OwnRoute

_HINT = (
    "What is looked at on the way to the running engine, for the job in hand. A hold point can't be ticked while something of "
    "it fails or is unproven, unless somebody signs for that finding (Ctrl+I on its rung): the verdict stays what it is. The "
    "maker's manual, local rules and qualified people go first."
)
_NAMED = 4


class RouteGrid(ReadingGrid):
    """A row an item."""

    items: tuple[OnRoute, ...] = ()

    def row_names(self) -> list[str]:
        """Give the items."""
        return [one.item.key for one in self.items]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("stage", "done", "held up by", "what", "by", "on")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of an item."""
        from honest_lift.words.route import held_words

        one = next(each for each in self.items if each.item.key == name)
        by, on = (one.ticked.by, one.ticked.when[:10]) if one.ticked else ("", "")
        signed = self.tr("{0} signed").format(len(one.signed)) if one.signed else ""
        done = "✓" if one.is_done else "!" if one.ticked and one.is_held_up else ""
        return (
            Cell(one.item.stage), Cell(done, bold=True), Cell(", ".join(part for part in (held_words(one), signed) if part)),
            Cell(one.item.words, bold=bool(one.item.holds), hover=one.item.words), Cell(by), Cell(on),
        )  # fmt: skip


class RoutePage(QWidget):
    """The list, what the chosen item needs, and the button that ticks it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.model, self.grid, self.told, self.caution = RouteGrid(session), GridView(), Label(), Label()
        self.grid.setModel(self.model)
        self.grid.fix({0: 100, 1: 44, 2: 112, 4: 60, 5: 84})
        self.grid.setAccessibleName(self.tr("The route, item by item"))
        self.caution.setObjectName("caution")
        for label in (self.told, self.caution):
            label.setWordWrap(True)
        self.tick = button(self.tr("Looked at, and right"), self.tick_item)
        self.back = button(self.tr("Withdraw"), self.take_back)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        self.mock_up = {name: QCheckBox(self.tr(name)) for name in MOCK_UP}
        for name, box in self.mock_up.items():
            box.setToolTip(plain(MOCK_UP[name]))
            box.clicked.connect(self._fit_mock_up)
        column.addLayout(in_row(Label(self.tr("only to try:")), *self.mock_up.values()))
        column.addWidget(self.grid, 5)
        column.addWidget(self.caution)
        order = button(self.tr("Machinist's work order…"), self.print_order)
        column.addLayout(in_row(self.tick, self.back, order, button(self.tr("Save the order…"), self.save_order)))
        column.addLayout(self._own_line())
        column.addWidget(scrolled(self.told), 2)
        self.grid.chosen.connect(lambda *_: self._say())

    def _own_line(self) -> QHBoxLayout:
        self.own = QLineEdit()
        self.own.setPlaceholderText(self.tr("an item of your own, after the chosen one's stage"))
        self.own.setAccessibleName(self.tr("Item of your own"))
        self.own.returnPressed.connect(self.add_item)
        line = QHBoxLayout()
        line.addWidget(self.own, 1)
        for words, does in (
            (self.tr("Add"), self.add_item), (self.tr("Leave it out"), self.leave_out),
            (self.tr("Keep for the shop"), self.keep_for_shop), (self.tr("Use the shop's"), self.use_shops),
        ):  # fmt: skip
            line.addWidget(button(words, does))
        return line

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session; the item that was chosen stays so."""
        from honest_lift.checks.route import on_route

        for name, box in self.mock_up.items():
            box.setChecked(name in self.session.engine.mock_up)
        row = self.grid.currentIndex().row()
        self.model.items = on_route(self.session.book, self.session.examination)
        self.model.refresh()
        if self.model.items:
            self.grid.selectRow(min(max(row, 0), len(self.model.items) - 1))
        self._say()

    @property
    def current(self) -> OnRoute | None:
        """Give the item that is chosen."""
        row = self.grid.currentIndex().row()
        return self.model.items[row] if 0 <= row < len(self.model.items) else None

    def _say(self) -> None:
        from honest_lift.checks.signed import signature_of
        from honest_lift.checks.wording import title
        from honest_lift.words.route import UNSEEN

        one = self.current
        self.tick.setEnabled(one is not None and not one.is_held_up)
        self.back.setEnabled(one is not None and one.ticked is not None)
        self.caution.setText(one.item.caution if one else "")
        self.caution.setVisible(bool(one and one.item.caution))
        lines = [f"{one.item.words}. {one.ticked.note if one.ticked else ''}".rstrip()] if one else []
        if one and one.outlived:
            was = self.tr("Ticked by {0} on {1}. Its parts have been changed since: check again.")
            lines.append(was.format(one.outlived.by, one.outlived.when[:10]))
        lines += [one.item.how] if one and one.item.how else []
        for finding in one.held_by[:_NAMED] if one else ():
            lines.append(f"{title(finding)}: {finding.verdict.word}.")
        if one and one.unseen:
            lines.append(self.tr(UNSEEN))
        if one and one.left_in:
            lines.append(self.tr("Still in, and out before this is ticked: {0}.").format(", ".join(one.left_in)))
        if one and len(one.held_by) > _NAMED:
            lines.append(self.tr("And {0} more.").format(len(one.held_by) - _NAMED))
        for finding in one.signed if one else ():
            signed = signature_of(self.session.book, finding)
            lines.append(f"{title(finding)}: {finding.verdict.word}. {signed.words if signed else ''}")
        self.told.setText("\n".join(lines))

    def tick_item(self) -> None:
        """Tick the chosen item, with a word if there is one; what holds it up is said."""
        from honest_lift.facts.book.log_edits import Tick

        one = self.current
        if one is None:
            return
        if one.is_held_up:
            self.session.warned.emit(
                self.tr("It is held up: measure what fails or is unproven, sign for it, or take the mock-up out.")
            )
            return
        note = questions.words(self, self.tr("Tick"), self.tr("{0}. A word on it, or nothing:").format(one.item.words))
        if note is not None:
            self._do(Tick(one.item.key, note))

    def take_back(self) -> None:
        """Take the chosen item's tick back."""
        from honest_lift.facts.book.log_edits import TakeBack

        if (one := self.current) is not None and one.ticked is not None:
            self._do(TakeBack(one.ticked.id))

    def add_item(self) -> None:
        """Add the typed item to the stage of the chosen one."""
        stage = self.current.item.stage if self.current else self.tr("bare head")
        if self._change(lambda: self.session.engine.own_route.with_item(stage, self.own.text()), self.own.text()):
            self.own.clear()

    def leave_out(self) -> None:
        """Leave the chosen item out of this engine's route."""
        if (one := self.current) is not None:
            self._change(lambda: self.session.engine.own_route.without(one.item.key), f"without {one.item.words}")

    def keep_for_shop(self) -> None:
        """Keep this engine's route for the engines that come."""
        from honest_lift.facts.own_route import keep_for_shop

        try:
            keep_for_shop(self.session.engine.own_route)
        except MendableError as error:
            self.session.warned.emit(str(error))
            return
        self.session.told.emit(self.tr("Kept: another engine takes it with “Use the shop's”."))

    def use_shops(self) -> None:
        """Use the shop's own route for this engine."""
        from honest_lift.facts.own_route import shops_own

        self._change(shops_own, self.tr("the shop's own"))

    def _change(self, made: Callable[[], OwnRoute], words: str) -> bool:
        """Change the route of this engine; what can't be is said, and then nothing has changed."""
        try:
            route = made()
        except MendableError as error:
            self.session.warned.emit(str(error))
            return False
        return route == self.session.engine.own_route or self._do(
            Describe({"own_route": route}, f"route: {words[:60]}")
        )

    def _fit_mock_up(self) -> None:
        """Take what is fitted only to try; from now on readings say so."""
        fitted = tuple(name for name, box in self.mock_up.items() if box.isChecked())
        self._do(Describe({"mock_up": fitted}, f"mock-up: {', '.join(fitted) or 'all out'}"))

    def _order(self) -> str:
        from honest_lift.plans.head.work_order import work_order
        from honest_lift.sheets.work_order_text import work_order_text

        seen = self.session.examination
        jobs = work_order(self.session.book, seen) if seen is not None else ()
        return "\n".join(work_order_text(self.session.engine, jobs))

    def print_order(self) -> None:
        """Print the machinist's work order."""
        from honest_lift.desk.printing import print_text

        print_text(self, self._order(), self.tr("Work order"))

    def save_order(self) -> None:
        """Write the work order as text, or as a PDF."""
        from honest_lift.desk.printing import save_text

        save_text(self, self.session, self._order(), self.tr("Work order"))

    def _do(self, edit: Edit) -> bool:
        try:
            return self.session.do(edit)
        except EditError as error:
            self.session.warned.emit(str(error))
            return False
