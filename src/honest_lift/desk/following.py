"""Following the session while one is looked at: a sheet that nobody sees waits, and catches up when it is shown."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtCore import QEvent, QObject, pyqtBoundSignal
from PyQt6.QtWidgets import QWidget


def follow(sheet: QWidget, signals: Sequence[pyqtBoundSignal], refresh: Callable[[], None]) -> None:
    """Have a sheet refreshed at each signal while it is visible, and once as it is shown after some it did not see."""
    _Following(sheet, refresh, signals)


class _Following(QObject):
    def __init__(self, sheet: QWidget, refresh: Callable[[], None], signals: Sequence[pyqtBoundSignal]) -> None:
        super().__init__(sheet)
        self._sheet, self._refresh, self._is_behind = sheet, refresh, False
        sheet.installEventFilter(self)
        for signal in signals:
            signal.connect(self._told)

    def _told(self) -> None:
        if self._sheet.isVisible():
            self._refresh()
        else:
            self._is_behind = True

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if event is not None and event.type() == QEvent.Type.Show and self._is_behind:
            self._is_behind = False
            self._refresh()
        return False
