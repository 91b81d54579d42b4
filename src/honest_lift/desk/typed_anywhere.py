"""A key typed anywhere in the window: it reaches the reading bar, or a sentence says why it can't.

Someone at the bench looks at the spring and not at the screen. A figure must not depend on what was clicked last.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import QCoreApplication, QEvent, QObject, Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QAbstractButton,
    QAbstractItemView,
    QAbstractSpinBox,
    QApplication,
    QComboBox,
    QLineEdit,
    QMenuBar,
    QPlainTextEdit,
    QTextEdit,
    QWidget,
)

from honest_lift.desk.grid_view import GridView

if TYPE_CHECKING:
    from honest_lift.desk.window import Window

_FIGURES = frozenset("0123456789.,")  # no widget that is no field has a use of its own for these
_SIGNS = frozenset("+-~<>≤≥=")
_COMMANDS = Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.AltModifier | Qt.KeyboardModifier.MetaModifier


class TypedAnywhere(QObject):
    """Watches the keys of one window. A widget that takes text of its own keeps it.

    Lists and boxes take a digit to look for it: whatever has the focus is watched, so that it does not. Every other key
    comes here by `take` once nothing else in the window had a use for it. (A filter over the whole application would have
    Python look at every event of every object in Qt.)
    """

    def __init__(self, window: Window) -> None:
        super().__init__(window)
        self._window = window
        QApplication.instance().focusChanged.connect(self._watch)

    def _watch(self, _before: QWidget | None, now: QWidget | None) -> None:
        if now is not None and now.window() is self._window:
            now.installEventFilter(self)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if event is None or event.type() != QEvent.Type.KeyPress:
            return False
        assert isinstance(event, QKeyEvent)
        assert isinstance(watched, QWidget)
        text = event.text()
        is_ours = text in _FIGURES or isinstance(watched, GridView)
        return is_ours and not _takes_text(watched, text) and self.take(event)

    def take(self, event: QKeyEvent) -> bool:
        """Put a key into the bar, or say why a figure can't be taken; tell whether either was done."""
        text, bar = event.text(), self._window.bar
        if not text.strip() or not text.isprintable() or event.modifiers() & _COMMANDS:
            return False
        if bar.isVisible() and bar.entry.isEnabled():
            bar.type_into(event)
            return True
        if text not in _FIGURES | _SIGNS:
            return False
        self._window.session.warned.emit(_nowhere(text, has_bar=bar.isVisible()))
        return True


def _takes_text(widget: QWidget, text: str) -> bool:
    """Tell whether a widget does something of its own with a key: a field writes it, a list looks for it."""
    if isinstance(widget, QLineEdit | QTextEdit | QPlainTextEdit):
        return not widget.isReadOnly()
    if isinstance(widget, QAbstractSpinBox | QMenuBar):
        return True
    if isinstance(widget, QComboBox):
        return widget.isEditable() or text not in _FIGURES
    if isinstance(widget, QAbstractItemView):
        return _is_typed_into(widget) or (text not in _FIGURES and not isinstance(widget, GridView))
    return isinstance(widget, QAbstractButton) and text == " "


def _is_typed_into(view: QAbstractItemView) -> bool:
    """Tell whether a key begins to edit the current cell of a table."""
    index = view.currentIndex()
    by_key = view.editTriggers() & QAbstractItemView.EditTrigger.AnyKeyPressed
    return bool(by_key) and index.isValid() and bool(index.flags() & Qt.ItemFlag.ItemIsEditable)


def _nowhere(text: str, *, has_bar: bool) -> str:
    if has_bar:
        words = "“{0}” was not taken: there is no valve to measure yet. Lay out the heads under Engine and parts."
    else:
        words = "“{0}” was not taken: no readings are typed on this page. Click the cell or field it belongs in."
    return QCoreApplication.translate("window", words).format(text)
