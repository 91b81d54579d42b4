"""A build sheet as one HTML file that asks for nothing from anywhere, or part by part for whoever lays out pages."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from itertools import count

from honest_lift.sheets.build_sheet.content import Sheet
from honest_lift.sheets.build_sheet.pages import Drawn
from honest_lift.sheets.page import filled, whole_page

DRAWING = "drawing:"  # what the source of a picture begins with where it is drawn beside the page
_CHECKS, _WORKINGS = 8, 150  # in one part: what is laid out is long, and somebody waits
Placed = Callable[[Drawn], str]


def sheet_html(sheet: Sheet, *, both: bool = False) -> str:
    """Write a sheet as HTML; every word of an engine stands as text, whatever is in it. `both`: with the other system's column."""
    return whole_page(sheet.name, (html for _, html in sheet_parts(sheet, _inline(), both=both)))


def sheet_parts(sheet: Sheet, placed: Placed | None = None, *, both: bool = False) -> Iterator[tuple[str, str]]:
    """Give the parts of a sheet, each (title, HTML), in their order.

    `placed`: how a drawing stands in it; named by DRAWING and its key without one.
    """
    drawing = placed or _named

    def made(name: str, **what: object) -> str:
        return filled(name, sheet=sheet, both=both, drawing=drawing, **what)

    yield "Cover", made("cover")
    yield "Every valve", made("valves")
    for one in sheet.pages[1:]:
        yield one.title, made("drawn", one=one)
    for start in range(0, len(sheet.steps), _CHECKS):
        yield "Every finding", made("findings", steps=sheet.steps[start : start + _CHECKS], first=start == 0)
    yield "Cards, tools, signatures", made("cards")
    for start in range(0, len(sheet.workings), _WORKINGS):
        yield "Appendix", made("appendix", workings=sheet.workings[start : start + _WORKINGS], first=start == 0)


def _named(one: Drawn) -> str:
    return f'<img src="{DRAWING}{one.key}" width="{one.wide:g}" height="{one.high:g}">'


def _inline() -> Placed:
    """Give what writes a drawing into the page; the hatching of each has a name of its own."""
    numbers = count(1)

    def drawn(one: Drawn) -> str:
        mark = f"cut{next(numbers)}"
        return one.svg.replace('id="cut"', f'id="{mark}"').replace("url(#cut)", f"url(#{mark})")

    return drawn
