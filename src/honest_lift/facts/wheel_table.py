"""A lobe walked through with a degree wheel: what the wheel and the indicator showed, row by row, as it was read.

A table is one entry of the journal. Nothing in it is changed: rows are judged, left out or kept, by an entry of its own, and
the whole is replaced by a later one at its place, or struck out.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct, field

from honest_lift.facts.journal_entry import Entry
from honest_lift.facts.place import Place

ReadAt = Literal["lifter", "valve"]
READ_AS: dict[ReadAt, str] = {
    "lifter": "lobe_lift",
    "valve": "valve_lift",
}  # the quantity whose tool and parts it rests on


class WheelTable(Entry, frozen=True, forbid_unknown_fields=True, tag="wheel_table"):
    """One lobe. `place`: a valve position, or a role for all its lobes. Angles are crank degrees as the wheel showed them.

    `stops_deg`: where the wheel stood against a positive stop, turned onto it both ways; TDC lies halfway. None where the
    angles count from nowhere in particular: then the table tells a shape and no timing. `wheel`: the degree wheel's tool id.
    """

    place: Place
    read_at: ReadAt
    crank_deg: tuple[float, ...]
    lift_mm: tuple[float, ...]
    tool: str = ""
    wheel: str = ""
    stops_deg: tuple[float, float] | None = None
    unit: str = ""
    source: str = ""
    note: str = ""
    depends_on: dict[str, str] = field(default_factory=dict)
    supersedes: tuple[str, ...] = ()


class RowsJudged(Entry, frozen=True, forbid_unknown_fields=True, tag="rows_judged"):
    """Somebody looked at rows that stood out of a table: left out they no longer count, kept they are believed.

    Rows count from 0 in the table as read. The last judgement of a table stands.
    """

    table: str
    left_out: tuple[int, ...] = ()
    kept: tuple[int, ...] = ()
    why: str = ""


class StandingTable(Struct, frozen=True):
    """A table with what was judged of its rows."""

    table: WheelTable
    left_out: frozenset[int] = frozenset()
    kept: frozenset[int] = frozenset()

    @property
    def key(self) -> tuple[str, frozenset[int], frozenset[int]]:
        """Give what tells this state of the table from every other: a table never changes under its id."""
        return self.table.id, self.left_out, self.kept


def tdc_on_wheel(stops_deg: tuple[float, float]) -> float:
    """Give where the wheel stands at TDC: halfway between both stops, the short way round, within a half turn of 0.

    >>> tdc_on_wheel((-28.0, 31.0)), tdc_on_wheel((332.0, 31.0))
    (1.5, 1.5)
    """
    first, other = stops_deg
    apart = (other - first + 180.0) % 360.0 - 180.0
    middle = first + apart / 2.0
    return (middle + 180.0) % 360.0 - 180.0
