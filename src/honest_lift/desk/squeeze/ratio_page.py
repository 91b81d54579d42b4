"""To a ratio: every way to the compression that is wanted, with what it does to squish, clearances and pushrod."""

from __future__ import annotations

from math import isfinite
from typing import TYPE_CHECKING, Any

from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.reading_grid import Cell, ReadingGrid, sign_cell
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.bars import bars_scene
from honest_lift.numbers.entry import EntryError, Field, parse

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding
    from honest_lift.plans.cylinder.to_ratio import Answer

_INSIDE = (3.0, 30.0)
_FACE_MM = (5.0, 1000.0)  # across a cylinder head
_HINT = (
    "Calculated for the mean of the chambers that may count; each way is a trial on a copy of the engine. A pair brings the "
    "squish (quench) to the centre of its window first. For a cut at an angle, type how far the chambers and the far rail lie."
)
_CHECKS = ("compression", "squish", "piston_valve")


class WaysGrid(ReadingGrid):
    """A row a way."""

    ways: tuple[Answer, ...] = ()

    def row_names(self) -> list[str]:
        """Give the ways."""
        return [one.title for one in self.ways]

    def head_words(self) -> tuple[str, ...]:
        """Give the titles."""
        return (
            "way",
            "how much",
            "ratio",
            "",
            "squish\n(quench)",
            "",
            "piston\nto valve",
            "",
            "pushrod",
            "turn\nworse",
        )

    def row_cells(self, name: str) -> tuple[Cell, ...]:
        """Give the cells of a way: what each check says where the engine stands worst."""
        from honest_lift.plans.trial_lines import worst_of
        from honest_lift.words.cylinder.to_ratio import amounts_words, pushrod_words

        one = next(way for way in self.ways if way.title == name)
        if one.found is None:
            return (Cell(one.title, bold=True), Cell("–", hover=one.why_not), *([Cell()] * 8))
        cells = []
        for check in _CHECKS:
            worst = worst_of(one.found.found, check)
            cells += [
                Cell(self._figure(worst), True, pencilled=True),
                sign_cell(worst),
            ]
        worse = sum(each.turn == "worse" for each in one.found.moved)
        told = amounts_words(self.session.engine, one.changes)
        return (
            Cell(one.title, bold=True), Cell(told, hover=told), *cells,
            Cell(pushrod_words(self.session.book, self.session.position, one.changes)), Cell(str(worse), True),
        )  # fmt: skip

    def _figure(self, one: Finding | None) -> str:
        from honest_lift.checks.wording import figure_alone

        return "–" if one is None else figure_alone(one, self.session.engine)


class RatioPage(QWidget):
    """The ratio that is wanted, the ways to it, and trying one."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.wanted, self.told = QLineEdit(), Label()
        self.wanted.setAccessibleName(self.tr("Compression ratio that is wanted"))
        self.wanted.setMaximumWidth(110)
        self.model, self.grid = WaysGrid(session), GridView()
        self.grid.setModel(self.model)
        self.grid.fix({0: 140, 2: 58, 3: 28, 4: 84, 5: 28, 6: 68, 7: 28, 8: 116, 9: 44})
        self.grid.setAccessibleName(self.tr("Ways to the ratio"))
        self.told.setWordWrap(True)
        self.drawing = SceneView()
        self.drawing.wish(210)
        self.drawing.setAccessibleName(self.tr("What each way takes, and what it leaves"))
        self.told.setAccessibleName(self.tr("What the ways come to"))
        self._for: tuple[Any, ...] = ()
        self._ratio = float("nan")
        self.face = QLineEdit()
        self.face.setAccessibleName(self.tr("From the near rail to the chamber centres and to the far rail"))
        self.face.setPlaceholderText(self.tr("2.5 6.1"))
        self.face.setMaximumWidth(110)
        row = QHBoxLayout()
        row.addWidget(Label(self.tr("ratio wanted:")))
        row.addWidget(self.wanted)
        row.addWidget(button(self.tr("Calculate"), self.work_out))
        row.addWidget(button(self.tr("Try the chosen way"), self.try_it))
        row.addStretch(1)
        row.addWidget(Label(self.tr("near rail to centre, to far rail:")))
        row.addWidget(self.face)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addLayout(row)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.drawing)
        column.addWidget(self.grid, 4)
        column.addWidget(scrolled(self.told), 2)
        self.wanted.returnPressed.connect(self.work_out)
        self.face.returnPressed.connect(self.work_out)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session; ways worked out for another state are worked out anew."""
        held = (self.session.book, self.session.examination)
        if (
            self._for
            and any(now is not then for now, then in zip(held, self._for, strict=True))
            and isfinite(self._ratio)
        ):
            self.work_out()
        self._draw()
        if not self.told.text():
            self.told.setText(self.tr("Type the ratio that is wanted and press Enter."))

    def work_out(self) -> None:
        """Work out every way to the ratio that is typed; what is typed wrong stays, with the reason."""
        from honest_lift.plans.cylinder.to_ratio import ways_to
        from honest_lift.words.cylinder.to_ratio import ways_words

        seen = self.session.examination
        try:
            ratio = parse(self.wanted.text(), Field.within("ratio", "", _INSIDE))
            face = self._face()
        except EntryError as error:
            self.told.setText(str(error))
            return
        if ratio is None or seen is None:
            self.told.setText(self.tr("Type the ratio that is wanted, as in 11.2."))
            return
        self._for, self._ratio = (self.session.book, seen), ratio
        found = ways_to(self.session.book, seen, ratio)
        self.model.ways = () if isinstance(found, str) else found
        self.model.refresh()
        self._draw()
        self.told.setText(
            f"Not known yet: {found}."
            if isinstance(found, str)
            else "\n".join(ways_words(self.session.engine, found, face))
        )

    def _draw(self) -> None:
        from honest_lift.words.cylinder.to_ratio import way_bars

        bars = way_bars(self.session.book, self.session.position, self.model.ways)
        title = self.tr("off or on; filled: nothing turns for the worse")
        missing = self.tr("type the ratio that is wanted: each way to it stands here with what it costs")
        self.drawing.show_scenes([(1, bars_scene(bars, title, missing))])

    def _face(self) -> tuple[float, float] | None:
        """Read how far the chambers' middle and the far rail lie from the near one, mm; None where nothing is typed."""
        words = self.face.text().replace(";", " ").split()
        if not words:
            return None
        unit = self.session.unit("length")
        field = Field.within("length", unit, _FACE_MM)
        read = [parse(one, field) for one in words]
        if len(read) != 2 or read[0] is None or read[1] is None or not read[0] < read[1]:
            raise EntryError(
                f"“{self.face.text()}” is no pair of lengths: first to the chamber centres, then the longer one to the far "
                f"rail, {unit}, as in 2.5 6.1."
            )
        return read[0], read[1]

    def try_it(self) -> None:
        """Put the chosen way into a trial."""
        row = self.grid.currentIndex().row()
        if not 0 <= row < len(self.model.ways) or not self.model.ways[row].changes:
            self.told.setText(self.tr("Choose a way that can be gone."))
            return
        self.session.try_changes(self.model.ways[row].changes)
