"""The wide entry of the reading bar."""

from __future__ import annotations

import re

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeySequence
from PyQt6.QtWidgets import QLineEdit

_FIGURE = re.compile(r"\s*[-+~<>≤≥=]*\s*[\d.,]")


class Entry(QLineEdit):
    """The wide entry: Up and Down walk, Enter takes what is typed; with Shift, or by `*` behind a figure, as a repeat.

    So a number pad is enough for a whole bench: digits, `/` for fractions, `-`, `+`, `*` and Enter. A column is pasted apart.
    """

    walked = pyqtSignal(int)
    entered = pyqtSignal(bool)
    pasted = pyqtSignal()

    def keyPressEvent(self, event) -> None:
        key = event.key()
        if key in (Qt.Key.Key_Up, Qt.Key.Key_Down) and not event.modifiers():
            self.walked.emit(-1 if key == Qt.Key.Key_Up else 1)
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.entered.emit(bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier))
        elif event.text() == "*" and _FIGURE.match(self.text()):
            self.entered.emit(True)
        elif event.matches(QKeySequence.StandardKey.Paste) and "\n" in QGuiApplication.clipboard().text().strip():
            self.pasted.emit()
        else:
            super().keyPressEvent(event)
