"""Papers of an engine by name: what each is called, its parts as HTML, its drawings, and its words where it has only words."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from datetime import date

from msgspec import Struct

from honest_lift.checks.examine import examine, examining
from honest_lift.facts.engine import Book
from honest_lift.numbers.mendable import MendableError
from honest_lift.plans.head.work_order import work_order
from honest_lift.plans.spring.shims import NO_TARGET, plan_shims
from honest_lift.sheets.bench_card import bench_card
from honest_lift.sheets.bench_grid import USUAL, bench_grid
from honest_lift.sheets.book_text import book_text
from honest_lift.sheets.build_sheet.content import Sheet, sheet_coming
from honest_lift.sheets.build_sheet.html import sheet_html, sheet_parts
from honest_lift.sheets.build_sheet.pages import Drawn
from honest_lift.sheets.page import grid_part, whole_page, words_part
from honest_lift.sheets.work_order_text import work_order_text


class Paper(Struct, frozen=True):
    """A paper. `parts` (title, HTML) for pages; `html` makes the one file; `text` is empty where it is more than words."""

    title: str
    parts: tuple[tuple[str, str], ...]
    html: Callable[[], str]
    drawings: tuple[Drawn, ...] = ()
    text: str = ""
    lying: bool = False


def build_sheet(book: Book, *, both: bool = False, appendix: bool = True) -> Paper:
    """Give the build sheet as it stands today."""
    *_, paper = build_sheet_coming(book, both=both, appendix=appendix)
    assert isinstance(paper, Paper)
    return paper


def build_sheet_coming(book: Book, *, both: bool = False, appendix: bool = True) -> Iterator[str | Paper]:
    """Examine an engine and put its build sheet together: the name of each part as it is done, the paper last."""
    for part in examining(book):
        if isinstance(part, str):
            yield part
            continue
        for own in sheet_coming(book, part, date.today().isoformat(), both=both, appendix=appendix):
            yield own if isinstance(own, str) else _paper_of(own, both=both)


def _paper_of(sheet: Sheet, *, both: bool) -> Paper:
    drawings = tuple(own for page in sheet.pages for own in page.drawings)
    parts = tuple(sheet_parts(sheet, both=both))
    return Paper(sheet.name, parts, lambda: sheet_html(sheet, both=both), drawings, lying=True)


def blank_grid(book: Book, quantities: Sequence[str] = USUAL) -> Paper:
    """Give a blank grid for quantities. Raises MendableError for what makes no page."""
    grid = bench_grid(book.engine, quantities)
    part = grid_part(grid)
    return Paper(grid.title, (("Blank grid", part),), lambda: whole_page(grid.title, [part]))


def of_words(book: Book, name: str) -> Paper:
    """Give a paper that is words: "order", "book" or "shims". Raises MendableError where there is no plan to print."""
    title, lines = {"order": _order, "book": _book, "shims": _shims}[name](book)
    text = "\n".join(lines) + "\n"
    part = words_part(title, text)
    return Paper(title, ((title, part),), lambda: whole_page(title, [part]), text=text)


def _order(book: Book) -> tuple[str, Iterator[str]]:
    return "Work order", work_order_text(book.engine, work_order(book, examine(book)))


def _book(book: Book) -> tuple[str, Iterator[str]]:
    return f"Book of {book.engine.name or 'an engine without a name'}", book_text(book, examine(book))


def _shims(book: Book) -> tuple[str, Sequence[str]]:
    """Plan shims to the target where one is stated, else to the shortest pocket, and count what is to be bought."""
    plan = plan_shims(book, "target")
    if plan.problems == (NO_TARGET,):
        plan = plan_shims(book, "shortest")
    if not plan.pockets:
        raise MendableError(f"No shim plan: {'; '.join(plan.problems) or 'no pocket is known'}.")
    return "Shim card", bench_card(book.engine, plan).splitlines()
