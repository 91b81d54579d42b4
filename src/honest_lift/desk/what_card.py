"""The card under Shift+F1: what something is in words, and the picture of how it is measured."""

from __future__ import annotations

from PyQt6.QtWidgets import QDialog, QVBoxLayout, QWidget

from honest_lift.desk.dialog_row import dialog_row
from honest_lift.desk.engine.page import scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.theme import Theme
from honest_lift.drawings.scene import Scene

_WIDE, _HIGH, _PICTURE = 640, 520, 270


class WhatCard(QDialog):
    """Words, under a picture where there is one."""

    def __init__(self, parent: QWidget, words: str, picture: Scene | None, theme: Theme, zoom: float) -> None:
        super().__init__(parent)
        self.setWindowTitle(self.tr("What is this?"))
        self.picture, self.words = SceneView(), Label(words)
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What it is and how it is measured"))
        self.picture.setAccessibleName(self.tr("How it is measured"))
        self.picture.setFixedHeight(round(_PICTURE * zoom))
        self.picture.dress(theme, zoom)
        if picture is not None:
            self.picture.show_scenes([(1, picture)])
        column = QVBoxLayout(self)
        column.addWidget(self.picture)
        self.picture.setVisible(picture is not None)
        column.addWidget(scrolled(self.words), 1)
        column.addLayout(dialog_row(self, ()))
        self.resize(round(_WIDE * zoom), round(_HIGH * zoom))
