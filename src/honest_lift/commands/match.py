"""What on a shelf of parts suits an engine: springs, retainers, locks and shims, by their cards."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path
from typing import TYPE_CHECKING

from honest_lift.commands.given import FAULT, add_engine, book_of

if TYPE_CHECKING:
    from honest_lift.facts.engine import Book
    from honest_lift.plans.match.match import Answer, Match
    from honest_lift.shelf.store import Shelf

_NOTHING_SUITS = 1
_MOST = 20


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    add_engine(parser)
    parser.add_argument("--shelf", type=Path, metavar="FILE", help="another shelf than your own (docs/shelf-format.md)")
    parser.add_argument("--invented", action="store_true", help="the invented shelf that ships with the program")
    parser.add_argument(
        "--most", type=int, default=_MOST, metavar="N", help=f"list so many of the best; {_MOST} without it"
    )
    parser.add_argument(
        "--list", type=int, default=0, metavar="N", help="print the shopping and machining list of the N-th of them"
    )


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status: 1 when nothing suits."""
    if options.most < 1 or options.list < 0:
        parser.error("--most and --list take numbers from 1 on.")
    book = book_of(options.file)
    if book is None:
        return FAULT

    from honest_lift.numbers.mendable import MendableError
    from honest_lift.sheets.terminal import say
    from honest_lift.shelf.store import ShelfError

    try:
        shelf = _shelf(options)
        try:
            return _told(book, shelf, options)
        finally:
            shelf.close()
    except (MendableError, ShelfError) as error:
        say(f"honest-lift: {error}", sys.stderr)
        return FAULT


def _shelf(options: argparse.Namespace) -> Shelf:
    """Open a shelf that is there: asking for parts makes none."""
    from honest_lift.demo.shelf import lay_out
    from honest_lift.shelf.store import Shelf, ShelfError, usual_path

    path = None if options.invented else options.shelf or usual_path()
    if path is not None and not path.exists():
        raise ShelfError(f"{path}: there is no shelf; --shelf names another, --invented takes the one that ships.")
    shelf = Shelf(path)
    if options.invented:
        lay_out(shelf)
    return shelf


def _told(book: Book, shelf: Shelf, options: argparse.Namespace) -> int:
    from honest_lift.plans.match.match import Match
    from honest_lift.plans.match.parts import on_shelf
    from honest_lift.sheets.terminal import say
    from honest_lift.words.spring.match import answer_words, weakest_words

    match = Match(book, on_shelf(shelf))
    *_, answer = match.search()
    say(answer_words(match, answer), sys.stdout)
    for note in match.notes:
        say(f"{note[:1].upper()}{note[1:]}.", sys.stdout)
    if options.list:
        return _list(book, shelf, match, answer, options.list)
    for number, one in enumerate(answer.listed[: options.most], 1):
        parts = ", ".join(key[1] for key in one.parts)
        say(
            f"{number:>3}  {parts}: weakest {one.weakest:.2f} at {weakest_words(one)}; {one.operations} operations",
            sys.stdout,
        )
    return 0 if answer.count else _NOTHING_SUITS


def _list(book: Book, shelf: Shelf, match: Match, answer: Answer, number: int) -> int:
    from honest_lift.plans.match.accept import Chosen
    from honest_lift.sheets.terminal import say
    from honest_lift.shelf.kinds import PARTS
    from honest_lift.words.spring.match import list_text

    if number > len(answer.listed):
        say(f"honest-lift: there is no candidate {number}; {len(answer.listed)} are listed.", sys.stderr)
        return FAULT
    one = answer.listed[number - 1]
    found = [
        shelf.part(PARTS[kind], *key) for kind, key in zip(("springs", "retainers", "locks"), one.parts, strict=True)
    ]
    spring, retainer, locks = (part for part in found if part is not None)
    say(list_text(book.engine, match, one, Chosen(spring, retainer, locks)), sys.stdout)
    return 0
