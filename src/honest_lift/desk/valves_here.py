"""The valves that were tried in the current seat, side by side; numbering them, putting one in, exchanging two."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import (
    QAbstractItemView,
    QDialog,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
)

from honest_lift.desk import questions
from honest_lift.desk.dialog_row import dialog_row
from honest_lift.desk.engine.page import hint_label
from honest_lift.desk.label import Label, plain
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Edit
from honest_lift.facts.place import at_position, position_title
from honest_lift.facts.valve_edits import NumberValves, PutValves, exchange_valves
from honest_lift.facts.which_valve import valve_at, valves_known
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.plans.head.valve_candidates import Candidate

_HINT = (
    "Put a valve in, read its tip, margin and head, then try the next: what was read of each is kept, and counts again when it is "
    "back in this seat and neither was worked on. What was read of a valve alone goes where it goes."
)


class ValvesHere(QDialog):
    """A row a valve, the one whose tip stands nearest to its neighbours first."""

    def __init__(self, window, session: Session) -> None:
        super().__init__(window)
        self.session = session
        self.found: tuple[Candidate, ...] = ()
        self.setWindowTitle(self.tr("Valves of this seat"))
        self.resize(900, 400)
        self.title, self.wrong = Label(), Label()
        self.title.setObjectName("title")
        self.wrong.setObjectName("caution")
        self.wrong.setWordWrap(True)
        self.table = QTableWidget(0, 7)
        self.table.setTabKeyNavigation(False)
        self.table.setAccessibleName(self.tr("Valves that were tried in this seat"))
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setShowGrid(False)
        self.table.verticalHeader().hide()
        self.table.horizontalHeader().setStretchLastSection(True)
        self._lay_out()
        session.changed.connect(self.refresh)
        session.warned.connect(self.wrong.setText)
        self.refresh()

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.addWidget(self.title)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.table, 1)
        column.addWidget(self.wrong)
        column.addLayout(dialog_row(self, (
            (self.tr("&Number the valves…"), self.number), (self.tr("Put in &another…"), self.put_another),
            (self.tr("Put the chosen one &in"), self.put_chosen), (self.tr("E&xchange with another seat…"), self.exchange),
        )))  # fmt: skip

    @property
    def position(self) -> str:
        """Give the seat looked at."""
        return self.session.position

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.plans.head.valve_candidates import candidates

        fitments, here = self.session.engine.fitments, self.position
        number = valve_at(fitments, here)
        there = self.tr("valve {0} sits in it").format(number) if number else self.tr("its valve has no number")
        self.title.setText(f"{position_title(here)}: {there}")
        self.found = candidates(self.session.book, here)
        length = self.session.unit("length")
        heads = ("valve", "sits at", f"tip height, {length}", "to its neighbours", "margin", "head diameter", "found")
        self.table.setHorizontalHeaderLabels([self.tr(one) for one in heads])
        self.table.setRowCount(len(self.found))
        for row, one in enumerate(self.found):
            for column, text in enumerate(self._cells(one)):
                item = QTableWidgetItem(text)
                item.setToolTip(plain(text))
                self.table.setItem(row, column, item)
        self.table.resizeColumnsToContents()

    def _cells(self, one: Candidate) -> tuple[str, ...]:
        def say(value: float) -> str:
            return in_figures(value, "length", self.session.unit("length"))

        told = ", ".join(f"{check.replace('_', ' ')} {verdict.word}" for check, verdict in one.verdicts.items())
        at = position_title(one.sits_at) if one.sits_at else self.tr("the bench")
        return (one.number, at, say(one.tip_mm), say(one.off_neighbours_mm), say(one.margin_mm), say(one.head_mm), told)

    # --- what is done ---

    def number(self) -> None:
        """Ask for the numbers of all valves in head order, or of the one that is here."""
        engine = self.session.engine
        names = [one.id for one in engine.layout.positions]
        known = [valve_at(engine.fitments, name) or str(i) for i, name in enumerate(names, start=1)]
        question = self.tr("Numbers of all {0} valves in head order, or one for {1}:").format(
            len(names), position_title(self.position)
        )
        typed = questions.words(self, self.tr("Number the valves"), question, " ".join(known))
        if typed is None:
            return
        told = typed.replace(",", " ").split()
        if len(told) == 1:
            self._do(NumberValves({self.position: told[0]}))
        elif len(told) == len(names):
            self._do(NumberValves(dict(zip(names, told, strict=True))))
        else:
            self.wrong.setText(
                self.tr("{0} numbers were given: there are {1} valves, or one here. Put a blank between two.").format(
                    len(told), len(names)
                )
            )

    def put_another(self) -> None:
        """Ask for the number of a valve to put into this seat: a new one, or one that is known."""
        question = self.tr("Number of the valve that is put into {0}:").format(position_title(self.position))
        typed = questions.words(self, self.tr("Another valve"), question)
        if typed is not None:
            self._put(typed)

    def put_chosen(self) -> None:
        """Put the chosen valve back into this seat."""
        row = self.table.currentRow()
        if 0 <= row < len(self.found):
            self._put(self.found[row].number)
        else:
            self.wrong.setText(self.tr("Choose a valve in the list first."))

    def _put(self, number: str) -> None:
        if not valve_at(self.session.engine.fitments, self.position) and number.strip() not in valves_known(
            self.session.engine.fitments
        ):
            question = self.tr(
                "What was read here so far is of a valve without a number. Number it first to keep both apart."
            )
            if not questions.ask(self, self.tr("Another valve"), question, self.tr("Put it in all the same")):
                return
        self._do(PutValves({self.position: number.strip()}))

    def exchange(self) -> None:
        """Ask which seat of the same role this valve changes places with."""
        engine, here = self.session.engine, self.position
        others = [
            one.id for one in engine.layout.positions
            if one.id != here and one.role == at_position(here).role and valve_at(engine.fitments, one.id)
        ]  # fmt: skip
        if not valve_at(engine.fitments, here) or not others:
            self.wrong.setText(
                self.tr("Two valves of one role with a number each are needed: number the valves first.")
            )
            return
        titles = [
            self.tr("{0}, valve {1}").format(position_title(one), valve_at(engine.fitments, one)) for one in others
        ]
        question = self.tr("Valve {0} changes places with").format(valve_at(engine.fitments, here))
        if answer := questions.choose(self, self.tr("Exchange valves"), question, titles):
            self._do(exchange_valves(engine, here, others[titles.index(answer)]))

    def _do(self, edit: Edit) -> None:
        self.wrong.clear()
        self.session.do(edit)  # what can't be done is said
