"""Findings of what was only looked at: each word of an observation says what it comes to."""

from __future__ import annotations

from collections.abc import Sequence
from math import nan

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.observed import choice_of
from honest_lift.facts.place import Place
from honest_lift.numbers.doubt import Ground, exact
from honest_lift.numbers.verdict import Verdict

OBSERVED = "observed"  # the dimension of a check that has no figure


def findings_observed(
    check: Check, places: Sequence[Place], positions: Sequence[str], inputs: Sequence[Input]
) -> list[Finding]:
    """Give the finding of each observation. What was not looked at, or before a part was changed, is unproven."""
    none = exact(np.full(len(inputs), nan))
    found = []
    for case, (place, position, one) in enumerate(zip(places, positions, inputs, strict=True)):
        choice = choice_of(one)
        provisional = choice.verdict if choice else Verdict.UNPROVEN
        seen = one.kind == "observed" and not one.ground & ~Ground.SPECIFIED  # what a file states nobody has looked at
        verdict = provisional if seen else Verdict.UNPROVEN
        found.append(Finding(
            check, place, position, nan, nan, nan, nan, None, nan, verdict, provisional, nan, nan, False, one.ground,
            (one,), (), choice.says if choice else "", none, case, choice.key if choice else "",
        ))  # fmt: skip
    return found
