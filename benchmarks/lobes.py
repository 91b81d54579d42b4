"""Lobes: a table of 720 rows from its text to its figures, sixteen of them, a lobe from a card, and a live change of advance."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable

import numpy as np
from opening import opened

from honest_lift.demo.engine import demo_book
from honest_lift.estimates.cam.card import flank_of
from honest_lift.estimates.cam.lobe_read import lobe_read
from honest_lift.facts.edits import new_id
from honest_lift.facts.engine import Book
from honest_lift.facts.history import History
from honest_lift.facts.ledger import tables
from honest_lift.facts.lobe_edits import TakeTables, table_of
from honest_lift.facts.memory import remember
from honest_lift.facts.place import at_position
from honest_lift.facts.wheel_import import in_mm, read_table
from honest_lift.mechanics.cam.card_lobe import flank_from_card
from honest_lift.words.cam.lobes import lobe_words

_ROUNDS = 9
CARD = (8.97, ((0.1524, 284.0), (1.27, 236.0), (5.08, 150.0)))


def table_text(book: Book, seed: int) -> str:
    """Write 720 rows as a bench would have read them: every crank degree, 0.01 mm, the wheel 0.2 degree off."""
    flank, rng = flank_of(book, "intake"), np.random.default_rng(seed)
    crank = np.arange(-252.0, 468.0)
    lift = flank.lift(np.abs(crank - 108.0 + rng.normal(0, 0.2, len(crank))) / 2)
    return "\n".join(f"{a:g};{one:.2f}" for a, one in zip(crank, lift, strict=True))


def took(work: Callable[[], object]) -> float:
    """Give the median time of some rounds in seconds, everything forgotten before each."""
    times = []
    for _ in range(_ROUNDS):
        remember.forget_all()
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    return statistics.median(times)


def read_all(book: Book, texts: list[str]) -> None:
    """Take tables in from their text, smooth them and say what they come to."""
    history = History(book)
    names = [one.id for one in book.engine.layout.positions]
    for name, text in zip(names, texts, strict=False):
        rows = in_mm(read_table(text).columns[0], "mm", cam_degrees=False)
        table = table_of(history.book, at_position(name), "lifter", rows, unit="mm", tool="indicator", wheel="wheel")
        history.do(TakeTables((table,)))
    for table in tables(history.book.journal):
        lobe_words(history.book, lobe_read(history.book, table))


def live_advance() -> list[float]:
    """Give the times from a step of the slider to the repainted page."""
    app, window = opened("cam", "3i")
    page = window.sheets["cam"].turn
    page.advance.setSliderDown(True)  # as a hand has it: the words follow when it rests
    times = []
    for step in (*range(1, 30), *range(30, 0, -1)):
        start = time.perf_counter()
        page.advance.setValue(step - 15)
        page.drawing.repaint()
        app.processEvents()
        times.append(time.perf_counter() - start)
    window.session.close()
    return times[5:]


def main() -> None:
    """Print each figure: took, target, in milliseconds."""
    book = Book(demo_book(new_id()).engine)
    texts = [table_text(book, seed) for seed in range(16)]
    print("a_lobe_from_its_card", 1000 * took(lambda: flank_from_card(*CARD)), 200)
    print("720_rows_read_smoothed_told", 1000 * took(lambda: read_all(book, texts[:1])), 400)
    print("sixteen_of_them", 1000 * took(lambda: read_all(book, texts)), 4000)
    moved = live_advance()
    print("live_advance_median", 1000 * statistics.median(moved), 16)
    print("live_advance_95th", 1000 * sorted(moved)[int(0.95 * len(moved))], 0)


if __name__ == "__main__":
    main()
