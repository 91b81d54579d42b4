"""The lift of a lobe that was walked through with a degree wheel, as a reading among readings."""

from __future__ import annotations

import numpy as np
from msgspec import Struct

from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.journal import Reading
from honest_lift.facts.ledger import Standing, tables
from honest_lift.facts.memory.remember import named_memory
from honest_lift.facts.place import Place
from honest_lift.facts.timing import of_another_cam
from honest_lift.facts.tools import reaches
from honest_lift.facts.wheel_table import READ_AS, StandingTable
from honest_lift.mechanics.cam.measured_lobe import nose_lift, rough_at_nose
from honest_lift.mechanics.cam.wheel_table import Ordered, ordered, troubles
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.mendable import MendableError

_WIDEST_DEG = 41.0  # crank degrees between the rows on both sides of the highest: a lift from wider ones is short
_OF_LIFT = {"twice", "back", "zero", "base"}  # troubles that the lift may rest on, wherever the rows stand


class Nose(Struct, frozen=True):
    """The lift of a table as a reading, and what bars it from proving anything."""

    standing: Standing
    ground: Ground = Ground.NONE
    note: str = ""


def table_at(book: Book, quantity: str, place: Place) -> StandingTable | None:
    """Give the wheel table that stands for a quantity at a place; None for none, or where it is not measured at such."""
    if place.kind not in CATALOG[quantity].places:
        return None
    return next(
        (one for one in reversed(tables(book.journal))
         if one.table.place == place and READ_AS[one.table.read_at] == quantity
         and not of_another_cam(book.engine, one.table.depends_on.get("cam", ""))), None,
    )  # fmt: skip


def nose_of_table(book: Book, quantity: str, place: Place) -> Nose | None:
    """Give the lift a table at a place comes to; None where there is no table. One that is no lobe's proves nothing."""
    found = table_at(book, quantity, place)
    if found is None:
        return None
    table, one = in_order(found), found.table
    spread = max(one.lift_mm) - min(one.lift_mm)
    why, lift = (table, spread) if isinstance(table, str) else (unjudged(found, table), nose_lift(table))
    reading = Reading(
        one.id, one.when, one.by, quantity, one.place, f"{len(one.crank_deg)} rows", one.unit, lift, "indicator", one.tool,
        depends_on=one.depends_on,
    )  # fmt: skip
    ground = Ground.UNSOUND if why else Ground.NONE
    return Nose(
        Standing(reading, one.place, one.depends_on, one.note),
        ground | (Ground.NONE if dial_read_all(book, found) else Ground.NO_TOOL),
        f"highest of a degree-wheel table{f'; {why}' if why else ''}",
    )


def dial_read_all(book: Book, found: StandingTable) -> bool:
    """Tell whether the dial of a table can have read all of it; one that nobody named is another question."""
    dial = book.engine.tool(found.table.tool)
    return dial is None or all(reaches(dial, one) for one in found.table.lift_mm)


def in_order(found: StandingTable) -> Ordered | str:
    """Give a table in rising angle, or why it is none of a lobe; remembered, since a table never changes."""
    if found.key not in _ordered:
        try:
            _ordered[found.key] = ordered(*_arrays(found), found.left_out)
        except MendableError as error:
            _ordered[found.key] = str(error)
    answer: Ordered | str = _ordered[found.key]
    return answer


_ordered = named_memory()


def unjudged(found: StandingTable, table: Ordered) -> str:
    """Say what of a table its lift may rest on and nobody has judged; "" when there is nothing."""
    told = [one for one in troubles(*_arrays(found), found.left_out) if one.kind in _OF_LIFT]
    if any(one.is_row and one.row not in found.kept for one in told):
        return "rows read twice or before turning back are not judged yet"
    if any(not one.is_row for one in told):
        return "its base circle is not sure: walk the lobe again"
    if table.crank_deg[table.nose + 1] - table.crank_deg[table.nose - 1] > _WIDEST_DEG:
        return "too few rows about its nose"
    rough = rough_at_nose(table)
    return "" if rough is None or rough in found.kept else f"row {rough + 1} about the nose is suspect"


def _arrays(found: StandingTable) -> tuple[np.ndarray, np.ndarray]:
    return np.array(found.table.crank_deg), np.array(found.table.lift_mm)
