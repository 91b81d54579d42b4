"""Errands that would hold the window up, done in a worker process, kept warm. It may raise, hang or die: then that is said, it is
started anew, and what it was at is tried once more. Nothing of the engine lives there, so nothing is lost with it.
"""

from __future__ import annotations

import logging
import os
import sys
import time
from collections.abc import Callable
from itertools import count
from typing import Any

from PyQt6.QtCore import QObject, QProcess, QProcessEnvironment, QTimer, pyqtSignal

from honest_lift.workers.wire import Asked, Cancelled, Done, Failed, Message, Ping, Told, packed, unpacked

_BEAT_MS = 1000
_SILENT_S = 20.0  # a process that does not even answer for so long hangs
_OBEYS_S = 2.0  # one that goes on so long after it was cancelled is ended
_TRIES = 2
_numbers = count(1)


class WorkerError(Exception):
    """A fault inside a worker process, or its end; the traceback, if there is one, is in the log."""


class Errand(QObject):
    """`told`: what it says on its way; `done`: what it came to; `ended`: it is over, and `error` says what was wrong."""

    told = pyqtSignal(object)
    done = pyqtSignal(object)
    ended = pyqtSignal()

    def __init__(self, parent: QObject, task: str, given: tuple[Any, ...]) -> None:
        super().__init__(parent)
        self.asked = Asked(next(_numbers), task, given)
        self.is_over, self.is_cancelled, self.tries = False, False, 1
        self.error = ""

    def end(self, error: str = "") -> None:
        """Take it as over."""
        self.is_over, self.error = True, error
        self.ended.emit()


class Workers(QObject):
    """A worker process and the errands it has, one after the other. `slipped`: a fault of the program; `noticed`: a word on it."""

    slipped = pyqtSignal(object)
    noticed = pyqtSignal(str)

    def __init__(self, parent: QObject | None = None, module: str = "honest_lift.workers.worker") -> None:
        super().__init__(parent)
        self._module = module
        self._process: QProcess | None = None
        self._held = bytearray()
        self._waiting: dict[int, Errand] = {}
        self._heard_s = self._unheeded_s = 0.0
        self._beat = QTimer(self)
        self._beat.setInterval(_BEAT_MS)
        self._beat.timeout.connect(self._look)

    def warm_up(self) -> None:
        """Start the process before anything is asked of it."""
        self.start("be_ready")

    def start(
        self,
        task: str,
        *given: Any,
        told: Callable[[Any], None] | None = None,
        done: Callable[[Any], None] | None = None,
    ) -> Errand:
        """Ask for an errand. `told` and `done` are called in the window, never before this returns."""
        errand = Errand(self, task, given)
        if told:
            errand.told.connect(told)
        if done:
            errand.done.connect(done)
        self._waiting[errand.asked.errand] = errand
        self._send(errand.asked)
        return errand

    def cancel(self, errand: Errand) -> None:
        """Let an errand end early; one that does not is ended with its process."""
        if errand.is_over or errand.is_cancelled:
            return
        errand.is_cancelled = True
        self._unheeded_s = time.monotonic()
        self._send(Cancelled(errand.asked.errand))

    @property
    def is_at_work(self) -> bool:
        """Tell whether anything is being worked at."""
        return bool(self._waiting)

    @property
    def process_id(self) -> int:
        """Give the number of the process; 0 where there is none."""
        return int(self._process.processId() or 0) if self._process else 0

    def close(self) -> None:
        """End the process, and leave what it was at."""
        self._beat.stop()
        self._waiting.clear()
        if self._process is not None:
            process, self._process = self._process, None
            process.blockSignals(True)
            process.kill()
            process.waitForFinished(1000)

    # --- the process ---

    def _send(self, message: Message) -> None:
        if self._process is None:
            self._started()
        assert self._process is not None
        self._process.write(packed(message))

    def _started(self) -> None:
        process = QProcess(self)
        environment = QProcessEnvironment.systemEnvironment()
        environment.insert("PYTHONPATH", os.pathsep.join(one for one in sys.path if one))
        process.setProcessEnvironment(environment)
        process.setProcessChannelMode(QProcess.ProcessChannelMode.ForwardedErrorChannel)
        process.readyReadStandardOutput.connect(self._hear)
        process.finished.connect(self._gone)
        process.errorOccurred.connect(self._not_started)
        self._process, self._held = process, bytearray()
        self._heard_s = time.monotonic()
        self._beat.start()
        process.start(sys.executable, ["-m", self._module])

    def _hear(self) -> None:
        if self._process is None:
            return
        self._held += self._process.readAllStandardOutput().data()
        self._heard_s = time.monotonic()
        for message in unpacked(self._held):
            self._take(message)

    def _take(self, message: Message) -> None:
        errand = self._waiting.get(message.errand) if isinstance(message, Told | Done | Failed) else None
        if errand is None or isinstance(message, Told):
            if errand is not None and isinstance(message, Told) and not errand.is_cancelled:
                errand.told.emit(message.what)
            return
        del self._waiting[errand.asked.errand]
        if isinstance(message, Done):
            errand.done.emit(message.result)
            errand.end()
        elif isinstance(message, Failed):
            logging.getLogger(__name__).error("in a worker process: %s", message.traceback)
            self.slipped.emit(WorkerError(f"{errand.asked.task}: {message.summary}"))
            errand.end(message.summary)

    def _look(self) -> None:
        """Ask whether the process is there, and end one that does not answer, or does not heed."""
        if self._process is None:
            return
        if not self._waiting:
            self._heard_s = time.monotonic()
            return
        now = time.monotonic()
        unheeded = any(one.is_cancelled for one in self._waiting.values()) and now - self._unheeded_s > _OBEYS_S
        if unheeded or now - self._heard_s > _SILENT_S:
            self._process.kill()
            return
        self._send(Ping())

    def _not_started(self, error: QProcess.ProcessError) -> None:
        if error is QProcess.ProcessError.FailedToStart:
            self._gone()

    def _gone(self) -> None:
        """Go on without the process: what was wanted is asked of a new one, once."""
        if self._process is None:
            return
        status = self._process.exitCode()
        self._process.deleteLater()
        self._process = None
        self._beat.stop()
        left, self._waiting = list(self._waiting.values()), {}
        wanted = [one for one in left if not one.is_cancelled]
        for one in left:
            if one.is_cancelled:
                one.end()
        if not left or wanted:
            logging.getLogger(__name__).error("a worker process ended by itself, status %s", status)
        for place, one in enumerate(wanted):
            one.tries += place == 0  # the others were only waiting behind it
            if one.tries > _TRIES:
                self.slipped.emit(WorkerError(f"{one.asked.task}: its process ended {_TRIES} times"))
                one.end("its process ended before it was done")
                continue
            self._waiting[one.asked.errand] = one
            self._send(one.asked)
        if any(not one.is_over for one in wanted):
            self.noticed.emit(self.tr("A calculation ended by itself; it is being done again."))
