"""Sweep: what the current valve does over speed, from where it floats and bounces, and what that rests on."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.engine.page import hint_label, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.session import Session

_HINT = (
    "The train bends, the spring surges, the seat bounces: simulated over speed. It ranks what is fitted and shows what matters. "
    "Near and above float the motion is chaotic: read bands there, not digits."
)
_CAUTION = "No simulation replaces turning the engine over and measuring. A valve that drops at speed throws metal."


class SweepPage(QWidget):
    """The chart of the sweep, with its line of words over it."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.line, self.told, self.drawing = Label(), Label(), CurveView()
        self.line.setObjectName("working")
        self.line.setAccessibleName(self.tr("From where this valve floats and bounces"))
        self.drawing.setAccessibleName(self.tr("Gap and bounce of this valve over speed"))
        for label in (self.line, self.told):
            label.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        caution = Label(self.tr(_CAUTION))
        caution.setObjectName("caution")
        caution.setWordWrap(True)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(caution)
        column.addWidget(self.line)
        column.addWidget(self.drawing, 3)
        column.addWidget(scrolled(self.told), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(270)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.train.speed import ground_words, loss_words, speed_words
        from honest_lift.words.train.speed_charts import chart_of_sweep

        moved, case = self.session.in_motion
        seen, here = self.session.examination, self.session.position
        found = seen.finding("flexible_float", here) if seen and here else None
        words = speed_words(moved, case, found.verdict if found else None)
        self.line.setText(words)
        self.line.setVisible(moved is not None and moved.swept.sweeps[case] is not None)
        self.drawing.show_chart(chart_of_sweep(moved, case, self.session.unit("length"), words))
        lines = (*ground_words(moved, case), loss_words(moved, case)) if moved is not None else ()
        self.told.setText("\n".join(one for one in lines if one))
