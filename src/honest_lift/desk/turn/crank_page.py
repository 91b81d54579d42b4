"""The crank turned by hand or played: clearance curves, one valve with all that moves it, its heads, and what moves them."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from PyQt6.QtCore import Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QSlider, QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import button, in_row, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.clearance.piston_valve import SPAN_DEG, clearance_chart
from honest_lift.facts.edits import Describe
from honest_lift.facts.place import at_position

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding

_HALVES, _SPAN_DEG = 2, 180
_PLAY_MS, _PLAYED = 25, 2  # a whole degree at a time
_WORDS_AFTER_MS = 60
_LOW = 400  # unzoomed pixels: a page lower than that shows no heads
_RODS = {"": "rods: not stated", "steel": "steel rods", "aluminium": "aluminium rods"}


class CrankPage(QWidget):
    """One turn of the crank about TDC of the overlap, from BDC to BDC. `rows_asked`: the crank angle of a row to look at."""

    rows_asked = pyqtSignal(float)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.words, self.at, self.rods = Label(), Label(), QComboBox()
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What moves piston to valve"))
        self.curves, self.heads, self.train = CurveView(), SceneView(), SceneView()
        self.curves.step, self.curves.follows = 1.0 / _HALVES, False
        self.curves.setAccessibleName(self.tr("Piston to valve over the crank"))
        self.heads.setAccessibleName(self.tr("Valve heads at this angle, to scale"))
        self.train.setAccessibleName(self.tr("This valve with rocker, spring, seal and piston, to scale"))
        self.crank = QSlider(Qt.Orientation.Horizontal)
        self.crank.setRange(-_SPAN_DEG * _HALVES, _SPAN_DEG * _HALVES)
        self.crank.setPageStep(10 * _HALVES)
        self.crank.setAccessibleName(self.tr("Crank handle, half degrees from overlap TDC"))
        self.rods.setAccessibleName(self.tr("What the rods are made of"))
        for key, title in _RODS.items():
            self.rods.addItem(self.tr(title), key)
        self.play_button = button(self.tr("Play"), self.play)
        self._for: Any = None  # the book, the cylinder and the findings that what is drawn is of
        self._worked: Any = None
        self._charted: Any = None  # for what the curves were drawn last
        self._turned: Any = None
        self._zoom = 1.0
        self._playing = QTimer(self)
        self._lay_out()
        self._playing.timeout.connect(self._turn_on)
        self.crank.valueChanged.connect(lambda _: self._draw())
        self.curves.placed.connect(lambda at: self.crank.setValue(round(at * _HALVES)))
        self.curves.picked.connect(self._go_to_row)
        self.rods.activated.connect(lambda _: self._state_rods())

    def _lay_out(self) -> None:
        left, row, column = QVBoxLayout(), QHBoxLayout(), QVBoxLayout(self)
        for one in (left, row, column):
            one.setContentsMargins(0, 0, 0, 0)
            one.setSpacing(6)
        left.addWidget(self.curves, 6)
        left.addWidget(self.heads, 4)
        row.addLayout(left, 11)
        row.addWidget(self.train, 9)
        column.addLayout(row, 10)
        self.crank.setMinimumWidth(120)
        self.at.setMinimumWidth(105)
        column.addLayout(in_row(
            Label(self.tr("crank:")), self.crank, self.at, self.play_button,
            button(self.tr("Go to the tightest"), self.go_tightest), self.rods,
            button(self.tr("Block…"), lambda: self.session.show_page("Block")),
        ))  # fmt: skip
        column.addWidget(scrolled(self.words), 3)

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self.heads.setVisible(self.height() > _LOW * self._zoom)  # too small to be told apart it only takes room

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self._zoom = zoom
        for view, high in ((self.curves, 205), (self.heads, 140), (self.train, 351)):
            view.dress(theme, zoom)
            view.setMinimumHeight(round(high * zoom / 3))  # a low window makes the drawings smaller, and covers nothing
            view.setMaximumHeight(round(high * zoom))

    # --- following ---

    def refresh(self) -> None:
        """Follow the session: what is turned is put together anew only when engine, cylinder or findings are others."""
        from honest_lift.estimates.clearance.piston_valve import piston_to_valve
        from honest_lift.words.train.train_scene import CylinderTurned

        book, held = self.session.book, (self.session.book, self._cylinder(), self.session.examination)
        if self._for is None or self._for[0] is not book:
            self._worked = piston_to_valve(book) if book.engine.layout.positions else None
        if (
            self._for is None
            or any(now is not then for now, then in zip(held[::2], self._for[::2], strict=True))
            or (held[1] != self._for[1])
        ):
            self._turned = CylinderTurned(book, held[1], self._finding) if held[1] else None
        self._for = held
        self.rods.setCurrentIndex(self.rods.findData(book.engine.rod_material))
        self._draw()
        self._say()

    def _cylinder(self) -> tuple[str, ...]:
        own = self.session.engine.position(self.session.position)
        ids = [one.id for one in self.session.engine.layout.positions if own and one.cylinder == own.cylinder]
        return tuple(
            sorted(ids, key=lambda one: at_position(one).role == "intake")
        )  # the exhaust, before TDC, on the left

    def _finding(self, check: str, position: str) -> Finding | None:
        seen = self.session.examination
        return seen.finding(check, position) if seen else None

    def _found(self) -> dict[str, Finding]:
        each = {one: self._finding("piston_valve", one) for one in self._cylinder()}
        return {one: finding for one, finding in each.items() if finding is not None}

    def _draw(self) -> None:
        from honest_lift.words.clearance.turn_scene import curves_chart

        at, book, here = self.crank.value() / _HALVES, self.session.book, self.session.position
        side = "" if at == 0 else self.tr(" ATDC") if at > 0 else self.tr(" BTDC")
        self.at.setText(f"{abs(at):g}°{side}" if at else self.tr("at TDC"))
        if self._turned is None:
            self.curves.show_chart(clearance_chart([], "mm", 2, self.tr("no valve is laid out yet")))
            for view in (self.heads, self.train):
                view.show_scenes([])
            return
        lacking = self.tr("nothing is measured towards it yet: a valve drop at TDC, clay, or a row of readings")
        if self._charted is not self._for:
            self._charted = self._for
            self.curves.show_chart(curves_chart(book, self._cylinder(), self._worked, self._found(), lacking))
        self.curves.place(min(max(at, -SPAN_DEG), SPAN_DEG))
        self.heads.show_scenes([(1, self._turned.heads(here, at))])
        self.train.show_scenes([(1, self._turned.train(here, at, self.tr("this valve's lobe is not known yet")))])

    def _go_to_row(self, key: str) -> None:
        """Go to the row of readings that a point on the curve is from."""
        self.session.go(key.split()[0])
        self.rows_asked.emit(float(key.split()[1]))

    def _say(self) -> None:
        from honest_lift.estimates.resolve import resolve
        from honest_lift.words.clearance.turned import (
            at_speed_words,
            mock_up_words,
            tightest_words,
            turn_words,
            window_words,
        )

        book, found = self.session.book, self._found()
        here, seen = self.session.position, self.session.examination
        lines = [tightest_words(book, here, seen.by_position.get(here, ()))] if seen and here else []
        for one in self._cylinder():
            ratio = resolve(book, "rocker_ratio", at_position(one)).value
            lines += turn_words(book, one, found, 1.0 if book.engine.gear == "bucket" else ratio)
        lines += [window_words(book, self._cylinder(), found), at_speed_words(book, self._cylinder(), found)]
        lines.append(mock_up_words(book, self._cylinder()))
        self.words.setText("\n".join(one for one in lines if one))

    # --- the crank handle ---

    def play(self) -> None:
        """Play one turn, or stop it where it is."""
        if self._playing.isActive():
            self._playing.stop()
        else:
            if self.crank.value() == self.crank.maximum():
                self.crank.setValue(self.crank.minimum())
            self._playing.start(_PLAY_MS)
        self.play_button.setText(self.tr("Stop") if self._playing.isActive() else self.tr("Play"))

    def _turn_on(self) -> None:
        if self.crank.value() >= self.crank.maximum() or not self.isVisible():
            self._playing.stop()
            self.play_button.setText(self.tr("Play"))
            return
        self.crank.setValue(self.crank.value() + _PLAYED)

    def go_tightest(self) -> None:
        """Turn to where this valve comes nearest to a limit."""
        at = None if self._turned is None else self._turned.tightest_deg(self.session.position)
        if at is None:
            self.session.told.emit(self.tr("Nothing that moves with this valve is calculated yet."))
            return
        self.crank.setValue(round(at * _HALVES))

    def _state_rods(self) -> None:
        material = self.rods.currentData()
        if material != self.session.engine.rod_material:
            self.session.do(Describe({"rod_material": material}, self.tr(_RODS[material])))
