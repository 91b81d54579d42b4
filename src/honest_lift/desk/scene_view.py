"""Scenes on layout blue, side by side, drawn to fill their share of the width."""

from __future__ import annotations

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk.painting import paint_scene, rounded
from honest_lift.desk.theme import LIGHT
from honest_lift.drawings.scene import Scene


class SceneView(QWidget):
    """Draws (share, scene) pairs."""

    def __init__(self) -> None:
        super().__init__()
        self.theme, self.zoom = LIGHT, 1.0
        self.scenes: list[tuple[float, Scene]] = []

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.update()

    def show_scenes(self, scenes: list[tuple[float, Scene]]) -> None:
        """Draw other scenes."""
        self.scenes = scenes
        self.update()

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillPath(rounded(QRectF(self.rect()), 4), QColor(self.theme.blue))
        total = sum(share for share, _ in self.scenes) or 1
        left, pad = 0.0, 10 * self.zoom
        for share, scene in self.scenes:
            wide = self.width() * share / total
            paint_scene(
                painter, self.theme, scene, QRectF(left + pad, pad, wide - 2 * pad, self.height() - 2 * pad), self.zoom
            )
            left += wide
