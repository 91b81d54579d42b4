"""The margin ladder: every margin of the current valve on one scale, zero the limit, one the check's own comfort."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite
from typing import TYPE_CHECKING

from PyQt6.QtCore import QEvent, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QBrush, QColor, QPainter, QPen
from PyQt6.QtWidgets import QScrollArea, QToolTip, QVBoxLayout, QWidget

from honest_lift.desk.alignment import CENTER, LEFT
from honest_lift.desk.label import Label, plain
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.session import Session
from honest_lift.desk.theme import LIGHT, font
from honest_lift.facts.place import of_spring, position_title
from honest_lift.numbers.units import in_figures, places_for

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding

_HEAD, _RUNG, _TIGHT, _FOLD = 64, 36, 30, 24
_MANY, _SHOWN = 8, 9  # past the first rungs stand closer, past the second those of other steps fold away
_SHARE = 0.745  # of the side that rungs take at most; the reason keeps the rest
_LEFT, _RIGHT = 202, 44  # where the limit line is, and what is kept free on the right
_TEXT = 166  # the words' own column: a bar that fails ends before it
_REACH = 1.15  # a rung longer than this is clipped with an arrow


class Ladder(QWidget):
    """The rungs, and under them the reason of the chosen one in words."""

    opened = pyqtSignal(str)  # the check whose whole finding is asked for

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("side")
        self.rungs = Rungs(session)
        self.verdict, self.reason, self.working = Label(), Label(), Label()
        said = QWidget()
        lines = QVBoxLayout(said)
        lines.setContentsMargins(14, 6, 12, 10)
        lines.setSpacing(4)
        for label, name in ((self.verdict, "reasonTitle"), (self.reason, "reason"), (self.working, "hint")):
            label.setObjectName(name)
            label.setWordWrap(True)
            label.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
            lines.addWidget(label)
        lines.addStretch(1)
        self.reason.setAccessibleName(self.tr("Reason of the chosen margin"))
        self.working.setAccessibleName(self.tr("Working of the chosen margin"))
        scroll = QScrollArea()
        scroll.setObjectName("reasonArea")
        scroll.setWidgetResizable(True)
        scroll.setWidget(said)
        layout = QVBoxLayout(self)
        layout.setContentsMargins(0, 0, 0, 0)
        layout.setSpacing(0)
        self.area = QScrollArea()
        self.area.setObjectName("reasonArea")
        self.area.setWidgetResizable(True)
        self.area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.area.setWidget(self.rungs)
        layout.addWidget(self.area)
        layout.addWidget(scroll, 1)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.rungs.chose = self._chosen
        self.rungs.opened = self._opened
        self.refresh()

    def _chosen(self) -> None:
        """Show another rung; where a whole finding is looked at, that one's."""
        self.refresh()
        if self.session.check and self.rungs.chosen:
            self._opened()

    def _opened(self) -> None:
        if self.rungs.chosen:
            self.opened.emit(self.rungs.chosen.check.name)

    def paintEvent(self, event) -> None:
        QPainter(self).fillRect(self.rect(), QColor(self.rungs.theme.paper2))

    def resizeEvent(self, event) -> None:
        super().resizeEvent(event)
        self._share_out()

    def _share_out(self) -> None:
        """Give the rungs the room they need, and leave the reason its share."""
        self.area.setFixedHeight(min(self.rungs.height_wanted, round(_SHARE * max(self.height(), 1))))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.setFixedWidth(round(318 * zoom))
        self.rungs.dress(theme, zoom)
        self.refresh()

    def refresh(self) -> None:
        """Follow the session."""
        self.rungs.follow()
        self._share_out()
        finding = self.rungs.chosen
        if finding is None:
            self.verdict.setText(
                self.tr("Nothing is proven before it is measured.") if self.session.examination else ""
            )
            self.reason.setText("")
            self.working.setText("")
            return
        from honest_lift.checks.signed import signature_of, verdict_words
        from honest_lift.checks.wording import reason, source_words
        from honest_lift.checks.working import working

        book, engine = self.session.book, self.session.engine
        signed = signature_of(book, finding)
        lines = working(finding, engine)
        source = source_words(finding, engine)
        self.verdict.setText(f"{finding.check.title}: {verdict_words(book, finding)}")
        self.reason.setText("\n".join([reason(finding, engine), *([signed.words] if signed is not None else [])]))
        self.working.setText("\n".join((*lines, self.tr("limit: {0}").format(source)) if source else lines))
        self.working.setHidden(bool(self.session.check))  # the page has it already


class Rungs(QWidget):
    """Draws the rungs; a click or Up and Down choose one."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme, self.zoom = session, LIGHT, 1.0
        self.findings: tuple[Finding, ...] = ()
        self.all: tuple[Finding, ...] = ()
        self.folded: tuple[Finding, ...] = ()  # those of other steps that are not shown
        self.unfolded = False
        self.chosen: Finding | None = None
        self._wanted = ""
        self.chose: Callable[[], object] = self.update
        self.opened: Callable[[], object] = self.update
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(self.tr("Margins of the current valve"))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.follow()

    def follow(self) -> None:
        """Take the findings of the current valve, or of the current spring when it lies on the bench."""
        examination = self.session.examination
        found: tuple[Finding, ...] = ()
        if examination and self._is_on_bench():
            found = examination.by_spring.get(self.session.spring, ())
        elif examination:
            found = examination.by_position.get(self.session.position, ())
        self.all = found
        name = self.session.check or self._wanted
        self._fold(found, name)
        wanted = [one for one in self.findings if one.check.name == name]
        self.chosen = wanted[0] if wanted else self._weakest()
        self.setMinimumHeight(self.height_wanted)
        if self.chosen:
            words = "; ".join(f"{one.check.title} {one.verdict.word}" for one in self.findings)
            self.setAccessibleDescription(words)
        self.update()

    @property
    def rung(self) -> int:
        """Give the height of a rung in unzoomed pixels."""
        return _RUNG if len(self.findings) <= _MANY else _TIGHT

    @property
    def height_wanted(self) -> int:
        """Give the height at which everything shown stands free."""
        fold = _FOLD if self.folded or self.unfolded else 0
        return round((_HEAD + self.rung * max(len(self.findings), 1) + fold + 8) * self.zoom)

    def _fold(self, found: tuple[Finding, ...], wanted: str) -> None:
        """Show the rungs of the open step, then the worst of the others; fold the rest away, but never the one looked at."""
        own = [one for one in found if one.check.step == self.session.step]
        others = sorted((one for one in found if one not in own), key=_order)
        keep = len(others) if self.unfolded else max(_SHOWN - len(own), 0)
        kept = [one for i, one in enumerate(others) if i < keep or one.check.name == wanted]
        shown = {id(one) for one in (*own, *kept)}
        self.findings = (*own, *(one for one in found if id(one) in shown and one not in own))
        self.folded = tuple(one for one in found if id(one) not in shown)

    def _is_on_bench(self) -> bool:
        return self.session.step == "springs" and not self.session.engine.position_of(self.session.spring)

    def _weakest(self) -> Finding | None:
        """Give the worst verdict's weakest rung: what the person needs to see first."""

        of_step = [one for one in self.findings if one.check.step == self.session.step and one.verdict.word != "passes"]
        return min(of_step or self.findings, key=_order, default=None)

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillRect(self.rect(), QColor(self.theme.paper2))
        t, z = self.theme, self.zoom
        self._paint_head(painter)
        zero = _LEFT * z
        if self.findings:
            painter.setPen(QPen(QColor(t.ink), 1.4))
            painter.drawLine(
                QPointF(zero, (_HEAD - 6) * z), QPointF(zero, (_HEAD + self.rung * len(self.findings)) * z)
            )
        for i, finding in enumerate(self.findings):
            self._paint_rung(painter, finding, (_HEAD + self.rung * i) * z)
        self._paint_fold(painter, (_HEAD + self.rung * len(self.findings)) * z)
        painter.setPen(QColor(t.rule))
        painter.drawLine(QPointF(14 * z, self.height() - 2), QPointF(self.width() - 12 * z, self.height() - 2))

    def _paint_head(self, painter: QPainter) -> None:
        t, z, session = self.theme, self.zoom, self.session
        painter.setPen(QColor(t.ink))
        painter.setFont(font(19 * z, bold=True))
        bench = self._is_on_bench()
        title = (
            of_spring(session.spring).title if bench else position_title(session.position) if session.position else ""
        )
        painter.drawText(QPointF(16 * z, 28 * z), title or self.tr("no valve"))
        width = painter.fontMetrics().horizontalAdvance(title)
        if self.findings:
            word = max(one.verdict for one in self.all).word
            paint_verdict(painter, t, word, 16 * z + width + 18 * z, 22 * z, 7 * z)
            painter.setPen(QColor(t.muted))
            painter.setFont(font(14 * z))
            painter.drawText(
                QPointF(16 * z + width + 33 * z, 27 * z), word + (self.tr(", not fitted") if bench else "")
            )
        painter.setFont(font(12 * z))
        painter.setPen(QColor(t.muted))
        for x, words in ((_LEFT, self.tr("limit")), (_LEFT + self._span(), self.tr("comfort"))):
            painter.drawText(QRectF((x - 30) * z, 38 * z, 60 * z, 16 * z), CENTER, words)
        if not self.findings and session.examination is None and session.position:
            painter.drawText(QPointF(16 * z, 76 * z), self.tr("calculating…"))

    def _span(self) -> float:
        """Give the length of a full rung in unzoomed pixels."""
        return (self.width() / self.zoom - _LEFT - _RIGHT) / _REACH

    def _paint_fold(self, painter: QPainter, top: float) -> None:
        """Say what is folded away; a click there shows or folds it."""
        if not self.folded and not self.unfolded:
            return
        z = self.zoom
        painter.setPen(QColor(self.theme.muted))
        painter.setFont(font(12 * z))
        words = self.tr("fold the other steps away") if self.unfolded else _folded_words(self.folded)
        painter.drawText(QRectF(16 * z, top + 3 * z, self.width() - 60 * z, 18 * z), LEFT, words)
        if self.folded:
            paint_verdict(
                painter,
                self.theme,
                max(one.verdict for one in self.folded).word,
                self.width() - 20 * z,
                top + 12 * z,
                5 * z,
            )

    def _paint_rung(self, painter: QPainter, finding: Finding, top: float) -> None:
        t, z = self.theme, self.zoom
        if finding is self.chosen:
            painter.fillRect(QRectF(6 * z, top, self.width() - 12 * z, (self.rung - 2) * z), QColor(t.select))
        painter.setPen(QColor(t.ink))
        painter.setFont(font(13.5 * z, bold=finding is self.chosen))
        lift = (_RUNG - self.rung) / 2  # in a tight ladder the two lines stand closer
        painter.drawText(QPointF(16 * z, top + (15 - lift) * z), self._elided(painter, finding.check.title))
        painter.setFont(font(12 * z))
        painter.setPen(QColor(t.muted))
        words = self._elided(painter, against(self.session, finding))
        painter.drawText(QRectF(16 * z, top + (18 - lift) * z, _TEXT * z, 15 * z), LEFT, words)
        paint_verdict(painter, t, finding.verdict.word, self.width() - 20 * z, top + (16 - lift) * z, 6 * z)
        if isfinite(finding.rung):
            self._paint_bar(painter, finding, top + (16 - lift) * z)
        painter.setPen(QPen(QColor(t.ink), 1.4))
        painter.drawLine(QPointF(_LEFT * z, top), QPointF(_LEFT * z, top + self.rung * z))

    def _elided(self, painter: QPainter, words: str) -> str:
        return painter.fontMetrics().elidedText(words, Qt.TextElideMode.ElideRight, round(_TEXT * self.zoom))

    def event(self, event) -> bool:
        """Say what the bar under the cursor is, whole."""
        if event.type() == QEvent.Type.ToolTip:
            index = int((event.pos().y() / self.zoom - _HEAD) // self.rung)
            words = self.explained(self.findings[index]) if 0 <= index < len(self.findings) else ""
            QToolTip.showText(event.globalPos(), plain(words), self)
            return True
        return super().event(event)

    def explained(self, finding: Finding) -> str:
        """Give a margin's name, its figure with its limit, and what the check means."""
        return f"{finding.check.title}: {against(self.session, finding)}\n{finding.check.meaning}"

    def _paint_bar(self, painter: QPainter, finding: Finding, y: float) -> None:
        t, z = self.theme, self.zoom
        zero, span = _LEFT * z, self._span() * z
        doubt = finding.expanded / finding.comfort
        least, most = -0.26, _REACH - 0.02

        def x(value: float) -> float:
            return zero + span * min(max(value, least), most)

        bar = QRectF(min(zero, x(finding.rung)), y - 4 * z, abs(x(finding.rung) - zero), 8 * z)
        colour = t.verdict(finding.verdict.word)
        if finding.verdict.word == "unproven":
            pen = QPen(colour, 1.2)
            pen.setDashPattern([4.0, 3.0])
            painter.setPen(pen)
            painter.setBrush(QBrush())
            painter.drawRect(bar)
        else:
            painter.fillRect(bar, colour)
        painter.setPen(QPen(QColor(t.ink), 1.3))
        low, high = x(finding.rung - doubt), x(finding.rung + doubt)
        painter.drawLine(QPointF(low, y), QPointF(high, y))
        for end in (low, high):
            painter.drawLine(QPointF(end, y - 5 * z), QPointF(end, y + 5 * z))
        if finding.rung > most or finding.rung < least:
            self._paint_arrow(painter, x(finding.rung), y, 1 if finding.rung > 0 else -1)

    def _paint_arrow(self, painter: QPainter, x: float, y: float, way: int) -> None:
        z = self.zoom
        painter.drawLine(QPointF(x, y), QPointF(x - way * 5 * z, y - 4 * z))
        painter.drawLine(QPointF(x, y), QPointF(x - way * 5 * z, y + 4 * z))

    def choose(self, index: int) -> None:
        """Choose a rung by its place."""
        if 0 <= index < len(self.findings):
            self._wanted = self.findings[index].check.name
            self.chose()

    def mousePressEvent(self, event) -> None:
        index = int((event.position().y() / self.zoom - _HEAD) // self.rung)
        if index >= len(self.findings):
            self.toggle_fold()
        self.choose(index)

    def toggle_fold(self) -> None:
        """Show what is folded away of other steps, or fold it."""
        if self.folded or self.unfolded:
            self.unfolded = not self.unfolded
            self.chose()

    def keyPressEvent(self, event) -> None:
        by = {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}.get(event.key(), 0)
        if by and self.chosen:
            self.choose(self.findings.index(self.chosen) + by)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.opened()
        else:
            super().keyPressEvent(event)

    def mouseDoubleClickEvent(self, event) -> None:
        self.opened()


def _folded_words(folded: tuple[Finding, ...]) -> str:
    more = [one for one in folded if one.verdict.word != "passes"]
    bad = f", {len(more)} {'does' if len(more) == 1 else 'do'} not pass" if more else ", all pass"
    return f"{len(folded)} more of other steps{bad}…"


def _order(one: Finding) -> tuple[int, float]:
    """Put the worst verdict first, and of those alike the weakest rung."""
    return -int(one.verdict), one.weakness if isfinite(one.weakness) else -1e9


def against(session: Session, finding: Finding) -> str:
    """Write a finding's figure and its limit as short as they can be read: `208 lbf (195–235)`, `0.037 in (min 0.060)`."""
    if finding.word or finding.check.dimension == "observed":
        return finding.word or "not looked at"
    from honest_lift.checks.wording import limit_places

    dimension, places = finding.check.dimension, limit_places(finding, session.engine)
    unit = session.unit(dimension)
    low, high = (in_figures(one, dimension, unit, places) for one in (finding.lowest, finding.highest))
    figure = in_figures(finding.figure, dimension, unit, places_for(finding.expanded, dimension, unit))
    if places is not None and places > 3:  # as the trade writes tenths of a thousandth, and there is room for no more
        figure, low, high = (one.replace("0.", ".", 1) for one in (figure, low, high))
    value = f"{figure} {unit}".rstrip()
    if isfinite(finding.lowest) and finding.lowest == -finding.highest:
        return f"{value} (±{high})"
    if isfinite(finding.lowest) and isfinite(finding.highest):
        return f"{value} ({low}–{high})"
    if isfinite(finding.lowest):
        return f"{value} (min {low})"
    return f"{value} (max {high})" if isfinite(finding.highest) else f"{value} (no limit)"
