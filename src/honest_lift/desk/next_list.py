"""What to measure next over the whole engine, under the route: a click or Enter starts it in the reading bar."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk.alignment import LEFT, VCENTER
from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import title_of
from honest_lift.desk.theme import LIGHT, font

if TYPE_CHECKING:
    from honest_lift.plans.next_reading import NextStep

_HEAD, _ROW, _SHOWN = 30, 40, 5


class NextList(QWidget):
    """Draws the first steps of the plan. The one being walked is marked."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme, self.zoom = session, LIGHT, 1.0
        self.current = 0
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(self.tr("What to measure next"))
        self._look: object = None
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.setMaximumHeight(self.sizeHint().height())
        self.updateGeometry()
        self.update()

    def sizeHint(self) -> QSize:
        """Give the room for every step that is shown; where there is less, the steps of the job go first."""
        return QSize(0, round((_HEAD + _ROW * _SHOWN) * self.zoom))

    def refresh(self) -> None:
        """Follow the session; drawn again only when something looks otherwise."""
        look = (self.session.plan, self.session.queue, self.session.engine.units, self.session.examination is None)
        if look != self._look:
            self._look = look
            self.current = min(self.current, max(len(self.session.plan) - 1, 0))
            first = self.session.plan[0] if self.session.plan else None
            self.setAccessibleDescription(title_of(self.session, first) if first else "")
            self.update()

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        t, z = self.theme, self.zoom
        painter.fillRect(self.rect(), QColor(t.paper2))
        painter.setPen(QColor(t.rule))
        painter.drawLine(QPointF(16 * z, 2), QPointF(self.width() - 16 * z, 2))
        painter.drawLine(self.width() - 1, 0, self.width() - 1, self.height())
        painter.setPen(QColor(t.muted))
        painter.setFont(font(12.5 * z))
        painter.drawText(QPointF(16 * z, 21 * z), self.tr("Next to measure (F2)"))
        if self.session.examination is not None and not self.session.plan:
            painter.drawText(QPointF(16 * z, (_HEAD + 17) * z), self.tr("nothing is missing"))
        for i, step in enumerate(self.session.plan[:_SHOWN]):
            top = (_HEAD + _ROW * i) * z
            if i == self.current and self.hasFocus():
                painter.fillRect(QRectF(6 * z, top, self.width() - 12 * z, (_ROW - 2) * z), QColor(t.select))
            painter.setPen(QColor(t.ink))
            painter.setFont(font(13.5 * z, bold=i == 0))
            title = title_of(self.session, step)
            wide = QRectF(16 * z, top + 1 * z, self.width() - 28 * z, 19 * z)
            painter.drawText(
                wide,
                LEFT | VCENTER,
                painter.fontMetrics().elidedText(title, Qt.TextElideMode.ElideRight, int(wide.width())),
            )
            painter.setPen(QColor(t.muted))
            painter.setFont(font(12 * z))
            wide.translate(0, 18 * z)
            painter.drawText(
                wide,
                LEFT | VCENTER,
                painter.fontMetrics().elidedText(_places(step), Qt.TextElideMode.ElideRight, int(wide.width())),
            )

    def start(self, index: int = 0) -> None:
        """Start a step of the plan."""
        if 0 <= index < len(self.session.plan):
            self.session.start(self.session.plan[index])
        elif self.session.examination is not None:
            self.session.told.emit(
                self.tr("Nothing is missing, and nothing close can be narrowed. What fails has to be put right.")
            )

    def mousePressEvent(self, event) -> None:
        self.start(int((event.position().y() / self.zoom - _HEAD) // _ROW))

    def keyPressEvent(self, event) -> None:
        by = {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}.get(event.key(), 0)
        if by:
            self.current = min(max(self.current + by, 0), max(min(len(self.session.plan), _SHOWN) - 1, 0))
            self.update()
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.start(self.current)
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event) -> None:
        super().focusInEvent(event)
        self.update()

    def focusOutEvent(self, event) -> None:
        super().focusOutEvent(event)
        self.update()


def _places(step: NextStep) -> str:
    """Say where, and how many checks wait for it."""
    if not step.checks:
        return step.page
    checks = f"{step.checks} check{'' if step.checks == 1 else 's'}"
    if not step.places:
        return f"{step.page}: {checks}"
    names = [one.name for one in step.places]
    word = "spring " if step.places[0].kind == "spring" else ""
    told = f"{word}{', '.join(names[:4])}" + (f" and {len(names) - 4} more" if len(names) > 4 else "")
    return f"{told}: {checks}"
