"""An end that nobody asked for at the window: a signal, or a display that dies. Readings, locks and the window's place are kept."""

from __future__ import annotations

import contextlib
import os
import signal
import socket
import sys
from typing import Protocol

from PyQt6.QtCore import QObject, QSocketNotifier, QtMsgType

from honest_lift.desk.application import application

_SIGNALS = (signal.SIGINT, signal.SIGTERM, signal.SIGHUP)
_BROKEN = ("connection broke", "experienced a fatal error")  # what Qt says last when its display has gone
_DISPLAY_DIED = 1


class Ends(Protocol):
    """A window that can be ended in order."""

    def end_in_order(self) -> None:
        """Keep everything as it stands, ask nothing, and let go."""


class Ending(QObject):
    """Ends the program in order: the journal closed, the lock let go, the window remembered, no question asked."""

    def __init__(self, window: Ends) -> None:
        super().__init__()
        self.window = window
        self._is_over = False
        read, write = socket.socketpair()
        for end in (read, write):
            end.setblocking(False)
        self._read, self._write = read, write
        self._notifier = QSocketNotifier(read.fileno(), QSocketNotifier.Type.Read)
        self._notifier.activated.connect(self._signalled)
        signal.set_wakeup_fd(write.fileno(), warn_on_full_buffer=False)
        for one in _SIGNALS:
            if signal.getsignal(one) != signal.SIG_IGN:  # whoever started it wants it to outlive this one
                signal.signal(one, lambda *_: None)  # Python writes the number into the socket, and Qt wakes

    def _signalled(self) -> None:
        with contextlib.suppress(BlockingIOError):
            number = self._read.recv(16)[-1]
            if number in _SIGNALS:
                self.keep_all()
                application().exit(128 + number)

    def keep_all(self) -> None:
        """Keep what is open as it stands, once."""
        if not self._is_over:
            self._is_over = True
            self.window.end_in_order()

    def let_go(self) -> None:
        """Listen to no more signals: the window is gone."""
        signal.set_wakeup_fd(-1)
        self._notifier.setEnabled(False)

    def hear(self, kind: QtMsgType, words: str) -> None:
        """End at once when Qt says that its display has gone: it would end the program itself, keeping nothing."""
        if kind == QtMsgType.QtFatalMsg or any(one in words for one in _BROKEN):
            self.keep_all()
            print(
                f"honest-lift: the window can't go on ({words.strip()}). Everything confirmed is kept.",
                file=sys.stderr,
                flush=True,
            )
            os._exit(_DISPLAY_DIED)
