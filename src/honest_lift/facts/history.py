"""Undo and redo. Facts go back to their snapshot; readings are never taken out of the journal.

Undoing a reading appends its strike-out, redoing it appends the withdrawal of that, so that no path of undo,
redo and new work can lose one. Every change of a fact, there and back, is an entry too (`book/`).
"""

from __future__ import annotations

import msgspec
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.book.keeping import kept
from honest_lift.facts.edits import Edit, EditError, new_id, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import AnyEntry, undoing


class _Step(Struct, frozen=True):
    sentence: str
    before: Engine
    after: Engine
    entries: tuple[AnyEntry, ...]  # those that now stand for the step, and would be taken back
    stood: object = None  # where whoever did it stood, as the caller said


class History(Struct):
    """A book and the way it came about. `book` is always the present one."""

    book: Book
    _done: list[_Step] = []
    _undone: list[_Step] = []

    @property
    def undo_sentence(self) -> str:
        """Say what undo would take back; "" for nothing."""
        return self._done[-1].sentence if self._done else ""

    @property
    def redo_sentence(self) -> str:
        """Say what redo would bring back; "" for nothing."""
        return self._undone[-1].sentence if self._undone else ""

    @property
    def undo_stood(self) -> object:
        """Give where whoever did stood what undo would take back; None for nothing."""
        return self._done[-1].stood if self._done else None

    @property
    def redo_stood(self) -> object:
        """Give where whoever did stood what redo would bring back; None for nothing."""
        return self._undone[-1].stood if self._undone else None

    def do(self, edit: Edit, stood: object = None) -> tuple[AnyEntry, ...]:
        """Apply an edit and give the entries it appended. Raises EditError, and then nothing has changed.

        `stood`: where it is done from, for whoever undoes it and wants to be there again.
        """
        before = self.book.engine
        engine, entries = edit.apply(self.book)
        _prove_writable(engine if engine is not before else None, entries)
        self._become(engine, entries, edit.sentence)
        self._done.append(_Step(edit.sentence, before, engine, entries, stood))
        self._undone.clear()
        return entries

    def undo(self) -> tuple[AnyEntry, ...]:
        """Take the last step back and give the entries that say so; nothing when there is none."""
        return self._turn(self._done, self._undone, back=True)

    def redo(self) -> tuple[AnyEntry, ...]:
        """Bring the last undone step back and give the entries that say so."""
        return self._turn(self._undone, self._done, back=False)

    def copied(self, new: str) -> History:
        """Give the same way for a copy of the engine: under an id of its own, in every step."""
        old = self.book.engine.id
        copy = kept(self.book, _copy(self.book.engine, new, old), (), "saved as another engine", (new_id(), now()))
        return History(
            copy,
            [_of_copy(step, new, old) for step in self._done],
            [_of_copy(step, new, old) for step in self._undone],
        )

    def _turn(self, source: list[_Step], target: list[_Step], *, back: bool) -> tuple[AnyEntry, ...]:
        if not source:
            return ()
        step = source.pop()
        engine = step.before if back else step.after
        entries = tuple(undoing(one, new_id(), now(), engine.hand) for one in reversed(step.entries))
        self._become(engine, entries, f"{'undone' if back else 'done again'}: {step.sentence}")
        target.append(_Step(step.sentence, step.before, step.after, entries, step.stood))
        return entries

    def _become(self, engine: Engine, entries: tuple[AnyEntry, ...], sentence: str) -> None:
        self.book = kept(self.book, engine, entries, sentence, (new_id(), now()))


def _prove_writable(engine: Engine | None, entries: tuple[AnyEntry, ...]) -> None:
    """Refuse what could not be written and read again: half of a character, a figure that is none. Raises EditError."""
    try:
        for kind, what in (*((AnyEntry, one) for one in entries), *(((Engine, engine),) if engine else ())):
            if msgspec.json.decode(msgspec.json.encode(what), type=kind) != what:
                raise EditError("This can't be kept: it would read back as something else.")
    except UnicodeEncodeError as error:
        half = ord(error.object[error.start])
        raise EditError(
            f"This holds half of a character (U+{half:04X}), which no file can keep: type it again."
        ) from None
    except (msgspec.DecodeError, TypeError) as error:
        raise EditError(f"This can't be kept: {error}.") from None


def _of_copy(step: _Step, new: str, old: str) -> _Step:
    return replace(step, before=_copy(step.before, new, old), after=_copy(step.after, new, old))


def _copy(engine: Engine, new: str, old: str) -> Engine:
    return replace(engine, id=new, copied_from=old)
