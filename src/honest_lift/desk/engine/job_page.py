"""The job in hand: what is being done, which checks it asks, and single ones asked besides or left out."""

from __future__ import annotations

from msgspec import Struct
from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox

from honest_lift.desk.engine.page import Page, button, hint_label
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.edits import Describe
from honest_lift.facts.job import AS_BEGUN, PRESETS, Job

_HINT = (
    "The job decides which checks are asked. A check that is asked and not begun is unproven. One that is not asked gives no "
    "verdict, unless what was measured fails."
)
_ASKED, _NOT = "asked", "not asked"


class AskedCheck(Struct, frozen=True):
    """A check as the job has it."""

    id: str
    title: str
    meaning: str
    step: str
    is_asked: bool
    why: str


class JobPage(Page):
    """A choice of job and a table of its checks."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.preset = QComboBox()
        self.preset.setAccessibleName(self.tr("job in hand"))
        for key, one in PRESETS.items():
            self.preset.addItem(self.tr(one.title), key)
        self.preset.activated.connect(lambda index: self._choose(Job(self.preset.itemData(index))))
        self.meaning = Label()
        self.meaning.setWordWrap(True)
        self.back = button(self.tr("Reset to the job"), lambda: self._choose(Job(self.session.engine.job.preset)))
        self.add_row(Label(self.tr("what is being done")), self.preset, self.back)
        self.column.addWidget(self.meaning)
        self.checks = self.follow(RecordTable(self._columns(), self.tr("Checks of the job")), self._put)
        self.column.addWidget(self.checks, 1)
        self.column.addWidget(hint_label(self.tr("Checks that do not belong to this engine's gear are not listed.")))
        self.refresh()

    def refresh(self) -> None:
        """Show the job as it is."""
        job = self.session.engine.job
        self.preset.setCurrentIndex(self.preset.findData(job.preset))
        preset = PRESETS.get(job.preset)
        self.meaning.setText(
            preset.meaning
            if preset
            else self.tr("A job that another version of this program knows: everything is asked.")
        )
        self.back.setEnabled(bool(job.more or job.less))
        self.checks.show_records(self._rows())

    def _rows(self) -> tuple[AskedCheck, ...]:
        from honest_lift.checks.unbegun import belongs, every_check

        engine = self.session.engine
        job = engine.job
        return tuple(
            AskedCheck(name, check.title, check.meaning, STEPS[check.step].title, job.shows(name), self._why(job, name))
            for name, check in every_check().items() if belongs(engine, name)
        )  # fmt: skip

    def _why(self, job: Job, check: str) -> str:
        if check in job.more:
            return self.tr("asked besides")
        if check in job.less:
            return self.tr("left out")
        if job.preset == AS_BEGUN:
            return self.tr("once it is begun")
        return self.tr("by the job") if check in job.asks else ""

    def _columns(self) -> list[Column]:
        return [
            Column(self.tr("check"), lambda one: one.title, width=230, hover=lambda one: one.meaning),
            Column(self.tr("at"), lambda one: one.step, width=190),
            Column(self.tr("asked"), lambda one: _ASKED if one.is_asked else _NOT,
                   lambda one, text: replace(one, is_asked=text == _ASKED), choices=lambda: (_ASKED, _NOT), width=110),
            Column(self.tr("why"), lambda one: one.why),
        ]  # fmt: skip

    def _put(self, one: AskedCheck) -> None:
        job = self.session.engine.job
        more, less = ({*kept} - {one.id} for kept in (job.more, job.less))
        by_preset = Job(job.preset).shows(one.id)
        if one.is_asked and not by_preset:
            more.add(one.id)
        elif not one.is_asked and by_preset:
            less.add(one.id)
        self._choose(Job(job.preset, tuple(sorted(more)), tuple(sorted(less))))

    def _choose(self, job: Job) -> None:
        if job != self.session.engine.job:
            self.session.do(Describe({"job": job}, f"the job: {job.title}"))
