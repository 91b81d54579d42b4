"""The cut plan of the spring seats: which way to bring them into one plane, and what is done next."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.plans.head.seat_cut import CutPlan

_MEANS = ("cut and shim, least metal", "cut alone", "shim alone")
_ORDER = (1, 0, 2)  # of the plans as they come


class CutBar(QWidget):
    """Chooses a plan, tells it in a line, and records what was cut: the first seat alone, then the rest."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.means, self.record, self.words = QComboBox(), QPushButton(), Label()
        self.means.addItems([self.tr(one) for one in _MEANS])
        self.means.setAccessibleName(self.tr("how the spring seats come into one plane"))
        self.record.setAccessibleName(self.tr("Record what was cut"))
        self.words.setWordWrap(True)
        self.words.setObjectName("hint")
        self.words.setAccessibleName(self.tr("Cut plan of the spring seats"))
        top, column = QHBoxLayout(), QVBoxLayout(self)
        top.addWidget(Label(self.tr("one plane by")))
        top.addWidget(self.means)
        top.addWidget(self.record)
        top.addStretch(1)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(top)
        column.addWidget(self.words)
        self.means.activated.connect(lambda _: self.session.moved.emit())
        self.record.clicked.connect(self._record)

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
        self.words.setText(self._told(plan))
        self.record.setText(self.tr("Record: {0}").format(what) if edit else what)
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

    def _record(self) -> None:
        from honest_lift.plans.head.seat_cut import next_cut

        _, edit = next_cut(self.session.book, self.plan)
        if edit:
            self.session.do(edit)
