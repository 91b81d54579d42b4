"""Parts of one kind written as a file that reads back in: the same columns, units in the header."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping

from honest_lift.numbers.formula_cell import defused
from honest_lift.numbers.units import INSIDE, unit_of
from honest_lift.shelf.kinds import FLAG, NAME, NUMBER, Column, Part, PartKind


def write_csv(kind: PartKind, parts: Iterable[Part], units: Mapping[str, str] | None = None) -> str:
    """Write parts of a kind; `units` of its dimensions by symbol, the inside unit where none is given."""
    units = units or {}
    columns = (NUMBER, NAME, *kind.columns)
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow([_head(one, units) for one in columns])
    for part in parts:
        values = {"number": part.number, "name": part.name, **part.values}
        writer.writerow([cell_text(values.get(one.key), one, units) for one in columns])
    return out.getvalue()


def _head(column: Column, units: Mapping[str, str]) -> str:
    return f"{column.key} [{unit_for(column, units)}]" if column.has_unit else column.key


def unit_for(column: Column, units: Mapping[str, str]) -> str:
    """Give the unit a column is written in."""
    return units.get(column.dimension, INSIDE[column.dimension]) if column.is_figure else ""


def cell_text(value: float | str | bool | None, column: Column, units: Mapping[str, str]) -> str:
    """Write a cell: figures as the shortest decimal that reads back to a billionth, yes and no in words, blank for nothing."""
    if value is None:
        return ""
    if column.dimension == FLAG:
        return "yes" if value else "no"
    if not column.is_figure:
        return defused(str(value))
    own = unit_of(column.dimension, unit_for(column, units))
    return f"{round((float(value) - float(own.zero)) / float(own.factor), 9):.9f}".rstrip("0").rstrip(".")
