"""One trial: its changes, a slider on the chosen one, and everything that moves with them."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtWidgets import QCheckBox, QComboBox, QHBoxLayout, QSlider, QVBoxLayout, QWidget

from honest_lift.desk import questions
from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.desk.trial.changes_table import ChangesTable
from honest_lift.desk.trial.ripple_grid import RippleGrid
from honest_lift.facts.changes import KINDS, Change
from honest_lift.facts.edits import Drop, EditError, Put, new_id
from honest_lift.facts.trials import Trial

if TYPE_CHECKING:
    from honest_lift.plans.trial import Ripple

_STEPS = 100
_ROWS = 4  # of changes that are seen at once
_WORDS_AFTER_MS = 80


class OnePage(QWidget):
    """Nothing is changed on the engine until a trial is accepted."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.kept, self.table = QComboBox(), ChangesTable(session)
        self.kept.setAccessibleName(self.tr("Trials kept with this engine"))
        self.slider, self.sliding = QSlider(Qt.Orientation.Horizontal), Label()
        self.slider.setRange(-_STEPS, _STEPS)
        self.slider.setAccessibleName(self.tr("Amount of the chosen change"))
        self.model, self.grid, self.words = RippleGrid(session), GridView(), Label()
        self.grid.setModel(self.model)
        self.grid.fix({0: 138, 1: 78, 2: 146, 3: 146, 4: 40, 5: 40})
        self.grid.setAccessibleName(self.tr("What this trial moves"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What this trial comes to"))
        self.each = QCheckBox(self.tr("every finding"))
        self._for: tuple[Any, ...] = ()
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._middle, self._zoom = 0.0, 1.0
        self._lay_out()
        self._connect()

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        self.accept = button(self.tr("Apply to engine"), self.take)
        column.addLayout(in_row(
            self.kept, button(self.tr("Keep as…"), self.keep), button(self.tr("Delete trial"), self.forget),
            button(self.tr("Delete change"), self.table.drop), self.accept,
        ))  # fmt: skip
        column.addWidget(self.table)
        row = QHBoxLayout()
        self.sliding.setMinimumWidth(230)
        row.addWidget(self.sliding)
        row.addWidget(self.slider, 1)
        row.addWidget(self.each)
        column.addLayout(row)
        column.addWidget(self.grid, 5)
        column.addWidget(scrolled(self.words), 2)

    def _connect(self) -> None:
        self.table.changed.connect(self._changed)
        self.table.selectionModel().currentRowChanged.connect(lambda *_: self._centre())
        self.slider.valueChanged.connect(self._slide)
        self.slider.sliderReleased.connect(self._say)
        self.each.toggled.connect(self._show_each)
        self.kept.activated.connect(lambda _: self._open())
        self.grid.chosen.connect(lambda row, _: self.session.go(self.model.position(row)))
        self._soon.timeout.connect(self._say)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.table.dress(theme, zoom)
        self.table.verticalHeader().setDefaultSectionSize(round(25 * zoom))
        self._zoom = zoom
        self._fit()

    def _fit(self) -> None:
        """Give the table room for its changes and the next one, and what is left to what they move."""
        rows = min(len(self.table.changes) + 1, _ROWS)
        self.table.setFixedHeight(round((32 + 25 * rows) * self._zoom))

    # --- following ---

    def refresh(self) -> None:
        """Follow the session: another book, or other findings, are rippled anew."""
        self._fill_kept()
        self.table.show_changes(self.table.changes)
        self._fit()
        held = (self.session.book, self.session.examination)
        if any(now is not then for now, then in zip(held, self._for, strict=False)) or not self._for:
            self._for = held
            self._centre()
            self._work_out()
            self._say()

    def _fill_kept(self) -> None:
        trials = self.session.engine.trials
        names = [self.tr("this trial"), *(one.name for one in trials)]
        if [self.kept.itemText(i) for i in range(self.kept.count())] != names:
            before = self.kept.currentText()
            self.kept.clear()
            self.kept.addItems(names)
            self.kept.setCurrentIndex(max(self.kept.findText(before), 0))

    def show_changes(self, changes) -> None:
        """Try other changes."""
        self.table.show_changes(changes)
        self._changed()

    def _changed(self) -> None:
        self._fit()
        self._centre()
        self._work_out()
        self._say()

    def _work_out(self) -> None:
        """Ripple the changes; what can't be made is said, and the ripple is none."""
        from honest_lift.plans.trial import ripple

        self.ripple: Ripple | None = None
        self.trouble = ""
        seen = self.session.examination
        changes = self._told()
        if seen is not None and changes:
            try:
                self.ripple = ripple(self.session.book, seen, changes)
            except EditError as error:
                self.trouble = str(error)
        self.model.ripple = self.ripple
        self.model.refresh()
        self.accept.setEnabled(self.ripple is not None)

    def _told(self) -> tuple[Change, ...]:
        """Give the changes that say something: a part that is not named yet is none."""
        return tuple(one for one in self.table.changes if KINDS[one.kind].how != "part" or one.part)

    def _say(self) -> None:
        from honest_lift.plans.trial import to_read_again
        from honest_lift.words.trial import again_words, missing_words, trial_words

        if self.ripple is None:
            empty = self.tr("Choose a change, where and by how much: everything that moves with it is listed here, and the engine "
                            "stays as it is until the trial is accepted.")  # fmt: skip
            self.words.setText(self.trouble or empty)
            return
        book, changes = self.session.book, self._told()
        again = again_words(self.ripple.tried, to_read_again(book, self.ripple.tried))
        lines = [*trial_words(book, changes, self.ripple), again, *missing_words(book, changes)]
        self.words.setText("\n".join(one for one in lines if one))

    # --- the slider ---

    def _centre(self) -> None:
        """Let the slider stand where the chosen change does."""
        change = self.table.chosen
        kind = KINDS[change.kind] if change else None
        usable = kind is not None and kind.reach > 0
        self.slider.setEnabled(usable)
        if not usable or self.slider.isSliderDown():
            self.sliding.setText(self.sliding.text() if usable else "")
            return
        self._middle = 0.0 if kind.how == "by" else self.table._present(kind)
        self.slider.blockSignals(True)
        self.slider.setValue(round((change.amount - self._middle) / kind.reach * _STEPS))
        self.slider.blockSignals(False)
        self.sliding.setText(kind.title.partition(";")[0])

    def _slide(self, value: int) -> None:
        change = self.table.chosen
        if change is None:
            return
        kind = KINDS[change.kind]
        low, high = kind.inside
        amount = min(max(self._middle + value / _STEPS * kind.reach, low), high)
        changes = [one if one.id != change.id else _with_amount(one, amount) for one in self.table.changes]
        self.table.show_changes(changes)
        self._work_out()
        self._soon.start(_WORDS_AFTER_MS)

    def _show_each(self, on: bool) -> None:
        self.model.each = on
        self.model.refresh()

    # --- keeping and accepting ---

    def _open(self) -> None:
        index = self.kept.currentIndex()
        if index > 0:
            self.show_changes(self.session.engine.trials[index - 1].changes)

    def keep(self) -> None:
        """Keep the trial with the engine, under a name."""
        if not self.table.changes:
            self.session.told.emit(self.tr("There is nothing to keep yet: choose a change."))
            return
        name = questions.words(self, self.tr("Keep the trial"), self.tr("Its name:"), self._name())
        if not name:
            return
        known = next((one.id for one in self.session.engine.trials if one.name == name), new_id())
        if self.session.do(Put("trials", Trial(known, name, self.table.changes))):
            self.kept.setCurrentIndex(self.kept.findText(name))

    def _name(self) -> str:
        from honest_lift.plans.change_edits import words_of

        if self.kept.currentIndex() > 0:
            return self.kept.currentText()
        return ", ".join(words_of(self.session.engine, one) for one in self._told())[:60]

    def forget(self) -> None:
        """Take the kept trial out of the engine, or empty the one that is not kept."""
        index = self.kept.currentIndex()
        if index > 0:
            self.session.do(Drop("trials", self.session.engine.trials[index - 1].id))
        self.kept.setCurrentIndex(0)
        self.show_changes(())

    def take(self) -> None:
        """Make the changes, as one edit."""
        from honest_lift.plans.trial import edit_for

        changes = self._told()
        try:
            edit = edit_for(self.session.book, changes, self.tr("trial accepted: {0}").format(self._name()))
        except EditError as error:
            self.session.warned.emit(str(error))
            return
        self.table.show_changes(())
        if self.session.do(edit):
            self.session.told.emit(
                self.tr("Accepted: what it moves is predicted until it is read again. F2 starts with that.")
            )


def _with_amount(change, amount: float):
    from msgspec.structs import replace

    return replace(change, amount=round(amount, 6))
