"""Signatures under findings: who goes on in spite of one, and why. No verdict changes by one, and none outlives its finding."""

from __future__ import annotations

from math import isclose, isfinite

from msgspec import Struct

from honest_lift.checks.finding import Finding
from honest_lift.facts.book.bound import Bound, digest_of, still_of
from honest_lift.facts.book.log_edits import Sign
from honest_lift.facts.book.logged import Signed
from honest_lift.facts.book.written import written
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.staleness import depends_on
from honest_lift.numbers.verdict import Verdict

_NEAR = 1e-6
HOLDS = frozenset({Verdict.FAILS, Verdict.UNPROVEN})  # what holds a route up until somebody signs


class Signature(Struct, frozen=True):
    """A signature, and whether the finding still is what was signed for."""

    entry: Signed
    holds: bool

    @property
    def words(self) -> str:
        """Say who signed when and why; of one that no longer holds, what was signed then."""
        one = self.entry
        who = f"by {one.by} on {one.when[:10]}: {one.why}"
        return (
            f"Signed {who}."
            if self.holds
            else f"Was signed {who}; it was “{one.verdict}” then. Parts or readings under it have changed since."
        )


def to_sign(book: Book, finding: Finding, why: str) -> Sign:
    """Give the edit that signs for a finding as it stands."""
    return Sign(finding.check.name, finding.place, finding.position, finding.verdict.word, *_stands(finding), why,
                digest_of(_rests_on(book, finding)))  # fmt: skip


def signature_of(book: Book, finding: Finding) -> Signature | None:
    """Give the signature under a finding, whether it still holds or not; None where nobody signed."""
    entry = written(book.journal).signed.get((finding.check.name, finding.place))
    if entry is None or entry.position != finding.position:
        return None
    then, now = (entry.figure, entry.lowest, entry.highest), _stands(finding)
    same = all(_same(was, one) for was, one in zip(then, now, strict=True))
    same = same and entry.verdict == finding.verdict.word and still_of(book.engine, entry, _rests_on(book, finding))
    return Signature(entry, same)


def _rests_on(book: Book, finding: Finding) -> Bound:
    """Give what a finding rests on: its inputs as they are, and the parts that each of them is read on, by any way."""
    bound: dict[str, str] = {}
    for one in finding.inputs:
        read = (one.kind, f"{one.value:.9g}", one.way, one.when)
        bound[f"{one.quantity} of {one.where}"] = ", ".join(read)
        place, row = one.asked, CATALOG.get(one.quantity)
        if place is None or row is None:
            continue
        for way in row.ways:
            fitted = depends_on(book.engine, one.quantity, way.key, place)
            bound |= {f"{slot} under {place.title}": part for slot, part in fitted.items()}
    return bound


def is_held_up(book: Book, finding: Finding) -> bool:
    """Tell whether a finding holds the route up: it fails or is unproven, and nobody signed for it as it stands."""
    signed = signature_of(book, finding)
    return finding.verdict in HOLDS and not (signed is not None and signed.holds)


def verdict_words(book: Book, finding: Finding) -> str:
    """Say a finding's verdict, and that somebody signed for it: `fails, signed`."""
    signed = signature_of(book, finding)
    return f"{finding.verdict.word}, signed" if signed is not None and signed.holds else finding.verdict.word


def _stands(finding: Finding) -> tuple[float | None, float | None, float | None]:
    """Give a finding's figure, and what it is held against: its lowest and its highest; None for none."""
    return _told(finding.figure), _told(finding.lowest), _told(finding.highest)


def _told(figure: float) -> float | None:
    return figure if isfinite(figure) else None


def _same(then: float | None, now: float | None) -> bool:
    if then is None or now is None:
        return then is now
    return isclose(then, now, rel_tol=_NEAR, abs_tol=1e-9)
