"""The reading bar: what is being measured, where, by which way and tool, and one wide entry. Enter confirms."""

from __future__ import annotations

from msgspec.structs import replace
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QColor, QGuiApplication, QKeyEvent, QPainter
from PyQt6.QtWidgets import QComboBox, QLineEdit, QSizePolicy, QWidget

from honest_lift.desk.bar_hint import explain_choices, hint_words, howto_words
from honest_lift.desk.bar_layout import lay_out
from honest_lift.desk.entry_line import Entry
from honest_lift.desk.instruments.gauge_in_bar import GaugeInBar
from honest_lift.desk.label import Label, plain
from honest_lift.desk.pasting import paste
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.steps.task import Task, places_of
from honest_lift.desk.taking import Taken, edit_for
from honest_lift.desk.theme import LIGHT
from honest_lift.desk.typed_value import Typed, doubtful, read_two_ways, read_typed, understood_words
from honest_lift.facts.columns import ColumnError
from honest_lift.facts.edits import EditError
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.place import Place
from honest_lift.facts.quantity import Way
from honest_lift.numbers.entry import EntryError


class ReadingBar(QWidget):
    """Takes readings. A refused entry stays to be mended; a confirmed one steps to the next place."""

    questioned = pyqtSignal()  # something unusual is asked about, or could not be read

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme = session, LIGHT
        self.setObjectName("bar")
        self._asked_of = ""  # the text that questions were asked about
        self._asked: frozenset[str] = frozenset()  # the questions about it that were asked: Enter again answers them
        self._ways: dict[str, str] = {}
        self._tools: dict[str, str] = {}
        self._tasks: list[Task] = []
        self._filled: tuple[object, ...] = ()
        self._build()
        self.gauge = GaugeInBar(self, session.lines)
        for signal in (session.moved, session.changed, session.stepped):
            signal.connect(self.follow)
        session.told.connect(lambda words: self.say(words, error=False))
        session.warned.connect(lambda words: self.say(words, error=True))
        session.confirmed.connect(self._say_confirmed)
        session.asked.connect(self.choose_step)
        self.follow()

    zoom = 1.0

    def _build(self) -> None:
        self.what, self.way, self.tool = QComboBox(), QComboBox(), QComboBox()
        for box in (self.way, self.tool):  # the words beside the entry need the room more; the list opens whole
            box.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            box.setMinimumContentsLength(30)
        self.where = Label()
        self.where.setObjectName("barPlace")
        self.entry = Entry()
        self.entry.walked.connect(self.session.walk)
        self.entry.entered.connect(lambda repeat: self.confirm(repeat=repeat))
        self.entry.pasted.connect(self.paste)
        self.entry.setMaxLength(200)
        self.also, self.also_label = QLineEdit(), Label()
        self.also.setObjectName("barAlso")
        self.also.setAccessibleName(self.tr("what else the way asks for"))
        self.also_label.setObjectName("barSmall")
        self.also.textEdited.connect(lambda _: self._typed(self.entry.text()))
        self.also.returnPressed.connect(self.entry.setFocus)
        self.understood, self.hint, self.then = Label(), Label(), Label()
        self.understood.setObjectName("barUnderstood")
        self.understood.setWordWrap(True)
        self.hint.setObjectName("barSmall")
        self.hint.setWordWrap(True)  # a caution is never cut
        self.hint.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)  # it never pushes the entry
        self.then.setObjectName("barSmall")
        names = ("What is measured", "Way of measuring", "Tool", "Reading")
        for widget, name in zip((self.what, self.way, self.tool, self.entry), names, strict=True):
            widget.setAccessibleName(self.tr(name))
        lay_out(self)
        self.what.activated.connect(self._choose_task)
        self.way.activated.connect(self._choose_way)
        self.tool.activated.connect(self._choose_tool)
        self.entry.textEdited.connect(self._typed)

    def paintEvent(self, event) -> None:
        QPainter(self).fillRect(self.rect(), QColor(self.theme.bar))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme = theme
        self.setFixedHeight(round(76 * zoom))
        self.entry.setFixedHeight(round(46 * zoom))
        self.zoom = zoom
        self._size_entry()
        self.beside.setFixedWidth(round(76 * zoom))

    def _size_entry(self) -> None:
        """Keep the entry wide, and let it give room to the words where a second box stands beside it."""
        self.entry.setMinimumWidth(round((140 if self.beside.isVisibleTo(self) else 190) * self.zoom))

    # --- what is measured ---

    @property
    def task(self) -> Task | None:
        """Give what is being measured."""
        index = self.what.currentIndex()
        return self._tasks[index] if 0 <= index < len(self._tasks) else None

    @property
    def place(self) -> Place | None:
        """Give where it is being measured."""
        return self.task.place(self.session) if self.task else None

    def choose(self, task: Task) -> None:
        """Choose what to measure."""
        if task in self._tasks:
            self.what.setCurrentIndex(self._tasks.index(task))
            self._choose_task()

    def choose_step(self, step, way: str, tool: str) -> None:
        """Choose what a step of the plan asks for, by a way and with a tool if it names them."""
        self.follow()
        key = (step.quantity, step.member, step.height_mm)
        task = next((one for one in self._tasks if (one.quantity, one.member, one.height_mm) == key), None)
        if task is None:
            return
        if way:
            self._ways[step.quantity] = way
        if way and tool:
            self._tools[f"{step.quantity}/{way}"] = tool
        self.choose(task)
        self.entry.setFocus()

    def follow(self) -> None:
        """Follow the session to its place; what is typed stays."""
        step = STEPS[self.session.step]
        tasks = step.tasks(self.session)
        if tasks != self._tasks:
            before, self._tasks = self.task, tasks
            self.what.clear()
            self.what.addItems([task.title for task in tasks])
            if before in tasks:
                self.what.setCurrentIndex(tasks.index(before))
        if self.task and step.is_walked_by_choice:
            self.session.walks = self.task.kind
        self.setVisible(step.has_bar)
        self._show_task()

    def _choose_task(self) -> None:
        if self.task and STEPS[self.session.step].is_walked_by_choice:
            self.session.walk_along(self.task.kind)
        self._show_task()
        self.entry.setFocus()

    def _show_task(self) -> None:
        self._fill_ways()
        self._show_place()
        self._typed(self.entry.text())

    def _fill_ways(self) -> None:
        task = self.task
        usual = self._usual_way()
        filled = (task, usual, self.session.engine.tools, self.session.engine.default_tools)
        if filled == self._filled:
            return
        self._filled = filled
        ways = task.row.ways if task else ()
        self.way.clear()
        for way in ways:
            self.way.addItem(way.title, way.key)
        self.way.setEnabled(len(ways) > 1)
        self.way.setCurrentIndex(max(self.way.findData(usual), 0) if ways else -1)
        self.way.view().setMinimumWidth(self.way.view().sizeHintForColumn(0) + 12)
        explain_choices(self.what, self.way, self._tasks, ways)
        self._fill_tools()

    def _usual_way(self) -> str:
        """Give the way chosen last, else the one this place, or any place, was last read by."""
        task = self.task
        if task is None:
            return ""
        if task.quantity in self._ways:
            return self._ways[task.quantity]
        here = self.standing()
        alike = here or [one for one in standing(self.session.book.journal) if one.reading.quantity == task.quantity]
        return alike[-1].reading.way if alike else ""

    def _fill_tools(self) -> None:
        task, key = self.task, self.way.currentData()
        way = task.row.way(key) if task and key else None
        self.tool.clear()
        for one in self.session.engine.tools if way else ():
            if one.kind in way.tools:
                self.tool.addItem(one.name, one.id)
        if way:
            self.tool.addItem(self.tr("not named"), "")
            default = self.session.engine.tool_for(task.quantity, key)
            wanted = self._tools.get(f"{task.quantity}/{key}", default.id if default else None)
            self.tool.setCurrentIndex(max(self.tool.findData(wanted), 0))
        self.tool.setEnabled(way is not None)
        self._show_asked()

    def _show_asked(self) -> None:
        """Show the small field of what the way asks for beside the entry, where it asks for something."""
        way = self._way()
        self.beside.setVisible(bool(way and way.asked))
        self._size_entry()
        for one in way.asked if way else ():
            if self.also_label.text() != one.title:
                self.also_label.setText(one.title)
                self.also.setText(one.usual)
                self.also.setAccessibleName(one.title)

    def _choose_way(self) -> None:
        self._ways[self.task.quantity] = self.way.currentData()
        self._fill_tools()
        self.way.setToolTip(plain(self._way_howto()))
        self._typed(self.entry.text())
        self.entry.setFocus()

    def _choose_tool(self) -> None:
        self._tools[f"{self.task.quantity}/{self.way.currentData()}"] = self.tool.currentData()
        self.entry.setFocus()

    def _way_howto(self) -> str:
        return howto_words(self.session, self.task, self._way())

    def _show_place(self) -> None:
        place = self.place
        self.where.setText(place.title if place else self.tr("nowhere yet"))
        following = self.session.following()
        self.then.setText(self.tr("Enter, then {0}").format(following) if place and following else "")
        self.entry.setEnabled(place is not None)

    # --- typing ---

    def type_into(self, event: QKeyEvent) -> None:
        """Take a key that was pressed elsewhere in the window."""
        self.entry.setFocus()
        self.entry.end(False)
        self.entry.keyPressEvent(event)

    def _typed(self, text: str) -> None:
        """Say at once what is understood."""
        if text != self._asked_of:
            self._ask_no_more()
        typed = self._understand(text)
        if typed is None:
            return
        self._style(error=False)
        self.understood.setText(
            understood_words(self.session, self.task, self._way(), typed, text) if self.task else ""
        )
        self._show_hint()

    def gauged(self, text: str) -> None:
        """Put what a gauge shows into the entry, and say what is understood."""
        self.entry.setText(text)
        self._typed(text)

    @property
    def is_asking(self) -> bool:
        """Tell whether a question waits for its answer."""
        return bool(self._asked)

    def _ask_no_more(self) -> None:
        self._asked_of, self._asked = "", frozenset()

    def _understand(self, text: str) -> Typed | None:
        """Read what is typed; None where it can't be, and then that is said."""
        if self.task is None or not text.strip():
            return Typed(None)
        try:
            return read_typed(self.session, self.task, self._way(), text, self._also())
        except EntryError as error:
            self.say(str(error), error=True)
            return None

    def _way(self) -> Way | None:
        return self.task.row.way(self.way.currentData() or "") if self.task else None

    def _show_hint(self) -> None:
        """Say what stands here already, or how to measure it."""
        place, task = self.place, self.task
        if place is None or task is None:
            self.hint.setText(self.tr("There is nothing to measure here yet."))
            return
        here, way = self.standing(), self.way.currentData()
        another = all(one.reading.way != way for one in here)
        before, again = [one.reading.text for one in here], self.session.is_read_again(task.quantity)
        self.hint.setText(hint_words(task, before, self._way_howto(), another=another, again=again))
        self.hint.setToolTip(plain(self.hint.text()))

    def standing(self) -> list[Standing]:
        """Give the readings that count at the place, oldest first."""
        place, task = self.place, self.task
        found = task.read_at(self.session.book, place) if place and task else []
        return [one for one in found if not one.fate]

    def say(self, words: str, *, error: bool) -> None:
        """Say something beside the entry; an error in the colour of one."""
        self._style(error=error)
        self.understood.setText(words)
        too_long = self.understood.fontMetrics().horizontalAdvance(words) > self.understood.width()
        if error or too_long:  # two lines of words take the hint's room; typing brings it back
            self.hint.setText("")

    def _say_confirmed(self, words: str) -> None:
        """Say what has reached the disk, unless the next reading is being typed already."""
        if not self.entry.text() and self.understood.objectName() != "barError":
            self.say(words, error=False)

    def _style(self, *, error: bool) -> None:
        name = "barError" if error else "barUnderstood"
        if name == self.understood.objectName():  # styling anew costs more than all the rest of a key press
            return
        self.understood.setObjectName(name)
        self.understood.style().unpolish(self.understood)
        self.understood.style().polish(self.understood)

    # --- confirming ---

    def confirm(self, *, repeat: bool = False) -> None:
        """Take what is typed and step to the next place."""
        task, place, text = self.task, self.place, self.entry.text()
        if task is None or place is None:
            self.say(self.tr("There is no place to measure yet: lay out the heads under Engine and parts."), error=True)
            return
        if self._asks("two figures", self.gauge.two_figures(text), text):
            return
        typed = self._understand(text)
        if typed is None:
            self.questioned.emit()
            return
        if typed.value is None:
            self.say(self.tr("Nothing is typed, so nothing is taken. Down steps on without a reading."), error=True)
            return
        if not self._is_agreed(task, typed, text):
            return
        if note := self.gauge.note(text):
            typed = replace(typed, note=note)
        self.entry.clear()
        if self._take(typed, text.strip(), repeat=repeat or self.session.is_read_again(task.quantity)):
            self.say(self.tr("{0} at {1} taken.").format(text.strip(), place.title), error=False)
            self._show_hint()
            self.entry.setFocus()
            self.gauge.took() if note else self.gauge.let_go()
        else:
            self.entry.setText(text)

    def _is_agreed(self, task: Task, typed: Typed, text: str) -> bool:
        """Ask once about each thing that is unusual: Enter again takes it."""
        by_keys = self.entry.typed_by_gauge > 0
        asked = (
            self._asks("gauge", self.gauge.question(text), text)
            or self._asks("unusual", self.gauge.wrong_unit(typed, text, by_keys=by_keys), text)
            or self._asks("unusual", doubtful(self.session, task, typed), text)
            or self._asks("two ways", read_two_ways(self.session, task, typed, text), text)
        )
        if not asked:
            self._ask_no_more()
        return not asked

    def _asks(self, about: str, question: str, text: str) -> bool:
        """Ask a question about an entry unless it was asked already; tell whether it now waits for its answer."""
        before = self._asked if text == self._asked_of else frozenset()
        if not question or about in before:
            return False
        self._asked_of, self._asked = text, before | {about}
        self.say(question, error=True)
        self.questioned.emit()
        return True

    def paste(self) -> None:
        """Take the column on the clipboard, from the current place on."""
        task = self.task
        if task is None or self.place is None:
            self.say(
                self.tr("There is no place to paste to yet: lay out the heads under Engine and parts."), error=True
            )
            return
        try:
            came = paste(self.session, self.taken(), places_of(self.session, task), QGuiApplication.clipboard().text())
        except ColumnError as error:
            self.say(str(error), error=True)
            return
        self.say(came.words, error=bool(came.refused))

    def _take(self, typed: Typed, text: str, *, repeat: bool) -> bool:
        try:
            edit = edit_for(self.session, self.taken(repeat=repeat), typed, text)
            self.session.refused.mend(self.task, self.place.name)
            return self.session.do(edit, then_walk=True)
        except EditError as error:
            self.say(str(error), error=True)
            return False

    def taken(self, *, repeat: bool = False) -> Taken:
        """Give what is read and how, as the bar stands."""
        return Taken(self.task, self.place, self._way(), self.tool.currentData() or "", self._also(), repeat)

    def _also(self) -> dict[str, str]:
        """Give what is typed beside the entry, by what the way asks for."""
        way = self._way()
        return {one.key: self.also.text() for one in way.asked} if way else {}
