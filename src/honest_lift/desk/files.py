"""What is done with whole engines: new, open, save, the question about unsaved changes, backup and recovery."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.facts.engine import Book
from honest_lift.facts.file import ENDING, FileError
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.recovery import Leftover, left_of, never_saved, put_away


class Files:
    """Answers the actions of the Engine menu for one window."""

    def __init__(self, window: QWidget, session: Session) -> None:
        self.window, self.session, self.tr = window, session, window.tr

    def may_leave(self) -> bool:
        """Ask about unsaved changes; False to stay."""
        if not self.session.is_dirty:
            return True
        answer = questions.save_first(self.window)
        self.session.keeper.leaves_behind = answer == "drop"
        return answer == "drop" or (answer == "save" and self.save_engine())

    def new_engine(self) -> None:
        """Start an engine from nothing."""
        if self.may_leave():
            self.session.take(empty_book(), None)
            self.session.open_step("engine")

    def open_engine(self) -> None:
        """Ask for a file and open it."""
        if not self.may_leave():
            return
        folder = self.session.path.parent if self.session.path else Path.home()
        if path := questions.file_to_open(self.window, folder):
            self.open_path(path)

    def open_path(self, path: Path) -> None:
        """Open a file; what is wrong with it is said."""
        try:
            self.session.open(path)
        except FileError as error:
            questions.tell(self.window, self.tr("This file can't be opened"), str(error))
            return
        self.say_who_has_it()
        self.offer_recovery()
        self.name_what_was_set_aside()

    def open_demo(self) -> None:
        """Open the demonstration engine."""
        if self.may_leave():
            from honest_lift.demo.engine import demo_book
            from honest_lift.facts.edits import new_id

            self.session.take(demo_book(new_id()), None)

    def save_engine(self) -> bool:
        """Save to the engine's file; ask for one when it has none. Tells whether it was saved."""
        return self._save(self.session.path) if self.session.path else self.save_engine_as()

    def save_engine_as(self) -> bool:
        """Ask for a file and save to it."""
        name = "".join(c if c.isalnum() or c in "-_ ." else "-" for c in self.session.engine.name).strip() or "engine"
        folder = self.session.path.parent if self.session.path else Path.home()
        path = questions.file_to_save(self.window, folder / (name + ENDING))
        return self._save(path) if path else False

    def _save(self, path: Path) -> bool:
        try:
            self.session.save(path)
        except FileError as error:
            questions.tell(self.window, self.tr("Not saved"), str(error))
            return False
        self.session.told.emit(self.tr("Saved: {0}").format(path.name))
        return True

    def restore_backup(self) -> None:
        """Put the state before the last save on the desk."""
        if not self.may_leave():
            return
        try:
            self.session.restore_backup()
        except FileError as error:
            questions.tell(self.window, self.tr("No backup"), str(error))
            return
        self.session.told.emit(
            self.tr("The backup is on the desk, not saved yet: saving puts it in place of the file.")
        )

    def say_who_has_it(self) -> None:
        """Say who has the file open, where it may only be read."""
        if self.session.held_by:
            words = self.tr(
                "{0} has this file open, so it can only be read here. Save it under another name to work on it."
            )
            questions.tell(self.window, self.tr("Open for reading only"), words.format(self.session.held_by))

    def offer_recovery(self) -> None:
        """Offer what was confirmed for this engine and never saved with it."""
        left = left_of(self.session.book)
        if left.is_empty or self.session.held_by:
            return
        question = self.tr("Confirmed for this engine and never saved with it: {0}. Take it in?").format(left.words)
        if self._answered(left, question):
            self.session.recover(left)

    def offer_never_saved(self) -> None:
        """Offer engines that a run of the program left without ever saving them, the latest first."""
        for left in never_saved():
            name = (left.snapshot.engine.name if left.snapshot else "") or self.tr("an engine without a name")
            question = self.tr("{0} was never saved: {1}. Put it on the desk?").format(name, left.words)
            if self._answered(left, question):
                if left.snapshot and self.may_leave():
                    self.session.take(Book(left.snapshot.engine), None)
                    self.session.recover(left)
                return

    def recover_never_saved(self) -> None:
        """Look for engines that were never saved, when asked to."""
        if not never_saved():
            self.session.told.emit(self.tr("No engine was left unsaved."))
        self.offer_never_saved()

    def _answered(self, left: Leftover, question: str) -> bool:
        answer = questions.recover(self.window, question)
        if answer == "away":
            put_away(left)
        return answer == "take"

    def name_what_was_set_aside(self) -> None:
        """Name the values of the file that make no sense."""
        aside = self.session.book.set_aside
        if aside:
            lines = [f"{one.place}, {one.field}: {one.given} ({one.why})" for one in aside[:12]]
            more = [self.tr("and {0} more").format(len(aside) - 12)] if len(aside) > 12 else []
            words = self.tr("These values make no sense and are set aside; the rest of the file is open:")
            questions.tell(self.window, self.tr("Set aside"), "\n".join([words, "", *lines, *more]))
