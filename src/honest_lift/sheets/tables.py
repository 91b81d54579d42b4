"""Findings and readings as tables for somebody else's program: CSV, one a row, units in a column, in the inside units.

With a decimal comma cells are parted by a semicolon. Nothing in a cell is run by a spreadsheet.
"""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Iterator
from math import isfinite

import msgspec

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing, standing
from honest_lift.facts.staleness import staleness
from honest_lift.numbers.formula_cell import defused
from honest_lift.numbers.units import INSIDE
from honest_lift.sheets.findings_json import findings_report

READINGS = (
    "id", "when", "by", "quantity", "place", "name", "member", "value", "unit", "as_typed", "way", "tool", "at", "note", "stands",
)  # fmt: skip
FINDINGS = (
    "check",
    "place",
    "valve",
    "figure",
    "expanded_uncertainty",
    "unit",
    "lowest",
    "highest",
    "margin",
    "verdict",
)


def exports(book: Book, seen: Examination, *, comma: bool = False) -> Iterator[tuple[str, str]]:
    """Give (file name, what stands in it) of every table of an engine. `comma`: decimal commas, for those who read them so."""
    yield "readings.csv", _csv(READINGS, (_reading(book, one) for one in standing(book.journal)), comma=comma)
    yield "findings.csv", _csv(FINDINGS, map(_finding, seen.findings), comma=comma)
    report = msgspec.json.format(msgspec.json.encode(findings_report(book, seen)), indent=1)
    yield "findings.json", report.decode() + "\n"


def _csv(heads: tuple[str, ...], rows: Iterable[tuple[str | float, ...]], *, comma: bool) -> str:
    held = io.StringIO()
    out = csv.writer(held, delimiter=";" if comma else ",", lineterminator="\n")
    out.writerow(heads)
    for row in rows:
        out.writerow([_figure(one, comma=comma) if isinstance(one, float) else defused(one) for one in row])
    return held.getvalue()


def _figure(value: float, *, comma: bool) -> str:
    """Write a figure so that it reads back as it was; nothing for none."""
    if not isfinite(value):
        return ""
    return repr(value).replace(".", ",") if comma else repr(value)


def _reading(book: Book, one: Standing) -> tuple[str | float, ...]:
    read = one.reading
    row, tool = CATALOG[read.quantity], book.engine.tool(read.tool)
    at = " ".join(f"{name}={value!r}" for name, value in read.at.items())
    return (
        read.id, read.when, read.by, read.quantity, one.place.kind, one.place.name, one.place.member, float(read.value),
        INSIDE[row.dimension], f"{read.text} {read.unit}".strip(), read.way, tool.name if tool else "", at, one.note,
        one.fate or staleness(book.engine, one) or "counts",
    )  # fmt: skip


def _finding(one: Finding) -> tuple[str | float, ...]:
    return (
        one.check.name, one.place.title, one.position, float(one.figure), float(one.expanded), INSIDE.get(one.check.dimension, ""),
        float(one.lowest), float(one.highest), float(one.margin), one.verdict.word,
    )  # fmt: skip
