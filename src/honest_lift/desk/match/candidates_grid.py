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
    "largest minimum margin": lambda one: -one.weakest,
    "largest float margin": lambda one: -one.speed_rpm if isfinite(one.speed_rpm) else 0.0,
    "largest float margin, train that bends": lambda one: -one.bends_rpm if isfinite(one.bends_rpm) else 0.0,
    "smallest seat load": lambda one: one.hardest_seat_n,
    "fewest operations": lambda one: float(one.operations),
    "lightest": lambda one: one.mass_kg if isfinite(one.mass_kg) else float("inf"),
}
FILTERS: dict[str, Callable[[Candidate], bool]] = {
    "best trade-offs only": lambda one: one.best,
    "no pocket is cut": lambda one: one.cut == 0,
    "comfort margin a quarter or more": lambda one: one.weakest >= 0.25,
}


class CandidatesGrid(ReadingGrid):
    """A row a candidate, in the order and with the filters that are chosen."""

    listed: tuple[Candidate, ...] = ()
    shown: tuple[Candidate, ...] = ()
    order = "largest minimum margin"
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
        return ("spring", "retainer", "locks", "smallest\nmargin", "of", "at", f"max seat\nload, {load}", "float,\nrigid",
                "float,\nbends", f"mass,\n{mass}", "shim, cut", "best")  # fmt: skip

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a candidate."""
        from honest_lift.words.spring.match import BY_NAME, SIDES

        one = self.shown[int(name)]
        check, _, side = one.at_check.partition(" ")
        load, mass = (self.session.unit(each) for each in ("load", "mass"))
        speed, bends = (f"{rpm:.0f}" if isfinite(rpm) else "–" for rpm in (one.speed_rpm, one.bends_rpm))
        return (
            Cell(one.spring[1], bold=True, hover=one.spring[0]), Cell(one.retainer[1], hover=one.retainer[0]),
            Cell(one.locks[1], hover=one.locks[0]), Cell(f"{one.weakest:.2f}", True),
            Cell(f"{SIDES[side]} {BY_NAME[check].title.lower()}"), Cell(one.at_position),
            Cell(in_figures(one.hardest_seat_n, "load", load), True), Cell(speed, True), Cell(bends, True),
            Cell(in_figures(one.mass_kg, "mass", mass) if isfinite(one.mass_kg) else "–", True),
            Cell(f"{one.shimmed}, {one.cut}", True), Cell("●" if one.best else "", hover=self.tr("no other betters it in all")),
        )  # fmt: skip
