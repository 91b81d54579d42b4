"""What is done with whole engines: new, open, save, the question about unsaved changes, backup and recovery."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.keeper import is_one_file
from honest_lift.desk.session import Session
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.disk import why
from honest_lift.facts.engine import Book
from honest_lift.facts.file import ENDING, ChangedError, FileError, read_book
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.recovery import Leftover, left_elsewhere, left_of, leftovers, put_all_away
from honest_lift.facts.renewed import EVERYTHING, Renew, speaks_of_parts


class Files:
    """Answers the actions of the Engine menu for one window."""

    def __init__(self, window: QWidget, session: Session) -> None:
        self.window, self.session, self.tr = window, session, window.tr

    def may_leave(self) -> bool:
        """Ask about unsaved changes; False to stay."""
        if not self.session.is_dirty:
            return True
        answer = questions.save_first(self.window, self.session.keeper.unwritten)
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

    def open_recent(self, path: Path) -> None:
        """Open a file of those that were open last."""
        if self.may_leave():
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

    def open_demo(self, name: str) -> None:
        """Open a demonstration engine by its name."""
        if self.may_leave():
            from honest_lift.demo.demonstrations import demonstration
            from honest_lift.facts.edits import new_id

            self.session.take(demonstration(name, new_id()), None)

    def save_engine(self) -> bool:
        """Save to the engine's file; ask for one when it has none. Tells whether it was saved."""
        return self._save(self.session.path) if self.session.path else self.save_engine_as()

    def save_engine_as(self) -> bool:
        """Ask for a file and save to it."""
        name = "".join(c if c.isalnum() or c in "-_ ." else "-" for c in self.session.engine.name).strip() or "engine"
        folder = self.session.path.parent if self.session.path else Path.home()
        path = questions.file_to_save(self.window, folder / (name + ENDING))
        if path is None:
            return False
        meant = self._meant_by_another_file(path)
        if not meant:
            return False
        return self._save(
            path, Renew(EVERYTHING, self.tr("begins another engine"), "used") if meant == "another" else None
        )

    def _meant_by_another_file(self, path: Path) -> str:
        """Tell whether a file beside the engine's own is the same engine's, "same", or "another"; "" not to save at all."""
        own = self.session.path
        if own is None or is_one_file(path, own) or not speaks_of_parts(self.session.book, EVERYTHING):
            return "same"
        return questions.same_or_another_engine(self.window)

    def write_sheet(self) -> None:
        """Ask what becomes of the build sheet."""
        from honest_lift.desk.sheet_out import SheetDialog

        SheetDialog(self.window, self.session).exec()

    def write_grid(self) -> None:
        """Ask for the columns of a blank grid for what is read at the open step, and what becomes of it."""
        from honest_lift.desk.sheet_out import GridDialog
        from honest_lift.desk.steps.order import FIRST, STEPS

        tasks = STEPS[self.session.step].tasks(self.session) or STEPS[FIRST].tasks(self.session)
        GridDialog(self.window, self.session, tasks).exec()

    def _save(self, path: Path, begin: Renew | None = None) -> bool:
        try:
            self.session.save(path, begin=begin)
        except ChangedError as error:
            return self._save_over(path, str(error), begin)
        except FileError as error:
            questions.tell(self.window, self.tr("Not saved"), str(error))
            return False
        self.session.told.emit(self.tr("Saved: {0}").format(path.name))
        return True

    def _save_over(self, path: Path, what: str, begin: Renew | None = None) -> bool:
        """Ask what to do where another program wrote the file: save elsewhere, look, write over it, or not now."""
        while (answer := questions.changed_meanwhile(self.window, what)) == "look":
            questions.tell(self.window, path.name, self._difference(path))
        if answer == "elsewhere":
            return self.save_engine_as()
        if answer != "over":
            return False
        try:
            self.session.save(path, over_changes=True, begin=begin)
        except FileError as error:
            questions.tell(self.window, self.tr("Not saved"), str(error))
            return False
        self.session.told.emit(self.tr("Saved: {0}. What stood there before is its backup.").format(path.name))
        return True

    def _difference(self, path: Path) -> str:
        """Say what the file holds now, beside what is on the desk."""
        try:
            there = read_book(path)
        except FileError as error:
            return str(error)
        here = self.session.book
        ids, own = (
            {one.id for one in book.journal if not isinstance(one, Begun | Edited)} for book in (there, here)
        )  # of facts the last words say
        other = self.tr("; another engine") if there.engine.id != here.engine.id else ""
        facts = self.tr("the same") if there.engine == here.engine else self.tr("others")
        words = self.tr(
            "The file holds “{0}”{1}. Entries that the desk lacks: {2}; that the file lacks: {3}. Its facts are {4}."
        )
        return words.format(there.engine.name, other, len(ids - own), len(own - ids), facts)

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

    def offer_recovery(self) -> bool:
        """Offer what was confirmed for this file and never saved with it; then what belongs to other files of its engine.

        Tells whether something was taken in.
        """
        if self.session.held_by:
            return False
        left = self._left_here()
        if left and self._answered(left, self._question(left, here=True)) == "take":
            self.session.recover(left)
            return True
        others = self._looked_for(lambda: left_elsewhere(self.session.book, self.session.path))
        return any(self._open_and_recover(one) for one in others)

    def _left_here(self) -> Leftover | None:
        found = self._looked_for(lambda: [left_of(self.session.book, self.session.path)])
        return found[0] if found and not found[0].is_empty else None

    def offer_left_behind(self) -> None:
        """Offer whatever runs of the program left, the latest first: engines with a file and without."""
        for one in self._looked_for(leftovers):
            if self._is_here(one):
                continue  # it has just been offered
            if one.has_file:
                if self._open_and_recover(one):
                    return
            elif self._put_on_desk(one):
                return

    def recover_never_saved(self) -> None:
        """Look for what was left unsaved, when asked to."""
        if not self._looked_for(leftovers):
            self.session.told.emit(self.tr("Nothing was left unsaved."))
        elif not self.offer_recovery():
            self.offer_left_behind()

    def _is_here(self, left: Leftover) -> bool:
        path = self.session.path
        return bool(path and left.path and is_one_file(path, left.path))

    def _open_and_recover(self, left: Leftover) -> bool:
        """Offer to open the file something belongs to, and take it in there. Tells whether it was taken."""
        if self._answered(left, self._question(left)) != "take" or not self.may_leave():
            return False
        assert left.path is not None
        try:
            self.session.open(left.path)
        except FileError as error:
            questions.tell(self.window, self.tr("This file can't be opened"), str(error))
            return False
        self.say_who_has_it()
        own = self._left_here()
        if own and not self.session.held_by:
            self.session.recover(own)
        self.name_what_was_set_aside()
        return True

    def _put_on_desk(self, left: Leftover) -> bool:
        """Offer an engine that no file holds. Tells whether it was taken."""
        if left.kept is None:
            return False  # its facts are in a file that nobody knows: opening it offers this
        if self._answered(left, self._question(left)) != "take" or not self.may_leave():
            return False
        self.session.take(Book(left.kept.engine), None)
        self.session.recover(left)
        return True

    def _question(self, left: Leftover, *, here: bool = False) -> str:
        """Ask about what was left: whose it is, what it is and of when, and what would be done with it, a line each."""
        name = left.name or self.session.engine.name or self.tr("an engine without a name")
        older = ""
        if left.path is None:
            where = self.tr("never saved to a file")
            what = self.tr("Recover it?") if here else self.tr("Put it on the desk?")
        else:
            where, what = str(left.path), self.tr("Recover it?")
            if not left.has_file:
                where += self.tr(", which is there no more")
            elif not self._is_here(left):
                what = self.tr("It belongs to another file than the one on the desk. Open that file and take it in?")
        if here and left.is_older_than(self.session.book):
            older = self.tr(" The facts of the file are others by now, and these would take their place.")
        return f"{name}\n{where}\n{left.words}\n\n" + self.tr("Confirmed and never saved.{0} {1}").format(older, what)

    def _answered(self, left: Leftover, question: str) -> str:
        if left.newer:
            words = self.tr("{0} It was written by a newer program (format {1}): recover it with that one.")
            questions.tell(self.window, self.tr("Not saved the last time"), words.format(question, left.newer))
            return "later"
        answer = questions.recover(self.window, question)
        if answer == "away":
            try:
                put_all_away(left)
            except OSError as error:
                questions.tell(self.window, self.tr("Not put away"), self._disk_words(error))
        return answer

    def _looked_for(self, look: Callable[[], list[Leftover]]) -> list[Leftover]:
        try:
            return look()
        except OSError as error:
            questions.tell(self.window, self.tr("Unsaved readings can't be looked for"), self._disk_words(error))
            return []

    def _disk_words(self, error: OSError) -> str:
        return f"{error.filename or self.tr('the folder of journals')}: {why(error)}."

    def name_what_was_set_aside(self) -> None:
        """Name the values of the file that make no sense."""
        aside = self.session.book.set_aside
        if aside:
            lines = [f"{one.place}, {one.field}: {one.given} ({one.why})" for one in aside[:12]]
            more = [self.tr("and {0} more").format(len(aside) - 12)] if len(aside) > 12 else []
            words = self.tr("These values make no sense and are set aside; the rest of the file is open:")
            questions.tell(self.window, self.tr("Set aside"), "\n".join([words, "", *lines, *more]))
