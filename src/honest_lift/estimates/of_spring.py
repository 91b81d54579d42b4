"""How wide a spring is: measured on it, else from the wire and mean diameter its card states."""

from __future__ import annotations

from collections.abc import Callable

from honest_lift.estimates.estimate import Input
from honest_lift.estimates.resolve import missing, resolve
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import Member
from honest_lift.facts.place import of_spring
from honest_lift.numbers.doubt import Ground

_Pair = tuple[float, float]  # wire and mean diameter in mm
_CARD_TOLERANCE_MM = 0.3  # of a diameter that a card states. From memory


def outside(book: Book, spring: str) -> Input:
    """Give the outside of a spring, across its widest member, in mm."""
    return _across(book, spring, "spring_outside", "", lambda pairs: max(mean + wire for wire, mean in pairs))


def inside(book: Book, spring: str) -> Input:
    """Give the inside of a spring, across its innermost member, in mm."""
    return _across(book, spring, "spring_inside", "", lambda pairs: min(mean - wire for wire, mean in pairs))


def inside_of_outer(book: Book, spring: str) -> Input:
    """Give the inside of a spring's outer member in mm: what the retainer's step goes into."""
    card = book.engine.card_of(spring)
    nested = card is not None and len(card.members) > 1
    return _across(book, spring, "spring_inside", "outer" if nested else "", lambda pairs: max(m - w for w, m in pairs))


def _across(book: Book, spring: str, quantity: str, member: str, of: Callable[[list[_Pair]], float]) -> Input:
    place = of_spring(spring, member)
    if not spring:
        return missing(book, quantity, place, "no spring is fitted here")
    read = resolve(book, quantity, place)
    card = book.engine.card_of(spring)
    stated = [one for one in map(_both, card.members if card else ()) if one]
    if read.kind != "missing" or not stated:
        return read
    each = (f"card:{quantity}:{card.id if card else ''}", f"{read.title}, its tolerance", _CARD_TOLERANCE_MM / 3**0.5)
    return Input(quantity, place.title, "specified", of(stated), each=(each,), ground=Ground.SPECIFIED,
                 note="from wire and mean diameter on its card", asked=place)  # fmt: skip


def _both(member: Member) -> _Pair | None:
    if member.wire_mm is None or member.mean_diameter_mm is None:
        return None
    return member.wire_mm, member.mean_diameter_mm
