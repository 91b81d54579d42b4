"""The engine on the desk: its history, what is found of it, which valve is looked at. Views read it and follow it.

Nothing here imports the checks until the first window has been painted: until then the examination is pending,
and every verdict is shown as unproven.
"""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from PyQt6.QtCore import QObject, pyqtSignal

from honest_lift.facts.edits import Confirm, Edit, EditError, new_id, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.file import FileError, backup_of, read_book, write_book
from honest_lift.facts.history import History
from honest_lift.facts.journal import AnyEntry, Reading
from honest_lift.facts.place import Place, at_position, of_spring
from honest_lift.facts.tools import KINDS

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination
    from honest_lift.facts.journal_file import JournalWriter, Snapshot
    from honest_lift.facts.locks import Lock
    from honest_lift.facts.recovery import Leftover

STEPS = {"engine": "Engine and parts", "springs": "Spring bench", "heights": "Springs and heights"}


class Session(QObject):
    """One engine being worked on. `changed`: the book is another; `examined`: so are the findings."""

    changed = pyqtSignal()
    examined = pyqtSignal()
    moved = pyqtSignal()  # another current valve, spring or step
    told = pyqtSignal(str)  # something to say in the reading bar
    confirmed = pyqtSignal(str)  # what has reached the disk
    warned = pyqtSignal(str)  # something that went wrong
    _flushed = pyqtSignal(object)
    _unsafe = pyqtSignal(str)

    def __init__(self, book: Book | None = None) -> None:
        super().__init__()
        self.history = History(book or empty_book())
        self.path: Path | None = None
        self.step = "heights"
        self.examination: Examination | None = None
        self.position = ""
        self.spring = ""
        self.shown = "bind_margin"
        self.verdict_of_step = True
        self._saved = self.book
        self._may_examine = False
        self.held_by = ""  # who has the file open, where this window may only read it
        self.leaves_behind = False  # somebody chose not to save; it comes to pass when the engine leaves the desk
        self._lock: Lock | None = None
        self._journal: JournalWriter | None = None
        self._flushed.connect(self._say_confirmed)
        self._unsafe.connect(self.warned)
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
        """Tell whether anything has changed since the engine was saved or opened."""
        return self.engine is not self._saved.engine or self.book.journal is not self._saved.journal

    def unit(self, dimension: str) -> str:
        """Give the unit a dimension is shown in."""
        return self.engine.unit(dimension)

    def verdict(self, position: str) -> str:
        """Give the worst verdict of a valve: of the open step, or of all by choice."""
        if self.examination is None:
            return "unproven"
        step = self.step if self.verdict_of_step and self.step in ("springs", "heights") else ""
        return self.examination.verdict(position, step).word

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
            entries = self.history.do(edit)
        except EditError as error:
            self.warned.emit(str(error))
            return False
        self._keep(entries, changed=self.engine is not before)
        self._after(then_walk=then_walk)
        if not isinstance(edit, Confirm):
            self.told.emit(f"{edit.sentence[:1].upper()}{edit.sentence[1:]}.")
        return True

    def undo(self) -> None:
        """Take the last edit back."""
        sentence = self.history.undo_sentence
        if sentence:
            self._turn(self.history.undo)
            self.told.emit(f"Taken back: {sentence}.")

    def redo(self) -> None:
        """Bring the last undone edit back."""
        sentence = self.history.redo_sentence
        if sentence:
            self._turn(self.history.redo)
            self.told.emit(f"Done again: {sentence}.")

    def _turn(self, turn: Callable[[], tuple[AnyEntry, ...]]) -> None:
        before = self.engine
        self._keep(turn(), changed=self.engine is not before)
        self._after()

    def _keep(self, entries: tuple[AnyEntry, ...], *, changed: bool) -> None:
        """Hand what was done to the disk: the facts where they changed or stand nowhere else, then the entries."""
        fresh, self.leaves_behind = self._journal is None, False
        if not entries and not changed:
            return
        writer = self._writer()
        if changed or (fresh and self.path is None):
            writer.keep(self._snapshot())
        writer.append(entries)

    def _writer(self) -> JournalWriter:
        if self._journal is None:
            from honest_lift.facts.journal_file import JournalWriter

            self._journal = JournalWriter(self.engine.id, self._flushed.emit, self._unsafe.emit)
        return self._journal

    def _snapshot(self) -> Snapshot:
        from honest_lift.facts.journal_file import Snapshot

        changed = self.path is None or self.engine is not self._saved.engine
        return Snapshot(self.engine, str(self.path or ""), now(), changed, self.book.set_aside)

    def _after(self, *, then_walk: bool = False) -> None:
        self._settle()
        self._examine()
        if then_walk:
            self._step(1)
        self.changed.emit()

    def _say_confirmed(self, entries: tuple[AnyEntry, ...]) -> None:
        first = entries[0]
        if len(entries) == 1 and isinstance(first, Reading):
            self.confirmed.emit(f"{first.text} at {first.place.title} confirmed.")
        else:
            self.confirmed.emit("Confirmed.")

    # --- what is found ---

    def examine(self) -> None:
        """Run the checks and tell, once the first window has been painted."""
        self._examine()
        if self.examination is not None:
            self.examined.emit()

    def _examine(self) -> None:
        if self._may_examine:
            from honest_lift.checks.examine import examine

            self.examination = examine(self.book)

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
        self._step(by)
        self.moved.emit()

    def _step(self, by: int) -> None:
        names, here = self._walked()
        if not names:
            return
        there = names[(names.index(here) + by) % len(names)] if here in names else names[0]
        if self.step == "springs":
            self.spring, self.position = there, self.engine.position_of(there) or self.position
        else:
            self.position, self.spring = there, self.engine.spring_at(there) or self.spring

    def _walked(self) -> tuple[list[str], str]:
        """Give the names one walks along at the open step, and where one stands."""
        if self.step == "springs":
            return [one.id for one in self.engine.springs], self.spring
        return [one.id for one in self.engine.layout.positions], self.position

    def following(self) -> str:
        """Say in words which place comes after the current one; "" when none does."""
        names, here = self._walked()
        if here not in names:
            return ""
        after = names[(names.index(here) + 1) % len(names)]
        return (of_spring(after) if self.step == "springs" else at_position(after)).title

    def open_step(self, step: str) -> None:
        """Open a step of the job."""
        self.step = step
        self.moved.emit()

    @property
    def place(self) -> Place | None:
        """Give the current place: the spring on the bench, else the valve."""
        if self.step == "springs":
            return of_spring(self.spring) if self.spring else None
        return at_position(self.position) if self.position else None

    def _settle(self) -> None:
        """Keep the current valve and spring among those that exist."""
        names = [one.id for one in self.engine.layout.positions]
        springs = [one.id for one in self.engine.springs]
        if self.position not in names:
            self.position = names[0] if names else ""
        if self.spring not in springs:
            self.spring = self.engine.spring_at(self.position) or (springs[0] if springs else "")

    # --- files ---

    def take(self, book: Book, path: Path | None) -> None:
        """Put another book on the desk. A file that another program has open may only be read."""
        self.close()
        self.history = History(book)
        self.path, self._saved = path, book
        self._hold(path)
        self.position = self.spring = ""
        self._settle()
        self.examination = None
        self.examine()
        self.changed.emit()
        self.moved.emit()

    def _hold(self, path: Path | None) -> None:
        """Take the lock of a file, or remember who has it."""
        from honest_lift.facts.locks import Holder, lock_beside

        held = lock_beside(path) if path else None
        self.held_by = held.words if isinstance(held, Holder) else ""
        self._lock = None if isinstance(held, Holder) else held

    def open(self, path: Path) -> None:
        """Open an engine file. Raises FileError."""
        self.take(read_book(path), path)

    def save(self, path: Path) -> None:
        """Write the engine to a file. Raises FileError. What was confirmed is then in it, and leaves the journal."""
        other = self.path is None or path.resolve() != self.path.resolve()
        if self.held_by and not other:
            raise FileError(f"{path}: {self.held_by} has it open. Save under another name.")
        lock = self._lock_for(path) if other else self._lock
        write_book(self.book, path)
        if other and self._lock:
            self._lock.release()
        self._lock, self.held_by = lock, ""
        self.path, self._saved = path, self.book
        if self._journal:
            self._journal.close(forget=True)
            self._journal = None
        self.changed.emit()

    def _lock_for(self, path: Path) -> Lock | None:
        from honest_lift.facts.locks import Holder, lock_beside

        lock = lock_beside(path)
        if isinstance(lock, Holder):
            raise FileError(f"{path}: {lock.words} has it open. Save under another name.")
        return lock

    def restore_backup(self) -> None:
        """Put the previous state of the file on the desk, unsaved. Raises FileError."""
        if self.path is None:
            raise FileError("This engine has not been saved yet, so there is no backup of it.")
        path = self.path
        previous = read_book(backup_of(path))
        present = self._saved
        self.take(previous, path)
        self._saved = present
        self.changed.emit()

    def recovered(self) -> Leftover:
        """Give what was confirmed for this engine and is not in it."""
        from honest_lift.facts.recovery import left_of

        return left_of(self.book)

    def recover(self, leftover: Leftover) -> None:
        """Take what was left of a run that ended too early into the book, and keep it safe as its own."""
        from honest_lift.facts.recovery import forget

        self.history = History(leftover.taken_into(self.book))
        writer = self._writer()
        writer.keep(self._snapshot())
        writer.append(leftover.entries)
        writer.then(lambda: forget(leftover))
        self._settle()
        self.examine()
        self.changed.emit()

    def close(self) -> None:
        """Finish writing the journal and let go of the file; unsaved changes that nobody wants are left behind."""
        if self._journal:
            self._journal.close()
            self._journal = None
        if self.leaves_behind:
            self._leave_behind()
        if self._lock:
            self._lock.release()
            self._lock = None

    def _leave_behind(self) -> None:
        """Drop facts nobody wants to save; readings stay on the disk, put away where the engine has no file."""
        from honest_lift.facts.recovery import put_away, without_facts

        (without_facts if self.path else put_away)(self.recovered())
        self.leaves_behind = False


def empty_book() -> Book:
    """Give an engine nobody has said anything of yet, with a sensible tool drawer."""
    from msgspec.structs import replace

    wanted = ("height micrometer, 0.001 in", "caliper, 0.0005 in", "dial indicator, 0.001 in",
              "bench spring tester, 1 percent", "rule, 1/32 in", "feeler gauges")  # fmt: skip
    kinds = [kind for kind in KINDS if kind.title in wanted]
    tools = tuple(replace(kind.tool, id=kind.kind) for kind in kinds)
    return Book(Engine(new_id(), tools=tools, default_tools=default_tools({tool.kind: tool.id for tool in tools})))


def default_tools(by_kind: dict[str, str]) -> dict[str, str]:
    """Give the tool of each way of the catalog: the first of a kind that suits it."""
    from honest_lift.facts.catalog import CATALOG

    found: dict[str, str] = {}
    for quantity in CATALOG.values():
        for way in quantity.ways:
            suiting = next((by_kind[kind] for kind in way.tools if kind in by_kind), "")
            if suiting:
                found[f"{quantity.name}/{way.key}"] = suiting
    return found
