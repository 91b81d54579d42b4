"""Parts renewed all over the engine: what was read of the old ones speaks of them no more.

The log may say so in passing, "springs renewed, seats cut"; a file saved as the beginning of another engine says it of everything.
"""

from __future__ import annotations

import re

from msgspec.structs import replace

from honest_lift.facts.edits import Edit, fit_springs, fitment, new_id
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import CHANGEABLE, STACKS, Slot, holders_within
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.ledger import standing
from honest_lift.facts.parts import Condition, Spring
from honest_lift.facts.place import ENGINE

_NAMED: dict[Slot, str] = {  # the parts a log entry speaks of, by the words it uses
    "spring": r"springs?", "valve": r"valves?", "seat": r"(valve )?seats?", "guide": r"guides?", "seal": r"seals?",
    "retainer": r"retainers?", "locks": r"locks?|keepers?", "locator": r"locators?|cups?", "pocket": r"pockets?",
    "rocker": r"rockers?|pushrods?|followers?", "cam": r"cam|cams|camshafts?", "gasket": r"(head )?gaskets?",
    "head face": r"heads? (was |were )?(milled|skimmed|resurfaced)|milled", "block face": r"block|deck(ed)?|barrels?",
    "piston": r"pistons?|rods?", "adjuster": r"adjusters?|lash|lifters?",
    "lash shim": r"(lash|bucket) (shims?|pads?|caps?)", "cam tower": r"cam towers?",
}  # fmt: skip
EVERYTHING: tuple[Slot, ...] = ("spring", *(slot for slot in CHANGEABLE if slot not in STACKS.values()))


def parts_named(words: str) -> tuple[Slot, ...]:
    """Give the parts that some words name.

    >>> parts_named("Springs renewed, seats cut; oil changed")
    ('spring', 'seat')
    """
    return tuple(slot for slot, pattern in _NAMED.items() if re.search(rf"\b({pattern})\b", words, re.IGNORECASE))


class Renew(Edit, frozen=True):
    """Fit some parts anew wherever they sit. Springs become others of their cards, under numbers of their own."""

    slots: tuple[Slot, ...]
    words: str
    condition: Condition = "new"

    @property
    def sentence(self) -> str:
        """Say what is renewed."""
        return self.words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the fitments, and new springs in sets of their own."""
        engine, layout = book.engine, book.engine.layout
        made = tuple(
            fitment(engine, slot, holder, part="", note=self.words)
            for slot in self.slots if slot != "spring" for holder in holders_within(layout, slot, ENGINE)
        )  # fmt: skip
        engine = replace(engine, fitments=engine.fitments + made)
        if "spring" not in self.slots or not engine.springs:
            return engine, ()
        return self._with_other_springs(replace(book, engine=engine))

    def _with_other_springs(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        engine = book.engine
        fitted = {one.id: place for one in engine.springs if (place := engine.position_of(one.id))}
        owners = {one.set for one in engine.springs if one.id in fitted}
        sets = {
            one.id: replace(one, id=new_id(), name=_free(one.name, {each.name for each in engine.sets}), condition=self.condition)
            for one in engine.sets if one.id in owners
        }  # fmt: skip
        names = {one.id for one in engine.springs}
        others = {one.id: _free(one.id, names) for one in engine.springs if one.id in fitted}
        springs = tuple(
            Spring(others[one.id], sets[one.set].id) for one in engine.springs if one.id in others and one.set in sets
        )
        engine = replace(engine, sets=(*engine.sets, *sets.values()), springs=(*engine.springs, *springs))
        places = {fitted[old]: new for old, new in others.items() if any(one.id == new for one in springs)}
        return fit_springs(engine, places, self.words).apply(replace(book, engine=engine))


def _free(name: str, taken: set[str]) -> str:
    return next(made for n in range(2, len(taken) + 3) if (made := f"{name}-{n}") not in taken)


def speaks_of_parts(book: Book, slots: tuple[Slot, ...]) -> bool:
    """Tell whether any reading that counts was taken of some parts."""
    counting = [one for one in standing(book.journal) if not one.fate]
    rests = {key.partition("@")[0] for one in counting for key in one.depends_on}
    return bool(rests & set(slots)) or ("spring" in slots and any(one.place.kind == "spring" for one in counting))
