"""Listens to an instrument on a thread of its own and hands every line to the window."""

from __future__ import annotations

import threading
from contextlib import suppress

from PyQt6.QtCore import QObject, pyqtSignal

from honest_lift.gauges.line import Line, LineError


class Listener(QObject):
    """`heard` carries a line, `ended` why it is over: "" when it was told to stop or had no more."""

    heard = pyqtSignal(str)
    ended = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._stop = threading.Event()
        self._thread: threading.Thread | None = None

    @property
    def is_listening(self) -> bool:
        """Tell whether an instrument is being listened to."""
        return self._thread is not None

    def start(self, line: Line) -> None:
        """Listen until told to stop."""
        if self._thread is not None:
            return
        self._stop.clear()

        def run() -> None:
            why = ""
            with suppress(RuntimeError):  # the window may have been closed meanwhile
                try:
                    for text in line.lines(self._stop):
                        self.heard.emit(text)
                except LineError as error:
                    why = str(error)
                self.ended.emit(why)

        self._thread = threading.Thread(target=run, name="instrument", daemon=True)
        self._thread.start()

    def stop(self) -> None:
        """Stop listening; what was heard stays."""
        self._stop.set()
        if self._thread is not None:
            self._thread.join(2.0)
        self._thread = None
