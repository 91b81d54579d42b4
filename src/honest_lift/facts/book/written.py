"""What of the book stands: entries that nobody took back, by what they are about."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.book.logged import Logged, Signed, Ticked
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.ledger import in_force
from honest_lift.facts.memory.remember import by_identity_of_many
from honest_lift.facts.place import Place


class Written(Struct, frozen=True):
    """Signatures by check and place, the last of each; ticks by item, the last of each; the log in the order of its days."""

    signed: dict[tuple[str, Place], Signed]
    ticked: dict[str, Ticked]
    log: tuple[Logged, ...]


@by_identity_of_many
def written(journal: tuple[AnyEntry, ...]) -> Written:
    """Give what stands of a journal."""
    found = [one for one in in_force(journal) if isinstance(one, Signed | Ticked | Logged)]
    log = [one for one in found if isinstance(one, Logged)]
    return Written(
        {(one.check, one.place): one for one in found if isinstance(one, Signed)},
        {one.item: one for one in found if isinstance(one, Ticked)},
        tuple(sorted(log, key=lambda one: (one.day, one.when))),
    )
