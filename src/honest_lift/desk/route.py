"""The steps of the job in working order, each with how much of it is measured and its worst verdict."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QToolTip, QWidget

from honest_lift.desk.alignment import RIGHT
from honest_lift.desk.label import plain
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.theme import LIGHT, font
from honest_lift.facts.job import AS_BEGUN

_ROW, _FOLDED = 33, 62


class Route(QWidget):
    """Draws the steps; a click or a key opens one at any time."""

    folded = False

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme, self.zoom = session, LIGHT, 1.0
        self.setObjectName("side")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(self.tr("Steps of the job"))
        self._look: list[tuple[bool, int, int, str]] = []
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.fold(self.folded)
        self.setMinimumHeight(round((10 + _ROW * len(STEPS)) * zoom))  # every step is seen, whatever stands below
        self.update()

    def fold(self, folded: bool) -> None:
        """Show the steps whole, or by their keys alone; what they are is said under the cursor."""
        self.folded = folded
        self.setFixedWidth(round((_FOLDED if folded else 200) * self.zoom))
        self.update()

    def refresh(self) -> None:
        """Follow the session; drawn again only when something looks otherwise."""
        found = self.session.examination
        words = {step: found.of_engine(step).word if found else "unproven" for step in STEPS}
        asked = self._asked(words)
        look = [(key == self.session.step, *one.progress(self.session), asked[key]) for key, one in STEPS.items()]
        if look != self._look:
            self._look = look
            self.update()

    def _asked(self, words: dict[str, str]) -> dict[str, str]:
        """Give the verdict of each step; "" where the job asks nothing of it and nothing of it fails."""
        if self.session.examination is None or not self.session.engine.layout.positions:
            return words
        of = {one.check.step for one in self.session.examination.findings}
        return {
            step: word if step in of or self.session.engine.job.preset == AS_BEGUN else ""
            for step, word in words.items()
        }

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        t, z = self.theme, self.zoom
        painter.fillRect(self.rect(), QColor(t.paper2))
        for i, (step, (here, done, whole, word)) in enumerate(zip(STEPS.values(), self._look, strict=True)):
            top = (8 + _ROW * i) * z
            if here:
                painter.fillRect(QRectF(0, top, self.width(), _ROW * z), QColor(t.paper))
                painter.fillRect(QRectF(0, top, 4 * z, _ROW * z), QColor(t.blue2 if t.name == "light" else t.faint))
            painter.setPen(QColor(t.ink))
            painter.setFont(font(14 * z, bold=here))
            painter.drawText(QPointF(42 * z, top + 17 * z), step.keys[-1] if self.folded else self.tr(step.title))
            if not self.folded:
                self._paint_progress(painter, top + 26 * z, done, whole if word or not step.is_judged else 0)
            if step.is_judged and not word and self.folded:
                continue
            if step.is_judged and not word:
                painter.drawText(QPointF(42 * z, top + 31 * z), self.tr("not asked"))
            elif step.is_judged:
                paint_verdict(painter, t, word, 24 * z, top + 13 * z, 6.5 * z)
        painter.setPen(QColor(t.rule))
        painter.drawLine(self.width() - 1, 0, self.width() - 1, self.height())

    def _paint_progress(self, painter: QPainter, y: float, done: int, whole: int) -> None:
        t, z = self.theme, self.zoom
        blocks = min(whole, 16)
        filled = round(blocks * done / whole) if whole else 0
        if whole and done < whole:
            filled = min(filled, blocks - 1)
        for i in range(blocks):
            painter.fillRect(QRectF((42 + 5.4 * i) * z, y, 4.0 * z, 4.6 * z), QColor(t.ink if i < filled else t.rule))
        painter.setPen(QColor(t.muted))
        painter.setFont(font(12 * z))
        told = f"{done}/{whole}" if whole else ""
        painter.drawText(QRectF(110 * z, y - 6 * z, self.width() - 120 * z, 16 * z), RIGHT, told)

    def event(self, event) -> bool:
        """Say what the step under the cursor counts."""
        if event.type() == QEvent.Type.ToolTip:
            QToolTip.showText(event.globalPos(), plain(self.explained(self._row_at(event.pos().y()))), self)
            return True
        return super().event(event)

    def explained(self, row: int) -> str:
        """Say what a step is and what it counts: `Spring bench: 15 of 16 valves whose spring has loads and coil bind`."""
        if not 0 <= row < len(STEPS):
            return ""
        step, (_, done, whole, word) = list(STEPS.values())[row], self._look[row]
        counted = f"{done} of {whole} {step.counts}" if whole else step.counts
        return f"{step.title}: {counted}" + (f"; {word}" if step.is_judged and word else "")

    def _row_at(self, y: float) -> int:
        return int((y / self.zoom - 8) // _ROW)

    def mousePressEvent(self, event) -> None:
        row = self._row_at(event.position().y())
        if 0 <= row < len(STEPS):
            self.session.open_step(list(STEPS)[row])

    def keyPressEvent(self, event) -> None:
        steps = list(STEPS)
        by = {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}.get(event.key(), 0)
        if by:
            self.session.open_step(steps[(steps.index(self.session.step) + by) % len(steps)])
        else:
            super().keyPressEvent(event)
