"""What a cylinder's valves and piston do around the turn, as CSV."""

from __future__ import annotations

import argparse
import sys

from honest_lift.commands.given import FAULT, add_engine, book_of

_NO_LOBE = 3


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    add_engine(parser)
    parser.add_argument("--valve", default="", help="a valve of the cylinder, such as 3i; without one by the card")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    book = book_of(options.file)
    if book is None:
        return FAULT
    if options.valve and book.engine.position(options.valve) is None:
        names = " ".join(one.id for one in book.engine.layout.positions)
        print(
            f"honest-lift: “{options.valve}” is no valve of this engine; there are {names or 'none'}.", file=sys.stderr
        )
        return FAULT

    from honest_lift.estimates.train.turn import crank_of, turns_of
    from honest_lift.sheets.cam_curves import curves_csv

    turns, crank = turns_of(book, options.valve), crank_of(book)
    for missing in [one.missing for one in turns.values() if one.missing]:
        print(f"honest-lift: {missing}.", file=sys.stderr)
    if not any(one.valve for one in turns.values()):
        return _NO_LOBE
    print(curves_csv(turns, None if isinstance(crank, str) else crank, book.engine.unit("length")), end="")
    return 0
