"""Readings and findings as tables, and drawings, into a folder."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.commands.given import FAULT, add_engine, add_force, book_of, may_write
from honest_lift.desk.qt_there import has_qt

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination
    from honest_lift.facts.engine import Book


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    add_engine(parser)
    parser.add_argument(
        "--to", type=Path, required=True, metavar="DIR", help="where the files go; made if it is not there"
    )
    add_force(parser)
    parser.add_argument("--comma", action="store_true", help="decimal commas, cells parted by semicolons")
    parser.add_argument(
        "--drawings", action="store_true", help="the drawings of the build sheet too, each as SVG and PNG"
    )


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    book = book_of(options.file)
    if book is None or (options.drawings and not has_qt()):
        return FAULT

    from honest_lift.checks.examine import examine
    from honest_lift.facts import disk
    from honest_lift.facts.written_out import TargetError, write_out

    made = [(options.to / name, data) for name, data in _files(book, examine(book), options)]
    if not may_write(
        [path for path, _ in made], force=options.force
    ):  # before the first of them, so that none stands alone
        return FAULT
    for path, data in made:
        try:
            disk.make_folder(options.to)
            write_out(path, data, agreed=options.force)
        except TargetError as error:
            print(f"honest-lift: {error}", file=sys.stderr)
            return FAULT
        except OSError as error:
            print(f"honest-lift: {path}: {disk.why(error)}.", file=sys.stderr)
            return FAULT
        print(path)
    return 0


def _files(book: Book, seen: Examination, options: argparse.Namespace) -> Iterator[tuple[str, bytes]]:
    from honest_lift.sheets.tables import exports

    for name, text in exports(book, seen, comma=options.comma):
        yield name, text.encode()
    if options.drawings:
        yield from _drawings(book, seen)


def _drawings(book: Book, seen: Examination) -> Iterator[tuple[str, bytes]]:
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    from honest_lift.desk.application import application
    from honest_lift.desk.theme import load_fonts
    from honest_lift.desk.vector_out import png_of_svg
    from honest_lift.sheets.build_sheet.pages import pages_of

    application()
    load_fonts()
    for page in pages_of(book, seen):
        for one in page.drawings:
            yield f"{one.key}.svg", one.svg.encode()
            yield f"{one.key}.png", png_of_svg(one.svg, one.wide, one.high)
