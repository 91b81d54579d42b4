"""The reading grid of springs and heights: a row a valve, from the reading to its verdict."""

from __future__ import annotations

from honest_lift.desk.reading_grid import Cell, ReadingGrid, tell_history
from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import is_stale
from honest_lift.numbers.units import doubt_in_figures, in_figures, places_for

HEIGHT = Task("installed_height", CATALOG["installed_height"].title)


class HeightsGrid(ReadingGrid):
    """Shows what was read at each valve and what is found of it."""

    def row_names(self) -> list[str]:
        """Give the valves in head order."""
        return [one.id for one in self.session.engine.layout.positions]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles with their units."""
        length, load = self.session.unit("length"), self.session.unit("load")
        return (
            "valve", "spring", "way", "reading", f"shims, {length}", f"installed\nheight, {length}",
            f"seat\nload, {load}", f"open\nload, {load}", f"coil-bind\nclearance, {length}", "",
        )  # fmt: skip

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a valve."""
        engine, examination = self.session.engine, self.session.examination
        history = readings_at(self.session.book, "installed_height", at_position(name))
        latest = next((one for one in reversed(history) if not one.fate), None)
        way = CATALOG["installed_height"].way(latest.reading.way) if latest else None
        shims = engine.fitted("shims", name)
        stack = in_figures(shims.height_mm if shims else None, "length", self.session.unit("length"))
        verdict = examination.verdict(name, "heights").word if examination else "unproven"
        stale = latest is not None and is_stale(engine, latest)
        return (
            Cell(name, bold=True),
            Cell(engine.spring_at(name) or "–"),
            Cell((way.short or way.title) if way else ""),
            self._reading(name, latest, history, stale=stale),
            Cell(stack, True),
            Cell(self._found(name, "installed_height", doubt=True), True),
            Cell(self._found(name, "seat_load"), True),
            Cell(self._found(name, "open_load"), True),
            Cell(self._found(name, "coil_bind_clearance"), True),
            Cell(verdict=verdict),
        )

    def _reading(self, name: str, latest: Standing | None, history: list[Standing], *, stale: bool) -> Cell:
        """Give the cell of what was read, refused, or only assumed at a valve."""
        place = at_position(name)
        if refused := self.session.refused.at(HEIGHT, name):
            return Cell(refused[0], True, wrong=True, hover=refused[1])
        fact = next((one for one in self.session.engine.facts if one.key == ("installed_height", place)), None)
        if latest is None and fact is not None:
            return Cell(fact.text, True, pencilled=fact.kind == "assumed", hover=fact.source)
        return Cell(
            latest.reading.text if latest else "", True, measured=True, struck=stale, hover=tell_history(history)
        )

    def _found(self, name: str, check: str, *, doubt: bool = False) -> str:
        if self.session.examination is None:
            return ""
        finding = self.session.examination.finding(check, name)
        if finding is None or finding.figure != finding.figure:
            return "–"
        unit = self.session.unit(finding.check.dimension)
        dimension = finding.check.dimension
        places = places_for(finding.expanded, dimension, unit)
        text = in_figures(finding.figure, dimension, unit, places)
        return (
            f"{text} ±{doubt_in_figures(finding.expanded, dimension, unit, places).removeprefix('0')}"
            if doubt
            else text
        )
