"""What the checks of cylinders share: a finding for each cylinder, told at its first valve and shown at all of them."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.estimates.estimate import Estimate
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import limit_for
from honest_lift.facts.place import at_cylinder
from honest_lift.numbers.doubt import Array

Terms = dict[str, Array]


def on_cylinders(
    book: Book, check: Check, cylinders: Sequence[str], estimate: Estimate, terms: Terms, remarks: Sequence[str] | None = None,
    about_mm: float = 0.0,
) -> list[Finding]:  # fmt: skip
    """Judge an estimate (n,) at every cylinder against the limit that holds, moved by `about_mm` where it is one of lengths."""
    engine = book.engine
    limit = limit_for(engine.limits, check.name, "", engine.lifter)
    firsts = [engine.layout.of_cylinder(one)[0] for one in cylinders]
    return findings(
        check, [at_cylinder(one) for one in cylinders], firsts, estimate, [limit] * len(cylinders), terms=terms, remarks=remarks,
        about=np.full(len(cylinders), about_mm),
    )  # fmt: skip
