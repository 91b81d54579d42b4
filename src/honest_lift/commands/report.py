"""The build sheet of an engine, as HTML or PDF."""

from __future__ import annotations

import argparse
import os
import sys
from pathlib import Path

from honest_lift.commands.given import FAULT, book_of


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument(
        "file", help="an engine file, or “demo” for the demonstration engine, “demo:four” for the second"
    )
    parser.add_argument(
        "--html", type=Path, metavar="PATH", help="as one HTML file that asks for nothing from anywhere"
    )
    parser.add_argument("--pdf", type=Path, metavar="PATH", help="as PDF")
    parser.add_argument("--customer", action="store_true", help="without the working of every finding")
    parser.add_argument("--both", action="store_true", help="inches and millimetres side by side")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    if options.html is None and options.pdf is None:
        parser.error("name what is to be written: --html PATH, --pdf PATH, or both.")
    book = book_of(options.file)
    if book is None:
        return FAULT

    from datetime import date

    from honest_lift.checks.examine import examine
    from honest_lift.facts import disk
    from honest_lift.sheets.build_sheet.content import sheet_of
    from honest_lift.sheets.build_sheet.html import sheet_html

    sheet = sheet_of(book, examine(book), date.today().isoformat(), both=options.both, appendix=not options.customer)
    html = sheet_html(sheet, both=options.both)
    wanted = [(options.html, html.encode())] if options.html is not None else []
    if options.pdf is not None:
        os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
        from honest_lift.desk.pdf_sheet import pdf_of_html
        from honest_lift.desk.theme import load_fonts
        from honest_lift.desk.window import application

        application()
        load_fonts()
        wanted.append((options.pdf, pdf_of_html(html, sheet.name)))
    for path, data in wanted:
        try:
            disk.put_out(path, data)
        except OSError as error:
            print(f"honest-lift: {path}: {disk.why(error)}.", file=sys.stderr)
            return FAULT
        print(path)
    return 0
