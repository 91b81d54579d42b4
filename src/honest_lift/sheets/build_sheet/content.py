"""What stands on a build sheet, in words: drawn from the findings, and nothing beside them is reckoned here."""

from __future__ import annotations

from collections.abc import Generator
from math import floor, isfinite, log10

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.signed import signature_of
from honest_lift.checks.unbegun import not_asked
from honest_lift.checks.wording import figure_words, limit_words, margin_words, reason, source_words, title
from honest_lift.checks.working import working
from honest_lift.facts.cautions import CAUTIONS
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fitments import CHANGEABLE, Slot
from honest_lift.numbers.units import in_figures, in_words, unit_of
from honest_lift.numbers.verdict import Verdict
from honest_lift.sheets.build_sheet.pages import Page, pages_of
from honest_lift.sheets.shapes import SHAPES

_MAIN = ("installed_height", "seat_load", "open_load", "coil_bind_clearance", "retainer_seal", "piston_valve")
_OTHER_SYSTEM = {"in": "mm", "mm": "in", "lbf": "N", "N": "lbf"}
_DASH = "–"
_PARTS: tuple[Slot, ...] = ("locks", "retainer", "locator", "valve", "seat", "seal")
_AT_ONCE = 50  # workings between two looks at whoever waits


class Row(Struct, frozen=True):
    """A finding as a row: `figure` with its uncertainty, `other` in the other system, "" where nobody asked for it."""

    what: str
    figure: str
    other: str
    limit: str
    margin: str
    verdict: str
    shape: str
    reason: str
    signed: str


class Part(Struct, frozen=True):
    """A part of the sheet: a title, headings and rows of words."""

    title: str
    heads: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]


class Sheet(Struct, frozen=True):
    """All that stands on a sheet. `heads`: by head, its valves with shape and verdict; `valves`: the main figures of each valve."""

    name: str
    about: tuple[str, ...]
    verdict: str
    shape: str
    paragraph: str
    unproven: tuple[str, ...]
    signed: tuple[str, ...]
    heads: tuple[tuple[str, tuple[tuple[str, str, str], ...]], ...]
    valves: Part
    steps: tuple[tuple[str, tuple[Row, ...]], ...]
    parts: tuple[Part, ...]
    cautions: tuple[str, ...]
    workings: tuple[tuple[str, tuple[str, ...]], ...]
    fingerprint: str
    pages: tuple[Page, ...] = ()  # with their drawings


def sheet_of(book: Book, seen: Examination, day: str, *, both: bool = False, appendix: bool = True) -> Sheet:
    """Put a sheet together. `both`: inches and millimetres side by side; `appendix`: with the working of every finding."""
    *_, whole = sheet_coming(book, seen, day, both=both, appendix=appendix)
    assert isinstance(whole, Sheet)
    return whole


def sheet_coming(
    book: Book, seen: Examination, day: str, *, both: bool = False, appendix: bool = True
) -> Generator[str | Sheet, None, None]:
    """Put a sheet together, a part at a time: the name of each as it is done, and the sheet last. Whoever waits may stop it."""
    engine = book.engine
    pages = []
    for page in pages_of(book, seen):
        pages.append(page)
        yield page.title
    fitted = [one for one in seen.findings if one.position]
    verdict = seen.of_engine()
    rows = _steps(book, seen, both=both)
    yield "Findings"
    workings: list[tuple[str, tuple[str, ...]]] = []
    for k, one in enumerate(seen.findings if appendix else ()):
        workings.append((title(one), working(one, engine)))
        if k % _AT_ONCE == 0:
            yield "Workings"
    yield Sheet(
        engine.name or "Engine without a name", _about(book, day), verdict.word, SHAPES[verdict], _paragraph(fitted, engine),
        _counted(fitted, Verdict.UNPROVEN), _signatures(book, seen), _heads(engine, seen), _valves(engine, seen, both=both),
        rows, (_springs(engine), _fitted(engine), _tools(engine)), CAUTIONS, tuple(workings),
        book.chains[-1].fingerprint if book.chains else "", tuple(pages),
    )  # fmt: skip


def _about(book: Book, day: str) -> tuple[str, ...]:
    engine = book.engine
    readings = sum(1 for one in book.journal if getattr(one, "quantity", ""))
    told = [
        f"job: {engine.job.title}",
        f"{len(engine.layout.positions)} valves, {engine.gear}",
        f"{readings} readings",
        day,
    ]
    if engine.hand:
        told.append(f"measured by {engine.hand}")
    if engine.mock_up:
        told.append(f"mock-up still in: {', '.join(engine.mock_up)}")
    return tuple(told)


def _paragraph(found: list[Finding], engine: Engine) -> str:
    """Say in one paragraph what was proven and what was not."""
    count = {verdict: sum(one.verdict is verdict for one in found) for verdict in Verdict}
    words = [f"Of {len(found)} findings {count[Verdict.PASSES]} pass, {count[Verdict.CLOSE]} are closer to a limit than their "
             f"uncertainty, {count[Verdict.FAILS]} fail and {count[Verdict.UNPROVEN]} are not proven."]  # fmt: skip
    if failing := _counted(found, Verdict.FAILS):
        words.append(f"What fails: {', '.join(failing)}.")
    if count[Verdict.UNPROVEN]:
        words.append("What is not proven was not measured, or rests on something that was not: it is no pass.")
    if left := not_asked(engine):
        words.append(f"Not asked in this job: {', '.join(left)}.")
    words.append("Measured with the tools named below; every figure carries its uncertainty at 95 percent.")
    return " ".join(words)


def _counted(found: list[Finding], verdict: Verdict) -> tuple[str, ...]:
    """Give checks with so many findings of a verdict: `seat load at 3`."""
    counts: dict[str, int] = {}
    for one in found:
        if one.verdict is verdict:
            counts[one.check.title] = counts.get(one.check.title, 0) + 1
    return tuple(f"{name.lower()} at {count}" for name, count in counts.items())


def _signatures(book: Book, seen: Examination) -> tuple[str, ...]:
    rows = ((one, signature_of(book, one)) for one in seen.findings)
    return tuple(f"{title(one)}: {one.verdict.word}. {signed.words}" for one, signed in rows if signed is not None)


def _heads(engine: Engine, seen: Examination) -> tuple[tuple[str, tuple[tuple[str, str, str], ...]], ...]:
    return tuple(
        (head.name, tuple((one.id, SHAPES[seen.verdict(one.id)], seen.verdict(one.id).word) for one in head.positions))
        for head in engine.layout.heads
    )  # fmt: skip


def _valves(engine: Engine, seen: Examination, *, both: bool) -> Part:
    """Give a row a valve with its main figures, each with the shape of its verdict."""
    names = [one.id for one in engine.layout.positions]
    checks = [name for name in _MAIN if any(seen.finding(name, one) for one in names)]
    heads = [next(f.check.title for one in names if (f := seen.finding(name, one))) for name in checks]
    rows = []
    for one in names:
        cells = [one]
        for name in checks:
            found = seen.finding(name, one)
            cells.append(_cell(found, engine, both=both) if found else _DASH)
        rows.append((*cells, f"{SHAPES[seen.verdict(one)]} {seen.verdict(one).word}"))
    return Part("Every valve", ("valve", *heads, "worst"), tuple(rows))


def _cell(found: Finding, engine: Engine, *, both: bool) -> str:
    other = f" ({_other(found, engine)})" if both and _other(found, engine) else ""
    word = "" if found.verdict is Verdict.PASSES else f" {found.verdict.word}"  # shapes alone are small on paper
    return f"{SHAPES[found.verdict]} {figure_words(found, engine)}{other}{word}"


def _other(found: Finding, engine: Engine) -> str:
    """Give a finding's figure in the other system; "" where there is none."""
    unit = _OTHER_SYSTEM.get(engine.unit(found.check.dimension), "")
    return in_words(found.figure, found.check.dimension, unit) if unit and isfinite(found.figure) else ""


def _steps(book: Book, seen: Examination, *, both: bool) -> tuple[tuple[str, tuple[Row, ...]], ...]:
    by_check: dict[str, list[Row]] = {}
    for one in seen.findings:
        by_check.setdefault(one.check.title, []).append(_row(book, one, both=both))
    return tuple((name, tuple(rows)) for name, rows in by_check.items())


def _row(book: Book, one: Finding, *, both: bool) -> Row:
    engine, signed = book.engine, signature_of(book, one)
    looked = one.check.dimension == OBSERVED
    figure = (one.word or "not looked at") if looked else figure_words(one, engine)
    source = f" ({source_words(one, engine)})" if one.limit and not looked else ""
    where = one.position or one.place.title
    return Row(
        where, figure, _other(one, engine) if both and not looked else "", "" if looked else f"{limit_words(one, engine)}{source}",
        "" if looked else margin_words(one, engine), one.verdict.word, SHAPES[one.verdict], reason(one, engine),
        signed.words if signed is not None else "",
    )  # fmt: skip


def _springs(engine: Engine) -> Part:
    """Give the cards of the springs: what a maker says, which proves nothing."""
    length, load = engine.unit("length"), engine.unit("load")

    def told(value: float | None, dimension: str, unit: str) -> str:
        return in_words(value, dimension, unit) if value is not None else _DASH

    rows = tuple(
        (one.name, f"{told(one.seat_load_n, 'load', load)} at {told(one.seat_height_mm, 'length', length)}",
         f"{told(one.open_load_n, 'load', load)} at {told(one.open_height_mm, 'length', length)}",
         told(one.bind_height_mm, "length", length), told(one.free_length_mm, "length", length))
        for one in engine.cards
    )  # fmt: skip
    return Part("Spring cards (a card proves nothing)", ("card", "closed", "open", "coil bind", "free length"), rows)


def _fitted(engine: Engine) -> Part:
    """Give what sits at each valve: spring, stacks of shims, and what was changed of locks, retainer, valve and the rest."""
    unit = engine.unit("length")

    def stack(slot: Slot, name: str) -> str:
        found = engine.fitted(slot, name)
        return " + ".join(in_figures(one, "length", unit) for one in (found.thicknesses_mm or ())) if found else ""

    rows = tuple((one.id, engine.spring_at(one.id) or _DASH, stack("shims", one.id) or "none",
                  stack("inner shims", one.id) or _DASH, stack("lash shim", one.id) or _DASH, _changed_at(engine, one.id))
                 for one in engine.layout.positions)  # fmt: skip
    heads = (
        "valve",
        "spring",
        f"shims, {unit}",
        f"under the inner, {unit}",
        f"lash shim, {unit}",
        "other parts changed",
    )
    return Part("Spring, shim and lock card", heads, rows)


def _changed_at(engine: Engine, position: str) -> str:
    found = ((slot, engine.fitted(slot, position)) for slot in _PARTS)
    return (
        "; ".join(f"{slot}: {one.note or CHANGEABLE[slot]} {one.when[:10]}".rstrip() for slot, one in found if one)
        or _DASH
    )


def _accuracy_words(accuracy: float, dimension: str, unit: str) -> str:
    """Write what a tool is true to with as many decimals as it takes: a fine one is never printed as “±0.000 in”."""
    if accuracy == 0.0:
        return "its resolution"
    own = unit_of(dimension, unit)
    first = -floor(log10(accuracy / float(own.factor)))  # of its leading figure
    return f"±{in_words(accuracy, dimension, unit, max(own.places, first + 1))}"


def _tools(engine: Engine) -> Part:
    rows = []
    for one in engine.tools:
        unit = engine.unit(one.dimension)
        exact = f"±{one.accuracy_percent:g} %" if one.accuracy_percent is not None else _DASH
        if one.accuracy is not None:
            exact = _accuracy_words(one.accuracy, one.dimension, unit)
        proven = " ".join(
            filter(None, (one.calibrated, f"against {one.calibrated_against}" if one.calibrated_against else ""))
        )
        rows.append((one.name, one.serial or _DASH, exact, proven or "not stated"))
    return Part("Tools and calibrations", ("tool", "serial", "accuracy", "calibrated"), tuple(rows))
