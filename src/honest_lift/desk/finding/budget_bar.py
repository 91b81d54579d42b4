"""Where the doubt comes from: one bar, a piece a source, as long as its share of the variance."""

from __future__ import annotations

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk.alignment import LEFT, RIGHT, VCENTER
from honest_lift.desk.theme import LIGHT, Theme, font

_TINTS = ("#1B4263", "#4F7897", "#86ABC2", "#B4CBD9", "#D3DFE6")
_MOST = 5  # pieces before the rest are laid together
_LINE = 20


class BudgetBar(QWidget):
    """Draws shares: the bar, and a line under it for each piece."""

    def __init__(self) -> None:
        super().__init__()
        self.theme, self.zoom = LIGHT, 1.0
        self.shares: tuple[tuple[str, float], ...] = ()
        self.setAccessibleName(self.tr("Where the uncertainty comes from"))

    def dress(self, theme: Theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.show_shares(self.shares)

    def show_shares(self, shares: tuple[tuple[str, float], ...]) -> None:
        """Show shares of the variance, largest first."""
        self.shares = shares
        self.setFixedHeight(round((26 + _LINE * len(self._pieces())) * self.zoom))
        self.setAccessibleDescription(", ".join(f"{label} {100 * share:.0f} percent" for label, share in shares))
        self.update()

    def _pieces(self) -> list[tuple[str, float]]:
        if len(self.shares) <= _MOST:
            return list(self.shares)
        rest = self.shares[_MOST - 1 :]
        return [*self.shares[: _MOST - 1], (self.tr("{0} more").format(len(rest)), sum(share for _, share in rest))]

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        t, z = self.theme, self.zoom
        left, width = 0.0, float(self.width())
        for i, (label, share) in enumerate(self._pieces()):
            tint = QColor(_TINTS[i] if t.name == "light" else _TINTS[-1 - i])
            painter.fillRect(QRectF(left, 0, max(width * share - 1, 1), 16 * z), tint)
            left += width * share
            y = (24 + _LINE * i) * z
            painter.fillRect(QRectF(0, y + 4 * z, 10 * z, 10 * z), tint)
            painter.setPen(QColor(t.ink))
            painter.setFont(font(14 * z, bold=i == 0))
            painter.drawText(QRectF(16 * z, y, 44 * z, 18 * z), RIGHT | VCENTER, f"{100 * share:.0f} %")
            painter.setFont(font(13 * z, bold=i == 0))
            painter.drawText(QRectF(70 * z, y, width - 70 * z, 18 * z), LEFT | VCENTER, label)
