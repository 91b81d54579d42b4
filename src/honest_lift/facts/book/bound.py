"""What a tick or a signature is bound to: the parts it speaks of, so that none outlives them.

An entry keeps a digest of their fitments. Entries of older programs kept none: those hold until something was fitted after them.
"""

from __future__ import annotations

from collections.abc import Mapping

from honest_lift.facts.book.logged import Signed, Ticked
from honest_lift.facts.book.records import canonical, digest
from honest_lift.facts.engine import Engine
from honest_lift.facts.fitments import in_place
from honest_lift.facts.route import BOLTS, slots_under

Bound = Mapping[str, str]  # what something rests on: what each is called, and its id or what was read of it


def parts_of(engine: Engine, item: str) -> Bound:
    """Give the fitments that an item of the route speaks of, at every place: {"slot at holder": id}."""
    slots = slots_under(item)
    return {
        f"{slot} at {holder}": one.id for (slot, holder), one in in_place(engine.fitments).items()
        if slot in slots and (not item.startswith(BOLTS) or item.startswith(f"{BOLTS}{holder} step "))
    }  # fmt: skip


def digest_of(bound: Bound) -> str:
    """Give the digest that an entry keeps of what it is bound to."""
    return digest(canonical(dict(bound)))


def still_of(engine: Engine, entry: Signed | Ticked, bound: Bound) -> bool:
    """Tell whether an entry still speaks of what is there now."""
    if entry.rests_on:
        return entry.rests_on == digest_of(bound)
    ids = set(bound.values())
    return not any(one.id in ids and one.when > entry.when for one in engine.fitments)
