"""Side by side: up to twelve windows on one axis of heights, and of three candidates load curves and ladders."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from math import isfinite
from types import MappingProxyType
from typing import TYPE_CHECKING

import numpy as np
from msgspec.structs import replace
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import button, hint_label
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.match.find_page import FindPage
from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.spring.match_curves import CandidateCurve, match_chart
from honest_lift.drawings.spring.match_windows import WindowRow, match_windows_scene
from honest_lift.numbers.units import from_inside, unit_of

if TYPE_CHECKING:
    from honest_lift.plans.match.match import Candidate

_AT_ONCE, _WINDOWS = 3, 9
_HINT = (
    "Windows of the best candidates on one axis, every pocket a dot. Set up to three beside each other under Find: their load "
    "curves and ladders are below, each margin at the pocket where it is smallest, in shares of its comfort margin, "
    "less its uncertainty."
)


class LaddersGrid(ReadingGrid):
    """A row a check, a column a candidate: its least rung and where."""

    ladders: tuple[tuple[str, dict[str, tuple[float, str]]], ...] = ()
    plain: Mapping[str, tuple[str, ...]] = MappingProxyType({})  # what is no margin, by title: a word a candidate

    def row_names(self) -> list[str]:
        """Give the checks that any candidate has a rung of, then what is no margin."""
        rungs = (name for _, rungs in self.ladders for name, (rung, _) in rungs.items() if isfinite(rung))
        return [*dict.fromkeys(rungs), *self.plain]

    def head_words(self) -> tuple[str, ...]:
        """Give the candidates."""
        return ("check", *(name for name, _ in self.ladders))

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give a check's least rung of each candidate."""
        from honest_lift.words.spring.match import rung_title, rung_words

        if name in self.plain:
            return Cell(name, bold=True), *map(Cell, self.plain[name])
        own = [rungs.get(name, (float("nan"), "")) for _, rungs in self.ladders]
        least = {
            who: min((rung for rung, _ in rungs.values() if isfinite(rung)), default=0.0) for who, rungs in self.ladders
        }
        bold = [rung == least[who] for (who, _), (rung, _) in zip(self.ladders, own, strict=True)]
        return (
            Cell(rung_title(name), bold=True), *(Cell(rung_words(*one), bold=b) for one, b in zip(own, bold, strict=True)),
        )  # fmt: skip


class ComparePage(QWidget):
    """Windows above, curves beside ladders below."""

    def __init__(self, session: Session, found: FindPage) -> None:
        super().__init__()
        self.session, self.found = session, found
        self.beside: tuple[Candidate, ...] = ()
        self.windows, self.curves = SceneView(), CurveView()
        self.windows.setAccessibleName(self.tr("Windows of the candidates on one axis of heights"))
        self.curves.setAccessibleName(self.tr("Load curves of the candidates set beside each other"))
        self.model, self.grid, self.told = LaddersGrid(session), GridView(), Label()
        self.grid.setModel(self.model)
        self.grid.fix({0: 176})
        self.grid.setAccessibleName(self.tr("Ladders of the candidates set beside each other"))
        self.told.setWordWrap(True)
        column, below = QVBoxLayout(self), QHBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        below.addWidget(self.curves, 2)
        below.addWidget(self.grid, 5)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.windows, 5)
        column.addLayout(below, 5)
        row = QHBoxLayout()
        row.addWidget(self.told, 1)
        row.addWidget(button(self.tr("Clear"), self.clear))
        column.addLayout(row)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.windows.wish(210)
        for view in (self.windows, self.curves):
            view.dress(theme, zoom)
        self.grid.dress(theme, zoom)

    def set_beside(self, one: Candidate) -> None:
        """Set a candidate beside those that stand here; of more than three the first goes."""
        self.beside = (*(other for other in self.beside if other != one), one)[-_AT_ONCE:]
        self.session.told.emit(
            self.tr("{0} is under Side by side, one of {1}.").format(one.spring[1], len(self.beside))
        )
        self.refresh()

    def clear(self) -> None:
        """Take all of them away."""
        self.beside = ()
        self.refresh()

    def refresh(self) -> None:
        """Follow the search."""
        match = self.found.match
        if match is None:
            self.beside = ()
        shown = self.beside or tuple(_each_spring(self.found.model.shown)[:_AT_ONCE])
        listed = tuple(dict.fromkeys((*self.beside, *_each_spring(self.found.model.shown))))[:_WINDOWS]
        unit, load = self.session.unit("length"), self.session.unit("load")
        self.told.setText("" if match else self.tr("Nothing is found yet: Find looks through the shelf."))
        names = told_apart(listed)
        rows = [self._window(one, names[one], unit, one in shown) for one in listed] if match else []
        bare = match.bench.pockets.bare_mm if match else np.empty(0)
        heights = [from_inside(one, "length", unit) for one in bare.tolist()]
        self.windows.show_scenes([(1, match_windows_scene(heights, rows, unit_of("length", unit).places, unit))])
        names = told_apart(shown)
        curves = one_line_each([self._curve(one, names[one], unit, load) for one in shown] if match else [])
        self.curves.show_chart(match_chart(curves, unit_of("length", unit).places, unit, load))
        self.model.ladders = (
            tuple((f"{one.spring[1]}\n{one.retainer[1]} {one.locks[1]}", match.ladder(one)) for one in shown)
            if match
            else ()
        )
        self.model.plain = self._plain(shown)
        self.model.refresh()

    def _plain(self, shown: Sequence[Candidate]) -> dict[str, tuple[str, ...]]:
        from honest_lift.words.spring.match import nature_words

        match = self.found.match
        each = [nature_words(self.session.engine, match, one) for one in shown] if match else []
        return {title: tuple(own[title] for own in each) for title in (each[0] if each else ())}

    def _window(self, one: Candidate, name: str, unit: str, current: bool) -> WindowRow:
        assert self.found.match is not None
        low, high = (from_inside(end, "length", unit) for end in self.found.match.window(one))
        heights = tuple(from_inside(height, "length", unit) for height in one.heights_mm)
        return WindowRow(name, low, high, heights, current)

    def _curve(self, one: Candidate, name: str, unit: str, load: str) -> CandidateCurve:
        assert self.found.match is not None
        points, bind = self.found.match.curve(one)
        told = tuple((from_inside(h, "length", unit), from_inside(n, "load", load)) for h, n in points)
        return CandidateCurve(name, told, from_inside(bind, "length", unit))


def told_apart(candidates: Sequence[Candidate]) -> dict[Candidate, str]:
    """Name candidates by their springs, and by retainer and locks where that leaves two alike."""
    parts = {one: (one.spring[1], one.retainer[1], one.locks[1]) for one in candidates}
    names = {one: own[0] for one, own in parts.items()}
    for more in (1, 2):
        often = Counter(names.values())
        names = {one: f"{name} {parts[one][more]}" if often[name] > 1 else name for one, name in names.items()}
    return names


def one_line_each(curves: Sequence[CandidateCurve]) -> list[CandidateCurve]:
    """Join curves that lie on each other under all their names: one spring shut to one height with different parts."""
    names: dict[CandidateCurve, list[str]] = {}
    for one in curves:
        names.setdefault(replace(one, name=""), []).append(one.name)
    return [replace(one, name=" = ".join(own)) for one, own in names.items()]


def _each_spring(found: tuple[Candidate, ...]) -> list[Candidate]:
    """Give the first candidate of every spring: others of it share its window."""
    first: dict[tuple[str, str], Candidate] = {}
    for one in found:
        first.setdefault(one.spring, one)
    return list(first.values())
