"""The wide entry of the reading bar."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeySequence
from PyQt6.QtWidgets import QLineEdit


class Entry(QLineEdit):
    """The wide entry: Up and Down walk, Enter takes what is typed, with Shift as a repeat; a column is pasted apart."""

    walked = pyqtSignal(int)
    entered = pyqtSignal(bool)
    pasted = pyqtSignal()

    def keyPressEvent(self, event) -> None:
        key = event.key()
        if key in (Qt.Key.Key_Up, Qt.Key.Key_Down) and not event.modifiers():
            self.walked.emit(-1 if key == Qt.Key.Key_Up else 1)
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.entered.emit(bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier))
        elif event.matches(QKeySequence.StandardKey.Paste) and "\n" in QGuiApplication.clipboard().text().strip():
            self.pasted.emit()
        else:
            super().keyPressEvent(event)
