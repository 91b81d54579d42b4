"""The book of an engine as text for whoever buys it: what it is, what is signed in spite of a verdict, its life, its seat loads."""

from __future__ import annotations

from collections.abc import Iterator

from honest_lift.checks.examine import Examination
from honest_lift.checks.route import on_route
from honest_lift.checks.signed import signature_of
from honest_lift.checks.wording import title
from honest_lift.estimates.spring.seat_trend import seat_trend
from honest_lift.facts.book.entries import Begun, Edited
from honest_lift.facts.book.logged import KINDS, Logged, Signed, Ticked
from honest_lift.facts.book.written import written
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import AnyEntry, Moved, Noted, Reading, StruckOut
from honest_lift.facts.wheel_table import WheelTable
from honest_lift.words.route import held_words
from honest_lift.words.service import service_lines
from honest_lift.words.spring.trend import spring_words

CAUTION = (
    "A program's figure never replaces turning the engine over by hand twice and measuring. The maker's manual, local rules and "
    "qualified people go first."
)


def book_text(book: Book, seen: Examination | None) -> Iterator[str]:
    """Give the book line by line, the entries in their order, the fingerprint last."""
    engine = book.engine
    yield f"Book of {engine.name or 'an engine without a name'}"
    verdict = seen.of_engine().word if seen else "not examined"
    yield f"job: {engine.job.title}; {len(engine.layout.positions)} valves; verdict: {verdict}"
    yield CAUTION
    yield from _signed(book, seen)
    yield from _route(book, seen)
    yield from _life(book)
    yield from _loads(book)
    yield ""
    yield "Every entry:"
    yield from (entry_line(i, one, engine) for i, one in enumerate(book.journal, 1))
    if book.chains:
        yield f"fingerprint {book.chains[-1].fingerprint}"


def _signed(book: Book, seen: Examination | None) -> Iterator[str]:
    rows = [(one, signed) for one in (seen.findings if seen else ()) if (signed := signature_of(book, one)) is not None]
    if rows:
        yield ""
        yield "Gone on with in spite of a verdict:"
    for finding, signed in rows:
        yield f"  {title(finding)}: {finding.verdict.word}. {signed.words}"


def _route(book: Book, seen: Examination | None) -> Iterator[str]:
    items = on_route(book, seen)
    if items:
        yield ""
        yield "On the way:"
    for one in items:
        who = f"{one.ticked.when[:10]} {one.ticked.by}" if one.ticked else "not ticked"
        if one.outlived:
            who += f" (was on {one.outlived.when[:10]} by {one.outlived.by}; its parts have been changed since)"
        held = f"; held up: {held_words(one)}" if one.is_held_up else ""
        yield f"  {one.item.stage}: {one.item.words}: {who}{held}"


def _life(book: Book) -> Iterator[str]:
    log = written(book.journal).log
    if log:
        yield ""
        yield "Its life:"
    for one in log:
        yield f"  {logged_words(one)}"
    yield from (f"  {line}" for line in service_lines(book))


def logged_words(one: Logged) -> str:
    """Say an entry of the log in a line."""
    ran = [f"{one.hours:g} h" if one.hours is not None else "", f"{one.runs} passes" if one.runs is not None else ""]
    told = ", ".join(part for part in (*ran, one.words, one.link) if part)
    return f"{one.day} {KINDS[one.kind].partition(':')[0]}: {told}"


def _loads(book: Book) -> Iterator[str]:
    trend = seat_trend(book)
    if trend.springs:
        yield ""
        yield "Seat load on the engine:"
    for one in trend.springs:
        yield f"  {spring_words(one)}"


def entry_line(number: int, one: AnyEntry, engine: Engine) -> str:
    """Say an entry in a line: its number, when, who, what."""
    return f"{number:>5}  {one.when[:16].replace('T', ' ')}  {one.by or '–'}  {_what(one)}"


def _what(one: AnyEntry) -> str:
    if isinstance(one, Reading):
        row = CATALOG.get(one.quantity)
        return f"{row.title if row else one.quantity} of {one.place.title}: {one.text} {one.unit}".rstrip()
    if isinstance(one, Edited):
        return one.sentence
    if isinstance(one, Begun):
        return f"the book begins: {one.why}"
    if isinstance(one, Signed):
        return f"signed for {one.check.replace('_', ' ')} of {one.place.title}, {one.verdict}: {one.why}"
    if isinstance(one, Ticked):
        return f"ticked {one.item.replace('_', ' ')} {one.note}".rstrip()
    if isinstance(one, Logged):
        return logged_words(one)
    if isinstance(one, WheelTable):
        return f"lobe walked at {one.place.title}, {len(one.crank_deg)} rows"
    if isinstance(one, StruckOut):
        return f"struck out: {one.why}"
    if isinstance(one, Moved):
        return f"moved to {one.place.title}"
    return f"note: {one.note}" if isinstance(one, Noted) else "taken back, or judged"
