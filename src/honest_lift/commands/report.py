"""Papers of an engine, as HTML, PDF or text: the build sheet, the work order, the book, the shim card, a blank grid for a pen."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.commands.given import FAULT, add_engine, add_force, book_of, may_write
from honest_lift.commands.stopping import between_parts
from honest_lift.desk.qt_there import has_qt

if TYPE_CHECKING:
    from honest_lift.facts.engine import Book
    from honest_lift.sheets.papers import Paper

_NAMES = ("sheet", "order", "book", "shims", "grid")  # of sheets/papers, whose import costs what no other command needs


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    add_engine(parser)
    parser.add_argument(
        "--paper", choices=_NAMES, default="sheet",
        help="sheet: the build sheet; order: the machinist's work order; book: for whoever buys the engine; shims: the shim plan "
        "as a card, with what is to be bought; grid: a blank page for a pen",
    )  # fmt: skip
    parser.add_argument(
        "--html", type=Path, metavar="PATH", help="as one HTML file that asks for nothing from anywhere"
    )
    parser.add_argument("--pdf", type=Path, metavar="PATH", help="as PDF")
    parser.add_argument("--txt", type=Path, metavar="PATH", help="as plain text; not the build sheet, not a grid")
    add_force(parser)
    parser.add_argument("--customer", action="store_true", help="the build sheet without the working of every finding")
    parser.add_argument("--both", action="store_true", help="the build sheet with inches and millimetres side by side")
    parser.add_argument(
        "--read",
        action="append",
        default=[],
        metavar="QUANTITY",
        help="a column of the grid (docs/nomenclature.md); again for more",
    )


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    if options.html is None and options.pdf is None and options.txt is None:
        parser.error("name what is to be written: --html PATH, --pdf PATH, --txt PATH, or several.")
    if options.txt is not None and options.paper in ("sheet", "grid"):
        parser.error(
            f"the paper “{options.paper}” has drawings or lines to write on: --html or --pdf it; `check` prints findings."
        )
    if options.read and options.paper != "grid":
        parser.error("--read names columns of the blank grid: add --paper grid.")
    if (options.customer or options.both) and options.paper != "sheet":
        parser.error(f"--customer and --both are of the build sheet; the paper asked for is “{options.paper}”.")
    if options.pdf is not None and not has_qt():
        return FAULT
    targets = [path for path in (options.html, options.txt, options.pdf) if path is not None]
    if not may_write(targets, force=options.force):
        return FAULT
    book = book_of(options.file)
    if book is None:
        return FAULT

    from honest_lift.numbers.mendable import MendableError

    try:
        paper = _paper(book, options)
    except MendableError as error:
        print(f"honest-lift: {error}", file=sys.stderr)
        return FAULT
    return _written(paper, options)


def _paper(book: Book, options: argparse.Namespace) -> Paper:
    from honest_lift.sheets import papers

    if options.paper == "sheet":
        return papers.build_sheet(book, both=options.both, appendix=not options.customer)
    if options.paper == "grid":
        return papers.blank_grid(book, options.read) if options.read else papers.blank_grid(book)
    return papers.of_words(book, options.paper)


def _written(paper: Paper, options: argparse.Namespace) -> int:
    from honest_lift.facts import disk
    from honest_lift.facts.written_out import TargetError, write_out

    made: list[tuple[Path | None, Callable[[], bytes]]] = [
        (options.html, lambda: paper.html().encode()),
        (options.txt, lambda: paper.text.encode()),
        (options.pdf, lambda: _pdf(paper)),
    ]
    for path, make in made:
        if path is None:
            continue
        try:
            write_out(path, make(), agreed=options.force)
        except TargetError as error:
            print(f"honest-lift: {error}", file=sys.stderr)
            return FAULT
        except OSError as error:
            print(f"honest-lift: {path}: {disk.why(error)}.", file=sys.stderr)
            return FAULT
        print(path)
    return 0


def _pdf(paper: Paper) -> bytes:
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    from honest_lift.desk.application import application
    from honest_lift.desk.paper import pdf_coming
    from honest_lift.desk.theme import load_fonts

    application()
    load_fonts()
    *_, data = between_parts(pdf_coming(paper))
    assert isinstance(data, bytes)
    return data
