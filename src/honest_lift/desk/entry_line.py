"""The wide entry of the reading bar."""

from __future__ import annotations

import re
import time

from PyQt6.QtCore import QEvent, Qt, pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence
from PyQt6.QtWidgets import QLineEdit

from honest_lift.gauges.instruments.pace import Pace

_FIGURE = re.compile(r"\s*[-+~<>≤≥=]*\s*[\d.,]")


class Entry(QLineEdit):
    """The wide entry: Up and Down walk, Enter takes what is typed; with Shift, or by `*` behind a figure, as a repeat.

    So a number pad is enough for a whole bench: digits, `/` for fractions, `-`, `+`, `*` and Enter. A column is pasted apart.
    """

    walked = pyqtSignal(int)
    entered = pyqtSignal(bool)
    pasted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._pace = Pace()
        self.typed_by_gauge = 0  # how many signs a gauge typed like a keyboard, with the Enter that is being handled

    def came(self, event: QKeyEvent) -> None:
        """Take notice of a sign that came by a key, here or elsewhere in the window."""
        if event.text() and event.text().isprintable():
            self._pace.key(pressed_s(event))

    def show_moving(self, *, moving: bool) -> None:
        """Show a figure that still moves slanted, one that stands upright."""
        shown = self.font()
        if shown.italic() != moving:
            shown.setItalic(moving)
            self.setFont(shown)

    def event(self, event) -> bool:
        """Leave undo and redo to the engine while nothing is being typed: a line's own would bring back what was taken."""
        turns = (QKeySequence.StandardKey.Undo, QKeySequence.StandardKey.Redo)
        if event.type() == QEvent.Type.ShortcutOverride and not self.text() and any(map(event.matches, turns)):
            event.ignore()
            return True
        return super().event(event)

    def keyPressEvent(self, event) -> None:
        key = event.key()
        if key in (Qt.Key.Key_Up, Qt.Key.Key_Down) and not event.modifiers():
            self.walked.emit(-1 if key == Qt.Key.Key_Up else 1)
        elif key in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.typed_by_gauge = min(self._pace.burst(pressed_s(event)), len(self.text()))
            self._pace.forget()
            self.entered.emit(bool(event.modifiers() & Qt.KeyboardModifier.ShiftModifier))
            self.typed_by_gauge = 0
        elif event.text() == "*" and _FIGURE.match(self.text()):
            self.entered.emit(True)
        elif event.matches(QKeySequence.StandardKey.Paste) and "\n" in QGuiApplication.clipboard().text().strip():
            self.pasted.emit()
        else:
            self.came(event)
            super().keyPressEvent(event)


def pressed_s(event: QKeyEvent) -> float:
    """Give when a key was pressed, in seconds: a busy window hears of it late, and then of several at once.

    The display's own clock stamps the event; where it does not, the time of hearing has to do.
    """
    return event.timestamp() / 1000.0 or time.monotonic()
