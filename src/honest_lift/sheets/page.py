"""HTML for paper and files: the templates of this room, which escape whatever they are given, and one style sheet for all."""

from __future__ import annotations

from collections.abc import Iterable
from importlib.resources import files

from jinja2 import Environment, PackageLoader, StrictUndefined
from markupsafe import Markup

from honest_lift.sheets.bench_grid import Grid

_FOLDER = "templates"


def filled(name: str, **what: object) -> str:
    """Fill the template of a name."""
    loader = PackageLoader(__package__, _FOLDER)
    environment = Environment(
        loader=loader, autoescape=True, undefined=StrictUndefined, trim_blocks=True, lstrip_blocks=True
    )
    return environment.get_template(f"{name}.html.j2").render(**what)


def style() -> str:
    """Give the style sheet, which paper and file share."""
    return files(__package__).joinpath(_FOLDER, "style.css").read_text(encoding="utf-8")


def whole_page(title: str, parts: Iterable[str]) -> str:
    """Put filled templates together as one file that asks for nothing from anywhere."""
    return filled("whole", title=title, style=Markup(style()), parts=[Markup(one) for one in parts])


def grid_part(grid: Grid) -> str:
    """Fill the template of a blank grid."""
    return filled("grid", grid=grid)


def words_part(title: str, text: str) -> str:
    """Fill the template of plain words."""
    return filled("words", title=title, text=text)
