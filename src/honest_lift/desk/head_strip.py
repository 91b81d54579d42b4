"""The heads from above as they lie on the bench, every valve in its place with its worst verdict and one figure."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QBrush, QColor, QPainter, QPen, QRegion
from PyQt6.QtWidgets import QToolTip, QWidget

from honest_lift.desk.alignment import CENTER, LEFT, RIGHT, VCENTER
from honest_lift.desk.label import plain
from honest_lift.desk.painting import paint_verdict, rounded
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.theme import LIGHT, font
from honest_lift.facts.layout import Head, Layout
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import in_figures, places_for

SHOWN = (
    "coil_bind_clearance", "installed_height", "seat_load", "open_load", "retainer_seal", "tip_level", "piston_valve",
    "compression",
)  # fmt: skip


class HeadStrip(QWidget):
    """Draws the heads; a click makes a valve current, a click on the caption shows another figure."""

    opened = pyqtSignal()  # the current valve's weakest finding is asked for

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme, self.zoom = session, LIGHT, 1.0
        self.setAccessibleName(self.tr("Heads from above"))
        self.setMouseTracking(True)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self._valves: dict[str, QPointF] = {}
        self._caption = QRectF()
        self._captioned = ""
        self._layout: Layout | None = None
        self._drawn = QRegion()
        self._looks: dict[str, tuple[str, str, bool]] = {}
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self._size()
        self._place_caption()
        self.update()

    def refresh(self) -> None:
        """Follow the session; only valves that look otherwise are drawn again."""
        layout, position = self.session.engine.layout, self.session.position
        if (caption := self._caption_words()) != self._captioned:
            self._captioned = caption
            self.update(self._caption.toAlignedRect().adjusted(-3, -3, 3, 3))  # letters reach over their box
        if position:
            self.setAccessibleDescription(f"{position_title(position)}: {self.session.verdict(position)}")
        looks = {p.id: (self.session.verdict(p.id), self._figure(p.id), p.id == position) for p in layout.positions}
        if layout != self._layout:
            self._layout = layout
            self._size()
            self.update()
        else:
            reach = 42 * self.zoom
            for name, look in looks.items():
                if look != self._looks.get(name) and name in self._valves:
                    centre = self._valves[name]
                    self.update(QRectF(centre.x() - 1.2 * reach, centre.y() - reach, 2.4 * reach, 2 * reach).toRect())
        self._looks = looks

    def _size(self) -> None:
        rows = max((len({p.y_mm for p in head.positions}) for head in self.session.engine.layout.heads), default=1)
        self.setFixedHeight(round((122 + 46 * (rows - 1)) * self.zoom))

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillRect(self.rect(), QColor(self.theme.blue))
        self._valves = {}
        self._drawn = event.region()
        heads = self.session.engine.layout.heads
        if not heads:
            painter.setPen(QColor(self.theme.scribe))
            painter.setFont(font(16 * self.zoom))
            words = self.tr("No heads are laid out yet: choose a layout under Engine and parts.")
            painter.drawText(self.rect(), CENTER, words)
            return
        gap, margin = 14 * self.zoom, 12 * self.zoom
        shares = [max(len(head.positions), 2) for head in heads]
        free = self.width() - 2 * margin - gap * (len(heads) - 1)
        left = margin
        for head, share in zip(heads, shares, strict=True):
            wide = free * share / sum(shares)
            self._paint_head(painter, head, QRectF(left, 24 * self.zoom, wide, self.height() - 32 * self.zoom))
            left += wide + gap
        self._paint_caption(painter)

    def _paint_head(self, painter: QPainter, head: Head, area: QRectF) -> None:
        t, z = self.theme, self.zoom
        painter.setPen(QColor(t.faint))
        painter.setFont(font(13 * z))
        name = head.name if "head" in head.name.lower() else self.tr("{0} head").format(head.name)
        painter.drawText(QPointF(area.left() + 3 * z, area.top() - 7 * z), name)
        painter.setPen(QPen(QColor(t.faint), 1))
        painter.setBrush(QColor(t.blue2))
        painter.drawPath(rounded(area, 9 * z))
        xs, ys = [p.x_mm for p in head.positions], [p.y_mm for p in head.positions]
        cell = area.width() / (len(set(xs)) or 1)
        spread = (max(xs) - min(xs)) or 1.0
        rows = len(set(ys))
        for position in head.positions:
            x = area.left() + cell / 2 + (position.x_mm - min(xs)) / spread * (area.width() - cell)
            row = sorted(set(ys)).index(position.y_mm)
            y = area.top() + area.height() / rows * (row + 0.5) - 9 * z
            self._paint_valve(painter, position.id, QPointF(x, y), min(18 * z, cell * 0.3), cell)

    def _paint_valve(self, painter: QPainter, name: str, centre: QPointF, radius: float, cell: float) -> None:
        t, z = self.theme, self.zoom
        current = name == self.session.position
        self._valves[name] = centre
        if not self._drawn.intersects(QRectF(centre.x() - 50 * z, centre.y() - 40 * z, 100 * z, 80 * z).toRect()):
            return
        painter.setPen(QPen(QColor(t.scribe), 1.6))
        painter.setBrush(QBrush(QColor(t.scribe)) if current else QBrush())
        painter.drawEllipse(centre, radius, radius)
        painter.setBrush(QBrush())
        painter.setPen(QPen(QColor(t.blue2 if current else t.faint), 1.2))
        painter.drawEllipse(centre, radius * 0.24, radius * 0.24)
        painter.setPen(QColor(t.scribe))
        painter.setFont(font(13 * z, bold=True))
        side, align = QRectF(centre.x() - radius - 30 * z, centre.y() - radius - 5 * z, 28 * z, 16 * z), RIGHT
        if radius * 4.2 > cell:  # no room beside it: the name goes over the valve
            side, align = QRectF(centre.x() - radius - 8 * z, centre.y() - radius - 15 * z, 30 * z, 15 * z), LEFT
        painter.drawText(side, align | VCENTER, name)
        paint_verdict(
            painter,
            t,
            self.session.verdict(name),
            centre.x() + radius * 0.95,
            centre.y() - radius * 0.75,
            6 * z,
            chip=True,
        )
        painter.setPen(QColor(t.scribe))
        painter.setFont(font(14 * z, bold=current))
        below = QRectF(centre.x() - 45 * z, centre.y() + radius + 3 * z, 90 * z, 18 * z)
        painter.drawText(below, CENTER, self._figure(name))

    def _figure(self, name: str) -> str:
        if self.session.examination is None:
            return "…"
        finding = self.session.examination.finding(self.quantity, name)
        if finding is None:
            return "–"
        dimension, unit = finding.check.dimension, self.session.unit(finding.check.dimension)
        return in_figures(finding.figure, dimension, unit, places_for(finding.expanded, dimension, unit))

    def _caption_words(self) -> str:
        """Say which figure stands at the valves, in which unit."""
        if self.session.examination is None:  # the checks come in behind the first paint
            return ""
        from honest_lift.checks.catalog import CHECKS

        check = CHECKS[self.quantity]
        what = ", ".join(part for part in (check.title.lower(), self.session.unit(check.dimension)) if part)
        return self.tr("{0} — click or F6 for another").format(what)

    def _paint_caption(self, painter: QPainter) -> None:
        painter.setPen(QColor(self.theme.faint))
        painter.setFont(font(13 * self.zoom))
        painter.drawText(self._caption, RIGHT | VCENTER, self._captioned)

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self._place_caption()

    def _place_caption(self) -> None:
        self._caption = QRectF(self.width() - 420 * self.zoom, 2, 404 * self.zoom, 20 * self.zoom)

    @property
    def quantity(self) -> str:
        """Give the check whose figure the valves carry: the one that was picked, else that of the open step."""
        return self.session.shown or STEPS[self.session.step].shows

    def show_next(self) -> None:
        """Pick the next check's figure for the valves; it stays, whatever step is opened."""
        at = SHOWN.index(self.quantity) + 1 if self.quantity in SHOWN else 0
        self.session.shown = SHOWN[at % len(SHOWN)]
        self.refresh()

    def valve_at(self, point: QPointF) -> str:
        """Give the valve under a point; "" for none."""
        reach = 26 * self.zoom
        near = [(abs(c.x() - point.x()) + abs(c.y() - point.y()), name) for name, c in self._valves.items()]
        distance, name = min(near, default=(1e9, ""))
        return name if distance < reach * 1.5 else ""

    def mousePressEvent(self, event) -> None:
        if self._caption.contains(event.position()):
            self.show_next()
        elif name := self.valve_at(event.position()):
            self.session.go(name)

    def mouseDoubleClickEvent(self, event) -> None:
        if self.valve_at(event.position()):
            self.opened.emit()

    def mouseMoveEvent(self, event) -> None:
        name = self.valve_at(event.position())
        over = bool(name) or self._caption.contains(event.position())
        self.setCursor(Qt.CursorShape.PointingHandCursor if over else Qt.CursorShape.ArrowCursor)
        if name:
            QToolTip.showText(
                event.globalPosition().toPoint(),
                plain(f"{position_title(name)}: {self.session.verdict(name)}"),
                self,
            )
