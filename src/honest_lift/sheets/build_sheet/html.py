"""A build sheet as one HTML file that asks for nothing from anywhere."""

from __future__ import annotations

from importlib.resources import files

from jinja2 import Environment, StrictUndefined

from honest_lift.sheets.build_sheet.content import Sheet

_TEMPLATE = "sheet.html.j2"


def sheet_html(sheet: Sheet, *, both: bool = False) -> str:
    """Write a sheet as HTML; every word of an engine stands as text, whatever is in it. `both`: with the other system's column."""
    environment = Environment(autoescape=True, undefined=StrictUndefined, trim_blocks=True, lstrip_blocks=True)
    source = files(__package__).joinpath(_TEMPLATE).read_text(encoding="utf-8")
    return environment.from_string(source).render(sheet=sheet, both=both)
