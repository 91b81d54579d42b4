"""What the book of a running engine tells beside its seat loads: lash that grows, how long a set has run, what was noticed."""

from __future__ import annotations

from collections.abc import Sequence

from honest_lift.estimates.spring.seat_trend import seat_trend
from honest_lift.estimates.train.lash_growth import lash_growth, set_lives
from honest_lift.facts.book.logged import Logged
from honest_lift.facts.book.written import written
from honest_lift.facts.engine import Book
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_words


def log_lines(log: Sequence[Logged]) -> tuple[str, ...]:
    """Say what a log sums up to; nothing of an empty one."""
    if not log:
        return ()
    hours, runs = sum(one.hours or 0.0 for one in log), sum(one.runs or 0 for one in log)
    last = next((one.day for one in reversed(log) if one.kind == "parts"), "")
    since = f"; parts were changed last on {last}" if last else ""
    return (f"{hours:g} hours and {runs} passes in all{since}.",)


def service_lines(book: Book) -> tuple[str, ...]:
    """Say it in lines; none where the book tells nothing."""
    unit = book.engine.unit("length")
    lines = [
        f"Lash of {position_title(one.position)} has grown by {in_words(one.grown_mm, 'length', unit)} from {one.before} to "
        f"{one.now}: set meanwhile, or worn? Look at follower, lobe and adjuster."
        for one in lash_growth(book)
    ]
    lines += [
        f"Set {one.name}: {one.hours:g} hours and {one.runs} passes since {one.since or 'it was fitted'}."
        for one in set_lives(book) if one.hours or one.runs
    ]  # fmt: skip
    noticed = [one for one in written(book.journal).log if one.kind == "symptom"]
    last = (seat_trend(book).days or ("",))[-1]
    if noticed and noticed[-1].day > last:
        lines.append(
            f"Noticed on {noticed[-1].day}: {noticed[-1].words}. It asks for the seat load of every valve: read them."
        )
    return tuple(lines)
