"""Twenty seasons in a book of fifty thousand entries: opened, and a reading confirmed, beside the demonstration."""

from __future__ import annotations

import gc
import tempfile
import time
from pathlib import Path

from msgspec.structs import replace

from honest_lift.demo.demonstrations import demonstration
from honest_lift.estimates.spring.seat_trend import QUANTITY
from honest_lift.facts.book.chain import Chain, extended
from honest_lift.facts.edits import Confirm, reading_of
from honest_lift.facts.engine import Book
from honest_lift.facts.file import read_book, write_book
from honest_lift.facts.history import History
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import at_position

ENTRIES, SEASONS = 50_000, 20


def grown(book: Book) -> Book:
    """Give a book with its seat loads read over and over, for twenty seasons."""
    loads = [one for one in book.journal if isinstance(one, Reading) and one.quantity == QUANTITY]
    journal, count = list(book.journal), 0
    while len(journal) < ENTRIES:
        one = loads[count % len(loads)]
        year = 2026 + count * SEASONS // ENTRIES
        journal.append(replace(one, id=f"g{count}", when=f"{year}{one.when[4:]}", supersedes=()))
        count += 1
    return replace(book, journal=tuple(journal), chains=(extended(Chain(), journal),))


def best(work, times: int = 5) -> float:
    """Give the least of a few times, ms."""
    took = []
    for _ in range(times):
        begin = time.perf_counter()
        work()
        took.append((time.perf_counter() - begin) * 1e3)
    return min(took)


def confirmed(book: Book) -> float:
    """Give how long a reading takes to be confirmed, ms, of the window's own keeping of the book."""
    history = History(book)
    one = reading_of(
        book, QUANTITY, at_position("1i"), 250.0, text="250", unit="N", way="lever", tool="lever", repeat=True
    )
    history.do(Confirm((one,)))  # the first looks through all of it once
    return best(lambda: history.do(Confirm((replace(one, id=f"{time.perf_counter()}"),))))


def main() -> None:
    """Print name, ms and target."""
    gc.disable()  # as the program does while it starts
    small = demonstration("seasons")
    large = grown(small)
    with tempfile.TemporaryDirectory() as folder:
        files = [Path(folder) / f"{name}.liftbook" for name in ("small", "large")]
        for book, path in zip((small, large), files, strict=True):
            write_book(book, path)
        few, many = (best(lambda path=path: read_book(path), 3) for path in files)
    print(f"opens_demonstration {few} 0.0")
    print(f"opens_fifty_thousand_entries_more_than_it {many - few} 500.0")
    print(f"confirmed_in_demonstration {confirmed(small)} 0.0")
    print(f"confirmed_among_fifty_thousand {confirmed(large)} 0.0")


if __name__ == "__main__":
    main()
