"""Findings as JSON, schema `honest-lift/findings` version 1; documented in docs/findings.md.

Figures stand in the inside unit (mm, N, percent), so that a reader needs no conversion table; `null` is no figure.
"""

from __future__ import annotations

from enum import Enum
from math import isfinite
from typing import Literal, cast

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.signed import signature_of
from honest_lift.checks.unbegun import not_asked
from honest_lift.checks.wording import reason, source_words, title
from honest_lift.checks.working import working
from honest_lift.estimates.estimate import Input
from honest_lift.facts.engine import Book, SetAside
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.units import INSIDE
from honest_lift.numbers.verdict import Verdict

SCHEMA = "honest-lift/findings"
VERSION = 1
# What may stand in a field, drawn from what the program knows, so that schema and page can't say anything else.
VerdictWord = Enum("VerdictWord", {one.name: one.word for one in Verdict})  # type: ignore[misc]
RestsOn = Enum("RestsOn", {flag.name or "": (flag.name or "").lower() for flag in Ground if flag})  # type: ignore[misc]
UnitSymbol = Enum("UnitSymbol", {name.upper(): unit for name, unit in INSIDE.items()})  # type: ignore[misc]
Kind = Literal["measured", "observed", "specified", "assumed", "calculated", "not applicable", "missing"]


class Limits(Struct, frozen=True):
    """The limits as they stand for the place, in the finding's unit."""

    lowest: float | None
    highest: float | None
    source: str


class InputRecord(Struct, frozen=True):
    """One input of a finding."""

    quantity: str
    kind: Kind
    value: float | None
    where: str
    way: str
    tool: str
    rests_on: tuple[RestsOn, ...]
    note: str
    when: str = ""


class Share(Struct, frozen=True):
    """One source's share of the variance."""

    source: str
    share: float


class SignatureRecord(Struct, frozen=True):
    """Who goes on in spite of a finding, and why. `holds`: the finding still is what was signed for."""

    by: str
    when: str
    why: str
    holds: bool


class FindingRecord(Struct, frozen=True):
    """One finding."""

    place: str
    position: str
    fitted: bool
    check: str
    title: str
    unit: UnitSymbol
    figure: float | None
    uncertainty: float | None
    limit: Limits
    margin: float | None
    verdict: VerdictWord
    provisional: VerdictWord
    rests_on: tuple[RestsOn, ...]
    reason: str
    inputs: tuple[InputRecord, ...]
    working: tuple[str, ...] = ()
    budget: tuple[Share, ...] = ()
    word: str = ""  # of what was only looked at
    signed: SignatureRecord | None = None


class Counts(Struct, frozen=True):
    """How many findings carry each verdict."""

    passes: int
    close: int
    unproven: int
    fails: int


class JobAsked(Struct, frozen=True):
    """The job in hand: its preset and title, and the checks it does not ask, by title: they are no verdict."""

    preset: str
    title: str
    not_asked: tuple[str, ...]


class FindingsReport(Struct, frozen=True):
    """Everything the checks say of an engine."""

    schema: str
    version: int
    engine: str
    engine_id: str
    job: JobAsked
    verdict: VerdictWord
    counts: Counts
    set_aside: tuple[SetAside, ...]
    findings: tuple[FindingRecord, ...]


def findings_report(book: Book, examination: Examination) -> FindingsReport:
    """Lay the findings of an engine out for JSON."""
    fitted = [one for one in examination.findings if one.position]
    counts = Counts(**{verdict.word: sum(one.verdict is verdict for one in fitted) for verdict in Verdict})
    records = tuple(_record(book, one) for one in examination.findings)
    return FindingsReport(
        SCHEMA,
        VERSION,
        book.engine.name,
        book.engine.id,
        JobAsked(book.engine.job.preset, book.engine.job.title, not_asked(book.engine)),
        VerdictWord(examination.of_engine().word),
        counts,
        book.set_aside,
        records,
    )


def _record(book: Book, one: Finding) -> FindingRecord:
    return FindingRecord(
        place=one.position or one.place.name,
        position=one.position,
        fitted=bool(one.position),
        check=one.check.name,
        title=title(one),
        unit=UnitSymbol(INSIDE[one.check.dimension]),
        figure=_number(one.figure),
        uncertainty=_number(one.expanded) if isfinite(one.figure) else None,
        limit=Limits(_number(one.lowest), _number(one.highest), source_words(one, book.engine)),
        margin=_number(one.margin) if isfinite(one.figure) else None,
        verdict=VerdictWord(one.verdict.word),
        provisional=VerdictWord(one.provisional.word),
        rests_on=_grounds(one.ground),
        reason=reason(one, book.engine),
        inputs=tuple(_input(each) for each in one.inputs),
        working=working(one, book.engine),
        budget=tuple(Share(source, share) for source, share in one.shares()),
        word=one.word,
        signed=_signed(book, one),
    )


def _signed(book: Book, one: Finding) -> SignatureRecord | None:
    signed = signature_of(book, one)
    return (
        None if signed is None else SignatureRecord(signed.entry.by, signed.entry.when, signed.entry.why, signed.holds)
    )


def _input(one: Input) -> InputRecord:
    value = None if one.quantity == "spring_load" else _number(one.value)
    return InputRecord(
        one.quantity,
        cast(Kind, one.kind),
        value,
        one.where,
        one.way,
        one.tool,
        _grounds(one.ground),
        one.note,
        one.when,
    )


def _grounds(ground: Ground) -> tuple[RestsOn, ...]:
    return tuple(RestsOn((flag.name or "").lower()) for flag in Ground if flag and ground & flag)


def _number(value: float) -> float | None:
    return value if isfinite(value) else None
