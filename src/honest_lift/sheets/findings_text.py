"""Findings as plain text, for a terminal or a file."""

from __future__ import annotations

from collections.abc import Iterator

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.signed import signature_of
from honest_lift.checks.unbegun import not_asked
from honest_lift.checks.wording import figure_words, limit_words, margin_words, reason, source_words, title
from honest_lift.facts.engine import Book
from honest_lift.numbers.verdict import Verdict


def findings_text(book: Book, examination: Examination) -> Iterator[str]:
    """Give every finding a line: verdict, place and check, figure with doubt, limit with source, margin, reason."""
    yield f"{book.engine.name or 'Engine without a name'}: {examination.of_engine().word}"
    yield f"job: {book.engine.job.title}"
    if book.engine.mock_up:
        yield f"mock-up still in: {', '.join(book.engine.mock_up)}"
    for one in book.set_aside:
        yield f"set aside: {one.place}, {one.field}: {one.given}: {one.why}"
    fitted = [one for one in examination.findings if one.position]
    for finding in fitted:
        yield _line(book, finding)
    spare = [one for one in examination.findings if not one.position]
    if spare:
        yield "Not fitted, and so without a say in the engine:"
        for finding in spare:
            yield _line(book, finding)
    if left := not_asked(book.engine):
        yield f"not asked in this job: {', '.join(left)}"
    counts = {verdict: sum(one.verdict is verdict for one in fitted) for verdict in sorted(Verdict, reverse=True)}
    yield ", ".join(f"{count} {_of_many(verdict, count)}" for verdict, count in counts.items())


def _of_many(verdict: Verdict, count: int) -> str:
    """Say a verdict of so many findings: `1 fails`, `2 fail`, `3 close`."""
    verbs = {Verdict.FAILS: "fail", Verdict.PASSES: "pass"}
    return verdict.word if count == 1 else verbs.get(verdict, verdict.word)


def _line(book: Book, finding: Finding) -> str:
    engine, signed = book.engine, signature_of(book, finding)
    said = " ".join([reason(finding, engine), *([signed.words] if signed is not None else [])])
    if finding.check.dimension == OBSERVED:
        return f"{finding.verdict.word:<9} {title(finding)}: {finding.word or 'not looked at'}. {said}"
    source = f" ({source_words(finding, engine)})" if finding.limit else ""
    held = f"{figure_words(finding, engine)}; {limit_words(finding, engine)}{source}; margin {margin_words(finding, engine)}"
    return f"{finding.verdict.word:<9} {title(finding)}: {held}. {said}"
