"""What the checks of valves share: what stands for a quantity at every valve, and a finding for each."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.checks.observed import findings_observed
from honest_lift.estimates.estimate import Estimate, either, estimate_of
from honest_lift.estimates.of_valve import at_each_valve, at_valve, at_valves
from honest_lift.facts.engine import Book
from honest_lift.facts.journal_index import is_read
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.made_at import guide_material_at
from honest_lift.facts.place import at_position
from honest_lift.numbers.doubt import Array, Ground


def names_of(book: Book) -> list[str]:
    """Give the valves in head order."""
    return [one.id for one in book.engine.layout.positions]


def everywhere(book: Book, quantity: str, member: str = "") -> Estimate:
    """Give the estimate (n,) of a quantity at every valve."""
    return at_valves(book, quantity, names_of(book), member) if member else estimate_of(at_each_valve(book, quantity))


def read_or_worked(book: Book, quantity: str, worked: Estimate) -> tuple[Estimate, NDArray[np.bool_]]:
    """Give what was read at each valve, and where nothing was, what is worked out; and where it was read (n,).

    What is stale or was set aside is not stood in for.
    """
    read = everywhere(book, quantity)
    there = np.array([one[0].is_told for one in read.inputs], dtype=bool)
    return either(there, read, worked), there


def limits_at(book: Book, check: str) -> list[Limit | None]:
    """Give the limit of a check that holds at each valve."""
    engine = book.engine
    return [
        limit_for(engine.limits, check, one.role, engine.lifter, guide_material_at(engine, one.id))
        for one in engine.layout.positions
    ]


def is_given(book: Book, quantity: str) -> bool:
    """Tell whether anybody has stated or measured a quantity anywhere on the engine, or a file held one that made no sense."""
    return (
        any(one.quantity == quantity for one in book.engine.facts)
        or is_read(book.journal, quantity)
        or any(one.quantity == quantity for one in book.set_aside)
    )


def on_valves(
    book: Book, check: Check, estimate: Estimate, terms: dict[str, Array], remarks: Sequence[str] | None = None,
    about: Array | None = None,
) -> list[Finding]:  # fmt: skip
    """Judge an estimate (n,) at every valve against the limit that holds there."""
    names = names_of(book)
    return findings(
        check, [at_position(name) for name in names], names, estimate, limits_at(book, check.name), about=about,
        terms=terms, remarks=remarks,
    )  # fmt: skip


def where_stated(found: Sequence[Finding], *quantities: str) -> list[Finding]:
    """Keep the findings that are called for: where nobody has given one of these the check does not belong to the job."""
    return [
        one for one in found
        if not any(each.quantity in quantities and each.ground & Ground.MISSING and not each.note for each in one.inputs)
    ]  # fmt: skip


def looked_at(book: Book, check: Check, quantity: str) -> list[Finding]:
    """Give the finding of an observation at every valve."""
    names = names_of(book)
    inputs = [at_valve(book, quantity, name) for name in names]
    return findings_observed(check, [at_position(name) for name in names], names, inputs)


def with_remark(one: Finding, words: str) -> Finding:
    """Add to what is remarked on a finding."""
    return replace(one, remark="; ".join(part for part in (one.remark, words) if part)) if words else one
