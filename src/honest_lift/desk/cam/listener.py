"""Listens to an instrument on a thread of its own and hands every line to the window."""

from __future__ import annotations

import threading
from collections import deque
from contextlib import suppress

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from honest_lift.gauges.line import Line, LineError

MOST_LINES = 20_000
_TOGETHER_MS = 60  # what comes faster is handed on in one


class Listener(QObject):
    """`heard` carries lines, those of one moment together; `ended` why it is over: "" when told to stop or with no more."""

    heard = pyqtSignal(str)
    ended = pyqtSignal(str)
    _over = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._stop = threading.Event()
        self._thread: threading.Thread | None = None
        self._held: deque[str] = deque()
        self._timer = QTimer(self)
        self._timer.setInterval(_TOGETHER_MS)
        self._timer.timeout.connect(self._hand_on)
        self._over.connect(self._end)

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
            try:
                why = self._hear(line)
            except LineError as error:
                why = str(error)
            with suppress(RuntimeError):  # the window may have been closed meanwhile
                self._over.emit(why)

        self._timer.start()
        self._thread = threading.Thread(target=run, name="instrument", daemon=True)
        self._thread.start()

    def _hear(self, line: Line) -> str:
        """Hold every line for the window; an instrument that never ends is left with a word."""
        for count, text in enumerate(line.lines(self._stop), 1):
            self._held.append(text)
            if count == MOST_LINES:
                return f"{MOST_LINES:,} lines came, which is more than a lobe is read in: no more are taken."
        return ""

    def _hand_on(self) -> None:
        lines = [self._held.popleft() for _ in range(len(self._held))]
        if lines:
            self.heard.emit("\n".join(lines))

    def _end(self, why: str) -> None:
        self._timer.stop()
        self._hand_on()
        self.ended.emit(why)

    def stop(self) -> None:
        """Stop listening; what was heard stays."""
        self._stop.set()
        if self._thread is not None:
            self._thread.join(2.0)
        self._thread = None
        self._timer.stop()
        self._hand_on()
