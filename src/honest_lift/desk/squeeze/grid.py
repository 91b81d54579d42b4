"""The grid of chambers: a row a cylinder, from what was poured to its ratio."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.reading_grid import Cell, ReadingGrid, tell_history
from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.place import at_cylinder
from honest_lift.facts.staleness import is_stale
from honest_lift.numbers.units import in_figures, places_for
from honest_lift.numbers.verdict import Verdict, worst

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding

POURED = Task("chamber_volume", CATALOG["chamber_volume"].title)


class ChamberGrid(ReadingGrid):
    """Shows what was poured at each cylinder and what is found of it."""

    def row_names(self) -> list[str]:
        """Give the cylinders in head order."""
        return [str(one) for one in self.session.engine.layout.cylinders]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles with their units."""
        length, volume = self.session.unit("length"), self.session.unit("volume")
        return (
            "cylinder", f"poured, {volume}", f"chamber, {volume}", f"over\nsmallest, {volume}", f"squish\n(quench), {length}",
            f"clearance\nvolume, {volume}", "ratio", "over\nlowest", "",
        )  # fmt: skip

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a cylinder."""
        found = self._findings(name)
        verdict = worst(one.verdict for one in found.values()).word if found else Verdict.UNPROVEN.word
        return (
            Cell(name, bold=True), self._poured(name), Cell(self._term(found, "compression", "chamber", "volume"), True),
            *(Cell(self._figure(found, check), True) for check in ("chamber_spread", "squish")),
            Cell(self._term(found, "compression", "clearance_volume", "volume"), True),
            *(Cell(self._figure(found, check), True) for check in ("compression", "compression_spread")),
            Cell(verdict=verdict),
        )  # fmt: skip

    def _poured(self, name: str) -> Cell:
        place = at_cylinder(name)
        if refused := self.session.refused.at(POURED, name):
            return Cell(refused[0], True, wrong=True, hover=refused[1])
        history = readings_at(self.session.book, "chamber_volume", place)
        counting = [one for one in history if not one.fate]
        if not counting:
            return Cell("", True)
        stale = is_stale(self.session.engine, counting[-1])
        unit = self.session.unit("volume")
        told = in_figures(counting[-1].reading.value, "volume", unit) + (
            f" ×{len(counting)}" if len(counting) > 1 else ""
        )
        return Cell(told, True, measured=True, struck=stale, hover=tell_history(history))

    def _findings(self, name: str) -> dict[str, Finding]:
        seen, first = self.session.examination, self.session.engine.layout.of_cylinder(name)[:1]
        own = seen.by_position.get(first[0], ()) if seen and first else ()
        return {one.check.name: one for one in own if one.check.step == "squeeze"}

    def _figure(self, found: dict[str, Finding], check: str) -> str:
        one = found.get(check)
        if one is None or one.figure != one.figure:
            return "–"
        dimension = one.check.dimension
        unit = self.session.unit(dimension)
        return in_figures(one.figure, dimension, unit, places_for(one.expanded, dimension, unit))

    def _term(self, found: dict[str, Finding], check: str, key: str, dimension: str) -> str:
        one = found.get(check)
        value = next((term.value for term in one.terms if term.key == key), None) if one else None
        return in_figures(value, dimension, self.session.unit(dimension))
