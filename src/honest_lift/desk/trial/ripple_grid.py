"""What a trial moves, as a grid: a line a check where it stands worst, or a line a finding."""

from __future__ import annotations

from typing import TYPE_CHECKING

from honest_lift.desk.reading_grid import Cell, ReadingGrid, sign_cell

if TYPE_CHECKING:
    from honest_lift.plans.trial import Ripple, Rippled
    from honest_lift.plans.trial_lines import Line


class RippleGrid(ReadingGrid):
    """Shows a ripple. `each`: a line a finding instead of one a check."""

    ripple: Ripple | None = None
    each = False

    def row_names(self) -> list[str]:
        """Give the lines, by number."""
        self._lines = self._made()
        return [str(i) for i in range(len(self._lines))]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        first = ("where", "check") if self.each else ("check", "worst at")
        return (*first, "now", "in the trial", "now", "then", "" if self.each else "moves")

    def position(self, row: int) -> str:
        """Give the valve of a line; "" for none."""
        return self._lines[row][0].there.position if 0 <= row < len(self._lines) else ""

    def check(self, row: int) -> str:
        """Give the check of a line."""
        return self._lines[row][0].there.check.name if 0 <= row < len(self._lines) else ""

    def _made(self) -> list[tuple[Rippled, str]]:
        if self.ripple is None:
            return []
        if self.each:
            ordered = sorted(self.ripple.moved, key=lambda one: ("worse", "better", "").index(one.turn))
            return [(one, "") for one in (*ordered, *self.ripple.unproved)]
        from honest_lift.plans.trial_lines import lines_of

        return [(one.shown, _count(one)) for one in lines_of(self.ripple)]

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a line."""
        from honest_lift.checks.wording import figure_words
        from honest_lift.words.trial import LOST, where_of

        one, count = self._lines[int(name)]
        place, check = where_of(one.there), one.there.check.title
        figures = tuple(
            "–" if each is None else figure_words(each, self.session.engine) for each in (one.before, one.after)
        )
        first = (place, check) if self.each else (check, place)
        same = one.before is not None and one.after is not None and one.before.figure == one.after.figure
        return (
            Cell(first[0], bold=not self.each), Cell(first[1], bold=self.each), Cell(figures[0], True),
            Cell(LOST if one.is_lost else figures[1], True, pencilled=not same), sign_cell(one.before),
            sign_cell(None if one.is_lost else one.after), Cell(count),
        )  # fmt: skip


def _count(one: Line) -> str:
    """Say how many of a check move, and how many of them turn."""
    turned = ((one.worse, "worse"), (one.better, "better"))
    return ", ".join((str(one.moved), *(f"{count} {word}" for count, word in turned if count)))
