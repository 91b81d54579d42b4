"""A book reduced to what some quantities rest on, so that what is worked out of it can be remembered by it."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache
from typing import Any, TypeVar, cast

from honest_lift.facts.catalog import slots_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import CONSULTED, changed_slots
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.journal_index import index_of
from honest_lift.facts.memory.remember import last_few, named_memory


def narrowed(book: Book, quantities: frozenset[str], slots: frozenset[str], *, parts: bool = False) -> Book:
    """Reduce a book to what some quantities are resolved from, so that everything else may change unnoticed.

    Answers can then be remembered by the narrowed book: it is equal whenever nothing they rest on has changed.
    `parts` keeps springs, their cards and the limits too.
    """
    whole = book.engine
    if (
        changed_slots(whole.fitments) & slots
    ):  # what was read before a known change is moved by it, and that asks for more
        quantities, slots = quantities | CONSULTED, slots | slots_of(CONSULTED)
    engine = Engine(
        "",
        layout=whole.layout,
        gear=whole.gear,
        rocker_mount=whole.rocker_mount,
        lifter=whole.lifter,
        cam_turns=whole.cam_turns,
        lobes=whole.lobes if "lobe_lift" in quantities else (),
        cam_separation_deg=whole.cam_separation_deg if "lobe_lift" in quantities else None,
        cam_advance_deg=whole.cam_advance_deg if "lobe_lift" in quantities else None,
        rod_material=whole.rod_material,
        head_material=whole.head_material,
        guide_material=whole.guide_material,
        hardened_base=whole.hardened_base,
        made_of=whole.made_of,
        units=whole.units,
        facts=tuple(one for one in whole.facts if one.quantity in quantities),
        fitments=_narrowing(_fitments, whole.fitments, slots, lambda one: one.slot in slots),
        tools=whole.tools,
        default_tools=whole.default_tools,
        references=whole.references if "reference_load" in quantities else (),
        calibrations=whole.calibrations if "reference_load" in quantities else (),
        tolerances=whole.tolerances,
        cards=whole.cards if parts else (),
        sets=whole.sets if parts else (),
        springs=whole.springs if parts else (),
        limits=whole.limits if parts else (),
    )
    cut = Book(engine, _narrowed_journal(book.journal, quantities), book.set_aside)
    _note(cut, book, _kept_whole(quantities, slots))
    return cut


def _narrowed_journal(journal: tuple[AnyEntry, ...], quantities: frozenset[str]) -> tuple[AnyEntry, ...]:
    """Give a journal without what is about other quantities; the very same one as long as nothing new is about these."""
    index = index_of(journal)
    for known, asked, before in _journals:
        if asked == quantities and journal[: len(known)] == known:
            new = tuple(one for one in journal[len(known) :] if index.is_about(one, quantities))
            made = cast(tuple[AnyEntry, ...], before + new if new else before)
            break
    else:
        known, made = (), index.of(quantities)
    # what speaks of an id that nothing has yet is left out, and may belong to what comes: that journal is not gone on from
    return made if known is journal or index.strangers else _kept(_journals, journal, quantities, made)


def _kept(kept: list[Any], whole: T, by: frozenset[str], made: T) -> T:
    kept.insert(0, (whole, by, made))
    del kept[_NARROWINGS:]
    return made


def _narrowing(kept: list[Any], whole: T, by: frozenset[str], wanted: Callable[[Any], bool]) -> T:
    """Give those records of a tuple that are wanted; while the tuple is the very same, or only longer, so is what is given."""
    found, looked_at = (), 0
    for known, asked, before in kept:
        if asked == by and (known is whole or (len(known) < len(whole) and whole[: len(known)] == known)):
            found, looked_at = before, len(known)
            break
    if looked_at == len(whole):
        return cast(T, found)
    more = tuple(one for one in whole[looked_at:] if wanted(one))
    return _kept(kept, whole, by, cast(T, found + more if more else found))


T = TypeVar("T", bound=tuple[Any, ...])
_NARROWINGS = 48  # of one journal: a trial asks for each of them again at every step of its slider
_journals: list[Any] = last_few()
_fitments: list[Any] = last_few()


@cache
def _kept_whole(quantities: frozenset[str], slots: frozenset[str]) -> frozenset[str]:
    """Give those quantities of which every slot they may rest on is kept too."""
    return frozenset(one for one in quantities if slots_of((one,)) <= slots)


def whole_for(book: Book, quantities: tuple[str, ...]) -> Book:
    """Give the book that one was narrowed from, where it kept all that some quantities rest on; the book itself otherwise.

    What stands for them is the same in both, and need not be worked out once for every narrowing.
    """
    cut, whole, kept = _noted.get(id(book), (None, book, frozenset()))
    return whole if cut is book and kept.issuperset(quantities) else book


def _note(cut: Book, book: Book, kept: frozenset[str]) -> None:
    """Remember what a book was narrowed from; what was narrowed twice keeps what both kept."""
    known, whole, before = _noted.get(id(book), (None, book, kept))
    if known is book:
        book, kept = whole, kept & before
    _noted.pop(id(cut), None)  # of a book that is gone and had the same place in memory
    _noted[id(cut)] = (cut, book, kept)
    while len(_noted) > _NARROWINGS:
        del _noted[next(iter(_noted))]


_noted: dict[int, tuple[Book, Book, frozenset[str]]] = named_memory()
