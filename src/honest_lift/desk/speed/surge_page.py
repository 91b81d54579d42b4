"""Surge: how far the current valve's spring is shaken over speed, by which harmonics of the lobe, against the room of its coils."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import hint_label, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session

_HINT = (
    "Every order of the lobe shakes the spring where it meets the spring's own frequency. The coils then close by so much more "
    "than the lift alone closes them."
)


class SurgePage(QWidget):
    """The harmonic map, with its words under it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing, self.told = CurveView(), Label()
        self.drawing.setAccessibleName(self.tr("By how much surge closes the coils over speed"))
        self.told.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(self.drawing, 3)
        column.addWidget(scrolled(self.told), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(270)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.train.speed import speed_words
        from honest_lift.words.train.speed_charts import chart_of_surge
        from honest_lift.words.train.surge import surge_of, surge_words

        moved, case = self.session.in_motion
        missing = speed_words(moved, case, None)
        surge = surge_of(self.session.book, moved, case) if moved is not None else None
        self.drawing.show_chart(chart_of_surge(surge, self.session.unit("length"), missing))
        self.told.setText("\n".join(surge_words(surge, self.session.engine)) if surge is not None else "")
