"""The drawing of the turn with a cursor: dragged by the mouse, or walked by Left and Right, ten degrees with Shift."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal

from honest_lift.desk.scene_view import SceneView
from honest_lift.drawings.cam.turn import SPAN_DEG, x_to_crank

_PAD = 10


class TurnView(SceneView):
    """Tells where the cursor is put."""

    placed = pyqtSignal(float)  # crank degrees

    def __init__(self) -> None:
        super().__init__()
        self.cursor_deg = 0.0
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def mousePressEvent(self, event) -> None:
        self._put(event.position().x())

    def mouseMoveEvent(self, event) -> None:
        self._put(event.position().x())

    def _put(self, x: float) -> None:
        pad = _PAD * self.zoom
        self.place(round(x_to_crank((x - pad) / max(self.width() - 2 * pad, 1.0))))

    def keyPressEvent(self, event) -> None:
        steps = {Qt.Key.Key_Left: -1.0, Qt.Key.Key_Right: 1.0}
        step = steps.get(event.key(), 0.0)
        if not step:
            super().keyPressEvent(event)
            return
        wide = 10.0 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1.0
        self.place(self.cursor_deg + step * wide)

    def place(self, crank_deg: float) -> None:
        """Put the cursor at a crank angle."""
        self.cursor_deg = min(max(crank_deg, -SPAN_DEG), SPAN_DEG)
        self.placed.emit(self.cursor_deg)
