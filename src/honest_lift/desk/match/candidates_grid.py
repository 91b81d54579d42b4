"""The candidates as a grid: parts, weakest point, loads, speed, mass and work."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite
from typing import TYPE_CHECKING

from honest_lift.desk.reading_grid import Cell, ReadingGrid
from honest_lift.numbers.units import in_figures

if TYPE_CHECKING:
    from honest_lift.plans.match.match import Candidate

Sort = Callable[["Candidate"], float]
SORTS: dict[str, Sort] = {
    "strongest weakest point": lambda one: -one.weakest,
    "most speed in hand": lambda one: -one.speed_rpm if isfinite(one.speed_rpm) else 0.0,
    "kindest to the seat": lambda one: one.hardest_seat_n,
    "least work": lambda one: float(one.operations),
    "lightest": lambda one: one.mass_kg if isfinite(one.mass_kg) else float("inf"),
}
FILTERS: dict[str, Callable[[Candidate], bool]] = {
    "only what no other betters": lambda one: one.best,
    "no pocket is cut": lambda one: one.cut == 0,
    "weakest point a quarter rung clear": lambda one: one.weakest >= 0.25,
}


class CandidatesGrid(ReadingGrid):
    """A row a candidate, in the order and with the filters that are chosen."""

    listed: tuple[Candidate, ...] = ()
    shown: tuple[Candidate, ...] = ()
    order = "strongest weakest point"
    filters: frozenset[str] = frozenset()

    def show(self, listed: tuple[Candidate, ...]) -> None:
        """Take other candidates."""
        self.listed = listed
        self.refresh()

    def refresh(self) -> None:
        """Sort and filter anew."""
        kept = [one for one in self.listed if all(FILTERS[name](one) for name in self.filters)]
        self.shown = tuple(sorted(kept, key=SORTS[self.order]))
        super().refresh()

    def row_names(self) -> list[str]:
        """Give a name for each row."""
        return [str(i) for i in range(len(self.shown))]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        load, mass = (self.session.unit(name) for name in ("load", "mass"))
        return ("spring", "retainer", "locks", "weakest\nrung", "of", "at", f"hardest\nseat, {load}", "lets go,\nrpm",
                f"mass,\n{mass}", "shim, cut", "best")  # fmt: skip

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a candidate."""
        from honest_lift.words.spring.match import BY_NAME

        one = self.shown[int(name)]
        check, _, side = one.at_check.partition(" ")
        load, mass = (self.session.unit(each) for each in ("load", "mass"))
        speed = f"{one.speed_rpm:.0f}" if isfinite(one.speed_rpm) else "–"
        return (
            Cell(one.spring[1], bold=True, hover=one.spring[0]), Cell(one.retainer[1], hover=one.retainer[0]),
            Cell(one.locks[1], hover=one.locks[0]), Cell(f"{one.weakest:.2f}", True),
            Cell(f"{BY_NAME[check].title.lower()}, {side}"), Cell(one.at_position),
            Cell(in_figures(one.hardest_seat_n, "load", load), True), Cell(speed, True),
            Cell(in_figures(one.mass_kg, "mass", mass) if isfinite(one.mass_kg) else "–", True),
            Cell(f"{one.shimmed}, {one.cut}", True), Cell("●" if one.best else "", hover=self.tr("no other betters it in all")),
        )  # fmt: skip
