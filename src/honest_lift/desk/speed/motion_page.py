"""Through the turn: what the cam asks of the current valve and what the valve does, at a speed that is set by hand."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtWidgets import QHBoxLayout, QSlider, QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session
from honest_lift.desk.workers import Errand

_STEP_RPM = 50
_RESTS_MS = 40  # after the hand has moved


class MotionPage(QWidget):
    """Moved beside the window: what the slider has left behind is given up for what it stands at now."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing, self.at, self.told = CurveView(), Label(), Label()
        self.drawing.setAccessibleName(self.tr("Lift asked for and reached, and the forces, through the turn"))
        self.told.setWordWrap(True)
        self.speed = QSlider(Qt.Orientation.Horizontal)
        self.speed.setAccessibleName(self.tr("Crank speed"))
        self.speed.setSingleStep(1)
        self.speed.setPageStep(10)
        self._train: Any = None
        self._is_set = False  # to the red line, as it is first seen; from then on it stands where the hand has put it
        self._errand: Errand | None = None
        self._trace: Any = None
        self._soon = QTimer(self)
        self._soon.setSingleShot(True)
        self._soon.timeout.connect(self._ask)
        self.speed.valueChanged.connect(self._turned)
        row = QHBoxLayout()
        self.at.setMinimumWidth(110)
        for widget, share in ((Label(self.tr("crank speed")), 0), (self.speed, 1), (self.at, 0)):
            row.addWidget(widget, share)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addLayout(row)
        column.addWidget(self.drawing, 1)
        column.addWidget(self.told)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(330)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session: another train is moved at once."""
        moved, case = self.session.in_motion
        train = moved.swept.trains[case] if moved is not None else None
        if train == self._train and train is not None:
            self._draw()  # in another unit, perhaps
            return
        self._train, self._trace = train, None
        if train is not None:
            low, high = (int(share * train.rigid_rpm / _STEP_RPM) for share in (0.15, 1.1))
            self.speed.blockSignals(True)
            self.speed.setRange(low, high)
            if not self._is_set:
                self.speed.setValue(round(float(moved.red_rpm[case]) / _STEP_RPM))
            self._is_set = True
            self.speed.blockSignals(False)
        self._ask()

    @property
    def rpm(self) -> float:
        """Give the speed that is set."""
        return float(self.speed.value() * _STEP_RPM)

    def _turned(self) -> None:
        self.at.setText(f"{self.rpm:,.0f} rpm")
        self._soon.start(_RESTS_MS)

    def _ask(self) -> None:
        """Have the train moved at the speed that is set."""
        self.at.setText(f"{self.rpm:,.0f} rpm" if self._train is not None else "")
        self.speed.setEnabled(self._train is not None)
        if self._errand is not None and not self._errand.is_over:
            self.session.searches.cancel(self._errand)
        if self._train is None:
            self._draw()
            return
        asked = (self._train, self.rpm)
        self._errand = self.session.searches.start("move_train", *asked, done=lambda trace: self._take(asked, trace))

    def _take(self, asked: tuple[Any, float], trace: Any) -> None:
        if trace is not None and asked[0] is self._train:
            self._trace = trace
            self._draw()

    def _draw(self) -> None:
        from honest_lift.words.train.contact import contact_words
        from honest_lift.words.train.speed import motion_words, speed_words
        from honest_lift.words.train.speed_charts import chart_of_motion

        moved, case = self.session.in_motion
        missing = speed_words(moved, case, None)
        units = self.session.unit("length"), self.session.unit("load")
        self.drawing.show_chart(chart_of_motion(self._trace, *units, missing))
        told = motion_words(self._trace, self.session.engine) if self._trace is not None else ""
        contact = contact_words(self.session.book, moved, case) if moved is not None else ""
        self.told.setText("\n".join(one for one in (told, contact) if one))
