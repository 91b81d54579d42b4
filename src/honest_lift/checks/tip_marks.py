"""The mark the rocker left on a valve's tip: how far off the middle it lies, and how wide it is."""

from __future__ import annotations

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, is_given, on_valves
from honest_lift.facts.engine import Book

MARK_MIDDLE = Check(
    "mark_middle", "Mark on the tip", "rocker", "length",
    "Middle of the mark the rocker left on the valve's tip, from the stem's axis; outboard positive.",
)  # fmt: skip
MARK_WIDTH = Check(
    "mark_width", "Width of the mark", "rocker", "length", "Width of the mark the rocker left on the valve's tip.",
)  # fmt: skip


def check_tip_marks(book: Book) -> list[Finding]:
    """Hold every mark against its limits, once anybody has read one: the valve nobody looked at is then unproven."""
    return [
        finding
        for check in (MARK_MIDDLE, MARK_WIDTH)
        if is_given(book, check.name)
        for finding in on_valves(book, check, everywhere(book, check.name), {})
    ]
