"""The engine on the desk: its history, what is found of it, which valve is looked at. Views read it and follow it.

Nothing here imports the checks until the first window has been painted: until then the examination is pending,
and every verdict is shown as unproven.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from pathlib import Path
from typing import TYPE_CHECKING, NamedTuple

from PyQt6.QtCore import QObject, pyqtSignal

from honest_lift.desk.bit_by_bit import BitByBit
from honest_lift.desk.instruments.lines import Lines
from honest_lift.desk.keeper import Keeper, is_one_file
from honest_lift.desk.refused import Refused
from honest_lift.desk.steps.order import FIRST, STEPS, sheet_of
from honest_lift.desk.walking import Walking
from honest_lift.desk.workers import Workers
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.edits import Confirm, Edit, EditError, new_id
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.file import FileError, backup_of, read_marked
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.history import History
from honest_lift.facts.job import Job
from honest_lift.facts.journal import AnyEntry, Reading, StruckOut

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination
    from honest_lift.checks.train.in_motion import InMotion
    from honest_lift.desk.lobes_beside import LobesBeside
    from honest_lift.facts.changes import Change
    from honest_lift.facts.recovery import Leftover
    from honest_lift.plans.next_reading import NextStep


class Stood(NamedTuple):
    """Where somebody stood who did something: the step, its page, the valve and the spring."""

    step: str
    page: str
    position: str
    spring: str


class Session(Walking, QObject):
    """One engine being worked on. `changed`: the book is another; `examined`: so are the findings."""

    changed = pyqtSignal()
    examined = pyqtSignal()
    moved = pyqtSignal()  # another current valve, spring or step
    stepped = pyqtSignal()  # to the next place after a reading, before anything was found of it
    asked = pyqtSignal(object, str, str)  # a step of the plan to be measured now, by a way and a tool if it matters
    to_try = pyqtSignal(object)  # changes that are to be tried
    page_asked = pyqtSignal(str, str)  # a page of engine and parts, and what is to be typed there
    page_turned = pyqtSignal(str)  # a page of the open step's sheet, on which something was done that is undone now
    told = pyqtSignal(str)  # something to say in the reading bar
    confirmed = pyqtSignal(str)  # what has reached the disk
    demo_asked = pyqtSignal(str)  # a demonstration by its name
    warned = pyqtSignal(str)  # something that went wrong
    unsafe = pyqtSignal(str)  # what is not on the disk, for as long as it is not; "" once all is
    _flushed = pyqtSignal(object)
    _kept_unsafe = pyqtSignal(str)

    def __init__(self, book: Book | None = None) -> None:
        super().__init__()
        self.lines = Lines(self)
        self.history = History(book or empty_book())
        self.path: Path | None = None
        self.step = FIRST
        self.examination: Examination | None = None
        self.position = ""
        self.spring = ""
        self.shown = ""  # the check whose figure the heads carry; "" for that of the open step
        self.walks = "position"  # the kind of place walked on the sheet of all readings
        self.refused = Refused(self.changed.emit)  # what was pasted and can't stand
        self.open_page: Callable[[], str] = lambda: ""  # gives the page of the open step's sheet that is looked at
        self.check = ""  # the check whose finding is looked at, whole
        self.plan: tuple[NextStep, ...] = ()
        self.queue: NextStep | None = None  # what is being walked, place by place
        self.verdict_of_step = True
        self.keeps_shelf = True  # the user's own; pictures are made without
        self._saved = self.book
        self._may_examine = False
        self.keeper = Keeper(self._flushed.emit, self._kept_unsafe.emit)
        self.steps_first = False  # the next place at once after a reading, what is found of it a moment later
        self._soon = BitByBit(self)
        self.searches = Workers(self)  # plans and matches, which a person waits for
        self.lobes: LobesBeside | None = None  # where lobes are solved beside the window; None: in it
        self._flushed.connect(self._say_confirmed)
        self._kept_unsafe.connect(self.unsafe)
        self._settle()

    # --- what is on the desk ---

    @property
    def book(self) -> Book:
        """Give the present book."""
        return self.history.book

    @property
    def engine(self) -> Engine:
        """Give the present engine."""
        return self.history.book.engine

    @property
    def is_dirty(self) -> bool:
        """Tell whether anything has changed since the engine was saved or opened; facts changed and changed back are nothing."""
        journal, saved = self.book.journal, self._saved.journal
        if self.engine is not self._saved.engine:
            return True
        if journal is saved:
            return False
        grew = journal[: len(saved)] == saved if len(saved) <= len(journal) else False
        return not grew or any(not isinstance(one, Begun | Edited) for one in journal[len(saved) :])

    @property
    def held_by(self) -> str:
        """Say who has the file open, where this window may only read it; "" where it may write."""
        return self.keeper.held_by

    def unit(self, dimension: str) -> str:
        """Give the unit a dimension is shown in."""
        return self.engine.unit(dimension)

    def verdict(self, position: str) -> str:
        """Give the worst verdict of a valve: of the open step, or of all by choice."""
        if self.examination is None:
            return "unproven"
        step = self.step if self.verdict_of_step and STEPS[self.step].is_judged else ""
        return self.examination.verdict(position, step).word

    @property
    def in_motion(self) -> tuple[InMotion | None, int]:
        """Give every valve in motion as it was examined, and which of them is the current one; None without a red line."""
        moved = self.examination.moved if self.examination is not None else None
        if moved is None or self.position not in moved.valves.names:
            return None, 0
        return moved, moved.valves.names.index(self.position)

    # --- changing it ---

    def do(self, edit: Edit, *, then_walk: bool = False) -> bool:
        """Apply an edit, then step on if asked. What can't be done is said, and then nothing has changed."""
        if self.held_by:
            self.warned.emit(
                f"This file is open for reading only: {self.held_by} has it. Save it under another name to work on."
            )
            return False
        before = self.engine
        try:
            entries = self.history.do(edit, Stood(self.step, self.open_page(), self.position, self.spring))
        except EditError as error:
            self.warned.emit(str(error))
            return False
        self._keep(entries, changed=self.engine is not before)
        self._after(then_walk=then_walk)
        if not isinstance(edit, Confirm):
            self.told.emit(f"{edit.sentence[:1].upper()}{edit.sentence[1:]}.")
        return True

    def undo(self) -> None:
        """Take the last edit back, where it was done, and say what it was."""
        if sentence := self.history.undo_sentence:
            self._turn(self.history.undo, self.history.undo_stood)
            self.told.emit(f"Taken back: {sentence}.")

    def redo(self) -> None:
        """Bring the last undone edit back, where it was done, and say what it was."""
        if sentence := self.history.redo_sentence:
            self._turn(self.history.redo, self.history.redo_stood)
            self.told.emit(f"Done again: {sentence}.")

    def _turn(self, turn: Callable[[], tuple[AnyEntry, ...]], stood: object) -> None:
        before = self.engine
        self._keep(turn(), changed=self.engine is not before)
        if isinstance(stood, Stood):
            self.step, self.check, self.queue = stood.step, "", None
            self.position, self.spring = stood.position, stood.spring
        self._after()
        if isinstance(stood, Stood):
            self.moved.emit()
            self.page_turned.emit(stood.page)

    def _keep(self, entries: tuple[AnyEntry, ...], *, changed: bool) -> None:
        """Hand what was done to the disk."""
        self.keeper.keep(self.book, self.path, entries, changed=changed, saved=self._saved)

    def _after(self, *, then_walk: bool = False) -> None:
        self._settle()
        if then_walk and self.steps_first:
            self._step(1)
            self.stepped.emit()
            self._soon.start(self._catching_up(), lambda _: self.changed.emit())
            return
        self._catch_up(then_walk=then_walk)

    def _catch_up(self, *, then_walk: bool = False) -> None:
        """Find what comes of what was done, and tell."""
        self._examine()
        if then_walk:
            self._step(1)
        self.changed.emit()

    def _say_confirmed(self, entries: tuple[AnyEntry, ...]) -> None:
        """Say which readings have reached the disk. Whatever else has, its own sentence stands already: it is left there."""
        taken_back = {one.reading for one in self.book.journal if isinstance(one, StruckOut)}
        read = [one for one in entries if isinstance(one, Reading) and one.id not in taken_back]
        if not read:
            return
        first, more = read[0], len(read) - 1
        words = f"{first.text} at {first.place.title}"
        self.confirmed.emit(f"{words} and {more} more confirmed." if more else f"{words} confirmed.")

    # --- what is found ---

    def examine(self) -> None:
        """Run the checks and tell, once the first window has been painted."""
        self._examine()
        if self.examination is not None:
            self.examined.emit()

    def examine_again(self) -> None:
        """Run the checks again, a part at a time, for something they rest on has come: the window goes on meanwhile."""
        told = self.changed if self._soon.is_at_work else self.examined  # what was under way has still to be told of
        self._soon.start(self._catching_up(), lambda _: told.emit())

    def _examine(self) -> None:
        """Run the checks, and plan what comes next, at once."""
        self._soon.leave()
        for _ in self._catching_up():
            pass

    def _catching_up(self) -> Iterator[None]:
        """Run the checks and plan what comes next, a part at a time; nothing is told of until all is."""
        if not self._may_examine:
            return
        from honest_lift.checks.examine import Examination, examining
        from honest_lift.plans.next_reading import next_steps

        book, found = self.book, None
        parts = examining(book)
        for part in self.lobes.left_for_later(parts) if self.lobes is not None else parts:
            found = part if isinstance(part, Examination) else None
            yield
        plan = next_steps(book, found)
        yield
        self.examination, self.plan = found, plan

    def start_examining(self) -> None:
        """Let the checks in: the first window has been painted."""
        self._may_examine = True
        self.examine()

    # --- where one looks ---

    def go(self, position: str) -> None:
        """Make a valve the current one, and the spring fitted there."""
        if position and self.engine.position(position):
            self.position = position
            self.spring = self.engine.spring_at(position) or self.spring
            self.moved.emit()

    def go_spring(self, spring: str) -> None:
        """Make a spring the current one, and the valve it is fitted at."""
        self.spring = spring
        self.position = self.engine.position_of(spring) or self.position
        self.moved.emit()

    def walk(self, by: int) -> None:
        """Walk to another valve in head order, or on the bench to another spring in their order."""
        self.leave_queue()
        self._step(by)
        self.moved.emit()

    def start(self, step: NextStep, way: str = "", tool: str = "") -> None:
        """Start measuring a step of the plan at its first place; what can only be stated opens its page."""
        if not step.places:
            self.show_page(step.page, step.about or step.quantity)
            return
        self.queue, self.check = step, ""
        self.step = sheet_of(step.quantity, step.places[0].kind)
        if STEPS[self.step].is_walked_by_choice:
            self.walks = step.places[0].kind
        self._stand_at(step.places[0].name)
        self.moved.emit()
        self.asked.emit(step, way, tool)

    def show_page(self, page: str, about: str = "") -> None:
        """Open a page of engine and parts, or of the camshaft, ready for what it is about to be typed."""
        self.open_step(next((one.key for one in STEPS.values() if page in one.pages), "engine"))
        self.page_asked.emit(page, about)

    def open_step(self, step: str) -> None:
        """Open a step of the job."""
        self.step, self.check, self.queue, self.order = step, "", None, ()
        self.moved.emit()

    def walk_in(self, order: tuple[str, ...], quantity: str) -> None:
        """Walk valves in an order of their own, from the first, with a quantity in the bar; until another step is opened."""
        from honest_lift.facts.place import at_position
        from honest_lift.plans.next_reading import NextStep

        self.queue, self.order = None, order
        self._stand_at(order[0])
        self.moved.emit()
        self.asked.emit(NextStep(quantity, "", None, tuple(map(at_position, order)), 0, 0), "", "")

    def try_changes(self, changes: tuple[Change, ...]) -> None:
        """Open the trial with some changes."""
        self.open_step("trial")
        self.to_try.emit(changes)

    def look_into(self, check: str) -> None:
        """Look at the whole finding of a check at the current valve; "" goes back to the sheet."""
        self.check = check
        self.moved.emit()

    def _settle(self) -> None:
        """Keep the current valve and spring among those that exist."""
        names = [one.id for one in self.engine.layout.positions]
        springs = [one.id for one in self.engine.springs]
        if self.position not in names:
            self.position = names[0] if names else ""
        if self.spring not in springs:
            self.spring = self.engine.spring_at(self.position) or (springs[0] if springs else "")

    # --- files ---

    def take(self, book: Book, path: Path | None, mark: str = "") -> None:
        """Put another book on the desk. A file that another program has open may only be read. `mark`: of what it held."""
        self._leave()
        self.history = History(book)
        self.path, self._saved = path, book
        self.keeper.hold(path, mark)
        self.position = self.spring = ""
        self._settle()
        self.examination = None
        self.examine()
        self.changed.emit()
        self.moved.emit()

    def open(self, path: Path) -> None:
        """Open an engine file. Raises FileError."""
        book, mark = read_marked(path)
        self.take(book, path, mark)
        if book.engine.job == Job():
            self.told.emit(
                "Every check is asked of this engine. What is being done is chosen under Engine and parts, Job."
            )

    def save(self, path: Path, *, over_changes: bool = False, begin: Edit | None = None) -> None:
        """Write the engine to a file. What was confirmed is then in it, and leaves the journal.

        Beside the file it came from it is another engine from then on, and says what it was copied from. Raises FileError;
        ChangedError where another program wrote the file meanwhile, unless `over_changes`. `begin`: an edit that a copy begins
        with, in the very file that is written.
        """
        is_copy = self.path is not None and not is_one_file(path, self.path)
        copied = self.history.copied(new_id()) if is_copy else self.history
        if is_copy and begin is not None:
            copied.do(begin)
        self.keeper.save(copied.book, path, self.path, over_changes=over_changes)
        self.history, self.path, self._saved = copied, path, copied.book
        if begin is not None:
            self.examine()
        self.changed.emit()

    def restore_backup(self) -> None:
        """Put the previous state of the file on the desk, unsaved. Raises FileError."""
        if self.path is None:
            raise FileError("This engine has not been saved yet, so there is no backup of it.")
        path, mark, present = self.path, self.keeper.mark, self._saved
        previous, _ = read_marked(backup_of(path))
        self.take(previous, path, mark)
        self._saved = present
        self.changed.emit()

    def recover(self, leftover: Leftover) -> None:
        """Take what was left of a run that ended too early into the book, and keep it safe as its own."""
        self.history = History(leftover.taken_into(self.book))
        self.keeper.adopt(self.book, self.path, leftover, self._saved)
        self._settle()
        self.examine()
        self.changed.emit()

    def close(self) -> None:
        """Finish writing the journal and let go of the file; unsaved changes that nobody wants are left behind."""
        self._soon.leave()
        self.lines.close()
        self.searches.close()
        if self.lobes is not None:
            self.lobes.close()
        self._leave()

    def _leave(self) -> None:
        self.keeper.close(self.book, self.path, self._saved)
