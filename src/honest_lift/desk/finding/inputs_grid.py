"""What a finding rests on, a row an input: what, how much, its kind, tool, time, and what is wrong with it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.facts.catalog import CATALOG
from honest_lift.numbers.doubt import Ground

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding
    from honest_lift.estimates.estimate import Input


class InputsGrid(ReadingGrid):
    """Shows the inputs of one finding. Measured figures look written in, assumed ones pencilled, stale ones struck."""

    finding: Finding | None = None

    def row_names(self) -> list[str]:
        """Give a number a row."""
        return [str(i) for i, _ in enumerate(self._inputs())]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return ("", "value", "kind", "of", "way, tool; where it is from", "when")

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of an input."""
        from honest_lift.checks.wording import input_words

        one = self._inputs()[int(name)]
        stale, assumed = bool(one.ground & Ground.STALE), one.kind == "assumed"
        how = "; ".join(
            part for part in (one.warning, one.note if stale else "", _how(one), "" if stale else one.note) if part
        )
        return (
            Cell(one.title),
            Cell(
                input_words(one, self.session.engine),
                True,
                measured=one.kind == "measured",
                struck=stale,
                pencilled=assumed,
            ),
            Cell("stale" if stale else one.kind),
            Cell(one.where if one.where else one.at),
            Cell(how, hover=how),
            Cell(one.when[:10], hover=one.when.replace("T", " ")),
        )

    def _inputs(self) -> list[Input]:
        return [one for one in self.finding.inputs if one.kind != "not applicable"] if self.finding else []


def _how(one: Input) -> str:
    way = CATALOG[one.quantity].way(one.way)
    return ", ".join(part for part in ((way.short or way.title) if way else "", one.tool) if part)
