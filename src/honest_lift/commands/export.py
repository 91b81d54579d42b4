"""Readings and findings as tables in a folder."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from honest_lift.commands.given import FAULT, book_of


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument(
        "file", help="an engine file, or “demo” for the demonstration engine, “demo:four” for the second"
    )
    parser.add_argument(
        "--to", type=Path, required=True, metavar="DIR", help="where the files go; made if it is not there"
    )
    parser.add_argument("--comma", action="store_true", help="decimal commas, cells parted by semicolons")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    book = book_of(options.file)
    if book is None:
        return FAULT

    from honest_lift.checks.examine import examine
    from honest_lift.facts import disk
    from honest_lift.sheets.tables import exports

    for name, text in exports(book, examine(book), comma=options.comma):
        path = options.to / name
        try:
            disk.make_folder(options.to)
            disk.put_out(path, text.encode())
        except OSError as error:
            print(f"honest-lift: {path}: {disk.why(error)}.", file=sys.stderr)
            return FAULT
        print(path)
    return 0
