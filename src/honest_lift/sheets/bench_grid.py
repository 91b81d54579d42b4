"""A blank grid for a pen: one page with a row for every place and a column for every quantity that is read there.

What is written on it goes back by typing down the column, or by pasting one that was typed elsewhere.
"""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import Struct

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import position_title
from honest_lift.numbers.mendable import MendableError

USUAL = ("installed_height", "shims", "seal_gap", "lash")  # what a head is measured for first
MOST = 7  # columns a pen has room for on one page


class Grid(Struct, frozen=True):
    """A page: `columns` (title, unit, how it is measured), `rows` of places by their names."""

    title: str
    columns: tuple[tuple[str, str, str], ...]
    rows: tuple[str, ...]
    caution: str


_CAUTION = "Eye protection on. A compressed valve spring can put an eye out: the tool square, never over the face."


def bench_grid(engine: Engine, quantities: Sequence[str]) -> Grid:
    """Lay a grid out for quantities of one kind of place. Raises MendableError for what makes no page."""
    if unknown := [name for name in quantities if name not in CATALOG]:
        raise MendableError(f"“{unknown[0]}” is no quantity; docs/nomenclature.md names them all.")
    if not quantities or len(quantities) > MOST:
        raise MendableError(f"{len(quantities)} quantities were named; a page has room for 1 to {MOST}.")
    rows = [CATALOG[name] for name in quantities]
    kind = rows[0].walked_at
    if other := next((row for row in rows if row.walked_at != kind), None):
        raise MendableError(f"{rows[0].title} and {other.title} are read at different places: print a page for each.")
    titles = ", ".join(row.title.lower() for row in rows)
    columns = tuple((row.title, engine.unit(row.dimension), row.ways[0].howto if row.ways else "") for row in rows)
    return Grid(f"{engine.name or 'Engine without a name'}: {titles}", columns, _places(engine, kind), _CAUTION)


def _places(engine: Engine, kind: str) -> tuple[str, ...]:
    if kind == "spring":
        return tuple(one.id for one in engine.springs)
    if kind == "cylinder":
        return tuple(str(one) for one in engine.layout.cylinders)
    return tuple(position_title(one.id) for one in engine.layout.positions)
