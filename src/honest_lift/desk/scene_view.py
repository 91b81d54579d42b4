"""Scenes on layout blue, side by side, drawn to fill their share of the width; a point on one can be told in its own units."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter

from honest_lift.desk.painting import fitted, paint_scene, rounded
from honest_lift.desk.theme import LIGHT
from honest_lift.desk.wished_height import WishedHeight
from honest_lift.drawings.scene import Scene, scene_words

_PAD = 10
_ROOM = 200  # unzoomed pixels the words of a spare drawing need


class SceneView(WishedHeight):
    """Draws (share, scene) pairs. `pressed`, `dragged`: which scene, and where on it in the scene's own x and y."""

    pressed = pyqtSignal(int, float, float)
    dragged = pyqtSignal(int, float, float)

    def __init__(self) -> None:
        super().__init__()
        self.theme = LIGHT
        self.scenes: list[tuple[float, Scene]] = []
        self._held, self._spare = -1, 0

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.take_height()
        self.update()

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
