"""The edits of what people write into the book, by the hand that is measuring: without a name nothing is signed."""

from __future__ import annotations

from honest_lift.facts.book.bound import digest_of, parts_of
from honest_lift.facts.book.logged import KINDS, Kind, Logged, Signed, Ticked, log_is_odd
from honest_lift.facts.edits import Edit, EditError, new_id, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import AnyEntry, Withdrawn
from honest_lift.facts.place import ENGINE, Place

_LEAST_WORDS = 3


def _hand(book: Book) -> str:
    if not book.engine.hand:
        raise EditError("Say who is measuring first, under Engine and parts: a signature without a name is none.")
    return book.engine.hand


class Sign(Edit, frozen=True):
    """Sign for a finding that fails or is not proven."""

    check: str
    place: Place
    position: str
    verdict: str
    figure: float | None
    lowest: float | None
    highest: float | None
    why: str
    rests_on: str = ""

    @property
    def sentence(self) -> str:
        """Say what is signed."""
        return f"signed: {self.check.replace('_', ' ')} of {self.place.title}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the signature. Raises EditError without a name or a reason."""
        if len(self.why.strip()) < _LEAST_WORDS:
            raise EditError("A signature needs its reason, such as “customer wants it so”.")
        return book.engine, (
            Signed(
                new_id(), now(), _hand(book), self.check, self.place, self.position, self.verdict, self.figure, self.lowest,
                self.highest, self.why.strip(), self.rests_on,
            ),
        )  # fmt: skip


class Tick(Edit, frozen=True):
    """Tick something of the route off as looked at."""

    item: str
    note: str = ""

    @property
    def sentence(self) -> str:
        """Say what was looked at."""
        return f"ticked: {self.item}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the tick. Raises EditError without a name."""
        parts = digest_of(parts_of(book.engine, self.item))
        return book.engine, (Ticked(new_id(), now(), _hand(book), self.item, self.note.strip(), parts),)


class Log(Edit, frozen=True):
    """Write an entry of the engine's life."""

    kind: Kind
    day: str
    words: str
    hours: float | None = None
    runs: int | None = None
    place: Place = ENGINE
    link: str = ""

    @property
    def sentence(self) -> str:
        """Say what is written."""
        return f"{KINDS[self.kind].partition(':')[0]}: {self.words[:40]}"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the entry. Raises EditError for a day, hours or passes that make no sense, and for one that says nothing."""
        if not self.words.strip() and self.hours is None and self.runs is None and not self.link:
            raise EditError("The entry says nothing: write a word, hours or passes.")
        made = Logged(new_id(), now(), book.engine.hand, self.kind, self.day, self.words.strip(), self.hours, self.runs, self.place,
                      self.link.strip())  # fmt: skip
        if why := log_is_odd(made):
            raise EditError(f"{why}.")
        return book.engine, (made,)


class TakeBack(Edit, frozen=True):
    """Take a signature, a tick or an entry back; it stays in the book, and that it was taken back."""

    target: str

    @property
    def sentence(self) -> str:
        """Say that it is taken back."""
        return "taken back"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the withdrawal. Raises EditError where there is no such entry."""
        if not any(one.id == self.target for one in book.journal if isinstance(one, Signed | Ticked | Logged)):
            raise EditError("There is no such entry to take back.")
        return book.engine, (Withdrawn(new_id(), now(), book.engine.hand, self.target),)
