"""A finding: what a check says of one place."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from math import isfinite, nan

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.checks.terms import TERMS
from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.facts.limits import Limit, full_rung
from honest_lift.facts.place import Place
from honest_lift.numbers.decision import decide
from honest_lift.numbers.doubt import Array, Figure, Ground, ground_of
from honest_lift.numbers.verdict import Verdict


class Check(Struct, frozen=True, cache_hash=True):
    """A named check. `step`: the step of the job it belongs to. `terms`: titles of what its figure is worked from."""

    name: str
    title: str
    step: str
    dimension: str
    meaning: str


class Term(Struct, frozen=True):
    """One value of a finding's working, in its inside unit: `key` of TERMS."""

    key: str
    value: float

    @property
    def title(self) -> str:
        """Give the title it is shown under."""
        return TERMS[self.key][0]

    @property
    def dimension(self) -> str:
        """Give its dimension."""
        return TERMS[self.key][1]


class Finding(Struct, frozen=True):
    """What a check says of one place. Values in the inside unit of the check's dimension, NaN for none.

    `position`: the valve it concerns, "" for a spring that is not fitted. `lowest`, `highest`: the limits as
    they stand for this place. `least`, `most`: the margin over the assumed ranges.
    """

    check: Check
    place: Place
    position: str
    figure: float
    expanded: float
    lowest: float
    highest: float
    limit: Limit | None
    margin: float
    verdict: Verdict
    provisional: Verdict
    least: float
    most: float
    narrow: bool
    ground: Ground
    inputs: tuple[Input, ...]
    terms: tuple[Term, ...]
    remark: str
    source: Figure
    case: int
    word: str = ""  # of an observation, which has no figure

    @property
    def comfort(self) -> float:
        """Give the margin that makes a full rung: the limit's own, half its window, else a tenth of it; NaN for none."""
        return full_rung(self.limit.comfort, self.lowest, self.highest) if self.limit is not None else nan

    def term(self, key: str) -> float:
        """Give what it is worked from by key; NaN where it is not worked from that."""
        return next((one.value for one in self.terms if one.key == key), nan)

    @property
    def rung(self) -> float:
        """Give the margin in shares of the comfort margin."""
        return self.margin / self.comfort if self.comfort else nan

    @property
    def weakness(self) -> float:
        """Give (margin - U)/(comfort margin): the least of a valve is its weakest point."""
        return (self.margin - self.expanded) / self.comfort if self.comfort else nan

    def shares(self) -> tuple[tuple[str, float], ...]:
        """Give each source's share of the variance, largest first: made only when someone looks."""
        squares = self.source.parts()[:, self.case] ** 2
        total = float(squares.sum())
        if not isfinite(total):  # there is no figure, and so nothing it could doubt
            return ()
        shares: dict[str, float] = {}
        for source, square in zip(self.source.sources, squares, strict=True):
            if square and total:
                shares[source.label] = shares.get(source.label, 0.0) + float(square) / total
        return tuple(sorted(shares.items(), key=lambda pair: -pair[1]))


def findings(
    check: Check, places: Sequence[Place], positions: Sequence[str], estimate: Estimate,
    limits: Sequence[Limit | None], *, about: Array | None = None, terms: Mapping[str, Array] | None = None,
    remarks: Sequence[str] | None = None,
) -> list[Finding]:  # fmt: skip
    """Judge an estimate (n,) against one limit a case and give the findings.

    `about` (n,): what limits stated as plus and minus are about (a target height). `terms`: key to values
    (n,) and dimension.
    """
    base = np.zeros(len(places)) if about is None else about
    lowest = np.array([nan if one is None or one.lowest is None else one.lowest for one in limits]) + base
    highest = np.array([nan if one is None or one.highest is None else one.highest for one in limits]) + base
    aside = np.array([one is not None and one.set_aside for one in limits], dtype=bool)
    if aside.any():
        estimate = replace(estimate, figure=estimate.figure.on_ground(aside, Ground.SET_ASIDE))
    said = decide(estimate.figure, lowest, highest)
    value = np.where(estimate.figure.ground & int(Ground.MISSING), nan, estimate.figure.value)
    laid = {key: values.tolist() for key, values in (terms or {}).items()}
    columns = (value, said.expanded, lowest, highest, said.margin, said.verdict, said.provisional, said.least, said.most,
               said.narrow, estimate.figure.ground)  # fmt: skip
    rows = zip(*(one.tolist() for one in columns), strict=True)
    return [
        Finding(
            check, places[i], positions[i], figure, expanded, low, high, limits[i], margin, _VERDICTS[verdict],
            _VERDICTS[provisional], least, most, narrow, ground_of(ground), estimate.inputs[i],
            tuple(Term(key, values[i]) for key, values in laid.items()),
            remarks[i] if remarks else "", estimate.figure, i,
        )
        for i, (figure, expanded, low, high, margin, verdict, provisional, least, most, narrow, ground) in enumerate(rows)
    ]  # fmt: skip


_VERDICTS = {int(one): one for one in Verdict}
