"""The route as it stands: each item ticked or not, and what holds a hold point up."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.signed import HOLDS, is_held_up, signature_of
from honest_lift.facts.book.bound import parts_of, still_of
from honest_lift.facts.book.logged import Ticked
from honest_lift.facts.book.written import written
from honest_lift.facts.engine import Book
from honest_lift.facts.route import Item, route_of


class OnRoute(Struct, frozen=True):
    """An item, who ticked it, and what holds it up now: findings that fail or are unproven and nobody signed for.

    `signed`: those that somebody signed for. `left_in`: what of the mock-up is still in and holds it up too. `unseen`: nothing of
    a hold point's steps has been held against anything. A tick over findings that came later stands in the book and holds no more;
    `outlived` is one whose parts are no longer those that were looked at.
    """

    item: Item
    ticked: Ticked | None
    held_by: tuple[Finding, ...] = ()
    signed: tuple[Finding, ...] = ()
    left_in: tuple[str, ...] = ()
    unseen: bool = False
    outlived: Ticked | None = None

    @property
    def is_held_up(self) -> bool:
        """Tell whether anything holds it up."""
        return bool(self.held_by or self.left_in or self.unseen)

    @property
    def is_done(self) -> bool:
        """Tell whether it is ticked and nothing holds it up."""
        return self.ticked is not None and not self.is_held_up


def on_route(book: Book, seen: Examination | None) -> tuple[OnRoute, ...]:
    """Give the route of an engine as it stands; without an examination every hold point waits for one."""
    told = written(book.journal).ticked
    return tuple(_item(book, seen, one, told.get(one.key)) for one in route_of(book.engine))


def _item(book: Book, seen: Examination | None, item: Item, ticked: Ticked | None) -> OnRoute:
    left_in = book.engine.mock_up if item.is_final else ()
    outlived = None
    if ticked is not None and not still_of(book.engine, ticked, parts_of(book.engine, item.key)):
        ticked, outlived = None, ticked
    if not item.holds:
        return OnRoute(item, ticked, left_in=left_in, outlived=outlived)
    own = [one for one in (seen.findings if seen else ()) if one.position and one.check.step in item.holds]
    held = tuple(one for one in own if is_held_up(book, one))
    signed = tuple(
        one for one in own if one.verdict in HOLDS and (found := signature_of(book, one)) is not None and found.holds
    )
    return OnRoute(item, ticked, held, signed, left_in, not own, outlived)
