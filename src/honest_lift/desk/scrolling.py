"""A page that scrolls where the window is too low for what is on it, so that nothing lies over anything."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QScrollArea, QWidget


def scrolling(page: QWidget) -> QScrollArea:
    """Hold a page in an area that scrolls up and down only."""
    area = QScrollArea()
    area.setWidgetResizable(True)
    area.setFrameShape(QFrame.Shape.NoFrame)
    area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
    area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
    area.setWidget(page)
    area.setStyleSheet("QScrollArea { background: transparent; }")
    for one in (area.viewport(), page):  # the sheet's own ground shows through
        one.setAutoFillBackground(False)
    return area
