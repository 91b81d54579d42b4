"""Scenes on layout blue, side by side, drawn to fill their share of the width; a point on one can be told in its own units."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QSizePolicy, QWidget

from honest_lift.desk.painting import fitted, paint_scene, rounded
from honest_lift.desk.theme import LIGHT
from honest_lift.drawings.scene import Scene, scene_words

_PAD = 10
_ROOM = 200  # unzoomed pixels the words of a spare drawing need
_LEAST = 0.6  # of the wished height, in the smallest window


class SceneView(QWidget):
    """Draws (share, scene) pairs. `pressed`, `dragged`: which scene, and where on it in the scene's own x and y."""

    pressed = pyqtSignal(int, float, float)
    dragged = pyqtSignal(int, float, float)

    def __init__(self) -> None:
        super().__init__()
        self.theme, self.zoom = LIGHT, 1.0
        self.scenes: list[tuple[float, Scene]] = []
        self._held, self._tall, self._spare = -1, 0, 0

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        if self._tall:
            self.setMaximumHeight(round(self._tall * zoom))
            self.setMinimumHeight(round(_LEAST * self._tall * zoom))
            self.updateGeometry()
        self.update()

    def wish(self, tall: int) -> None:
        """Be so tall, in unzoomed pixels, where there is room, and less where a table needs it."""
        self._tall = tall
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)

    def sizeHint(self) -> QSize:
        """Give the height that is wished."""
        return QSize(200, round(self._tall * self.zoom)) if self._tall else super().sizeHint()

    def show_scenes(self, scenes: list[tuple[float, Scene]], *, spare: int = 0) -> None:
        """Draw other scenes; the last `spare` of them only where there is room for their words."""
        self.scenes, self._spare = scenes, spare
        self.setAccessibleDescription(". ".join(filter(None, (scene_words(scene) for _, scene in scenes))))
        self.update()

    def _areas(self) -> Iterator[tuple[Scene, QRectF]]:
        shown = list(self.scenes)
        for _ in range(self._spare):
            if self.width() * shown[-1][0] / sum(share for share, _ in shown) < _ROOM * self.zoom:
                shown.pop()
        total = sum(share for share, _ in shown) or 1
        left, pad = 0.0, _PAD * self.zoom
        for share, scene in shown:
            wide = self.width() * share / total
            yield scene, QRectF(left + pad, pad, wide - 2 * pad, self.height() - 2 * pad)
            left += wide

    def where(self, index: int, x: float, y: float) -> QPointF:
        """Give the point of the widget at which a scene draws (x, y)."""
        scene, area = list(self._areas())[index]
        sx, sy, left, bottom = fitted(scene, area)
        return QPointF(left + (x - scene.left) * sx, bottom - (y - scene.bottom) * sy)

    def _on_scene(self, index: int, point: QPointF) -> tuple[float, float]:
        scene, area = list(self._areas())[index]
        sx, sy, left, bottom = fitted(scene, area)
        return scene.left + (point.x() - left) / sx, scene.bottom + (bottom - point.y()) / sy

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillPath(rounded(QRectF(self.rect()), 4), QColor(self.theme.blue))
        for scene, area in self._areas():
            paint_scene(painter, self.theme, scene, area, self.zoom)

    def mousePressEvent(self, event) -> None:
        if event.button() != Qt.MouseButton.LeftButton:
            return
        self._held = next((i for i, (_, area) in enumerate(self._areas()) if area.contains(event.position())), -1)
        if self._held >= 0:
            self.pressed.emit(self._held, *self._on_scene(self._held, event.position()))

    def mouseMoveEvent(self, event) -> None:
        if self._held >= 0:
            self.dragged.emit(self._held, *self._on_scene(self._held, event.position()))

    def mouseReleaseEvent(self, event) -> None:
        self._held = -1
