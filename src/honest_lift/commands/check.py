"""Every finding of an engine with its reason, as text or JSON."""

from __future__ import annotations

import argparse
import sys
from typing import TYPE_CHECKING

from honest_lift.commands.given import FAULT, add_engine, book_of
from honest_lift.commands.stopping import reader_may_leave

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination
    from honest_lift.facts.engine import Book

_STATUS = {"passes": 0, "close": 0, "fails": 1, "unproven": 3}


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    add_engine(parser)
    parser.add_argument("--json", action="store_true", help="as JSON, schema honest-lift/findings (docs/findings.md)")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status: that of the engine's verdict."""
    book = book_of(options.file)
    if book is None:
        return FAULT

    from honest_lift.checks.examine import examine

    examination = examine(book)
    with reader_may_leave():
        _print(book, examination, as_json=options.json)
    return _STATUS[examination.of_engine().word]


def _print(book: Book, examination: Examination, *, as_json: bool) -> None:
    if as_json:
        import msgspec

        from honest_lift.sheets.findings_json import findings_report
        from honest_lift.sheets.terminal import say_json

        report = msgspec.json.format(msgspec.json.encode(findings_report(book, examination)), indent=1)
        say_json(report.decode(), sys.stdout)
    else:
        from honest_lift.sheets.findings_text import findings_text
        from honest_lift.sheets.terminal import say

        for line in findings_text(book, examination):
            say(line, sys.stdout)
