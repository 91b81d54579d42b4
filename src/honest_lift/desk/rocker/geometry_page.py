"""The gear of a valve turned by hand, a pushrod or stand tried, its mark on the tip, and the marks of all valves beside it."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtWidgets import QHBoxLayout, QSlider, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.rocker.marks import marks_scene
from honest_lift.drawings.rocker.pushrod_rocker import tip_scene
from honest_lift.facts.edits import Confirm, reading_of
from honest_lift.facts.place import at_position
from honest_lift.numbers.units import in_figures, in_words

_STEPS, _REACH_MM = 100, 5.0
_WORDS_AFTER_MS = 40
_LEAST_WIDE_MM = 0.05  # a click without a drag places nothing
_TIP = 1  # the tip's place among the drawings


class GeometryPage(QWidget):
    """What is tried is looked at only: stating a pushrod is done under engine and parts."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.words, self.tried, self.placed_words = Label(), Label(), Label()
        self.drawing, self.marks = SceneView(), SceneView()
        self.drawing.setAccessibleName(
            self.tr("Rocker, pushrod and tip, to scale; draw the mark that was seen on the tip")
        )
        self.marks.setAccessibleName(self.tr("Marks of all valves"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the rocker does"))
        self.lift = self._slider(self.tr("Lift, from closed to full"), 0, _STEPS)
        self.own = self._slider(self.tr("Pushrod or stand tried"), -_STEPS, _STEPS)
        self.take = button(self.tr("Record mark"), self.take_down)
        self.placed: tuple[float, float] | None = None  # ends of the mark drawn on the tip, mm
        self._as_stated: tuple[Any, str, Any] | None = None  # book, valve, and its gear as stated
        self._asked: tuple[tuple[str, ...], ...] = ()  # what the rules ask for there
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.timeout.connect(self._say)
        self._lay_out()
        self.lift.valueChanged.connect(lambda _: self._draw())
        self.own.valueChanged.connect(lambda _: self._try())
        self.own.sliderReleased.connect(self._say)
        self.drawing.pressed.connect(lambda scene, x, _: self._place(scene, x, x))
        self.drawing.dragged.connect(lambda scene, x, _: self._place(scene, self._from, x))
        self._from = 0.0

    def _slider(self, title: str, low: int, high: int) -> QSlider:
        slider = QSlider(Qt.Orientation.Horizontal)
        slider.setRange(low, high)
        slider.setAccessibleName(title)
        return slider

    def _lay_out(self) -> None:
        row = QHBoxLayout()
        self.tried.setMinimumWidth(150)
        for widget, share in (
            (Label(self.tr("closed")), 0), (self.lift, 2), (Label(self.tr("full")), 0), (Label(self.tr("   try:")), 0),
            (self.own, 2), (self.tried, 0), (button(self.tr("Reset to stated"), lambda: self.own.setValue(0)), 0),
            (button(self.tr("Dimensions…"), lambda: self.session.show_page("Rocker")), 0),
        ):  # fmt: skip
            row.addWidget(widget, share)
        placed = QHBoxLayout()
        placed.addWidget(self.placed_words, 1)
        placed.addWidget(self.take)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.drawing, 6)
        column.addLayout(row)
        column.addWidget(self.marks, 3)
        column.addLayout(placed)
        column.addWidget(scrolled(self.words), 3)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        for view, high in ((self.drawing, 215), (self.marks, 118)):
            view.dress(theme, zoom)
            view.setMinimumHeight(round(high * zoom / 3))  # a low window makes the drawings smaller, and covers nothing
            view.setMaximumHeight(round(high * zoom))

    @property
    def _valve(self) -> tuple[str, str]:
        one = self.session.engine.position(self.session.position)
        return (one.role, one.id) if one else ("intake", "")

    def refresh(self) -> None:
        """Follow the session."""
        self._try()

    def _try(self) -> None:
        """Set the gear as tried; the words, and the other valves, follow a moment later while the slider is held."""
        from honest_lift.estimates.rocker.gear import rocker_of

        role, position = self._valve
        if self._as_stated is None or self._as_stated[0] is not self.session.book or self._as_stated[1] != position:
            stated = rocker_of(self.session.book, role, position, with_doubt=False)
            self._as_stated, self._asked, self.placed = (self.session.book, position, stated), (), None
        stated = self._as_stated[2]
        off = self.own.value() / _STEPS * _REACH_MM
        self._own = None if stated.gear is None or not off else stated.own + off
        self.rocker = (
            stated if self._own is None else rocker_of(self.session.book, role, position, self._own, with_doubt=False)
        )
        self.tried.setText(self._tried_words(stated.on_shaft, off))
        self._draw()
        if self.own.isSliderDown():
            self._pale()
            self._soon.start(_WORDS_AFTER_MS)
        else:
            self._say()

    def _tried_words(self, on_shaft: bool, off: float) -> str:
        if not off:
            return self.tr("as stated")
        pair = ("higher", "lower") if on_shaft else ("longer", "shorter")
        if self.session.engine.gear == "finger follower":
            pair = ("pivot higher", "pivot lower") if on_shaft else ("pad thicker", "pad thinner")
        return f"{in_words(abs(off), 'length', self.session.unit('length'))} {pair[0] if off > 0 else pair[1]}"

    def _draw(self) -> None:
        from honest_lift.words.rocker.gear import tip_of_gear
        from honest_lift.words.rocker.side_drawn import side_drawn

        share = self.lift.value() / _STEPS
        tip = tip_of_gear(self.session.book, self.rocker, share, self._valve[1], self.placed)
        self.drawing.show_scenes([(3, side_drawn(self.session.book, self.rocker, share)), (1, tip_scene(tip))])

    def _say(self) -> None:
        from honest_lift.estimates.rocker.gear import rocker_of
        from honest_lift.words.rocker.finger import wipe_words
        from honest_lift.words.rocker.gear import rocker_words, rules_words, seen_words

        book, (role, position) = self.session.book, self._valve
        if not self._asked:  # what is tried changes neither what was seen nor what the rules ask for
            self._asked = (seen_words(book, role, position), rules_words(book, role, position))
        tried = rocker_of(book, role, position, self._own)
        told = (*rocker_words(book, tried), *wipe_words(book, tried, position))
        self.words.setText("\n\n".join("\n".join(one) for one in (self._asked[1] + told, self._asked[0]) if one))
        self._show_marks()
        self._show_placed()

    # --- the marks of all valves ---

    def _show_marks(self) -> None:
        from honest_lift.words.rocker.valve_marks import middle_limit_mm, valve_marks

        book = self.session.book
        off = 0.0 if self._own is None else self.own.value() / _STEPS * _REACH_MM
        self._every = valve_marks(book, self.session.position, off) if book.engine.layout.positions else []
        self._limit_mm = middle_limit_mm(book)
        self.marks.show_scenes([(1, marks_scene(self._every, self._limit_mm, self._marks_words()))])

    def _marks_words(self) -> str:
        return self.tr("marks of all valves, outboard up; outlined: as read")

    def _pale(self) -> None:
        self.marks.show_scenes([(1, marks_scene(self._every, self._limit_mm, self._marks_words(), pale=True))])

    # --- the mark as it is seen, drawn on the tip ---

    def _place(self, scene: int, start: float, end: float) -> None:
        if scene != _TIP or self.rocker.gear is None:
            return
        self._from = start
        self.placed = (min(start, end), max(start, end)) if abs(end - start) >= _LEAST_WIDE_MM else None
        self._draw()
        self._show_placed()

    def _show_placed(self) -> None:
        from honest_lift.words.rocker.gear import mark_words

        self.take.setVisible(self.placed is not None)
        if self.placed is None:
            self.placed_words.setText(self.tr("Draw the witness mark you see on the tip; it is read here."))
            return
        middle, width = sum(self.placed) / 2, self.placed[1] - self.placed[0]
        unit, (role, position) = self.session.unit("length"), self._valve
        told = self.tr("Drawn: centre {middle}, {width} wide.").format(
            middle=in_words(middle, "length", unit), width=in_words(width, "length", unit)
        )
        self.placed_words.setWordWrap(True)
        self.placed_words.setText(" ".join((told, *mark_words(self.session.book, role, position, middle, width))))

    def take_down(self) -> None:
        """Take the drawn mark into the journal, as a reading placed by eye."""
        if self.placed is None or not self._valve[1]:
            return
        values = {"mark_centre": sum(self.placed) / 2, "mark_width": self.placed[1] - self.placed[0]}
        book, unit, place = self.session.book, self.session.unit("length"), at_position(self._valve[1])
        readings = []
        for name, value in values.items():
            tool = book.engine.tool_for(name, "placed")
            readings.append(reading_of(book, name, place, value, text=in_figures(value, "length", unit), unit=unit, way="placed",
                                       tool=tool.id if tool else ""))  # fmt: skip
        self.session.do(Confirm(tuple(readings)))
