"""The rocker sheet: the gear turned by hand, its mark on the tip, the pushrod tried, and what three schools ask for."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt, QTimer, pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLabel, QLineEdit, QSlider, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, scrolled
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.drawings.rocker import side_scene, tip_scene
from honest_lift.facts.place import position_title
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_words

_STEPS, _REACH_MM = 100, 5.0
_WORDS_AFTER_MS = 60


class RockerSheet(QWidget):
    """What is tried is looked at only: stating a pushrod is done under engine and parts."""

    typed = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.words, self.tried = QLabel(), QLabel(), QLabel()
        self.drawing = SceneView()
        self.drawing.setAccessibleName(self.tr("Rocker, pushrod and tip, to scale"))
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the rocker does"))
        self.lift = self._slider(self.tr("Lift, from closed to full"), 0, _STEPS)
        self.own = self._slider(self.tr("Pushrod or stand tried"), -_STEPS, _STEPS)
        self.change, self.amount, self.comes_to = QComboBox(), QLineEdit(), QLabel()
        self.change.setAccessibleName(self.tr("what moved it"))
        self.amount.setAccessibleName(self.tr("by how much"))
        self.comes_to.setWordWrap(True)
        self.comes_to.setAccessibleName(self.tr("what the change comes to"))
        self._fill_changes()
        self._as_stated: tuple[Any, str, Any] | None = None  # book, valve, and its gear as stated
        self._asked: tuple[tuple[str, ...], ...] = ()  # what the schools ask for there
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.timeout.connect(self._say)
        self._lay_out()
        self.lift.valueChanged.connect(lambda _: self._draw())
        self.own.valueChanged.connect(lambda _: self._try())
        self.own.sliderReleased.connect(self._say)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def _slider(self, title: str, low: int, high: int) -> QSlider:
        slider = QSlider(Qt.Orientation.Horizontal)
        slider.setRange(low, high)
        slider.setAccessibleName(title)
        return slider

    def _fill_changes(self) -> None:
        from honest_lift.sheets.moved_words import CHANGES

        for key, (title, _, _) in CHANGES.items():
            self.change.addItem(self.tr(title), key)
        self.change.currentIndexChanged.connect(lambda _: self._move())
        self.amount.textChanged.connect(lambda _: self._move())

    def _move(self) -> None:
        """Say what the change comes to, for the gear as it is stated."""
        from honest_lift.sheets.moved_words import CHANGES, moved_words

        _, dimension, example = CHANGES[self.change.currentData()]
        self.amount.setPlaceholderText(example)
        try:
            amount = parse(self.amount.text(), Field.within(dimension, self.session.unit(dimension), (0.0, 12.0)))
        except EntryError as error:
            self.comes_to.setText(str(error))
            return
        stated = self._as_stated[2] if self._as_stated else None
        told = (
            ""
            if amount is None or stated is None
            else moved_words(self.session.book, stated, self.change.currentData(), amount)
        )
        self.comes_to.setText(told)

    def _lay_out(self) -> None:
        row = QHBoxLayout()
        self.tried.setMinimumWidth(190)
        for widget, share in (
            (QLabel(self.tr("closed")), 0), (self.lift, 2), (QLabel(self.tr("full")), 0), (QLabel(self.tr("   try:")), 0),
            (self.own, 2), (self.tried, 0), (button(self.tr("As stated"), lambda: self.own.setValue(0)), 0),
            (button(self.tr("Dimensions…"), lambda: self.session.show_page("Rocker")), 0),
        ):  # fmt: skip
            row.addWidget(widget, share)
        moved = QHBoxLayout()
        self.amount.setMaximumWidth(80)
        moved.addWidget(QLabel(self.tr("what moved it:")))
        moved.addWidget(self.change)
        moved.addWidget(self.amount)
        moved.addWidget(self.comes_to, 1)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.setSpacing(6)
        column.addLayout(sheet_head(self.tr("Rocker"), self.subtitle))
        column.addWidget(self.drawing)
        column.addLayout(row)
        column.addLayout(moved)
        column.addWidget(scrolled(self.words), 1)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.dress(theme, zoom)
        self.drawing.setFixedHeight(round(240 * zoom))

    @property
    def _valve(self) -> tuple[str, str]:
        one = self.session.engine.position(self.session.position)
        return (one.role, one.id) if one else ("intake", "")

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "rocker":
            return
        self.subtitle.setText(
            position_title(self.session.position) if self.session.position else self.tr("no valve laid out yet")
        )
        self._try()

    def _try(self) -> None:
        """Set the gear as tried; the words follow a moment later while the slider is held."""
        from honest_lift.estimates.rocker import rocker_of

        role, position = self._valve
        if self._as_stated is None or self._as_stated[0] is not self.session.book or self._as_stated[1] != position:
            stated = rocker_of(self.session.book, role, position, with_doubt=False)
            self._as_stated, self._asked = (self.session.book, position, stated), ()
        stated = self._as_stated[2]
        off = self.own.value() / _STEPS * _REACH_MM
        self._own = None if stated.gear is None or not off else stated.own + off
        self.rocker = (
            stated if self._own is None else rocker_of(self.session.book, role, position, self._own, with_doubt=False)
        )
        self.tried.setText(self._tried_words(stated.on_shaft, off))
        if not self._asked:
            self._move()
        self._draw()
        if self.own.isSliderDown():
            self._soon.start(_WORDS_AFTER_MS)
        else:
            self._say()

    def _tried_words(self, on_shaft: bool, off: float) -> str:
        if not off:
            return self.tr("as stated")
        pair = ("higher", "lower") if on_shaft else ("longer", "shorter")
        return f"{in_words(abs(off), 'length', self.session.unit('length'))} {pair[0] if off > 0 else pair[1]}"

    def _draw(self) -> None:
        from honest_lift.sheets.rocker_words import side_of_gear, tip_of_gear

        share, book = self.lift.value() / _STEPS, self.session.book
        side = side_of_gear(book, self.rocker, share)
        tip = tip_of_gear(book, self.rocker, share, self._valve[1])
        self.drawing.show_scenes(
            [(3, side_scene(side, self.tr("its dimensions are not stated yet"))), (1, tip_scene(tip))]
        )

    def _say(self) -> None:
        from honest_lift.estimates.rocker import rocker_of
        from honest_lift.sheets.rocker_words import finder_words, rocker_words, seen_words

        book, (role, position) = self.session.book, self._valve
        if not self._asked:  # what is tried changes neither what was seen nor what the schools ask for
            self._asked = (seen_words(book, role, position), finder_words(book, role, position))
        told = rocker_words(book, rocker_of(book, role, position, self._own))
        self.words.setText("\n\n".join("\n".join(one) for one in (told, *self._asked) if one))
