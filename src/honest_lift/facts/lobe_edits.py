"""The edits of measured lobes: take tables in, judge their rows, strike one out."""

from __future__ import annotations

from honest_lift.facts.edits import Edit, EditError, new_id, now
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.journal import AnyEntry, StruckOut
from honest_lift.facts.ledger import tables
from honest_lift.facts.mock_up import with_mock_up
from honest_lift.facts.place import Place
from honest_lift.facts.staleness import depends_on
from honest_lift.facts.wheel_table import READ_AS, ReadAt, RowsJudged, WheelTable


class TakeTables(Edit, frozen=True):
    """Take wheel tables into the journal."""

    tables: tuple[WheelTable, ...]

    @property
    def sentence(self) -> str:
        """Say whose lobes were read."""
        first, more = self.tables[0], len(self.tables) - 1
        words = f"lobe of {first.place.title}: {len(first.crank_deg)} rows"
        return f"{words} and {more} more lobes" if more else words

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the tables."""
        return book.engine, self.tables


class JudgeRows(Edit, frozen=True):
    """Leave rows of a table out, or believe them though they stand out."""

    table: str
    left_out: tuple[int, ...]
    kept: tuple[int, ...]
    why: str = ""

    @property
    def sentence(self) -> str:
        """Say how many rows go and how many stay."""
        return f"lobe table: {len(self.left_out)} rows left out, {len(self.kept)} suspect rows kept"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the judgement."""
        _table(book, self.table)
        return book.engine, (
            RowsJudged(new_id(), now(), book.engine.hand, self.table, self.left_out, self.kept, self.why),
        )


class StrikeTable(Edit, frozen=True):
    """Strike a whole table out, for a reason."""

    table: str
    why: str = "struck out"

    @property
    def sentence(self) -> str:
        """Say that a table goes."""
        return "lobe table struck out"

    def apply(self, book: Book) -> tuple[Engine, tuple[AnyEntry, ...]]:
        """Append the strike-out."""
        _table(book, self.table)
        return book.engine, (StruckOut(new_id(), now(), book.engine.hand, self.table, self.why),)


def table_of(
    book: Book, place: Place, read_at: ReadAt, rows: list[tuple[float, float]], *, unit: str, tool: str = "", wheel: str = "",
    stops_deg: tuple[float, float] | None = None, source: str = "", note: str = "",
) -> WheelTable:  # fmt: skip
    """Make a table of now, by the hand that is measuring: (crank degrees, lift in mm) rows. It replaces what stands there."""
    quantity = READ_AS[read_at]
    before = tuple(
        one.table.id for one in tables(book.journal) if one.table.place == place and one.table.read_at == read_at
    )
    told = with_mock_up(book.engine.mock_up, note)
    return WheelTable(
        new_id(), now(), book.engine.hand, place, read_at, tuple(angle for angle, _ in rows), tuple(lift for _, lift in rows),
        tool, wheel, stops_deg, unit, source, told, depends_on(book.engine, quantity, "indicator", place), before,
    )  # fmt: skip


def _table(book: Book, table: str) -> None:
    if not any(one.table.id == table for one in tables(book.journal)):
        raise EditError("That wheel table is no longer in this engine's journal.")
