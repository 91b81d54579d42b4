"""The finding page of one check at the current valve: verdict, working, what it rests on, its doubt, what would settle it."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite
from typing import TYPE_CHECKING

from msgspec.structs import replace
from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QPainter
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QPushButton,
    QScrollArea,
    QSizePolicy,
    QVBoxLayout,
    QWidget,
)

from honest_lift.desk.bit_by_bit import BitByBit
from honest_lift.desk.finding.budget_bar import BudgetBar
from honest_lift.desk.finding.inputs_grid import InputsGrid
from honest_lift.desk.following import follow
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label, plain
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import title_of
from honest_lift.desk.theme import LIGHT
from honest_lift.facts.edits import Edit
from honest_lift.numbers.units import doubt_in_figures, places_for
from honest_lift.numbers.verdict import Verdict

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding
    from honest_lift.plans.remedies import Remedy
    from honest_lift.plans.worth import Worth

_OF_STACK = ("installed_height", "coil_bind_clearance", "seat_load", "open_load")  # what shims and other springs move
_SHOWN = 3  # of what is worth measuring


class VerdictShape(QWidget):
    """One verdict's shape, large."""

    def __init__(self) -> None:
        super().__init__()
        self.theme, self.zoom, self.word = LIGHT, 1.0, "unproven"
        self.setFixedSize(34, 34)

    def paintEvent(self, event) -> None:
        area = QRectF(self.rect())
        paint_verdict(QPainter(self), self.theme, self.word, area.center().x(), area.center().y(), 12 * self.zoom)


class FindingSheet(QWidget):
    """Follows the session: the check looked at, at whichever valve is the current one."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.finding: Finding | None = None
        self._offered: tuple[object, str, str] = (None, "", "")
        self.zoom, self.theme = 1.0, LIGHT
        self.shape, self.title, self.back = VerdictShape(), Label(), QPushButton(self.tr("Back to the sheet (Esc)"))
        self.figure, self.limit, self.reason, self.working = Label(), Label(), Label(), Label()
        self.model, self.inputs, self.budget = InputsGrid(session), GridView(), BudgetBar()
        self.no_doubt, self.worth_words = Label(), Label()
        self.worth = [QPushButton() for _ in range(_SHOWN)]
        self._starts: list[Callable[[], None]] = []
        self.at_work = BitByBit(self)
        self.cure_words = Label()
        self.cures = [QPushButton() for _ in range(_SHOWN)]
        self._edits: list[Edit] = []
        self._build()
        follow(self, (session.changed, session.examined, session.moved), self.refresh)
        self.refresh()

    def _build(self) -> None:
        for label, name in (
            (self.title, "title"), (self.figure, "bigFigure"), (self.limit, "subtitle"), (self.reason, "reason"),
            (self.working, "working"), (self.no_doubt, "hint"), (self.worth_words, "hint"),
            (self.cure_words, "hint"),
        ):  # fmt: skip
            label.setObjectName(name)
            label.setWordWrap(True)
            label.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
        self.working.setAccessibleName(self.tr("Working"))
        self.inputs.setModel(self.model)
        self.inputs.fix({0: 126, 1: 142, 2: 72, 3: 112, 5: 90})
        self.inputs.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.inputs.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAsNeeded)
        self.inputs.setAccessibleName(self.tr("What the finding rests on"))
        for index, button in enumerate(self.worth):
            button.setObjectName("offer")
            button.clicked.connect(lambda _, i=index: self._starts[i]())
        for button in (*self.worth, *self.cures):  # long words never widen the page
            button.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        for index, button in enumerate(self.cures):
            button.setObjectName("offer")
            button.clicked.connect(lambda _, i=index: self.session.do(self._edits[i]))
        self.back.clicked.connect(lambda: self.session.look_into(""))
        head = QHBoxLayout()
        head.addWidget(self.shape)
        head.addWidget(self.title, 1)
        head.addWidget(self.back)
        body = QWidget()
        column = QVBoxLayout(body)
        column.setContentsMargins(0, 0, 8, 0)
        column.setSpacing(7)
        row = QHBoxLayout()
        row.addWidget(self.figure)
        row.addSpacing(14)
        row.addWidget(self.limit, 1)
        column.addLayout(row)
        column.addWidget(self.reason)
        for words, widgets in (
            (self.tr("Working"), [self.working]),
            (self.tr("What it rests on"), [self.inputs]),
            (self.tr("Where the uncertainty comes from"), [self.budget, self.no_doubt]),
            (self.tr("Most worth measuring again"), [self.worth_words, *self.worth]),
            (self.tr("What would put it right"), [self.cure_words, *self.cures]),
        ):
            heading = Label(words)
            heading.setObjectName("heading")
            column.addWidget(heading)
            for widget in widgets:
                column.addWidget(widget)
        column.addStretch(1)
        scroll = QScrollArea()
        scroll.setObjectName("reasonArea")
        scroll.setWidgetResizable(True)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setWidget(body)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(14, 8, 6, 6)
        whole.addLayout(head)
        whole.addWidget(scroll, 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.shape.theme, self.shape.zoom = theme, zoom
        self.inputs.dress(theme, zoom)
        self.budget.dress(theme, zoom)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session, when the page is looked at."""
        session = self.session
        if not session.check or session.examination is None:
            self.at_work.leave()
            self._offered = (None, "", "")
            return
        found = session.examination.by_position.get(session.position, ())
        if session.step == "springs" and not session.engine.position_of(session.spring):
            found = session.examination.by_spring.get(session.spring, ())
        self.finding = next((one for one in found if one.check.name == session.check), None)
        if self.finding is None:
            self._show_none()
        else:
            self._show(self.finding)

    def _show_none(self) -> None:
        self.title.setText(self.tr("Nothing is found by this check here."))
        for label in (self.figure, self.limit, self.reason, self.working, self.worth_words):
            label.setText("")
        self.model.finding = None
        self.model.refresh()
        self.budget.show_shares(())
        for one in self.worth:
            one.hide()

    def _show(self, finding: Finding) -> None:
        from honest_lift.checks import wording
        from honest_lift.checks.signed import signature_of, verdict_words
        from honest_lift.checks.working import working

        engine, signed = self.session.engine, signature_of(self.session.book, finding)
        self.shape.word = finding.verdict.word
        self.shape.update()
        self.title.setText(f"{wording.title(finding)}: {verdict_words(self.session.book, finding)}")
        self.figure.setText(wording.figure_words(finding, engine))
        source = wording.source_words(finding, engine)
        seen = finding.check.dimension == "observed"
        margin = "" if seen else ", " + self.tr("margin {0}").format(wording.margin_words(finding, engine))
        self.limit.setText(f"{wording.limit_words(finding, engine)}{margin}\n{source}".rstrip())
        said = [wording.reason(finding, engine), *([signed.words] if signed is not None else [])]
        self.reason.setText("\n".join(said))
        self.working.setText("\n".join(working(finding, engine)))
        self.model.finding = finding
        self.model.refresh()
        rows = self.model.rowCount()
        self.inputs.setFixedHeight(round((28 + 25 * rows) * self.zoom) + 4)
        self._show_doubt(finding)
        self._offer(finding)

    def _show_doubt(self, finding: Finding) -> None:
        shares = finding.shares()
        self.budget.show_shares(shares)
        self.budget.setVisible(bool(shares))
        self.no_doubt.setVisible(not shares)
        self.no_doubt.setText(
            self.tr("It was looked at, not measured. A judgement has no uncertainty in figures.")
            if finding.check.dimension == "observed"
            else self.tr("There is no figure yet, so it has no uncertainty.")
        )

    # --- what would settle it ---

    def _offer(self, finding: Finding) -> None:
        """Say what is worth measuring, after the page has been painted: each answer is asked of the checks themselves."""
        key = (self.session.book, finding.check.name, finding.place.title)
        if key == self._offered:
            return
        self._offered = key
        self.at_work.leave()
        for one in (*self.worth, *self.cures):
            one.hide()
        self.cure_words.setText("")
        self.worth_words.show()
        if isfinite(finding.figure):
            self.worth_words.setText(self.tr("calculating…"))
            self._work_out(finding)
        else:
            self._offer_missing(finding)

    def _offer_missing(self, finding: Finding) -> None:
        """Offer to measure what is missing here, as the plan has it."""
        here = {finding.position, finding.place.name, self.session.engine.spring_at(finding.position)} - {""}
        from honest_lift.numbers.doubt import Ground

        lacks = {one.quantity for one in finding.inputs if one.ground & Ground.MISSING}
        steps = [
            one
            for one in self.session.plan
            if one.tier == 0 and one.quantity in lacks and (not one.places or here & {p.name for p in one.places})
        ]
        self.worth_words.setText(self._missing_words(finding, any(steps)))
        self._starts = []
        for button, step in zip(self.worth, steps, strict=False):
            places = tuple(one for one in step.places if one.name in here)
            button.setText(
                self.tr("{0}, {1}").format(title_of(self.session, step), places[0].title) if places else step.stated
            )
            button.show()
            self._starts.append(lambda step=step, places=places: self.session.start(replace(step, places=places)))

    def _missing_words(self, finding: Finding, can_be_read: bool) -> str:
        """Say what comes first; of what was seen and is bad, what puts it right and how that is shown."""
        from honest_lift.plans.cures import cures_for

        if finding.verdict is Verdict.FAILS:
            cures = "; or ".join(cures_for(self.session.book, finding))
            return f"{cures[:1].upper()}{cures[1:]}." if cures else self.tr("Put it right, then look again.")
        if can_be_read:
            return self.tr("First what is missing:")
        return self.tr("Nothing here is to be measured; the reason above says what it needs.")

    def _work_out(self, finding: Finding) -> None:
        """Ask the checks, one question at a time, what would settle it and what would put it right."""
        from honest_lift.plans.worth import worth_of, worth_tried

        self.at_work.start(
            worth_tried(self.session.book, finding), lambda tried: self._show_worth(worth_of(finding, tried))
        )

    def _show_worth(self, worth: tuple[Worth, ...]) -> None:
        from honest_lift.plans.remedies import remedies_of, remedies_tried

        found = worth[:_SHOWN]
        self._starts = [lambda one=one: self._start(one) for one in found]
        self.worth_words.setText("" if found else self.tr("Nothing in the drawer would narrow it noticeably."))
        self.worth_words.setVisible(not found)
        for button, one in zip(self.worth, [*found, *[None] * _SHOWN], strict=False):
            button.setVisible(one is not None)
            if one is not None:
                self._name(button, one)
        if self.finding is not None:
            tried = remedies_tried(self.session.book, self.finding)
            self.at_work.start(tried, lambda tried: self._show_cures(remedies_of(tried)))

    def _show_cures(self, found: tuple[Remedy, ...]) -> None:
        """Offer what would put the finding right, each tried on the checks."""
        from honest_lift.plans.cures import cures_for

        finding = self.finding
        machined = cures_for(self.session.book, finding) if finding else ()
        self._edits = [one.edit for one in found]
        wanted = finding is not None and finding.verdict.word in ("fails", "close")
        without = self.tr("No stack of the stock and no spare spring puts it right without failing something else.")
        of_stack = finding is not None and finding.check.name in _OF_STACK
        lines = [f"· {one[:1].upper()}{one[1:]}." for one in machined]
        if not found and (of_stack or not lines):
            lines.insert(
                0,
                without if wanted and of_stack else self.tr("Nothing has to be put right here.") if not wanted else "",
            )
        self.cure_words.setText("\n".join(line for line in lines if line))
        self.cure_words.setVisible(bool(self.cure_words.text()))
        for button, one in zip(self.cures, [*found, *[None] * _SHOWN], strict=False):
            button.setVisible(one is not None)
            halves = (one.effects[:2], one.effects[2:]) if one else ()
            button.setText("\n".join([one.what, *(", ".join(half) for half in halves if half)]) if one else "")
            button.setToolTip(plain(one.words if one else ""))

    def _name(self, button: QPushButton, worth: Worth) -> None:
        finding, engine = self.finding, self.session.engine
        assert finding is not None
        dimension = finding.check.dimension
        unit = engine.unit(dimension)

        def doubt(value: float) -> str:
            return doubt_in_figures(value, dimension, unit, places_for(value, dimension, unit))

        tool = engine.tool(worth.tool)
        by = f", {tool.name}" if tool and worth.way else ""
        now, then = doubt(finding.expanded), doubt(worth.expanded)
        narrower = f"±{now} → ±{then} {unit}, " if now != then else ""  # less than the last digit is not worth showing
        button.setText(f"{worth.words}{by}: {narrower}{worth.verdict.word}")

    def _start(self, worth: Worth) -> None:
        from honest_lift.plans.next_reading import CLOSE, NextStep

        if not worth.way:
            self.session.show_page("Tester")
            return
        self.session.start(
            NextStep(worth.quantity, worth.place.member, None, (worth.place,), CLOSE, 1), worth.way, worth.tool
        )
