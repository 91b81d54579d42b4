"""Head bolts: the map in the order they are pulled, bolt by bolt; every step that is done is an entry of the book."""

from __future__ import annotations

import re

from msgspec.structs import replace
from PyQt6.QtWidgets import QGridLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.facts.bolts import MOST_STEPS, TORQUE_NM, BoltPlan, places_of, pulled, read_numbers
from honest_lift.facts.book.bound import parts_of, still_of
from honest_lift.facts.book.log_edits import Tick
from honest_lift.facts.book.written import written
from honest_lift.facts.edits import Describe, EditError
from honest_lift.facts.route import BOLTS
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import in_figures, in_words

_HINT = (
    "Pattern, torque, lubricant and what is pulled again after the first heat are the manual's: none is invented here. Without an "
    "own order it goes from the middle out, crosswise, in equal steps. A ring marks a bolt that enters water: sealer on its thread."
)


class BoltsPage(QWidget):
    """The figures above, the map, and the button that goes from bolt to bolt."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.head, self.step, self.turn = 0, 1, 0  # where one is: the head, its step, how many bolts of it are done
        self.begun: tuple[object, ...] = ()  # what it is done to: of another head or by another plan it begins anew
        self.fields = {name: QLineEdit() for name in ("torque", "steps", "order", "wet", "lubricant", "after_heat")}
        form = QGridLayout()
        form.setVerticalSpacing(4)
        for i, (name, words, hint) in enumerate((
            ("torque", "last &torque, by the manual", "90 N·m or 66 lb ft"), ("steps", "in equal &steps", "3"),
            ("order", "own o&rder of places", "empty: from the middle out"), ("wet", "places that enter &water", "2 5 9"),
            ("lubricant", "&lubricant, sealer", "by the manual"), ("after_heat", "pulled a&gain after heat", "by the manual"),
        )):  # fmt: skip
            self.fields[name].setPlaceholderText(self.tr(hint))
            self.fields[name].setAccessibleName(self.tr(words).replace("&", ""))
            self.fields[name].editingFinished.connect(lambda name=name: self._take(name))
            label = Label(self.tr(words))
            label.setBuddy(self.fields[name])
            form.addWidget(label, i // 2, 2 * (i % 2))
            form.addWidget(self.fields[name], i // 2, 2 * (i % 2) + 1)
        self.drawing, self.told, self.wrong = SceneView(), Label(), Label()
        self.drawing.setAccessibleName(self.tr("Bolts of the head in the order they are pulled"))
        self.wrong.setObjectName("caution")
        self.wrong.setVisible(False)
        for one in (self.told, self.wrong):
            one.setWordWrap(True)
        self.next = button(self.tr("This bolt is pulled"), self.pull)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addLayout(form)
        column.addWidget(self.wrong)
        column.addWidget(self.drawing, 1)
        column.addLayout(
            in_row(
                self.next, button(self.tr("Other head"), self.other_head), button(self.tr("From the first"), self.again)
            )
        )
        column.addWidget(self.told)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(230)
        self.drawing.dress(theme, zoom)

    @property
    def plan(self) -> BoltPlan:
        """Give the plan as it is stated."""
        return self.session.engine.bolts

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.drawings.head.bolts import Spot, bolts_scene

        plan, engine = self.plan, self.session.engine
        unit = engine.unit("torque")
        told = {
            "torque": f"{in_figures(plan.torque_nm, 'torque', unit)} {unit}" if plan.torque_nm is not None else "",
            "steps": str(plan.steps), "order": " ".join(map(str, plan.order)), "wet": " ".join(map(str, plan.wet)),
            "lubricant": plan.lubricant, "after_heat": plan.after_heat,
        }  # fmt: skip
        for name, text in told.items():
            if not self.fields[name].hasFocus():
                self.fields[name].setText(text)
        heads = engine.layout.heads
        if not heads:
            self.next.setEnabled(False)
            self.drawing.show_scenes([])
            self.told.setText(self.tr("No head is laid out yet."))
            return
        head = heads[self.head % len(heads)]
        order = pulled(head, plan)
        begun = (engine.id, head.name, len(order), plan.order, plan.steps, plan.torque_nm)
        if begun != self.begun:
            self.begun, self.turn, self.step = begun, 0, 1
        self.next.setEnabled(self.turn < len(order))
        spots = [
            Spot(i, one.number, one.x_mm, one.y_mm, one.number in plan.wet, i <= self.turn, i == self.turn + 1)
            for i, one in enumerate(order, 1)
        ]
        self.drawing.show_scenes([(1, bolts_scene(head.name, spots))])
        self.told.setText(self._words(head.name, len(order)))

    def _words(self, head: str, many: int) -> str:
        plan, unit = self.plan, self.session.engine.unit("torque")
        amount = plan.at_step(self.step)
        to = in_words(amount, "torque", unit) if amount is not None else self.tr("torque not stated: the manual's")
        here = self.tr("{0} head, step {1} of {2}, bolt {3} of {4}: {5}.").format(
            head, self.step, plan.steps, self.turn + 1, many, to
        )
        if self.turn == many:
            here = self.tr("{0} head: all {1} steps are done: {2}.").format(head, plan.steps, to)
        engine = self.session.engine
        done = [
            one for key, one in written(self.session.book.journal).ticked.items()
            if key.startswith(f"{BOLTS}{head} ") and still_of(engine, one, parts_of(engine, key))
        ]  # fmt: skip
        past = "; ".join(f"{one.item.removeprefix('bolts ')} {one.when[:10]} {one.by}" for one in done)
        return "\n".join(
            part for part in (here, self.tr("Done: {0}.").format(past) if past else "", plan.after_heat) if part
        )

    def pull(self) -> None:
        """Go to the next bolt; after the last of a step that step is an entry of the book."""
        heads = self.session.engine.layout.heads
        head = heads[self.head % len(heads)]
        if self.turn + 1 == len(places_of(head)):
            amount = self.plan.at_step(self.step)
            word = in_words(amount, "torque", self.session.engine.unit("torque")) if amount is not None else ""
            try:
                if not self.session.do(Tick(f"{BOLTS}{head.name} step {self.step} of {self.plan.steps}", word)):
                    return
            except EditError as error:
                self.session.warned.emit(str(error))
                return
        self.turn += 1
        if self.turn == len(places_of(head)) and self.step < self.plan.steps:
            self.turn, self.step = 0, self.step + 1
        self.refresh()

    def other_head(self) -> None:
        """Go to the next head, from its first bolt."""
        self.head += 1
        self.again()

    def again(self) -> None:
        """Begin this head from its first bolt and step."""
        self.turn, self.step = 0, 1
        self.refresh()

    def _take(self, name: str) -> None:
        """Take a field as it was typed; what is wrong with it is said, and what stood there stays."""
        text = self.fields[name].text().strip()
        try:
            plan = replace(self.plan, **self._read(name, text))
        except (EntryError, MendableError) as error:
            self.wrong.setText(str(error))
            self.wrong.setVisible(True)
            return
        self.wrong.setVisible(False)
        if plan != self.plan:
            self.session.do(Describe({"bolts": plan}, f"head bolts: {name.replace('_', ' ')} {text or 'not stated'}"))

    def _read(self, name: str, text: str) -> dict[str, object]:
        heads = self.session.engine.layout.heads
        most = max((len(places_of(one)) for one in heads), default=0)
        if name == "torque":
            field = Field.within("torque", self.session.engine.unit("torque"), TORQUE_NM)
            return {"torque_nm": parse(text, field) if text else None}
        if name == "steps":
            if not re.fullmatch("[0-9]", text) or not 1 <= int(text) <= MOST_STEPS:
                raise MendableError(f"Steps are a whole number from 1 to {MOST_STEPS}.")
            return {"steps": int(text)}
        if name in ("order", "wet"):
            return {name: read_numbers(text, most, whole=name == "order")}
        return {name: text}
