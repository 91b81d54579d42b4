"""What slips inside the program: it is logged and said once, and the window goes on. Nothing confirmed is lost by it."""

from __future__ import annotations

import sys
import threading
import traceback
from types import TracebackType

from PyQt6.QtCore import QObject, Qt, pyqtSignal
from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.log import log_path, start_log

_SAID_AT_MOST = 5  # a fault in what is painted comes again with every frame


class Faults(QObject):
    """Takes every exception that nobody caught, of the window, of threads and of what is being thrown away."""

    _slipped = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self.window: QWidget | None = None
        self._known: set[str] = set()
        self._is_saying = False
        # said from the window's own loop: not from another thread, and not within what slipped
        self._slipped.connect(self._say, Qt.ConnectionType.QueuedConnection)  # type: ignore[call-arg]

    def watch(self) -> None:
        """Take over from Python, which would end the program."""
        sys.excepthook = self.take
        threading.excepthook = lambda told: self.take(told.exc_type, told.exc_value, told.exc_traceback)
        sys.unraisablehook = lambda told: self.take(told.exc_type, told.exc_value, told.exc_traceback)

    def take(self, kind: type[BaseException], error: BaseException | None, where: TracebackType | None) -> None:
        """Log an exception and say it, each once."""
        import logging  # not needed while all is well

        start_log()
        logging.getLogger(__name__).error("a fault of the program", exc_info=(kind, error or kind(), where))
        last = traceback.extract_tb(where)[-1:]
        place = f"{last[0].filename.rpartition('/')[2]}:{last[0].lineno}" if last else ""
        words = f"{kind.__name__}, {place}" if place else kind.__name__
        if words not in self._known and len(self._known) < _SAID_AT_MOST:
            self._known.add(words)
            self._slipped.emit(words)

    def _say(self, what: str) -> None:
        if self._is_saying:
            return
        self._is_saying = True
        try:
            words = self.tr(
                "A fault of the program ({0}). What was just done may not be done; nothing that was confirmed is lost. "
                "Go on, and save. It is written down in {1}: please hand that file to whoever looks after this program."
            )
            questions.tell(self.window, self.tr("Something slipped"), words.format(what, log_path()))
        finally:
            self._is_saying = False
