"""The cut plan of the spring seats: which way to bring them into one plane, and what is done next."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QComboBox, QLineEdit, QPushButton, QVBoxLayout, QWidget

from honest_lift.desk.flow import Flow
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import State, Unstate, now
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import Place, position_title
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures, in_words

if TYPE_CHECKING:
    from honest_lift.plans.head.seat_cut import CutPlan

_MEANS = ("cut and shim, min metal", "cut alone", "shim alone")
_ORDER = (1, 0, 2)  # of the plans as they come


class CutBar(QWidget):
    """Chooses a plan, tells it in a line, and records what was cut: the first seat alone, then the rest."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.means, self.record, self.words, self.plane = QComboBox(), QPushButton(), Label(), QLineEdit()
        self.plane.setAccessibleName(self.tr("wanted plane of the spring seats, over specification"))
        self.plane.setPlaceholderText(self.tr("least metal"))
        self.plane.setFixedWidth(96)
        self.means.addItems([self.tr(one) for one in _MEANS])
        self.means.setAccessibleName(self.tr("how the spring seats come into one plane"))
        self.record.setAccessibleName(self.tr("Record what was cut"))
        self.words.setWordWrap(True)
        self.words.setObjectName("hint")
        self.words.setAccessibleName(self.tr("Cut plan of the spring seats"))
        column = QVBoxLayout(self)
        top = Flow(
            Label(self.tr("one plane by")), self.means, Label(self.tr("plane of this head at")), self.plane, self.record
        )
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(top)
        column.addWidget(self.words)
        self.means.activated.connect(lambda _: self.session.moved.emit())
        self.record.clicked.connect(self._record)
        self.plane.editingFinished.connect(self._ask)

    @property
    def plan(self) -> CutPlan:
        """Give the chosen plan as the engine stands."""
        from honest_lift.plans.head.seat_cut import cut_plans

        return cut_plans(self.session.book)[_ORDER[self.means.currentIndex()]]

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.plans.head.seat_cut import next_cut

        plan = self.plan
        what, edit = next_cut(self.session.book, plan)
        self._show_plane()
        self.words.setText(self._told(plan))
        self.record.setText(self.tr("&Record: {0}").format(what) if edit else what)
        self.record.setVisible(bool(what))
        self.record.setEnabled(edit is not None)

    def _told(self, plan: CutPlan) -> str:
        unit = self.session.unit("length")
        places = 4 if unit == "in" else 2

        def say(value: float) -> str:
            return in_words(value, "length", unit, places)

        words = [f"{one[:1].upper()}{one[1:]}." for one in plan.problems]
        if plan.seats:
            planes = [f"{say(mm)}{f' ({head})' if len(plan.planes) > 1 else ''}" for head, mm in plan.planes]
            words.insert(0, f"Plane at {' and '.join(planes)} to specification, {say(plan.metal_mm)} of metal in all.")
            cut = [f"{position_title(one.position)} {say(one.cut_mm)}" for one in plan.to_cut]
            raised = [
                f"{position_title(one.position)} {' + '.join(map(say, one.stack_mm))}"
                for one in plan.seats
                if one.stack_mm
            ]
            words += [f"Cut {', '.join(cut)}."] if cut else []
            words += [f"Shims under {', '.join(raised)}."] if raised else []
            if cut:
                words.append(
                    "Oil the pilot; measure the first cut again before the rest; see that the cutter touches where the map says."
                )
        return " ".join(words)

    @property
    def _head(self) -> Place | None:
        position = self.session.position
        return Place("head", self.session.engine.layout.head_of(position)) if position else None

    def _show_plane(self) -> None:
        """Show what was asked for at the current head, unless somebody is typing there."""
        head = self._head
        self.plane.setEnabled(head is not None)
        if not self.plane.hasFocus():
            self.plane.setText(self._asked(head) if head else "")

    def _asked(self, head: Place) -> str:
        fact = next((one for one in self.session.engine.facts if one.key == ("seat_plane", head)), None)
        return (
            in_figures(
                fact.value, "length", self.session.unit("length"), 4 if self.session.unit("length") == "in" else 2
            )
            if fact
            else ""
        )

    def _ask(self) -> None:
        """State the plane that is typed; a blank gives it back to the least metal."""
        head, text, unit = self._head, self.plane.text().strip(), self.session.unit("length")
        if head is None or text == self._asked(head):
            return
        try:
            value = parse(text, Field.within("length", unit, CATALOG["seat_plane"].physical))
        except EntryError as error:
            self.session.warned.emit(str(error))
            return
        if value is None:
            self.session.do(Unstate("seat_plane", head))
        else:
            self.session.do(State((Fact("seat_plane", head, value, text=text, unit=unit, when=now()),)))

    def _record(self) -> None:
        from honest_lift.plans.head.seat_cut import next_cut

        _, edit = next_cut(self.session.book, self.plan)
        if edit:
            self.session.do(edit)
