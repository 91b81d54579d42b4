"""Keeping the book: whatever is done to an engine becomes entries of its journal and links of its chain."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import to_builtins
from msgspec.structs import replace

from honest_lift.facts.book.chain import Chain, extended
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.book.proof import proof_of
from honest_lift.facts.book.records import changes_between, digest, records_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import AnyEntry
from honest_lift.facts.sense import sensible

BEFORE = "what stood before the book"
SET_ASIDE = "values that make no sense were set aside"


def kept(book: Book, engine: Engine, entries: Sequence[AnyEntry], sentence: str, made: tuple[str, str]) -> Book:
    """Give a book in which an engine was changed and entries were made by one edit. `made`: an id for its own entry, and when.

    The first edit begins the book, over what stood before it.
    """
    if not book.chains:
        book = begun(book, BEFORE, (f"{made[0]}-begun", made[1]))
    changes = changes_between(book.engine, engine) if engine is not book.engine else ()
    if changes:
        entries = (*entries, Edited(*made, engine.hand, sentence, changes))
    *ended, chain = book.chains
    return replace(
        book, engine=engine, journal=(*book.journal, *entries), chains=(*ended, extended(chain, entries))
    )  # fmt: skip


def begun(book: Book, why: str, made: tuple[str, str]) -> Book:
    """Give a book whose chain begins over all that it holds."""
    records = {name: digest(body) for name, body in records_of(book.engine, book.set_aside).items()}
    first = Begun(*made, book.engine.hand, why, len(book.journal), records)
    journal = (*book.journal, first)
    return replace(book, journal=journal, chains=(*book.chains, extended(Chain(), journal)))


def begun_again(book: Book, why: str, broken: str = "") -> Book:
    """Give a book whose chain ends and begins again over what it holds now, for a reason that is none of the person's.

    `broken`: what of the chain did not hold. What is made of the same book is the same each time.
    """
    *ended, last = book.chains
    ends = replace(book, chains=(*ended, replace(last, ended=why, broken=broken)))
    when = book.journal[-1].when if book.journal else ""
    return begun(ends, why, (f"begun-{len(book.journal)}-{last.fingerprint}", when))


def made_sensible(book: Book) -> Book:
    """Give a book with every senseless value set aside, its chain begun again over what is left. The same book when there is none.

    What did not hold before is kept with the chain that ends: setting aside must not make a book that was altered whole again.
    """
    sense = sensible(book)
    if sense is book or not book.chains:
        return sense
    before = proof_of(to_builtins(replace(book, chains=book.chains[-1:])))
    return begun_again(sense, SET_ASIDE, "; ".join(before.broken))
