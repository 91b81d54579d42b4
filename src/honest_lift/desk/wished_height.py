"""Drawings that are as tall as is wished where there is room, and less where a table needs it."""

from __future__ import annotations

from PyQt6.QtCore import QSize
from PyQt6.QtWidgets import QSizePolicy, QWidget

_LEAST = 0.6  # of the wished height, in the smallest window
_WIDE = 200  # pixels, of a drawing that nobody stretches


class WishedHeight(QWidget):
    """A widget with a wished height; none is wished until `wish` says so."""

    zoom = 1.0
    _tall = 0

    def wish(self, tall: int) -> None:
        """Be so tall, in unzoomed pixels, where there is room, and less where a table needs it."""
        self._tall = tall
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)

    def sizeHint(self) -> QSize:
        """Give the height that is wished."""
        return QSize(_WIDE, round(self._tall * self.zoom)) if self._tall else super().sizeHint()

    def take_height(self) -> None:
        """Hold the height between the least and what is wished, at this zoom."""
        if self._tall:
            self.setMaximumHeight(round(self._tall * self.zoom))
            self.setMinimumHeight(round(_LEAST * self._tall * self.zoom))
            self.updateGeometry()
